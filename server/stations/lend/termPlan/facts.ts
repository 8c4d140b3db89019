import { agesOfAll, agesOfGroup } from '../../../../core/child/groupAges.ts';
import type { EntityManager } from '@mikro-orm/core';
import { addDays, type Day } from '../../../../core/calendar/days.ts';
import {
  dueDay,
  placeKey,
  startDay,
  type TermBorrower,
  type TermEntry,
  type TermKit,
  type TermProblem,
  type TermShape,
  type Worth,
} from '../../../../core/lend/term/termProblem.ts';
import { worthOf, type Ages, type LevelFor } from '../../../../core/lend/term/worth.ts';
import { chanceAt, childAbility, doubtsOf, type Ability } from '../../../../core/watch/ladderModel.ts';
import type { WorkerPool } from '../../../compute/workerPool.ts';
import { BorrowerRow, DesignRow, PlaceRow, type Design } from '../../../db/entities.ts';
import { rows } from '../../../db/rows.ts';
import type { KitAnswer } from '../../../../contract/lending.ts';
import { ALLERGIC, askedOf, whoIs, type Ask, type KitAsMade, type Who } from '../../check/askKit.ts';
import { recalledKits } from '../../check/service.ts';
import { ladderOf } from '../../shape/ladders.ts';
import { modelled } from '../../watch/model.ts';
import { IS_SHORT } from '../standing.ts';
import { keptFromLending, restsAfter } from '../states.ts';
import { keptBack, waitingFor } from './waiting.ts';

/** A term as it is planned from: kits as they stand today, families with what is known of them. */
export interface TermFacts {
  readonly problem: TermProblem;
  /** By family: what its youngest is taken for, months, and whether the family told it. */
  readonly youngest: ReadonlyMap<number, { readonly months: number | null; readonly isTold: boolean }>;
}

interface KitColumns {
  id: number;
  label: string;
  name: string;
  kind: string;
  designs: string;
  youngest: number | null;
  container: number | null;
  repair: number;
  to_clean: number;
  rests_until: string | null;
  retired_on: string | null;
  short: number;
  made_as: string | null;
  due_on: string | null;
}

/** A kind of kit: what all kits of it have in common. */
interface KindFacts {
  readonly kind: string;
  readonly designs: readonly number[];
  readonly youngest: number | null;
  readonly container: number | null;
  readonly rests: boolean;
  /** How kits of it were made, each way once. */
  readonly ways: Map<string, KitAsMade>;
}

const KITS = `select k.id, k.label, coalesce(bundle.name, d.name) as name, case when bundle.id is null then 'design ' || d.id else 'kit ' || bundle.id end as kind, coalesce(bundle.designs, json_array(k.design_id)) as designs, bundle.youngest, bundle.container, k.repair, k.to_clean, k.rests_until, k.retired_on, ${IS_SHORT} as short, m.made_as, l.due_on from kit k left join build m on m.id = k.build_id join design d on d.id = k.design_id left join bundle on bundle.id = k.bundle_id left join loan l on l.kit_id = k.id and l.returned_on is null where k.retired_on is null or k.id in (select value from json_each(?)) order by k.id`;

const later = (a: Day, b: Day): Day => (a > b ? a : b);

function standsOf(
  c: KitColumns,
  o: { readonly today: Day; readonly idleDays: number; readonly recalled: string | undefined },
): Pick<TermKit, 'freeFrom' | 'notLent'> {
  const { today, idleDays } = o;
  const home = keptFromLending(
    {
      repair: c.repair !== 0,
      toClean: c.to_clean !== 0,
      restsUntil: c.rests_until,
      retiredOn: c.retired_on,
      recalled: o.recalled ?? null,
    },
    today,
  );
  // What is to be cleaned or rests is lent after that; what is out is looked at when it comes back.
  const notLent =
    home.standing === 'to clean' || home.standing === 'resting' || home.why === null
      ? c.short && c.due_on === null
        ? 'is not whole'
        : null
      : home.why;
  const freeFrom = c.due_on
    ? addDays(later(c.due_on, today), idleDays)
    : c.to_clean
      ? addDays(today, idleDays)
      : later(c.rests_until ?? today, today);
  return { notLent, freeFrom };
}

/**
 * Everything that the plan of a term goes by, as it is today. Several children or designs are looked at one after the
 * other; whoever asks meanwhile is answered in between.
 *
 * @param options.entries the plan as it is: what of it was lent counts as done, and not as had before
 */
