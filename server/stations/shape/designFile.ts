import type { EntityManager } from '@mikro-orm/core';
import {
  carriedForward,
  designFile,
  FILE_VERSION,
  isDeeper,
  MOST_DEEP,
  type DesignFile,
  type DesignFileLook,
  type MaterialInFile,
} from '../../../contract/designFile.ts';
import type { Design as DesignJson } from '../../../contract/designs.ts';
import type { Day } from '../../../core/calendar/days.ts';
import { asMaterial, entryOf } from '../../../core/catalogue/index.ts';
import { traitsNamed } from '../../../core/catalogue/traitNames.ts';
import type { Material as CoreMaterial, MaterialKind } from '../../../core/materials/material.ts';
import {
  allTaken,
  loadPattern,
  PatternError,
  type AnyDials,
  type Chosen,
  type OpenPattern,
} from '../../../core/patterns/index.ts';
import { nearestDials, type Nearest } from '../../../core/patterns/nearest.ts';
import { DesignRow, MaterialRow, type Design, type Material } from '../../db/entities.ts';
import { rows } from '../../db/rows.ts';
import { ProblemError, read } from '../../problem.ts';
import { addMaterial } from '../gather/service.ts';
import { addDesign } from './service.ts';

/** Properties of a material that a file carries; how many are kept stays here. */
const kindOf = (m: Material): MaterialKind => {
  const { name, form, sizes, unit, materialClass, give, hazards, colour } = m;
  const own = { name, form, sizes, unit, materialClass, give, hazards, colour } as MaterialKind;
  const said = Object.fromEntries(
    (
      [
        'solid',
        'mass',
        'worth',
        'cleaning',
        'allergens',
        'traits',
        'grain',
        'keepOut',
        'keeping',
        'catalogue',
      ] as const
    ).flatMap((key) => (m[key] === null || m[key] === undefined ? [] : [[key, m[key]]])),
  );
  return { ...own, ...said };
};

/** The same whatever order its fields were written in. */
const sorted = (value: unknown): unknown =>
  Array.isArray(value)
    ? value.map(sorted)
    : typeof value === 'object' && value !== null
      ? Object.fromEntries(
          Object.entries(value)
            .filter(([, v]) => v !== undefined)
            .sort(([a], [b]) => (a < b ? -1 : 1))
            .map(([k, v]) => [k, sorted(v)]),
        )
      : value;
const isSame = (a: unknown, b: unknown): boolean => JSON.stringify(sorted(a)) === JSON.stringify(sorted(b));

/** A catalogue entry as a file would carry it whole. */
export function catalogueKind(key: string): MaterialKind | null {
  const entry = entryOf(key);
  if (!entry) return null;
  const { kept: _, ...kind } = asMaterial(entry);
  return kind;
}

/** Before version 4 a file did not say what a material can do: its entry does, or its name. */
const withTraits = (m: MaterialKind, version: number): MaterialKind => {
  if (m.traits !== undefined || version >= 4) return m;
  const entry = m.catalogue === undefined ? undefined : entryOf(m.catalogue);
  const traits = entry?.traits ?? traitsNamed(m);
  return traits.length > 0 ? { ...m, traits } : m;
};

/** By its key where nothing was changed since it came from the catalogue, else whole. */
export const inFile = (m: Material): MaterialInFile => {
  const kind = kindOf(m);
  const usual = kind.catalogue === undefined ? null : catalogueKind(kind.catalogue);
  return usual && isSame(kind, usual) ? { catalogue: kind.catalogue! } : kind;
};

