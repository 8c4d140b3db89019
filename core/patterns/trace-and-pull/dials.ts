import { z } from 'zod';
import { extentsOf, shapeOf } from '../../materials/material.ts';
import { outlineDial, SHAPE_OPTIONS } from '../../outline/outline.ts';
import { choice, measure, number, oneOf, onOff, wholeNumber } from '../dialKinds.ts';
import { ofClass } from '../making.ts';
import { allTaken, taken, type Approach, type At, type DialSpec, type Role, type Start } from '../kernel.ts';

const CHILD = ['pulls', 'colours and pulls', 'traces and pulls'] as const;

export const dials = z.strictObject({
  outline: outlineDial,
  longest: measure('mm', 40, 400),
  /** Width of the line of glue, and how high it stands wet; mm. */
  line: measure('mm', 2, 15),
  high: measure('mm', 1, 10),
  /** Strands across, so that it holds together when it is peeled. */
  ribs: onOff,
  /** Hours that a millimetre of height takes to dry. */
  dries: measure('h', 2, 48),
  /** Glue in a bottle, ml. */
  bottle: wholeNumber('millilitres', 20, 5000),
  child: oneOf(CHILD),
  /** Height of the peg over the floor or table, and how far the other end rises; mm. */
  peg: measure('mm', 100, 2000),
  lift: measure('mm', 20, 1800),
});
export type Dials = z.infer<typeof dials>;

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

const STARTS: Record<Approach, Pick<Dials, 'child'>> = {
  'prepared shelf': { child: 'pulls' },
  'graded play': { child: 'traces and pulls' },
  'made together': { child: 'traces and pulls' },
  'grab bag': { child: 'pulls' },
};

export function defaults({ approach, chosen, ageFrom }: Start): Dials {
  const { room } = parts({ chosen });
  return {
    ...STARTS[approach],
    outline: { kind: 'shape', shape: 'fish' },
    longest: Math.max(40, Math.min(180, Math.floor(room))),
    line: ageFrom < 48 ? 7 : 5,
    high: ageFrom < 48 ? 3 : 2.5,
    ribs: true,
    dries: 12,
    bottle: 100,
    peg: 300,
    lift: 180,
  };
}

export function specs({ dials: d, chosen }: At<Dials>): DialSpec[] {
  const { room } = parts({ chosen });
  return [
    { kind: 'outline', id: 'outline', label: 'Outline', options: SHAPE_OPTIONS },
    number('longest', 'Longest side', 'mm', [60, Math.max(70, Math.min(400, Math.floor(room))), 5]),
    number('line', 'Line of glue', 'mm', [3, 12, 0.5], 'From 4 on it peels in one piece.'),
    number('high', 'How high it stands', 'mm', [1, 6, 0.5], 'It shrinks to about half of it.'),
    {
      kind: 'switch',
      id: 'ribs',
      label: 'Strands across',
      why: 'No strand longer than 60 without a crossing.',
    },
    number(
      'dries',
      'Dries, hours a millimetre',
      'each',
      [4, 36, 1],
      'An assumption: thick glue in a warm dry room. Peel only when it is clear all over.',
    ),
    number('bottle', 'Glue in a bottle, ml', 'each', [50, 1000, 10]),
    choice('child', 'The child', [
      { value: 'pulls', label: 'Pulls' },
      { value: 'colours and pulls', label: 'Colours and pulls' },
      {
        value: 'traces and pulls',
        label: 'Traces and pulls',
        why: 'Squeezing along a line is the exercise.',
      },
    ]),
    number('peg', 'Height of the peg', 'mm', [150, 1500, 10], 'At the child’s reach.'),
    number('lift', 'How far it rises', 'mm', [40, Math.max(60, d.peg - 40), 10]),
  ];
}
