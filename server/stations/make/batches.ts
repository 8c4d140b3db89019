import { inUnit, type LengthUnit } from '../../../core/measure/length.ts';
import type { EntityManager } from '@mikro-orm/core';
import type {
  BatchItem,
  BatchRow as BatchJson,
  BatchWork,
  BillLine,
  MakingInput,
} from '../../../contract/batches.ts';
import type { Day } from '../../../core/calendar/days.ts';
import { joinedPlan, type CutPlan } from '../../../core/cut/cutPlan.ts';
import { listsOfBundle, type BundleDesign } from '../../../core/lend/bundle.ts';
import type { Material as CoreMaterial } from '../../../core/materials/material.ts';
import { heldBy, quantityFor, type NeedTimes } from '../../../core/needs/supply.ts';
import { loadPattern } from '../../../core/patterns/index.ts';
import { batchTasks, firstDay, type BatchDesign, type BatchTask } from '../../../core/plan/batch.ts';
import { type Progress } from '../../../core/plan/progress.ts';
import { ownFactor } from '../../../core/plan/minutes.ts';
import { handTests, madeAs, testsThatCount } from '../../../core/safety/handTests.ts';
import type { Market } from '../../../core/safety/rules.ts';
import { BatchRow, DesignRow, BundleRow, PlaceRow, type Batch, type Design } from '../../db/entities.ts';
import { rows } from '../../db/rows.ts';
import { notFound, ProblemError } from '../../problem.ts';
import { readTests } from '../check/service.ts';
import { ownTimes } from './ownTimes.ts';
import { atOf, chosenFor, materialsOf, readBench } from '../shape/service.ts';

const NOTHING_DONE: Progress = { running: [], done: [] };

export async function findBatch(em: EntityManager, id: number): Promise<Batch> {
  const batch = await em.findOne(BatchRow, { id });
  if (!batch) throw notFound(`batch ${id}`);
  return batch;
}

/** An item with the designs that it is made of. */
interface OpenItem {
  readonly item: BatchItem;
  readonly name: string;
  readonly designs: readonly Design[];
}

/** Every item with its designs; names the item that is not there. */
export async function openItems(em: EntityManager, items: readonly BatchItem[]): Promise<OpenItem[]> {
  const out: OpenItem[] = [];
  for (const [i, item] of items.entries()) {
    const bundle = item.bundleId === null ? null : await em.findOne(BundleRow, { id: item.bundleId });
    const ids = bundle ? bundle.designs : item.designId === null ? [] : [item.designId];
    const found = await em.find(DesignRow, { id: { $in: [...ids] } });
    const designs = ids.flatMap((id) => found.find((d) => d.id === id) ?? []);
    if (designs.length === 0 || designs.length < ids.length)
      throw new ProblemError(422, `There is no such ${item.bundleId === null ? 'design' : 'kit'}.`, [
        {
          path: `items.${i}.${item.bundleId === null ? 'designId' : 'bundleId'}`,
          message: `expected a ${item.bundleId === null ? 'design' : 'kit'} of this place`,
        },
      ]);
    out.push({ item, name: bundle?.name ?? designs[0]!.name, designs });
  }
  return out;
}

export async function batchJson(em: EntityManager, b: Batch): Promise<BatchJson> {
  const names = new Map<string, string>();
  for (const item of b.items) {
    const row =
      item.bundleId === null
        ? await em.findOne(DesignRow, { id: item.designId! })
        : await em.findOne(BundleRow, { id: item.bundleId });
    names.set(`${item.designId} ${item.bundleId}`, row?.name ?? 'no longer there');
  }
  const materials = await rows<{ id: number; name: string }>(
    em,
    'select id, name from material where id in (select value from json_each(?))',
    [JSON.stringify(b.used.map((u) => u.materialId))],
  );
  const nameOf = new Map(materials.map((m) => [m.id, m.name]));
  return {
    id: b.id,
    version: b.version,
    name: b.name,
    state: b.state as BatchJson['state'],
    items: b.items.map((i) => ({ ...i, name: names.get(`${i.designId} ${i.bundleId}`)! })),
    days: b.days,
    progress: b.progress,
    madeOn: b.madeOn ?? null,
    used: b.used.map((u) => ({ ...u, name: nameOf.get(u.materialId) ?? 'no longer there' })),
    left: b.left,
    labels: b.labels,
  };
}

export async function listBatches(em: EntityManager): Promise<BatchJson[]> {
  const found = await em.find(BatchRow, {}, { orderBy: { id: 'desc' }, limit: 200 });
  const out: BatchJson[] = [];
  for (const b of found) out.push(await batchJson(em, b));
  return out;
}

export const stale = (b: Batch): ProblemError =>
  new ProblemError(409, `${b.name} was changed meanwhile.`, [
    { path: 'version', message: `is stale: it is ${b.version} now` },
  ]);

export async function addBatch(em: EntityManager, input: MakingInput): Promise<BatchJson> {
  await openItems(em, input.items);
  const b = em.create(BatchRow, {
    ...input,
    version: 1,
    state: 'planned',
    progress: NOTHING_DONE,
    madeOn: null,
    used: [],
    left: [],
    labels: [],
  });
  await em.flush();
  return batchJson(em, b);
}

export async function updateBatch(
  em: EntityManager,
  id: number,
  { version, ...input }: MakingInput & { version: number },
): Promise<BatchJson> {
  const b = await findBatch(em, id);
  if (b.version !== version) throw stale(b);
  if (b.state === 'done')
    throw new ProblemError(409, `${b.name} is done; it stays as it was made.`, [
      { path: 'state', message: 'expected a batch that is not done' },
    ]);
  await openItems(em, input.items);
  em.assign(b, input, { mergeObjectProperties: false });
  await em.flush();
  return batchJson(em, b);
}

