import type { EntityManager } from '@mikro-orm/core';
import type { Build } from '../../../contract/designs.ts';
import type { Day } from '../../../core/calendar/days.ts';
import type { LengthUnit } from '../../../core/measure/length.ts';
import { kitLabel } from '../../../core/lend/labels.ts';
import { newLabels } from '../lend/newLabels.ts';
import { kitParts } from '../../../core/lend/parts.ts';
import { offcutsFor } from '../../../core/cut/cutPlan.ts';
import { madeAs } from '../../../core/safety/handTests.ts';
import { heldWords, quantityFor, shortWords, type Supply } from '../../../core/needs/supply.ts';
import { BuildRow, KitRow, MaterialRow, PlaceRow } from '../../db/entities.ts';
import { rows } from '../../db/rows.ts';
import { ProblemError } from '../../problem.ts';
import { putOnShelf, takeFromShelf } from '../gather/shelf.ts';
import { findDesign, stale, supplyOf } from '../shape/service.ts';

/**
 * Takes what the kits need off the shelf and makes their labelled kits, all or nothing. Only what is free of other
 * designs on the bench is taken; the batch counts what is made of it.
 */
export async function build(
  em: EntityManager,
  input: { designId: number; version: number; copies: number },
  today: Day,
): Promise<Build> {
  const design = await findDesign(em, input.designId);
  if (design.version !== input.version) throw stale(design);
  const { supply, needs, rows: shelf } = await supplyOf(em, design, input.copies, today);
  const place = await em.findOneOrFail(PlaceRow, { id: 1 });
  const unit = place.lengthUnit as LengthUnit;
  const words = shortWords(supply, unit);
  if (words) {
    const held = supply.lines.flatMap((l) => heldWords(l, unit) ?? []);
    throw new ProblemError(422, [words, ...held.map((h) => `${h}.`)].join(' '), [
      { path: 'copies', message: `expected at most ${supply.kitsNow}` },
    ]);
  }
  const used = supply.lines
    .filter((l) => l.wanted > 0)
    .map((l) => ({ materialId: l.need.materialId, quantity: l.wanted }));
  for (const { materialId, quantity } of used)
    await takeFromShelf(em, shelf.get(materialId)!, quantity, today, 'copies');
  const offcuts = await putBackOffcuts(em, supply, input.copies, today);
  const made = em.create(BuildRow, {
    design,
    copies: input.copies,
    builtOn: today,
    used,
    madeAs: { [design.id]: madeAs(design) },
  });
  const before = await em.count(KitRow, { design: design.id, bundle: null });
  const parts = kitParts(needs).map(({ set: _, ...p }) => ({ ...p, present: p.due }));
  const labels = await newLabels(em, (n) => kitLabel(design.id, n), { from: before, count: input.copies });
  const kits = labels.map((label) =>
    em.create(KitRow, {
      label,
      design,
      bundle: null,
      build: made,
      repair: false,
      parts,
      lastCounted: today,
    }),
  );
  await em.flush();
  // The figure moves by itself: whoever turns a dial meanwhile has not changed what is built, nor the other way round.
  await rows(em, 'update design set made = made + ? where id = ?', [input.copies, design.id]);
  return {
    id: made.id,
    designId: design.id,
    kits: kits.map((c) => ({ id: c.id, label: c.label })),
    offcuts,
  };
}

/**
 * What is left of tubes and dowels and long enough goes back on the shelf, each length as a material of its own. Where
 * other designs on the bench share the stock, what is left is theirs to cut.
 */
async function putBackOffcuts(
  em: EntityManager,
  supply: Supply,
  copies: number,
  today: Day,
): Promise<Build['offcuts']> {
  const back: Build['offcuts'] = [];
  for (const { need, wanted } of supply.lines) {
    if (wanted !== quantityFor([{ need, times: copies }])) continue;
    for (const { length, count } of offcutsFor(need, copies)) {
      const whole = await em.findOneOrFail(MaterialRow, { id: need.materialId });
      const name = `${whole.name.slice(0, 60)}, off-cut ${length} mm`;
      const share = length / (whole.sizes.length ?? length);
      const material =
        (await em.findOne(MaterialRow, { name, form: whole.form })) ??
        em.create(MaterialRow, {
          version: 1,
          name,
          form: whole.form,
          solid: whole.solid,
          sizes: { ...whole.sizes, length },
          unit: whole.unit,
          materialClass: whole.materialClass,
          give: whole.give,
          hazards: whole.hazards,
          colour: whole.colour,
          mass: whole.mass ? whole.mass * share : null,
          cleaning: whole.cleaning,
          allergens: whole.allergens,
          traits: whole.traits,
          grain: whole.grain,
          keepOut: null,
          keeping: whole.keeping,
          risks: whole.risks,
          catalogue: null,
          worth: null,
        });
      putOnShelf(em, material, { quantity: count, cameOn: today, reason: `Left of ${whole.name}` });
      await em.flush();
      back.push({ name, count });
    }
  }
  return back;
}
