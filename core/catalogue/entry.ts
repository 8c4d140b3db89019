import { z } from 'zod';
import {
  ALLERGENS,
  CLEANINGS,
  HAZARDS,
  MATERIAL_CLASSES,
  requiredSizes,
  SOLIDS,
  TRAITS,
  type Keeping,
  type MaterialInput,
  type SizeName,
} from '../materials/material.ts';
import { form, materialFields, sizes } from '../materials/materialInput.ts';

export const GROUPS = [
  'Tubes',
  'Boxes and panels',
  'Cartons',
  'Tubs and lids',
  'Caps and corks',
  'Bottles and jugs',
  'Cups with sip lids',
  'Cords and laces',
  'Sticks',
  'Straws',
  'Pegs',
  'Fasteners',
  'Fillers',
  'Foods',
  'Soft pieces',
  'Cards and papers',
  'Tapes and glues',
  'Balls',
  'Kitchen tools',
  'Fabrics',
  'Natural finds',
  'Plants',
] as const;
export type Group = (typeof GROUPS)[number];

/** How far a figure can be relied on. */
const MARKS = ['published', 'common practice', 'from memory'] as const;
type FigureMark = (typeof MARKS)[number];

/** A household material as it usually is. Lengths in mm. */
export const catalogueEntry = z.strictObject({
  key: z.string().regex(/^[a-z0-9-]+$/),
  group: z.enum(GROUPS),
  name: materialFields.shape.name,
  form,
  solid: z.enum(SOLIDS).optional(),
  sizes,
  /** Usual least and most of each size, mm. */
  range: z.partialRecord(
    z.enum(['length', 'width', 'height', 'diameter', 'wall']),
    z.tuple([z.number().positive(), z.number().positive()]),
  ),
  unit: z.enum(['each', 'mm']),
  materialClass: z.enum(MATERIAL_CLASSES),
  give: materialFields.shape.give,
  /** Grams each; of a sheet grams a square metre; of what is counted by length grams a metre. */
  mass: z.number().positive(),
  cleaning: z.enum(CLEANINGS),
  hazards: z.array(z.enum(HAZARDS)),
  allergens: z.array(z.enum(ALLERGENS)),
  /** What it can do or is. */
  traits: z.array(z.enum(TRAITS)),
  /** How long it keeps: hours out at room temperature, days closed and cool. */
  keeping: materialFields.shape.keeping,
  colour: materialFields.shape.colour,
  /** What one of it gives when taken apart. */
  yields: z.array(z.strictObject({ key: z.string(), quantity: z.number().int().positive() })),
  /** Where the sizes come from, and where the mass. */
  marks: z.strictObject({ sizes: z.enum(MARKS), mass: z.enum(MARKS), source: z.string() }),
});
export type CatalogueEntry = z.infer<typeof catalogueEntry>;

const SIZE: Record<string, SizeName> = {
  l: 'length',
  b: 'width',
  h: 'height',
  d: 'diameter',
  w: 'wall',
};

/** What a line minds that is no allergen. */
const NO_ALLERGEN: ReadonlySet<string> = new Set([...HAZARDS, ...TRAITS]);

/** `out 2 h` or `closed 5 days`, among what to mind. */
const KEEPS = /^(out|closed) ([\d.]+) (?:h|days)$/;
function keepingIn(words: readonly string[]): { keeping?: Keeping } {
  const found = words.flatMap((w) => {
    const m = KEEPS.exec(w);
    return m ? [[m[1]!, Number(m[2])] as const] : [];
  });
  return found.length > 0 ? { keeping: Object.fromEntries(found) } : {};
}

/**
 * One line of the table: `key | name | form or solid | sizes | class | give % | mass | cleaning | hazards, allergens, traits and
 * keeping | colour | yields | marks`. Sizes are `d38(36-40)`: letter, usual size, usual range, mm. A name that ends in ` /m` is
 * counted by length. Marks are `size: source` or `size mass: source` for what a standard gives (as remembered where the
 * source ends in `?`); whatever is not named is common practice for sizes and from memory for mass.
 *
 * @throws when a cell is not understood: expected the form above
 */
