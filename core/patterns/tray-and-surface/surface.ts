import type { Material } from '../../materials/material.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import type { Dials } from './dials.ts';

const { ceil, cos, max, PI, sin } = Math;

/** Area of a tray's floor, mm². */
export const floorOf = (tray: Material): number => {
  const { diameter, length = 0, width = 0, wall = 0 } = tray.sizes;
  return diameter === undefined
    ? max(0, length - 2 * wall) * max(0, width - 2 * wall)
    : (PI / 4) * max(0, diameter - 2 * wall) ** 2;
};

/** Heights on a wall by the child's own: squatting, standing straight, on tiptoe (common practice). */
export const HEIGHTS = { squat: 0.5, straight: 0.8, stretch: 1.2 } as const;
export const heightsOf = (
  d: Pick<Dials, 'standing' | 'level'>,
): { level: keyof typeof HEIGHTS; height: number }[] =>
  (Object.keys(HEIGHTS) as (keyof typeof HEIGHTS)[])
    .filter((level) => d.level === 'all' || d.level === level)
    .map((level) => ({ level, height: Math.round(HEIGHTS[level] * d.standing) }));

/** A circle is laid with this many straight sides. */
const SIDES = { circle: 16, triangle: 3, square: 4, hexagon: 6 } as const;

/** Corners of a floor shape, mm about its middle; a circle's and a hexagon's lie on the circle, a side of the others is as long as asked. */
export function floorShape({ shape, across }: Pick<Dials, 'shape' | 'across'>): Vec2[] {
  const n = SIDES[shape];
  const radius = n <= 4 ? across / (2 * sin(PI / n)) : across / 2;
  return Array.from({ length: n }, (_, i): Vec2 => {
    const a = (2 * PI * i) / n - PI / 2 + (n === 4 ? PI / 4 : 0);
    return [radius * cos(a), radius * sin(a)];
  });
}

/** Strips of foil side by side that cover a path, each over the one before by the overlap. */
export const foilStrips = (d: Pick<Dials, 'wide' | 'overlap'>, roll: number): number =>
  max(1, ceil((d.wide - d.overlap) / max(1, roll - d.overlap) - 1e-9));

/** Mass of a millilitre, g: flour as it is spooned, fine salt, water, and the dough (from memory; common practice). */
const FLOUR = 0.53;
const SALT = 1.2;
const DOUGH = 1.25;

/** What a dough of so many ml takes, by parts of a cup: g of flour and salt, ml of water. */
export function doughOf(d: Pick<Dials, 'flour' | 'salt' | 'water'>, volume: number) {
  const part = (volume * DOUGH) / (d.flour * FLOUR + d.salt * SALT + d.water);
  return {
    flour: d.flour * part * FLOUR,
    salt: d.salt * part * SALT,
    water: d.water * part,
    mass: volume * DOUGH,
  };
}

/** Where painters' colours stand on the wheel, degrees from red. */
const WHEEL: Readonly<Record<string, number>> = {
  red: 0,
  'red-orange': 15,
  orange: 60,
  yellow: 120,
  'yellow-green': 150,
  green: 180,
  turquoise: 210,
  'blue-green': 210,
  blue: 240,
  purple: 300,
  violet: 300,
  pink: 345,
};
/** White and black stand nowhere on it: they only make a colour lighter or darker. */
const NEUTRAL = ['white', 'black', 'grey', 'gray', 'silver', 'gold'];

export interface Mixed {
  readonly unknown: readonly string[];
  readonly count: number;
  /** Least arc of the wheel that holds all of them, degrees. */
  readonly arc: number;
}

/** How far colours lie apart on the painters' wheel: mixed across it they go brown. */
export function mixOf(text: string): Mixed {
  const words = text
    .split(',')
    .map((w) => w.trim().toLowerCase())
    .filter(Boolean);
  const angles = words.flatMap((w) => (WHEEL[w] === undefined ? [] : [WHEEL[w]])).sort((a, b) => a - b);
  const gaps = angles.map((a, i) => (angles[i + 1] ?? angles[0]! + 360) - a);
  return {
    unknown: words.filter((w) => WHEEL[w] === undefined && !NEUTRAL.includes(w)),
    count: words.length,
    arc: angles.length < 2 ? 0 : 360 - max(...gaps),
  };
}

/** Three of one side of the wheel: as much of it as stays clear when mixed, degrees (common practice). */
const ONE_SIDE = 180;

/** What a child's colours are called, as they were typed. */
export const coloursOf = (d: Pick<Dials, 'colours'>): string[] =>
  d.colours
    .split(',')
    .map((c) => c.trim())
    .filter(Boolean);

/** Whether they stay bright where they run together; not known where a colour is not. */
export function mixes(colours: string): 'bright' | 'brown' | 'unknown' {
  const { unknown, count, arc } = mixOf(colours);
  if (unknown.length > 0) return 'unknown';
  return count > 3 || arc > ONE_SIDE ? 'brown' : 'bright';
}
