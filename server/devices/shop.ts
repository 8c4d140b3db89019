import { addDays, daysBetween, type Day } from '../../core/calendar/days.ts';

/** A pack in the shop's list; contents by catalogue key. Everything here is invented. */
export interface ShopPack {
  readonly key: string;
  readonly supplier: string;
  readonly delivery: number;
  readonly name: string;
  /** Usual price in minor units, and by what share it swings over a year. */
  readonly usual: number;
  readonly swing: number;
  readonly contents: readonly { readonly catalogue: string; readonly quantity: number }[];
}

const SHED = { supplier: 'Paper shed by the slip', delivery: 390 };
const STALL = { supplier: 'Lantern stall', delivery: 0 };
const pack = (
  from: typeof SHED,
  key: string,
  name: string,
  usual: number,
  swing: number,
  ...contents: [string, number][]
): ShopPack => ({
  ...from,
  key,
  name,
  usual,
  swing,
  contents: contents.map(([catalogue, quantity]) => ({ catalogue, quantity })),
});

export const SHOP: readonly ShopPack[] = [
  pack(SHED, 'sticks-100', 'Craft sticks, 100', 265, 0.12, ['craft-stick', 100]),
  pack(SHED, 'sticks-50', 'Craft sticks, 50', 160, 0.1, ['craft-stick', 50]),
  pack(STALL, 'sticks-wide-40', 'Wide craft sticks, 40', 230, 0.18, ['wide-stick', 40]),
  pack(SHED, 'poms-60', 'Pom-poms 25 mm, 60', 310, 0.15, ['pom-pom', 60]),
  pack(STALL, 'poms-20', 'Pom-poms 50 mm, 20', 340, 0.2, ['pom-large', 20]),
  pack(SHED, 'chenille-50', 'Chenille stems, 50', 290, 0.14, ['chenille', 50]),
  pack(SHED, 'pegs-36', 'Wooden pegs, 36', 275, 0.1, ['wooden-peg', 36]),
  pack(STALL, 'pegs-24', 'Wooden pegs, 24', 210, 0.16, ['wooden-peg', 24]),
  pack(STALL, 'mini-pegs-50', 'Small pegs, 50', 245, 0.2, ['mini-peg', 50]),
  pack(SHED, 'laces-10', 'Shoe laces, 10 pairs', 620, 0.1, ['shoe-lace', 20]),
  pack(SHED, 'card-50', 'Card A4, 50 sheets', 480, 0.12, ['a4-card', 50]),
  pack(SHED, 'paper-500', 'Paper A4, 500 sheets', 560, 0.25, ['a4-paper', 500]),
  pack(SHED, 'pouches-25', 'Laminating pouches A4, 25', 590, 0.1, ['laminate', 25]),
  pack(STALL, 'straws-100', 'Paper straws, 100', 320, 0.15, ['paper-straw', 100]),
  pack(STALL, 'beads-30', 'Wooden beads 25 mm, 30', 450, 0.12, ['bead-large', 30]),
  pack(SHED, 'masking-50', 'Masking tape, 50 m', 310, 0.1, ['masking-tape', 50_000]),
  pack(STALL, 'felt-10', 'Felt sheets, 10', 540, 0.15, ['felt-sheet', 10]),
  pack(
    SHED,
    'starter',
    'Starter box: sticks, pegs, poms',
    690,
    0.08,
    ['craft-stick', 50],
    ['wooden-peg', 24],
    ['pom-pom', 30],
  ),
  pack(STALL, 'balls-6', 'Table-tennis balls, 6', 280, 0.12, ['table-ball', 6]),
  pack(SHED, 'bags-50', 'Zip bags 1 l, 50', 390, 0.1, ['zip-bag', 50]),
];

/** Lists come out on Mondays. */
const FIRST_LIST: Day = '2026-01-05';
const weekOf = (day: Day): number => Math.floor(daysBetween(FIRST_LIST, day) / 7);
export const listDay = (day: Day): Day => addDays(FIRST_LIST, 7 * weekOf(day));

/** A number from 0 to 1 that is always the same for the same words: the shop has no clock and no luck of its own. */
function fixed(words: string): number {
  let h = 2_166_136_261;
  for (let i = 0; i < words.length; i++) h = Math.imul(h ^ words.charCodeAt(i), 16_777_619);
  h ^= h >>> 15;
  h = Math.imul(h, 2_246_822_519);
  h ^= h >>> 13;
  return (h >>> 0) / 4_294_967_296;
}

export interface ShopLine {
  readonly key: string;
  readonly price: number;
  readonly inStock: boolean;
}

/**
 * The shop's list of the week of `day`: prices hold for some weeks and then step, within each pack's swing; now and then a
 * pack is sold out for a week or two. Prices in whole minor units, to the five.
 */
export function priceList(day: Day): ShopLine[] {
  const week = weekOf(day);
  return SHOP.map((p) => {
    const holds = 3 + Math.floor(3 * fixed(`${p.key} holds`));
    const shift = Math.floor(holds * fixed(`${p.key} shift`));
    const step = 2 * fixed(`${p.key} ${Math.floor((week + shift) / holds)}`) - 1;
    return {
      key: p.key,
      price: Math.max(5, 5 * Math.round((p.usual * (1 + p.swing * step)) / 5)),
      inStock: fixed(`${p.key} sold out ${Math.floor((week + shift) / 2)}`) > 0.13,
    };
  });
}

/** The days of the lists from `since` (not itself) to `until`, at most the last twelve. */
export function listDays(since: Day | null, until: Day): Day[] {
  const last = weekOf(until);
  const first = since === null ? last - 11 : Math.max(last - 11, weekOf(since) + 1);
  return Array.from({ length: Math.max(0, last - first + 1) }, (_, i) =>
    addDays(FIRST_LIST, 7 * (first + i)),
  );
}
