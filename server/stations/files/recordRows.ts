import { COUNT_OUTCOMES } from '../../../core/lend/status.ts';
import { COLUMNS } from '../../../contract/files.ts';
import type { PartJson } from '../../db/json.ts';
import { rows } from '../../db/rows.ts';
import { countedWords } from './countedCells.ts';
import type { Cells } from './cells.ts';
import { paged, type Kind, type Known } from './kind.ts';
import { kitIn, countedIn } from './kitRows.ts';

export interface LoanValue {
  readonly id: number | null;
  readonly kitId: number;
  readonly borrowerId: number;
  readonly lentOn: string;
  readonly dueOn: string;
  readonly returnedOn: string | null;
  readonly outcome: string | null;
  readonly counted: readonly PartJson[] | null;
}
export interface CountValue {
  readonly id: number | null;
  readonly kitId: number;
  readonly loanId: number | null;
  readonly countedOn: string;
  readonly parts: readonly PartJson[];
  readonly outcome: string;
}
export interface EventValue {
  readonly id: number | null;
  readonly kitId: number;
  readonly on: string;
  readonly what: string;
  readonly by: string;
  readonly why: string;
}

/** The number of what a row changes; null for a new one. */
function numberIn(cells: Cells, column: string): number | null {
  const id = cells.whole(column) ?? null;
  if (id !== null && (id < 1 || id > 2 ** 31)) cells.fault(column, 'expected a number that the export gave');
  return id;
}
/** A day that must be there, and not after today unless it may be. */
function dayIn(cells: Cells, column: string, known: Known, mayCome = false): string | undefined {
  const day = cells.day(column);
  if (day === undefined && cells.raw(column).trim() === '')
    cells.fault(column, 'is missing; expected a day like 2026-11-25');
  if (day !== undefined && !mayCome && day > known.today)
    cells.fault(column, `expected ${known.today} or earlier`);
  return day;
}
const familyIn = (cells: Cells, known: Known): number | undefined => {
  const id = known.familyIds.get(cells.words('family').toLowerCase());
  if (id === undefined) cells.fault('family', 'expected the code name of a family of this place');
  return id;
};

export const loanRows: Kind<LoanValue> = {
  columns: COLUMNS.loans.all,
  required: COLUMNS.loans.required,
  read(cells, known) {
    const id = numberIn(cells, 'loan');
    const kit = kitIn(cells, known);
    const borrowerId = familyIn(cells, known);
    const lentOn = dayIn(cells, 'lent_on', known);
    const dueOn = dayIn(cells, 'due_on', known, true);
    const returnedOn =
      cells.raw('returned_on').trim() === '' ? null : (dayIn(cells, 'returned_on', known) ?? null);
    const outcome = cells.oneOf('outcome', COUNT_OUTCOMES) ?? null;
    const counted = kit && countedIn(cells, 'counted', kit.parts);
    if (lentOn !== undefined && dueOn !== undefined && dueOn < lentOn)
      cells.fault('due_on', `expected ${lentOn} or later`);
    if (lentOn !== undefined && returnedOn !== null && returnedOn < lentOn)
      cells.fault('returned_on', `expected ${lentOn} or later`);
    if (returnedOn === null && (outcome !== null || counted !== undefined))
      cells.fault(
        outcome !== null ? 'outcome' : 'counted',
        'is of a return; expected the day it came back too',
      );
    if (kit && returnedOn === null && kit.isOut && (id === null || kit.loanId !== id))
      cells.fault('label', 'is lent already; expected the day that this loan came back');
    if (cells.faults > 0) return null;
    return {
      id,
      kitId: kit!.id,
      borrowerId: borrowerId!,
      lentOn: lentOn!,
      dueOn: dueOn!,
      returnedOn,
      outcome: returnedOn === null ? null : (outcome ?? 'shelve'),
      counted: returnedOn === null ? null : (counted ?? null),
    };
  },
  key: (l) => (l.id === null ? null : String(l.id)),
  exists: (l, known) => l.id !== null && known.loans.has(l.id),
  // Of one kit a single row is still out.
  agrees: (l) =>
    l.returnedOn === null
      ? [{ key: `out ${l.kitId}`, column: 'label', value: `${l.borrowerId} since ${l.lentOn}` }]
      : [],
  async *pages(em) {
    interface Row {
      id: number;
      label: string;
      kit: string;
      family: string;
      lent_on: string;
      due_on: string;
      returned_on: string | null;
      outcome: string | null;
      counted: string | null;
    }
    for await (const page of paged((after) =>
      rows<Row>(
        em,
        'select l.id, k.label, coalesce(bundle.name, d.name) as kit, b.name as family, l.lent_on, l.due_on, l.returned_on, l.outcome, l.counted from loan l join kit k on k.id = l.kit_id join design d on d.id = k.design_id left join bundle on bundle.id = k.bundle_id join borrower b on b.id = l.borrower_id where l.id > ? order by l.id limit 100',
        [after],
      ),
    ))
      yield page.map((l) => [
        l.id,
        l.label,
        l.kit,
        l.family,
        l.lent_on,
        l.due_on,
        l.returned_on,
        l.outcome,
        l.counted === null ? null : countedWords(JSON.parse(l.counted) as PartJson[]),
      ]);
  },
};

