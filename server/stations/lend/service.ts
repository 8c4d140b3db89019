import type { EntityManager } from '@mikro-orm/core';
import type {
  Kit as KitJson,
  HandOnInput,
  Loan as LoanJson,
  LoanInput,
  ReturnInput,
} from '../../../contract/lending.ts';
import { addDays, daysBetween, type Day } from '../../../core/calendar/days.ts';
import { missing, writtenOff } from '../../../core/lend/status.ts';
import { reservedStock } from '../../../core/needs/supply.ts';
import { KitRow, CountRow, LoanRow, MaterialRow, type Kit, type Loan } from '../../db/entities.ts';
import type { FilledJson, PartJson } from '../../db/json.ts';
import { notFound, ProblemError } from '../../problem.ts';
import { familyNamed } from './borrowers.ts';
import { kitOf } from './kits.ts';
import { heedReservations } from './reserve.ts';
import { changeState, refuseUnlendable } from './states.ts';
import { stoppedFor } from './stopped.ts';
import { recalledKits } from '../check/service.ts';
import { takeFromShelf } from '../gather/shelf.ts';
import { readBench } from '../shape/service.ts';

const loanJson = (l: Loan): LoanJson => ({
  id: l.id,
  kitId: l.kit.id,
  borrowerId: l.borrower.id,
  lentOn: l.lentOn,
  dueOn: l.dueOn,
  returnedOn: l.returnedOn ?? null,
  override:
    l.overrideWhy == null ? null : { by: l.overrideBy ?? '', why: l.overrideWhy, of: l.overrideOf ?? '' },
});

async function oneKit(em: EntityManager, id: number): Promise<KitJson> {
  const found = await kitOf(em, id);
  if (!found) throw notFound(`kit ${id}`);
  return found;
}

/** Lends a kit that is in and whole; when another desk was first, says who has it. */
export async function lend(em: EntityManager, input: LoanInput, today: Day): Promise<LoanJson> {
  const kit = await em.findOne(KitRow, { id: input.kitId });
  if (!kit) throw notFound(`kit ${input.kitId}`);
  const borrower = await familyNamed(em, input.borrowerId);
  const out = await em.findOne(LoanRow, { kit: kit.id, returnedOn: null }, { populate: ['borrower'] });
  if (out)
    throw new ProblemError(
      409,
      `${kit.label} is with ${out.borrower.name} until ${out.dueOn}.`,
      [{ path: 'kitId', message: 'is lent already' }],
      await oneKit(em, kit.id),
    );
  await refuseUnlendable(em, kit, today);
  const stopped = await stoppedFor(em, { kit, family: borrower, override: input.override }, today);
  refuseDay(input.dueOn, today);
  await heedReservations(em, { kit, borrowerId: borrower.id, today });
  const loan = em.create(LoanRow, {
    kit,
    borrower,
    lentOn: today,
    dueOn: input.dueOn,
    returnedOn: null,
    counted: null,
    outcome: null,
    overrideBy: stopped ? input.override!.by : null,
    overrideWhy: stopped ? input.override!.why : null,
    overrideOf: stopped,
  });
  await em.flush();
  return loanJson(loan);
}

function refuseDay(dueOn: Day, today: Day): void {
  const days = daysBetween(today, dueOn);
  if (days < 0 || days > 366)
    throw new ProblemError(422, 'The day it is due must lie between today and a year from now.', [
      { path: 'dueOn', message: `expected ${today} to ${addDays(today, 366)}` },
    ]);
}

async function openLoan(em: EntityManager, loanId: number): Promise<Loan> {
  const loan = await em.findOne(LoanRow, { id: loanId }, { populate: ['kit'] });
  if (!loan) throw notFound(`loan ${loanId}`);
  if (!loan.returnedOn) return loan;
  throw new ProblemError(
    409,
    `${loan.kit.label} came back on ${loan.returnedOn} already.`,
    [{ path: 'id', message: 'is returned already' }],
    await oneKit(em, loan.kit.id),
  );
}

