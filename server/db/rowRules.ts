import { z } from 'zod';
import { placeInput } from '../../contract/place.ts';

const id = z.int().positive().max(1e9);
const number = z.number();
const text = z.string().max(100_000);
const texts = z.array(text).max(10_000);
const contents = z.array(z.looseObject({ materialId: id, quantity: number })).max(10_000);
const parts = z
  .array(
    z.looseObject({
      materialId: id.nullable(),
      name: text,
      use: text,
      due: number,
      present: number,
      takes: number,
    }),
  )
  .max(1000);
const record = z.record(z.string(), z.unknown());
const words = z.record(z.string(), text);
const entries = z
  .array(
    z.looseObject({
      borrowerId: id,
      week: number,
      kitId: id,
      kept: z.boolean(),
      again: z.boolean().optional(),
    }),
  )
  .max(100_000);
const sizes = z.looseObject({
  length: number.optional(),
  width: number.optional(),
  height: number.optional(),
  diameter: number.optional(),
  wall: number.optional(),
});

/** What the JSON of a column holds, as far as everything here relies on it; what a screen refuses is refused there. */
const JSON_RULES: Readonly<Record<string, z.ZodType>> = {
  'undo_log.kits': z.array(id).max(100_000),
  'undo_log.families': z.array(id).max(100_000),
  'undo_log.changes': z.array(record).max(1_000_000),
  'term_plan.closed': z.array(number).max(100),
  'place.languages': texts.min(1),
  'place.rules': z.looseObject({ changes: z.array(record), own: z.array(record) }),
  'place.file_columns': z.record(z.string(), words),
  'purchase.packs': z.array(z.looseObject({ name: text, supplier: text, count: number, price: number })),
  'place.messages': z.record(z.string(), record),
  'material.sizes': sizes,
  'material.hazards': texts,
  'material.allergens': texts.nullable(),
  'material.traits': texts.nullable(),
  'material.keep_out': z.array(record).nullable(),
  'material.keeping': record.nullable(),
  'material.risks': record.nullable(),
  'lot.sizes': sizes,
  'lot.look': record.nullable(),
  'offer.contents': contents,
  'design.dials': record,
  'design.materials': z.record(z.string(), z.array(id).max(100)),
  'child.hand': record,
  'child.allergies': texts,
  'build.used': contents,
  'build.made_as': words,
  'batch.items': z.array(
    z.looseObject({ designId: id.nullable(), bundleId: id.nullable(), copies: number.positive() }),
  ),
  'batch.days': record,
  'batch.progress': z.looseObject({ running: z.array(record), done: z.array(record) }),
  'batch.used': contents,
  'batch.offcuts': z.array(z.looseObject({ name: text, count: number })),
  'batch.labels': texts,
  'bundle.designs': z.array(id).min(1).max(100),
  'bundle.words': words,
  'given.used': contents,
  'kit.parts': parts,
  'borrower.allergies': texts,
  'borrower.children': texts,
  'loan.counted': parts.nullable(),
  'count.parts': parts,
  'count.filled': z.array(
    z.looseObject({ materialId: id, name: text, quantity: number, lots: z.array(record) }),
  ),
  'note.before': z.array(z.looseObject({ level: text, bits: number })),
  'telling.about': texts,
  'outbox.about': texts,
  'term_plan.borrowers': z.array(id),
  'term_plan.entries': entries,
};

const DAY = /^\d{4}-\d{2}-\d{2}$/;
const isDay = (value: unknown): boolean =>
  typeof value === 'string' && DAY.test(value) && !Number.isNaN(Date.parse(`${value}T00:00:00Z`));
/** Columns that hold a day without being called so. */
const DAYS = new Set(['rests_until', 'last_counted', 'from_day']);
const isDayColumn = (column: string): boolean => column.endsWith('_on') || DAYS.has(column);

/** A row as the file has it, by column. */
export type FileRow = Readonly<Record<string, unknown>>;

function placeProblem(row: FileRow): string | null {
  const value = {
    name: row.name,
    lengthUnit: row.length_unit,
    market: row.market,
    approach: row.approach,
    currency: row.currency,
    locale: row.locale,
    phone: row.phone,
    hourly: row.hourly,
    paper: row.paper,
    toiletRolls: row.toilet_rolls,
    eggCartons: row.egg_cartons,
    restDays: row.rest_days,
    loanDays: row.loan_days,
  };
  const parsed = placeInput.safeParse(value);
  if (parsed.success) return null;
  const [issue] = parsed.error.issues;
  return `${issue!.path.join('.')}: ${issue!.message}`;
}

/** What is wrong with a row of a table, in words; null where nothing is. For rows of this version's layout. */
export function rowProblem(table: string, row: FileRow, json: ReadonlySet<string>): string | null {
  for (const [column, value] of Object.entries(row)) {
    if (value !== null && isDayColumn(column) && !isDay(value))
      return `${column} is no day; expected one like 2026-11-24`;
    if (!json.has(column)) continue;
    let held: unknown = null;
    try {
      held = value === null ? null : JSON.parse(value as string);
    } catch {
      return `${column} is broken JSON`;
    }
    const parsed = (JSON_RULES[`${table}.${column}`] ?? z.unknown()).safeParse(held);
    if (!parsed.success) {
      const [issue] = parsed.error.issues;
      return `${[column, ...issue!.path.map(String)].join('.')}: ${issue!.message}`;
    }
  }
  return table === 'place' ? placeProblem(row) : null;
}
