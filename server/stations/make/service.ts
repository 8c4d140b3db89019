import type { EntityManager } from '@mikro-orm/core';
import type { Build } from '../../../contract/designs.ts';
import type { Day } from '../../../core/calendar/days.ts';
import { copyLabel } from '../../../core/lend/labels.ts';
import { supply, shortWords } from '../../../core/needs/short.ts';
import { patternOf } from '../../../core/patterns/index.ts';
import { BuildRow, CopyRow } from '../../db/entities.ts';
import { ProblemError } from '../../problem.ts';
import { takeFromShelf } from '../gather/shelf.ts';
import { chosenFor, findDesign, stale } from '../shape/service.ts';

/** Takes what the kits need off the shelf and makes their labelled copies, all or nothing. */
export async function build(
  em: EntityManager,
  input: { designId: number; version: number; copies: number },
  today: Day,
): Promise<Build> {
  const design = await findDesign(em, input.designId);
  if (design.version !== input.version) throw stale(design);
  const pattern = patternOf(design.pattern);
  const { chosen, rows } = await chosenFor(em, design.materials, today);
  const needs = pattern.needs(design.dials, chosen);
  const state = supply({ needs, copies: input.copies, shelf: rows });
  const words = shortWords(state);
  if (words)
    throw new ProblemError(422, words, [{ path: 'copies', message: `expected at most ${state.kitsNow}` }]);
  const used = state.lines.map((l) => ({ materialId: l.need.materialId, quantity: l.wanted }));
  for (const { materialId, quantity } of used)
    await takeFromShelf(em, rows.get(materialId)!, quantity, today, 'copies');
  const made = em.create(BuildRow, { design, copies: input.copies, builtOn: today, used });
  const before = await em.count(CopyRow, { design: design.id });
  const parts = needs
    .filter((n) => n.counted)
    .map((n) => ({ materialId: n.materialId, name: n.name, due: n.quantity, present: n.quantity }));
  const copies = Array.from({ length: input.copies }, (_, i) =>
    em.create(CopyRow, {
      label: copyLabel(design.id, before + i),
      design,
      build: made,
      repair: false,
      parts,
      lastCounted: today,
    }),
  );
  await em.flush();
  return { id: made.id, designId: design.id, copies: copies.map((c) => ({ id: c.id, label: c.label })) };
}
