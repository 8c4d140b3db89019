import { rectangleOutline } from '../../geometry/polygon.ts';
import type { At, Cut, Feature, Need, Pattern, Plan, RungDials, Show, Step, Reaches } from '../kernel.ts';
import { bagNeed, cleaningStep, countStep, need, sayFor, step, STOP_WORDS } from '../making.ts';
import { dials, mostShown, parts, partnersOf, ROLES, type Dials } from './dials.ts';
import { draw } from './draw.ts';
import { cardSize, fit, layOut, moves, type Detail } from './fit.ts';
import { SHAPES } from '../../outline/shapes.ts';
import { boardOf, insetOutline, INSETS } from './insets.ts';
import { halfOutline, linesOf } from './lines.ts';
import { ORDER_WORDS } from './order.ts';

const hasSticks = (d: Dials): boolean => d.kind === 'pairs' && d.shows === 'colour' && d.partner === 'stick';

/** Cards a kit has: two a pair, one where a stick is the other, one for each that is cut in half. */
const cardsIn = (d: Dials): number => (d.kind === 'pairs' && !hasSticks(d) ? 2 * d.number : d.number);

function cuts(at: At<Dials>): Cut[] {
  const { dials: d } = at;
  const { card, board, laminate } = parts(at);
  const part = {
    use: 'part' as const,
    counted: true,
    turn: 'right' as const,
    gap: 2,
    kind: 'outline' as const,
  };
  if (d.kind === 'order' || !card) return [];
  if (d.kind === 'insets')
    return [
      ...(board
        ? [
            {
              ...part,
              id: 'board',
              label: 'Board',
              role: ROLES.board.id,
              materialId: board.id,
              count: 1,
              outline: rectangleOutline(...boardOf(d.number, d.width, d.loose).size),
            },
          ]
        : []),
      ...Array.from({ length: d.number }, (_, i): Cut => {
        const shape = INSETS[i % INSETS.length]!;
        return {
          ...part,
          use: 'piece',
          id: `inset-${i + 1}`,
          label: `Inset, ${SHAPES[shape].label.toLowerCase()}`,
          role: ROLES.card.id,
          materialId: card.id,
          count: 1,
          outline: insetOutline(shape, d.width),
        };
      }),
    ];
  const count = cardsIn(d);
  return [
    {
      ...part,
      use: 'piece',
      id: 'card',
      label: 'Card',
      role: ROLES.card.id,
      materialId: card.id,
      count,
      outline: rectangleOutline(d.width, d.height),
    },
    ...(d.laminated && laminate
      ? [
          {
            ...part,
            use: 'consumable' as const,
            counted: false,
            gap: 0,
            id: 'laminate',
            label: 'Laminate',
            role: ROLES.laminate.id,
            materialId: laminate.id,
            count,
            outline: rectangleOutline(...cardSize(d)),
          },
        ]
      : []),
  ];
}

function plan(at: At<Dials>): Plan {
  const { dials: d, chosen } = at;
  const { knob, stick } = parts(at);
  const { order } = layOut(at);
  const needs: Need[] = [
    ...(d.kind === 'insets' && knob ? [need(ROLES.knob, knob, d.number, false)] : []),
    ...(hasSticks(d) && stick ? [need(ROLES.stick, stick, d.number, true)] : []),
    ...(d.kind === 'order'
      ? (order?.things ?? parts(at).items.slice(0, d.number)).map((m) => need(ROLES.item, m, 1, true))
      : []),
    ...bagNeed(chosen),
  ];
  return { needs, cuts: cuts(at), steps: steps(at) };
}

