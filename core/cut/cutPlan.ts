import { dimension, line, outline, rectangle, sceneOf, words } from '../drawing/marks.ts';
import type { Mark, Scene } from '../drawing/mark.ts';
import type { Need } from '../patterns/kernel.ts';
import { blanksOf, leastUnits, outlineIn, type CutTimes, type LaidUnit } from './blank.ts';
import { COMMON, isTrimmed, layPanels, type CutMemory } from './lay.ts';
import { layLengths, type LaidLength } from './layLengths.ts';
import { AT_ONCE } from './rectangles.ts';
import { unitsFor } from './units.ts';

/** An off-cut from this length on is put back on the shelf, mm (common practice: shorter ones only clutter it). */
export const LEAST_OFFCUT = 60;

export interface Offcut {
  readonly length: number;
  readonly count: number;
}

/** How one material of a batch is cut up. */
export interface CutPlan {
  readonly materialId: number;
  readonly name: string;
  /** Stock pieces it takes, as the shelf counts them. */
  readonly units: number;
  /** No plan takes fewer: by length, or by the area of the parts. */
  readonly bound: number;
  /** Off-cuts that are worth keeping, longest first, whole mm. */
  readonly offcuts: readonly Offcut[];
  /** Every cut between two parts of a sheet goes from edge to edge: a paper trimmer makes it. */
  readonly isTrimmed: boolean;
  /** Kits that the drawing shows; a larger batch repeats it. */
  readonly kitsShown: number;
  readonly scene: Scene;
}

/** What is left of stock lengths and long enough to keep. */
function offcutsOf(laid: readonly LaidLength[], least = LEAST_OFFCUT): Offcut[] {
  const lengths = new Map<number, number>();
  for (const { left } of laid) {
    const length = Math.floor(left + 1e-6);
    if (length >= least) lengths.set(length, (lengths.get(length) ?? 0) + 1);
  }
  return [...lengths].map(([length, count]) => ({ length, count })).sort((a, b) => b.length - a.length);
}

/** Off-cuts that a batch leaves of one material; none where it is cut from panels or measured off a roll. */
export function offcutsFor(need: Need, kits: number): Offcut[] {
  if (need.stock?.kind !== 'length' || !need.cuts) return [];
  const cuts = need.cuts.map((cut) => ({ cut, times: kits }));
  return offcutsOf(layLengths(cuts, need.stock.length)?.laid ?? []);
}

/** How high a bar is drawn, and the room between two stock pieces, mm. */
const BAR = 24;
const BETWEEN = 14;

function lengthMarks(laid: readonly LaidLength[], colour: string): Mark[] {
  return laid.flatMap(({ length, cuts, left }, i): Mark[] => {
    const y = i * (BAR + BETWEEN);
    const last = cuts.at(-1)!;
    return [
      rectangle('guide', [length / 2, y], [length, BAR]),
      ...cuts.map(({ from, length: l }) => rectangle('body', [from + l / 2, y], [l, BAR], { colour })),
      ...cuts.map(({ from, length: l }) =>
        words([from + l / 2, y], `${Math.round(l * 10) / 10}`, Math.min(10, l * 0.4)),
      ),
      ...(left >= LEAST_OFFCUT ? [words([length - left / 2, y], `${Math.floor(left)} left`)] : []),
      ...(i === 0 ? [dimension([0, y - BAR / 2], [length, y - BAR / 2], [0, -9])] : []),
      line('cut', [
        [last.from + last.length, y - BAR / 2 - 3],
        [last.from + last.length, y + BAR / 2 + 3],
      ]),
    ];
  });
}

/** How wide a drawing of panels becomes for its height. */
const WIDE = 2.2;

