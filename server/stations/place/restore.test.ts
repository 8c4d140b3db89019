import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'libsql';
import request from 'supertest';
import type { Backup, BackupLook, Restored } from '../../../contract/place.ts';
import { backupsIn, clearLeftovers, dailyBackup } from '../../db/backup.ts';
import { startTest, withDesign, type TestDesk } from '../../testing.ts';

let folder: string;
let desk: TestDesk;
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'fox-restore-'));
  desk = await startTest({ folder });
});
afterEach(async () => {
  await desk.close();
  rmSync(folder, { recursive: true, force: true });
});

const family = (name: string) => desk.post('/borrowers', { name, group: 'Gulls', allergies: [] }).expect(201);
const names = async () =>
  ((await desk.get('/borrowers').expect(200)).body as { name: string }[]).map((b) => b.name).sort();
const backup = async () => (await desk.post('/backups', {}).expect(201)).body as Backup;

it('a backup is looked at, put back whole, and what was there before is a backup itself', async () => {
  const { design } = await withDesign(desk, { copies: 2 });
  await desk.post('/builds', { designId: design.id, version: design.version, copies: 2 }).expect(201);
  await family('Teal Skiff');
  const made = await backup();
  const { id } = (await family('Amber Dory')).body as { id: number };
  await desk.post('/session/first', { name: 'Keeper', password: 'seaweed on the slipway' }).expect(201);
  const look = (await desk.get(`/backups/${made.name}/look`).expect(200)).body as BackupLook;
  expect(look).toMatchObject({
    place: 'Our cart',
    counts: { materials: 2, designs: 1, kits: 2, families: 1, loans: 0, notes: 0 },
    lastLoan: null,
  });
  // Readers see the one or the other, whole.
  const reading = Array.from({ length: 12 }, async () => (await desk.get('/borrowers')).status);
  const { body } = await desk.post(`/backups/${made.name}/restore`, {}).expect(200);
  expect(new Set(await Promise.all(reading))).toEqual(new Set([200]));
  const { restored, before } = body as Restored;
  expect(restored).toBe(made.name);
  expect(await names()).toEqual(['Teal Skiff']);
  // Nothing is left beside the file, the manager still is one, and no number is given twice.
  expect(readdirSync(folder).filter((f) => f.startsWith('.restore'))).toEqual([]);
  expect((await desk.get('/people').expect(200)).body).toHaveLength(1);
  expect(((await family('Grey Punt')).body as { id: number }).id).toBeGreaterThan(id);
  // And back again.
  await desk.post(`/backups/${before}/restore`, {}).expect(200);
  expect(await names()).toEqual(['Amber Dory', 'Teal Skiff']);
  await family('Grey Punt');
});

it('a try that failed leaves everything as it was, and the next one works', async () => {
  await family('Teal Skiff');
  const made = await backup();
  await family('Amber Dory');
  const { workerPool } = desk.serverContext;
  const run = workerPool.run.bind(workerPool);
  // As when the disk is full midway.
  workerPool.run = (job, signal) =>
    job.kind === 'carry-over' ? Promise.reject(new Error('database or disk is full')) : run(job, signal);
  await desk.post(`/backups/${made.name}/restore`, {}).expect(503);
  workerPool.run = run;
  expect(await names()).toEqual(['Amber Dory', 'Teal Skiff']);
  await family('Grey Punt');
  await desk.post(`/backups/${made.name}/restore`, {}).expect(200);
  expect(await names()).toEqual(['Teal Skiff']);
  expect(readdirSync(folder).filter((f) => f.startsWith('.restore'))).toEqual([]);
});

it('keeps everything that was acknowledged: in the place, or in the copy of what was before', async () => {
  await family('Teal Skiff');
  const made = await backup();
  let going = true;
  const acknowledged: string[] = [];
  const told = new Set<number>();
  const writer = async (k: number): Promise<void> => {
    for (let i = 0; going; i++) {
      const name = `Boat ${k} ${i}`;
      const answer = await desk.post('/borrowers', { name, group: 'Gulls', allergies: [] });
      told.add(answer.status);
      if (answer.status === 201) acknowledged.push(name);
      else expect(answer.headers['retry-after']).toBe('2');
    }
  };
  const writers = [0, 1, 2, 3].map(writer);
  const { body } = await desk.post(`/backups/${made.name}/restore`, {}).expect(200);
  going = false;
  await Promise.all(writers);
  expect([...told].sort().filter((s) => s !== 201 && s !== 503)).toEqual([]);
  const inCopy = new Database(join(backupsIn(folder), (body as Restored).before), { readonly: true });
  const before = (inCopy.prepare('select name from borrower').all() as { name: string }[]).map((b) => b.name);
  inCopy.close();
  const all = new Set([...before, ...(await names())]);
  expect(acknowledged.length).toBeGreaterThan(3);
  expect(acknowledged.filter((n) => !all.has(n))).toEqual([]);
});

