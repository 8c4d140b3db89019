import type { EntityManager } from '@mikro-orm/core';
import type { BoughtInput, BoughtLot } from '../../../contract/shop.ts';
import type { Day } from '../../../core/calendar/days.ts';
import { formatMoney } from '../../../core/measure/money.ts';
import { MaterialRow, OfferRow, PlaceRow } from '../../db/entities.ts';
import { ProblemError } from '../../problem.ts';
import { putOnShelf } from './shelf.ts';

/** Puts what was bought on the shelf, a lot for each content of each pack, with what the pack cost; all or nothing. */
export async function bought(em: EntityManager, { packs }: BoughtInput, today: Day): Promise<BoughtLot[]> {
  const { currency, locale } = await em.findOneOrFail(PlaceRow, { id: 1 });
  const lots: BoughtLot[] = [];
  for (const [i, { offerId, count }] of packs.entries()) {
    const offer = await em.findOne(OfferRow, { id: offerId }, { populate: ['supplier'] });
    if (!offer)
      throw new ProblemError(422, 'There is no such pack.', [
        { path: `packs.${i}.offerId`, message: 'expected a pack of this place' },
      ]);
    const price = formatMoney(offer.price, { currency, locale });
    for (const c of offer.contents) {
      const material = await em.findOneOrFail(MaterialRow, { id: c.materialId });
      const quantity = c.quantity * count;
      const reason = `Bought: ${count} × ${offer.name}, ${offer.supplier.name}, ${price} each`;
      putOnShelf(em, material, { quantity, cameOn: today, reason: reason.slice(0, 200) });
      lots.push({ materialId: material.id, name: material.name, quantity });
    }
  }
  await em.flush();
  return lots;
}
