import { volume } from '../../geometry/shape.ts';
import { shapeOf, type Material } from '../../materials/material.ts';

const { max, PI, round } = Math;

/** Across the bottom of a plate, of its rim (common practice). */
const PLATE_FLAT = 0.7;
/** Of a bottle's outside, what is inside below its shoulder (common practice). */
const BELOW_SHOULDER = 0.9;
/** Share of a heap that loose pieces fill (loose random packing, from memory). */
const HEAPED = 0.6;
/** Inside of one shaker, mm³. */
export function insideOf(body: Material): number {
  const { diameter = 0, height = 0, length = 0, wall = 0 } = body.sizes;
  const inner = max(0, diameter - 2 * wall);
  switch (body.form) {
    case 'disc': {
      // Two plates face to face, each a cone cut off at its flat bottom.
      const flat = diameter * PLATE_FLAT;
      return 2 * ((PI * height) / 12) * (diameter ** 2 + diameter * flat + flat ** 2);
    }
    case 'tube':
      return (PI / 4) * inner ** 2 * length;
    default:
      return (PI / 4) * inner ** 2 * max(0, height - wall) * BELOW_SHOULDER;
  }
}

/** About how many of a filler go into one shaker that is so full, %. */
export const countIn = (body: Material, filler: Material, full: number): number =>
  max(1, round((insideOf(body) * (full / 100) * HEAPED) / volume(shapeOf(filler)!)));

/** A child puts in so many by hand, the rest is poured; of more than `MANY` all are poured (common practice). */
export const BY_HAND = 40;
export const MANY = 200;
/** A filler that is thinner than this, mm, finds its way between staples: a band of tape is begun with (common practice). */
export const FINE = 3;
