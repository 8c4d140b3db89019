import { MaxRectsPacker } from 'maxrects-packer/dist/maxrects-packer.mjs';
import { area, boxOf, extents, smallestRectangle } from '../geometry/polygon.ts';
import type { Vec2 } from '../geometry/vector.ts';
import type { Cut, Stock } from '../patterns/kernel.ts';
import { fewestBins } from './fewest.ts';
import { isGuillotine, layGuillotine } from './guillotine.ts';
import { lying, nest, type Masks, type Nestable } from './nesting.ts';

/** A part, and for how many kits. */
export interface CutTimes {
  readonly cut: Cut;
  readonly times: number;
}

/** A stock length with what is cut from it, in order; mm. */
export interface LaidLength {
  readonly length: number;
  readonly cuts: readonly { readonly cut: Cut; readonly from: number; readonly length: number }[];
  /** What is left at its end, after the last cut's loss. */
  readonly left: number;
}

/** A part on a panel: its box, mm from the panel's corner, and by how many degrees it is turned in it. */
export interface LaidPart {
  readonly cut: OutlineCut;
  readonly at: Vec2;
  readonly size: Vec2;
  readonly turn: number;
  /** Turned over, with its left on its right. */
  readonly mirrored?: boolean;
}
interface LaidPanel {
  readonly size: Vec2;
  /** What nothing was cut over. */
  readonly keepOut: readonly (readonly Vec2[])[];
  readonly parts: readonly LaidPart[];
}
/** One stock piece, opened into its panels. */
export type LaidUnit = readonly LaidPanel[];

type OutlineCut = Extract<Cut, { kind: 'outline' }>;

/** What a unit opens into. */
export type Panels = Extract<Stock, { kind: 'panels' }>;
interface Panel {
  readonly size: Vec2;
  readonly keepOut: readonly (readonly Vec2[])[];
}
const panelsIn = ({ panels, keepOut }: Panels): Panel[] =>
  panels.map((size, i) => ({ size, keepOut: keepOut?.[i] ?? [] }));

const EPS = 1e-6;

/** Stock lengths with what is cut from them, and whether no plan takes fewer. */
export interface LaidLengths {
  readonly laid: readonly LaidLength[];
  readonly isLeast: boolean;
}

/**
 * Lengths into the fewest stock lengths. The loss lies between two parts: n parts of h take n·h + (n − 1)·k. null where a
 * part is longer than the stock.
 */
export function layLengths(parts: readonly CutTimes[], length: number): LaidLengths | null {
  const cuts = parts
    .flatMap(({ cut, times }) =>
      cut.kind === 'length' ? Array.from({ length: cut.count * times }, () => cut) : [],
    )
    .sort((a, b) => b.length - a.length);
  if (cuts.some((c) => c.length > length + EPS)) return null;
  // One loss more than there are cuts: each part has its own, and so has the stock.
  const loss = Math.max(0, ...cuts.map((c) => c.loss));
  const { bins, isLeast } = fewestBins(
    cuts.map((c) => c.length + loss),
    length + loss,
  );
  const laid = bins.map((bin): LaidLength => {
    let end = -loss;
    const placed = bin.map((i) => {
      const cut = cuts[i]!;
      const from = end + loss;
      end = from + cut.length;
      return { cut, from, length: cut.length };
    });
    return { length, cuts: placed, left: Math.max(0, length - end - loss) };
  });
  return { laid, isLeast };
}

/** Rectangle a part is cut out of, mm; the smallest at any turn where the sheet's direction does not matter. */
function blankOf(cut: OutlineCut): Vec2 {
  if (cut.turn !== 'any') return extents(cut.outline, 0);
  const { length, width } = smallestRectangle(cut.outline);
  return [length, width];
}

/** The part's outline as it lies, mm from the panel's corner. */
export function outlineIn({
  cut,
  at,
  turn,
  mirrored = false,
}: Pick<LaidPart, 'cut' | 'at' | 'turn' | 'mirrored'>): Vec2[] {
  const points = lying(cut.outline, turn, mirrored);
  const [x0, y0] = boxOf(points);
  return points.map(([x, y]) => [x - x0 + at[0], y - y0 + at[1]]);
}

/** More rectangles than this are not laid out at once. */
export const AT_ONCE = 60;

export interface Blank {
  readonly cut: OutlineCut;
  readonly width: number;
  readonly height: number;
  readonly turns: boolean;
  readonly gap: number;
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
    const cut = stock ? withGrain(asked, stock) : asked;
    const [width, height] = blankOf(cut);
    const one: Blank = { cut, width, height, turns: cut.turn !== 'none', gap: cut.gap };
    return Array.from({ length: cut.count * times }, () => one);
  });

