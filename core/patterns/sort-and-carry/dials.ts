import { z } from 'zod';
import { rectangleOutline } from '../../geometry/polygon.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import { extentsOf, shapeOf, type Material } from '../../materials/material.ts';
import { dotsIn } from '../../outline/dots.ts';
import { taken, type Approach, type At, type DialSpec, type Role, type Start } from '../kernel.ts';
import { BAG } from '../making.ts';
import { measure, number, oneOf, wholeNumber } from '../dialKinds.ts';

export const ROLES = {
  cup: {
    id: 'cup',
    label: 'Cups',
    forms: ['container', 'piece', 'disc'],
    least: 1,
    most: 1,
    use: 'part',
    usual: ['yogurt-pot'],
    accepts: (m) =>
      m.form === 'piece' && m.solid !== 'block' ? 'expected a cup, a tub, a lid or an egg-carton cup' : null,
  },
  piece: {
    id: 'piece',
    label: 'Pieces',
    forms: ['piece', 'disc'],
    least: 1,
    most: 6,
    use: 'piece',
    usual: ['milk-cap'],
  },
  tray: {
    id: 'tray',
    label: 'Tray',
    forms: ['container', 'sheet'],
    least: 0,
    most: 1,
    use: 'part',
    usual: ['parcel-panel'],
  },
  tool: {
    id: 'tool',
    label: 'Tool',
    forms: ['piece'],
    least: 0,
    most: 1,
    use: 'tool',
    usual: [],
  },
  bag: BAG,
} as const satisfies Record<string, Role>;

export const TOOLS = ['fingers', 'tongs', 'tweezers', 'spoon'] as const;
const SHOWS = ['colour', 'number', 'letter', 'sound', 'size', 'own text'] as const;
const GAMES = ['called out', 'picked', 'raced'] as const;

/** How wide each opens over a piece, mm (a young child's thumb and finger, kitchen tongs, a peg turned round, a spoon's bowl; common practice). */
export const JAW: Record<(typeof TOOLS)[number], number> = {
  fingers: 55,
  tongs: 45,
  tweezers: 18,
  spoon: 40,
};

export const dials = z.strictObject({
  cups: wholeNumber('a number of cups', 1, 24),
  each: wholeNumber('a number of pieces', 1, 20),
  shows: oneOf(SHOWS),
  /** Own words for the cards, apart by commas; levels through a year apart by semicolons. */
  text: z.string({ error: 'expected words' }).max(600, 'may have at most 600 characters'),
  /** Which of the levels in the text is on the cards. */
  level: wholeNumber('a number of the level', 1, 12).default(1),
  /** Two children take turns, a bowl each. */
  bowls: wholeNumber('a number of bowls', 1, 2).default(1),
  tool: oneOf(TOOLS),
  game: oneOf(GAMES),
  /** Between two cups, for a hand, mm. */
  hand: measure('mm', 0, 100),
});
export type Dials = z.infer<typeof dials>;

/** Mouth of a cup, mm: what a piece has to go into; and the room it stands in. */
function cupSize(m: Material): { mouth: number; stands: number; high: number } {
  const { diameter, length = 0, width = 0, height = 0, wall = 0 } = m.sizes;
  const across = diameter ?? Math.min(length, width);
  return {
    mouth: across - 2 * (m.form === 'container' ? wall : 0),
    stands: diameter ?? Math.max(length, width),
    high: height,
  };
}

export function parts({ chosen }: Pick<At<Dials>, 'chosen'>) {
  const cup = taken(chosen, ROLES.cup);
  const piece = taken(chosen, ROLES.piece);
  const [tray] = chosen[ROLES.tray.id] ?? [];
  const [tool] = chosen[ROLES.tool.id] ?? [];
  const kinds = chosen[ROLES.piece.id]!;
  return { cup, piece, kinds, tray, tool, ...cupSize(cup) };
}

/** Longest and middle size of the largest piece, mm. */
export const pieceSize = (kinds: readonly Material[]): { long: number; middle: number } => {
  const all = kinds.map((m) => extentsOf(shapeOf(m)!));
  return { long: Math.max(...all.map((e) => e[0])), middle: Math.max(...all.map((e) => e[1])) };
};

/** Inside of the tray, mm: as chosen, else a table's place of 400 × 300. */
export function traySize(tray: Material | undefined): Vec2 {
  if (!tray) return [400, 300];
  const { diameter, length = 0, width = 0, wall = 0 } = tray.sizes;
  const less = tray.form === 'container' ? 2 * wall : 0;
  return [(diameter ?? Math.max(length, width)) - less, (diameter ?? Math.min(length, width)) - less];
}

