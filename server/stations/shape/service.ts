import type { EntityManager } from '@mikro-orm/core';
import type { Design as DesignJson, DesignInput } from '../../../contract/designs.ts';
import type { Material as CoreMaterial } from '../../../core/materials/material.ts';
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
});

export async function listDesigns(em: EntityManager): Promise<DesignJson[]> {
  return (await em.find(DesignRow, {}, { orderBy: { id: 'asc' } })).map(designJson);
}

export async function findDesign(em: EntityManager, id: number): Promise<Design> {
  const d = await em.findOne(DesignRow, { id });
  if (!d) throw notFound(`design ${id}`);
  return d;
}

const coreMaterial = (m: Material): CoreMaterial =>
  ({ ...m, solid: m.solid ?? undefined }) as unknown as CoreMaterial;

/** The design's materials by role, as the core sees them. */
export async function chosenFor(
  em: EntityManager,
  materials: Record<string, number>,
): Promise<{ chosen: Chosen; rows: Map<number, Material> }> {
  const found = await em.find(MaterialRow, { id: { $in: Object.values(materials) } });
  const rows = new Map(found.map((m) => [m.id, m]));
  const chosen: Record<string, CoreMaterial> = {};
  for (const [role, id] of Object.entries(materials)) {
    const row = rows.get(id);
    if (!row)
      throw new ProblemError(422, `There is no material ${id} on the shelf.`, [
        { path: `materials.${role}`, message: 'expected a material of this shelf' },
      ]);
    chosen[role] = coreMaterial(row);
  }
  return { chosen, rows };
}

/** Refuses dials and materials that the pattern cannot read; a design that only fits badly may be kept. */
async function checked(em: EntityManager, input: DesignInput): Promise<DesignInput> {
  const pattern = patternOf(input.pattern);
  const roles = new Set(pattern.roles.map((r) => r.id));
  for (const role of Object.keys(input.materials))
    if (!roles.has(role))
      throw new PatternError(
        `materials.${role}`,
        `is no role of ${pattern.name}; expected one of ${[...roles].join(', ')}`,
      );
  const { chosen } = await chosenFor(em, input.materials);
  for (const role of pattern.roles) if (!role.optional || chosen[role.id]) taken(chosen, role);
  return { ...input, dials: pattern.check(input.dials) };
}

export async function addDesign(em: EntityManager, input: DesignInput): Promise<DesignJson> {
  const d = em.create(DesignRow, { ...(await checked(em, input)), version: 1 });
  await em.flush();
  return designJson(d);
}

/** Overwrites a design, if the caller has seen its latest state; else the caller gets that state. */
export async function updateDesign(
  em: EntityManager,
  id: number,
  input: DesignInput & { version: number },
): Promise<DesignJson> {
  const d = await findDesign(em, id);
  if (d.version !== input.version) throw stale(d);
  const { version: _, ...fields } = input;
  em.assign(d, await checked(em, fields), { mergeObjectProperties: false });
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
