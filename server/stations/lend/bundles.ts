import type { EntityManager } from '@mikro-orm/core';
import { z } from 'zod';
import type { Bundle, BundleDesignRow, BundleInput, Suggested } from '../../../contract/bundles.ts';
import type { Told } from '../../../core/languages/messages.ts';
import type { Day } from '../../../core/calendar/days.ts';
import { massOfOne } from '../../../core/catalogue/entry.ts';
import { entryOf } from '../../../core/catalogue/index.ts';
import {
  carriedBy,
  partsOfBundle,
  pickedSets,
  takesOfBundle,
  type BundleDesign,
  type Pickable,
} from '../../../core/lend/bundle.ts';
import { countLine } from '../../../core/lend/parts.ts';
import type { Material as CoreMaterial } from '../../../core/materials/material.ts';
import { reservedStock } from '../../../core/needs/supply.ts';
import { loadPattern, type Need } from '../../../core/patterns/index.ts';
import { KitRow, DesignRow, GivenRow, BundleRow, type Design, type BundleStored } from '../../db/entities.ts';
import { idCursor, pageOf } from '../../paging.ts';
import { notFound, ProblemError } from '../../problem.ts';
import { openBundleFile, writeBundleFile } from '../shape/bundleFile.ts';
import { ladderOf } from '../shape/ladders.ts';
import { atOf, chosenFor, materialsOf, readBench } from '../shape/service.ts';

/** More kits than this are not tried at once. */
const MOST_NOW = 60;

export interface Worked {
  readonly designs: readonly Design[];
  readonly bundle: readonly BundleDesign[];
  readonly container: CoreMaterial | null;
  readonly shelf: Map<number, CoreMaterial>;
  /** Ready and free of what designs on the bench speak for, by material. */
  readonly free: (id: number) => number;
}

/** Words for families, without languages that nothing is said in. */
const wordsOf = ({ words = {} }: BundleInput): Record<string, string> =>
  Object.fromEntries(Object.entries(words).filter(([, said]) => said !== ''));

async function eachWithLevels(
  em: EntityManager,
  designs: readonly Design[],
  today: Day,
): Promise<BundleDesignRow[]> {
  const out: BundleDesignRow[] = [];
  for (const d of designs)
    out.push({ id: d.id, name: d.name, levels: (await ladderOf(em, d, today)).map((r) => r.name) });
  return out;
}

export async function findBundle(em: EntityManager, id: number): Promise<BundleStored> {
  const bundle = await em.findOne(BundleRow, { id });
  if (!bundle) throw notFound(`kit ${id}`);
  return bundle;
}

/** What designs on the bench speak for, by material. */
type Spoken = ReadonlyMap<number, number>;
const spokenOnBench = async (em: EntityManager, today: Day): Promise<Spoken> =>
  reservedStock((await readBench(em, today)).bench);

/**
 * Everything that follows from a kit's designs and container.
 *
 * @param known what the bench speaks for, where it was read already
 */
export async function worked(
  em: EntityManager,
  bundle: { readonly designs: readonly number[]; readonly container?: number | null | undefined },
  today: Day,
  { known, language }: { readonly known?: Spoken } & Told = {},
): Promise<Worked> {
  const packedIn = bundle.container ?? null;
  const found = await em.find(DesignRow, { id: { $in: [...bundle.designs] } });
  const designs = bundle.designs.map((id) => {
    const d = found.find((x) => x.id === id);
    if (!d)
      throw new ProblemError(422, `There is no design ${id}.`, [
        { path: `designs.${bundle.designs.indexOf(id)}`, message: 'expected a design of this place' },
      ]);
    return d;
  });
  const needing: BundleDesign[] = [];
  for (const d of designs) {
    const pattern = await loadPattern(d.pattern);
    const { chosen } = await chosenFor(em, d.materials, today);
    needing.push({ id: d.id, name: d.name, needs: pattern.needs({ ...atOf(d, chosen), language }) });
  }
  const ids = [
    ...new Set([
      ...needing.flatMap((d) => d.needs.map((n) => n.materialId)),
      ...(packedIn === null ? [] : [packedIn]),
    ]),
  ];
  const shelf = await materialsOf(em, ids, today);
  const container = packedIn === null ? null : (shelf.get(packedIn) ?? null);
  if (packedIn !== null && !container)
    throw new ProblemError(422, 'There is no such container on the shelf.', [
      { path: 'container', message: 'expected a material of this shelf' },
    ]);
  const spoken = known ?? (await spokenOnBench(em, today));
  const free = (id: number): number => Math.max(0, (shelf.get(id)?.kept ?? 0) - (spoken.get(id) ?? 0));
  return { designs, bundle: withContainer(needing, container), container, shelf, free };
}

