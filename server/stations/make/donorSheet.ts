import { takes, uses } from '../../../core/needs/supply.ts';
import { adultMinutes, ownFactor } from '../../../core/plan/minutes.ts';
import { rateOf } from '../../../core/price/costs.ts';
import type { PurchaseRequest } from '../../../core/price/purchase.ts';
import { OfferRow, PlaceRow, SupplierRow } from '../../db/entities.ts';
import type { DonorSheet } from '../../formats/donors.ts';
import { supplyOf } from '../shape/service.ts';
import { outOfStock } from '../gather/offers.ts';
import { packsFor } from './batchPapers.ts';
import { ownTimes } from './ownTimes.ts';
import type { OpenedDesign } from './designPapers.ts';

/** What kits of a design cost by the same rates as Price, and what is to be bought for them. */
export async function donorSheet(
  o: OpenedDesign,
): Promise<{ sheet: Omit<DonorSheet, 'toBuy'>; request: PurchaseRequest }> {
  const { em, design: d, copies, today } = o;
  const place = await em.findOneOrFail(PlaceRow, { id: 1 });
  const offers = await em.find(OfferRow, {}, { orderBy: { id: 'asc' } });
  const suppliers = await em.find(SupplierRow, {});
  const gone = await outOfStock(em);
  const packs = offers.map((x) => ({
    supplierId: x.supplier.id,
    price: x.price,
    inStock: !gone.has(x.id),
    contents: x.contents,
  }));
  const { supply, needs, rows } = await supplyOf(em, d, copies, today);
  const taken = takes(needs, copies);
  const used = uses(needs, copies);
  const lines = [...taken].map(([id, quantity]) => {
    const m = rows.get(id)!;
    const rate = rateOf({ id, unit: m.unit, worth: m.worth }, packs, suppliers);
    return {
      name: m.name,
      quantity,
      unit: m.unit,
      cost: rate.from === 'saved' ? null : rate.minor * used.get(id)!,
    };
  });
  const free = new Map<number, number>();
  for (const l of supply.lines) if (!free.has(l.need.materialId)) free.set(l.need.materialId, l.free);
  const minutes = adultMinutes(o.pattern.steps(o.at), copies, ownFactor(await ownTimes(em), d.pattern));
  return {
    sheet: {
      place: place.name,
      today,
      name: d.name,
      skill: d.skill,
      forGroup: d.forGroup,
      ageFrom: d.ageFrom,
      ageTo: d.ageTo,
      copies,
      picture: o.pattern.draw(o.at).picture,
      unit: o.unit,
      money: { currency: place.currency, locale: place.locale },
      lines,
      minutes,
      hourly: place.hourly ?? null,
    },
    request: {
      needs: [...taken].map(([id, quantity]) => ({ material: String(id), quantity })),
      stock: [...free].map(([id, quantity]) => ({
        material: String(id),
        quantity: Math.min(1e6, quantity),
      })),
      ...(await packsFor(em)),
    },
  };
}
