import { area } from '../geometry/polygon.ts';
import {
  areaOf,
  areSame,
  bySize,
  EPS,
  goesOn,
  isRectangle,
  leastUnits,
  panelsIn,
  unitArea,
  type Blank,
  type LaidPanel,
  type LaidPart,
  type LaidUnit,
  type Panel,
  type Panels,
} from './blank.ts';
import { isGuillotine } from './guillotine.ts';
import type { Nestable } from './nesting.ts';
import { nestOn, nestUnit, type Known } from './outlines.ts';
import { AT_ONCE, countOneSize, laySearched, layOn, layOneSize, WAYS, type Way } from './rectangles.ts';

/** Free for scissors and a knife; guillotine where every cut goes from edge to edge, as on a paper trimmer. */
type Layout = 'free' | 'guillotine';

/**
 * What was laid before, for whoever lays again and again: a dial that is turned, a plan that is tried in many ways. It
 * belongs to the caller, who lets go of it with the rest of the work.
 */
export class CutMemory {
  /** Units filled with one true shape. */
  readonly filled = new Map<string, LaidUnit<Nestable>>();
  /** How many units some parts take. */
  readonly counts = new Map<string, number | null>();
  /** Keeps an answer, and lets the oldest go over so many. */
  static keep<T>(map: Map<string, T>, key: string, value: T, most: number): T {
    if (map.size >= most) map.delete(map.keys().next().value!);
    map.set(key, value);
    return value;
  }
}
const MOST_FILLED = 40;
/** Of whoever brings none: bounded, and nothing in it can be wrong, since each answer stands under all that it follows from. */
export const COMMON = new CutMemory();

/** How parts are laid. */
export interface How {
  readonly layout?: Layout;
  readonly memory: CutMemory;
  /** Only how many units they take is asked: no laying that merely leaves more of the last is looked for. */
  readonly isCount?: boolean;
}

/** Every way costs its time: of very many parts only the first way but the trimmer's is tried. */
const MANY = 2 * AT_ONCE;
const waysFor = ({ layout = 'free' }: How, parts: number): readonly Way[] =>
  layout === 'guillotine' ? ['guillotine'] : parts > MANY ? ['free'] : WAYS;

/** One unit filled with one true shape; remembered, since the count, the drawing and each larger batch ask again. */
function filledWith<C extends Nestable>(b: Blank<C>, stock: Panels, { filled }: CutMemory): LaidUnit<C> {
  const key = JSON.stringify([b.cut.outline, b.cut.turn, b.cut.mirror, b.gap, stock]);
  const known = filled.get(key);
  const most = Math.min(Math.floor(unitArea(stock) / area(b.cut.outline)), MANY);
  const unit =
    known ??
    CutMemory.keep(
      filled,
      key,
      nestUnit(
        Array.from({ length: most }, () => b),
        stock,
        new Map(),
      ).unit,
      MOST_FILLED,
    );
  // The same shape under another name lies the same way.
  return unit.map((panel) => ({ ...panel, parts: panel.parts.map((p) => ({ ...p, cut: b.cut })) }));
}

/** One size on one panel: in rows or by the best way; where something is kept out, round it. */
function oneSizeOn<C extends Nestable>(
  b: Blank<C>,
  panel: Panel,
  { how, most }: { readonly how: How; readonly most: number },
): readonly LaidPart<C>[] {
  const ways = waysFor(how, 0);
  if (panel.keepOut.length === 0) return layOneSize(b, panel, { ways, most });
  if (how.layout === 'guillotine') {
    const enough = Math.min(most, Math.floor((panel.size[0] * panel.size[1]) / (b.width * b.height)), MANY);
    return layOn(
      Array.from({ length: enough }, () => b),
      panel,
      'guillotine',
    ).placed;
  }
  const stock: Panels = { kind: 'panels', panels: [panel.size], keepOut: [panel.keepOut] };
  return filledWith(b, stock, how.memory)[0]!.parts.slice(0, Math.max(0, most));
}

/** How many of one shape a unit gives, and that unit where true shapes give more than rectangles. */
interface Full<C extends Nestable> {
  readonly each: number;
  readonly nested: LaidUnit<C> | null;
}

