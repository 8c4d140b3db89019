import type { EntityManager } from '@mikro-orm/core';
import type {
  HasNow,
  ReallyHad,
  TermChanged,
  PlannedForFamily,
  PlannedLoan,
  PlannedNow,
  TermBest,
  TermChoice,
  TermPlanInput,
  TermPlanName,
  TermPlanPage,
  TermPlanUpdate,
} from '../../../../contract/termPlan.ts';
import { shortDay, type Day } from '../../../../core/calendar/days.ts';
import { checkTerm } from '../../../../core/lend/term/checkTerm.ts';
import { changesOf } from '../../../../core/lend/term/mendTerm.ts';
import type { TermPlan } from '../../../../core/lend/term/planTerm.ts';
import {
  dueDay,
  placeKey,
  pointsOf,
  startDay,
  termStarts,
  type TermEntry,
  type TermProblem,
} from '../../../../core/lend/term/termProblem.ts';
import type { Skill } from '../../../../core/patterns/kernel.ts';
import { boredOf } from '../../../../core/watch/whatNext.ts';
import type { WorkerPool } from '../../../compute/workerPool.ts';
import { BorrowerRow, PlaceRow, TermPlanRow, type TermPlanStored } from '../../../db/entities.ts';
import { rows } from '../../../db/rows.ts';
import { notFound, ProblemError } from '../../../problem.ts';
import type { Watched } from '../../../../core/watch/outcomes.ts';
import { watched } from '../../watch/model.ts';
import { termFacts } from './facts.ts';

/** Faults beyond these are told without what would mend them: each is worked out over all kits. */
const MOST_MENDED = 12;

/** What a look at a plan needs besides the plan. */
export interface Looking {
  readonly em: EntityManager;
  readonly workerPool: WorkerPool;
  readonly today: Day;
}

export async function listTermPlans(em: EntityManager): Promise<TermPlanName[]> {
  const plans = await em.find(TermPlanRow, {}, { orderBy: { from: 'desc', id: 'desc' }, limit: 500 });
  return plans.map((p) => ({
    id: p.id,
    name: p.name,
    from: p.from,
    weeks: p.weeks,
    families: p.borrowers.length,
    loans: p.entries.length,
  }));
}

async function findPlan(em: EntityManager, id: number): Promise<TermPlanStored> {
  const plan = await em.findOne(TermPlanRow, { id });
  if (!plan) throw notFound(`term plan ${id}`);
  return plan;
}

const factsOf = ({ em, workerPool, today }: Looking, plan: TermPlanStored) =>
  termFacts({
    em,
    workerPool,
    today,
    shape: plan,
    cleanDays: plan.cleanDays,
    borrowers: plan.borrowers,
    entries: plan.entries,
  });

