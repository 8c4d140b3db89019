import { when } from '../acts.ts';
import type { At, Feature, Pattern, Plan, LevelDials, Show, Step, Reaches } from '../kernel.ts';
import {
  bagNeed,
  cleaningStep,
  countStep,
  diceFeatures,
  need,
  plainName,
  sayFor,
  sharedKinds,
  step,
} from '../making.ts';
import { SPOT, supplied } from '../supplies.ts';
import { dials, mouthOf, parts, ROLES, type Dials } from './dials.ts';
import { draw } from './draw.ts';
import { fit, moves, type Detail } from './fit.ts';
import { longestSlit, loopOf, shortestSlit } from './mouth.ts';
import { text } from './words.ts';

const each = (at: At<Dials>) => sharedKinds(parts(at).items, at.dials.pieces);

function plan(at: At<Dials>): Plan {
  const { dials: d, chosen } = at;
  const { ball, eyes } = parts(at);
  const used = supplied(at, [[ROLES.glue, d.eyes === 'glued' ? 2 * SPOT : 0]]);
  return {
    unlisted: used.unlisted,
    needs: [
      need(ROLES.ball, ball, 1, true),
      ...each(at).map((p) => need(ROLES.item, p.material, p.count, true)),
      ...(eyes && d.eyes === 'glued' ? [need(ROLES.eyes, eyes, 2, false)] : []),
      ...used.needs,
      ...bagNeed(chosen),
    ],
    cuts: [],
    steps: steps(at),
  };
}

function steps(at: At<Dials>): Step[] {
  const { dials: d, approach } = at;
  const { ball } = parts(at);
  const washed = cleaningStep([{ material: ball, count: 1 }, ...each(at)], at);
  const together = approach === 'made together';
  return [
    ...washed,
    step({
      id: 'cut',
      title: d.crossed
        ? text(at, 'slitBallOverMm', { slit: d.slit })
        : text(at, 'slitBallOverMm2', { slit: d.slit }),
      words: text(at, 'holdBallClampOr'),
      setUp: 2,
      perCopy: d.crossed ? 4 : 3,
      who: 'adult',
      blade: true,
      tools: ['craft knife', 'cutting board', 'marker'],
      after: washed.map((s) => s.id),
    }),
    ...(d.eyes === 'none'
      ? []
      : [
          step({
            id: 'face',
            title: d.eyes === 'glued' ? text(at, 'glueEyes') : text(at, 'drawFace'),
            words: d.eyes === 'glued' ? text(at, 'strongGluePullEach') : text(at, 'penDoesNotWipe'),
            perCopy: d.eyes === 'glued' ? 2 : 1.5,
            who: together && d.eyes === 'drawn' ? ('child' as const) : ('either' as const),
            drying: d.eyes === 'glued' ? 120 : 0,
            tools: d.eyes === 'drawn' ? (['marker'] as const) : [],
            after: ['cut'],
          }),
        ]),
    ...(together
      ? [
          step({
            id: 'feed',
            title: text(at, 'feedOnce'),
            words: text(at, 'childFindsOutHow'),
            perCopy: 2,
            who: 'child' as const,
            after: ['cut'],
          }),
        ]
      : []),
    countStep(at, text(at, 'counted', { pieces: d.pieces }), [
      d.eyes === 'none' ? 'cut' : 'face',
      ...(together ? ['feed'] : []),
    ]),
  ];
}

function features(at: At<Dials>): Feature[] {
  const { ball } = parts(at);
  return [
    ...diceFeatures(at, at.dials.dice),
    { kind: 'cut edge', where: text(at, 'mouth'), material: ball.materialClass, covered: false },
  ];
}

const reaches = (): Reaches => ({
  [ROLES.ball.id]: { as: 'body', closed: true },
  [ROLES.eyes.id]: { as: 'fixed', held: 'glued' },
});