/** True shapes are searched only where rectangles take more than the area would: the search takes a while. */
export function perUnit<C extends Nestable>(blanks: readonly Blank<C>[], stock: Panels, how: How): Full<C> {
  const [one] = blanks;
  if (!one) return { each: 0, nested: null };
  const each = panelsIn(stock).reduce(
    (n, panel) =>
      n +
      (panel.keepOut.length > 0
        ? oneSizeOn(one, panel, { how, most: Infinity }).length
        : countOneSize(one, panel, waysFor(how, 0))),
    0,
  );
  if (isRectangle(one) || how.layout === 'guillotine') return { each, nested: null };
  if (each > 0 && Math.ceil(blanks.length / each) <= leastUnits(blanks, stock)) return { each, nested: null };
  const nested = filledWith(one, stock, how.memory);
  const count = nested.reduce((n, p) => n + p.parts.length, 0);
  return count > each ? { each: count, nested } : { each, nested: null };
}

/** Parts of one shape, unit by unit; every part keeps its own name. */
function layAlike<C extends Nestable>(
  blanks: readonly Blank<C>[],
  stock: Panels,
  how: How,
): LaidUnit<C>[] | null {
  const [one] = blanks;
  const { each, nested } = perUnit(blanks, stock, how);
  if (each === 0) return null;
  return Array.from({ length: Math.ceil(blanks.length / each) }, (_, u) => {
    // The last one is not filled.
    let next = u * each;
    const end = Math.min(blanks.length, next + each);
    return panelsIn(stock).map((panel, i): LaidPanel<C> => {
      const there = nested ? nested[i]! : panel;
      const parts = nested ? nested[i]!.parts : oneSizeOn(one!, panel, { how, most: end - next });
      return {
        size: there.size,
        keepOut: there.keepOut,
        parts: parts.flatMap((p) => (next < end ? [{ ...p, cut: blanks[next++]!.cut }] : [])),
      };
    });
  });
}

/** One unit laid in one way, and what is left over. */
function layUnit<C extends Nestable>(
  blanks: readonly Blank<C>[],
  stock: Panels,
  { way, known, layout }: { readonly way: Way; readonly known: Known; readonly layout?: Layout | undefined },
): { unit: LaidUnit<C>; left: readonly Blank<C>[] } {
  let left = blanks;
  const unit = bySize(panelsIn(stock)).map((panel): LaidPanel<C> => {
    // Round what is kept out true shapes are laid, rectangles too, unless a trimmer cuts them.
    const isRound = panel.keepOut.length > 0 && way !== 'guillotine' && layout !== 'guillotine';
    const on = isRound ? nestOn(left, panel, known) : layOn(left, panel, way);
    left = on.left;
    return { ...panel, parts: on.placed };
  });
  return { unit, left };
}

type OneUnit<C extends Nestable> = (left: readonly Blank<C>[]) => {
  unit: LaidUnit<C>;
  left: readonly Blank<C>[];
};
/** Unit after unit until all are laid; null where nothing more goes on. */
function untilLaid<C extends Nestable>(blanks: readonly Blank<C>[], lay: OneUnit<C>): LaidUnit<C>[] | null {
  const units: LaidUnit<C>[] = [];
  for (let left = blanks; left.length > 0;) {
    const on = lay(left);
    if (on.left.length === left.length) return null;
    units.push(on.unit);
    left = on.left;
  }
  return units;
}

const isOn = (unit: LaidUnit<Nestable>): number =>
  unit.reduce((n, { parts }) => n + parts.reduce((m, { cut }) => m + area(cut.outline), 0), 0);
/** Area on the emptiest unit, mm²: what is not on it is left in one piece, or nearly. */
const emptiest = (units: readonly LaidUnit<Nestable>[]): number => Math.min(...units.map(isOn));

/** Fewer units are better, then those that leave more of one; the first where neither differs. */
function best<C extends Nestable>(found: readonly (LaidUnit<C>[] | null)[]): LaidUnit<C>[] | null {
  const isBetter = (a: LaidUnit<C>[], b: LaidUnit<C>[]): boolean =>
    a.length < b.length || (a.length === b.length && emptiest(a) < emptiest(b) - 1);
  return found.reduce((a, b) => (b && (!a || isBetter(b, a)) ? b : a), null);
}