/** A plan as it stands today: each loan with what stands against it, and what every family has now. */
export async function lookAtPlan(o: Looking, id: number): Promise<TermPlanPage> {
  const { em } = o;
  const plan = await findPlan(em, id);
  const { problem, youngest } = await factsOf(o, plan);
  const { locale } = await em.findOneOrFail(PlaceRow, { id: 1 });
  const faults = checkTerm(problem, plan.entries, locale);
  const kits = new Map(problem.kits.map((k) => [k.kitId, k]));
  const families = await em.find(BorrowerRow, { id: { $in: plan.borrowers }, erasedOn: null });
  const now = await hasNow(em, plan.borrowers, new Map(families.map((f) => [f.id, f.children])));
  const had = await reallyHad(em, plan, o.today);
  const mends = new Map(
    [...faults.keys()].slice(0, MOST_MENDED).map((e) => {
      const at = { borrower: e.borrowerId, week: e.week };
      const best = choicesAt(problem, plan.entries, at, locale).find((c) => c.faults.length === 0);
      return [e, best && { kitId: best.kitId, label: best.label, kit: best.kit }];
    }),
  );
  return {
    id: plan.id,
    version: plan.version,
    name: plan.name,
    from: plan.from,
    weeks: plan.weeks,
    every: plan.every,
    stays: plan.stays,
    cleanDays: plan.cleanDays,
    closed: plan.closed,
    starts: termStarts(plan).map((week) => ({ week, day: startDay(plan, week) })),
    points: pointsOf(problem, plan.entries),
    families: plan.borrowers.flatMap((borrowerId) => {
      const family = families.find((f) => f.id === borrowerId);
      if (!family) return [];
      const own = plan.entries.filter((e) => e.borrowerId === borrowerId).sort((a, b) => a.week - b.week);
      const worth = problem.borrowers.find((b) => b.id === borrowerId)!.worth;
      const { months, isTold } = youngest.get(borrowerId)!;
      return [
        {
          id: family.id,
          name: family.name,
          group: family.group,
          aim: (family.aim ?? null) as Skill | null,
          youngest: months,
          isYoungestTold: isTold,
          children: family.children,
          now: now.get(borrowerId) ?? [],
          had: had.get(borrowerId) ?? [],
          loans: own.map((e): PlannedLoan => {
            const kit = kits.get(e.kitId);
            const why = worth.get(kit?.kind ?? '');
            return {
              ...e,
              again: e.again ?? false,
              day: startDay(plan, e.week),
              due: dueDay(plan, e.week),
              label: kit?.label ?? `kit ${e.kitId}`,
              kit: kit?.name ?? '',
              reason: why?.reason ?? '',
              isAim: why?.isAim ?? false,
              isReserved: why?.isReserved ?? false,
              state: problem.settled?.get(placeKey(e)) ?? 'planned',
              faults: faults.get(e) ?? [],
              mend: mends.get(e) ?? null,
              notes:
                problem.settled?.has(placeKey(e)) || plan.stays > plan.every
                  ? []
                  : stillHas(family.name, now.get(borrowerId) ?? [], {
                      kit: kit?.label ?? '',
                      day: startDay(plan, e.week),
                      isNext: e === own.find((x) => !problem.settled?.has(placeKey(x))),
                      today: o.today,
                      locale,
                    }),
            };
          }),
        },
      ];
    }),
  };
}

/** What a family has still when it is to have the next, in words. */
const stillHas = (
  family: string,
  now: readonly HasNow[],
  at: {
    readonly kit: string;
    readonly day: Day;
    /** Whether it is the family's next: nobody knows when what is overdue comes back. */
    readonly isNext: boolean;
    readonly today: Day;
    readonly locale: string;
  },
): string[] =>
  now
    .filter((n) => n.label !== at.kit && (n.dueOn > at.day || (at.isNext && n.dueOn < at.today)))
    .map((n) =>
      n.dueOn < at.today
        ? `${family} still has ${n.label}, due on ${shortDay(n.dueOn, at.locale)}: the next when it is back, or they have two.`
        : `${family} has ${n.label} until ${shortDay(n.dueOn, at.locale)}: they would have two.`,
    );

/** What families had from each week on that is past or has begun, whatever was planned. */
async function reallyHad(
  em: EntityManager,
  plan: TermPlanStored,
  today: Day,
): Promise<Map<number, ReallyHad[]>> {
  const begun = termStarts(plan).filter((week) => startDay(plan, week) <= today);
  if (begun.length === 0) return new Map();
  const loans = await rows<Omit<ReallyHad, 'week'> & { borrower: number }>(
    em,
    'select l.borrower_id as borrower, k.label, coalesce(bundle.name, d.name) as kit, l.lent_on as lentOn, l.returned_on as returnedOn from loan l join kit k on k.id = l.kit_id join design d on d.id = k.design_id left join bundle on bundle.id = k.bundle_id where l.borrower_id in (select value from json_each(?)) and l.lent_on >= ? and l.lent_on < ? order by l.lent_on, l.id',
    [JSON.stringify(plan.borrowers), startDay(plan, begun[0]!), dueDay(plan, plan.weeks)],
  );
  const had = new Map<number, ReallyHad[]>();
  for (const { borrower, ...l } of loans) {
    const week = begun.findLast((w) => startDay(plan, w) <= l.lentOn)!;
    had.set(borrower, [...(had.get(borrower) ?? []), { ...l, week }]);
  }
  return had;
}

