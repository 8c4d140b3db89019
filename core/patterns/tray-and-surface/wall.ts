import type { Mark } from '../../drawing/mark.ts';
import { atStep, circle, dimension, line, outline, rectangle, words } from '../../drawing/marks.ts';
import { materialMarks, pictureSize } from '../../drawing/material.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import { extentsOf, shapeOf } from '../../materials/material.ts';
import { need, sharedKinds } from '../making.ts';
import { eachTime, partNeed } from '../supplies.ts';
import { levelOf, type Activity, type Drawn, type Surface } from './activity.ts';
import { parts, ROLES } from './dials.ts';
import { heightsOf } from './surface.ts';
import { text } from './words.ts';

const { max, min, round } = Math;
const WALL = '#efe6d0';
export const CHILD = '#3d5f63';

/** Strips on each thing that is taped to a wall: two across it, 30 over either side. */
const ITEM_TAPE = 60;
/** Shoulder of a standing child over its height (common practice). */
const SHOULDER = 0.78;

const things = (at: Surface) => sharedKinds(parts(at).items, at.dials.items);

/** Tape in all, mm. */
function tapeOf(at: Surface): number {
  const [first] = parts(at).items;
  const shape = first && shapeOf(first);
  return at.dials.items * 2 * (ITEM_TAPE + (shape ? extentsOf(shape)[1] : 0));
}

/** Things taped to a wall, reached and peeled off. */
export const wall: Activity = {
  title: (d) => `Pick ${d.items} off the wall`,
  facts: (at) => [
    {
      id: 'heights',
      label: 'Heights',
      value: heightsOf(at.dials)
        .map((h) => `${h.level} ${h.height} mm`)
        .join(', '),
      onMat: true,
    },
    { id: 'tape', label: 'Tape', value: round(tapeOf(at)), unit: 'mm', onMat: true },
  ],
  judge: (at) => {
    const { items, tape } = parts(at);
    if (items.length === 0)
      return ['stop', 'Nothing to tape up', 'Choose stickers or shells from the shelf.'];
    if (!tape) return ['stop', text(at, 'noTape'), 'Choose tape from the shelf.'];
    if (at.ageFrom < 24 && at.dials.level !== 'squat')
      return ['care', 'High for a new walker', 'Begin low, at a squat; straight and on tiptoe later.'];
    return ['clear', 'Within reach', null];
  },
  needs: (at) => {
    const { tape } = parts(at);
    return [
      ...things(at).map((t) => need(ROLES.item, t.material, t.count, true)),
      ...(tape ? [eachTime(partNeed(ROLES.tape, tape, tapeOf(at)))] : []),
    ];
  },
  washed: things,
  ready: (at) => ({
    title: text(at, 'tapeThingsWall', { items: at.dials.items }),
    words: text(at, 'heightsOverFloorTwo', {
      heights: heightsOf(at.dials)
        .map((h) => text(at, 'levelHeight', { level: h.level, height: h.height }))
        .join(', '),
    }),
    perCopy: 0.8 * at.dials.items,
    who: at.approach === 'made together' ? 'child' : 'either',
  }),
  clean: (at) => ({ words: text(at, 'takeAllDownPeeling'), who: 'child', minutes: 3 }),
  features: (at) => [{ kind: 'fixing', name: text(at, 'whatTapedUp'), to: 'wall' }],
  moves: (at) => {
    const { dials: d } = at;
    const [first] = parts(at).items;
    const shape = first && shapeOf(first);
    const size = shape ? extentsOf(shape)[1] : 25;
    const far = max(...heightsOf(d).map((h) => Math.abs(h.height - SHOULDER * d.standing)));
    return [
      { distance: 200 + far, tolerance: max(5, size), ...(d.level === 'all' ? { choices: 3 } : {}) },
      { distance: 40, tolerance: 6 },
    ];
  },
  acts: () => ['pulls', 'reaches across'],
  usualFrom: [12, 30],
  levels: (at) => [
    levelOf(at, 'straight', text(at, 'straight'), text(at, 'fingersPull'), { level: 'straight' }),
    levelOf(at, 'squat', text(at, 'squat'), text(at, 'fingersPullKneesBend'), { level: 'squat' }),
    levelOf(at, 'stretch', text(at, 'tiptoe'), text(at, 'fingersPullArmUp'), { level: 'stretch' }),
    levelOf(at, 'all', text(at, 'asCalled'), text(at, 'fingersPull'), { level: 'all' }),
  ],
  says: (at) => ({
    play: text(at, 'shells'),
    look: text(at, 'doesBendKneesCome'),
    easier: text(at, 'lowerTabPullEach'),
    harder: text(at, 'tiptoeAcrossOtherSide'),
    more: text(at, 'highMiddleLowSay'),
  }),
  draw,
  sheets: (at) =>
    heightsOf(at.dials).map(({ level, height }) => ({
      id: level,
      title: `Mark at ${height} mm`,
      count: 1,
      marks: [
        rectangle('cut', [0, 0], [110, 36]),
        line('draw', [
          [-50, 10],
          [50, 10],
        ]),
        words([0, -6], level, 10),
      ],
    })),
};

