import type { EntityManager } from '@mikro-orm/core';
import type { z } from 'zod';
import type { FindAnswer, FindInput, Lot as LotJson, lotQuery, LotUpdate } from '../../../contract/lots.ts';
import type { Day } from '../../../core/calendar/days.ts';
import { asMaterial, entryOf } from '../../../core/catalogue/index.ts';
import { lookOver, type Policy } from '../../../core/gather/lookOver.ts';
import { SIZES_OF, type MaterialInput, type SizeName } from '../../../core/materials/material.ts';
import { LotRow, MaterialRow, PlaceRow, type Lot, type Material } from '../../db/entities.ts';
import { rows } from '../../db/rows.ts';
import { idCursor } from '../../paging.ts';
import { notFound, ProblemError } from '../../problem.ts';
import { createMaterial, findMaterial } from './service.ts';
import { putOnShelf, roomFor } from './shelf.ts';

const lotJson = (l: Lot): LotJson => ({
  id: l.id,
  version: l.version,
  materialId: l.material.id,
  quantity: l.quantity,
  came: l.came,
  cameOn: l.cameOn,
  from: l.fromCode,
  state: l.state as LotJson['state'],
  readyOn: l.readyOn ?? null,
  reason: l.reason,
  sizes: l.sizes,
  look: (l.look ?? null) as LotJson['look'],
});

interface LotColumns {
  id: number;
  version: number;
  material_id: number;
  quantity: number;
  came: number;
  came_on: Day;
  from_code: string;
  state: string;
  ready_on: Day | null;
  reason: string;
  sizes: string;
  look: string | null;
}

/** A page of lots, the latest first; thousands at a time, so straight from the table. */
export async function listLots(em: EntityManager, query: z.infer<typeof lotQuery>) {
  const where: string[] = ['came_on >= ?'];
  const params: unknown[] = [query.since ?? ''];
  if (query.material !== undefined) {
    where.push('material_id = ?');
    params.push(query.material);
  }
  const [all] = await rows<{ n: number }>(
    em,
    `select count(*) as n from lot where ${where.join(' and ')}`,
    params,
  );
  const found = await rows<LotColumns>(
    em,
    `select * from lot where ${where.join(' and ')} and id < ? order by id desc limit ?`,
    [...params, idCursor(query.after, Number.MAX_SAFE_INTEGER), query.limit],
  );
  const items = found.map((l): LotJson => ({
    id: l.id,
    version: l.version,
    materialId: l.material_id,
    quantity: l.quantity,
    came: l.came,
    cameOn: l.came_on,
    from: l.from_code,
    state: l.state as LotJson['state'],
    readyOn: l.ready_on,
    reason: l.reason,
    sizes: l.sizes === '{}' ? {} : (JSON.parse(l.sizes) as LotJson['sizes']),
    look: l.look === null ? null : (JSON.parse(l.look) as LotJson['look']),
  }));
  const last = found.at(-1);
  return { items, limit: query.limit, total: all!.n, next: last ? String(last.id) : null };
}

async function policyOf(em: EntityManager): Promise<Policy> {
  const place = await em.findOneOrFail(PlaceRow, { id: 1 });
  return {
    toiletRolls: place.toiletRolls as Policy['toiletRolls'],
    eggCartons: place.eggCartons as Policy['eggCartons'],
    restDays: place.restDays,
  };
}

/** Only sizes that a material of this form is measured by. */
function fittingSizes(material: Pick<Material, 'form' | 'name'>, sizes: LotUpdate['sizes']): void {
  for (const name of Object.keys(sizes ?? {}) as SizeName[])
    if (!SIZES_OF[material.form as MaterialInput['form']].includes(name))
      throw new ProblemError(422, `${material.name} is a ${material.form}: it has no ${name}.`, [
        {
          path: `sizes.${name}`,
          message: `expected one of ${SIZES_OF[material.form as MaterialInput['form']].join(', ')}`,
        },
      ]);
}

