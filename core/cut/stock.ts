import type { Vec2 } from '../geometry/vector.ts';
import type { Material } from '../materials/material.ts';
import type { Stock } from '../patterns/kernel.ts';

/** Card boxes are opened along one edge and laid flat: two panels and two sides; flaps are not counted on. */
const boxPanels = ({ length = 0, width = 0, height = 0 }: Material['sizes']): Vec2[] => [
  [height, length],
  [height, length],
  [height, width],
  [height, width],
];

/**
 * What one of a material gives to cut from, mm: a roll where it is measured off, a length where it is longer than wide, a
 * box's panels, or the sheet itself. The catalogue's cereal box of 190 × 60 × 290 gives two panels and two sides.
 */
export function stockOf(m: Pick<Material, 'form' | 'solid' | 'unit' | 'sizes'>): Stock {
  if (m.unit === 'mm') return { kind: 'roll' };
  const { length = 0, width = 0, diameter } = m.sizes;
  switch (m.form) {
    case 'container':
      return { kind: 'panels', panels: diameter === undefined ? boxPanels(m.sizes) : [] };
    case 'sheet':
    case 'consumable':
      return { kind: 'panels', panels: [[Math.max(length, width), Math.min(length, width)]] };
    default:
      return { kind: 'length', length };
  }
}
