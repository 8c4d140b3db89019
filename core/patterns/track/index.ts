import { ACROSS, when } from '../acts.ts';
import type { At, Feature, Need, Pattern, Plan, LevelDials, Show, Step, Reaches } from '../kernel.ts';
import { cleaningStep, countStep, need, plainName, sayFor, step, stopWords } from '../making.ts';
import { supplied } from '../supplies.ts';
import { dials, layOut, parts, ROLES, type Dials } from './dials.ts';
import { draw } from './draw.ts';
import { cutsOf, fit, moves, type Detail } from './fit.ts';
import { text } from './words.ts';

/** Two bits of tape hold a piece, each torn about so long, mm; a child tears and sticks one in so long, min (common practice). */
const TAPE_BIT = 40;
const BIT_MINUTES = 0.4;

const piecesIn = (at: At<Dials>): number => {
  const { outer, inner } = layOut(at);
  return (outer?.ends.length ?? 0) + (inner?.ends.length ?? 0);
};
/** Bits of tape: two a piece, along a cord one each 80 mm. */
const bitsIn = (at: At<Dials>): number => {
  const { course } = layOut(at);
  if (!parts(at).bends) return 2 * piecesIn(at);
  return course ? Math.ceil((course.outerLength + course.innerLength) / 80) : 0;
};

function plan(at: At<Dials>): Plan {
  const { board, runner, barrier, bends } = parts(at);
  const { course } = layOut(at);
  const cuts = cutsOf(at);
  // A cord of its own length is used whole, as many as both barriers take.
  const cords: Need[] =
    bends && barrier.unit === 'each' && course
      ? [
          need(
            ROLES.barrier,
            barrier,
            Math.ceil(course.outerLength / (barrier.sizes.length ?? 1)) +
              Math.ceil(course.innerLength / (barrier.sizes.length ?? 1)),
            false,
          ),
        ]
      : [];
  // A strip that is rolled is taped once, too.
  const rolled = barrier.form === 'sheet' ? piecesIn(at) : 0;
  const used = supplied(at, [[ROLES.tape, (bitsIn(at) + rolled) * TAPE_BIT]]);
  return {
    needs: [need(ROLES.board, board, 1, true), need(ROLES.runner, runner, 1, true), ...cords, ...used.needs],
    unlisted: used.unlisted,
    cuts: cords.length > 0 ? [] : cuts,
    steps: steps(at),
  };
}

function steps(at: At<Dials>): Step[] {
  const { runner, barrier, bends } = parts(at);
  const washed = cleaningStep([{ material: runner, count: 1 }], at);
  const pieces = piecesIn(at);
  const bits = bitsIn(at);
  return [
    ...washed,
    step({
      id: 'draw',
      title: text(at, 'drawCourseBoard'),
      words: text(at, 'layPrintedPagesPrick'),
      setUp: 2,
      perCopy: 3,
      tools: ['printer', 'marker'],
    }),
    ...(bends
      ? []
      : [
          step({
            id: 'cut',
            title:
              barrier.form === 'sheet'
                ? text(at, 'cutStripsRollThem', { pieces })
                : text(at, 'cutPieces', { pieces }),
            words:
              barrier.form === 'sheet'
                ? text(at, 'rollEachRoundPencil')
                : text(at, 'severalOnceAgainstRuler'),
            setUp: 1,
            perCopy: pieces * (barrier.form === 'sheet' ? 0.7 : 0.12),
            tools: ['scissors', 'ruler'],
          }),
        ]),
    step({
      id: 'tape',
      title: text(at, 'tapeBarriersDownBits', { bits }),
      words: bends ? text(at, 'pressCordAlongLine') : text(at, 'eachPieceTwoBits'),
      perCopy: BIT_MINUTES * bits,
      who: 'child',
      after: ['draw', ...(bends ? [] : ['cut'])],
    }),
    step({
      id: 'try',
      title: text(at, 'runOnce'),
      words: text(at, 'mustNotCatchAny'),
      perCopy: 1,
      after: ['tape', ...washed.map((s) => s.id)],
    }),
    countStep(at, text(at, 'counted'), ['try']),
  ];
}

const features = (): Feature[] => [];

