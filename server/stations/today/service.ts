import type { EntityManager } from '@mikro-orm/core';
import type { NamedKit, TodayKind, TodayLine, TodayPage } from '../../../contract/today.ts';
import { addDays, type Day } from '../../../core/calendar/days.ts';
import type { ToldOf } from '../../../core/lend/telling.ts';
import { handTests, madeAs, testsThatCount } from '../../../core/safety/handTests.ts';
import type { Market } from '../../../core/safety/rules.ts';
import { DesignRow, PlaceRow } from '../../db/entities.ts';
import { rows } from '../../db/rows.ts';
import { readTests, recalledKits } from '../check/service.ts';
import { standingSql } from '../lend/standing.ts';
import { listReservations } from '../lend/reserve.ts';
import { listTellings } from '../lend/telling.ts';
import { plannedNow } from '../lend/termPlan/service.ts';
import { openBatch } from '../make/batches.ts';

/** Lines of one kind that are listed: more are no list for a day. */
const MOST = 40;
/** A note is asked for so many days after a kit came back. */
const FRESH = 7;
const KIT = 'k.id as kitId, k.label, coalesce(bundle.name, d.name) as kit';
const OF_KIT = 'join design d on d.id = k.design_id left join bundle on bundle.id = k.bundle_id';

/** What a family is told of, as a list says it. */
const OF: Readonly<Record<ToldOf, string>> = {
  recalled: 'called back',
  late: 'overdue',
  short: 'came back short',
  soon: 'due soon',
  ready: 'kept for them',
};
const NOTHING = {
  family: null,
  kits: [],
  design: null,
  day: null,
  id: null,
  version: null,
  steps: null,
  words: '',
};
const line = (kind: TodayKind, part: Partial<TodayLine>): TodayLine => ({ kind, ...NOTHING, ...part });

interface Kit {
  readonly kitId: number;
  readonly label: string;
  readonly kit: string;
}
const named = ({ kitId, label, kit }: Kit, why: string | null = null): NamedKit => ({
  id: kitId,
  label,
  name: kit,
  why,
});

/** Lines cut to what is listed, with how many of each kind there are where that is more. */
function page(day: Day, lines: readonly TodayLine[]): TodayPage {
  const counts = new Map<TodayKind, number>();
  const kept = lines.filter((l) => {
    const n = (counts.get(l.kind) ?? 0) + 1;
    counts.set(l.kind, n);
    return n <= MOST;
  });
  return { day, lines: kept, counts: Object.fromEntries([...counts].filter(([, n]) => n > MOST)) };
}

/** Where kits stand, by id; only those that are not simply in have a reason not to be lent. */
async function standings(
  em: EntityManager,
  ids: readonly number[],
  today: Day,
  recalled: ReadonlyMap<number, string>,
): Promise<Map<number, string>> {
  const stands = standingSql({ today, recalled });
  const found = await rows<{ id: number; standing: string }>(
    em,
    `select k.id, ${stands.sql} as standing from kit k where k.id in (select value from json_each(?))`,
    [...stands.params, JSON.stringify(ids)],
  );
  return new Map(found.map((f) => [f.id, f.standing]));
}

/** Loans that a plan has for now, by family, each kit with why it cannot be lent yet. */
async function toLend(
  em: EntityManager,
  today: Day,
  recalled: ReadonlyMap<number, string>,
): Promise<TodayLine[]> {
  const planned = await plannedNow(em, today);
  const stands = await standings(
    em,
    planned.map((p) => p.kitId),
    today,
    recalled,
  );
  const families = new Map<string, TodayLine>();
  for (const p of planned) {
    const key = `${p.borrowerId} ${p.due}`;
    const standing = stands.get(p.kitId) ?? 'in';
    const kit = named(p, standing === 'in' ? null : standing);
    const before = families.get(key);
    families.set(
      key,
      before
        ? { ...before, kits: [...before.kits, kit] }
        : line('lend', {
            family: { id: p.borrowerId, name: p.borrower },
            kits: [kit],
            day: p.due,
            words: p.plan,
          }),
    );
  }
  return [...families.values()];
}

/** Loans that are due today or were before, and those that are called back. */
async function toComeBack(
  em: EntityManager,
  today: Day,
  recalled: ReadonlyMap<number, string>,
): Promise<TodayLine[]> {
  const out = await rows<Kit & { borrowerId: number; borrower: string; dueOn: Day }>(
    em,
    `select ${KIT}, b.id as borrowerId, b.name as borrower, l.due_on as dueOn from loan l join kit k on k.id = l.kit_id ${OF_KIT} join borrower b on b.id = l.borrower_id where l.returned_on is null and (l.due_on <= ? or l.kit_id in (select value from json_each(?))) order by l.due_on, k.id`,
    [today, JSON.stringify([...recalled.keys()])],
  );
  return out.map((o) => {
    const why = recalled.get(o.kitId);
    const kind = why !== undefined ? 'called back' : o.dueOn < today ? 'late' : 'due';
    return line(kind, {
      family: { id: o.borrowerId, name: o.borrower },
      kits: [named(o)],
      day: o.dueOn,
      words: why ?? '',
    });
  });
}

/** Kits that wait for somebody to clean them, and are with nobody. */
const toClean = async (em: EntityManager): Promise<TodayLine[]> =>
  (
    await rows<Kit>(
      em,
      `select ${KIT} from kit k ${OF_KIT} where k.to_clean <> 0 and k.retired_on is null and not exists (select 1 from loan l where l.kit_id = k.id and l.returned_on is null) order by k.label`,
    )
  ).map((k) => line('clean', { kits: [named(k)] }));

