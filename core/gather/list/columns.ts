import { nameWords } from '../../catalogue/nameWords.ts';
import { colourOf } from './colours.ts';
import { dayIn } from './dayIn.ts';

/** What a column of somebody's own list can mean; `ignore` is a column that is left out. */
export const LIST_FIELDS = [
  'name',
  'kind',
  'count',
  'size',
  'across',
  'length',
  'width',
  'height',
  'thickness',
  'colour',
  'made of',
  'came in',
  'from',
  'ignore',
] as const;
export type ListField = (typeof LIST_FIELDS)[number];

/** Headings as people write them; common practice, without a source. */
const HEADINGS: Readonly<Record<Exclude<ListField, 'ignore'>, string>> = {
  name: 'name, item, thing, article, description, material, object, what, product, title',
  kind: 'kind, type, form, category, sort, shape, group',
  count:
    'count, quantity, qty, number, no, amount, how many, pieces, pcs, stock, in stock, have, kept, on hand, total, units',
  size: 'size, sizes, dimensions, dimension, measure, measurements, measures, mm, cm, l x w x h',
  across: 'across, diameter, dia, diam, ø, round, d',
  length: 'length, long, l',
  width: 'width, wide, breadth, w, b',
  height: 'height, high, tall, depth, deep, h',
  thickness: 'thickness, thick, wall, gauge',
  colour: 'colour, color, colours, colors',
  'made of': 'made of, class, stuff, substance, material class, made from',
  'came in': 'came in, came, date, day, received, added, in on, since, when',
  from: 'from, source, family, donor, given by, who, brought by',
};
const KNOWN = Object.entries(HEADINGS).flatMap(([field, list]) =>
  list.split(', ').map((h) => ({ field: field as ListField, words: headingWords(h) })),
);

/** A heading without case, accents, unit in brackets and marks: “Ø (mm)” and “Dia. [mm]” are short words. */
export function headingWords(heading: string): string {
  const bare = heading.replace(/\(.*?\)|\[.*?\]/g, ' ').replace(/#/g, ' number ');
  return /ø/i.test(bare) ? 'ø' : nameWords(bare).join(' ');
}

/**
 * The unit that a heading names for the bare numbers under it: “Size (cm)”, “Height in mm”, “Dia, inches”.
 *
 * @example unitOf('Size (cm)') // => 'cm'
 */
export function unitOf(heading: string): 'mm' | 'cm' | 'in' | null {
  const found = /(?:^|[\s([,])(mm|cm|in(?:ch(?:es)?)?)\.?[\s)\]]*$/i.exec(heading.trim())?.[1]?.toLowerCase();
  return found === undefined ? null : found === 'mm' || found === 'cm' ? found : 'in';
}

/** Whether two thirds of the cells that say something can be read so. */
const mostly = (cells: readonly string[], reads: (cell: string) => boolean): boolean => {
  const said = cells.filter((c) => c.trim() !== '');
  return said.length > 0 && said.filter(reads).length >= (2 / 3) * said.length;
};

/**
 * What each column of a list means: by what was said of its heading before, by its heading, and where that tells nothing by
 * what stands under it. No field but `ignore` is given twice; the first column of words is the name.
 *
 * @param headings as they stand in the file
 * @param rows cells under them, some rows are enough
 * @param remembered fields by heading (as `headingWords` writes it), as somebody set them before
 * @example guessColumns(['Item', 'Qty'], [['Caps', '12']]) // => ['name', 'count']
 */
export function guessColumns(
  headings: readonly string[],
  rows: readonly (readonly string[])[],
  remembered: Readonly<Record<string, string>> = {},
): ListField[] {
  const fields: (ListField | null)[] = headings.map(() => null);
  const free = (f: ListField): boolean => f === 'ignore' || !fields.includes(f);
  const take = (i: number, f: ListField | undefined): void => {
    if (f !== undefined && fields[i] === null && free(f)) fields[i] = f;
  };
  const words = headings.map(headingWords);
  words.forEach((w, i) =>
    take(
      i,
      LIST_FIELDS.find((f) => f === remembered[w]),
    ),
  );
  words.forEach((w, i) => take(i, KNOWN.find((k) => k.words === w)?.field));
  // A longer heading that holds a known word: “Date received”, “Colour of lid”.
  words.forEach((w, i) => {
    const parts = w.split(' ');
    take(i, KNOWN.find((k) => k.words.length > 2 && parts.includes(k.words))?.field);
  });
  const under = headings.map((_, i) => rows.map((r) => r[i] ?? ''));
  under.forEach((cells, i) => {
    if (fields[i] !== null) return;
    if (mostly(cells, (c) => dayIn(c, 'en-GB') !== null)) take(i, 'came in');
    else if (mostly(cells, (c) => /\d\s*[x×*]\s*\d/i.test(c))) take(i, 'size');
    else if (mostly(cells, (c) => /^\d{1,6}$/.test(c.trim()))) take(i, 'count');
    else if (mostly(cells, (c) => colourOf(c) !== null)) take(i, 'colour');
    else if (mostly(cells, (c) => /\p{L}{2}/u.test(c))) take(i, 'name');
  });
  return fields.map((f) => f ?? 'ignore');
}

/**
 * The row that holds the headings, counted from 0: the first of the first ten in which two cells are headings that are
 * known, else the first with two cells that say something. A title above a list is no heading.
 */
export function headerRow(rows: readonly (readonly string[])[]): number {
  const first = rows.slice(0, 10);
  const known = first.findIndex(
    (r) => r.filter((c) => KNOWN.some((k) => k.words === headingWords(c))).length >= 2,
  );
  if (known >= 0) return known;
  return Math.max(
    0,
    first.findIndex((r) => r.filter((c) => c.trim() !== '').length >= 2),
  );
}
