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

/** Built-in outlines; a new one goes to the end, for cards take them in this order. In any size, x right and y down; they are scaled to what a dial asks. */
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
  bird: {
    label: 'Bird',
    points: (): Vec2[] => [
      [-12, -3.6],
      ...bow([-9, -5], [-7.6, -9.4], [-3.6, -8.4], 12),
      ...bow([-3.6, -8.4], [-0.6, -7.4], [0, -4.4], 10),
      ...bow([0, -4.4], [4, -3.4], [7, -2.2], 8),
      [13, -6],
      [12, -1.6],
      [13, 1.6],
      ...bow([7, 2.4], [4, 8], [-2, 8], 12),
      ...bow([-2, 8], [-9.4, 7], [-9, -2], 14),
    ],
  },
  car: {
    label: 'Car',
    points: (): Vec2[] => [
      ...bow([-12, 3], [-12, -1], [-8, -1.4], 8),
      ...bow([-8, -1.4], [-6, -6.4], [-3.4, -6.4], 8),
      ...bow([3.6, -6.4], [5.6, -6.4], [8, -1.4], 8),
      ...bow([8, -1.4], [12, -1], [12, 3], 8),
      [12, 4],
      ...curve(24, (a) => [6.6 + 2.7 * cos(a / 2), 4 + 2.7 * sin(a / 2)]),
      ...curve(24, (a) => [-6.6 + 2.7 * cos(a / 2), 4 + 2.7 * sin(a / 2)]),
      [-12, 4],
    ],
  },
  tree: {
    label: 'Tree',
    points: (): Vec2[] => {
      const right: Vec2[] = [
        [0, -12],
        [4.6, -5],
        [2.6, -5],
        [6.4, 1],
        [4, 1],
        [8, 7.4],
        [1.6, 7.4],
        [1.6, 11],
      ];
      return [
        ...right,
        ...right
          .slice(1)
          .reverse()
          .map(([x, y]): Vec2 => [-x, y]),
      ];
    },
  },
  moon: {
    label: 'Moon',
    // A disc of 10 less one of 8.86 that passes through its horns: x = 5, y = ±8.66.
    points: () => [
      ...Array.from({ length: 49 }, (_, i): Vec2 => {
        const a = PI / 3 + ((PI * 4) / 3) * (i / 48);
        return [10 * cos(a), 10 * sin(a)];
      }),
      ...Array.from({ length: 39 }, (_, i): Vec2 => {
        const horn = Math.atan2(8.66, 5 - 6.857);
        const a = -horn - (2 * PI - 2 * horn) * ((i + 1) / 40);
        return [6.857 + 8.857 * cos(a), 8.857 * sin(a)];
      }),
    ],
  },
  cup: {
    label: 'Cup',
    points: (): Vec2[] => [
      [-8, -8],
      [5, -8],
      [5, -5],
      ...bow([5, -5], [12, -6], [11.4, 0], 10),
      ...bow([11.4, 0], [11, 5], [4.2, 4.4], 10),
      [3.4, 9],
      [-6.4, 9],
    ],
  },
  butterfly: {
    label: 'Butterfly',
    points: (): Vec2[] => {
      const right: Vec2[] = [
        ...bow([0, -3], [3.4, -11], [9.6, -9.8], 12),
        ...bow([9.6, -9.8], [13, -6.4], [9.6, -1.2], 10),
        ...bow([9.6, -1.2], [7, 0.2], [5, 0.4], 6),
        ...bow([5, 0.4], [10.4, 2], [8.2, 6.6], 10),
        ...bow([8.2, 6.6], [4.6, 10.4], [0.8, 4.2], 10),
      ];
      return [
        ...right,
        [0, 6.4],
        ...right
          .slice(1)
          .reverse()
          .map(([x, y]): Vec2 => [-x, y]),
      ];
    },
  },
  mitten: {
    label: 'Mitten',
    points: (): Vec2[] => [
      ...bow([-5, -3], [-5, -11], [0, -11], 14),
      ...bow([0, -11], [5, -11], [5, -3], 14),
      [5, 11],
      [-5, 11],
      ...bow([-5, 4], [-9.4, 2.6], [-10.6, -2.4], 10),
      ...bow([-10.6, -2.4], [-9.4, -6], [-5, -1.4], 10),
    ],
  },
  whale: {
    label: 'Whale',
    points: (): Vec2[] => [
      ...bow([-11, 1], [-11, -7], [-3, -7], 14),
      ...bow([-3, -7], [5, -7], [8.4, -1.4], 14),
      ...bow([8.4, -1.4], [6.6, -5], [9, -7], 8),
      [10.6, -4.6],
      [13, -6.4],
      ...bow([13, -6.4], [13.4, -1.6], [10.8, 0.4], 8),
      ...bow([10.8, 0.4], [9, 6.4], [-1, 6.4], 14),
      ...bow([-1, 6.4], [-9, 6.4], [-11, 1], 12),
    ],
  },
} satisfies Record<string, { readonly label: string; readonly points: () => Vec2[] }>;
export type ShapeId = keyof typeof SHAPES;
export const SHAPE_IDS = Object.keys(SHAPES) as ShapeId[];
