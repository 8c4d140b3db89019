import type { EntityManager } from '@mikro-orm/core';
import type { Day } from '../../../core/calendar/days.ts';
import type { Material } from '../../../core/materials/material.ts';
import type { Design } from '../../db/entities.ts';
import { supplyOf } from '../shape/service.ts';

export interface WantedLine {
  readonly material: Material;
  readonly short: number;
}

/** What copies of a design still lack after what other designs on the bench speak for, material by material. */
export async function wantedFor(
  em: EntityManager,
  design: Design,
  copies: number,
  today: Day,
): Promise<WantedLine[]> {
  const { supply, rows } = await supplyOf(em, design, copies, today);
  const short = new Map<number, number>();
  for (const l of supply.lines) short.set(l.need.materialId, (short.get(l.need.materialId) ?? 0) + l.short);
  return [...short].flatMap(([id, n]) => (n > 0 ? [{ material: rows.get(id)!, short: n }] : []));
}
