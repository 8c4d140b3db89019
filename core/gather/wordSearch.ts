import MiniSearch from 'minisearch';

/**
 * Words that mean the same on both sides of the ocean, or in two households: any of a group finds every other. Common
 * usage, without a source.
 */
const SAME: readonly (readonly string[])[] = [
  ['yogurt', 'yoghurt'],
  ['colour', 'color', 'coloured', 'colored'],
  ['aluminium', 'aluminum'],
  ['grey', 'gray'],
  ['tin', 'can'],
  ['peg', 'clothespin', 'clothes pin', 'clothes peg', 'laundry peg'],
  ['cotton bud', 'cotton swab'],
  ['pompom', 'pom-pom', 'pom pom'],
  ['craft stick', 'lolly stick', 'ice cream stick'],
  ['rubber band', 'elastic band'],
  ['egg carton', 'egg box'],
  ['kitchen roll', 'kitchen tube', 'paper towel'],
  ['toilet roll', 'toilet tube', 'toilet paper', 'loo roll', 'bathroom tissue'],
  ['takeaway', 'take-away', 'takeout', 'take-out', 'to go'],
  ['crisp', 'crisps', 'potato chip'],
  ['cap', 'bottle top', 'screw top'],
  ['lid', 'top', 'cover'],
  ['tub', 'pot', 'container'],
  ['jug', 'pitcher'],
  ['cord', 'string', 'twine'],
  ['lace', 'shoelace', 'shoestring'],
  ['pipe cleaner', 'chenille stem', 'chenille stick'],
  ['cling film', 'plastic wrap'],
  ['tissue', 'tissue paper', 'wrapping tissue'],
  ['card', 'cardboard', 'cardstock'],
  ['nappy', 'diaper'],
  ['tap', 'faucet'],
  ['cutlery', 'silverware'],
  ['sticky tape', 'clear tape', 'adhesive tape'],
  ['washing-up liquid', 'dish soap'],
  ['fir cone', 'pine cone'],
  ['conker', 'horse chestnut', 'buckeye'],
  ['cooker', 'stove'],
  ['biscuit', 'cookie'],
  ['sweet', 'candy'],
  ['bean', 'beans'],
  ['pasta', 'macaroni', 'noodle'],
  ['felt-tip', 'marker'],
  ['drawing pin', 'thumbtack', 'push pin'],
  ['spanner', 'wrench'],
  ['torch', 'flashlight'],
  ['plaster', 'adhesive bandage'],
];

const folded = (text: string): string => text.toLowerCase().normalize('NFD').replace(/\p{M}/gu, '');
/** Plural and singular are one word. */
const singular = (term: string): string =>
  term.length > 4 && /(ch|sh|x|ss)es$/.test(term)
    ? term.slice(0, -2)
    : term.length > 3 && /[^s]s$/.test(term)
      ? term.slice(0, -1)
      : term;

/** Other words for what a text names. */
function alsoWords(text: string): string {
  const words = ` ${folded(text).replace(/[^a-z0-9]+/g, ' ')} `;
  const has = (phrase: string): boolean => {
    const plain = phrase.replace(/[^a-z0-9]+/g, ' ');
    return words.includes(` ${plain} `) || words.includes(` ${plain}s `);
  };
  return SAME.filter((group) => group.some(has))
    .flat()
    .join(' ');
}

export interface Entry<I> {
  readonly id: I;
  /** What it is called. */
  readonly name: string;
  /** Further words it may be found by, of less weight. */
  readonly more?: string;
}

/**
 * A search over names: every word of the wish must be in an entry, as it is, as its beginning, with one letter wrong, or in
 * other words for the same thing; accents and plurals do not matter.
 *
 * @returns ids, the best match first; every id in the entries' order where the wish is empty
 * @example wordSearch([{ id: 1, name: 'Yogurt tub' }])('yoghurt') // => [1]
 */
export function wordSearch<I extends string | number>(
  entries: readonly Entry<I>[],
): (wish: string) => readonly I[] {
  const index = new MiniSearch<{ id: I; name: string; also: string; more: string }>({
    fields: ['name', 'also', 'more'],
    tokenize: (text) =>
      folded(text)
        .split(/[^\p{L}\p{N}]+/u)
        .filter(Boolean),
    processTerm: singular,
    searchOptions: {
      boost: { name: 3, also: 1.5 },
      prefix: true,
      combineWith: 'AND',
    },
  });
  index.addAll(entries.map((e) => ({ id: e.id, name: e.name, also: alsoWords(e.name), more: e.more ?? '' })));
  const all = entries.map((e) => e.id);
  return (wish) => {
    if (wish.trim() === '') return all;
    const meant = index.search(wish);
    // A wrong letter is only looked past where the word as it stands finds nothing: tube is not tub.
    const found =
      meant.length > 0 ? meant : index.search(wish, { fuzzy: (term) => (term.length > 4 ? 1 : false) });
    return found.map((r) => r.id as I);
  };
}
