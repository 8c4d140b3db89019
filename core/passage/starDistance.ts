import { starOutline } from '../geometry/polygon.ts';

const { PI, cos, sin, sqrt, ceil, log2 } = Math;

/**
 * Signed distance (mm, positive inside) to a star about the origin with a point on the x axis. Its mirrors fold the
 * plane into one sector with one side in it, and no side of another sector is closer than that one: a reflection that
 * takes both to the same side of a mirror brings them no farther apart. So one side is asked instead of all.
 *
 * @example starDistance(5, 80, 26)(0, 0) // => 13
 */
export function starDistance(
  points: number,
  outerDiameter: number,
  innerDiameter: number,
): (x: number, y: number) => number {
  const [[ax, ay], [bx, by]] = starOutline(points, outerDiameter, innerDiameter) as [
    readonly [number, number],
    readonly [number, number],
  ];
  const [dx, dy] = [bx - ax, by - ay];
  const square = dx * dx + dy * dy;
  // Mirrors at the sector's width times 2^k, widest first, fold the half plane into the sector.
  const folds = ceil(log2(points));
  const mirrors = new Float64Array(4 * folds);
  for (let k = 0; k < folds; k++) {
    const a = (PI / points) * 2 ** (folds - 1 - k);
    mirrors.set([cos(a), sin(a), cos(2 * a), sin(2 * a)], 4 * k);
  }
  return (px, py) => {
    let x = px;
    let y = py < 0 ? -py : py;
    for (let k = 0; k < mirrors.length; k += 4)
      if (mirrors[k]! * y > mirrors[k + 1]! * x) {
        // To the other side of the mirror; where that lies beyond the x axis, that mirror too.
        const u = mirrors[k + 2]! * x + mirrors[k + 3]! * y;
        const v = mirrors[k + 3]! * x - mirrors[k + 2]! * y;
        x = u;
        y = v < 0 ? -v : v;
      }
    const [ex, ey] = [x - ax, y - ay];
    const t = (ex * dx + ey * dy) / square;
    const along = t < 0 ? 0 : t > 1 ? 1 : t;
    const [fx, fy] = [ex - along * dx, ey - along * dy];
    const d = sqrt(fx * fx + fy * fy);
    return dx * ey - dy * ex >= 0 ? d : -d;
  };
}
