import type { EntityManager } from '@mikro-orm/core';
import { addDays, type Day } from '../../../../core/calendar/days.ts';
import { allergyWords } from '../../../../core/lend/allergies.ts';
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
import { worthOf, type Ages, type RungFor } from '../../../../core/lend/term/worth.ts';
import { chanceAt, childAbility, type Ability } from '../../../../core/watch/ladderModel.ts';
import type { ComputeDoor } from '../../../compute/door.ts';
import { BorrowerRow, DesignRow, PlaceRow, type Design } from '../../../db/entities.ts';
import { rows } from '../../../db/rows.ts';
import { recalledKits } from '../../check/service.ts';
import { kitToCheck } from '../../check/sheet.ts';
import { ladderOf } from '../../shape/ladders.ts';
import { modelled } from '../../watch/model.ts';
import { heldBy } from '../service.ts';
import { restsAfter } from '../states.ts';
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
  due_on: string | null;
}

/** A kind of kit: what all kits of it have in common. */
interface KindFacts {
  readonly kind: string;
  readonly designs: readonly number[];
  readonly youngest: number | null;
  readonly container: number | null;
  readonly rests: boolean;
}

const KITS =
  "select c.id, c.label, coalesce(k.name, d.name) as name, case when k.id is null then 'design ' || d.id else 'kit ' || k.id end as kind, coalesce(k.designs, json_array(c.design_id)) as designs, k.youngest, k.container, c.repair, c.to_clean, c.rests_until, c.retired_on, exists (select 1 from json_each(c.parts) where value ->> 'present' < value ->> 'due') as short, l.due_on from copy c join design d on d.id = c.design_id left join kit k on k.id = c.kit_id left join loan l on l.copy_id = c.id and l.returned_on is null where c.retired_on is null or c.id in (select value from json_each(?)) order by c.id";

const later = (a: Day, b: Day): Day => (a > b ? a : b);

