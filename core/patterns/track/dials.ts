import { extentsOf, shapeOf, type Material } from '../../materials/material.ts';
import type { OutlineDial } from '../../outline/outline.ts';
import { dialTable } from '../dialTable.ts';
import { ofClass } from '../making.ts';
import { allTaken, taken, type At, type Role, type Start } from '../kernel.ts';
import { courseOf, type COURSES, layPieces, type Course, type Pieces } from './course.ts';
import { isBoard, isHandled } from '../serves.ts';

export interface Dials {
  readonly course: (typeof COURSES)[number];
  /** Of the outer barrier, along and across, mm. */
  readonly length: number;
  readonly width: number;
  /** Clear way between the barriers, mm. */
  readonly lane: number;
  readonly bends: number;
  readonly outline: OutlineDial;
  /** Length of a barrier piece, outside and inside, mm. */
  readonly piece: number;
  readonly innerPiece: number;
  readonly runs: 'driven' | 'pushed' | 'rolled';
  /** Speed it is taken at, mm a second. */
  readonly speed: number;
}

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
    serves: isBoard,
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
    serves: isHandled,
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

/** Longest and shorter side of a board with room to spare all round, mm. */
export const roomOn = (board: Material, thick: number): [number, number] => {
  const { length = 0, width = 0 } = board.sizes;
  const spare = 2 * SPARE + thick;
  return [Math.floor(Math.max(length, width) - spare), Math.floor(Math.min(length, width) - spare)];
};

/** A piece that lies farther beside its curve than this leaves a corner that what runs catches on, mm (common practice). */
export const MOST_ERROR = 5;
/** A gap that nothing that runs slips through, as a share of what runs. */
const SLIPS = 0.6;

/** Shortest piece that a child's fingers tape down, mm (common practice). */
const SHORTEST = 20;

/** A course of about twenty pieces, which a child tapes down in a quarter of an hour, mm. */
const LONG = 300;
const ACROSS = 270;

const begun = new Map<string, number>();

/**
 * The length of piece to begin with, mm: one that cuts a straw into equal parts where that leaves no gap to slip through,
 * else the one that leaves the least open; it does not cut the bend. Remembered: what could be made today asks for many.
 */
function bestPart(
  points: Course['outer'],
  { longest, wide }: { readonly longest: number; readonly wide: number },
  closed: boolean,
): number {
  const key = JSON.stringify([points[0], points[1], points.at(-1), points.length, longest, wide, closed]);
  const there = begun.get(key);
  if (there !== undefined) return there;
  const laid = (piece: number): Pieces & { piece: number } => ({
    piece,
    ...layPieces(points, piece, closed),
  });
  const parts = [PARTS, 4, 5, 6, 8].map((n) => Math.max(10, Math.floor(longest / n))).map(laid);
  const [good] = parts.filter((t) => t.error <= MOST_ERROR && t.gap <= SLIPS * wide);
  let piece = good?.piece;
  if (piece === undefined) {
    const from = Math.min(SHORTEST, longest);
    const any = Array.from({ length: Math.max(1, Math.floor((longest / 2 - from) / 4)) }, (_, i) =>
      laid(from + 4 * i),
    );
    const bends = any.filter((t) => t.error <= MOST_ERROR);
    piece = (bends.length > 0 ? bends : any).reduce((x, y) => (y.gap < x.gap - 1 ? y : x)).piece;
  }
  if (begun.size > 500) begun.clear();
  begun.set(key, piece);
  return piece;
}

/** Straws are cut in three for the outer, longer side (common practice). */
const PARTS = 3;
/** How far a course that begins is made shorter or longer so that thirds of a straw close it, mm. */
const GIVES = [0, -5, 5, -10, 10, -15, 15, -20, 20, -25, 25, -30, 30, -40, -50, -60];

/** Straight pieces laid along what the course begins as, a little shorter or longer where whole thirds then close it. */
function withPieces(d: Dials, { chosen }: Start): Dials {
  const { thick, longest, wide, bends } = parts({ chosen });
  if (bends) return d;
  const course = (by: number): { dials: Dials; course: Course } | null => {
    const dials = { ...d, length: Math.min(d.length + by, room({ chosen })[0]) };
    const laid = dials.length >= 60 ? courseOf({ ...dials, apart: d.lane + thick }) : null;
    return laid && { dials, course: laid };
  };
  const third = Math.max(10, Math.floor(longest / PARTS));
  const good = ({ course: c }: { course: Course }): boolean => {
    const { error, gap, ends } = layPieces(c.outer, third, c.closed);
    return ends.length >= 3 && error <= MOST_ERROR && gap <= SLIPS * wide;
  };
  const tried = GIVES.flatMap((by) => course(by) ?? []);
  const found = tried.find(good);
  const begin = found ?? tried[0];
  if (!begin) return d;
  return {
    ...begin.dials,
    piece: found ? third : bestPart(begin.course.outer, { longest, wide }, begin.course.closed),
    innerPiece: bestPart(begin.course.inner, { longest, wide }, begin.course.closed),
  };
}

