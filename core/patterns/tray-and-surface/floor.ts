import type { Mark } from '../../drawing/mark.ts';
import { atStep, dimension, line, outline, rectangle, words } from '../../drawing/marks.ts';
import { area } from '../../geometry/polygon.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import { lengthOf } from '../../outline/along.ts';
import { eachTime, partNeed } from '../supplies.ts';
import { levelOf, type Activity, type Drawn, type Surface } from './activity.ts';
import { parts, ROLES } from './dials.ts';
import { childRolls, rolledFeatures } from './lines.ts';
import { floorShape } from './surface.ts';
import { CHILD } from './wall.ts';
import { text } from './words.ts';

const { max, min, PI, round, sin } = Math;

/** Room for a child to stand or sit in, m² (common practice). */
const ROOM = 0.25;

const tapeOf = (at: Surface): number => lengthOf(floorShape(at.dials), true);
/** Children that have room in it. */
const roomIn = (at: Surface): number => Math.floor(area(floorShape(at.dials)) / 1e6 / ROOM);

/** A shape of tape on the floor, walked along. */
export const floor: Activity = {
  title: (d) => `Walk the ${d.shape} on the floor`,
  facts: (at) => [
    { id: 'tape', label: 'Tape', value: round(tapeOf(at)), unit: 'mm', onMat: true },
    { id: 'room', label: 'Children that fit in it', value: roomIn(at), unit: 'each', onMat: true },
  ],
  judge: (at) => {
    if (!parts(at).tape) return ['stop', text(at, 'noTape'), 'Choose tape from the shelf.'];
    if (roomIn(at) < at.dials.children)
      return [
        'stop',
        'Not room for all of them',
        `Each takes ${ROOM} m²: at most ${roomIn(at)} in it, or make it larger.`,
      ];
    return ['clear', 'Room for all', null];
  },
  needs: (at) => {
    const { tape } = parts(at);
    return tape ? [{ ...eachTime(partNeed(ROLES.tape, tape, tapeOf(at))), counted: true }] : [];
  },
  ready: (at) => ({
    title: text(at, 'tapeAShape', { shape: at.dials.shape }),
    words: text(at, at.dials.shape === 'circle' ? 'stringFromMiddleGives' : 'cornersFirstThenStrips'),
    perCopy: 6,
    who: at.approach === 'made together' ? 'child' : 'either',
    tools: ['printer'],
  }),
  clean: (at) => ({
    words: text(at, childRolls(at) ? 'peelTapeOffRoll' : 'adultPeelsTapeOff'),
    who: childRolls(at) ? 'child' : 'adult',
    minutes: 4,
  }),
  features: (at) => rolledFeatures(at, text(at, 'tapeRolledBall'), text(at, 'tapedShape')),
  moves: (at) => {
    const points = floorShape(at.dials);
    const side = lengthOf(points, true) / points.length;
    return points
      .slice(0, min(points.length, 6))
      .map(() => ({ distance: max(100, min(side, 1200)), tolerance: 120 }));
  },
  // The line is walked on; taking the tape up again is the hands' part.
  acts: () => ['pulls', 'both at once'],
  usualFrom: [24, 42],
  levels: (at) => {
    const { across } = at.dials;
    const feet = text(at, 'feet');
    return [
      levelOf(at, 'triangle', text(at, 'threeSides'), feet, {
        shape: 'triangle',
        across: max(1400, across),
      }),
      levelOf(at, 'square', text(at, 'fourSides'), feet, { shape: 'square' }),
      levelOf(at, 'hexagon', text(at, 'sixSides'), feet, { shape: 'hexagon' }),
      levelOf(at, 'large', text(at, 'sixSidesLarge'), feet, { shape: 'hexagon', across: across + 800 }),
    ];
  },
  says: (at) => ({
    play: text(at, 'boat'),
    look: text(at, 'doFeetStayLine'),
    easier: text(at, 'largerShapeSteppingOut'),
    harder: text(at, 'heelToeBackwardsCarrying'),
    more: text(at, 'countSidesJumpNext'),
  }),
  draw,
  sheets: (at) => [
    { id: 'corner', title: 'Corner of the floor shape', count: 1, marks: corner(floorShape(at.dials)) },
  ],
};

/** A corner to lay tape along: both directions for a hand’s length. */
function corner(points: readonly Vec2[]): Mark[] {
  const [a, b, c] = [points.at(-1)!, points[0]!, points[1]!];
  const toward = (p: Vec2): Vec2 => {
    const l = Math.hypot(p[0] - b[0], p[1] - b[1]);
    return [((p[0] - b[0]) / l) * 90, ((p[1] - b[1]) / l) * 90];
  };
  return [line('draw', [toward(a), [0, 0], toward(c)]), words([0, -10], 'tape along both lines')];
}

/** A shape of tape on the floor, with the children that stand in it. */
function draw(at: Surface): Drawn {
  const { dials: d } = at;
  const { tape } = parts(at);
  const points = floorShape(d);
  const side = lengthOf(points, true) / points.length;
  const reach = max(...points.map((p) => Math.hypot(p[0], p[1])));
  // Each stands on half a metre by half a metre.
  const n = d.children;
  const ring = n === 1 ? 0 : min(reach * 0.5, (n * 500) / (2 * PI));
  return {
    about: `A ${d.shape} of tape on the floor, ${d.across} mm across`,
    made: [
      rectangle('body', [0, 0], [2 * reach + 300, 2 * reach + 300], { colour: '#cdb894' }),
      ...atStep('ready', [
        line('thread', [...points, points[0]!], {
          width: max(24, tape?.sizes.width ?? 25),
          colour: tape?.colour ?? '#2B5F8C',
        }),
      ]),
      ...Array.from({ length: n }, (_, i): Mark[] => {
        const p: Vec2 = [ring * Math.cos((2 * PI * i) / n), ring * sin((2 * PI * i) / n)];
        return [-1, 1].map((s) =>
          outline(
            'piece',
            Array.from({ length: 24 }, (_, k): Vec2 => [
              28 * Math.cos((k * PI) / 12),
              68 * sin((k * PI) / 12),
            ]),
            [p[0] + s * 48, p[1]],
            { turn: s * 8, colour: CHILD },
          ),
        );
      }).flat(),
    ],
    measures: [
      dimension([-d.across / 2, reach + 150], [d.across / 2, reach + 150], [0, 60], 'across', d.across),
      dimension(points[0]!, points[1]!, [60, -60], 'side', side),
    ],
  };
}
