import { z } from 'zod';
import type { Material } from '../../materials/material.ts';
import { choice, measure, number, oneOf, wholeNumber } from '../dialKinds.ts';
import { ofClass } from '../making.ts';
import { allTaken, type Approach, type At, type DialSpec, type Role, type Start } from '../kernel.ts';

const KINDS = ['food tray', 'dough', 'wall', 'floor', 'foil', 'brushes'] as const;
const TOOLS_USED = ['hand', 'finger', 'spoon', 'comb', 'brush'] as const;
const LEVELS = ['squat', 'straight', 'stretch', 'all'] as const;
const FLOORS = ['circle', 'triangle', 'square', 'hexagon'] as const;

export const dials = z.strictObject({
  kind: oneOf(KINDS),
  /** How deep the tray is filled, mm. */
  depth: measure('mm', 3, 60),
  /** Mass of 100 ml of what is in it, g. */
  dense: wholeNumber('grams', 10, 250),
  tool: oneOf(TOOLS_USED),
  /** Parts of flour, salt and water, by the cup. */
  flour: wholeNumber('parts of flour', 1, 8),
  salt: wholeNumber('parts of salt', 0, 4),
  water: wholeNumber('parts of water', 1, 4),
  /** Standing height of the child, mm. */
  standing: measure('mm', 500, 1700),
  level: oneOf(LEVELS),
  /** Things taped to the wall. */
  items: wholeNumber('a number of things', 1, 60),
  shape: oneOf(FLOORS),
  /** Across the floor shape, or along the foil; mm. */
  across: measure('mm', 200, 6000),
  /** Across the foil path, mm. */
  wide: measure('mm', 200, 3000),
  /** One strip of foil over the next, mm. */
  overlap: measure('mm', 10, 150),
  children: wholeNumber('a number of children', 1, 12),
  colours: z
    .string({ error: 'expected colours, apart by commas' })
    .max(120, 'may have at most 120 characters'),
});
export type Dials = z.infer<typeof dials>;

export const ROLES = {
  tray: {
    id: 'tray',
    label: 'Tray',
    forms: ['container', 'disc'],
    least: 0,
    most: 1,
    use: 'part',
    usual: ['takeaway-box'],
  },
  fill: {
    id: 'fill',
    label: 'What is in it',
    forms: ['consumable', 'piece'],
    least: 0,
    most: 2,
    use: 'filler',
    usual: ['oat-porridge'],
  },
  item: {
    id: 'item',
    label: 'Stickers or shells',
    forms: ['piece', 'disc', 'consumable'],
    least: 0,
    most: 3,
    use: 'piece',
    usual: ['shell'],
  },
  tape: {
    id: 'tape',
    label: 'Tape',
    forms: ['consumable'],
    least: 0,
    most: 1,
    use: 'consumable',
    usual: ['masking-tape'],
    accepts: ofClass('tape'),
  },
  foil: {
    id: 'foil',
    label: 'Foil',
    forms: ['consumable'],
    least: 0,
    most: 1,
    use: 'part',
    usual: ['kitchen-foil'],
    accepts: ofClass('metal'),
  },
  brush: {
    id: 'brush',
    label: 'Found brushes',
    forms: ['piece', 'disc'],
    least: 0,
    most: 4,
    use: 'tool',
    usual: ['sponge-cube', 'wine-cork'],
  },
  page: {
    id: 'page',
    label: 'Paper to paint on',
    forms: ['sheet'],
    least: 0,
    most: 1,
    use: 'consumable',
    usual: ['a3-paper'],
  },
} as const satisfies Record<string, Role>;

export function parts({ chosen }: Pick<At<Dials>, 'chosen'>) {
  const one = (role: Role): Material | null => allTaken(chosen, role)[0] ?? null;
  return {
    tray: one(ROLES.tray),
    fills: allTaken(chosen, ROLES.fill),
    items: allTaken(chosen, ROLES.item),
    tape: one(ROLES.tape),
    foil: one(ROLES.foil),
    brushes: allTaken(chosen, ROLES.brush),
    page: one(ROLES.page),
  };
}

/** Of the foods that are chosen the flour and the salt of a dough, by their names; null where there is none. */
export const doughFoods = (
  fills: readonly Material[],
): { flour: Material | null; salt: Material | null } => ({
  flour: fills.find((m) => /flour/i.test(m.name)) ?? null,
  salt: fills.find((m) => /salt/i.test(m.name)) ?? null,
});

/**
 * Standing height of a child of so many months, mm: the median of girls and boys, to the next half centimetre.
 *
 * @source WHO Child Growth Standards 2006 and Growth Reference 2007, height for age; from memory
 */
