import type { EntityManager } from '@mikro-orm/core';
import type { Design as DesignJson, DesignInput, DesignNeeds } from '../../../contract/designs.ts';
import type { Day } from '../../../core/calendar/days.ts';
import { asMeasured, type Material as CoreMaterial } from '../../../core/materials/material.ts';
import { supply, type BenchDesign, type Supply } from '../../../core/needs/supply.ts';
import {
  allTaken,
  loadPattern,
  loadPatterns,
  PatternError,
  patternOf,
  type AnyAt,
  type Chosen,
  type Need,
} from '../../../core/patterns/index.ts';
import {
  BuildRow,
  BundleRow,
  DesignRow,
  KitRow,
  MaterialRow,
  NoteRow,
  type Design,
  type Material,
} from '../../db/entities.ts';
import { idCursor } from '../../paging.ts';
import { notFound, ProblemError } from '../../problem.ts';
import { onShelf, type OnShelf } from '../gather/shelf.ts';

export const designJson = (d: Design): DesignJson => ({
  id: d.id,
  version: d.version,
  name: d.name,
  pattern: d.pattern,
  forGroup: d.forGroup,
  ageFrom: d.ageFrom,
  ageTo: d.ageTo,
  skill: d.skill as DesignJson['skill'],
  approach: d.approach as DesignJson['approach'],
  copies: d.copies,
  made: d.made,
  dials: d.dials,
  materials: d.materials,
  onBench: d.onBench,
  ...(d.child == null ? {} : { child: d.child }),
  ...(d.mouths ? { mouths: true } : {}),
  ...(d.ownName ? {} : { ownName: false }),
});

/** A page of designs in the order they were begun. */
export async function listDesigns(
  em: EntityManager,
  query: { readonly limit: number; readonly after?: string | undefined },
) {
  const found = await em.find(
    DesignRow,
    { id: { $gt: idCursor(query.after, 0) } },
    { orderBy: { id: 'asc' }, limit: query.limit },
  );
  const last = found.at(-1);
  return {
    items: found.map(designJson),
    limit: query.limit,
    total: await em.count(DesignRow, {}),
    next: last ? String(last.id) : null,
  };
}

export async function findDesign(em: EntityManager, id: number): Promise<Design> {
  const d = await em.findOne(DesignRow, { id });
  if (!d) throw notFound(`design ${id}`);
  return d;
}

const coreMaterial = (m: Material, shelf: OnShelf | undefined): CoreMaterial =>
  asMeasured({
    ...m,
    solid: m.solid ?? undefined,
    cleaning: m.cleaning ?? undefined,
    grain: m.grain ?? undefined,
    keepOut: m.keepOut ?? undefined,
    keeping: m.keeping ?? undefined,
    risks: m.risks ?? undefined,
    worth: m.worth ?? undefined,
    kept: shelf?.kept ?? 0,
    clean: shelf?.clean,
    measured: shelf?.measured,
  } as unknown as CoreMaterial);

/** Materials of the shelf by number, as the core sees them. */
export async function materialsOf(
  em: EntityManager,
  ids: readonly number[],
  today: Day,
): Promise<Map<number, CoreMaterial>> {
  const found = await em.find(MaterialRow, { id: { $in: [...ids] } });
  const shelf = await onShelf(em, today, ids);
  return new Map(found.map((m) => [m.id, coreMaterial(m, shelf.get(m.id))]));
}

/** The design's materials by role, as the core sees them. */
export async function chosenFor(
  em: EntityManager,
  materials: Readonly<Record<string, readonly number[]>>,
  today: Day,
): Promise<{ chosen: Chosen; rows: Map<number, CoreMaterial> }> {
  const rows = await materialsOf(em, Object.values(materials).flat(), today);
  return { chosen: chosenFrom(materials, rows), rows };
}

/** Materials by role, out of rows that were read already. */
function chosenFrom(
  materials: Readonly<Record<string, readonly number[]>>,
  rows: ReadonlyMap<number, CoreMaterial>,
): Chosen {
  return Object.fromEntries(
    Object.entries(materials).map(([role, ids]) => [
      role,
      ids.map((id) => {
        const row = rows.get(id);
        if (!row)
          throw new ProblemError(422, `There is no material ${id} on the shelf.`, [
            { path: `materials.${role}`, message: 'expected a material of this shelf' },
          ]);
        return row;
      }),
    ]),
  );
}

/** The design as its pattern sees it. */
export const atOf = (d: Pick<Design, 'dials' | 'approach' | 'ageFrom'>, chosen: Chosen): AnyAt => ({
  dials: d.dials,
  chosen,
  approach: d.approach as AnyAt['approach'],
  ageFrom: d.ageFrom,
});

/** Designs worked out before others get their turn. */
const AT_ONCE = 20;

