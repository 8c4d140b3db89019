import type { Day } from '../../calendar/days.ts';
import { asMaterial, catalogue, entryOf, type CatalogueEntry } from '../../catalogue/index.ts';
import { nameWords } from '../../catalogue/nameWords.ts';
import { requiredSizes, SIZES_OF, type Form, type SizeName, type Sizes } from '../../materials/kinds.ts';
import type { MaterialInput } from '../../materials/material.ts';
import { materialInput } from '../../materials/materialInput.ts';
import { parseLength, type LengthUnit } from '../../measure/length.ts';
import { wordSearch } from '../wordSearch.ts';
import { colourOf } from './colours.ts';
import type { ListField } from './columns.ts';
import { dayIn } from './dayIn.ts';
import { classMeant, formMeant } from './formWords.ts';

/** A row that was understood: what it is, how many came, when and from whom. */
interface ListKind {
  /** The row in the file, counted from 1. */
  readonly row: number;
  readonly material: MaterialInput;
  readonly quantity: number;
  readonly cameOn: Day;
  readonly from: string;
  /** The entry of the catalogue that lent the sizes which the row does not say; null where it says them all. */
  readonly usualOf: string | null;
}
/** A row that was not, as it stands, with every reason. */
interface ListFault {
  readonly row: number;
  readonly cells: readonly string[];
  readonly why: readonly string[];
}
export interface ReadList {
  readonly good: ListKind[];
  readonly bad: ListFault[];
  /** Rows of totals that were left out. */
  readonly totals: number;
}

const TOTAL = /^\s*((grand |sub)?totals?|sum|in all|altogether)\b/i;
const GREY = '#53625F';

/**
 * How many: `12`, `4,0`, `ca. 12`, `12 pcs`, `1,200`.
 *
 * @throws RangeError saying what was expected
 */
export function countIn(text: string): number {
  const t = text.trim().replace(/^(ca\.?|circa|about|approx\.?|~|around)\s*/i, '');
  const m = /^(\d{1,3}(?:[,. ]\d{3})+|\d+)(?:[.,]0+)?\s*(?:×|x|pcs?\.?|pieces?|each|no\.?|units?)?$/i.exec(t);
  if (!m) throw new RangeError(`“${text.trim().slice(0, 30)}” is no count; expected a whole number like 12`);
  return Number(m[1]!.replace(/[,. ]/g, ''));
}

/**
 * Lengths in one cell: `38 x 14 mm`, `9 1/2 × 12 in`, `4,5`; a unit at the end is that of all.
 *
 * @returns mm, in the order they stand
 * @throws RangeError saying what was expected
 */
