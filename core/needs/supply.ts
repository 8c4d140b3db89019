import type { Need } from '../patterns/kernel.ts';

/** What a kit takes of each material; two roles that draw on one material are added up. */
export function perCopy(needs: readonly Need[]): Map<number, number> {
  const sum = new Map<number, number>();
  for (const n of needs) sum.set(n.materialId, (sum.get(n.materialId) ?? 0) + n.quantity);
  return sum;
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
  const held = new Map<number, Held[]>();
  for (const d of designs) {
    const rest = restOf(d);
    if (d.onBench === false || d.id === but || rest === 0) continue;
    for (const [material, quantity] of perCopy(d.needs)) {
      if (quantity <= 0) continue;
      const list = held.get(material) ?? [];
      list.push({ designId: d.id, name: d.name, quantity: quantity * rest });
      held.set(material, list);
    }
  }
  return held;
}

/** What batches on the bench speak for in all, by material. */
export const spokenFor = (designs: readonly BenchDesign[], but?: number): Map<number, number> =>
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
  /** A counted part that a kit could have fewer of so that all can be made, where it alone is short. */
  readonly fewer: { readonly name: string; readonly quantity: number } | null;
}

const EPS = 1e-9;

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
  const held = heldBy(options.bench, options.designId);
  const quantityHeld = (id: number): number => (held.get(id) ?? []).reduce((n, h) => n + h.quantity, 0);
  const free = (id: number): number => Math.max(0, kept(id) - quantityHeld(id));
  const each = perCopy(needs);
  const left = new Map([...each.keys()].map((id) => [id, free(id)]));
  const lines = needs.map((need): SupplyLine => {
    const wanted = need.quantity * copies;
    const there = left.get(need.materialId)!;
    left.set(need.materialId, Math.max(0, there - wanted));
    return {
      need,
      wanted,
      kept: kept(need.materialId),
      held: held.get(need.materialId) ?? [],
      free: there,
      short: Math.max(0, wanted - there),
    };
  });
  let most = Infinity;
  let first: Supply['first'] = null;
  for (const [id, quantity] of each) {
    if (quantity <= 0) continue;
    const n = Math.floor(free(id) / quantity + EPS);
    if (n >= most) continue;
    most = n;
    first = { materialId: id, name: needs.find((x) => x.materialId === id)!.name, left: free(id) };
  }
  if (most === Infinity) most = copies;
  const short = lines.filter((l) => l.short > 0);
  const [only] = short;
  const perKit = only && copies > 0 ? Math.floor(only.free / copies) : 0;
  const fewer =
    only && short.length === 1 && only.need.counted && only.need.quantity > 1 && perKit > 0
      ? { name: only.need.name, quantity: perKit }
      : null;
  return { copies, lines, kitsNow: Math.min(copies, most), most, first, fewer };
}

/** `1 kit`, `3 kits`. */
export const kits = (n: number): string => `${n} ${n === 1 ? 'kit' : 'kits'}`;
const amount = (quantity: number, unit: Need['unit']): string =>
  unit === 'mm' ? `${quantity} mm` : `${quantity}`;

/** One line as a person says it: “5 × Cap short: make 3 kits now, or use 6 in each kit”. Null when nothing is short. */
export function shortWords(s: Supply): string | null {
  const short = s.lines.filter((l) => l.short > 0);
  if (short.length === 0) return null;
  const what = short
    .map((l) => `${amount(l.short, l.need.unit)}${l.need.unit === 'mm' ? ' of' : ' ×'} ${l.need.name}`)
    .join(', ');
  const now = s.kitsNow > 0 ? `make ${kits(s.kitsNow)} now` : 'no kit can be made yet';
  return `${what} short: ${now}${s.fewer ? `, or use ${s.fewer.quantity} in each kit` : ''}.`;
}

/** Who else wants it, where that is why something is short: “Net-mender's lacing sail holds 12”. Null otherwise. */
export function heldWords(line: SupplyLine): string | null {
  if (line.held.length === 0 || line.kept >= line.wanted + line.held.reduce((n, h) => n + h.quantity, 0))
    return null;
  return line.held.map((h) => `${h.name} holds ${amount(h.quantity, line.need.unit)}`).join(', ');
}
