import type { Vec2 } from '../geometry/vector.ts';

/** A rectangle to cut, mm, and whether it may be turned by a quarter. */
export interface Rectangle {
  readonly width: number;
  readonly height: number;
  readonly turns: boolean;
}
/** Where it lies, mm from the panel's corner. */
export interface Placed {
  readonly at: Vec2;
  readonly size: Vec2;
  readonly turned: boolean;
}
type Box = readonly [number, number, number, number];

const EPS = 1e-6;

/** Whether cuts that each go through whatever lies on the table take all of them apart, as a trimmer cuts. */
export function isGuillotine(boxes: readonly Box[]): boolean {
  if (boxes.length < 2) return true;
  for (const k of [0, 1] as const) {
    const order = [...boxes].sort((a, b) => a[k] - b[k]);
    let end = -Infinity;
    for (const [i, box] of order.entries()) {
      // Where one thing begins after all before it have ended, a cut goes through; the two sides are apart from then on.
      if (i > 0 && box[k] >= end - EPS)
        return isGuillotine(order.slice(0, i)) && isGuillotine(order.slice(i));
      end = Math.max(end, box[k + 2]!);
    }
  }
  return false;
}

/** What is left of a panel once places that are kept out were cut off through and through: rectangles to lay on. */
export function clearOf([x0, y0, x1, y1]: Box, keepOut: readonly Box[]): Box[] {
  if (x1 - x0 < EPS || y1 - y0 < EPS) return [];
  const hit = keepOut.find((k) => k[0] < x1 - EPS && x0 < k[2] - EPS && k[1] < y1 - EPS && y0 < k[3] - EPS);
  if (!hit) return [[x0, y0, x1, y1]];
  const [u0, v0, u1, v1] = [
    Math.max(hit[0], x0),
    Math.max(hit[1], y0),
    Math.min(hit[2], x1),
    Math.min(hit[3], y1),
  ];
  const strips = (upright: boolean): Box[] =>
    upright
      ? [
          [x0, y0, u0, y1],
          [u1, y0, x1, y1],
          [u0, y0, u1, v0],
          [u0, v1, u1, y1],
        ]
      : [
          [x0, y0, x1, v0],
          [x0, v1, x1, y1],
          [x0, v0, u0, v1],
          [u1, v0, x1, v1],
        ];
  const most = (boxes: readonly Box[]): number =>
    Math.max(0, ...boxes.map(([a, b, c, d]) => Math.max(0, c - a) * Math.max(0, d - b)));
  // The way that leaves the larger whole piece.
  const [a, b] = [strips(true), strips(false)];
  return (most(a) >= most(b) ? a : b).flatMap((strip) => clearOf(strip, keepOut));
}

/** In what order they are laid, and along which side what is left of a place is cut. */
const ORDERS: readonly ((r: Rectangle) => number)[] = [
  (r) => r.width * r.height,
  (r) => Math.max(r.width, r.height),
  (r) => Math.min(r.width, r.height),
];
const SPLITS = ['longer', 'shorter', 'upright', 'level'] as const;

function upright(split: (typeof SPLITS)[number], right: number, below: number): boolean {
  if (split === 'longer') return right > below;
  if (split === 'shorter') return right <= below;
  return split === 'upright';
}

function layBy(
  panel: Vec2,
  rectangles: readonly Rectangle[],
  gap: number,
  order: (r: Rectangle) => number,
  split: (typeof SPLITS)[number],
): Map<number, Placed> {
  let free: Box[] = [[0, 0, panel[0], panel[1]]];
  const placed = new Map<number, Placed>();
  const turn = [...rectangles.keys()].sort((a, b) => order(rectangles[b]!) - order(rectangles[a]!));
  for (const i of turn) {
    const r = rectangles[i]!;
    let best: { waste: number; box: Box; size: Vec2; turned: boolean } | null = null;
    for (const box of free)
      for (const turned of r.turns ? [false, true] : [false]) {
        const size: Vec2 = turned ? [r.height, r.width] : [r.width, r.height];
        const [right, below] = [box[2] - box[0] - size[0], box[3] - box[1] - size[1]];
        if (right < -EPS || below < -EPS) continue;
        const waste = Math.min(right, below);
        if (!best || waste < best.waste - EPS) best = { waste, box, size, turned };
      }
    if (!best) continue;
    const { box, size, turned } = best;
    const [x0, y0, x1, y1] = box;
    placed.set(i, { at: [x0, y0], size, turned });
    const [x, y] = [x0 + size[0] + gap, y0 + size[1] + gap];
    const rest: Box[] = upright(split, x1 - x, y1 - y)
      ? [
          [x, y0, x1, y1],
          [x0, y, x - gap, y1],
        ]
      : [
          [x0, y, x1, y1],
          [x, y0, x1, y - gap],
        ];
    free = [...free.filter((b) => b !== box), ...rest.filter(([a, b, c, d]) => c - a > EPS && d - b > EPS)];
  }
  return placed;
}

/**
 * Rectangles on one panel, `gap` apart, so that every cut goes from edge to edge of what is being cut, as a paper trimmer
 * cuts: each goes where it leaves the narrowest strip, and what is left of that place is cut in two (the guillotine
 * heuristics of Jylänki 2010, in several orders, of which the one that lays most area counts). What finds no place is left
 * out; a search by hand may now and then find room for one more.
 *
 * @returns where each lies, by its index
 */
export function layGuillotine(
  panel: Vec2,
  rectangles: readonly Rectangle[],
  gap: number,
): Map<number, Placed> {
  let best = new Map<number, Placed>();
  let most = -1;
  for (const order of ORDERS)
    for (const split of SPLITS) {
      const placed = layBy(panel, rectangles, gap, order, split);
      const sum = [...placed.values()].reduce((n, { size: [w, h] }) => n + w * h, 0);
      if (sum > most + EPS) [best, most] = [placed, sum];
      if (placed.size === rectangles.length) return placed;
    }
  return best;
}
