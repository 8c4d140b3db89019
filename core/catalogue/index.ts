import { CRAFT } from './craft.ts';
import type { CatalogueEntry } from './entry.ts';
import { HOUSEHOLD } from './household.ts';

export * from './entry.ts';

/** Every household material that ships with the application. */
export const catalogue: readonly CatalogueEntry[] = [...HOUSEHOLD, ...CRAFT];

const byKey = new Map(catalogue.map((e) => [e.key, e]));

/** The entry of a key, or undefined. */
export const entryOf = (key: string): CatalogueEntry | undefined => byKey.get(key);

/** One line of docs/sources.md for an entry: figures and their marks. */
export function sourceLine(e: CatalogueEntry): string {
  const sizes = Object.entries(e.sizes).map(([name, mm]) => {
    const range = e.range[name as keyof typeof e.range];
    return `${name} ${mm}${range ? ` (${range[0]} to ${range[1]})` : ''}`;
  });
  const per = e.form === 'sheet' ? 'g/m²' : e.unit === 'mm' ? 'g/m' : 'g';
  return `| ${e.key} | ${e.name} | ${sizes.join(', ')} | ${e.marks.sizes} | ${e.mass} ${per} | ${e.marks.mass} | ${e.yields.map((y) => `${y.quantity} ${y.key}`).join(', ')} | ${e.marks.source} |`;
}
