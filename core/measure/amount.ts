import { lengthNumber, type LengthUnit } from './length.ts';

const FOOT = 304.8;
/** From so much on it is said in metres, or in feet, mm. */
const LONG = { mm: 1000, in: 3 * FOOT } as const;

/**
 * So much of a material as people say it: pieces as a number; what comes by length in mm and metres, or in inches and feet.
 *
 * @param unit how the material is counted: pieces, or mm
 * @param place how the place writes lengths
 * @example amountOf(3208, 'mm', 'mm') // => '3.21 m'
 */
export function amountOf(quantity: number, unit: 'each' | 'mm', place: LengthUnit): string {
  if (unit === 'each') return String(quantity);
  const short = Math.abs(quantity) < LONG[place];
  if (place === 'mm')
    return short ? `${lengthNumber(quantity, 'mm')} mm` : `${trimmed(quantity / 1000, 2)} m`;
  return short ? `${lengthNumber(quantity, 'in')}″` : `${trimmed(quantity / FOOT, 1)} ft`;
}
const trimmed = (n: number, digits: number): string => String(Number(n.toFixed(digits)));

/** The same before the material's name: `4 ×`, `3.21 m of`. */
export const amountBefore = (quantity: number, unit: 'each' | 'mm', place: LengthUnit): string =>
  `${amountOf(quantity, unit, place)} ${unit === 'mm' ? 'of' : '×'}`;