const MEDIANS: readonly (readonly [number, number])[] = [
  [12, 750],
  [18, 815],
  [24, 870],
  [36, 955],
  [48, 1030],
  [60, 1095],
  [72, 1155],
  [96, 1270],
];
export function standingAt(months: number): number {
  const i = MEDIANS.findIndex(([m]) => m >= months);
  if (i <= 0) return MEDIANS[i === 0 ? 0 : MEDIANS.length - 1]![1];
  const [[a, u], [b, v]] = [MEDIANS[i - 1]!, MEDIANS[i]!];
  return Math.round((u + ((v - u) * (months - a)) / (b - a)) / 5) * 5;
}

const STARTS: Record<Approach, Dials['kind']> = {
  'prepared shelf': 'food tray',
  'graded play': 'wall',
  'made together': 'dough',
  'grab bag': 'floor',
};

export function defaults({ approach, chosen, ageFrom }: Start): Dials {
  const { tray, items, fills } = parts({ chosen });
  const begins = STARTS[approach];
  const wanted = begins === 'dough' && !doughFoods(fills).flour ? 'food tray' : begins;
  const kind =
    (wanted === 'food tray' || wanted === 'dough') && !tray
      ? 'floor'
      : wanted === 'wall' && items.length === 0
        ? 'floor'
        : wanted;
  return {
    kind,
    depth: Math.min(15, Math.max(3, Math.floor(tray?.sizes.height ?? 15))),
    dense: 100,
    tool: ageFrom < 36 ? 'hand' : 'finger',
    flour: 2,
    salt: 1,
    water: 1,
    standing: standingAt(ageFrom),
    // New walkers low, later on tiptoe.
    level: ageFrom < 24 ? 'squat' : ageFrom < 42 ? 'straight' : 'all',
    items: 6,
    shape: 'circle',
    across: 1200,
    wide: 600,
    overlap: 30,
    children: 1,
    colours: 'yellow, green, blue',
  };
}

export function specs({ dials: d, chosen }: At<Dials>): DialSpec[] {
  const { tray } = parts({ chosen });
  const deep = Math.max(20, Math.floor(tray?.sizes.height ?? 60));
  const children = number('children', 'Children at once', 'each', [1, 8, 1]);
  const tool = choice('tool', 'Drawn with', [...TOOLS_USED]);
  const own: Record<Dials['kind'], () => DialSpec[]> = {
    'food tray': () => [
      number('depth', 'Depth', 'mm', [5, Math.min(60, deep), 1], '10 to 20: a line stays open.'),
      number('dense', 'Mass of 100 ml, g', 'each', [10, 200, 5]),
      tool,
      children,
    ],
    dough: () => [
      number('depth', 'Depth', 'mm', [5, Math.min(60, deep), 1]),
      number('flour', 'Flour, parts', 'each', [1, 6, 1]),
      number('salt', 'Salt, parts', 'each', [0, 3, 1], 'It keeps the dough, and makes it unfit to eat.'),
      number('water', 'Water, parts', 'each', [1, 3, 1]),
      tool,
      children,
    ],
    wall: () => [
      number('standing', 'Standing height of the child', 'mm', [600, 1500, 5]),
      choice('level', 'Taped at', [
        { value: 'squat', label: 'A squat', why: 'For new walkers: down and up again.' },
        { value: 'straight', label: 'Standing straight' },
        { value: 'stretch', label: 'A stretch', why: 'On tiptoe.' },
        { value: 'all', label: 'All three' },
      ]),
      number('items', 'Things', 'each', [1, 24, 1]),
    ],
    floor: () => [
      choice('shape', 'Shape', [
        { value: 'circle', label: 'Circle', why: 'Laid as a shape of many sides.' },
        { value: 'triangle', label: 'Triangle' },
        { value: 'square', label: 'Square' },
        { value: 'hexagon', label: 'Six sides' },
      ]),
      number('across', 'Across', 'mm', [300, 4000, 50]),
      children,
    ],
    foil: () => [
      number('across', 'Along', 'mm', [300, 4000, 50]),
      number('wide', 'Across', 'mm', [200, 2000, 50]),
      number('overlap', 'Strip over strip', 'mm', [10, 100, 5]),
      tool,
      children,
    ],
    brushes: () => [
      {
        kind: 'text',
        id: 'colours',
        label: 'Colours, apart by commas',
        most: 120,
        hint: 'yellow, green, blue',
      },
      tool,
      children,
    ],
  };
  return [
    choice('kind', 'Kind', [
      { value: 'food tray', label: 'Food to draw in' },
      { value: 'dough', label: 'Dough' },
      { value: 'wall', label: 'On a wall' },
      { value: 'floor', label: 'Shape on the floor' },
      { value: 'foil', label: 'Foil path' },
      { value: 'brushes', label: 'Found brushes' },
    ]),
    ...own[d.kind](),
  ];
}
