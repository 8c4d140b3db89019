import { simplifyPathD } from 'clipper2-ts';
import type { Vec2 } from '../geometry/vector.ts';

/** The middle of what a ring encloses. */
export const centre = (ring: readonly Vec2[]): Vec2 => {
  let [a, x, y] = [0, 0, 0];
  ring.forEach((p, i) => {
    const q = ring[(i + 1) % ring.length]!;
    const cross = p[0] * q[1] - q[0] * p[1];
    a += cross;
    x += (p[0] + q[0]) * cross;
    y += (p[1] + q[1]) * cross;
  });
  return [x / (3 * a), y / (3 * a)];
};

/** Points along a closed ring, evenly. */
export function resampled(ring: readonly Vec2[], apart: number): Vec2[] {
  const lengths = ring.map((p, i) => {
    const q = ring[(i + 1) % ring.length]!;
    return Math.hypot(q[0] - p[0], q[1] - p[1]);
  });
  const whole = lengths.reduce((sum, l) => sum + l, 0);
  const n = Math.max(8, Math.round(whole / apart));
  const out: Vec2[] = [];
  let [i, passed] = [0, 0];
  for (let k = 0; k < n; k++) {
    const s = (k * whole) / n;
    while (i < ring.length - 1 && passed + lengths[i]! < s) passed += lengths[i++]!;
    const t = lengths[i]! > 0 ? (s - passed) / lengths[i]! : 0;
    const [p, q] = [ring[i]!, ring[(i + 1) % ring.length]!];
    out.push([p[0] + t * (q[0] - p[0]), p[1] + t * (q[1] - p[1])]);
  }
  return out;
}

/** Points of a ring that is smoothed lie this far apart, mm. */
const FINE = 0.5;
/** How often a ring is drawn in and let out again: what is narrower than about a millimetre goes. */
const ROUNDS = 10;
const IN = 0.5;
const OUT = -0.53;

/**
 * A ring without the roughness of the picture, at its size: each point moves towards the middle of its neighbours and then,
 * all of them, a little farther back, so that nothing shrinks.
 *
 * @source Taubin, “A signal processing approach to fair surface design”, SIGGRAPH 1995
 */
export function smoothed(ring: readonly Vec2[]): Vec2[] {
  let points = resampled(ring, FINE);
  const n = points.length;
  for (let k = 0; k < 2 * ROUNDS; k++) {
    const by = k % 2 === 0 ? IN : OUT;
    points = points.map((p, i): Vec2 => {
      const [a, b] = [points[(i + n - 1) % n]!, points[(i + 1) % n]!];
      return [p[0] + by * ((a[0] + b[0]) / 2 - p[0]), p[1] + by * ((a[1] + b[1]) / 2 - p[1])];
    });
  }
  return points;
}

/** A ring with as few points as stay within `within` mm of it, and at most `most`. */
export function simplified(ring: readonly Vec2[], within: number, most = Infinity): Vec2[] {
  const path = ring.map(([x, y]) => ({ x, y }));
  for (let by = within; ; by *= 1.5) {
    const kept = simplifyPathD(path, by, true).map((p): Vec2 => [p.x, p.y]);
    if (kept.length <= most || kept.length < 8) return kept;
  }
}
