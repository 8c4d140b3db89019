import type { EntityManager } from '@mikro-orm/core';
import { entryOf } from '../../../core/catalogue/index.ts';
import type {
  MaterialRow as MaterialJson,
  Offer,
  OfferInput,
  Supplier,
  SupplierInput,
} from '../../../contract/materials.ts';
import type { Day } from '../../../core/calendar/days.ts';
import type { MaterialInput } from '../../../core/materials/material.ts';
import { MaterialRow, OfferRow, SupplierRow, type Material } from '../../db/entities.ts';
import { rows } from '../../db/rows.ts';
import { textCursor, textCursorOf } from '../../paging.ts';
import { notFound, ProblemError } from '../../problem.ts';
import { onShelf, putOnShelf, roomFor, shelfOf, takeFromShelf, type OnShelf } from './shelf.ts';

const materialJson = (m: Material, shelf: OnShelf): MaterialJson => ({
  id: m.id,
  version: m.version,
  name: m.name,
  form: m.form as MaterialJson['form'],
  ...(m.solid ? { solid: m.solid as NonNullable<MaterialJson['solid']> } : {}),
  sizes: m.sizes,
  unit: m.unit as MaterialJson['unit'],
  kept: shelf.kept,
  waiting: shelf.waiting,
  ...(shelf.clean ? { clean: true } : {}),
  ...(shelf.measured ? { measured: shelf.measured } : {}),
  materialClass: m.materialClass as MaterialJson['materialClass'],
  give: m.give,
  hazards: m.hazards as MaterialJson['hazards'],
  colour: m.colour,
  ...(m.mass == null ? {} : { mass: m.mass }),
  ...(m.cleaning == null ? {} : { cleaning: m.cleaning as NonNullable<MaterialJson['cleaning']> }),
  ...(m.allergens == null ? {} : { allergens: m.allergens as NonNullable<MaterialJson['allergens']> }),
  ...(m.traits == null ? {} : { traits: m.traits }),
  ...(m.grain == null ? {} : { grain: m.grain as NonNullable<MaterialJson['grain']> }),
  ...(m.keepOut == null ? {} : { keepOut: m.keepOut }),
  ...(m.keeping == null ? {} : { keeping: m.keeping }),
  ...(m.risks == null ? {} : { risks: m.risks }),
  ...(m.worth == null ? {} : { worth: m.worth }),
  ...(m.catalogue == null ? {} : { catalogue: m.catalogue }),
});

type JsonColumn = 'sizes' | 'hazards' | 'allergens' | 'traits' | 'keepOut' | 'keeping' | 'risks';
type MaterialColumns = Omit<Material, JsonColumn | 'materialClass'> & {
  readonly keep_out: string | null;
  readonly keeping: string | null;
  readonly risks: string | null;
  readonly material_class: string;
  readonly sizes: string;
  readonly hazards: string;
  readonly allergens: string | null;
  readonly traits: string | null;
};

interface PageAsked {
  readonly limit: number;
  readonly after?: string | undefined;
}

/** Materials by name, one after another: straight from the table, since a shelf may hold very many. */
export async function pageOfMaterials(em: EntityManager, today: Day, query: PageAsked) {
  const [all] = await rows<{ n: number }>(em, 'select count(*) as n from material');
  const found = await rows<MaterialColumns>(
    em,
    'select * from material where (name, id) > (?, ?) order by name, id limit ?',
    [...(textCursor(query.after) ?? ['', 0]), query.limit],
  );
  const shelf = await onShelf(em, today);
  async function* each(): AsyncGenerator<MaterialJson> {
    for (const c of found)
      yield materialJson(
        {
          ...c,
          materialClass: c.material_class,
          sizes: JSON.parse(c.sizes) as Material['sizes'],
          hazards: JSON.parse(c.hazards) as Material['hazards'],
          allergens: c.allergens === null ? null : (JSON.parse(c.allergens) as string[]),
          traits: c.traits === null ? null : (JSON.parse(c.traits) as Material['traits']),
          keepOut: c.keep_out === null ? null : (JSON.parse(c.keep_out) as Material['keepOut']),
          risks: c.risks === null ? null : (JSON.parse(c.risks) as Material['risks']),
          keeping: c.keeping === null ? null : (JSON.parse(c.keeping) as Material['keeping']),
        },
        shelf.get(c.id) ?? { kept: 0, waiting: 0 },
      );
  }
  const last = found.at(-1);
  return {
    items: each(),
    count: found.length,
    limit: query.limit,
    total: all!.n,
    next: last ? textCursorOf(last.name, last.id) : null,
  };
}

