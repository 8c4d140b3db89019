import type { Need } from '../patterns/kernel.ts';

/** A supplier's pack, as far as its price goes. Minor units. */
export interface PackPrice {
  readonly price: number;
  readonly contents: readonly { readonly materialId: number; readonly quantity: number }[];
}

/**
 * What one of a material (or one mm) costs when only the share used is counted, minor units: the cheapest offer, a
 * mixed pack's price spread evenly over its pieces; null where nobody sells it, so it is saved, not bought.
 */
export function unitShare(materialId: number, offers: readonly PackPrice[]): number | null {
  const shares = offers.flatMap((o) =>
    o.contents.some((c) => c.materialId === materialId)
      ? [o.price / o.contents.reduce((n, c) => n + c.quantity, 0)]
      : [],
  );
  return shares.length > 0 ? Math.min(...shares) : null;
}

export interface ThreeCosts {
  /** Bought now, whole packs and delivery, spread over the kits; null when it cannot be bought. */
  readonly cashNow: number | null;
  /** Only what the kit uses, at the cheapest pack's rate; finds from the household count nothing. */
  readonly shareUsed: number;
  /** One lost piece at that rate. */
  readonly lostPiece: number;
}

/** Cost per kit, three ways, minor units (not rounded). */
export function threeCosts(options: {
  needs: readonly Need[];
  offers: readonly PackPrice[];
  copies: number;
  purchaseTotal: number | null;
}): ThreeCosts {
  const share = (n: Need, quantity: number): number =>
    (unitShare(n.materialId, options.offers) ?? 0) * quantity;
  const piece = options.needs.find((n) => n.role === 'piece');
  return {
    cashNow: options.purchaseTotal === null ? null : options.purchaseTotal / options.copies,
    shareUsed: options.needs.reduce((sum, n) => sum + share(n, n.quantity), 0),
    lostPiece: piece ? share(piece, 1) : 0,
  };
}
