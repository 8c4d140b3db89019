import { EPS, type Box, type Placement, type Triple } from './problem.ts';

const { min, max } = Math;

/**
 * A quick packing, or null: boxes in the order given, each where it lies lowest, then furthest back, then furthest left,
 * at a corner point of what is placed already. A packing it finds is a packing; that it finds none, or that it was late,
 * proves nothing.
 */
export function packByCorners(
  boxes: readonly Box[],
  room: Triple,
  preferred: (way: Triple) => number,
  late: () => boolean,
): Placement[] | null {
  const placed: Placement[] = [];
  let corners: Triple[] = [[0, 0, 0]];
  const key = (c: Triple): string => c.map((x) => Math.round(x / EPS)).join();
  const seen = new Set([key([0, 0, 0])]);
  const clear = (at: Triple, way: Triple): boolean =>
    way.every((x, k) => at[k]! + x <= room[k]! + EPS) &&
    placed.every(
      (p) =>
        at[0] >= p.x + p.length - EPS ||
        p.x >= at[0] + way[0] - EPS ||
        at[1] >= p.y + p.width - EPS ||
        p.y >= at[1] + way[1] - EPS ||
        at[2] >= p.z + p.height - EPS ||
        p.z >= at[2] + way[2] - EPS,
    );
  for (const box of boxes) {
    if (late()) return null;
    let best: { at: Triple; way: Triple; score: number } | null = null;
    for (const at of corners)
      for (const way of box.ways) {
        const score = (at[2] + way[2]) * 1e6 + at[1] * 1e3 + at[0] + preferred(way);
        if ((best === null || score < best.score) && clear(at, way)) best = { at, way, score };
      }
    if (!best) return null;
    const { at, way } = best;
    const put: Placement = {
      id: box.id,
      x: at[0],
      y: at[1],
      z: at[2],
      length: way[0],
      width: way[1],
      height: way[2],
    };
    placed.push(put);
    // Corners slide towards the origin until something stops them.
    const slide = (p: Triple, axis: number): Triple => {
      let to = 0;
      for (const q of placed) {
        const low = [q.x, q.y, q.z];
        const far = [q.x + q.length, q.y + q.width, q.z + q.height];
        const covers = [0, 1, 2].every(
          (k) => k === axis || (p[k]! >= low[k]! - EPS && p[k]! < far[k]! - EPS),
        );
        if (covers && far[axis]! <= p[axis]! + EPS) to = max(to, far[axis]!);
      }
      const out: [number, number, number] = [p[0], p[1], p[2]];
      out[axis] = min(out[axis]!, to);
      return out;
    };
    const ends: Triple[] = [
      [put.x + put.length, put.y, put.z],
      [put.x, put.y + put.width, put.z],
      [put.x, put.y, put.z + put.height],
    ];
    const fresh = [
      ...ends,
      ...ends.flatMap((e, axis) => [0, 1, 2].filter((k) => k !== axis).map((k) => slide(e, k))),
    ].filter((c) => {
      const name = key(c);
      return !seen.has(name) && seen.add(name);
    });
    // Where the box lies now, nothing else can start: it would only be tried in vain.
    const far: Triple = [put.x + put.length, put.y + put.width, put.z + put.height];
    corners = [...corners, ...fresh].filter(
      (c) => !c.every((v, k) => v >= at[k]! - EPS && v < far[k]! - EPS),
    );
  }
  return placed;
}
