import { area } from './polygon.ts';
import type { Shape } from './shapeInput.ts';

export type { Shape } from './shapeInput.ts';

/** The shape with every length multiplied by `factor` (for pieces that give). */
export function scaled(s: Shape, factor: number): Shape {
  switch (s.kind) {
    case 'sphere':
      return { ...s, diameter: s.diameter * factor };
    case 'box':
    case 'ellipsoid':
      return { ...s, length: s.length * factor, width: s.width * factor, height: s.height * factor };
    case 'cylinder':
      return { ...s, diameter: s.diameter * factor, length: s.length * factor };
    case 'ring':
      return {
        ...s,
        outerDiameter: s.outerDiameter * factor,
        innerDiameter: s.innerDiameter * factor,
        height: s.height * factor,
      };
    case 'cone':
      return { ...s, baseDiameter: s.baseDiameter * factor, height: s.height * factor };
    case 'sheet':
      return {
        ...s,
        outline: s.outline.map(([x, y]) => [x * factor, y * factor] as [number, number]),
        thickness: s.thickness * factor,
      };
  }
}

/** Volume in mm³ (a ring without its hole, since pieces heap by what they keep others out of). */
export function volume(s: Shape): number {
  switch (s.kind) {
    case 'sphere':
      return (Math.PI / 6) * s.diameter ** 3;
    case 'box':
      return s.length * s.width * s.height;
    case 'ellipsoid':
      return (Math.PI / 6) * s.length * s.width * s.height;
    case 'cylinder':
      return (Math.PI / 4) * s.diameter ** 2 * s.length;
    case 'ring':
      return (Math.PI / 4) * s.outerDiameter ** 2 * s.height;
    case 'cone':
      return (Math.PI / 12) * s.baseDiameter ** 2 * s.height;
    case 'sheet':
      return area(s.outline) * s.thickness;
  }
}
