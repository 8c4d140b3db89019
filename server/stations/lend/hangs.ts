import type { EntityManager } from '@mikro-orm/core';
import { addDays, shortDay, type Day } from '../../../core/calendar/days.ts';
import { madeAs } from '../../../core/safety/handTests.ts';
import { DesignRow, KitRow, PlaceRow } from '../../db/entities.ts';
import { kitsAsMade } from '../check/askKit.ts';
import { outWith } from './familyPage.ts';
import { listReservations } from './reserve.ts';
import { plannedIn } from './termPlan/service.ts';

/**
 * What hangs over a loan besides the check, in sentences: told before it is lent, so that nobody finds out afterwards.
 *
 * @param borrowerId the family it would go to; null where none is chosen yet
 */
export async function hangsOver(
  em: EntityManager,
  kitId: number,
  borrowerId: number | null,
  today: Day,
): Promise<string[]> {
  const kit = await em.findOneOrFail(KitRow, { id: kitId });
  const { loanDays, locale } = await em.findOneOrFail(PlaceRow, { id: 1 });
  const day = (d: Day): string => shortDay(d, locale);
  const out: string[] = [];
  const has = borrowerId === null ? [] : await outWith(em, borrowerId, today);
  const late = has.filter((h) => h.daysLate > 0);
  for (const h of late) out.push(`They still have ${h.kit} (${h.label}), overdue since ${day(h.dueOn)}.`);
  if (late.length === 0 && has.length > 0)
    out.push(
      `They have ${has.length === 1 ? `${has[0]!.kit} (${has[0]!.label})` : `${has.length} kits`} now.`,
    );
  const until = addDays(today, loanDays);
  // Before anybody is chosen nobody is another family: for whom it is planned or kept stands at the desk itself.
  const isOther = (of: { readonly borrowerId: number }): boolean =>
    borrowerId !== null && of.borrowerId !== borrowerId;
  const planned = (await plannedIn(em, kitId, today, until)).filter(isOther);
  for (const p of planned) out.push(`It is planned for ${p.borrower} from ${day(p.day)}.`);
  const kept = (await listReservations(em, today)).find((r) => r.ready === kit.label);
  if (kept && isOther(kept)) out.push(`It is kept for ${kept.borrower}.`);
  const made = (await kitsAsMade(em, [kitId])).get(kitId);
  const designs = await em.find(DesignRow, { id: { $in: [...(made?.designs ?? [])] } });
  const changed = designs.filter((d) => {
    const as = made?.madeAs?.[String(d.id)];
    return as !== undefined && as !== madeAs(d);
  });
  if (changed.length > 0)
    out.push(
      `It was made before ${changed.map((d) => d.name).join(', ')} was changed: count and check it as it is, not as the design says now.`,
    );
  return out;
}
