import type { EntityManager } from '@mikro-orm/core';
import type { Done } from '../../contract/undo.ts';
import type { PersonRole } from '../../contract/people.ts';
import type { Day } from '../../core/calendar/days.ts';
import { rows } from '../db/rows.ts';
import { suffices } from '../people/roles.ts';
import { notFound, ProblemError } from '../problemError.ts';
import { ChangedSince, putBack } from './putBack.ts';
import type { RowChange } from './record.ts';

/** Kits and families named in a line; of more it says how many. */
const NAMED = 4;

const idsIn = (changes: readonly RowChange[], table: string, column: string): number[] =>
  changes
    .filter((c) => c.table === table)
    .flatMap((c) => [c.before?.[column], c.after?.[column]])
    .filter((id): id is number => typeof id === 'number');
const kitsIn = (changes: readonly RowChange[]): number[] => [
  ...new Set([
    ...idsIn(changes, 'kit', 'id'),
    ...['loan', 'count', 'kit_event'].flatMap((t) => idsIn(changes, t, 'kit_id')),
  ]),
];
const familiesIn = (changes: readonly RowChange[]): number[] => [
  ...new Set(['loan', 'telling', 'reservation'].flatMap((t) => idsIn(changes, t, 'borrower_id'))),
];
/** What a row of another kind is called: packs of a purchase, a session, the child of a note. */
function namesIn(changes: readonly RowChange[]): string[] {
  return changes.flatMap(({ table, before, after }) => {
    const row = after ?? before!;
    if (table === 'note') return [String(row.child)];
    if (table === 'batch') return [String(row.name)];
    if (table === 'purchase')
      return (JSON.parse(String(row.packs)) as { name: string; count: number }[]).map(
        (p) => `${p.count} × ${p.name}`,
      );
    return [];
  });
}

async function aboutOf(
  em: EntityManager,
  changes: readonly RowChange[],
  kits: readonly number[],
  families: readonly number[],
): Promise<string> {
  const some = async (sql: string, ids: readonly number[]): Promise<string[]> => {
    const found = await rows<{ name: string }>(em, sql, [JSON.stringify(ids)]);
    const names = found.map((f) => f.name);
    return names.length > NAMED ? [...names.slice(0, NAMED), `and ${names.length - NAMED} more`] : names;
  };
  const names = [...new Set(namesIn(changes))];
  return [
    ...names.slice(0, NAMED),
    ...(await some(
      'select label as name from kit where id in (select value from json_each(?)) order by 1',
      kits,
    )),
    ...(await some(
      'select name from borrower where id in (select value from json_each(?)) order by 1',
      families,
    )),
  ]
    .join(', ')
    .slice(0, 400);
}

/**
 * Keeps what was done today with what each row was before. What nobody took back is of no use the day after: loans, counts
 * and notes are on record themselves.
 *
 * @returns the number it is taken back by
 */
export async function keepDone(
  em: EntityManager,
  did: { readonly who: string; readonly role: PersonRole; readonly did: string },
  changes: readonly RowChange[],
  today: Day,
): Promise<number> {
  await rows(em, 'delete from undo_log where undone_at is null and done_on <> ?', [today]);
  const [kits, families] = [kitsIn(changes), familiesIn(changes)];
  const [kept] = await rows<{ id: number }>(
    em,
    'insert into undo_log (at, done_on, who, role, did, about, kits, families, changes) values (?, ?, ?, ?, ?, ?, ?, ?, ?) returning id',
    [
      Date.now(),
      today,
      did.who,
      did.role,
      did.did,
      await aboutOf(em, changes, kits, families),
      JSON.stringify(kits),
      JSON.stringify(families),
      JSON.stringify(changes),
    ],
  );
  return kept!.id;
}

interface Columns {
  id: number;
  at: number;
  doneOn: Day;
  who: string;
  role: PersonRole;
  did: string;
  about: string;
  changes: string;
  undone_at: number | null;
  undone_by: string;
  why: string;
}
const FIELDS = 'id, at, done_on as doneOn, who, role, did, about, undone_at, undone_by, why';
const doneJson = (d: Omit<Columns, 'changes'>): Done => ({
  id: d.id,
  at: new Date(d.at).toISOString(),
  who: d.who,
  did: d.did,
  about: d.about,
  undone:
    d.undone_at === null ? null : { at: new Date(d.undone_at).toISOString(), by: d.undone_by, why: d.why },
});

