import { amountBefore, amountOf } from '../measure/amount.ts';
import type { LengthUnit } from '../measure/length.ts';
import type { CutTimes } from '../cut/blank.ts';
import { unitsFor } from '../cut/units.ts';
import type { Need, Stock } from '../patterns/kernel.ts';

const EPS = 1e-9;

/** A need, and for how many kits. */
export interface NeedTimes {
  readonly need: Need;
  readonly times: number;
}

/** What some kits use of one material: parts of bottles and rolls as parts, and whole what is used whole or cut from. */
function usedFor(list: readonly NeedTimes[]): { whole: number; parts: number } {
  let whole = 0;
  let parts = 0;
  const cuts: CutTimes[] = [];
  let stock: Stock | undefined;
  for (const { need, times } of list)
    if (need.cuts && need.stock) {
      for (const cut of need.cuts) cuts.push({ cut, times });
      stock = need.stock;
    } else if (need.share !== undefined) parts += need.share * times;
    else whole += need.quantity * times;
  return { whole: whole + (stock ? (unitsFor(cuts, stock) ?? Infinity) : 0), parts };
}

/**
 * What some kits take of one material: what is used whole, and what the parts of all of them together are cut from, so
 * that one box covers parts of several kits and designs, and one bottle what all of them take of it.
 */
export function quantityFor(list: readonly NeedTimes[]): number {
  const { whole, parts } = usedFor(list);
  return whole + Math.ceil(parts - EPS);
}

const byMaterial = (needs: readonly Need[]): Map<number, Need[]> => {
  const lists = new Map<number, Need[]>();
  for (const n of needs) lists.set(n.materialId, [...(lists.get(n.materialId) ?? []), n]);
  return lists;
};

const times = (needs: readonly Need[], n: number): NeedTimes[] => needs.map((need) => ({ need, times: n }));

/** What some kits take of each material; two roles that draw on one material are added up. */
export const takes = (needs: readonly Need[], kits = 1): Map<number, number> =>
  new Map([...byMaterial(needs)].map(([id, list]) => [id, quantityFor(times(list, kits))]));

/** What some kits use of each material, a part of a bottle as a part: what it costs, not what has to be there. */
export const uses = (needs: readonly Need[], kits = 1): Map<number, number> =>
  new Map(
    [...byMaterial(needs)].map(([id, list]) => {
      const { whole, parts } = usedFor(times(list, kits));
      return [id, whole + parts];
    }),
  );

/** More kits than a batch may have are not counted where it takes a layout to count them. */
const MOST_KITS = 200;

/** Most kits that a quantity of one material allows; Infinity where they take none of it. */
export function kitsFrom(needs: readonly Need[], there: number, before: readonly NeedTimes[] = []): number {
  const base = quantityFor(before);
  const takesOf = (n: number): number => quantityFor([...before, ...times(needs, n)]) - base;
  const one = takesOf(1);
  if (needs.every((n) => !n.cuts && n.share === undefined))
    return one > 0 ? Math.floor(there / one + EPS) : Infinity;
  let low = 0;
  let high = 1;
  while (high <= MOST_KITS && takesOf(high) <= there + EPS) {
    low = high;
    high *= 2;
  }
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (takesOf(middle) <= there + EPS) low = middle;
    else high = middle;
  }
  return low;
}

/** A design as far as it speaks for stock. */
export interface BenchDesign {
  readonly id: number;
  readonly name: string;
  /** Kits wanted in its batch, and made of them already. */
  readonly copies: number;
  readonly made: number;
  readonly onBench?: boolean | undefined;
  readonly needs: readonly Need[];
}

/** Kits of a batch still to be made. */
export const restOf = (batch: Pick<BenchDesign, 'copies' | 'made'>): number =>
  Math.max(0, batch.copies - batch.made);

/** A quantity that another design on the bench speaks for. */
export interface Held {
  readonly designId: number;
  readonly name: string;
  readonly quantity: number;
}

/** What the rest of every batch on the bench takes, by material, with whose it is; `but` is left out. */
export function heldBy(designs: readonly BenchDesign[], but?: number): Map<number, Held[]> {
  return new Map([...speaking(designs, but)].map(([id, { held }]) => [id, held]));
}

interface Speaking {
  readonly held: Held[];
  readonly list: NeedTimes[];
}

/** For each material, who speaks for how much: a design that shares a sheet with those before it takes only what is over. */
function speaking(designs: readonly BenchDesign[], but?: number): Map<number, Speaking> {
  const all = new Map<number, Speaking>();
  for (const d of designs) {
    const rest = restOf(d);
    if (d.onBench === false || d.id === but || rest === 0) continue;
    for (const [material, needs] of byMaterial(d.needs)) {
      const there = all.get(material) ?? { held: [], list: [] };
      const before = quantityFor(there.list);
      there.list.push(...times(needs, rest));
      const quantity = quantityFor(there.list) - before;
      if (quantity > 0) there.held.push({ designId: d.id, name: d.name, quantity });
      all.set(material, there);
    }
  }
  return all;
}

