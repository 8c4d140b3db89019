import type { Material } from '../materials/material.ts';
import type { Need } from '../patterns/kernel.ts';

/** A need for some kits against what is kept. */
export interface Shelf {
  readonly need: Need;
  /** For all the kits, in the need's unit. */
  readonly wanted: number;
  readonly kept: number;
  readonly short: number;
}

export interface Supply {
  readonly lines: Shelf[];
  /** Most kits the shelf allows now. */
  readonly kitsNow: number;
  /** Pieces a kit could have so that all the kits can be made, where pieces are what is short; null otherwise. */
  readonly fewerPieces: number | null;
}

/** What `copies` kits take from the shelf, what is short, and the two ways out without buying. */
export function supply(options: {
  needs: readonly Need[];
  copies: number;
  shelf: ReadonlyMap<number, Pick<Material, 'kept'>>;
}): Supply {
  const { needs, copies, shelf } = options;
  // Two roles may draw on one material; they share what is kept.
  const perKit = new Map<number, number>();
  for (const n of needs) perKit.set(n.materialId, (perKit.get(n.materialId) ?? 0) + n.quantity);
  const left = new Map([...perKit.keys()].map((id) => [id, shelf.get(id)?.kept ?? 0]));
  const lines = needs.map((need) => {
    const wanted = need.quantity * copies;
    const kept = left.get(need.materialId)!;
    left.set(need.materialId, Math.max(0, kept - wanted));
    return { need, wanted, kept, short: Math.max(0, wanted - kept) };
  });
  const kitsNow = Math.min(
    copies,
    ...[...perKit].map(([id, quantity]) => Math.floor((shelf.get(id)?.kept ?? 0) / quantity)),
  );
  const others = lines.filter((l) => l.short > 0);
  const piece = others.find((l) => l.need.role === 'piece');
  const fewer = piece && others.length === 1 ? Math.floor(piece.kept / copies) : 0;
  return { lines, kitsNow: Math.max(0, kitsNow), fewerPieces: fewer > 0 ? fewer : null };
}

/** One line as a person says it: “5 caps short: make 3 kits now, or use 6 a kit”. */
export function shortWords(s: Supply): string | null {
  const short = s.lines.filter((l) => l.short > 0);
  if (short.length === 0) return null;
  const what = short
    .map((l) => `${l.short}${l.need.unit === 'mm' ? ' mm of' : ' ×'} ${l.need.name}`)
    .join(', ');
  const now =
    s.kitsNow > 0 ? `make ${s.kitsNow} ${s.kitsNow === 1 ? 'kit' : 'kits'} now` : 'no kit can be made yet';
  return `${what} short: ${now}${s.fewerPieces ? `, or use ${s.fewerPieces} pieces a kit` : ''}.`;
}