function show(at: At<Dials>): Show {
  const { dials: d } = at;
  return {
    say: sayFor(at, text(at, 'puffinHungryOpensBeak'), text(at, 'youGaveFaceWhat')),
    lookFor: d.goal === 'feed' ? text(at, 'doesHandHoldOpen') : text(at, 'doesWholeHandClose'),
    easier: d.goal === 'feed' ? text(at, 'secondSlitAcrossYou') : text(at, 'largerEndLeftHanging'),
    harder: text(at, 'shorterSlitFirmerBall'),
    more: text(at, 'throwADie'),
    oneHand: text(at, 'ballWedgedBowlNon'),
    stop: text(at, 'stopWhenHandTires'),
  };
}

function levels(at: At<Dials>): LevelDials<Dials>[] {
  const { dials: d } = at;
  const { ball, items } = parts(at);
  const most = Math.floor(longestSlit(mouthOf(ball, d)));
  const of = (
    id: string,
    name: string,
    grip: string,
    share: number,
    part: Partial<Dials>,
  ): LevelDials<Dials> => {
    const next = { ...d, dice: 0, ...part };
    const least = Math.max(...items.map((m) => shortestSlit(m, mouthOf(ball, next)) ?? most));
    const slit = Math.max(10, Math.min(most, Math.ceil(least + share * Math.max(0, most - least))));
    const full = Math.min(...items.map((m) => loopOf(m, mouthOf(ball, { ...next, slit })).fullAfter));
    return { id, name, grip, dials: { ...next, slit, pieces: Math.max(1, Math.min(next.pieces, full)) } };
  };
  return [
    of('pull', text(at, 'pulledOut'), text(at, 'wholeHand'), 1, { goal: 'pull out', crossed: true }),
    of('crossed', text(at, 'crossedLong'), text(at, 'wholeHandSqueezes'), 1, { goal: 'feed', crossed: true }),
    of('long', text(at, 'longSlit'), text(at, 'wholeHandSqueezes'), 1, { goal: 'feed', crossed: false }),
    of('shorter', text(at, 'shorter'), text(at, 'thumbFingersSqueeze'), 0.5, {
      goal: 'feed',
      crossed: false,
    }),
    of('short', text(at, 'shortest'), text(at, 'thumbFingersSqueeze'), 0.12, {
      goal: 'feed',
      crossed: false,
    }),
  ];
}

/** A ball or soft box with a slit that opens when it is squeezed. */
export const feedTheMouth: Pattern<Dials, Detail> = {
  id: 'feed-the-mouth',
  name: 'Feed the mouth',
  does: (to) => text(to, 'squeezesMouthOpenHand'),
  skills: ['Hand strength', 'Two hands together', 'Pincer and release'],
  acts: ({ dials: d }) =>
    when({
      squeezes: d.goal === 'feed',
      pulls: d.goal === 'pull out',
      'other hand holds': true,
      'picks up': d.goal === 'feed',
      'lets go': d.goal === 'feed',
    }),
  quiet: true,
  // A cloth is drawn out first; a mouth that has to be squeezed open takes a firm hand, a throw to count by four years.
  usualFrom: ({ dials: d }) =>
    d.goal === 'pull out' ? [9, 18] : d.dice > 0 ? [36, 54] : d.crossed ? [15, 30] : [24, 42],
  roles: Object.values(ROLES),
  dials,
  title: (at) =>
    at.dials.goal === 'feed'
      ? `Feed ${at.dials.pieces} to the ${plainName(parts(at).ball)}`
      : `Pull it out of the ${plainName(parts(at).ball)}`,
  fit,
  plan,
  draw,
  moves,
  counts: ({ dials: d }) => ({ of: 'pieces', one: 'piece', number: d.pieces }),
  features,
  reaches,
  // A second slit across the first opens with less squeeze.
  forHand: ({ dials: d }, hand) =>
    d.goal !== 'pull out' && hand.force !== undefined && d.force > hand.force ? { crossed: true } : {},
  levels,
  show,
};