async function materialOf(em: EntityManager, input: FindInput): Promise<Material> {
  if (input.materialId !== undefined) return findMaterial(em, input.materialId);
  const entry = entryOf(input.catalogue!);
  if (!entry)
    throw new ProblemError(422, `The catalogue has no “${input.catalogue}”.`, [
      { path: 'catalogue', message: 'expected a key of the catalogue' },
    ]);
  const known =
    (await em.findOne(MaterialRow, { catalogue: entry.key })) ??
    (await em.findOne(MaterialRow, { name: entry.name }));
  return known ?? createMaterial(em, asMaterial(entry));
}

/** Looks a find over by the place's policy and takes it in as a lot, whatever became of it: what is refused is kept on record. */
export async function takeFind(em: EntityManager, input: FindInput, today: Day): Promise<FindAnswer> {
  if (input.cameOn !== undefined && input.cameOn > today)
    throw new ProblemError(422, 'A find cannot come in tomorrow.', [
      { path: 'cameOn', message: `expected ${today} or earlier` },
    ]);
  const material = await materialOf(em, input);
  fittingSizes(material, input.sizes);
  await roomFor(em, today, material.id, input.quantity, 'quantity');
  const answer = lookOver({
    material: material as unknown as MaterialInput,
    look: input.look,
    policy: await policyOf(em),
    today,
  });
  const lot = putOnShelf(em, material, {
    quantity: input.quantity,
    cameOn: input.cameOn ?? today,
    from: input.from,
    state: answer.outcome === 'keep' ? 'ready' : answer.outcome === 'rest' ? 'resting' : answer.outcome,
    readyOn: answer.until,
    reason: answer.reasons
      .map((r) => r.words)
      .join(' ')
      .slice(0, 300),
    sizes: input.sizes,
    look: { ...input.look },
  });
  await em.flush();
  return { lot: lotJson(lot), material: material.name, ...answer };
}

/** Changes a lot, if the caller has seen its latest state. */
export async function updateLot(em: EntityManager, id: number, input: LotUpdate): Promise<LotJson> {
  const l = await em.findOne(LotRow, { id }, { populate: ['material'] });
  if (!l) throw notFound(`lot ${id}`);
  if (l.version !== input.version)
    throw new ProblemError(
      409,
      'The lot was changed meanwhile.',
      [{ path: 'version', message: `is stale: it is ${l.version} now` }],
      lotJson(l),
    );
  if (input.quantity !== undefined && input.quantity > l.came)
    throw new ProblemError(422, `Only ${l.came} came in with this lot.`, [
      { path: 'quantity', message: `expected at most ${l.came}` },
    ]);
  fittingSizes(l.material, input.sizes);
  const state = input.state ?? l.state;
  em.assign(l, {
    ...(input.quantity === undefined ? {} : { quantity: input.quantity }),
    ...(input.from === undefined ? {} : { fromCode: input.from }),
    ...(input.reason === undefined ? {} : { reason: input.reason }),
    state,
    readyOn: state === 'resting' ? (input.readyOn ?? l.readyOn ?? null) : null,
  });
  if (input.sizes !== undefined) l.sizes = input.sizes;
  // Cleaned by now: nobody need wash it again before it is used.
  if (l.look && input.state === 'ready') l.look = { ...l.look, clean: 'clean' };
  await em.flush();
  return lotJson(l);
}

/** Takes back a lot that was entered by mistake, as long as nothing was taken from it. */
export async function removeLot(em: EntityManager, id: number): Promise<void> {
  const l = await em.findOne(LotRow, { id });
  if (!l) throw notFound(`lot ${id}`);
  if (l.quantity < l.came && l.state !== 'never')
    throw new ProblemError(409, `${l.came - l.quantity} of this lot are used already; count it instead.`);
  await em.removeAndFlush(l);
}
