import { z } from 'zod';

/** Fingers of a hand from the thumb on. */
export const FINGERS = ['thumb', 'first', 'middle', 'ring', 'little'] as const;
export type Finger = (typeof FINGERS)[number];

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
  /** Across the knuckles, without the thumb, mm. */
  breadth: mm(20, 130),
  /** Each finger from its tip to where it leaves the hand, mm. */
  fingers: z
    .strictObject(
      Object.fromEntries(FINGERS.map((f) => [f, mm(10, 120)])) as Record<Finger, ReturnType<typeof mm>>,
    )
    .optional(),
  /** Round the first finger, mm. */
  finger: mm(25, 90),
  side: z.enum(SIDES, { error: `expected one of ${SIDES.join(', ')}` }),
  oneHanded: z.boolean({ error: 'expected true or false' }),
});
export type Hand = z.infer<typeof hand>;
