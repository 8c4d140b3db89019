import { hasTrait, type Material } from '../../materials/material.ts';
import { dialTable } from '../dialTable.ts';
import { ofClass } from '../making.ts';
import { PAINT } from '../supplies.ts';
import { allTaken, type At, type Role, type Start } from '../kernel.ts';
import { isHandled, isSticker } from '../serves.ts';

export interface Dials {
  readonly kind: 'food tray' | 'dough' | 'wall' | 'floor' | 'foil' | 'brushes';
  /** How deep the tray is filled, mm. */
  readonly depth: number;
  /** Mass of 100 ml of what is in it, g. */
  readonly dense: number;
  readonly tool: 'hand' | 'finger' | 'spoon' | 'comb' | 'brush';
  /** Parts of flour, salt and water, by the cup. */
  readonly flour: number;
  readonly salt: number;
  readonly water: number;
  /** Standing height of the child, mm. */
  readonly standing: number;
  readonly level: 'squat' | 'straight' | 'stretch' | 'all';
  /** Things taped to the wall. */
  readonly items: number;
  readonly shape: 'circle' | 'triangle' | 'square' | 'hexagon';
  /** Across the floor shape, or along the foil; mm. */
  readonly across: number;
  /** Across the foil path, mm. */
  readonly wide: number;
  /** One strip of foil over the next, mm. */
  readonly overlap: number;
  readonly children: number;
  readonly colours: string;
}

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
    serves: (m, ageFrom) => isSticker(m, ageFrom) || isHandled(m, ageFrom),
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
  paint: PAINT,
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

/** Of the foods that are chosen the flour and the salt of a dough; null where there is none. */
export const doughFoods = (
  fills: readonly Material[],
): { flour: Material | null; salt: Material | null } => ({
  flour: fills.find((m) => hasTrait(m, 'flour')) ?? null,
  salt: fills.find((m) => hasTrait(m, 'salt')) ?? null,
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

/** The activity an approach begins with, where what it takes is chosen. */
function kindFor({ approach, chosen }: Start): Dials['kind'] {
  const { tray, items, fills } = parts({ chosen });
  switch (approach) {
    case 'prepared shelf':
      return tray ? 'food tray' : 'floor';
    case 'made together':
      return !tray ? 'floor' : doughFoods(fills).flour ? 'dough' : 'food tray';
    case 'graded play':
      return items.length > 0 ? 'wall' : 'floor';
    case 'grab bag':
      return 'floor';
  }
}

/** Whether what stands on the bench is for one of these activities. */
const of =
  (...kinds: readonly Dials['kind'][]) =>
  ({ dials: d }: At<Dials>): boolean =>
    kinds.includes(d.kind);

export const dials = dialTable<Dials>({
  kind: {
    label: 'Kind',
    options: [
      { value: 'food tray', label: 'Food to draw in' },
      { value: 'dough', label: 'Dough' },
      { value: 'wall', label: 'On a wall' },
      { value: 'floor', label: 'Shape on the floor' },
      { value: 'foil', label: 'Foil path' },
      { value: 'brushes', label: 'Found brushes' },
    ],
    begins: kindFor,
  },
  depth: {
    label: 'Depth',
    unit: 'mm',
    ends: [3, 60],
    range: ({ chosen }) => [3, Math.max(20, Math.floor(parts({ chosen }).tray?.sizes.height ?? 60))],
    why: '10 to 20: a line stays open.',
    when: of('food tray', 'dough'),
    begins: ({ chosen }) => Math.min(15, Math.floor(parts({ chosen }).tray?.sizes.height ?? 15)),
  },
  dense: {
    label: 'Mass of 100 ml',
    unit: 'g',
    of: 'grams',
    ends: [10, 250],
    step: 5,
    when: of('food tray'),
    begins: 100,
  },
  flour: {
    label: 'Flour, parts',
    unit: 'each',
    of: 'parts of flour',
    ends: [1, 8],
    when: of('dough'),
    begins: 2,
  },
  salt: {
    label: 'Salt, parts',
    unit: 'each',
    of: 'parts of salt',
    ends: [0, 4],
    why: 'It keeps the dough, and makes it unfit to eat.',
    when: of('dough'),
    begins: 1,
  },
  water: {
    label: 'Water, parts',
    unit: 'each',
    of: 'parts of water',
    ends: [1, 4],
    when: of('dough'),
    begins: 1,
  },
  standing: {
    label: 'Standing height of the child',
    unit: 'mm',
    ends: [500, 1700],
    step: 5,
    when: of('wall'),
    begins: ({ ageFrom }) => standingAt(ageFrom),
  },
  level: {
    label: 'Taped at',
    options: [
      { value: 'squat', label: 'A squat', why: 'For new walkers: down and up again.' },
      { value: 'straight', label: 'Standing straight' },
      { value: 'stretch', label: 'A stretch', why: 'On tiptoe.' },
      { value: 'all', label: 'All three' },
    ],
    when: of('wall'),
    // New walkers low, later on tiptoe.
    begins: ({ ageFrom }) => (ageFrom < 24 ? 'squat' : ageFrom < 42 ? 'straight' : 'all'),
  },
  items: {
    label: 'Things',
    unit: 'each',
    of: 'a number of things',
    ends: [1, 60],
    when: of('wall'),
    begins: 6,
  },
  shape: {
    label: 'Shape',
    options: [
      { value: 'circle', label: 'Circle', why: 'Laid as a shape of many sides.' },
      'triangle',
      'square',
      { value: 'hexagon', label: 'Six sides' },
    ],
    when: of('floor'),
    begins: 'circle',
  },
  across: {
    label: ({ dials: d }) => (d.kind === 'foil' ? 'Along' : 'Across'),
    unit: 'mm',
    ends: [200, 6000],
    step: 50,
    when: of('floor', 'foil'),
    begins: 1200,
  },
  wide: { label: 'Across', unit: 'mm', ends: [200, 3000], step: 50, when: of('foil'), begins: 600 },
  overlap: {
    label: 'Strip over strip',
    unit: 'mm',
    ends: [10, 150],
    step: 5,
    when: of('foil'),
    begins: 30,
  },
  colours: {
    label: 'Colours, apart by commas',
    most: 120,
    hint: 'yellow, green, blue',
    when: of('brushes'),
    begins: 'yellow, green, blue',
  },
  tool: {
    label: 'Drawn with',
    options: ['hand', 'finger', 'spoon', 'comb', 'brush'],
    when: of('food tray', 'dough', 'foil', 'brushes'),
    begins: ({ ageFrom }) => (ageFrom < 36 ? 'hand' : 'finger'),
  },
  children: {
    label: 'Children at once',
    unit: 'each',
    of: 'a number of children',
    ends: [1, 12],
    when: of('food tray', 'dough', 'floor', 'foil', 'brushes'),
    begins: 1,
  },
});
