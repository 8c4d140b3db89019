/** What a hand of an age usually is: half of the children have more, half less. Forces N, lengths mm. */
export interface UsualHand {
  /** Pinch of the thumb against the side of the first finger, N. */
  readonly force: number;
  /** Spread, from the tip of the thumb to the tip of the little finger, mm. */
  readonly span: number;
}

/**
 * By age in months: hand length (mm) and lateral pinch (N), the means of girls and boys and of both hands.
 *
 * @source hand length: Snyder et al., Anthropometry of Infants, Children and Youths to Age 18 (1977); pinch from three to
 *   five: Lee-Valkov et al., J Hand Ther 16 (2003) 22–28; from six: Mathiowetz, Wiemer and Federman, Am J Occup Ther 40
 *   (1986) 705–711. All from memory and rounded; under three nobody has measured many, so that pinch is carried on from three.
 */
const TABLE: readonly (readonly [months: number, length: number, force: number])[] = [
  [18, 92, 10],
  [24, 98, 13],
  [36, 106, 19],
  [48, 114, 25],
  [60, 121, 31],
  [72, 128, 38],
  [96, 141, 50],
];

/** The youngest of whom a pinch was measured, months. */
export const PINCH_FROM = 36;

/** A spread hand is so much wider than it is long (common practice). */
const SPREAD = 1.12;

/**
 * What a hand usually does at an age, between the ages of the table by a straight line, and as at its ends beyond them.
 *
 * @param months of age
 * @example usualHand(48) // => { force: 25, span: 128 }
 */
export function usualHand(months: number): UsualHand {
  const i = TABLE.findIndex(([m]) => m >= months);
  const [a, b] =
    i === 0 ? [TABLE[0]!, TABLE[0]!] : i < 0 ? [TABLE.at(-1)!, TABLE.at(-1)!] : [TABLE[i - 1]!, TABLE[i]!];
  const share = a[0] === b[0] ? 0 : (months - a[0]) / (b[0] - a[0]);
  const between = (k: 1 | 2): number => a[k] + share * (b[k] - a[k]);
  return { force: Math.round(between(2)), span: Math.round(SPREAD * between(1)) };
}

/** Under this share of what is usual at the age a pinch is weak (common practice; ask the therapist who measured it). */
const WEAK = 0.6;

/** Whether a measured pinch is weak for the age; one that was not measured is not judged. */
export const isWeak = (hand: { readonly force?: number | undefined }, months: number): boolean =>
  hand.force !== undefined && hand.force < WEAK * usualHand(months).force;
