import { massOfOne } from '../../catalogue/entry.ts';
import type { At, Feature, Need, Pattern, Plan, LevelDials, Show, Step, Reaches } from '../kernel.ts';
import {
  cleaningStep,
  colourName,
  countStep,
  need,
  sayFor,
  sharedKinds,
  step,
  stopWords,
} from '../making.ts';
import type { Told } from '../../languages/messages.ts';
import type { Material } from '../../materials/material.ts';
import { dials, doughFoods, parts, ROLES, type Dials } from './dials.ts';
import { draw } from './draw.ts';
import { keepsFor, cleanUp, fit, moves, tapeOf, volumeOf, type Detail } from './fit.ts';
import { doughOf, foilStrips, heightsOf } from './surface.ts';
import { text } from './words.ts';

const isTray = (d: Dials): boolean => d.kind === 'food tray' || d.kind === 'dough';
const things = (at: At<Dials>) =>
  at.dials.kind === 'wall' ? sharedKinds(parts(at).items, at.dials.items) : [];

function needs(at: At<Dials>): Need[] {
  const { dials: d } = at;
  const { tray, fills, tape, foil, brushes, page } = parts(at);
  const taped = Math.ceil(tapeOf(at));
  const dough = doughOf(d, volumeOf(at));
  const { flour, salt } = doughFoods(fills);
  const foods: [Material, number][] =
    d.kind === 'dough'
      ? [
          ...(flour ? [[flour, dough.flour] as [Material, number]] : []),
          ...(salt ? [[salt, dough.salt] as [Material, number]] : []),
        ]
      : fills.map((m) => [m, (volumeOf(at) * d.dense) / 100 / fills.length]);
  return [
    ...(isTray(d) && tray ? [need(ROLES.tray, tray, 1, true)] : []),
    ...(isTray(d)
      ? foods.flatMap(([m, grams]) => {
          if (grams <= 0) return [];
          // In whole tubs and bags by what one weighs; by the mm where it is measured.
          const quantity = m.unit === 'mm' ? grams : grams / (massOfOne(m) ?? grams) - 1e-9;
          return [need(ROLES.fill, m, Math.max(1, Math.ceil(quantity)), false)];
        })
      : []),
    ...things(at).map((t) => need(ROLES.item, t.material, t.count, true)),
    ...(tape && taped > 0
      ? [need(ROLES.tape, tape, tape.unit === 'mm' ? taped : 1, d.kind === 'floor' || d.kind === 'foil')]
      : []),
    ...(d.kind === 'foil' && foil
      ? [
          need(
            ROLES.foil,
            foil,
            foil.unit === 'mm' ? Math.ceil(foilStrips(d, foil.sizes.width ?? 300) * d.across) : 1,
            false,
          ),
        ]
      : []),
    ...(d.kind === 'brushes' ? brushes.map((m) => need(ROLES.brush, m, 1, true)) : []),
    ...(d.kind === 'brushes' && page ? [need(ROLES.page, page, d.children, false)] : []),
  ];
}

/** Minutes by hand (common practice). */
/** `2 hours`, `30 minutes`. */
const hoursWords = (at: Told, h: number): string =>
  h < 1
    ? text(at, 'minutes', { number: Math.round(60 * h) })
    : h === 1
      ? text(at, 'hour', { h })
      : text(at, 'hours', { h });