export function readEntry(group: Group, line: string): CatalogueEntry {
  const cells = line.split('|').map((c) => c.trim());
  if (cells.length !== 12) throw new Error(`${line}: expected 12 cells, found ${cells.length}`);
  const [key, rawName, kind, sized, materialClass, give, mass, cleaning, minds, colour, yields, marked] =
    cells as [string, string, string, string, string, string, string, string, string, string, string, string];
  const size: Partial<Record<SizeName, number>> = {};
  const range: Partial<Record<SizeName, [number, number]>> = {};
  for (const word of sized.split(' ').filter(Boolean)) {
    const m = /^([lbhdw])([\d.]+)(?:\(([\d.]+)-([\d.]+)\))?$/.exec(word);
    if (!m) throw new Error(`${key}: “${word}” is no size; expected one like d38(36-40)`);
    size[SIZE[m[1]!]!] = Number(m[2]);
    if (m[3]) range[SIZE[m[1]!]!] = [Number(m[3]), Number(m[4])];
  }
  const words = minds
    .split(',')
    .map((w) => w.trim())
    .filter(Boolean);
  const solid = (SOLIDS as readonly string[]).includes(kind) ? kind : undefined;
  const [what = '', source = ''] = marked.split(':').map((w) => w.trim());
  const mark = (name: string, otherwise: FigureMark): FigureMark =>
    what.split(' ').includes(name) ? (source.endsWith('?') ? 'from memory' : 'published') : otherwise;
  return catalogueEntry.parse({
    key,
    group,
    name: rawName.replace(/ \/m$/, ''),
    form: solid ? 'piece' : kind,
    ...(solid ? { solid } : {}),
    sizes: size,
    range,
    unit: rawName.endsWith(' /m') ? 'mm' : 'each',
    materialClass,
    give: Number(give) / 100,
    mass: Number(mass),
    cleaning,
    hazards: words.filter((w) => (HAZARDS as readonly string[]).includes(w)),
    traits: words.filter((w) => (TRAITS as readonly string[]).includes(w)),
    allergens: words.filter((w) => !NO_ALLERGEN.has(w) && !KEEPS.test(w)),
    ...keepingIn(words),
    colour,
    yields: yields
      .split(',')
      .map((y) => y.trim())
      .filter(Boolean)
      .map((y) => ({ quantity: Number(y.split(' ')[0]), key: y.split(' ')[1] })),
    marks: {
      sizes: mark('size', 'common practice'),
      mass: mark('mass', 'from memory'),
      source: source.replace(/\?$/, ''),
    },
  });
}

/** A table of lines, one entry each. */
export const readEntries = (group: Group, table: string): CatalogueEntry[] =>
  table
    .split('\n')
    .map((l) => l.trim())
    .filter(Boolean)
    .map((l) => readEntry(group, l));

/** The entry as a material to put on a shelf, none kept yet. */
export function asMaterial(e: CatalogueEntry): MaterialInput {
  return {
    name: e.name,
    form: e.form,
    ...(e.solid ? { solid: e.solid } : {}),
    sizes: e.sizes,
    unit: e.unit,
    kept: 0,
    materialClass: e.materialClass,
    give: e.give,
    mass: e.mass,
    cleaning: e.cleaning,
    allergens: e.allergens,
    ...(e.traits.length > 0 ? { traits: e.traits } : {}),
    ...(e.keeping ? { keeping: e.keeping } : {}),
    catalogue: e.key,
    hazards: e.hazards,
    colour: e.colour,
  };
}

/** Sizes an entry lacks for its form; empty when it is whole. */
export const lackingSizes = (e: CatalogueEntry): SizeName[] =>
  requiredSizes(e).filter((s) => e.sizes[s] === undefined);

/** Mass of one, g, from its mass by area or length where it is given so; null for what is counted by length. */
export function massOfOne(e: {
  form: MaterialInput['form'];
  unit: MaterialInput['unit'];
  sizes: MaterialInput['sizes'];
  mass?: number | undefined;
}): number | null {
  if (e.mass === undefined || e.unit === 'mm') return null;
  return e.form === 'sheet' ? (e.mass * e.sizes.length! * e.sizes.width!) / 1e6 : e.mass;
}
