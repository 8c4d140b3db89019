import type { EntityManager } from '@mikro-orm/core';
import type { BatchMade, BatchRow as BatchJson, ProgressInput } from '../../../contract/batches.ts';
import type { Day } from '../../../core/calendar/days.ts';
import { progressed } from '../../../core/plan/progress.ts';
import { BatchRow, BundleRow, StepTimeRow } from '../../db/entities.ts';
import { rows } from '../../db/rows.ts';
import { ProblemError } from '../../problem.ts';
import { takeFromShelf } from '../gather/shelf.ts';
import { buildBundle } from '../lend/bundlesMade.ts';
import { materialsOf } from '../shape/service.ts';
import { build } from './service.ts';
import { findBatch, openItems, batchJson, stale, tasksOf } from './batches.ts';

/** A step begun, done or taken back; how long it took is kept for the plans to come. */
export async function progress(
  em: EntityManager,
  id: number,
  input: ProgressInput,
  today: Day,
): Promise<BatchJson> {
  const b = await findBatch(em, id);
  // The last step's word may come after “It is made”: its minutes count all the same. Taken back is nothing any more.
  if (b.state === 'done' && input.did === 'undone')
    throw new ProblemError(409, `${b.name} is made: its steps are not taken back.`, [
      { path: 'did', message: 'expected a batch that is not made yet' },
    ]);
  const found = (await tasksOf(em, b, today)).find((t) => t.id === input.task);
  if (!found)
    throw new ProblemError(422, 'There is no such step in this batch.', [
      { path: 'task', message: 'expected a step of this batch' },
    ]);
  const before = b.progress.done.length;
  const next = progressed(b.progress, input);
  const last = next.done.at(-1);
  if (next.done.length > before && last!.minutes !== null && found.usual > 0)
    em.create(StepTimeRow, {
      batch: b,
      task: found.id,
      pattern: found.pattern,
      step: found.step,
      usual: found.usual,
      minutes: last!.minutes,
      on: today,
    });
  if (next.done.length < before) await em.nativeDelete(StepTimeRow, { batch: b.id, task: found.id });
  await em.flush();
  // The version stands for what is planned: a step that is done must not make a change or the making stale.
  await em.nativeUpdate(
    BatchRow,
    { id },
    {
      version: b.version,
      progress: b.state === 'done' ? { ...next, running: [] } : next,
      state:
        b.state === 'done'
          ? 'done'
          : next.done.length > 0 || next.running.length > 0
            ? 'being made'
            : 'planned',
    },
  );
  await em.refresh(b);
  return batchJson(em, b);
}

/** Everything of a batch is made: it is taken off the shelf with what was spoiled, and the kits are labelled, all or nothing. */
export async function made(
  em: EntityManager,
  id: number,
  input: { version: number; spoiled: readonly { materialId: number; quantity: number }[] },
  today: Day,
): Promise<BatchMade> {
  const b = await findBatch(em, id);
  if (b.version !== input.version) throw stale(b);
  if (b.state === 'done')
    throw new ProblemError(409, `${b.name} is done already.`, [
      { path: 'version', message: 'expected a batch that is not done' },
    ]);
  const items = await openItems(em, b.items);
  const kits: BatchMade['kits'][number][] = [];
  const left: { name: string; count: number }[] = [];
  const builds: number[] = [];
  for (const { item, name, designs } of items) {
    const bundle = item.bundleId === null ? null : await em.findOneOrFail(BundleRow, { id: item.bundleId });
    const done = bundle
      ? await buildBundle(em, bundle.id, { version: bundle.version, copies: item.copies }, today)
      : await build(
          em,
          { designId: designs[0]!.id, version: designs[0]!.version, copies: item.copies },
          today,
        );
    kits.push(...done.kits.map((c) => ({ ...c, name })));
    left.push(...done.offcuts);
    builds.push(done.id);
  }
  const shelf = await materialsOf(
    em,
    input.spoiled.map((s) => s.materialId),
    today,
  );
  for (const [i, s] of input.spoiled.entries()) {
    const m = shelf.get(s.materialId);
    if (!m)
      throw new ProblemError(422, 'There is no such material on the shelf.', [
        { path: `spoiled.${i}.materialId`, message: 'expected a material of this shelf' },
      ]);
    if (s.quantity > (m.kept ?? 0))
      throw new ProblemError(422, `Only ${m.kept} of ${m.name} are left on the shelf.`, [
        { path: `spoiled.${i}.quantity`, message: `expected at most ${m.kept}` },
      ]);
    await takeFromShelf(em, m, s.quantity, today, `spoiled.${i}.quantity`);
  }
  const taken = new Map<number, number>();
  const lists = await rows<{ used: string }>(
    em,
    'select used from build where id in (select value from json_each(?))',
    [JSON.stringify(builds)],
  );
  const all = [
    ...lists.flatMap((l) => JSON.parse(l.used) as { materialId: number; quantity: number }[]),
    ...input.spoiled,
  ];
  for (const { materialId, quantity } of all) taken.set(materialId, (taken.get(materialId) ?? 0) + quantity);
  b.state = 'done';
  b.madeOn = today;
  b.used = [...taken].map(([materialId, quantity]) => ({ materialId, quantity }));
  b.left = left;
  b.labels = kits.map((c) => c.label);
  b.progress = { ...b.progress, running: [] };
  await em.flush();
  return { batch: await batchJson(em, b), kits };
}
