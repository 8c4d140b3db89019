import type { EntityManager } from '@mikro-orm/core';
import type {
  HandTestInput,
  HandTestRow as HandTestJson,
  Recall,
  RulesHere,
  RulesUpdate,
} from '../../../contract/checking.ts';
import type { Day } from '../../../core/calendar/days.ts';
import type { CheckOptions } from '../../../core/safety/check.ts';
import { rulesOf, type Market, type PlaceRules } from '../../../core/safety/rules.ts';
import { DesignRow, HandTestRow, PlaceRow, RuleLogRow, type Design } from '../../db/entities.ts';
import { rows } from '../../db/rows.ts';
import { ProblemError } from '../../problem.ts';

/** More tests than this are not told at once: the last ones decide. */
const MOST_TESTS = 5000;

export const readTests = (em: EntityManager, designId?: number): Promise<HandTestJson[]> =>
  rows<Omit<HandTestJson, 'passed'> & { passed: number }>(
    em,
    `select id, design_id as "designId", part, test, passed, force, done_on as "on", done_by as "by", words from hand_test ${designId === undefined ? '' : 'where design_id = ?'} order by id desc limit ${MOST_TESTS}`,
    designId === undefined ? [] : [designId],
  ).then((list) => list.map((t) => ({ ...t, passed: t.passed === 1 })));

/** Everything that a check at this place goes by. */
export async function rulesHere(em: EntityManager): Promise<RulesHere> {
  const place = await em.findOneOrFail(PlaceRow, { id: 1 });
  const market = place.market as Market;
  const log = await em.find(RuleLogRow, {}, { orderBy: { id: 'desc' }, limit: 500 });
  return {
    version: place.version,
    market,
    rules: place.rules,
    list: rulesOf(market, place.rules),
    log: log.map(({ id, on, by, why, what }) => ({ id, on, by, why, what })),
    tests: await readTests(em),
  };
}

/** What the check of one design goes by: the place’s rules, the youngest, and its tests. */
export async function checkedBy(em: EntityManager, design: Design): Promise<CheckOptions> {
  const place = await em.findOneOrFail(PlaceRow, { id: 1 });
  return {
    youngest: design.ageFrom,
    mouths: design.mouths,
    market: place.market as Market,
    rules: place.rules,
    tests: await readTests(em, design.id),
  };
}

interface Said {
  readonly by: string;
  readonly why: string;
}
/** What differs between two lists of changed or added rules, each with who and why. */
function differences(before: PlaceRules, now: PlaceRules): { what: string; said: Said }[] {
  const out: { what: string; said: Said }[] = [];
  const walk = <T extends Said>(was: readonly T[], is: readonly T[], name: (t: T) => string): void => {
    for (const t of is) {
      const old = was.find((o) => name(o) === name(t));
      if (JSON.stringify(old) === JSON.stringify(t)) continue;
      const { by, why, ...rest } = t;
      out.push({ what: `${name(t)}: ${JSON.stringify(rest)}`, said: { by, why } });
    }
    for (const o of was)
      if (!is.some((t) => name(t) === name(o)))
        out.push({ what: `${name(o)}: back as it was, or taken out`, said: { by: o.by, why: o.why } });
  };
  walk(before.changes, now.changes, (c) => c.rule);
  walk(before.own, now.own, (r) => r.id);
  return out;
}

/** Keeps what the place makes of the rules; every difference goes on record. */
export async function keepRules(
  em: EntityManager,
  { version, ...next }: RulesUpdate,
  today: Day,
): Promise<RulesHere> {
  const place = await em.findOneOrFail(PlaceRow, { id: 1 });
  if (place.version !== version)
    throw new ProblemError(
      409,
      'The place was changed meanwhile.',
      [{ path: 'version', message: `is stale: it is ${place.version} now` }],
      await rulesHere(em),
    );
  for (const { what, said } of differences(place.rules, next))
    em.create(RuleLogRow, { on: today, by: said.by, why: said.why, what: what.slice(0, 500) });
  em.assign(place, { rules: next }, { mergeObjectProperties: false });
  await em.flush();
  return rulesHere(em);
}

export async function addTest(em: EntityManager, input: HandTestInput, today: Day): Promise<HandTestJson> {
  const { designId, ...fields } = input;
  const design = await em.findOne(DesignRow, { id: designId });
  if (!design)
    throw new ProblemError(422, 'There is no such design.', [
      { path: 'designId', message: 'expected a design of this place' },
    ]);
  const row = em.create(HandTestRow, { ...fields, design, on: today });
  await em.flush();
  return { id: row.id, designId, ...fields, on: today };
}

/** The last of each test on each part; the first of the list is the latest. */
function failed(tests: readonly HandTestJson[]): HandTestJson[] {
  const last = new Map<string, HandTestJson>();
  for (const t of tests) {
    const key = `${t.designId} ${t.part} ${t.test}`;
    if (!last.has(key)) last.set(key, t);
  }
  return [...last.values()].filter((t) => !t.passed);
}

/** Designs whose last test failed, with the kits that are out: a kit of several designs counts by each of them. */
export async function recalls(em: EntityManager, designId?: number): Promise<Recall[]> {
  const all = failed(await readTests(em, designId));
  const first = new Map<number, HandTestJson>();
  for (const t of all) if (!first.has(t.designId)) first.set(t.designId, t);
  const found: Recall[] = [];
  for (const [id, test] of first) {
    const design = await em.findOneOrFail(DesignRow, { id });
    const kits = await rows<{ label: string; borrower: string | null; dueOn: string | null }>(
      em,
      `select c.label, b.name as borrower, l.due_on as "dueOn" from copy c left join loan l on l.copy_id = c.id and l.returned_on is null left join borrower b on b.id = l.borrower_id left join kit k on k.id = c.kit_id where (c.kit_id is null and c.design_id = ?) or exists (select 1 from json_each(k.designs) j where j.value = ?) order by l.due_on, c.label`,
      [id, id],
    );
    found.push({
      design: { id, name: design.name },
      test,
      kits: kits.flatMap((k) =>
        k.borrower !== null && k.dueOn !== null
          ? [{ label: k.label, borrower: k.borrower, dueOn: k.dueOn }]
          : [],
      ),
      here: kits.filter((k) => k.borrower === null).length,
    });
  }
  return found;
}

/** Why a kit is not lent: a design of it failed a test. null where none did. */
export async function recalledFor(em: EntityManager, designs: readonly number[]): Promise<string | null> {
  for (const id of designs) {
    const [t] = failed(await readTests(em, id));
    if (t) return `its ${t.test} test failed on ${t.on} (${t.part})`;
  }
  return null;
}
