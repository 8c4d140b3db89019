import { addDays, type Day } from '../../calendar/days.ts';

/** When kits change hands: every `every` weeks from the first day on; each stays for `stays` weeks, or to the end of the term. */
export interface TermShape {
  readonly from: Day;
  readonly weeks: number;
  readonly every: number;
  readonly stays: number;
  /** Weeks in which nobody is there (0 is the first): nothing is handed over, and nothing is due. */
  readonly closed?: readonly number[];
}

/** One labelled kit as a plan sees it. Kits of one `kind` are alike. */
export interface TermKit {
  readonly kitId: number;
  readonly label: string;
  readonly kind: string;
  readonly name: string;
  readonly designs: readonly number[];
  /** First day on which it can be lent: back, clean and rested. */
  readonly freeFrom: Day;
  /** Days from coming back until it is clean and rested. */
  readonly idleDays: number;
  /** Why it is not lent at all; null where it is. */
  readonly notLent: string | null;
  /** Who has it before the term's families, since it is kept for them: `freeFrom` is after that; null where nobody waits. */
  readonly keptFor: string | null;
}

/** What a kind of kit is worth to a family, and why. */
export interface Worth {
  /** Whole points. */
  readonly points: number;
  readonly reason: string;
  /** 0 for what is easy to 1 for what is hard for its children. */
  readonly hardness: number;
  /** Whether it serves the family's aim. */
  readonly isAim: boolean;
  /** Whether the family reserved it. */
  readonly isReserved: boolean;
}

/** A family, or a room, that the plan is for. */
export interface TermBorrower {
  readonly id: number;
  readonly name: string;
  /** Designs that it had before, by what each is called. */
  readonly had: ReadonlySet<number>;
  /** Kinds that are not for it, with why: an allergy, or the youngest at home. */
  readonly against: ReadonlyMap<string, string>;
  /** Kinds that it reserved, with the day: it has them before those who did not, and again where it had them before. */
  readonly waitsFor: ReadonlyMap<string, Day>;
  readonly worth: ReadonlyMap<string, Worth>;
}

/** A kit for a family from a week on (0 is the first). `kept`: set by hand, and left where it is by the next planning. */
export interface TermEntry {
  readonly borrowerId: number;
  readonly week: number;
  readonly kitId: number;
  readonly kept: boolean;
  /** Given on purpose though the family had it before. */
  readonly again?: boolean | undefined;
}

export interface TermProblem {
  readonly shape: TermShape;
  readonly kits: readonly TermKit[];
  readonly borrowers: readonly TermBorrower[];
  /** Places of the plan that are over, by `placeKey`: lent as planned, or not lent and past. */
  readonly settled?: ReadonlyMap<string, 'lent' | 'missed'>;
}
export const placeKey = (e: Pick<TermEntry, 'borrowerId' | 'week'>): string => `${e.borrowerId} ${e.week}`;

/** Weeks in which kits change hands: those that are closed are left out. */
export const termStarts = ({ weeks, every, closed = [] }: TermShape): number[] =>
  Array.from({ length: Math.ceil(weeks / every) }, (_, i) => i * every).filter((w) => !closed.includes(w));

export const startDay = ({ from }: TermShape, week: number): Day => addDays(from, 7 * week);
/** The day that a kit lent in a week is due: at the end of its stay, in the first week that is open, or at the end of the term. */
export function dueDay({ from, weeks, stays, closed = [] }: TermShape, week: number): Day {
  let due = week + stays;
  while (due < weeks && closed.includes(due)) due++;
  return addDays(from, 7 * Math.min(due, weeks));
}
/** The first day on which a kit lent in a week can go on. */
export const freeAfter = (shape: TermShape, week: number, idleDays: number): Day =>
  addDays(dueDay(shape, week), idleDays);

/** Points for a family's first kit, second kit, …: whoever has fewest comes first, whatever else a kit is worth. */
const STEP = 1000;
export const servedPoints = (rounds: number, nth: number): number => STEP * Math.max(1, rounds - nth + 1);
/** At most so many points for a kit at the first change of hands rather than at the last: nobody waits for nothing. */
const SOON = 12;
/** The same for what the family waits for. */
const RESERVED_SOON = 100;
/** At most so many for giving what is harder later; less, so that no place stays empty for it. */
const LATER = 10;
export const placePoints = (
  { hardness, isReserved }: Pick<Worth, 'hardness' | 'isReserved'>,
  at: number,
  rounds: number,
): number => {
  const late = rounds > 1 ? at / (rounds - 1) : 0;
  return Math.round((isReserved ? RESERVED_SOON : SOON) * (1 - late) + LATER * hardness * late);
};

/** Families that have a kind of kit before a family that did not reserve it: those that did and that it is for. */
export const firstInLine = (
  borrowers: readonly TermBorrower[],
  kind: string,
  borrower: TermBorrower,
): TermBorrower[] =>
  borrower.waitsFor.has(kind)
    ? []
    : borrowers.filter((b) => b.waitsFor.has(kind) && !b.against.has(kind) && b.worth.has(kind));

/** Whether a family had something of a kind before, and did not ask for it again. */
export const isNotNew = (
  { kind, designs }: Pick<TermKit, 'kind' | 'designs'>,
  { had, waitsFor }: Pick<TermBorrower, 'had' | 'waitsFor'>,
): boolean => !waitsFor.has(kind) && designs.some((d) => had.has(d));

/** What a plan is worth, points: the fewest served first, then what suits whom, then easier before harder. */
export function pointsOf(problem: TermProblem, entries: readonly TermEntry[]): number {
  const { shape, kits, borrowers, settled } = problem;
  const starts = termStarts(shape);
  const kindOf = new Map(kits.map((k) => [k.kitId, k.kind]));
  let points = 0;
  for (const b of borrowers) {
    const own = entries.filter((e) => e.borrowerId === b.id && settled?.get(placeKey(e)) !== 'missed');
    own.forEach((e, i) => {
      const worth = b.worth.get(kindOf.get(e.kitId) ?? '');
      points += servedPoints(starts.length, i + 1);
      if (worth) points += worth.points + placePoints(worth, starts.indexOf(e.week), starts.length);
    });
  }
  return points;
}
