import { MaxRectsPacker } from 'maxrects-packer/dist/maxrects-packer.mjs';
import { boxOf } from '../geometry/polygon.ts';
import type { Vec2 } from '../geometry/vector.ts';
import {
  areSame,
  EPS,
  goesOn,
  laidAt,
  panelsIn,
  type Blank,
  type LaidPart,
  type LaidUnit,
  type Panel,
  type Panels,
} from './blank.ts';
import { emptiestLast } from './emptiestSheet.ts';
import { clearOf, layGuillotine } from './guillotine.ts';
import type { Nestable } from './nesting.ts';

/** More rectangles than this are not laid out at once while a dial is turned. */
export const AT_ONCE = 60;

/**
 * Ways to lay rectangles: so that a trimmer cuts them, turned as the library likes, all level, all upright. The best of
 * them counts, and the first where several are as good.
 */
export const WAYS = ['guillotine', 'free', 'level', 'upright'] as const;
export type Way = (typeof WAYS)[number];

/** What was laid on a panel, and what is left over. */
export interface On<C extends Nestable> {
  readonly placed: readonly LaidPart<C>[];
  readonly left: readonly Blank<C>[];
}

interface Rows {
  readonly across: number;
  readonly count: number;
  readonly turned: boolean;
}

/** Rows and columns of one size on a panel, level or all turned by a quarter, whichever gives more. */
function rowsOn(b: Blank<Nestable>, [w, h]: Vec2): Rows {
  const rows = (turned: boolean): Rows => {
    const [x, y] = turned ? [b.height, b.width] : [b.width, b.height];
    const across = Math.max(0, Math.floor((w + b.gap + EPS) / (x + b.gap)));
    const down = Math.max(0, Math.floor((h + b.gap + EPS) / (y + b.gap)));
    return { across, count: across * down, turned };
  };
  const [level, upright] = [rows(false), rows(true)];
  return b.turns && upright.count > level.count ? upright : level;
}

/** The first `most` of them, laid. */
function layRows<C extends Nestable>(
  b: Blank<C>,
  { across, count, turned }: Rows,
  most: number,
): LaidPart<C>[] {
  const [x, y] = turned ? [b.height, b.width] : [b.width, b.height];
  return Array.from({ length: Math.min(count, most) }, (_, i) =>
    laidAt(b, [(i % across) * (x + b.gap), Math.floor(i / across) * (y + b.gap)], turned),
  );
}

/** So that a trimmer takes them apart; what is kept out is cut off first. */
function trimmedOn<C extends Nestable>(blanks: readonly Blank<C>[], { size: [w, h], keepOut }: Panel): On<C> {
  const gap = Math.max(0, ...blanks.map((b) => b.gap));
  const clear = clearOf([0, 0, w, h], keepOut.map(boxOf)).sort(
    (a, b) => (a[2] - a[0]) * (a[3] - a[1]) - (b[2] - b[0]) * (b[3] - b[1]),
  );
  const placed: LaidPart<C>[] = [];
  let left = blanks;
  for (const [u, v, u1, v1] of clear) {
    const on = layGuillotine([u1 - u, v1 - v], left, gap);
    for (const [i, { at, turned }] of on) placed.push(laidAt(left[i]!, [u + at[0], v + at[1]], turned));
    left = left.filter((_, i) => !on.has(i));
  }
  return { placed, left };
}