/** Loans that plans have for the change of hands that is on now and that were not made yet. */
export async function plannedNow(em: EntityManager, today: Day): Promise<PlannedNow[]> {
  const out: PlannedNow[] = [];
  for (const plan of await em.find(TermPlanRow, { from: { $lte: today } }, { orderBy: { id: 'asc' } })) {
    const week = termStarts(plan).findLast((w) => startDay(plan, w) <= today);
    if (week === undefined || dueDay(plan, plan.weeks) <= today) continue;
    const [day, due] = [startDay(plan, week), dueDay(plan, week)];
    const entries = plan.entries.filter((e) => e.week === week);
    const found = await rows<{
      kitId: number;
      borrowerId: number;
      label: string;
      kit: string;
      borrower: string;
    }>(
      em,
      "select e.value ->> 'kitId' as kitId, e.value ->> 'borrowerId' as borrowerId, k.label, coalesce(bundle.name, d.name) as kit, b.name as borrower from json_each(?) e join kit k on k.id = e.value ->> 'kitId' join design d on d.id = k.design_id left join bundle on bundle.id = k.bundle_id join borrower b on b.id = e.value ->> 'borrowerId' where b.erased_on is null and not exists (select 1 from loan l where l.kit_id = k.id and l.borrower_id = b.id and l.lent_on >= ?) order by b.name",
      [JSON.stringify(entries), day],
    );
    out.push(...found.map((f) => ({ plan: plan.name, ...f, day, due })));
  }
  return out;
}

/** For whom plans have a kit between two days, both included, where it was not lent for that yet. */
export async function plannedIn(
  em: EntityManager,
  kitId: number,
  from: Day,
  to: Day,
): Promise<{ readonly borrowerId: number; readonly borrower: string; readonly day: Day }[]> {
  const plans = await em.find(TermPlanRow, {}, { orderBy: { id: 'asc' } });
  const entries = plans.flatMap((plan) =>
    plan.entries
      .filter((e) => e.kitId === kitId)
      .map((e) => ({ borrowerId: e.borrowerId, day: startDay(plan, e.week), due: dueDay(plan, e.week) }))
      .filter((e) => e.day <= to && e.due > from),
  );
  return rows(
    em,
    "select e.value ->> 'borrowerId' as borrowerId, b.name as borrower, e.value ->> 'day' as day from json_each(?) e join borrower b on b.id = e.value ->> 'borrowerId' where b.erased_on is null and not exists (select 1 from loan l where l.kit_id = ? and l.borrower_id = b.id and l.lent_on >= e.value ->> 'day') order by 3",
    [JSON.stringify(entries), kitId],
  );
}

/** What plans have for one family, the earliest first. */
export async function plannedFor(em: EntityManager, borrowerId: number): Promise<PlannedForFamily[]> {
  const plans = await em.find(TermPlanRow, {}, { orderBy: { from: 'asc', id: 'asc' } });
  const own = plans.flatMap((plan) =>
    plan.entries
      .filter((e) => e.borrowerId === borrowerId)
      .map((e) => ({
        plan: plan.name,
        day: startDay(plan, e.week),
        due: dueDay(plan, e.week),
        kitId: e.kitId,
      })),
  );
  const kits = await rows<{ id: number; label: string; kit: string }>(
    em,
    'select k.id, k.label, coalesce(bundle.name, d.name) as kit from kit k join design d on d.id = k.design_id left join bundle on bundle.id = k.bundle_id where k.id in (select value from json_each(?))',
    [JSON.stringify(own.map((e) => e.kitId))],
  );
  const byId = new Map(kits.map((k) => [k.id, k]));
  return own
    .flatMap(({ kitId, ...e }) => {
      const kit = byId.get(kitId);
      return kit ? [{ ...e, label: kit.label, kit: kit.kit }] : [];
    })
    .sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0));
}

