import type { Offer, Supplier } from '../../contract/materials.ts';
import type { PurchaseRequest } from '../../core/price/purchase.ts';

/** Packs as the computation takes them; what the shop has run out of cannot be bought now. */
export const packsOf = (offers: readonly Offer[]): PurchaseRequest['offers'] =>
  offers.map((o) => ({
    id: String(o.id),
    supplier: String(o.supplierId),
    price: o.price,
    ...(o.inStock ? {} : { limit: 0 }),
    contents: o.contents.map((c) => ({ material: String(c.materialId), quantity: c.quantity })),
  }));

/** What suppliers charge for bringing things. */
export const chargesOf = (suppliers: readonly Supplier[]): PurchaseRequest['delivery'] =>
  suppliers.map((s) => ({
    supplier: String(s.id),
    price: s.delivery,
    ...(s.freeFrom == null ? {} : { freeFrom: s.freeFrom }),
  }));

/**
 * Materials go to the computation by number, offers by theirs; names come back in on this side. What the shop has run out
 * of cannot be bought now.
 */
export const purchaseOf = (options: {
  wanted: ReadonlyMap<number, number>;
  /** What is there for this purpose: kept and not held by anything else. */
  free: (materialId: number) => number;
  offers: readonly Offer[];
  suppliers: readonly Supplier[];
}): PurchaseRequest => ({
  needs: [...options.wanted].map(([m, quantity]) => ({ material: String(m), quantity })),
  stock: [...options.wanted.keys()].map((m) => ({
    material: String(m),
    quantity: Math.min(1e6, options.free(m)),
  })),
  offers: packsOf(options.offers),
  delivery: chargesOf(options.suppliers),
});
