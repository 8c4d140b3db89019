/**
 * One scale for pictures that stand side by side: most of them fill their frames, and what is much larger is drawn
 * smaller by a whole ratio that is said beside it, as on any working drawing.
 */
export interface BinScale {
  /** Reach of the common frame, mm. */
  readonly span: number;
  /** For each size, how many times smaller than its neighbours it is drawn: 1 for most. */
  readonly ratios: readonly number[];
}

/** Share of the pictures that are drawn at the common scale; the rest would make all of them specks. */
const AT_FULL = 0.75;

/**
 * Finds the scale from the longest side of each picture.
 *
 * @param sizes longest sides, mm, each above 0; an empty list gives a span of 1.
 * @throws RangeError when a size is not a finite number above 0
 */
export function binScale(sizes: readonly number[]): BinScale {
  if (sizes.some((s) => !(Number.isFinite(s) && s > 0)))
    throw new RangeError('sizes: lengths in mm above 0 were expected');
  const order = [...sizes].sort((a, b) => a - b);
  const most = order.at(-1) ?? 1;
  const usual = order[Math.ceil(order.length * AT_FULL) - 1] ?? 1;
  // Up to half as long again costs the others less than a second scale would cost the eye.
  const span = most <= usual * 1.5 ? most : usual;
  return { span, ratios: sizes.map((s) => Math.max(1, Math.ceil(s / span - 1e-9))) };
}
