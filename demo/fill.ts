import { existsSync } from 'node:fs';
import type { EntityManager } from '@mikro-orm/core';
import { pathToFileURL } from 'node:url';
import { day } from '../contract/common.ts';
import { materialInput } from '../core/materials/materialInput.ts';
import { addDays, type Day } from '../core/calendar/days.ts';
import { mainPart } from '../core/lend/parts.ts';
import { loadPattern } from '../core/patterns/index.ts';
import { PlaceRow } from '../server/db/entities.ts';
import { openDb, type Db } from '../server/db/open.ts';
import { look } from '../core/gather/lookOver.ts';
import { takeFind } from '../server/stations/gather/lots.ts';
import { followPack, keepOffer } from '../server/stations/gather/prices.ts';
import { addSupplier } from '../server/stations/gather/offers.ts';
import * as gather from '../server/stations/gather/service.ts';
import { kitOf } from '../server/stations/lend/kits.ts';
import { addBundle } from '../server/stations/lend/bundles.ts';
import { buildBundle } from '../server/stations/lend/bundlesMade.ts';
import { addBorrower } from '../server/stations/lend/borrowers.ts';
import * as lend from '../server/stations/lend/service.ts';
import { changeState } from '../server/stations/lend/states.ts';
import { addTermPlan } from '../server/stations/lend/termPlan/service.ts';
import { addBatch } from '../server/stations/make/batches.ts';
import { build } from '../server/stations/make/service.ts';
import * as shape from '../server/stations/shape/service.ts';
import { keepChild } from '../server/stations/watch/children.ts';
import * as watch from '../server/stations/watch/service.ts';
import { designInput, readCart, type Cart } from './cart.ts';

