import { undoneOf } from '../../undo/log.ts';
import type { EntityManager } from '@mikro-orm/core';
import type { FamilyHistory, KitCount, KitHistory, PastLoan } from '../../../contract/lending.ts';
import { BorrowerRow, KitRow } from '../../db/entities.ts';
import { rows } from '../../db/rows.ts';
import { eventsOf } from './states.ts';
import { notFound } from '../../problem.ts';

interface CountColumns {
  id: number;
  counted_on: string;
  loan_id: number | null;
  parts: string;
  outcome: string;
  filled: string;
}
interface LoanColumns {
  id: number;
  kit_id: number;
  borrower_id: number;
  lent_on: string;
  due_on: string;
  returned_on: string | null;
  label: string;
  design: string;
  borrower: string;
  override_by: string | null;
  override_why: string | null;
  override_of: string | null;
}

const countJson = (c: CountColumns): KitCount => ({
  id: c.id,
  countedOn: c.counted_on,
  loanId: c.loan_id,
  parts: JSON.parse(c.parts) as KitCount['parts'],
  outcome: c.outcome,
  filled: JSON.parse(c.filled) as KitCount['filled'],
});

const pastLoan = (l: LoanColumns, counts: ReadonlyMap<number, KitCount>): PastLoan => ({
  id: l.id,
  kitId: l.kit_id,
  borrowerId: l.borrower_id,
  lentOn: l.lent_on,
  dueOn: l.due_on,
  returnedOn: l.returned_on,
  label: l.label,
  design: l.design,
  borrower: l.borrower,
  count: counts.get(l.id) ?? null,
  override:
    l.override_why === null
      ? null
      : { by: l.override_by ?? '', why: l.override_why, of: l.override_of ?? '' },
});

const LOANS =
  'select l.id, l.kit_id, l.borrower_id, l.lent_on, l.due_on, l.returned_on, l.override_by, l.override_why, l.override_of, k.label, coalesce(bundle.name, d.name) as design, b.name as borrower from loan l join kit k on k.id = l.kit_id join design d on d.id = k.design_id left join bundle on bundle.id = k.bundle_id join borrower b on b.id = l.borrower_id';

/** Loans and counts of one kit, the latest first: what was missing at each return stays readable. */
export async function kitHistory(em: EntityManager, kitId: number, most: number): Promise<KitHistory> {
  if ((await em.count(KitRow, { id: kitId })) === 0) throw notFound(`kit ${kitId}`);
  const counts = (
    await rows<CountColumns>(em, 'select * from "count" where kit_id = ? order by id desc limit ?', [
      kitId,
      most,
    ])
  ).map(countJson);
  const byLoan = new Map(counts.flatMap((c) => (c.loanId === null ? [] : [[c.loanId, c] as const])));
  const loans = await rows<LoanColumns>(em, `${LOANS} where l.kit_id = ? order by l.id desc limit ?`, [
    kitId,
    most,
  ]);
  return {
    loans: loans.map((l) => pastLoan(l, byLoan)),
    counts,
    events: await eventsOf(em, kitId, most),
    undone: await undoneOf(em, 'kits', kitId, most),
  };
}

/** Loans of one family, the latest first, each with its count. */
export async function familyHistory(em: EntityManager, id: number, most: number): Promise<FamilyHistory> {
  if ((await em.count(BorrowerRow, { id })) === 0) throw notFound(`family ${id}`);
  const loans = await rows<LoanColumns>(em, `${LOANS} where l.borrower_id = ? order by l.id desc limit ?`, [
    id,
    most,
  ]);
  const counts = await rows<CountColumns>(
    em,
    'select * from "count" where loan_id in (select id from loan where borrower_id = ? order by id desc limit ?)',
    [id, most],
  );
  const byLoan = new Map(counts.map((c) => [c.loan_id!, countJson(c)]));
  return {
    loans: loans.map((l) => pastLoan(l, byLoan)),
    undone: await undoneOf(em, 'families', id, most),
  };
}
