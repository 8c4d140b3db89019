import { ellipsePerimeter } from '../../geometry/ellipse.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import { lengthOf } from '../../outline/along.ts';
import { boxOf, inset, sizedOutline, type OutlineDial } from '../../outline/outline.ts';

const { abs, cos, hypot, max, min, PI, sin } = Math;

export const COURSES = ['oval', 'ring', 'zigzag', 'wave', 'own'] as const;
type CourseKind = (typeof COURSES)[number];

/** What a course is laid out from; mm. */
export interface Wanted {
  readonly course: CourseKind;
  readonly length: number;
  readonly width: number;
  /** Between the barriers' middles. */
  readonly apart: number;
  readonly bends: number;
  readonly outline: OutlineDial;
}

/** A lane between two barriers, mm about the middle of the board. */
export interface Course {
  readonly closed: boolean;
  readonly outer: readonly Vec2[];
  readonly inner: readonly Vec2[];
  readonly middle: readonly Vec2[];
  readonly outerLength: number;
  readonly innerLength: number;
  readonly middleLength: number;
  /** Bends that the hand steers round. */
  readonly turns: number;
}

const ellipse = (a: number, b: number, n = 240): Vec2[] =>
  Array.from({ length: n }, (_, i): Vec2 => [
    (a / 2) * cos((2 * PI * i) / n),
    (b / 2) * sin((2 * PI * i) / n),
  ]);

/** A line moved to one side by so much, its corners kept sharp. */
export function besideLine(points: readonly Vec2[], by: number): Vec2[] {
  const normal = (a: Vec2, b: Vec2): Vec2 => {
    const l = hypot(b[0] - a[0], b[1] - a[1]);
    return [-(b[1] - a[1]) / l, (b[0] - a[0]) / l];
  };
  return points.map((p, i): Vec2 => {
    const before = i > 0 ? normal(points[i - 1]!, p) : null;
    const after = i < points.length - 1 ? normal(p, points[i + 1]!) : null;
    const [a, b] = [before ?? after!, after ?? before!];
    const [mx, my] = [a[0] + b[0], a[1] + b[1]];
    // The corner lies where both sides have been moved by so much.
    const k = (2 * by) / max(0.2, mx * mx + my * my);
    return [p[0] + mx * k, p[1] + my * k];
  });
}

/** Middle of a course from start to finish: up and down in straight legs, or in a wave. */
const openMiddle = (course: 'zigzag' | 'wave', legs: number, reach: number, half: number): Vec2[] =>
  course === 'zigzag'
    ? Array.from({ length: legs + 1 }, (_, i): Vec2 => [
        -reach + (2 * reach * i) / legs,
        (i % 2 === 0 ? -1 : 1) * half,
      ])
    : Array.from({ length: 40 * legs + 1 }, (_, i): Vec2 => [
        -reach + (2 * reach * i) / (40 * legs),
        -half * cos((PI * i) / 40),
      ]);

/** The course laid out; null where nothing is left inside the lane. */
export function courseOf(w: Wanted): Course | null {
  const { length, width, apart } = w;
  switch (w.course) {
    case 'oval':
    case 'ring': {
      const [a, b] = w.course === 'ring' ? [min(length, width), min(length, width)] : [length, width];
      const [c, d] = [a - 2 * apart, b - 2 * apart];
      if (c < 2 || d < 2) return null;
      return {
        closed: true,
        outer: ellipse(a, b),
        inner: ellipse(c, d),
        middle: ellipse(a - apart, b - apart),
        outerLength: ellipsePerimeter(a, b),
        innerLength: ellipsePerimeter(c, d),
        middleLength: ellipsePerimeter(a - apart, b - apart),
        turns: 4,
      };
    }
    case 'own': {
      const outer = sizedOutline(w.outline, length);
      try {
        const inner = inset(outer, apart);
        const middle = inset(outer, apart / 2);
        return {
          closed: true,
          outer,
          inner,
          middle,
          outerLength: lengthOf(outer, true),
          innerLength: lengthOf(inner, true),
          middleLength: lengthOf(middle, true),
          turns: 4,
        };
      } catch {
        return null;
      }
    }
    default: {
      const legs = w.bends + 1;
      let half = width / 2 - apart / 2;
      let reach = length / 2 - apart / 2;
      let middle: Vec2[] = [];
      let outer: Vec2[] = [];
      let inner: Vec2[] = [];
      // A corner's edge stands out farther than half a lane: what stands over the wanted size is taken off.
      for (let i = 0; i < 4; i++) {
        if (half < 2 || reach < 2) return null;
        middle = openMiddle(w.course, legs, reach, half);
        [outer, inner] = [besideLine(middle, -apart / 2), besideLine(middle, apart / 2)];
        const [x0, y0, x1, y1] = boxOf([...outer, ...inner]);
        half -= max(0, (y1 - y0 - width) / 2);
        reach -= max(0, (x1 - x0 - length) / 2);
      }
      return {
        closed: false,
        outer,
        inner,
        middle,
        outerLength: lengthOf(outer, false),
        innerLength: lengthOf(inner, false),
        middleLength: lengthOf(middle, false),
        turns: legs,
      };
    }
  }
}

