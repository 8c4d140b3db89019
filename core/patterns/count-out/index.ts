import { when } from '../acts.ts';
import { rectangleOutline } from '../../geometry/polygon.ts';
import type { At, Feature, Pattern, Plan, LevelDials, Show, Step } from '../kernel.ts';
import {
  cleaningStep,
  countStep,
  diceFeatures,
  need,
  sayFor,
  sharedKinds,
  step,
  stopWords,
} from '../making.ts';
import { supplied } from '../supplies.ts';
import { cardFor, dials, needed, parts, ROLES, type Dials } from './dials.ts';
import { draw } from './draw.ts';
import { fit, moves, type Detail } from './fit.ts';
import { text } from './words.ts';

const each = (at: At<Dials>) => sharedKinds(parts(at).kinds, at.dials.tokens);
/** Sticks to write on, where there are some: the fit asks for them. */
const hasSticks = (at: At<Dials>): boolean => at.dials.sticks && parts(at).stick !== undefined;
const cardCount = (d: Dials): number => d.to - d.from + 1;

function plan(at: At<Dials>): Plan {
  const { dials: d } = at;
  const { card, pouch, stick } = parts(at);
  // All round each stick and a little over, on both sides.
  const round = d.sticks && stick ? 2 * (stick.sizes.length ?? 0) + 40 : 0;
  const used = supplied(at, [[ROLES.tape, round * cardCount(d)]]);
  return {
    unlisted: used.unlisted,
    needs: [
      ...used.needs,
      ...each(at).map((p) => need(ROLES.token, p.material, p.count, true)),
      ...(d.sticks && stick ? [need(ROLES.stick, stick, cardCount(d), true)] : []),
      ...(pouch ? [need(ROLES.pouch, pouch, 1, true)] : []),
    ],
    cuts: [
      {
        kind: 'outline',
        id: 'card',
        label: text(at, 'card'),
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
  const washed = cleaningStep(each(at), at);
  const n = cardCount(d);
  const together = approach === 'made together';
  return [
    ...washed,
    step({
      id: 'print',
      title: text(at, 'printOrWriteCards', { n }),
      words: text(at, 'printSheetsCardOr'),
      setUp: 2,
      perCopy: 0.5 * n,
      who: together ? 'child' : 'either',
      tools: ['printer', 'marker'],
    }),
    step({
      id: 'cut',
      title: text(at, 'cutOutCards', { n }),
      words: text(at, 'scissorsAlongLinesRound'),
      perCopy: 0.7 * n,
      who: 'adult',
      tools: ['scissors'],
      after: ['print'],
    }),
    ...(hasSticks(at)
      ? [
          step({
            id: 'sticks',
            title: text(at, 'tapeSticksWrite', { n }),
            words: text(at, 'clearTapeAllRound'),
            perCopy: 0.6 * n,
            tools: ['scissors', 'marker'],
          }),
        ]
      : []),
    step({
      id: 'try',
      title: text(at, 'layOutOnce'),
      words:
        at.approach === 'prepared shelf' ? text(at, 'everySpotHasToken') : text(at, 'everySpotHasToken2'),
      perCopy: 1 + 0.05 * d.tokens,
      after: ['cut', ...(hasSticks(at) ? ['sticks'] : []), ...washed.map((s) => s.id)],
    }),
    countStep(at, text(at, 'counted', { cards: n, tokens: d.tokens, sticks: hasSticks(at) ? n : 0 }), [
      'try',
    ]),
  ];
}

function features(at: At<Dials>): Feature[] {
  const { card } = parts(at);
  return [
    ...diceFeatures(at, at.dials.dice),
    { kind: 'cut edge', where: text(at, 'eachCard'), material: card.materialClass, covered: false },
  ];
}

function show(at: At<Dials>): Show {
  const { dials: d } = at;
  return {
    say: sayFor(at, text(at, 'throwHowManyFish'), text(at, 'youWroteTheseNumbers')),
    lookFor: text(at, 'tokenTouchedEachWord'),
    easier: text(at, 'spotsLayUpCard'),
    harder: d.shows === 'numeral' ? text(at, 'allCardsOnceAny') : text(at, 'numeralsAloneThenAll'),
    more: text(at, 'countBack'),
    oneHand: text(at, 'cardsTapedDownOr'),
    stop: stopWords(at),
  };
}

function levels(at: At<Dials>): LevelDials<Dials>[] {
  const { dials: d } = at;
  const { kinds } = parts(at);
  const grip = text(at, 'thumbFingerTime');
  const of = (to: number, part: Partial<Dials>): Dials => {
    const next: Dials = { ...d, from: 1, dice: 0, ...part, to };
    return { ...next, ...cardFor(to, kinds, next.shows), tokens: needed(next.from, to, next.laid) };
  };
  const to = Math.max(4, Math.min(6, d.to));
  return [
    { id: 'three', name: text(at, 'spots'), grip, dials: of(3, { shows: 'both', laid: 'one at a time' }) },
    {
      id: 'spots',
      name: text(at, 'spots2', { to }),
      grip,
      dials: of(to, { shows: 'both', laid: 'one at a time' }),
    },
    {
      id: 'numeral',
      name: text(at, 'numeralsAlone'),
      grip,
      dials: of(to, { shows: 'numeral', laid: 'one at a time' }),
    },
    { id: 'all', name: text(at, 'allOnce'), grip, dials: of(to, { shows: 'numeral', laid: 'all at once' }) },
    {
      id: 'allspots',
      name: text(at, 'allSpots'),
      grip,
      dials: of(to, { shows: 'both', laid: 'all at once' }),
    },
  ];
}

/** Numeral or quantity cards and tokens, in a pouch. */
export const countOut: Pattern<Dials, Detail> = {
  id: 'count-out',
  name: 'Count-out',
  does: (to) => text(to, 'countsTokensOutOnto'),
  skills: ['Pincer and release', 'In-hand manipulation', 'Crossing the midline'],
  // A heap is taken into the hand and counted out of it; one at a time needs no hand full.
  acts: ({ dials: d }) =>
    when({
      'picks up': true,
      'lets go': true,
      'palm to fingertips': d.laid === 'all at once',
      'reaches across': true,
    }),
  quiet: true,
  // One, two, three by the end of the third year, five in the fourth, more after it; a numeral alone is read later.
  usualFrom: ({ dials: d }) => {
    const from =
      (d.to <= 3 ? 30 : d.to <= 5 ? 36 : 48) + (d.shows === 'numeral' ? 6 : 0) + (d.dice > 1 ? 6 : 0);
    return [from, from + 18];
  },
  roles: Object.values(ROLES),
  dials,
  title: ({ dials: d }) => `Count out ${d.from} to ${d.to}`,
  fit,
  plan,
  draw,
  moves,
  counts: ({ dials: d }) => ({ of: 'tokens', one: 'token', number: d.tokens }),
  features,
  levels,
  show,
};
