import { mkdtempSync, readFileSync, rmSync, statSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startTest } from '../testing.ts';
import { Committed } from './committed.ts';

let folder: string;
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'fox-committed-'))));
afterEach(() => rmSync(folder, { recursive: true, force: true }));

it('remembers what a start did not find until somebody goes on without it', () => {
  const first = new Committed(folder, 0);
  expect(first.lost).toBe(0);
  first.write({ changes: 20 });
  first.close();
  const second = new Committed(folder, 9);
  expect(second.lost).toBe(11);
  // What is written then does not make it forgotten.
  second.write({ changes: 10 });
  second.close();
  const third = new Committed(folder, 10);
  expect(third.lost).toBe(11);
  third.write({ lost: 0 });
  third.close();
  const fourth = new Committed(folder, 10);
  expect(fourth.lost).toBe(0);
  fourth.close();
  // A line that cannot be read says nothing.
  writeFileSync(join(folder, 'fox-button.committed'), 'x');
  const fifth = new Committed(folder, 3);
  expect(fifth.lost).toBe(0);
  fifth.close();
});

it('a log with garbage in it loses rows that were acknowledged, and the start says how many', async () => {
  const desk = await startTest({ folder });
  const add = (i: number) =>
    desk.post('/borrowers', { name: `Boat ${i}`, group: 'Gulls', allergies: [] }).expect(201);
  for (let i = 0; i < 20; i++) await add(i);
  const log = join(folder, 'fox-button.db-wal');
  const bytes = readFileSync(log);
  expect(statSync(log).size).toBeGreaterThan(40_000);
  // As after a fall: the file, and a log whose end is not what was written.
  const other = mkdtempSync(join(tmpdir(), 'fox-committed-'));
  for (const name of ['fox-button.db', 'fox-button.committed'])
    writeFileSync(join(other, name), readFileSync(join(folder, name)));
  bytes.fill(0xee, Math.floor(bytes.length / 2), Math.floor(bytes.length / 2) + 4000);
  writeFileSync(join(other, 'fox-button.db-wal'), bytes);
  await desk.close();
  const again = await startTest({ folder: other });
  const left = (await again.get('/borrowers').expect(200)).body as unknown[];
  expect(left.length).toBeLessThan(20);
  const { body } = await again.get('/integrity/lost').expect(200);
  expect(body).toEqual({ lost: 20 - left.length });
  expect((await again.post('/integrity/lost/accept', {}).expect(200)).body).toEqual({ lost: 0 });
  await again.close();
  rmSync(other, { recursive: true, force: true });
});

it('finds nothing lost where nothing is, after a fall and after a restore', async () => {
  const desk = await startTest({ folder });
  await desk.post('/borrowers', { name: 'Teal Skiff', group: 'Gulls', allergies: [] }).expect(201);
  const made = (await desk.post('/backups', {}).expect(201)).body as { name: string };
  await desk.post('/borrowers', { name: 'Amber Dory', group: 'Gulls', allergies: [] }).expect(201);
  await desk.post(`/backups/${made.name}/restore`, {}).expect(200);
  await desk.post('/borrowers', { name: 'Grey Punt', group: 'Gulls', allergies: [] }).expect(201);
  const fallen = mkdtempSync(join(tmpdir(), 'fox-committed-'));
  for (const name of ['fox-button.db', 'fox-button.db-wal', 'fox-button.committed'])
    writeFileSync(join(fallen, name), readFileSync(join(folder, name)));
  await desk.close();
  const again = await startTest({ folder: fallen });
  expect((await again.get('/integrity/lost').expect(200)).body).toEqual({ lost: 0 });
  expect((await again.get('/borrowers')).body).toHaveLength(2);
  await again.close();
  truncateSync(join(fallen, 'fox-button.committed'), 0);
  rmSync(fallen, { recursive: true, force: true });
});