/** What families have now, with why it bores their children: most of those who were watched with it. */
async function hasNow(
  em: EntityManager,
  borrowers: readonly number[],
  children: ReadonlyMap<number, readonly string[]>,
): Promise<Map<number, HasNow[]>> {
  const out = await rows<{ borrower: number; label: string; kit: string; dueOn: string; designs: string }>(
    em,
    'select l.borrower_id as borrower, k.label, coalesce(bundle.name, d.name) as kit, l.due_on as dueOn, coalesce(bundle.designs, json_array(k.design_id)) as designs from loan l join kit k on k.id = l.kit_id join design d on d.id = k.design_id left join bundle on bundle.id = k.bundle_id where l.returned_on is null and l.borrower_id in (select value from json_each(?)) order by l.due_on, k.id',
    [JSON.stringify(borrowers)],
  );
  const wanted = new Set(out.flatMap((l) => children.get(l.borrower) ?? []));
  const byChild = new Map<string, Watched[]>([...wanted].map((child) => [child, []]));
  for (const n of wanted.size > 0 ? await watched(em) : []) byChild.get(n.child)?.push(n);
  /** By child and design: why it bores, null where it does not, undefined where nobody watched. */
  const known = new Map<string, string | null | undefined>();
  const saidOf = (child: string, design: number): string | null | undefined => {
    const key = `${design} ${child}`;
    if (!known.has(key)) {
      const own = byChild.get(child)!;
      known.set(key, own.some((n) => n.designId === design) ? boredOf(own, design) : undefined);
    }
    return known.get(key);
  };
  const now = new Map<number, HasNow[]>();
  for (const { borrower, designs, ...l } of out) {
    const said = (children.get(borrower) ?? []).flatMap((child) =>
      (JSON.parse(designs) as number[]).map((d) => saidOf(child, d)).filter((why) => why !== undefined),
    );
    const bored = said.filter((why) => why !== null);
    const dull = 2 * bored.length > said.length ? bored[0]! : null;
    const list = now.get(borrower) ?? [];
    list.push({ ...l, dull });
    now.set(borrower, list);
  }
  return now;
}

/** Refuses families that are not there, naming the first. */
async function refuseUnknown(em: EntityManager, ids: readonly number[]): Promise<void> {
  const there = new Set(
    (await em.find(BorrowerRow, { id: { $in: [...ids] }, erasedOn: null })).map((b) => b.id),
  );
  const at = ids.findIndex((id) => !there.has(id));
  if (at >= 0)
    throw new ProblemError(422, `There is no family ${ids[at]!}.`, [
      { path: `borrowers.${at}`, message: 'expected a family of this place' },
    ]);
}

export async function addTermPlan(em: EntityManager, input: TermPlanInput): Promise<{ id: number }> {
  await refuseUnknown(em, input.borrowers);
  const plan = em.create(TermPlanRow, { ...input, version: 1, entries: [] });
  await em.flush();
  return { id: plan.id };
}

const stale = (plan: TermPlanStored): ProblemError =>
  new ProblemError(409, `${plan.name} was changed meanwhile.`, [
    { path: 'version', message: `is stale: it is ${plan.version} now` },
  ]);

/** Keeps a plan as it was changed by hand; loans of families that are not in it any more, or in weeks that are gone, go. */
export async function updateTermPlan(
  em: EntityManager,
  id: number,
  { version, entries, ...input }: TermPlanUpdate,
): Promise<void> {
  const plan = await findPlan(em, id);
  if (plan.version !== version) throw stale(plan);
  const known = new Set(plan.borrowers);
  await refuseUnknown(
    em,
    input.borrowers.filter((b) => !known.has(b)),
  );
  const starts = new Set(termStarts(input));
  const left = entries.filter((e) => input.borrowers.includes(e.borrowerId) && starts.has(e.week));
  em.assign(plan, { ...input, entries: left }, { mergeObjectProperties: false });
  await em.flush();
}

export async function removeTermPlan(em: EntityManager, id: number): Promise<void> {
  await em.removeAndFlush(await findPlan(em, id));
}

/** What a plan is to be worked out from: the problem, and what was set by hand. */
export async function problemOf(o: Looking, id: number) {
  const stored = await findPlan(o.em, id);
  const { problem } = await factsOf(o, stored);
  // A loan that was made, or a day that is over, is not planned anew.
  const kept = stored.entries.filter((e) => e.kept || problem.settled?.has(placeKey(e)));
  return { problem, kept, before: stored.entries, version: stored.version };
}

