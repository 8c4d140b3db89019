import type { Vec2, Vec3 } from '../geometry/vector.ts';

/**
 * One flat limit of a container, written for the plane the body may still be shifted in. With `c` the slack, `t` the
 * shift and `h` the body's support: `c + a · t ≤ b − Σ weight · h(direction)`. All in mm; `a` has no unit.
 */
interface FlatLimit {
  readonly a: Vec2;
  readonly b: number;
  readonly reach: readonly { readonly weight: number; readonly direction: Vec3 }[];
}

/**
 * A convex space whose limits are a round wall about the z axis, flat limits, or both, after every shift but the two
 * along x and y has been settled. The slack of a pose is the smallest distance left to any limit.
 */
export interface Container {
  readonly wallRadius: number | null;
  readonly flats: readonly FlatLimit[];
  /** The same in a mirror that swaps y for −y: half of all poses need no look. */
  readonly mirrored: boolean;
}
