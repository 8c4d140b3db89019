import { formatLength, inUnit, type LengthUnit } from '../measure/length.ts';
import type { Fact } from './kernel.ts';

const plain = (x: number): string => (Math.round(x * 10) / 10).toString();

/** A fact's value as a station says it, lengths in the place's unit: “4 mm”, “2 of 3”, “12°”. */
export function factValue({ value, unit, of, said: words }: Fact, lengthUnit: LengthUnit): string {
  if (words !== undefined) return words;
  // Words that carry lengths say them in the place's unit too.
  if (typeof value === 'string') return inUnit(value, lengthUnit);
  const said = ((): string => {
    switch (unit) {
      case 'mm':
        return formatLength(value, lengthUnit);
      case 'deg':
        return `${plain(value)}°`;
      case '%':
        return `${plain(value)} %`;
      case 'g':
      case 'N':
      case 'ml':
      case 'h':
      case 's':
        return `${plain(value)} ${unit}`;
      case 'each':
        return plain(value);
      default:
        // A ratio: its second place tells.
        return (Math.round(value * 100) / 100).toString();
    }
  })();
  return of === undefined ? said : `${said} of ${of}`;
}
