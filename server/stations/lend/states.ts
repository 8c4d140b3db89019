import type { EntityManager } from '@mikro-orm/core';
import type { Copy as CopyJson, KitEvent, StateInput } from '../../../contract/lending.ts';
import { addDays, type Day } from '../../../core/calendar/days.ts';
import { missing, standingAtHome, type Standing, type Stands } from '../../../core/lend/status.ts';
import { cleaningOf, type MaterialInput } from '../../../core/materials/material.ts';
import {
  CopyEventRow,
  CopyRow,
  DesignRow,
  KitRow,
  LoanRow,
  MaterialRow,
  PlaceRow,
  type Copy,
} from '../../db/entities.ts';
import { rows } from '../../db/rows.ts';
import { notFound, ProblemError } from '../../problem.ts';
import { recalledKits } from '../check/service.ts';
import { copyOf } from './copies.ts';

/** Why a kit that stands so is not lent, after “it …”. */
const WHY: Readonly<Partial<Record<Standing, (copy: Omit<Stands, 'openLoan'>) => string>>> = {
  retired: () => 'is retired',
  recalled: ({ recalled }) => `is called back: ${recalled!}`,
  repair: () => 'is in repair',
  'to clean': () => 'is to be cleaned first',
  resting: ({ restsUntil }) => `rests until ${restsUntil!}`,
};

/** Where a kit would stand if nobody had it, and why it is not lent as it stands then; null where it could be. */
export function keptFromLending(
  copy: Omit<Stands, 'openLoan'>,
  today: Day,
): { standing: Standing; why: string | null } {
  const stands = standingAtHome(copy, today);
  return { standing: stands, why: WHY[stands]?.(copy) ?? null };
}

/** Nothing is lent before it is whole, clean, rested and not called back. */
export async function refuseUnlendable(em: EntityManager, copy: Copy, today: Day): Promise<void> {
  const recalled = (await recalledKits(em)).get(copy.id) ?? null;
  const { repair, toClean, restsUntil = null, retiredOn = null } = copy;
  const { standing, why } = keptFromLending({ repair, toClean, restsUntil, retiredOn, recalled }, today);
  if (why === null) {
    const [gap] = missing(copy.parts);
    if (!gap) return;
    throw new ProblemError(422, `${copy.label} is ${gap.short} × ${gap.part.name} short.`, [
      { path: 'copyId', message: 'expected a whole kit: count it, and fill it or write off what is gone' },
    ]);
  }
  const message =
    standing === 'recalled' ? 'expected a kit whose tests were passed' : 'expected a kit that is in';
  throw new ProblemError(422, `${copy.label} ${why}.`, [{ path: 'copyId', message }]);
}

/** Whether anything of a kit cannot be washed or wiped, and so has to rest. */
async function hasToRest(em: EntityManager, copy: Copy): Promise<boolean> {
  const kit = copy.kit ? await em.findOneOrFail(KitRow, { id: copy.kit.id }) : null;
  return restsAfter(em, kit?.designs ?? [copy.design.id]);
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
  copyId: number,
  input: Required<StateInput>,
  today: Day,
): Promise<CopyJson> {
  const copy = await em.findOne(CopyRow, { id: copyId });
  if (!copy) throw notFound(`kit ${copyId}`);
  if ((await em.count(LoanRow, { copy: copyId, returnedOn: null })) > 0)
    throw new ProblemError(409, `${copy.label} is lent; take it back first.`, [], await copyOf(em, copyId));
  let what: string = input.to;
  if (input.to === 'cleaned') {
    copy.toClean = false;
    copy.restsUntil = null;
    if (await hasToRest(em, copy)) {
      const { restDays } = await em.findOneOrFail(PlaceRow, { id: 1 });
      copy.restsUntil = addDays(today, restDays);
      what = `cleaned, rests until ${copy.restsUntil}`;
    }
  } else copy.retiredOn = input.to === 'retired' ? today : null;
  em.create(CopyEventRow, { copy, on: today, what, by: input.by, why: input.why });
  await em.flush();
  return (await copyOf(em, copyId))!;
}

/** What was done with a kit besides loans and counts, the latest first. */
export const eventsOf = (em: EntityManager, copyId: number, most: number): Promise<KitEvent[]> =>
  rows<KitEvent>(
    em,
    'select id, done_on as "on", what, done_by as "by", why from copy_event where copy_id = ? order by id desc limit ?',
    [copyId, most],
  );
