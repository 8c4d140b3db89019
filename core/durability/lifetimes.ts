import type { Material } from '../materials/material.ts';

/** What became of one kind of piece in one kit: how many belong to it, and at each return what was missing and filled. */
export interface PartPast {
  readonly due: number;
  /** In order; missing counts from what belongs to it, and of those so many were there and spoiled. */
  readonly returns: readonly {
    readonly missing: number;
    readonly spoiled?: number;
    readonly filled: number;
  }[];
}

/** How a piece went: it was not there, or it was there and spoiled. */
export type Cause = 'lost' | 'worn';

/** Loans that each piece was in use for, and how it went at the end of them; null where it is still there. */
export interface Lifetimes {
  readonly times: readonly number[];
  readonly causes: readonly (Cause | null)[];
  /** Pieces that were lost, that wore out, and loans of one piece that were seen. */
  readonly lost: number;
  readonly worn: number;
  readonly loans: number;
}

/** Share of a turn after which the next is farthest from all before: no age is lost more often than another. */
const GOLDEN = (Math.sqrt(5) - 1) / 2;

/**
 * Lives of pieces in loans, from the counts of kits. Pieces of one kind are alike, so nobody knows which of them went: a
 * spoiled one counts as the one longest in use, a lost one as any of them, each age equally often. What was there at the
 * last count is still in use.
 */
export function lifetimesOf(kits: readonly PartPast[]): Lifetimes {
  const times: number[] = [];
  const causes: (Cause | null)[] = [];
  let [loans, turn] = [0, 0];
  for (const { due, returns } of kits) {
    let ages = Array.from({ length: due }, () => 0);
    for (const { missing, spoiled = 0, filled } of returns) {
      loans += ages.length;
      ages = ages.map((a) => a + 1).sort((a, b) => b - a);
      const gone = Math.max(0, Math.min(ages.length, missing - (due - ages.length)));
      const worn = Math.min(gone, spoiled);
      const went = (at: number, cause: Cause): void => {
        times.push(...ages.splice(at, 1));
        causes.push(cause);
      };
      for (let i = 0; i < worn; i++) went(0, 'worn');
      for (let i = worn; i < gone; i++) went(Math.floor(((++turn * GOLDEN) % 1) * ages.length), 'lost');
      ages = [...ages, ...Array.from({ length: Math.min(filled, missing) }, () => 0)];
    }
    for (const age of ages.filter((a) => a > 0)) {
      times.push(age);
      causes.push(null);
    }
  }
  const of = (cause: Cause): number => causes.filter((c) => c === cause).length;
  return { times, causes, lost: of('lost'), worn: of('worn'), loans };
}

/**
 * How often a piece of a class is lost or worn a loan, before anything was seen: shape over rate, with the weight of `rate`
 * loans (common practice; no published figures are known).
 */
export const PRIORS: Readonly<Record<'washed' | 'card' | 'grown', { shape: number; rate: number }>> = {
  washed: { shape: 1, rate: 60 },
  card: { shape: 1, rate: 15 },
  grown: { shape: 1, rate: 8 },
};

const CARD: readonly Material['materialClass'][] = ['card', 'paper', 'fabric'];
const GROWN: readonly Material['materialClass'][] = ['food', 'plant'];
/** The stated prior of a material's class. */
export const priorOf = (
  materialClass: Material['materialClass'],
): { shape: number; rate: number; kind: keyof typeof PRIORS } => {
  const kind = GROWN.includes(materialClass) ? 'grown' : CARD.includes(materialClass) ? 'card' : 'washed';
  return { ...PRIORS[kind], kind };
};

/** Losses of one piece in one loan: what was seen here, with the prior of its class as so many loans seen before (Gamma–Poisson mean). */
export function lossesALoan(
  materialClass: Material['materialClass'],
  seen?: { readonly lost: number; readonly worn?: number; readonly loans: number },
): number {
  const { shape, rate } = priorOf(materialClass);
  return (shape + (seen?.lost ?? 0) + (seen?.worn ?? 0)) / (rate + (seen?.loans ?? 0));
}
