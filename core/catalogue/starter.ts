import { entryOf, type CatalogueEntry } from './index.ts';

/** A kind that most households have, with how many there usually are at a first count. */
export interface StarterKind {
  readonly entry: CatalogueEntry;
  /** Each, or mm for what is counted by length. */
  readonly usual: number;
}

/** Common practice, without a source: what a week or two of saving in a few households brings. */
const USUAL: Readonly<Record<string, number>> = {
  'yogurt-tub': 4,
  'spread-tub': 2,
  'crisp-tube': 2,
  'shoe-box': 2,
  'milk-cap': 12,
  'juice-cap': 8,
  'jar-lid': 6,
  'coffee-lid': 2,
  'wine-cork': 8,
  'kitchen-tube': 6,
  'foil-tube': 2,
  'cereal-panel': 6,
  'parcel-panel': 3,
  'a4-card': 20,
  'shoe-lace': 4,
  wool: 20_000,
  'wooden-peg': 12,
  'craft-stick': 20,
  'paper-straw': 12,
  'table-ball': 6,
  'sponge-cube': 8,
  'button-large': 10,
  'paper-plate': 8,
  'party-cup': 8,
  'masking-tape': 10_000,
  'cloth-tape': 5000,
  'craft-glue': 1,
  'zip-bag': 10,
};

/**
 * A first shelf: kinds of the catalogue that most households have, in the catalogue's groups, each with a usual count to
 * correct.
 *
 * @example starterShelf().some((k) => k.entry.key === 'milk-cap') // => true
 */
export const starterShelf = (): StarterKind[] =>
  Object.entries(USUAL).flatMap(([key, usual]) => {
    const entry = entryOf(key);
    return entry ? [{ entry, usual }] : [];
  });
