import { z } from 'zod';
import { extentsOf, shapeOf, type Material } from '../../materials/material.ts';
import { dotsIn } from '../../outline/dots.ts';
import { outlineDial, SHAPE_OPTIONS, sizedOutline } from '../../outline/outline.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import { taken, type Approach, type At, type DialSpec, type Role, type Start } from '../kernel.ts';
import { BAG } from '../making.ts';
import { measure, number, oneOf, wholeNumber } from '../dialKinds.ts';

export const ROLES = {
  page: {
    id: 'page',
    label: 'Page',
    forms: ['sheet'],
    least: 1,
    most: 1,
    use: 'part',
    usual: ['a4-card'],
  },
  piece: {
    id: 'piece',
    label: 'What goes on the dots',
    forms: ['piece', 'disc', 'consumable'],
    least: 1,
    most: 6,
    use: 'piece',
    usual: ['pouch-cap'],
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

const USES = ['loose', 'magnet', 'sticker', 'paint'] as const;
const COLOURS = ['free', 'by key', 'by numeral'] as const;

export const dials = z.strictObject({
  outline: outlineDial,
  longest: measure('mm', 30, 1000),
  dot: measure('mm', 3, 200),
  gap: measure('mm', 0, 100),
  /** Dots asked for; 0 for as many as go. */
  asked: wholeNumber('a number of dots', 0, 600),
  use: oneOf(USES),
  colours: oneOf(COLOURS),
  /** Pages in a kit where each is used up: one for each child. */
  children: wholeNumber('a number of children', 1, 12).default(1),
  /** The tray leans by this, degrees. */
  tilt: measure('degrees', 0, 80),
});
export type Dials = z.infer<typeof dials>;

export function parts({ chosen }: Pick<At<Dials>, 'chosen'>) {
  const page = taken(chosen, ROLES.page);
  const kinds = chosen[ROLES.piece.id] ?? [];
  const piece = taken(chosen, ROLES.piece);
  const [tray] = chosen[ROLES.tray.id] ?? [];
  const [laminate] = chosen[ROLES.laminate.id] ?? [];
  return { page, piece, kinds, tray, laminate };
}

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
    ...(d.asked > 0 ? { count: d.asked } : {}),
  });
  last = { key, dots };
  return dots;
}

const STARTS: Record<Approach, { dots: number; use: Dials['use'] }> = {
  'prepared shelf': { dots: 10, use: 'loose' },
  'graded play': { dots: 12, use: 'loose' },
  'made together': { dots: 12, use: 'paint' },
  'grab bag': { dots: 8, use: 'sticker' },
};

const roomOn = (page: Material): number =>
  Math.floor(Math.min(page.sizes.length ?? 0, page.sizes.width ?? 0) - 10);

export function defaults({ approach, chosen, ageFrom }: Start): Dials {
  const { page, kinds } = parts({ chosen });
  const start = STARTS[approach];
  const wide = Math.max(...kinds.map(pieceWide));
  return {
    outline: { kind: 'shape', shape: 'circle' },
    longest: roomOn(page),
    dot: Math.max(12, Math.min(60, Math.round(wide) || 25)),
    gap: ageFrom < 36 ? 8 : 5,
    asked: ageFrom < 36 ? Math.min(6, start.dots) : start.dots,
    use: start.use,
    colours: kinds.length > 1 ? 'by key' : 'free',
    children: 1,
    tilt: 0,
  };
}

export function specs({ dials: d, chosen }: At<Dials>): DialSpec[] {
  const { page, kinds } = parts({ chosen });
  const loose = d.use === 'loose' || d.use === 'magnet';
  return [
    { kind: 'outline', id: 'outline', label: 'Outline', options: SHAPE_OPTIONS },
    number('longest', 'Longest side', 'mm', [60, Math.max(61, roomOn(page)), 5]),
    number('dot', 'Dot', 'mm', [6, 60, 1]),
    number('gap', 'At least between two', 'mm', [0, 40, 1]),
    number('asked', 'Dots (0: all that go)', 'each', [0, 100, 1]),
    {
      kind: 'choice',
      id: 'use',
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
    },
    ...(kinds.length > 1
      ? [
          {
            kind: 'choice',
            id: 'colours',
            label: 'Colours',
            options: [
              { value: 'free', label: 'Free' },
              { value: 'by key', label: 'By the dot’s colour' },
              { value: 'by numeral', label: 'By numeral' },
            ],
          } as const,
        ]
      : []),
    loose
      ? number('tilt', 'Tray leans', 'deg', [0, 60, 5])
      : number(
          'children',
          'Children',
          'each',
          [1, 12, 1],
          'Painted and stickered pages are used up: one for each child.',
        ),
  ];
}