export const countRows: Kind<CountValue> = {
  columns: COLUMNS.counts.all,
  required: COLUMNS.counts.required,
  read(cells, known) {
    const id = numberIn(cells, 'count');
    const kit = kitIn(cells, known);
    const countedOn = dayIn(cells, 'counted_on', known);
    const loanId = cells.whole('loan') ?? null;
    if (loanId !== null && !known.loans.has(loanId))
      cells.fault('loan', 'expected the number of a loan that is here, or nothing for a count between loans');
    const parts = kit && countedIn(cells, 'counted', kit.parts);
    if (kit && parts === undefined && cells.faults === 0)
      cells.fault('counted', 'is missing; expected counts like “8 of 8 Cap”');
    const outcome = cells.oneOf('outcome', COUNT_OUTCOMES) ?? 'shelve';
    if (cells.faults > 0) return null;
    return { id, kitId: kit!.id, loanId, countedOn: countedOn!, parts: parts!, outcome };
  },
  key: (c) => (c.id === null ? null : String(c.id)),
  exists: (c, known) => c.id !== null && known.counts.has(c.id),
  async *pages(em) {
    interface Row {
      id: number;
      label: string;
      kit: string;
      counted_on: string;
      loan: number | null;
      family: string | null;
      parts: string;
      outcome: string;
    }
    for await (const page of paged((after) =>
      rows<Row>(
        em,
        'select n.id, k.label, coalesce(bundle.name, d.name) as kit, n.counted_on, n.loan_id as loan, b.name as family, n.parts, n.outcome from "count" n join kit k on k.id = n.kit_id join design d on d.id = k.design_id left join bundle on bundle.id = k.bundle_id left join loan l on l.id = n.loan_id left join borrower b on b.id = l.borrower_id where n.id > ? order by n.id limit 100',
        [after],
      ),
    ))
      yield page.map((n) => [
        n.id,
        n.label,
        n.kit,
        n.counted_on,
        n.loan,
        n.family,
        countedWords(JSON.parse(n.parts) as PartJson[]),
        n.outcome,
      ]);
  },
};

export const eventRows: Kind<EventValue> = {
  columns: COLUMNS.events.all,
  required: COLUMNS.events.required,
  read(cells, known) {
    const id = numberIn(cells, 'event');
    const kit = kitIn(cells, known);
    const on = dayIn(cells, 'on', known);
    const [what, by, why] = [cells.words('what'), cells.words('by'), cells.words('why')];
    if (what === '') cells.fault('what', 'is missing; expected what was done, like cleaned');
    for (const [column, words, most] of [
      ['what', what, 80],
      ['by', by, 80],
      ['why', why, 200],
    ] as const)
      if (words.length > most) cells.fault(column, `may have at most ${most} characters`);
    if (cells.faults > 0) return null;
    return { id, kitId: kit!.id, on: on!, what, by, why };
  },
  key: (e) => (e.id === null ? null : String(e.id)),
  exists: (e, known) => e.id !== null && known.events.has(e.id),
  async *pages(em) {
    interface Row {
      id: number;
      label: string;
      kit: string;
      on: string;
      what: string;
      by: string;
      why: string;
    }
    for await (const page of paged((after) =>
      rows<Row>(
        em,
        'select e.id, k.label, coalesce(bundle.name, d.name) as kit, e.done_on as "on", e.what, e.done_by as "by", e.why from kit_event e join kit k on k.id = e.kit_id join design d on d.id = k.design_id left join bundle on bundle.id = k.bundle_id where e.id > ? order by e.id limit 100',
        [after],
      ),
    ))
      yield page.map((e) => [e.id, e.label, e.kit, e.on, e.what, e.by, e.why]);
  },
};
