import { quantityFor, type NeedTimes } from '../needs/supply.ts';
import type { Cut, Need, Use } from '../patterns/kernel.ts';
import { kitParts, setOf, type KitPart } from './parts.ts';

/** A design as far as a kit of several has it. */
export interface KitDesign {
  readonly id: number;
  readonly name: string;
  /** Of one kit of it. */
  readonly needs: readonly Need[];
}

/** Something that is counted with a kit, and the designs it is for. */
export interface SharedPart extends KitPart {
  readonly for: readonly string[];
}

/** What designs of one kit use in turn, so that it is in the kit once; everything else each has for itself. */
const SHARED: readonly Use[] = ['piece', 'tool', 'package'];
const isShared = (use: Use): boolean => SHARED.includes(use);

/** A part of one design, which says whose it is where there are several. */
const owned = (part: KitPart, design: string, of: number): SharedPart => ({
  ...part,
  name: of > 1 ? `${part.name} (${design})`.slice(0, 120) : part.name,
  for: [design],
});

/**
 * What a kit of several designs is counted by: pieces, tools and bags that several use are in it once, as many as the
 * design needs that needs most; what is made, and what a design is built of, is there for each and says whose it is.
 */
export function partsOfKit(designs: readonly KitDesign[]): SharedPart[] {
  const shared = new Map<string, SharedPart>();
  const own: SharedPart[] = [];
  for (const d of designs)
    for (const part of kitParts(d.needs)) {
      const isSet = part.set !== undefined;
      if (!isSet && (part.materialId === null || !isShared(part.use))) {
        own.push(owned(part, d.name, designs.length));
        continue;
      }
      const key = part.set ?? `${part.materialId} ${part.takes}`;
      const there = shared.get(key);
      shared.set(
        key,
        there
          ? { ...there, due: Math.max(there.due, part.due), for: [...new Set([...there.for, d.name])] }
          : { ...part, for: [d.name] },
      );
    }
  return [
    ...[...shared.values()].map((p) =>
      p.set !== undefined && p.for.length === 1 ? owned(p, p.for[0]!, designs.length) : p,
    ),
    ...own,
  ];
}

/** A need without the cards that another design of the kit has as well: the largest set is kept. */
function withoutSets(need: Need, designs: readonly KitDesign[], of: KitDesign): Need {
  if (!need.cuts) return need;
  const sets = (d: KitDesign) => d.needs.flatMap((n) => n.cuts ?? []);
  const isElsewhere = (cut: Cut): boolean => {
    const set = setOf(cut);
    return (
      set !== undefined &&
      designs.some((d) =>
        sets(d).some(
          (c) =>
            d !== of &&
            setOf(c) === set &&
            (c.count > cut.count || (c.count === cut.count && designs.indexOf(d) < designs.indexOf(of))),
        ),
      )
    );
  };
  return { ...need, cuts: need.cuts.filter((c) => !isElsewhere(c)) };
}

/** What so many of such kits take of each material: what is shared once a kit, cut parts of all of them together. */
export function takesOfKit(designs: readonly KitDesign[], kits: number): Map<number, number> {
  const shared = new Map<number, number>();
  const rest = new Map<number, NeedTimes[]>();
  for (const d of designs) {
    const own = new Map<number, number>();
    for (const need of d.needs)
      if (isShared(need.use) && need.counted && !need.cuts)
        own.set(need.materialId, (own.get(need.materialId) ?? 0) + need.quantity);
      else
        rest.set(need.materialId, [
          ...(rest.get(need.materialId) ?? []),
          { need: withoutSets(need, designs, d), times: kits },
        ]);
    for (const [id, n] of own) shared.set(id, Math.max(shared.get(id) ?? 0, n));
  }
  const ids = new Set([...shared.keys(), ...rest.keys()]);
  return new Map(
    [...ids].map((id) => [id, (shared.get(id) ?? 0) * kits + quantityFor(rest.get(id) ?? [])] as const),
  );
}

/** Up to this a child of three to six carries it alone, and up to that a parent with another hand full, g (common practice: a tenth of the child’s weight). */
const CHILD_CARRIES = 1500;
const PARENT_CARRIES = 5000;

/** Who carries a kit of so many grams. */
export const carriedBy = (grams: number): 'child' | 'parent' | 'two hands' =>
  grams <= CHILD_CARRIES ? 'child' : grams <= PARENT_CARRIES ? 'parent' : 'two hands';
