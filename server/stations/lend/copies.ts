import type { EntityManager } from '@mikro-orm/core';
import { z } from 'zod';
import type { Copy as CopyJson, LendingSummary } from '../../../contract/lending.ts';
import type { Day } from '../../../core/calendar/days.ts';
import { STANDINGS, type Standing } from '../../../core/lend/status.ts';
import { rows } from '../../db/rows.ts';
import { recalledKits } from '../check/service.ts';
import { IS_SHORT, notSimplyIn, standingSql, standsSo, type Now } from './standing.ts';
import { idCursor, pageOf, textCursor, textCursorOf } from '../../paging.ts';

export const copyQuery = z.strictObject({
  ...pageOf(1000, 500),
  label: z.string().max(40).optional(),
  design: z.coerce.number().int().positive('must be more than 0').optional(),
  skill: z.string().max(80).optional(),
  standing: z.enum(STANDINGS, { error: `expected one of ${STANDINGS.join(', ')}` }).optional(),
  /** Part of a kit's name, or of the code name of the family that has it. */
  q: z.string().trim().max(80, 'may have at most 80 characters').optional(),
  /** Kits in the order they were made, or lent ones in the order they are due. */
  order: z.enum(['made', 'due'], { error: 'expected made or due' }).default('made'),
});
type Query = z.infer<typeof copyQuery>;

interface Columns {
  id: number;
  label: string;
  design_id: number;
  design: string;
  skill: string;
  repair: number;
  to_clean: number;
  rests_until: string | null;
  retired_on: string | null;
  parts: string;
  last_counted: string | null;
  loan_id: number | null;
  borrower_id: number;
  borrower: string;
  lent_on: string;
  due_on: string;
}

const FROM =
  'from copy c join design d on d.id = c.design_id left join kit k on k.id = c.kit_id left join loan l on l.copy_id = c.id and l.returned_on is null left join borrower b on b.id = l.borrower_id';
const COLUMNS =
  'c.id, c.label, c.design_id, coalesce(k.name, d.name) as design, d.skill, c.repair, c.to_clean, c.rests_until, c.retired_on, c.parts, c.last_counted, l.id as loan_id, b.id as borrower_id, b.name as borrower, l.lent_on, l.due_on';

const copyJson = (c: Columns, recalled: ReadonlyMap<number, string>): CopyJson => ({
  id: c.id,
  label: c.label,
  designId: c.design_id,
  design: c.design,
  skill: c.skill,
  repair: c.repair !== 0,
  toClean: c.to_clean !== 0,
  restsUntil: c.rests_until,
  retiredOn: c.retired_on,
  recalled: recalled.get(c.id) ?? null,
  parts: JSON.parse(c.parts) as CopyJson['parts'],
  openLoan:
    c.loan_id === null
      ? null
      : {
          id: c.loan_id,
          borrowerId: c.borrower_id,
          borrower: c.borrower,
          lentOn: c.lent_on,
          dueOn: c.due_on,
        },
  lastCounted: c.last_counted,
});

const like = (text: string): string => `%${text.replace(/[%_\\]/g, (c) => `\\${c}`)}%`;

/** Kits, or counts of them, whose name has a text in it, which is asked twice; `none` says which kits are of one design. */
const named = (of: string, none: string): string =>
  `((${of}.kit_id ${none} and ${of}.design_id in (select id from design where name like ? escape '\\')) or ${of}.kit_id in (select id from kit where name like ? escape '\\'))`;
/** Open loans of families whose name has a text in it. */
const WITH_FAMILY =
  "returned_on is null and borrower_id in (select id from borrower where name like ? escape '\\')";

/**
 * Kits by what is asked of them, each in terms of the kit alone (`c`): counting them needs no joins.
 *
 * @param isMany so many have the name that kits are looked through in their order until a page is full; else those with the
 * name are found first
 */
function filterOf(query: Query, now: Now, isMany = false): { where: string[]; params: unknown[] } {
  const where: string[] = [];
  const params: unknown[] = [];
  const add = (sql: string, ...values: unknown[]): void => {
    where.push(sql);
    params.push(...values);
  };
  if (query.label !== undefined) add('c.label = ?', query.label);
  if (query.design !== undefined) add('c.design_id = ? and c.kit_id is null', query.design);
  if (query.skill !== undefined)
    // The plus keeps to the order of kits: by design, all of a skill would be put in order for one page of them.
    add('+c.design_id in (select id from design where skill = ?)', query.skill);
  if (query.q)
    add(
      isMany
        ? `(${named('+c', 'is null')} or +c.id in (select copy_id from loan where ${WITH_FAMILY}))`
        : `c.id in (select id from copy n where ${named('n', 'is null')} union select copy_id from loan where ${WITH_FAMILY})`,
      ...Array.from({ length: 3 }, () => like(query.q!)),
    );
  // A retired kit stays on record and is found by its label; it hangs nowhere.
  if (query.label === undefined && query.standing === undefined) add('c.retired_on is null');
  if (query.standing !== undefined) {
    const { sql, params: of } = standsSo(query.standing, now);
    add(sql, ...of);
  }
  return { where, params };
}

