import { shapeOf, type Material } from '../../materials/material.ts';
import { SHAPE_IDS, SHAPES } from '../../outline/shapes.ts';
import { dialTable } from '../dialTable.ts';
import { allTaken, type At, type Role, type Start } from '../kernel.ts';
import { BAG, sheetOrCardBox } from '../making.ts';
import { GLUE, PAINT } from '../supplies.ts';
import { INSETS } from './insets.ts';
import { MEASURES } from './order.ts';
import { isBoard, isCard, isStick, isToken } from '../serves.ts';

export interface Dials {
  readonly kind: 'pairs' | 'insets' | 'halves' | 'order';
  /** Pairs, insets or halved cards in the kit; things in an order. */
  readonly number: number;
  /** Laid out to choose from at once. */
  readonly shown: number;
  readonly shows: 'colour' | 'shape' | 'numeral' | 'letter' | 'own text';
  /** What the other card of a pair shows. */
  readonly partner: 'same' | 'word' | 'quantity' | 'stick';
  readonly text: string;
  /** Size of a card, or of the longest side of an inset; mm. */
  readonly width: number;
  readonly height: number;
  readonly cut: 'straight' | 'wave' | 'zigzag' | 'step';
  /** Room all round an inset in its hole, mm. */
  readonly loose: number;
  readonly laminated: boolean;
  readonly measure: (typeof MEASURES)[number];
}

export const ROLES = {
  card: {
    id: 'card',
    label: 'Cards from',
    forms: ['sheet', 'container'],
    least: 0,
    most: 1,
    use: 'part',
    usual: ['a4-card'],
    serves: isCard,
    accepts: sheetOrCardBox,
  },
  board: {
    id: 'board',
    label: 'Board for insets',
    forms: ['sheet'],
    least: 0,
    most: 1,
    use: 'part',
    usual: ['parcel-panel'],
    serves: isBoard,
  },
  knob: {
    id: 'knob',
    label: 'Knob on an inset',
    forms: ['piece', 'disc'],
    least: 0,
    most: 1,
    use: 'part',
    usual: ['wine-cork'],
    serves: isToken,
  },
  item: {
    id: 'item',
    label: 'Things to put in order',
    forms: ['piece', 'disc', 'tube', 'container'],
    least: 0,
    most: 12,
    use: 'piece',
    usual: ['formula-lid', 'jar-lid', 'carton-cap', 'coffee-lid'],
    serves: (m) =>
      m.materialClass !== 'glass' &&
      Math.max(m.sizes.length ?? 0, m.sizes.height ?? 0, m.sizes.diameter ?? 0) <= 250,
  },
  stick: {
    id: 'stick',
    label: 'Coloured sticks',
    forms: ['piece'],
    least: 0,
    most: 1,
    use: 'piece',
    usual: ['craft-stick'],
    serves: isStick,
  },
  laminate: {
    id: 'laminate',
    label: 'Laminating pouch',
    forms: ['consumable'],
    least: 0,
    most: 1,
    use: 'consumable',
    usual: ['laminate'],
  },
  glue: GLUE,
  paint: PAINT,
  bag: BAG,
} as const satisfies Record<string, Role>;

export function parts({ chosen }: Pick<At<Dials>, 'chosen'>) {
  const one = (role: Role): Material | null => allTaken(chosen, role)[0] ?? null;
  return {
    card: one(ROLES.card),
    board: one(ROLES.board),
    knob: one(ROLES.knob),
    items: allTaken(chosen, ROLES.item).filter((m) => shapeOf(m) !== null),
    stick: one(ROLES.stick),
    laminate: one(ROLES.laminate),
  };
}

/** Laminate stands over a card all round, mm (common practice). */
export const LAMINATE_EDGE = 3;

