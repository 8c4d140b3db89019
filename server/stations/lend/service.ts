import type { EntityManager } from '@mikro-orm/core';
import type { Borrower, Copy as CopyJson, Loan as LoanJson, ReturnInput } from '../../../contract/lending.ts';
import { addDays, daysBetween, type Day } from '../../../core/calendar/days.ts';
import { BorrowerRow, CopyRow, LoanRow, MaterialRow, type Copy, type Loan } from '../../db/entities.ts';
import type { PartJson } from '../../db/json.ts';
import { notFound, ProblemError } from '../../problem.ts';
import { shelfOf, takeFromShelf } from '../gather/shelf.ts';

const loanJson = (l: Loan): LoanJson => ({
  id: l.id,
  copyId: l.copy.id,
  borrowerId: l.borrower.id,
  lentOn: l.lentOn,
  dueOn: l.dueOn,
  returnedOn: l.returnedOn ?? null,
});

const copyJson = (c: Copy, open: Loan | undefined): CopyJson => ({
  id: c.id,
  label: c.label,
  designId: c.design.id,
  design: c.design.name,
  skill: c.design.skill,
  repair: c.repair,
  parts: c.parts,
  openLoan: open
    ? {
        id: open.id,
        borrowerId: open.borrower.id,
        borrower: open.borrower.name,
        lentOn: open.lentOn,
        dueOn: open.dueOn,
      }
    : null,
  lastCounted: c.lastCounted ?? null,
});

export async function listCopies(em: EntityManager): Promise<CopyJson[]> {
  const [copies, loans] = [
    await em.find(CopyRow, {}, { populate: ['design'], orderBy: { id: 'asc' } }),
    await em.find(LoanRow, { returnedOn: null }, { populate: ['borrower'] }),
  ];
  const open = new Map(loans.map((l) => [l.copy.id, l]));
  return copies.map((c) => copyJson(c, open.get(c.id)));
}

async function oneCopy(em: EntityManager, id: number): Promise<CopyJson> {
  const c = await em.findOne(CopyRow, { id }, { populate: ['design'] });
  if (!c) throw notFound(`kit ${id}`);
  return copyJson(
    c,
    (await em.findOne(LoanRow, { copy: id, returnedOn: null }, { populate: ['borrower'] })) ?? undefined,
  );
}

export async function listBorrowers(em: EntityManager): Promise<Borrower[]> {
  return (await em.find(BorrowerRow, {}, { orderBy: { name: 'asc' } })).map((b) => ({
    id: b.id,
    name: b.name,
    group: b.group,
  }));
}

export async function addBorrower(em: EntityManager, input: Omit<Borrower, 'id'>): Promise<Borrower> {
  const b = em.create(BorrowerRow, input);
  await em.flush();
  return { id: b.id, ...input };
}

/** Lends a kit that is in and whole; when another desk was first, says who has it. */
export async function lend(
  em: EntityManager,
  input: { copyId: number; borrowerId: number; dueOn: Day },
  today: Day,
): Promise<LoanJson> {
  const copy = await em.findOne(CopyRow, { id: input.copyId });
  if (!copy) throw notFound(`kit ${input.copyId}`);
  const borrower = await em.findOne(BorrowerRow, { id: input.borrowerId });
  if (!borrower)
    throw new ProblemError(422, 'There is no such family.', [
      { path: 'borrowerId', message: 'expected a family of this place' },
    ]);
  const out = await em.findOne(LoanRow, { copy: copy.id, returnedOn: null }, { populate: ['borrower'] });
  if (out)
    throw new ProblemError(
      409,
      `${copy.label} is with ${out.borrower.name} until ${out.dueOn}.`,
      [{ path: 'copyId', message: 'is lent already' }],
      await oneCopy(em, copy.id),
    );
  if (copy.repair)
    throw new ProblemError(422, `${copy.label} is in repair.`, [
      { path: 'copyId', message: 'expected a kit that is in' },
    ]);
  const days = daysBetween(today, input.dueOn);
  if (days < 0 || days > 366)
    throw new ProblemError(422, 'The day it is due must lie between today and a year from now.', [
      { path: 'dueOn', message: `expected ${today} to ${addDays(today, 366)}` },
    ]);
  const loan = em.create(LoanRow, {
    copy,
    borrower,
    lentOn: today,
    dueOn: input.dueOn,
    returnedOn: null,
    counted: null,
    outcome: null,
  });
  await em.flush();
  return loanJson(loan);
}

/** Counts a kit: writes what is there, fills from the shelf or puts it aside as asked. */
async function count(em: EntityManager, copy: Copy, input: ReturnInput, today: Day): Promise<void> {
  if (input.present.length !== copy.parts.length)
    throw new ProblemError(422, `${copy.label} has ${copy.parts.length} parts to count.`, [
      { path: 'present', message: `expected ${copy.parts.length} counts` },
    ]);
  const parts: PartJson[] = copy.parts.map((part, i) => ({ ...part, present: input.present[i]! }));
  const over = parts.findIndex((part) => part.present > part.due);
  if (over >= 0)
    throw new ProblemError(422, `Only ${parts[over]!.due} of ${parts[over]!.name} belong to ${copy.label}.`, [
      { path: `present.${over}`, message: `expected at most ${parts[over]!.due}` },
    ]);
  if (input.then === 'fill')
    for (const part of parts) {
      const short = part.due - part.present;
      if (short === 0) continue;
      const material =
        part.materialId === null ? null : await em.findOne(MaterialRow, { id: part.materialId });
      const kept = material ? (await shelfOf(em, today, material.id)).kept : 0;
      if (!material || kept < short)
        throw new ProblemError(422, `The shelf has ${kept} of ${part.name}; ${short} are missing.`, [
          { path: 'then', message: 'expected enough spares on the shelf' },
        ]);
      await takeFromShelf(em, material, short, today, 'then');
      part.present = part.due;
    }
  copy.parts = parts;
  copy.repair = input.then === 'repair';
  copy.lastCounted = today;
}

/** Takes a kit back with a count of every part. The loan keeps what was counted. */
export async function takeBack(
  em: EntityManager,
  loanId: number,
  input: ReturnInput,
  today: Day,
): Promise<CopyJson> {
  const loan = await em.findOne(LoanRow, { id: loanId }, { populate: ['copy'] });
  if (!loan) throw notFound(`loan ${loanId}`);
  const copy = await em.findOneOrFail(CopyRow, { id: loan.copy.id });
  if (loan.returnedOn)
    throw new ProblemError(
      409,
      `${copy.label} came back on ${loan.returnedOn} already.`,
      [{ path: 'id', message: 'is returned already' }],
      await oneCopy(em, copy.id),
    );
  const counted = copy.parts.map((part, i) => ({ ...part, present: input.present[i] ?? 0 }));
  await count(em, copy, input, today);
  loan.returnedOn = today;
  loan.counted = counted;
  loan.outcome = input.then;
  await em.flush();
  return oneCopy(em, copy.id);
}

/** Counts a kit that is in the house: the end of a repair, or a check between loans. */
export async function mend(
  em: EntityManager,
  copyId: number,
  input: ReturnInput,
  today: Day,
): Promise<CopyJson> {
  const copy = await em.findOne(CopyRow, { id: copyId });
  if (!copy) throw notFound(`kit ${copyId}`);
  if ((await em.count(LoanRow, { copy: copyId, returnedOn: null })) > 0)
    throw new ProblemError(409, `${copy.label} is lent; take it back first.`, [], await oneCopy(em, copyId));
  await count(em, copy, input, today);
  await em.flush();
  return oneCopy(em, copyId);
}
