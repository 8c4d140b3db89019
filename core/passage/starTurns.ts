import type { Vec2 } from '../geometry/index.ts';
import { distanceTo } from '../geometry/distance.ts';

const { PI, abs, hypot, max } = Math;

/**
 * The turns (rad) of a shadow within a star that have to be looked at: the rest are the same by symmetry. A star of n
 * points comes back after 2π/n, and so does what lies in it; a shadow that half a turn brings back to itself does so
 * after π/n where n is odd; a shadow that is its own mirror image looks the same on both sides of the turn at which its
 * axis lies along the star's.
 *
 * @param points of a star that has one of them on the x axis
 * @example starTurns(5, [[2, 1], [-2, 1], [-2, -1], [2, -1]]) // => { from: 0, span: 0.3141592653589793 }
 */
export function starTurns(points: number, shadow: readonly Vec2[]): { from: number; span: number } {
  const edge = distanceTo(shadow);
  const fine = 1e-9 * max(...shadow.map(([x, y]) => hypot(x, y)));
  const same = (to: (x: number, y: number) => Vec2): boolean =>
    shadow.every(([x, y]) => abs(edge(...to(x, y))) <= fine);
  const halfTurn = same((x, y) => [-x, -y]);
  const period = (2 * PI) / points / (halfTurn && points % 2 === 1 ? 2 : 1);
  if (same((x, y) => [x, -y])) return { from: 0, span: period / 2 };
  if (same((x, y) => [-x, y])) return { from: -PI / 2, span: period / 2 };
  return { from: 0, span: period };
}
