import type { EntityManager } from '@mikro-orm/core';
import type { MaterialRow as MaterialJson, Offer, Supplier } from '../../../contract/materials.ts';
import type { MaterialInput } from '../../../core/materials/material.ts';
import { DesignRow, MaterialRow, OfferRow, SupplierRow, type Material } from '../../db/entities.ts';
import { notFound, ProblemError } from '../../problem.ts';

const materialJson = (m: Material): MaterialJson => ({
  id: m.id,
  version: m.version,
  name: m.name,
  form: m.form as MaterialJson['form'],
  ...(m.solid ? { solid: m.solid as NonNullable<MaterialJson['solid']> } : {}),
  sizes: m.sizes,
  unit: m.unit as MaterialJson['unit'],
  kept: m.kept,
  materialClass: m.materialClass as MaterialJson['materialClass'],
  give: m.give,
  hazards: m.hazards as MaterialJson['hazards'],
  colour: m.colour,
});

export async function listMaterials(em: EntityManager): Promise<MaterialJson[]> {
  return (await em.find(MaterialRow, {}, { orderBy: { name: 'asc' } })).map(materialJson);
}

export async function findMaterial(em: EntityManager, id: number): Promise<Material> {
  const m = await em.findOne(MaterialRow, { id });
  if (!m) throw notFound(`material ${id}`);
  return m;
}

export async function addMaterial(em: EntityManager, input: MaterialInput): Promise<MaterialJson> {
  const m = em.create(MaterialRow, { ...input, version: 1, solid: input.solid ?? null });
  await em.flush();
  return materialJson(m);
}

/** Overwrites a material, if the caller has seen its latest state. */
export async function updateMaterial(
  em: EntityManager,
  id: number,
  input: MaterialInput & { version: number },
): Promise<MaterialJson> {
  const m = await findMaterial(em, id);
  if (m.version !== input.version)
    throw new ProblemError(
      409,
      `${m.name} was changed meanwhile.`,
      [{ path: 'version', message: `is stale: it is ${m.version} now` }],
      materialJson(m),
    );
  const { version: _, ...fields } = input;
  em.assign(m, { ...fields, solid: input.solid ?? null });
  await em.flush();
  return materialJson(m);
}

/** Adds to or takes from what is kept. */
export async function changeStock(em: EntityManager, id: number, by: number): Promise<MaterialJson> {
  const m = await findMaterial(em, id);
  const kept = m.kept + by;
  if (kept < 0)
    throw new ProblemError(422, `Only ${m.kept} of ${m.name} are kept.`, [
      { path: 'by', message: `expected at least −${m.kept}` },
    ]);
  if (kept > 10_000_000)
    throw new ProblemError(422, 'That is more than a shelf holds.', [
      { path: 'by', message: 'expected at most 10,000,000 kept in all' },
    ]);
  m.kept = kept;
  await em.flush();
  return materialJson(m);
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
  return (await em.find(OfferRow, {}, { orderBy: { name: 'asc' } })).map((o) => ({
    id: o.id,
    name: o.name,
    supplierId: o.supplier.id,
    price: o.price,
    contents: o.contents,
  }));
}

export async function saveOffer(em: EntityManager, input: Omit<Offer, 'id'>, id?: number): Promise<Offer> {
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
  if (id === undefined) row = em.create(OfferRow, fields);
  else {
    row = await em.findOne(OfferRow, { id });
    if (!row) throw notFound(`offer ${id}`);
    em.assign(row, fields);
  }
  await em.flush();
  return { ...input, id: row.id };
}

export async function removeOffer(em: EntityManager, id: number): Promise<void> {
  if ((await em.nativeDelete(OfferRow, { id })) === 0) throw notFound(`offer ${id}`);
}
