import { asMaterial, entryOf } from '../catalogue/index.ts';
import type { Material } from '../materials/material.ts';
import type { Chosen, Role } from './kernel.ts';

/** A catalogue entry as a material that is on no shelf; its number is below 0, so that no shelf has it. */
export function fromCatalogue(key: string, at: number): Material | null {
  const entry = entryOf(key);
  return entry ? { ...asMaterial(entry), id: -1 - at } : null;
}

/** What a pattern is usually made of, out of the catalogue, for whoever has not chosen yet. */
export function usualMaterials(roles: readonly Role[]): Chosen {
  let at = 0;
  return Object.fromEntries(
    roles.map((r) => [r.id, r.usual.flatMap((key) => fromCatalogue(key, at++) ?? [])]),
  );
}
