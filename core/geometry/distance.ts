import type { Vec2 } from './vector.ts';

const { sqrt } = Math;

/**
 * Signed distance to a simple outline, positive inside, as a function of the point: the sides are laid out once, since
 * a search asks a hundred thousand times.
 */
export function distanceTo(outline: readonly Vec2[]): (x: number, y: number) => number {
  const n = outline.length;
  const sides = new Float64Array(5 * n);
  for (let i = 0; i < n; i++) {
    const [ax, ay] = outline[i]!;
    const [bx, by] = outline[(i + 1) % n]!;
    sides.set([ax, ay, bx - ax, by - ay, 1 / ((bx - ax) ** 2 + (by - ay) ** 2)], 5 * i);
  }
  return (x, y) => {
    let best = Infinity;
    let inside = false;
    for (let k = 0; k < sides.length; k += 5) {
      const px = x - sides[k]!;
      const py = y - sides[k + 1]!;
      const dx = sides[k + 2]!;
      const dy = sides[k + 3]!;
      const t = (px * dx + py * dy) * sides[k + 4]!;
      const along = t < 0 ? 0 : t > 1 ? 1 : t;
      const ex = px - along * dx;
      const ey = py - along * dy;
      const d = ex * ex + ey * ey;
      if (d < best) best = d;
      if (py < 0 !== py < dy && px < (dx * py) / dy) inside = !inside;
    }
    return inside ? sqrt(best) : -sqrt(best);
  };
}
