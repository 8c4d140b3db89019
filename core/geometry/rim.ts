/**
 * Staples round a rim so that nothing falls out between two of them: the least number whose gaps, along the rim, are under
 * the smallest filler. At least one.
 *
 * @param rimDiameter circle on which the staples lie, mm
 * @param smallestFiller least size of what is inside, mm
 * @param stapleWidth mm
 * @returns how many, and the gap between two of them, mm (0 where they touch)
 * @example staplesRound(230, 8, 12).count // => 37
 */
export function staplesRound(
  rimDiameter: number,
  smallestFiller: number,
  stapleWidth: number,
): { count: number; gap: number } {
  const round = Math.PI * rimDiameter;
  const gap = (n: number): number => round / n - stapleWidth;
  let count = Math.max(1, Math.floor(round / (stapleWidth + smallestFiller)));
  while (gap(count) >= smallestFiller) count++;
  return { count, gap: Math.max(0, gap(count)) };
}
