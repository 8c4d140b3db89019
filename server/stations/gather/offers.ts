import type { EntityManager } from '@mikro-orm/core';
import type { Offer, OfferInput, Supplier, SupplierInput } from '../../../contract/materials.ts';
import { MaterialRow, OfferRow, SupplierRow } from '../../db/entities.ts';
import { rows } from '../../db/rows.ts';
import { textCursor, textCursorOf } from '../../paging.ts';
import { notFound, ProblemError } from '../../problem.ts';
import type { PageAsked } from './service.ts';

/** A page of suppliers by name. */
export async function pageOfSuppliers(em: EntityManager, query: PageAsked) {
  const [all] = await rows<{ n: number }>(em, 'select count(*) as n from supplier');
  const items = await rows<Supplier>(
    em,
    'select id, version, name, delivery, free_from as "freeFrom" from supplier where (name, id) > (?, ?) order by name, id limit ?',
    [...(textCursor(query.after) ?? ['', 0]), query.limit],
  );
  const last = items.at(-1);
  return { items, limit: query.limit, total: all!.n, next: last ? textCursorOf(last.name, last.id) : null };
}

export async function addSupplier(em: EntityManager, input: SupplierInput): Promise<Supplier> {
  const own = { ...input, freeFrom: input.freeFrom ?? null };
  const s = em.create(SupplierRow, { ...own, version: 1 });
  await em.flush();
  return { id: s.id, version: s.version, ...own };
}

export async function updateSupplier(
  em: EntityManager,
  id: number,
  { version, ...input }: SupplierInput & { version: number },
): Promise<Supplier> {
  const s = await em.findOne(SupplierRow, { id });
  if (!s) throw notFound(`supplier ${id}`);
  if (s.version !== version) throw staleRow(s.name, s.version);
  const own = { ...input, freeFrom: input.freeFrom ?? null };
  em.assign(s, own);
  await em.flush();
  return { id, version: s.version, ...own };
}

/** Somebody else changed it since it was read. */
const staleRow = (name: string, now: number): ProblemError =>
  new ProblemError(409, `${name} was changed meanwhile.`, [
    { path: 'version', message: `is stale: it is ${now} now` },
  ]);

interface OfferColumns {
  id: number;
  version: number;
  name: string;
  supplier_id: number;
  price: number;
  contents: string;
  shop_key: string | null;
}

const offersFrom = async (em: EntityManager, found: readonly OfferColumns[]): Promise<Offer[]> => {
  const gone = await outOfStock(em);
  return found.map((o) => ({
    id: o.id,
    version: o.version,
    name: o.name,
    supplierId: o.supplier_id,
    price: o.price,
    contents: JSON.parse(o.contents) as Offer['contents'],
    inStock: !gone.has(o.id),
    shopKey: o.shop_key,
  }));
};

/** A page of packs by name. */
export async function pageOfOffers(em: EntityManager, query: PageAsked) {
  const [all] = await rows<{ n: number }>(em, 'select count(*) as n from offer');
  const items = await offersFrom(
    em,
    await rows<OfferColumns>(em, 'select * from offer where (name, id) > (?, ?) order by name, id limit ?', [
      ...(textCursor(query.after) ?? ['', 0]),
      query.limit,
    ]),
  );
  const last = items.at(-1);
  return { items, limit: query.limit, total: all!.n, next: last ? textCursorOf(last.name, last.id) : null };
}

export async function findOffer(em: EntityManager, id: number): Promise<Offer> {
  const [offer] = await offersFrom(
    em,
    await rows<OfferColumns>(em, 'select * from offer where id = ?', [id]),
  );
  if (!offer) throw notFound(`offer ${id}`);
  return offer;
}

/** Packs that the shop did not have when they were last seen. */
export async function outOfStock(em: EntityManager): Promise<Set<number>> {
  const gone = await rows<{ offer_id: number }>(
    em,
    'select offer_id from price_seen p where in_stock = 0 and seen_on = (select max(seen_on) from price_seen q where q.offer_id = p.offer_id)',
  );
  return new Set(gone.map((r) => r.offer_id));
}

export async function saveOffer(
  em: EntityManager,
  { version, ...input }: OfferInput & { version?: number | undefined },
  id?: number,
): Promise<Offer> {
  const supplier = await em.findOne(SupplierRow, { id: input.supplierId });
  if (!supplier)
    throw new ProblemError(422, 'There is no such supplier.', [
      { path: 'supplierId', message: 'expected a supplier of this place' },
    ]);
  const known = await em.count(MaterialRow, { id: { $in: input.contents.map((c) => c.materialId) } });
  if (known < input.contents.length)
    throw new ProblemError(422, 'The pack holds a material that is not on the shelf.', [
      { path: 'contents', message: 'expected materials of this shelf' },
    ]);
  const fields = { name: input.name, supplier, price: input.price, contents: input.contents };
  let row;
  if (id === undefined) row = em.create(OfferRow, { ...fields, shopKey: null, version: 1 });
  else {
    row = await em.findOne(OfferRow, { id });
    if (!row) throw notFound(`offer ${id}`);
    if (row.version !== version) throw staleRow(row.name, row.version);
    em.assign(row, fields, { mergeObjectProperties: false });
  }
  await em.flush();
  return {
    ...input,
    id: row.id,
    version: row.version,
    inStock: !(await outOfStock(em)).has(row.id),
    shopKey: row.shopKey ?? null,
  };
}

export async function removeOffer(em: EntityManager, id: number): Promise<void> {
  if ((await em.nativeDelete(OfferRow, { id })) === 0) throw notFound(`offer ${id}`);
}
