import type { Material, SizeName } from '../materials/material.ts';
import { checkFeatures, type CheckOptions } from '../safety/check.ts';
import { refusal, usuallyServes, type AnyAt, type Chosen, type OpenPattern } from '../patterns/index.ts';

/** How far apart two materials are: the logarithm of the largest ratio of what both are measured by, 0 for the same. */
function apart(a: Material, b: Material): number {
  const own = (Object.keys(a.sizes) as SizeName[]).filter((s) => s !== 'wall');
  // A box beside a round tub has no width to compare: it is another thing.
  if (own.length === 0 || own.some((s) => b.sizes[s] === undefined)) return Infinity;
  return Math.max(...own.map((s) => Math.abs(Math.log(a.sizes[s]! / b.sizes[s]!))));
}

/** Nearly twice as large in one measure, or little more than half, is another thing. */
const FAR = Math.log(1.75);

/**
 * What could stand in for a material that is short: kinds of its form and about its size with enough free, that usually
 * take its roles, with which the design does what it is meant to as its dials stand, and to which the check says stop for
 * nothing. The nearest in size first.
 *
 * @param options.short the material that is short, and how much of it the kits take (each or mm)
 * @param options.free what is free of each material
 * @param options.by what the check goes by
 * @param options.most how many are looked for
 */
export function substitutes(options: {
  pattern: OpenPattern;
  at: AnyAt;
  short: { readonly id: number; readonly wanted: number };
  materials: readonly Material[];
  free: ReadonlyMap<number, number>;
  by: CheckOptions;
  most?: number;
}): Material[] {
  const { pattern, at, short, materials, free, by, most = 2 } = options;
  const taken = Object.entries(at.chosen);
  const own = taken.flatMap(([, kinds]) => kinds).find((m) => m.id === short.id);
  if (!own) return [];
  const roles = pattern.roles.filter((r) => (at.chosen[r.id] ?? []).some((m) => m.id === short.id));
  const used = new Set(taken.flatMap(([, kinds]) => kinds.map((m) => m.id)));
  const nearest = materials
    .filter(
      (m) =>
        !used.has(m.id) &&
        m.form === own.form &&
        m.unit === own.unit &&
        apart(own, m) < FAR &&
        (free.get(m.id) ?? 0) >= short.wanted &&
        roles.every((r) => refusal(r, m) === null && usuallyServes(r, m, at.ageFrom)),
    )
    .sort((a, b) => apart(own, a) - apart(own, b) || a.id - b.id)
    // A fit is the slow part: far ones would seldom do.
    .slice(0, 3 * most);
  const found: Material[] = [];
  for (const m of nearest) {
    if (found.length === most) break;
    const chosen: Chosen = Object.fromEntries(
      taken.map(([role, kinds]) => [role, kinds.map((k) => (k.id === short.id ? m : k))]),
    );
    try {
      const now = { ...at, chosen };
      if (pattern.fit(now).verdict !== 'clear') continue;
      if (checkFeatures(pattern.features(now), by).findings.some((f) => f.verdict === 'stop')) continue;
      found.push(m);
    } catch {
      // The pattern cannot read it with this one.
    }
  }
  return found;
}
