import { bitsOf, type Move } from './bits.ts';

/** What a level asks of a child beside aim and choice. What is left out asks nothing more than usual. */
export interface Beside {
  /** Hands that do different things at once. */
  readonly hands?: 1 | 2;
  /** Force of the hand, N. */
  readonly force?: number;
  /** Steps that have to be kept in mind in their order. */
  readonly remember?: number;
  /** Things that have to be kept in view at once. */
  readonly attend?: number;
}

/** Parts of a load, each in its own measure turned into bits, easy to hard; `total` orders a ladder. */
export interface Load {
  /** The reach: log2(2A/W) of each move (Fitts 1954). */
  readonly aim: number;
  /** Which one, and which way round: log2 n (Hick 1952, Hyman 1953) and log2(K/k). */
  readonly choice: number;
  readonly hands: number;
  readonly force: number;
  readonly remember: number;
  readonly attend: number;
  readonly total: number;
}

/** What any three-year-old's pinch gives without a thought, N; each doubling over it counts one (our own scale). */
const LIGHT = 5;
/** A second hand that does something else counts as much as a choice between two (our own scale). */
const OTHER_HAND = 1;

/**
 * How demanding something is. Only levels of one pattern may be compared by it: what is beside aim and choice is on a scale
 * of our own, which orders a ladder and measures no child.
 *
 * @example loadOf([{ distance: 100, tolerance: 25 }], { hands: 2, remember: 4 }).total // => 6
 */
export function loadOf(moves: readonly Move[], beside: Beside = {}): Load {
  const aim = moves.reduce((n, m) => n + bitsOf({ distance: m.distance, tolerance: m.tolerance }), 0);
  const choice = moves.reduce((n, m) => n + bitsOf(m), 0) - aim;
  const hands = beside.hands === 2 ? OTHER_HAND : 0;
  const force = Math.max(0, Math.log2((beside.force ?? 0) / LIGHT));
  const remember = Math.log2(Math.max(1, beside.remember ?? 1));
  const attend = Math.log2(Math.max(1, beside.attend ?? 1));
  return {
    aim,
    choice,
    hands,
    force,
    remember,
    attend,
    total: aim + choice + hands + force + remember + attend,
  };
}

/** Two levels nearer than this are one, bits. */
export const APART = 0.3;
/**
 * Levels from easy to hard, each at least `APART` harder than the one before. Of two that are nearer, the one that was named
 * first stays.
 */
export function apart<T extends { readonly load: Load }>(levels: readonly T[]): T[] {
  const out: T[] = [];
  for (const l of levels)
    if (out.every((kept) => Math.abs(kept.load.total - l.load.total) >= APART - 1e-9)) out.push(l);
  return out.sort((a, b) => a.load.total - b.load.total);
}
