import type { Move } from '../../challenge/bits.ts';
import type { Beside } from '../../challenge/load.ts';
import type { Mark } from '../../drawing/mark.ts';
import { circle, dimension, line, rectangle, sceneOf } from '../../drawing/marks.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import type { Material } from '../../materials/material.ts';
import type { At, Drawing, Fit, LevelDials, Step } from '../kernel.ts';
import { answers, countStep, kindOf, mm, plainName, step } from '../making.ts';
import { parts, SQUEEZED, stemOf, type Dials } from './dials.ts';
import { text } from './words.ts';

const { floor, max, min, PI, sin } = Math;

/** Thickness of a wire, mm, and the share of its length that a whisk's cage takes (common practice: half is handle). */
const WIRE = 1.6;
const CAGE = 0.5;
/** Of the room inside, what loose balls fill of it (common practice; spheres poured loosely fill 0.55 to 0.64). */
const FILLS = 0.5;

export interface Cage {
  readonly across: number;
  readonly high: number;
  readonly whole: number;
  /** Between two wires where the cage is widest, mm: the chord less the wire. */
  readonly gap: number;
  /** How many of the largest ball go inside. */
  readonly room: number;
  /** The largest ball, as it is and as it is squeezed, mm. */
  readonly ball: number;
  readonly squeezed: number;
}

export const gapBetween = (across: number, wires: number): number => max(0, across * sin(PI / wires) - WIRE);

/** Most wires that still let a ball of so many mm out. */
export function mostWires(across: number, ball: number): number {
  let n = 3;
  while (n < 40 && gapBetween(across, n + 1) >= ball - 1e-9) n++;
  return n;
}

/** A whisk that holds soft balls: its wires are the openings. */
export function cageOf({ dials: d, chosen }: Pick<At<Dials>, 'dials' | 'chosen'>): Cage {
  const { box, kinds } = parts({ chosen });
  const { diameter: across = 50, length: whole = 200 } = box.sizes;
  const high = CAGE * whole;
  const ball = max(...kinds.map((m) => stemOf(m).wide));
  const inside = (PI / 6) * across * across * high;
  // Soft balls press each other to half of what they give.
  const pressed = max(...kinds.map((m) => stemOf(m).wide * (1 - m.give / 2)));
  const room = ball > across - 2 * WIRE ? 0 : floor((FILLS * inside) / ((PI / 6) * pressed ** 3));
  return {
    across,
    high,
    whole,
    gap: gapBetween(across, d.wires),
    room,
    ball,
    squeezed: max(...kinds.map((m) => stemOf(m).wide * (1 - m.give))),
  };
}

export function cageFit(at: At<Dials>): Fit<{ grip: number; places: readonly Vec2[] }> {
  const { dials: d } = at;
  const { kinds, box } = parts(at);
  const cage = cageOf(at);
  const grip = cage.gap > 0 ? cage.ball / cage.gap : 99;
  const say = answers(
    [
      {
        id: 'grip',
        label: 'Ball to gap, over 1 is held',
        value: Math.round(grip * 1000) / 1000,
        onMat: true,
      },
      {
        id: 'shortestSlit',
        label: 'Least gap that lets it out',
        value: Math.round(cage.squeezed * 100) / 100,
        unit: 'mm',
        onMat: true,
      },
      {
        id: 'gap',
        label: 'Between two wires',
        value: Math.round(cage.gap * 10) / 10,
        unit: 'mm',
        onMat: true,
      },
      { id: 'places', label: 'Balls that go inside', value: cage.room, unit: 'each' },
    ],
    { grip, places: [] },
  );
  const hard = kinds.find((m) => m.give === 0);
  if (hard)
    return say('stop', 'It cannot be squeezed', `${hard.name} does not give: use something soft in a whisk.`);
  if (cage.room === 0)
    return say(
      'stop',
      'It does not go inside',
      `Use balls under ${mm(cage.across - 2 * WIRE)}, or a larger whisk.`,
    );
  if (d.number > cage.room)
    return say('stop', 'Too many for the whisk', `At most ${cage.room} go inside ${plainName(box)}.`);
  if (cage.squeezed > cage.gap + 1e-9)
    return say(
      'stop',
      'It does not come out',
      mostWires(cage.across, cage.squeezed) > 3
        ? `At most ${mostWires(cage.across, cage.squeezed)} wires, or a softer ball.`
        : 'Use a softer or smaller ball.',
    );
  if (cage.gap >= cage.ball)
    return say('care', 'It falls out', `More wires, or a ball over ${mm(cage.gap)}.`);
  return say('clear', 'Held, and comes out with a squeeze', null);
}

export const cageSteps = (at: At<Dials>, washed: readonly Step[]): Step[] => [
  ...washed,
  step({
    id: 'try',
    title: text(at, 'pushBallsBetweenWires', { number: at.dials.number }),
    words: text(at, 'noneFallsOutWhen'),
    perCopy: 0.3 * at.dials.number + 0.5,
    who: 'adult',
    after: washed.map((s) => s.id),
  }),
  countStep(at, text(at, 'counted', { number: at.dials.number }), ['try']),
];