function standsOf(
  c: KitColumns,
  o: { readonly today: Day; readonly idleDays: number; readonly recalled: string | undefined },
): Pick<TermKit, 'freeFrom' | 'notLent'> {
  const { today, idleDays } = o;
  const notLent = c.retired_on
    ? 'is retired'
    : o.recalled !== undefined
      ? `is called back: ${o.recalled}`
      : c.repair
        ? 'is in repair'
        : c.short && c.due_on === null
          ? 'is not whole'
          : null;
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
  door: ComputeDoor;
  today: Day;
  shape: TermShape;
  cleanDays: number;
  borrowers: readonly number[];
  entries: readonly TermEntry[];
}): Promise<TermFacts> {
  const { em, today, shape } = options;
  const { restDays } = await em.findOneOrFail(PlaceRow, { id: 1 });
  const found = await rows<KitColumns>(em, KITS, [JSON.stringify(options.entries.map((e) => e.copyId))]);
  const recalled = await recalledKits(em);
  const designs = new Map((await em.find(DesignRow, {}, { limit: 5000 })).map((d) => [d.id, d]));
  const kinds = new Map<string, KindFacts>();
  for (const c of found) {
    if (kinds.has(c.kind)) continue;
    const ids = JSON.parse(c.designs) as number[];
    const rests = await restsAfter(em, ids);
    kinds.set(c.kind, { kind: c.kind, designs: ids, youngest: c.youngest, container: c.container, rests });
  }
  const waiting = await waitingFor(em);
  const alike = found.map((c): TermKit => {
    const { designs: own, rests } = kinds.get(c.kind)!;
    const idleDays = options.cleanDays + (rests ? restDays : 0);
    return {
      copyId: c.id,
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
    agesOf([...designs.values()].filter((d) => d.forGroup === group))?.from ?? null;
  const youngest = new Map(
    families.map((f) => [f.id, { months: f.youngest ?? youngestOf(f.group), isTold: f.youngest != null }]),
  );
  const worth = await worthFor({ ...options, kinds: [...kinds.values()], designs, families, waitsFor });
  const stops = stopsOf(em, designs, today);
  const borrowers: TermBorrower[] = [];
  for (const id of options.borrowers) {
    const f = families.find((x) => x.id === id);
    if (!f) continue;
    const against = new Map<string, string>();
    for (const kind of kinds.values()) {
      const allergic = f.allergies.length > 0 && allergyWords(f.allergies, await heldBy(em, kind.designs));
      const months = youngest.get(id)!.months;
      const stop = await stops(kind, months);
      if (allergic) against.set(kind.kind, `${f.name} is allergic to what is in it: ${allergic}.`);
      else if (stop)
        against.set(
          kind.kind,
          `The check says stop${months === null ? '' : ` for ${months} months`}: ${stop}.`,
        );
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
  const loans = await rows<{ borrower: number; copy: number; lentOn: string; designs: string }>(
    em,
    'select l.borrower_id as borrower, l.copy_id as copy, l.lent_on as lentOn, coalesce(k.designs, json_array(c.design_id)) as designs from loan l join copy c on c.id = l.copy_id left join kit k on k.id = c.kit_id where l.borrower_id in (select value from json_each(?))',
    [JSON.stringify(borrowers)],
  );
  const placeOf = new Map(entries.map((e) => [`${e.borrowerId} ${e.copyId}`, e]));
  const settled = new Map<string, 'lent' | 'missed'>();
  for (const e of entries) if (startDay(shape, e.week) < today) settled.set(placeKey(e), 'missed');
  const had = new Map<number, Set<number>>();
  for (const l of loans) {
    const e = placeOf.get(`${l.borrower} ${l.copy}`);
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

/** Asks the check about kinds of kit with somebody of an age at home: what it says stop to; null where nothing. */
function stopsOf(em: EntityManager, designs: ReadonlyMap<number, Design>, today: Day) {
  const asked = new Map<string, Promise<(age: number | null) => string | null>>();
  const ask = async (kind: KindFacts): Promise<(age: number | null) => string | null> => {
    const own = kind.designs.flatMap((id) => designs.get(id) ?? []);
    if (own.length < kind.designs.length) return () => 'a design of it is gone';
    const check = await kitToCheck(em, own, { container: kind.container, today });
    const known = new Map<number, string | null>();
    return (months) => {
      const age = Math.min(months ?? Infinity, kind.youngest ?? Infinity, ...own.map((d) => d.ageFrom));
      let said = known.get(age);
      if (said === undefined) {
        said = check(age).findings.find((f) => f.verdict === 'stop')?.title ?? null;
        known.set(age, said);
      }
      return said;
    };
  };
  return async (kind: KindFacts, months: number | null): Promise<string | null> => {
    const answer = asked.get(kind.kind) ?? ask(kind).catch(() => () => 'a design of it cannot be read');
    asked.set(kind.kind, answer);
    return (await answer)(months);
  };
}

/** What designs are for together, months; null where there is none. */
const agesOf = (designs: readonly Design[]): Ages | null =>
  designs.length === 0
    ? null
    : { from: Math.min(...designs.map((d) => d.ageFrom)), to: Math.max(...designs.map((d) => d.ageTo)) };

/** What every kind is worth to every family, by the notes on its children. */
async function worthFor(o: {
  em: EntityManager;
  door: ComputeDoor;
  today: Day;
  kinds: readonly KindFacts[];
  designs: ReadonlyMap<number, Design>;
  families: readonly { id: number; group: string; aim?: string | null | undefined; children: string[] }[];
  waitsFor: (family: number) => ReadonlyMap<string, Day>;
}): Promise<Map<number, Map<string, Worth>>> {
  const { outcomes, model } = await modelled(o.em, o.door, undefined);
  const watched = new Set(outcomes.children);
  const abilities = new Map<string, Ability>();
  const abilityAt = (child: string, skill: string): Ability => {
    const key = `${child}\n${skill}`;
    const found =
      abilities.get(key) ?? childAbility(outcomes, child, model, (id) => o.designs.get(id)?.skill === skill);
    abilities.set(key, found);
    return found;
  };
  const worth = new Map<number, Map<string, Worth>>(o.families.map((f) => [f.id, new Map()]));
  for (const kind of o.kinds) {
    const own = kind.designs.flatMap((id) => o.designs.get(id) ?? []);
    const ladders = new Map<number, readonly { name: string; bits: number }[]>();
    for (const d of own) ladders.set(d.id, await ladderOf(o.em, d, o.today).catch(() => []));
    for (const f of o.families) {
      const children = f.children.filter((c) => watched.has(c));
      const rungs = own.flatMap((d) =>
        ladders.get(d.id)!.flatMap(({ name: rung, bits }) =>
          (children.length > 0 ? children : [null]).map((child): RungFor => ({
            child,
            skill: d.skill,
            rung,
            chance: chanceAt(
              abilityAt(child ?? '', d.skill),
              model.difficulty({ designId: d.id, rung, bits }),
            ).chance,
          })),
        ),
      );
      worth.get(f.id)!.set(
        kind.kind,
        worthOf({
          rungs,
          skills: [...new Set(own.map((d) => d.skill))],
          aim: f.aim ?? null,
          isReserved: o.waitsFor(f.id).has(kind.kind),
          group: f.group,
          madeFor: own.map((d) => d.forGroup),
          ages: agesOf(own) ?? { from: 0, to: 216 },
          groupAges: agesOf([...o.designs.values()].filter((d) => d.forGroup === f.group)),
        }),
      );
    }
  }
  return worth;
}
