import { createHash } from 'node:crypto';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'libsql';
import { changeNames, changes } from './changes.ts';
import { bringForward } from './forward.ts';
import { fingerprint, layoutAfter, NEWEST } from './layout.ts';
import { closeDb, openDb } from './open.ts';

/** What each change was when it landed: a file that has had it will never have it again, whatever it says by then. */
const LANDED: Readonly<Record<string, string>> = {
  '2026-11-25-start': 'f169f156438594ca51d733774659ac7988e81f25b72c11fadb794049790e7830',
  '2026-11-25-stock-lots': '8aea74fe0476ccc93bceb5c771e08864b3aaa11e6121a52d8435910463a935e0',
  '2026-11-26-one-truth': '97c323acfa1daf3f1119cf19fc19f9fffcdf4700055d9b31432313226b7f885b',
  '2026-11-26-families': 'fb111952eb0f22264dbd132bc941760d403ff68c55038cd8cce8646aaa37c64e',
  '2026-11-27-sittings': '7615383c4a6ee7bfee675ff2a45b174a3fead0fba77c047bd022bae7dbc10f53',
  '2026-11-27-kits': 'a2601dd55aff4e16a462cb8f0d6ba7651ba1b4784c194705dc742a51b314403a',
  '2026-11-27-finds': 'cac7ead96c1618abb8325699af913035830d0d6b8a409b5e0692e834fa55fcad',
  '2026-11-27-giving': '6ecfa07b13914e606d335047a059e9766d6ff5ad3875e26719351eeacc7c1674',
  '2026-11-27-children': '978a12cbee758b05908c0f18214981209fd29f359687624d3011b77cf6d97360',
  '2026-11-27-checks': 'af2f9d533fd917dce736577c19be376d41a7057da642e0088aa57a237ceeb0a2',
  '2026-11-28-states': '94a8fad72aaa4d501fa77fe398a0b8718b1d1961058cc2366e4f5543526ea766',
  '2026-11-28-batches': '38e126e7c793420fd21b412141a92c13cebb66fa1ea61dc453ce638718212220',
  '2026-11-29-tries': '7bb215810fcfd16903a53d65e47ef26c1df86de5faab60ea8a0487eeaf79a944',
  '2026-11-29-keeping': 'd0eb9914ac30e2680c8d6c8e81600b81011d48aa5277f9ac9586f37e7dffabc9',
  '2026-11-30-benches': '5627c0710bf66a183037ea8feb8494802ac9a00b44f75b00a0a8fb42a9c0ab6f',
  '2026-11-30-people': '4d97b9eb2241effdf1a35440a61fd804e3c780ec2a38d1559341bbe71a11720b',
  '2026-11-30-terms': 'de22c33a28ffa092cecaaf83462ae9112d3355238bf35c6e7e967b2b501fce0e',
  '2026-11-30-figures': 'b0b6ffef8b67a87e626d7b4d296e6e1ad9b18861ca9ed456179c7ca2dab74199',
  '2026-11-30-checked-loans': '0dd10060c9f18ffc752270580832b2962f527eac625dba0b4186e7705ddeabc2',
  '2026-11-30-sound': '178d76e166e150d5a86bafce4e8b6efe73ab91f702c4822696fab315422bd3b7',
  '2026-12-01-traits': 'fa14ed26217e90b8618df5f6f12bdef84367b4af0b04273cc65c3fa609bf4824',
  '2026-12-01-roles': '8e82ec11acf19629fd2619e82cf46d1884215a2917fefd315ad331136bbd3ed2',
  '2026-12-01-kits-bundles-levels': '206c4e0deb97a573b460edf98a11394aeac1c68a98225d5f1bd4088f023d21ad',
  '2026-12-02-first-hour': '60c67b155c9672c4324fb608da7519d4bc244a9f6c77379c3c99f67978b4342f',
  '2026-12-02-undo': '751c5e17be7510d1bdc91bae27b08f2b641b079867f402f811aad61631f54afe',
};
const FIXTURES = join(import.meta.dirname, 'landed');

let folder: string;
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'fox-landed-'))));
afterEach(() => rmSync(folder, { recursive: true, force: true }));

/** A place's file out of its text. */
function fileOf(fixture: string): void {
  const db = new Database(join(folder, 'fox-button.db'));
  db.exec('begin');
  // A statement ends where a line ends with it; the body of a trigger is one line.
  for (const sql of readFileSync(join(FIXTURES, fixture), 'utf8').split(/;\n/))
    if (sql.trim() !== '' && !/^--[^\n]*$/.test(sql.trim())) db.exec(sql);
  db.exec('commit');
  db.close();
}

