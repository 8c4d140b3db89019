import type { EntityManager } from '@mikro-orm/core';
import { rows } from '../db/rows.ts';

/** A row by its columns. */
export type Row = Readonly<Record<string, string | number | null>>;
/** One row as it was and as it is: made where it was not, deleted where it is not. */
export interface RowChange {
  readonly table: string;
  readonly before: Row | null;
  readonly after: Row | null;
}

/** Tables whose rows can be put back as they were; each has its number in `id`. */
export const UNDOABLE_TABLES = [
  'material',
  'lot',
  'purchase',
  'design',
  'bundle',
  'build',
  'batch',
  'step_time',
  'kit',
  'kit_event',
  'loan',
  'count',
  'reservation',
  'telling',
  'note',
] as const;

/** Columns of each table; the layout of a file in use is always that of this version. */
const columns = new Map<string, readonly string[]>();
async function columnsOf(em: EntityManager, table: string): Promise<readonly string[]> {
  const known = columns.get(table);
  if (known) return known;
  const found = await rows<{ name: string }>(em, `select name from pragma_table_info('${table}')`);
  const names = found.map((c) => c.name);
  columns.set(table, names);
  return names;
}

const jsonOf = (names: readonly string[], of: 'old' | 'new'): string =>
  `json_object(${names.map((c) => `'${c}', ${of}."${c}"`).join(', ')})`;
const WHEN = {
  insert: ['null', 'new'],
  update: ['old', 'new'],
  delete: ['old', 'null'],
} as const;

/**
 * Runs something within the caller's transaction and tells which rows it made, changed and deleted, in order, however it
 * wrote them. They are written down by triggers of the connection alone, which are gone afterwards; a transaction that is
 * rolled back takes them along.
 */
export async function recordChanges<T>(
  em: EntityManager,
  work: () => Promise<T>,
): Promise<{ readonly done: T; readonly changes: readonly RowChange[] }> {
  await rows(
    em,
    'create temp table undo_change (n integer primary key, of_table text not null, was text, is_now text)',
  );
  for (const table of UNDOABLE_TABLES) {
    const names = await columnsOf(em, table);
    const as = (of: 'old' | 'new' | 'null'): string => (of === 'null' ? 'null' : jsonOf(names, of));
    for (const [act, [was, now]] of Object.entries(WHEN))
      await rows(
        em,
        `create temp trigger "undo_${act}_${table}" after ${act} on main."${table}" begin insert into undo_change (of_table, was, is_now) values ('${table}', ${as(was)}, ${as(now)}); end`,
      );
  }
  const done = await work();
  await em.flush();
  const found = await rows<{ table: string; before: string | null; after: string | null }>(
    em,
    'select of_table as "table", was as before, is_now as after from undo_change order by n',
  );
  // Their triggers go with them only where each is named.
  for (const table of UNDOABLE_TABLES)
    for (const act of Object.keys(WHEN)) await rows(em, `drop trigger temp."undo_${act}_${table}"`);
  await rows(em, 'drop table temp.undo_change');
  const read = (json: string | null): Row | null => (json === null ? null : (JSON.parse(json) as Row));
  return {
    done,
    changes: found.map((c) => ({ table: c.table, before: read(c.before), after: read(c.after) })),
  };
}
