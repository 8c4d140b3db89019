import { z } from 'zod';
import type { Material } from '../../materials/material.ts';
import {
  PatternError,
  taken,
  type Approach,
  type At,
  type DialSpec,
  type Role,
  type Start,
} from '../kernel.ts';
import { BAG } from '../making.ts';
import { measure, number, onOff, oneOf, wholeNumber } from '../dialKinds.ts';

/** A thick upright rod of wire or plastic that is hollow: a whisk, by what it is called. */
const isWhisk = (m: Pick<Material, 'form' | 'solid' | 'sizes' | 'name'>): boolean =>
  m.form === 'piece' && m.solid === 'rod' && (m.sizes.diameter ?? 0) >= 40 && /whisk/i.test(m.name);
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
    accepts: (m) =>
      m.form === 'cord' && m.sizes.length === undefined
        ? 'expected a stem of its own length, not a roll'
        : m.form === 'sheet' && m.materialClass !== 'fabric'
          ? 'expected cloth, or something long and thin'
          : null,
  },
  bag: BAG,
} as const satisfies Record<string, Role>;

const OPENINGS = ['slit', 'hole'] as const;
const STARTS = ['in', 'out'] as const;
const TOOLS = ['fingers', 'fist on a peg', 'finger and thumb on a peg', 'tweezers'] as const;

export const dials = z.strictObject({
  /** A slit grips, a punched hole lets fall. */
  opening: oneOf(OPENINGS),
  /** Length of the slit, or diameter of the hole, mm. */
  length: measure('mm', 2, 300),
  number: wholeNumber('a number of pieces', 1, 40),
  /** How far a piece stands out of the box, mm. */
  proud: measure('mm', 1, 1000),
  start: oneOf(STARTS),
  tool: oneOf(TOOLS),
  /** Scarves tied end to end come out as one. */
  tied: onOff,
  /** Of the pieces, those that stand too low to be pulled: felt for, and pushed up from inside. */
  hidden: wholeNumber('a number of pieces', 0, 40).default(0),
  /** Coloured with squeezed juice or thinned paint. */
  dyed: onOff.default(false),
  /** Of a whisk: how many wires there are round it. */
  wires: wholeNumber('a number of wires', 4, 40).default(10),
});
export type Dials = z.infer<typeof dials>;

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

const NUMBERS: Record<Approach, number> = {
  'prepared shelf': 6,
  'graded play': 8,
  'made together': 6,
  'grab bag': 5,
};
const half = (x: number): number => Math.ceil(2 * x) / 2;

export function defaults({ approach, chosen, ageFrom, without }: Start): Dials {
  // A bradawl makes holes where there is no knife for slits: as close as it goes, so that they hold.
  const pricked = without?.includes('craft knife') ?? false;
  const { stem, kinds, depth, soft } = parts({ chosen });
  const give = Math.min(...kinds.map((m) => m.give));
  const stemIsRound = stem.round && !kinds.some(isCloth);
  return {
    opening: soft || (pricked && stemIsRound) ? 'hole' : 'slit',
    // Nine tenths of the slit's loop are taken up: it holds, and a small hand still pulls it.
    length: soft
      ? half(stem.wide * (1 - give / 2))
      : pricked && stemIsRound
        ? stem.wide + 0.2
        : half(girth(stem) / 2 / 0.9),
    number: kinds.some(isCloth) ? Math.min(4, NUMBERS[approach]) : NUMBERS[approach],
    proud: Math.max(
      10,
      Math.round(Math.max(stem.long - depth + 10, ageFrom < 24 ? stem.long * 0.5 : stem.long * 0.4)),
    ),
    start: ageFrom < 30 ? 'in' : 'out',
    tool: 'fingers',
    tied: false,
    hidden: 0,
    dyed: approach === 'made together',
    wires: 10,
  };
}

export function specs({ dials: d, chosen }: At<Dials>): DialSpec[] {
  const { stem, kinds, soft } = parts({ chosen });
  const give = soft && d.opening === 'hole' ? Math.min(...kinds.map((m) => m.give)) : 0;
  const least = d.opening === 'slit' ? girth(stem) / 2 : stem.wide * (1 - give);
  return [
    {
      kind: 'choice',
      id: 'opening',
      label: 'Opening',
      options: [
        { value: 'slit', label: 'Slit', why: 'A slit grips the piece: it stays up when the box is turned.' },
        {
          value: 'hole',
          label: 'Punched hole',
          why: 'A hole lets it fall: for pushing in, not for standing.',
        },
      ],
    },
    number('length', d.opening === 'slit' ? 'Slit' : 'Hole across', 'mm', [
      Math.max(0.5, Math.floor(least)),
      Math.ceil(least * 2) + 4,
      0.5,
    ]),
    number('number', 'Pieces', 'each', [1, 24, 1]),
    number(
      'proud',
      'Stands out by',
      'mm',
      [5, Math.max(6, Math.floor(stem.long - 10)), 5],
      'High is easier: there is more to take hold of.',
    ),
    {
      kind: 'choice',
      id: 'start',
      label: 'To begin with',
      options: [
        { value: 'in', label: 'In', why: 'Pulling out comes first for the youngest.' },
        { value: 'out', label: 'Out', why: 'For those who can put in.' },
      ],
    },
    {
      kind: 'choice',
      id: 'tool',
      label: 'Pulled with',
      options: [
        { value: 'fingers', label: 'Fingers' },
        { value: 'fist on a peg', label: 'Fist on a peg' },
        { value: 'finger and thumb on a peg', label: 'Finger and thumb on a peg' },
        { value: 'tweezers', label: 'Peg turned round, as tweezers' },
      ],
    },
    ...(kinds.some(isCloth) || kinds.some(isSoft)
      ? []
      : [
          number(
            'hidden',
            'Hidden among them',
            'each',
            [0, Math.max(0, d.number - 1), 1],
            'They stand too low to be pulled: felt for, and pushed up from inside.',
          ),
          { kind: 'switch', id: 'dyed', label: 'Coloured by dye' } as const,
        ]),
    ...(kinds.some(isCloth)
      ? [
          {
            kind: 'switch',
            id: 'tied',
            label: 'Tied end to end',
            why: 'Tied ones come out as one long cord: the cord rule goes by their whole length.',
          } as const,
        ]
      : []),
  ];
}