/** A child as tall as said before a wall, with things at the heights of a squat, of standing and of a stretch. */
function draw(at: Surface): Drawn {
  const { dials: d } = at;
  const { items, tape } = parts(at);
  const s = d.standing;
  const heights = heightsOf(d);
  const [first] = items;
  const thing = first ? pictureSize(first) : ([30, 30] as const);
  const x = s * 0.45;
  const head = s * 0.085;
  const limb = (points: readonly Vec2[], width: number): Mark =>
    line('thread', points, { width, colour: CHILD });
  const raised = heights.some((h) => h.level === 'stretch');
  const child: Mark[] = [
    circle('body', [0, -s + head], 2 * head, CHILD),
    outline(
      'body',
      [
        [-s * 0.11, -s * 0.81],
        [s * 0.11, -s * 0.81],
        [s * 0.1, -s * 0.45],
        [-s * 0.1, -s * 0.45],
      ],
      [0, 0],
      { corner: s * 0.04, colour: CHILD },
    ),
    limb(
      [
        [-s * 0.05, -s * 0.46],
        [-s * 0.06, -s * 0.02],
      ],
      s * 0.07,
    ),
    limb(
      [
        [s * 0.05, -s * 0.46],
        [s * 0.06, -s * 0.02],
      ],
      s * 0.07,
    ),
    limb(
      [
        [-s * 0.1, -s * 0.76],
        [-s * 0.16, -s * 0.5],
      ],
      s * 0.05,
    ),
    limb([[s * 0.1, -s * 0.76], raised ? [s * 0.3, -s * 1.12] : [s * 0.34, -s * 0.8]], s * 0.05),
  ];
  const perLevel = max(1, Math.ceil(d.items / heights.length));
  const step = max(thing[0] + 40, s * 0.12);
  const shown = min(perLevel, 4);
  const right = x + shown * step + 20;
  const things = heights.flatMap(({ height }, k) =>
    Array.from({ length: min(shown, max(0, d.items - k * perLevel)) }, (_, i): Mark[] => {
      const p: Vec2 = [x + (i + 0.5) * step, -height];
      return [
        ...(first ? materialMarks(items[(k + i) % items.length]!, p) : [circle('piece', p, 30)]),
        rectangle('shade', p, [thing[0] + 36, 16], { turn: -12, colour: tape?.colour ?? '#E3CE9B' }),
      ];
    }).flat(),
  );
  const top = max(...heights.map((h) => h.height), s) + 80;
  return {
    about: `A child ${d.standing} mm tall before a wall with ${d.items} things taped to it`,
    made: [
      rectangle('body', [(x + right) / 2 - 10, -top / 2], [right - x + 40, top], { colour: WALL }),
      ...atStep('ready', things),
      ...child,
      line(
        'guide',
        [
          [-s * 0.3, 0],
          [right + 30, 0],
        ],
        { width: 4 },
      ),
    ],
    measures: [
      dimension([-s * 0.2, -s], [-s * 0.2, 0], [-s * 0.08, 0], undefined, s),
      ...heights.map(({ level, height }, k) =>
        dimension([right + 10, -height], [right + 10, 0], [60 + k * s * 0.3, 0], level, height),
      ),
    ],
  };
}