it('does not let a screen from before write over what is there now', async () => {
  const { body } = await family('Teal Skiff');
  const made = await backup();
  const { id, version } = body as { id: number; version: number };
  const change = (v: number, group: string) =>
    desk.put(`/borrowers/${id}`, { name: 'Teal Skiff', group, allergies: [], version: v });
  await change(version, 'Terns').expect(200);
  await desk.post(`/backups/${made.name}/restore`, {}).expect(200);
  // A colleague writes the allergy down; the tab that still shows the old family must not take it away.
  const [now] = (await desk.get('/borrowers')).body as { version: number; group: string }[];
  expect(now!.group).toBe('Gulls');
  await change(now!.version, 'Puffins').expect(200);
  for (let v = 1; v <= version + 1; v++) await change(v, 'Gone').expect(409);
});

it('keeps erased who was erased since the copy was made, and nobody else', async () => {
  const { body } = await family('Teal Skiff');
  await family('Amber Dory');
  await desk.put('/children/G-04', { hand: { span: 110 }, likes: 'boats', version: 0 });
  const child = (code: string) =>
    desk.post('/borrowers', { name: `Of ${code}`, group: 'Gulls', allergies: [], children: [code] });
  await child('G-04').expect(201);
  await child('G-05').expect(201);
  const made = await backup();
  await desk.post(`/borrowers/${(body as { id: number }).id}/erase`, {}).expect(204);
  await desk.post('/children/G-04/erase', {}).then((r) => r);
  const since = await backup();
  await desk.post(`/backups/${made.name}/restore`, {}).expect(200);
  expect(await names()).toEqual(['Amber Dory', 'Of G-04', 'Of G-05']);
  const file = readFileSync(join(folder, 'fox-button.db'), 'latin1');
  expect(file).not.toContain('Teal Skiff');
  // The same name, given to another family after the erasing, is that other family's.
  await family('Teal Skiff');
  const third = await backup();
  await desk.post(`/backups/${since.name}/restore`, {}).expect(200);
  await desk.post(`/backups/${third.name}/restore`, {}).expect(200);
  expect(await names()).toContain('Teal Skiff');
});

it('copies asked for at once are all made, each under a name of its own', async () => {
  await family('Teal Skiff');
  const made = await Promise.all(Array.from({ length: 4 }, backup));
  expect(new Set(made.map((m) => m.name)).size).toBe(4);
  for (const { name } of made)
    expect((await desk.get(`/backups/${name}/look`).expect(200)).body).toMatchObject({
      counts: { families: 1 },
    });
});

it('a copy whose rows belong to nothing is refused before anything is touched, and writing goes on', async () => {
  const { design } = await withDesign(desk, { copies: 1 });
  await desk.post('/builds', { designId: design.id, version: design.version, copies: 1 }).expect(201);
  const made = await backup();
  const file = new Database(join(backupsIn(folder), made.name));
  file.exec('pragma foreign_keys = off; delete from design');
  file.close();
  const { body } = await desk.post(`/backups/${made.name}/restore`, {}).expect(422);
  expect((body as { detail: string }).detail).toMatch(
    /kit 1: it belongs to a design that is not in the copy/,
  );
  expect((await desk.get('/designs').expect(200)).body).toHaveLength(1);
  await family('Teal Skiff');
  expect(await names()).toEqual(['Teal Skiff']);
});

it('a start clears what was left half done, and nothing else', async () => {
  const made = await backup();
  mkdirSync(join(folder, '.restore-x1'));
  writeFileSync(join(folder, '.restore-x1', 'fox-button.db'), 'half');
  for (const name of ['.incoming-7-1-a', '.fox-button-2026-11-27-080000.db.77', 'mine.txt'])
    writeFileSync(join(backupsIn(folder), name), 'half');
  clearLeftovers(folder);
  expect(readdirSync(backupsIn(folder)).sort()).toEqual([made.name, 'mine.txt'].sort());
  expect(readdirSync(folder).filter((n) => n.startsWith('.restore'))).toEqual([]);
});