/** Finds whose days of rest are over. */
const rested = async (em: EntityManager, today: Day): Promise<TodayLine[]> =>
  (
    await rows<{ id: number; version: number; quantity: number; name: string; readyOn: Day }>(
      em,
      "select lot.id, lot.version, lot.quantity, m.name, lot.ready_on as readyOn from lot join material m on m.id = lot.material_id where lot.state = 'resting' and lot.quantity > 0 and lot.ready_on <= ? order by lot.ready_on, lot.id",
      [today],
    )
  ).map((l) =>
    line('quarantine', { id: l.id, version: l.version, day: l.readyOn, words: `${l.quantity} × ${l.name}` }),
  );

/** Designs with kits that were never lent, and whose tests by hand are not all on record. */
async function toTest(em: EntityManager, today: Day): Promise<TodayLine[]> {
  const never = await rows<{ id: number }>(
    em,
    'select n.design_id as id from kits_in_use n where n.kits > 0 and not exists (select 1 from kit k join loan l on l.kit_id = k.id where k.design_id = n.design_id) group by n.design_id order by n.design_id',
  );
  const place = await em.findOneOrFail(PlaceRow, { id: 1 });
  const designs = await em.find(
    DesignRow,
    { id: { $in: never.map((n) => n.id) } },
    { orderBy: { id: 'asc' } },
  );
  const out: TodayLine[] = [];
  for (const d of designs) {
    const done = testsThatCount(await readTests(em, today, d.id), madeAs(d));
    const open = handTests(d.mouths ? Math.min(35, d.ageFrom) : d.ageFrom, place.market as Market).filter(
      (t) => !done.some((x) => x.test === t.id && x.passed),
    );
    if (open.length > 0)
      out.push(
        line('test', {
          design: { id: d.id, name: d.name },
          words: open.map((t) => `${t.id} test`).join(', '),
        }),
      );
  }
  return out;
}

/** Making sessions that are not done. */
const sessions = async (em: EntityManager): Promise<TodayLine[]> =>
  (
    await rows<{ id: number; name: string; done: number; day: Day | null }>(
      em,
      "select id, name, json_array_length(progress, '$.done') as done, (select min(w.value ->> 'day') from json_each(days, '$.childFree') w) as day from batch where state <> 'done' order by id desc",
    )
  ).map((b) =>
    line('session', {
      id: b.id,
      day: b.day,
      words: b.name,
      steps: b.done,
    }),
  );

/** What is to be done today and is found at once. */
export async function todayNow(em: EntityManager, today: Day): Promise<TodayPage> {
  const recalled = await recalledKits(em);
  const kept = (await listReservations(em, today)).filter((r) => r.ready !== null);
  return page(today, [
    ...(await toComeBack(em, today, recalled)),
    ...(await toLend(em, today, recalled)),
    ...kept.map((r) =>
      line('kept', {
        family: { id: r.borrowerId, name: r.borrower },
        id: r.id,
        design: { id: r.designId, name: r.kit },
        day: r.madeOn,
        words: r.ready!,
      }),
    ),
    ...(await toClean(em)),
    ...(await rested(em, today)),
    ...(await toTest(em, today)),
    ...(await sessions(em)),
  ]);
}

/** Kits that came back lately from families whose children nobody wrote a note on since. */
const toNote = async (em: EntityManager, today: Day): Promise<TodayLine[]> =>
  (
    await rows<
      Kit & {
        borrowerId: number;
        borrower: string;
        children: string;
        designId: number;
        design: string;
        on: Day;
      }
    >(
      em,
      `select ${KIT}, b.id as borrowerId, b.name as borrower, b.children, d.id as designId, d.name as design, l.returned_on as "on" from loan l join kit k on k.id = l.kit_id ${OF_KIT} join borrower b on b.id = l.borrower_id where l.returned_on >= ? and b.erased_on is null and json_array_length(b.children) > 0 and not exists (select 1 from note n where n.design_id in (select value from json_each(coalesce(bundle.designs, json_array(k.design_id)))) and n.child in (select value from json_each(b.children)) and n.sat_on >= l.lent_on) order by l.returned_on desc, l.id desc`,
      [addDays(today, -FRESH)],
    )
  ).map((n) =>
    line('note', {
      family: { id: n.borrowerId, name: n.borrower },
      kits: [named(n)],
      design: { id: n.designId, name: n.design },
      day: n.on,
      words: (JSON.parse(n.children) as string[]).join(', '),
    }),
  );

/** What takes longer to find: whom to tell, notes to write, stock that runs short for what is planned. */
export async function todayLater(em: EntityManager, today: Day): Promise<TodayPage> {
  const tell = (await listTellings(em, today, undefined)).filter((t) => t.told === null);
  const short: TodayLine[] = [];
  const open = await rows<{ id: number; name: string }>(
    em,
    "select id, name from batch where state <> 'done' order by id desc",
  );
  for (const { id, name } of open) {
    const { bill } = await openBatch(em, id, today);
    for (const l of bill.filter((x) => x.short > 0))
      short.push(
        line('short', {
          id,
          words: `${l.short}${l.unit === 'mm' ? ' mm of' : ' ×'} ${l.name}`,
          design: { id, name },
        }),
      );
  }
  return page(today, [
    ...tell.map((t) =>
      line('tell', {
        family: { id: t.borrowerId, name: t.borrower },
        words: t.items.map((i) => `${i.kit} (${i.label}): ${OF[i.of]}`).join(', '),
      }),
    ),
    ...(await toNote(em, today)),
    ...short,
  ]);
}
