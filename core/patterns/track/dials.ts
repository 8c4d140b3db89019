import { z } from 'zod';
import { extentsOf, shapeOf, type Material } from '../../materials/material.ts';
import { outlineDial, SHAPE_OPTIONS } from '../../outline/outline.ts';
import { choice, measure, number, oneOf, wholeNumber } from '../dialKinds.ts';
import { ofClass } from '../making.ts';
import { allTaken, taken, type Approach, type At, type DialSpec, type Role, type Start } from '../kernel.ts';
import { COURSES, courseOf, layPieces, type Course, type Pieces } from './course.ts';

const RUNS = ['driven', 'pushed', 'rolled'] as const;

export const dials = z.strictObject({
  course: oneOf(COURSES),
  /** Of the outer barrier, along and across, mm. */
  length: measure('mm', 60, 2000),
  width: measure('mm', 40, 2000),
  /** Clear way between the barriers, mm. */
  lane: measure('mm', 8, 200),
  bends: wholeNumber('a number of bends', 1, 12),
  outline: outlineDial,
  /** Length of a barrier piece, outside and inside, mm. */
  piece: measure('mm', 10, 400),
  innerPiece: measure('mm', 10, 400),
  runs: oneOf(RUNS),
  /** Speed it is taken at, mm a second. */
  speed: wholeNumber('mm a second', 10, 1000),
});
export type Dials = z.infer<typeof dials>;

/** A smaller board has no room for a lane, mm. */
const LEAST_BOARD = 180;

export const ROLES = {
  board: {
    id: 'board',
    label: 'Board',
    forms: ['sheet'],
    least: 1,
    most: 1,
    use: 'part',
    usual: ['parcel-panel'],
    accepts: (m) =>
      Math.min(m.sizes.length ?? 0, m.sizes.width ?? 0) < LEAST_BOARD
        ? `expected a board of at least ${LEAST_BOARD} mm`
        : ofClass('card', 'wood', 'plastic', 'foam')(m),
  },
  barrier: {
    id: 'barrier',
    label: 'Barrier',
    forms: ['tube', 'cord', 'piece', 'sheet'],
    least: 1,
    most: 1,
    use: 'part',
    usual: ['paper-straw'],
    accepts: (m) =>
      (m.form === 'piece' && m.solid !== 'rod') ||
      (m.form === 'sheet' && m.materialClass !== 'paper') ||
      (m.sizes.diameter ?? 0) > 20
        ? 'expected straws, cord or rods up to 20 mm thick, or paper to roll'
        : null,
  },
  runner: {
    id: 'runner',
    label: 'What runs',
    forms: ['piece', 'disc'],
    least: 1,
    most: 1,
    use: 'piece',
    usual: ['wine-cork'],
  },
  tape: {
    id: 'tape',
    label: 'Tape',
    forms: ['consumable'],
    least: 0,
    most: 1,
    use: 'consumable',
    usual: ['masking-tape'],
    accepts: ofClass('tape'),
  },
} as const satisfies Record<string, Role>;

/** A strip of paper is rolled up to a barrier about so thick, from a strip so wide, mm (common practice). */
export const ROLLED = { thick: 6, strip: 60 };

export function parts({ chosen }: Pick<At<Dials>, 'chosen'>) {
  const board = taken(chosen, ROLES.board);
  const barrier = taken(chosen, ROLES.barrier);
  const runner = taken(chosen, ROLES.runner);
  const [tape] = allTaken(chosen, ROLES.tape);
  return {
    board,
    barrier,
    runner,
    tape,
    thick: barrier.form === 'sheet' ? ROLLED.thick : (barrier.sizes.diameter ?? 5),
    /** A cord lies round any bend; everything else is cut into straight pieces. */
    bends: barrier.form === 'cord',
    /** The longest piece there is, mm. */
    longest:
      barrier.form === 'cord'
        ? 400
        : barrier.form === 'sheet'
          ? Math.max(barrier.sizes.length ?? 0, barrier.sizes.width ?? 0)
          : (barrier.sizes.length ?? 100),
    // It runs its long way first: what the lane must let through is its next extent.
    wide: extentsOf(shapeOf(runner)!)[1],
  };
}

export interface LaidOut {
  readonly course: Course | null;
  readonly outer: Pieces | null;
  readonly inner: Pieces | null;
}
let last: { key: string; laid: LaidOut } | null = null;

/** The course with its barrier pieces; remembered, since fit, plan and drawing ask for the same one. */
export function layOut(at: Pick<At<Dials>, 'dials' | 'chosen'>): LaidOut {
  const { dials: d } = at;
  const { thick, bends } = parts(at);
  const key = JSON.stringify([
    d.course,
    d.length,
    d.width,
    d.lane,
    d.bends,
    d.outline,
    d.piece,
    d.innerPiece,
    thick,
    bends,
  ]);
  if (last?.key === key) return last.laid;
  const course = courseOf({ ...d, apart: d.lane + thick });
  const lay = (points: readonly (readonly [number, number])[], piece: number): Pieces | null =>
    course && !bends ? layPieces(points, piece, course.closed) : null;
  const laid = {
    course,
    outer: course ? lay(course.outer, d.piece) : null,
    inner: course ? lay(course.inner, d.innerPiece) : null,
  };
  last = { key, laid };
  return laid;
}

/** Between what runs and the lane, mm: 10 to 15 goes easily (common practice). */
const EASY = 12;
/** Free board round a course, mm. */
export const SPARE = 10;

const STARTS: Record<Approach, Pick<Dials, 'course' | 'runs'>> = {
  'prepared shelf': { course: 'oval', runs: 'driven' },
  'graded play': { course: 'oval', runs: 'driven' },
  'made together': { course: 'wave', runs: 'driven' },
  'grab bag': { course: 'zigzag', runs: 'pushed' },
};

