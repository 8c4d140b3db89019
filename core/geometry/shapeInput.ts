import { z } from 'zod';
import { area, selfCrossing } from './polygon.ts';

/** Nothing on a kitchen table is larger; the limit keeps the arithmetic far from its edges. */
const LARGEST_SIZE = 5000;
/** A millionth of a millimetre: nothing is measured finer, and squares of it are still numbers. */
export const SMALLEST_SIZE = 1e-6;
/** A traced outline of a real thing needs far fewer; more is a mistake or an attack. */
const MOST_CORNERS = 400;

/** A size in mm: from a millionth to 5,000. */
export const size = z
  .number({
    error: (i) =>
      i.input === undefined ? 'is missing; expected a size in mm' : 'expected a size in mm as a number',
  })
  .positive({ error: 'must be more than 0 mm', abort: true })
  .min(SMALLEST_SIZE, `must be at least ${SMALLEST_SIZE.toFixed(6)} mm`)
  .max(LARGEST_SIZE, `must be at most ${LARGEST_SIZE} mm`);

const coordinate = z
  .number({ error: 'expected a coordinate in mm as a number' })
  .min(-LARGEST_SIZE, `must be at least −${LARGEST_SIZE} mm`)
  .max(LARGEST_SIZE, `must be at most ${LARGEST_SIZE} mm`);

/** A closed outline in mm: 3 to 400 corners, not crossing itself, the last corner joined to the first. */
export const outline = z
  .array(z.tuple([coordinate, coordinate], { error: 'expected a corner as [x, y] in mm' }), {
    error: 'expected a list of corners [x, y] in mm',
  })
  .min(3, 'needs at least 3 corners')
  .max(MOST_CORNERS, `may have at most ${MOST_CORNERS} corners`)
  .superRefine((points, ctx) => {
    if (points.length < 3 || points.length > MOST_CORNERS) return;
    const crossing = selfCrossing(points);
    if (crossing)
      ctx.addIssue({
        code: 'custom',
        message: `crosses itself: side ${crossing[0] + 1} meets side ${crossing[1] + 1}; expected a simple outline`,
      });
    else if (area(points) < 1e-6) ctx.addIssue({ code: 'custom', message: 'encloses no area' });
  });

/**
 * What a piece is to the gauge: a simple solid, all sizes in mm. `ellipsoid` takes full axes; `sheet` is a flat
 * outline of one thickness. A `ring`'s hole never lets it into or through anything a disc could not.
 */
export const shape = z.discriminatedUnion(
  'kind',
  [
    z.strictObject({ kind: z.literal('sphere'), diameter: size }),
    z.strictObject({ kind: z.literal('box'), length: size, width: size, height: size }),
    z.strictObject({ kind: z.literal('cylinder'), diameter: size, length: size }),
    z
      .strictObject({ kind: z.literal('ring'), outerDiameter: size, innerDiameter: size, height: size })
      .refine((r) => r.innerDiameter < r.outerDiameter, {
        path: ['innerDiameter'],
        message: 'must be less than outerDiameter',
      }),
    z.strictObject({ kind: z.literal('cone'), baseDiameter: size, height: size }),
    z.strictObject({ kind: z.literal('ellipsoid'), length: size, width: size, height: size }),
    z.strictObject({ kind: z.literal('sheet'), outline, thickness: size }),
  ],
  { error: 'expected one of sphere, box, cylinder, ring, cone, ellipsoid, sheet' },
);
export type Shape = z.infer<typeof shape>;
