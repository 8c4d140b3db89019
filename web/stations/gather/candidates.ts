import type { Lot } from '../../../contract/lots.ts';
import type { MaterialRow } from '../../../contract/materials.ts';
import { asMaterial, catalogue, type CatalogueEntry } from '../../../core/catalogue/index.ts';
import { look, type Look } from '../../../core/gather/lookOver.ts';
import type { MaterialInput } from '../../../core/materials/material.ts';
import { text } from './text.ts';

/** What a find can be: a material of the shelf, or an entry of the catalogue that is not there yet. */
export interface Candidate {
  readonly id: number | null;
  readonly key: string | null;
  readonly group: string;
  readonly material: MaterialInput;
  /** What a wish is matched against besides its name. */
  readonly words: string;
}

/** The shelf first, what came in most lately before the rest; then the catalogue. */
export function candidatesOf(materials: readonly MaterialRow[], lots: readonly Lot[]): Candidate[] {
  const came = new Map<number, number>();
  for (const l of lots) came.set(l.materialId, Math.max(came.get(l.materialId) ?? 0, l.id));
  const entries = new Map<string, CatalogueEntry>(catalogue.map((e) => [e.key, e]));
  const names = new Set(materials.map((m) => m.name.toLowerCase()));
  const known = new Set(materials.map((m) => m.catalogue));
  const shelf = [...materials]
    .sort((a, b) => (came.get(b.id) ?? 0) - (came.get(a.id) ?? 0) || a.name.localeCompare(b.name))
    .map((m): Candidate => {
      const group = entries.get(m.catalogue ?? '')?.group ?? m.form;
      return {
        id: m.id,
        key: m.catalogue ?? null,
        group,
        material: m,
        words: `${group} ${m.id}`,
      };
    });
  const rest = catalogue
    .filter((e) => !known.has(e.key) && !names.has(e.name.toLowerCase()))
    .map((e): Candidate => ({
      id: null,
      key: e.key,
      group: e.group,
      material: asMaterial(e),
      words: `${e.group} ${e.key}`,
    }));
  return [...shelf, ...rest];
}

const HELD: readonly [RegExp, Look['held']][] = [
  [/toilet/, 'toilet roll'],
  [/egg-c/, 'eggs'],
  [/shampoo|pump|paste/, 'soap or shampoo'],
  [/milk|juice|water|jug|sip|cup|bottle-sheet|carton-cap/, 'drink'],
  [/yogurt|cream|spread|takeaway|snack-pot|jar-lid|pouch/, 'wet food'],
  [/cereal|crisp|coffee|spice|tea-box|formula/, 'dry food'],
];

/** Where the questions start: as all should be, with what such a thing usually held. */
export const firstLook = (c: Candidate): Look =>
  look.parse({
    held: HELD.find(([pattern]) => pattern.test(c.key ?? ''))?.[1] ?? 'nothing',
    closes: c.material.form === 'container' ? 'yes' : text('noLid'),
  });