export async function termFacts(options: {
  em: EntityManager;
  workerPool: WorkerPool;
  today: Day;
  shape: TermShape;
  cleanDays: number;
  borrowers: readonly number[];
  entries: readonly TermEntry[];
}): Promise<TermFacts> {
  const { em, today, shape } = options;
  const { restDays } = await em.findOneOrFail(PlaceRow, { id: 1 });
  const found = await rows<KitColumns>(em, KITS, [JSON.stringify(options.entries.map((e) => e.kitId))]);
  const recalled = await recalledKits(em);
  const designs = new Map((await em.find(DesignRow, {})).map((d) => [d.id, d]));
  const kinds = new Map<string, KindFacts>();
  for (const c of found) {
    const { youngest, container } = c;
    const ids = JSON.parse(c.designs) as number[];
    let kind = kinds.get(c.kind);
    if (!kind) {
      const rests = await restsAfter(em, ids);
      kinds.set(c.kind, (kind = { kind: c.kind, designs: ids, youngest, container, rests, ways: new Map() }));
    }
    const madeAs = c.made_as === null ? null : (JSON.parse(c.made_as) as Record<string, string>);
    kind.ways.set(c.made_as ?? '', { designs: ids, madeAs, youngest, container });
  }
  const waiting = await waitingFor(em);
  const alike = found.map((c): TermKit => {
    const { designs: own, rests } = kinds.get(c.kind)!;
    const idleDays = options.cleanDays + (rests ? restDays : 0);
    return {
      kitId: c.id,
      label: c.label,
      kind: c.kind,
      name: c.name,
      designs: own,
      idleDays,
      keptFor: null,
      ...standsOf(c, { today, idleDays, recalled: recalled.get(c.id) }),
    };
  });
  const kits = keptBack(
    alike,
    waiting.filter((w) => !options.borrowers.includes(w.borrowerId)),
    options,
  );
  const waitsFor = (family: number): Map<string, Day> =>
    new Map(waiting.filter((w) => w.borrowerId === family).map((w) => [w.kind, w.madeOn]));
  const families = await em.find(BorrowerRow, { id: { $in: [...options.borrowers] }, erasedOn: null });
  const { had, settled } = await loansBefore(em, options);
  const youngestOf = (group: string): number | null =>
    agesOfGroup([...designs.values()], group)?.ageFrom ?? null;
  const youngest = new Map<number, { months: number | null; isTold: boolean }>();
  const worth = await worthFor({ ...options, kinds: [...kinds.values()], designs, families, waitsFor });
  const stops = stopsOf(em, today);
  const borrowers: TermBorrower[] = [];
  for (const id of options.borrowers) {
    const f = families.find((x) => x.id === id);
    if (!f) continue;
    const own = await whoIs(em, f, today);
    const who = { ...own, youngest: own.youngest ?? youngestOf(f.group) };
    youngest.set(id, { months: who.youngest, isTold: own.youngest !== null });
    const against = new Map<string, string>();
    for (const kind of kinds.values()) {
      const stop = await stops(kind, who);
      if (stop) against.set(kind.kind, stopWords(f.name, stop, who.youngest));
    }
    borrowers.push({
      id,
      name: f.name,
      had: had.get(id) ?? new Set(),
      against,
      waitsFor: waitsFor(id),
      worth: worth.get(id)!,
    });
  }
  return { problem: { shape, kits, borrowers, settled }, youngest };
}

/** Designs that families had before the plan gave them any, and which places of the plan are over. */
async function loansBefore(
  em: EntityManager,
  {
    entries,
    shape,
    borrowers,
    today,
  }: {
    readonly entries: readonly TermEntry[];
    readonly shape: TermShape;
    readonly borrowers: readonly number[];
    readonly today: Day;
  },
) {
  const loans = await rows<{ borrower: number; kit: number; lentOn: string; designs: string }>(
    em,
    'select l.borrower_id as borrower, l.kit_id as kit, l.lent_on as lentOn, coalesce(bundle.designs, json_array(k.design_id)) as designs from loan l join kit k on k.id = l.kit_id left join bundle on bundle.id = k.bundle_id where l.borrower_id in (select value from json_each(?))',
    [JSON.stringify(borrowers)],
  );
  const placeOf = new Map(entries.map((e) => [`${e.borrowerId} ${e.kitId}`, e]));
  const settled = new Map<string, 'lent' | 'missed'>();
  for (const e of entries) if (startDay(shape, e.week) < today) settled.set(placeKey(e), 'missed');
  const had = new Map<number, Set<number>>();
  for (const l of loans) {
    const e = placeOf.get(`${l.borrower} ${l.kit}`);
    if (e && l.lentOn >= startDay(shape, e.week) && l.lentOn < dueDay(shape, e.week)) {
      settled.set(placeKey(e), 'lent');
      continue;
    }
    const own = had.get(l.borrower) ?? new Set();
    for (const d of JSON.parse(l.designs) as number[]) own.add(d);
    had.set(l.borrower, own);
  }
  return { had, settled };
}

