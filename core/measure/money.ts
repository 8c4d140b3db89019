/** Money is kept in whole minor units (cents, pence) and only split for the eye. */
export const formatMoney = (minor: number): string => {
  const rounded = Math.round(minor);
  return `${rounded < 0 ? '−' : ''}${Math.floor(Math.abs(rounded) / 100)}.${String(Math.abs(rounded) % 100).padStart(2, '0')}`;
};

/**
 * Reads a price: `2.40`, `2,40`, `3`.
 * @returns whole minor units
 * @throws RangeError saying what was expected
 */
export function parseMoney(text: string): number {
  const match = /^(\d{1,7})(?:[.,](\d{1,2}))?$/.exec(text.trim());
  if (!match) throw new RangeError(`“${text.trim().slice(0, 40)}” is not a price; write it like 2.40`);
  return Number(match[1]) * 100 + Number((match[2] ?? '').padEnd(2, '0'));
}
