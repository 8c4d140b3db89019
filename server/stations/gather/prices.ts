import { z } from 'zod';
import type { EntityManager } from '@mikro-orm/core';
import type { Offer, OfferInput } from '../../../contract/materials.ts';
import type { PriceSeen, ShopList, ShopRefreshed } from '../../../contract/shop.ts';
import type { Day } from '../../../core/calendar/days.ts';
import { asMaterial, entryOf } from '../../../core/catalogue/index.ts';
import { MaterialRow, OfferRow, SupplierRow } from '../../db/entities.ts';
import { rows } from '../../db/rows.ts';
import { listDay, listDays, priceList, SHOP } from '../../devices/shop.ts';
import { pageOf, textCursor, textCursorOf } from '../../paging.ts';
import { ProblemError } from '../../problem.ts';
import { createMaterial } from './service.ts';
import { findOffer, saveOffer } from './offers.ts';

/** Rows of one insert: four values each, well under what one statement may hold. */
const AT_ONCE = 200;

/** Writes down what packs cost on a day; a later look on the same day replaces the earlier. */
export async function seePrices(em: EntityManager, seen: readonly PriceSeen[]): Promise<void> {
  for (let i = 0; i < seen.length; i += AT_ONCE) {
    const some = seen.slice(i, i + AT_ONCE);
    await rows(
      em,
      `insert into price_seen (offer_id, seen_on, price, in_stock) values ${some.map(() => '(?, ?, ?, ?)').join(', ')} on conflict (offer_id, seen_on) do update set price = excluded.price, in_stock = excluded.in_stock`,
      some.flatMap((p) => [p.offerId, p.seenOn, p.price, p.inStock ? 1 : 0]),
    );
  }
}

export const priceQuery = z.strictObject({
  ...pageOf(20_000),
  offer: z.coerce.number().int().positive('must be more than 0').optional(),
});

/** A page of prices as they were seen, the oldest first. */
export async function priceHistory(em: EntityManager, query: z.infer<typeof priceQuery>) {
  const only = query.offer === undefined ? '' : ' and offer_id = ?';
  const params = query.offer === undefined ? [] : [query.offer];
  const [all] = await rows<{ n: number }>(em, `select count(*) as n from price_seen where 1${only}`, params);
  const found = await rows<{ id: number; offer_id: number; seen_on: Day; price: number; in_stock: number }>(
    em,
    `select * from price_seen where (seen_on, id) > (?, ?)${only} order by seen_on, id limit ?`,
    [...(textCursor(query.after) ?? ['', 0]), ...params, query.limit],
  );
  const last = found.at(-1);
  return {
    items: found.map((p): PriceSeen => ({
      offerId: p.offer_id,
      seenOn: p.seen_on,
      price: p.price,
      inStock: p.in_stock !== 0,
    })),
    limit: query.limit,
    total: all!.n,
    next: last ? textCursorOf(last.seen_on, last.id) : null,
  };
}

/** The shop's list of this week, with what the place follows already. */
export async function shopListOf(em: EntityManager, today: Day): Promise<ShopList> {
  const lines = new Map(priceList(today).map((l) => [l.key, l]));
  const followed = new Map(
    (await em.find(OfferRow, { shopKey: { $ne: null } })).map((o) => [o.shopKey, o.id]),
  );
  return {
    day: listDay(today),
    packs: SHOP.map((p) => ({
      key: p.key,
      supplier: p.supplier,
      delivery: p.delivery,
      name: p.name,
      price: lines.get(p.key)!.price,
      inStock: lines.get(p.key)!.inStock,
      contents: p.contents.map((c) => ({ ...c, name: entryOf(c.catalogue)!.name })),
      offerId: followed.get(p.key) ?? null,
    })),
  };
}

