import type { EntityManager } from '@mikro-orm/core';
import type { z } from 'zod';
import type { BoughtInput, BoughtLot, PurchaseMade, purchaseQuery } from '../../../contract/shop.ts';
import type { Day } from '../../../core/calendar/days.ts';
import { formatMoney } from '../../../core/measure/money.ts';
import { deliveryOf } from '../../../core/price/delivery.ts';
import { DesignRow, MaterialRow, OfferRow, PlaceRow, PurchaseRow } from '../../db/entities.ts';
import { idCursor } from '../../paging.ts';
import { ProblemError } from '../../problem.ts';
import { putOnShelf } from './shelf.ts';

/**
 * Puts what was bought on the shelf, a lot for each content of each pack, with what the pack cost, and keeps what was paid;
 * all or nothing.
 */
export async function bought(
  em: EntityManager,
  { packs, designId }: BoughtInput,
  today: Day,
): Promise<BoughtLot[]> {
  if (designId !== undefined && (await em.count(DesignRow, { id: designId })) === 0)
    throw new ProblemError(422, 'There is no such design.', [
      { path: 'designId', message: 'expected a design of this place' },
    ]);
  const { currency, locale } = await em.findOneOrFail(PlaceRow, { id: 1 });
  const lots: BoughtLot[] = [];
  const paid: PurchaseMade['packs'] = [];
  const bySupplier = new Map<number, { sum: number; price: number; freeFrom: number | undefined }>();
  for (const [i, { offerId, count }] of packs.entries()) {
    const offer = await em.findOne(OfferRow, { id: offerId }, { populate: ['supplier'] });
    if (!offer)
      throw new ProblemError(422, 'There is no such pack.', [
        { path: `packs.${i}.offerId`, message: 'expected a pack of this place' },
      ]);
    const price = formatMoney(offer.price, { currency, locale });
    paid.push({ name: offer.name, supplier: offer.supplier.name, count, price: offer.price });
    const { id, delivery, freeFrom } = offer.supplier;
    const before = bySupplier.get(id) ?? { sum: 0, price: delivery, freeFrom: freeFrom ?? undefined };
    bySupplier.set(id, { ...before, sum: before.sum + count * offer.price });
    for (const c of offer.contents) {
      const material = await em.findOneOrFail(MaterialRow, { id: c.materialId });
      const quantity = c.quantity * count;
      const reason = `Bought: ${count} × ${offer.name}, ${offer.supplier.name}, ${price} each`;
      putOnShelf(em, material, { quantity, cameOn: today, reason: reason.slice(0, 200) });
      lots.push({ materialId: material.id, name: material.name, quantity });
    }
  }
  const total = [...bySupplier.values()].reduce((n, s) => n + s.sum + deliveryOf(s, s.sum), 0);
  em.create(PurchaseRow, { on: today, total, packs: paid, designId: designId ?? null });
  await em.flush();
  return lots;
}

/** A page of purchases, the latest first; of one design where that is asked. */
export async function listPurchases(em: EntityManager, query: z.infer<typeof purchaseQuery>) {
  const of = query.design === undefined ? {} : { designId: query.design };
  const found = await em.find(
    PurchaseRow,
    { ...of, id: { $lt: idCursor(query.after, Number.MAX_SAFE_INTEGER) } },
    { orderBy: { id: 'desc' }, limit: query.limit },
  );
  const last = found.at(-1);
  return {
    items: found.map(({ id, on, total, packs }): PurchaseMade => ({ id, on, total, packs })),
    limit: query.limit,
    total: await em.count(PurchaseRow, of),
    next: last ? String(last.id) : null,
  };
}
