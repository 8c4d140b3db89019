import type { EntityManager } from '@mikro-orm/core';
import type {
  HandTestInput,
  HandTestRow as HandTestJson,
  Recall,
  RulesHere,
  RulesUpdate,
} from '../../../contract/checking.ts';
import type { Day } from '../../../core/calendar/days.ts';
import type { Chosen } from '../../../core/patterns/kernel.ts';
import type { CheckOptions } from '../../../core/safety/check.ts';
import { lookedOverOf } from '../../../core/safety/lookedOver.ts';
import { countsUntil, isSpent, madeAs, testsThatCount } from '../../../core/safety/handTests.ts';
import { rulesOf, type Market, type PlaceRules } from '../../../core/safety/rules.ts';
import { DesignRow, HandTestRow, PlaceRow, RuleLogRow, type Design } from '../../db/entities.ts';
import { rows } from '../../db/rows.ts';
import { ProblemError } from '../../problem.ts';

type TestColumns = Omit<HandTestJson, 'passed' | 'until' | 'isSpent'> & { passed: number };
/**
 * Loans since a test of the kit that was lent most, of those that were made just so: what a passed test holds for is used up
 * by them. Asked only of tests that were passed.
 */
const LOANS =
  'case when t.passed = 0 then 0 else coalesce((select max(n) from (select count(*) as n from loan l join kit k on k.id = l.kit_id join build m on m.id = k.build_id where l.lent_on >= t.done_on and exists (select 1 from json_each(m.made_as) j where j.key = t.design_id and j.value = t.made_as) group by k.id)), 0) end as loans';
const COLUMNS = `t.id, t.design_id as "designId", t.part, t.test, t.passed, t.force, t.done_on as "on", t.done_by as "by", t.words, t.made_as as "madeAs", ${LOANS}`;
const testJson =
  (today: Day) =>
  (t: TestColumns): HandTestJson => ({
    ...t,
    passed: t.passed === 1,
    until: countsUntil(t.on),
    isSpent: isSpent(t, today),
  });

/**
 * The last of each test on each part of each thing made alike, the latest first: what decides. However many tests there are,
 * none is left out.
 */
export const readTests = (em: EntityManager, today: Day, designId?: number): Promise<HandTestJson[]> =>
  rows<TestColumns>(
    em,
    `select ${COLUMNS} from hand_test t where t.id in (select max(id) from hand_test ${designId === undefined ? '' : 'where design_id = ?'} group by design_id, part, test, made_as) order by t.id desc`,
    designId === undefined ? [] : [designId],
  ).then((list) => list.map(testJson(today)));

/** Failed tests that no later one of their kind, on the same part of a thing made alike, has answered; the latest first. */
const openFailures = (em: EntityManager, designId?: number): Promise<HandTestJson[]> =>
  rows<Omit<HandTestJson, 'passed' | 'until' | 'isSpent' | 'loans'>>(
    em,
    `select t.id, t.design_id as "designId", t.part, t.test, t.force, t.done_on as "on", t.done_by as "by", t.words, t.made_as as "madeAs" from hand_test t where t.passed = 0${designId === undefined ? '' : ' and t.design_id = ?'} and not exists (select 1 from hand_test n where n.design_id = t.design_id and n.part = t.part and n.test = t.test and n.made_as = t.made_as and n.id > t.id) order by t.id desc`,
    designId === undefined ? [] : [designId],
  ).then((list) =>
    list.map((t) => ({ ...t, passed: false, loans: 0, until: countsUntil(t.on), isSpent: false })),
  );

/** Everything that a check at this place goes by. */
export async function rulesHere(em: EntityManager, today: Day): Promise<RulesHere> {
  const place = await em.findOneOrFail(PlaceRow, { id: 1 });
  const market = place.market as Market;
  const log = await em.find(RuleLogRow, {}, { orderBy: { id: 'desc' }, limit: 500 });
  return {
    version: place.version,
    market,
    rules: place.rules,
    list: rulesOf(market, place.rules),
    log: log.map(({ id, on, by, why, what }) => ({ id, on, by, why, what })),
    tests: await readTests(em, today),
  };
}

