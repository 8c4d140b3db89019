import type { EntityManager } from '@mikro-orm/core';
import { addDays, type Day } from '../../../../core/calendar/days.ts';
import type { TermEntry, TermKit, TermShape } from '../../../../core/lend/term/termProblem.ts';
import { rows } from '../../../db/rows.ts';

/** Who waits for a kind of kit, and since when. */
export interface Waiting {
  readonly borrowerId: number;
  readonly borrower: string;
  readonly kind: string;
  readonly madeOn: Day;
}
export const waitingFor = (em: EntityManager): Promise<Waiting[]> =>
  rows(
    em,
    "select r.borrower_id as borrowerId, b.name as borrower, case when r.bundle_id is null then 'design ' || r.design_id else 'kit ' || r.bundle_id end as kind, r.made_on as madeOn from reservation r join borrower b on b.id = r.borrower_id where r.ended_on is null order by r.id",
  );

/** Kits with those that go to others first: a kit of the kind that they wait for, as long as a kit of the term stays. */
export function keptBack(
  kits: readonly TermKit[],
  waiting: readonly Waiting[],
  { entries, shape }: { readonly entries: readonly TermEntry[]; readonly shape: TermShape },
): TermKit[] {
  const isPlanned = (k: TermKit): boolean => entries.some((e) => e.kitId === k.kitId);
  const kept = new Map<number, TermKit>();
  for (const { kind, borrower } of waiting) {
    const first = kits
      .filter((k) => k.kind === kind && k.notLent === null && !kept.has(k.kitId))
      .sort((a, b) => Number(isPlanned(a)) - Number(isPlanned(b)) || (a.freeFrom < b.freeFrom ? -1 : 1))[0];
    if (first)
      kept.set(first.kitId, {
        ...first,
        keptFor: borrower,
        freeFrom: addDays(first.freeFrom, 7 * shape.stays + first.idleDays),
      });
  }
  return kits.map((k) => kept.get(k.kitId) ?? k);
}