/** Minutes by hand (common practice): a card is cut in half a minute, an inset and its hole in five with a knife. */
function steps(at: At<Dials>): Step[] {
  const { dials: d, approach } = at;
  const { stick, knob } = parts(at);
  const together = approach === 'made together';
  const cards = cardsIn(d);
  const handled = (
    d.kind === 'order'
      ? (layOut(at).order?.things ?? [])
      : hasSticks(d) && stick
        ? [stick]
        : d.kind === 'insets' && knob
          ? [knob]
          : []
  ).map((material) => ({ material, count: d.kind === 'order' ? 1 : d.number }));
  const washed = cleaningStep(handled, approach);
  const clean = washed.map((s) => s.id);
  if (d.kind === 'order')
    return [
      ...washed,
      step({
        id: 'order',
        title: `Put ${d.number} things in order once`,
        words: `Say the words with it: ${ORDER_WORDS[d.measure].join(', ')}.`,
        perCopy: 1,
        who: together ? 'child' : 'either',
        after: clean,
      }),
      countStep(`${d.number} things`, ['order']),
    ];
  const print = step({
    id: 'print',
    title: d.kind === 'insets' ? 'Print the board and its insets' : `Print ${cards} cards`,
    words: 'At true size: measure the 50 mm bar, then print on the card or glue the print on.',
    setUp: 3,
    perCopy: 2,
    tools: ['printer'],
  });
  const colour = together
    ? [
        step({
          id: 'colour',
          title: 'Colour them in',
          words: 'One colour for each pair, so that the two belong together.',
          perCopy: 1.5 * d.number,
          who: 'child' as const,
          after: ['print'],
        }),
      ]
    : [];
  const coloured = together ? 'colour' : 'print';
  if (d.kind === 'insets')
    return [
      ...washed,
      print,
      ...colour,
      step({
        id: 'cut',
        title: `Cut ${d.number} holes and their insets`,
        words:
          'Glue the print on the board, cut along the lines with a knife on a cutting board, sand the edges.',
        setUp: 2,
        perCopy: 5 * d.number,
        who: 'adult',
        blade: true,
        tools: ['craft knife', 'cutting board', 'ruler', 'sandpaper'],
        after: [coloured],
      }),
      ...(knob
        ? [
            step({
              id: 'knob',
              title: `Glue ${d.number} knobs on`,
              words: 'In the middle of each inset; pull at each when it is dry.',
              perCopy: 0.7 * d.number,
              who: 'adult' as const,
              drying: 60,
              after: ['cut', ...clean],
            }),
          ]
        : []),
      countStep(`1 board and ${d.number} insets`, [knob ? 'knob' : 'cut']),
    ];
  const cutOut = step({
    id: 'cut',
    title: `Cut ${cards} cards out`,
    words: 'Along the lines, corners a little round.',
    perCopy: 0.5 * cards,
    who: together ? 'child' : 'either',
    tools: ['scissors'],
    after: [coloured],
  });
  const laminated = d.laminated
    ? [
        step({
          id: 'laminate',
          title: `Laminate ${cards} cards`,
          words: '3 mm left all round each when they are cut apart; round the corners.',
          setUp: 5,
          perCopy: 0.7 * cards,
          who: 'adult' as const,
          heat: true,
          tools: ['laminator', 'scissors'] as const,
          after: ['cut'],
        }),
      ]
    : [];
  const ready = d.laminated ? 'laminate' : 'cut';
  const halved =
    d.kind === 'halves'
      ? [
          step({
            id: 'halve',
            title: `Cut each card in half along its ${d.cut === 'straight' ? 'line' : d.cut}`,
            words: 'One cut, no second try: each line is its own.',
            perCopy: (d.cut === 'straight' ? 0.2 : 0.6) * d.number,
            tools: ['scissors'] as const,
            after: [ready],
          }),
        ]
      : [];
  const sticks = hasSticks(d)
    ? [
        step({
          id: 'sticks',
          title: `Colour ${d.number} sticks`,
          words: 'One in the colour of each card; let them dry apart.',
          perCopy: 0.8 * d.number,
          who: together ? ('child' as const) : ('either' as const),
          drying: 30,
          after: clean,
        }),
      ]
    : [];
  return [
    ...washed,
    print,
    ...colour,
    cutOut,
    ...laminated,
    ...halved,
    ...sticks,
    countStep(
      d.kind === 'halves'
        ? `${2 * d.number} halves`
        : hasSticks(d)
          ? `${d.number} cards and ${d.number} sticks`
          : `${cards} cards`,
      [d.kind === 'halves' ? 'halve' : ready, ...(hasSticks(d) ? ['sticks'] : [])],
    ),
  ];
}

function features(at: At<Dials>): Feature[] {
  const { dials: d } = at;
  const { card } = parts(at);
  return d.kind === 'order'
    ? []
    : [
        {
          kind: 'cut edge',
          where: 'each card',
          material: d.laminated && d.kind !== 'insets' ? 'film' : (card?.materialClass ?? 'card'),
          covered: false,
        },
      ];
}

function reaches(at: At<Dials>): Reaches {
  const { dials: d } = at;
  const { card } = parts(at);
  const thick = card?.sizes.wall ?? 0.3;
  const film = d.laminated;
  const [length, width] = cardSize(d);
  return {
    ...(d.kind === 'pairs'
      ? { card: { as: 'loose', film, shape: { kind: 'box', length, width, height: thick } } as const }
      : d.kind === 'halves'
        ? {
            // The smallest half stands for all: a cut swings as far to one side as to the other.
            card: {
              as: 'loose',
              film,
              name: 'Half of a card',
              count: 2 * d.number,
              shape: {
                kind: 'sheet',
                outline: halfOutline(
                  linesOf(d.cut, d.width, d.height, d.number)[0]!,
                  cardSize(d),
                  -1,
                  d.cut,
                ).map(([x, y]) => [x, y]),
                thickness: thick,
              },
            } as const,
          }
        : {}),
    [ROLES.knob.id]: { as: 'fixed', held: 'glued' },
    laminate: { as: 'nobody', why: 'it is melted round the cards' },
  };
}

