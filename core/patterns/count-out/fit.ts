import type { Move } from '../../challenge/bits.ts';
import { volume } from '../../geometry/shape.ts';
import { passage } from '../../passage/passage.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import { shapeOf, type Material } from '../../materials/material.ts';
import type { At, Fact, Fit } from '../kernel.ts';
import { answers, mm, sharedKinds } from '../making.ts';
import { HEAD, needed, parts, tokenSize, type Dials } from './dials.ts';

const { ceil, floor, max, min } = Math;

/** Largest number that so many tokens reach from `from` on; null where they do not even cover the first card. */
function reaches(from: number, tokens: number, laid: Dials['laid']): number | null {
  let to: number | null = null;
  for (let b = from; b <= 20 && needed(from, b, laid) <= tokens; b++) to = b;
  return to;
}

/** Room between two tokens on a card, mm. */
const BETWEEN = 2;

/**
 * Where tokens are laid on a card, mm about its middle: rows that can be counted at a glance, the last one in the middle;
 * empty where so many do not go on.
 */
export function spots({ dials: d, chosen }: At<Dials>, n: number): Vec2[] {
  if (n === 0) return [];
  const { wide } = kindsWide({ chosen });
  const head = d.shows === 'quantity' ? 0 : HEAD;
  const [w, h] = [d.width - 6, d.height - 6 - head];
  const go = (room: number): number => floor((room + BETWEEN + 1e-9) / (wide + BETWEEN));
  const [across, down] = [min(n, go(w)), go(h)];
  // As few columns as the height allows: a column is counted with one look down.
  const columns = Array.from({ length: across }, (_, i) => i + 1).find((c) => ceil(n / c) <= down);
  if (columns === undefined) return [];
  const rows = ceil(n / columns);
  const step = [
    min(wide + 12, columns > 1 ? (w - wide) / (columns - 1) : 0),
    min(wide + 12, rows > 1 ? (h - wide) / (rows - 1) : 0),
  ] as const;
  return Array.from({ length: n }, (_, i): Vec2 => {
    const row = floor(i / columns);
    const here = row === rows - 1 ? n - row * columns : columns;
    return [((i % columns) - (here - 1) / 2) * step[0], (row - (rows - 1) / 2) * step[1] + head / 2];
  });
}
const kindsWide = ({ chosen }: Pick<At<Dials>, 'chosen'>): { wide: number } => ({
  wide: max(...parts({ chosen }).kinds.map((m) => tokenSize(m).wide)),
});

/** Chances of each number with one die or two, as shares of 1. */
function chances(dice: number): Map<number, number> {
  const out = new Map<number, number>();
  if (dice === 1) for (let n = 1; n <= 6; n++) out.set(n, 1 / 6);
  if (dice === 2) for (let n = 2; n <= 12; n++) out.set(n, (6 - Math.abs(n - 7)) / 36);
  return out;
}

/** What closes the gap: fewer cards, one at a time, or more tokens, whichever changes least. */
function smallest(d: Dials, far: number, short: number): string {
  const fewer = d.to - far;
  const ways: [number, string][] = [
    [fewer, `end at ${far}`],
    [short, `put ${short} more in`],
    ...(d.laid === 'all at once' && d.to <= d.tokens && d.dice < 2
      ? ([[1, 'lay one card at a time']] as [number, string][])
      : []),
  ];
  const [best, ...others] = ways.sort((a, b) => a[0] - b[0]).map(([, words]) => words);
  return `${best}; or ${others.join(', or ')}`;
}

export interface Detail {
  readonly needed: number;
  readonly reaches: number | null;
}
/** Share of a pouch that loose tokens fill (loose random packing, from memory), and its usual depth, mm. */
const HEAPED = 0.55;
const POUCH_DEEP = 51;

/** How deep a pouch is, and how high the cards with the tokens heaped on its floor stand in it; mm, its floor mm². */
function pouchOf(at: At<Dials>, pouch: Material): { deep: number; stands: number; floor: number } {
  const { dials: d } = at;
  const { card, kinds } = parts(at);
  const { diameter, length = 0, width = 0, height } = pouch.sizes;
  const floor = diameter !== undefined ? (Math.PI / 4) * diameter ** 2 : length * width;
  const isStiff = diameter !== undefined || pouch.form === 'container';
  const deep = isStiff ? (height ?? POUCH_DEEP) : POUCH_DEEP;
  const tokens = sharedKinds(kinds, d.tokens).reduce(
    (sum, k) => sum + (k.count * volume(shapeOf(k.material)!)) / HEAPED,
    0,
  );
  const cards = (d.to - d.from + 1) * d.width * d.height * (card.sizes.wall ?? 0.3);
  const stands = floor > 0 ? (tokens + cards) / floor : 0;
  return { deep, stands: Math.round(10 * stands) / 10, floor };
}

