import { distanceTo } from '../../geometry/distance.ts';
import { area } from '../../geometry/polygon.ts';
import { evenly } from '../../outline/along.ts';
import { inset, sizedOutline } from '../../outline/outline.ts';
import type { SHAPE_IDS } from '../../outline/shapes.ts';
import type { Vec2 } from '../../geometry/vector.ts';

type ShapeId = (typeof SHAPE_IDS)[number];

/**
 * Insets in the order in which they are taken: each next is the one that goes worst into the holes of those before it (a
 * test finds the order again).
 */
export const INSETS = [
  'triangle',
  'star',
  'fish',
  'boat',
  'square',
  'drop',
  'leaf',
  'heart',
  'house',
  'circle',
] as const satisfies readonly ShapeId[];

/** Area of every inset as a share of the square of the longest: the slimmest, fish and leaf, are as long as that. */
const SHARE = 0.3;

/**
 * Outline of an inset, mm about its middle. All have one area, so none lies wholly inside another, as a circle does in a
 * square of its width.
 */
export function insetOutline(shape: ShapeId, longest: number): Vec2[] {
  const one = sizedOutline({ kind: 'shape', shape }, 1);
  const k = longest * Math.sqrt(SHARE / area(one));
  return one.map(([x, y]): Vec2 => [k * x, k * y]);
}
/** Outline of the hole that it goes into, mm. */
export const holeOutline = (shape: ShapeId, longest: number, loose: number): Vec2[] =>
  inset(insetOutline(shape, longest), -loose);

/** Points that stand for an outline in the search. */
const POINTS = 48;
const known = new Map<string, number>();

/** How far one shape of longest side 1 stands over another's edge at its best turn and place. */
function leastOver(a: ShapeId, b: ShapeId): number {
  const key = `${a} ${b}`;
  const there = known.get(key);
  if (there !== undefined) return there;
  const points = evenly(insetOutline(a, 1), POINTS, true);
  const inside = distanceTo(evenly(insetOutline(b, 1), POINTS, true));
  let best = Infinity;
  for (let turn = 0; turn < 360; turn += 15) {
    const [c, s] = [Math.cos((turn * Math.PI) / 180), Math.sin((turn * Math.PI) / 180)];
    const turned = points.map(([x, y]): Vec2 => [c * x - s * y, s * x + c * y]);
    let at: Vec2 = [0, 0];
    /** How far it stands over there; whatever is not under `under` is of no use. */
    const over = ([u, v]: Vec2, under: number): number => {
      let most = -Infinity;
      for (const [x, y] of turned) {
        most = Math.max(most, -inside(x + u, y + v));
        if (most >= under) break;
      }
      return most;
    };
    let now = over(at, Infinity);
    for (let step = 1 / 8; step > 0.003; step /= 2)
      for (let moved = true; moved;) {
        moved = false;
        for (const [x, y] of [
          [step, 0],
          [-step, 0],
          [0, step],
          [0, -step],
        ] as Vec2[]) {
          const next: Vec2 = [at[0] + x, at[1] + y];
          const reached = over(next, now);
          if (reached < now - 1e-9) [at, now, moved] = [next, reached, true];
        }
      }
    best = Math.min(best, now);
  }
  known.set(key, best);
  return best;
}

/**
 * How far an inset stands over the edge of a hole that is not its own, at its best turn and place, mm: over 0 it does not
 * go in. Searched by turns of 15° and steps of the place on outlines of 48 points, not proved; a hole's corners count as
 * rounded by its room.
 */
export const standsOver = (a: ShapeId, b: ShapeId, longest: number, loose: number): number =>
  longest * leastOver(a, b) - loose;

/** Of all insets in wrong holes the one that comes nearest to going in. */
export function closestInset(
  shapes: readonly ShapeId[],
  longest: number,
  loose: number,
): { readonly a: number; readonly b: number; readonly gap: number } | null {
  let best: { a: number; b: number; gap: number } | null = null;
  for (const [a, one] of shapes.entries())
    for (const [b, other] of shapes.entries()) {
      if (a === b) continue;
      const gap = standsOver(one, other, longest, loose);
      if (!best || gap < best.gap) best = { a, b, gap };
    }
  return best;
}

/** Rows and columns of a board, and its size, mm. */
export function boardOf(
  count: number,
  longest: number,
  loose: number,
): { columns: number; pitch: number; size: Vec2 } {
  const columns = Math.ceil(Math.sqrt(count));
  const pitch = longest + 2 * loose + 15;
  return { columns, pitch, size: [columns * pitch + 10, Math.ceil(count / columns) * pitch + 10] };
}

/** Middles of the insets on their board, mm about its middle. */
export const placesOf = (d: {
  readonly number: number;
  readonly width: number;
  readonly loose: number;
}): Vec2[] => {
  const { columns, pitch } = boardOf(d.number, d.width, d.loose);
  const rows = Math.ceil(d.number / columns);
  return Array.from({ length: d.number }, (_, i) => [
    ((i % columns) - (columns - 1) / 2) * pitch,
    (Math.floor(i / columns) - (rows - 1) / 2) * pitch,
  ]);
};
