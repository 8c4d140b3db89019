import { copyFileSync, existsSync, mkdtempSync, readdirSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { MikroORM } from '@mikro-orm/libsql';
import {
  BatchRow,
  BuildRow,
  ChildRow,
  KitRow,
  DesignRow,
  entities,
  GivenRow,
  HandTestRow,
  BundleRow,
  MaterialRow,
  PlaceRow,
} from './entities.ts';
import { changes } from './changes.ts';
import { bringForward } from './forward.ts';
import { jest } from '@jest/globals';
import { BUSY_MS, closeDb, openDb, type Db } from './open.ts';

let folder: string;
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'fox-db-'))));
afterEach(() => rmSync(folder, { recursive: true, force: true }));

/** A file of the place as it was after so many changes. */
async function olderFile(after: number) {
  const file = join(folder, 'fox-button.db');
  bringForward(file, undefined, after);
  return MikroORM.init({ dbName: file, entities, metadataCache: { enabled: false }, logger: () => {} });
}

describe('the place’s one file', () => {
  it('is opened as it must be', async () => {
    const db = await openDb(folder);
    const ask = async (sql: string) =>
      Object.values((await db.em.getConnection().execute<Record<string, unknown>[]>(sql))[0]!)[0];
    expect(await ask('pragma journal_mode')).toBe('wal');
    expect(await ask('pragma synchronous')).toBe(2);
    expect(await ask('pragma foreign_keys')).toBe(1);
    expect(await ask('pragma busy_timeout')).toBe(BUSY_MS);
    // A connection stays: the rules hold on it later, too, and what only it knows is still there.
    await db.em.getConnection().execute('create temp table of_this_connection (x)');
    const created = jest.spyOn(Date, 'now').mockReturnValue(Date.now() + 20_000);
    expect(await ask('pragma foreign_keys')).toBe(1);
    expect(await ask('pragma busy_timeout')).toBe(BUSY_MS);
    expect(await ask("select count(*) from temp.sqlite_master where name = 'of_this_connection'")).toBe(1);
    created.mockRestore();
    expect(await ask('pragma integrity_check')).toBe('ok');
    await db.close();
  });

  it('counts kits in use as they come and go, and open loans from their index alone', async () => {
    const db = await openDb(folder);
    const read = async (sql: string) =>
      (await db.em.getConnection().execute<{ detail: string }[]>(`explain query plan ${sql}`))
        .map((r) => r.detail)
        .join('; ');
    expect(await read('select count(*) from loan where returned_on is null and due_on < 1')).toMatch(
      /USING COVERING INDEX loan_due/,
    );
    const run = (sql: string) => db.em.getConnection().execute<object[]>(sql);
    // Random kits come, go, retire, come back and change their design; the counts are those that a count would give.
    await run('pragma foreign_keys = off');
    const add = (label: number, design: number, retired: string) =>
      run(
        `insert into kit (label, design_id, repair, parts, last_counted, retired_on) values ('T-${label}', ${design}, 0, '[]', '2026-11-01', ${retired})`,
      );
    for (let i = 0; i < 40; i++) await add(i, 1 + ((i * 7) % 3), i % 5 === 0 ? "'2026-11-02'" : 'null');
    await run("update kit set retired_on = '2026-11-03' where id % 4 = 0");
    await run('update kit set retired_on = null where id % 10 = 0');
    await run('update kit set design_id = 3 where id % 6 = 0');
    await run('update kit set bundle_id = 1 + id % 2 where id % 4 = 1');
    await run('update kit set repair = 1 where id % 2 = 0');
    await run('delete from kit where id % 9 = 0');
    const counted =
      'select design_id, coalesce(bundle_id, 0) as bundle_id, count(*) as kits from kit where retired_on is null group by 1, 2 order by 1, 2';
    const kept = await run('select design_id, bundle_id, kits from kits_in_use where kits > 0 order by 1, 2');
    expect(kept).toEqual(await run(counted));
    expect(kept.length).toBeGreaterThan(5);
    await db.close();
  });

  it('counts the kits that were there before they were counted', async () => {
    const old = await olderFile(changes.findIndex((m) => m.name === '2026-11-30-figures'));
    const run = (db: { em: Pick<Db['em'], 'getConnection'> }, sql: string) =>
      db.em.getConnection().execute<object[]>(sql);
    await run(old, 'pragma foreign_keys = off');
    for (const [i, retired] of ['null', 'null', "'2026-11-02'"].entries())
      await run(
        old,
        `insert into copy (label, design_id, repair, parts, last_counted, retired_on) values ('T-${i}', 7, 0, '[]', '2026-11-01', ${retired})`,
      );
    await old.close();
    const db = await openDb(folder);
    expect(await run(db, 'select * from kits_in_use')).toEqual([{ design_id: 7, bundle_id: 0, kits: 2 }]);
    await db.close();
  });

  it('keeps what was done in words, and no code of a child in its record', async () => {
    const old = await olderFile(changes.findIndex((c) => c.name === '2026-11-30-sound'));
    for (const asked of [
      'POST /loans/3/return',
      'PUT /children/G-04',
      'POST /children/G-04/erase',
      'PUT /odd',
    ])
      await old.em
        .getConnection()
        .execute(`insert into deed (at, who, asked) values (1, 'Keeper', '${asked}')`);
    await old.close();
    const db = await openDb(folder);
    expect(
      await db.em.getConnection().execute<object[]>('select asked, did from audit_log order by id'),
    ).toEqual([
      { asked: 'POST /loans/3/return', did: 'took a kit back' },
      { asked: 'PUT /children/:code', did: 'changed a child’s measures' },
      { asked: 'POST /children/:code', did: 'erased a child' },
      { asked: 'PUT /odd', did: 'changed something' },
    ]);
    await db.close();
  });

  it('is brought forward once, and needs no copy when there is nothing to bring', async () => {
    await (await openDb(folder)).close();
    const db = await openDb(folder);
    const names = await db.em
      .getConnection()
      .execute<{ name: string }[]>('select name from mikro_orm_migrations order by id');
    expect(names.map((n) => n.name)).toEqual(changes.map((c) => c.name));
    expect(existsSync(join(folder, 'backups'))).toBe(false);
    await db.close();
    expect(existsSync(join(folder, 'fox-button.db'))).toBe(true);
  });

  it('closes with nothing left in its log, so that the file alone is a copy', async () => {
    const db = await openDb(folder);
    await db.em
      .getConnection()
      .execute(`insert into borrower (name, group_name) values ('Teal Skiff', 'Gulls')`);
    await closeDb(db);
    const log = join(folder, 'fox-button.db-wal');
    expect(existsSync(log) ? statSync(log).size : 0).toBe(0);
    const copy = mkdtempSync(join(tmpdir(), 'fox-copy-'));
    copyFileSync(join(folder, 'fox-button.db'), join(copy, 'fox-button.db'));
    const again = await openDb(copy);
    expect(await again.em.getConnection().execute('select name from borrower')).toEqual([
      { name: 'Teal Skiff' },
    ]);
    await closeDb(again);
    rmSync(copy, { recursive: true, force: true });
  });

  it('keeps its rules even from code that forgets them', async () => {
    const db = await openDb(folder);
    const run = (sql: string) => db.em.getConnection().execute(sql);
    await run(
      `insert into design (name, pattern, for_group, age_from, age_to, skill, copies, dials, materials) values ('d', 'p', 'g', 1, 2, 's', 1, '{}', '{}')`,
    );
    await run(`insert into kit (label, design_id, parts) values ('FB-001a', 1, '[]')`);
    await run(`insert into borrower (name, group_name) values ('Teal Skiff', 'Gulls')`);
    const lend = `insert into loan (kit_id, borrower_id, lent_on, due_on) values (1, 1, '2026-11-24', '2026-12-08')`;
    await run(lend);
    await expect(run(lend)).rejects.toThrow(/UNIQUE constraint failed: loan.kit_id/);
    await expect(
      run(
        `insert into lot (material_id, quantity, came, came_on, state, sizes) values (1, -1, 1, '2026-11-24', 'ready', '{}')`,
      ),
    ).rejects.toThrow(/CHECK/i);
    await expect(
      run(`insert into loan (kit_id, borrower_id, lent_on, due_on) values (99, 1, 'x', 'y')`),
    ).rejects.toThrow(/FOREIGN KEY/i);
    await db.close();
  });

  it('with counts from before lots keeps every count, as one lot a material, and leaves a copy of the old file', async () => {
    const old = await olderFile(1);
    const add = (name: string, kept: number) =>
      old.em
        .getConnection()
        .execute(
          `insert into material (name, form, sizes, unit, kept, material_class, give, hazards, colour) values ('${name}', 'disc', '{"diameter":38,"height":14}', 'each', ${kept}, 'plastic', 0, '[]', '#000000')`,
        );
    await add('Cap', 27);
    await add('Lid', 0);
    await old.close();
    const db = await openDb(folder);
    const rows = (await db.em
      .getConnection()
      .execute(
        'select m.name, l.quantity, l.state from material m left join lot l on l.material_id = m.id order by m.id',
      )) as unknown;
    expect(rows).toEqual([
      { name: 'Cap', quantity: 27, state: 'ready' },
      { name: 'Lid', quantity: null, state: null },
    ]);
    expect(readdirSync(join(folder, 'backups'))).toEqual([
      expect.stringMatching(/^fox-button-\d{4}-\d\d-\d\d-\d{6}\.db$/),
    ]);
    await closeDb(db);
  });

  it('carries designs, notes and kits forward from when there was one family', async () => {
    const old = await olderFile(3);
    const run = (sql: string, values: unknown[] = []) => old.em.getConnection().execute(sql, values);
    await run(
      `insert into design (name, pattern, for_group, age_from, age_to, skill, copies, dials, materials) values ('Tub', 'drop-through', 'Gulls', 18, 30, 'Pincer and release', 4, ?, ?)`,
      [
        JSON.stringify({ opening: 'slot', length: 42, approach: 'graded play' }),
        JSON.stringify({ container: 1, piece: 2 }),
      ],
    );
    const parts = JSON.stringify([
      { materialId: 1, name: 'Tub', due: 1, present: 1 },
      { materialId: 2, name: 'Cap', due: 8, present: 7 },
    ]);
    await run(`insert into copy (label, design_id, parts) values ('FB-001a', 1, ?)`, [parts]);
    await run(`insert into borrower (name, group_name) values ('Teal Skiff', 'Gulls')`);
    await run(
      `insert into loan (copy_id, borrower_id, lent_on, due_on, returned_on, counted) values (1, 1, '2026-11-01', '2026-11-15', '2026-11-14', ?), (1, 1, '2026-11-20', '2026-12-04', null, null)`,
      [parts],
    );
    await run(
      `insert into note (design_id, child, rung, bits, seconds, pieces, help, words, sat_on) values (1, 'G-04', 'Close slot', 11.5, 90, 8, 'none', '', '2026-11-20')`,
    );
    await old.close();
    const db = await openDb(folder);
    const read = (sql: string) => db.em.getConnection().execute<Record<string, unknown>[]>(sql);
    const [design] = await read('select approach, dials, materials from design');
    expect(design!.approach).toBe('graded play');
    expect(JSON.parse(String(design!.dials))).toEqual({ opening: 'slot', length: 42 });
    expect(JSON.parse(String(design!.materials))).toEqual({ container: [1], piece: [2] });
    expect(await read('select seconds, count, counted_of from note')).toEqual([
      { seconds: 90, count: 8, counted_of: 'pieces' },
    ]);
    const now = [
      { materialId: 1, name: 'Tub', due: 1, present: 1, use: 'part', takes: 1 },
      { materialId: 2, name: 'Cap', due: 8, present: 7, use: 'piece', takes: 1 },
    ];
    expect(JSON.parse(String((await read('select parts from kit'))[0]!.parts))).toEqual(now);
    const loans = await read('select counted from loan order by id');
    expect([JSON.parse(String(loans[0]!.counted)), loans[1]!.counted]).toEqual([now, null]);
    await closeDb(db);
  });

  it('carries materials, kits and designs forward from before finds, giving and children', async () => {
    const old = await olderFile(6);
    const run = (sql: string, values: unknown[] = []) => old.em.getConnection().execute(sql, values);
    await run(
      `insert into material (name, form, sizes, unit, material_class, give, hazards, colour) values ('Box', 'container', '{"length":190,"width":60,"height":290,"wall":0.5}', 'each', 'card', 0, '[]', '#000000')`,
    );
    await run(
      `insert into design (name, pattern, for_group, age_from, age_to, skill, copies, dials, materials) values ('Tub', 'drop-through', 'Gulls', 18, 30, 'Pincer and release', 4, '{}', '{}')`,
    );
    await run(`insert into kit (name, designs, container) values ('Bag', '[1]', null)`);
    await run(`insert into build (design_id, copies, built_on, used) values (1, 1, '2026-11-20', '[]')`);
    await run(`insert into copy (label, design_id, build_id, parts) values ('FB-001a', 1, 1, '[]')`);
    await old.close();
    const db = await openDb(folder);
    const em = db.em.fork();
    expect(await em.findOneOrFail(MaterialRow, { id: 1 })).toMatchObject({
      name: 'Box',
      grain: null,
      keepOut: null,
      keeping: null,
      risks: null,
    });
    expect(await em.findOneOrFail(DesignRow, { id: 1 })).toMatchObject({
      name: 'Tub',
      child: null,
      mouths: false,
    });
    expect(await em.findOneOrFail(BundleRow, { id: 1 })).toMatchObject({
      name: 'Bag',
      designs: [1],
      words: {},
    });
    const place = await em.findOneOrFail(PlaceRow, { id: 1 });
    expect(place).toMatchObject({ languages: ['en'], rules: { changes: [], own: [] } });
    expect(await em.findOneOrFail(KitRow, { id: 1 })).toMatchObject({
      toClean: false,
      restsUntil: null,
      retiredOn: null,
    });
    expect(await em.findOneOrFail(BuildRow, { id: 1 })).toMatchObject({ madeAs: {} });
    expect(await em.count(HandTestRow, {})).toBe(0);
    expect(await em.count(GivenRow, {})).toBe(0);
    expect(await em.count(ChildRow, {})).toBe(0);
    await closeDb(db);
  });

  it('carries a step that runs at the bench forward to benches of several', async () => {
    const old = await olderFile(14);
    const run = (progress: unknown) =>
      old.em
        .getConnection()
        .execute(
          `insert into batch (name, state, items, days, progress, used, offcuts, labels) values ('Nap', 'being made', '[]', '{}', ?, '[]', '[]', '[]')`,
          [JSON.stringify(progress)],
        );
    const done = [{ task: '1:wash', at: 5, minutes: 2.5 }];
    await run({ running: { task: '1:cut', since: 7 }, done });
    await run({ running: null, done: [] });
    await old.close();
    const db = await openDb(folder);
    const batches = await db.em.fork().find(BatchRow, {}, { orderBy: { id: 'asc' } });
    expect(batches.map((b) => b.progress)).toEqual([
      { running: [{ task: '1:cut', since: 7, maker: null }], done },
      { running: [], done: [] },
    ]);
    await closeDb(db);
  });
});
