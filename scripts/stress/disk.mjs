// A disk that fills in the middle of each kind of write: each is told in words, nothing is half, and it goes on once there is room.
import { execFileSync } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, rmSync, writeFileSync, existsSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'libsql';
import { FILE, newPlace, openServer, post } from './place.mjs';

export async function hold() {
  const disk = mkdtempSync(join(tmpdir(), 'fox-disk-'));
  try {
    execFileSync('mount', ['-t', 'tmpfs', '-o', 'size=24m', 'tmpfs', disk], { stdio: 'pipe' });
  } catch {
    rmSync(disk, { recursive: true, force: true });
    throw new Error('needs the right to mount a small disk (tmpfs) and was not done');
  }
  let server = null;
  try {
    const folder = join(disk, 'place');
    mkdirSync(folder);
    cpSync(newPlace(400), folder, { recursive: true });
    server = await openServer(folder);
    const made = await (await post(server.url, '/backups', {})).json();
    const ballast = join(disk, 'ballast');
    const fill = () => {
      for (let size = 1 << 20; size >= 4096; size >>= 1)
        for (;;)
          try {
            writeFileSync(ballast, Buffer.alloc(size), { flag: 'a' });
          } catch {
            break;
          }
    };
    const free = () => existsSync(ballast) && rmSync(ballast);
    const csv = `name,group\n${Array.from({ length: 20_000 }, (_, i) => `Full ${i},Gulls`).join('\n')}\n`;
    const WRITES = {
      'a family': (i) =>
        post(server.url, '/borrowers', {
          name: `Boat ${i} ${'x'.repeat(40)}`,
          group: 'Gulls',
          allergies: [],
        }),
      'a backup': () => post(server.url, '/backups', {}),
      'a restore': () => post(server.url, `/backups/${made.name}/restore`, {}),
      'a file of rows': async () => {
        const preview = await fetch(`${server.url}/api/files/families/preview`, {
          method: 'POST',
          headers: { 'content-type': 'text/csv' },
          body: csv,
        });
        return preview.status === 200
          ? post(server.url, '/files/confirm', { id: (await preview.json()).id })
          : preview;
      },
    };
    let odd = 0;
    for (const [name, write] of Object.entries(WRITES)) {
      fill();
      let told = null;
      for (let i = 0; i < 4000 && told === null; i++) {
        const answer = await write(i);
        const body = await answer.json().catch(() => ({}));
        if (answer.status >= 400) told = `${answer.status}: ${body.detail}`;
        if (answer.status >= 500 && answer.status !== 503) odd++;
        if (name !== 'a family') break;
      }
      free();
      const after = await WRITES['a family'](`after ${name}`);
      if (after.status !== 201) odd++;
      console.log(`  ${name.padEnd(16)} ${told ?? 'there was room'}; then ${after.status}`);
    }
    await server.stop();
    server = null;
    const db = new Database(join(folder, FILE));
    const sound = db.prepare('pragma integrity_check').all()[0].integrity_check;
    db.close();
    console.log(`Disk: ${odd} answers that were no words or did not go on; the file is ${sound}`);
    if (odd > 0 || sound !== 'ok') throw new Error('a full disk did not hold');
  } finally {
    await server?.stop();
    execFileSync('umount', ['-l', disk], { stdio: 'pipe' });
    rmSync(disk, { recursive: true, force: true });
  }
}
