import type { Material } from '../materials/material.ts';
import { kitsFrom } from '../needs/supply.ts';
import type { Need } from '../patterns/kernel.ts';

export interface Makeable {
  /** Copies the stock allows. */
  readonly copies: number;
  /** What runs out first: the material that allows fewest copies; null when nothing is needed. */
  readonly first: { readonly materialId: number; readonly name: string; readonly left: number } | null;
}

/** How many kits a search has found a stock to allow, by what is needed of it: sets of materials share most of their needs. */
export type KitsKnown = Map<string, number>;

const kitsOf = (own: readonly Need[], left: number, known: KitsKnown | undefined): number => {
  // Only a layout takes long to count.
  if (!known || own.every((n) => !n.cuts)) return kitsFrom(own, left);
  const key = JSON.stringify([left, own.map((n) => [n.quantity, n.share, n.cuts, n.stock])]);
  const before = known.get(key);
  if (before !== undefined) return before;
  const found = kitsFrom(own, left);
  known.set(key, found);
  return found;
};

/**
 * How many copies the stock allows, and what is the first thing to run out.
 *
 * @param known what was found before, where a search asks for many sets of materials
 */
export function makeable(
  needs: readonly Need[],
  stock: (materialId: number) => number,
  known?: KitsKnown,
): Makeable {
  let first: Makeable['first'] = null;
  let copies = Infinity;
  for (const materialId of new Set(needs.map((n) => n.materialId))) {
    const left = Math.max(0, stock(materialId));
    const own = needs.filter((n) => n.materialId === materialId);
    const n = kitsOf(own, left, known);
    if (n >= copies) continue;
    copies = n;
    first = { materialId, name: own[0]!.name, left };
  }
  return { copies: copies === Infinity ? 0 : copies, first };
}

/** Kept less spoken for, never below 0. */
export const freeOf = (
  materials: readonly Pick<Material, 'id' | 'kept'>[],
  spoken: ReadonlyMap<number, number>,
): Map<number, number> =>
  new Map(materials.map((m) => [m.id, Math.max(0, m.kept - (spoken.get(m.id) ?? 0))]));

/** Copies possible once some packs were bought, and how many more that is. */
export function unlocked(options: {
  needs: readonly Need[];
  stock: (materialId: number) => number;
  packs: readonly {
    readonly count: number;
    readonly contents: readonly { readonly materialId: number; readonly quantity: number }[];
  }[];
}): { readonly copies: number; readonly gain: number } {
  const more = new Map<number, number>();
  for (const p of options.packs)
    for (const c of p.contents) more.set(c.materialId, (more.get(c.materialId) ?? 0) + p.count * c.quantity);
  const { copies } = makeable(options.needs, (id) => options.stock(id) + (more.get(id) ?? 0));
  return { copies, gain: copies - makeable(options.needs, options.stock).copies };
}
