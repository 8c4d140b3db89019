// A place with the demo cart and as many kits as are asked for, and how it is asked.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fillLists } from '../bench/pages.mjs';
import { freePort, run, startServer } from '../lib.mjs';

export const FILE = 'fox-button.db';

/** A folder with the demo cart and so many kits. */
export function newPlace(kits) {
  const folder = mkdtempSync(join(tmpdir(), 'fox-hold-'));
  process.on('exit', () => rmSync(folder, { recursive: true, force: true }));
  run(process.execPath, ['dist/server/fill-demo.js'], {
    env: { ...process.env, FOX_DATA: folder },
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  fillLists(join(folder, FILE), kits);
  return folder;
}

export const openServer = async (folder) =>
  startServer(
    { PORT: String(await freePort()), FOX_DATA: folder },
    { stdio: ['ignore', 'ignore', 'inherit'] },
  );

export const post = (url, path, body) =>
  fetch(`${url}/api${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });

/** A day two weeks from now, as loans are due. */
export const dueOn = () => new Date(Date.now() + 14 * 86_400_000).toISOString().slice(0, 10);
