import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'libsql';
import type { Backup } from '../../../contract/place.ts';
import { backupsIn } from '../../db/backup.ts';
import { startTest, withDesign, type TestDesk } from '../../testing.ts';

let folder: string;
let desk: TestDesk;
let made: Backup;
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'fox-outside-'));
  desk = await startTest({ folder });
  const { design } = await withDesign(desk, { copies: 1 });
  await desk.post('/builds', { designId: design.id, version: design.version, copies: 1 }).expect(201);
  await desk.post('/borrowers', { name: 'Teal Skiff', group: 'Gulls', allergies: [] }).expect(201);
  await desk.post('/loans', { kitId: 1, borrowerId: 1, dueOn: '2026-12-01' }).expect(201);
  made = (await desk.post('/backups', {}).expect(201)).body as Backup;
});
afterEach(async () => {
  await desk.close();
  rmSync(folder, { recursive: true, force: true });
});

/** The copy after somebody has been at it with a program of theirs. */
function tampered(...sql: string[]): void {
  const db = new Database(join(backupsIn(folder), made.name));
  db.exec('pragma foreign_keys = off; pragma ignore_check_constraints = on');
  for (const s of sql) db.exec(s);
  db.close();
}
const restored = async () => desk.post(`/backups/${made.name}/restore`, {});

/** What is left where what it holds by itself is not run: the place is put back whole, without it. */
const LEFT_BEHIND: Readonly<Record<string, string[]>> = {
  'a view that never ends': [
    'create view v as with recursive n(x) as (select 1 union all select x + 1 from n) select max(x) from n',
  ],
  'a trigger that takes everything away': [
    "create trigger t after insert on borrower begin delete from borrower; insert into borrower (name, group_name) values ('x', 'y'); end",
  ],
  'a table of its own': ['create table extra (a)', 'insert into extra values (zeroblob(1000000))'],
  'an index that is worked out': ['create index i on borrower (length(name))'],
};

/** What no place can have, and by which words it is told. */
const TOLD: Readonly<Record<string, readonly [sql: string[], words: RegExp]>> = {
  'a table that is a view': [
    [
      'alter table supplier rename to s2',
      "create view supplier as with recursive n(x) as (select 1 union all select x + 1 from n) select x as id, 'n' as name from n",
    ],
    /has no table “supplier”/,
  ],
  'a missing column': [['alter table note drop column words'], /no column “words”/],
  'a missing table': [['drop table outbox'], /no table “outbox”/],
  'bytes of a megabyte and more': [
    ['update borrower set group_name = zeroblob(9000000)'],
    /borrower group_name: holds 9000000 bytes/,
  ],
  'bytes for a text': [
    ['update borrower set group_name = zeroblob(90)'],
    /borrower 1: group_name holds bytes/,
  ],
  'a last number at its end': [
    ["update sqlite_sequence set seq = 9223372036854775807 where name = 'loan'"],
    /sqlite_sequence loan: the last number given is out of range/,
  ],
  'no row that says what it is called': [['delete from place'], /place 1: is missing/],
  'broken JSON': [[`update kit set parts = '[{"name":'`], /kit 1: parts is broken JSON/],
  'JSON of another kind': [[`update design set materials = '[1,2]'`], /design 1: materials/],
  'two open loans of one kit': [
    [
      'drop index loan_one_open_per_kit',
      "insert into loan (kit_id, borrower_id, lent_on, due_on) values (1, 1, '2026-11-24', '2026-12-01')",
    ],
    /loan 2: its kit_id is in another row too/,
  ],
  'a day that is none': [["update loan set due_on = 'soon'"], /loan 1: due_on is no day/],
  'a number for a name': [
    [
      'pragma writable_schema = on',
      `update sqlite_master set sql = replace(sql, '"name" text not null, "group_name"', '"name" not null, "group_name"') where name = 'borrower'`,
      'pragma writable_schema = reset',
      'update borrower set name = 7',
    ],
    /borrower 1: name is a number; expected text/,
  ],
  'a paper that nobody prints': [["update place set paper = 'A0'"], /place 1: paper: expected A4 or Letter/],
  'rows of nothing': [
    ['update loan set borrower_id = 77'],
    /loan 1: it belongs to a borrower that is not in/,
  ],
};

it.each(Object.keys(LEFT_BEHIND))('%s stays behind when a copy is put back', async (name) => {
  tampered(...LEFT_BEHIND[name]!);
  await desk.post('/borrowers', { name: 'Amber Dory', group: 'Gulls', allergies: [] }).expect(201);
  expect((await desk.get(`/backups/${made.name}/look`)).status).toBe(200);
  expect((await restored()).status).toBe(200);
  expect(((await desk.get('/borrowers').expect(200)).body as { name: string }[]).map((b) => b.name)).toEqual([
    'Teal Skiff',
  ]);
  // Nothing of it runs when something is written.
  await desk.post('/borrowers', { name: 'Grey Punt', group: 'Gulls', allergies: [] }).expect(201);
  expect((await desk.get('/borrowers')).body).toHaveLength(2);
  const file = new Database(join(folder, 'fox-button.db'), { readonly: true });
  expect(file.prepare("select name from sqlite_master where name in ('v', 't', 'i', 'extra')").all()).toEqual(
    [],
  );
  file.close();
});

it.each(Object.keys(TOLD))('%s is told, and nothing is changed', async (name) => {
  const [sql, words] = TOLD[name]!;
  tampered(...sql);
  await desk.post('/borrowers', { name: 'Amber Dory', group: 'Gulls', allergies: [] }).expect(201);
  expect([200, 422]).toContain((await desk.get(`/backups/${made.name}/look`)).status);
  const answer = await restored();
  expect(answer.status).toBe(422);
  const { detail } = answer.body as { detail: string };
  expect(detail).toMatch(words);
  expect(detail).not.toContain(folder);
  expect((await desk.get('/borrowers').expect(200)).body).toHaveLength(2);
  await desk.post('/borrowers', { name: 'Grey Punt', group: 'Gulls', allergies: [] }).expect(201);
});