/** Puts a pack of the shop among the offers, with the prices of its last twelve lists. */
export async function followPack(em: EntityManager, key: string, today: Day): Promise<Offer> {
  const pack = SHOP.find((p) => p.key === key);
  if (!pack)
    throw new ProblemError(422, `The shop has no pack “${key}”.`, [
      { path: 'key', message: 'expected the key of a pack in the shop’s list' },
    ]);
  if (await em.findOne(OfferRow, { shopKey: key }))
    throw new ProblemError(409, `${pack.name} is followed already.`);
  const supplier =
    (await em.findOne(SupplierRow, { name: pack.supplier })) ??
    em.create(SupplierRow, { name: pack.supplier, delivery: pack.delivery, freeFrom: null });
  const contents = [];
  for (const c of pack.contents) {
    const entry = entryOf(c.catalogue)!;
    const material =
      (await em.findOne(MaterialRow, { catalogue: entry.key })) ??
      (await em.findOne(MaterialRow, { name: entry.name })) ??
      (await createMaterial(em, asMaterial(entry)));
    contents.push({ materialId: material.id, quantity: c.quantity });
  }
  const now = priceList(today).find((l) => l.key === key)!;
  const offer = em.create(OfferRow, { name: pack.name, supplier, price: now.price, contents, shopKey: key });
  await em.flush();
  await seePrices(
    em,
    listDays(null, today).map((day) => {
      const line = priceList(day).find((l) => l.key === key)!;
      return { offerId: offer.id, seenOn: day, price: line.price, inStock: line.inStock };
    }),
  );
  return findOffer(em, offer.id);
}

/** Reads the shop's lists since the last time; prices follow, and what changed is told. */
export async function refreshPrices(em: EntityManager, today: Day): Promise<ShopRefreshed> {
  const offers = await em.find(OfferRow, { shopKey: { $ne: null } });
  const last = new Map(
    (
      await rows<{ offer_id: number; seen_on: Day; in_stock: number }>(
        em,
        'select p.offer_id, p.seen_on, p.in_stock from price_seen p join offer o on o.id = p.offer_id and o.shop_key is not null where p.seen_on = (select max(seen_on) from price_seen q where q.offer_id = p.offer_id)',
      )
    ).map((p) => [p.offer_id, p]),
  );
  // A list is the same for every pack: each is read once.
  const linesOf = new Map<Day, Map<string, { price: number; inStock: boolean }>>();
  const lineOf = (day: Day, key: string) => {
    let lines = linesOf.get(day);
    if (!lines) linesOf.set(day, (lines = new Map(priceList(day).map((l) => [l.key, l]))));
    return lines.get(key);
  };
  const lists = new Set<Day>();
  const seen: PriceSeen[] = [];
  const changed: ShopRefreshed['changed'] = [];
  for (const offer of offers) {
    const before = { price: offer.price, inStock: (last.get(offer.id)?.in_stock ?? 1) !== 0 };
    let now = before;
    for (const day of listDays(last.get(offer.id)?.seen_on ?? null, today)) {
      const line = lineOf(day, offer.shopKey!);
      if (!line) continue;
      lists.add(day);
      seen.push({ offerId: offer.id, seenOn: day, price: line.price, inStock: line.inStock });
      now = line;
    }
    if (now.price !== before.price || now.inStock !== before.inStock)
      changed.push({
        offerId: offer.id,
        name: offer.name,
        before: before.price,
        after: now.price,
        inStock: now.inStock,
        wasInStock: before.inStock,
      });
    offer.price = now.price;
  }
  await seePrices(em, seen);
  await em.flush();
  return { followed: offers.length, lists: lists.size, changed };
}

/** Keeps a pack entered by hand, and writes down what it costs today. */
export async function keepOffer(
  em: EntityManager,
  input: OfferInput & { version?: number | undefined },
  today: Day,
  id?: number,
): Promise<Offer> {
  const offer = await saveOffer(em, input, id);
  await seePrices(em, [{ offerId: offer.id, seenOn: today, price: offer.price, inStock: true }]);
  return { ...offer, inStock: true };
}