/** A page of what was done on a day, the latest first. */
export async function listDone(
  em: EntityManager,
  query: { readonly limit: number; readonly before: number },
  today: Day,
) {
  const [all] = await rows<{ n: number }>(em, 'select count(*) as n from undo_log where done_on = ?', [
    today,
  ]);
  const found = await rows<Omit<Columns, 'changes'>>(
    em,
    `select ${FIELDS} from undo_log where done_on = ? and id < ? order by id desc limit ?`,
    [today, query.before, query.limit],
  );
  const last = found.at(-1);
  return {
    items: found.map(doneJson),
    limit: query.limit,
    total: all!.n,
    next: found.length === query.limit && last ? String(last.id) : null,
  };
}

/** What was taken back of a kit or a family, the latest first. */
export const undoneOf = async (
  em: EntityManager,
  of: 'kits' | 'families',
  id: number,
  most: number,
): Promise<Done[]> =>
  (
    await rows<Omit<Columns, 'changes'>>(
      em,
      `select ${FIELDS} from undo_log where undone_at is not null and exists (select 1 from json_each(${of}) where value = ?) order by id desc limit ?`,
      [id, most],
    )
  ).map(doneJson);

/** What was done later with the same kits; null where nothing was. */
async function laterWith(em: EntityManager, id: number): Promise<{ did: string; about: string } | null> {
  const [later] = await rows<{ did: string; about: string }>(
    em,
    'select l.did, l.about from undo_log l where l.id > ? and l.undone_at is null and exists (select 1 from json_each(l.kits) k where k.value in (select value from json_each((select kits from undo_log where id = ?)))) order by l.id desc limit 1',
    [id, id],
  );
  return later ?? null;
}

/**
 * Takes back what was done today: every row is as it was before, and what was done stays on record with who took it back
 * and why.
 *
 * @throws ProblemError 404 for what is not known, 403 for who may not, 409 where it is too late
 */
export async function undo(
  em: EntityManager,
  id: number,
  input: { readonly by: string; readonly why: string; readonly role: PersonRole | undefined },
  today: Day,
): Promise<Done> {
  const [done] = await rows<Columns>(em, `select ${FIELDS}, changes from undo_log where id = ?`, [id]);
  if (!done) throw notFound(`anything done under ${id}`);
  const refuse = (why: string, expected: string): ProblemError =>
    new ProblemError(409, why, [{ path: 'id', message: expected }]);
  if (done.undone_at !== null)
    throw refuse('This was undone already.', 'expected something that still stands');
  if (done.doneOn !== today)
    throw refuse(
      'This was not done today any more: only what was done today is undone.',
      'expected something of today',
    );
  if (input.role !== undefined && !suffices(input.role, done.role))
    throw new ProblemError(403, `Undoing this needs a ${done.role}.`, [
      { path: 'session', message: `expected a ${done.role}, or somebody who may do more` },
    ]);
  const changes = JSON.parse(done.changes) as RowChange[];
  if (changes.length === 0)
    throw refuse('Somebody of this was erased since: it stays as it is.', 'expected something else');
  const later = await laterWith(em, id);
  if (later)
    throw refuse(
      `Something was done with the same kit since (${later.did}: ${later.about}). Undo that first.`,
      'expected what was done last',
    );
  try {
    await putBack(em, changes);
  } catch (error) {
    if (!(error instanceof ChangedSince)) throw error;
    throw refuse(
      `What this left was changed or used since (${error.table.replaceAll('_', ' ')}), so it cannot be undone. Correct it by hand.`,
      'expected what nothing else rests on',
    );
  }
  const at = Date.now();
  await rows(em, 'update undo_log set undone_at = ?, undone_by = ?, why = ? where id = ?', [
    at,
    input.by,
    input.why,
    id,
  ]);
  return doneJson({ ...done, undone_at: at, undone_by: input.by, why: input.why });
}

/** Somebody is erased: nothing is put back that would bring them back. */
export async function forgetDone(
  em: EntityManager,
  of: { readonly family: number } | { readonly code: string },
): Promise<void> {
  if ('family' in of)
    await rows(
      em,
      "update undo_log set changes = '[]' where exists (select 1 from json_each(families) where value = ?)",
      [of.family],
    );
  else await rows(em, "update undo_log set changes = '[]' where instr(changes, ?) > 0", [of.code]);
}
