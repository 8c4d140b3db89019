import type { Move } from '../../challenge/bits.ts';
import { unitsFor } from '../../cut/units.ts';
import { stockOf } from '../../cut/stock.ts';
import { rectangleOutline } from '../../geometry/polygon.ts';
import type { At, Cut, Fact, Fit } from '../kernel.ts';
import { answers, mm } from '../making.ts';
import {
  layOut,
  MOST_ERROR,
  parts,
  ROLES,
  ROLLED,
  roomOn,
  SPARE,
  type Dials,
  type LaidOut,
} from './dials.ts';
import { extentOf } from './course.ts';
import { text } from './words.ts';

const { ceil, floor, max, min, round } = Math;

/** Laps are counted over so long, s. */
const LAPS_IN = 30;

/** The barrier as it is cut: pieces of both sides, or the whole cord. */
export function cutsOf(at: At<Dials>): Cut[] {
  const { dials: d } = at;
  const { barrier } = parts(at);
  const { course, outer, inner } = layOut(at);
  if (!course) return [];
  const part = { role: ROLES.barrier.id, materialId: barrier.id, use: 'part' as const, counted: false };
  if (barrier.form === 'cord')
    return [
      {
        ...part,
        kind: 'length',
        id: 'outer',
        label: 'Outer barrier',
        count: 1,
        length: course.outerLength,
        loss: 0,
      },
      {
        ...part,
        kind: 'length',
        id: 'inner',
        label: 'Inner barrier',
        count: 1,
        length: course.innerLength,
        loss: 0,
      },
    ];
  const pieces = [
    { id: 'outer', label: text(at, 'outerBarrierPiece'), count: outer!.ends.length, length: d.piece },
    { id: 'inner', label: text(at, 'innerBarrierPiece'), count: inner!.ends.length, length: d.innerPiece },
  ].filter((p) => p.count > 0);
  return pieces.map((p): Cut =>
    barrier.form === 'sheet'
      ? {
          ...part,
          kind: 'outline',
          id: p.id,
          label: p.label,
          count: p.count,
          outline: rectangleOutline(p.length, ROLLED.strip),
          turn: 'right',
          gap: 0,
        }
      : { ...part, kind: 'length', ...p, loss: 0 },
  );
}

export interface Detail {
  readonly laid: LaidOut;
  readonly straws: number | null;
}

