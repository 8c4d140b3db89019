import { z } from 'zod';
import { taken, type Approach, type At, type DialSpec, type Role, type Start } from '../kernel.ts';
import { extentsOf, shapeOf, type Material } from '../../materials/material.ts';
import { measure, number, onOff, oneOf, wholeNumber } from '../dialKinds.ts';
import { sheetOrCardBox } from '../making.ts';

export const ROLES = {
  token: {
    id: 'token',
    label: 'Tokens',
    forms: ['piece', 'disc'],
    least: 1,
    most: 4,
    use: 'piece',
    usual: ['milk-cap'],
    accepts: (m) =>
      m.form === 'piece' && Math.max(m.sizes.length ?? 0, m.sizes.diameter ?? 0) > 80
        ? 'expected something small enough to lay on a card'
        : null,
  },
  card: {
    id: 'card',
    label: 'Cards from',
    forms: ['sheet', 'container'],
    least: 1,
    most: 1,
    use: 'part',
    usual: ['a4-card'],
    accepts: sheetOrCardBox,
  },
  stick: {
    id: 'stick',
    label: 'Sticks to write on',
    forms: ['piece'],
    least: 0,
    most: 1,
    use: 'piece',
    usual: [],
  },
  pouch: {
    id: 'pouch',
    label: 'Pouch',
    forms: ['consumable', 'container'],
    least: 0,
    most: 1,
    use: 'package',
    usual: ['zip-bag'],
  },
} as const satisfies Record<string, Role>;

const SHOWS = ['numeral', 'quantity', 'both'] as const;
const LAID = ['all at once', 'one at a time'] as const;

const whole = (name: string, most: number) => wholeNumber(name, 0, most);
export const dials = z
  .strictObject({
    from: whole('a number', 20),
    to: whole('a number', 20),
    shows: oneOf(SHOWS),
    laid: oneOf(LAID),
    /** Tokens in the pouch. */
    tokens: whole('a number of tokens', 240),
    dice: whole('a number of dice', 2),
    /** Holes at the ends of the pouch, mm; 0 for none. */
    holes: measure('mm', 0, 60).default(0),
    clearFront: onOff.default(true),
    /** A stick beside each card to write the numeral on, wiped and written again. */
    sticks: onOff.default(false),
    /** Card size, mm. */
    width: measure('mm', 20, 500),
    height: measure('mm', 20, 500),
  })
  .refine((d) => d.from <= d.to, { path: ['to'], message: 'must be at least the first number' });
export type Dials = z.infer<typeof dials>;

export function parts({ chosen }: Pick<At<Dials>, 'chosen'>) {
  const token = taken(chosen, ROLES.token);
  const card = taken(chosen, ROLES.card);
  const [pouch] = chosen[ROLES.pouch.id] ?? [];
  const [stick] = chosen[ROLES.stick.id] ?? [];
  return { token, card, pouch, stick, kinds: chosen[ROLES.token.id]! };
}

/** Room a token takes up as it lies on a card, mm. */
export const tokenSize = (m: Material): { wide: number; thick: number } => {
  const [long, , thick] = extentsOf(shapeOf(m)!);
  return { wide: long, thick };
};

/** Tokens that a range of cards takes when all are laid at once: a + … + b; one at a time, the largest. */
export const needed = (from: number, to: number, laid: Dials['laid']): number =>
  laid === 'all at once' ? ((from + to) * (to - from + 1)) / 2 : to;

/** Space over the spots for the numeral, mm. */
export const HEAD = 26;

/** A card on which so many tokens have their spots in two or three columns, mm. */
export function cardFor(
  to: number,
  kinds: readonly Material[],
  shows: Dials['shows'],
): Pick<Dials, 'width' | 'height'> {
  if (shows === 'numeral') return { width: 74, height: 105 };
  const wide = Math.max(...kinds.map((m) => tokenSize(m).wide)) + 3;
  const columns = to <= 1 ? 1 : to <= 6 ? 2 : 3;
  const rows = Math.ceil(to / columns);
  return {
    width: Math.max(60, Math.ceil(columns * wide + 6)),
    height: Math.max(80, Math.ceil(rows * wide + 6 + (shows === 'both' ? HEAD : 0))),
  };
}

const STARTS: Record<Approach, Pick<Dials, 'to' | 'laid'>> = {
  'prepared shelf': { to: 5, laid: 'all at once' },
  'graded play': { to: 6, laid: 'one at a time' },
  'made together': { to: 5, laid: 'all at once' },
  'grab bag': { to: 6, laid: 'one at a time' },
};

export function defaults({ approach, chosen, ageFrom }: Start): Dials {
  const { kinds } = parts({ chosen });
  const start = STARTS[approach];
  const to = ageFrom < 36 ? 3 : start.to;
  const shows = ageFrom < 48 ? 'both' : 'numeral';
  return {
    from: 1,
    to,
    shows,
    laid: start.laid,
    tokens: needed(1, to, start.laid),
    dice: approach === 'graded play' && to === 6 ? 1 : 0,
    holes: 0,
    clearFront: true,
    sticks: false,
    ...cardFor(to, kinds, shows),
  };
}

export function specs({ dials: d, chosen }: At<Dials>): DialSpec[] {
  const { pouch } = parts({ chosen });
  return [
    number('from', 'From', 'each', [0, d.to, 1]),
    number('to', 'To', 'each', [Math.max(1, d.from), 20, 1]),
    {
      kind: 'choice',
      id: 'laid',
      label: 'Cards laid',
      options: [
        {
          value: 'all at once',
          label: 'All at once',
          why: 'Every card keeps its tokens: the sum of all is needed.',
        },
        {
          value: 'one at a time',
          label: 'One at a time',
          why: 'Tokens go back each time: the largest number is enough.',
        },
      ],
    },
    number('tokens', 'Tokens', 'each', [1, 120, 1]),
    {
      kind: 'choice',
      id: 'shows',
      label: 'Cards show',
      options: [
        { value: 'numeral', label: 'Numeral' },
        { value: 'quantity', label: 'Quantity', why: 'Spots to lay a token on: it corrects itself.' },
        { value: 'both', label: 'Both' },
      ],
    },
    number('dice', 'Dice', 'each', [0, 2, 1], 'One ends at 6; two give 2 to 12.'),
    number('width', 'Card wide', 'mm', [40, 150, 1]),
    number('height', 'Card high', 'mm', [40, 200, 1]),
    {
      kind: 'switch',
      id: 'sticks',
      label: 'Sticks to write on',
      why: 'The child writes the numeral and wipes it off again.',
    },
    ...(pouch
      ? [
          number(
            'holes',
            'Holes in the pouch',
            'mm',
            [0, 40, 1],
            'At the ends of a pencil pouch, for air; 0 for none.',
          ),
          {
            kind: 'switch',
            id: 'clearFront',
            label: 'Clear front',
            why: 'What is inside is seen without opening it.',
          } as const,
        ]
      : []),
  ];
}
