import type { EntityManager } from '@mikro-orm/core';
import type { BenchPlan } from '../../../core/plan/benchPlan.ts';
import type { Day } from '../../../core/calendar/days.ts';
import type { LengthUnit } from '../../../core/measure/length.ts';
import { countLine } from '../../../core/lend/parts.ts';
import type { Paper } from '../../../core/print/paper.ts';
import { deliveryOf } from '../../../core/price/delivery.ts';
import type { PurchaseAnswer, PurchaseRequest } from '../../../core/price/purchase.ts';
import { BundleRow, KitRow, OfferRow, PlaceRow, SupplierRow } from '../../db/entities.ts';
import { paperPart, type PaperPart } from '../../formats/makers.ts';
import type { BatchSheet, Shopping } from '../../formats/batchSheets.ts';
import { outOfStock } from '../gather/offers.ts';
import { designFamilyPaper, familyPaper } from '../lend/familyPaper.ts';
import type { Opened } from './batches.ts';
import { buildSheetData, openedDesign, templateData } from './designPapers.ts';

/** Everything that can be bought, as the computation takes it. */
export async function packsFor(em: EntityManager): Promise<Pick<PurchaseRequest, 'offers' | 'delivery'>> {
  const offers = await em.find(OfferRow, {}, { orderBy: { id: 'asc' } });
  const suppliers = await em.find(SupplierRow, {});
  const gone = await outOfStock(em);
  return {
    offers: offers.map((o) => ({
      id: String(o.id),
      supplier: String(o.supplier.id),
      price: o.price,
      ...(gone.has(o.id) ? { limit: 0 } : {}),
      contents: o.contents.map((c) => ({ material: String(c.materialId), quantity: c.quantity })),
    })),
    delivery: suppliers.map((s) => ({
      supplier: String(s.id),
      price: s.delivery,
      ...(s.freeFrom == null ? {} : { freeFrom: s.freeFrom }),
    })),
  };
}

/** What has to be bought for a batch, as the screen asks it. */
export const purchaseFor = async (em: EntityManager, batch: Opened): Promise<PurchaseRequest> => ({
  needs: batch.bill.map((l) => ({ material: String(l.materialId), quantity: l.wanted })),
  stock: batch.bill.map((l) => ({
    material: String(l.materialId),
    quantity: Math.min(1e6, Math.max(0, l.kept - l.held)),
  })),
  ...(await packsFor(em)),
});

/** The line of a shop's delivery, where it charges for it. */
function chargeOf(
  s: { readonly name: string; readonly delivery: number; readonly freeFrom?: number | null | undefined },
  lines: Shopping['lines'],
): Shopping['lines'] {
  const bought = lines.reduce((n, l) => n + (l.shop === s.name ? l.price : 0), 0);
  const price = deliveryOf({ price: s.delivery, freeFrom: s.freeFrom ?? undefined }, bought);
  return price > 0 ? [{ shop: s.name, pack: 'Delivery', packs: 1, price, isDelivery: true }] : [];
}

/** A purchase by shop, as it is written down. */
export async function shoppingOf(
  em: EntityManager,
  batch: Opened,
  answer: PurchaseAnswer,
): Promise<Shopping> {
  const offers = await em.find(
    OfferRow,
    { id: { $in: answer.packs.map((p) => Number(p.offer)) } },
    { populate: ['supplier'] },
  );
  const lines = answer.packs.flatMap(({ offer, count }) => {
    const o = offers.find((x) => x.id === Number(offer));
    return o
      ? [{ shop: o.supplier.name, pack: o.name, packs: count, price: count * o.price, isDelivery: false }]
      : [];
  });
  const shops = [...new Map(offers.map((o) => [o.supplier.id, o.supplier])).values()];
  return {
    lines: shops
      .sort((a, b) => (a.name < b.name ? -1 : 1))
      .flatMap((s) => [...lines.filter((l) => l.shop === s.name), ...chargeOf(s, lines)]),
    total: answer.total,
    lacking: answer.lacking.map((id) => batch.bill.find((l) => String(l.materialId) === id)?.name ?? id),
  };
}

export async function sheetFor(
  em: EntityManager,
  batch: Opened,
  plan: BenchPlan,
  today: Day,
): Promise<BatchSheet & { readonly paper: Paper }> {
  const place = await em.findOneOrFail(PlaceRow, { id: 1 });
  return {
    place: place.name,
    batch,
    plan,
    unit: place.lengthUnit as LengthUnit,
    money: { currency: place.currency, locale: place.locale },
    today,
    paper: place.paper as Paper,
  };
}

/** Everything on paper in the order of the day: plan, shopping, each design’s sheet and template, labels, count cards. */
export async function allPapers(
  em: EntityManager,
  sheet: BatchSheet,
  shopping: Shopping,
  paper: Paper,
): Promise<PaperPart[]> {
  const { batch, today } = sheet;
  const papers = [paperPart('batch', sheet, paper)];
  if (shopping.lines.length + shopping.lacking.length > 0)
    papers.push(paperPart('shopping', sheet, shopping, paper));
  const copies = new Map<number, number>();
  for (const item of batch.items) {
    const bundle = item.bundleId === null ? null : await em.findOne(BundleRow, { id: item.bundleId });
    for (const id of bundle ? bundle.designs : [item.designId!])
      copies.set(id, (copies.get(id) ?? 0) + item.copies);
  }
  for (const [id, n] of copies) {
    const o = await openedDesign(em, id, { paper, copies: n }, today);
    papers.push(paperPart('buildSheet', await buildSheetData(o), o.paper));
    const { pages, words } = templateData(o, false);
    if (pages.length > 0) papers.push(paperPart('template', pages, words));
  }
  if (batch.labels.length > 0) {
    const made = await em.find(
      KitRow,
      { label: { $in: [...batch.labels] } },
      { populate: ['design', 'bundle'] },
    );
    papers.push(
      paperPart(
        'labels',
        made.map((c) => ({
          label: c.label,
          name: c.bundle?.name ?? c.design.name,
          count: countLine(c.parts),
        })),
        paper,
      ),
    );
  }
  for (const { bundleId, designId } of batch.items)
    papers.push(
      paperPart(
        'countCard',
        bundleId === null
          ? await designFamilyPaper(em, designId!, { paper }, today)
          : await familyPaper(em, bundleId, { paper }, today),
      ),
    );
  return papers;
}
