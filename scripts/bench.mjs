// npm run bench: prints the figures of the house. Ratios against a peer in the same run where there is one.
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuild, ensurePackages, freePort, run, startServer } from './lib.mjs';

ensurePackages();
ensureBuild();
const { build } = await import('esbuild');
const folder = mkdtempSync(join(process.cwd(), 'node_modules', '.fox-bench-'));
process.on('exit', () => rmSync(folder, { recursive: true, force: true }));
await build({
  entryPoints: ['scripts/bench/core.ts', 'scripts/bench/making.ts', 'scripts/bench/photo.ts'],
  bundle: true,
  packages: 'external',
  platform: 'node',
  format: 'esm',
  outdir: folder,
  outExtension: { '.js': '.mjs' },
  logLevel: 'error',
});
await import(join(folder, 'core.mjs'));
console.log();
await import(join(folder, 'making.mjs'));
console.log();
// In a process of its own: what it takes of memory is told, too.
run(process.execPath, [join(folder, 'photo.mjs')]);

console.log('\nStart: an empty place, from the command to the first answer');
await (await import('./bench/start.mjs')).startBench();

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
/** Lots come in as a file; the shelf is read at 500 and at 5,000 of them, then a hundred thousand rows stream in. */
async function lotsBench() {
  const bring = async (n) => {
    const rows = Array.from(
      { length: n },
      (_, i) =>
        `Milk-bottle cap,${1 + (i % 9)},2026-0${1 + (i % 9)}-1${i % 10},Teal Skiff,"Came in bag ${i}, looked over",clean,dry`,
    );
    const body = `material,quantity,came_on,from,reason,clean,dry\n${rows.join('\n')}\n`;
    const preview = await fetch(`${server.url}/api/files/lots/preview`, {
      method: 'POST',
      headers: { 'content-type': 'text/csv' },
      body,
    }).then((r) => r.json());
    if (preview.rows !== n || preview.faulty !== 0) throw new Error(JSON.stringify(preview).slice(0, 300));
    const done = await fetch(`${server.url}/api/files/confirm`, json('POST', { id: preview.id }));
    if (!done.ok) throw new Error(await done.text());
    return body.length;
  };
  const read = (path) => fetch(`${server.url}/api/${path}`).then((r) => r.text());
  const memory = (what) =>
    Number(
      new RegExp(`${what}:\\s+(\\d+)`).exec(readFileSync(`/proc/${server.child.pid}/status`, 'utf8'))[1],
    ) / 1024;
  await bring(500);
  const few = await time('GET /api/materials over 650 lots', 40, () => read('materials'));
  const fewLots = await time('GET /api/lots, 650', 40, () => read('lots'));
  await bring(4500);
  const many = await time('GET /api/materials over 5,150 lots', 40, () => read('materials'));
  const manyLots = await time('GET /api/lots, 5,150', 20, () => read('lots'));
  console.log(
    `  ratios 5,150 to 650 lots: materials ${(many / few).toFixed(1)}, lots ${(manyLots / fewLots).toFixed(1)}`,
  );
  const before = memory('VmRSS');
  const t = performance.now();
  const bytes = await bring(100_000);
  console.log(
    `  100,000 rows (${(bytes / 1e6).toFixed(1)} MB) read and written in ${((performance.now() - t) / 1000).toFixed(1)} s; server ${before.toFixed(0)} MB before, most ${memory('VmHWM').toFixed(0)} MB (growth at most 300)`,
  );
  const out = performance.now();
  const text = await read('files/lots.csv');
  console.log(
    `  105,150 lots out as CSV (${(text.length / 1e6).toFixed(1)} MB) in ${((performance.now() - out) / 1000).toFixed(1)} s; server most ${memory('VmHWM').toFixed(0)} MB`,
  );
}
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
  const copies = await time('GET /api/kits', 100, () =>
    fetch(`${server.url}/api/kits`).then((r) => r.json()),
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
  console.log('\nFirst page: script that a browser loads');
  const { fillLists, firstPage, openings } = await import('./bench/pages.mjs');
  await firstPage(server.url);
  console.log('\nHostile files');
  await (await import('./bench/hostile.mjs')).hostileBench(server.url);
  console.log('\nStations open, ms until heading and first rows, at 2,000 and 20,000 kits and notes');
  fillLists(join(data, 'fox-button.db'), 2000);
  const few = await openings(server.url);
  fillLists(join(data, 'fox-button.db'), 20_000);
  const many = await openings(server.url);
  for (const [name, ms] of Object.entries(few))
    console.log(
      `  ${name.padEnd(8)} ${ms.toFixed(0)} and ${many[name].toFixed(0)}, ratio ${(many[name] / ms).toFixed(2)} (budget 1.3)`,
    );
  console.log('\nFrom key press to paint, 500 materials and 40 designs');
  const { dialBench, fillUp } = await import('./bench/dial.mjs');
  await fillUp(server.url, json);
  await dialBench(server.url);
  console.log('\nLots');
  await lotsBench();
  console.log(
    `  ratios to the peer: materials ${(materials / health).toFixed(1)}, copies ${(copies / health).toFixed(1)}, stock ${(stock / health).toFixed(1)}`,
  );
} finally {
  await server.stop();
  rmSync(data, { recursive: true, force: true });
}
