/** Strength of a cleaner: by its label in percent, or in parts per million. */
export type StrengthUnit = '%' | 'ppm';

interface Strength {
  /** More than 0. */
  readonly value: number;
  readonly unit: StrengthUnit;
}
export interface DilutionRequest {
  /** What the bottle holds, as its own label says. */
  readonly from: Strength;
  /** What is asked for, as the label or the local code says. */
  readonly to: Strength;
  /** How much is to be mixed, ml, more than 0. */
  readonly volume: number;
}

export interface Dilution {
  /** ml of the product and of water. */
  readonly product: number;
  readonly water: number;
  /** One part of the product to so many parts of water. */
  readonly parts: number;
}

/** Parts per million of a strength: one percent is ten thousand. */
export const ppmOf = ({ value, unit }: { value: number; unit: StrengthUnit }): number =>
  unit === '%' ? value * 10_000 : value;

/** A mixture that nobody can make, with the field that stands in the way. */
export class DilutionError extends Error {
  readonly path: string;
  constructor(path: string, message: string) {
    super(message);
    this.path = path;
    this.name = 'DilutionError';
  }
}

/**
 * How much of a product and of water make so much of a weaker one: C1 V1 = C2 V2.
 *
 * @throws DilutionError where the product is weaker than what is asked for, or over 100 %
 * @example dilute({ from: { value: 5, unit: '%' }, to: { value: 500, unit: 'ppm' }, volume: 1000 }) // => { product: 10, water: 990, parts: 99 }
 */
export function dilute({ from, to, volume }: DilutionRequest): Dilution {
  const [c1, c2] = [ppmOf(from), ppmOf(to)];
  if (c1 > 1_000_000) throw new DilutionError('from.value', 'must be at most 100 % (1,000,000 ppm)');
  if (c2 > c1) throw new DilutionError('to.value', 'is stronger than the product; expected a weaker mixture');
  const product = (c2 * volume) / c1;
  return { product, water: volume - product, parts: (volume - product) / product };
}
