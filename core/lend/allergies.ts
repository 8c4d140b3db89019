import { ALLERGENS, type Material } from '../materials/material.ts';

/** What a family can be allergic to that this place keeps track of. */
export const ALLERGIES = [...ALLERGENS, 'latex'] as const;
export type Allergy = (typeof ALLERGIES)[number];

type Known = Pick<Material, 'name' | 'allergens' | 'hazards'>;

/** What materials hold of that, and in which of them. */
export function allergensIn(materials: readonly Known[]): Map<Allergy, readonly string[]> {
  const found = new Map<Allergy, string[]>();
  for (const m of materials) {
    const held: Allergy[] = [
      ...(m.allergens ?? []),
      ...(m.hazards.includes('latex') ? ['latex' as const] : []),
    ];
    for (const a of held) found.set(a, [...new Set([...(found.get(a) ?? []), m.name])]);
  }
  return found;
}

/** Why a kit is not for a family: what it is allergic to, and where that is. null where nothing is known against it. */
export function allergyWords(allergies: readonly string[], materials: readonly Known[]): string | null {
  const held = allergensIn(materials);
  const met = allergies.flatMap((a) => {
    const where = held.get(a as Allergy);
    return where ? [`${a} (${where.join(', ')})`] : [];
  });
  return met.length > 0 ? met.join(', ') : null;
}
