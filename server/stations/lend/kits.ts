import type { EntityManager } from '@mikro-orm/core';
import { z } from 'zod';
import type { Kit as KitJson, LendingSummary } from '../../../contract/lending.ts';
import type { Day } from '../../../core/calendar/days.ts';
import { STANDINGS, type Standing } from '../../../core/lend/status.ts';
import { rows } from '../../db/rows.ts';
import { recalledKits } from '../check/service.ts';
import { IS_SHORT, notSimplyIn, standingSql, standsSo, type Now } from './standing.ts';
import { idCursor, pageOf, textCursor, textCursorOf } from '../../paging.ts';

export const kitQuery = z.strictObject({
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
type Query = z.infer<typeof kitQuery>;

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
  'from kit k join design d on d.id = k.design_id left join bundle on bundle.id = k.bundle_id left join loan l on l.kit_id = k.id and l.returned_on is null left join borrower b on b.id = l.borrower_id';
const COLUMNS =
  'k.id, k.label, k.design_id, coalesce(bundle.name, d.name) as design, d.skill, k.repair, k.to_clean, k.rests_until, k.retired_on, k.parts, k.last_counted, l.id as loan_id, b.id as borrower_id, b.name as borrower, l.lent_on, l.due_on';

const kitJson = (c: Columns, recalled: ReadonlyMap<number, string>): KitJson => ({
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
  parts: JSON.parse(c.parts) as KitJson['parts'],
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
  `((${of}.bundle_id ${none} and ${of}.design_id in (select id from design where name like ? escape '\\')) or ${of}.bundle_id in (select id from bundle where name like ? escape '\\'))`;
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
  if (query.label !== undefined) add('k.label = ?', query.label);
  if (query.design !== undefined) add('k.design_id = ? and k.bundle_id is null', query.design);
  if (query.skill !== undefined)
    // The plus keeps to the order of kits: by design, all of a skill would be put in order for one page of them.
    add('+k.design_id in (select id from design where skill = ?)', query.skill);
  if (query.q)
    add(
      isMany
        ? `(${named('+k', 'is null')} or +k.id in (select kit_id from loan where ${WITH_FAMILY}))`
        : `k.id in (select id from kit n where ${named('n', 'is null')} union select kit_id from loan where ${WITH_FAMILY})`,
      ...Array.from({ length: 3 }, () => like(query.q!)),
    );
  // A retired kit stays on record and is found by its label; it hangs nowhere.
  if (query.label === undefined && query.standing === undefined) add('k.retired_on is null');
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
      `select (select count(*) from loan where returned_on is null and due_on > '') - (select count(*) from kit k where k.retired_on is not null and exists (select 1 from loan o where o.kit_id = k.id and o.returned_on is null)) as n`,
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
        `select (select coalesce(sum(kits), 0) from kits_in_use n where ${named('n', '= 0')}) + (select count(*) from kit k where k.id in (select kit_id from loan where ${WITH_FAMILY}) and k.retired_on is null and not ifnull(${named('k', 'is null')}, 0)) as n`,
        Array.from({ length: 5 }, () => like(q)),
      ];
  }
  const all =
    order === 'due' ? [...where, 'k.id in (select kit_id from loan where returned_on is null)'] : where;
  return [`select count(*) as n from kit k${clauseOf(all)}`, params];
}

const clauseOf = (parts: readonly string[]): string =>
  parts.length > 0 ? ` where ${parts.join(' and ')}` : '';

/** From so many kits with a name on, looking them through is sooner done than putting them in order. */
const MANY = 1000;

/** A page of kits, with how many match in all and the cursor to go on from. */
export async function listKits(em: EntityManager, query: Query, today: Day) {
  const recalled = await recalledKits(em);
  const asked = filterOf(query, { today, recalled });
  const [all] = await rows<{ n: number }>(em, ...countOf(query, asked.where, asked.params));
  const { where, params } = query.q && all!.n > MANY ? filterOf(query, { today, recalled }, true) : asked;
  let order = 'k.id';
  if (query.order === 'due') {
    order = 'l.due_on, k.id';
    // Open loans, asked so that they come in the order of their index.
    where.push("l.due_on > ''");
    const at = textCursor(query.after);
    if (at) {
      where.push('(l.due_on, k.id) > (?, ?)');
      params.push(...at);
    }
  } else {
    where.push('k.id > ?');
    params.push(idCursor(query.after, 0));
  }
  const found = await rows<Columns>(
    em,
    `select ${COLUMNS} ${FROM}${clauseOf(where)} order by ${order} limit ?`,
    [...params, query.limit],
  );
  const last = found.at(-1);
  return {
    items: found.map((c) => kitJson(c, recalled)),
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
    readonly kind: { readonly designId: number; readonly bundleId: number | null };
    readonly most: number;
  },
): Promise<string[]> {
  const { designId, bundleId } = o.kind;
  const { sql, params } = standsSo('in', o);
  const found = await rows<{ label: string }>(
    em,
    `select k.label from kit k where ${bundleId === null ? 'k.bundle_id is null and k.design_id = ?' : 'k.bundle_id = ?'} and ${sql} and not ${IS_SHORT} order by k.label limit ?`,
    [bundleId ?? designId, ...params, o.most],
  );
  return found.map((c) => c.label);
}

/** By design, the label of a kit with it that is in, clean and whole: one that can be taken now. */
export async function kitsToTake(em: EntityManager, today: Day): Promise<Map<number, string>> {
  const { sql, params } = standsSo('in', { today, recalled: await recalledKits(em) });
  const found = await rows<{ label: string; designs: string }>(
    em,
    `select min(k.label) as label, coalesce(bundle.designs, json_array(k.design_id)) as designs ${FROM} where ${sql} and not ${IS_SHORT} group by 2 order by 1`,
    params,
  );
  const labels = new Map<number, string>();
  for (const { label, designs } of found)
    for (const id of JSON.parse(designs) as number[]) if (!labels.has(id)) labels.set(id, label);
  return labels;
}

/** One kit as it stands; undefined when there is none. */
export async function kitOf(em: EntityManager, id: number): Promise<KitJson | undefined> {
  const [found] = await rows<Columns>(em, `select ${COLUMNS} ${FROM} where k.id = ?`, [id]);
  return found && kitJson(found, await recalledKits(em));
}

/** The lending room in figures, counted where the rows lie: kits that are simply in are not looked at. */
export async function lendingSummary(em: EntityManager, today: Day): Promise<LendingSummary> {
  const now = { today, recalled: await recalledKits(em) };
  const stands = standingSql(now);
  const few = notSimplyIn(now);
  const found = await rows<{ standing: Standing; kits: number }>(
    em,
    `select ${stands.sql} as standing, count(*) as kits from kit k where k.id in (${few.sql}) group by 1`,
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
