import { rectangleOutline } from '../geometry/polygon.ts';
import type { Vec2 } from '../geometry/vector.ts';
import type { Mark, MarkRole, Scene } from './mark.ts';
import { placed } from './material.ts';

/** Short ways to the marks that every pattern draws. Lengths in mm, turns in degrees. */
export const circle = (role: MarkRole, at: Vec2, diameter: number, colour?: string): Mark => ({
  kind: 'circle',
  role,
  at,
  radius: diameter / 2,
  colour,
});

export const outline = (
  role: MarkRole,
  points: readonly Vec2[],
  at: Vec2 = [0, 0],
  options: { turn?: number; corner?: number; colour?: string | undefined } = {},
): Mark => ({
  kind: 'outline',
  role,
  points: placed(points, options.turn ?? 0, at),
  ...(options.corner === undefined ? {} : { corner: options.corner }),
  colour: options.colour,
});

export const rectangle = (
  role: MarkRole,
  at: Vec2,
  [width, height]: Vec2,
  options: { turn?: number; corner?: number; colour?: string | undefined } = {},
): Mark => outline(role, rectangleOutline(width, height), at, options);

export const line = (
  role: MarkRole,
  points: readonly Vec2[],
  options: { width?: number; colour?: string | undefined } = {},
): Mark => ({ kind: 'line', role, points, ...options });

/** A measurement from one point to another, set off by `side`; its value is the distance unless said otherwise. */
export const dimension = (from: Vec2, to: Vec2, side: Vec2, label?: string, value?: number): Mark => ({
  kind: 'dimension',
  from,
  to,
  side,
  value: value ?? Math.hypot(to[0] - from[0], to[1] - from[1]),
  ...(label === undefined ? {} : { label }),
});

export const words = (at: Vec2, text: string, size?: number): Mark => ({
  kind: 'words',
  at,
  text,
  ...(size === undefined ? {} : { size, on: 'body' as const }),
});

/** Marks that come to be at a step of the making, in pencil from an earlier one where it is named. */
export const atStep = (step: string, marks: readonly Mark[], pencil?: string): Mark[] =>
  marks.map((m) => ({ ...m, step, ...(pencil === undefined ? {} : { pencil }) }));

/** The mark moved by some mm. */
export function moved(m: Mark, by: Vec2): Mark {
  const shift = (p: Vec2): Vec2 => [p[0] + by[0], p[1] + by[1]];
  switch (m.kind) {
    case 'circle':
    case 'words':
      return { ...m, at: shift(m.at) };
    case 'outline':
    case 'line':
      return { ...m, points: m.points.map(shift) };
    case 'dimension':
      return { ...m, from: shift(m.from), to: shift(m.to) };
  }
}

/** The mark as a mirror shows it, left and right changed over; words stay readable. */
export function mirrored(m: Mark): Mark {
  const flip = (p: Vec2): Vec2 => [-p[0], p[1]];
  switch (m.kind) {
    case 'circle':
    case 'words':
      return { ...m, at: flip(m.at) };
    case 'outline':
    case 'line':
      return { ...m, points: m.points.map(flip) };
    case 'dimension':
      return { ...m, from: flip(m.from), to: flip(m.to), side: flip(m.side) };
  }
}

/** The mark turned a quarter round the origin, clockwise on paper; words stay level. */
export function quarterTurned(m: Mark): Mark {
  const turn = ([x, y]: Vec2): Vec2 => [-y, x];
  switch (m.kind) {
    case 'circle':
    case 'words':
      return { ...m, at: turn(m.at) };
    case 'outline':
    case 'line':
      return { ...m, points: m.points.map(turn) };
    case 'dimension':
      return { ...m, from: turn(m.from), to: turn(m.to), side: turn(m.side) };
  }
}

/** What marks cover, [left, top, right, bottom] in mm; measurements with the line they are written on. */
export function bounds(marks: readonly Mark[]): [number, number, number, number] {
  const b: [number, number, number, number] = [Infinity, Infinity, -Infinity, -Infinity];
  const take = ([x, y]: Vec2, r = 0): void => {
    b[0] = Math.min(b[0], x - r);
    b[1] = Math.min(b[1], y - r);
    b[2] = Math.max(b[2], x + r);
    b[3] = Math.max(b[3], y + r);
  };
  for (const m of marks)
    switch (m.kind) {
      case 'circle':
        take(m.at, m.radius);
        break;
      case 'outline':
      case 'line':
        for (const p of m.points) take(p, (m.kind === 'line' ? (m.width ?? 0) : 0) / 2);
        break;
      case 'dimension':
        for (const p of [m.from, m.to]) {
          take(p);
          take([p[0] + m.side[0], p[1] + m.side[1]]);
        }
        break;
      case 'words':
        take(m.at);
    }
  return b;
}

/** Room for the figures of a measurement at the side of a large drawing, as a share of its width: they do not grow with it. */
const FIGURES = 0.06;

/** A scene round some marks with a margin, mm: they are moved so that its upper left is the origin. */
export function sceneOf(marks: readonly Mark[], least = 14): Scene {
  const [left, top, right, bottom] = bounds(marks);
  const measured = marks.some((m) => m.kind === 'dimension');
  if (!Number.isFinite(left)) return { width: 2 * least, height: 2 * least, marks: [] };
  const margin = measured ? Math.max(least, FIGURES * (right - left)) : least;
  return {
    width: right - left + 2 * margin,
    height: bottom - top + 2 * margin,
    marks: marks.map((m) => moved(m, [margin - left, margin - top])),
  };
}
