import { z } from 'zod';
import type { Material } from '../../materials/material.ts';
import { perimeter, rectangleOutline } from '../../geometry/polygon.ts';
import { taken, type Approach, type At, type DialSpec, type Role, type Start } from '../kernel.ts';
import { BAG } from '../making.ts';
import { choice, measure, number, onOff, oneOf, wholeNumber } from '../dialKinds.ts';

export const ROLES = {
  rim: {
    id: 'rim',
    label: 'Rim',
    forms: ['container', 'disc', 'sheet'],
    least: 1,
    most: 1,
    use: 'part',
    usual: ['yogurt-tub'],
  },
  peg: {
    id: 'peg',
    label: 'Pegs',
    forms: ['piece'],
    least: 1,
    most: 5,
    use: 'piece',
    usual: ['wooden-peg'],
    // Nothing in its sizes tells a peg from a stick: it is known by its name.
    accepts: (m) => (/peg|clip|clothespin/i.test(m.name) ? null : 'expected a clothes peg or a clip'),
  },
  bag: BAG,
} as const satisfies Record<string, Role>;

/** What repeats round the rim, as numbers of colours; growing has one more each time, matching follows coloured spots. */
export const PATTERNS = {
  free: { label: 'Free', unit: [0] },
  AB: { label: 'AB', unit: [0, 1] },
  AAB: { label: 'AAB', unit: [0, 0, 1] },
  ABB: { label: 'ABB', unit: [0, 1, 1] },
  ABC: { label: 'ABC', unit: [0, 1, 2] },
  growing: { label: 'Growing', unit: [0, 1] },
  matching: { label: 'Matching spots', unit: [0, 1] },
} as const;
export type PatternId = keyof typeof PATTERNS;
const PATTERN_IDS = Object.keys(PATTERNS) as PatternId[];
const HANDS = ['either', 'the other hand'] as const;
const WAYS = ['on', 'off', 'off by colour'] as const;

export const dials = z.strictObject({
  number: wholeNumber('a number of pegs', 1, 60),
  /** Room between two pegs, mm. */
  gap: measure('mm', 0, 60),
  pattern: oneOf(PATTERN_IDS),
  /** Rims with 1 to this many spots, a peg for each spot; 0 for one rim without counting. */
  counting: wholeNumber('a number of rims', 0, 10),
  mixed: onOff,
  /** How far the jaw opens, mm. */
  jaw: measure('mm', 2, 40),
  /** Rims held together so that they are stiff. */
  layers: wholeNumber('a number of layers', 1, 3),
  hand: oneOf(HANDS),
  /** Clipped on, or taken off a full rim. */
  way: oneOf(WAYS).default('on'),
  /** Push at the handle that opens each kind, N on a kitchen scale, in the order of the kinds. */
  springs: z
    .string({ error: 'expected numbers' })
    .max(60, 'may have at most 60 characters')
    .regex(/^[\d., ]*$/, 'expected newtons, apart by commas')
    .default(''),
});
export type Dials = z.infer<typeof dials>;

/** The line the pegs sit on, mm: the outside of the rim. */
function rimOf(m: Material): {
  length: number;
  round: boolean;
  along: number;
  across: number;
  deep: number;
} {
  const { length = 0, width = 0, height = 0, diameter, wall = 1 } = m.sizes;
  const deep =
    m.form === 'sheet'
      ? Math.min(length, width) / 2
      : m.form === 'disc'
        ? m.sizes.wall === undefined
          ? diameter! / 2
          : height
        : height;
  if (diameter !== undefined)
    return { length: Math.PI * diameter, round: true, along: diameter, across: diameter, deep };
  return {
    length: perimeter(rectangleOutline(length, width)),
    round: false,
    along: length,
    across: width,
    deep: m.form === 'sheet' ? deep : Math.max(deep, wall),
  };
}

/** How wide a peg sits on the rim, mm: its width, the middle of its three sizes at the most. */
export const pegWidth = (m: Material): number => Math.min(m.sizes.width ?? 12, m.sizes.height ?? 99);
export const pegLong = (m: Material): number => m.sizes.length ?? 72;

