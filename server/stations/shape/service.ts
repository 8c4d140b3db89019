import type { EntityManager } from '@mikro-orm/core';
import type { Design as DesignJson, DesignInput } from '../../../contract/designs.ts';
import type { Day } from '../../../core/calendar/days.ts';
import { asMeasured, type Material as CoreMaterial } from '../../../core/materials/material.ts';
import { patternOf, PatternError, taken, type Chosen } from '../../../core/patterns/index.ts';
import {
  BuildRow,
  CopyRow,
  DesignRow,
  MaterialRow,
  NoteRow,
  type Design,
  type Material,
} from '../../db/entities.ts';
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
  copies: d.copies,
  dials: d.dials,
  materials: d.materials,
  onBench: d.onBench,
});

export async function listDesigns(em: EntityManager): Promise<DesignJson[]> {
  return (await em.find(DesignRow, {}, { orderBy: { id: 'asc' } })).map(designJson);
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
    kept: shelf?.kept ?? 0,
    measured: shelf?.measured,
  } as unknown as CoreMaterial);

/** The design's materials by role, as the core sees them. */
export async function chosenFor(
  em: EntityManager,
  materials: Record<string, number>,
  today: Day,
): Promise<{ chosen: Chosen; rows: Map<number, CoreMaterial> }> {
  const found = await em.find(MaterialRow, { id: { $in: Object.values(materials) } });
  const shelf = await onShelf(em, today, Object.values(materials));
  const rows = new Map(found.map((m) => [m.id, coreMaterial(m, shelf.get(m.id))]));
  const chosen: Record<string, CoreMaterial> = {};
  for (const [role, id] of Object.entries(materials)) {
    const row = rows.get(id);
    if (!row)
      throw new ProblemError(422, `There is no material ${id} on the shelf.`, [
        { path: `materials.${role}`, message: 'expected a material of this shelf' },
      ]);
    chosen[role] = row;
  }
  return { chosen, rows };
}

/** Refuses dials and materials that the pattern cannot read; a design that only fits badly may be kept. */
async function checked(em: EntityManager, input: DesignInput, today: Day): Promise<DesignInput> {
  const pattern = patternOf(input.pattern);
  const roles = new Set(pattern.roles.map((r) => r.id));
  for (const role of Object.keys(input.materials))
    if (!roles.has(role))
      throw new PatternError(
        `materials.${role}`,
        `is no role of ${pattern.name}; expected one of ${[...roles].join(', ')}`,
      );
  const { chosen } = await chosenFor(em, input.materials, today);
  for (const role of pattern.roles) if (!role.optional || chosen[role.id]) taken(chosen, role);
  return { ...input, dials: pattern.check(input.dials) };
}

export async function addDesign(em: EntityManager, input: DesignInput, today: Day): Promise<DesignJson> {
  const d = em.create(DesignRow, {
    ...(await checked(em, input, today)),
    onBench: input.onBench ?? true,
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
  const { version: _, ...fields } = input;
  em.assign(d, await checked(em, fields, today), { mergeObjectProperties: false });
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
    kits: await em.count(CopyRow, { design: id }),
    builds: await em.count(BuildRow, { design: id }),
    notes: await em.count(NoteRow, { design: id }),
  };
  const what = Object.entries(held).flatMap(([name, n]) => (n > 0 ? [name] : []));
  if (what.length > 0)
    throw new ProblemError(409, `${d.name} has ${what.join(' and ')}; it stays for their sake.`);
  await em.removeAndFlush(d);
}