type Stop = KitAnswer['reasons'][number];
const stopWords = (family: string, stop: Stop, months: number | null): string =>
  stop.rule === 'allergy'
    ? stop.words.replace(ALLERGIC, () => `${family} is allergic to what is in it`)
    : `The check says stop${months === null ? '' : ` for ${months} months`}: ${stop.title}.`;

/** Asks the check about a kind of kit for who is at home: the first that stops any way it was made; null where nothing does. */
function stopsOf(em: EntityManager, today: Day) {
  const asked = new Map<string, Promise<Ask>[]>();
  const known = new Map<string, Stop | null>();
  return async (kind: KindFacts, who: Who): Promise<Stop | null> => {
    const key = `${kind.kind} ${JSON.stringify(who)}`;
    const before = known.get(key);
    if (before !== undefined) return before;
    const ways = asked.get(kind.kind) ?? [...kind.ways.values()].map((way) => askedOf(em, way, today));
    asked.set(kind.kind, ways);
    let stop: Stop | null = null;
    for (const way of ways) stop ??= (await way)(who).reasons.find((r) => r.verdict === 'stop') ?? null;
    known.set(key, stop);
    return stop;
  };
}

/** What designs are for together, months; null where there is none. */
const asAges = (ages: { readonly ageFrom: number; readonly ageTo: number } | null): Ages | null =>
  ages && { from: ages.ageFrom, to: ages.ageTo };
const agesOf = (designs: readonly Design[]): Ages | null => asAges(agesOfAll(designs));

/** What every kind is worth to every family, by the notes on its children. */
async function worthFor(o: {
  em: EntityManager;
  workerPool: WorkerPool;
  today: Day;
  kinds: readonly KindFacts[];
  designs: ReadonlyMap<number, Design>;
  families: readonly { id: number; group: string; aim?: string | null | undefined; children: string[] }[];
  waitsFor: (family: number) => ReadonlyMap<string, Day>;
}): Promise<Map<number, Map<string, Worth>>> {
  const { outcomes, model, patternOf } = await modelled(o.em, o.workerPool, undefined);
  const watched = new Set(outcomes.children);
  const abilities = new Map<string, Ability>();
  const abilityAt = (child: string, skill: string): Ability => {
    const key = `${child}\n${skill}`;
    const found =
      abilities.get(key) ?? childAbility(outcomes, child, model, (id) => o.designs.get(id)?.skill === skill);
    abilities.set(key, found);
    return found;
  };
  const doubts = new Map(
    ['', ...outcomes.children].map((child) => [child, doubtsOf(outcomes, child, model, patternOf)]),
  );
  const worth = new Map<number, Map<string, Worth>>(o.families.map((f) => [f.id, new Map()]));
  for (const kind of o.kinds) {
    const own = kind.designs.flatMap((id) => o.designs.get(id) ?? []);
    const ladders = new Map<number, readonly { name: string; bits: number }[]>();
    for (const d of own) ladders.set(d.id, await ladderOf(o.em, d, o.today).catch(() => []));
    for (const f of o.families) {
      const children = f.children.filter((c) => watched.has(c));
      const levels = own.flatMap((d) =>
        ladders.get(d.id)!.flatMap(({ name: level, bits }) =>
          (children.length > 0 ? children : [null]).map((child): LevelFor => ({
            child,
            skill: d.skill,
            level,
            chance: chanceAt(
              abilityAt(child ?? '', d.skill),
              model.difficulty({ designId: d.id, level, bits }),
              doubts.get(child ?? '')!({ designId: d.id, level }),
            ).chance,
          })),
        ),
      );
      worth.get(f.id)!.set(
        kind.kind,
        worthOf({
          levels,
          skills: [...new Set(own.map((d) => d.skill))],
          aim: f.aim ?? null,
          isReserved: o.waitsFor(f.id).has(kind.kind),
          group: f.group,
          madeFor: own.map((d) => d.forGroup),
          ages: agesOf(own) ?? { from: 0, to: 216 },
          groupAges: asAges(agesOfGroup([...o.designs.values()], f.group)),
        }),
      );
    }
  }
  return worth;
}
