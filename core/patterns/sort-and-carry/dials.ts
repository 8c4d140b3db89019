import { rectangleOutline } from '../../geometry/polygon.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import { extentsOf, shapeOf, type Material } from '../../materials/material.ts';
import { dotsIn } from '../../outline/dots.ts';
import { taken, type At, type Role } from '../kernel.ts';
import { BAG } from '../making.ts';
import { dialTable } from '../dialTable.ts';
import { isCup, isToken } from '../serves.ts';

export const ROLES = {
  cup: {
    id: 'cup',
    label: 'Cups',
    forms: ['container', 'piece', 'disc'],
    least: 1,
    most: 1,
    use: 'part',
    usual: ['yogurt-pot'],
    serves: isCup,
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
    serves: isToken,
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

/** How wide each opens over a piece, mm (a young child's thumb and finger, kitchen tongs, a peg turned round, a spoon's bowl; common practice). */
export const JAW: Record<(typeof TOOLS)[number], number> = {
  fingers: 55,
  tongs: 45,
  tweezers: 18,
  spoon: 40,
};

export interface Dials {
  readonly cups: number;
  readonly each: number;
  readonly shows: 'colour' | 'number' | 'letter' | 'sound' | 'size' | 'own text';
  /** Own words for the cards, apart by commas; levels through a year apart by semicolons. */
  readonly text: string;
  /** Which of the levels in the text is on the cards. */
  readonly level: number;
  /** Two children take turns, a bowl each. */
  readonly bowls: number;
  readonly tool: (typeof TOOLS)[number];
  readonly game: 'called out' | 'picked' | 'raced';
  /** Between two cups, for a hand, mm. */
  readonly hand: number;
}

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

const CUPS = { 'prepared shelf': 3, 'graded play': 4, 'made together': 3, 'grab bag': 2 };
const isOwn = ({ dials: d }: At<Dials>): boolean => d.shows === 'own text';

export const dials = dialTable<Dials>(
  {
    cups: {
      label: 'Cups',
      unit: 'each',
      of: 'a number of cups',
      ends: [1, 12],
      why: 'Up to six to begin with, more later.',
      begins: ({ approach, ageFrom }) => (ageFrom < 30 ? Math.min(2, CUPS[approach]) : CUPS[approach]),
    },
    each: {
      label: 'Pieces for each cup',
      unit: 'each',
      of: 'a number of pieces',
      ends: [1, 20],
      begins: { 'prepared shelf': 3, 'graded play': 3, 'made together': 3, 'grab bag': 4 },
    },
    shows: {
      label: 'Cards show',
      options: ['colour', 'number', 'letter', 'sound', 'size', 'own text'],
      begins: ({ chosen }) => (parts({ chosen }).kinds.length > 1 ? 'colour' : 'number'),
    },
    text: {
      label: 'Words on the cards',
      most: 600,
      hint: 'apart by commas; the next level of the year after a semicolon',
      when: isOwn,
      begins: '',
    },
    level: {
      label: 'Level',
      unit: 'each',
      of: 'a number of the level',
      ends: [1, 12],
      range: ({ dials: d }) => [1, levelsIn(d.text).length],
      when: (at) => isOwn(at) && levelsIn(at.dials.text).length > 1,
      begins: 1,
      before: 1,
    },
    tool: { label: 'Carried with', options: TOOLS, begins: 'fingers' },
    game: {
      label: 'Which next',
      options: ['called out', 'picked', 'raced'],
      begins: {
        'prepared shelf': 'picked',
        'graded play': 'called out',
        'made together': 'picked',
        'grab bag': 'called out',
      },
    },
    bowls: {
      label: 'Bowls',
      unit: 'each',
      of: 'a number of bowls',
      ends: [1, 2],
      why: 'Two for two children who take turns.',
      begins: 1,
      before: 1,
    },
    hand: { label: 'Between two cups', unit: 'mm', ends: [0, 100], step: 5, begins: 20 },
  },
  {
    settle: (d, { chosen }) => ({
      ...d,
      cups: Math.min(d.cups, placesOn({ dials: d, chosen }).length - d.bowls),
    }),
  },
);