/** Lets a family keep a kit longer, unless it is called back or kept for another family. */
export async function renew(em: EntityManager, loanId: number, dueOn: Day, today: Day): Promise<LoanJson> {
  const loan = await openLoan(em, loanId);
  refuseDay(dueOn, today);
  const kit = await em.findOneOrFail(KitRow, { id: loan.kit.id });
  const recalled = (await recalledKits(em)).get(kit.id);
  if (recalled)
    throw new ProblemError(422, `${kit.label} is called back: ${recalled}.`, [
      { path: 'id', message: 'expected a kit whose tests were passed' },
    ]);
  await heedReservations(em, { kit, borrowerId: loan.borrower.id, today, renewed: loan.id });
  loan.dueOn = dueOn;
  await em.flush();
  return loanJson(loan);
}

/** Counts a kit back, cleaned on the spot, and lends it to the next family. */
export async function handOn(
  em: EntityManager,
  loanId: number,
  input: HandOnInput,
  today: Day,
): Promise<LoanJson> {
  const { kit } = await openLoan(em, loanId);
  await takeBack(em, loanId, { present: input.present, then: input.then }, today);
  await changeState(em, kit.id, { to: 'cleaned', by: '', why: 'handed on' }, today);
  return lend(
    em,
    { kitId: kit.id, borrowerId: input.borrowerId, dueOn: input.dueOn, override: input.override },
    today,
  );
}

/**
 * Counts a kit, and says what was counted: keeps the count on record, writes what is there, and fills from stock that is
 * free, writes off or puts the kit aside as asked.
 */
async function count(
  em: EntityManager,
  kit: Kit,
  input: ReturnInput,
  at: { readonly today: Day; readonly loan: Loan | null },
): Promise<PartJson[]> {
  const { today } = at;
  if (input.present.length !== kit.parts.length)
    throw new ProblemError(422, `${kit.label} has ${kit.parts.length} parts to count.`, [
      { path: 'present', message: `expected ${kit.parts.length} counts` },
    ]);
  if (input.spoiled !== undefined && input.spoiled.length !== kit.parts.length)
    throw new ProblemError(422, `${kit.label} has ${kit.parts.length} parts to count.`, [
      { path: 'spoiled', message: `expected ${kit.parts.length} counts` },
    ]);
  const counted: PartJson[] = kit.parts.map((part, i) => ({
    ...part,
    present: input.present[i]!,
    ...(input.spoiled?.[i] ? { spoiled: input.spoiled[i] } : {}),
  }));
  const over = counted.findIndex((part) => part.present > part.due);
  if (over >= 0)
    throw new ProblemError(
      422,
      `Only ${counted[over]!.due} of ${counted[over]!.name} belong to ${kit.label}.`,
      [{ path: `present.${over}`, message: `expected at most ${counted[over]!.due}` }],
    );
  const spoiled = counted.findIndex((part) => part.present + (part.spoiled ?? 0) > part.due);
  if (spoiled >= 0)
    throw new ProblemError(
      422,
      `Only ${counted[spoiled]!.due} of ${counted[spoiled]!.name} belong to ${kit.label}.`,
      [
        {
          path: `spoiled.${spoiled}`,
          message: `expected at most ${counted[spoiled]!.due - counted[spoiled]!.present}`,
        },
      ],
    );
  refuseOutcome(kit, counted, input.then);
  // Whether what is missing is spoiled is of the count; the kit is as short either way.
  const parts: PartJson[] =
    input.then === 'write off'
      ? writtenOff(counted)
      : counted.map(({ spoiled: _, ...part }) => ({ ...part }));
  const filled: FilledJson[] = [];
  if (input.then === 'fill') {
    const ids = parts.flatMap((p) => (p.materialId !== null && p.due > p.present ? [p.materialId] : []));
    const free = await freeStock(em, ids, today);
    for (const part of parts) {
      const short = part.due - part.present;
      if (short === 0) continue;
      const material =
        part.materialId === null ? null : await em.findOne(MaterialRow, { id: part.materialId });
      const there = material ? (free.get(material.id) ?? 0) : 0;
      if (!material && part.materialId === null)
        throw new ProblemError(422, `${part.name} is made, not kept on the shelf; ${short} are missing.`, [
          { path: 'then', message: 'expected repair, or shelve: it has to be made again' },
        ]);
      if (!material || there < short * part.takes)
        throw new ProblemError(
          422,
          `${Math.floor(there / part.takes)} of ${part.name} are free on the shelf; ${short} are missing.`,
          [{ path: 'then', message: 'expected enough free spares on the shelf' }],
        );
      const lots = await takeFromShelf(em, material, short * part.takes, today, 'then');
      free.set(material.id, there - short * part.takes);
      filled.push({ materialId: material.id, name: part.name, quantity: short, lots });
      part.present = part.due;
    }
  }
  em.create(CountRow, {
    kit,
    loan: at.loan,
    countedOn: today,
    parts: counted,
    outcome: input.then,
    filled,
  });
  kit.parts = parts;
  kit.repair = input.then === 'repair' || input.then === 'ask back';
  kit.lastCounted = today;
  return counted;
}