let last: { key: string; at: Vec2[] } | null = null;
/** Where cups may stand on the tray, a hand's room between any two, the bowl's place the one nearest to the child. mm */
export function placesOn(at: Pick<At<Dials>, 'chosen' | 'dials'>): Vec2[] {
  const { stands, tray } = parts(at);
  const [w, h] = traySize(tray);
  const key = JSON.stringify([w, h, stands, at.dials.hand]);
  if (last?.key === key) return last.at;
  const found =
    stands > Math.min(w, h) ? [] : dotsIn(rectangleOutline(w, h), { dot: stands, gap: at.dials.hand });
  last = { key, at: found };
  return found;
}

/** Sounds in the order in which they are often begun (common practice). */
const SOUNDS = 's a t p i n m d g o c k e u r h b f l j v w'.split(' ');

/** The levels of a text, each with its words. */
const levelsIn = (text: string): string[][] =>
  text.split(';').map((level) =>
    level
      .split(',')
      .map((w) => w.trim())
      .filter(Boolean),
  );

/** What each cup's card says. */
export function cardWords({ dials: d }: Pick<At<Dials>, 'dials'>): string[] {
  const own = levelsIn(d.text)[d.level - 1] ?? [];
  return Array.from({ length: d.cups }, (_, i) =>
    d.shows === 'number'
      ? String(i + 1)
      : d.shows === 'letter'
        ? String.fromCharCode(65 + (i % 26))
        : d.shows === 'size'
          ? (['small', 'large', 'middle'][i % 3] ?? '')
          : d.shows === 'sound'
            ? (SOUNDS[i % SOUNDS.length] ?? '')
            : d.shows === 'own text'
              ? (own[i] ?? '')
              : '',
  );
}

const STARTS: Record<Approach, { cups: number; each: number; game: Dials['game'] }> = {
  'prepared shelf': { cups: 3, each: 3, game: 'picked' },
  'graded play': { cups: 4, each: 3, game: 'called out' },
  'made together': { cups: 3, each: 3, game: 'picked' },
  'grab bag': { cups: 2, each: 4, game: 'called out' },
};

export function defaults({ approach, chosen, ageFrom }: Start): Dials {
  const { kinds } = parts({ chosen });
  const start = STARTS[approach];
  const d: Dials = {
    cups: ageFrom < 30 ? Math.min(2, start.cups) : start.cups,
    each: start.each,
    shows: kinds.length > 1 ? 'colour' : 'number',
    text: '',
    tool: 'fingers',
    game: start.game,
    hand: 20,
    level: 1,
    bowls: 1,
  };
  const most = placesOn({ dials: d, chosen }).length - d.bowls;
  return { ...d, cups: Math.max(1, Math.min(d.cups, most)) };
}

export function specs({ dials: d }: At<Dials>): DialSpec[] {
  return [
    number('cups', 'Cups', 'each', [1, 12, 1], 'Up to six to begin with, more later.'),
    number('each', 'Pieces for each cup', 'each', [1, 10, 1]),
    {
      kind: 'choice',
      id: 'shows',
      label: 'Cards show',
      options: SHOWS.map((value) => ({ value, label: value[0]!.toUpperCase() + value.slice(1) })),
    },
    ...(d.shows === 'own text'
      ? [
          {
            kind: 'text',
            id: 'text',
            label: 'Words on the cards',
            most: 600,
            hint: 'apart by commas; the next level of the year after a semicolon',
          } as const,
          ...(levelsIn(d.text).length > 1
            ? [number('level', 'Level', 'each', [1, levelsIn(d.text).length, 1])]
            : []),
        ]
      : []),
    {
      kind: 'choice',
      id: 'tool',
      label: 'Carried with',
      options: [
        { value: 'fingers', label: 'Fingers' },
        { value: 'tongs', label: 'Tongs' },
        { value: 'tweezers', label: 'Tweezers' },
        { value: 'spoon', label: 'Spoon' },
      ],
    },
    {
      kind: 'choice',
      id: 'game',
      label: 'Which next',
      options: GAMES.map((value) => ({ value, label: value[0]!.toUpperCase() + value.slice(1) })),
    },
    number('bowls', 'Bowls', 'each', [1, 2, 1], 'Two for two children who take turns.'),
    number('hand', 'Between two cups', 'mm', [5, 80, 5]),
  ];
}
