import { when } from '../acts.ts';
import type { At, Feature, Pattern, Plan, LevelDials, ScriptStep, Show, Step, Reaches } from '../kernel.ts';
import { countStep, need, sayFor, sheetOf, step } from '../making.ts';
import { eachTime, partNeed } from '../supplies.ts';
import { dials, parts, ROLES, scraps, stripFor, stripWidth, type Dials } from './dials.ts';
import { draw } from './draw.ts';
import { fit, moves, type Detail } from './fit.ts';
import { text } from './words.ts';

const coloursOf = (at: At<Dials>): number => Math.min(at.dials.colours, parts(at).papers.length);
const piecesOf = (at: At<Dials>): number => scraps(at.dials, parts(at).paper).pieces * coloursOf(at);

/** Strips torn off the roll: one in half lengthways does for two fingers. */
const stripsIn = (d: Dials): number => Math.ceil(d.fingers / (d.torn ? 2 : 1));

function plan(at: At<Dials>): Plan {
  const { dials: d } = at;
  const { tape, papers, box } = parts(at);
  return {
    needs: [
      eachTime(partNeed(ROLES.tape, tape, stripsIn(d) * d.strip)),
      ...papers.slice(0, coloursOf(at)).map((p) => eachTime(need(ROLES.paper, p, 1, true))),
      ...(box && d.end === 'rolled and posted' ? [need(ROLES.box, box, 1, true)] : []),
    ],
    cuts: [],
    steps: steps(at),
  };
}

function steps(at: At<Dials>): Step[] {
  const { dials: d, approach } = at;
  const { box } = parts(at);
  const posted = d.end === 'rolled and posted' && box;
  return [
    step({
      id: 'halve',
      title: text(at, 'halvePaperTimes', { halvings: d.halvings }),
      words: text(at, 'foldCutAlongFold'),
      perCopy: 0.4 * d.halvings * coloursOf(at),
      who: approach === 'made together' ? 'child' : 'either',
      tools: ['scissors'],
    }),
    ...(posted
      ? [
          step({
            id: 'hole',
            title: text(at, 'holeMmPostThrough', { hole: d.hole }),
            words: text(at, 'pierceBradawlTurnPencil'),
            perCopy: 1.5,
            who: 'adult' as const,
            blade: true,
            tools: ['bradawl', 'cutting board'] as const,
          }),
        ]
      : []),
    step({
      id: 'strip',
      title: text(at, 'tearStrips', { strips: stripsIn(d), strip: d.strip }),
      words: d.torn ? text(at, 'tearHalfLengthwaysTwo') : text(at, 'stickThemTableS'),
      perCopy: 0.5 * d.fingers,
      who: approach === 'made together' ? 'child' : 'either',
    }),
    countStep(at, text(at, 'counted', { papers: piecesOf(at) }), [
      'halve',
      'strip',
      ...(posted ? ['hole'] : []),
    ]),
  ];
}

/** Of the strip that was round a finger, balled up, mm: it is as thick as tape and a third of the ball is tape (common practice). */
const balled = (at: At<Dials>): number =>
  Math.cbrt((6 * at.dials.strip * stripWidth(at.dials, parts(at).tape) * 0.15) / (Math.PI * 0.33));

function features(at: At<Dials>): Feature[] {
  const { dials: d } = at;
  const { tape, paper, box } = parts(at);
  return [
    ...(d.end === 'peeled off'
      ? []
      : ([
          { kind: 'line', name: text(at, 'paperRolledBall'), how: 'loose, made of the paper' },
          {
            kind: 'piece',
            name: text(at, 'paperRolledBall'),
            shape: { kind: 'sphere', diameter: scraps(d, paper).ball },
            count: piecesOf(at),
            ball: true,
          },
        ] as const)),
    { kind: 'line', name: text(at, 'tapeSlidOffFinger'), how: 'loose, made of the tape' },
    {
      kind: 'piece',
      name: text(at, 'tapeSlidOffFinger'),
      shape: { kind: 'sphere', diameter: balled(at) },
      count: d.fingers,
      ball: false,
    },
    { kind: 'skin', name: text(at, 'roundFinger', { tape: tape.name }) },
    ...(box && d.end === 'rolled and posted'
      ? [
          {
            kind: 'opening',
            where: text(at, 'holePostThrough'),
            opening: { kind: 'round', diameter: d.hole },
            sheet: sheetOf(box),
            thick: box.sizes.wall,
          } as const,
        ]
      : []),
  ];
}

