import { daysBetween, type Day } from '../calendar/days.ts';

/** A counted part of a copy: how many belong, how many were there at the last count. */
export interface Part {
  readonly materialId: number | null;
  readonly name: string;
  readonly due: number;
  readonly present: number;
  /** Of those that are short at a count: there, but not fit for use any more. */
  readonly spoiled?: number | undefined;
  /** How many belonged and were written off; one that turns up belongs again. */
  readonly writtenOff?: number | undefined;
}

/** What is done about parts that are short at a count. */
export const COUNT_OUTCOMES = ['shelve', 'fill', 'repair', 'write off', 'ask back'] as const;
export type CountOutcome = (typeof COUNT_OUTCOMES)[number];

export const STANDINGS = [
  'in',
  'out',
  'late',
  'recalled',
  'repair',
  'to clean',
  'resting',
  'retired',
] as const;
export type Standing = (typeof STANDINGS)[number];

/** What of a copy says where it stands. */
export interface Stands {
  readonly repair: boolean;
  /** It came back and was not cleaned yet. */
  readonly toClean: boolean;
  /** First day that it may be lent again; null where nothing of it has to rest. */
  readonly restsUntil: Day | null;
  readonly retiredOn: Day | null;
  /** Why its design is called back; null where it is not. */
  readonly recalled: string | null;
  readonly openLoan: { readonly dueOn: Day } | null;
}

/** Where a copy stands today; derived from facts, never kept. */
export function standing(copy: Stands, today: Day): { standing: Standing; daysLate: number } {
  if (copy.openLoan) {
    const daysLate = Math.max(0, daysBetween(copy.openLoan.dueOn, today));
    return { standing: daysLate > 0 ? 'late' : 'out', daysLate };
  }
  const here = (s: Standing): { standing: Standing; daysLate: number } => ({ standing: s, daysLate: 0 });
  if (copy.retiredOn !== null) return here('retired');
  if (copy.recalled !== null) return here('recalled');
  if (copy.repair) return here('repair');
  if (copy.toClean) return here('to clean');
  return here(copy.restsUntil !== null && copy.restsUntil > today ? 'resting' : 'in');
}

/** Parts short at a count, with how many; `lost` of them are not there at all, the others are spoiled. */
export const missing = (parts: readonly Part[]): { part: Part; short: number; lost: number }[] =>
  parts
    .filter((p) => p.present < p.due)
    .map((part) => ({
      part,
      short: part.due - part.present,
      lost: part.due - part.present - (part.spoiled ?? 0),
    }));

/** Parts after those that are short were written off: fewer belong, and how many fewer is kept. */
export const writtenOff = <P extends Part>(parts: readonly P[]): P[] =>
  parts.map(({ spoiled: _, ...p }) =>
    p.present < p.due
      ? { ...p, due: p.present, writtenOff: (p.writtenOff ?? 0) + p.due - p.present }
      : { ...p },
  ) as P[];
