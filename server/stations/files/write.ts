import type { EntityManager } from '@mikro-orm/core';
import type { Day } from '../../../core/calendar/days.ts';
import { BorrowerRow, LotRow, MaterialRow, NoteRow, OfferRow, SupplierRow } from '../../db/entities.ts';
import { rows } from '../../db/rows.ts';
import { ProblemError } from '../../problem.ts';
import { seePrices } from '../gather/prices.ts';
import { materialColumns } from '../gather/service.ts';
import type { FamilyValue } from './familyRows.ts';
import { knownOf, offerKey, type Known } from './kind.ts';
import type { LotValue } from './lotRows.ts';
import type { MaterialValue } from './materialRows.ts';
import type { NoteValue } from './noteRows.ts';
import type { OfferValue } from './offerRows.ts';

/**
 * Rows that go to the database together: a large file passes through, it is never held whole, and whoever asks meanwhile is
 * answered between two of them.
 */
export const BATCH = 100;

export interface Written {
  added: number;
  changed: number;
}

const materialOf = (name: string, known: Known): number => {
  const at = known.materials.get(name.toLowerCase());
  if (!at)
    throw new ProblemError(409, `${name} was deleted meanwhile; nothing was written.`, [
      { path: 'material', message: 'expected a material of this shelf' },
    ]);
  return at.id;
};

/** Rows that are there already take over what the file says; then the batch is let go. */
export async function takeOver<V>(
  em: EntityManager,
  found: readonly { readonly id: number }[],
  changes: ReadonlyMap<number, V>,
  fields: (value: V) => object,
): Promise<void> {
  for (const row of found) em.assign(row, fields(changes.get(row.id)!), { mergeObjectProperties: false });
  await em.flush();
  em.clear();
}

export async function writeMaterials(
  em: EntityManager,
  all: AsyncGenerator<MaterialValue[]>,
  today: Day,
): Promise<Written> {
  const known = await knownOf(em, today, 'materials');
  const done = { added: 0, changed: 0 };
  for await (const batch of all) {
    const idOf = (m: MaterialValue): number | undefined => known.materials.get(m.name.toLowerCase())?.id;
    const fresh = batch.filter((m) => idOf(m) === undefined);
    if (fresh.length > 0)
      await em.insertMany(
        MaterialRow,
        fresh.map((m) => ({ ...materialColumns(m), version: 1 })),
      );
    const changes = new Map(batch.flatMap((m) => (idOf(m) === undefined ? [] : [[idOf(m)!, m] as const])));
    await takeOver(
      em,
      await em.find(MaterialRow, { id: { $in: [...changes.keys()] } }),
      changes,
      materialColumns,
    );
    done.added += fresh.length;
    done.changed += changes.size;
  }
  return done;
}

export async function writeLots(
  em: EntityManager,
  all: AsyncGenerator<LotValue[]>,
  today: Day,
): Promise<Written> {
  const known = await knownOf(em, today, 'lots');
  const fields = (l: LotValue) => ({
    material: materialOf(l.material, known),
    quantity: l.quantity,
    came: l.came,
    cameOn: l.cameOn,
    fromCode: l.from,
    state: l.state,
    readyOn: l.readyOn,
    reason: l.reason,
    sizes: l.sizes,
    look: l.look,
  });
  const done = { added: 0, changed: 0 };
  for await (const batch of all) {
    const fresh = batch.filter((l) => l.id === null || !known.lots.has(l.id));
    // One insert has one set of columns: lots that bring their number go apart from those that get one.
    const numbered = fresh.filter((l) => l.id !== null);
    const plain = fresh.filter((l) => l.id === null);
    if (numbered.length > 0)
      await em.insertMany(
        LotRow,
        numbered.map((l) => ({ id: l.id!, version: 1, ...fields(l) })),
      );
    if (plain.length > 0)
      await em.insertMany(
        LotRow,
        plain.map((l) => ({ version: 1, ...fields(l) })),
      );
    const changes = new Map(
      batch.flatMap((l) => (l.id !== null && known.lots.has(l.id) ? [[l.id, l] as const] : [])),
    );
    await takeOver(em, await em.find(LotRow, { id: { $in: [...changes.keys()] } }), changes, fields);
    done.added += fresh.length;
    done.changed += changes.size;
  }
  return done;
}

