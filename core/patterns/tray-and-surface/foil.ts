import type { Mark } from '../../drawing/mark.ts';
import { atStep, dimension, line, rectangle, words } from '../../drawing/marks.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import { need } from '../making.ts';
import { eachTime, partNeed } from '../supplies.ts';
import type { Activity, Drawn, Surface } from './activity.ts';
import { parts, ROLES } from './dials.ts';
import { childRolls, lineLevels, lineMoves, rolledFeatures } from './lines.ts';
import { foilStrips } from './surface.ts';
import { text } from './words.ts';

const { max, min, round } = Math;

const stripsOf = (at: Surface): number => foilStrips(at.dials, parts(at).foil?.sizes.width ?? 300);

/** Tape all round, and along every joint: no loose edge to trip over or to tear; mm. */
const tapeOf = (at: Surface): number => {
  const { across, wide } = at.dials;
  return 2 * (across + wide) + (stripsOf(at) - 1) * across;
};

/** A path of foil to walk on and to crush. */
export const foil: Activity = {
  title: () => 'Walk and crush the foil path',
  facts: (at) => [
    { id: 'tape', label: 'Tape', value: round(tapeOf(at)), unit: 'mm', onMat: true },
    { id: 'strips', label: 'Strips of foil', value: stripsOf(at), unit: 'each', onMat: true },
  ],
  judge: (at) => {
    if (!parts(at).foil) return ['stop', 'No foil', 'Choose a roll of foil from the shelf.'];
    if (!parts(at).tape)
      return ['stop', text(at, 'noTape'), 'The foil is taped all round: choose tape from the shelf.'];
    return at.dials.overlap < 20
      ? ['care', 'A narrow overlap tears open', 'At least 20 mm of one strip over the next.']
      : ['clear', 'No loose edge', null];
  },
  needs: (at) => {
    const { foil: f, tape } = parts(at);
    return [
      ...(tape ? [{ ...eachTime(partNeed(ROLES.tape, tape, tapeOf(at))), counted: true }] : []),
      ...(f
        ? [
            eachTime(
              need(ROLES.foil, f, f.unit === 'mm' ? Math.ceil(stripsOf(at) * at.dials.across) : 1, false),
            ),
          ]
        : []),
    ];
  },
  ready: (at) => ({
    title: text(at, 'layFoilTapeAll'),
    words: text(at, 'eachStripMmOver', { overlap: at.dials.overlap }),
    perCopy: 8,
    who: 'adult',
  }),
  clean: (at) => ({
    words: text(at, childRolls(at) ? 'crushBallsAsComes' : 'adultTakesOffThrows'),
    who: childRolls(at) ? 'child' : 'adult',
    minutes: 5,
  }),
  features: (at) => rolledFeatures(at, text(at, 'foilCrushedBall'), text(at, 'foilPath')),
  moves: (at) => lineMoves(at, min(at.dials.across, 800)),
  acts: () => ['squeezes', 'both at once'],
  usualFrom: [10, 24],
  levels: lineLevels,
  says: (at) => ({
    play: text(at, 'ice'),
    look: text(at, 'doesFootFeelBefore'),
    easier: text(at, 'sittingHands'),
    harder: text(at, 'lineDrawnFingerDoes'),
    more: text(at, 'loudSoftEndEverybody'),
  }),
  draw,
  sheets: (at) => [
    {
      id: 'overlap',
      title: 'How far a strip lies over the next',
      count: 1,
      marks: [rectangle('cut', [0, 0], [120, at.dials.overlap]), words([0, 0], 'over the next', 8)],
    },
  ],
};

/** Strips of foil, each over the one before, taped all round. */
function draw(at: Surface): Drawn {
  const { dials: d } = at;
  const { foil: f, tape } = parts(at);
  const roll = f?.sizes.width ?? 300;
  const n = foilStrips(d, roll);
  const colour = tape?.colour ?? '#E3CE9B';
  const [w, h] = [d.across, d.wide];
  const edge = (a: Vec2, b: Vec2): Mark =>
    line('thread', [a, b], { width: max(20, tape?.sizes.width ?? 25), colour });
  const ys = Array.from({ length: n - 1 }, (_, i) => -h / 2 + (i + 1) * (roll - d.overlap) + d.overlap / 2);
  const crease = (k: number): Mark => {
    const x = -w / 2 + ((k * 0.618) % 1) * w;
    const y = -h / 2 + ((k * 0.271 + 0.05) % 0.85) * h;
    return line(
      'guide',
      [
        [x, y],
        [x + w * 0.05, y + h * 0.04],
        [x + w * 0.03, y + h * 0.1],
      ],
      { width: 3 },
    );
  };
  return {
    about: `A path of foil, ${d.across} by ${d.wide} mm, taped all round`,
    made: atStep('ready', [
      rectangle('body', [0, 0], [w, h], { colour: f?.colour ?? '#c9d0d2' }),
      ...Array.from({ length: 12 }, (_, k) => crease(k + 1)),
      ...ys.filter((y) => y < h / 2).map((y) => edge([-w / 2, y], [w / 2, y])),
      edge([-w / 2, -h / 2], [w / 2, -h / 2]),
      edge([-w / 2, h / 2], [w / 2, h / 2]),
      edge([-w / 2, -h / 2], [-w / 2, h / 2]),
      edge([w / 2, -h / 2], [w / 2, h / 2]),
    ]),
    measures: [
      dimension([-w / 2, h / 2], [w / 2, h / 2], [0, 60], 'along', w),
      dimension([-w / 2, -h / 2], [-w / 2, h / 2], [-60, 0]),
    ],
  };
}