/** The container is one more thing that the kit needs, counted with it. */
function withContainer(bundle: readonly BundleDesign[], container: CoreMaterial | null): BundleDesign[] {
  const [first, ...rest] = bundle;
  if (!container || !first) return [...bundle];
  const packed: Need = {
    role: 'container',
    use: 'package',
    materialId: container.id,
    name: container.name,
    quantity: 1,
    unit: 'each',
    counted: true,
  };
  return [{ ...first, needs: [...first.needs, packed] }, ...rest];
}

/** Most kits that the free stock gives, and what runs out first. */
export function kitsNow({ bundle: bundle, free, shelf }: Worked): { most: number; first: string | null } {
  const shortAt = (n: number): number | undefined =>
    [...takesOfBundle(bundle, n)].find(([id, q]) => q > free(id) + 1e-9)?.[0];
  let most = 0;
  while (most < MOST_NOW && shortAt(most + 1) === undefined) most++;
  const short = shortAt(most + 1);
  return { most, first: short === undefined ? null : (shelf.get(short)?.name ?? null) };
}

async function bundleJson(
  em: EntityManager,
  bundle: BundleStored,
  today: Day,
  known?: Spoken,
): Promise<Bundle> {
  const base = {
    id: bundle.id,
    version: bundle.version,
    name: bundle.name,
    words: bundle.words,
    youngest: bundle.youngest ?? null,
  };
  const made = await em.count(KitRow, { bundle: bundle.id });
  const given = await em.find(GivenRow, { bundle: bundle.id }, { orderBy: { id: 'desc' } });
  const gone = {
    givenTo: given.reduce((n, g) => n + g.families, 0),
    givenAgainst: given.flatMap((g) =>
      g.overrideWhy == null
        ? []
        : [
            {
              on: g.givenOn,
              families: g.families,
              by: g.overrideBy ?? '',
              why: g.overrideWhy,
              of: g.overrideOf ?? '',
            },
          ],
    ),
  };
  try {
    const w = await worked(em, bundle, today, { known });
    const one = takesOfBundle(w.bundle, 1);
    let mass = 0;
    const unweighed: string[] = [];
    for (const [id, quantity] of one) {
      const m = w.shelf.get(id)!;
      // What is measured off a roll weighs so much a metre.
      // A find that nobody weighed weighs what the catalogue says such things do.
      const known = { ...m, mass: m.mass ?? (m.catalogue ? entryOf(m.catalogue)?.mass : undefined) };
      const each = m.unit === 'mm' ? (known.mass === undefined ? null : known.mass / 1000) : massOfOne(known);
      if (each === null) unweighed.push(m.name);
      else mass += each * quantity;
    }
    const { most, first } = kitsNow(w);
    return {
      ...base,
      designs: await eachWithLevels(em, w.designs, today),
      container: w.container && { id: w.container.id, name: w.container.name },
      parts: partsOfBundle(w.bundle).map((p) => ({
        materialId: p.materialId,
        name: p.name,
        due: p.due,
        for: p.for,
      })),
      mass: Math.round(mass),
      unweighed,
      carriedBy: carriedBy(mass),
      kitsNow: most,
      first,
      made,
      ...gone,
      problem: null,
    };
  } catch (error) {
    // A design of it that cannot be read any more is told; the other kits are listed.
    return {
      ...base,
      designs: bundle.designs.map((id) => ({ id, name: `design ${id}`, levels: [] })),
      container: null,
      parts: [],
      mass: 0,
      unweighed: [],
      carriedBy: 'child',
      kitsNow: 0,
      first: null,
      made,
      ...gone,
      problem: error instanceof Error ? error.message : String(error),
    };
  }
}

export const bundleQuery = z.strictObject(pageOf(200, 50));
export type BundleQuery = z.infer<typeof bundleQuery>;

/** A page of kits of several designs, in the order they were put together. The bench is read once for all of them. */
export async function listBundles(em: EntityManager, query: BundleQuery, today: Day) {
  const kits = await em.find(
    BundleRow,
    { id: { $gt: idCursor(query.after, 0) } },
    { orderBy: { id: 'asc' }, limit: query.limit },
  );
  const spoken = kits.length > 0 ? await spokenOnBench(em, today) : new Map<number, number>();
  const items: Bundle[] = [];
  for (const k of kits) {
    items.push(await bundleJson(em, k, today, spoken));
    // Others are answered in between.
    await new Promise((go) => setImmediate(go));
  }
  const last = kits.at(-1);
  return {
    items,
    limit: query.limit,
    total: await em.count(BundleRow, {}),
    next: last ? String(last.id) : null,
  };
}