export function fit(at: At<Dials>): Fit<Detail> {
  const { dials: d } = at;
  const { board, barrier, runner, thick, wide, bends, longest } = parts(at);
  const laid = layOut(at);
  const { course, outer, inner } = laid;
  const none = answers([{ id: 'lane', label: 'Lane', value: d.lane, unit: 'mm', onMat: true }], {
    laid,
    straws: null,
  } satisfies Detail);
  if (!course)
    return none('stop', 'Nothing is left inside the lane', 'Make the course larger, or the lane narrower.');
  const cuts = cutsOf(at);
  const straws = unitsFor(
    cuts.map((cut) => ({ cut, times: 1 })),
    bends && barrier.unit === 'each'
      ? { kind: 'length', length: barrier.sizes.length ?? 0 }
      : stockOf(barrier),
  );
  const count = bends ? 2 : outer!.ends.length + inner!.ends.length;
  const gap = bends ? 0 : max(outer!.gap, inner!.gap);
  const error = bends ? 0 : max(outer!.error, inner!.error);
  const free = d.lane - wide;
  const laps = (d.speed * LAPS_IN) / course.middleLength;
  const facts: Fact[] = [
    {
      id: 'outer',
      label: 'Outer barrier',
      value: round(course.outerLength * 10) / 10,
      unit: 'mm',
      onMat: true,
    },
    {
      id: 'inner',
      label: 'Inner barrier',
      value: round(course.innerLength * 10) / 10,
      unit: 'mm',
      onMat: true,
    },
    { id: 'lane', label: 'Lane', value: d.lane, unit: 'mm', onMat: true },
    { id: 'barriers', label: 'Barrier pieces', value: count, unit: 'each', onMat: true },
    {
      id: 'straws',
      label: barrier.unit === 'mm' ? `${barrier.name}, mm` : `Whole of ${barrier.name.toLowerCase()}`,
      value: straws ?? 'too short',
      ...(straws === null ? {} : { unit: 'each' as const }),
    },
    ...(bends
      ? []
      : ([
          { id: 'gap', label: 'Left open', value: gap, unit: 'mm' },
          { id: 'chordError', label: 'Piece beside its curve', value: error, unit: 'mm' },
        ] as const)),
    { id: 'middle', label: 'Middle of the lane', value: round(course.middleLength), unit: 'mm' },
    ...(course.closed
      ? [{ id: 'laps', label: `Laps in ${LAPS_IN} s`, value: floor(laps * 10) / 10 }]
      : [{ id: 'takes', label: 'Takes', value: course.middleLength / d.speed, unit: 's' } as const]),
    // Accot and Zhai 1997: the integral of ds / W along the path, W the room that is left beside what runs.
    ...(free > 0
      ? [
          {
            id: 'steeringIndex',
            label: 'Steering index',
            value: round((10 * course.middleLength) / free) / 10,
          },
        ]
      : []),
  ];
  const say = answers(facts, { laid, straws });
  const [long, short] = roomOn(board, thick);
  const [x, y] = extentOf(course);
  if (max(x, y) > long + 0.5 || min(x, y) > short + 0.5)
    return say(
      'stop',
      'Larger than the board',
      `With ${SPARE} mm to spare all round it may be ${mm(long)} × ${mm(short)}.`,
    );
  if (!bends && max(d.piece, d.innerPiece) > longest)
    return say('stop', 'The piece is longer than the straw', `${barrier.name} gives at most ${mm(longest)}.`);
  if (free <= 0)
    return say(
      'stop',
      `${runner.name} does not go through`,
      `It is ${mm(wide)} wide: a lane of at least ${mm(wide + 5)}.`,
    );
  if (bends && barrier.unit === 'each' && straws === null)
    return say(
      'stop',
      'The cord is too short',
      `It takes ${mm(course.outerLength)} outside; tie on another one.`,
    );
  if (!bends && (outer!.ends.length < 3 || inner!.ends.length < 3))
    return say('stop', 'The pieces are too long for the bend', 'Shorter pieces, at least three a side.');
  if (free < 5)
    return say(
      'care',
      'Hardly any room to steer',
      `Only ${mm(free)}: 10 to 15 more than what runs goes easily.`,
    );
  if (free > 25)
    return say('care', 'A wide lane', `${mm(free)} of room: nothing to steer by. 10 to 15 is usual.`);
  if (error > MOST_ERROR)
    return say(
      'care',
      'The pieces cut the bend',
      `They lie up to ${mm(error)} beside it: shorter pieces in the tight bend.`,
    );
  // What is narrower than what runs does not let it out.
  if (gap >= wide)
    return say(
      'care',
      'A gap is left open',
      `${mm(gap)}: ${bestPiece(at)} mm pieces outside leave less, or close it with a cut one.`,
    );
  return say('clear', course.closed ? 'Goes round' : 'Goes from start to finish', null);
}

/** Near the piece asked for, the length that leaves the least gap outside, mm. */
function bestPiece(at: At<Dials>): number {
  const { dials: d } = at;
  const { longest } = parts(at);
  let best = { piece: d.piece, gap: Infinity };
  for (let piece = max(10, d.piece - 12); piece <= min(longest, d.piece + 12); piece++) {
    const { outer } = layOut({ ...at, dials: { ...d, piece } });
    if (outer && outer.gap < best.gap) best = { piece, gap: outer.gap };
  }
  // What was asked for is laid out again: the last layout is the one that is drawn.
  layOut(at);
  return ceil(best.piece);
}

/** From beside the board to the start, mm (common practice). */
const REACH = 250;

/** Set on the start, then a bend at a time, within the room that the lane leaves. */
export function moves(at: At<Dials>, { detail }: Fit<Detail>): Move[] {
  const { dials: d } = at;
  const { wide } = parts(at);
  const { course } = detail.laid;
  if (!course) return [{ distance: REACH, tolerance: d.lane }];
  const free = max(1, d.lane - wide);
  return [
    { distance: REACH, tolerance: d.lane },
    ...Array.from({ length: course.turns }, () => ({
      distance: course.middleLength / course.turns,
      tolerance: free,
    })),
  ];
}