it('what is damaged, newer or no backup is refused in words, and nothing is changed', async () => {
  await family('Teal Skiff');
  const made = await backup();
  const newer = 'fox-button-2030-01-01-000000.db';
  const bad = 'fox-button-2030-01-02-000000.db';
  const copy = new Database(join(backupsIn(folder), made.name));
  copy.prepare('vacuum into ?').run(join(backupsIn(folder), newer));
  copy.close();
  const later = new Database(join(backupsIn(folder), newer));
  later.exec("insert into mikro_orm_migrations (name) values ('2099-01-01-later')");
  later.close();
  writeFileSync(join(backupsIn(folder), bad), 'not a database at all'.repeat(100));
  for (const [name, words] of [
    [newer, /newer version/],
    [bad, /damaged/],
  ] as const) {
    const look = await desk.get(`/backups/${name}/look`).expect(422);
    expect((look.body as { detail: string }).detail).toMatch(words);
    const put = await desk.post(`/backups/${name}/restore`, {}).expect(422);
    expect((put.body as { detail: string }).detail).toMatch(words);
    // What a screen is told fits the copy, and names no path of the machine.
    for (const { body } of [look, put]) {
      expect((body as { detail: string }).detail).toMatch(/^The copy .*choose/);
      expect(JSON.stringify(body)).not.toContain(folder);
    }
  }
  await desk.post('/backups/fox-button-2030-01-03-000000.db/restore', {}).expect(404);
  await desk.get('/backups/..%2Ffox-button.db/look').expect(404);
  expect(await names()).toEqual(['Teal Skiff']);
});

it('the file in use is looked through, and damage in it is told', async () => {
  for (let i = 0; i < 40; i++) await family(`Boat ${i} ${'x'.repeat(40)}`);
  expect((await desk.get('/integrity').expect(200)).body).toMatchObject({
    bytes: expect.any(Number) as number,
  });
  // Another program writes over a page in the middle of it.
  await desk.serverContext.em().getConnection().execute('pragma wal_checkpoint(TRUNCATE)', [], 'all');
  const file = join(folder, 'fox-button.db');
  const bytes = readFileSync(file);
  bytes.fill(0xab, 4096 * 3, 4096 * 6);
  writeFileSync(file, bytes);
  const { body } = await desk.get('/integrity').expect(422);
  expect((body as { detail: string }).detail).toBe(
    'The place’s file is damaged: put the newest copy back that is sound.',
  );
});

it('a day has one copy of its own', async () => {
  await family('Teal Skiff');
  expect(dailyBackup(folder, '2026-11-27T08:00:00.000Z')!.name).toBe('fox-button-daily-2026-11-27.db');
  expect(dailyBackup(folder, '2026-11-27T18:00:00.000Z')).toBeNull();
  // By their names alone the rule knows which go.
  for (let d = 1; d <= 19; d++)
    writeFileSync(join(backupsIn(folder), `fox-button-daily-2026-12-${String(d).padStart(2, '0')}.db`), '');
  dailyBackup(folder, '2026-12-20T08:00:00.000Z');
  const kept = readdirSync(backupsIn(folder)).filter((f) => f.includes('daily'));
  expect(kept.length).toBeLessThan(12);
  expect(kept).toContain('fox-button-daily-2026-12-20.db');
});

it('the whole place goes out as one file and comes in again elsewhere, looked over first', async () => {
  await family('Teal Skiff');
  const made = await backup();
  const { body: file } = (await desk.get(`/backups/${made.name}`).responseType('blob').expect(200)) as {
    body: Buffer;
  };
  await family('Amber Dory');
  const send = (bytes: Buffer) =>
    request(desk.app).post('/api/backups/file').set('content-type', 'application/octet-stream').send(bytes);
  const { body: brought } = (await send(file).expect(201)) as { body: Backup };
  expect((await desk.get(`/backups/${brought.name}/look`).expect(200)).body).toMatchObject({
    counts: { families: 1 },
  });
  await desk.post(`/backups/${brought.name}/restore`, {}).expect(200);
  expect(await names()).toEqual(['Teal Skiff']);
  const refused = await send(Buffer.from('no database'.repeat(99))).expect(422);
  expect((refused.body as { detail: string }).detail).toMatch(/damaged/);
  expect(JSON.stringify(refused.body)).not.toContain(folder);
  await desk.post('/backups/file', {}).expect(415);
  expect(readdirSync(backupsIn(folder)).filter((f) => f.startsWith('.'))).toEqual([]);
});
