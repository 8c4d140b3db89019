import { polygonArea, polygonHull } from 'd3-polygon';
import { orient2d } from 'robust-predicates';
import { length2, type Vec2 } from './vector.ts';

export type Outline = readonly Vec2[];

/** Enclosed area, never negative, in the square of the outline's unit. */
export const area = (outline: Outline): number => Math.abs(polygonArea(outline as [number, number][]));

/** Length round the closed outline. */
export function perimeter(outline: Outline): number {
  let sum = 0;
  outline.forEach((p, i) => {
    const q = outline[(i + 1) % outline.length]!;
    sum += length2(q[0] - p[0], q[1] - p[1]);
  });
  return sum;
}

/** The outline counter-clockwise (x right, y up), without repeated neighbours. */
export function tidy(outline: Outline): Vec2[] {
  const points = outline.filter((p, i) => {
    const q = outline[(i + 1) % outline.length]!;
    return p[0] !== q[0] || p[1] !== q[1];
  });
  // d3's area is positive for outlines that run clockwise with y up.
  return polygonArea(points as [number, number][]) > 0 ? points.reverse() : points;
}

/** Convex hull, counter-clockwise with y up; the outline itself where it has no area. */
export function hull(points: Outline): Vec2[] {
  const found = polygonHull(points as [number, number][]);
  return found ? tidy(found) : [...points];
}

interface Rectangle {
  readonly length: number;
  readonly width: number;
  readonly angle: number;
}
/** A layout asks for the same outline once for each part that it lays. */
const rectangles = new WeakMap<Outline, Rectangle>();

/** Smallest rectangle round the outline at any turn: long side, short side, and the long side's direction (rad). */
export function smallestRectangle(outline: Outline): Rectangle {
  const known = rectangles.get(outline);
  if (known) return known;
  const found = smallestRound(outline);
  rectangles.set(outline, found);
  return found;
}

function smallestRound(outline: Outline): Rectangle {
  const h = hull(outline);
  let best = { length: Infinity, width: Infinity, angle: 0 };
  // A smallest rectangle has a side on a side of the hull (Freeman and Shapira 1975).
  h.forEach((p, i) => {
    const q = h[(i + 1) % h.length]!;
    const angle = Math.atan2(q[1] - p[1], q[0] - p[0]);
    const [x, y] = extents(h, angle);
    if (x * y < best.length * best.width - 1e-9)
      best = x >= y ? { length: x, width: y, angle } : { length: y, width: x, angle: angle + Math.PI / 2 };
  });
  return best;
}

/** Extents of the points along the direction `angle` (rad) and at right angles to it. */
export function extents(points: Outline, angle: number): Vec2 {
  const c = Math.cos(angle);
  const s = Math.sin(angle);
  let [x0, x1, y0, y1] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const [px, py] of points) {
    const x = px * c + py * s;
    const y = -px * s + py * c;
    x0 = Math.min(x0, x);
    x1 = Math.max(x1, x);
    y0 = Math.min(y0, y);
    y1 = Math.max(y1, y);
  }
  return [x1 - x0, y1 - y0];
}

/** True when every corner of the tidy outline turns the same way. */
export function isConvex(outline: Outline): boolean {
  const n = outline.length;
  for (let i = 0; i < n; i++) {
    const [a, b, c] = [outline[i]!, outline[(i + 1) % n]!, outline[(i + 2) % n]!];
    // orient2d is positive for a clockwise corner with y up.
    if (orient2d(a[0], a[1], b[0], b[1], c[0], c[1]) > 1e-9) return false;
  }
  return true;
}

/**
 * The first pair of sides that cross or touch where they should not: `[i, j]` counted from the side that starts at
 * point 0; null for a simple outline. Exact orientation tests (robust-predicates), every pair of sides.
 */
export function selfCrossing(outline: Outline): [number, number] | null {
  const n = outline.length;
  for (let i = 0; i < n; i++) {
    for (let j = i + 1; j < n; j++) {
      const [a, b] = [outline[i]!, outline[(i + 1) % n]!];
      const [c, d] = [outline[j]!, outline[(j + 1) % n]!];
      if (j === i + 1 || (i === 0 && j === n - 1)) {
        // Neighbours share a corner; they are wrong only when one folds back over the other.
        const [p, q, r] = j === i + 1 ? [a, b, d] : [c, a, b];
        const back = (p[0] - q[0]) * (r[0] - q[0]) + (p[1] - q[1]) * (r[1] - q[1]) > 0;
        if (back && orient2d(p[0], p[1], q[0], q[1], r[0], r[1]) === 0) return [i, j];
        continue;
      }
      const s1 = Math.sign(orient2d(a[0], a[1], b[0], b[1], c[0], c[1]));
      const s2 = Math.sign(orient2d(a[0], a[1], b[0], b[1], d[0], d[1]));
      const s3 = Math.sign(orient2d(c[0], c[1], d[0], d[1], a[0], a[1]));
      const s4 = Math.sign(orient2d(c[0], c[1], d[0], d[1], b[0], b[1]));
      if (s1 === 0 && s2 === 0) {
        const along = (p: Vec2) => (p[0] - a[0]) * (b[0] - a[0]) + (p[1] - a[1]) * (b[1] - a[1]);
        const [lo, hi] = [Math.min(along(c), along(d)), Math.max(along(c), along(d))];
        if (hi >= 0 && lo <= along(b)) return [i, j];
      } else if (s1 * s2 <= 0 && s3 * s4 <= 0) return [i, j];
    }
  }
  return null;
}

/** A star with `points` tips on the outer circle and as many inner corners, first tip on the x axis; mm. */
export function starOutline(points: number, outerDiameter: number, innerDiameter: number): Vec2[] {
  return Array.from({ length: 2 * points }, (_, i) => {
    const r = (i % 2 === 0 ? outerDiameter : innerDiameter) / 2;
    const a = (Math.PI * i) / points;
    return [r * Math.cos(a), r * Math.sin(a)] as const;
  });
}

/** A rectangle about the origin, long side along x. */
export const rectangleOutline = (length: number, width: number): Vec2[] => [
  [-length / 2, -width / 2],
  [length / 2, -width / 2],
  [length / 2, width / 2],
  [-length / 2, width / 2],
];

/** Extents of an outline: left, top, right, bottom. */
export function boxOf(points: readonly Vec2[]): [number, number, number, number] {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const [x, y] of points) {
    if (x < left) left = x;
    if (x > right) right = x;
    if (y < top) top = y;
    if (y > bottom) bottom = y;
  }
  return [left, top, right, bottom];
}