/** A pack of several materials has a row for each: they are gathered before they are written. */
export async function writeOffers(
  em: EntityManager,
  all: AsyncGenerator<OfferValue[]>,
  today: Day,
): Promise<Written> {
  const known = await knownOf(em, today, 'offers');
  const packs = new Map<string, OfferValue[]>();
  for await (const batch of all)
    for (const o of batch) {
      const key = offerKey(o.supplier, o.pack);
      const lines = packs.get(key);
      if (!lines) packs.set(key, [o]);
      else if (lines[0]!.price === o.price) lines.push(o);
      else
        throw new ProblemError(422, `${o.pack} has two prices; nothing was written.`, [
          { path: 'price', message: 'expected one price a pack' },
        ]);
    }
  const suppliers = await suppliersOf(em, packs);
  const here = new Map(
    (
      await rows<{ id: number; name: string; supplier: string }>(
        em,
        'select o.id, o.name, s.name as supplier from offer o join supplier s on s.id = o.supplier_id',
      )
    ).map((o) => [offerKey(o.supplier, o.name), o.id]),
  );
  const fields = ([first, ...more]: readonly OfferValue[]) => ({
    name: first!.pack,
    supplier: suppliers.get(first!.supplier.toLowerCase())!,
    price: first!.price,
    contents: [first!, ...more].map((l) => ({
      materialId: materialOf(l.material, known),
      quantity: l.quantity,
    })),
    shopKey: first!.shopKey,
  });
  // Many rows at once do not tell their numbers, and the prices need them: they go on from the last one ever given.
  const [given] = await rows<{ last: number }>(
    em,
    "select max(coalesce((select max(id) from offer), 0), coalesce((select seq from sqlite_sequence where name = 'offer'), 0)) as last",
  );
  let last = given!.last;
  const done = { added: 0, changed: 0 };
  const write = async (batch: readonly [string, readonly OfferValue[]][]): Promise<void> => {
    const fresh = batch.filter(([key]) => !here.has(key)).map(([, lines]) => lines);
    const ids = fresh.map(() => ++last);
    if (fresh.length > 0)
      await em.insertMany(
        OfferRow,
        fresh.map((lines, i) => ({ id: ids[i]!, ...fields(lines) })),
      );
    const changes = new Map(
      batch.flatMap(([key, lines]) => (here.has(key) ? [[here.get(key)!, lines] as const] : [])),
    );
    await takeOver(em, await em.find(OfferRow, { id: { $in: [...changes.keys()] } }), changes, fields);
    await seePrices(
      em,
      [...fresh.map((lines, i) => [ids[i]!, lines] as const), ...changes].map(([offerId, lines]) => ({
        offerId,
        seenOn: today,
        price: lines[0]!.price,
        inStock: true,
      })),
    );
    done.added += fresh.length;
    done.changed += changes.size;
  };
  let batch: [string, OfferValue[]][] = [];
  for (const pack of packs) {
    batch.push(pack);
    if (batch.length === BATCH) {
      await write(batch);
      batch = [];
    }
  }
  if (batch.length > 0) await write(batch);
  return done;
}

/** Ids of the suppliers of all packs, by name in small letters; new ones are added, delivery is taken over where it is told. */
async function suppliersOf(
  em: EntityManager,
  packs: ReadonlyMap<string, readonly OfferValue[]>,
): Promise<ReadonlyMap<string, number>> {
  const found = new Map((await em.find(SupplierRow, {})).map((s) => [s.name.toLowerCase(), s]));
  for (const [first] of packs.values()) {
    const key = first!.supplier.toLowerCase();
    const supplier =
      found.get(key) ?? em.create(SupplierRow, { name: first!.supplier, delivery: 0, freeFrom: null });
    if (first!.delivery !== null) supplier.delivery = first!.delivery;
    if (first!.freeFrom !== null) supplier.freeFrom = first!.freeFrom;
    found.set(key, supplier);
  }
  await em.flush();
  const ids = new Map([...found].map(([key, s]) => [key, s.id]));
  em.clear();
  return ids;
}

/** Families are known by their code names: the same name changes what is there. */
export async function writeFamilies(
  em: EntityManager,
  all: AsyncGenerator<FamilyValue[]>,
  today: Day,
): Promise<Written> {
  const here = new Map(
    (await rows<{ id: number; name: string }>(em, 'select id, name from borrower')).map((b) => [
      b.name.toLowerCase(),
      b.id,
    ]),
  );
  const asNew = (f: FamilyValue) => ({
    name: f.name,
    group: f.group,
    allergies: f.allergies ?? [],
    mail: f.mail ?? null,
    youngest: f.youngest ?? null,
    youngestOn: f.youngest == null ? null : today,
    born: f.born ?? null,
    mouths: f.mouths ?? false,
    language: f.language ?? null,
    aim: f.aim ?? null,
    children: f.children ?? [],
  });
  /** What a file has no column for stays; an age that is told grows from today on. */
  const asChange = (f: FamilyValue) => ({
    ...f,
    ...(f.youngest === undefined ? {} : { youngestOn: f.youngest === null ? null : today }),
  });
  const done = { added: 0, changed: 0 };
  for await (const batch of all) {
    const fresh = batch.filter((f) => !here.has(f.name.toLowerCase()));
    if (fresh.length > 0) await em.insertMany(BorrowerRow, fresh.map(asNew));
    const changes = new Map(
      batch.flatMap((f) => {
        const id = here.get(f.name.toLowerCase());
        return id === undefined ? [] : [[id, f] as const];
      }),
    );
    await takeOver(em, await em.find(BorrowerRow, { id: { $in: [...changes.keys()] } }), changes, asChange);
    done.added += fresh.length;
    done.changed += changes.size;
  }
  return done;
}

/** A note with a number changes that note; without one it is new. */
export async function writeNotes(em: EntityManager, all: AsyncGenerator<NoteValue[]>): Promise<Written> {
  const there = new Set((await rows<{ id: number }>(em, 'select id from design')).map((d) => d.id));
  const done = { added: 0, changed: 0 };
  for await (const batch of all) {
    if (batch.some((n) => !there.has(n.designId)))
      throw new ProblemError(409, 'A design was deleted meanwhile; nothing was written.', [
        { path: 'design', message: 'expected a design of this place' },
      ]);
    const fields = ({ id: _, designId, ...n }: NoteValue) => ({
      ...n,
      managed: n.managed ?? n.tries,
      design: designId,
    });
    const fresh = batch.filter((n) => n.id === null);
    if (fresh.length > 0)
      await em.insertMany(
        NoteRow,
        fresh.map((n) => ({ version: 1, ...fields(n) })),
      );
    const changes = new Map(batch.flatMap((n) => (n.id === null ? [] : [[n.id, n] as const])));
    const found = await em.find(NoteRow, { id: { $in: [...changes.keys()] } });
    if (found.length < changes.size)
      throw new ProblemError(409, 'A note was deleted meanwhile; nothing was written.', [
        { path: 'note', message: 'expected the number of a note that is here' },
      ]);
    await takeOver(em, found, changes, fields);
    done.added += fresh.length;
    done.changed += changes.size;
  }
  return done;
}
