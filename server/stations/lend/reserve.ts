import type { EntityManager } from '@mikro-orm/core';
import type { Reservation } from '../../../contract/lending.ts';
import type { Day } from '../../../core/calendar/days.ts';
import { CopyRow, LoanRow, ReservationRow, type Copy } from '../../db/entities.ts';
import { rows } from '../../db/rows.ts';
import { notFound, ProblemError } from '../../problem.ts';
import { familyNamed } from './borrowers.ts';
import { recalledKits } from '../check/service.ts';
import { kitsIn } from './copies.ts';
import { stoppedFor } from './stopped.ts';

/** Kits of one kind: those of one design, or those of one set of designs. */
const kindOf = (c: { readonly designId: number; readonly kitId: number | null }): string =>
  c.kitId === null ? `design ${c.designId}` : `kit ${c.kitId}`;

/** Open reservations, the oldest first, each with a kit that is in for it: the first in line has the first. */
export async function listReservations(em: EntityManager, today: Day): Promise<Reservation[]> {
  const found = await rows<Omit<Reservation, 'ready'>>(
    em,
    'select r.id, r.borrower_id as borrowerId, b.name as borrower, r.design_id as designId, r.kit_id as kitId, coalesce(k.name, d.name) as kit, r.made_on as madeOn from reservation r join borrower b on b.id = r.borrower_id join design d on d.id = r.design_id left join kit k on k.id = r.kit_id where r.ended_on is null order by r.id',
  );
  const labels = new Map<string, string[]>();
  const recalled = found.length > 0 ? await recalledKits(em) : new Map<number, string>();
  for (const r of found) {
    if (labels.has(kindOf(r))) continue;
    // The first in line has the first: no more are looked for than wait.
    const most = found.filter((o) => kindOf(o) === kindOf(r)).length;
    labels.set(kindOf(r), await kitsIn(em, { today, recalled, kind: r, most }));
  }
  return found.map((r) => ({ ...r, ready: labels.get(kindOf(r))?.shift() ?? null }));
}

export async function reserve(
  em: EntityManager,
  input: { copyId: number; borrowerId: number },
  today: Day,
): Promise<Reservation> {
  const copy = await em.findOne(CopyRow, { id: input.copyId });
  if (!copy) throw notFound(`kit ${input.copyId}`);
  const borrower = await familyNamed(em, input.borrowerId);
  if (copy.retiredOn)
    throw new ProblemError(422, `${copy.label} is retired.`, [
      { path: 'copyId', message: 'expected a kit that is still lent' },
    ]);
  // What could not be lent is not kept for anybody either.
  await stoppedFor(em, { copy, family: borrower }, today);
  const same = { borrower: borrower.id, design: copy.design.id, kit: copy.kit?.id ?? null, endedOn: null };
  if ((await em.count(ReservationRow, same)) > 0)
    throw new ProblemError(409, `It is kept for ${borrower.name} already.`, [
      { path: 'borrowerId', message: 'expected a family that has not reserved it' },
    ]);
  const made = em.create(ReservationRow, {
    borrower,
    design: copy.design,
    kit: copy.kit ?? null,
    madeOn: today,
    endedOn: null,
    outcome: null,
  });
  await em.flush();
  return (await listReservations(em, today)).find((r) => r.id === made.id)!;
}

export async function dropReservation(em: EntityManager, id: number, today: Day): Promise<void> {
  const row = await em.findOne(ReservationRow, { id, endedOn: null });
  if (!row) throw notFound(`reservation ${id}`);
  em.assign(row, { endedOn: today, outcome: 'dropped' });
  await em.flush();
}

/**
 * Called when a kit goes to a family: its own reservation is met; the last ones of a kind stay for those they are kept for.
 * Renewed (`renewed`, the loan), the kit is out and stays with who has it: only those that are due first are waited for.
 *
 * @throws ProblemError 409 naming the family that it is kept for
 */
export async function heedReservations(
  em: EntityManager,
  o: { copy: Copy; borrowerId: number; today: Day; renewed?: number },
): Promise<void> {
  const kind = { designId: o.copy.design.id, kitId: o.copy.kit?.id ?? null };
  const waiting = (await listReservations(em, o.today)).filter((r) => kindOf(r) === kindOf(kind));
  const own = waiting.find((r) => r.borrowerId === o.borrowerId);
  if (own && o.renewed === undefined) {
    em.assign(await em.findOneOrFail(ReservationRow, { id: own.id }), { endedOn: o.today, outcome: 'lent' });
    return;
  }
  const others = waiting.filter((r) => r.borrowerId !== o.borrowerId);
  if (others.length === 0) return;
  // One more than wait is enough for everybody.
  const most = others.length + 1;
  const recalled = await recalledKits(em);
  const there = (await kitsIn(em, { today: o.today, recalled, kind, most })).length;
  // Lent, one less is in. Renewed, those before it in the order of their due days come in first.
  const left = o.renewed === undefined ? there - 1 : there + (await dueBefore(em, o.copy, o.renewed));
  const unmet = others[left];
  if (unmet)
    throw new ProblemError(409, `${o.copy.label} is kept for ${unmet.borrower}, since ${unmet.madeOn}.`, [
      {
        path: 'borrowerId',
        message: `expected ${unmet.borrower}, or the reservation to be dropped first`,
      },
    ]);
}

/** How many kits of a copy's kind come in before a loan of it, by the days they are due. */
async function dueBefore(em: EntityManager, copy: Copy, loanId: number): Promise<number> {
  const kind = copy.kit ? { kit: copy.kit.id } : { kit: null, design: copy.design.id };
  const out = await em.find(
    LoanRow,
    { returnedOn: null, copy: kind },
    { orderBy: { dueOn: 'asc', id: 'asc' } },
  );
  return out.findIndex((l) => l.id === loanId);
}
