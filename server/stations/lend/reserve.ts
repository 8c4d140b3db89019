import type { EntityManager } from '@mikro-orm/core';
import type { Reservation } from '../../../contract/lending.ts';
import type { Day } from '../../../core/calendar/days.ts';
import { KitRow, LoanRow, ReservationRow, type Kit } from '../../db/entities.ts';
import { rows } from '../../db/rows.ts';
import { notFound, ProblemError } from '../../problem.ts';
import { familyNamed } from './borrowers.ts';
import { recalledKits } from '../check/service.ts';
import { kitsIn } from './kits.ts';
import { stoppedFor } from './stopped.ts';

/** Kits of one kind: those of one design, or those of one set of designs. */
const kindOf = (c: { readonly designId: number; readonly bundleId: number | null }): string =>
  c.bundleId === null ? `design ${c.designId}` : `kit ${c.bundleId}`;

/** Open reservations, the oldest first, each with a kit that is in for it: the first in line has the first. */
export async function listReservations(em: EntityManager, today: Day): Promise<Reservation[]> {
  const found = await rows<Omit<Reservation, 'ready'>>(
    em,
    'select r.id, r.borrower_id as borrowerId, b.name as borrower, r.design_id as designId, r.bundle_id as bundleId, coalesce(bundle.name, d.name) as kit, r.made_on as madeOn from reservation r join borrower b on b.id = r.borrower_id join design d on d.id = r.design_id left join bundle on bundle.id = r.bundle_id where r.ended_on is null order by r.id',
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
  input: { kitId: number; borrowerId: number },
  today: Day,
): Promise<Reservation> {
  const kit = await em.findOne(KitRow, { id: input.kitId });
  if (!kit) throw notFound(`kit ${input.kitId}`);
  const borrower = await familyNamed(em, input.borrowerId);
  if (kit.retiredOn)
    throw new ProblemError(422, `${kit.label} is retired.`, [
      { path: 'kitId', message: 'expected a kit that is still lent' },
    ]);
  // What could not be lent is not kept for anybody either.
  await stoppedFor(em, { kit, family: borrower }, today);
  const same = {
    borrower: borrower.id,
    design: kit.design.id,
    bundle: kit.bundle?.id ?? null,
    endedOn: null,
  };
  if ((await em.count(ReservationRow, same)) > 0)
    throw new ProblemError(409, `It is kept for ${borrower.name} already.`, [
      { path: 'borrowerId', message: 'expected a family that has not reserved it' },
    ]);
  const made = em.create(ReservationRow, {
    borrower,
    design: kit.design,
    bundle: kit.bundle ?? null,
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
  o: { kit: Kit; borrowerId: number; today: Day; renewed?: number },
): Promise<void> {
  const kind = { designId: o.kit.design.id, bundleId: o.kit.bundle?.id ?? null };
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
  const left = o.renewed === undefined ? there - 1 : there + (await dueBefore(em, o.kit, o.renewed));
  const unmet = others[left];
  if (unmet)
    throw new ProblemError(409, `${o.kit.label} is kept for ${unmet.borrower}, since ${unmet.madeOn}.`, [
      {
        path: 'borrowerId',
        message: `expected ${unmet.borrower}, or the reservation to be dropped first`,
      },
    ]);
}

/** How many kits of a kit's kind come in before a loan of it, by the days they are due. */
async function dueBefore(em: EntityManager, kit: Kit, loanId: number): Promise<number> {
  const kind = kit.bundle ? { bundle: kit.bundle.id } : { bundle: null, design: kit.design.id };
  const out = await em.find(
    LoanRow,
    { returnedOn: null, kit: kind },
    { orderBy: { dueOn: 'asc', id: 'asc' } },
  );
  return out.findIndex((l) => l.id === loanId);
}
