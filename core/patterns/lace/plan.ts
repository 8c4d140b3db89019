import { lengthOf } from '../../outline/along.ts';
import { sizedOutline } from '../../outline/outline.ts';
import {
  PatternError,
  type At,
  type Feature,
  type Plan,
  type Show,
  type Step,
  type Reaches,
} from '../kernel.ts';
import { bagNeed, cleaningStep, countStep, need, sayFor, step, STOP_WORDS } from '../making.ts';
import { parts, ROLES, type Dials } from './dials.ts';
import { layOut } from './fit.ts';

const laceOf = (at: At<Dials>): number => {
  try {
    return Math.ceil(layOut(at).lace);
  } catch (error) {
    // Nothing goes on so small a card: the fit says so, and nothing is counted out for it.
    if (error instanceof PatternError) return 1;
    throw error;
  }
};

export function plan(at: At<Dials>): Plan {
  const { dials: d, chosen } = at;
  const { card, lace } = parts(at);
  return {
    needs: [need(ROLES.lace, lace, lace.unit === 'mm' ? laceOf(at) : 1, true), ...bagNeed(chosen)],
    cuts: [
      {
        kind: 'outline',
        id: 'card',
        label: 'Lacing card',
        role: ROLES.card.id,
        materialId: card.id,
        count: d.backing === 'doubled' ? 2 : 1,
        use: 'part',
        counted: true,
        outline: sizedOutline(d.outline, d.longest),
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
  const together = approach === 'made together';
  const washed = cleaningStep([{ material: lace, count: 1 }], approach);
  const joined = d.backing === 'single' ? 'draw' : d.backing === 'doubled' ? 'glue' : 'laminate';
  return [
    ...washed,
    step({
      id: 'draw',
      title: 'Draw the card',
      words: 'Print the template, lay it on the board and draw round it; mark the middle of each hole.',
      setUp: 2,
      perCopy: 1.5 + round / 300,
      who: together ? 'child' : 'either',
      tools: ['printer', 'marker'],
    }),
    ...(d.backing === 'doubled'
      ? [
          step({
            id: 'glue',
            title: 'Glue two boards together',
            words: 'Print outwards on neither side; press flat under books.',
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
            title: 'Laminate it',
            words: 'Once through the laminator, then let it cool flat.',
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
      title: 'Cut it out',
      words: 'Scissors along the line; turn the card, not the scissors. Round any sharp corner.',
      perCopy: 1 + round / 100,
      who: d.backing === 'single' && together ? 'child' : 'adult',
      tools: ['scissors'],
      after: [joined],
    }),
    step({
      id: 'punch',
      title: `Punch ${d.holes} ${d.punch === 'double' ? 'double holes' : 'holes'}`,
      words:
        d.punch === 'double'
          ? 'Punch, move along by half a hole, punch again.'
          : 'One punch on each mark; turn the punch over to see the mark.',
      setUp: 1,
      perCopy: (d.holes * (d.punch === 'double' ? 2 : 1)) / 6 + (d.backing === 'laminated' ? d.holes / 6 : 0),
      who: 'adult',
      tools: ['hole punch'],
      after: ['cut'],
    }),
    step({
      id: 'lace',
      title: 'Tie the lace on',
      words:
        'Knot one end through the first hole from behind, pull hard once. Wrap tape round a tip that frays.',
      perCopy: 2,
      after: ['punch', ...washed.map((s) => s.id)],
    }),
    countStep('1 card, 1 lace', ['lace']),
  ];
}

export function features(at: At<Dials>): Feature[] {
  const { dials: d } = at;
  const { card } = parts(at);
  return [
    { kind: 'remnant', name: 'Punched-out discs', count: d.holes },
    {
      kind: 'cut edge',
      where: 'the card',
      material: d.backing === 'laminated' ? 'film' : card.materialClass,
      covered: false,
    },
  ];
}

export const reaches = (at: At<Dials>): Reaches => ({
  card: { as: 'body', film: at.dials.backing === 'laminated' },
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
    say: sayFor(
      at.approach,
      'The mouse goes down the hole. Where does she come up?',
      'You glued this one. Shall we sew round it?',
    ),
    lookFor: `Do the hands take turns, one holding the card, one pulling${stitch === 'running' ? ', and is the card turned over each time?' : ' over the edge?'}`,
    easier: 'Hold the card for the child; a thicker tip, fewer holes, double punched.',
    harder:
      stitch === 'cross'
        ? 'Twice the holes on the same outline.'
        : 'Twice the holes, then whip over the edge.',
    more: 'Count the holes; name in, out, over, through.',
    oneHand:
      'The card upright in a clamp; the lace begins at the corner farthest from the hand that works. Left-handed: from right to left.',
    stop: STOP_WORDS,
  };
}
