import type { EntityManager } from '@mikro-orm/core';
import type { Kit as KitJson, KitEvent, StateInput } from '../../../contract/lending.ts';
import { addDays, type Day } from '../../../core/calendar/days.ts';
import { missing, standingAtHome, type Standing, type Stands } from '../../../core/lend/status.ts';
import { cleaningOf, type MaterialInput } from '../../../core/materials/material.ts';
import {
  KitEventRow,
  BundleRow,
  DesignRow,
  KitRow,
  LoanRow,
  MaterialRow,
  PlaceRow,
  type Kit,
} from '../../db/entities.ts';
import { rows } from '../../db/rows.ts';
import { notFound, ProblemError } from '../../problem.ts';
import { recalledKits } from '../check/service.ts';
import { kitOf } from './kits.ts';

/** Why a kit that stands so is not lent, after “it …”. */
const WHY: Readonly<Partial<Record<Standing, (kit: Omit<Stands, 'openLoan'>) => string>>> = {
  retired: () => 'is retired',
  recalled: ({ recalled }) => `is called back: ${recalled!}`,
  repair: () => 'is in repair',
  'to clean': () => 'is to be cleaned first',
  resting: ({ restsUntil }) => `rests until ${restsUntil!}`,
};

/** Where a kit would stand if nobody had it, and why it is not lent as it stands then; null where it could be. */
export function keptFromLending(
  kit: Omit<Stands, 'openLoan'>,
  today: Day,
): { standing: Standing; why: string | null } {
  const stands = standingAtHome(kit, today);
  return { standing: stands, why: WHY[stands]?.(kit) ?? null };
}

/** Nothing is lent before it is whole, clean, rested and not called back. */
export async function refuseUnlendable(em: EntityManager, kit: Kit, today: Day): Promise<void> {
  const recalled = (await recalledKits(em)).get(kit.id) ?? null;
  const { repair, toClean, restsUntil = null, retiredOn = null } = kit;
  const { standing, why } = keptFromLending({ repair, toClean, restsUntil, retiredOn, recalled }, today);
  if (why === null) {
    const [gap] = missing(kit.parts);
    if (!gap) return;
    throw new ProblemError(422, `${kit.label} is ${gap.short} × ${gap.part.name} short.`, [
      { path: 'kitId', message: 'expected a whole kit: count it, and fill it or write off what is gone' },
    ]);
  }
  const message =
    standing === 'recalled' ? 'expected a kit whose tests were passed' : 'expected a kit that is in';
  throw new ProblemError(422, `${kit.label} ${why}.`, [{ path: 'kitId', message }]);
}

/** Whether anything of a kit cannot be washed or wiped, and so has to rest. */
async function hasToRest(em: EntityManager, kit: Kit): Promise<boolean> {
  const bundle = kit.bundle ? await em.findOneOrFail(BundleRow, { id: kit.bundle.id }) : null;
  return restsAfter(em, bundle?.designs ?? [kit.design.id]);
}

/** Whether a kit of some designs has to rest after it came back. */
export async function restsAfter(em: EntityManager, ids: readonly number[]): Promise<boolean> {
  const designs = await em.find(DesignRow, { id: { $in: [...ids] } });
  const held = await em.find(MaterialRow, {
    id: { $in: designs.flatMap((d) => Object.values(d.materials).flat()) },
  });
  return held.some(
    (m) =>
      cleaningOf({
        materialClass: m.materialClass as MaterialInput['materialClass'],
        cleaning: (m.cleaning ?? undefined) as MaterialInput['cleaning'],
      }) === 'rest',
  );
}

/** Cleans, retires or puts back a kit that is in the house; each stays on record with its day. */
export async function changeState(
  em: EntityManager,
  kitId: number,
  input: Required<StateInput>,
  today: Day,
): Promise<KitJson> {
  const kit = await em.findOne(KitRow, { id: kitId });
  if (!kit) throw notFound(`kit ${kitId}`);
  if ((await em.count(LoanRow, { kit: kitId, returnedOn: null })) > 0)
    throw new ProblemError(409, `${kit.label} is lent; take it back first.`, [], await kitOf(em, kitId));
  let what: string = input.to;
  if (input.to === 'cleaned') {
    kit.toClean = false;
    kit.restsUntil = null;
    if (await hasToRest(em, kit)) {
      const { restDays } = await em.findOneOrFail(PlaceRow, { id: 1 });
      kit.restsUntil = addDays(today, restDays);
      what = `cleaned, rests until ${kit.restsUntil}`;
    }
  } else kit.retiredOn = input.to === 'retired' ? today : null;
  em.create(KitEventRow, { kit, on: today, what, by: input.by, why: input.why });
  await em.flush();
  return (await kitOf(em, kitId))!;
}

/** What was done with a kit besides loans and counts, the latest first. */
export const eventsOf = (em: EntityManager, kitId: number, most: number): Promise<KitEvent[]> =>
  rows<KitEvent>(
    em,
    'select id, done_on as "on", what, done_by as "by", why from kit_event where kit_id = ? order by id desc limit ?',
    [kitId, most],
  );
