import { z } from 'zod';
import { SMALLEST_SIZE } from '../geometry/shapeInput.ts';

/** One thing the hand must do. Distances in mm. */
export const move = z
  .strictObject({
    /** How far the hand travels. */
    distance: z
      .number({ error: 'expected a distance in mm' })
      .positive('must be more than 0')
      .max(1e6, 'must be at most 1,000,000'),
    /** How far off it may land: a gap, a width. */
    tolerance: z
      .number({ error: 'expected a tolerance in mm' })
      .positive({ error: 'must be more than 0', abort: true })
      .min(SMALLEST_SIZE, `must be at least ${SMALLEST_SIZE.toFixed(6)} mm`)
      .max(1e6, 'must be at most 1,000,000'),
    /** Equally likely choices, 1 when there is nothing to choose. */
    choices: z
      .number({ error: 'expected a number of choices' })
      .int('must be a whole number')
      .min(1, 'must be at least 1')
      .max(1e6)
      .optional(),
    /** Ways to hold the piece, and how many of them go in. */
    ways: z
      .number({ error: 'expected a number of ways' })
      .int('must be a whole number')
      .min(1, 'must be at least 1')
      .max(1e6)
      .optional(),
    waysIn: z
      .number({ error: 'expected a number of ways in' })
      .int('must be a whole number')
      .min(1, 'must be at least 1')
      .max(1e6)
      .optional(),
  })
  .refine((m) => m.waysIn === undefined || m.waysIn <= (m.ways ?? 1), {
    path: ['waysIn'],
    message: 'must be at most ways',
  });
export type Move = z.infer<typeof move>;

/**
 * Bits one move asks of a hand: log2(2A/W) for the reach (Fitts 1954), log2 n for a choice among n (Hick 1952, Hyman
 * 1953), log2(K/k) for finding one of k ways in among K. A target wider than twice the way asks nothing: never below 0.
 */
export function bitsOf(m: Move): number {
  const reach = Math.max(0, Math.log2((2 * m.distance) / m.tolerance));
  return reach + Math.log2(m.choices ?? 1) + Math.log2((m.ways ?? 1) / (m.waysIn ?? 1));
}

/** Bits of each move and their sum. */
export function challenge(moves: readonly Move[]): { bits: number[]; total: number } {
  const bits = moves.map(bitsOf);
  return { bits, total: bits.reduce((a, b) => a + b, 0) };
}
