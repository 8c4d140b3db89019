import type { EntityManager } from '@mikro-orm/core';
import { entryOf } from '../../../core/catalogue/index.ts';
import type { MaterialRow as MaterialJson } from '../../../contract/materials.ts';
import type { Day } from '../../../core/calendar/days.ts';
import type { MaterialInput } from '../../../core/materials/material.ts';
import { MaterialRow, type Material } from '../../db/entities.ts';
import { rows } from '../../db/rows.ts';
import { textCursor, textCursorOf } from '../../paging.ts';
import { notFound, ProblemError } from '../../problem.ts';
import { onShelf, putOnShelf, roomFor, shelfOf, takeFromShelf, type OnShelf } from './shelf.ts';

const materialJson = (m: Material, shelf: OnShelf): MaterialJson => ({
  id: m.id,
  version: m.version,
  name: m.name,
  form: m.form as MaterialJson['form'],
  ...(m.solid ? { solid: m.solid as NonNullable<MaterialJson['solid']> } : {}),
  sizes: m.sizes,
  unit: m.unit as MaterialJson['unit'],
  kept: shelf.kept,
  waiting: shelf.waiting,
  ...(shelf.clean ? { clean: true } : {}),
  ...(shelf.measured ? { measured: shelf.measured } : {}),
  materialClass: m.materialClass as MaterialJson['materialClass'],
  give: m.give,
  hazards: m.hazards as MaterialJson['hazards'],
  colour: m.colour,
  ...(m.mass == null ? {} : { mass: m.mass }),
  ...(m.cleaning == null ? {} : { cleaning: m.cleaning as NonNullable<MaterialJson['cleaning']> }),
  ...(m.allergens == null ? {} : { allergens: m.allergens as NonNullable<MaterialJson['allergens']> }),
  ...(m.traits == null ? {} : { traits: m.traits }),
  ...(m.grain == null ? {} : { grain: m.grain as NonNullable<MaterialJson['grain']> }),
  ...(m.keepOut == null ? {} : { keepOut: m.keepOut }),
  ...(m.keeping == null ? {} : { keeping: m.keeping }),
  ...(m.risks == null ? {} : { risks: m.risks }),
  ...(m.worth == null ? {} : { worth: m.worth }),
  ...(m.catalogue == null ? {} : { catalogue: m.catalogue }),
});

type JsonColumn = 'sizes' | 'hazards' | 'allergens' | 'traits' | 'keepOut' | 'keeping' | 'risks';
type MaterialColumns = Omit<Material, JsonColumn | 'materialClass'> & {
  readonly keep_out: string | null;
  readonly keeping: string | null;
  readonly risks: string | null;
  readonly material_class: string;
  readonly sizes: string;
  readonly hazards: string;
  readonly allergens: string | null;
  readonly traits: string | null;
};

export interface PageAsked {
  readonly limit: number;
  readonly after?: string | undefined;
}

/** Materials by name, one after another: straight from the table, since a shelf may hold very many. */
export async function pageOfMaterials(em: EntityManager, today: Day, query: PageAsked) {
  const [all] = await rows<{ n: number }>(em, 'select count(*) as n from material');
  const found = await rows<MaterialColumns>(
    em,
    'select * from material where (name, id) > (?, ?) order by name, id limit ?',
    [...(textCursor(query.after) ?? ['', 0]), query.limit],
  );
  const shelf = await onShelf(em, today);
  async function* each(): AsyncGenerator<MaterialJson> {
    for (const c of found)
      yield materialJson(
        {
          ...c,
          materialClass: c.material_class,
          sizes: JSON.parse(c.sizes) as Material['sizes'],
          hazards: JSON.parse(c.hazards) as Material['hazards'],
          allergens: c.allergens === null ? null : (JSON.parse(c.allergens) as string[]),
          traits: c.traits === null ? null : (JSON.parse(c.traits) as Material['traits']),
          keepOut: c.keep_out === null ? null : (JSON.parse(c.keep_out) as Material['keepOut']),
          risks: c.risks === null ? null : (JSON.parse(c.risks) as Material['risks']),
          keeping: c.keeping === null ? null : (JSON.parse(c.keeping) as Material['keeping']),
        },
        shelf.get(c.id) ?? { kept: 0, waiting: 0 },
      );
  }
  const last = found.at(-1);
  return {
    items: each(),
    count: found.length,
    limit: query.limit,
    total: all!.n,
    next: last ? textCursorOf(last.name, last.id) : null,
  };
}

/** Everything on the shelf, for what is compared with all of it. */
export async function wholeShelf(em: EntityManager, today: Day): Promise<MaterialJson[]> {
  const all: MaterialJson[] = [];
  for await (const m of (await pageOfMaterials(em, today, { limit: 1_000_000 })).items) all.push(m);
  return all;
}

