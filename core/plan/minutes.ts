import type { Step } from '../patterns/kernel.ts';
import type { OwnTimes } from './ownMinutes.ts';

/** By how much a place's own minutes of a step differ from the usual; 1 where it has timed none. */
export type OwnFactor = (step: string) => number;
const AS_USUAL: OwnFactor = () => 1;

/** The own minutes of one pattern, out of those of the place by pattern and step, as in `lace punch`. */
export const ownFactor =
  (own: OwnTimes, pattern: string): OwnFactor =>
  (step) =>
    own[`${pattern} ${step}`]?.factor ?? 1;

/**
 * Minutes of a step for so many kits at one go: set up once, and for each; none where no kit is made. Whole minutes, as tag, page,
 * paper and plan all show them, so that what stands there adds up.
 *
 * @param factor by how much the place's own minutes differ from the usual
 */
export const minutesOf = (step: Pick<Step, 'setUp' | 'perCopy'>, kits: number, factor = 1): number =>
  kits > 0 ? Math.max(1, Math.round(factor * (step.setUp + step.perCopy * kits))) : 0;

/** Minutes of adults for so many kits; what a child does is not counted. */
export const adultMinutes = (
  steps: readonly Pick<Step, 'id' | 'setUp' | 'perCopy' | 'who'>[],
  kits: number,
  own: OwnFactor = AS_USUAL,
): number => steps.reduce((n, s) => n + (s.who === 'child' ? 0 : minutesOf(s, kits, own(s.id))), 0);
