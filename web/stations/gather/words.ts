import { amountWords } from '../../data/style.ts';
import type { MaterialRow } from '../../../contract/materials.ts';
import { lengthNumber, type LengthUnit } from '../../../core/measure/length.ts';
import { SIZES_OF } from '../../../core/materials/material.ts';

/** Sizes in the order a form is measured by, the wall left out: `38 × 14 mm`. */
export const sizeWords = (m: Pick<MaterialRow, 'form' | 'sizes'>, unit: LengthUnit): string => {
  const sizes = SIZES_OF[m.form].filter((s) => s !== 'wall' && m.sizes[s] !== undefined);
  return sizes.length === 0
    ? ''
    : sizes.map((s) => lengthNumber(m.sizes[s]!, unit)).join(' × ') + (unit === 'mm' ? ' mm' : '″');
};

/** A count as it is counted: pieces, or metres of what comes by length. */
export const amount = (m: Pick<MaterialRow, 'unit'>, n: number): string => amountWords(n, m.unit);
