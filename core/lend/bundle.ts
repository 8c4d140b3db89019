import { quantityFor, type NeedTimes } from '../needs/supply.ts';
import type { Cut, Need, Use } from '../patterns/kernel.ts';
import { kitParts, setOf, type KitPart } from './parts.ts';

/** A design as far as a kit of several has it. */
export interface BundleDesign {
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
export function partsOfBundle(designs: readonly BundleDesign[]): SharedPart[] {
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
function withoutSets(need: Need, designs: readonly BundleDesign[], of: BundleDesign): Need {
  if (!need.cuts) return need;
  const sets = (d: BundleDesign) => d.needs.flatMap((n) => n.cuts ?? []);
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

/** Needs of so many of such kits by material: what is shared once a kit, cut parts of all of them together. */
export function listsOfBundle(designs: readonly BundleDesign[], kits: number): Map<number, NeedTimes[]> {
  const shared = new Map<number, Need>();
  const lists = new Map<number, NeedTimes[]>();
  const put = (need: Need): void =>
    void lists.set(need.materialId, [...(lists.get(need.materialId) ?? []), { need, times: kits }]);
  for (const d of designs) {
    const own = new Map<number, Need>();
    for (const need of d.needs)
      if (isShared(need.use) && need.counted && !need.cuts) {
        const there = own.get(need.materialId);
        own.set(need.materialId, there ? { ...there, quantity: there.quantity + need.quantity } : need);
      } else put(withoutSets(need, designs, d));
    for (const [id, need] of own) if (need.quantity > (shared.get(id)?.quantity ?? 0)) shared.set(id, need);
  }
  for (const need of shared.values()) put(need);
  return lists;
}

/** What so many of such kits take of each material. */
export const takesOfBundle = (designs: readonly BundleDesign[], kits: number): Map<number, number> =>
  new Map([...listsOfBundle(designs, kits)].map(([id, list]) => [id, quantityFor(list)]));

/** Up to this a child of three to six carries it alone, and up to that a parent with another hand full, g (common practice: a tenth of the child’s weight). */
const CHILD_CARRIES = 1500;
const PARENT_CARRIES = 5000;

/** Who carries a kit of so many grams. */
export const carriedBy = (grams: number): 'child' | 'parent' | 'two hands' =>
  grams <= CHILD_CARRIES ? 'child' : grams <= PARENT_CARRIES ? 'parent' : 'two hands';

/** A design that may be part of a picked set. */
export interface Pickable extends BundleDesign {
  readonly ageFrom: number;
  readonly ageTo: number;
}
/** Designs that share pieces, picked for one bag. */
export interface PickedSet {
  readonly designs: readonly number[];
  /** What they share, as many as the one that needs most. */
  readonly shared: readonly { readonly name: string; readonly due: number }[];
  /** Pieces that the bag has fewer of than the designs by themselves. */
  readonly saved: number;
}

/** Designs that are tried together; more would take longer than anybody waits. */
const MOST_TRIED = 60;
/** Ages that all of a set must have in common, months. */
const TOGETHER = 6;

/**
 * The sets of so many designs that share most pieces, best first: a bag for a waiting room holds each piece once. All of a
 * set are for one age; a set in which one shares nothing is none.
 *
 * @param designs those that may be in it, already quiet ones
 */
export function pickedSets(designs: readonly Pickable[], size: 2 | 3 = 3, most = 3): PickedSet[] {
  const tried = designs.slice(0, MOST_TRIED).map((d) => ({
    ...d,
    pieces: new Map(
      kitParts(d.needs)
        .filter((p) => p.use === 'piece' && p.materialId !== null)
        .map((p) => [`${p.materialId} ${p.takes}`, p] as const),
    ),
  }));
  const sets: PickedSet[] = [];
  const take = (set: readonly (typeof tried)[number][], from: number): void => {
    if (set.length < size) {
      for (let i = from; i < tried.length; i++) take([...set, tried[i]!], i + 1);
      return;
    }
    const [youngest, oldest] = [Math.max(...set.map((d) => d.ageFrom)), Math.min(...set.map((d) => d.ageTo))];
    if (oldest - youngest < TOGETHER) return;
    const shared = [...new Set(set.flatMap((d) => [...d.pieces.keys()]))].flatMap((key) => {
      const dues = set.flatMap((d) => d.pieces.get(key)?.due ?? []);
      const due = Math.max(...dues);
      const saved = dues.reduce((a, b) => a + b, 0) - due;
      const name = set.find((d) => d.pieces.has(key))!.pieces.get(key)!.name;
      return saved > 0 ? [{ key, name, due, saved }] : [];
    });
    // Each has something in common with another, else it might as well be left out.
    if (!set.every((d) => shared.some((s) => d.pieces.has(s.key)))) return;
    const saved = shared.reduce((n, s) => n + s.saved, 0);
    if (saved > 0)
      sets.push({
        designs: set.map((d) => d.id),
        shared: shared.map(({ name, due }) => ({ name, due })),
        saved,
      });
  };
  take([], 0);
  return sets.sort((a, b) => b.saved - a.saved).slice(0, most);
}
