import { z } from 'zod';
import { outlineDial, SHAPE_OPTIONS, type OutlineDial } from '../outline/outline.ts';
import {
  APPROACHES,
  type Approach,
  type At,
  type DialSpec,
  type Dialled,
  type DialUnit,
  type Option,
  type Start,
} from './kernel.ts';

/** The same for every design, or following from its other dials, its materials, its approach and its age. */
type Following<D, T> = T | ((at: At<D>) => T);

/** With what a dial begins: the same in every approach, one for each, or following from what is chosen. */
type Begins<V> = V | Readonly<Record<Approach, V>> | ((start: Start) => V);

interface Row<D, V> {
  readonly label: Following<D, string>;
  /** The reason beside it on the bench. */
  readonly why?: Following<D, string>;
  /** Whether it matters now; left out, it always does. */
  readonly when?: (at: At<D>) => boolean;
  readonly begins: Begins<V>;
  /** What stands for it in designs that were kept before there was this dial. */
  readonly before?: V;
}

interface NumberRow<D> extends Row<D, number> {
  readonly unit: DialUnit;
  /** What it counts, a whole number: “a number of pegs”. Left out, it measures. */
  readonly of?: string;
  /** The least and the most that can be told, in its unit: on the bench, in a file, through the API. */
  readonly ends: readonly [number, number];
  readonly step?: number;
  /** What goes with the other dials and the materials, within its ends; outside of it the bench says so. */
  readonly range?: (at: At<D>) => readonly [number, number];
}

interface ChoiceRow<D, V extends string> extends Row<D, V> {
  /** A plain word is its own label. */
  readonly options: Following<D, readonly (V | (Option & { readonly value: V }))[]>;
  /** Every value there is, where the options follow from something. */
  readonly values?: readonly V[];
}

interface TextRow<D> extends Row<D, string> {
  /** Most characters. */
  readonly most: number;
  readonly hint?: string;
  /** What may be typed, as a regular expression for the whole of it, and what to expect where it does not fit. */
  readonly allowed?: { readonly pattern: string; readonly expected: string };
}

interface OutlineRow<D> extends Row<D, OutlineDial> {
  readonly outline: true;
  /** The dial that says how long its longer side is, mm. */
  readonly size: keyof D & string;
  /** What is traced is drawn so much larger all round, mm. */
  readonly around?: number;
}

type RowOf<D, V> = [V] extends [boolean]
  ? Row<D, boolean>
  : [V] extends [number]
    ? NumberRow<D>
    : [V] extends [string]
      ? string extends V
        ? TextRow<D>
        : ChoiceRow<D, V>
      : OutlineRow<D>;

/** Every dial of a pattern in the order of the bench. */
export type Rows<D> = { readonly [K in keyof D]-?: RowOf<D, D[K]> };

interface Together<D> {
  /** Brings what the dials begin with together, where one follows from another. */
  settle?(begun: D, start: Start): D;
  /** What two dials cannot be together: the path of the one that is wrong, and what was expected. */
  readonly never?: readonly {
    readonly path: keyof D & string;
    readonly message: string;
    readonly when: (dials: D) => boolean;
  }[];
}

type AnyRow<D> = NumberRow<D> | ChoiceRow<D, string> | TextRow<D> | OutlineRow<D> | Row<D, boolean>;

const SIGNS: Record<DialUnit, string> = {
  mm: 'mm',
  deg: 'degrees',
  each: 'a number',
  '%': 'a percentage',
  g: 'grams',
  N: 'N',
  h: 'hours',
  ml: 'millilitres',
};

function numberSchema<D>({ unit, of, ends: [least, most] }: NumberRow<D>): z.ZodType {
  const sign = of !== undefined ? '' : unit === 'deg' ? '°' : ` ${unit}`;
  const any = z.number({ error: `expected ${of ?? SIGNS[unit]}` });
  return (of === undefined ? any : any.int('must be a whole number'))
    .min(least, least === 0 ? 'must not be negative' : `must be at least ${least}${sign}`)
    .max(most, `must be at most ${most.toLocaleString('en-GB')}${sign}`);
}

const valuesOf = <D>(row: ChoiceRow<D, string>): readonly string[] =>
  row.values ??
  (typeof row.options === 'function' ? [] : row.options.map((o) => (typeof o === 'string' ? o : o.value)));

