import { z } from 'zod';
import type { Material } from '../../materials/material.ts';
import { taken, type Approach, type At, type DialSpec, type Role, type Start } from '../kernel.ts';
import { BAG } from '../making.ts';
import { measure, number, onOff, oneOf, wholeNumber } from '../dialKinds.ts';

export const ROLES = {
  post: {
    id: 'post',
    label: 'Post',
    forms: ['tube', 'piece'],
    least: 1,
    most: 1,
    use: 'part',
    usual: ['foil-tube'],
    accepts: (m) =>
      (m.sizes.length ?? m.sizes.height ?? 0) < 3 * Math.min(m.sizes.diameter ?? 1e9, m.sizes.width ?? 1e9)
        ? 'expected something at least three times as long as it is thick'
        : null,
  },
  part: {
    id: 'part',
    label: 'Rings from',
    forms: ['tube', 'sheet', 'container'],
    least: 1,
    most: 1,
    use: 'piece',
    usual: ['kitchen-tube'],
  },
  base: {
    id: 'base',
    label: 'Base',
    forms: ['disc', 'container', 'sheet'],
    least: 0,
    most: 1,
    use: 'part',
    usual: ['formula-lid'],
  },
  bag: BAG,
} as const satisfies Record<string, Role>;

const PICTURES = ['plain', 'numbers', 'letters', 'picture'] as const;

export const dials = z.strictObject({
  number: wholeNumber('a number of rings', 2, 20),
  /** Height of a cut, or the thickness a folded ring takes up, mm. */
  height: measure('mm', 3, 300),
  /** What saw or scissors take between two cuts, mm. */
  loss: measure('mm', 0, 10),
  /** Of rings cut from a sheet; a tube has its own. mm */
  outer: measure('mm', 5, 500),
  hole: measure('mm', 2, 500),
  post: measure('mm', 10, 1000),
  /** Sand or stones in the closed base, g. */
  weight: measure('g', 0, 2000),
  /** Something soft over the end of the post. */
  capped: onOff.default(false),
  /** A battery massager in the base makes it hum. */
  hums: onOff.default(false),
  shows: oneOf(PICTURES),
  word: z
    .string({ error: 'expected letters' })
    .max(20, 'may have at most 20 letters')
    .regex(/^[\p{L}\p{N} ]*$/u, 'expected letters or numerals'),
});
export type Dials = z.infer<typeof dials>;

/** Thickness of what stands upright, mm, and how long it is. */
const postSize = (m: Material): { thick: number; long: number } => {
  const { length = 0, width = 0, height = 0, diameter } = m.sizes;
  if (diameter !== undefined) return { thick: diameter, long: Math.max(length, height) };
  const [long, middle] = [length, width, height].sort((a, b) => b - a) as [number, number];
  return { thick: middle, long };
};

/** Whether the rings are cuts of a tube, which have its sizes. */
export const isTube = (part: Material): boolean => part.form === 'tube';

export interface Rings {
  readonly outer: number;
  readonly hole: number;
  readonly height: number;
}

export function parts(at: Pick<At<Dials>, 'chosen'>) {
  const post = taken(at.chosen, ROLES.post);
  const part = taken(at.chosen, ROLES.part);
  const [base] = at.chosen[ROLES.base.id] ?? [];
  return { post, part, base, ...postSize(post) };
}

/** The rings as they come out: a tube's own diameters, or what the dials say of a sheet. mm */
export function ringOf({ dials: d, chosen }: At<Dials>): Rings {
  const { part } = parts({ chosen });
  if (!isTube(part)) return { outer: d.outer, hole: d.hole, height: part.sizes.wall ?? 1 };
  const outer = part.sizes.diameter!;
  return { outer, hole: outer - 2 * (part.sizes.wall ?? 0.7), height: d.height };
}

const STARTS: Record<Approach, { number: number; shows: Dials['shows'] }> = {
  'prepared shelf': { number: 5, shows: 'plain' },
  'graded play': { number: 6, shows: 'numbers' },
  'made together': { number: 5, shows: 'picture' },
  'grab bag': { number: 4, shows: 'plain' },
};

/** How much wider than the post a hole begins, mm: 25 for the youngest, else 10 to 15 (common practice). */
export const looseFor = (ageFrom: number): number => (ageFrom < 18 ? 25 : ageFrom < 36 ? 15 : 12);

export function defaults({ approach, chosen, ageFrom }: Start): Dials {
  const { part, thick, long } = parts({ chosen });
  const start = STARTS[approach];
  const tube = isTube(part);
  const hole = Math.round(thick + looseFor(ageFrom));
  const height = tube ? 38 : (part.sizes.wall ?? 1);
  const post = Math.min(long, 240);
  return {
    number: Math.max(2, Math.min(start.number, Math.floor((post - 30) / Math.max(1, height)))),
    height: tube ? Math.min(38, part.sizes.length!) : 38,
    loss: 1,
    outer: hole + 40,
    hole,
    post,
    weight: 0,
    capped: thick < 20,
    hums: false,
    shows: start.shows,
    word: '',
  };
}

export function specs({ dials: d, chosen }: At<Dials>): DialSpec[] {
  const { part, base, thick, long } = parts({ chosen });
  const tube = isTube(part);
  return [
    number('number', 'Rings', 'each', [2, 12, 1]),
    ...(tube
      ? [
          number('height', 'Height of a cut', 'mm', [
            10,
            Math.max(11, Math.min(80, Math.floor(part.sizes.length!))),
            1,
          ]),
          number(
            'loss',
            'Lost at each cut',
            'mm',
            [0, 3, 0.5],
            'Scissors lose nothing, a saw about a millimetre.',
          ),
        ]
      : [
          number('outer', 'Ring across', 'mm', [
            40,
            Math.max(41, Math.floor(Math.min(part.sizes.length ?? 200, part.sizes.width ?? 200))),
            1,
          ]),
          number('hole', 'Hole in the ring', 'mm', [
            Math.ceil(thick + 2),
            Math.max(Math.ceil(thick + 3), Math.floor(d.outer - 12)),
            1,
          ]),
        ]),
    number('post', 'Post stands', 'mm', [60, Math.max(61, Math.floor(long)), 5]),
    ...(base
      ? [
          number(
            'weight',
            'Weight in the base, g',
            'each',
            [0, 500, 25],
            'Sand or stones in a closed base make it stand; without, the other hand holds it.',
          ),
        ]
      : []),
    {
      kind: 'switch',
      id: 'capped',
      label: 'Cap over the post’s end',
      why: 'A cork, a ball or a pad of tape: a thin post stands at the height of an eye.',
    },
    ...(base
      ? [
          {
            kind: 'switch',
            id: 'hums',
            label: 'Massager in the base',
            why: 'It hums as the rings go on; the battery door needs a screw.',
          } as const,
        ]
      : []),
    {
      kind: 'choice',
      id: 'shows',
      label: 'Rings show',
      options: [
        { value: 'plain', label: 'Nothing', why: 'Any order is right.' },
        { value: 'numbers', label: 'Numbers' },
        { value: 'letters', label: 'A word' },
        { value: 'picture', label: 'A picture', why: 'One in front; another may go on the back.' },
      ],
    },
    ...(d.shows === 'letters'
      ? [
          {
            kind: 'text',
            id: 'word',
            label: 'Word, a letter on each',
            most: 20,
            allowed: '[\\p{L}\\p{N} ]*',
          } as const,
        ]
      : []),
  ];
}
