import type { EntityManager } from '@mikro-orm/core';
import type {
  MaterialRow as MaterialJson,
  Offer,
  OfferInput,
  Supplier,
} from '../../../contract/materials.ts';
import type { Day } from '../../../core/calendar/days.ts';
import type { MaterialInput } from '../../../core/materials/material.ts';
import { DesignRow, MaterialRow, OfferRow, SupplierRow, type Material } from '../../db/entities.ts';
import { rows } from '../../db/rows.ts';
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
  ...(shelf.measured ? { measured: shelf.measured } : {}),
  materialClass: m.materialClass as MaterialJson['materialClass'],
  give: m.give,
  hazards: m.hazards as MaterialJson['hazards'],
  colour: m.colour,
  ...(m.mass == null ? {} : { mass: m.mass }),
  ...(m.cleaning == null ? {} : { cleaning: m.cleaning as NonNullable<MaterialJson['cleaning']> }),
  ...(m.allergens == null ? {} : { allergens: m.allergens as NonNullable<MaterialJson['allergens']> }),
  ...(m.catalogue == null ? {} : { catalogue: m.catalogue }),
});

type JsonColumn = 'sizes' | 'hazards' | 'allergens';
type MaterialColumns = Omit<Material, JsonColumn | 'materialClass'> & {
  readonly material_class: string;
  readonly sizes: string;
  readonly hazards: string;
  readonly allergens: string | null;
};

/** Every material by name, one after another: straight from the table, since a shelf may hold very many. */
export async function* listMaterials(em: EntityManager, today: Day): AsyncGenerator<MaterialJson> {
  const shelf = await onShelf(em, today);
  for (const c of await rows<MaterialColumns>(em, 'select * from material order by name'))
    yield materialJson(
      {
        ...c,
        materialClass: c.material_class,
        sizes: JSON.parse(c.sizes) as Material['sizes'],
        hazards: JSON.parse(c.hazards) as Material['hazards'],
        allergens: c.allergens === null ? null : (JSON.parse(c.allergens) as string[]),
      },
      shelf.get(c.id) ?? { kept: 0, waiting: 0 },
    );
}

export async function findMaterial(em: EntityManager, id: number): Promise<Material> {
  const m = await em.findOne(MaterialRow, { id });
  if (!m) throw notFound(`material ${id}`);
  return m;
}

/** The columns of a material; the count is a matter of its lots. */
export const materialColumns = <T extends Omit<MaterialInput, 'kept'>>(m: T) => ({
  ...m,
  solid: m.solid ?? null,
  mass: m.mass ?? null,
  cleaning: m.cleaning ?? null,
  allergens: m.allergens ?? null,
  catalogue: m.catalogue ?? null,
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
  const designs = (await em.find(DesignRow, {})).filter((d) => Object.values(d.materials).includes(id));
  if (designs.length > 0)
    throw new ProblemError(409, `${m.name} is used by ${designs.map((d) => d.name).join(', ')}.`);
  const offers = (await em.find(OfferRow, {})).filter((o) => o.contents.some((c) => c.materialId === id));
  if (offers.length > 0)
    throw new ProblemError(409, `${m.name} is in the pack ${offers.map((o) => o.name).join(', ')}.`);
  await em.removeAndFlush(m);
}

export async function listSuppliers(em: EntityManager): Promise<Supplier[]> {
  return (await em.find(SupplierRow, {}, { orderBy: { name: 'asc' } })).map((s) => ({
    id: s.id,
    name: s.name,
    delivery: s.delivery,
  }));
}

export async function addSupplier(em: EntityManager, input: Omit<Supplier, 'id'>): Promise<Supplier> {
  const s = em.create(SupplierRow, input);
  await em.flush();
  return { id: s.id, ...input };
}

export async function listOffers(em: EntityManager): Promise<Offer[]> {
  const gone = await outOfStock(em);
  return (await em.find(OfferRow, {}, { orderBy: { name: 'asc' } })).map((o) => ({
    id: o.id,
    name: o.name,
    supplierId: o.supplier.id,
    price: o.price,
    contents: o.contents,
    inStock: !gone.has(o.id),
    shopKey: o.shopKey ?? null,
  }));
}

/** Packs that the shop did not have when they were last seen. */
async function outOfStock(em: EntityManager): Promise<Set<number>> {
  const gone = await rows<{ offer_id: number }>(
    em,
    'select offer_id from price_seen p where in_stock = 0 and seen_on = (select max(seen_on) from price_seen q where q.offer_id = p.offer_id)',
  );
  return new Set(gone.map((r) => r.offer_id));
}

export async function saveOffer(em: EntityManager, input: OfferInput, id?: number): Promise<Offer> {
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
  if (id === undefined) row = em.create(OfferRow, { ...fields, shopKey: null });
  else {
    row = await em.findOne(OfferRow, { id });
    if (!row) throw notFound(`offer ${id}`);
    em.assign(row, fields);
  }
  await em.flush();
  return { ...input, id: row.id, inStock: !(await outOfStock(em)).has(row.id), shopKey: row.shopKey ?? null };
}

export async function removeOffer(em: EntityManager, id: number): Promise<void> {
  if ((await em.nativeDelete(OfferRow, { id })) === 0) throw notFound(`offer ${id}`);
}