/** Kits that are asked for in nothing but that they are in use, and perhaps by skill, are counted already. */
function countOf(
  query: Query,
  where: readonly string[],
  params: readonly unknown[],
): [sql: string, params: readonly unknown[]] {
  const { skill, order, label, design, standing, q } = query;
  const isPlain = label === undefined && design === undefined && standing === undefined;
  if (order === 'due' && isPlain && skill === undefined && !q)
    // Open loans but for those of kits that were retired while they were out.
    return [
      `select (select count(*) from loan where returned_on is null and due_on > '') - (select count(*) from copy c where c.retired_on is not null and exists (select 1 from loan o where o.copy_id = c.id and o.returned_on is null)) as n`,
      [],
    ];
  if (order === 'made' && isPlain) {
    if (!q)
      return [
        `select coalesce(sum(kits), 0) as n from kits_in_use${skill === undefined ? '' : ' where design_id in (select id from design where skill = ?)'}`,
        params,
      ];
    if (skill === undefined)
      return [
        `select (select coalesce(sum(kits), 0) from kits_in_use n where ${named('n', '= 0')}) + (select count(*) from copy c where c.id in (select copy_id from loan where ${WITH_FAMILY}) and c.retired_on is null and not ifnull(${named('c', 'is null')}, 0)) as n`,
        Array.from({ length: 5 }, () => like(q)),
      ];
  }
  const all =
    order === 'due' ? [...where, 'c.id in (select copy_id from loan where returned_on is null)'] : where;
  return [`select count(*) as n from copy c${clauseOf(all)}`, params];
}

const clauseOf = (parts: readonly string[]): string =>
  parts.length > 0 ? ` where ${parts.join(' and ')}` : '';

/** From so many kits with a name on, looking them through is sooner done than putting them in order. */
const MANY = 1000;

/** A page of kits, with how many match in all and the cursor to go on from. */
export async function listCopies(em: EntityManager, query: Query, today: Day) {
  const recalled = await recalledKits(em);
  const asked = filterOf(query, { today, recalled });
  const [all] = await rows<{ n: number }>(em, ...countOf(query, asked.where, asked.params));
  const { where, params } = query.q && all!.n > MANY ? filterOf(query, { today, recalled }, true) : asked;
  let order = 'c.id';
  if (query.order === 'due') {
    order = 'l.due_on, c.id';
    // Open loans, asked so that they come in the order of their index.
    where.push("l.due_on > ''");
    const at = textCursor(query.after);
    if (at) {
      where.push('(l.due_on, c.id) > (?, ?)');
      params.push(...at);
    }
  } else {
    where.push('c.id > ?');
    params.push(idCursor(query.after, 0));
  }
  const found = await rows<Columns>(
    em,
    `select ${COLUMNS} ${FROM}${clauseOf(where)} order by ${order} limit ?`,
    [...params, query.limit],
  );
  const last = found.at(-1);
  return {
    items: found.map((c) => copyJson(c, recalled)),
    limit: query.limit,
    total: all!.n,
    next: !last ? null : query.order === 'due' ? textCursorOf(last.due_on, last.id) : String(last.id),
  };
}

/** Labels of whole kits of one kind that can be lent now, the first by label, at most so many. */
export async function kitsIn(
  em: EntityManager,
  o: {
    readonly today: Day;
    readonly recalled: ReadonlyMap<number, string>;
    readonly kind: { readonly designId: number; readonly kitId: number | null };
    readonly most: number;
  },
): Promise<string[]> {
  const { designId, kitId } = o.kind;
  const { sql, params } = standsSo('in', o);
  const found = await rows<{ label: string }>(
    em,
    `select c.label from copy c where ${kitId === null ? 'c.kit_id is null and c.design_id = ?' : 'c.kit_id = ?'} and ${sql} and not ${IS_SHORT} order by c.label limit ?`,
    [kitId ?? designId, ...params, o.most],
  );
  return found.map((c) => c.label);
}

/** By design, the label of a kit with it that is in, clean and whole: one that can be taken now. */
export async function kitsToTake(em: EntityManager, today: Day): Promise<Map<number, string>> {
  const { sql, params } = standsSo('in', { today, recalled: await recalledKits(em) });
  const found = await rows<{ label: string; designs: string }>(
    em,
    `select min(c.label) as label, coalesce(k.designs, json_array(c.design_id)) as designs ${FROM} where ${sql} and not ${IS_SHORT} group by 2 order by 1`,
    params,
  );
  const labels = new Map<number, string>();
  for (const { label, designs } of found)
    for (const id of JSON.parse(designs) as number[]) if (!labels.has(id)) labels.set(id, label);
  return labels;
}

/** One kit as it stands; undefined when there is none. */
export async function copyOf(em: EntityManager, id: number): Promise<CopyJson | undefined> {
  const [found] = await rows<Columns>(em, `select ${COLUMNS} ${FROM} where c.id = ?`, [id]);
  return found && copyJson(found, await recalledKits(em));
}

/** The lending room in figures, counted where the rows lie: kits that are simply in are not looked at. */
export async function lendingSummary(em: EntityManager, today: Day): Promise<LendingSummary> {
  const now = { today, recalled: await recalledKits(em) };
  const stands = standingSql(now);
  const few = notSimplyIn(now);
  const found = await rows<{ standing: Standing; kits: number }>(
    em,
    `select ${stands.sql} as standing, count(*) as kits from copy c where c.id in (${few.sql}) group by 1`,
    [...stands.params, ...few.params],
  );
  const kits = new Map(found.map((f) => [f.standing, f.kits]));
  const count = (standing: Standing): number => kits.get(standing) ?? 0;
  const skills = await rows<{ skill: string; kits: number }>(
    em,
    'select d.skill, sum(n.kits) as kits from kits_in_use n join design d on d.id = n.design_id where n.kits > 0 group by d.skill order by d.skill',
  );
  return {
    kits: skills.reduce((n, s) => n + s.kits, 0),
    out: count('late') + count('out'),
    late: count('late'),
    repair: count('repair'),
    toClean: count('to clean'),
    resting: count('resting'),
    recalled: count('recalled'),
    retired: count('retired'),
    skills,
  };
}
