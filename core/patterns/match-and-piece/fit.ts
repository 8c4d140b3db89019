import type { Move } from '../../challenge/bits.ts';
import type { Material } from '../../materials/material.ts';
import type { At, Fact, Fit } from '../kernel.ts';
import { answers, mm } from '../making.ts';
import { LAMINATE_EDGE, mostAtOnce, mostShown, parts, shownOn, type Dials } from './dials.ts';
import { SHAPES } from '../../outline/shapes.ts';
import { boardOf, closestInset, INSETS } from './insets.ts';
import { halvesOf } from './lines.ts';
import { bestOrder, LEAST_RATIO, type Order } from './order.ts';
import { text } from './words.ts';

const { max, min } = Math;

/** A wrong pair that leaves less than this is taken for the right one, mm (common practice). */
const TOLD_APART = 3;

export interface Detail {
  /** Of all wrong pairs the one that fits best, and by how much it does not, mm. */
  readonly closest: { readonly a: number; readonly b: number; readonly gap: number } | null;
  readonly order: Order | null;
}

export function layOut(at: At<Dials>): Detail {
  const { dials: d } = at;
  switch (d.kind) {
    case 'halves':
      return { closest: halvesOf(d.cut, d.width, d.height, d.number).closest, order: null };
    case 'insets':
      return { closest: closestInset(INSETS.slice(0, d.number), d.width, d.loose), order: null };
    case 'order':
      return { closest: null, order: bestOrder(parts(at).items, d.measure, d.number) };
    case 'pairs':
      return { closest: null, order: null };
  }
}

/** Longest and shorter side of what cards or a board are cut from, mm. */
function roomOn(m: Material): [number, number] {
  const { length = 0, width = 0, height = 0 } = m.sizes;
  const [a, b] = m.form === 'container' ? [height, length] : [length, width];
  return [max(a, b), min(a, b)];
}
const goesOn = ([w, h]: readonly [number, number], m: Material): boolean => {
  const [long, short] = roomOn(m);
  return max(w, h) <= long + 1e-6 && min(w, h) <= short + 1e-6;
};

/** What is laid out to choose from: an inset's hole among all, a card among those shown, a thing among the rest. */
const choicesOf = (d: Dials): number =>
  d.kind === 'insets' || d.kind === 'order' ? d.number : min(d.shown, d.number);