/** Panels in rows, each with the outlines of its parts. */
function panelMarks(units: readonly LaidUnit[], colour: string): Mark[] {
  const panels = units.flatMap((unit) => unit.filter((p) => p.parts.length > 0));
  const [wide, high] = [0, 1].map((k) => Math.max(...panels.map((p) => p.size[k as 0 | 1])) + BETWEEN) as [
    number,
    number,
  ];
  const columns = Math.max(1, Math.ceil(Math.sqrt((panels.length * WIDE * high) / wide)));
  return panels.flatMap(({ size, keepOut, parts }, i): Mark[] => {
    const [x, y] = [(i % columns) * wide, Math.floor(i / columns) * high];
    return [
      rectangle('body', [x + size[0] / 2, y + size[1] / 2], size, { colour }),
      ...keepOut.map((k) => outline('shade', k, [x, y])),
      ...parts.map((p) => outline('cut', outlineIn({ ...p, at: [p.at[0] + x, p.at[1] + y] }))),
      // Measured once: the others are alike, or a side of the same box.
      ...(i === 0
        ? [dimension([0, 0], [size[0], 0], [0, -9]), dimension([0, 0], [0, size[1]], [-9, 0])]
        : []),
    ];
  });
}

/**
 * How a batch is cut from the materials that parts are cut from, one plan a material. What is measured off a roll needs
 * none.
 *
 * @param colourOf colour of a material, to draw it in
 */
export const cutPlans = (
  needs: readonly Need[],
  kits: number,
  colourOf: (materialId: number) => string,
): CutPlan[] =>
  kits < 1
    ? []
    : needs.flatMap((need) => joinedPlan([{ need, times: kits }], colourOf(need.materialId)) ?? []);

/**
 * How parts of several designs are cut from one material together, so that one box may cover them all.
 *
 * @param list needs of one material
 * @returns null where nothing is cut, or a part is larger than what it is cut from
 */
export function joinedPlan(
  list: readonly { readonly need: Need; readonly times: number }[],
  colour: string,
  memory: CutMemory = COMMON,
): CutPlan | null {
  const cut = list.filter(({ need, times }) => need.cuts && times > 0);
  const [first] = cut;
  const stock = first?.need.stock;
  if (!first || !stock || stock.kind === 'roll') return null;
  /** Cuts of so large a share of the batch. */
  const cutsOf = (share: number): CutTimes[] =>
    cut.flatMap(({ need, times }) =>
      need.cuts!.map((c) => ({ cut: c, times: Math.max(1, Math.floor(times * share + 1e-9)) })),
    );
  const all = cutsOf(1);
  const parts = all.reduce((n, { cut: c, times }) => n + c.count * times, 0);
  const most = Math.max(...cut.map(({ times }) => times));
  // A large batch repeats what is drawn: as many whole kits as are laid out at once.
  const shown = parts <= AT_ONCE ? 1 : Math.max(1, Math.floor((AT_ONCE * most) / parts)) / most;
  const units = unitsFor(all, stock, memory);
  if (units === null) return null;
  const { materialId, name } = first.need;
  const base = { materialId, name, units, kitsShown: Math.max(1, Math.floor(most * shown + 1e-9)) };
  if (stock.kind === 'length') {
    const sum = all.reduce(
      (n, { cut: c, times }) => n + (c.kind === 'length' ? c.length * c.count * times : 0),
      0,
    );
    const laid = layLengths(all, stock.length)!;
    return {
      ...base,
      bound: laid.isLeast ? units : Math.ceil(sum / stock.length - 1e-9),
      offcuts: offcutsOf(laid.laid),
      isTrimmed: false,
      scene: sceneOf(lengthMarks(layLengths(cutsOf(shown), stock.length)!.laid, colour)),
    };
  }
  const laid = layPanels(blanksOf(cutsOf(shown), stock), stock, { memory });
  if (!laid) return null;
  return {
    ...base,
    bound: leastUnits(blanksOf(all, stock), stock),
    offcuts: [],
    isTrimmed: isTrimmed(laid),
    scene: sceneOf(panelMarks(laid, colour)),
  };
}
