import { MaxRectsPacker } from 'maxrects-packer/dist/maxrects-packer.mjs';
import type { Vec2 } from '../geometry/vector.ts';

const EPS = 1e-6;
/** Rectangles that are laid in all while a better order is looked for: some hundredths of a second, since a dial may wait for it. */
const MOST_LAID = 6_000;

/** A rectangle on a sheet, mm from its corner. */
export interface LaidRectangle {
  readonly index: number;
  readonly at: Vec2;
  readonly turned: boolean;
}

interface Laying {
  readonly sheets: readonly (readonly LaidRectangle[])[];
  /** Area on the emptiest sheet, mm²: what is not on it is left in one piece, or nearly. */
  readonly least: number;
}

/** A row of numbers from 0 up to 1 that is the same in every run (Park and Miller). */
function fixedRow(): () => number {
  let state = 20011;
  return () => {
    state = (state * 48271) % 2147483647;
    return state / 2147483647;
  };
}

/**
 * Rectangles on sheets of one size: as few sheets as are found, and of layings with as many that which leaves the most of
 * one sheet. The kept library lays them in one order after the other; a local search looks for the order.
 *
 * @param sizes mm
 * @param turns whether they may be turned by a quarter, all of them
 * @returns sheets with what lies on each; null where one goes on no sheet
 */
export function emptiestLast(
  sheet: Vec2,
  sizes: readonly Vec2[],
  options: { gap: number; turns: boolean; fewest: number },
): readonly (readonly LaidRectangle[])[] | null {
  const { gap, turns, fewest } = options;
  const [w, h] = sheet;
  const goes = ([a, b]: Vec2): boolean =>
    (a <= w + EPS && b <= h + EPS) || (turns && b <= w + EPS && a <= h + EPS);
  if (sizes.length === 0 || !sizes.every(goes)) return null;

  const lay = (order: readonly number[]): Laying => {
    const packer = new MaxRectsPacker(w + gap + EPS, h + gap + EPS, 0, {
      smart: false,
      pot: false,
      square: false,
      allowRotation: turns,
    });
    // One after the other: given all at once the library would take an order of its own.
    for (const index of order) {
      const [a, b] = sizes[index]!;
      packer.add({ x: 0, y: 0, width: a + gap, height: b + gap, data: index } as never);
    }
    const sheets = packer.bins.map((bin) =>
      (bin.rects as unknown as { x: number; y: number; rot?: boolean; data: number }[]).map(
        (r): LaidRectangle => ({ index: r.data, at: [r.x, r.y], turned: r.rot ?? false }),
      ),
    );
    const areas = sheets.map((on) => on.reduce((n, { index }) => n + sizes[index]![0] * sizes[index]![1], 0));
    return { sheets, least: Math.min(...areas) };
  };
  const isBetter = (a: Laying, b: Laying): boolean =>
    a.sheets.length < b.sheets.length || (a.sheets.length === b.sheets.length && a.least < b.least - EPS);

  const by = (key: (s: Vec2) => number): number[] =>
    sizes.map((_, i) => i).sort((i, j) => key(sizes[j]!) - key(sizes[i]!) || i - j);
  const starts = [
    by((s) => Math.max(...s)),
    by((s) => s[0] * s[1]),
    by((s) => s[0] + s[1]),
    by((s) => Math.min(...s)),
    by((s) => s[0]),
    by((s) => s[1]),
  ];
  let best = { order: starts[0]!, laying: lay(starts[0]!) };
  for (const order of starts.slice(1)) {
    const laying = lay(order);
    if (isBetter(laying, best.laying)) best = { order, laying };
  }
  const random = fixedRow();
  // One sheet, or a number that no laying beats with the last of it all but empty: nothing is left to gain.
  const smallest = Math.min(...sizes.map(([a, b]) => a * b));
  const done = (l: Laying): boolean =>
    l.sheets.length <= fewest && (fewest === 1 || l.least <= smallest + EPS);
  for (let n = starts.length; n * sizes.length < MOST_LAID && !done(best.laying); n++) {
    const order = [...best.order];
    // Mostly one is taken to another place; now and then two change places.
    const [i, j] = [0, 0].map(() => Math.floor(random() * order.length)) as [number, number];
    if (random() < 0.7) order.splice(j, 0, ...order.splice(i, 1));
    else [order[i], order[j]] = [order[j]!, order[i]!];
    const laying = lay(order);
    // As good is taken too, so that the search does not stand still on a plain.
    if (!isBetter(best.laying, laying)) best = { order, laying };
  }
  return best.laying.sheets;
}
