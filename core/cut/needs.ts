import type { Material } from '../materials/material.ts';
import { PatternError, type Chosen, type Cut, type Need, type Plan } from '../patterns/kernel.ts';
import { stockOf } from './stock.ts';
import { unitsFor } from './units.ts';

const materialIn = (chosen: Chosen, id: number): Material | undefined =>
  Object.values(chosen)
    .flat()
    .find((m) => m.id === id);

/**
 * What one kit takes of the shelf: what is used whole, and each material that parts are cut from, once, with its parts.
 *
 * @throws PatternError where a part is larger than what it is cut from
 */
export function needsOf(plan: Plan, chosen: Chosen): Need[] {
  const byMaterial = new Map<number, Cut[]>();
  for (const cut of plan.cuts) {
    const list = byMaterial.get(cut.materialId) ?? [];
    list.push(cut);
    byMaterial.set(cut.materialId, list);
  }
  const cuts = [...byMaterial].map(([materialId, list]): Need => {
    const m = materialIn(chosen, materialId)!;
    const stock = stockOf(m);
    const quantity = unitsFor(
      list.map((cut) => ({ cut, times: 1 })),
      stock,
    );
    const [first] = list;
    if (quantity === null)
      throw new PatternError(
        `materials.${first!.role}`,
        `${m.name} is too small for ${list.map((c) => c.label.toLowerCase()).join(', ')}; expected something larger`,
      );
    return {
      role: first!.role,
      use: first!.use,
      materialId,
      name: m.name,
      quantity,
      unit: m.unit,
      counted: list.some((c) => c.counted),
      cuts: list,
      stock,
    };
  });
  return [...plan.needs, ...cuts];
}
