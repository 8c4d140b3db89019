import type { At, Feature, Need, Pattern, Plan, RungDials, Show, Step, Reaches } from '../kernel.ts';
import { cleaningStep, countStep, need, plainName, sayFor, step, STOP_WORDS } from '../making.ts';
import { dials, layOut, parts, ROLES, type Dials } from './dials.ts';
import { draw } from './draw.ts';
import { cutsOf, fit, moves, type Detail } from './fit.ts';

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
  const { board, runner, tape, barrier, bends } = parts(at);
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
  return {
    needs: [
      need(ROLES.board, board, 1, true),
      need(ROLES.runner, runner, 1, true),
      ...cords,
      ...(tape && bitsIn(at) > 0
        ? [need(ROLES.tape, tape, tape.unit === 'mm' ? bitsIn(at) * TAPE_BIT : 1, false)]
        : []),
    ],
    cuts: cords.length > 0 ? [] : cuts,
    steps: steps(at),
  };
}

function steps(at: At<Dials>): Step[] {
  const { approach } = at;
  const { runner, barrier, bends } = parts(at);
  const washed = cleaningStep([{ material: runner, count: 1 }], approach);
  const pieces = piecesIn(at);
  const bits = bitsIn(at);
  return [
    ...washed,
    step({
      id: 'draw',
      title: 'Draw the course on the board',
      words: 'Lay the printed pages on it, prick through or trace both lines.',
      setUp: 2,
      perCopy: 3,
      tools: ['printer', 'marker'],
    }),
    ...(bends
      ? []
      : [
          step({
            id: 'cut',
            title: barrier.form === 'sheet' ? `Cut ${pieces} strips and roll them` : `Cut ${pieces} pieces`,
            words:
              barrier.form === 'sheet'
                ? 'Roll each round a pencil, tape it, pull the pencil out.'
                : 'Several at once against a ruler; two lengths, kept apart.',
            setUp: 1,
            perCopy: pieces * (barrier.form === 'sheet' ? 0.7 : 0.12),
            tools: ['scissors', 'ruler'],
          }),
        ]),
    step({
      id: 'tape',
      title: `Tape the barriers down, ${bits} bits of tape`,
      words: bends
        ? 'Press the cord along the line, a bit of tape across it at every hand’s width.'
        : 'Each piece with two bits, torn by the child, end to end along the line. When it tires, tape two pieces together first.',
      perCopy: BIT_MINUTES * bits,
      who: 'child',
      after: ['draw', ...(bends ? [] : ['cut'])],
    }),
    step({
      id: 'try',
      title: 'Run it once',
      words: 'It must not catch on any joint: press down, trim what stands up.',
      perCopy: 1,
      after: ['tape', ...washed.map((s) => s.id)],
    }),
    countStep('1 board and what runs', ['try']),
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
    say: sayFor(
      at.approach,
      'The boat goes round the island and touches no bank.',
      'Your harbour: where does the boat go first?',
    ),
    lookFor: 'Does the wrist turn in the bend, or does the whole body? Does the other hand hold the board?',
    easier: 'A wider lane, fewer bends; drive it with the whole hand.',
    harder: 'A narrower lane, the other hand, the other way round; then one finger on a ball of dough.',
    more: closed
      ? 'Count the laps until the sand has run through.'
      : 'There and back without touching: how often in a row?',
    oneHand:
      'The board clamped, the start on the side of the hand that works. Left-handed: the other way round.',
    stop: STOP_WORDS,
    script: [
      { minutes: 1, words: 'Drive it round once, slowly, and say where it is.' },
      {
        minutes: 2,
        words: closed ? 'Three laps, touching nothing.' : 'From start to finish, touching nothing.',
        rung: 'wide',
      },
      { minutes: 1, words: 'The other hand.' },
      {
        minutes: 1,
        words: closed
          ? 'How many laps in half a minute? Count aloud.'
          : 'There and back against the sand-glass.',
      },
      {
        minutes: 1,
        words: d.runs === 'rolled' ? 'Roll it home with one finger.' : 'One finger only, and park it.',
        rung: 'finger',
      },
    ],
  };
}

function rungs(at: At<Dials>): RungDials<Dials>[] {
  const { dials: d } = at;
  const { wide } = parts(at);
  const lane = (over: number): number => Math.max(8, Math.ceil(wide + over));
  const of = (id: string, name: string, grip: string, part: Partial<Dials>): RungDials<Dials> => ({
    id,
    name,
    grip,
    dials: { ...d, ...part },
  });
  return [
    of('wide', 'Wide lane', 'whole hand from above', { lane: lane(22), runs: 'driven' }),
    of('usual', 'Usual lane', 'thumb and fingers', { lane: lane(14), runs: 'driven' }),
    of('narrow', 'Narrow lane', 'thumb and finger', { lane: lane(9), runs: 'driven' }),
    of('finger', 'Pushed', 'one finger behind it', { lane: lane(7), runs: 'pushed' }),
    of('rolled', 'Rolled', 'one fingertip on a ball of dough', { lane: lane(6), runs: 'rolled' }),
  ];
}

/** A lane with raised edges on a board; something is driven, pushed or rolled through. */
export const track: Pattern<Dials, Detail> = {
  id: 'track',
  name: 'Track',
  does: 'Steers something through a lane between two barriers',
  skills: ['Two hands together', 'Crossing the midline', 'Pincer and release'],
  quiet: true,
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
  rungs,
  show,
};
