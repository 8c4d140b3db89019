// Builds the interface into dist/web and the server into dist/server.
import { spawnSync } from 'node:child_process';
import { rmSync } from 'node:fs';
import { build } from 'esbuild';

rmSync('dist/server', { recursive: true, force: true });
await build({
  entryPoints: {
    main: 'server/main.ts',
    worker: 'server/compute/worker.ts',
    'fill-demo': 'demo/fill.ts',
    backup: 'server/backup.ts',
    doors: 'server/doors.ts',
  },
  bundle: true,
  packages: 'external',
  platform: 'node',
  target: 'node20',
  format: 'esm',
  splitting: true,
  chunkNames: 'chunks/[name]-[hash]',
  sourcemap: true,
  outdir: 'dist/server',
  logLevel: 'warning',
});
const vite = spawnSync(
  process.execPath,
  ['node_modules/vite/bin/vite.js', 'build', '--logLevel', process.env.QUIET ? 'warn' : 'info'],
  { stdio: 'inherit' },
);
process.exit(vite.status ?? 1);
