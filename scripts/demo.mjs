// npm run demo: installs, builds, fills a throwaway place with the Kelpwick cart and serves it.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuild, ensurePackages, fail, run, say, startServer } from './lib.mjs';

const port = process.env.PORT ?? '4310';
ensurePackages();
ensureBuild();
const folder = mkdtempSync(join(tmpdir(), 'fox-button-demo-'));
process.on('exit', () => rmSync(folder, { recursive: true, force: true }));
say('Filling a throwaway place with the Kelpwick cart');
run(process.execPath, ['dist/server/fill-demo.js'], {
  env: { ...process.env, FOX_DATA: folder },
  stdio: ['ignore', 'ignore', 'inherit'],
});
const server = await startServer({ PORT: port, FOX_DATA: folder }).catch(fail);
say(`Open http://127.0.0.1:${port} in a browser. Ctrl+C ends it, and the demo data go with it.`);
server.child.on('exit', (code) => process.exit(code ?? 0));
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => void server.stop());
