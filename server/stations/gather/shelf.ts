import type { EntityManager } from '@mikro-orm/core';
import type { Day } from '../../../core/calendar/days.ts';
import type { Sizes, SizeName } from '../../../core/materials/material.ts';
import { LotRow, type Material } from '../../db/entities.ts';
import type { FilledJson } from '../../db/json.ts';
import { rows } from '../../db/rows.ts';
import { ProblemError } from '../../problem.ts';

/** What the lots of a material come to. */
export interface OnShelf {
  /** Ready for use: counted, clean and rested. */
  readonly kept: number;
  /** To be cleaned, or resting. */
  readonly waiting: number;
  /** Everything that is kept is known to be clean. */
  readonly clean?: boolean;
  readonly measured?: { readonly most: Sizes; readonly least: Sizes };
}
const NOTHING: OnShelf = { kept: 0, waiting: 0 };
/** More than any shelf holds: a typing error. */
const MOST = 10_000_000;

type Sum = { material_id: number; kept: number | null; waiting: number | null; clean: number | null };
type Measured = { material_id: number; sizes: string };

/** Counts by material, of all or of some; what quarantine until today or earlier is ready. */
export async function onShelf(
  em: EntityManager,
  today: Day,
  ids?: readonly number[],
): Promise<Map<number, OnShelf>> {
  const some = ids ? ` and material_id in (${ids.map(Number).join(',') || 'null'})` : '';
  const ready = `(state = 'ready' or (state = 'resting' and ready_on <= ?))`;
  const sums = await rows<Sum>(
    em,
    `select material_id, sum(case when ${ready} then quantity end) as kept, sum(case when state = 'clean first' or (state = 'resting' and ready_on > ?) then quantity end) as waiting, sum(case when ${ready} and json_extract(look, '$.clean') = 'clean' then quantity end) as clean from lot where quantity > 0${some} group by material_id`,
    [today, today, today],
  );
  const sized = await rows<Measured>(
    em,
    `select distinct material_id, sizes from lot where quantity > 0 and ${ready} and sizes <> '{}'${some}`,
    [today],
  );
  const measured = new Map<number, { most: Sizes; least: Sizes }>();
  for (const row of sized) {
    const at = measured.get(row.material_id) ?? { most: {}, least: {} };
    for (const [name, mm] of Object.entries(JSON.parse(row.sizes) as Sizes) as [SizeName, number][]) {
      at.most[name] = Math.max(at.most[name] ?? mm, mm);
      at.least[name] = Math.min(at.least[name] ?? mm, mm);
    }
    measured.set(row.material_id, at);
  }
  return new Map(
    sums.map((s) => {
      const m = measured.get(s.material_id);
      return [
        s.material_id,
        {
          kept: s.kept ?? 0,
          waiting: s.waiting ?? 0,
          ...((s.kept ?? 0) > 0 && s.clean === s.kept ? { clean: true } : {}),
          ...(m ? { measured: m } : {}),
        },
      ] as const;
    }),
  );
}

export const shelfOf = async (em: EntityManager, today: Day, id: number): Promise<OnShelf> =>
  (await onShelf(em, today, [id])).get(id) ?? NOTHING;

/** Puts what came on the shelf as a lot of its own. */
export function putOnShelf(
  em: EntityManager,
  material: Material,
  lot: {
    quantity: number;
    cameOn: Day;
    from?: string;
    state?: string;
    readyOn?: Day | null;
    reason?: string;
    sizes?: Sizes;
    look?: Record<string, unknown> | null;
  },
) {
  return em.create(LotRow, {
    version: 1,
    material,
    quantity: lot.quantity,
    came: lot.quantity,
    cameOn: lot.cameOn,
    fromCode: lot.from ?? '',
    state: lot.state ?? 'ready',
    readyOn: lot.readyOn ?? null,
    reason: lot.reason ?? '',
    sizes: lot.sizes ?? {},
    look: lot.look ?? null,
  });
}

/**
 * Takes from the ready lots of a material, the oldest first, and says from which.
 *
 * @throws ProblemError 422 at `path` when fewer are ready
 */
export async function takeFromShelf(
  em: EntityManager,
  material: Pick<Material, 'id' | 'name'>,
  quantity: number,
  today: Day,
  path = 'by',
): Promise<FilledJson['lots']> {
  const lots = await em.find(
    LotRow,
    {
      material: material.id,
      quantity: { $gt: 0 },
      $or: [{ state: 'ready' }, { state: 'resting', readyOn: { $lte: today } }],
    },
    { orderBy: { cameOn: 'asc', id: 'asc' } },
  );
  const kept = lots.reduce((n, l) => n + l.quantity, 0);
  if (kept < quantity)
    throw new ProblemError(422, `Only ${kept} of ${material.name} are kept.`, [
      { path, message: path === 'by' ? `expected at least −${kept}` : `expected at most ${kept}` },
    ]);
  let left = quantity;
  const from: FilledJson['lots'] = [];
  for (const l of lots) {
    if (left === 0) break;
    const taken = Math.min(left, l.quantity);
    l.quantity -= taken;
    left -= taken;
    from.push({ lotId: l.id, quantity: taken, from: l.fromCode, cameOn: l.cameOn });
  }
  await em.flush();
  return from;
}

/** @throws ProblemError 422 when the shelf would hold more than 10,000,000 of it */
export async function roomFor(
  em: EntityManager,
  today: Day,
  id: number,
  quantity: number,
  path: string,
): Promise<void> {
  if ((await shelfOf(em, today, id)).kept + quantity > MOST)
    throw new ProblemError(422, 'That is more than a shelf holds.', [
      { path, message: 'expected at most 10,000,000 kept in all' },
    ]);
}
