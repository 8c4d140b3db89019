import { boxOf } from '../geometry/polygon.ts';
import {
  bySize,
  panelsIn,
  type Blank,
  type LaidPanel,
  type LaidUnit,
  type Panel,
  type Panels,
} from './blank.ts';
import { lying, nest, type Masks, type Nestable } from './nesting.ts';
import type { On } from './rectangles.ts';

/** What each outline covers, known for the time of one search. */
export type Known = Map<Nestable, Masks>;

/** True shapes on one panel, round what is kept out, as many as find a place, and what is left over. */
export function nestOn<C extends Nestable>(
  blanks: readonly Blank<C>[],
  { size, keepOut }: Panel,
  known: Known,
): On<C> {
  const gap = Math.max(0, ...blanks.map((b) => b.gap));
  const lies = nest(
    { width: size[0], height: size[1], keepOut },
    blanks.map((b) => b.cut),
    gap,
    known,
  );
  const placed = [...lies].map(([i, { x, y, turn, mirrored }]) => {
    const { cut } = blanks[i]!;
    const [x0, y0, x1, y1] = boxOf(lying(cut.outline, turn, mirrored));
    const lie = { cut, at: [x0 + x, y0 + y], size: [x1 - x0, y1 - y0], turn } as const;
    return mirrored ? { ...lie, mirrored } : lie;
  });
  return { placed, left: blanks.filter((_, i) => !lies.has(i)) };
}

/** One unit of panels with true shapes on it, as many as find a place, and what is left over. */
export function nestUnit<C extends Nestable>(
  blanks: readonly Blank<C>[],
  stock: Panels,
  known: Known,
): { unit: LaidUnit<C>; left: readonly Blank<C>[] } {
  let left = blanks;
  const unit = bySize(panelsIn(stock)).map((panel): LaidPanel<C> => {
    const on = nestOn(left, panel, known);
    left = on.left;
    return { ...panel, parts: on.placed };
  });
  return { unit, left };
}
