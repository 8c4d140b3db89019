import { z } from 'zod';
import { measure, oneOf, wholeNumber } from '../dialKinds.ts';

const FRAMES = ['star', 'twig', 'loom'] as const;
const COURSES = ['spiral', 'rings'] as const;

export const dials = z.strictObject({
  frame: oneOf(FRAMES),
  /** Sticks crossed in the middle; each makes two arms. */
  sticks: wholeNumber('a number of sticks', 2, 6),
  /** Length of an arm, from the middle or from the fork, mm. */
  arm: measure('mm', 30, 600),
  /** Between the two arms of a forked twig. */
  angle: measure('degrees', 15, 120),
  /** From the middle or the fork to the first crossing, mm. */
  first: measure('mm', 3, 200),
  /** From one round or row to the next, mm. */
  spacing: measure('mm', 1, 40),
  rounds: wholeNumber('a number of rounds', 1, 200),
  /** Turns round an arm at each crossing. */
  wraps: wholeNumber('turns round an arm', 0, 4),
  course: oneOf(COURSES),
  slots: wholeNumber('a number of slots', 3, 41),
  /** From one slot to the next, mm. */
  pitch: measure('mm', 4, 30),
  /** Height of the loom, mm. */
  height: measure('mm', 60, 400),
  /** Stems, ribbons or feathers woven in upright. */
  stems: wholeNumber('a number of stems', 0, 12),
  /** Thread that hangs free while it is worked; the rest is on a bobbin. mm. */
  free: measure('mm', 100, 600),
});
export type Dials = z.infer<typeof dials>;
