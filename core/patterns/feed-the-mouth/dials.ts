import { z } from 'zod';
import type { Material } from '../../materials/material.ts';
import { choice, measure, number, oneOf, onOff, wholeNumber } from '../dialKinds.ts';
import { allTaken, taken, type Approach, type At, type DialSpec, type Role, type Start } from '../kernel.ts';
import { BAG } from '../making.ts';
import { loopOf, longestSlit, shortestSlit, type Mouth } from './mouth.ts';

const GOALS = ['feed', 'pull out'] as const;
const EYES = ['drawn', 'glued', 'none'] as const;

export const dials = z.strictObject({
  goal: oneOf(GOALS),
  /** Measured round the ball, mm. */
  slit: measure('mm', 10, 300),
  /** A second slit across the first. */
  crossed: onOff,
  /** Thickness of the ball's wall, mm. */
  wall: measure('mm', 0.5, 8),
  pieces: wholeNumber('a number of pieces', 1, 60),
  dice: wholeNumber('a number of dice', 0, 2),
  /** Measured at the sides until the mouth opens, N; 0 where it was not measured. */
  force: measure('N', 0, 120),
  eyes: oneOf(EYES),
});
export type Dials = z.infer<typeof dials>;

export const ROLES = {
  ball: {
    id: 'ball',
    label: 'Ball or soft box',
    forms: ['piece', 'container'],
    least: 1,
    most: 1,
    use: 'part',
    usual: ['tennis-ball'],
    accepts: (m) =>
      m.form === 'piece' && m.solid !== 'ball' ? 'expected a hollow ball, or a soft box or tub' : null,
  },
  item: {
    id: 'item',
    label: 'What it is fed',
    forms: ['piece', 'disc', 'tube', 'sheet'],
    least: 1,
    most: 4,
    use: 'piece',
    usual: ['button-large'],
  },
  eyes: {
    id: 'eyes',
    label: 'Eyes to glue on',
    forms: ['disc', 'piece'],
    least: 0,
    most: 1,
    use: 'part',
    usual: [],
  },
  bag: BAG,
} as const satisfies Record<string, Role>;

export function parts({ chosen }: Pick<At<Dials>, 'chosen'>) {
  const ball = taken(chosen, ROLES.ball);
  const item = taken(chosen, ROLES.item);
  const [eyes] = allTaken(chosen, ROLES.eyes);
  return { ball, item, items: allTaken(chosen, ROLES.item), eyes };
}

export const mouthOf = (ball: Material, d: Pick<Dials, 'slit' | 'crossed' | 'wall'>): Mouth => {
  const { diameter, length = 0, width = 0, height = 0 } = ball.sizes;
  const across = diameter ?? width;
  return {
    across,
    // A box is cut across its front: once round it is what the slit is measured along.
    girth: ball.form === 'piece' || diameter !== undefined ? Math.PI * across : 2 * (length + height),
    slit: d.slit,
    crossed: d.crossed,
    inside:
      ball.form === 'piece'
        ? (Math.PI / 6) * Math.max(0, across - 2 * d.wall) ** 3
        : diameter !== undefined
          ? (Math.PI / 4) * diameter ** 2 * height
          : length * width * height,
    longest:
      ball.form === 'piece' ? Math.max(0, across - 2 * d.wall) : Math.hypot(diameter ?? length, height),
  };
};

/** Room between the shortest slit that lets a piece in and the one a design starts from, mm. */
const EASY = 8;

const STARTS: Record<Approach, Pick<Dials, 'crossed' | 'dice' | 'eyes'>> = {
  'prepared shelf': { crossed: false, dice: 0, eyes: 'none' },
  'graded play': { crossed: false, dice: 1, eyes: 'drawn' },
  'made together': { crossed: false, dice: 0, eyes: 'drawn' },
  'grab bag': { crossed: true, dice: 0, eyes: 'drawn' },
};

export function defaults({ approach, chosen, ageFrom }: Start): Dials {
  const { ball, items } = parts({ chosen });
  const start = STARTS[approach];
  const d: Dials = {
    ...start,
    goal: items.every((m) => m.form === 'sheet') ? 'pull out' : 'feed',
    crossed: start.crossed || ageFrom < 42,
    slit: 60,
    wall: 3.5,
    pieces: 6,
    force: 0,
  };
  const most = longestSlit(mouthOf(ball, d));
  const least = Math.max(...items.map((m) => shortestSlit(m, mouthOf(ball, d)) ?? most));
  const slit = Math.max(10, Math.min(Math.floor(most), Math.ceil(least + EASY)));
  const full = Math.min(...items.map((m) => loopOf(m, mouthOf(ball, { ...d, slit })).fullAfter));
  return { ...d, slit, pieces: Math.max(1, Math.min(d.pieces, full)) };
}

export function specs({ dials: d, chosen }: At<Dials>): DialSpec[] {
  const { ball, items } = parts({ chosen });
  const most = Math.max(15, Math.floor(longestSlit(mouthOf(ball, d))));
  return [
    choice('goal', 'The child', [
      { value: 'feed', label: 'Feeds it', why: 'One hand squeezes, the other puts in.' },
      {
        value: 'pull out',
        label: 'Pulls out of it',
        why: 'For the youngest: grip a cloth and lift, pull a scarf out of the mouth.',
      },
    ]),
    number(
      'slit',
      'Slit',
      'mm',
      [10, most, 1],
      'Measured round the ball; over a third of its girth it folds.',
    ),
    {
      kind: 'switch',
      id: 'crossed',
      label: 'A second slit across',
      why: 'Opens with less force: for hands that tire.',
    },
    ...(ball.form === 'piece' ? [number('wall', 'Thickness of the wall', 'mm', [0.5, 6, 0.5])] : []),
    number('pieces', 'Pieces', 'each', [
      1,
      Math.max(12, ...items.map((m) => Math.min(60, loopOf(m, mouthOf(ball, d)).fullAfter))),
      1,
    ]),
    number('dice', 'Dice', 'each', [0, 2, 1], 'They say how many: to 6, or to 12.'),
    number(
      'force',
      'Squeeze as measured (0: not measured)',
      'each',
      [0, 80, 1],
      'In newtons, on a kitchen scale: 1 kg is 9.8 N. Weaker balls first.',
    ),
    choice('eyes', 'Eyes', [
      { value: 'drawn', label: 'Drawn' },
      { value: 'glued', label: 'Glued on', why: 'They come off one day: judged as small parts.' },
      { value: 'none', label: 'None' },
    ]),
  ];
}
