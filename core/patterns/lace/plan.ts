import { lengthOf } from '../../outline/along.ts';
import { sizedHoles, sizedOutline } from '../../outline/outline.ts';
import {
  PatternError,
  type At,
  type Feature,
  type Plan,
  type Show,
  type Step,
  type Reaches,
} from '../kernel.ts';
import { bagNeed, cleaningStep, countStep, need, sayFor, step, stopWords } from '../making.ts';
import { area } from '../../geometry/polygon.ts';
import { glueUnder, supplied } from '../supplies.ts';
import { parts, ROLES, type Dials } from './dials.ts';
import { layOut } from './fit.ts';
import { text } from './words.ts';

const laceOf = (at: At<Dials>): number => {
  try {
    return Math.ceil(layOut(at).lace);
  } catch (error) {
    // Nothing goes on so small a card: the fit says so, and nothing is counted out for it.
    if (error instanceof PatternError) return 1;
    throw error;
  }
};

/** Tape round a tip that frays, mm (common practice). */
const TIP = 40;

export function plan(at: At<Dials>): Plan {
  const { dials: d, chosen } = at;
  const { card, lace } = parts(at);
  const outline = sizedOutline(d.outline, d.longest);
  const used = supplied(at, [
    [ROLES.glue, d.backing === 'doubled' ? glueUnder(area(outline)) : 0],
    [ROLES.laminate, d.backing === 'laminated' ? 1 : 0],
    [ROLES.tape, TIP],
  ]);
  return {
    needs: [
      need(ROLES.lace, lace, lace.unit === 'mm' ? laceOf(at) : 1, true),
      ...used.needs,
      ...bagNeed(chosen),
    ],
    unlisted: used.unlisted,
    cuts: [
      {
        kind: 'outline',
        id: 'card',
        label: text(at, 'lacingCard'),
        role: ROLES.card.id,
        materialId: card.id,
        count: d.backing === 'doubled' ? 2 : 1,
        use: 'part',
        counted: true,
        outline,
        turn: 'right',
        // Laced from both sides: it has no front.
        mirror: true,
        gap: 2,
      },
    ],
    steps: steps(at),
  };
}

/** Minutes by hand (common practice): scissors go 100 mm a minute round a curve, a punch six holes a minute. */
function steps(at: At<Dials>): Step[] {
  const { dials: d, approach } = at;
  const { lace } = parts(at);
  const round = lengthOf(sizedOutline(d.outline, d.longest), true);
  const inside = sizedHoles(d.outline, d.longest);
  const together = approach === 'made together';
  const washed = cleaningStep([{ material: lace, count: 1 }], at);
  const joined = d.backing === 'single' ? 'draw' : d.backing === 'doubled' ? 'glue' : 'laminate';
  return [
    ...washed,
    step({
      id: 'draw',
      title: text(at, 'drawCard'),
      words: text(at, 'printTemplateLayBoard'),
      setUp: 2,
      perCopy: 1.5 + round / 300,
      who: together ? 'child' : 'either',
      tools: ['printer', 'marker'],
    }),
    ...(d.backing === 'doubled'
      ? [
          step({
            id: 'glue',
            title: text(at, 'glueTwoBoardsTogether'),
            words: text(at, 'printOutwardsNeitherSide'),
            perCopy: 2,
            who: together ? 'child' : 'either',
            drying: 60,
            after: ['draw'],
          }),
        ]
      : []),
    ...(d.backing === 'laminated'
      ? [
          step({
            id: 'laminate',
            title: text(at, 'laminate'),
            words: text(at, 'onceThroughLaminatorThen'),
            setUp: 5,
            perCopy: 1,
            who: 'adult',
            heat: true,
            tools: ['laminator'],
            after: ['draw'],
          }),
        ]
      : []),
    step({
      id: 'cut',
      title: text(at, 'cutOut'),
      words: text(at, 'scissorsAlongLineTurn'),
      perCopy: 1 + round / 100,
      who: d.backing === 'single' && together ? 'child' : 'adult',
      tools: ['scissors'],
      after: [joined],
    }),
    ...(inside.length > 0
      ? [
          step({
            id: 'open',
            title: text(at, 'cutInside', { many: inside.length }),
            words: text(at, 'bladeInside'),
            setUp: 2,
            // A blade goes 60 mm a minute with care (common practice).
            perCopy: inside.reduce((sum, h) => sum + lengthOf(h, true), 0) / 60,
            who: 'adult',
            blade: true,
            tools: ['craft knife', 'cutting board'],
            after: ['cut'],
          }),
        ]
      : []),
    step({
      id: 'punch',
      title:
        d.punch === 'double'
          ? text(at, 'punchDoubleHoles', { holes: d.holes })
          : text(at, 'punchHoles', { holes: d.holes }),
      words: d.punch === 'double' ? text(at, 'punchMoveAlongHalf') : text(at, 'punchEachMarkTurn'),
      setUp: 1,
      perCopy: (d.holes * (d.punch === 'double' ? 2 : 1)) / 6 + (d.backing === 'laminated' ? d.holes / 6 : 0),
      who: 'adult',
      tools: ['hole punch'],
      after: [inside.length > 0 ? 'open' : 'cut'],
    }),
    step({
      id: 'lace',
      title: text(at, 'tieLace'),
      words: text(at, 'knotEndThroughFirst'),
      perCopy: 2,
      after: ['punch', ...washed.map((s) => s.id)],
    }),
    countStep(at, text(at, 'counted'), ['lace']),
  ];
}

export function features(at: At<Dials>): Feature[] {
  const { dials: d } = at;
  const { card } = parts(at);
  return [
    { kind: 'remnant', name: text(at, 'punchedOutDiscs'), count: d.holes },
    {
      kind: 'cut edge',
      where: text(at, 'card'),
      material: d.backing === 'laminated' ? 'film' : card.materialClass,
      covered: false,
    },
  ];
}

export const reaches = (at: At<Dials>): Reaches => ({
  card: { as: 'body', film: at.dials.backing === 'laminated' },
  [ROLES.laminate.id]: { as: 'nobody', why: 'it is melted round the card' },
  // A ready lace is lent as long as it is: nothing shortens it.
  [ROLES.lace.id]: (m, quantity) => ({
    as: 'cord',
    free: m.unit === 'mm' ? quantity : (m.sizes.length ?? quantity),
    knots: 1,
  }),
});

export function show(at: At<Dials>): Show {
  const { stitch } = at.dials;
  return {
    say: sayFor(at, text(at, 'mouseGoesDownHole'), text(at, 'youGluedThisShall')),
    lookFor: stitch === 'running' ? text(at, 'doHandsTakeTurns') : text(at, 'doHandsTakeTurnsHolding'),
    easier: text(at, 'holdCardChildThicker'),
    harder: stitch === 'cross' ? text(at, 'twiceHolesSameOutline') : text(at, 'twiceHolesThenWhip'),
    more: text(at, 'countTheHoles'),
    oneHand: text(at, 'cardUprightClampLace'),
    stop: stopWords(at),
  };
}
