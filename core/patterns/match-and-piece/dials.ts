import { z } from 'zod';
import { shapeOf, type Material } from '../../materials/material.ts';
import { SHAPE_IDS, SHAPES } from '../../outline/shapes.ts';
import { choice, measure, number, oneOf, onOff, wholeNumber } from '../dialKinds.ts';
import { allTaken, type Approach, type At, type DialSpec, type Role, type Start } from '../kernel.ts';
import { BAG, sheetOrCardBox } from '../making.ts';
import { INSETS } from './insets.ts';
import { MEASURES } from './order.ts';

const KINDS = ['pairs', 'insets', 'halves', 'order'] as const;
const SHOWS = ['colour', 'shape', 'numeral', 'letter', 'own text'] as const;
const PARTNERS = ['same', 'word', 'quantity', 'stick'] as const;
const CUTS = ['straight', 'wave', 'zigzag', 'step'] as const;

export const dials = z.strictObject({
  kind: oneOf(KINDS),
  /** Pairs, insets or halved cards in the kit; things in an order. */
  number: wholeNumber('a number of pairs', 2, 24),
  /** Laid out to choose from at once. */
  shown: wholeNumber('a number shown', 2, 24),
  shows: oneOf(SHOWS),
  /** What the other card of a pair shows. */
  partner: oneOf(PARTNERS),
  text: z.string({ error: 'expected words, apart by commas' }).max(400, 'may have at most 400 characters'),
  /** Size of a card, or of the longest side of an inset; mm. */
  width: measure('mm', 30, 200),
  height: measure('mm', 30, 200),
  cut: oneOf(CUTS),
  /** Room all round an inset in its hole, mm. */
  loose: measure('mm', 0.5, 6),
  laminated: onOff,
  measure: oneOf(MEASURES),
});
export type Dials = z.infer<typeof dials>;

export const ROLES = {
  card: {
    id: 'card',
    label: 'Cards from',
    forms: ['sheet', 'container'],
    least: 0,
    most: 1,
    use: 'part',
    usual: ['a4-card'],
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
  },
  knob: {
    id: 'knob',
    label: 'Knob on an inset',
    forms: ['piece', 'disc'],
    least: 0,
    most: 1,
    use: 'part',
    usual: ['wine-cork'],
  },
  item: {
    id: 'item',
    label: 'Things to put in order',
    forms: ['piece', 'disc', 'tube', 'container'],
    least: 0,
    most: 12,
    use: 'piece',
    usual: ['formula-lid', 'jar-lid', 'carton-cap', 'coffee-lid'],
  },
  stick: {
    id: 'stick',
    label: 'Coloured sticks',
    forms: ['piece'],
    least: 0,
    most: 1,
    use: 'piece',
    usual: ['craft-stick'],
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

const STARTS: Record<Approach, Pick<Dials, 'kind' | 'shows'>> = {
  'prepared shelf': { kind: 'insets', shows: 'shape' },
  'graded play': { kind: 'pairs', shows: 'shape' },
  'made together': { kind: 'halves', shows: 'shape' },
  'grab bag': { kind: 'pairs', shows: 'colour' },
};

/** From so many laid out at once a choice confuses at that age (common practice). */
export const mostAtOnce = (ageFrom: number): number =>
  ageFrom < 36 ? 4 : ageFrom < 48 ? 6 : ageFrom < 60 ? 8 : 12;

export function defaults({ approach, chosen, ageFrom }: Start): Dials {
  const { card, board } = parts({ chosen });
  const start = STARTS[approach];
  const kind = start.kind === 'insets' && (!card || !board) ? 'pairs' : start.kind;
  const number = Math.min(kind === 'insets' ? 4 : 6, mostAtOnce(ageFrom));
  return {
    ...start,
    kind,
    number,
    shown: Math.min(number, mostAtOnce(ageFrom)),
    partner: 'same',
    text: '',
    width: 70,
    height: 70,
    cut: 'wave',
    loose: ageFrom < 36 ? 3 : 2,
    laminated: false,
    measure: 'width',
  };
}

export function specs({ dials: d }: At<Dials>): DialSpec[] {
  const most =
    d.kind === 'insets' ? INSETS.length : Math.max(2, Math.min(d.kind === 'halves' ? 12 : 24, mostShown(d)));
  const content: DialSpec[] =
    d.kind === 'insets'
      ? []
      : [
          choice('shows', 'Cards show', ['colour', 'shape', 'numeral', 'letter', 'own text']),
          ...(d.shows === 'own text'
            ? [
                {
                  kind: 'text',
                  id: 'text',
                  label: 'Words, apart by commas',
                  most: 400,
                  hint: 'boat, gull, net',
                } as const,
              ]
            : []),
        ];
  const cards: DialSpec[] = [
    number('width', 'Card wide', 'mm', [40, 150, 5]),
    number('height', 'Card high', 'mm', [40, 150, 5]),
    {
      kind: 'switch',
      id: 'laminated',
      label: 'Laminated',
      why: `It adds ${LAMINATE_EDGE} mm all round; its corners are cut round.`,
    },
  ];
  return [
    choice('kind', 'Kind', [
      { value: 'pairs', label: 'Pairs' },
      { value: 'insets', label: 'Insets in a board' },
      { value: 'halves', label: 'Cards cut in half' },
      { value: 'order', label: 'An order of sizes' },
    ]),
    ...(d.kind === 'order'
      ? [number('number', 'Things', 'each', [3, 5, 1]), choice('measure', 'Graded by', [...MEASURES])]
      : [
          ...content,
          number('number', d.kind === 'pairs' ? 'Pairs' : d.kind === 'insets' ? 'Insets' : 'Cards', 'each', [
            2,
            most,
            1,
          ]),
          ...(d.kind === 'insets'
            ? []
            : [
                number(
                  'shown',
                  'Shown at once',
                  'each',
                  [2, Math.max(3, d.number), 1],
                  'Begin with four to six; more confuses.',
                ),
              ]),
          ...(d.kind === 'pairs'
            ? [
                choice(
                  'partner',
                  'Goes with',
                  partnersOf(d.shows).map((value) => ({
                    value,
                    label: {
                      same: 'The same',
                      word: 'Its word',
                      quantity: 'So many spots',
                      stick: 'A coloured stick',
                    }[value],
                  })),
                ),
              ]
            : []),
          ...(d.kind === 'halves'
            ? [
                choice('cut', 'Cut', [
                  { value: 'wave', label: 'Wave' },
                  { value: 'zigzag', label: 'Zigzag' },
                  { value: 'step', label: 'Steps' },
                  {
                    value: 'straight',
                    label: 'Straight',
                    why: 'Every half fits every other: the picture alone tells them apart.',
                  },
                ]),
              ]
            : []),
          ...(d.kind === 'insets'
            ? [
                number('width', 'Longest side', 'mm', [40, 120, 5]),
                number('loose', 'Room all round', 'mm', [0.5, 5, 0.5], '1 to 2; 3 for the youngest.'),
              ]
            : cards),
        ]),
  ];
}