function steps(at: At<Dials>): Step[] {
  const { dials: d, approach } = at;
  const { tray, brushes } = parts(at);
  const together = approach === 'made together';
  const washed = cleaningStep(
    [
      ...(isTray(d) && tray ? [{ material: tray, count: 1 }] : []),
      ...things(at),
      ...(d.kind === 'brushes' ? brushes.map((material) => ({ material, count: 1 })) : []),
    ],
    at,
  );
  const after = washed.map((s) => s.id);
  const heights = heightsOf(d).map((h) => text(at, 'levelHeight', { level: h.level, height: h.height }));
  const ready: Record<Dials['kind'], () => Step> = {
    'food tray': () =>
      step({
        id: 'ready',
        title: text(at, 'fillTrayMmDeep', { depth: d.depth }),
        words: text(at, 'handsWashedSmoothSpoon', { fills: hoursWords(at, keepsFor(parts(at).fills)) }),
        perCopy: 4,
        who: together ? 'child' : 'either',
        after,
      }),
    dough: () =>
      step({
        id: 'ready',
        title: text(at, 'mixPartsFlourSalt', { flour: d.flour, salt: d.salt, water: d.water }),
        words: text(at, 'saltIntoWaterFirst'),
        perCopy: 8,
        who: 'child',
        after,
      }),
    wall: () =>
      step({
        id: 'ready',
        title: text(at, 'tapeThingsWall', { items: d.items }),
        words: text(at, 'heightsOverFloorTwo', { heights: heights.join(', ') }),
        perCopy: 0.8 * d.items,
        who: together ? 'child' : 'either',
        after,
      }),
    floor: () =>
      step({
        id: 'ready',
        title: text(at, 'tapeAShape', { shape: d.shape }),
        words: d.shape === 'circle' ? text(at, 'stringFromMiddleGives') : text(at, 'cornersFirstThenStrips'),
        perCopy: 6,
        who: together ? 'child' : 'either',
        tools: ['printer'],
        after,
      }),
    foil: () =>
      step({
        id: 'ready',
        title: text(at, 'layFoilTapeAll'),
        words: text(at, 'eachStripMmOver', { overlap: d.overlap }),
        perCopy: 8,
        who: 'adult',
        after,
      }),
    brushes: () =>
      step({
        id: 'ready',
        title: text(at, 'setOutPaperPaint'),
        words: text(at, 'onlyTheyStayBright', {
          colours: d.colours
            .split(',')
            .map((c) => colourName(at, c.trim()))
            .join(', '),
        }),
        perCopy: 4,
        who: together ? 'child' : 'either',
        after,
      }),
  };
  const clean: Record<Dials['kind'], string> = {
    'food tray': text(at, 'throwAwayWhatLeft'),
    dough: text(at, 'backIntoTubScrape'),
    wall: text(at, 'takeAllDownPeeling'),
    floor: childRolls(at) ? text(at, 'peelTapeOffRoll') : text(at, 'adultPeelsTapeOff'),
    foil: childRolls(at) ? text(at, 'crushBallsAsComes') : text(at, 'adultTakesOffThrows'),
    brushes: text(at, 'rinseBrushesLidsHang'),
  };
  return [
    ...washed,
    ready[d.kind](),
    step({
      id: 'clean',
      title: text(at, 'cleanUp'),
      words: clean[d.kind],
      perCopy: cleanUp(d),
      who:
        d.kind === 'wall' || ((d.kind === 'floor' || d.kind === 'foil') && childRolls(at))
          ? 'child'
          : d.kind === 'floor' || d.kind === 'foil'
            ? 'adult'
            : 'either',
      after: ['ready'],
    }),
    countStep(at, d.kind === 'wall' ? text(at, 'things', { items: d.items }) : text(at, 'kept'), ['clean']),
  ];
}

const plan = (at: At<Dials>): Plan => ({ needs: needs(at), cuts: [], steps: steps(at) });

/** A handful of foil or tape that a child rolls up is about so large, mm (common practice). */
const CRUSHED = 25;
/** Who rolls up what comes off: a child from three on, an adult for those who put it in the mouth. */
const childRolls = (at: At<Dials>): boolean => at.ageFrom >= 36;

function features(at: At<Dials>): Feature[] {
  const { dials: d } = at;
  const rolled = d.kind === 'foil' ? text(at, 'foilCrushedBall') : text(at, 'tapeRolledBall');
  const { salt } = doughFoods(parts(at).fills);
  return [
    ...(d.kind === 'wall'
      ? [{ kind: 'fixing', name: text(at, 'whatTapedUp'), to: 'wall' } as const]
      : d.kind === 'floor' || d.kind === 'foil'
        ? [
            {
              kind: 'fixing',
              name: d.kind === 'foil' ? text(at, 'foilPath') : text(at, 'tapedShape'),
              to: 'floor',
            } as const,
          ]
        : []),
    ...((d.kind === 'floor' || d.kind === 'foil') && childRolls(at)
      ? ([
          { kind: 'line', name: rolled, how: 'loose, made when it is cleared away' },
          {
            kind: 'piece',
            name: rolled,
            shape: { kind: 'sphere', diameter: CRUSHED },
            count: 1,
            ball: true,
          },
        ] as const)
      : []),
    ...(d.kind === 'dough' && salt && d.salt > 0
      ? [{ kind: 'salt', name: text(at, 'dough'), grams: Math.round(doughOf(d, volumeOf(at)).salt) } as const]
      : []),
  ];
}

const reaches = (at: At<Dials>): Reaches => ({
  [ROLES.fill.id]: (m) =>
    at.dials.kind !== 'dough' && m.form === 'piece' ? { as: 'loose' } : { as: 'food' },
  [ROLES.item.id]: (m) => (m.form === 'consumable' ? { as: 'fixed', held: 'stuck on' } : { as: 'loose' }),
  [ROLES.tape.id]: { as: 'told', how: 'stuck down, and peeled off by the child' },
  [ROLES.foil.id]: { as: 'told', how: 'on the floor, taped all round' },
  [ROLES.page.id]: { as: 'told', how: 'painted on' },
});

