import FlatQueue from 'flatqueue';
import { extents, perimeter, signedDistance, type Vec2 } from '../geometry/index.ts';

/** Where an outline sits best inside another: the least distance left (mm), the turn (rad) and the shift (mm). */
export interface Lie {
  readonly low: number;
  readonly high: number;
  readonly angle: number;
  readonly shift: Vec2;
}

/**
 * The largest inset (mm, negative: outset) of `edge` that still holds `shadow` at some turn and shift, for openings
 * that are not convex. Distance to the edge changes no faster than the shadow's points move, so a patch of turns and
 * shifts is bounded by its middle plus the farthest move within it; best patch first, until the bounds meet.
 *
 * @param span range of turns that matters (rad): 2π over the opening's turns of symmetry
 */
export function bestLie(edge: readonly Vec2[], shadow: readonly Vec2[], span: number, tolerance: number): Lie {
  const points = shadow as Vec2[];
  const reach = Math.max(...points.map((p) => Math.hypot(p[0], p[1])));
  const round = isRound(points);
  const slackAt = (angle: number, tx: number, ty: number, along: readonly Vec2[], step: number): number => {
    const [c, s] = [Math.cos(angle), Math.sin(angle)];
    let least = Infinity;
    for (const [x, y] of along) least = Math.min(least, signedDistance(edge, c * x - s * y + tx, s * x + c * y + ty));
    // Inside, the closest pair may be a corner of the opening and a side of the shadow; a corner found within the
    // shadow means that a side ran past a dent between two of its points.
    if (least > -step)
      for (const [x, y] of edge) {
        const d = -signedDistance(points, c * (x - tx) + s * (y - ty), -s * (x - tx) + c * (y - ty));
        least = Math.min(least, Math.max(d, -step));
      }
    return least;
  };
  const round96 = perimeter(points) / 96;
  const coarse = pointsAlong(points, round96);
  const [w, h] = extents(edge, 0);
  const cx = (Math.max(...edge.map((p) => p[0])) + Math.min(...edge.map((p) => p[0]))) / 2;
  const cy = (Math.max(...edge.map((p) => p[1])) + Math.min(...edge.map((p) => p[1]))) / 2;
  type Patch = { a: number; x: number; y: number; ha: number; hx: number; hy: number };
  const queue = new FlatQueue<Patch>();
  let best = { low: -Infinity, angle: 0, shift: [0, 0] as Vec2 };
  let looks = 0;
  const look = (p: Patch): number => {
    looks++;
    const low = slackAt(p.a, p.x, p.y, coarse, round96);
    if (low > best.low) best = { low, angle: p.a, shift: [p.x, p.y] };
    return low;
  };
  const add = (p: Patch): void => {
    const high = look(p) + Math.hypot(p.hx, p.hy) + 2 * reach * Math.sin(Math.min(p.ha, Math.PI) / 2);
    if (high > best.low) queue.push(p, -high);
  };
  const turns = round ? 1 : Math.max(1, Math.ceil((span * reach) / Math.max(w, h)) * 4);
  for (let i = 0; i < turns; i++)
    add({ a: ((i + 0.5) * span) / turns, x: cx, y: cy, ha: round ? 0 : span / turns / 2, hx: w / 2, hy: h / 2 });
  // Long arms of equal width leave many equally good places; past this the best one found is kept.
  const budget = Math.min(12_000, 400 + 6e6 / (coarse.length * edge.length));
  while (queue.length > 0 && -queue.peekValue()! - best.low > tolerance && looks < budget) {
    const p = queue.pop()!;
    // Halve whichever of turn and shift moves the shadow most.
    if (p.ha * reach > Math.max(p.hx, p.hy)) for (const s of [-0.5, 0.5]) add({ ...p, a: p.a + s * p.ha, ha: p.ha / 2 });
    else
      for (const s of [-0.5, 0.5])
        add(p.hx >= p.hy ? { ...p, x: p.x + s * p.hx, hx: p.hx / 2 } : { ...p, y: p.y + s * p.hy, hy: p.hy / 2 });
  }
  const high = Math.max(best.low, queue.length > 0 ? -queue.peekValue()! : -Infinity);
  for (let step = 0.1, tries = 0; step > 1e-7 && tries < 80; tries++) {
    const before = best.low;
    const from = { a: best.angle, x: best.shift[0], y: best.shift[1], ha: 0, hx: 0, hy: 0 };
    for (const s of [-step, step]) {
      look({ ...from, x: from.x + s });
      look({ ...from, y: from.y + s });
      look({ ...from, x: from.x + s, y: from.y + s });
      look({ ...from, x: from.x + s, y: from.y - s });
      if (!round) look({ ...from, a: from.a + s / reach });
    }
    if (best.low <= before + 1e-9) step /= 3;
  }
  // The last word has the sides looked at ten times as closely.
  const fine = round96 / 10;
  const low = slackAt(best.angle, best.shift[0], best.shift[1], pointsAlong(points, fine), fine);
  return { ...best, low: Math.min(low, best.low), high: Math.max(high, best.low) };
}

/** The outline's corners with points between them, at most `step` apart. */
function pointsAlong(outline: readonly Vec2[], step: number): Vec2[] {
  return outline.flatMap(([x, y], i) => {
    const [u, v] = outline[(i + 1) % outline.length]!;
    const parts = Math.max(1, Math.ceil(Math.hypot(u - x, v - y) / step));
    return Array.from({ length: parts }, (_, k) => [x + ((u - x) * k) / parts, y + ((v - y) * k) / parts] as const);
  });
}

const isRound = (points: readonly Vec2[]): boolean => {
  const d = points.map((p) => Math.hypot(p[0], p[1]));
  return points.length > 60 && Math.max(...d) - Math.min(...d) < 1e-6 * Math.max(...d);
};