/** Longest and shorter side of a board with room to spare all round, mm. */
export const roomOn = (board: Material, thick: number): [number, number] => {
  const { length = 0, width = 0 } = board.sizes;
  const spare = 2 * SPARE + thick;
  return [Math.floor(Math.max(length, width) - spare), Math.floor(Math.min(length, width) - spare)];
};

export function defaults({ approach, chosen, ageFrom }: Start): Dials {
  const { board, barrier, wide, thick, longest } = parts({ chosen });
  const [long, short] = roomOn(board, thick);
  const start = STARTS[approach];
  const d: Dials = {
    ...start,
    length: Math.max(60, Math.min(long, 500)),
    // A wave as high as the board is cut by straight pieces.
    width: Math.max(40, Math.min(short, start.course === 'oval' ? 350 : Math.floor(0.45 * long))),
    lane: Math.min(200, Math.max(8, Math.ceil(wide + EASY + (ageFrom < 36 ? 6 : 0)))),
    bends: ageFrom < 42 ? 1 : 2,
    outline: { kind: 'shape', shape: 'circle' },
    piece: Math.max(10, Math.floor(longest / 3)),
    innerPiece: Math.max(10, Math.floor(longest / 5)),
    speed: 100,
  };
  if (barrier.form === 'cord') return d;
  const course = courseOf({ ...d, apart: d.lane + thick });
  if (!course) return d;
  return {
    ...d,
    piece: bestPart(course.outer, longest, course.closed),
    innerPiece: bestPart(course.inner, longest, course.closed),
  };
}

/** A piece lies at most so far beside its curve in a design that begins, mm. */
const BEGINS_WITH = 3.5;
/** A gap that nothing that runs slips through, mm. */
const SLIPS = 8;

/** Shortest piece that a child's fingers tape down, mm (common practice). */
const SHORTEST = 20;

const begun = new Map<string, number>();

/**
 * The length of piece to begin with, mm: one that cuts a straw into equal parts where that leaves no gap to slip through,
 * else the one that leaves the least open; it does not cut the bend. Remembered: what could be made today asks for many.
 */
function bestPart(points: Course['outer'], longest: number, closed: boolean): number {
  const key = JSON.stringify([points[0], points[1], points.at(-1), points.length, longest, closed]);
  const there = begun.get(key);
  if (there !== undefined) return there;
  const laid = (piece: number): Pieces & { piece: number } => ({
    piece,
    ...layPieces(points, piece, closed),
  });
  const parts = [2, 3, 4, 5, 6, 8].map((n) => Math.max(10, Math.floor(longest / n))).map(laid);
  const [good] = parts.filter((t) => t.error <= BEGINS_WITH && t.gap <= SLIPS);
  let piece = good?.piece;
  if (piece === undefined) {
    const from = Math.min(SHORTEST, longest);
    const any = Array.from({ length: Math.max(1, Math.floor((longest / 2 - from) / 4)) }, (_, i) =>
      laid(from + 4 * i),
    );
    const bends = any.filter((t) => t.error <= BEGINS_WITH);
    piece = (bends.length > 0 ? bends : any).reduce((x, y) => (y.gap < x.gap - 1 ? y : x)).piece;
  }
  if (begun.size > 500) begun.clear();
  begun.set(key, piece);
  return piece;
}

export function specs({ dials: d, chosen }: At<Dials>): DialSpec[] {
  const { board, wide, thick, longest, bends } = parts({ chosen });
  const [long, short] = roomOn(board, thick);
  const closed = d.course !== 'zigzag' && d.course !== 'wave';
  return [
    choice('course', 'Course', [
      { value: 'oval', label: 'Oval' },
      { value: 'ring', label: 'Ring' },
      { value: 'zigzag', label: 'Zigzag', why: 'From start to finish: the corner is a stop.' },
      { value: 'wave', label: 'Wave' },
      { value: 'own', label: 'Own path' },
    ]),
    ...(d.course === 'own'
      ? [{ kind: 'outline', id: 'outline', label: 'Path', options: SHAPE_OPTIONS } as const]
      : []),
    number('length', closed ? 'Outer barrier, along' : 'Course, along', 'mm', [80, Math.max(100, long), 5]),
    ...(d.course === 'own' || d.course === 'ring'
      ? []
      : [
          number('width', closed ? 'Outer barrier, across' : 'Course, across', 'mm', [
            60,
            Math.max(80, short),
            5,
          ]),
        ]),
    ...(closed ? [] : [number('bends', 'Bends', 'each', [1, 8, 1])]),
    number(
      'lane',
      'Lane',
      'mm',
      [Math.max(8, Math.floor(wide)), Math.max(20, Math.ceil(wide + 40)), 1],
      'What runs and 10 to 15; less is harder.',
    ),
    ...(bends
      ? []
      : [
          number('piece', closed ? 'Barrier piece, outside' : 'Barrier piece', 'mm', [
            10,
            Math.max(20, Math.floor(longest)),
            1,
          ]),
          number(
            'innerPiece',
            closed ? 'Barrier piece, inside' : 'Barrier piece, other side',
            'mm',
            [10, Math.max(20, Math.floor(longest)), 1],
            'Shorter on the inside: the bend is tighter.',
          ),
        ]),
    choice('runs', 'It is', [
      { value: 'driven', label: 'Driven', why: 'Held from above, thumb and fingers.' },
      { value: 'pushed', label: 'Pushed', why: 'One finger behind it.' },
      { value: 'rolled', label: 'Rolled', why: 'A ball of dough under one finger.' },
    ]),
    number('speed', 'Speed, mm a second', 'each', [20, 400, 10], 'As a note timed it, to count laps.'),
  ];
}
