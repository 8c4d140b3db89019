import type { Step } from '../patterns/kernel.ts';

/** Minutes of a step for so many kits at one go: set up once, and for each; none where no kit is made. */
export const minutesOf = (step: Pick<Step, 'setUp' | 'perCopy'>, kits: number): number =>
  kits > 0 ? step.setUp + step.perCopy * kits : 0;

/** Minutes of adults for so many kits; what a child does is not counted. */
export const adultMinutes = (
  steps: readonly Pick<Step, 'setUp' | 'perCopy' | 'who'>[],
  kits: number,
): number => steps.reduce((n, s) => n + (s.who === 'child' ? 0 : minutesOf(s, kits)), 0);
