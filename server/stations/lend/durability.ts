import type { EntityManager } from '@mikro-orm/core';
import type { Lasting } from '../../../contract/durability.ts';
import { lifetimesOf, priorOf, type PartPast } from '../../../core/durability/lifetimes.ts';
import type { Material } from '../../../core/materials/material.ts';
import type { FilledJson, PartJson } from '../../db/json.ts';
import { rows } from '../../db/rows.ts';

/** Counts after loans that are looked at; older ones say less of what is lent today. */
const MOST_COUNTS = 20_000;

/** How long each kind of piece lasts, from every count after a loan. */
export async function lasting(em: EntityManager): Promise<Lasting[]> {
  const counts = await rows<{ kit_id: number; parts: string; filled: string }>(
    em,
    `select kit_id, parts, filled from (select id, kit_id, parts, filled from "count" where loan_id is not null order by id desc limit ${MOST_COUNTS}) order by id`,
  );
  interface Past {
    due: number;
    returns: { missing: number; spoiled: number; filled: number }[];
  }
  const pasts = new Map<number, Map<number, Past>>();
  for (const c of counts) {
    const filled = JSON.parse(c.filled) as FilledJson[];
    for (const part of JSON.parse(c.parts) as PartJson[]) {
      if (part.materialId === null || part.use !== 'piece') continue;
      const kits = pasts.get(part.materialId) ?? new Map<number, Past>();
      pasts.set(part.materialId, kits);
      const past = kits.get(c.kit_id) ?? { due: part.due, returns: [] };
      kits.set(c.kit_id, past);
      past.returns.push({
        missing: part.due - part.present - (part.found ?? 0),
        spoiled: part.spoiled ?? 0,
        filled: filled.filter((f) => f.materialId === part.materialId).reduce((n, f) => n + f.quantity, 0),
      });
    }
  }
  const materials = await rows<{ id: number; name: string; material_class: Material['materialClass'] }>(
    em,
    'select id, name, material_class from material',
  );
  return materials
    .flatMap((m): Lasting[] => {
      const kits: PartPast[] = [...(pasts.get(m.id)?.values() ?? [])];
      if (kits.length === 0) return [];
      const { times, causes, lost, worn, loans } = lifetimesOf(kits);
      return [
        {
          materialId: m.id,
          name: m.name,
          materialClass: m.material_class,
          kits: kits.length,
          inUse: kits.reduce((n, k) => n + k.due, 0),
          lost,
          worn,
          loans,
          times: [...times],
          causes: [...causes],
          prior: priorOf(m.material_class),
        },
      ];
    })
    .sort((a, b) => b.lost + b.worn - (a.lost + a.worn) || b.loans - a.loans);
}
