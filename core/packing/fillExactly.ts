import { EPS, type Box, type Placement, type Triple } from './problem.ts';

/** Whether one length is a whole multiple of another. */
const isMultiple = (length: number, of: number): boolean => {
  const times = Math.round(length / of);
  return times >= 1 && Math.abs(length - times * of) <= EPS * length;
};

/** Whether the boxes fill the room to the last: nothing may be left over anywhere. */
export const nothingToSpare = (boxes: readonly Box[], room: Triple): boolean => {
  const space = room[0] * room[1] * room[2];
  return Math.abs(boxes.reduce((s, b) => s + b.volume, 0) - space) <= 1e-9 * space;
};

/**
 * A length of which every box has some side that is a whole multiple while the room has none: such boxes never fill such a
 * room without a gap, however they are turned (colour the room in stripes of half that length along all three axes: each
 * box covers as much of one colour as of the other, the room does not). Null where there is no such length.
 *
 * @source N. G. de Bruijn, Filling boxes with bricks, American Mathematical Monthly 76 (1969); S. Wagon, Fourteen proofs
 * of a result about tiling a rectangle, the same 94 (1987)
 */
export function colouringLength(boxes: readonly Box[], room: Triple): number | null {
  const kinds = [...new Set(boxes)];
  const sides = [...new Set(kinds.flatMap((b) => [...b.ways[0]!]))].sort((a, b) => b - a);
  for (const n of sides)
    if (
      !room.some((r) => isMultiple(r, n)) &&
      kinds.every((b) => b.ways[0]!.some((side) => isMultiple(side, n)))
    )
      return n;
  return null;
}

/** The floor in a grid of the places where boxes end, with the height it is filled to. */
interface Floor {
  readonly xs: readonly number[];
  readonly ys: readonly number[];
  /** Heights by row (y), then by column (x). */
  readonly heights: readonly (readonly number[])[];
}

/** With a cut at `at`, and where it lies; rows or columns are doubled by the caller. */
function cut(edges: readonly number[], at: number): { edges: readonly number[]; split: number | null } {
  const i = edges.findIndex((e) => e >= at - EPS);
  if (Math.abs(edges[i]! - at) <= EPS) return { edges, split: null };
  return { edges: [...edges.slice(0, i), at, ...edges.slice(i)], split: i - 1 };
}
const doubled = <T>(list: readonly T[], i: number): T[] => [...list.slice(0, i + 1), ...list.slice(i)];

/**
 * Fills a room with boxes that have exactly its volume: the lowest, hindmost, leftmost place that is empty must be the
 * corner of some box that rests on a level floor, so every way of doing that is tried, and none of another kind is needed.
 *
 * @returns where they lie; false when every way was ruled out; null when `late` before that
 */
export function fillExactly(
  boxes: readonly Box[],
  room: Triple,
  late: () => boolean,
): Placement[] | false | null {
  const left = new Map<Box, number>();
  for (const b of boxes) left.set(b, (left.get(b) ?? 0) + 1);
  const kinds = [...left.keys()].sort((a, b) => b.volume - a.volume);
  const placed: Placement[] = [];
  let stopped = false;
  let looks = 0;
  const least = (): number =>
    Math.min(...kinds.filter((b) => left.get(b)! > 0).map((b) => Math.min(...b.ways[0]!)));
  const walk = (floor: Floor): boolean => {
    if (placed.length === boxes.length) return true;
    if (looks++ % 256 === 0 && late()) stopped = true;
    if (stopped) return false;
    const { xs, ys, heights } = floor;
    let [row, column, z] = [0, 0, Infinity];
    heights.forEach((line, j) =>
      line.forEach((h, i) => {
        if (h < z - EPS) [row, column, z] = [j, i, h];
      }),
    );
    const [x, y] = [xs[column]!, ys[row]!];
    let end = column;
    while (end < heights[row]!.length && Math.abs(heights[row]![end]! - z) <= EPS) end++;
    const gap = xs[end]! - x;
    const smallest = least();
    const leaves = (room: number, side: number): boolean =>
      side <= room + EPS && (room - side <= EPS || room - side >= smallest - EPS);
    for (const kind of kinds) {
      if (left.get(kind)! === 0) continue;
      for (const [l, w, h] of kind.ways) {
        if (!leaves(gap, l) || !leaves(room[1] - y, w) || !leaves(room[2] - z, h)) continue;
        const acrossX = cut(xs, x + l);
        const acrossY = cut(ys, y + w);
        let grid = heights;
        if (acrossY.split !== null) grid = doubled(grid, acrossY.split);
        if (acrossX.split !== null) grid = grid.map((line) => doubled(line, acrossX.split!));
        const [toX, toY] = [
          acrossX.edges.findIndex((e) => e >= x + l - EPS),
          acrossY.edges.findIndex((e) => e >= y + w - EPS),
        ];
        let level = true;
        for (let j = row; j < toY && level; j++)
          for (let i = column; i < toX && level; i++) level = Math.abs(grid[j]![i]! - z) <= EPS;
        if (!level) continue;
        const next = grid.map((line, j) =>
          j < row || j >= toY ? line : line.map((was, i) => (i < column || i >= toX ? was : z + h)),
        );
        left.set(kind, left.get(kind)! - 1);
        placed.push({ id: kind.id, x, y, z, length: l, width: w, height: h });
        if (walk({ xs: acrossX.edges, ys: acrossY.edges, heights: next })) return true;
        placed.pop();
        left.set(kind, left.get(kind)! + 1);
        if (stopped) return false;
      }
    }
    return false;
  };
  if (walk({ xs: [0, room[0]], ys: [0, room[1]], heights: [[0]] })) return placed;
  return stopped ? null : false;
}