export function sizesIn(text: string, unit: LengthUnit): number[] {
  const parts = text
    .replace(/^[øØ⌀]\s*/, '')
    .split(/\s*(?:[x×*]|\bby\b)\s*/i)
    .filter((p) => p.trim() !== '');
  const own = /(mm|cm|m|in|inch|inches|"|″|”)\.?\s*$/i.exec(parts.at(-1) ?? '')?.[1] ?? '';
  return parts.map((p) => parseLength(/[a-z"″”]/i.test(p) ? p : `${p} ${own}`, unit));
}

/** Which measures some lengths are, for a form; the smaller of a tube, a rod and a cord is how far it is across. */
function named(form: Form, solid: string | undefined, mm: readonly number[]): Sizes {
  const as = (...names: SizeName[]): Sizes =>
    Object.fromEntries(names.flatMap((n, i) => (mm[i] === undefined ? [] : [[n, mm[i]]])));
  const [small, large] = [...mm].sort((a, b) => a - b);
  if (form === 'tube' || form === 'cord' || solid === 'rod')
    return { diameter: small!, ...(large === undefined ? {} : { length: large }) };
  if (form === 'disc' || solid === 'cone') return as('diameter', 'height');
  if (solid === 'ball') return as('diameter');
  if (form === 'container') return mm.length > 2 ? as('length', 'width', 'height') : as('diameter', 'height');
  if (form === 'sheet') return as('length', 'width', 'wall');
  return as('length', 'width', 'height');
}

const SAYS: Readonly<Record<SizeName, string>> = {
  diameter: 'how far it is across',
  length: 'its length',
  width: 'its width',
  height: 'its height',
  wall: 'its thickness',
};
const search = (() => {
  let found: ((wish: string) => readonly string[]) | null = null;
  return (wish: string): readonly string[] =>
    (found ??= wordSearch(catalogue.map((e) => ({ id: e.key, name: e.name }))))(wish);
})();
/** The entry that a name means, of the form it is of; what it is called before any comma is what counts. */
function meantEntry(name: string, form: Form | undefined): CatalogueEntry | undefined {
  const head = name.split(/[,(]/)[0]!.trim();
  if (nameWords(head).length === 0) return undefined;
  const entries = search(head).map((key) => entryOf(key)!);
  return entries.find((e) => form === undefined || e.form === form);
}

/**
 * Reads somebody's own list of what they have. Rows that are understood come apart from those that are not; nothing is
 * guessed that a check goes by, but sizes and stuff of a kind of the catalogue that has the same name.
 *
 * @param rows cells under the headings
 * @param fields what each column means
 * @param options.firstRow the number of the first of them in the file, from 1
 */
export function readList(
  rows: readonly (readonly string[])[],
  fields: readonly ListField[],
  options: {
    unit: LengthUnit;
    locale: string;
    today: Day;
    firstRow: number;
    /** The unit that a column's heading names, for bare numbers under it. */
    units?: readonly (string | null)[] | undefined;
  },
): ReadList {
  const { unit, locale, today, firstRow, units = [] } = options;
  const good: ListKind[] = [];
  const bad: ListFault[] = [];
  let totals = 0;
  for (const [i, cells] of rows.entries()) {
    const first = cells.find((c) => c.trim() !== '');
    if (first === undefined) continue;
    if (TOTAL.test(first)) {
      totals++;
      continue;
    }
    const row = firstRow + i;
    const why: string[] = [];
    const cell = (f: ListField): string => {
      const at = fields.indexOf(f);
      return at < 0 ? '' : (cells[at] ?? '').trim();
    };
    const tried = <T>(f: ListField, read: (text: string) => T): T | undefined => {
      if (cell(f) === '') return undefined;
      try {
        return read(cell(f));
      } catch (error) {
        why.push(`${f}: ${error instanceof Error ? error.message : String(error)}`);
        return undefined;
      }
    };
    const name = cell('name') || cell('kind');
    if (name === '') why.push('name: is missing; expected what it is');
    const meant = (cell('kind') && formMeant(cell('kind'))) || formMeant(name);
    const entry = meantEntry(name, meant?.form);
    const form = meant?.form ?? entry?.form;
    const solid = form === 'piece' ? (entry?.solid ?? meant?.solid) : undefined;
    if (form === undefined && name !== '')
      why.push(
        'kind: is not known; expected a word like cap, lid, tub, box, tube, card, string, block or ball',
      );
    /** With the unit of its heading where it has none of its own. */
    const measured = (f: ListField, text: string): string =>
      units[fields.indexOf(f)] && /\d$/.test(text) ? `${text} ${units[fields.indexOf(f)]}` : text;
    const length = (f: ListField): number | undefined =>
      tried(f, (text) => parseLength(measured(f, text), unit));
    const [across, thickness] = [length('across'), length('thickness')];
    const all = tried('size', (text) => sizesIn(measured('size', text), unit));
    const said: Sizes = {
      ...(form && all ? named(form, solid, all) : {}),
      ...(across === undefined ? {} : { diameter: across }),
      ...Object.fromEntries(
        (['length', 'width', 'height'] as const).flatMap((f) => {
          const mm = length(f);
          return mm === undefined ? [] : [[f, mm]];
        }),
      ),
      // How thick a lid is, is how high it is.
      ...(thickness === undefined ? {} : form === 'disc' ? { height: thickness } : { wall: thickness }),
    };
    const sized: Sizes = form
      ? Object.fromEntries(Object.entries(said).filter(([n]) => SIZES_OF[form].includes(n as SizeName)))
      : said;
    const lacking = form
      ? requiredSizes({ form, solid, sizes: sized }).filter((s) => sized[s] === undefined)
      : [];
    const lent = entry !== undefined && lacking.some((s) => entry.sizes[s] !== undefined);
    const sizes: Sizes = { ...(lent || Object.keys(sized).length === 0 ? entry?.sizes : {}), ...sized };
    if (form)
      for (const s of requiredSizes({ form, solid, sizes }))
        if (sizes[s] === undefined)
          why.push(`size: ${SAYS[s]} is missing; expected a length like 38 or 1 1/2 in`);
    const quantity =
      tried('count', countIn) ?? (cell('count') === '' && fields.includes('count') ? undefined : 0);
    if (quantity === undefined && cell('count') === '') why.push('count: is missing; expected how many');
    const cameOn = tried('came in', (t) => {
      const day = dayIn(t, locale);
      if (day === null) throw new RangeError(`“${t.slice(0, 30)}” is no day; expected one like 05/11/2026`);
      if (day > today) throw new RangeError('is later than today');
      return day;
    });
    const materialClass = tried('made of', (t) => {
      const found = classMeant(t);
      if (found === null)
        throw new RangeError(
          `“${t.slice(0, 30)}” is not known; expected plastic, card, wood, metal, fabric …`,
        );
      return found;
    });
    const from = cell('from');
    if (from.length > 40) why.push('from: may have at most 40 characters');
    const value = {
      ...(entry ? asMaterial(entry) : { unit: 'each', give: 0, hazards: [] }),
      name,
      form,
      ...(solid ? { solid } : {}),
      sizes,
      kept: 0,
      unit: 'each',
      materialClass: materialClass ?? entry?.materialClass ?? meant?.materialClass ?? 'plastic',
      colour: colourOf(cell('colour')) ?? colourOf(name) ?? entry?.colour ?? GREY,
    };
    if (why.length === 0) {
      const read = materialInput.safeParse(value);
      if (read.success)
        good.push({
          row,
          material: read.data,
          quantity: quantity ?? 0,
          cameOn: cameOn ?? today,
          from,
          usualOf: entry && (lent || Object.keys(sized).length === 0) ? entry.name : null,
        });
      else why.push(...read.error.issues.map((x) => `${x.path.join(' ')}: ${x.message}`));
    }
    if (why.length > 0) bad.push({ row, cells, why });
  }
  return { good, bad, totals };
}
