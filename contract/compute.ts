import { z } from 'zod';
import { move } from '../core/challenge/bits.ts';
import { smallPartsAnswer } from '../core/gauge/smallParts.ts';
import { shape } from '../core/geometry/shapeInput.ts';
import { opening } from '../core/passage/opening.ts';
import { passageAnswer } from '../core/passage/passage.ts';
import { cutLengthsRequest } from '../core/cut/lengths.ts';
import { cutSheetsRequest } from '../core/cut/sheets.ts';
import { size } from '../core/geometry/shapeInput.ts';
import { materialInput } from '../core/materials/materialInput.ts';
import { outlinePoints } from '../core/outline/outline.ts';
import { APPROACHES } from '../core/patterns/kernel.ts';
import { packingRequest } from '../core/packing/problem.ts';
import { choiceRequest } from '../core/plan/choice.ts';
import { criticalPathRequest } from '../core/plan/criticalPath.ts';
import { scheduleRequest } from '../core/plan/schedule.ts';
import { raschRequest } from '../core/watch/rasch.ts';
import { purchaseAnswer, purchaseRequest } from '../core/price/purchase.ts';

export const smallPartsRequest = z.strictObject({ shape });
export const passageRequest = z.strictObject({ piece: shape, opening });
export const challengeRequest = z.strictObject({
  moves: z
    .array(move, { error: 'expected a list of moves' })
    .min(1, 'expected at least one move')
    .max(1000, 'may have at most 1,000 moves'),
});
export const challengeAnswer = z.object({ bits: z.array(z.number()), total: z.number() });
export { criticalPathRequest, raschRequest, scheduleRequest };
export { choiceRequest, cutLengthsRequest, cutSheetsRequest, packingRequest };

const shelfId = z.number({ error: 'expected the number of a material' }).int().positive();
/** Points at equal steps along an outline; open ones have a point at either end. */
export const pointsRequest = z
  .strictObject({
    outline: z
      .array(z.tuple([z.number().min(-1e6).max(1e6), z.number().min(-1e6).max(1e6)]), {
        error: 'expected a list of points [x, y]',
      })
      .min(2, 'expected at least 2 points')
      .max(5000, 'may have at most 5,000 points'),
    count: z
      .number({ error: 'expected a number of points' })
      .int('expected a whole number')
      .min(1, 'must be at least 1')
      .max(5000, 'must be at most 5,000'),
    closed: z.boolean({ error: 'expected true or false' }),
  })
  .refine((r) => r.closed || r.count >= 2, {
    path: ['count'],
    message: 'must be at least 2 for an open line: both ends are points',
  });
export const slitRequest = z.strictObject({ slit: size, rodDiameter: size });
/** Dots in an outline or in a circle. */
export const dotsRequest = z
  .strictObject({
    outline: outlinePoints.optional(),
    diameter: size.optional(),
    dot: size,
    gap: z
      .number({ error: 'expected mm' })
      .min(0, 'must not be negative')
      .max(1000, 'must be at most 1,000 mm'),
  })
  .refine((r) => (r.outline === undefined) !== (r.diameter === undefined), {
    path: ['outline'],
    message: 'expected either an outline or a diameter',
  });
const whole = (what: string, from: number, to: number) =>
  z
    .number({ error: `expected ${what}` })
    .int('expected a whole number')
    .min(from, `must be at least ${from}`)
    .max(to, `must be at most ${to}`);
export const ellipseRequest = z.strictObject({ fullAxis1: size, fullAxis2: size });
/** A thread wound round spokes at equal angles. */
export const webRequest = z.strictObject({
  spokes: whole('a number of spokes', 2, 100),
  rounds: whole('a number of rounds', 1, 1000),
  firstRadius: size,
  spacing: size,
  wraps: whole('turns round a spoke', 0, 20),
  section: z.discriminatedUnion(
    'kind',
    [
      z.strictObject({ kind: z.literal('round'), diameter: size }),
      z.strictObject({ kind: z.literal('flat'), width: size, thickness: size }),
      z.strictObject({ kind: z.literal('oval'), width: size, thickness: size }),
    ],
    { error: 'expected a round, flat or oval section' },
  ),
  course: z.enum(['rings', 'spiral'], { error: 'expected rings or spiral' }),
});
export const staplesRequest = z.strictObject({ rimDiameter: size, smallestFiller: size, stapleWidth: size });
export const halvingRequest = z.strictObject({
  width: size,
  height: size,
  thickness: size,
  times: whole('how often it is halved', 0, 30),
});
/** A design that is asked about without being kept. */
export const patternRequest = z.strictObject({
  pattern: z.string({ error: 'expected a pattern' }).max(40, 'expected the name of a pattern'),
  dials: z.record(z.string(), z.unknown(), { error: 'expected the dials' }).optional(),
  materials: z
    .record(
      z.string().max(40),
      z
        .array(
          z.union([shelfId, z.string().max(40), materialInput], {
            error: 'expected the number of a material, a key of the catalogue, or a whole material',
          }),
          { error: 'expected a list of materials' },
        )
        .max(12, 'may have at most 12 kinds'),
      { error: 'expected materials by role' },
    )
    .optional(),
  approach: z.enum(APPROACHES, { error: `expected one of ${APPROACHES.join(', ')}` }).optional(),
  ageFrom: z
    .number({ error: 'expected an age in months' })
    .int('expected whole months')
    .min(0, 'must not be negative')
    .max(216, 'must be at most 216 months')
    .optional(),
});
export { passageAnswer, purchaseAnswer, purchaseRequest, smallPartsAnswer };
