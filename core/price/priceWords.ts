import { amountBefore } from '../measure/amount.ts';
import type { LengthUnit } from '../measure/length.ts';

/** A material that cannot be bought, and how much of it is missing. */
export interface Lacking {
  readonly name: string;
  readonly short: number;
  readonly unit: 'each' | 'mm';
}
/** What a purchase comes to, before it is said. Money as it is written for the place. */
export interface PriceFacts {
  /** Kits still to be made. */
  readonly kits: number;
  readonly packs: readonly { readonly name: string; readonly count: number }[];
  /** With delivery; empty where nothing is bought. */
  readonly total: string;
  /** What is bought, per kit. */
  readonly each: string;
  readonly lacking: readonly Lacking[];
  /** How the place writes lengths. */
  readonly unit: LengthUnit;
}

const many = (n: number, what: string): string => `${n} ${what}${n === 1 ? '' : 's'}`;
/** “2 × Yogurt tub”, “1.2 m of Cotton cord”. */
export const missingWords = ({ name, short, unit }: Lacking, place: LengthUnit): string =>
  // Rounded up, so that what is bought after it is enough.
  `${amountBefore(unit === 'mm' ? Math.ceil(short / TENTH[place] - 1e-9) * TENTH[place] : short, unit, place)} ${name}`;
/** A tenth of a metre, a foot: mm. */
const TENTH = { mm: 100, in: 304.8 } as const;

/**
 * What a batch costs, in one or two plain sentences: what to buy for how much and for how many kits, and what no pack has.
 *
 * @example
 * priceWords({
 *   kits: 4, packs: [{ name: 'Caps, 18', count: 1 }], total: '£2.10', each: '£0.53', lacking: [], unit: 'mm',
 * }) // => 'Buy 1 × Caps, 18 for £2.10: 4 kits, £0.53 each.'
 */
export function priceWords({ kits, packs, total, each, lacking, unit }: PriceFacts): string {
  const buy = packs.map((p) => `${p.count} × ${p.name}`).join(' and ');
  const missing = lacking.map((l) => missingWords(l, unit)).join(' and ');
  const isOne = lacking.length === 1 && (lacking[0]!.unit === 'mm' || lacking[0]!.short === 1);
  const lacks = `Still missing for ${many(kits, 'kit')}: ${missing}; no pack has ${isOne ? 'it' : 'them'}.`;
  if (packs.length === 0)
    return lacking.length === 0 ? `Nothing to buy: the shelf has all for ${many(kits, 'kit')}.` : lacks;
  return lacking.length === 0
    ? `Buy ${buy} for ${total}: ${many(kits, 'kit')}, ${each} each.`
    : `Buy ${buy} for ${total}. ${lacks}`;
}
