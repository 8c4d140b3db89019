// The server is killed within a restore while ten writers write: everything that was acknowledged is in the place or in a copy.
import { cpSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'libsql';
import { FILE, newPlace, openServer, post } from './place.mjs';

const RESTORES = Number(process.env.RESTORES ?? 20);
const WRITERS = Number(process.env.WRITERS ?? 10);

/** The folder as the killed server left it, without the lock of the dead. */
function leftBehind(folder) {
  const next = mkdtempSync(join(tmpdir(), 'fox-stress-'));
  cpSync(folder, next, { recursive: true });
  for (const name of ['fox-button.lock', 'fox-button.pid'])
    rmSync(join(next, name), { recursive: true, force: true });
  rmSync(folder, { recursive: true, force: true });
  return next;
}

const namesIn = (file) => {
  const db = new Database(file);
  try {
    const sound = db.prepare('pragma integrity_check').all()[0].integrity_check;
    if (sound !== 'ok') throw new Error(`${file}: ${sound}`);
    return db
      .prepare('select name from borrower')
      .all()
      .map((b) => b.name);
  } finally {
    db.close();
  }
};

export async function hold() {
  let folder = newPlace(2000);
  let [acknowledged, lost, exchanged, slow] = [0, 0, 0, 0];
  for (let round = 0; round < RESTORES; round++) {
    const server = await openServer(folder);
    const made = await (await post(server.url, '/backups', {})).json();
    const told = [];
    let going = true;
    const writers = Array.from({ length: WRITERS }, async (_, k) => {
      for (let i = 0; going; i++) {
        const name = `W ${round} ${k} ${i}`;
        const from = performance.now();
        const r = await post(server.url, '/borrowers', { name, group: 'Gulls', allergies: [] }).catch(
          () => null,
        );
        if (r?.status === 201) told.push(name);
        if (r) slow = Math.max(slow, performance.now() - from);
        if (r && ![201, 503].includes(r.status)) throw new Error(`a writer was told ${r.status}`);
        await r?.text().catch(() => null);
      }
    });
    await new Promise((go) => setTimeout(go, 100));
    const restoring = post(server.url, `/backups/${made.name}/restore`, {}).catch(() => null);
    // Some within the reading, some within the exchange, some after it.
    const done = await Promise.race([
      restoring.then((r) => r?.status === 200),
      new Promise((go) => setTimeout(() => go(false), 150 + ((round * 397) % 3000))),
    ]);
    if (done) exchanged++;
    const gone = new Promise((go) => server.child.once('exit', go));
    server.child.kill('SIGKILL');
    await gone;
    going = false;
    await Promise.all(writers);
    folder = leftBehind(folder);
    const there = new Set(namesIn(join(folder, FILE)));
    for (const name of readdirSync(join(folder, 'backups')).filter(
      (n) => n.endsWith('.db') && !n.startsWith('.'),
    ))
      for (const n of namesIn(join(folder, 'backups', name))) there.add(n);
    acknowledged += told.length;
    lost += told.filter((n) => !there.has(n)).length;
    rmSync(join(folder, 'backups'), { recursive: true, force: true });
  }
  rmSync(folder, { recursive: true, force: true });
  console.log(
    `Restores: killed in ${RESTORES} under ${WRITERS} writers (${exchanged} had ended): ${acknowledged} acknowledged, ${lost} lost; the slowest write was answered after ${slow.toFixed(0)} ms`,
  );
  if (lost > 0 || acknowledged === 0) throw new Error('a restore lost what was acknowledged');
}
