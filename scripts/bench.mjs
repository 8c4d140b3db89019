// npm run bench: prints the figures of the house. Ratios against a peer in the same run where there is one.
import { gzipSync, brotliCompressSync } from 'node:zlib';
import { mkdtempSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuild, ensurePackages, freePort, run, startServer } from './lib.mjs';

ensurePackages();
ensureBuild();
const { build } = await import('esbuild');
const folder = mkdtempSync(join(process.cwd(), 'node_modules', '.fox-bench-'));
process.on('exit', () => rmSync(folder, { recursive: true, force: true }));
await build({
  entryPoints: ['scripts/bench/core.ts'],
  bundle: true,
  packages: 'external',
  platform: 'node',
  format: 'esm',
  outfile: join(folder, 'core.mjs'),
  logLevel: 'error',
});
await import(join(folder, 'core.mjs'));

console.log('\nFirst page: script that /gather loads before it shows');
const assets = 'dist/web/assets';
const index = readFileSync('dist/web/index.html', 'utf8');
const files = readdirSync(assets);
const gather = files.find((f) => f.startsWith('Shelf-') && f.endsWith('.js'));
const wanted = new Set([...index.matchAll(/assets\/([\w-]+\.js)/g)].map((m) => m[1]));
const queue = [gather, files.find((f) => f.startsWith('Drawers-'))];
while (queue.length > 0) {
  const file = queue.pop();
  if (wanted.has(file) && file !== gather) continue;
  wanted.add(file);
  for (const m of readFileSync(join(assets, file), 'utf8').matchAll(
    /from\s*["']\.\/([\w-]+\.js)["']|import\s*["']\.\/([\w-]+\.js)["']/g,
  )) {
    const next = m[1] ?? m[2];
    if (!wanted.has(next)) queue.push(next);
  }
}
const bytes = [...wanted].map((f) => readFileSync(join(assets, f)));
const sum = (f) => (bytes.reduce((n, b) => n + f(b).length, 0) / 1000).toFixed(1);
console.log(
  `  ${wanted.size} files, ${sum((b) => b)} kB raw, ${sum((b) => gzipSync(b))} kB gzip, ${sum((b) => brotliCompressSync(b))} kB brotli (as served), budget 220 kB`,
);

console.log('\nDesk: whole requests over loopback, one after another');
const data = mkdtempSync(join(tmpdir(), 'fox-bench-'));
run(process.execPath, ['dist/server/fill-demo.js'], {
  env: { ...process.env, FOX_DATA: data },
  stdio: ['ignore', 'ignore', 'inherit'],
});
const server = await startServer(
  { PORT: String(await freePort()), FOX_DATA: data },
  { stdio: ['ignore', 'ignore', 'inherit'] },
);
const time = async (name, n, call) => {
  await call(0);
  const took = [];
  for (let i = 0; i < n; i++) {
    const t = performance.now();
    await call(i);
    took.push(performance.now() - t);
  }
  took.sort((a, b) => a - b);
  console.log(
    `  ${name.padEnd(44)} median ${took[n >> 1].toFixed(1)} ms, 95th percentile ${took[Math.floor(n * 0.95)].toFixed(1)} ms`,
  );
  return took[n >> 1];
};
const json = (method, body) => ({
  method,
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify(body),
});
try {
  const health = await time('GET /api/health (the peer)', 200, () =>
    fetch(`${server.url}/api/health`).then((r) => r.json()),
  );
  const materials = await time('GET /api/materials', 100, () =>
    fetch(`${server.url}/api/materials`).then((r) => r.json()),
  );
  const copies = await time('GET /api/copies', 100, () =>
    fetch(`${server.url}/api/copies`).then((r) => r.json()),
  );
  const stock = await time('POST stock, flushed to disk', 100, () =>
    fetch(`${server.url}/api/materials/1/stock`, json('POST', { by: 1 })).then((r) => r.json()),
  );
  await time('POST /api/compute/purchase', 40, (i) =>
    fetch(
      `${server.url}/api/compute/purchase`,
      json('POST', {
        needs: [{ material: 'a', quantity: 20 + i }],
        stock: [],
        offers: [6, 9, 20, 50].map((q) => ({
          id: String(q),
          supplier: 's',
          price: 10 * q + 7,
          contents: [{ material: 'a', quantity: q }],
        })),
        delivery: [{ supplier: 's', price: 90 }],
      }),
    ).then((r) => r.json()),
  );
  console.log(
    `  ratios to the peer: materials ${(materials / health).toFixed(1)}, copies ${(copies / health).toFixed(1)}, stock ${(stock / health).toFixed(1)}`,
  );
} finally {
  await server.stop();
  rmSync(data, { recursive: true, force: true });
}
