import { spawn } from 'node:child_process';
import {
  copyFileSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'libsql';
import { pino } from 'pino';
import { makeServerContext } from '../serverContext.ts';
import { makeBackup, listBackups } from './backup.ts';
import { isBusy } from './busy.ts';
import { lockFolder } from './lock.ts';
import { closeDb, openDb } from './open.ts';
import { rows } from './rows.ts';

let folder: string;
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'fox-sound-'))));
afterEach(() => rmSync(folder, { recursive: true, force: true }));
const file = (): string => join(folder, 'fox-button.db');
const place = async (): Promise<void> => {
  const db = await openDb(folder);
  await rows(db.em.fork(), "insert into borrower (name, group_name) values ('Teal Skiff', 'Gulls')");
  await closeDb(db);
};

describe('a file that is not as it should be', () => {
  const refused = async (words: RegExp): Promise<void> => {
    const before = readFileSync(file());
    await expect(openDb(folder)).rejects.toThrow(words);
    // Nothing is written to it, and the reason is one sentence without a stack.
    expect(readFileSync(file()).equals(before)).toBe(true);
    await openDb(folder).catch((e: Error) => expect(e.message).not.toMatch(/\n|at \w+ \(/));
  };
  it('empty is refused, with what to do', async () => {
    writeFileSync(file(), '');
    await refused(/is empty \(0 bytes\): .*put a backup in its place/);
  });
  it('damaged is refused, and the newest copy is named', async () => {
    await place();
    makeBackup(folder, '2026-11-26T10:00:00Z');
    const bytes = readFileSync(file());
    bytes.fill(0x5a, 8192, 60_000);
    writeFileSync(file(), bytes);
    await refused(/is damaged: .*backups\/fox-button-2026-11-26-100000\.db/);
  });
  it('of something else is refused', async () => {
    writeFileSync(file(), 'hello hello hello hello');
    await refused(/does not begin as a database/);
    rmSync(file());
    const other = new Database(file());
    other.exec('create table recipes (id integer)');
    other.close();
    await refused(/is no place’s database/);
  });
  it('from a newer version is refused', async () => {
    await place();
    const db = new Database(file());
    db.exec("insert into mikro_orm_migrations (name) values ('2031-01-01-later')");
    db.close();
    await refused(/newer version .*2031-01-01-later/);
  });
  it('in a folder that is none is said in one sentence', async () => {
    writeFileSync(join(folder, 'note'), '');
    await expect(openDb(join(folder, 'note'))).rejects.toThrow(/is not a folder; set FOX_DATA to one\.$/);
    await expect(openDb('/proc/none/here')).rejects.toThrow(/\/proc\/none\/here cannot be used/);
  });
});

describe('a backup', () => {
  it('works twice in one second, and what is put back is what was there', async () => {
    await place();
    const [first, second] = [1, 2].map(() => makeBackup(folder, '2026-11-26T10:00:00Z'));
    expect(first!.name).toBe('fox-button-2026-11-26-100000.db');
    expect(second!.name).toBe('fox-button-2026-11-26-100000-2.db');
    expect(listBackups(folder)).toHaveLength(2);
    const again = join(folder, 'again');
    mkdirSync(again);
    copyFileSync(join(folder, 'backups', second!.name), join(again, 'fox-button.db'));
    const db = await openDb(again);
    expect(await rows(db.em.fork(), 'select name from borrower')).toEqual([{ name: 'Teal Skiff' }]);
    await closeDb(db);
  });
  it('of nothing says so', () => {
    expect(() => makeBackup(folder, '2026-11-26T10:00:00Z')).toThrow(/no place/);
  });
});

describe('the folder', () => {
  it('is held by one process: a second start is told which', async () => {
    const lock = await lockFolder(folder);
    await expect(lockFolder(folder)).rejects.toThrow(
      new RegExp(`in use by another Fox Button \\(process ${process.pid}\\); stop that one first`),
    );
    await lock.release();
    const next = await lockFolder(folder);
    await next.release();
  });
  it('is not taken from a server that is only busy, nor kept for a number that somebody else has now', async () => {
    const child = spawn(process.execPath, [
      '-e',
      `require('proper-lockfile').lock(${JSON.stringify(folder)}, { lockfilePath: ${JSON.stringify(join(folder, 'fox-button.lock'))}, stale: 5000, update: 1000 }).then(() => { require('fs').writeFileSync(${JSON.stringify(join(folder, 'fox-button.pid'))}, String(process.pid)); console.log('held'); setTimeout(() => { for (const from = Date.now(); Date.now() - from < 60000; ); }, 50); })`,
    ]);
    await new Promise((go) => child.stdout.once('data', go));
    // As after a while in which it renewed nothing.
    const old = new Date(Date.now() - 60_000);
    await new Promise((go) => setTimeout(go, 200));
    utimesSync(join(folder, 'fox-button.lock'), old, old);
    await expect(lockFolder(folder)).rejects.toThrow(
      new RegExp(`process ${child.pid}\\); stop that one first`),
    );
    const gone = new Promise((go) => child.once('exit', go));
    child.kill('SIGKILL');
    await gone;
    // A number that is alive, and began at another time: the server that had it is gone.
    writeFileSync(join(folder, 'fox-button.pid'), `${process.ppid} another time`);
    utimesSync(join(folder, 'fox-button.lock'), old, old);
    await (await lockFolder(folder)).release();
  });
  it('left by a process that is gone is taken over', async () => {
    // A child takes the lock and is killed with it in hand.
    const child = spawn(process.execPath, [
      '-e',
      `require('proper-lockfile').lock(${JSON.stringify(folder)}, { lockfilePath: ${JSON.stringify(join(folder, 'fox-button.lock'))}, stale: 5000, update: 1000 }).then(() => { require('fs').writeFileSync(${JSON.stringify(join(folder, 'fox-button.pid'))}, String(process.pid)); console.log('held'); setInterval(() => {}, 1000); })`,
    ]);
    await new Promise((go) => child.stdout.once('data', go));
    const gone = new Promise((go) => child.once('exit', go));
    child.kill('SIGKILL');
    await gone;
    let waited = false;
    const lock = await lockFolder(folder, { waiting: () => (waited = true) });
    expect(waited).toBe(true);
    await lock.release();
  });
});

describe('another program that writes', () => {
  it('is waited for; after it the server sees what it wrote, and writes itself', async () => {
    const db = await openDb(folder);
    const serverContext = makeServerContext({
      db,
      workerPool: {
        hasReaders: false,
        run: () => Promise.reject(new Error()),
        close: () => Promise.resolve(),
      },
      log: pino({ level: 'silent' }),
      fixedToday: null,
      folder,
    });
    const other = new Database(file());
    const add = (name: string) =>
      serverContext.inTransaction((em) =>
        rows(em, 'insert into borrower (name, group_name) values (?, ?)', [name, 'Gulls']),
      );
    await add('One');
    other.exec('begin immediate');
    other.exec("insert into borrower (name, group_name) values ('Theirs', 'Gulls')");
    const mine = Promise.all([add('Two'), add('Three')]);
    await new Promise((go) => setTimeout(go, 1200));
    // Reading goes on meanwhile.
    expect(await rows(serverContext.em(), 'select name from borrower')).toEqual([{ name: 'One' }]);
    other.exec('commit');
    await mine;
    expect(
      (await rows<{ name: string }>(serverContext.em(), 'select name from borrower order by id')).map(
        (r) => r.name,
      ),
    ).toEqual(['One', 'Theirs', 'Two', 'Three']);
    // One that never ends is answered, and does not wedge the server.
    other.exec('begin immediate');
    expect(await add('Never').catch(isBusy)).toBe(true);
    other.exec('rollback');
    other.close();
    await add('Four');
    expect(await rows(serverContext.em(), 'select count(*) as n from borrower')).toEqual([{ n: 5 }]);
    await closeDb(db);
  });
});