/**
 * Ways to lay rectangles: so that a trimmer cuts them, turned as the library likes, all level, all upright. The best of
 * them counts, and the first where several take as little.
 */
const WAYS = ['guillotine', 'free', 'level', 'upright'] as const;

const goes = (b: Blank, [w, h]: Vec2): boolean =>
  (b.width <= w + EPS && b.height <= h + EPS) || (b.turns && b.height <= w + EPS && b.width <= h + EPS);

const part = (b: Blank, at: Vec2, turned: boolean): LaidPart => ({
  cut: b.cut,
  at,
  size: turned ? [b.height, b.width] : [b.width, b.height],
  turn:
    (b.cut.turn === 'any' ? (-smallestRectangle(b.cut.outline).angle * 180) / Math.PI : 0) +
    (turned ? 90 : 0),
});

interface Rows {
  readonly across: number;
  readonly count: number;
  readonly turned: boolean;
}

/** Rows and columns of one size on a panel, level or all turned by a quarter, whichever gives more. */
function rowsOn(b: Blank, [w, h]: Vec2): Rows {
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
function layRows(b: Blank, { across, count, turned }: Rows, most: number): LaidPart[] {
  const [x, y] = turned ? [b.height, b.width] : [b.width, b.height];
  return Array.from({ length: Math.min(count, most) }, (_, i) =>
    part(b, [(i % across) * (x + b.gap), Math.floor(i / across) * (y + b.gap)], turned),
  );
}

/** Lays rectangles on one panel; those that are left over. */
function layOn(
  blanks: readonly Blank[],
  panel: Vec2,
  way: (typeof WAYS)[number],
): { placed: LaidPart[]; left: Blank[] } {
  const [w, h] = panel;
  const laid = (b: Blank): boolean => {
    const [long, short] = [Math.max(b.width, b.height), Math.min(b.width, b.height)];
    const wanted: Vec2 = way === 'level' ? [long, short] : [short, long];
    const asked = b.turns && way !== 'free' ? wanted : ([b.width, b.height] as const);
    // What does not go that way round goes the other.
    const upright = asked[0] <= w + EPS && asked[1] <= h + EPS ? asked : [asked[1], asked[0]];
    return upright[0] !== b.width;
  };
  const fits = blanks.filter((b) => goes(b, panel));
  if (fits.length === 0) return { placed: [], left: [...blanks] };
  const gap = Math.max(...fits.map((b) => b.gap));
  const rest = (on: { has(i: number): boolean }): Blank[] => [
    ...fits.filter((_, i) => !on.has(i)),
    ...blanks.filter((b) => !goes(b, panel)),
  ];
  if (way === 'guillotine') {
    const on = layGuillotine(panel, fits, gap);
    return { placed: [...on].map(([i, p]) => part(fits[i]!, p.at, p.turned)), left: rest(on) };
  }
  const packer = new MaxRectsPacker(w + gap + EPS, h + gap + EPS, 0, {
    smart: false,
    pot: false,
    square: false,
    allowRotation: way === 'free' && fits.every((b) => b.turns),
  });
  packer.addArray(
    fits.map((b, i) => {
      const turned = laid(b);
      const [across, down] = turned ? [b.height, b.width] : [b.width, b.height];
      return { x: 0, y: 0, width: across + gap, height: down + gap, data: { i, turned } };
    }) as never,
  );
  type Rect = { x: number; y: number; rot?: boolean; data: { i: number; turned: boolean } };
  const on = new Map(
    (packer.bins[0]?.rects as unknown as Rect[] | undefined)?.map((r) => [r.data.i, r]) ?? [],
  );
  const placed = [...on.values()].map((r) =>
    part(fits[r.data.i]!, [r.x, r.y], r.data.turned !== (r.rot ?? false)),
  );
  return { placed, left: rest(on) };
}

/** What the library lays of one size where rows may leave room for more; null where they do not, or hardly. */
function laidFuller(b: Blank, size: Vec2, rows: Rows): LaidPart[] | null {
  const bound = Math.floor(
    ((size[0] + b.gap) * (size[1] + b.gap)) / ((b.width + b.gap) * (b.height + b.gap)),
  );
  // Rows that fill the area, and sizes so small that what is left over hardly matters, need no search.
  if (rows.count >= bound || bound > AT_ONCE) return null;
  const many = Array.from({ length: bound }, () => b);
  const best = WAYS.map((way) => layOn(many, size, way).placed).reduce((x, y) =>
    y.length > x.length ? y : x,
  );
  return best.length > rows.count ? best : null;
}

/** One size on one panel: in rows, or as the library lays them where that is more; round what is kept out by search. */
function laidOne(b: Blank, { size, keepOut }: Panel, most: number): LaidPart[] {
  if (keepOut.length > 0)
    return nestedFull(b, { kind: 'panels', panels: [size], keepOut: [keepOut] })[0]!.parts.slice(
      0,
      Math.max(0, most),
    );
  const rows = rowsOn(b, size);
  return (laidFuller(b, size, rows) ?? layRows(b, rows, most)).slice(0, Math.max(0, most));
}

/** How many of one size a unit of panels gives by rectangles. */
const rectanglesPerUnit = (b: Blank, stock: Panels): number =>
  panelsIn(stock).reduce((n, panel) => {
    if (panel.keepOut.length > 0) return n + laidOne(b, panel, Infinity).length;
    const rows = rowsOn(b, panel.size);
    return n + (laidFuller(b, panel.size, rows)?.length ?? rows.count);
  }, 0);

/** One unit of panels with `most` of one size on it, or as many as go. */
function unitOf(b: Blank, stock: Panels, most: number): LaidUnit {
  let left = most;
  return panelsIn(stock).map((panel): LaidPanel => {
    const parts = laidOne(b, panel, left);
    left -= parts.length;
    return { ...panel, parts };
  });
}

/** Whether every cut between the parts goes from edge to edge of what is being cut, so that a paper trimmer makes it. */
export const isTrimmed = (units: readonly LaidUnit[]): boolean =>
  units.every((unit) =>
    unit.every((panel) =>
      isGuillotine(panel.parts.map(({ at: [x, y], size: [w, h] }) => [x, y, x + w, y + h])),
    ),
  );

const isRectangle = ({ cut, width, height }: Blank): boolean =>
  area(cut.outline) > width * height * (1 - 1e-6);

const isSame = (a: Blank, b: Blank): boolean =>
  a.width === b.width &&
  a.height === b.height &&
  a.turns === b.turns &&
  a.gap === b.gap &&
  (a.cut.outline === b.cut.outline ||
    (isRectangle(a) && isRectangle(b)) ||
    JSON.stringify(a.cut.outline) === JSON.stringify(b.cut.outline));
/** Whether all are of one shape, so that one unit says how all are laid. */
export const areSame = (blanks: readonly Blank[]): boolean => blanks.every((b) => isSame(b, blanks[0]!));

/** Area that is surely kept out: of places that lie over each other only the largest, since a bound must not promise too much. */
function keptOut(keepOut: Panel['keepOut']): number {
  const boxes = keepOut.map(boxOf);
  const apart = boxes.every((a, i) =>
    boxes.slice(i + 1).every((b) => a[0] >= b[2] || b[0] >= a[2] || a[1] >= b[3] || b[1] >= a[3]),
  );
  const areas = keepOut.map(area);
  return apart ? areas.reduce((sum, x) => sum + x, 0) : Math.max(...areas);
}
const unitArea = (stock: Panels): number =>
  panelsIn(stock).reduce((n, { size: [w, h], keepOut }) => n + Math.max(0, w * h - keptOut(keepOut)), 0);
/** No fewer units can do: the area of the parts over that of a unit. */
export const leastUnits = (blanks: readonly Blank[], stock: Panels): number =>
  Math.ceil(blanks.reduce((n, b) => n + area(b.cut.outline), 0) / unitArea(stock) - EPS);

const bySize = (panels: readonly Panel[]): Panel[] =>
  [...panels].sort((a, b) => a.size[0] * a.size[1] - b.size[0] * b.size[1]);

type Known = Map<Nestable, Masks>;

/** True shapes on one panel, round what is kept out, as many as find a place, and what is left over. */
function nestedOn(
  blanks: readonly Blank[],
  { size, keepOut }: Panel,
  known: Known,
): { placed: LaidPart[]; left: Blank[] } {
  const gap = Math.max(0, ...blanks.map((b) => b.gap));
  const lies = nest(
    { width: size[0], height: size[1], keepOut },
    blanks.map((b) => b.cut),
    gap,
    known,
  );
  const placed = [...lies].map(([i, { x, y, turn, mirrored }]): LaidPart => {
    const { cut } = blanks[i]!;
    const [x0, y0, x1, y1] = boxOf(lying(cut.outline, turn, mirrored));
    return {
      cut,
      at: [x0 + x, y0 + y],
      size: [x1 - x0, y1 - y0],
      turn,
      ...(mirrored ? { mirrored } : {}),
    };
  });
  return { placed, left: blanks.filter((_, i) => !lies.has(i)) };
}

/** One unit of panels with true shapes on it, as many as find a place, and what is left over. */
function nestedUnit(
  blanks: readonly Blank[],
  stock: Panels,
  known: Known,
): { unit: LaidUnit; left: readonly Blank[] } {
  let left = blanks;
  const unit = bySize(panelsIn(stock)).map((panel): LaidPanel => {
    const on = nestedOn(left, panel, known);
    left = on.left;
    return { ...panel, parts: on.placed };
  });
  return { unit, left };
}

const nestedOfOne = new Map<string, LaidUnit>();
const MOST_NESTED = 40;

/** One unit filled with one true shape; remembered, since the count, the drawing and each larger batch ask again. */
function nestedFull(b: Blank, stock: Panels): LaidUnit {
  const key = JSON.stringify([b.cut.outline, b.cut.turn, b.cut.mirror, b.gap, stock]);
  let unit = nestedOfOne.get(key);
  if (!unit) {
    const most = Math.floor(unitArea(stock) / area(b.cut.outline));
    const many = Array.from({ length: Math.min(most, 2 * AT_ONCE) }, () => b);
    unit = nestedUnit(many, stock, new Map()).unit;
    if (nestedOfOne.size >= MOST_NESTED) nestedOfOne.delete(nestedOfOne.keys().next().value!);
    nestedOfOne.set(key, unit);
  }
  return unit;
}

/** True shapes are searched only where rectangles take more than the area would: the search takes a while. */
interface Full {
  /** How many of one shape a unit gives. */
  readonly each: number;
  /** The unit laid, where that beats rectangles. */
  readonly nested: LaidUnit | null;
}

/** How many of one shape a unit gives, as rectangles or, where that takes fewer units for all of them, nested. */
export function perUnit(blanks: readonly Blank[], stock: Panels): Full {
  const [one] = blanks;
  const each = one ? rectanglesPerUnit(one, stock) : 0;
  if (!one || isRectangle(one)) return { each, nested: null };
  if (each > 0 && Math.ceil(blanks.length / each) <= leastUnits(blanks, stock)) return { each, nested: null };
  const nested = nestedFull(one, stock);
  const count = nested.reduce((n, p) => n + p.parts.length, 0);
  return count > each ? { each: count, nested } : { each, nested: null };
}

/** Lays parts on panel after panel, by their rectangles or nested, whichever takes fewer; null where one fits on none. */
export function layPanels(blanks: readonly Blank[], stock: Panels): LaidUnit[] | null {
  const [one] = blanks;
  if (!one) return [];
  if (areSame(blanks)) {
    const { each, nested } = perUnit(blanks, stock);
    if (each === 0) return null;
    return Array.from({ length: Math.ceil(blanks.length / each) }, (_, u) => {
      // The last one is not filled; every part keeps its own name.
      let next = u * each;
      const most = Math.min(each, blanks.length - next);
      return (nested ?? unitOf(one, stock, most)).map(({ parts, ...panel }) => ({
        ...panel,
        parts: parts.flatMap((p) => (next < u * each + most ? [{ ...p, cut: blanks[next++]!.cut }] : [])),
      }));
    });
  }
  const found = WAYS.flatMap((way) => {
    const units = unitsBy(blanks, stock, way);
    return units ? [units] : [];
  });
  const best = found.length > 0 ? found.reduce((a, b) => (b.length < a.length ? b : a)) : null;
  if (blanks.every(isRectangle) || (best && best.length <= leastUnits(blanks, stock))) return best;
  const nested = nestedPanels(blanks, stock);
  return nested && (!best || nested.length < best.length) ? nested : best;
}

function nestedPanels(blanks: readonly Blank[], stock: Panels): LaidUnit[] | null {
  const known: Known = new Map();
  let left: readonly Blank[] = [...blanks].sort((a, b) => area(b.cut.outline) - area(a.cut.outline));
  const units: LaidUnit[] = [];
  while (left.length > 0) {
    const on = nestedUnit(left, stock, known);
    if (on.left.length === left.length) return null;
    units.push(on.unit);
    left = on.left;
  }
  return units;
}

function unitsBy(blanks: readonly Blank[], stock: Panels, way: (typeof WAYS)[number]): LaidUnit[] | null {
  const panels = panelsIn(stock);
  if (blanks.some((b) => !panels.some((p) => goes(b, p.size)))) return null;
  let left = [...blanks].sort((a, b) => b.width * b.height - a.width * a.height);
  const units: LaidUnit[] = [];
  const known: Known = new Map();
  // The smallest panels first: what goes on a side strip leaves the front for what does not.
  const order = bySize(panels);
  while (left.length > 0) {
    const before = left.length;
    const unit: LaidPanel[] = [];
    for (const panel of order) {
      const on = panel.keepOut.length > 0 ? nestedOn(left, panel, known) : layOn(left, panel.size, way);
      unit.push({ ...panel, parts: on.placed });
      left = on.left;
    }
    if (left.length === before) return null;
    units.push(unit);
  }
  return units;
}
