import { z } from 'zod';
import type { Container } from '../fit/container.ts';
import { allRotations, axisDirections, onlyThis, type Patch } from '../fit/rotations.ts';
import { mostSlack } from '../fit/search.ts';
import { bodyOf, supportPoint, type Body } from '../geometry/body.ts';
import { type Shape } from '../geometry/shape.ts';
import { shape } from '../geometry/shapeInput.ts';
import { applyTransposed, IDENTITY, type Mat3, type Vec3 } from '../geometry/vector.ts';

/** Inside of the small-parts cylinder, mm (16 CFR 1501.4; the same in EN 71-1 and ISO 8124-1; from memory). */
export const SMALL_PARTS_CYLINDER = { diameter: 31.7, shallow: 25.4, deep: 57.1 } as const;

const RADIUS = SMALL_PARTS_CYLINDER.diameter / 2;
const SLOPE = (SMALL_PARTS_CYLINDER.deep - SMALL_PARTS_CYLINDER.shallow) / SMALL_PARTS_CYLINDER.diameter;
const SLANT = Math.sqrt(1 + SLOPE * SLOPE);

/**
 * The gauge about its axis, rim in the plane z = 0, deepest at +x. For a given pose the best height splits the room
 * between rim and slanted bottom evenly, which folds both into one flat limit in x: with slack c,
 * c ≤ −h(z) − tz and c·√(1+k²) ≤ shallow + k·r + k·tx + tz − h(−k, 0, −1) add up to the limit below.
 */
const GAUGE: Container = {
  wallRadius: RADIUS,
  flats: [
    {
      a: [-SLOPE / (1 + SLANT), 0],
      b: (SMALL_PARTS_CYLINDER.shallow + SLOPE * RADIUS) / (1 + SLANT),
      reach: [
        { weight: 1 / (1 + SLANT), direction: [0, 0, 1] },
        { weight: 1 / (1 + SLANT), direction: [-SLOPE, 0, -1] },
      ],
    },
  ],
  mirrored: true,
};

/** What the gauge says of a piece. Lengths in mm. */
export const smallPartsAnswer = z.object({
  /** true: lies wholly inside; false: stands out however it is turned; null: the bounds straddle 0. */
  fits: z.boolean().nullable(),
  /** Most slack found over all poses; negative when it stands out. */
  clearance: z.number(),
  /** The true most slack lies between these. */
  bounds: z.tuple([z.number(), z.number()]),
  /** The pose with that slack: p ↦ rotation · p + position, p about the piece's own centre, rim at z = 0. */
  pose: z.object({
    rotation: z.array(z.number()).length(9).describe('row-major 3 × 3'),
    position: z.tuple([z.number(), z.number(), z.number()]),
  }),
  /** stop: a small part, or not told apart from one; clear: not a small part. */
  verdict: z.enum(['clear', 'stop']),
});
export type SmallPartsAnswer = z.infer<typeof smallPartsAnswer>;

const patchesFor = (body: Body): Patch[] => {
  if (body.symmetry === 'ball') return onlyThis(IDENTITY);
  if (body.symmetry === 'axial') return axisDirections(body.flips, true);
  return allRotations(body.symmetry, true);
};

/** A touch is no gap: closer to 0 than a nanometre the piece counts as lying inside, mm. */
const TOUCH = 1e-6;

/**
 * How far the bounds may lie apart, mm: next to nothing while they straddle 0 (the answer hangs on it), 0.05 within
 * 1 mm of it, and a twentieth of the slack where the answer is plain (1 mm, or a hundredth for large things, at most).
 */
const tolerance = (low: number, high: number, spent: number): number => {
  const near = Math.min(Math.abs(low), Math.abs(high));
  // After a fifth of the work what is left is spent on bounds a reader can use, not on the last digit.
  if (spent > 0.2) return near < 1 || (low < 0 && high >= 0) ? 0.15 : 0.2 * near;
  if (low < -TOUCH && high >= 0) return 0.0005;
  return near < 1 ? 0.05 : Math.min(0.05 * near, Math.max(1, 0.01 * near));
};

/**
 * Does a piece lie wholly inside the small-parts cylinder in any orientation, uncompressed? The signed clearance is
 * the largest, over all rotations and positions, of the smallest distance to wall, rim plane and slanted bottom.
 * Both bounds are certain: the lower is a pose, the upper a proof over every patch of rotations.
 *
 * @param piece sizes in mm
 * @throws ZodError naming the field when the piece is no shape
 * @source 16 CFR 1501.4 (values from memory of the published text)
 */
export function smallParts(piece: Shape): SmallPartsAnswer {
  const body = bodyOf(shape.parse(piece));
  const found = mostSlack({ container: GAUGE, body, patches: patchesFor(body), tolerance });
  const touching = Math.abs(found.low) < TOUCH;
  const low = touching ? 0 : found.low;
  const high = Math.max(low, found.high);
  const fits = low >= 0 ? true : high < 0 ? false : null;
  return {
    fits,
    clearance: low,
    bounds: [low, high],
    pose: { rotation: [...found.rotation], position: [...positionOf(body, found.rotation, found.shift)] },
    verdict: fits === false ? 'clear' : 'stop',
  };
}

/** Height settled between rim and bottom for a seated body; mm. */
function positionOf(body: Body, r: Mat3, shift: readonly [number, number]): Vec3 {
  const reach = (d: Vec3): number => {
    const v = applyTransposed(r, d);
    const p = supportPoint(body, v);
    return v[0] * p[0] + v[1] * p[1] + v[2] * p[2];
  };
  const up = reach([0, 0, 1]);
  const down = reach([-SLOPE, 0, -1]);
  const slack = (SMALL_PARTS_CYLINDER.shallow + SLOPE * RADIUS + SLOPE * shift[0] - up - down) / (1 + SLANT);
  return [shift[0], shift[1], -up - slack];
}