/** What batches on the bench speak for in all, by material. */
export const reservedStock = (designs: readonly BenchDesign[], but?: number): Map<number, number> =>
  new Map([...heldBy(designs, but)].map(([id, list]) => [id, list.reduce((n, h) => n + h.quantity, 0)]));

/** A need for some kits against the shelf. Quantities in the need's unit. */
export interface SupplyLine {
  readonly need: Need;
  /** For all the kits. */
  readonly wanted: number;
  /** On the shelf, ready. */
  readonly kept: number;
  /** Of that, what other designs on the bench speak for. */
  readonly held: readonly Held[];
  /** What is there for this line: kept less held, less what lines above it take; never below 0. */
  readonly free: number;
  readonly short: number;
}

export interface Supply {
  readonly copies: number;
  readonly lines: readonly SupplyLine[];
  /** Most kits of those asked for that the free stock allows now. */
  readonly kitsNow: number;
  /** Most kits the free stock allows, however many are asked for. */
  readonly most: number;
  /** What runs out first; null when nothing is needed. */
  readonly first: { readonly materialId: number; readonly name: string; readonly left: number } | null;
  /** A piece that a kit could have fewer of so that all can be made, where it alone is short. */
  readonly fewer: { readonly name: string; readonly quantity: number } | null;
}

/**
 * What is there for a design: the one answer that the shelf, the wanted list, buying, building and every short word go
 * by. The shelf counts what is kept and ready; what other designs on the bench speak for is not there for this one.
 *
 * @param options.kept ready on the shelf by material, in pieces or mm
 * @param options.bench every design, this one too: it does not stand in its own way
 */
export function supply(options: {
  needs: readonly Need[];
  copies: number;
  kept: (materialId: number) => number;
  bench: readonly BenchDesign[];
  designId?: number | undefined;
}): Supply {
  const { needs, copies, kept } = options;
  const spoken = speaking(options.bench, options.designId);
  const held = new Map([...spoken].map(([id, s]) => [id, s.held]));
  const others = (id: number): readonly NeedTimes[] => spoken.get(id)?.list ?? [];
  const quantityHeld = (id: number): number => (held.get(id) ?? []).reduce((n, h) => n + h.quantity, 0);
  const free = (id: number): number => Math.max(0, kept(id) - quantityHeld(id));
  const each = byMaterial(needs);
  const left = new Map([...each.keys()].map((id) => [id, free(id)]));
  const above = new Map<number, NeedTimes[]>();
  const lines = needs.map((need): SupplyLine => {
    const id = need.materialId;
    // Counted on top of what others cut from the same sheets, and of the lines above.
    const before = [...others(id), ...(above.get(id) ?? [])];
    const own = { need, times: copies };
    const wanted = quantityFor([...before, own]) - quantityFor(before);
    above.set(id, [...(above.get(id) ?? []), own]);
    const there = left.get(id)!;
    left.set(id, Math.max(0, there - wanted));
    return {
      need,
      wanted,
      kept: kept(id),
      held: held.get(id) ?? [],
      free: there,
      short: Math.max(0, wanted - there),
    };
  });
  let most = Infinity;
  let first: Supply['first'] = null;
  for (const [id, list] of each) {
    const n = kitsFrom(list, free(id), others(id));
    if (n >= most) continue;
    most = n;
    first = { materialId: id, name: list[0]!.name, left: free(id) };
  }
  if (most === Infinity) most = copies;
  const short = lines.filter((l) => l.short > 0);
  const [only] = short;
  const perKit = only && copies > 0 ? Math.floor(only.free / copies) : 0;
  const fewer =
    only &&
    short.length === 1 &&
    only.need.use === 'piece' &&
    !only.need.cuts &&
    only.need.quantity > 1 &&
    perKit > 0
      ? { name: only.need.name, quantity: perKit }
      : null;
  return { copies, lines, kitsNow: Math.min(copies, most), most, first, fewer };
}

/** `1 kit`, `3 kits`. */
export const kits = (n: number): string => `${n} ${n === 1 ? 'kit' : 'kits'}`;

/** One line as a person says it: “5 × Cap short: make 3 kits now, or use 6 in each kit”. Null when nothing is short. */
export function shortWords(s: Supply, place: LengthUnit): string | null {
  const short = s.lines.filter((l) => l.short > 0);
  if (short.length === 0) return null;
  const what = short.map((l) => `${amountBefore(l.short, l.need.unit, place)} ${l.need.name}`).join(', ');
  const now = s.kitsNow > 0 ? `make ${kits(s.kitsNow)} now` : 'no kit can be made yet';
  return `${what} short: ${now}${s.fewer ? `, or use ${s.fewer.quantity} in each kit` : ''}.`;
}

/** Who else wants it, where that is why something is short: “Net-mender's lacing sail holds 12”. Null otherwise. */
export function heldWords(line: SupplyLine, place: LengthUnit): string | null {
  if (line.held.length === 0 || line.kept >= line.wanted + line.held.reduce((n, h) => n + h.quantity, 0))
    return null;
  return line.held.map((h) => `${h.name} holds ${amountOf(h.quantity, line.need.unit, place)}`).join(', ');
}
