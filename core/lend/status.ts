import { daysBetween, type Day } from '../calendar/days.ts';

/** A counted part of a copy: how many belong, how many were there at the last count. */
export interface Part {
  readonly materialId: number | null;
  readonly name: string;
  readonly due: number;
  readonly present: number;
}

export const STANDINGS = ['in', 'out', 'late', 'repair'] as const;
export type Standing = (typeof STANDINGS)[number];

/** Where a copy stands today; derived from facts, never kept. */
export function standing(
  copy: { repair: boolean; openLoan: { dueOn: Day } | null },
  today: Day,
): { standing: Standing; daysLate: number } {
  if (copy.openLoan) {
    const daysLate = Math.max(0, daysBetween(copy.openLoan.dueOn, today));
    return { standing: daysLate > 0 ? 'late' : 'out', daysLate };
  }
  return { standing: copy.repair ? 'repair' : 'in', daysLate: 0 };
}

/** Parts short at a count, with how many. */
export const missing = (parts: readonly Part[]): { part: Part; short: number }[] =>
  parts.filter((p) => p.present < p.due).map((part) => ({ part, short: part.due - part.present }));