/**
 * Lays parts on unit after unit of one kind: by their rectangles in several ways and in an order that is searched for, or
 * as true shapes where that takes fewer; none over another or over what is kept out, `gap` apart.
 *
 * @returns null where one goes on no unit
 */
export function layPanels<C extends Nestable>(
  blanks: readonly Blank<C>[],
  stock: Panels,
  how: How,
): LaidUnit<C>[] | null {
  if (blanks.length === 0) return [];
  if (areSame(blanks)) return layAlike(blanks, stock, how);
  const { layout } = how;
  const panels = panelsIn(stock);
  const least = leastUnits(blanks, stock);
  const known: Known = new Map();
  const byBox = [...blanks].sort((a, b) => b.width * b.height - a.width * a.height);
  const ways = blanks.some((b) => !panels.some((p) => goesOn(b, p.size)))
    ? []
    : waysFor(how, blanks.length).filter(
        (way) =>
          // Round what is kept out the ways do not differ.
          panels.some((p) => p.keepOut.length === 0) || way === 'guillotine' || way === 'free',
      );
  const laid = best(
    ways.map((way) => untilLaid(byBox, (left) => layUnit(left, stock, { way, known, layout }))),
  );
  if (layout === 'guillotine') return laid;
  const isLeast = laid !== null && laid.length <= least;
  if (blanks.every(isRectangle) && (laid === null || laid.length > 1))
    return how.isCount && isLeast ? laid : best([laid, laySearched(byBox, stock, least)]);
  if (isLeast || blanks.every(isRectangle)) return laid;
  const byArea = [...blanks].sort((a, b) => area(b.cut.outline) - area(a.cut.outline));
  const nested = untilLaid(byArea, (left) => nestUnit(left, stock, known));
  return nested && (!laid || nested.length < laid.length) ? nested : laid;
}

/** A kind of unit, and how many there are; any number where nothing is said. */
export interface Kind {
  readonly stock: Panels;
  readonly available: number;
}

/**
 * Lays parts on units of several kinds: of those there are, the one that takes most of what is left, the smaller where two
 * take as much.
 *
 * @returns each unit with its kind, and what found no place
 */
export function layKinds<C extends Nestable>(
  blanks: readonly Blank<C>[],
  kinds: readonly Kind[],
  how: How,
): { units: { kind: number; unit: LaidUnit<C> }[]; left: readonly Blank<C>[]; isOut: boolean } {
  const there = kinds.map((k) => k.available);
  const order = kinds.map((k, at) => ({ ...k, at })).sort((a, b) => unitArea(a.stock) - unitArea(b.stock));
  const known: Known = new Map();
  const units: { kind: number; unit: LaidUnit<C> }[] = [];
  const isPlain = blanks.every(isRectangle);
  let left: readonly Blank<C>[] = [...blanks].sort((a, b) => areaOf([b]) - areaOf([a]));
  while (left.length > 0) {
    const open = order.filter((k) => there[k.at]! > 0);
    let most: { at: number; unit: LaidUnit<C>; left: readonly Blank<C>[]; area: number } | null = null;
    for (const { stock, at } of open) {
      const tries = waysFor(how, left.length).map((way) =>
        layUnit(left, stock, { way, known, layout: how.layout }),
      );
      if (!isPlain && how.layout !== 'guillotine') tries.push(nestUnit(left, stock, known));
      for (const t of tries) {
        const sum = isOn(t.unit);
        if (t.left.length < left.length && (!most || sum > most.area + EPS)) most = { at, ...t, area: sum };
      }
      if (most?.left.length === 0) break;
    }
    if (!most) return { units, left, isOut: open.length === 0 };
    there[most.at]!--;
    units.push({ kind: most.at, unit: most.unit });
    left = most.left;
  }
  return { units, left, isOut: false };
}

/** Whether every cut between the parts goes from edge to edge of what is being cut, so that a paper trimmer makes it. */
export const isTrimmed = (units: readonly LaidUnit<Nestable>[]): boolean =>
  units.every((unit) =>
    unit.every((panel) =>
      isGuillotine(panel.parts.map(({ at: [x, y], size: [w, h] }) => [x, y, x + w, y + h])),
    ),
  );
