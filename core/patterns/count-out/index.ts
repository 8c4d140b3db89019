import { rectangleOutline } from '../../geometry/polygon.ts';
import type { At, Feature, Pattern, Plan, RungDials, Show, Step } from '../kernel.ts';
import {
  cleaningStep,
  countStep,
  diceFeatures,
  need,
  sayFor,
  sharedKinds,
  step,
  STOP_WORDS,
} from '../making.ts';
import { cardFor, dials, needed, parts, ROLES, type Dials } from './dials.ts';
import { draw } from './draw.ts';
import { fit, moves, type Detail } from './fit.ts';

const each = (at: At<Dials>) => sharedKinds(parts(at).kinds, at.dials.tokens);
const cardCount = (d: Dials): number => d.to - d.from + 1;

function plan(at: At<Dials>): Plan {
  const { dials: d } = at;
  const { card, pouch, stick } = parts(at);
  return {
    needs: [
      ...each(at).map((p) => need(ROLES.token, p.material, p.count, true)),
      ...(d.sticks && stick ? [need(ROLES.stick, stick, cardCount(d), true)] : []),
      ...(pouch ? [need(ROLES.pouch, pouch, 1, true)] : []),
    ],
    cuts: [
      {
        kind: 'outline',
        id: 'card',
        label: 'Card',
        // Cards from one number on are the same for every range that begins there.
        shows: `${d.shows} from ${d.from}`,
        role: ROLES.card.id,
        materialId: card.id,
        count: cardCount(d),
        use: 'part',
        counted: true,
        outline: rectangleOutline(d.width, d.height),
        turn: 'right',
        gap: 0,
      },
    ],
    steps: steps(at),
  };
}

function steps(at: At<Dials>): Step[] {
  const { dials: d, approach } = at;
  const washed = cleaningStep(each(at), approach);
  const n = cardCount(d);
  const together = approach === 'made together';
  return [
    ...washed,
    step({
      id: 'print',
      title: `Print or write ${n} cards`,
      words: 'Print the sheets on card, or write the numerals large with a thick pen.',
      setUp: 2,
      perCopy: 0.5 * n,
      who: together ? 'child' : 'either',
      tools: ['printer', 'marker'],
    }),
    step({
      id: 'cut',
      title: `Cut out ${n} cards`,
      words: 'Scissors along the lines; round the corners a little.',
      perCopy: 0.7 * n,
      who: 'adult',
      tools: ['scissors'],
      after: ['print'],
    }),
    ...(d.sticks
      ? [
          step({
            id: 'sticks',
            title: `Tape ${n} sticks to write on`,
            words: 'Clear tape all round each stick: a dry-wipe pen comes off with a finger.',
            perCopy: 0.6 * n,
            tools: ['scissors', 'marker'],
          }),
        ]
      : []),
    step({
      id: 'try',
      title: 'Lay it out once',
      words: `Every spot has its token${at.approach === 'prepared shelf' ? ', and none is left over' : ''}.`,
      perCopy: 1 + 0.05 * d.tokens,
      after: ['cut', ...(d.sticks ? ['sticks'] : []), ...washed.map((s) => s.id)],
    }),
    countStep(`${n} cards, ${d.tokens} tokens${d.sticks ? `, ${n} sticks` : ''}`, ['try']),
  ];
}

function features(at: At<Dials>): Feature[] {
  const { card } = parts(at);
  return [
    ...diceFeatures(at.dials.dice),
    { kind: 'cut edge', where: 'each card', material: card.materialClass, covered: false },
  ];
}

function show(at: At<Dials>): Show {
  const { dials: d } = at;
  return {
    say: sayFor(
      at.approach,
      'Throw: how many fish does the boat bring?',
      'You wrote these numbers. How many go on this one?',
    ),
    lookFor: 'Is one token touched for each word, and does the hand place it without moving the others?',
    easier: 'Spots to lay on, up to 3, one card at a time.',
    harder:
      d.shows === 'numeral'
        ? 'All cards at once, in any order; then add two.'
        : 'Numerals alone; then all cards at once.',
    more: 'Count back as they go into the pouch; which card has more?',
    oneHand:
      'Cards taped down or in a rack, tokens in a shallow bowl on a non-slip mat. Left-handed: the bowl at the left.',
    stop: STOP_WORDS,
  };
}

function rungs(at: At<Dials>): RungDials<Dials>[] {
  const { dials: d } = at;
  const { kinds } = parts(at);
  const grip = 'thumb and finger, one at a time';
  const of = (to: number, part: Partial<Dials>): Dials => {
    const next: Dials = { ...d, from: 1, dice: 0, ...part, to };
    return { ...next, ...cardFor(to, kinds, next.shows), tokens: needed(next.from, to, next.laid) };
  };
  const to = Math.max(4, Math.min(6, d.to));
  return [
    { id: 'three', name: 'To 3, on spots', grip, dials: of(3, { shows: 'both', laid: 'one at a time' }) },
    {
      id: 'spots',
      name: `To ${to}, on spots`,
      grip,
      dials: of(to, { shows: 'both', laid: 'one at a time' }),
    },
    {
      id: 'numeral',
      name: 'Numerals alone',
      grip,
      dials: of(to, { shows: 'numeral', laid: 'one at a time' }),
    },
    { id: 'all', name: 'All at once', grip, dials: of(to, { shows: 'numeral', laid: 'all at once' }) },
    {
      id: 'allspots',
      name: 'All, on spots',
      grip,
      dials: of(to, { shows: 'both', laid: 'all at once' }),
    },
  ];
}

/** Numeral or quantity cards and tokens, in a pouch. */
export const countOut: Pattern<Dials, Detail> = {
  id: 'count-out',
  name: 'Count-out',
  does: 'Counts tokens out onto cards',
  skills: ['Pincer and release', 'In-hand manipulation', 'Crossing the midline'],
  quiet: true,
  roles: Object.values(ROLES),
  dials,
  title: ({ dials: d }) => `Count out ${d.from} to ${d.to}`,
  fit,
  plan,
  draw,
  moves,
  counts: ({ dials: d }) => ({ of: 'tokens', one: 'token', number: d.tokens }),
  features,
  rungs,
  show,
};