/** Lays rectangles on one panel; where something is kept out, so that a trimmer cuts them. */
export function layOn<C extends Nestable>(blanks: readonly Blank<C>[], panel: Panel, way: Way): On<C> {
  if (way === 'guillotine' || panel.keepOut.length > 0) return trimmedOn(blanks, panel);
  const [w, h] = panel.size;
  const fits = blanks.filter((b) => goesOn(b, panel.size));
  if (fits.length === 0) return { placed: [], left: blanks };
  const gap = Math.max(...fits.map((b) => b.gap));
  const isTurned = (b: Blank<C>): boolean => {
    const [long, short] = [Math.max(b.width, b.height), Math.min(b.width, b.height)];
    const wanted: Vec2 = way === 'level' ? [long, short] : [short, long];
    const asked = b.turns && way !== 'free' ? wanted : ([b.width, b.height] as const);
    // What does not go that way round goes the other.
    const lies = asked[0] <= w + EPS && asked[1] <= h + EPS ? asked : [asked[1], asked[0]];
    return lies[0] !== b.width;
  };
  const packer = new MaxRectsPacker(w + gap + EPS, h + gap + EPS, 0, {
    smart: false,
    pot: false,
    square: false,
    allowRotation: way === 'free' && fits.every((b) => b.turns),
  });
  packer.addArray(
    fits.map((b, i) => {
      const turned = isTurned(b);
      const [across, down] = turned ? [b.height, b.width] : [b.width, b.height];
      return { x: 0, y: 0, width: across + gap, height: down + gap, data: { i, turned } };
    }) as never,
  );
  type Rect = { x: number; y: number; rot?: boolean; data: { i: number; turned: boolean } };
  const rects = (packer.bins[0]?.rects ?? []) as unknown as Rect[];
  const on = new Set(rects.map((r) => r.data.i));
  return {
    placed: rects.map((r) => laidAt(fits[r.data.i]!, [r.x, r.y], r.data.turned !== (r.rot ?? false))),
    left: [...fits.filter((_, i) => !on.has(i)), ...blanks.filter((b) => !goesOn(b, panel.size))],
  };
}

/** One size on one plain panel: in rows, or laid by the best way where rows leave room for more. */
export function layOneSize<C extends Nestable>(
  b: Blank<C>,
  panel: Panel,
  { ways, most }: { readonly ways: readonly Way[]; readonly most: number },
): readonly LaidPart<C>[] {
  const rows = rowsOn(b, panel.size);
  const [w, h] = panel.size;
  const bound = Math.floor(((w + b.gap) * (h + b.gap)) / ((b.width + b.gap) * (b.height + b.gap)));
  // Rows that fill the area, and sizes so small that what is left over hardly matters, need no search.
  if (rows.count >= bound || bound > AT_ONCE) return layRows(b, rows, most);
  const many = Array.from({ length: bound }, () => b);
  const best = ways
    .map((way) => layOn(many, panel, way).placed)
    .reduce((x, y) => (y.length > x.length ? y : x));
  return best.length > rows.count ? best.slice(0, most) : layRows(b, rows, most);
}

/** How many of one size rows give, without laying them: thousands of dots on a sheet are counted so. */
export function countOneSize(b: Blank<Nestable>, panel: Panel, ways: readonly Way[]): number {
  const rows = rowsOn(b, panel.size);
  return rows.count > AT_ONCE ? rows.count : layOneSize(b, panel, { ways, most: Infinity }).length;
}

/**
 * Rectangles on sheets of one plain panel, in an order that a search found: as few sheets as it finds, and of those the
 * laying that leaves the most of one. null where they cannot be laid so.
 */
export function laySearched<C extends Nestable>(
  blanks: readonly Blank<C>[],
  stock: Panels,
  fewest: number,
): LaidUnit<C>[] | null {
  const panels = panelsIn(stock);
  const [panel] = panels;
  const [one] = blanks;
  const isPlain =
    panels.length === 1 &&
    panel!.keepOut.length === 0 &&
    !areSame(blanks) &&
    blanks.every((b) => b.turns === one!.turns && b.gap === one!.gap);
  if (!isPlain) return null;
  const laid = emptiestLast(
    panel!.size,
    blanks.map((b) => [b.width, b.height]),
    { gap: one!.gap, turns: one!.turns, fewest },
  );
  return (
    laid &&
    laid.map((on) => [
      { ...panel!, parts: on.map(({ index, at, turned }) => laidAt(blanks[index]!, at, turned)) },
    ])
  );
}