export async function findMaterial(em: EntityManager, id: number): Promise<Material> {
  const m = await em.findOne(MaterialRow, { id });
  if (!m) throw notFound(`material ${id}`);
  return m;
}

/** What an entry of the catalogue can do or is, where it was taken from one and nobody said otherwise. */
const traitsOfEntry = (key: string | undefined) => {
  const traits = key === undefined ? undefined : entryOf(key)?.traits;
  return traits?.length ? traits : null;
};

/** The columns of a material; the count is a matter of its lots. */
export const materialColumns = (m: Omit<MaterialInput, 'kept'>) => ({
  ...m,
  solid: m.solid ?? null,
  mass: m.mass ?? null,
  cleaning: m.cleaning ?? null,
  allergens: m.allergens ?? null,
  traits: m.traits ?? traitsOfEntry(m.catalogue),
  grain: m.grain ?? null,
  keepOut: m.keepOut ?? null,
  keeping: m.keeping ?? null,
  risks: m.risks ?? null,
  catalogue: m.catalogue ?? null,
  worth: m.worth ?? null,
});

const columns = ({ kept: _, ...m }: MaterialInput) => materialColumns(m);

export async function createMaterial(em: EntityManager, input: MaterialInput): Promise<Material> {
  const m = em.create(MaterialRow, { ...columns(input), version: 1 });
  await em.flush();
  return m;
}

/** A new material; what is kept of it comes in as its first lot. */
export async function addMaterial(
  em: EntityManager,
  input: MaterialInput,
  today: Day,
): Promise<MaterialJson> {
  const m = await createMaterial(em, input);
  if (input.kept > 0) {
    putOnShelf(em, m, { quantity: input.kept, cameOn: today });
    await em.flush();
  }
  return materialJson(m, await shelfOf(em, today, m.id));
}

/** Overwrites a material, if the caller has seen its latest state. */
export async function updateMaterial(
  em: EntityManager,
  id: number,
  input: MaterialInput & { version: number },
  today: Day,
  saysKept: boolean,
): Promise<MaterialJson> {
  const m = await findMaterial(em, id);
  const shelf = await shelfOf(em, today, id);
  if (m.version !== input.version)
    throw new ProblemError(
      409,
      `${m.name} was changed meanwhile.`,
      [{ path: 'version', message: `is stale: it is ${m.version} now` }],
      materialJson(m, shelf),
    );
  if (saysKept && input.kept !== shelf.kept)
    throw new ProblemError(
      409,
      `${shelf.kept} of ${m.name} are kept now.`,
      [
        {
          path: 'kept',
          message: `changes by what comes in and is used up; expected ${shelf.kept} or nothing`,
        },
      ],
      materialJson(m, shelf),
    );
  const { version: _, ...fields } = input;
  em.assign(m, columns(fields), { mergeObjectProperties: false });
  await em.flush();
  return materialJson(m, shelf);
}

/** Adds to or takes from what is kept. */
export async function changeStock(
  em: EntityManager,
  id: number,
  by: number,
  today: Day,
): Promise<MaterialJson> {
  const m = await findMaterial(em, id);
  if (by < 0) await takeFromShelf(em, m, -by, today);
  else {
    await roomFor(em, today, id, by, 'by');
    putOnShelf(em, m, { quantity: by, cameOn: today });
    await em.flush();
  }
  return materialJson(m, await shelfOf(em, today, id));
}

export async function removeMaterial(em: EntityManager, id: number): Promise<void> {
  const m = await findMaterial(em, id);
  const named = async (sql: string): Promise<string[]> =>
    (await rows<{ name: string }>(em, `${sql} order by name limit 5`, [id])).map((r) => r.name);
  const designs = await named(
    'select distinct d.name from design d, json_each(d.materials) e where e.value = ?',
  );
  if (designs.length > 0) throw new ProblemError(409, `${m.name} is used by ${designs.join(', ')}.`);
  const offers = await named(
    "select distinct o.name from offer o, json_each(o.contents) e where json_extract(e.value, '$.materialId') = ?",
  );
  if (offers.length > 0) throw new ProblemError(409, `${m.name} is in the pack ${offers.join(', ')}.`);
  // Lots are records: who brought what, when, and what became of it. They never go with the material.
  const [kept] = await rows<{ lots: number; left: number | null }>(
    em,
    'select count(*) as lots, sum(quantity) as left from lot where material_id = ?',
    [id],
  );
  if (kept!.lots > 0)
    throw new ProblemError(
      409,
      `${m.name} has ${kept!.lots} ${kept!.lots === 1 ? 'lot' : 'lots'} on record${kept!.left ? `, ${kept!.left} of it on the shelf` : ''}; it stays for their sake.`,
    );
  await em.removeAndFlush(m);
}

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
