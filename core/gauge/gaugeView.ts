import { bodyOf, shadowOf } from '../geometry/body.ts';
import { hull } from '../geometry/polygon.ts';
import type { Shape } from '../geometry/shape.ts';
import { multiply, type Mat3, type Vec2 } from '../geometry/vector.ts';
import { SMALL_PARTS_CYLINDER as G, type SmallPartsAnswer } from './smallParts.ts';

/** From the side: the gauge's x stays x, its height becomes the drawing's y. */
const SIDE: Mat3 = [1, 0, 0, 0, 0, 1, 0, -1, 0];

/** The cylinder cut open with a piece in its best pose, mm from its upper left. */
export interface GaugeView {
  readonly width: number;
  readonly height: number;
  /** Inside of the cylinder, and the piece as it is seen from here. */
  readonly inside: readonly Vec2[];
  readonly piece: readonly Vec2[];
  /** Its rim: the middle, half its width. */
  readonly rim: { readonly at: Vec2; readonly radius: number };
}

/**
 * The small-parts cylinder from the side, `turn` degrees round its axis. Its bottom slants: seen from another side its two
 * ends are nearer each other in depth.
 */
export function gaugeView(shape: Shape, answer: SmallPartsAnswer, turn = 0): GaugeView {
  const r = G.diameter / 2;
  const [c, s] = [Math.cos((turn * Math.PI) / 180), Math.sin((turn * Math.PI) / 180)];
  const [x0, y0, z0] = answer.pose.position;
  const from = multiply(SIDE, [c, -s, 0, s, c, 0, 0, 0, 1]);
  const middle = (G.shallow + G.deep) / 2;
  const half = ((G.deep - G.shallow) / 2) * c;
  const shadow = hull(shadowOf(bodyOf(shape), multiply(from, answer.pose.rotation))).map(([x, z]): Vec2 => [
    x + c * x0 - s * y0,
    -(z + z0),
  ]);
  const xs = shadow.map((p) => p[0]);
  const ys = shadow.map((p) => p[1]);
  const left = Math.min(-r - 14, ...xs) - 6;
  const right = Math.max(r + 14, ...xs) + 6;
  const top = Math.min(-11, ...ys) - 5;
  const bottom = Math.max(G.deep, ...ys) + 18;
  const at = (x: number, y: number): Vec2 => [x - left, y - top];
  return {
    width: right - left,
    height: bottom - top,
    inside: [at(-r, 0), at(r, 0), at(r, middle + half), at(-r, middle - half)],
    piece: shadow.map(([x, y]) => at(x, y)),
    rim: { at: at(0, 0), radius: r },
  };
}
