import { extentsOf, shapeOf, type Material } from '../../materials/material.ts';
import { dotsIn } from '../../outline/dots.ts';
import { sizedHoles, sizedOutline, type OutlineDial } from '../../outline/outline.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import { allTaken, taken, type At, type Role, type Start } from '../kernel.ts';
import { BAG } from '../making.ts';
import { dialTable } from '../dialTable.ts';
import { isPage, isSticker, isToken } from '../serves.ts';

export const ROLES = {
  page: {
    id: 'page',
    label: 'Page',
    forms: ['sheet'],
    least: 1,
    most: 1,
    use: 'part',
    usual: ['a4-card'],
    serves: isPage,
  },
  piece: {
    id: 'piece',
    label: 'What goes on the dots',
    forms: ['piece', 'disc', 'consumable'],
    least: 1,
    most: 6,
    use: 'piece',
    usual: ['pouch-cap'],
    serves: (m, ageFrom) => isSticker(m, ageFrom) || isToken(m, ageFrom),
  },
  tray: {
    id: 'tray',
    label: 'Tray',
    forms: ['container', 'sheet'],
    least: 0,
    most: 1,
    use: 'part',
    usual: [],
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

export interface Dials {
  readonly outline: OutlineDial;
  /** Longest side of the outline, across a dot, and the least between two; mm. */
  readonly longest: number;
  readonly dot: number;
  readonly gap: number;
  /** Dots asked for; 0 for as many as go. */
  readonly asked: number;
  readonly use: 'loose' | 'magnet' | 'sticker' | 'paint';
  readonly colours: 'free' | 'by key' | 'by numeral';
  /** Pages in a kit where each is used up: one for each child. */
  readonly children: number;
  /** The tray leans by this, degrees. */
  readonly tilt: number;
}

/** Whether a material can go on the dots in that way: paint is dabbed, stickers are stuck on, what has a shape is laid. */
export const suits = (use: Dials['use'], m: Material): boolean =>
  use === 'paint'
    ? m.materialClass === 'paint'
    : use === 'sticker'
      ? m.form === 'consumable' && m.materialClass !== 'paint'
      : shapeOf(m) !== null && m.form !== 'consumable';

export function parts({ chosen }: Pick<At<Dials>, 'chosen'>) {
  const page = taken(chosen, ROLES.page);
  const all = allTaken(chosen, ROLES.piece);
  const [tray] = chosen[ROLES.tray.id] ?? [];
  const [laminate] = chosen[ROLES.laminate.id] ?? [];
  return { page, all, tray, laminate };
}

/** Of what is chosen for the dots the kinds that go on them as they are used; what does not stays out of the kit. */
export const kindsOf = (at: Pick<At<Dials>, 'chosen' | 'dials'>): readonly Material[] =>
  parts(at).all.filter((m) => suits(at.dials.use, m));

/** How wide a piece lies on a dot, mm; stickers and paint are as wide as the dot. */
export function pieceWide(m: Material): number {
  const shape = shapeOf(m);
  return shape ? extentsOf(shape)[0] : 0;
}

let last: { key: string; dots: Vec2[] } | null = null;
/** Middles of the dots, mm about the middle of the page. */
export function dotsOf(d: Pick<Dials, 'outline' | 'longest' | 'dot' | 'gap' | 'asked'>): Vec2[] {
  const key = JSON.stringify([d.outline, d.longest, d.dot, d.gap, d.asked]);
  if (last?.key === key) return last.dots;
  const dots = dotsIn(sizedOutline(d.outline, d.longest), {
    dot: d.dot,
    gap: d.gap,
    holes: sizedHoles(d.outline, d.longest),
    ...(d.asked > 0 ? { count: d.asked } : {}),
  });
  last = { key, dots };
  return dots;
}

const roomOn = (page: Material): number =>
  Math.floor(Math.min(page.sizes.length ?? 0, page.sizes.width ?? 0) - 10);

const DOTS = { 'prepared shelf': 10, 'graded play': 12, 'made together': 12, 'grab bag': 8 };
const USES: Readonly<Record<Start['approach'], Dials['use']>> = {
  'prepared shelf': 'loose',
  'graded play': 'loose',
  'made together': 'paint',
  'grab bag': 'sticker',
};
/** As the approach has it, where something that is chosen goes on so. */
const useFor = ({ approach, chosen }: Start): Dials['use'] => {
  const { all } = parts({ chosen });
  return [USES[approach], 'loose', 'sticker', 'paint'].find((use) =>
    all.some((m) => suits(use as Dials['use'], m)),
  ) as Dials['use'];
};
const isLoose = ({ dials: d }: At<Dials>): boolean => d.use === 'loose' || d.use === 'magnet';

export const dials = dialTable<Dials>({
  outline: { label: 'Outline', outline: true, size: 'longest', begins: { kind: 'shape', shape: 'circle' } },
  longest: {
    label: 'Longest side',
    unit: 'mm',
    ends: [30, 1000],
    range: ({ chosen }) => [30, roomOn(parts({ chosen }).page)],
    step: 5,
    begins: ({ chosen }) => roomOn(parts({ chosen }).page),
  },
  dot: {
    label: 'Dot',
    unit: 'mm',
    ends: [6, 100],
    begins: ({ chosen }) =>
      Math.max(12, Math.min(60, Math.round(Math.max(...parts({ chosen }).all.map(pieceWide))) || 25)),
  },
  gap: {
    label: 'At least between two',
    unit: 'mm',
    ends: [0, 60],
    begins: ({ ageFrom }) => (ageFrom < 36 ? 8 : 5),
  },
  asked: {
    label: 'Dots (0: all that go)',
    unit: 'each',
    of: 'a number of dots',
    ends: [0, 300],
    begins: ({ approach, ageFrom }) => (ageFrom < 36 ? Math.min(6, DOTS[approach]) : DOTS[approach]),
  },
  use: {
    label: 'On each dot',
    options: [
      {
        value: 'loose',
        label: 'A loose piece',
        why: 'The page is laminated: pieces slide off and it wipes clean.',
      },
      {
        value: 'magnet',
        label: 'A magnet',
        why: 'On a steel tray it holds the page too; aluminium does not hold it.',
      },
      { value: 'sticker', label: 'A sticker', why: 'Peeling is the work; one page a child.' },
      {
        value: 'paint',
        label: 'A dab of paint',
        why: 'Plain paper or card, so that paint soaks in; one page a child.',
      },
    ],
    begins: useFor,
  },
  colours: {
    label: 'Colours',
    options: [
      'free',
      { value: 'by key', label: 'By the dot’s colour' },
      { value: 'by numeral', label: 'By numeral' },
    ],
    when: (at) => kindsOf(at).length > 1,
    begins: (start) =>
      kindsOf({ chosen: start.chosen, dials: { use: useFor(start) } as Dials }).length > 1
        ? 'by key'
        : 'free',
  },
  tilt: { label: 'Tray leans', unit: 'deg', ends: [0, 60], step: 5, when: isLoose, begins: 0 },
  children: {
    label: 'Children',
    unit: 'each',
    of: 'a number of children',
    ends: [1, 12],
    why: 'Painted and stickered pages are used up: one for each child.',
    when: (at) => !isLoose(at),
    begins: 1,
    before: 1,
  },
});
