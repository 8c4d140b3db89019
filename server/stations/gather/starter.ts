import { readFile } from 'node:fs/promises';
import type { EntityManager } from '@mikro-orm/core';
import { z } from 'zod';
import type { StarterDone, StarterInput } from '../../../contract/starter.ts';
import type { Day } from '../../../core/calendar/days.ts';
import { asMaterial, entryOf } from '../../../core/catalogue/index.ts';
import { materialFields, materialInput } from '../../../core/materials/materialInput.ts';
import { supplierInput } from '../../../contract/materials.ts';
import { MaterialRow } from '../../db/entities.ts';
import { ProblemError } from '../../problem.ts';
import { addSupplier } from './offers.ts';
import { keepOffer } from './prices.ts';
import { addMaterial } from './service.ts';

const namesThere = async (em: EntityManager): Promise<Set<string>> =>
  new Set((await em.find(MaterialRow, {}, { fields: ['name'] })).map((m) => m.name.toLowerCase()));

/** Puts kinds of the catalogue on the shelf, all or none; a kind whose name is there already is left as it is. */
export async function takeStarter(
  em: EntityManager,
  { kinds }: StarterInput,
  today: Day,
): Promise<StarterDone> {
  const there = await namesThere(em);
  let added = 0;
  for (const [i, { catalogue, quantity }] of kinds.entries()) {
    const entry = entryOf(catalogue);
    if (!entry)
      throw new ProblemError(422, `The catalogue has no “${catalogue}”.`, [
        { path: `kinds.${i}.catalogue`, message: 'expected a key of the catalogue' },
      ]);
    if (there.has(entry.name.toLowerCase())) continue;
    there.add(entry.name.toLowerCase());
    await addMaterial(em, { ...asMaterial(entry), kept: quantity }, today);
    added++;
  }
  return { added, left: kinds.length - added };
}

/** Where the demo lies beside the application. */
const DEMO_FILE = 'demo/kelpwick.json';
/** The demo's shelf with its packs, out of all that the demo holds. */
const demoShelf = z.object({
  materials: z.array(materialFields.extend({ key: z.string() })),
  suppliers: z.array(supplierInput.extend({ key: z.string() })),
  offers: z.array(
    z.object({
      name: z.string(),
      supplier: z.string(),
      price: z.number().int(),
      contents: z.array(z.object({ material: z.string(), quantity: z.number().int() })),
    }),
  ),
});

/**
 * Puts the demo's shelf with its packs into a place that has nothing on its shelf: invented things, to try with.
 *
 * @throws 409 where something is on the shelf, 404 where the demo is not shipped
 */
export async function takeDemoShelf(em: EntityManager, today: Day): Promise<StarterDone> {
  if ((await em.count(MaterialRow, {})) > 0)
    throw new ProblemError(
      409,
      'Something is on the shelf already: the demo’s shelf goes on an empty one only.',
    );
  const file = await readFile(DEMO_FILE, 'utf8').catch(() => {
    throw new ProblemError(404, 'The demo is not here: take a starter shelf, or bring a spreadsheet.');
  });
  const demo = demoShelf.parse(JSON.parse(file));
  const materials = new Map<string, number>();
  for (const { key, ...m } of demo.materials)
    materials.set(key, (await addMaterial(em, materialInput.parse(m), today)).id);
  const suppliers = new Map<string, number>();
  for (const { key, ...s } of demo.suppliers) suppliers.set(key, (await addSupplier(em, s)).id);
  for (const o of demo.offers)
    await keepOffer(
      em,
      {
        name: o.name,
        price: o.price,
        supplierId: suppliers.get(o.supplier)!,
        contents: o.contents.map((c) => ({ materialId: materials.get(c.material)!, quantity: c.quantity })),
      },
      today,
    );
  return { added: demo.materials.length, left: 0 };
}
