import { ACROSS, when } from '../acts.ts';
import type { At, Feature, Pattern, Plan, LevelDials, Show, Step } from '../kernel.ts';
import {
  bagNeed,
  cleaningStep,
  countStep,
  need,
  sayFor,
  sharedKinds,
  step,
  stopWords,
  toolName,
} from '../making.ts';
import { dials, JAW, parts, pieceSize, ROLES, type Dials } from './dials.ts';
import { draw } from './draw.ts';
import { fit, moves, type Detail } from './fit.ts';
import { text } from './words.ts';

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
  const washed = cleaningStep([{ material: cup, count: d.cups + d.bowls }, ...each(at)], at);
  return [
    ...washed,
    step({
      id: 'cards',
      title: text(at, 'printFoldCards', { cups: d.cups }),
      words: text(at, 'cutAlongLinesFold'),
      setUp: 2,
      perCopy: 1.2 * d.cups,
      who: together ? 'child' : 'either',
      tools: ['printer', 'scissors'],
    }),
    step({
      id: 'try',
      title: text(at, 'carryEachCup'),
      words: text(at, 'goesWithoutPushBowl', { what: kinds[0]!.name }),
      perCopy: 1,
      after: ['cards', ...washed.map((s) => s.id)],
    }),
    countStep(at, text(at, 'counted', { cups: d.cups + d.bowls, pieces: d.cups * d.each }), ['try']),
  ];
}

function features(at: At<Dials>): Feature[] {
  const { tool } = at.dials;
  return tool === 'fingers' || parts(at).tool ? [] : [{ kind: 'tool', name: toolName(at, tool) }];
}

function show(at: At<Dials>): Show {
  const { dials: d } = at;
  return {
    say: sayFor(at, text(at, 'ferryCallsWhichLanding'), text(at, 'youFoldedTheseCards')),
    lookFor: text(at, 'doesEyeGoCard'),
    easier: text(at, 'twoCupsLargePieces'),
    harder: d.tool === 'fingers' ? text(at, 'moreCupsThenTongs') : text(at, 'moreCupsCalledOut'),
    more: text(at, 'whichHasMore'),
    oneHand: text(at, 'trayNonSlipMat'),
    stop: stopWords(at),
  };
}

function levels(at: At<Dials>): LevelDials<Dials>[] {
  const { dials: d } = at;
  const { kinds } = parts(at);
  const { middle } = pieceSize(kinds);
  const base: Dials = { ...d, tool: 'fingers' };
  const cups = Math.max(3, d.cups);
  return [
    {
      id: 'two',
      name: text(at, 'twoCups'),
      grip: text(at, 'thumbFinger'),
      dials: { ...base, cups: 2, game: 'picked' },
    },
    {
      id: 'three',
      name: text(at, 'threeCups'),
      grip: text(at, 'thumbFinger'),
      dials: { ...base, cups: 3, game: 'picked' },
    },
    {
      id: 'more',
      name: text(at, 'cups', { cups: cups + 1 }),
      grip: text(at, 'thumbFinger'),
      dials: { ...base, cups: cups + 1, game: 'called out' },
    },
    {
      id: 'spoon',
      name: text(at, 'spoon'),
      grip: text(at, 'wholeHandLevel'),
      dials: { ...base, cups, tool: 'spoon' },
    },
    {
      id: 'tongs',
      name: text(at, 'tongs'),
      grip: text(at, 'wholeHandTongs'),
      dials: { ...base, cups, tool: 'tongs' },
    },
    ...(middle < JAW.tweezers
      ? [
          {
            id: 'tweezers',
            name: text(at, 'tweezers'),
            grip: text(at, 'thumbAndTwoFingers'),
            dials: { ...base, cups, tool: 'tweezers' as const },
          },
        ]
      : []),
  ];
}

/** From the first cup's edge to the last one's, mm. */
const rowOf = (at: At<Dials>): number =>
  at.dials.cups * parts(at).stands + (at.dials.cups - 1) * at.dials.hand;

/** Cups with a card each; pieces carried to them by fingers or a tool. */
export const sortAndCarry: Pattern<Dials, Detail> = {
  id: 'sort-and-carry',
  name: 'Sort and carry',
  does: (to) => text(to, 'carriesPiecesCupThey'),
  skills: ['Pincer and release', 'Hand strength', 'Crossing the midline', 'In-hand manipulation'],
  acts: (at) =>
    when({
      'picks up': at.dials.tool === 'fingers',
      'lets go': at.dials.tool !== 'spoon',
      squeezes: at.dials.tool !== 'fingers' && at.dials.tool !== 'spoon',
      // A mark is turned up to be read.
      'turns in the fingers':
        at.dials.tool === 'fingers' && ['number', 'letter', 'own text'].includes(at.dials.shows),
      // What lies on a spoon is carried level all the way.
      'reaches across': at.dials.tool === 'spoon' || rowOf(at) >= ACROSS,
    }),
  quiet: true,
  usualFrom: ({ dials: d }) => (d.tool === 'fingers' ? [15, 30] : [30, 48]),
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
  levels,
  show,
};
