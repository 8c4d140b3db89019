import { oneLine } from '../../../core/measure/text.ts';
import { COLUMNS } from '../../../contract/files.ts';
import { entryOf } from '../../../core/catalogue/index.ts';
import { traitsNamed } from '../../../core/catalogue/traitNames.ts';
import {
  CLEANINGS,
  DOORS,
  FORMS,
  GRAINS,
  KEEP_OUT_REASONS,
  PANELS,
  type KeepOutArea,
  type Keeping,
  type Risks,
  MATERIAL_CLASSES,
  SOLIDS,
  type MaterialInput,
} from '../../../core/materials/material.ts';
import { materialInput } from '../../../core/materials/materialInput.ts';
import { moneyNumber } from '../../../core/measure/money.ts';
import { rows } from '../../db/rows.ts';
import type { Cells } from './cells.ts';
import { currencyOf, paged, sizeCells, sizesOf, type Kind } from './kind.ts';

const AREA = new RegExp(
  `^(${PANELS.join('|')})\\s+(${KEEP_OUT_REASONS.join('|')})\\s+([\\d.]+)\\s+([\\d.]+)\\s+([\\d.]+)\\s+([\\d.]+)$`,
  'i',
);
/** Places of a panel, as `front print 0 0 190 80; back hole 20 30 15 15`: panel, why, left, top, width, height, mm. */
function keepOutOf(cells: Cells): KeepOutArea[] {
  return cells
    .raw('keep_out')
    .split(';')
    .map((w) => w.trim())
    .filter(Boolean)
    .flatMap((words) => {
      const m = AREA.exec(words);
      if (!m) {
        cells.fault('keep_out', `“${words}” is no place; expected one like front print 0 0 190 80`);
        return [];
      }
      const [left, top, width, height] = m.slice(3).map(Number) as [number, number, number, number];
      const [panel, why] = [m[1]!.toLowerCase(), m[2]!.toLowerCase()];
      return [{ panel, why, left, top, width, height } as KeepOutArea];
    });
}
const keepOutWords = (json: string | null): string =>
  (json === null ? [] : (JSON.parse(json) as KeepOutArea[]))
    .map((k) => [k.panel, k.why, k.left, k.top, k.width, k.height].join(' '))
    .join('; ');
const keepingOf = (json: string | null): Keeping => (json === null ? {} : (JSON.parse(json) as Keeping));

const risksOf = (json: string | null): Risks => (json === null ? {} : (JSON.parse(json) as Risks));
/** A field only where it was said. */
const only = <K extends string, V>(key: K, value: V | undefined): Partial<Record<K, V>> =>
  value === undefined ? {} : ({ [key]: value } as Record<K, V>);

export type MaterialValue = Omit<MaterialInput, 'kept'>;
export const materialRows: Kind<MaterialValue> = {
  columns: COLUMNS.materials.all,
  required: COLUMNS.materials.required,
  read(cells) {
    const name = cells.words('name');
    const catalogue = cells.words('catalogue') || undefined;
    const entry = catalogue === undefined ? undefined : entryOf(catalogue);
    if (catalogue !== undefined && !entry) cells.fault('catalogue', 'expected a key of the catalogue');
    const optional = {
      solid: cells.oneOf('solid', SOLIDS),
      mass: cells.number('mass'),
      cleaning: cells.oneOf('cleaning', CLEANINGS),
      grain: cells.oneOf('grain', GRAINS),
      catalogue,
      worth: cells.money('worth'),
    };
    const allergens = cells.list('allergens');
    // A file from before the column says by its names what a thing can do.
    const traits = cells.has('traits') ? cells.list('traits') : (entry?.traits ?? traitsNamed({ name }));
    const keepOut = keepOutOf(cells);
    const [out, closed] = [cells.number('keeps_out_hours'), cells.number('keeps_closed_days')];
    const keeping: Keeping = {
      ...(out === undefined ? {} : { out }),
      ...(closed === undefined ? {} : { closed }),
    };
    const drawstring = cells.length('drawstring');
    const risks: Risks = {
      ...only('flux', cells.number('flux')),
      ...only('door', cells.oneOf('battery_door', DOORS)),
      ...only('drawstring', drawstring),
    };
    const value = {
      name: oneLine(name),
      form: cells.oneOf('form', FORMS),
      sizes: sizesOf(cells),
      unit: cells.oneOf('unit', ['each', 'mm']) ?? 'each',
      materialClass: cells.oneOf('class', MATERIAL_CLASSES) ?? entry?.materialClass ?? 'plastic',
      give: cells.number('give') ?? 0,
      hazards: cells.list('hazards'),
      colour: cells.raw('colour').trim() || (entry?.colour ?? '#53625F'),
      kept: 0,
      ...Object.fromEntries(Object.entries(optional).filter(([, v]) => v !== undefined)),
      ...(allergens.length > 0 ? { allergens } : {}),
      ...only('traits', traits.length > 0 ? traits : undefined),
      ...(keepOut.length > 0 ? { keepOut } : {}),
      ...(Object.keys(keeping).length > 0 ? { keeping } : {}),
      ...(Object.keys(risks).length > 0 ? { risks } : {}),
    };
    if (cells.faults > 0) return null;
    const read = cells.check(materialInput, value, (path) =>
      path === 'materialClass'
        ? 'class'
        : path.startsWith('sizes.')
          ? path.slice(6)
          : path.startsWith('keepOut')
            ? 'keep_out'
            : path === 'keeping.out'
              ? 'keeps_out_hours'
              : path === 'keeping.closed'
                ? 'keeps_closed_days'
                : path === 'risks.door'
                  ? 'battery_door'
                  : path.startsWith('risks.')
                    ? path.slice(6)
                    : (path.split('.')[0] ?? ''),
    );
    if (!read) return null;
    const { kept: _, ...rest } = read;
    return rest;
  },
  key: (m) => m.name.toLowerCase(),
  exists: (m, known) => known.materials.has(m.name.toLowerCase()),
  async *pages(em) {
    interface Row {
      id: number;
      name: string;
      form: string;
      solid: string | null;
      sizes: string;
      unit: string;
      material_class: string;
      give: number;
      mass: number | null;
      cleaning: string | null;
      allergens: string | null;
      traits: string | null;
      grain: string | null;
      keep_out: string | null;
      keeping: string | null;
      risks: string | null;
      hazards: string;
      colour: string;
      catalogue: string | null;
      worth: number | null;
    }
    const currency = await currencyOf(em);
    const words = (list: string | null): string =>
      (list === null ? [] : (JSON.parse(list) as string[])).join(', ');
    for await (const page of paged((after) =>
      rows<Row>(em, 'select * from material where id > ? order by id limit 500', [after]),
    ))
      yield page.map((m) => [
        m.name,
        m.form,
        m.solid,
        ...sizeCells(JSON.parse(m.sizes) as MaterialInput['sizes']),
        m.unit,
        m.material_class,
        m.give,
        m.mass,
        m.cleaning,
        words(m.allergens),
        words(m.traits),
        m.grain,
        keepOutWords(m.keep_out),
        keepingOf(m.keeping).out ?? null,
        keepingOf(m.keeping).closed ?? null,
        risksOf(m.risks).flux ?? null,
        risksOf(m.risks).door ?? null,
        risksOf(m.risks).drawstring ?? null,
        words(m.hazards),
        m.colour,
        m.catalogue,
        m.worth === null ? null : moneyNumber(m.worth, currency),
      ]);
  },
};
