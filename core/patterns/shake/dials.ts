import { z } from 'zod';
import { atLeast, extentsOf, shapeOf, type Material } from '../../materials/material.ts';
import { staplesRound } from '../../geometry/rim.ts';
import { choice, measure, number, oneOf, wholeNumber } from '../dialKinds.ts';
import { ofClass } from '../making.ts';
import { allTaken, taken, type Approach, type At, type DialSpec, type Role, type Start } from '../kernel.ts';

const SEALS = ['staples', 'tape'] as const;
const FILLED = ['poured', 'one by one', 'from the hand'] as const;

export const dials = z.strictObject({
  /** How two plates are closed. */
  seal: oneOf(SEALS),
  staples: wholeNumber('a number of staples', 1, 400),
  stapleWidth: measure('mm', 4, 20),
  /** From the edge of the plate to the staples, mm. */
  rim: measure('mm', 3, 25),
  /** How far a cap stands over the end of a tube all round, mm. */
  overlap: measure('mm', 8, 40),
  /** How full it is, percent of its inside. */
  full: wholeNumber('a percentage', 5, 90),
  filled: oneOf(FILLED),
  /** What is left open to fill it through, mm. */
  mouth: measure('mm', 15, 200),
});
export type Dials = z.infer<typeof dials>;

export const ROLES = {
  body: {
    id: 'body',
    label: 'Plates, tube or bottle',
    forms: ['disc', 'tube', 'container'],
    least: 1,
    most: 1,
    use: 'part',
    usual: ['paper-plate'],
    accepts: (m) => ((m.sizes.diameter ?? 0) < 30 ? 'expected something round, at least 30 mm across' : null),
  },
  filler: {
    id: 'filler',
    label: 'What rattles',
    forms: ['piece', 'disc', 'tube'],
    least: 1,
    most: 2,
    use: 'filler',
    usual: ['pasta-tube'],
    accepts: (m) =>
      Math.max(m.sizes.length ?? 0, m.sizes.diameter ?? 0) > 60
        ? 'expected something up to 60 mm long'
        : null,
  },
  cap: {
    id: 'cap',
    label: 'Paper for the caps of a tube',
    forms: ['sheet'],
    least: 0,
    most: 1,
    use: 'part',
    usual: ['a4-paper'],
  },
  band: {
    id: 'band',
    label: 'Bands',
    forms: ['cord'],
    least: 0,
    most: 1,
    use: 'part',
    usual: ['rubber-band'],
    accepts: (m) =>
      m.sizes.length === undefined ? 'expected a band with its length once round, in mm' : null,
  },
  tape: {
    id: 'tape',
    label: 'Tape',
    forms: ['consumable'],
    least: 0,
    most: 1,
    use: 'consumable',
    usual: ['cloth-tape'],
    accepts: ofClass('tape'),
  },
  decor: {
    id: 'decor',
    label: 'Stickers or tissue on it',
    forms: ['consumable', 'sheet'],
    least: 0,
    most: 1,
    use: 'consumable',
    usual: [],
  },
} as const satisfies Record<string, Role>;

/** Two plates rim to rim, a tube with paper caps, or a bottle with its lid: as what it is made of allows. */
export type Kind = 'plates' | 'tube' | 'bottle';
const kindOf = (m: Material): Kind => (m.form === 'disc' ? 'plates' : m.form === 'tube' ? 'tube' : 'bottle');

export function parts({ chosen }: Pick<At<Dials>, 'chosen'>) {
  const body = taken(chosen, ROLES.body);
  const one = (role: Role): Material | null => allTaken(chosen, role)[0] ?? null;
  return {
    body,
    kind: kindOf(body),
    across: body.sizes.diameter!,
    fillers: allTaken(chosen, ROLES.filler),
    cap: one(ROLES.cap),
    band: one(ROLES.band),
    tape: one(ROLES.tape),
    decor: one(ROLES.decor),
  };
}

/** Longest and least extent of what rattles, mm, by the smallest that was measured. */
export function fillerSize(m: Material): { long: number; least: number } {
  const extents = extentsOf(shapeOf(atLeast(m))!);
  return { long: extentsOf(shapeOf(m)!)[0], least: extents[2] };
}

const STARTS: Record<Approach, Pick<Dials, 'filled' | 'seal'>> = {
  'prepared shelf': { filled: 'one by one', seal: 'tape' },
  'graded play': { filled: 'one by one', seal: 'staples' },
  'made together': { filled: 'from the hand', seal: 'staples' },
  'grab bag': { filled: 'poured', seal: 'tape' },
};

export function defaults({ approach, chosen }: Start): Dials {
  const { across, tape, fillers, kind, body } = parts({ chosen });
  const { long } = fillerSize(fillers[0]!);
  const start = STARTS[approach];
  const d: Dials = {
    ...start,
    seal: tape ? start.seal : 'staples',
    staples: 1,
    stapleWidth: 12,
    rim: 7,
    overlap: 15,
    full: 30,
    mouth: Math.max(15, Math.min(mostMouth(kind, across, body.sizes.wall ?? 0), Math.max(60, long + 20))),
  };
  return { ...d, staples: Math.max(1, staplesFor(d, across, fillers).count) };
}

/** The widest opening to fill it through, mm: the tube's inside, a bottle's neck, a side of two plates. */
export const mostMouth = (kind: Kind, across: number, wall: number): number =>
  Math.floor(kind === 'plates' ? Math.min(200, across * 0.7) : Math.max(16, across - 2 * wall));

/** Staples that two plates of that size need, for the smallest of what is inside. */
export const staplesFor = (
  d: Pick<Dials, 'rim' | 'stapleWidth'>,
  across: number,
  fillers: readonly Material[],
): { count: number; gap: number } =>
  staplesRound(
    Math.max(10, across - 2 * d.rim),
    Math.min(...fillers.map((m) => fillerSize(m).least)),
    d.stapleWidth,
  );

export function specs({ dials: d, chosen }: At<Dials>): DialSpec[] {
  const { kind, across, fillers, body } = parts({ chosen });
  return [
    ...(kind === 'plates'
      ? [
          choice('seal', 'Closed by', [
            { value: 'staples', label: 'Staples', why: 'Quick, and their points must be taped over.' },
            {
              value: 'tape',
              label: 'A band of tape',
              why: 'No points and no gaps; it is pulled at before it is lent.',
            },
          ]),
          ...(d.seal === 'staples'
            ? [
                number('staples', 'Staples', 'each', [
                  4,
                  Math.max(60, 2 * staplesFor(d, across, fillers).count),
                  1,
                ]),
                number('stapleWidth', 'Width of a staple', 'mm', [6, 14, 0.5]),
                number('rim', 'From the edge', 'mm', [3, 20, 1]),
              ]
            : []),
        ]
      : []),
    ...(kind === 'tube' ? [number('overlap', 'Cap over the edge', 'mm', [8, 40, 1])] : []),
    number('full', 'How full', '%', [5, 60, 5], 'A quarter to a third rattles best.'),
    choice('filled', 'Filled by the child', [
      { value: 'poured', label: 'Poured', why: 'From a cup; a wide mouth.' },
      { value: 'one by one', label: 'One by one', why: 'Finger and thumb, one at a time.' },
      {
        value: 'from the hand',
        label: 'Three in the hand',
        why: 'Three are held in the palm and one at a time comes to the fingertips.',
      },
    ]),
    number('mouth', 'Open to fill it through', 'mm', [
      15,
      Math.max(20, mostMouth(kind, across, body.sizes.wall ?? 0)),
      1,
    ]),
  ];
}
