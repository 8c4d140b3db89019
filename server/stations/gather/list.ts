import { createHash } from 'node:crypto';
import type { EntityManager } from '@mikro-orm/core';
import type { z } from 'zod';
import type { ListDone, listInput, ListLook } from '../../../contract/list.ts';
import type { Day } from '../../../core/calendar/days.ts';
import { FileTakenRow, MaterialRow, PlaceRow, type Material } from '../../db/entities.ts';
import { ProblemError } from '../../problem.ts';
import { createMaterial } from './service.ts';
import { putOnShelf, roomFor } from './shelf.ts';

type Listed = z.output<typeof listInput>;
/** How such a file is kept on record. */
const KIND = 'list';

/** The same list is the same however its columns were read: what there is, how many, and when it came. */
const digestOf = ({ kinds }: Listed): string =>
  createHash('sha256')
    .update(JSON.stringify(kinds.map((k) => [k.material.name, k.quantity, k.cameOn, k.from])))
    .digest('hex');
const keyOf = (name: string): string => name.toLowerCase();

/** Kinds of the shelf that a list names, by name in small letters. */
async function thereOf(em: EntityManager, { kinds }: Listed): Promise<Map<string, Material>> {
  const wanted = new Set(kinds.map((k) => keyOf(k.material.name)));
  const all = await em.find(MaterialRow, {});
  return new Map(all.filter((m) => wanted.has(keyOf(m.name))).map((m) => [keyOf(m.name), m]));
}

/** What a list would do, and whether the same came in before. */
export async function lookAtList(em: EntityManager, list: Listed): Promise<ListLook> {
  const there = await thereOf(em, list);
  const fresh = new Set(list.kinds.map((k) => keyOf(k.material.name)).filter((n) => !there.has(n)));
  const before = await em.findOne(FileTakenRow, { digest: digestOf(list), kind: KIND });
  return {
    added: fresh.size,
    more: list.kinds.length - fresh.size,
    taken: before && { name: before.name, on: before.on },
  };
}

/** Takes a list in, all of it or nothing: new kinds, and a lot for each row that says how many. */
export async function takeList(em: EntityManager, list: Listed, today: Day): Promise<ListDone> {
  const there = await thereOf(em, list);
  const done = { added: 0, more: 0 };
  for (const [i, k] of list.kinds.entries()) {
    if (k.cameOn > today)
      throw new ProblemError(422, `${k.material.name} cannot come in tomorrow.`, [
        { path: `kinds.${i}.cameOn`, message: `expected ${today} or earlier` },
      ]);
    let material = there.get(keyOf(k.material.name));
    if (material) {
      done.more++;
      await roomFor(em, today, material.id, k.quantity, `kinds.${i}.quantity`);
    } else {
      material = await createMaterial(em, { ...k.material, kept: 0 });
      there.set(keyOf(k.material.name), material);
      done.added++;
    }
    if (k.quantity > 0) putOnShelf(em, material, { quantity: k.quantity, cameOn: k.cameOn, from: k.from });
    await em.flush();
  }
  const digest = digestOf(list);
  const before = await em.findOne(FileTakenRow, { digest, kind: KIND });
  const record = { name: list.name, on: today, added: done.added, changed: done.more };
  if (before) em.assign(before, record);
  else em.create(FileTakenRow, { digest, kind: KIND, ...record });
  const place = await em.findOneOrFail(PlaceRow, { id: 1 });
  const known = { ...place.fileColumns[KIND], ...list.columns };
  // The last said count: a place does not gather headings for ever.
  place.fileColumns = { ...place.fileColumns, [KIND]: Object.fromEntries(Object.entries(known).slice(-400)) };
  await em.flush();
  return done;
}

/** What headings meant in the lists before. */
export const columnsKnown = async (em: EntityManager): Promise<Record<string, string>> =>
  (await em.findOneOrFail(PlaceRow, { id: 1 })).fileColumns[KIND] ?? {};