/** Straight pieces laid end to end along a line. */
export interface Pieces {
  readonly ends: readonly (readonly [Vec2, Vec2])[];
  /** What is left open, where the last one no longer goes, mm. */
  readonly gap: number;
  /** Farthest that a piece lies beside the line it stands for, mm. */
  readonly error: number;
}

/** A bend sharper than this is a corner: a piece ends there, degrees. */
const CORNER = 40;

/** A line in parts between its corners; a smooth closed one in one part. */
function runsOf(points: readonly Vec2[], closed: boolean): { line: Vec2[]; closed: boolean }[] {
  const n = points.length;
  const turn = (i: number): number => {
    const [a, b, c] = [points[(i + n - 1) % n]!, points[i]!, points[(i + 1) % n]!];
    const by = Math.atan2(c[1] - b[1], c[0] - b[0]) - Math.atan2(b[1] - a[1], b[0] - a[0]);
    return abs(Math.atan2(sin(by), cos(by)));
  };
  const inner = points.map((_, i) => i).filter((i) => closed || (i > 0 && i < n - 1));
  const corners = inner.filter((i) => turn(i) > (CORNER * PI) / 180);
  if (corners.length === 0) return [{ line: [...points], closed }];
  if (!closed) {
    const ends = [0, ...corners, n - 1];
    return ends.slice(1).map((to, i) => ({ line: points.slice(ends[i], to + 1), closed: false }));
  }
  return corners.map((from, i) => {
    const to = corners[(i + 1) % corners.length]!;
    const line = [...points.slice(from), ...points.slice(0, from)].slice(0, ((to - from + n) % n || n) + 1);
    return { line: line.length < 2 ? [points[from]!, points[to]!] : line, closed: false };
  });
}

/**
 * Straight pieces of one length along a line, joints touching: each begins where the one before ends, both ends on the
 * line; none lies across a corner. What is left at the end, or before a corner, is the gap.
 */
export function layPieces(points: readonly Vec2[], piece: number, closed: boolean): Pieces {
  const runs = runsOf(points, closed).map((r) => layRun(r.line, piece, r.closed));
  return {
    ends: runs.flatMap((r) => r.ends),
    gap: max(...runs.map((r) => r.gap)),
    error: max(...runs.map((r) => r.error)),
  };
}

/** Where a line that leaves a circle about `o` crosses it, between a point inside it and one that is not. */
function crossing(o: Vec2, radius: number, inside: Vec2, outside: Vec2): Vec2 {
  const [ax, ay] = [inside[0] - o[0], inside[1] - o[1]];
  const [dx, dy] = [outside[0] - inside[0], outside[1] - inside[1]];
  const [a, b, c] = [dx * dx + dy * dy, ax * dx + ay * dy, ax * ax + ay * ay - radius * radius];
  const t = (-b + Math.sqrt(max(0, b * b - a * c))) / a;
  return [inside[0] + t * dx, inside[1] + t * dy];
}

function layRun(points: readonly Vec2[], piece: number, closed: boolean): Pieces {
  const line = closed ? [...points, points[0]!] : points;
  if (!(lengthOf(points, closed) > 1e-6)) return { ends: [], gap: 0, error: 0 };
  const ends: [Vec2, Vec2][] = [];
  let start = line[0]!;
  let next = 1;
  let error = 0;
  while (ends.length < MOST_PIECES) {
    const from = next;
    while (next < line.length && hypot(line[next]![0] - start[0], line[next]![1] - start[1]) < piece) next++;
    if (next === line.length) break;
    const end = crossing(start, piece, next === from ? start : line[next - 1]!, line[next]!);
    ends.push([start, end]);
    for (let k = from; k < next; k++) error = max(error, beside(line[k]!, start, end));
    start = end;
  }
  const last = line.at(-1)!;
  return { ends, gap: hypot(last[0] - start[0], last[1] - start[1]), error };
}
const MOST_PIECES = 2000;

const beside = (p: Vec2, a: Vec2, b: Vec2): number =>
  abs((b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0])) /
  max(1e-9, hypot(b[0] - a[0], b[1] - a[1]));

/** How much room the course takes, mm: along and across. */
export function extentOf(c: Course): Vec2 {
  const [x0, y0, x1, y1] = boxOf([...c.outer, ...c.inner]);
  return [x1 - x0, y1 - y0];
}
