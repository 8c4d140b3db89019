import type { EntityManager } from '@mikro-orm/core';
import type { Day } from '../../../core/calendar/days.ts';
import type { Material } from '../../../core/materials/material.ts';
import { patternOf } from '../../../core/patterns/index.ts';
import { freeOf, perCopy, spokenFor, type BenchDesign } from '../../../core/plan/makeable.ts';
import { DesignRow, type Design } from '../../db/entities.ts';
import { chosenFor } from '../shape/service.ts';
import { onShelf } from './shelf.ts';

export interface WantedLine {
  readonly material: Material;
  readonly short: number;
}

/** What copies of a design still lack after what other designs on the bench speak for. */
export async function wantedFor(
  em: EntityManager,
  design: Design,
  copies: number,
  today: Day,
): Promise<WantedLine[]> {
  const bench: BenchDesign[] = [];
  let mine: Map<number, Material> = new Map();
  for (const d of await em.find(DesignRow, {})) {
    if (!d.onBench && d.id !== design.id) continue;
    const { chosen, rows } = await chosenFor(em, d.materials, today);
    bench.push({
      id: d.id,
      copies: d.copies,
      onBench: d.onBench,
      needs: patternOf(d.pattern).needs(d.dials, chosen),
    });
    if (d.id === design.id) mine = rows;
  }
  const shelf = await onShelf(em, today, [...mine.keys()]);
  const free = freeOf(
    [...mine.keys()].map((id) => ({ id, kept: shelf.get(id)?.kept ?? 0 })),
    spokenFor(bench, design.id),
  );
  const needs = bench.find((d) => d.id === design.id)!.needs;
  return [...perCopy(needs)].flatMap(([id, quantity]) => {
    const short = quantity * copies - (free.get(id) ?? 0);
    return short > 0 ? [{ material: mine.get(id)!, short }] : [];
  });
}