/** Refuses what cannot be done about parts that are short. @throws ProblemError 422 */
function refuseOutcome(kit: Kit, counted: readonly PartJson[], then: ReturnInput['then']): void {
  const gone = counted.findIndex((p) => p.present === 0 && p.due > 0);
  if (then === 'write off' && gone >= 0)
    throw new ProblemError(
      422,
      `Without any ${counted[gone]!.name}, ${kit.label} is not what it was: fill it, or send it to repair.`,
      [{ path: `present.${gone}`, message: 'expected at least 1' }],
    );
  if (then === 'ask back' && missing(counted).every((m) => m.lost === 0))
    throw new ProblemError(422, `Nothing of ${kit.label} is lost that could be asked back.`, [
      { path: 'then', message: 'expected something that is neither there nor spoiled' },
    ]);
}

/** What is kept of materials and not spoken for by any design on the bench. */
async function freeStock(
  em: EntityManager,
  ids: readonly number[],
  today: Day,
): Promise<Map<number, number>> {
  const { bench, rows } = await readBench(em, today, ids);
  const spoken = reservedStock(bench);
  return new Map(ids.map((id) => [id, Math.max(0, (rows.get(id)?.kept ?? 0) - (spoken.get(id) ?? 0))]));
}

/** Takes a kit back with a count of every part. The loan keeps what was counted. */
export async function takeBack(
  em: EntityManager,
  loanId: number,
  input: ReturnInput,
  today: Day,
): Promise<KitJson> {
  const loan = await openLoan(em, loanId);
  const kit = await em.findOneOrFail(KitRow, { id: loan.kit.id });
  loan.counted = await count(em, kit, input, { today, loan });
  loan.returnedOn = today;
  loan.outcome = input.then;
  // Whatever went from mouth to mouth is cleaned before it goes on.
  kit.toClean = true;
  kit.restsUntil = null;
  await em.flush();
  return oneKit(em, kit.id);
}

/** Counts a kit that is in the house: the end of a repair, or a check between loans. */
export async function countInHouse(
  em: EntityManager,
  kitId: number,
  input: ReturnInput,
  today: Day,
): Promise<KitJson> {
  const kit = await em.findOne(KitRow, { id: kitId });
  if (!kit) throw notFound(`kit ${kitId}`);
  if ((await em.count(LoanRow, { kit: kitId, returnedOn: null })) > 0)
    throw new ProblemError(409, `${kit.label} is lent; take it back first.`, [], await oneKit(em, kitId));
  await count(em, kit, input, { today, loan: null });
  await em.flush();
  return oneKit(em, kitId);
}
