/**
 * A sheet cut in half again and again, each time across its longer side, all of the stack at once.
 *
 * @param width of the sheet, mm; so `height` and `thickness`
 * @param times how often
 * @returns pieces, the size of each, and how thick they lie on each other, mm
 * @example halved(76, 76, 0.1, 4) // => { pieces: 16, width: 19, height: 19, stack: 1.6 }
 */
export function halved(
  width: number,
  height: number,
  thickness: number,
  times: number,
): { pieces: number; width: number; height: number; stack: number } {
  let [w, h] = [width, height];
  for (let i = 0; i < times; i++)
    if (w >= h) w /= 2;
    else h /= 2;
  const pieces = 2 ** times;
  return { pieces, width: w, height: h, stack: thickness * pieces };
}