it('no change that has landed is other than it was', () => {
  expect(
    Object.fromEntries(
      changes.map(({ name, statements }) => [
        name,
        createHash('sha256').update(statements.join('\n')).digest('hex'),
      ]),
    ),
  ).toEqual(LANDED);
});

it('the fingerprint that a start compares is that of the layout that all changes make, and of no other', () => {
  expect(fingerprint(layoutAfter(changes.length))).toBe(NEWEST);
  expect(fingerprint(layoutAfter(changes.length - 1))).not.toBe(NEWEST);
});

it('there is a file of every landed layout', () => {
  expect(readdirSync(FIXTURES).sort()).toEqual(
    changes.map(({ name }, i) => `${String(i + 1).padStart(2, '0')}-${name}.sql`),
  );
});

describe.each(readdirSync(FIXTURES).sort())('a place of %s', (fixture) => {
  it('is carried forward with all that it holds', async () => {
    fileOf(fixture);
    const db = await openDb(folder);
    const read = (sql: string) => db.em.getConnection().execute<Record<string, unknown>[]>(sql);
    expect(
      await read(
        "select m.name, coalesce(sum(l.quantity), 0) as kept from material m left join lot l on l.material_id = m.id and l.state = 'ready' group by m.id order by m.id",
      ),
    ).toEqual([
      { name: 'Tub', kept: 6 },
      { name: 'Cap', kept: 27 },
    ]);
    expect(await read('select name, price, contents from offer')).toEqual([
      { name: 'Bag of caps', price: 210, contents: '[{"materialId":2,"quantity":50}]' },
    ]);
    const [design] = await read('select name, pattern, dials, materials from design');
    expect(design).toMatchObject({ name: 'Drop tub', pattern: 'drop-through' });
    expect(JSON.parse(String(design!.materials))).toEqual({ container: [1], piece: [2] });
    expect(
      await read(
        'select c.label, l.lent_on, l.returned_on, l.outcome, b.name from kit c join loan l on l.kit_id = c.id join borrower b on b.id = l.borrower_id order by l.id',
      ),
    ).toEqual([
      {
        label: 'FB-001a',
        lent_on: '2026-11-01',
        returned_on: '2026-11-14',
        outcome: 'shelve',
        name: 'Teal Skiff',
      },
      { label: 'FB-001a', lent_on: '2026-11-20', returned_on: null, outcome: null, name: 'Teal Skiff' },
    ]);
    expect(await read('select child, level, count, words from note')).toEqual([
      { child: 'G-04', level: 'Close slot', count: 8, words: 'Sang.' },
    ]);
    expect(await read('select sum(kits) as kits from kits_in_use')).toEqual([{ kits: 1 }]);
    expect((await read('select identity from place'))[0]!.identity).toMatch(/^[0-9a-f]{32}$/);
    expect(await read('pragma foreign_key_check')).toEqual([]);
    await closeDb(db);
  });
});

it('what a material can do, once known by its English name or its entry, is its tag', async () => {
  const file = join(folder, 'fox-button.db');
  bringForward(file, undefined, changeNames.indexOf('2026-12-01-traits'));
  const db = new Database(file);
  const add = db.prepare(
    `insert into material (name, form, sizes, unit, material_class, give, hazards, colour, catalogue) values (?, 'piece', '{"length":72,"width":12,"height":14}', 'each', 'wood', 0, '[]', '#B0451A', ?)`,
  );
  for (const [name, entry] of [
    ['Old Clothespin', null],
    ['Pinza verde', 'wooden-peg'],
    ['Milk cap', null],
    ['Salt flour', null],
  ])
    add.run(name, entry);
  db.close();
  bringForward(file);
  const after = new Database(file);
  expect(after.prepare('select name, traits from material order by id').all()).toEqual([
    { name: 'Old Clothespin', traits: '["clips on a rim"]' },
    { name: 'Pinza verde', traits: '["clips on a rim"]' },
    { name: 'Milk cap', traits: null },
    { name: 'Salt flour', traits: '["flour","salt"]' },
  ]);
  after.close();
});

