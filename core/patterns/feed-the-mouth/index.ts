import type { At, Feature, Pattern, Plan, RungDials, Show, Step, Reaches } from '../kernel.ts';
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
import { dials, mouthOf, parts, ROLES, type Dials } from './dials.ts';
import { draw } from './draw.ts';
import { fit, moves, type Detail } from './fit.ts';
import { longestSlit, loopOf, shortestSlit } from './mouth.ts';

const each = (at: At<Dials>) => sharedKinds(parts(at).items, at.dials.pieces);

function plan(at: At<Dials>): Plan {
  const { dials: d, chosen } = at;
  const { ball, eyes } = parts(at);
  return {
    needs: [
      need(ROLES.ball, ball, 1, true),
      ...each(at).map((p) => need(ROLES.item, p.material, p.count, true)),
      ...(eyes && d.eyes === 'glued' ? [need(ROLES.eyes, eyes, 2, false)] : []),
      ...bagNeed(chosen),
    ],
    cuts: [],
    steps: steps(at),
  };
}

function steps(at: At<Dials>): Step[] {
  const { dials: d, approach } = at;
  const { ball } = parts(at);
  const washed = cleaningStep([{ material: ball, count: 1 }, ...each(at)], approach);
  const together = approach === 'made together';
  return [
    ...washed,
    step({
      id: 'cut',
      title: `Slit the ball over ${d.slit} mm${d.crossed ? ', and once across' : ''}`,
      words:
        'Hold the ball in a clamp or an egg cup, never in the hand, and never cut towards the palm: pierce it with the point, then short strokes away from you. Bend the template round it for the line.',
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
            title: d.eyes === 'glued' ? 'Glue the eyes on' : 'Draw the face',
            words:
              d.eyes === 'glued'
                ? 'Strong glue; pull at each when it is dry: they are small parts when they come off.'
                : 'With a pen that does not wipe off.',
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
            title: 'Feed it once',
            words: 'The child finds out how hard it must be squeezed.',
            perCopy: 2,
            who: 'child' as const,
            after: ['cut'],
          }),
        ]
      : []),
    countStep(`1 ball and ${d.pieces} pieces`, [
      d.eyes === 'none' ? 'cut' : 'face',
      ...(together ? ['feed'] : []),
    ]),
  ];
}

function features(at: At<Dials>): Feature[] {
  const { ball } = parts(at);
  return [
    ...diceFeatures(at.dials.dice),
    { kind: 'cut edge', where: 'the mouth', material: ball.materialClass, covered: false },
  ];
}

const reaches = (): Reaches => ({
  [ROLES.ball.id]: { as: 'body', closed: true },
  [ROLES.eyes.id]: { as: 'fixed', held: 'glued' },
});

function show(at: At<Dials>): Show {
  const { dials: d } = at;
  return {
    say: sayFor(
      at.approach,
      'The puffin is hungry. It opens its beak when you squeeze.',
      'You gave it a face. What does it like to eat?',
    ),
    lookFor:
      d.goal === 'feed'
        ? 'Does one hand hold it open, thumb on one side and fingers on the other, while the other hand puts in?'
        : 'Does the whole hand close on the cloth, and does the other hand hold the ball?',
    easier:
      d.goal === 'feed'
        ? 'A second slit across; you squeeze, the child feeds; a scarf to pull out.'
        : 'A larger end left hanging out.',
    harder: 'A shorter slit, a firmer ball, the other hand; then only what the die says.',
    more: 'Throw a die and feed so many; how many are in it? Guess, shake, and count them out.',
    oneHand:
      'The ball wedged in a bowl on a non-slip mat so that its mouth stays open; a second slit across.',
    stop: 'Stop when the hand tires, or shakes: it is hard work. Stop at once when pieces go to the mouth.',
  };
}

function rungs(at: At<Dials>): RungDials<Dials>[] {
  const { dials: d } = at;
  const { ball, items } = parts(at);
  const most = Math.floor(longestSlit(mouthOf(ball, d)));
  const of = (
    id: string,
    name: string,
    grip: string,
    share: number,
    part: Partial<Dials>,
  ): RungDials<Dials> => {
    const next = { ...d, dice: 0, ...part };
    const least = Math.max(...items.map((m) => shortestSlit(m, mouthOf(ball, next)) ?? most));
    const slit = Math.max(10, Math.min(most, Math.ceil(least + share * Math.max(0, most - least))));
    const full = Math.min(...items.map((m) => loopOf(m, mouthOf(ball, { ...next, slit })).fullAfter));
    return { id, name, grip, dials: { ...next, slit, pieces: Math.max(1, Math.min(next.pieces, full)) } };
  };
  return [
    of('pull', 'Pulled out', 'whole hand', 1, { goal: 'pull out', crossed: true }),
    of('crossed', 'Crossed, long', 'whole hand squeezes', 1, { goal: 'feed', crossed: true }),
    of('long', 'One long slit', 'whole hand squeezes', 1, { goal: 'feed', crossed: false }),
    of('shorter', 'Shorter', 'thumb and fingers squeeze', 0.5, { goal: 'feed', crossed: false }),
    of('short', 'Shortest', 'thumb and fingers squeeze', 0.12, { goal: 'feed', crossed: false }),
  ];
}

/** A ball or soft box with a slit that opens when it is squeezed. */
export const feedTheMouth: Pattern<Dials, Detail> = {
  id: 'feed-the-mouth',
  name: 'Feed the mouth',
  does: 'Squeezes a mouth open with one hand and feeds it with the other',
  skills: ['Hand strength', 'Two hands together', 'Pincer and release'],
  quiet: true,
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
  rungs,
  show,
};