export async function removeBatch(em: EntityManager, id: number): Promise<void> {
  const b = await findBatch(em, id);
  if (b.state === 'done')
    throw new ProblemError(409, `${b.name} is done; it stays on record.`, [
      { path: 'state', message: 'expected a batch that is not done' },
    ]);
  await em.removeAndFlush(b);
}

/** What a batch needs by material, all of it together, and whose each is. */
async function batchNeeds(
  em: EntityManager,
  items: readonly OpenItem[],
  today: Day,
): Promise<{ lists: Map<number, NeedTimes[]>; whose: Map<number, Set<string>>; steps: BatchDesign[] }> {
  const lists = new Map<number, NeedTimes[]>();
  const whose = new Map<number, Set<string>>();
  const steps = new Map<number, BatchDesign>();
  for (const { item, name, designs } of items) {
    const needing: BundleDesign[] = [];
    for (const d of designs) {
      const pattern = await loadPattern(d.pattern);
      const { chosen } = await chosenFor(em, d.materials, today);
      const at = atOf(d, chosen);
      needing.push({ id: d.id, name: d.name, needs: pattern.needs(at) });
      const there = steps.get(d.id);
      steps.set(d.id, {
        designId: d.id,
        name: d.name,
        pattern: d.pattern,
        copies: (there?.copies ?? 0) + item.copies,
        steps: pattern.steps(at),
        titleOf: (step, kits) => pattern.steps({ ...at, kits }).find((s) => s.id === step)?.title,
      });
    }
    for (const [id, list] of listsOfBundle(needing, item.copies)) {
      lists.set(id, [...(lists.get(id) ?? []), ...list]);
      whose.set(id, (whose.get(id) ?? new Set()).add(name));
    }
    const bundle = item.bundleId === null ? null : await em.findOne(BundleRow, { id: item.bundleId });
    if (bundle?.container != null) {
      const m = (await materialsOf(em, [bundle.container], today)).get(bundle.container);
      if (m) {
        const need = {
          role: 'container',
          use: 'package' as const,
          materialId: m.id,
          name: m.name,
          quantity: 1,
          unit: 'each' as const,
          counted: true,
        };
        lists.set(m.id, [...(lists.get(m.id) ?? []), { need, times: item.copies }]);
        whose.set(m.id, (whose.get(m.id) ?? new Set()).add(name));
      }
    }
  }
  return { lists, whose, steps: [...steps.values()] };
}

export interface Opened extends BatchWork {
  /** What the tasks are made of, whatever the times. */
  readonly designs: readonly Omit<BatchDesign, 'titleOf'>[];
  readonly materials: ReadonlyMap<number, CoreMaterial>;
}

/** A batch with its bill, cut plans, tasks and what is to be tested. */
export async function openBatch(em: EntityManager, id: number, today: Day): Promise<Opened> {
  const b = await findBatch(em, id);
  const items = await openItems(em, b.items);
  const { lists, whose, steps } = await batchNeeds(em, items, today);
  const { bench, rows: shelf } = await readBench(em, today, [...lists.keys()]);
  // What a design of this batch has on the bench beyond it is still spoken for.
  const here = new Map(steps.map((d) => [d.designId, d.copies]));
  const held = heldBy(bench.map((d) => ({ ...d, made: d.made + (here.get(d.id) ?? 0) })));
  const bill = [...lists].map(([materialId, list]): BillLine => {
    const m = shelf.get(materialId);
    const wanted = quantityFor(list);
    const others = (held.get(materialId) ?? []).reduce((n, h) => n + h.quantity, 0);
    const kept = m?.kept ?? 0;
    return {
      materialId,
      name: m?.name ?? list[0]!.need.name,
      unit: m?.unit ?? list[0]!.need.unit,
      wanted,
      kept,
      held: others,
      short: Math.max(0, wanted - Math.max(0, kept - others)),
      for: [...whose.get(materialId)!],
    };
  });
  const plans = [...lists].flatMap(([materialId, list]): CutPlan[] => {
    const plan = joinedPlan(list, shelf.get(materialId)?.colour ?? '#d8c7a3');
    return plan ? [plan] : [];
  });
  const times = await ownTimes(em);
  const place = await em.findOneOrFail(PlaceRow, { id: 1 });
  const tests: { designId: number; design: string; test: string }[] = [];
  for (const d of new Map(items.flatMap((i) => i.designs).map((x) => [x.id, x])).values()) {
    const done = testsThatCount(await readTests(em, today, d.id), madeAs(d));
    for (const t of handTests(d.mouths ? Math.min(35, d.ageFrom) : d.ageFrom, place.market as Market))
      if (!done.some((x) => x.test === t.id && x.passed))
        tests.push({ designId: d.id, design: d.name, test: t.id });
  }
  return {
    ...(await batchJson(em, b)),
    bill,
    cutPlans: plans,
    tasks: batchTasks(steps, b.days, (pattern, step) => ownFactor(times, pattern)(step)).map((t) => ({
      ...t,
      title: inUnit(t.title, place.lengthUnit as LengthUnit),
      words: inUnit(t.words, place.lengthUnit as LengthUnit),
    })),
    zero: firstDay(b.days),
    own: times,
    tests,
    materials: shelf,
    designs: steps.map(({ titleOf: _, ...d }) => d),
  };
}

/** The tasks of a batch as they stand now. */
export async function tasksOf(em: EntityManager, b: Batch, today: Day): Promise<BatchTask[]> {
  const { steps } = await batchNeeds(em, await openItems(em, b.items), today);
  const times = await ownTimes(em);
  return batchTasks(steps, b.days, (pattern, step) => ownFactor(times, pattern)(step));
}