export function fit(at: At<Dials>): Fit<Detail> {
  const { dials: d, ageFrom } = at;
  const { card, board, laminate, stick } = parts(at);
  const detail = layOut(at);
  const { closest, order } = detail;
  const choices = choicesOf(d);
  const name = (i: number): string =>
    d.kind === 'insets' ? SHAPES[INSETS[i]!].label.toLowerCase() : shownOn(d, i).word;
  const gaps = order ? order.values.slice(1).map((v, i) => v - order.values[i]!) : [];
  const facts: Fact[] = [
    d.kind === 'order'
      ? {
          id: 'ratio',
          label: 'Each, of the one before',
          value: order ? Math.round(order.ratio * 100) / 100 : 'not enough things',
          onMat: true,
        }
      : {
          id: 'closestWrongFit',
          label:
            d.kind === 'insets'
              ? 'Closest wrong one stands over by'
              : d.kind === 'halves'
                ? 'Closest wrong pair leaves'
                : 'Wrong pair leaves',
          // Cards of a pair are alike in size: nothing but what they show tells them apart.
          value: closest ? Math.max(0, closest.gap) : 0,
          unit: 'mm',
          onMat: true,
        },
    ...(d.kind === 'order' && gaps.length > 0 && d.measure !== 'mass'
      ? [{ id: 'closestWrongFit', label: 'Least difference', value: min(...gaps), unit: 'mm' } as const]
      : []),
    { id: 'shown', label: 'Shown at once', value: choices, unit: 'each', onMat: true },
    ...(closest && closest.gap > 0
      ? [
          {
            id: 'closestPair',
            label: 'Closest wrong pair',
            value: `${name(closest.a)} and ${name(closest.b)}`,
          },
        ]
      : []),
    ...(order && order.ratio >= LEAST_RATIO
      ? [
          {
            id: 'words',
            label: 'Words for it',
            value: text(at, 'orderWords', { measure: d.measure }),
          },
        ]
      : []),
  ];
  const say = answers(facts, detail);
  if (d.kind === 'order') {
    if (!order)
      return say(
        'stop',
        'Not enough things of one form',
        `Choose at least ${d.number} of one form whose ${d.measure} is known, or put fewer in order.`,
      );
    if (order.ratio < LEAST_RATIO)
      return say(
        'stop',
        'Two of them are too alike',
        `Each should be at least ${LEAST_RATIO} times the one before; here one is ${order.ratio.toFixed(2)} times. Choose others, or ${d.number > 3 ? 'fewer' : 'another measure'}.`,
      );
    if (order.otherwise > LEAST_RATIO)
      return say(
        'care',
        'They differ in more than one measure',
        `Otherwise they differ up to ${order.otherwise.toFixed(2)} times: choose things that are alike but for their ${d.measure}.`,
      );
    return say('clear', 'An order to see and feel', null);
  }
  if (!card)
    return say('stop', 'Nothing to cut cards from', 'Choose card, a print or a cereal box from the shelf.');
  if (d.kind === 'insets' && !board)
    return say('stop', 'No board for the insets', 'Choose a thick sheet from the shelf, or make pairs.');
  const size: [number, number] = d.kind === 'insets' ? [d.width, d.width] : [d.width, d.height];
  if (!goesOn(size, card)) {
    const [long, short] = roomOn(card);
    return say(
      'stop',
      'The card is larger than its sheet',
      `${card.name} gives at most ${mm(long)} × ${mm(short)}.`,
    );
  }
  if (d.kind === 'insets') {
    const [w, h] = boardOf(d.number, d.width, d.loose).size;
    if (!goesOn([w, h], board!))
      return say(
        'stop',
        'The board is too small',
        `${d.number} insets need ${mm(w)} × ${mm(h)}: fewer, smaller, or a larger board.`,
      );
  }
  if (d.laminated && !laminate)
    return say('stop', 'No laminating pouch', 'Choose one from the shelf, or leave the cards as they are.');
  if (d.kind === 'pairs' && d.partner === 'stick' && d.shows === 'colour' && !stick)
    return say('stop', 'No sticks to match', 'Choose sticks from the shelf, or match colour with colour.');
  if (d.kind === 'insets' && d.number > INSETS.length)
    return say('stop', 'Not so many different insets', `There are ${INSETS.length}: take at most so many.`);
  const missing = Array.from({ length: d.number }, (_, i) => shownOn(d, i).word).filter(
    (w) => w === '',
  ).length;
  if (d.shows === 'own text' && d.kind !== 'insets' && missing > 0)
    return say(
      'care',
      'Some cards are empty',
      `Write ${d.number} words, apart by commas: ${missing} are missing.`,
    );
  if (d.kind !== 'insets' && d.number > mostShown(d))
    return say(
      'care',
      'Two pairs look alike',
      `There are ${mostShown(d)} different ones to show: take fewer.`,
    );
  if (closest && closest.gap < TOLD_APART)
    return d.kind === 'halves'
      ? say(
          'care',
          d.cut === 'straight' ? 'Every half fits every other' : 'Two cuts are too alike',
          d.cut === 'straight'
            ? 'A straight cut is the same line on every card: the picture alone tells them apart. Cut a wave, a zigzag or steps.'
            : `The halves of ${name(closest.a)} and ${name(closest.b)} leave only ${mm(closest.gap)}: fewer cards, larger ones or another cut.`,
        )
      : say(
          'care',
          closest.gap <= 0 ? 'An inset goes into a wrong hole' : 'An inset nearly goes into a wrong hole',
          `${name(closest.a)} in the hole of ${name(closest.b)}: less room all round, larger ones or fewer.`,
        );
  const most = mostAtOnce(ageFrom);
  if (choices > most)
    return say('care', 'Many to choose from', `At that age begin with up to ${most} at once.`);
  return say(
    'clear',
    d.kind === 'pairs'
      ? 'Every card has its own'
      : d.kind === 'insets'
        ? 'Each goes into its own hole'
        : 'Only its own half fits',
    null,
  );
}

/** From where they lie to their place, mm (common practice). */
const REACH = 250;

/** One card, half, inset or thing: chosen among what is shown, then set where it belongs. */
export function moves(at: At<Dials>, { detail }: Fit<Detail>): Move[] {
  const { dials: d } = at;
  const small = d.kind === 'order' ? 20 : min(d.width, d.height);
  const placing = {
    // Beside its partner, within half a card.
    pairs: small / 2,
    insets: 2 * d.loose,
    // Half of what a wrong one would leave: nearer is right.
    halves: max(1.5, min(6, (detail.closest?.gap ?? 6) / 2)),
    order: 20,
  }[d.kind];
  return [
    { distance: REACH, tolerance: max(8, small / 2), choices: choicesOf(d) },
    { distance: REACH, tolerance: placing, ...(d.kind === 'insets' ? { ways: 4, waysIn: 1 } : {}) },
  ];
}

/** A card as it is cut, with its laminate where it has one, mm. */
export const cardSize = (d: Dials): [number, number] => {
  const edge = d.laminated && d.kind !== 'insets' ? 2 * LAMINATE_EDGE : 0;
  return [d.width + edge, d.height + edge];
};
