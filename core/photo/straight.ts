import { resampled } from './ring.ts';
import type { Vec2 } from '../geometry/vector.ts';

/** A corner is where an outline leaves its side by more than this, mm. */
const LEAVES = 0.55;
/** Nearer to a corner than this an outline is rounded by the picture, mm. */
const ROUNDED = 1.8;
/** Sides shorter than this are not followed, mm. */
const LEAST_SIDE = 3;
const MOST_CORNERS = 16;
/** A curve takes at least so many chords. */
const OF_A_CURVE = 8;
/** Sine of the least angle by which one side turns off another: 17°. */
const LEAST_TURN = 0.3;
/** An outline lies this near to its straight sides, mm. */
const STRAIGHT = 0.22;
/** A corner is drawn out to where its sides meet by no more than this, mm: a thing's own corner may be round. */
const MOST_DRAWN = 2.4;

/** The corners of a closed line, by Ramer, Douglas and Peucker's halving. */
function corners(ring: readonly Vec2[]): number[] {
  const n = ring.length;
  const far = (i: number): number =>
    ring.reduce(
      (best, p, k) =>
        Math.hypot(p[0] - ring[i]![0], p[1] - ring[i]![1]) >
        Math.hypot(ring[best]![0] - ring[i]![0], ring[best]![1] - ring[i]![1])
          ? k
          : best,
      i,
    );
  const start = far(0);
  const end = far(start);
  const kept = new Set([start, end]);
  const halve = (from: number, to: number): void => {
    const [a, b] = [ring[from % n]!, ring[to % n]!];
    const long = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
    let [index, most] = [-1, LEAVES];
    for (let i = from + 1; i < to; i++) {
      const p = ring[i % n]!;
      const off = Math.abs((b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0])) / long;
      if (off > most) [index, most] = [i, off];
    }
    if (index < 0) return;
    kept.add(index % n);
    halve(from, index);
    halve(index, to);
  };
  halve(start, end > start ? end : end + n);
  halve(end, start > end ? start : start + n);
  const found = [...kept].sort((a, b) => a - b);
  // A side too short to follow is the round of a corner: its two ends are one, in the middle between them.
  for (;;) {
    if (found.length <= 3) return found;
    const shortest = found
      .map((from, k) => {
        const to = found[(k + 1) % found.length]!;
        return { k, steps: (to - from + n) % n, long: gap(ring[from]!, ring[to]!) };
      })
      .reduce((a, b) => (b.long < a.long ? b : a));
    if (shortest.long >= LEAST_SIDE) return found;
    const middle = (found[shortest.k]! + Math.floor(shortest.steps / 2)) % n;
    found.splice((shortest.k + 1) % found.length, 1);
    found[found.length === shortest.k ? shortest.k - 1 : shortest.k] = middle;
    found.sort((a, b) => a - b);
  }
}

const gap = (a: Vec2, b: Vec2): number => Math.hypot(a[0] - b[0], a[1] - b[1]);

/**
 * The outline as straight sides that meet in sharp corners, or null where it is none: sides are fitted away from the corners,
 * which a picture rounds. mm, the way round as given.
 */
export function polygonOf(outline: readonly Vec2[]): Vec2[] | null {
  // A plan cut out of others has points far apart on its straight sides, and very near ones at its corners.
  const ring = resampled(outline, 0.5);
  const n = ring.length;
  const at = corners(ring);
  if (at.length < 3 || at.length > MOST_CORNERS) return null;
  let [off, counted] = [0, 0];
  const sides = at.map((from, k) => {
    const to = at[(k + 1) % at.length]!;
    const [a, b] = [ring[from]!, ring[to]!];
    const points: Vec2[] = [];
    for (let i = from; i !== to; i = (i + 1) % n) {
      points.push(ring[i]!);
    }
    const long = Math.hypot(b[0] - a[0], b[1] - a[1]);
    const rounded = Math.min(ROUNDED, long / 3.5);
    const inner = points.filter(
      (p) => Math.hypot(p[0] - a[0], p[1] - a[1]) > rounded && Math.hypot(p[0] - b[0], p[1] - b[1]) > rounded,
    );
    if (long < LEAST_SIDE || inner.length < 3) return null;
    const m = inner.length;
    const [cx, cy] = [inner.reduce((s, p) => s + p[0], 0) / m, inner.reduce((s, p) => s + p[1], 0) / m];
    let [xx, xy, yy] = [0, 0, 0];
    for (const [x, y] of inner) {
      xx += (x - cx) ** 2;
      xy += (x - cx) * (y - cy);
      yy += (y - cy) ** 2;
    }
    const angle = Math.atan2(2 * xy, xx - yy) / 2;
    const normal: Vec2 = [-Math.sin(angle), Math.cos(angle)];
    const c = normal[0] * cx + normal[1] * cy;
    for (const [x, y] of inner) off += (normal[0] * x + normal[1] * y - c) ** 2;
    counted += m;
    return { normal, c };
  });
  if (sides.some((s) => s === null) || Math.sqrt(off / counted) > STRAIGHT) return null;
  // Where most sides turn so little they are chords of a curve.
  const turns = sides.map((q, k) => {
    const p = sides[(k + sides.length - 1) % sides.length]!;
    return Math.abs(p.normal[0] * q!.normal[1] - p.normal[1] * q!.normal[0]);
  });
  if (turns.length >= OF_A_CURVE && turns.filter((t) => t < LEAST_TURN).length > turns.length / 2)
    return null;
  return sides.map((side, k): Vec2 => {
    const [p, q] = [sides[(k + sides.length - 1) % sides.length]!, side!];
    const det = p.normal[0] * q.normal[1] - p.normal[1] * q.normal[0];
    const corner = ring[at[k]!]!;
    if (Math.abs(det) < 0.1) return corner;
    const meet: Vec2 = [
      (p.c * q.normal[1] - q.c * p.normal[1]) / det,
      (p.normal[0] * q.c - q.normal[0] * p.c) / det,
    ];
    const far = gap(meet, corner);
    const share = Math.min(1, MOST_DRAWN / far);
    return [corner[0] + share * (meet[0] - corner[0]), corner[1] + share * (meet[1] - corner[1])];
  });
}