export function parts({ chosen }: Pick<At<Dials>, 'chosen'>) {
  const rim = taken(chosen, ROLES.rim);
  const peg = taken(chosen, ROLES.peg);
  const kinds = chosen[ROLES.peg.id]!;
  return { rim, peg, kinds, wide: Math.max(...kinds.map(pegWidth)), ...rimOf(rim) };
}

/** Thin board is bent by a peg and springs it off: two together (common practice). */
export const STIFF = 0.7;

const STARTS: Record<Approach, { number: number; counting: number }> = {
  'prepared shelf': { number: 8, counting: 0 },
  'graded play': { number: 6, counting: 3 },
  'made together': { number: 8, counting: 0 },
  'grab bag': { number: 6, counting: 0 },
};

export function defaults({ approach, chosen, ageFrom }: Start): Dials {
  const { kinds, rim } = parts({ chosen });
  const start = STARTS[approach];
  const counting = ageFrom < 36 ? 0 : start.counting;
  return {
    number:
      counting > 0
        ? (counting * (counting + 1)) / 2
        : ageFrom < 30
          ? Math.min(5, start.number)
          : start.number,
    gap: ageFrom < 30 ? 20 : 10,
    pattern: kinds.length > 2 ? 'ABC' : kinds.length > 1 ? 'AB' : 'free',
    counting,
    mixed: false,
    jaw: 9,
    layers: rim.form !== 'container' && (rim.sizes.wall ?? 1) < STIFF ? 2 : 1,
    hand: 'either',
    way: 'on',
    springs: '',
  };
}

export function specs({ dials: d, chosen }: At<Dials>): DialSpec[] {
  const { kinds } = parts({ chosen });
  const patterns = PATTERN_IDS.filter((id) => new Set(PATTERNS[id].unit).size <= kinds.length);
  return [
    number('number', 'Pegs', 'each', [1, 40, 1]),
    number('gap', 'Room between two', 'mm', [0, 40, 1]),
    ...(patterns.length > 1
      ? [
          {
            kind: 'choice',
            id: 'pattern',
            label: 'Pattern of colours',
            options: patterns.map((value) => ({ value, label: PATTERNS[value].label })),
          } as const,
        ]
      : []),
    number(
      'counting',
      'Rims with 1, 2, 3 … spots',
      'each',
      [0, 6, 1],
      'A peg for each spot: always the right number. 0 for one rim without counting.',
    ),
    ...(d.counting > 1 ? [{ kind: 'switch', id: 'mixed', label: 'Rims mixed up' } as const] : []),
    number('jaw', 'Jaw opens', 'mm', [2, 20, 0.5]),
    number('layers', 'Rims held together', 'each', [1, 3, 1]),
    choice('way', 'The child', [
      { value: 'on', label: 'Clips on' },
      { value: 'off', label: 'Takes off', why: 'Opening alone: before clipping on.' },
      ...(kinds.length > 1 ? [{ value: 'off by colour', label: 'Takes off by colour' }] : []),
    ]),
    {
      kind: 'text',
      id: 'springs',
      label: 'Springs, N',
      most: 60,
      hint: 'push at the handle on a kitchen scale, 100 g is 1 N; one for each kind, apart by commas',
      allowed: '[\\d., ]*',
    },
    {
      kind: 'choice',
      id: 'hand',
      label: 'Hand',
      options: [
        { value: 'either', label: 'Either' },
        { value: 'the other hand', label: 'The other hand' },
      ],
    },
  ];
}

/** Newtons of each kind as they were entered; null where none was. */
export const springsOf = ({ dials: d, chosen }: Pick<At<Dials>, 'dials' | 'chosen'>): (number | null)[] => {
  const said = d.springs.split(',').map((t) => Number(t.trim()));
  return chosen[ROLES.peg.id]!.map((_, i) => (said[i] !== undefined && said[i] > 0 ? said[i] : null));
};
