import FlatQueue from 'flatqueue';
import { extents, perimeter, type Vec2 } from '../geometry/index.ts';
import { distanceTo } from '../geometry/distance.ts';

const { max, min, hypot, sin, cos, ceil, PI } = Math;

/** Where an outline sits best inside another: the least distance left (mm), the turn (rad) and the shift (mm). */
export interface Lie {
  readonly low: number;
  readonly high: number;
  readonly angle: number;
  readonly shift: Vec2;
}

interface Patch {
  readonly a: number;
  readonly x: number;
  readonly y: number;
  /** Half widths: of the turn (rad) and the shifts (mm). */
  readonly ha: number;
  readonly hx: number;
  readonly hy: number;
  /** The points of the shadow and the corners of the opening that can be the closest anywhere in the patch. */
  readonly points: readonly Point[];
  readonly corners: readonly Vec2[];
}

/** What a search need not look at. */
export interface Wanted {
  /** Turns that matter (rad): the rest are the same by symmetry. */
  readonly from?: number;
  readonly span: number;
  /** A lie below both this and 0 is of no use: the search may stop once it knows that none is better, mm. */
  readonly atLeast?: number;
  /** A quicker way to the signed distance from the edge than asking every side. */
  readonly toEdge?: (x: number, y: number) => number;
}

/**
 * The largest inset (mm, negative: outset) of `edge` that still holds `shadow` at some turn and shift, for openings
 * that are not convex. Distance to the edge changes no faster than the shadow's points move, so over a patch of turns
 * and shifts each point has a bound: its distance at the middle plus its own farthest move; the least of them bounds
 * the patch. Best patch first, until the bounds meet.
 */
