import type { Material } from '../materials/material.ts';

/** What became of one kind of piece in one kit: how many belong to it, and at each return what was missing and filled. */
export interface PartPast {
  readonly due: number;
  /** In order; missing counts from what belongs to it. */
  readonly returns: readonly { readonly missing: number; readonly filled: number }[];
}

/** Loans that each piece was in use for, and whether it was lost at the end of them or is still there. */
export interface Lifetimes {
  readonly times: readonly number[];
  readonly events: readonly boolean[];
  /** Pieces that were lost, and loans of one piece that were seen. */
  readonly lost: number;
  readonly loans: number;
}

/**
 * Lives of pieces in loans, from the counts of kits. Pieces of one kind are alike, so which of them was lost nobody knows:
 * it counts as the one that was longest in use. What was there at the last count is still in use.
 */
export function lifetimesOf(kits: readonly PartPast[]): Lifetimes {
  const times: number[] = [];
  const events: boolean[] = [];
  let loans = 0;
  for (const { due, returns } of kits) {
    let ages = Array.from({ length: due }, () => 0);
    for (const { missing, filled } of returns) {
      loans += ages.length;
      ages = ages.map((a) => a + 1).sort((a, b) => b - a);
      const gone = Math.max(0, Math.min(ages.length, missing - (due - ages.length)));
      for (const age of ages.slice(0, gone)) {
        times.push(age);
        events.push(true);
      }
      ages = [...ages.slice(gone), ...Array.from({ length: Math.min(filled, missing) }, () => 0)];
    }
    for (const age of ages.filter((a) => a > 0)) {
      times.push(age);
      events.push(false);
    }
  }
  return { times, events, lost: events.filter(Boolean).length, loans };
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
  seen?: { readonly lost: number; readonly loans: number },
): number {
  const { shape, rate } = priorOf(materialClass);
  return (shape + (seen?.lost ?? 0)) / (rate + (seen?.loans ?? 0));
}