function reaches(at: At<Dials>): Reaches {
  const { dials: d } = at;
  const { barrier, thick } = parts(at);
  return {
    // A straw lies on its tape: a child can peel it off. A cord that comes off is as long as it is.
    ...(barrier.form === 'cord'
      ? {}
      : Object.fromEntries(
          cutsOf(at).map((cut) => [
            cut.id,
            {
              as: 'fixed',
              held: 'taped',
              shape: {
                kind: 'cylinder',
                diameter: thick,
                length: cut.id === 'inner' ? d.innerPiece : d.piece,
              },
            } as const,
          ]),
        )),
    [ROLES.tape.id]: { as: 'told', how: 'torn into bits that hold the barriers down' },
  };
}

function show(at: At<Dials>): Show {
  const { dials: d } = at;
  const { closed } = layOut(at).course ?? { closed: true };
  return {
    say: sayFor(at, text(at, 'boatGoesRoundIsland'), text(at, 'yourHarbourWhereDoes')),
    lookFor: text(at, 'doesWristTurnBend'),
    easier: text(at, 'widerLaneFewerBends'),
    harder: text(at, 'narrowerLaneOtherHand'),
    more: closed ? text(at, 'countTheLaps') : text(at, 'thereAndBack'),
    oneHand: text(at, 'boardClampedStartSide'),
    stop: stopWords(at),
    script: [
      { minutes: 1, words: text(at, 'driveRoundOnceSlowly') },
      {
        minutes: 2,
        words: closed ? text(at, 'threeLapsTouchingNothing') : text(at, 'fromStartFinishTouching'),
        level: 'wide',
      },
      { minutes: 1, words: text(at, 'otherHand') },
      {
        minutes: 1,
        words: closed ? text(at, 'howManyLapsHalf') : text(at, 'thereBackAgainstSand'),
      },
      {
        minutes: 1,
        words: d.runs === 'rolled' ? text(at, 'rollHomeFinger') : text(at, 'fingerOnlyPark'),
        level: 'finger',
      },
    ],
  };
}

function levels(at: At<Dials>): LevelDials<Dials>[] {
  const { dials: d } = at;
  const { wide } = parts(at);
  const lane = (over: number): number => Math.max(8, Math.ceil(wide + over));
  const of = (id: string, name: string, grip: string, part: Partial<Dials>): LevelDials<Dials> => ({
    id,
    name,
    grip,
    dials: { ...d, ...part },
  });
  return [
    of('wide', text(at, 'wideLane'), text(at, 'wholeHandFromAbove'), { lane: lane(22), runs: 'driven' }),
    of('usual', text(at, 'usualLane'), text(at, 'thumbFingers'), { lane: lane(14), runs: 'driven' }),
    of('narrow', text(at, 'narrowLane'), text(at, 'thumbFinger'), { lane: lane(9), runs: 'driven' }),
    of('finger', text(at, 'pushed'), text(at, 'fingerBehind'), { lane: lane(7), runs: 'pushed' }),
    of('rolled', text(at, 'rolled'), text(at, 'fingertipBallDough'), { lane: lane(6), runs: 'rolled' }),
  ];
}

/** A lane with raised edges on a board; something is driven, pushed or rolled through. */
export const track: Pattern<Dials, Detail> = {
  id: 'track',
  name: 'Track',
  does: (to) => text(to, 'steersSomethingThroughLane'),
  skills: ['Two hands together', 'Crossing the midline', 'Pincer and release'],
  acts: ({ dials: d }) =>
    when({
      'other hand holds': true,
      'picks up': d.runs === 'driven',
      'lets go': d.runs === 'driven',
      'reaches across': d.length >= ACROSS,
    }),
  quiet: true,
  usualFrom: ({ dials: d }) => (({ driven: [15, 30], pushed: [24, 42], rolled: [24, 42] }) as const)[d.runs],
  roles: Object.values(ROLES),
  dials,
  title: (at) =>
    `Drive the ${plainName(parts(at).runner)} ${layOut(at).course?.closed === false ? 'to the finish' : 'round and round'}`,
  fit,
  plan,
  draw,
  moves,
  counts: (at) => ({ of: 'laps', one: 'lap', number: layOut(at).course?.closed === false ? 1 : 3 }),
  features,
  reaches,
  // The far end lies within reach, the near one at the body.
  forHand: ({ dials: d }, { reach }) =>
    reach === undefined ? {} : { length: Math.min(d.length, 1.6 * reach), width: Math.min(d.width, reach) },
  levels,
  show,
};
