import { z } from 'zod';

const mm = (least: number, most: number) =>
  z
    .number({ error: 'expected mm' })
    .min(least, `must be at least ${least} mm`)
    .max(most, `must be at most ${most} mm`)
    .optional();

export const SIDES = ['right', 'left', 'not settled'] as const;

/** A child's hand and reach as they were measured; what was not measured is left out. */
export const hand = z.strictObject({
  /** From the tip of the thumb to the tip of the little finger, spread, mm. */
  span: mm(40, 250),
  /** How far thumb and first finger open to take hold, mm. */
  opening: mm(10, 160),
  /** Pinch between thumb and side of the first finger, N. */
  force: z
    .number({ error: 'expected N' })
    .positive('must be more than 0 N')
    .max(200, 'must be at most 200 N')
    .optional(),
  /** From the shoulder to the fist, sitting at the table, mm. */
  reach: mm(100, 900),
  /** Height standing, mm. */
  standing: mm(500, 1900),
  /** Round the first finger, mm. */
  finger: mm(25, 90),
  side: z.enum(SIDES, { error: `expected one of ${SIDES.join(', ')}` }),
  oneHanded: z.boolean({ error: 'expected true or false' }),
});
export type Hand = z.infer<typeof hand>;