function reaches(at: At<Dials>): Reaches {
  const { paper } = parts(at);
  const { pieces, width, height } = scraps(at.dials, paper);
  return {
    [ROLES.tape.id]: { as: 'told', how: 'round a finger; the roll goes with it' },
    [ROLES.paper.id]: (_, quantity) => ({
      as: 'loose',
      name: text(at, 'paperPiece'),
      count: pieces * quantity,
      shape: { kind: 'box', length: width, width: height, height: paper.sizes.wall ?? 0.1 },
    }),
  };
}

/** The sitting: it grows from one finger to the most at once, in the minutes there are. */
function script(at: At<Dials>): ScriptStep[] {
  const { dials: d } = at;
  const all: { share: number; words: string; level: string }[] = [
    { share: 0.2, words: text(at, 'tapeFingerStickySide'), level: 'one' },
    { share: 0.2, words: text(at, 'fingerNextPickUp'), level: 'two' },
    {
      share: 0.2,
      words: d.colours > 1 ? text(at, 'colourEachFinger') : text(at, 'fingerLeftHeapRight'),
      level: 'colour',
    },
    { share: 0.2, words: text(at, 'asFastAsCalled'), level: 'called' },
    { share: 0.2, words: text(at, 'howManyOnceCount'), level: 'most' },
  ];
  return all.map(({ share, words, level }) => ({
    minutes: Math.round(d.minutes * share * 2) / 2 || 0.5,
    words,
    level,
  }));
}

function show(at: At<Dials>): Show {
  const { dials: d } = at;
  const { papers } = parts(at);
  const before = d.video
    ? ` ${text(at, 'beforeCall', { papers: papers.length, posted: d.end === 'rolled and posted' ? 'yes' : 'no' })}`
    : '';
  return {
    say: sayFor(at, text(at, 'thisFingerCrabWhat'), text(at, 'youToreWhichFinger')) + before,
    lookFor: text(at, 'doFingerThumbOther'),
    easier: text(at, 'largerPiecesFingerPeeled'),
    harder: text(at, 'twoFingersTwoColours'),
    more: text(at, 'countHowMany'),
    oneHand: text(at, 'somebodyElsePutsTape'),
    stop: text(at, 'takeOffOnceWhen'),
    script: script(at),
  };
}

function levels(at: At<Dials>): LevelDials<Dials>[] {
  const { dials: d } = at;
  const { papers } = parts(at);
  const two = Math.min(2, papers.length);
  const of = (id: string, name: string, grip: string, part: Partial<Dials>): LevelDials<Dials> => ({
    id,
    name,
    grip,
    dials: { ...d, end: 'peeled off', ...part },
  });
  return [
    of('one', text(at, 'finger'), text(at, 'fingerPoints'), { fingers: 1, colours: 1, game: 'as they lie' }),
    of('two', text(at, 'twoFingers'), text(at, 'twoFingersTurn'), {
      fingers: 2,
      colours: 1,
      game: 'as they lie',
    }),
    ...(two > 1
      ? [
          of('colour', text(at, 'colour'), text(at, 'twoFingersTurn'), {
            fingers: 2,
            colours: 2,
            game: 'by colour',
          }),
        ]
      : []),
    of('called', text(at, 'asCalled'), text(at, 'twoFingersTurn'), {
      fingers: 2,
      colours: two,
      game: 'called out',
    }),
    of('most', text(at, 'mostOnce'), text(at, 'padPad'), { fingers: 2, colours: 1, game: 'most at once' }),
    of('rolled', text(at, 'rolled'), text(at, 'thumbFingerRoll'), {
      fingers: 1,
      colours: 1,
      game: 'as they lie',
      end: 'rolled',
    }),
  ];
}

/** Tape round a finger, sticky side out, that picks up scraps of paper. */
export const fingerTape: Pattern<Dials, Detail> = {
  id: 'finger-tape',
  name: 'Finger tape',
  does: (to) => text(to, 'picksPaperUpTaped'),
  skills: ['Pincer and release', 'In-hand manipulation', 'Two hands together'],
  // The strip is picked off with the other hand; rolled up, between thumb and finger.
  acts: ({ dials: d }) =>
    when({
      'picks up': true,
      'both at once': true,
      'rolls in the fingers': d.end !== 'peeled off',
    }),
  quiet: true,
  usualFrom: () => [15, 30],
  roles: Object.values(ROLES),
  dials,
  title: (at) =>
    `Catch ${piecesOf(at)} papers with ${at.dials.fingers === 1 ? 'one finger' : `${at.dials.fingers} fingers`}`,
  fit,
  plan,
  draw,
  moves,
  counts: (at) => ({ of: 'papers', one: 'paper', number: piecesOf(at) }),
  features,
  reaches,
  // The strip still goes round a thicker finger and back.
  forHand: ({ dials: d }, { finger }) =>
    finger === undefined ? {} : { girth: finger, strip: Math.max(d.strip, stripFor(finger)) },
  levels,
  show,
};