/** Sets of three quiet designs, or two where no three do, that share most pieces: bags for a waiting room. */
export async function suggestBundles(em: EntityManager, today: Day): Promise<Suggested[]> {
  const found = await em.find(DesignRow, {}, { orderBy: { id: 'asc' }, limit: 300 });
  const quiet: Pickable[] = [];
  for (const d of found) {
    const pattern = await loadPattern(d.pattern);
    if (!pattern.quiet || d.child != null) continue;
    try {
      const { chosen } = await chosenFor(em, d.materials, today);
      const { id, name, ageFrom, ageTo } = d;
      quiet.push({ id, name, ageFrom, ageTo, needs: pattern.needs(atOf(d, chosen)) });
    } catch {
      // A design that cannot be read is in no bag.
    }
    await new Promise((go) => setImmediate(go));
  }
  const three = pickedSets(quiet, 3);
  const names = new Map(found.map((d) => [d.id, d.name]));
  return (three.length > 0 ? three : pickedSets(quiet, 2)).map(({ designs, ...s }) => ({
    ...s,
    designs: designs.map((id) => ({ id, name: names.get(id)! })),
  }));
}

export async function addBundle(em: EntityManager, input: BundleInput, today: Day): Promise<Bundle> {
  await worked(em, input, today);
  const bundle = em.create(BundleRow, {
    ...input,
    words: wordsOf(input),
    youngest: input.youngest ?? null,
    version: 1,
  });
  await em.flush();
  return bundleJson(em, bundle, today);
}

export const stale = (bundle: BundleStored): ProblemError =>
  new ProblemError(409, `${bundle.name} was changed meanwhile.`, [
    { path: 'version', message: `is stale: it is ${bundle.version} now` },
  ]);

export async function updateBundle(
  em: EntityManager,
  id: number,
  { version, ...input }: BundleInput & { version: number },
  today: Day,
): Promise<Bundle> {
  const bundle = await findBundle(em, id);
  if (bundle.version !== version) throw stale(bundle);
  await worked(em, input, today);
  em.assign(
    bundle,
    { ...input, ...(input.words ? { words: wordsOf(input) } : {}) },
    { mergeObjectProperties: false },
  );
  await em.flush();
  return bundleJson(em, bundle, today);
}

/** Labels of the kits that are made of it: the pieces first, as a family counts them. */
export async function bundleLabels(em: EntityManager, id: number) {
  const bundle = await findBundle(em, id);
  const copies = await em.find(KitRow, { bundle: id }, { orderBy: { id: 'asc' } });
  return {
    name: bundle.name,
    labels: copies.map((c) => ({ label: c.label, name: bundle.name, count: countLine(c.parts) })),
  };
}

/** A kit's file, to be opened at another place. */
export async function bundleFileOf(em: EntityManager, id: number) {
  const bundle = await findBundle(em, id);
  const found = await em.find(DesignRow, { id: { $in: bundle.designs } });
  const designs = bundle.designs.flatMap((d) => found.find((x) => x.id === d) ?? []);
  return writeBundleFile(em, {
    name: bundle.name,
    container: bundle.container ?? null,
    designs,
    words: bundle.words,
  });
}

/** Opens a kit's file as a kit of this place; where its name is taken it gets a number. */
export async function addBundleFile(
  em: EntityManager,
  raw: unknown,
  takeNearest: boolean,
  today: Day,
): Promise<Bundle> {
  const { name, ...rest } = await openBundleFile(em, raw, takeNearest, today);
  const names = (await em.find(BundleRow, {})).map((k) => k.name.toLowerCase());
  let free = name;
  for (let n = 2; names.includes(free.toLowerCase()); n++) free = `${name.slice(0, 72)}, ${n}`;
  return addBundle(em, { name: free, ...rest }, today);
}

export async function removeBundle(em: EntityManager, id: number): Promise<void> {
  const bundle = await findBundle(em, id);
  if ((await em.count(KitRow, { bundle: id })) > 0)
    throw new ProblemError(409, `${bundle.name} has kits that are lent; it stays for their sake.`);
  if ((await em.count(GivenRow, { bundle: id })) > 0)
    throw new ProblemError(409, `${bundle.name} was given to families; it stays for their sake.`);
  await em.removeAndFlush(bundle);
}
