import { z } from 'zod';
import type { Material } from '../../materials/material.ts';
import { outlineDial } from '../../outline/outline.ts';
import { taken, type At, type Role } from '../kernel.ts';
import { BAG, sheetOrCardBox } from '../making.ts';
import { measure, oneOf, wholeNumber } from '../dialKinds.ts';

export const ROLES = {
  card: {
    id: 'card',
    label: 'Card',
    forms: ['sheet', 'container'],
    least: 1,
    most: 1,
    use: 'part',
    usual: ['cereal-panel'],
    accepts: sheetOrCardBox,
  },
  lace: {
    id: 'lace',
    label: 'Lace',
    forms: ['cord'],
    least: 1,
    most: 1,
    use: 'piece',
    usual: ['shoe-lace'],
  },
  bag: BAG,
} as const satisfies Record<string, Role>;

const STITCHES = ['running', 'whip', 'cross'] as const;
const PUNCHES = ['single', 'double'] as const;
const BACKINGS = ['single', 'doubled', 'laminated'] as const;

/** Width of a punched hole, mm: a single punch; two overlapping ones make it 9 long for a thick or frayed end. */
export const PUNCH = { single: 6, double: 9 } as const;
/** A knot and a tail to hold, mm (common practice). */
export const KNOT = 60;
export const TAIL = 150;

export const dials = z.strictObject({
  outline: outlineDial,
  /** Longest side of the card, mm. */
  longest: measure('mm', 10, 5000),
  holes: wholeNumber('a number of holes', 3, 120),
  /** From the middle of a hole to the edge, mm. */
  edge: measure('mm', 3, 300),
  punch: oneOf(PUNCHES),
  stitch: oneOf(STITCHES),
  backing: oneOf(BACKINGS),
  /** Thickness of the lace's tip, mm. */
  tip: measure('mm', 0.3, 40),
});
export type Dials = z.infer<typeof dials>;

export const parts = ({ chosen }: Pick<At<Dials>, 'chosen'>): { card: Material; lace: Material } => ({
  card: taken(chosen, ROLES.card),
  lace: taken(chosen, ROLES.lace),
});
