import { area, boxOf, extents, smallestRectangle } from '../geometry/polygon.ts';
import type { Vec2 } from '../geometry/vector.ts';
import type { Cut, Stock } from '../patterns/kernel.ts';
import { lying, type Nestable } from './nesting.ts';

export const EPS = 1e-6;

type OutlineCut = Extract<Cut, { kind: 'outline' }>;

/** A part, and for how many kits. */
export interface CutTimes {
  readonly cut: Cut;
  readonly times: number;
}

/** One part to cut out, with the rectangle it is cut out of, mm. */
export interface Blank<C extends Nestable = OutlineCut> {
  readonly cut: C;
  readonly width: number;
  readonly height: number;
  /** Whether it may be turned by a quarter. */
  readonly turns: boolean;
  readonly gap: number;
}

/** What a unit opens into. */
export type Panels = Extract<Stock, { kind: 'panels' }>;
export interface Panel {
  readonly size: Vec2;
  /** What nothing is cut over. */
  readonly keepOut: readonly (readonly Vec2[])[];
}
export const panelsIn = ({ panels, keepOut }: Panels): Panel[] =>
  panels.map((size, i) => ({ size, keepOut: keepOut?.[i] ?? [] }));
/** The smallest first: what goes on a side strip leaves the front for what does not. */
export const bySize = (panels: readonly Panel[]): Panel[] =>
  [...panels].sort((a, b) => a.size[0] * a.size[1] - b.size[0] * b.size[1]);

/** A part on a panel: its box, mm from the panel's corner, and by how many degrees it is turned in it. */
export interface LaidPart<C extends Nestable = OutlineCut> {
  readonly cut: C;
  readonly at: Vec2;
  readonly size: Vec2;
  readonly turn: number;
  /** Turned over, with its left on its right. */
  readonly mirrored?: boolean;
}
export interface LaidPanel<C extends Nestable = OutlineCut> extends Panel {
  readonly parts: readonly LaidPart<C>[];
}
/** One stock piece, opened into its panels. */
export type LaidUnit<C extends Nestable = OutlineCut> = readonly LaidPanel<C>[];

/** The part's outline as it lies, mm from the panel's corner. */
export function outlineIn({ cut, at, turn, mirrored = false }: Omit<LaidPart<Nestable>, 'size'>): Vec2[] {
  const points = lying(cut.outline, turn, mirrored);
  const [x0, y0] = boxOf(points);
  return points.map(([x, y]) => [x - x0 + at[0], y - y0 + at[1]]);
}

/** A part with its blank: the smallest rectangle at any turn where the sheet's direction does not matter. */
export function blankOf<C extends Nestable>(cut: C, gap: number): Blank<C> {
  const turns = cut.turn !== 'none';
  if (cut.turn === 'any') {
    const { length, width } = smallestRectangle(cut.outline);
    return { cut, width: length, height: width, turns, gap };
  }
  const [width, height] = extents(cut.outline, 0);
  return { cut, width, height, turns, gap };
}

/** A part as it may lie on a board whose grain is known: with the grain where it asks for that and goes so at all. */
function withGrain(cut: OutlineCut, { grain, panels }: Panels): OutlineCut {
  if (!cut.grain || !grain) return cut;
  const level = (cut.grain === 'x') === (grain === 'along');
  const outline = level ? cut.outline : lying(cut.outline, 90, false);
  const [w, h] = extents(outline, 0);
  return panels.some((p) => w <= p[0] + EPS && h <= p[1] + EPS) ? { ...cut, turn: 'none', outline } : cut;
}

export const blanksOf = (parts: readonly CutTimes[], stock?: Panels): Blank[] =>
  parts.flatMap(({ cut: asked, times }) => {
    if (asked.kind !== 'outline') return [];
    const one = blankOf(stock ? withGrain(asked, stock) : asked, asked.gap);
    return Array.from({ length: asked.count * times }, () => one);
  });

/** A blank laid as it is, or turned by a quarter. */
export const laidAt = <C extends Nestable>(b: Blank<C>, at: Vec2, turned: boolean): LaidPart<C> => ({
  cut: b.cut,
  at,
  size: turned ? [b.height, b.width] : [b.width, b.height],
  turn:
    (b.cut.turn === 'any' ? (-smallestRectangle(b.cut.outline).angle * 180) / Math.PI : 0) +
    (turned ? 90 : 0),
});

export const goesOn = (b: Blank<Nestable>, [w, h]: Vec2): boolean =>
  (b.width <= w + EPS && b.height <= h + EPS) || (b.turns && b.height <= w + EPS && b.width <= h + EPS);

export const isRectangle = ({ cut, width, height }: Blank<Nestable>): boolean =>
  area(cut.outline) > width * height * (1 - 1e-6);

const isSame = (a: Blank<Nestable>, b: Blank<Nestable>): boolean =>
  a.width === b.width &&
  a.height === b.height &&
  a.turns === b.turns &&
  a.gap === b.gap &&
  (a.cut.outline === b.cut.outline ||
    (isRectangle(a) && isRectangle(b)) ||
    JSON.stringify(a.cut.outline) === JSON.stringify(b.cut.outline));
/** Whether all are of one shape, so that one unit says how all are laid. */
export const areSame = (blanks: readonly Blank<Nestable>[]): boolean =>
  blanks.every((b) => isSame(b, blanks[0]!));

/** Area that is surely kept out: of places that lie over each other only the largest, since a bound must not promise too much. */
function keptOut(keepOut: Panel['keepOut']): number {
  const boxes = keepOut.map(boxOf);
  const apart = boxes.every((a, i) =>
    boxes.slice(i + 1).every((b) => a[0] >= b[2] || b[0] >= a[2] || a[1] >= b[3] || b[1] >= a[3]),
  );
  const areas = keepOut.map(area);
  return apart ? areas.reduce((sum, x) => sum + x, 0) : Math.max(...areas);
}
/** Area of a unit that parts can lie on at most, mm². */
export const unitArea = (stock: Panels): number =>
  panelsIn(stock).reduce((n, { size: [w, h], keepOut }) => n + Math.max(0, w * h - keptOut(keepOut)), 0);
export const areaOf = (blanks: readonly Blank<Nestable>[]): number =>
  blanks.reduce((n, b) => n + area(b.cut.outline), 0);
/** No fewer units can do: the area of the parts over that of a unit. */
export const leastUnits = (blanks: readonly Blank<Nestable>[], stock: Panels): number =>
  Math.ceil(areaOf(blanks) / unitArea(stock) - EPS);
