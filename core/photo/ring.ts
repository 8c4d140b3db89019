import type { Vec2 } from '../geometry/vector.ts';

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
