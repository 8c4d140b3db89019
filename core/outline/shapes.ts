import { starOutline } from '../geometry/polygon.ts';
import type { Vec2 } from '../geometry/vector.ts';

const { cos, sin, PI } = Math;

/** A curve by its angle, closed. */
const curve = (n: number, at: (a: number) => Vec2): Vec2[] =>
  Array.from({ length: n }, (_, i) => at((2 * PI * i) / n));

/** A quadratic curve from one corner to the next, without its last point. */
const bow = ([ax, ay]: Vec2, [bx, by]: Vec2, [cx, cy]: Vec2, steps = 12): Vec2[] =>
  Array.from({ length: steps }, (_, i) => {
    const t = i / steps;
    const s = 1 - t;
    return [s * s * ax + 2 * s * t * bx + t * t * cx, s * s * ay + 2 * s * t * by + t * t * cy];
  });

/** Built-in outlines in any size, x right and y down; they are scaled to what a dial asks. */
export const SHAPES = {
  circle: { label: 'Circle', points: () => curve(120, (a) => [cos(a), sin(a)]) },
  square: {
    label: 'Square',
    points: (): Vec2[] => [
      [-1, -1],
      [1, -1],
      [1, 1],
      [-1, 1],
    ],
  },
  triangle: {
    label: 'Triangle',
    points: (): Vec2[] => [
      [0, -1],
      [1.1547, 1],
      [-1.1547, 1],
    ],
  },
  star: { label: 'Star', points: () => starOutline(5, 2, 1).map(([x, y]): Vec2 => [y, -x]) },
  heart: {
    label: 'Heart',
    // A known curve: x = 16 sin³ t, y = 13 cos t − 5 cos 2t − 2 cos 3t − cos 4t.
    points: () =>
      curve(96, (t) => [16 * sin(t) ** 3, -(13 * cos(t) - 5 * cos(2 * t) - 2 * cos(3 * t) - cos(4 * t))]),
  },
  fish: {
    label: 'Fish',
    points: (): Vec2[] => [
      ...bow([-10, 0], [-4, -8], [6, -1.6], 20),
      [12, -6],
      [10.4, 0],
      [12, 6],
      ...bow([6, 1.6], [-4, 8], [-10, 0], 20),
    ],
  },
  boat: {
    label: 'Boat',
    points: (): Vec2[] => [
      [-10, 4],
      [-1.2, 4],
      [-1.2, -10],
      ...bow([0.4, -10], [3, 0], [8, 3], 10),
      [8, 4],
      [10, 4],
      ...bow([10, 4], [8, 9], [5, 9.4], 8),
      [-5, 9.4],
      ...bow([-5, 9.4], [-8, 9], [-10, 4], 8),
    ],
  },
  leaf: {
    label: 'Leaf',
    points: () => [...bow([-10, 0], [0, -9], [10, 0], 24), ...bow([10, 0], [0, 9], [-10, 0], 24)],
  },
  house: {
    label: 'House',
    points: (): Vec2[] => [
      [0, -10],
      [9, -2],
      [7, -2],
      [7, 9],
      [-7, 9],
      [-7, -2],
      [-9, -2],
    ],
  },
  drop: {
    label: 'Drop',
    points: () => [
      ...bow([0, -12], [2, -6], [5, -1], 10),
      ...Array.from({ length: 33 }, (_, i): Vec2 => {
        const a = -0.38 + ((PI + 0.76) * i) / 32;
        return [5.4 * cos(a), 1 + 5.4 * sin(a)];
      }),
      ...bow([-5, -1], [-2, -6], [0, -12], 10),
    ],
  },
} satisfies Record<string, { readonly label: string; readonly points: () => Vec2[] }>;
export type ShapeId = keyof typeof SHAPES;
export const SHAPE_IDS = Object.keys(SHAPES) as ShapeId[];
