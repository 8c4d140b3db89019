import { extentsOf, shapeOf } from '../../materials/material.ts';
import type { OutlineDial } from '../../outline/outline.ts';
import { dialTable } from '../dialTable.ts';
import { ofClass } from '../making.ts';
import { allTaken, taken, type At, type Role } from '../kernel.ts';
import { isLace, isToken } from '../serves.ts';

export interface Dials {
  readonly outline: OutlineDial;
  readonly longest: number;
  /** Width of the line of glue, and how high it stands wet; mm. */
  readonly line: number;
  readonly high: number;
  /** Strands across, so that it holds together when it is peeled. */
  readonly ribs: boolean;
  /** Hours that a millimetre of height takes to dry. */
  readonly dries: number;
  /** Glue in a bottle, ml. */
  readonly bottle: number;
  readonly child: 'pulls' | 'colours and pulls' | 'traces and pulls';
  /** Height of the peg over the floor or table, and how far the other end rises; mm. */
  readonly peg: number;
  readonly lift: number;
}

export const ROLES = {
  clear: {
    id: 'clear',
    label: 'Clear sheet over the drawing',
    forms: ['sheet', 'consumable'],
    least: 1,
    most: 1,
    use: 'part',
    usual: ['laminate'],
    accepts: (m) =>
      (m.sizes.length ?? 0) < 60 ? 'expected a sheet at least 60 mm long' : ofClass('plastic')(m),
  },
  glue: {
    id: 'glue',
    label: 'Glue that dries clear',
    forms: ['consumable'],
    least: 1,
    most: 1,
    use: 'consumable',
    usual: ['craft-glue'],
    accepts: ofClass('glue'),
  },
  tape: {
    id: 'tape',
    label: 'Tape for the corners',
    forms: ['consumable'],
    least: 0,
    most: 1,
    use: 'consumable',
    usual: ['masking-tape'],
    accepts: ofClass('tape'),
  },
  cord: {
    id: 'cord',
    label: 'Cord',
    forms: ['cord'],
    least: 1,
    most: 1,
    use: 'part',
    usual: ['cotton-cord'],
    serves: isLace,
  },
  peg: {
    id: 'peg',
    label: 'Peg or reel it runs over',
    forms: ['piece', 'disc', 'tube'],
    least: 1,
    most: 1,
    use: 'part',
    usual: ['dowel-cut'],
  },
  end: {
    id: 'end',
    label: 'Things at the ends',
    forms: ['piece', 'disc'],
    least: 1,
    most: 2,
    use: 'piece',
    usual: ['bead-large'],
    serves: isToken,
  },
} as const satisfies Record<string, Role>;

export function parts({ chosen }: Pick<At<Dials>, 'chosen'>) {
  const ends = allTaken(chosen, ROLES.end);
  const peg = taken(chosen, ROLES.peg);
  const [tape] = allTaken(chosen, ROLES.tape);
  const clear = taken(chosen, ROLES.clear);
  const { length = 0, width = 0 } = clear.sizes;
  return {
    clear,
    glue: taken(chosen, ROLES.glue),
    cord: taken(chosen, ROLES.cord),
    peg,
    tape,
    /** One thing for both ends, or one for each. */
    ends: [ends[0]!, ends[1] ?? ends[0]!] as const,
    pegAcross: peg.sizes.diameter ?? extentsOf(shapeOf(peg)!)[1],
    room: Math.min(length, width) - 2 * FREE,
  };
}

/** Clear sheet round the line, mm. */
export const FREE = 15;

export const dials = dialTable<Dials>({
  outline: { label: 'Outline', outline: true, size: 'longest', begins: { kind: 'shape', shape: 'fish' } },
  longest: {
    label: 'Longest side',
    unit: 'mm',
    ends: [40, 400],
    range: ({ chosen }) => [40, Math.max(70, Math.floor(parts({ chosen }).room))],
    step: 5,
    begins: ({ chosen }) => Math.min(180, Math.floor(parts({ chosen }).room)),
  },
  line: {
    label: 'Line of glue',
    unit: 'mm',
    ends: [2, 15],
    step: 0.5,
    why: 'From 4 on it peels in one piece.',
    begins: ({ ageFrom }) => (ageFrom < 48 ? 7 : 5),
  },
  high: {
    label: 'How high it stands',
    unit: 'mm',
    ends: [1, 10],
    step: 0.5,
    why: 'It shrinks to about half of it.',
    begins: ({ ageFrom }) => (ageFrom < 48 ? 3 : 2.5),
  },
  ribs: { label: 'Strands across', why: 'No strand longer than 60 without a crossing.', begins: true },
  dries: {
    label: 'A millimetre dries in',
    unit: 'h',
    ends: [2, 48],
    why: 'An assumption: thick glue in a warm dry room. Peel only when it is clear all over.',
    begins: 12,
  },
  bottle: {
    label: 'Glue in a bottle',
    unit: 'ml',
    of: 'millilitres',
    ends: [20, 5000],
    step: 10,
    begins: 100,
  },
  child: {
    label: 'The child',
    options: [
      'pulls',
      'colours and pulls',
      {
        value: 'traces and pulls',
        label: 'Traces and pulls',
        why: 'Squeezing along a line is the exercise.',
      },
    ],
    begins: {
      'prepared shelf': 'pulls',
      'graded play': 'traces and pulls',
      'made together': 'traces and pulls',
      'grab bag': 'pulls',
    },
  },
  peg: {
    label: 'Height of the peg',
    unit: 'mm',
    ends: [100, 2000],
    step: 10,
    why: 'At the child’s reach.',
    begins: 300,
  },
  lift: {
    label: 'How far it rises',
    unit: 'mm',
    ends: [20, 1800],
    range: ({ dials: d }) => [20, Math.max(60, d.peg - 40)],
    step: 10,
    begins: 180,
  },
});
