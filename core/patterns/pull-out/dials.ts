import { hasTrait, type Material } from '../../materials/material.ts';
import { PatternError, taken, type At, type Role } from '../kernel.ts';
import { BAG } from '../making.ts';
import { PAINT } from '../supplies.ts';
import { isHandled, isStick } from '../serves.ts';

/** A thick upright rod of wire or plastic that is hollow: a whisk. */
const isWhisk = (m: Pick<Material, 'form' | 'solid' | 'sizes' | 'traits'>): boolean =>
  m.form === 'piece' && m.solid === 'rod' && (m.sizes.diameter ?? 0) >= 40 && hasTrait(m, 'cage of wires');
export const isCage = ({ chosen }: Pick<At<Dials>, 'chosen'>): boolean => {
  const [box] = chosen[ROLES.box.id] ?? [];
  return box !== undefined && isWhisk(box);
};

export const ROLES = {
  box: {
    id: 'box',
    label: 'Box, tub or whisk',
    forms: ['container', 'piece'],
    least: 1,
    most: 1,
    use: 'part',
    usual: ['tissue-box'],
    accepts: (m) =>
      m.form === 'piece' && !isWhisk(m)
        ? 'expected a container, or a whisk whose wires hold soft balls'
        : null,
  },
  piece: {
    id: 'piece',
    label: 'What is pulled',
    forms: ['piece', 'tube', 'cord', 'sheet'],
    least: 1,
    most: 3,
    use: 'piece',
    usual: ['craft-stick'],
    serves: (m, ageFrom) =>
      m.form === 'sheet'
        ? m.give > 0
        : isStick(m, ageFrom) || m.form === 'cord' || (m.give > 0 && isHandled(m, ageFrom)),
    accepts: (m) =>
      m.form === 'cord' && m.sizes.length === undefined
        ? 'expected a stem of its own length, not a roll'
        : m.form === 'sheet' && m.materialClass !== 'fabric'
          ? 'expected cloth, or something long and thin'
          : null,
  },
  paint: PAINT,
  bag: BAG,
} as const satisfies Record<string, Role>;

export interface Dials {
  /** A slit grips, a punched hole lets fall. */
  readonly opening: 'slit' | 'hole';
  /** Length of the slit, or diameter of the hole, mm. */
  readonly length: number;
  readonly number: number;
  /** How far a piece stands out of the box, mm. */
  readonly proud: number;
  readonly start: 'in' | 'out';
  readonly tool: 'fingers' | 'fist on a peg' | 'finger and thumb on a peg' | 'tweezers';
  /** Scarves tied end to end come out as one. */
  readonly tied: boolean;
  /** Of the pieces, those that stand too low to be pulled: felt for, and pushed up from inside. */
  readonly hidden: number;
  /** Coloured with squeezed juice or thinned paint. */
  readonly dyed: boolean;
  /** Of a whisk: how many wires there are round it. */
  readonly wires: number;
}

/** A cloth is drawn through an opening; everything else is a stem with a section. */
export const isCloth = (m: Material): boolean => m.form === 'sheet';

export interface Stem {
  readonly long: number;
  /** Round: diameter twice; flat: width and thickness; cloth: as it is gathered. mm */
  readonly wide: number;
  readonly thick: number;
  readonly round: boolean;
}

/** A soft ball or block is pulled through a hole that it does not fall through. */
export const isSoft = (m: Material): boolean => m.form === 'piece' && m.give > 0;

/** What goes through the opening, mm. A cloth gathers to about a fortieth of its width (common practice). */
export function stemOf(m: Material): Stem {
  const { length = 0, width = 0, height = 0, diameter, wall = 1 } = m.sizes;
  if (isCloth(m)) {
    const gathered = Math.sqrt(Math.min(length, width) * wall * 1.6);
    return { long: Math.max(length, width), wide: gathered, thick: gathered, round: true };
  }
  if (diameter !== undefined)
    return { long: Math.max(length, height, diameter), wide: diameter, thick: diameter, round: true };
  const [long, wide, thick] = [length, width, height].sort((a, b) => b - a) as [number, number, number];
  return { long, wide, thick, round: false };
}

export function parts({ chosen }: Pick<At<Dials>, 'chosen'>) {
  const box = taken(chosen, ROLES.box);
  const piece = taken(chosen, ROLES.piece);
  const kinds = chosen[ROLES.piece.id]!;
  const { length, width, diameter } = box.sizes;
  const height = box.sizes.height ?? (isWhisk(box) ? (length ?? 0) : 0);
  if (height <= 0) throw new PatternError('materials.box', `${box.name} has no height`);
  return {
    box,
    piece,
    kinds,
    soft: kinds.every(isSoft),
    // The thickest decides: one opening takes every kind.
    stem: kinds.map(stemOf).reduce((a, b) => (girth(b) > girth(a) ? b : a)),
    along: diameter ?? Math.max(length!, width!),
    across: diameter ?? Math.min(length!, width!),
    round: diameter !== undefined,
    depth: height,
  };
}

/** Round a stem, mm: π d of a round one, twice width and thickness of a flat one. */
export const girth = (s: Stem): number => (s.round ? Math.PI * s.wide : 2 * (s.wide + s.thick));

/** A tool is squeezed and held shut all the way: about so much for a clothes peg or tweezers, N (common practice). */
export const SQUEEZED = 10;
