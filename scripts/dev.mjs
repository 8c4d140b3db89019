// npm run dev: the server from its sources, rebuilt at each start, and Vite in front of it at http://127.0.0.1:4311.
import { spawn } from 'node:child_process';
import { ensureBuild, ensurePackages, startServer } from './lib.mjs';

ensurePackages();
ensureBuild();
const server = await startServer({ PORT: '4310', FOX_DATA: process.env.FOX_DATA ?? 'data' });
const vite = spawn(process.execPath, ['node_modules/vite/bin/vite.js'], { stdio: 'inherit' });
vite.on('exit', () => void server.stop().then(() => process.exit(0)));
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => vite.kill(signal));