/** A design with its materials, to be carried to another place. */
export async function writeFile(em: EntityManager, d: Design): Promise<DesignFile> {
  const shelved = await em.find(MaterialRow, { id: { $in: Object.values(d.materials).flat() } });
  const of = (id: number): MaterialInFile[] => {
    const m = shelved.find((r) => r.id === id);
    return m ? [inFile(m)] : [];
  };
  return {
    file: 'fox-button-design',
    version: FILE_VERSION,
    design: {
      name: d.name,
      pattern: d.pattern,
      forGroup: d.forGroup,
      ageFrom: d.ageFrom,
      ageTo: d.ageTo,
      skill: d.skill as DesignJson['skill'],
      approach: d.approach as DesignJson['approach'],
      copies: d.copies,
      dials: d.dials,
      materials: Object.fromEntries(
        Object.entries(d.materials).map(([role, ids]) => [role, ids.flatMap(of)]),
      ),
      ...(d.mouths ? { mouths: true } : {}),
    },
  };
}

interface Met {
  readonly role: string;
  readonly kind: MaterialKind;
  readonly row: Material | null;
}
export interface Understood {
  readonly version: number;
  readonly design: DesignFile['design'];
  readonly pattern: OpenPattern;
  readonly met: readonly Met[];
  readonly chosen: Chosen;
  readonly dials: AnyDials;
  readonly nearest: readonly Nearest[];
}

/** Nothing on a design file is as large; more is a mistake or an attack, characters. */
const LARGEST = 256 * 1024;

/**
 * Reads a file: carried forward where it is older, refused with a word where it is newer, too deep, too large, of a pattern
 * that there is not, or not a design file at all.
 */
async function understood(em: EntityManager, raw: unknown): Promise<Understood> {
  const version = versionOf(raw);
  return designIn(em, read(designFile, carriedForward(raw)), version);
}

export const fault = (path: string, message: string, detail = `${path}: ${message}`): ProblemError =>
  new ProblemError(422, detail, [{ path, message }]);

/**
 * The version of a file that may be read at all.
 *
 * @throws ProblemError where it is too deep, too large, newer than this, or of no version
 */
export function versionOf(raw: unknown): number {
  if (isDeeper(raw, MOST_DEEP))
    throw fault(
      'file',
      `nests deeper than ${MOST_DEEP} levels`,
      `The file nests deeper than ${MOST_DEEP} levels; no design does.`,
    );
  if (JSON.stringify(raw ?? null).length > LARGEST)
    throw fault('file', 'must be at most 256 kB', 'The file is over 256 kB; no design is.');
  const { version } = (raw ?? {}) as { version?: unknown };
  if (typeof version === 'number' && Number.isInteger(version) && version > FILE_VERSION)
    throw fault(
      'file.version',
      `is ${version}; expected at most ${FILE_VERSION}`,
      `The file is of version ${version}, from a newer Fox Button; this one reads up to ${FILE_VERSION}. Bring this one up to date.`,
    );
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1)
    throw fault(
      'file.version',
      `expected 1 to ${FILE_VERSION}`,
      'This is no design file: it has no version that is known.',
    );
  return version;
}

/** A design of a file, met with this shelf and its pattern. */
export async function designIn(
  em: EntityManager,
  { design }: Pick<DesignFile, 'design'>,
  version: number,
): Promise<Understood> {
  const pattern = await loadPattern(design.pattern).catch((error: unknown) => {
    throw error instanceof PatternError ? fault('design.pattern', error.message, error.message) : error;
  });
  const roles = new Set(pattern.roles.map((r) => r.id));
  const met: Met[] = [];
  for (const [role, list] of Object.entries(design.materials)) {
    if (!roles.has(role))
      throw fault(
        `design.materials.${role}`,
        `is no role of ${pattern.name}; expected one of ${[...roles].join(', ')}`,
      );
    for (const [i, m] of list.entries()) {
      const kind = 'name' in m ? withTraits(m, version) : catalogueKind(m.catalogue);
      if (!kind)
        throw fault(
          `design.materials.${role}.${i}.catalogue`,
          'is no key of the catalogue; expected one, or a whole material',
        );
      met.push({ role, kind, row: await onThisShelf(em, kind) });
    }
  }
  const chosen: Record<string, CoreMaterial[]> = {};
  for (const [i, m] of met.entries())
    (chosen[m.role] ??= []).push({ ...m.kind, kept: 0, id: m.row?.id ?? -1 - i });
  for (const role of pattern.roles) allTaken(chosen, role);
  const usual = pattern.defaults({ approach: design.approach, ageFrom: design.ageFrom, chosen });
  const near = nearestDials(pattern.dials, design.dials, usual);
  if (!near) pattern.check(design.dials);
  return { version, design, pattern, met, chosen, dials: near!.dials, nearest: near!.changed };
}