it('people keep what they may do, by the names of their roles', () => {
  const file = join(folder, 'fox-button.db');
  bringForward(file, undefined, changeNames.indexOf('2026-12-01-roles'));
  const db = new Database(file);
  const roles = ['reads', 'lends', 'designs', 'keeps'];
  for (const [i, role] of roles.entries())
    db.prepare(`insert into person (name, role, password, made_on) values (?, ?, 'x', '2026-11-30')`).run(
      `Who ${i}`,
      role,
    );
  db.prepare(`insert into session (id, person_id, made_at, used_at) values ('s', 3, 1, 1)`).run();
  db.close();
  bringForward(file);
  const after = new Database(file);
  expect(after.prepare('select id, role from person order by id').all()).toEqual([
    { id: 1, role: 'viewer' },
    { id: 2, role: 'lender' },
    { id: 3, role: 'designer' },
    { id: 4, role: 'manager' },
  ]);
  expect(after.prepare('select person_id from session').all()).toEqual([{ person_id: 3 }]);
  expect(after.prepare('pragma foreign_key_check').all()).toEqual([]);
  after.close();
});

it('kits, bundles, what is made together and what is planned keep what they point at under their new names', async () => {
  const file = join(folder, 'fox-button.db');
  bringForward(file, undefined, changeNames.indexOf('2026-12-01-kits-bundles-levels'));
  const db = new Database(file);
  for (const sql of [
    `insert into design (name, pattern, for_group, age_from, age_to, skill, copies, dials, materials) values ('d', 'p', 'g', 1, 2, 's', 1, '{}', '{}')`,
    `insert into kit (name, designs) values ('Bag', '[1]')`,
    `insert into copy (label, design_id, kit_id, parts) values ('FB-K001a', 1, 1, '[]'), ('FB-001a', 1, null, '[]')`,
    `insert into borrower (name, group_name) values ('Teal Skiff', 'Gulls')`,
    `insert into reservation (borrower_id, design_id, kit_id, made_on) values (1, 1, 1, '2026-11-20')`,
    `insert into batch (name, items, days, state, progress, used, offcuts, labels) values ('b', '[{"designId":1,"kitId":null,"copies":2},{"designId":null,"kitId":1,"copies":3}]', '{}', 'planned', '{}', '[]', '[]', '[]')`,
    `insert into term_plan (name, from_day, weeks, every_weeks, stays_weeks, clean_days, borrowers, entries) values ('t', '2026-11-24', 4, 2, 2, 1, '[1]', '[{"borrowerId":1,"week":0,"copyId":2,"kept":true}]')`,
    `insert into note (design_id, child, rung, bits, count, counted_of, help, words, sat_on, before) values (1, 'G-04', 'Close slot', 11.5, 8, 'pieces', 'none', '', '2026-11-20', '[{"rung":"Wide mouth","bits":7.6,"seconds":null,"count":8}]')`,
  ])
    db.exec(sql);
  db.close();
  bringForward(file);
  const after = new Database(file);
  const all = (sql: string) => after.prepare(sql).all();
  expect(all('select label, bundle_id from kit order by id')).toEqual([
    { label: 'FB-K001a', bundle_id: 1 },
    { label: 'FB-001a', bundle_id: null },
  ]);
  expect(all('select bundle_id from reservation')).toEqual([{ bundle_id: 1 }]);
  expect(all('select bundle_id, kits from kits_in_use order by 1')).toEqual([
    { bundle_id: 0, kits: 1 },
    { bundle_id: 1, kits: 1 },
  ]);
  const json = (sql: string) => JSON.parse((all(sql)[0] as { of: string }).of) as unknown;
  expect(json('select items as "of" from batch')).toEqual([
    { designId: 1, bundleId: null, copies: 2 },
    { designId: null, bundleId: 1, copies: 3 },
  ]);
  expect(json('select entries as "of" from term_plan')).toEqual([
    { borrowerId: 1, week: 0, kitId: 2, kept: true },
  ]);
  expect(all('select level from note')).toEqual([{ level: 'Close slot' }]);
  expect(json('select before as "of" from note')).toEqual([
    { bits: 7.6, seconds: null, count: 8, level: 'Wide mouth' },
  ]);
  expect(all('pragma foreign_key_check')).toEqual([]);
  after.close();
});

it.each([
  ['a column that its list says it has', 'alter table note drop column words', /no column “words”/],
  [
    'something that runs by itself',
    'create trigger t after insert on note begin delete from loan; end',
    /“t”/,
  ],
  ['what counts its kits', 'drop trigger kit_in', /lacks “kit_in”/],
])('a file that disagrees about %s is refused with what to do', async (_what, sql, words) => {
  fileOf(readdirSync(FIXTURES).sort().at(-1)!);
  const db = new Database(join(folder, 'fox-button.db'));
  db.exec(sql);
  db.close();
  const refused = openDb(folder);
  await expect(refused).rejects.toThrow(words);
  await expect(refused).rejects.toThrow(/is not laid out as its list of changes says.*put/s);
});