/** What the check of one design goes by: the place’s rules, the youngest, and its tests. */
export async function checkedBy(
  em: EntityManager,
  design: Design,
  chosen: Chosen,
  today: Day,
): Promise<CheckOptions> {
  const place = await em.findOneOrFail(PlaceRow, { id: 1 });
  return {
    youngest: design.ageFrom,
    mouths: design.mouths,
    lookedOver: lookedOverOf(chosen),
    market: place.market as Market,
    rules: place.rules,
    tests: testsThatCount(await readTests(em, today, design.id), madeAs(design)),
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
      await rulesHere(em, today),
    );
  for (const { what, said } of differences(place.rules, next))
    em.create(RuleLogRow, { on: today, by: said.by, why: said.why, what: what.slice(0, 500) });
  em.assign(place, { rules: next }, { mergeObjectProperties: false });
  await em.flush();
  return rulesHere(em, today);
}

export async function addTest(em: EntityManager, input: HandTestInput, today: Day): Promise<HandTestJson> {
  const { designId, ...fields } = input;
  const design = await em.findOne(DesignRow, { id: designId });
  if (!design)
    throw new ProblemError(422, 'There is no such design.', [
      { path: 'designId', message: 'expected a design of this place' },
    ]);
  const as = madeAs(design);
  const row = em.create(HandTestRow, { ...fields, design, on: today, madeAs: as });
  await em.flush();
  return {
    id: row.id,
    designId,
    ...fields,
    on: today,
    madeAs: as,
    loans: 0,
    until: countsUntil(today),
    isSpent: false,
  };
}

interface CalledBack {
  readonly kitId: number;
  readonly label: string;
  readonly borrower: string | null;
  readonly dueOn: string | null;
  readonly test: HandTestJson;
}
/** Kits that were made as a tested thing that failed, or of which it is not known how they were made. */
async function calledBack(
  em: EntityManager,
  designId: number,
  tests: readonly HandTestJson[],
): Promise<CalledBack[]> {
  const found = await rows<{
    id: number;
    label: string;
    borrower: string | null;
    dueOn: string | null;
    as: string | null;
  }>(
    em,
    `select k.id, k.label, b.name as borrower, l.due_on as "dueOn", (select value from json_each(m.made_as) where key = ?) as "as" from kit k left join build m on m.id = k.build_id left join loan l on l.kit_id = k.id and l.returned_on is null left join borrower b on b.id = l.borrower_id left join bundle on bundle.id = k.bundle_id where k.retired_on is null and ((k.bundle_id is null and k.design_id = ?) or exists (select 1 from json_each(bundle.designs) j where j.value = ?)) order by l.due_on, k.label`,
    [String(designId), designId, designId],
  );
  return found.flatMap(({ id, as, ...c }) => {
    const test = tests.find((t) => as === null || t.madeAs === '' || t.madeAs === as);
    return test ? [{ ...c, kitId: id, test }] : [];
  });
}

/** Failed tests, by the design they were done on. */
async function failedByDesign(em: EntityManager, designId?: number): Promise<Map<number, HandTestJson[]>> {
  const by = new Map<number, HandTestJson[]>();
  for (const t of await openFailures(em, designId)) by.set(t.designId, [...(by.get(t.designId) ?? []), t]);
  return by;
}

/** Designs of which a test failed, with the kits that are out: a kit of several designs counts by each of them. */
export async function recalls(em: EntityManager, designId?: number): Promise<Recall[]> {
  const found: Recall[] = [];
  for (const [id, tests] of await failedByDesign(em, designId)) {
    const design = await em.findOneOrFail(DesignRow, { id });
    const back = await calledBack(em, id, tests);
    const asNow = madeAs(design);
    // A design that was changed since, and of which no such kit is left, has nothing to call back.
    const test = tests.find((t) => t.madeAs === asNow || t.madeAs === '') ?? back[0]?.test;
    if (!test) continue;
    found.push({
      design: { id, name: design.name },
      test,
      kits: back.flatMap((k) =>
        k.borrower !== null && k.dueOn !== null
          ? [{ label: k.label, borrower: k.borrower, dueOn: k.dueOn }]
          : [],
      ),
      here: back.filter((k) => k.borrower === null).length,
    });
  }
  return found;
}

/** Kits that are called back, with why. Nothing is asked of the kits where no test failed. */
export async function recalledKits(em: EntityManager): Promise<Map<number, string>> {
  const out = new Map<number, string>();
  for (const [id, tests] of await failedByDesign(em))
    for (const { kitId, test } of await calledBack(em, id, tests))
      if (!out.has(kitId)) out.set(kitId, `its ${test.test} test failed on ${test.on} (${test.part})`);
  return out;
}