/** Fills an empty place with a cart, through the same services that the stations use. */
export async function fill(db: Db, cart: Cart, today: Day): Promise<void> {
  const within = <T>(work: (em: EntityManager) => Promise<T>): Promise<T> => db.em.fork().transactional(work);
  await within(async (em) => em.assign(await em.findOneOrFail(PlaceRow, { id: 1 }), cart.place));
  const materials = new Map<string, number>();
  const suppliers = new Map<string, number>();
  for (const { key, ...m } of cart.materials) {
    // What came in since then as finds is part of what is kept; the rest was counted at the start.
    const came = cart.finds.filter((f) => f.material === key).reduce((n, f) => n + f.quantity, 0);
    const input = materialInput.parse({ ...m, kept: Math.max(0, m.kept - came) });
    materials.set(key, (await within((em) => gather.addMaterial(em, input, addDays(today, -120)))).id);
  }
  for (const { key, ...s } of cart.suppliers)
    suppliers.set(key, (await within((em) => addSupplier(em, s))).id);
  const idOf = (map: Map<string, number>, key: string): number => {
    const id = map.get(key);
    if (id === undefined) throw new Error(`the cart names “${key}”, which it does not hold`);
    return id;
  };
  for (const o of cart.offers)
    await within((em) =>
      keepOffer(
        em,
        {
          name: o.name,
          price: o.price,
          supplierId: idOf(suppliers, o.supplier),
          contents: o.contents.map((c) => ({
            materialId: idOf(materials, c.material),
            quantity: c.quantity,
          })),
        },
        addDays(today, -70),
      ),
    );
  for (const { material, catalogue, day: offset, look: seen, ...f } of cart.finds) {
    const on = addDays(today, offset);
    const what =
      material === undefined ? { catalogue: catalogue! } : { materialId: idOf(materials, material) };
    const input = { ...f, ...what, sizes: f.sizes ?? {}, look: seen ?? look.parse({}) };
    await within((em) => takeFind(em, input, on));
  }
  for (const { key, day: offset } of cart.follows)
    await within((em) => followPack(em, key, addDays(today, offset)));
  const designs = new Map<string, { id: number; kits: number[] }>();
  for (const { key, made, madeOn, ...d } of cart.designs) {
    const input = designInput.parse({
      ...d,
      materials: Object.fromEntries(
        Object.entries(d.materials).map(([role, kinds]) => [role, kinds.map((k) => idOf(materials, k))]),
      ),
    });
    const design = await within((em) => shape.addDesign(em, input, today));
    const kits =
      made > 0
        ? (
            await within((em) =>
              build(
                em,
                { designId: design.id, version: design.version, copies: made },
                addDays(today, madeOn),
              ),
            )
          ).kits
        : [];
    // What was made then was a batch of its own; the cart names the next one.
    if (made > 0)
      await within((em) =>
        shape.nextBatch(em, design.id, { version: design.version, copies: design.copies }),
      );
    designs.set(key, { id: design.id, kits: kits.map((c) => c.id) });
  }
  for (const { code, ...c } of cart.children) await within((em) => keepChild(em, code, c, today));
  const cleaned = (kitId: number, returned: number) =>
    within((em) => changeState(em, kitId, { to: 'cleaned', by: '', why: '' }, addDays(today, returned + 1)));
  const families = new Map<string, number>();
  for (const f of cart.families) families.set(f.name, (await within((em) => addBorrower(em, f, today))).id);
  for (const l of cart.loans) {
    const [key, nth] = l.kit.split(':');
    const kitId = designs.get(key!)!.kits[Number(nth)]!;
    const loan = await within((em) =>
      lend.lend(
        em,
        { kitId, borrowerId: idOf(families, l.family), dueOn: addDays(today, l.due) },
        addDays(today, l.lent),
      ),
    );
    if (l.returned === undefined) continue;
    const kit = (await kitOf(db.em.fork(), kitId))!;
    const piece = kit.parts.indexOf(mainPart(kit.parts)!);
    const present = kit.parts.map((p, i) => p.due - (i === piece ? (l.missing ?? 0) : 0));
    await within((em) =>
      lend.takeBack(em, loan.id, { present, then: l.then ?? 'shelve' }, addDays(today, l.returned!)),
    );
    if (!l.uncleaned) await cleaned(kitId, l.returned);
  }
  for (const { made, loans, ...k } of cart.bundles) {
    const input = {
      name: k.name,
      designs: k.designs.map((key) => designs.get(key)!.id),
      container: k.container === null ? null : idOf(materials, k.container),
      words: k.words,
    };
    const bundle = await within((em) => addBundle(em, input, today));
    if (made === 0) continue;
    const { kits } = await within((em) =>
      buildBundle(em, bundle.id, { version: bundle.version, copies: made }, addDays(today, -30)),
    );
    for (const l of loans) {
      const kitId = kits[0]!.id;
      const loan = await within((em) =>
        lend.lend(
          em,
          { kitId, borrowerId: idOf(families, l.family), dueOn: addDays(today, l.due) },
          addDays(today, l.lent),
        ),
      );
      if (l.returned === undefined) continue;
      const kit = (await kitOf(db.em.fork(), kitId))!;
      const present = kit.parts.map((p) => p.due);
      await within((em) =>
        lend.takeBack(em, loan.id, { present, then: 'shelve' }, addDays(today, l.returned!)),
      );
      if (!l.uncleaned) await cleaned(kitId, l.returned);
    }
  }
  for (const { name, items, makers, childFree, singles } of cart.batches) {
    const times = (list: typeof childFree) => list.map((w) => ({ ...w, day: addDays(today, w.day) }));
    await within((em) =>
      addBatch(em, {
        name,
        items: items.map((i) => ({ designId: designs.get(i.design)!.id, bundleId: null, copies: i.copies })),
        days: {
          makers: makers.map((m) => ({ name: m.name, windows: times(m.windows) })),
          childFree: times(childFree),
          singles,
          pins: {},
        },
      }),
    );
  }
  for (const { from, ...t } of cart.terms)
    await within((em) =>
      addTermPlan(em, { ...t, closed: [], from: addDays(today, from), borrowers: [...families.values()] }),
    );
  for (const n of cart.notes) {
    const design = await shape.findDesign(db.em.fork(), designs.get(n.design)!.id);
    const { chosen } = await shape.chosenFor(db.em.fork(), design.materials, today);
    const pattern = await loadPattern(design.pattern);
    const at = shape.atOf(design, chosen);
    const levels = pattern.levels(at);
    const levelOf = (id: string) => {
      const found = levels.find((r) => r.id === id);
      if (!found) throw new Error(`${design.name} has no level “${id}”`);
      return { level: found.name, bits: found.bits };
    };
    await within((em) =>
      watch.addNote(em, {
        designId: design.id,
        child: n.child,
        ...levelOf(n.level),
        before: n.before.map((b) => ({ ...levelOf(b.level), seconds: b.seconds, count: b.count })),
        seconds: n.seconds,
        count: n.count,
        of: pattern.counts(at).of,
        help: n.help,
        tries: n.tries,
        managed: n.managed,
        liked: n.liked,
        words: n.words,
        satOn: addDays(today, n.day),
      }),
    );
  }
}

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) {
  const folder = process.env.FOX_DATA;
  if (!folder) throw new Error('FOX_DATA is not set: expected the folder to fill');
  if (existsSync(`${folder}/fox-button.db`))
    throw new Error(`${folder} holds a place already; expected an empty folder`);
  const db = await openDb(folder);
  const now = new Date();
  const today = process.env.FOX_TODAY
    ? day.parse(process.env.FOX_TODAY)
    : `${now.getFullYear()}-${String(now.getMonth() + 1).padStart(2, '0')}-${String(now.getDate()).padStart(2, '0')}`;
  await fill(db, readCart(process.env.FOX_CART ?? 'demo/kelpwick.json'), today);
  await db.close();
  console.log(`The Kelpwick cart is in ${folder}.`);
}