const room = ({ chosen }: Pick<At<Dials>, 'chosen'>): [number, number] => {
  const { board, thick } = parts({ chosen });
  return roomOn(board, thick);
};
const isClosed = ({ dials: d }: At<Dials>): boolean => d.course !== 'zigzag' && d.course !== 'wave';
const isStraight = ({ chosen }: At<Dials>): boolean => !parts({ chosen }).bends;
const pieceRange = ({ chosen }: At<Dials>): [number, number] => [
  10,
  Math.max(20, Math.floor(parts({ chosen }).longest)),
];

export const dials = dialTable<Dials>(
  {
    course: {
      label: 'Course',
      options: [
        'oval',
        'ring',
        { value: 'zigzag', label: 'Zigzag', why: 'From start to finish: the corner is a stop.' },
        'wave',
        { value: 'own', label: 'Own path' },
      ],
      begins: {
        'prepared shelf': 'wave',
        'graded play': 'oval',
        'made together': 'wave',
        'grab bag': 'zigzag',
      },
    },
    outline: {
      label: 'Path',
      outline: true,
      size: 'length',
      when: ({ dials: d }) => d.course === 'own',
      begins: { kind: 'shape', shape: 'circle' },
    },
    length: {
      label: (at) => (isClosed(at) ? 'Outer barrier, along' : 'Course, along'),
      unit: 'mm',
      ends: [60, 2000],
      range: (at) => [60, Math.max(100, room(at)[0])],
      step: 5,
      begins: (start) => Math.min(room(start)[0], LONG),
    },
    width: {
      label: (at) => (isClosed(at) ? 'Outer barrier, across' : 'Course, across'),
      unit: 'mm',
      ends: [40, 2000],
      range: (at) => [40, Math.max(80, room(at)[1])],
      step: 5,
      when: ({ dials: d }) => d.course !== 'own' && d.course !== 'ring',
      begins: (start) => {
        const [long, short] = room(start);
        const isOval = start.approach === 'graded play';
        // A wave as high as the board is cut by straight pieces.
        return Math.min(short, isOval ? ACROSS : Math.floor(0.45 * Math.min(long, LONG)));
      },
    },
    bends: {
      label: 'Bends',
      unit: 'each',
      of: 'a number of bends',
      ends: [1, 12],
      when: (at) => !isClosed(at),
      begins: ({ ageFrom }) => (ageFrom < 60 ? 1 : 2),
    },
    lane: {
      label: 'Lane',
      unit: 'mm',
      ends: [8, 200],
      range: ({ chosen }) => {
        const { wide } = parts({ chosen });
        return [Math.floor(wide), Math.max(20, Math.ceil(wide + 40))];
      },
      why: 'What runs and 10 to 15; less is harder.',
      begins: ({ chosen, ageFrom }) => Math.ceil(parts({ chosen }).wide + EASY + (ageFrom < 36 ? 6 : 0)),
    },
    piece: {
      label: (at) => (isClosed(at) ? 'Barrier piece, outside' : 'Barrier piece'),
      unit: 'mm',
      ends: [10, 400],
      range: pieceRange,
      when: isStraight,
      begins: ({ chosen }) => Math.floor(parts({ chosen }).longest / 3),
    },
    innerPiece: {
      label: (at) => (isClosed(at) ? 'Barrier piece, inside' : 'Barrier piece, other side'),
      unit: 'mm',
      ends: [10, 400],
      range: pieceRange,
      why: 'Shorter on the inside: the bend is tighter.',
      when: isStraight,
      begins: ({ chosen }) => Math.floor(parts({ chosen }).longest / 5),
    },
    runs: {
      label: 'It is',
      options: [
        { value: 'driven', label: 'Driven', why: 'Held from above, thumb and fingers.' },
        { value: 'pushed', label: 'Pushed', why: 'One finger behind it.' },
        { value: 'rolled', label: 'Rolled', why: 'A ball of dough under one finger.' },
      ],
      begins: ({ approach }) => (approach === 'grab bag' ? 'pushed' : 'driven'),
    },
    speed: {
      label: 'Speed, mm a second',
      unit: 'each',
      of: 'mm a second',
      ends: [10, 1000],
      step: 10,
      why: 'As a note timed it, to count laps.',
      begins: 100,
    },
  },
  { settle: withPieces },
);
