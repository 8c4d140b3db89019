import { MaxRectsPacker } from 'maxrects-packer/dist/maxrects-packer.mjs';
import { extents, smallestRectangle } from '../geometry/polygon.ts';
import type { Vec2 } from '../geometry/vector.ts';
import type { Cut, Stock } from '../patterns/kernel.ts';

/** A part, and for how many kits. */
export interface CutTimes {
  readonly cut: Cut;
  readonly times: number;
}

const EPS = 1e-6;

/** Length a part takes off a roll, mm; a cord is cut with no loss to speak of. */
const rolled = ({ cut, times }: CutTimes): number =>
  cut.kind === 'length' ? (cut.length + cut.loss) * cut.count * times : Infinity;

/**
 * Lengths into stock lengths, longest first, each into the fullest that still takes it. The loss lies between two parts:
 * n parts of h take n·h + (n − 1)·k. null where a part is longer than the stock.
 */
function lengthUnits(parts: readonly CutTimes[], length: number): number | null {
  const lengths = parts
    .flatMap(({ cut, times }) =>
      cut.kind === 'length'
        ? Array.from({ length: cut.count * times }, () => ({ length: cut.length, loss: cut.loss }))
        : [],
    )
    .sort((a, b) => b.length - a.length);
  if (lengths.some((p) => p.length > length + EPS)) return null;
  const left: number[] = [];
  for (const p of lengths) {
    let into = -1;
    for (let i = 0; i < left.length; i++)
      if (left[i]! + EPS >= p.length + p.loss && (into < 0 || left[i]! < left[into]!)) into = i;
    if (into < 0) left.push(length - p.length);
    else left[into]! -= p.length + p.loss;
  }
  return left.length;
}

/** Rectangle a part is cut out of, mm; the smallest at any turn where the sheet's direction does not matter. */
export function blankOf(cut: Extract<Cut, { kind: 'outline' }>): Vec2 {
  if (cut.turn !== 'any') return extents(cut.outline, 0);
  const { length, width } = smallestRectangle(cut.outline);
  return [length, width];
}

/** More rectangles than this are not laid out at once: what a batch takes is then counted by whole layouts. */
const AT_ONCE = 60;

interface Blank {
  readonly width: number;
  readonly height: number;
  readonly turns: boolean;
  readonly gap: number;
}

/** Ways to lay rectangles: turned as the library likes, all level, all upright. The best of them counts. */
const WAYS = ['free', 'level', 'upright'] as const;

const goes = (b: Blank, [w, h]: Vec2): boolean =>
  (b.width <= w + EPS && b.height <= h + EPS) || (b.turns && b.height <= w + EPS && b.width <= h + EPS);

/** Rows and columns of one size on a panel. */
const inRows = (b: Blank, [w, h]: Vec2): number => {
  const rows = (x: number, y: number): number =>
    Math.floor((w + b.gap + EPS) / (x + b.gap)) * Math.floor((h + b.gap + EPS) / (y + b.gap));
  return Math.max(rows(b.width, b.height), b.turns ? rows(b.height, b.width) : 0);
};

/** How many of one size a unit of panels gives: in rows, or as the library lays them where that is more. */
function perUnit(b: Blank, panels: readonly Vec2[]): number {
  return panels.reduce((n, panel) => {
    const rows = inRows(b, panel);
    const bound = Math.floor(
      ((panel[0] + b.gap) * (panel[1] + b.gap)) / ((b.width + b.gap) * (b.height + b.gap)),
    );
    // Rows that fill the area, and sizes so small that what is left over hardly matters, need no search.
    if (rows >= bound || bound > AT_ONCE) return n + rows;
    const many = Array.from({ length: bound }, () => ({ ...b }));
    const laid = WAYS.map((way) => many.length - layOn(many, panel, way).length);
    return n + Math.max(rows, ...laid);
  }, 0);
}

const isSame = (a: Blank, b: Blank): boolean =>
  a.width === b.width && a.height === b.height && a.turns === b.turns && a.gap === b.gap;

/** Lays rectangles on panel after panel, those of one unit first; null where one fits on none. */
function panelUnits(blanks: readonly Blank[], panels: readonly Vec2[]): number | null {
  const [one] = blanks;
  if (one && blanks.every((b) => isSame(b, one))) {
    const each = perUnit(one, panels);
    return each > 0 ? Math.ceil(blanks.length / each) : null;
  }
  const found = WAYS.flatMap((way) => panelsIn(blanks, panels, way) ?? []);
  return found.length > 0 ? Math.min(...found) : null;
}