function show(at: At<Dials>): Show {
  const { dials: d } = at;
  const words = ORDER_WORDS[d.measure];
  return {
    say: sayFor(
      at.approach,
      d.kind === 'order'
        ? `Which is the ${words[2]}? And which comes next to it?`
        : 'This boat has lost its other half. Where is it?',
      'You made these. Which two belong together?',
    ),
    lookFor:
      d.kind === 'insets'
        ? 'Is the edge felt before it is set down, and is it turned in the fingers rather than pushed?'
        : d.kind === 'order'
          ? 'Are two held side by side before one is put down?'
          : 'Is each one looked at before the hand takes it, and set down edge to edge?',
    easier:
      d.kind === 'order'
        ? 'Three, far apart in size.'
        : 'Fewer shown at once; the first one of each laid out already.',
    harder:
      d.kind === 'halves'
        ? 'More shown at once, cuts more alike, the picture face down.'
        : d.kind === 'insets'
          ? 'More holes, less room, eyes closed.'
          : d.kind === 'order'
            ? 'Five, nearer in size; then by feel alone.'
            : 'More shown at once; a word in place of the picture; face down, two at a time.',
    more:
      d.kind === 'order'
        ? `Say it: ${words.join(', ')}.`
        : 'Name each pair; sort by colour; which is missing?',
    oneHand: 'The board clamped, the cards on a non-slip mat; a knob that the whole hand closes on.',
    stop: STOP_WORDS,
  };
}

function rungs(at: At<Dials>): RungDials<Dials>[] {
  const { dials: d } = at;
  const grip = 'thumb and finger';
  const most = Math.min(mostShown(d), 24);
  const of = (id: string, name: string, part: Partial<Dials>): RungDials<Dials> => ({
    id,
    name,
    grip,
    dials: { ...d, ...part },
  });
  switch (d.kind) {
    case 'order':
      return [3, 4, 5].flatMap((number) => [
        of(`look-${number}`, `${number} things`, { number }),
        ...(number === 5
          ? []
          : [of(`thick-${number}`, `${number} by thickness`, { number, measure: 'thickness' as const })]),
      ]);
    case 'insets':
      return [
        of('two', 'Two, with room', { number: 2, loose: 3 }),
        of('four', 'Four, with room', { number: 4, loose: 3 }),
        of('close', 'Four, close', { number: 4, loose: 1.5 }),
        of('six', 'Six, close', { number: 6, loose: 1.5 }),
        of('snug', 'Six, snug', { number: 6, loose: 0.75 }),
      ];
    case 'halves': {
      const cut = d.cut === 'straight' ? 'wave' : d.cut;
      const n = (k: number): number => Math.min(k, most, 12);
      return [
        of('two', 'Two cards', { cut, number: n(2), shown: n(2) }),
        of('four', 'Four cards', { cut, number: n(4), shown: n(4) }),
        of('six', 'Six cards', { cut, number: n(6), shown: n(6) }),
        of('eight', 'Eight cards', { cut, number: n(8), shown: n(8) }),
        of('step', 'In steps', {
          cut: d.cut === 'step' ? 'zigzag' : 'step',
          number: n(6),
          shown: n(6),
        }),
      ];
    }
    case 'pairs': {
      const n = (k: number): number => Math.min(k, most);
      const [, other] = partnersOf(d.shows);
      return [
        of('two', 'Two shown', { number: n(4), shown: 2, partner: 'same' }),
        of('four', 'Four shown', { number: n(4), shown: n(4), partner: 'same' }),
        of('six', 'Six shown', { number: n(6), shown: n(6), partner: 'same' }),
        ...(other ? [of('other', 'Other half', { number: n(6), shown: n(6), partner: other })] : []),
        of('eight', 'Eight shown', { number: n(8), shown: n(8), partner: 'same' }),
        of('small', 'Small cards', {
          number: n(8),
          shown: n(8),
          partner: 'same',
          width: 45,
          height: 45,
        }),
      ];
    }
  }
}

const TITLES: Record<Dials['kind'], (d: Dials) => string> = {
  pairs: (d) => `Find ${d.number} pairs`,
  insets: (d) => `Set ${d.number} insets into their board`,
  halves: (d) => `Piece ${d.number} cards together`,
  order: (d) => `Put ${d.number} in order by ${d.measure}`,
};

/** Pairs, insets, cards cut in half, and orders of sizes. */
export const matchAndPiece: Pattern<Dials, Detail> = {
  id: 'match-and-piece',
  name: 'Match and piece',
  does: 'Finds what belongs together and puts it in its place',
  skills: ['Pincer and release', 'In-hand manipulation', 'Crossing the midline'],
  quiet: true,
  roles: Object.values(ROLES),
  dials,
  title: ({ dials: d }) => TITLES[d.kind](d),
  fit,
  plan,
  draw,
  moves,
  counts: ({ dials: d }) =>
    ({
      pairs: { of: 'pairs', one: 'pair', number: d.number },
      insets: { of: 'insets', one: 'inset', number: d.number },
      halves: { of: 'cards', one: 'card', number: d.number },
      order: { of: 'things', one: 'thing', number: d.number },
    })[d.kind],
  features,
  reaches,
  rungs,
  show,
};
