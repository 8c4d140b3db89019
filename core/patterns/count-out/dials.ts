import { taken, type At, type Role } from '../kernel.ts';
import { extentsOf, shapeOf, type Material } from '../../materials/material.ts';
import { dialTable } from '../dialTable.ts';
import { sheetOrCardBox } from '../making.ts';
import { TAPE } from '../supplies.ts';
import { isCard, isStick, isToken } from '../serves.ts';

export const ROLES = {
  token: {
    id: 'token',
    label: 'Tokens',
    forms: ['piece', 'disc'],
    least: 1,
    most: 4,
    use: 'piece',
    usual: ['milk-cap'],
    serves: isToken,
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
    serves: isCard,
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
    serves: isStick,
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
  tape: TAPE,
} as const satisfies Record<string, Role>;

export interface Dials {
  readonly from: number;
  readonly to: number;
  readonly shows: 'numeral' | 'quantity' | 'both';
  readonly laid: 'all at once' | 'one at a time';
  /** Tokens in the pouch. */
  readonly tokens: number;
  readonly dice: number;
  /** Holes at the ends of the pouch, mm; 0 for none. */
  readonly holes: number;
  readonly clearFront: boolean;
  /** A stick beside each card to write the numeral on, wiped and written again. */
  readonly sticks: boolean;
  /** Card size, mm. */
  readonly width: number;
  readonly height: number;
}

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

const TO = { 'prepared shelf': 5, 'graded play': 6, 'made together': 5, 'grab bag': 6 };
const hasPouch = ({ chosen }: At<Dials>): boolean => parts({ chosen }).pouch !== undefined;

/** A side of a card, by the longest side of what it is cut from, mm. */
function cardRange({ chosen }: At<Dials>): [number, number] {
  const { length = 0, width = 0, height = 0 } = parts({ chosen }).card.sizes;
  return [40, Math.max(80, Math.floor(Math.max(length, width, height) - 4))];
}

export const dials = dialTable<Dials>(
  {
    from: {
      label: 'From',
      unit: 'each',
      of: 'a number',
      ends: [0, 20],
      range: ({ dials: d }) => [0, d.to],
      begins: 1,
    },
    to: {
      label: 'To',
      unit: 'each',
      of: 'a number',
      ends: [1, 20],
      range: ({ dials: d }) => [d.from, 20],
      begins: ({ approach, ageFrom }) => (ageFrom < 36 ? 3 : TO[approach]),
    },
    laid: {
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
      begins: {
        'prepared shelf': 'all at once',
        'graded play': 'one at a time',
        'made together': 'all at once',
        'grab bag': 'one at a time',
      },
    },
    tokens: { label: 'Tokens', unit: 'each', of: 'a number of tokens', ends: [1, 240], begins: 1 },
    shows: {
      label: 'Cards show',
      options: [
        'numeral',
        { value: 'quantity', label: 'Quantity', why: 'Spots to lay a token on: it corrects itself.' },
        'both',
      ],
      begins: ({ ageFrom }) => (ageFrom < 48 ? 'both' : 'numeral'),
    },
    dice: {
      label: 'Dice',
      unit: 'each',
      of: 'a number of dice',
      ends: [0, 2],
      why: 'One ends at 6; two give 2 to 12.',
      begins: ({ approach, ageFrom }) => (approach === 'graded play' && ageFrom >= 36 ? 1 : 0),
    },
    width: { label: 'Card wide', unit: 'mm', ends: [40, 500], range: cardRange, begins: 74 },
    height: { label: 'Card high', unit: 'mm', ends: [40, 500], range: cardRange, begins: 105 },
    sticks: {
      label: 'Sticks to write on',
      why: 'The child writes the numeral and wipes it off again.',
      begins: false,
      before: false,
    },
    holes: {
      label: 'Holes in the pouch',
      unit: 'mm',
      ends: [0, 60],
      why: 'At the ends of a pencil pouch, for air; 0 for none.',
      when: hasPouch,
      begins: 0,
      before: 0,
    },
    clearFront: {
      label: 'Clear front',
      why: 'What is inside is seen without opening it.',
      when: hasPouch,
      begins: true,
      before: true,
    },
  },
  {
    never: [{ path: 'to', message: 'must be at least the first number', when: (d) => d.from > d.to }],
    settle: (d, { chosen }) => ({
      ...d,
      tokens: needed(d.from, d.to, d.laid),
      ...cardFor(d.to, parts({ chosen }).kinds, d.shows),
    }),
  },
);
