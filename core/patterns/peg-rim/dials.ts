import { hasTrait, type Material } from '../../materials/material.ts';
import { perimeter, rectangleOutline } from '../../geometry/polygon.ts';
import { taken, type At, type Role, type Start } from '../kernel.ts';
import { BAG } from '../making.ts';
import { GLUE, PAINT, TAPE } from '../supplies.ts';
import { dialTable } from '../dialTable.ts';
import { isRim } from '../serves.ts';

export const ROLES = {
  rim: {
    id: 'rim',
    label: 'Rim',
    forms: ['container', 'disc', 'sheet'],
    least: 1,
    most: 1,
    use: 'part',
    usual: ['yogurt-tub'],
    serves: isRim,
  },
  peg: {
    id: 'peg',
    label: 'Pegs',
    forms: ['piece'],
    least: 1,
    most: 5,
    use: 'piece',
    usual: ['wooden-peg'],
    // Nothing in its sizes tells a peg from a stick.
    accepts: (m) =>
      hasTrait(m, 'clips on a rim')
        ? null
        : 'expected a clothes peg or a clip; a material of your own is told as one on the shelf, under “Can do or is”',
  },
  tape: TAPE,
  glue: GLUE,
  paint: PAINT,
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

export interface Dials {
  readonly number: number;
  /** Room between two pegs, mm. */
  readonly gap: number;
  readonly pattern: PatternId;
  /** Rims with 1 to this many spots, a peg for each spot; 0 for one rim without counting. */
  readonly counting: number;
  readonly mixed: boolean;
  /** How far the jaw opens, mm. */
  readonly jaw: number;
  /** Rims held together so that they are stiff. */
  readonly layers: number;
  readonly hand: 'either' | 'the other hand';
  /** Clipped on, or taken off a full rim. */
  readonly way: 'on' | 'off' | 'off by colour';
  /** Push at the handle that opens each kind, N on a kitchen scale, in the order of the kinds. */
  readonly springs: string;
}

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

const NUMBERS = { 'prepared shelf': 8, 'graded play': 6, 'made together': 8, 'grab bag': 6 };
/** Rims to count on that a design begins with. */
const counted = ({ approach, ageFrom }: Start): number =>
  approach === 'graded play' && ageFrom >= 36 ? 3 : 0;

export const dials = dialTable<Dials>({
  number: {
    label: 'Pegs',
    unit: 'each',
    of: 'a number of pegs',
    ends: [1, 60],
    begins: (start) => {
      const rims = counted(start);
      if (rims > 0) return (rims * (rims + 1)) / 2;
      return start.ageFrom < 30 ? Math.min(5, NUMBERS[start.approach]) : NUMBERS[start.approach];
    },
  },
  gap: {
    label: 'Room between two',
    unit: 'mm',
    ends: [0, 60],
    begins: ({ ageFrom }) => (ageFrom < 30 ? 20 : 10),
  },
  pattern: {
    label: 'Pattern of colours',
    values: PATTERN_IDS,
    options: ({ chosen }) => {
      const kinds = parts({ chosen }).kinds.length;
      return PATTERN_IDS.filter((id) => new Set(PATTERNS[id].unit).size <= kinds).map((value) => ({
        value,
        label: PATTERNS[value].label,
      }));
    },
    when: ({ chosen }) => parts({ chosen }).kinds.length > 1,
    begins: ({ chosen }) => {
      const kinds = parts({ chosen }).kinds.length;
      return kinds > 2 ? 'ABC' : kinds > 1 ? 'AB' : 'free';
    },
  },
  counting: {
    label: 'Rims with 1, 2, 3 … spots',
    unit: 'each',
    of: 'a number of rims',
    ends: [0, 10],
    why: 'A peg for each spot: always the right number. 0 for one rim without counting.',
    begins: counted,
  },
  mixed: { label: 'Rims mixed up', when: ({ dials: d }) => d.counting > 1, begins: false },
  jaw: { label: 'Jaw opens', unit: 'mm', ends: [2, 40], step: 0.5, begins: 9 },
  layers: {
    label: 'Rims held together',
    unit: 'each',
    of: 'a number of layers',
    ends: [1, 3],
    begins: ({ chosen }) => {
      const { rim } = parts({ chosen });
      return rim.form !== 'container' && (rim.sizes.wall ?? 1) < STIFF ? 2 : 1;
    },
  },
  way: {
    label: 'The child',
    values: ['on', 'off', 'off by colour'],
    options: ({ chosen }) => [
      { value: 'on', label: 'Clips on' },
      { value: 'off', label: 'Takes off', why: 'Opening alone: before clipping on.' },
      ...(parts({ chosen }).kinds.length > 1
        ? [{ value: 'off by colour' as const, label: 'Takes off by colour' }]
        : []),
    ],
    begins: 'on',
    before: 'on',
  },
  springs: {
    label: 'Springs, N',
    most: 60,
    hint: 'push at the handle on a kitchen scale, 100 g is 1 N; one for each kind, apart by commas',
    allowed: { pattern: '[\\d., ]*', expected: 'newtons, apart by commas' },
    begins: '',
    before: '',
  },
  hand: { label: 'Hand', options: ['either', 'the other hand'], begins: 'either' },
});

/** Newtons of each kind as they were entered; null where none was. */
export const springsOf = ({ dials: d, chosen }: Pick<At<Dials>, 'dials' | 'chosen'>): (number | null)[] => {
  const said = d.springs.split(',').map((t) => Number(t.trim()));
  return chosen[ROLES.peg.id]!.map((_, i) => (said[i] !== undefined && said[i] > 0 ? said[i] : null));
};
