import { createHash } from 'node:crypto';
import Database from 'libsql';
import { changes } from './changes.ts';
import type { Asker } from './asker.ts';

/** A table of the place's file: its columns by name with their type, and whether they may be empty. */
export type Table = ReadonlyMap<string, { readonly type: string; readonly isEmpty: boolean }>;
export interface Layout {
  readonly tables: ReadonlyMap<string, Table>;
  /** Triggers and views by name, as they were written. */
  readonly others: ReadonlyMap<string, string>;
}

/** Where the list of changes is kept in a file. */
export const CHANGES_TABLE = 'mikro_orm_migrations';
export const MAKE_CHANGES_TABLE = `create table if not exists "${CHANGES_TABLE}" ("id" integer not null primary key autoincrement, "name" text, "executed_at" datetime default current_timestamp)`;

/** What a file's tables are, read from its own description of itself; nothing of its making is run. */
export function layoutOf(db: Asker): Layout {
  const master = db
    .prepare("select type, name, sql, rootpage from sqlite_master where name not like 'sqlite~_%' escape '~'")
    .all() as { type: string; name: string; sql: string; rootpage: number }[];
  const tables = new Map<string, Table>();
  for (const { type, name, rootpage } of master) {
    if (type !== 'table' || rootpage === 0 || name === CHANGES_TABLE) continue;
    const columns = db
      .prepare(
        `select name, type, "notnull" as filled, pk, hidden from pragma_table_xinfo('${name.replaceAll("'", "''")}')`,
      )
      .all() as { name: string; type: string; filled: number; pk: number; hidden: number }[];
    tables.set(
      name,
      // A column that is worked out is none of ours.
      new Map(
        columns
          .filter((c) => c.hidden === 0)
          .map((c) => [c.name, { type: c.type.toLowerCase(), isEmpty: c.filled === 0 && c.pk === 0 }]),
      ),
    );
  }
  const others = new Map(
    master.filter((m) => m.type === 'trigger' || m.type === 'view').map((m) => [m.name, m.sql]),
  );
  return { tables, others };
}

const known = new Map<number, Layout>();
/** The layout that so many changes make. */
export function layoutAfter(count: number): Layout {
  const there = known.get(count);
  if (there) return there;
  const db = new Database(':memory:');
  try {
    for (const { statements } of changes.slice(0, count)) for (const sql of statements) db.exec(sql);
    const layout = layoutOf(db);
    known.set(count, layout);
    return layout;
  } finally {
    db.close();
  }
}

/** All of a layout that a start compares, in a few letters. */
export const fingerprint = ({ tables, others }: Layout): string =>
  createHash('sha256')
    .update(
      JSON.stringify([
        [...tables].map(([name, columns]) => [name, [...columns.keys()].sort()]).sort(),
        [...others].sort(),
      ]),
    )
    .digest('hex')
    .slice(0, 16);

/**
 * The fingerprint of the layout that all changes make; a test holds it to them. Making that layout anew at each start, to
 * compare with it, took a tenth of a start.
 */
export const NEWEST = '4c60fcd8a3f76cb6';

/**
 * How a file's layout differs from the one that its list of changes stands for, in words; null where it does not.
 *
 * @param isOurs whether it is the file in use: triggers and views in it would be run
 */
export function strayFrom(found: Layout, count: number, isOurs: boolean): string | null {
  if (count === changes.length && fingerprint(found) === NEWEST) return null;
  const wanted = layoutAfter(count);
  for (const [name, columns] of wanted.tables) {
    const there = found.tables.get(name);
    if (!there) return `has no table “${name}”`;
    for (const column of columns.keys())
      if (!there.has(column)) return `has no column “${column}” in its table “${name}”`;
  }
  if (!isOurs) return null;
  for (const [name, sql] of found.others)
    if (wanted.others.get(name) !== sql) return `holds something of its own that runs by itself: “${name}”`;
  for (const name of wanted.others.keys())
    if (!found.others.has(name)) return `lacks “${name}”, which counts what comes and goes`;
  return null;
}