export async function findMaterial(em: EntityManager, id: number): Promise<Material> {
  const m = await em.findOne(MaterialRow, { id });
  if (!m) throw notFound(`material ${id}`);
  return m;
}

/** What an entry of the catalogue can do or is, where it was taken from one and nobody said otherwise. */
const traitsOfEntry = (key: string | undefined) => {
  const traits = key === undefined ? undefined : entryOf(key)?.traits;
  return traits?.length ? traits : null;
};

/** The columns of a material; the count is a matter of its lots. */
export const materialColumns = (m: Omit<MaterialInput, 'kept'>) => ({
  ...m,
  solid: m.solid ?? null,
  mass: m.mass ?? null,
  cleaning: m.cleaning ?? null,
  allergens: m.allergens ?? null,
  traits: m.traits ?? traitsOfEntry(m.catalogue),
  grain: m.grain ?? null,
  keepOut: m.keepOut ?? null,
  keeping: m.keeping ?? null,
  risks: m.risks ?? null,
  catalogue: m.catalogue ?? null,
  worth: m.worth ?? null,
});

const columns = ({ kept: _, ...m }: MaterialInput) => materialColumns(m);

export async function createMaterial(em: EntityManager, input: MaterialInput): Promise<Material> {
  const m = em.create(MaterialRow, { ...columns(input), version: 1 });
  await em.flush();
  return m;
}

/** A new material; what is kept of it comes in as its first lot. */
export async function addMaterial(
  em: EntityManager,
  input: MaterialInput,
  today: Day,
): Promise<MaterialJson> {
  const m = await createMaterial(em, input);
  if (input.kept > 0) {
    putOnShelf(em, m, { quantity: input.kept, cameOn: today });
    await em.flush();
  }
  return materialJson(m, await shelfOf(em, today, m.id));
}

/** Overwrites a material, if the caller has seen its latest state. */
export async function updateMaterial(
  em: EntityManager,
  id: number,
  input: MaterialInput & { version: number },
  today: Day,
  saysKept: boolean,
): Promise<MaterialJson> {
  const m = await findMaterial(em, id);
  const shelf = await shelfOf(em, today, id);
  if (m.version !== input.version)
    throw new ProblemError(
      409,
      `${m.name} was changed meanwhile.`,
      [{ path: 'version', message: `is stale: it is ${m.version} now` }],
      materialJson(m, shelf),
    );
  if (saysKept && input.kept !== shelf.kept)
    throw new ProblemError(
      409,
      `${shelf.kept} of ${m.name} are kept now.`,
      [
        {
          path: 'kept',
          message: `changes by what comes in and is used up; expected ${shelf.kept} or nothing`,
        },
      ],
      materialJson(m, shelf),
    );
  const { version: _, ...fields } = input;
  em.assign(m, columns(fields), { mergeObjectProperties: false });
  await em.flush();
  return materialJson(m, shelf);
}

/** Adds to or takes from what is kept. */
export async function changeStock(
  em: EntityManager,
  id: number,
  by: number,
  today: Day,
): Promise<MaterialJson> {
  const m = await findMaterial(em, id);
  if (by < 0) await takeFromShelf(em, m, -by, today);
  else {
    await roomFor(em, today, id, by, 'by');
    putOnShelf(em, m, { quantity: by, cameOn: today });
    await em.flush();
  }
  return materialJson(m, await shelfOf(em, today, id));
}

export async function removeMaterial(em: EntityManager, id: number): Promise<void> {
  const m = await findMaterial(em, id);
  const named = async (sql: string): Promise<string[]> =>
    (await rows<{ name: string }>(em, `${sql} order by name limit 5`, [id])).map((r) => r.name);
  const designs = await named(
    'select distinct d.name from design d, json_each(d.materials) e where e.value = ?',
  );
  if (designs.length > 0) throw new ProblemError(409, `${m.name} is used by ${designs.join(', ')}.`);
  const offers = await named(
    "select distinct o.name from offer o, json_each(o.contents) e where json_extract(e.value, '$.materialId') = ?",
  );
  if (offers.length > 0) throw new ProblemError(409, `${m.name} is in the pack ${offers.join(', ')}.`);
  // Lots are records: who brought what, when, and what became of it. They never go with the material.
  const [kept] = await rows<{ lots: number; left: number | null }>(
    em,
    'select count(*) as lots, sum(quantity) as left from lot where material_id = ?',
    [id],
  );
  if (kept!.lots > 0)
    throw new ProblemError(
      409,
      `${m.name} has ${kept!.lots} ${kept!.lots === 1 ? 'lot' : 'lots'} on record${kept!.left ? `, ${kept!.left} of it on the shelf` : ''}; it stays for their sake.`,
    );
  await em.removeAndFlush(m);
}
