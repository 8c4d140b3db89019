import { PatternError } from '../patterns/kernel.ts';
import type { Vec2 } from '../geometry/vector.ts';

const { hypot } = Math;

/** Length of a line through points, mm; back to its start where it is closed. */
export function lengthOf(points: readonly Vec2[], closed: boolean): number {
  let sum = 0;
  for (let i = closed ? 0 : 1; i < points.length; i++) {
    const [a, b] = [points[(i + points.length - 1) % points.length]!, points[i]!];
    sum += hypot(b[0] - a[0], b[1] - a[1]);
  }
  return sum;
}

/**
 * Points at equal steps along a line, by arc length. A closed one starts at its first corner and takes n steps round; an
 * open one has a point at either end.
 *
 * @throws PatternError when fewer than two points or two different corners are asked for
 * @example evenly([[0, 0], [10, 0], [10, 10], [0, 10]], 4, true) // => [[0, 0], [10, 0], [10, 10], [0, 10]]
 */
export function evenly(points: readonly Vec2[], count: number, closed: boolean): Vec2[] {
  const total = lengthOf(points, closed);
  if (points.length < 2 || !(total > 0))
    throw new PatternError('outline', 'expected at least two different points');
  if (!closed && count < 2) throw new PatternError('count', 'an open line takes at least 2 points');
  const step = total / (closed ? count : count - 1);
  const out: Vec2[] = [];
  let walked = 0;
  let i = 0;
  const sides = closed ? points.length : points.length - 1;
  const side = (k: number): [Vec2, Vec2, number] => {
    const [a, b] = [points[k]!, points[(k + 1) % points.length]!];
    return [a, b, hypot(b[0] - a[0], b[1] - a[1])];
  };
  for (let n = 0; n < count; n++) {
    const at = n * step;
    let [a, b, long] = side(i);
    while (i < sides - 1 && walked + long < at - 1e-12 * total) {
      walked += long;
      [a, b, long] = side(++i);
    }
    const t = long > 0 ? Math.min(1, (at - walked) / long) : 0;
    out.push([a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])]);
  }
  return out;
}