function schemaOf<D>(row: AnyRow<D>): z.ZodType {
  if ('ends' in row) return numberSchema(row);
  if ('options' in row) {
    const values = valuesOf(row);
    return z.enum(values as [string, ...string[]], { error: `expected one of ${values.join(', ')}` });
  }
  if ('most' in row) {
    const text = z
      .string({ error: `expected ${row.allowed?.expected ?? 'words'}` })
      .max(row.most, `may have at most ${row.most} characters`);
    return row.allowed
      ? text.regex(new RegExp(`^${row.allowed.pattern}$`, 'u'), `expected ${row.allowed.expected}`)
      : text;
  }
  return 'outline' in row ? outlineDial : z.boolean({ error: 'expected true or false' });
}

const followed = <D, T>(of: Following<D, T>, at: At<D>): T =>
  typeof of === 'function' ? (of as (at: At<D>) => T)(at) : of;

const clamped = (v: number, [least, most]: readonly [number, number]): number =>
  Math.min(most, Math.max(least, v));

function rangeNow<D>(row: NumberRow<D>, at: At<D>): readonly [number, number] {
  if (!row.range) return row.ends;
  const [least, most] = row.range(at);
  const from = clamped(least, row.ends);
  // A range never closes: a slider that cannot move says nothing.
  return [from, clamped(Math.max(most, from + (row.step ?? 1)), row.ends)];
}

const labelled = (o: string | Option): Option =>
  typeof o === 'string' ? { value: o, label: o[0]!.toUpperCase() + o.slice(1) } : o;

function specOf<D>(id: string, row: AnyRow<D>, at: At<D>): DialSpec {
  const base = {
    id,
    label: followed(row.label, at),
    ...(row.why === undefined ? {} : { why: followed(row.why, at) }),
  };
  if ('ends' in row) {
    const [min, max] = rangeNow(row, at);
    return { ...base, kind: 'number', unit: row.unit, min, max, step: row.step ?? 1 };
  }
  if ('options' in row) return { ...base, kind: 'choice', options: followed(row.options, at).map(labelled) };
  if ('most' in row)
    return {
      ...base,
      kind: 'text',
      most: row.most,
      ...(row.hint === undefined ? {} : { hint: row.hint }),
      ...(row.allowed === undefined ? {} : { allowed: row.allowed.pattern }),
    };
  return 'outline' in row
    ? { ...base, kind: 'outline', options: SHAPE_OPTIONS, size: row.size, around: row.around ?? 0 }
    : { ...base, kind: 'switch' };
}

const isByApproach = (v: unknown): v is Readonly<Record<Approach, unknown>> =>
  typeof v === 'object' && v !== null && APPROACHES[0] in v;

function begun<D>(row: AnyRow<D>, start: Start): unknown {
  const { begins } = row;
  const value =
    typeof begins === 'function'
      ? (begins as (start: Start) => unknown)(start)
      : isByApproach(begins)
        ? begins[start.approach]
        : begins;
  return 'ends' in row ? clamped(value as number, row.ends) : value;
}

/**
 * The dials of a pattern from one table: what may be told of each (the schema), how it stands on the bench, and what a new
 * design begins with.
 *
 * @param rows a row for each dial, in the order of the bench
 */
export function dialTable<D extends object>(
  rows: Rows<D>,
  { settle, never = [] }: Together<D> = {},
): Dialled<D> {
  const byId: Readonly<Record<string, AnyRow<D>>> = { ...rows };
  const table = Object.entries(byId);
  const inEnds = (d: D): D => {
    const kept = { ...d } as Record<string, unknown>;
    for (const [id, row] of table) if ('ends' in row) kept[id] = clamped(kept[id] as number, row.ends);
    return kept as D;
  };
  const shape = Object.fromEntries(
    table.map(([id, row]) => {
      const schema = schemaOf(row);
      return [id, row.before === undefined ? schema : schema.default(row.before)];
    }),
  );
  const schema = never.reduce<z.ZodType>(
    (s, { path, message, when }) => s.refine((d) => !when(d as D), { path: [path], message }),
    z.strictObject(shape),
  ) as z.ZodType<D>;
  return {
    schema,
    begin: (start) => {
      const dials = Object.fromEntries(table.map(([id, row]) => [id, begun(row, start)])) as D;
      return settle ? inEnds(settle(dials, start)) : dials;
    },
    specs: (at) => table.filter(([, row]) => row.when?.(at) ?? true).map(([id, row]) => specOf(id, row, at)),
    ends: Object.fromEntries(
      table.flatMap(([id, row]) => ('ends' in row ? [[id, { ends: row.ends, isFixed: !row.range }]] : [])),
    ),
  };
}