const COLOURS = [
  ['red', '#B7352B'],
  ['blue', '#2C5F8A'],
  ['yellow', '#E5B94E'],
  ['green', '#2F7D4F'],
  ['orange', '#D9752C'],
  ['purple', '#7A4E8E'],
  ['brown', '#7B5433'],
  ['pink', '#D98E9A'],
  ['black', '#2B2B2B'],
  ['grey', '#8A918E'],
  ['turquoise', '#2F8F86'],
  ['white', '#FFFFFF'],
] as const;
const NUMBERS = 'one two three four five six seven eight nine ten'.split(' ');

/** What one card shows: a colour, an outline, or words; and the word for it. */
export interface Shown {
  readonly word: string;
  readonly colour?: string;
  readonly shape?: (typeof SHAPE_IDS)[number];
  readonly count?: number;
}

/** How many different things a kind of card can show. */
export const mostShown = (d: Pick<Dials, 'shows' | 'text'>): number =>
  ({
    colour: COLOURS.length,
    shape: SHAPE_IDS.length,
    numeral: 20,
    letter: 26,
    'own text': Math.max(2, ownWords(d).length),
  })[d.shows];

const ownWords = ({ text }: Pick<Dials, 'text'>): string[] =>
  text
    .split(',')
    .map((w) => w.trim())
    .filter(Boolean);

/** What the i-th card shows; an empty word where nothing is left to show. */
export function shownOn(d: Pick<Dials, 'shows' | 'text'>, i: number): Shown {
  switch (d.shows) {
    case 'colour': {
      const [word, colour] = COLOURS[i % COLOURS.length]!;
      return { word, colour };
    }
    case 'shape': {
      const shape = SHAPE_IDS[i % SHAPE_IDS.length]!;
      return { word: SHAPES[shape].label.toLowerCase(), shape };
    }
    case 'numeral':
      return { word: String(i + 1), count: i + 1 };
    case 'letter':
      return { word: String.fromCharCode(65 + (i % 26)) };
    case 'own text':
      return { word: ownWords(d)[i] ?? '' };
  }
}
/** The word that stands for it: three for 3, a colour's name. */
export const wordFor = (s: Shown): string =>
  s.count === undefined ? s.word : (NUMBERS[s.count - 1] ?? s.word);

/** What a pair's other card may be, by what the first shows. */
export const partnersOf = (shows: Dials['shows']): readonly Dials['partner'][] =>
  ({
    colour: ['same', 'word', 'stick'] as const,
    shape: ['same', 'word'] as const,
    numeral: ['same', 'word', 'quantity'] as const,
    letter: ['same'] as const,
    'own text': ['same'] as const,
  })[shows];

/** From so many laid out at once a choice confuses at that age (common practice). */
export const mostAtOnce = (ageFrom: number): number =>
  ageFrom < 36 ? 4 : ageFrom < 48 ? 6 : ageFrom < 60 ? 8 : 12;

const kindFor = ({ approach, chosen }: Start): Dials['kind'] => {
  const { card, board } = parts({ chosen });
  switch (approach) {
    case 'prepared shelf':
      return card && board ? 'insets' : 'pairs';
    case 'made together':
      return 'halves';
    default:
      return 'pairs';
  }
};
const numberFor = (start: Start): number =>
  Math.min(kindFor(start) === 'insets' ? 4 : 6, mostAtOnce(start.ageFrom));

const PARTNER_LABELS: Record<Dials['partner'], string> = {
  same: 'The same',
  word: 'Its word',
  quantity: 'So many spots',
  stick: 'A coloured stick',
};
const NUMBER_LABELS: Record<Dials['kind'], string> = {
  pairs: 'Pairs',
  insets: 'Insets',
  halves: 'Cards',
  order: 'Things',
};
/** Whether what stands on the bench is for one of these kinds. */
const of =
  (...kinds: readonly Dials['kind'][]) =>
  ({ dials: d }: At<Dials>): boolean =>
    kinds.includes(d.kind);