export function bestLie(
  edge: readonly Vec2[],
  shadow: readonly Vec2[],
  { from = 0, span, atLeast = -Infinity, toEdge = distanceTo(edge) }: Wanted,
  tolerance: number,
): Lie {
  const toShadow = distanceTo(shadow);
  const reach = max(...shadow.map((p) => hypot(p[0], p[1])));
  const round = isRound(shadow);
  const step = perimeter(shadow) / 96;
  // What reaches farthest sticks out first.
  const coarse = pointsAlong(shadow, step).sort((a, b) => b.far - a.far);
  const useless = min(atLeast, 0);
  const queue = new FlatQueue<Patch>();
  let best = { low: -Infinity, angle: 0, shift: [0, 0] as Vec2 };
  let looks = 0;
  const pointDistance = new Float64Array(10 * coarse.length + shadow.length);
  const cornerDistance = new Float64Array(edge.length);
  /**
   * Bound of a patch (mm), and the least distance at its middle as the new best where it is one. Stops early, still
   * from above, once the patch cannot beat the best by the tolerance.
   */
  const look = (p: Patch, apart: number): number => {
    looks++;
    const [c, s] = [cos(p.a), sin(p.a)];
    const shift = hypot(p.hx, p.hy);
    const swing = 2 * sin(min(p.ha, PI) / 2);
    const enough = max(best.low + tolerance, useless);
    let low = Infinity;
    let high = Infinity;
    for (let i = 0; i < p.points.length; i++) {
      const { x, y, far } = p.points[i]!;
      const d = toEdge(c * x - s * y + p.x, s * x + c * y + p.y);
      pointDistance[i] = d;
      if (d < low) low = d;
      const most = d + shift + swing * far;
      if (most < high) {
        high = most;
        if (high < enough && low <= best.low) return high;
      }
    }
    // Inside, the closest pair may be a corner of the opening and a side of the shadow; a corner found within the
    // shadow means that a side ran past a dent between two of its points.
    for (let i = 0; i < p.corners.length; i++) {
      const x = p.corners[i]![0] - p.x;
      const y = p.corners[i]![1] - p.y;
      const away = hypot(x, y) - reach;
      // The whole shadow lies within its reach: a corner farther off than that cannot be the closest.
      const d = away >= low ? away : max(-toShadow(c * x + s * y, -s * x + c * y), -apart);
      cornerDistance[i] = d;
      if (d < low) low = d;
      const most = d + shift + swing * reach;
      if (most < high) {
        high = most;
        if (high < enough && low <= best.low) return high;
      }
    }
    if (low > best.low) best = { low, angle: p.a, shift: [p.x, p.y] };
    return high;
  };
  const add = (p: Patch): void => {
    const high = look(p, step);
    if (high <= max(best.low + tolerance, useless)) return;
    // Nothing that stays farther off than this bound, wherever in the patch, can be the closest in a part of it.
    const shift = hypot(p.hx, p.hy);
    const swing = 2 * sin(min(p.ha, PI) / 2);
    const points = p.points.filter(({ far }, i) => pointDistance[i]! - shift - swing * far <= high);
    const corners = p.corners.filter((_, i) => cornerDistance[i]! - shift - swing * reach <= high);
    queue.push({ ...p, points, corners }, -high);
  };
  const [w, h] = extents(edge, 0);
  const middle = (k: 0 | 1): number => (max(...edge.map((p) => p[k])) + min(...edge.map((p) => p[k]))) / 2;
  const turns = round ? 1 : max(1, ceil((span * reach) / max(w, h)) * 4);
  for (let i = 0; i < turns; i++)
    add({
      a: from + ((i + 0.5) * span) / turns,
      x: middle(0),
      y: middle(1),
      ha: round ? 0 : span / turns / 2,
      hx: w / 2,
      hy: h / 2,
      points: coarse,
      corners: edge,
    });
  // Long arms of equal width leave many equally good places; past this the best one found is kept.
  const budget = min(12_000, 400 + 6e6 / (coarse.length * edge.length));
  const above = (): number => (queue.length > 0 ? -queue.peekValue()! : -Infinity);
  while (above() > max(best.low + tolerance, useless) && looks < budget) {
    const p = queue.pop()!;
    // Halve whichever of turn and shift moves the shadow most.
    for (const s of [-0.5, 0.5]) {
      if (p.ha * reach > max(p.hx, p.hy)) add({ ...p, a: p.a + s * p.ha, ha: p.ha / 2 });
      else if (p.hx >= p.hy) add({ ...p, x: p.x + s * p.hx, hx: p.hx / 2 });
      else add({ ...p, y: p.y + s * p.hy, hy: p.hy / 2 });
    }
  }
  // What was put aside on the way lay within the tolerance of the best, or was of no use.
  const high = max(best.low + tolerance, useless, above());
  if (high <= useless) return { ...best, high };
  // The climb moves by little: what is a millimetre farther off than the closest has no say in it.
  const still = { ha: 0, hx: 0, hy: 0, points: coarse, corners: edge };
  const start = { ...still, a: best.angle, x: best.shift[0], y: best.shift[1] };
  best.low = -Infinity;
  look(start, step);
  const { low: begun } = best;
  const near = {
    ...still,
    points: coarse.filter((_, i) => pointDistance[i]! < begun + 1),
    corners: edge.filter((_, i) => cornerDistance[i]! < begun + 1),
  };
  for (let by = 0.1, tries = 0; by > 1e-5 && tries < 60; tries++) {
    const before = best.low;
    const at = { ...near, a: best.angle, x: best.shift[0], y: best.shift[1] };
    for (const s of [-by, by]) {
      look({ ...at, x: at.x + s }, step);
      look({ ...at, y: at.y + s }, step);
      look({ ...at, x: at.x + s, y: at.y + s }, step);
      look({ ...at, x: at.x + s, y: at.y - s }, step);
      if (!round) look({ ...at, a: at.a + s / reach }, step);
    }
    if (best.low <= before + 1e-9) by /= 3;
  }
  // The last word has the sides looked at ten times as closely.
  const found = best;
  best = { ...found, low: -Infinity };
  const points = pointsAlong(shadow, step / 10);
  look({ ...still, a: found.angle, x: found.shift[0], y: found.shift[1], points }, step / 10);
  const low = min(found.low, best.low);
  return { ...found, low, high: max(high, low) };
}

interface Point {
  readonly x: number;
  readonly y: number;
  /** Distance from the middle it is turned about, mm. */
  readonly far: number;
}

/** The outline's corners with points between them, at most `step` apart. */
function pointsAlong(outline: readonly Vec2[], step: number): Point[] {
  return outline.flatMap(([x, y], i) => {
    const [u, v] = outline[(i + 1) % outline.length]!;
    const parts = max(1, ceil(hypot(u - x, v - y) / step));
    return Array.from({ length: parts }, (_, k) => {
      const at = [x + ((u - x) * k) / parts, y + ((v - y) * k) / parts] as const;
      return { x: at[0], y: at[1], far: hypot(...at) };
    });
  });
}

const isRound = (points: readonly Vec2[]): boolean => {
  const d = points.map((p) => hypot(p[0], p[1]));
  return points.length > 60 && max(...d) - min(...d) < 1e-6 * max(...d);
};
