import type { Material } from '../../materials/material.ts';
import { dialTable } from '../dialTable.ts';
import { allTaken, taken, type At, type Role, type Start } from '../kernel.ts';
import { BAG } from '../making.ts';
import { GLUE } from '../supplies.ts';
import { loopOf, longestSlit, shortestSlit, type Mouth } from './mouth.ts';
import { isToken } from '../serves.ts';

export interface Dials {
  readonly goal: 'feed' | 'pull out';
  /** Measured round the ball, mm. */
  readonly slit: number;
  /** A second slit across the first. */
  readonly crossed: boolean;
  /** Thickness of the ball's wall, mm. */
  readonly wall: number;
  readonly pieces: number;
  readonly dice: number;
  /** Measured at the sides until the mouth opens, N; 0 where it was not measured. */
  readonly force: number;
  readonly eyes: 'drawn' | 'glued' | 'none';
}

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
    serves: (m, ageFrom) => (m.form === 'sheet' ? m.materialClass === 'fabric' : isToken(m, ageFrom)),
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
  glue: GLUE,
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

/** The slit that lets every thing in easily, and no more of them than it holds. */
function fitted(d: Dials, { chosen }: Start): Dials {
  const { ball, items } = parts({ chosen });
  const most = longestSlit(mouthOf(ball, d));
  const least = Math.max(...items.map((m) => shortestSlit(m, mouthOf(ball, d)) ?? most));
  const slit = Math.max(10, Math.min(Math.floor(most), Math.ceil(least + EASY)));
  const full = Math.min(...items.map((m) => loopOf(m, mouthOf(ball, { ...d, slit })).fullAfter));
  return { ...d, slit, pieces: Math.min(d.pieces, full) };
}

export const dials = dialTable<Dials>(
  {
    goal: {
      label: 'The child',
      options: [
        { value: 'feed', label: 'Feeds it', why: 'One hand squeezes, the other puts in.' },
        {
          value: 'pull out',
          label: 'Pulls out of it',
          why: 'For the youngest: grip a cloth and lift, pull a scarf out of the mouth.',
        },
      ],
      begins: ({ chosen }) =>
        parts({ chosen }).items.every((m) => m.form === 'sheet') ? 'pull out' : 'feed',
    },
    slit: {
      label: 'Slit',
      unit: 'mm',
      ends: [10, 300],
      range: ({ dials: d, chosen }) => [
        10,
        Math.max(15, Math.floor(longestSlit(mouthOf(parts({ chosen }).ball, d)))),
      ],
      why: 'Measured round the ball; over a third of its girth it folds.',
      begins: 60,
    },
    crossed: {
      label: 'A second slit across',
      why: 'Opens with less force: for hands that tire.',
      begins: ({ approach, ageFrom }) => approach === 'grab bag' || ageFrom < 42,
    },
    wall: {
      label: 'Thickness of the wall',
      unit: 'mm',
      ends: [0.5, 8],
      step: 0.5,
      when: ({ chosen }) => parts({ chosen }).ball.form === 'piece',
      begins: 3.5,
    },
    pieces: {
      label: 'Pieces',
      unit: 'each',
      of: 'a number of pieces',
      ends: [1, 60],
      range: ({ dials: d, chosen }) => {
        const { ball, items } = parts({ chosen });
        return [1, Math.max(12, ...items.map((m) => loopOf(m, mouthOf(ball, d)).fullAfter))];
      },
      begins: 6,
    },
    dice: {
      label: 'Dice',
      unit: 'each',
      of: 'a number of dice',
      ends: [0, 2],
      why: 'They say how many: to 6, or to 12.',
      begins: { 'prepared shelf': 0, 'graded play': 1, 'made together': 0, 'grab bag': 0 },
    },
    force: {
      label: 'Squeeze as measured (0: not measured)',
      unit: 'N',
      ends: [0, 120],
      why: 'On a kitchen scale: 1 kg is 9.8 N. Weaker balls first.',
      begins: 0,
    },
    eyes: {
      label: 'Eyes',
      options: [
        'drawn',
        { value: 'glued', label: 'Glued on', why: 'They come off one day: judged as small parts.' },
        'none',
      ],
      begins: ({ approach }) => (approach === 'prepared shelf' ? 'none' : 'drawn'),
    },
  },
  { settle: fitted },
);
