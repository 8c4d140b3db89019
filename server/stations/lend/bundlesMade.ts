import type { EntityManager } from '@mikro-orm/core';
import type { Build } from '../../../contract/designs.ts';
import type { Given } from '../../../contract/bundles.ts';
import type { Day } from '../../../core/calendar/days.ts';
import { partsOfBundle, takesOfBundle } from '../../../core/lend/bundle.ts';
import { bundleLabel } from '../../../core/lend/labels.ts';
import { madeAs } from '../../../core/safety/handTests.ts';
import { BuildRow, KitRow, GivenRow } from '../../db/entities.ts';
import { ProblemError } from '../../problem.ts';
import { askKit, NOBODY_TOLD } from '../check/askKit.ts';
import type { Override } from '../../../contract/lending.ts';
import { newLabels } from './newLabels.ts';
import { takeFromShelf } from '../gather/shelf.ts';
import { type Worked, findBundle, worked, kitsNow, stale } from './bundles.ts';

/** Takes what so many kits need off the shelf, all or nothing. */
async function takeFor(
  em: EntityManager,
  w: Worked,
  count: number,
  today: Day,
  path: 'copies' | 'families',
): Promise<{ materialId: number; quantity: number }[]> {
  const used = [...takesOfBundle(w.bundle, count)]
    .filter(([, quantity]) => quantity > 0)
    .map(([materialId, quantity]) => ({ materialId, quantity }));
  const short = used.filter((u) => u.quantity > w.free(u.materialId) + 1e-9);
  if (short.length > 0)
    throw new ProblemError(
      422,
      `Not enough free: ${short.map((s) => `${s.quantity} of ${w.shelf.get(s.materialId)!.name}, ${w.free(s.materialId)} free`).join('; ')}.`,
      [{ path, message: `expected at most ${kitsNow(w).most}` }],
    );
  for (const u of used) await takeFromShelf(em, w.shelf.get(u.materialId)!, u.quantity, today, path);
  return used;
}

/** Parts of a kit for so many families, taken off the shelf for good. */
export async function giveBundle(
  em: EntityManager,
  id: number,
  input: {
    version: number;
    families: number;
    prepared: boolean;
    override?: Override | undefined;
  },
  today: Day,
): Promise<Given> {
  const bundle = await findBundle(em, id);
  if (bundle.version !== input.version) throw stale(bundle);
  const w = await worked(em, bundle, today);
  const ask = await askKit(
    em,
    {
      designs: bundle.designs,
      madeAs: null,
      youngest: bundle.youngest ?? null,
      container: bundle.container ?? null,
    },
    today,
  );
  const answer = ask(NOBODY_TOLD);
  const stops = answer.reasons.filter((r) => r.verdict === 'stop');
  if (stops.length > 0 && !input.override)
    throw new ProblemError(
      422,
      `The check says stop for ${bundle.name}, youngest ${answer.youngest} months. ${stops[0]!.title}: ${stops[0]!.words}`,
      stops.map((r) => ({
        path: 'override',
        message: `${r.title}: ${r.words} Expected another kit, or a reason of somebody who may design`,
      })),
    );
  const used = await takeFor(em, w, input.families, today, 'families');
  const { families, prepared } = input;
  const given = em.create(GivenRow, {
    bundle: bundle,
    families,
    prepared,
    givenOn: today,
    used,
    overrideBy: stops.length > 0 ? input.override!.by : null,
    overrideWhy: stops.length > 0 ? input.override!.why : null,
    overrideOf:
      stops.length > 0
        ? stops
            .map((r) => `${r.title}: ${r.words}`)
            .join(' ')
            .slice(0, 600)
        : null,
  });
  await em.flush();
  return {
    id: given.id,
    families,
    used: used.map(({ materialId, quantity }) => {
      const { name, unit } = w.shelf.get(materialId)!;
      return { name, quantity, unit };
    }),
  };
}

/** Takes what so many kits need off the shelf and labels them, all or nothing. */
export async function buildBundle(
  em: EntityManager,
  id: number,
  input: { version: number; copies: number },
  today: Day,
): Promise<Build> {
  const bundle = await findBundle(em, id);
  if (bundle.version !== input.version) throw stale(bundle);
  const w = await worked(em, bundle, today);
  const used = await takeFor(em, w, input.copies, today, 'copies');
  // What is lent stands under its first design, where its skill and its notes are.
  const [design] = w.designs;
  const made = em.create(BuildRow, {
    design: design!,
    copies: input.copies,
    builtOn: today,
    used,
    madeAs: Object.fromEntries(w.designs.map((d) => [d.id, madeAs(d)])),
  });
  const before = await em.count(KitRow, { bundle: bundle.id });
  const parts = partsOfBundle(w.bundle).map(({ for: _, set: __, ...p }) => ({ ...p, present: p.due }));
  const labels = await newLabels(em, (n) => bundleLabel(bundle.id, n), { from: before, count: input.copies });
  const kits = labels.map((label) =>
    em.create(KitRow, {
      label,
      design: design!,
      bundle: bundle,
      build: made,
      repair: false,
      parts,
      lastCounted: today,
    }),
  );
  await em.flush();
  return {
    id: made.id,
    designId: design!.id,
    kits: kits.map((c) => ({ id: c.id, label: c.label })),
    offcuts: [],
  };
}
