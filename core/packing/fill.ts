import { EPS, type Box, type Placement, type Triple } from './problem.ts';

/**
 * Where a box can start or end along an axis once everything is pushed towards the origin: sums of extents, each box
 * once (Herz 1972; Christofides and Whitlock 1977).
 */
function stops(boxes: readonly Box[], end: number, most: number): number[] | null {
  let sums = [0];
  for (const box of boxes) {
    const extents = [...new Set(box.ways.flatMap((w) => w as readonly number[]))];
    const next = [...sums];
    for (const s of sums) for (const e of extents) if (s + e <= end + EPS) next.push(s + e);
    next.sort((a, b) => a - b);
    sums = next.filter((x, i) => i === 0 || x - next[i - 1]! > EPS);
    if (sums.length > most) return null;
  }
  if (end - sums.at(-1)! > EPS) sums.push(end);
  return sums;
}

/**
 * Exact search for tight packings of few different sizes: the first empty cell of the grid of stops is either the lower
 * corner of a box or waste, and there is only so much waste. true with a packing, false when there is none, null when
 * the grid has more than `mostCells` cells or time ran out.
 */
export function fill(
  boxes: readonly Box[],
  room: Triple,
  late: () => boolean,
  mostCells: number,
): { readonly fits: boolean | null; readonly placements: Placement[] } {
  const grid = room.map((end) => stops(boxes, end, mostCells));
  if (grid.some((g) => g === null)) return { fits: null, placements: [] };
  const [gx, gy, gz] = grid as [number[], number[], number[]];
  const [nx, ny, nz] = [gx.length - 1, gy.length - 1, gz.length - 1];
  if (nx * ny * nz > mostCells) return { fits: null, placements: [] };
  const used = new Uint8Array(nx * ny * nz);
  const kinds = [...new Set(boxes)];
  const left = kinds.map((k) => boxes.filter((b) => b === k).length);
  const placements: Placement[] = [];
  let waste = room[0] * room[1] * room[2] - boxes.reduce((s, b) => s + b.volume, 0);
  let todo = boxes.length;
  let steps = 0;
  const indexOf = (g: number[], x: number): number => {
    let [lo, hi] = [0, g.length - 1];
    while (lo < hi) {
      const mid = (lo + hi) >> 1;
      if (g[mid]! < x - EPS) lo = mid + 1;
      else hi = mid;
    }
    return Math.abs(g[lo]! - x) <= EPS * 10 ? lo : -1;
  };
  const mark = (x0: number, x1: number, y0: number, y1: number, z0: number, z1: number, as: number): void => {
    for (let z = z0; z < z1; z++)
      for (let y = y0; y < y1; y++) used.fill(as, (z * ny + y) * nx + x0, (z * ny + y) * nx + x1);
  };
  const free = (x0: number, x1: number, y0: number, y1: number, z0: number, z1: number): boolean => {
    for (let z = z0; z < z1; z++)
      for (let y = y0; y < y1; y++)
        for (let x = x0; x < x1; x++) if (used[(z * ny + y) * nx + x]) return false;
    return true;
  };
  const node = (from: number): boolean | null => {
    if (todo === 0) return true;
    if ((++steps & 255) === 0 && late()) return null;
    let cell = from;
    while (cell < used.length && used[cell]) cell++;
    if (cell === used.length) return false;
    const x = cell % nx;
    const y = Math.floor(cell / nx) % ny;
    const z = Math.floor(cell / (nx * ny));
    for (let k = 0; k < kinds.length; k++) {
      if (left[k] === 0) continue;
      for (const way of kinds[k]!.ways) {
        const [ex, ey, ez] = [
          indexOf(gx, gx[x]! + way[0]),
          indexOf(gy, gy[y]! + way[1]),
          indexOf(gz, gz[z]! + way[2]),
        ];
        if (ex < 0 || ey < 0 || ez < 0 || !free(x, ex, y, ey, z, ez)) continue;
        mark(x, ex, y, ey, z, ez, 1);
        left[k]!--;
        todo--;
        placements.push({
          id: kinds[k]!.id,
          x: gx[x]!,
          y: gy[y]!,
          z: gz[z]!,
          length: way[0],
          width: way[1],
          height: way[2],
        });
        const answer = node(cell + 1);
        if (answer !== false) return answer;
        placements.pop();
        todo++;
        left[k]!++;
        mark(x, ex, y, ey, z, ez, 0);
      }
    }
    const empty = (gx[x + 1]! - gx[x]!) * (gy[y + 1]! - gy[y]!) * (gz[z + 1]! - gz[z]!);
    if (empty > waste + EPS) return false;
    waste -= empty;
    used[cell] = 1;
    const answer = node(cell + 1);
    used[cell] = 0;
    waste += empty;
    return answer;
  };
  const fits = node(0);
  return { fits, placements: fits ? placements : [] };
}
