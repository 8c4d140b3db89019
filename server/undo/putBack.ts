import type { EntityManager } from '@mikro-orm/core';
import { rows } from '../db/rows.ts';
import { UNDOABLE_TABLES, type Row, type RowChange } from './record.ts';

/** Numbers that others go on counting with meanwhile: so much is taken back as was added, not what was there before. */
const COUNTED: ReadonlySet<string> = new Set(['lot.quantity', 'design.made']);
/** What says that a row was changed, whatever was changed: it goes on, or a screen from before would overwrite. */
const VERSION = 'version';

/** A row that is not any more as it was left. */
export class ChangedSince extends Error {
  readonly table: string;
  constructor(table: string) {
    super(`${table} was changed since`);
    this.table = table;
  }
}

const isRowsOf = (table: string): boolean => (UNDOABLE_TABLES as readonly string[]).includes(table);
const list = (names: readonly string[], by: string, of: (name: string) => string): string =>
  names.map(of).join(by);

async function rowNow(em: EntityManager, table: string, id: unknown): Promise<Row | null> {
  const [now] = await rows<Row>(em, `select * from "${table}" where id = ?`, [id]);
  return now ?? null;
}

async function putOne(em: EntityManager, { table, before, after }: RowChange): Promise<void> {
  if (!isRowsOf(table)) throw new ChangedSince(table);
  const id = (after ?? before)!.id;
  const now = await rowNow(em, table, id);
  if (before && !after) {
    if (now) throw new ChangedSince(table);
    const names = Object.keys(before);
    await rows(
      em,
      `insert into "${table}" (${list(names, ', ', (c) => `"${c}"`)}) values (${list(names, ', ', () => '?')})`,
      names.map((c) => (c === VERSION ? Number(before[c]) + 1 : before[c])),
    );
    return;
  }
  if (!now) throw new ChangedSince(table);
  const isAsLeft = (c: string): boolean => c === VERSION || now[c] === after![c];
  if (!before) {
    if (!Object.keys(now).every(isAsLeft)) throw new ChangedSince(table);
    await rows(em, `delete from "${table}" where id = ?`, [id]);
    return;
  }
  const names = Object.keys(now).filter((c) => c !== VERSION && before[c] !== after![c]);
  const isCounted = (c: string): boolean => COUNTED.has(`${table}.${c}`);
  const values = new Map<string, string | number | null | undefined>(
    names.map((c) => [
      c,
      isCounted(c) ? Number(now[c]) - (Number(after![c]) - Number(before[c])) : before[c],
    ]),
  );
  if (!names.every((c) => (isCounted(c) ? Number(values.get(c)) >= 0 : isAsLeft(c))))
    throw new ChangedSince(table);
  if (VERSION in now) values.set(VERSION, Number(now[VERSION]) + 1);
  if (values.size === 0) return;
  await rows(
    em,
    `update "${table}" set ${list([...values.keys()], ', ', (c) => `"${c}" = ?`)} where id = ?`,
    [...values.values(), id],
  );
}

/**
 * Puts rows back as they were, the last first, within the caller's transaction.
 *
 * @throws ChangedSince where a row was changed meanwhile, or something else rests on it
 */
export async function putBack(em: EntityManager, changes: readonly RowChange[]): Promise<void> {
  for (const change of [...changes].reverse())
    try {
      await putOne(em, change);
    } catch (error) {
      // Something that came later belongs to the row, or stands where it was.
      if (error instanceof Error && /constraint failed/i.test(error.message))
        throw new ChangedSince(change.table);
      throw error;
    }
}