/** What a kit of each design needs, in three queries however many there are, and all their materials. */
async function readNeeds(
  em: EntityManager,
  today: Day,
  which: { readonly onBench?: boolean },
  also: readonly number[] = [],
): Promise<{ designs: (BenchDesign & { problem: string | null })[]; rows: Map<number, CoreMaterial> }> {
  const found = await em.find(DesignRow, which, { orderBy: { id: 'asc' } });
  const ids = [...new Set([...also, ...found.flatMap((d) => Object.values(d.materials).flat())])];
  const rows = await materialsOf(em, ids, today);
  await loadPatterns(found.map((d) => d.pattern));
  const designs: (BenchDesign & { problem: string | null })[] = [];
  for (const [i, { id, name, copies, made, onBench, ...d }] of found.entries()) {
    const base = { id, name, copies, made, onBench };
    try {
      const needs = patternOf(d.pattern).needs(atOf(d, chosenFrom(d.materials, rows)));
      designs.push({ ...base, needs, problem: null });
    } catch (error) {
      const problem = error instanceof Error ? error.message : String(error);
      designs.push({ ...base, needs: [], problem });
    }
    // A place with thousands of designs must not hold up everybody else.
    if (i % AT_ONCE === AT_ONCE - 1) await new Promise((go) => setImmediate(go));
  }
  return { designs, rows };
}

/** What a kit of each design needs; `problem` says why one cannot be read. */
export async function listNeeds(em: EntityManager, today: Day): Promise<DesignNeeds[]> {
  const { designs } = await readNeeds(em, today, {});
  return designs.map(({ id, needs, problem }) => ({ id, needs: [...needs], problem }));
}

/**
 * Every design on the bench with what a kit of it needs. A design that cannot be read any more speaks for nothing.
 *
 * @param also materials to be read besides
 */
export async function readBench(
  em: EntityManager,
  today: Day,
  also: readonly number[] = [],
): Promise<{ bench: BenchDesign[]; rows: Map<number, CoreMaterial> }> {
  const { designs, rows } = await readNeeds(em, today, { onBench: true }, also);
  return { bench: designs.filter((d) => d.problem === null), rows };
}

/** What is there for so many kits of a design: the same answer that every screen gives. */
export async function supplyOf(
  em: EntityManager,
  design: Design,
  copies: number,
  today: Day,
): Promise<{ supply: Supply; needs: Need[]; rows: Map<number, CoreMaterial> }> {
  const { bench, rows } = await readBench(em, today, Object.values(design.materials).flat());
  const pattern = await loadPattern(design.pattern);
  const needs = pattern.needs(atOf(design, chosenFrom(design.materials, rows)));
  const kept = (id: number): number => rows.get(id)?.kept ?? 0;
  return { supply: supply({ needs, copies, kept, bench, designId: design.id }), needs, rows };
}

/** Refuses dials and materials that the pattern cannot read; a design that only fits badly may be kept. */
async function checked(em: EntityManager, input: DesignInput, today: Day): Promise<DesignInput> {
  const pattern = await loadPattern(input.pattern);
  const roles = new Set(pattern.roles.map((r) => r.id));
  for (const role of Object.keys(input.materials))
    if (!roles.has(role))
      throw new PatternError(
        `materials.${role}`,
        `is no role of ${pattern.name}; expected one of ${[...roles].join(', ')}`,
      );
  const { chosen } = await chosenFor(em, input.materials, today);
  for (const role of pattern.roles) allTaken(chosen, role);
  const dials = pattern.check(input.dials);
  if (input.ownName !== false) return { ...input, dials, ownName: true };
  return { ...input, dials, ownName: false, name: pattern.called(atOf({ ...input, dials }, chosen)) };
}

export async function addDesign(em: EntityManager, input: DesignInput, today: Day): Promise<DesignJson> {
  const d = em.create(DesignRow, {
    ...(await checked(em, input, today)),
    onBench: input.onBench ?? true,
    child: input.child ?? null,
    mouths: input.mouths ?? false,
    ownName: input.ownName ?? true,
    made: 0,
    version: 1,
  });
  await em.flush();
  return designJson(d);
}

/** Overwrites a design, if the caller has seen its latest state; else the caller gets that state. */
export async function updateDesign(
  em: EntityManager,
  id: number,
  input: DesignInput & { version: number },
  today: Day,
): Promise<DesignJson> {
  const d = await findDesign(em, id);
  if (d.version !== input.version) throw stale(d);
  const { version: _, made: __, ...fields } = input;
  em.assign(d, await checked(em, fields, today), { mergeObjectProperties: false });
  await em.flush();
  return designJson(d);
}

/** Begins the next batch: none of its kits is made yet, and all of them are wanted. */
export async function nextBatch(
  em: EntityManager,
  id: number,
  input: { version: number; copies: number },
): Promise<DesignJson> {
  const d = await findDesign(em, id);
  if (d.version !== input.version) throw stale(d);
  em.assign(d, { made: 0, copies: input.copies });
  await em.flush();
  return designJson(d);
}

export const stale = (d: Design): ProblemError =>
  new ProblemError(
    409,
    `${d.name} was changed meanwhile.`,
    [{ path: 'version', message: `is stale: it is ${d.version} now` }],
    designJson(d),
  );

export async function removeDesign(em: EntityManager, id: number): Promise<void> {
  const d = await findDesign(em, id);
  const held = {
    kits: await em.count(KitRow, { design: id }),
    builds: await em.count(BuildRow, { design: id }),
    notes: await em.count(NoteRow, { design: id }),
  };
  const what = Object.entries(held).flatMap(([name, n]) => (n > 0 ? [name] : []));
  const inBundles = (await em.find(BundleRow, {})).filter((k) => k.designs.includes(id)).map((k) => k.name);
  if (inBundles.length > 0)
    throw new ProblemError(409, `${d.name} is in ${inBundles.join(' and ')}; it stays for their sake.`);
  if (what.length > 0)
    throw new ProblemError(409, `${d.name} has ${what.join(' and ')}; it stays for their sake.`);
  await em.removeAndFlush(d);
}