export function fit(at: At<Dials>): Fit<Detail> {
  const { dials: d } = at;
  const { card, kinds, pouch, stick } = parts(at);
  const need = needed(d.from, d.to, d.laid);
  const withDice = d.dice === 2 ? max(need, 12) : need;
  const short = max(0, withDice - d.tokens);
  const far = reaches(d.from, d.tokens, d.laid);
  const cards = d.to - d.from + 1;
  const detail: Detail = { needed: withDice, reaches: far };
  const most = chances(d.dice);
  const highest = Math.max(0, ...most.values());
  const likely = [...most].filter(([, share]) => share >= highest - 1e-9).map(([n]) => n);
  const inside = pouch ? pouchOf(at, pouch) : null;
  const facts: Fact[] = [
    { id: 'tokensNeeded', label: 'Tokens needed', value: withDice, unit: 'each', onMat: true },
    { id: 'tokensShort', label: 'Tokens short', value: short, unit: 'each', onMat: true },
    { id: 'reaches', label: 'These tokens reach', value: far ?? 'not the first card', onMat: true },
    { id: 'cards', label: 'Cards', value: cards, unit: 'each' },
    ...(most.size > 0
      ? [
          {
            id: 'likely',
            label: 'Thrown most often',
            value:
              likely.length === most.size
                ? `each as often: 1 in ${most.size}`
                : `${likely.join(', ')}: ${Math.round(highest * 36)} of 36`,
          },
        ]
      : []),
    ...(inside
      ? ([
          { id: 'pouchDeep', label: 'Pouch deep', value: inside.deep, unit: 'mm' },
          { id: 'goesInDeep', label: 'What goes in stands', value: inside.stands, unit: 'mm' },
        ] as const)
      : []),
  ];
  const say = answers(facts, detail);
  const { length = 0, width = 0, height = 0 } = card.sizes;
  const room = card.form === 'container' ? [height, length] : [length, width];
  const [long, side] = [max(...(room as [number, number])), min(...(room as [number, number]))];
  if (max(d.width, d.height) > long || min(d.width, d.height) > side)
    return say(
      'stop',
      'The card is larger than its sheet',
      `${card.name} gives at most ${mm(long)} × ${mm(side)}.`,
    );
  if (d.shows !== 'numeral' && spots(at, d.to).length < d.to)
    return say(
      'stop',
      'The spots do not go on the card',
      `Make the cards larger, end before ${d.to}, or show the numeral alone.`,
    );
  if (d.dice === 1 && d.to > 6)
    return say('care', 'One die ends at 6', `No throw asks for ${d.to}: end at 6, or use two dice.`);
  if (short > 0)
    return say(
      'care',
      `${short} tokens short`,
      far !== null && far >= d.from
        ? `Smallest change: ${smallest(d, far, short)}.`
        : `Put ${short} more in, or lay one card at a time.`,
    );
  if (at.approach === 'prepared shelf' && d.tokens > withDice)
    return say(
      'care',
      'Tokens are left over',
      `Use exactly ${withDice}: one over or one left then shows the error by itself.`,
    );
  const escapes =
    pouch && d.holes > 0
      ? kinds.find(
          (m) => passage({ piece: shapeOf(m)!, opening: { kind: 'round', diameter: d.holes } }).passes,
        )
      : undefined;
  if (escapes)
    return say(
      'care',
      'A token gets out of the pouch',
      `${escapes.name} goes through a hole of ${mm(d.holes)}: tape the holes, or use larger tokens.`,
    );
  if (d.sticks && !stick)
    return say('care', 'No stick is chosen', 'Choose sticks to write on, or leave them out.');
  if (pouch && inside && inside.floor > 0 && inside.stands > inside.deep)
    return say(
      'care',
      'The pouch does not close',
      `${pouch.name} holds about ${Math.floor((100 * inside.deep) / inside.stands)} % of it: a larger one, or fewer tokens.`,
    );
  return say('clear', 'Always the right number', null);
}

/** From the pouch to the card, mm (common practice). */
const REACH = 200;

/** One token: take one from the rest, lay it on its spot; the card it belongs to has to be found. */
export function moves(at: At<Dials>): Move[] {
  const { dials: d } = at;
  const { wide } = kindsWide(at);
  const cards = d.to - d.from + 1;
  const aim = d.shows === 'numeral' ? min(d.width, d.height) : max(2, wide * 0.5);
  return [
    { distance: REACH, tolerance: max(5, wide) },
    { distance: REACH, tolerance: aim, ...(d.laid === 'all at once' ? { choices: cards } : {}) },
    // How many is a choice among the numbers that may be asked for.
    { distance: REACH, tolerance: 2 * REACH, choices: cards },
  ];
}
