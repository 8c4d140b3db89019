import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'libsql';
import { changes } from './changes.ts';
import { bringForward } from './forward.ts';
import { CHANGES_TABLE } from './layout.ts';
import { makeNewPlace } from './newPlace.ts';

let folder: string;
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'fox-new-'))));
afterEach(() => rmSync(folder, { recursive: true, force: true }));

/** All that a file holds: its tables, indexes and triggers as they were written, and every row. */
function contents(file: string) {
  const db = new Database(file, { readonly: true });
  try {
    const master = db
      .prepare(
        "select type, name, sql from sqlite_master where sql is not null and name not like 'sqlite_%' order by name",
      )
      .all() as { type: string; name: string; sql: string }[];
    const rows = master
      .filter((t) => t.type === 'table')
      .map(({ name }) => [name, db.prepare(`select * from "${name}"`).all()] as const);
    return { master, rows: new Map(rows) };
  } finally {
    db.close();
  }
}

it('a new place is what all changes one after the other make, but for its own number and time', () => {
  const [atOnce, step] = [join(folder, 'new.db'), join(folder, 'step.db')];
  makeNewPlace(atOnce);
  bringForward(step);
  const [a, b] = [contents(atOnce), contents(step)];
  expect(a.master).toEqual(b.master);
  const tidy = (of: typeof a) =>
    [...of.rows].map(([name, rows]) => [
      name,
      (rows as Record<string, unknown>[]).map(({ identity: _, executed_at: __, ...r }) => r),
    ]);
  expect(tidy(a)).toEqual(tidy(b));
  expect(a.rows.get(CHANGES_TABLE)).toHaveLength(changes.length);
  const identity = (of: typeof a) => (of.rows.get('place') as { identity: string }[])[0]!.identity;
  expect(identity(a)).toMatch(/^[0-9a-f]{32}$/);
  expect(identity(a)).not.toBe(identity(b));
  // Nothing is left to bring forward.
  bringForward(atOnce, () => {
    throw new Error('a new place needs no change');
  });
});