export const asBest = ({ points, bound, isProved, entries }: TermPlan): TermBest => ({
  points,
  bound,
  isProved,
  loans: entries.length,
});

/** Writes a plan that was worked out, unless somebody changed it meanwhile; answers with what changed of the days to come. */
export async function keepPlanned(
  em: EntityManager,
  id: number,
  { version, entries, today }: { version: number; entries: readonly TermEntry[]; today: Day },
): Promise<TermChanged[]> {
  const plan = await findPlan(em, id);
  if (plan.version !== version) throw stale(plan);
  const changes = changesOf(plan.entries, entries).filter((c) => startDay(plan, c.week) >= today);
  em.assign(plan, { entries: [...entries] }, { mergeObjectProperties: false });
  await em.flush();
  const ids = JSON.stringify(changes.flatMap((c) => [c.before, c.after]));
  const kits = new Map(
    (
      await rows<{ id: number; label: string; kit: string }>(
        em,
        'select k.id, k.label, coalesce(bundle.name, d.name) as kit from kit k join design d on d.id = k.design_id left join bundle on bundle.id = k.bundle_id where k.id in (select value from json_each(?))',
        [ids],
      )
    ).map(({ id: kitId, ...k }) => [kitId, k]),
  );
  const families = new Map(
    (await em.find(BorrowerRow, { id: { $in: plan.borrowers } })).map((b) => [b.id, b.name]),
  );
  return changes.map((c) => ({
    borrowerId: c.borrowerId,
    family: families.get(c.borrowerId) ?? '',
    week: c.week,
    day: startDay(plan, c.week),
    before: kits.get(c.before ?? 0) ?? null,
    after: kits.get(c.after ?? 0) ?? null,
  }));
}

/** One kit of each kind for a place of the plan, what nothing stands against and suits best first. */
export async function choicesFor(
  o: Looking,
  id: number,
  at: { readonly borrower: number; readonly week: number },
): Promise<TermChoice[]> {
  const plan = await findPlan(o.em, id);
  if (!plan.borrowers.includes(at.borrower)) throw notFound(`family ${at.borrower} in this plan`);
  const { problem } = await factsOf(o, plan);
  const { locale } = await o.em.findOneOrFail(PlaceRow, { id: 1 });
  return choicesAt(problem, plan.entries, at, locale);
}

function choicesAt(
  problem: TermProblem,
  entries: readonly TermEntry[],
  at: { readonly borrower: number; readonly week: number },
  locale: string,
): TermChoice[] {
  const others = entries.filter((e) => e.borrowerId !== at.borrower || e.week !== at.week);
  const worth = problem.borrowers.find((b) => b.id === at.borrower)?.worth;
  const best = new Map<string, TermChoice>();
  for (const kit of problem.kits) {
    const entry: TermEntry = { borrowerId: at.borrower, week: at.week, kitId: kit.kitId, kept: true };
    // A later loan of the same kit is told of too, though it is that loan that cannot be then.
    const late = others.filter((e) => e.kitId === kit.kitId && e.week > at.week);
    const against = (own: TermEntry): string[] => {
      const all = checkTerm(problem, [...others, own], locale);
      return [own, ...late].flatMap((e) => all.get(e) ?? []);
    };
    const faults = against(entry);
    const why = worth?.get(kit.kind);
    const choice: TermChoice = {
      kitId: kit.kitId,
      label: kit.label,
      kit: kit.name,
      reason: why?.reason ?? '',
      points: why?.points ?? 0,
      faults,
      isAgain: faults.length > 0 && against({ ...entry, again: true }).length === 0,
    };
    const before = best.get(kit.kind);
    if (!before || faults.length < before.faults.length) best.set(kit.kind, choice);
  }
  return [...best.values()].sort(
    (a, b) => Number(a.faults.length > 0) - Number(b.faults.length > 0) || b.points - a.points,
  );
}