const REACH = 200;
/** Finger and thumb on a ball, mm, as far as they reach between the wires. */
const HOLD: Partial<Record<Dials['tool'], number>> = { tweezers: 5 };

export function cageMoves(at: At<Dials>): Move[] {
  const { gap, squeezed } = cageOf(at);
  const take: Move = { distance: REACH, tolerance: max(1, min(gap, HOLD[at.dials.tool] ?? 14)) };
  const put: Move = { distance: REACH, tolerance: max(0.5, gap - squeezed) };
  return at.dials.start === 'in' ? [take] : [take, put];
}

/** A ball is picked out among those in the cage. */
export const cageBeside = ({ dials: d }: At<Dials>): Beside => ({
  attend: d.number,
  ...(d.tool === 'fingers' ? {} : { force: SQUEEZED }),
});

export function cageLevels(at: At<Dials>): LevelDials<Dials>[] {
  const { dials: d } = at;
  const { across, squeezed, ball, room } = cageOf(at);
  const most = mostWires(across, squeezed);
  // The fewest wires that still hold the ball.
  const least = min(most, mostWires(across, ball) + 1);
  const count = max(1, min(d.number, room));
  const base: Dials = { ...d, number: count, tool: 'fingers', start: 'in' };
  return [
    {
      id: 'one',
      name: text(at, 'oneBall'),
      grip: text(at, 'thumbFingers'),
      dials: { ...base, number: 1, wires: least },
    },
    {
      id: 'wide',
      name: text(at, 'wideApart'),
      grip: text(at, 'thumbFingers'),
      dials: { ...base, wires: least },
    },
    {
      id: 'close',
      name: text(at, 'closeWires'),
      grip: text(at, 'thumbFingerPressed'),
      dials: { ...base, wires: most },
    },
    {
      id: 'back',
      name: text(at, 'out'),
      grip: text(at, 'thumbFingerPressed'),
      dials: { ...base, wires: least, start: 'out' },
    },
    {
      id: 'tweezers',
      name: text(at, 'tweezers'),
      grip: text(at, 'pegTurnedRound'),
      dials: { ...base, wires: least, tool: 'tweezers' },
    },
  ];
}

/** Half of an ellipse between the cage's ends, as far out as a wire stands at its turn. */
const wire = (out: number, high: number): Vec2[] =>
  Array.from({ length: 33 }, (_, i): Vec2 => [
    out * sin((PI * i) / 32),
    -high / 2 + (high * (1 - Math.cos((PI * i) / 32))) / 2,
  ]);

/** Where so many balls lie in the cage, from its lower end up, two beside each other where it is wide enough. */
function ballsIn(cage: Cage, kinds: readonly Material[], n: number): Mark[] {
  const beside = 2 * cage.ball <= cage.across - 2 * WIRE ? 2 : 1;
  return Array.from({ length: n }, (_, i) => {
    const row = floor(i / beside);
    const inRow = min(beside, n - row * beside);
    const x = ((i % beside) - (inRow - 1) / 2) * cage.ball;
    const y = cage.high / 2 - cage.ball * (0.75 + 0.9 * row);
    const m = kindOf(kinds, n, i);
    return circle('piece', [x, max(-cage.high / 2 + cage.ball / 2, y)], stemOf(m).wide, m.colour);
  });
}

/** The whisk standing on its head: handle above, cage below with the balls behind the wires. */
export function drawCage(at: At<Dials>): Drawing {
  const { dials: d } = at;
  const { box, kinds } = parts(at);
  const cage = cageOf(at);
  const inside = max(0, min(d.number, cage.room, 24));
  const handle = cage.whole - cage.high;
  const seen = max(2, Math.ceil(d.wires / 2) + 1);
  const wires = Array.from({ length: seen }, (_, i): Mark =>
    line('thread', wire((cage.across / 2) * Math.cos((PI * i) / (seen - 1)), cage.high), {
      width: WIRE,
      colour: box.colour,
    }),
  );
  const marks: Mark[] = [
    rectangle('body', [0, -cage.high / 2 - handle / 2], [max(10, cage.across * 0.3), handle], {
      corner: 6,
      colour: box.colour,
    }),
    ...ballsIn(cage, kinds, inside),
    ...wires,
  ];
  return {
    scene: sceneOf([
      ...marks,
      dimension([-cage.across / 2, cage.high / 2], [cage.across / 2, cage.high / 2], [0, 12]),
      dimension([cage.across / 2, -cage.high / 2], [cage.across / 2, cage.high / 2], [14, 0]),
    ]),
    about: `${box.name} with ${inside} soft balls behind its wires, to scale`,
    picture: sceneOf(marks, 3),
    sheets: [],
  };
}
