import { z } from 'zod';
import {
  distanceTo,
  extents,
  isConvex,
  outline,
  rectangleOutline,
  size,
  smallestRectangle,
  starOutline,
  tidy,
} from '../geometry/index.ts';
import type { Container } from '../fit/container.ts';
import type { Vec2 } from '../geometry/vector.ts';

/** What a piece goes through, sizes in mm. A slot is a rectangle; a star's tips lie on `outerDiameter`. */
export const opening = z.discriminatedUnion(
  'kind',
  [
    z.strictObject({ kind: z.literal('round'), diameter: size }),
    z.strictObject({ kind: z.literal('slot'), length: size, width: size }),
    z
      .strictObject({
        kind: z.literal('star'),
        points: z
          .number({ error: 'expected a number of points' })
          .int('must be a whole number')
          .min(3, 'must be at least 3')
          .max(24, 'must be at most 24'),
        outerDiameter: size,
        innerDiameter: size,
      })
      .refine((s) => s.innerDiameter < s.outerDiameter, {
        path: ['innerDiameter'],
        message: 'must be less than outerDiameter',
      }),
    z.strictObject({ kind: z.literal('polygon'), outline }),
  ],
  { error: 'expected one of round, slot, star, polygon' },
);
export type Opening = z.infer<typeof opening>;

/** The opening's edge as a tidy outline, mm; null for a round one. */
export function outlineOf(o: Opening): Vec2[] | null {
  switch (o.kind) {
    case 'round':
      return null;
    case 'slot':
      return rectangleOutline(o.length, o.width);
    case 'star':
      return starOutline(o.points, o.outerDiameter, o.innerDiameter);
    case 'polygon':
      return tidy(o.outline);
  }
}

/** The opening as a convex container for shadows; null when its outline is not convex. */
export function containerOf(o: Opening): Container | null {
  const edge = outlineOf(o);
  if (!edge) return { wallRadius: (o as { diameter: number }).diameter / 2, flats: [], mirrored: true };
  if (!isConvex(edge)) return null;
  const flats = edge.map((p, i) => {
    const q = edge[(i + 1) % edge.length]!;
    const l = Math.hypot(q[0] - p[0], q[1] - p[1]);
    // Outward normal of a counter-clockwise side.
    const [nx, ny] = [(q[1] - p[1]) / l, -(q[0] - p[0]) / l];
    return {
      a: [nx, ny] as const,
      b: nx * p[0] + ny * p[1],
      reach: [{ weight: 1, direction: [nx, ny, 0] as const }],
    };
  });
  return { wallRadius: null, flats, mirrored: o.kind === 'slot' };
}

/** The opening's own length and width, mm, and the direction of its length (rad). */
export function reachOf(o: Opening): { length: number; width: number; angle: number } {
  const edge = outlineOf(o);
  if (!edge) {
    const { diameter } = o as { diameter: number };
    return { length: diameter, width: diameter, angle: 0 };
  }
  if (o.kind === 'slot') return { length: o.length, width: o.width, angle: 0 };
  if (o.kind === 'star') {
    const [length, width] = extents(edge, 0);
    return { length, width, angle: 0 };
  }
  return smallestRectangle(edge);
}

/** Least distance across the opening (mm): the thickest rod that goes in, as the finger rule asks. */
export function widestRod(o: Opening): number {
  return o.kind === 'round'
    ? o.diameter
    : o.kind === 'slot'
      ? Math.min(o.length, o.width)
      : 2 * innerRadius(outlineOf(o)!);
}

/** Radius of the largest circle inside an outline, by the same search as for any shadow. */
function innerRadius(edge: Vec2[]): number {
  const hullSize = extents(edge, 0);
  const distance = distanceTo(edge);
  const step = Math.max(...hullSize) / 64;
  let best = { d: -Infinity, x: 0, y: 0 };
  const [x0, y0] = [Math.min(...edge.map((p) => p[0])), Math.min(...edge.map((p) => p[1]))];
  for (let x = x0; x <= x0 + hullSize[0]; x += step)
    for (let y = y0; y <= y0 + hullSize[1]; y += step) {
      const d = distance(x, y);
      if (d > best.d) best = { d, x, y };
    }
  for (let h = step; h > 1e-6; h /= 2)
    for (const [dx, dy] of [
      [h, 0],
      [-h, 0],
      [0, h],
      [0, -h],
      [h, h],
      [-h, h],
      [h, -h],
      [-h, -h],
    ] as const) {
      const d = distance(best.x + dx, best.y + dy);
      if (d > best.d) best = { d, x: best.x + dx, y: best.y + dy };
    }
  return best.d;
}
