import type { At, Feature, Pattern, Plan, RungDials, Show, Step } from '../kernel.ts';
import { bagNeed, cleaningStep, countStep, need, sayFor, sharedKinds, step, STOP_WORDS } from '../making.ts';
import { dials, JAW, parts, pieceSize, ROLES, type Dials } from './dials.ts';
import { draw } from './draw.ts';
import { fit, moves, type Detail } from './fit.ts';

const each = (at: At<Dials>) => sharedKinds(parts(at).kinds, at.dials.cups * at.dials.each);

function plan(at: At<Dials>): Plan {
  const { cup, tray, tool } = parts(at);
  return {
    needs: [
      // And the bowls that all begin in.
      need(ROLES.cup, cup, at.dials.cups + at.dials.bowls, true),
      ...each(at).map((p) => need(ROLES.piece, p.material, p.count, true)),
      ...(tray ? [need(ROLES.tray, tray, 1, true)] : []),
      ...(tool ? [need(ROLES.tool, tool, 1, true)] : []),
      ...bagNeed(at.chosen),
    ],
    cuts: [],
    steps: steps(at),
  };
}

function steps(at: At<Dials>): Step[] {
  const { dials: d, approach } = at;
  const { cup, kinds } = parts(at);
  const together = approach === 'made together';
  const washed = cleaningStep([{ material: cup, count: d.cups + d.bowls }, ...each(at)], approach);
  return [
    ...washed,
    step({
      id: 'cards',
      title: `Print and fold ${d.cups} cards`,
      words: 'Cut along the lines, fold, stand one behind each cup; no card hides another.',
      setUp: 2,
      perCopy: 1.2 * d.cups,
      who: together ? 'child' : 'either',
      tools: ['printer', 'scissors'],
    }),
    step({
      id: 'try',
      title: 'Carry one to each cup',
      words: `${kinds[0]!.name} goes in without a push; the bowl stands nearest to the child.`,
      perCopy: 1,
      after: ['cards', ...washed.map((s) => s.id)],
    }),
    countStep(`${d.cups + d.bowls} cups, ${d.cups * d.each} pieces`, ['try']),
  ];
}

function features(at: At<Dials>): Feature[] {
  const { tool } = at.dials;
  return tool === 'fingers' || parts(at).tool ? [] : [{ kind: 'tool', name: tool }];
}

function show(at: At<Dials>): Show {
  const { dials: d } = at;
  return {
    say: sayFor(
      at.approach,
      'The ferry calls: which landing stage does this one go to?',
      'You folded these cards. Where does this one belong?',
    ),
    lookFor:
      'Does the eye go to the card before the hand leaves the bowl, and does the tool stay closed on the way?',
    easier: 'Two cups, large pieces, fingers; no call.',
    harder:
      d.tool === 'fingers' ? 'More cups, then tongs.' : 'More cups, called out; then two bowls and turns.',
    more: 'Which cup has more? Sort again by size.',
    oneHand:
      'The tray on a non-slip mat, the bowl on the side of the hand that works. Left-handed: the cups to its right.',
    stop: STOP_WORDS,
  };
}

function rungs(at: At<Dials>): RungDials<Dials>[] {
  const { dials: d } = at;
  const { kinds } = parts(at);
  const { middle } = pieceSize(kinds);
  const base: Dials = { ...d, tool: 'fingers' };
  const cups = Math.max(3, d.cups);
  return [
    { id: 'two', name: 'Two cups', grip: 'thumb and finger', dials: { ...base, cups: 2, game: 'picked' } },
    {
      id: 'three',
      name: 'Three cups',
      grip: 'thumb and finger',
      dials: { ...base, cups: 3, game: 'picked' },
    },
    {
      id: 'more',
      name: `${cups + 1} cups`,
      grip: 'thumb and finger',
      dials: { ...base, cups: cups + 1, game: 'called out' },
    },
    { id: 'spoon', name: 'With a spoon', grip: 'whole hand, level', dials: { ...base, cups, tool: 'spoon' } },
    { id: 'tongs', name: 'With tongs', grip: 'whole hand on tongs', dials: { ...base, cups, tool: 'tongs' } },
    ...(middle < JAW.tweezers
      ? [
          {
            id: 'tweezers',
            name: 'With tweezers',
            grip: 'thumb and two fingers',
            dials: { ...base, cups, tool: 'tweezers' as const },
          },
        ]
      : []),
  ];
}

/** Cups with a card each; pieces carried to them by fingers or a tool. */
export const sortAndCarry: Pattern<Dials, Detail> = {
  id: 'sort-and-carry',
  name: 'Sort and carry',
  does: 'Carries pieces to the cup they belong in',
  skills: ['Pincer and release', 'Hand strength', 'Crossing the midline', 'In-hand manipulation'],
  quiet: true,
  roles: Object.values(ROLES),
  dials,
  title: ({ dials: d }) => `Sort into ${d.cups} ${d.cups === 1 ? 'cup' : 'cups'} by ${d.shows}`,
  fit,
  plan,
  draw,
  moves,
  counts: ({ dials: d }) => ({ of: 'pieces', one: 'piece', number: d.cups * d.each }),
  features,
  // Between two cups the hand goes in: a sixth of its span is its thickness with what it holds (common practice).
  forHand: (_, { span }) => (span === undefined ? {} : { hand: span / 6 }),
  rungs,
  show,
};
