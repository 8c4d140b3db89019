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
}

/**
 * The largest inset (mm, negative: outset) of `edge` that still holds `shadow` at some turn and shift, for openings
 * that are not convex. Distance to the edge changes no faster than the shadow's points move, so a patch of turns and
 * shifts is bounded by its middle plus the farthest move within it; best patch first, until the bounds meet.
 *
 * @param span range of turns that matters (rad): 2π over the opening's turns of symmetry
 */
export function bestLie(
  edge: readonly Vec2[],
  shadow: readonly Vec2[],
  span: number,
  tolerance: number,
): Lie {
  const toEdge = distanceTo(edge);
  const toShadow = distanceTo(shadow);
  const reach = max(...shadow.map((p) => hypot(p[0], p[1])));
  const round = isRound(shadow);
  const step = perimeter(shadow) / 96;
  const coarse = pointsAlong(shadow, step);
  /** Slack at a turn and shift; may stop early, still from above, once it is known to lie under `enough`. */
  const slackAt = (p: Patch, along: Vec2[], apart: number, enough: number): number => {
    const [c, s] = [cos(p.a), sin(p.a)];
    let least = Infinity;
    for (let i = 0; i < along.length; i++) {
      const [x, y] = along[i]!;
      const d = toEdge(c * x - s * y + p.x, s * x + c * y + p.y);
      if (d < least) {
        least = d;
        if (least < enough) {
          // What sticks out here most likely sticks out in the next place too: ask it sooner.
          const sooner = i >> 1;
          [along[i], along[sooner]] = [along[sooner]!, along[i]!];
          return least;
        }
      }
    }
    // Inside, the closest pair may be a corner of the opening and a side of the shadow; a corner found within the
    // shadow means that a side ran past a dent between two of its points.
    if (least > -apart)
      for (const [ex, ey] of edge) {
        const [x, y] = [ex - p.x, ey - p.y];
        // The whole shadow lies within its reach: a corner farther off than that cannot be the closest.
        if (x * x + y * y >= (reach + max(0, least)) ** 2) continue;
        least = min(least, max(-toShadow(c * x + s * y, -s * x + c * y), -apart));
        if (least < enough) return least;
      }
    return least;
  };
  const queue = new FlatQueue<Patch>();
  let best = { low: -Infinity, angle: 0, shift: [0, 0] as Vec2 };
  let looks = 0;
  const look = (p: Patch, within: number): number => {
    looks++;
    const low = slackAt(p, coarse, step, best.low - within);
    if (low > best.low) best = { low, angle: p.a, shift: [p.x, p.y] };
    return low;
  };
  const add = (p: Patch): void => {
    const within = hypot(p.hx, p.hy) + 2 * reach * sin(min(p.ha, PI) / 2);
    const high = look(p, within) + within;
    if (high > best.low) queue.push(p, -high);
  };
  const [w, h] = extents(edge, 0);
  const middle = (k: 0 | 1): number => (max(...edge.map((p) => p[k])) + min(...edge.map((p) => p[k]))) / 2;
  const turns = round ? 1 : max(1, ceil((span * reach) / max(w, h)) * 4);
  for (let i = 0; i < turns; i++)
    add({
      a: ((i + 0.5) * span) / turns,
      x: middle(0),
      y: middle(1),
      ha: round ? 0 : span / turns / 2,
      hx: w / 2,
      hy: h / 2,
    });
  // Long arms of equal width leave many equally good places; past this the best one found is kept.
  const budget = min(12_000, 400 + 6e6 / (coarse.length * edge.length));
  while (queue.length > 0 && -queue.peekValue()! - best.low > tolerance && looks < budget) {
    const p = queue.pop()!;
    // Halve whichever of turn and shift moves the shadow most.
    for (const s of [-0.5, 0.5]) {
      if (p.ha * reach > max(p.hx, p.hy)) add({ ...p, a: p.a + s * p.ha, ha: p.ha / 2 });
      else if (p.hx >= p.hy) add({ ...p, x: p.x + s * p.hx, hx: p.hx / 2 });
      else add({ ...p, y: p.y + s * p.hy, hy: p.hy / 2 });
    }
  }
  const high = max(best.low, queue.length > 0 ? -queue.peekValue()! : -Infinity);
  for (let by = 0.1, tries = 0; by > 1e-6 && tries < 60; tries++) {
    const before = best.low;
    const from: Patch = { a: best.angle, x: best.shift[0], y: best.shift[1], ha: 0, hx: 0, hy: 0 };
    for (const s of [-by, by]) {
      look({ ...from, x: from.x + s }, 0);
      look({ ...from, y: from.y + s }, 0);
      look({ ...from, x: from.x + s, y: from.y + s }, 0);
      look({ ...from, x: from.x + s, y: from.y - s }, 0);
      if (!round) look({ ...from, a: from.a + s / reach }, 0);
    }
    if (best.low <= before + 1e-9) by /= 3;
  }
  // The last word has the sides looked at ten times as closely.
  const at: Patch = { a: best.angle, x: best.shift[0], y: best.shift[1], ha: 0, hx: 0, hy: 0 };
  const low = min(best.low, slackAt(at, pointsAlong(shadow, step / 10), step / 10, -Infinity));
  return { ...best, low, high: max(high, low) };
}

/** The outline's corners with points between them, at most `step` apart. */
function pointsAlong(outline: readonly Vec2[], step: number): Vec2[] {
  return outline.flatMap(([x, y], i) => {
    const [u, v] = outline[(i + 1) % outline.length]!;
    const parts = max(1, ceil(hypot(u - x, v - y) / step));
    return Array.from(
      { length: parts },
      (_, k) => [x + ((u - x) * k) / parts, y + ((v - y) * k) / parts] as const,
    );
  });
}

const isRound = (points: readonly Vec2[]): boolean => {
  const d = points.map((p) => hypot(p[0], p[1]));
  return points.length > 60 && max(...d) - min(...d) < 1e-6 * max(...d);
};
