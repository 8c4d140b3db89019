import { Matrix, SingularValueDecomposition } from 'ml-matrix';
import type { Vec2 } from '../geometry/vector.ts';

/** A map of one plane onto another, three rows of three. */
export type Homography = readonly [number, number, number, number, number, number, number, number, number];

export function throughHomography(h: Homography, [x, y]: Vec2): Vec2 {
  const w = h[6] * x + h[7] * y + h[8];
  return [(h[0] * x + h[1] * y + h[2]) / w, (h[3] * x + h[4] * y + h[5]) / w];
}

/** Moves points about their middle and to a mean distance of √2, without which the sums below lose their digits. */
function normalizing(points: readonly Vec2[]): Matrix {
  const n = points.length;
  const cx = points.reduce((sum, p) => sum + p[0], 0) / n;
  const cy = points.reduce((sum, p) => sum + p[1], 0) / n;
  const far = points.reduce((sum, p) => sum + Math.hypot(p[0] - cx, p[1] - cy), 0) / n;
  const s = Math.SQRT2 / (far || 1);
  return new Matrix([
    [s, 0, -s * cx],
    [0, s, -s * cy],
    [0, 0, 1],
  ]);
}

/**
 * The homography that takes `from` to `to` with the least algebraic error: the normalized direct linear transformation of
 * Hartley and Zisserman, Multiple View Geometry, 2nd ed., algorithm 4.2. Null for fewer than four pairs.
 */
export function homographyOf(from: readonly Vec2[], to: readonly Vec2[]): Homography | null {
  if (from.length < 4 || from.length !== to.length) return null;
  const [a, b] = [normalizing(from), normalizing(to)];
  const moved = (m: Matrix, [x, y]: Vec2): Vec2 => [
    m.get(0, 0) * x + m.get(0, 2),
    m.get(1, 1) * y + m.get(1, 2),
  ];
  const rows = from.flatMap((p, i) => {
    const [x, y] = moved(a, p);
    const [u, v] = moved(b, to[i]!);
    return [
      [-x, -y, -1, 0, 0, 0, u * x, u * y, u],
      [0, 0, 0, -x, -y, -1, v * x, v * y, v],
    ];
  });
  // One row of noughts, so that four pairs have nine singular vectors too.
  const svd = new SingularValueDecomposition(new Matrix([...rows, new Array<number>(9).fill(0)]), {
    autoTranspose: false,
  });
  const v = svd.rightSingularVectors.getColumn(8);
  const h = new Matrix([v.slice(0, 3), v.slice(3, 6), v.slice(6, 9)]);
  const inverse = new Matrix([
    [1 / b.get(0, 0), 0, -b.get(0, 2) / b.get(0, 0)],
    [0, 1 / b.get(1, 1), -b.get(1, 2) / b.get(1, 1)],
    [0, 0, 1],
  ]);
  const whole = inverse.mmul(h).mmul(a);
  const flat = whole.to1DArray();
  return flat.every(Number.isFinite) ? (flat as unknown as Homography) : null;
}