/** The most there can be of a kind, by what its cards can show. */
function mostOf(d: Dials): number {
  switch (d.kind) {
    case 'order':
      return 5;
    case 'insets':
      return INSETS.length;
    default:
      return Math.max(2, Math.min(d.kind === 'halves' ? 12 : 24, mostShown(d)));
  }
}

export const dials = dialTable<Dials>({
  kind: {
    label: 'Kind',
    options: [
      'pairs',
      { value: 'insets', label: 'Insets in a board' },
      { value: 'halves', label: 'Cards cut in half' },
      { value: 'order', label: 'An order of sizes' },
    ],
    begins: kindFor,
  },
  shows: {
    label: 'Cards show',
    options: ['colour', 'shape', 'numeral', 'letter', 'own text'],
    when: of('pairs', 'halves'),
    begins: ({ approach }) => (approach === 'grab bag' ? 'colour' : 'shape'),
  },
  text: {
    label: 'Words, apart by commas',
    most: 400,
    hint: 'boat, gull, net',
    when: (at) => of('pairs', 'halves')(at) && at.dials.shows === 'own text',
    begins: '',
  },
  number: {
    label: ({ dials: d }) => NUMBER_LABELS[d.kind],
    unit: 'each',
    of: 'a number of pairs',
    ends: [2, 24],
    range: ({ dials: d }) => [d.kind === 'order' ? 3 : 2, mostOf(d)],
    begins: numberFor,
  },
  measure: {
    label: 'Graded by',
    options: MEASURES,
    when: of('order'),
    begins: 'width',
  },
  shown: {
    label: 'Shown at once',
    unit: 'each',
    of: 'a number shown',
    ends: [2, 24],
    range: ({ dials: d }) => [2, d.number],
    why: 'Begin with four to six; more confuses.',
    // Of two there is nothing to choose.
    when: (at) => of('pairs', 'halves')(at) && at.dials.number > 2,
    begins: numberFor,
  },
  partner: {
    label: 'Goes with',
    values: ['same', 'word', 'quantity', 'stick'],
    options: ({ dials: d }) => partnersOf(d.shows).map((value) => ({ value, label: PARTNER_LABELS[value] })),
    when: of('pairs'),
    begins: 'same',
  },
  cut: {
    label: 'Cut',
    options: [
      'wave',
      'zigzag',
      { value: 'step', label: 'Steps' },
      {
        value: 'straight',
        label: 'Straight',
        why: 'Every half fits every other: the picture alone tells them apart.',
      },
    ],
    when: of('halves'),
    begins: 'wave',
  },
  width: {
    label: ({ dials: d }) => (d.kind === 'insets' ? 'Longest side' : 'Card wide'),
    unit: 'mm',
    ends: [40, 200],
    range: ({ dials: d }) => [40, d.kind === 'insets' ? 120 : 200],
    step: 5,
    when: of('pairs', 'halves', 'insets'),
    begins: 70,
  },
  height: {
    label: 'Card high',
    unit: 'mm',
    ends: [40, 200],
    step: 5,
    when: of('pairs', 'halves'),
    begins: 70,
  },
  laminated: {
    label: 'Laminated',
    why: `It adds ${LAMINATE_EDGE} mm all round; its corners are cut round.`,
    when: of('pairs', 'halves'),
    begins: false,
  },
  loose: {
    label: 'Room all round',
    unit: 'mm',
    ends: [0.5, 6],
    step: 0.5,
    why: '1 to 2; 3 for the youngest.',
    when: of('insets'),
    begins: ({ ageFrom }) => (ageFrom < 36 ? 3 : 2),
  },
});

export const hasSticks = (d: Dials): boolean =>
  d.kind === 'pairs' && d.shows === 'colour' && d.partner === 'stick';

/** Cards a kit has: two a pair, one where a stick is the other, one for each that is cut in half. */
export const cardsIn = (d: Dials): number => (d.kind === 'pairs' && !hasSticks(d) ? 2 * d.number : d.number);
