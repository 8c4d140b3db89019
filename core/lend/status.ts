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

/** Where a kit can stand, in the order in which that is decided: where several hold, the first counts. */
export const STANDINGS = [
  'late',
  'out',
  'retired',
  'recalled',
  'repair',
  'to clean',
  'resting',
  'in',
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

/** When each holds, whatever else does. */
const HOLDS: Readonly<Record<Standing, (kit: Stands, today: Day) => boolean>> = {
  late: ({ openLoan }, today) => openLoan !== null && openLoan.dueOn < today,
  out: ({ openLoan }) => openLoan !== null,
  retired: ({ retiredOn }) => retiredOn !== null,
  recalled: ({ recalled }) => recalled !== null,
  repair: ({ repair }) => repair,
  'to clean': ({ toClean }) => toClean,
  resting: ({ restsUntil }, today) => restsUntil !== null && restsUntil > today,
  in: () => true,
};

/** Where a copy stands today; derived from facts, never kept. */
export function standing(kit: Stands, today: Day): { standing: Standing; daysLate: number } {
  const stands = STANDINGS.find((s) => HOLDS[s](kit, today))!;
  return { standing: stands, daysLate: stands === 'late' ? daysBetween(kit.openLoan!.dueOn, today) : 0 };
}

/** Where a kit would stand if nobody had it: what keeps it from being lent again. */
export const standingAtHome = (kit: Omit<Stands, 'openLoan'>, today: Day): Standing =>
  standing({ ...kit, openLoan: null }, today).standing;

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