/** Lays rectangles on one panel; those that are left over. */
function layOn(blanks: readonly Blank[], panel: Vec2, way: (typeof WAYS)[number]): Blank[] {
  const [w, h] = panel;
  const laid = (b: Blank): Vec2 => {
    const [long, short] = [Math.max(b.width, b.height), Math.min(b.width, b.height)];
    const wanted: Vec2 = way === 'level' ? [long, short] : [short, long];
    const asked = b.turns && way !== 'free' ? wanted : ([b.width, b.height] as const);
    // What does not go that way round goes the other.
    return asked[0] <= w + EPS && asked[1] <= h + EPS ? asked : [asked[1], asked[0]];
  };
  const fits = blanks.filter((b) => goes(b, panel));
  if (fits.length === 0) return [...blanks];
  const gap = Math.max(...fits.map((b) => b.gap));
  const packer = new MaxRectsPacker(w + gap + EPS, h + gap + EPS, 0, {
    smart: false,
    pot: false,
    square: false,
    allowRotation: way === 'free' && fits.every((b) => b.turns),
  });
  packer.addArray(
    fits.map((b) => {
      const [across, down] = laid(b);
      return { x: 0, y: 0, width: across + gap, height: down + gap, data: b };
    }) as never,
  );
  const on = new Set(packer.bins[0]?.rects.map((r) => (r as unknown as { data: Blank }).data));
  return [...fits.filter((b) => !on.has(b)), ...blanks.filter((b) => !goes(b, panel))];
}

function panelsIn(
  blanks: readonly Blank[],
  panels: readonly Vec2[],
  way: (typeof WAYS)[number],
): number | null {
  if (blanks.some((b) => !panels.some((p) => goes(b, p)))) return null;
  let left = [...blanks].sort((a, b) => b.width * b.height - a.width * a.height);
  let units = 0;
  // The smallest panels first: what goes on a side strip leaves the front for what does not.
  const order = [...panels].sort((a, b) => a[0] * a[1] - b[0] * b[1]);
  while (left.length > 0) {
    units++;
    const before = left.length;
    for (const panel of order) left = layOn(left, panel, way);
    if (left.length === before) return null;
  }
  return units;
}

/**
 * How many of a material the parts of a batch take, in its own unit (pieces, or mm of a roll): a layout that can be cut,
 * so never too few. null where a part is larger than what there is to cut from.
 *
 * @example unitsFor([{ cut: ring, times: 1 }], { kind: 'length', length: 279 }) // 7 cuts of 38, 1 lost each: 1
 */
export function unitsFor(parts: readonly CutTimes[], stock: Stock): number | null {
  const there = parts.filter((p) => p.times > 0 && p.cut.count > 0);
  if (stock.kind === 'roll' || there.length === 0) return laidOut(there, stock);
  // The shelf, the bench and every try of a plan ask for the same few layouts over and over.
  const key = JSON.stringify([
    stock,
    there.map(({ cut, times }) => [
      cut.count * times,
      cut.kind === 'length' ? [cut.length, cut.loss] : [blankOf(cut), cut.turn, cut.gap],
    ]),
  ]);
  const known = layouts.get(key);
  if (known !== undefined) return known;
  const found = laidOut(there, stock);
  if (layouts.size >= MOST_LAYOUTS) layouts.delete(layouts.keys().next().value!);
  layouts.set(key, found);
  return found;
}

const layouts = new Map<string, number | null>();
const MOST_LAYOUTS = 3000;

function laidOut(there: readonly CutTimes[], stock: Stock): number | null {
  if (there.length === 0) return 0;
  if (stock.kind === 'roll') return Math.ceil(there.reduce((sum, p) => sum + rolled(p), 0) - EPS);
  if (stock.kind === 'length') return lengthUnits(there, stock.length);
  const blanks = there.flatMap(({ cut, times }) => {
    if (cut.kind !== 'outline') return [];
    const [width, height] = blankOf(cut);
    return Array.from({ length: cut.count * times }, () => ({
      width,
      height,
      turns: cut.turn !== 'none',
      gap: cut.gap,
    }));
  });
  if (blanks.length <= AT_ONCE || blanks.every((b) => isSame(b, blanks[0]!)))
    return panelUnits(blanks, stock.panels);
  // A large batch repeats a smaller one: as many whole rounds as are laid out at once, and the rest.
  const most = Math.max(...there.map((p) => p.times));
  const perKit = blanks.length / most;
  const round = Math.max(1, Math.floor(AT_ONCE / perKit));
  if (round >= most) return panelUnits(blanks, stock.panels);
  const of = (times: number): CutTimes[] =>
    there.map((p) => ({ cut: p.cut, times: Math.max(1, Math.ceil((p.times * times) / most)) }));
  const whole = unitsFor(of(round), stock);
  const rest = most % round;
  const last = rest === 0 ? 0 : unitsFor(of(rest), stock);
  return whole === null || last === null ? null : Math.floor(most / round) * whole + last;
}
