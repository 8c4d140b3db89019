import type { Material } from '../../materials/material.ts';
import type { OutlineDial } from '../../outline/outline.ts';
import { taken, type At, type Role } from '../kernel.ts';
import { BAG, sheetOrCardBox } from '../making.ts';
import { GLUE, LAMINATE, TAPE } from '../supplies.ts';
import { isCard, isLace } from '../serves.ts';

export const ROLES = {
  card: {
    id: 'card',
    label: 'Card',
    forms: ['sheet', 'container'],
    least: 1,
    most: 1,
    use: 'part',
    usual: ['cereal-panel'],
    serves: isCard,
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
    serves: isLace,
  },
  glue: GLUE,
  laminate: LAMINATE,
  tape: TAPE,
  bag: BAG,
} as const satisfies Record<string, Role>;

/** Length of a punched hole, mm: a single punch; two overlapping ones make it 9 long for a thick or frayed end. */
export const PUNCH = { single: 6, double: 9 } as const;
/** Either is as wide as the punch, mm: what is stiff has to be thinner than that, however long the hole is. */
export const WIDE = 6;
/** A knot and a tail to hold, mm (common practice). */
export const KNOT = 60;
export const TAIL = 150;

export interface Dials {
  readonly outline: OutlineDial;
  /** Longest side of the card, mm. */
  readonly longest: number;
  readonly holes: number;
  /** From the middle of a hole to the edge, mm. */
  readonly edge: number;
  readonly punch: keyof typeof PUNCH;
  readonly stitch: 'running' | 'whip' | 'cross';
  readonly backing: 'single' | 'doubled' | 'laminated';
  /** Thickness of the lace's tip, mm. */
  readonly tip: number;
}

export const parts = ({ chosen }: Pick<At<Dials>, 'chosen'>): { card: Material; lace: Material } => ({
  card: taken(chosen, ROLES.card),
  lace: taken(chosen, ROLES.lace),
});
