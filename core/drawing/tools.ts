import type { Vec2 } from '../geometry/vector.ts';
import type { BenchTool } from '../patterns/kernel.ts';
import type { Mark, Scene } from './mark.ts';
import { circle, line, outline, rectangle, sceneOf } from './marks.ts';

const WOOD = '#B98F5C';
const STEEL = '#AAB2B4';
const RED = '#B0451A';
const DARK = '#53625F';
const PAPER = '#FFFDF8';

const shape = (points: Vec2[], colour: string): Mark => outline('body', points, [0, 0], { colour });
const bar = (at: Vec2, size: Vec2, colour: string, corner = 1): Mark =>
  rectangle('body', at, size, { corner, colour });
const stroke = (points: Vec2[], width: number, colour: string): Mark =>
  line('thread', points, { width, colour });

/** Each tool as a hand knows it, about 40 × 24, for papers that are read without many words. */
const PICTURES: Record<BenchTool, readonly Mark[]> = {
  scissors: [
    stroke(
      [
        [-18, -7],
        [6, 3],
      ],
      2.4,
      STEEL,
    ),
    stroke(
      [
        [-18, 7],
        [6, -3],
      ],
      2.4,
      STEEL,
    ),
    circle('guide', [11, -6], 9),
    circle('guide', [11, 6], 9),
    circle('body', [11, -6], 8, PAPER),
    circle('body', [11, 6], 8, PAPER),
  ],
  'craft knife': [
    shape(
      [
        [-18, 3],
        [-10, -3],
        [-6, -3],
        [-6, 3],
      ],
      STEEL,
    ),
    bar([7, 0], [26, 7], RED, 2),
  ],
  saw: [
    shape(
      [
        [-18, -4],
        [6, -6],
        [6, 5],
        ...Array.from({ length: 13 }, (_, i): Vec2 => [6 - 2 * i, i % 2 === 0 ? 5 : 2.5]),
        [-18, 2.5],
      ],
      STEEL,
    ),
    bar([13, 0], [13, 12], WOOD, 4),
  ],
  'cutting board': [bar([0, 0], [38, 22], WOOD, 3), circle('opening', [15, 0], 4)],
  ruler: [
    bar([0, 0], [40, 9], '#E3CE9B', 0),
    ...Array.from({ length: 9 }, (_, i): Mark =>
      stroke(
        [
          [-16 + 4 * i, -4.5],
          [-16 + 4 * i, i % 2 === 0 ? 0 : -2],
        ],
        0.6,
        DARK,
      ),
    ),
  ],
  marker: [
    shape(
      [
        [-19, 0],
        [-13, -3.5],
        [-13, 3.5],
      ],
      DARK,
    ),
    bar([4, 0], [34, 8], '#2C5F8A', 2),
    stroke(
      [
        [-2, -4],
        [-2, 4],
      ],
      0.8,
      PAPER,
    ),
  ],
  'hole punch': [
    bar([0, 7], [38, 6], DARK, 2),
    shape(
      [
        [-16, 4],
        [14, -9],
        [17, -6],
        [-8, 5],
      ],
      STEEL,
    ),
    circle('opening', [-12, 7], 3),
  ],
  bradawl: [
    stroke(
      [
        [-19, 0],
        [0, 0],
      ],
      1.6,
      STEEL,
    ),
    bar([10, 0], [19, 9], WOOD, 4.5),
  ],
  sandpaper: [
    bar([0, 0], [34, 20], '#A9773F', 0),
    ...Array.from({ length: 15 }, (_, i): Mark =>
      circle('piece-detail', [-13 + 6.5 * (i % 5), -6 + 6 * Math.floor(i / 5)], 1),
    ),
  ],
  stapler: [
    bar([0, 7], [38, 4], DARK, 1),
    shape(
      [
        [-18, 2],
        [-16, -4],
        [17, -6],
        [19, 4],
        [14, 4],
        [12, 0],
      ],
      RED,
    ),
  ],
  laminator: [
    bar([0, 2], [40, 12], DARK, 3),
    bar([0, -7], [26, 8], PAPER, 0),
    stroke(
      [
        [-15, 2],
        [15, 2],
      ],
      1,
      PAPER,
    ),
  ],
  printer: [bar([0, -8], [22, 9], PAPER, 0), bar([0, 2], [36, 12], STEEL, 2), bar([0, 9], [24, 6], PAPER, 0)],
};

/** The picture of a tool, mm. */
export const toolPicture = (tool: BenchTool): Scene => sceneOf([...PICTURES[tool]], 1);
