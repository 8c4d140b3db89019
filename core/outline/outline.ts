import { EndType, inflatePathsD, JoinType } from 'clipper2-ts';
import polylabel from 'polylabel';
import { z } from 'zod';
import { area, boxOf, selfCrossing } from '../geometry/polygon.ts';
import { distanceTo } from '../geometry/distance.ts';
import type { Vec2 } from '../geometry/vector.ts';
import { PatternError, type Option } from '../patterns/kernel.ts';
import { LETTERS } from './letters.ts';
import { SHAPE_IDS, SHAPES } from './shapes.ts';

export { boxOf };

const number = z.number({ error: 'expected mm' }).min(-100_000).max(100_000);
/** Points of a closed outline, mm. */
export const outlinePoints = z
  .array(z.tuple([number, number]), { error: 'expected a list of points [x, y]' })
  .min(3, 'expected at least 3 points')
  .max(800, 'may have at most 800 points')
  .superRefine((points, ctx) => {
    const crossing = selfCrossing(points);
    if (crossing)
      ctx.addIssue({
        code: 'custom',
        message: `the line crosses itself between points ${crossing[0] + 1} and ${crossing[1] + 1}; expected an outline that does not`,
      });
    else if (area(points) < 1e-6) ctx.addIssue({ code: 'custom', message: 'encloses nothing' });
  });

const MOST_HOLES = 12;
/** A dial that takes an outline: a built-in shape, a letter or numeral of the shipped font, or the user's own drawing. */
export const outlineDial = z.discriminatedUnion(
  'kind',
  [
    z.strictObject({
      kind: z.literal('shape'),
      shape: z.enum(SHAPE_IDS, { error: `expected one of ${SHAPE_IDS.join(', ')}` }),
    }),
    z.strictObject({
      kind: z.literal('letter'),
      letter: z.string().regex(/^[A-Za-z0-9]$/, 'expected one letter from A to Z or one numeral'),
    }),
    z
      .strictObject({
        kind: z.literal('own'),
        name: z.string().max(80, 'may have at most 80 characters'),
        points: outlinePoints,
        /** Edges of what is open inside it, as of a ring. */
        holes: z.array(outlinePoints).max(MOST_HOLES, `may have at most ${MOST_HOLES} holes`).optional(),
      })
      .superRefine(({ points, holes = [] }, ctx) => {
        const inside = holes.length > 0 ? distanceTo(points) : () => 1;
        holes.forEach((hole, i) => {
          if (hole.some(([x, y]) => inside(x, y) <= 0))
            ctx.addIssue({
              code: 'custom',
              path: ['holes', i],
              message: 'expected a hole inside the outline',
            });
        });
      }),
  ],
  { error: 'expected a shape, a letter or points' },
);
export type OutlineDial = z.infer<typeof outlineDial>;

export const SHAPE_OPTIONS: readonly Option[] = SHAPE_IDS.map((id) => ({
  value: id,
  label: SHAPES[id].label,
}));

export const outlineName = (o: OutlineDial): string =>
  o.kind === 'shape'
    ? SHAPES[o.shape].label.toLowerCase()
    : o.kind === 'letter'
      ? o.letter
      : o.name || 'own shape';

const flat = (list: readonly number[]): Vec2[] =>
  Array.from({ length: list.length / 2 }, (_, i) => [list[2 * i]!, list[2 * i + 1]!]);

const rawOf = (o: OutlineDial): Vec2[] => {
  if (o.kind === 'shape') return SHAPES[o.shape].points();
  if (o.kind === 'own') return o.points.map(([x, y]) => [x, y]);
  // The largest contour is the letter's edge; holes are no edge to lace along, and a dot is left off.
  const contours = LETTERS[o.letter]!.split(';').map((c) => flat(c.split(' ').map(Number)));
  return contours.reduce((a, b) => (area(b) > area(a) ? b : a));
};

/** An outline and what is open inside it about the middle of its box, its longer extent as long as asked, mm, x right and y down. */
function sized(o: OutlineDial, longest: number): { readonly edge: Vec2[]; readonly holes: Vec2[][] } {
  const raw = rawOf(o);
  const [x0, y0, x1, y1] = boxOf(raw);
  const k = longest / Math.max(x1 - x0, y1 - y0);
  const placed = (ring: readonly Vec2[]): Vec2[] => {
    const points = ring.map(([x, y]): Vec2 => [(x - (x0 + x1) / 2) * k, (y - (y0 + y1) / 2) * k]);
    return points.filter((p, i) => {
      const q = points[(i + 1) % points.length]!;
      return Math.hypot(p[0] - q[0], p[1] - q[1]) > 1e-6;
    });
  };
  return { edge: placed(raw), holes: o.kind === 'own' ? (o.holes ?? []).map(placed) : [] };
}

/** The outline about the origin with its longer extent as long as asked, mm, x right and y down. */
export const sizedOutline = (o: OutlineDial, longest: number): Vec2[] => sized(o, longest).edge;
/** What is open inside it, where it lies in the outline of that size. */
export const sizedHoles = (o: OutlineDial, longest: number): Vec2[][] => sized(o, longest).holes;

/**
 * The outline moved in by `by` mm (out where negative), the largest part where it falls apart; corners stay corners.
 *
 * @throws PatternError when nothing is left
 * @source offsets of polygons by Clipper's algorithm (clipper2-ts)
 */
export function inset(points: readonly Vec2[], by: number): Vec2[] {
  if (by === 0) return [...points];
  const nothing = (): PatternError =>
    new PatternError('dials', `nothing is left ${by} mm inside the outline; expected a larger one`);
  // What is smaller than the library's own rounding, four places, is a point to it.
  if (area(points) < 1e-6) throw nothing();
  const clockwise = signedArea(points) < 0 ? [...points].reverse() : points;
  const found = inflatePathsD(
    [clockwise.map(([x, y]) => ({ x, y }))],
    -by,
    JoinType.Miter,
    EndType.Polygon,
    2,
    4,
  ).map((path) => path.map(({ x, y }): Vec2 => [x, y]));
  const largest = found.reduce<Vec2[] | null>((a, b) => (a && area(a) >= area(b) ? a : b), null);
  if (!largest || largest.length < 3) throw nothing();
  return largest;
}

/** Twice the enclosed area with its sign: positive where the points run clockwise on paper (y down). */
export const signedArea = (points: readonly Vec2[]): number =>
  points.reduce((sum, [x, y], i) => {
    const [u, v] = points[(i + 1) % points.length]!;
    return sum + x * v - u * y;
  }, 0);

/** The point farthest from the edge, and how far that is, mm (polylabel). */
export function middleOf(points: readonly Vec2[]): { at: Vec2; radius: number } {
  const found = polylabel([points.map(([x, y]) => [x, y])], 0.1);
  return { at: [found[0]!, found[1]!], radius: found.distance };
}
