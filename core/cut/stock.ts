import type { Vec2 } from '../geometry/vector.ts';
import { PANELS, panelSize, type KeepOutArea, type Material } from '../materials/material.ts';
import type { Stock } from '../patterns/kernel.ts';

/** Card boxes are opened along one edge and laid flat: two panels and two sides; flaps are not counted on. */
const BOX: readonly KeepOutArea['panel'][] = PANELS.filter((p) => p !== 'sheet');

type Cuttable = Pick<Material, 'form' | 'solid' | 'unit' | 'sizes' | 'keepOut' | 'grain'>;

/** A panel that stands up, height first; a sheet lies with its longer side first. */
function panelsOf(m: Cuttable, names: readonly KeepOutArea['panel'][]): Stock {
  const stands = names !== SHEET;
  const areas = m.keepOut ?? [];
  const panels = names.map((name): Vec2 => {
    const [across, down] = panelSize(m, name)!;
    return stands ? [down, across] : [across, down];
  });
  const keepOut = names.map((name) =>
    areas
      .filter((k) => k.panel === name)
      .map(({ left, top, width, height }): Vec2[] => {
        const [x, y, w, h] = stands ? [top, left, height, width] : [left, top, width, height];
        return [
          [x, y],
          [x + w, y],
          [x + w, y + h],
          [x, y + h],
        ];
      }),
  );
  return {
    kind: 'panels',
    panels,
    ...(areas.length > 0 ? { keepOut } : {}),
    ...(m.grain ? { grain: m.grain } : {}),
  };
}
const SHEET: readonly KeepOutArea['panel'][] = ['sheet'];

/**
 * What one of a material gives to cut from, mm: a roll where it is measured off, a length where it is longer than wide, a
 * box's panels, or the sheet itself. The catalogue's cereal box of 190 × 60 × 290 gives two panels and two sides.
 */
export function stockOf(m: Cuttable): Stock {
  if (m.unit === 'mm') return { kind: 'roll' };
  switch (m.form) {
    case 'container':
      return m.sizes.diameter === undefined ? panelsOf(m, BOX) : { kind: 'panels', panels: [] };
    case 'sheet':
    case 'consumable':
      return panelsOf(m, SHEET);
    default:
      return { kind: 'length', length: m.sizes.length ?? 0 };
  }
}