/** What is said and looked for, by activity. */
const says = (
  at: At<Dials>,
): Record<Dials['kind'], { play: string; look: string; easier: string; harder: string; more: string }> => ({
  'food tray': {
    play: text(at, 'waves'),
    look: text(at, 'doesFingerPointDoes'),
    easier: text(at, 'wholeHandRoundRound'),
    harder: text(at, 'fingerFromEdgeOther'),
    more: text(at, 'leftRightTopBottom'),
  },
  dough: {
    play: text(at, 'seaSnake'),
    look: text(at, 'doBothPalmsRoll'),
    easier: text(at, 'softerMoreWaterPress'),
    harder: text(at, 'firmerRollFingerPinch'),
    more: text(at, 'longerShorterJustAs'),
  },
  wall: {
    play: text(at, 'shells'),
    look: text(at, 'doesBendKneesCome'),
    easier: text(at, 'lowerTabPullEach'),
    harder: text(at, 'tiptoeAcrossOtherSide'),
    more: text(at, 'highMiddleLowSay'),
  },
  floor: {
    play: text(at, 'boat'),
    look: text(at, 'doFeetStayLine'),
    easier: text(at, 'largerShapeSteppingOut'),
    harder: text(at, 'heelToeBackwardsCarrying'),
    more: text(at, 'countSidesJumpNext'),
  },
  foil: {
    play: text(at, 'ice'),
    look: text(at, 'doesFootFeelBefore'),
    easier: text(at, 'sittingHands'),
    harder: text(at, 'lineDrawnFingerDoes'),
    more: text(at, 'loudSoftEndEverybody'),
  },
  brushes: {
    play: text(at, 'corkOrFeather'),
    look: text(at, 'doesGripChangeWhat'),
    easier: text(at, 'spongeWholeHandStanding'),
    harder: text(at, 'corkEdgeCombSweep'),
    more: text(at, 'twoColoursMeetWhich'),
  },
});

function show(at: At<Dials>): Show {
  const { dials: d } = at;
  const s = says(at)[d.kind];
  return {
    say: sayFor(at, s.play, text(at, 'youMixedIt')),
    lookFor: s.look,
    easier: s.easier,
    harder: s.harder,
    more: s.more,
    oneHand: text(at, 'trayNonSlipMat'),
    stop: stopWords(at),
    script: [
      { minutes: 1, words: text(at, 'lookAndTouch', { words: s.play }) },
      { minutes: 3, words: s.easier },
      { minutes: 3, words: s.harder },
      { minutes: 1, words: s.more },
      { minutes: cleanUp(d), words: text(at, 'cleanUpTogetherPart') },
    ],
  };
}

function levels(at: At<Dials>): LevelDials<Dials>[] {
  const { dials: d } = at;
  const of = (id: string, name: string, grip: string, part: Partial<Dials>): LevelDials<Dials> => ({
    id,
    name,
    grip,
    dials: { ...d, ...part },
  });
  switch (d.kind) {
    case 'wall':
      return [
        of('straight', text(at, 'straight'), text(at, 'fingersPull'), { level: 'straight' }),
        of('squat', text(at, 'squat'), text(at, 'fingersPullKneesBend'), { level: 'squat' }),
        of('stretch', text(at, 'tiptoe'), text(at, 'fingersPullArmUp'), { level: 'stretch' }),
        of('all', text(at, 'asCalled'), text(at, 'fingersPull'), { level: 'all' }),
      ];
    case 'floor':
      return [
        of('triangle', text(at, 'threeSides'), text(at, 'feet'), {
          shape: 'triangle',
          across: Math.max(1400, d.across),
        }),
        of('square', text(at, 'fourSides'), text(at, 'feet'), { shape: 'square' }),
        of('hexagon', text(at, 'sixSides'), text(at, 'feet'), { shape: 'hexagon' }),
        of('large', text(at, 'sixSidesLarge'), text(at, 'feet'), {
          shape: 'hexagon',
          across: d.across + 800,
        }),
      ];
    default:
      return [
        of('hand', text(at, 'wholeHand'), text(at, 'wholeHand2'), { tool: 'hand' }),
        of('spoon', text(at, 'spoon'), text(at, 'fistThenFingers'), { tool: 'spoon' }),
        of('comb', text(at, 'comb'), text(at, 'fingers'), { tool: 'comb' }),
        of('finger', text(at, 'finger'), text(at, 'fingerPoints'), { tool: 'finger' }),
        of('brush', text(at, 'brush'), text(at, 'threeFingers'), { tool: 'brush' }),
      ];
  }
}

const TITLES: Record<Dials['kind'], (d: Dials) => string> = {
  'food tray': () => 'Draw in a tray of food',
  dough: () => 'Roll and press dough',
  wall: (d) => `Pick ${d.items} off the wall`,
  floor: (d) => `Walk the ${d.shape} on the floor`,
  foil: () => 'Walk and crush the foil path',
  brushes: () => 'Paint with found brushes',
};

/** What has no moving piece of its own: trays, walls, floors and found brushes. */
export const trayAndSurface: Pattern<Dials, Detail> = {
  id: 'tray-and-surface',
  name: 'Tray and surface',
  does: (to) => text(to, 'drawsPressesReachesPaints'),
  skills: ['Crossing the midline', 'Hand strength', 'Two hands together'],
  quiet: true,
  usualFrom: () => [10, 24],
  roles: Object.values(ROLES),
  dials,
  title: ({ dials: d }) => TITLES[d.kind](d),
  fit,
  plan,
  draw,
  moves,
  counts: ({ dials: d }) =>
    d.kind === 'wall'
      ? { of: 'things', one: 'thing', number: d.items }
      : { of: 'lines', one: 'line', number: 5 },
  features,
  reaches,
  forHand: (_, { standing }) => (standing === undefined ? {} : { standing }),
  levels,
  show,
};