/** The material of this shelf that a file means: of its name, form and sizes, else the same but for its name. */
export async function onThisShelf(em: EntityManager, kind: MaterialKind): Promise<Material | null> {
  const named = await em.findOne(MaterialRow, { name: kind.name, form: kind.form });
  if (named && isSame(named.sizes, kind.sizes)) return named;
  if (kind.catalogue === undefined) return null;
  const alike = await em.find(MaterialRow, { catalogue: kind.catalogue }, { orderBy: { id: 'asc' } });
  return alike.find((m) => isSame({ ...kindOf(m), name: '' }, { ...kind, name: '' })) ?? null;
}

/** What a file brings, told before anything is written. */
export const lookAt = async (em: EntityManager, raw: unknown): Promise<DesignFileLook> =>
  told(em, await understood(em, raw));

export async function told(
  em: EntityManager,
  { version, design, pattern, met, chosen, dials, nearest }: Understood,
): Promise<DesignFileLook> {
  const { name, forGroup, ageFrom, ageTo, approach } = design;
  return {
    name,
    pattern: pattern.id,
    patternName: pattern.name,
    title: pattern.title({ dials, chosen, approach, ageFrom }),
    forGroup,
    ageFrom,
    ageTo,
    version,
    materials: met.map(({ role, kind, row }) => ({
      role: pattern.roles.find((r) => r.id === role)!.label,
      name: row?.name ?? kind.name,
      id: row?.id ?? null,
    })),
    nearest,
    isThere: (await em.count(DesignRow, { name })) > 0,
  };
}

/** A name that no material of this shelf has, however it is written. */
async function freeName(em: EntityManager, name: string): Promise<string> {
  for (let n = 1; ; n++) {
    const tried = n === 1 ? name : `${name.slice(0, 72)}, ${n}`;
    const [there] = await rows<{ n: number }>(
      em,
      'select count(*) as n from material where name = ? collate nocase',
      [tried],
    );
    if (there!.n === 0) return tried;
  }
}

/** Puts a kind of material on the shelf, none kept yet; its number. */
export const put = async (em: EntityManager, kind: MaterialKind, today: Day): Promise<number> =>
  (await addMaterial(em, { ...kind, name: await freeName(em, kind.name), kept: 0 }, today)).id;

/** Opens a file as a design of this place; materials that are not here are added, none kept. */
export async function openDesignFile(
  em: EntityManager,
  raw: unknown,
  takeNearest: boolean,
  today: Day,
): Promise<DesignJson> {
  return opened(em, await understood(em, raw), takeNearest, today);
}

export async function opened(
  em: EntityManager,
  { design: { copies, ...design }, met, dials, nearest }: Understood,
  takeNearest: boolean,
  today: Day,
): Promise<DesignJson> {
  const [first] = nearest;
  if (first && !takeNearest)
    throw new ProblemError(
      422,
      `Some dials cannot be as they are: ${nearest.map((n) => `${n.dial} ${n.why}`).join('; ')}. The nearest can be taken.`,
      nearest.map((n) => ({ path: `design.dials.${n.dial}`, message: n.why })),
    );
  const materials: Record<string, number[]> = {};
  const added = new Map<string, number>();
  for (const { role, kind, row } of met) {
    const key = JSON.stringify(sorted(kind));
    const id = row?.id ?? added.get(key) ?? (await put(em, kind, today));
    added.set(key, id);
    (materials[role] ??= []).push(id);
  }
  // It waits aside: what comes from elsewhere speaks for no stock until somebody wants it.
  return addDesign(em, { ...design, copies, dials, materials, onBench: false }, today);
}
