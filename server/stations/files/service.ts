import { randomBytes } from 'node:crypto';
import {
  createReadStream,
  createWriteStream,
  existsSync,
  mkdirSync,
  readdirSync,
  rmSync,
  statSync,
} from 'node:fs';
import { once } from 'node:events';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import type { Readable } from 'node:stream';
import type { EntityManager } from '@mikro-orm/core';
import type { FileDone, FileKind, FilePreview } from '../../../contract/files.ts';
import type { Day } from '../../../core/calendar/days.ts';
import { csvRow, readCsv } from '../../formats/csv.ts';
import { ProblemError } from '../../problem.ts';
import { Cells } from './cells.ts';
import { knownOf } from './kind.ts';
import { kindOf } from './kinds.ts';
import type { LotValue } from './lotRows.ts';
import type { MaterialValue } from './materialRows.ts';
import type { OfferValue } from './offerRows.ts';
import { BATCH, writeLots, writeMaterials, writeOffers } from './write.ts';

const FAULTS_SHOWN = 100;
const SAMPLE = 6;
const HOUR = 3_600_000;
/** Files read but not yet confirmed wait here; not in the place's folder, since they are not its data yet. */
const waiting = join(tmpdir(), `fox-button-files-${process.pid}`);

process.once('exit', () => rmSync(waiting, { recursive: true, force: true }));

function place(): string {
  mkdirSync(waiting, { recursive: true });
  for (const name of readdirSync(waiting)) {
    const file = join(waiting, name);
    if (Date.now() - statSync(file).mtimeMs > HOUR) rmSync(file, { force: true });
  }
  return waiting;
}

/** Reads a file to the end without writing anything to the place; good rows wait to be confirmed. */
export async function previewFile(em: EntityManager, kind: FileKind, source: Readable): Promise<FilePreview> {
  const shape = kindOf(kind);
  const known = await knownOf(em);
  const id = randomBytes(12).toString('hex');
  const file = join(place(), `${id}.${kind}`);
  const out = createWriteStream(file);
  const faults: FilePreview['faults'] = [];
  const sample: string[][] = [];
  const seen = new Map<string, number>();
  const agreed = new Map<string, { row: number; value: string }>();
  let columns: string[] | null = null;
  let [count, faulty, adds, changes] = [0, 0, 0, 0];
  try {
    for await (const { row, cells } of readCsv(source)) {
      if (!columns) {
        columns = header(cells, shape.columns, shape.required);
        continue;
      }
      count++;
      let bad = false;
      const fault = (column: string, message: string): void => {
        bad = true;
        if (faults.length < FAULTS_SHOWN)
          faults.push({
            row,
            column,
            value: (columns!.includes(column) ? (cells[columns!.indexOf(column)] ?? '') : '').slice(0, 60),
            message,
          });
      };
      if (cells.length > columns.length && cells.slice(columns.length).some((c) => c.trim() !== ''))
        fault(columns.at(-1)!, `the row has ${cells.length} cells, the header ${columns.length}`);
      const value = shape.read(new Cells(new Map(columns.map((c, i) => [c, cells[i] ?? ''])), fault), known);
      if (value !== null && !bad) {
        const key = shape.key(value);
        if (key !== null) {
          const before = seen.get(key);
          if (before !== undefined) fault(columns[0]!, `stands in row ${before} already`);
          else seen.set(key, row);
        }
        for (const a of shape.agrees?.(value) ?? []) {
          const first = agreed.get(a.key);
          if (!first) agreed.set(a.key, { row, value: a.value });
          else if (first.value !== a.value)
            fault(a.column, `row ${first.row} says “${first.value}” for the same; expected one ${a.column}`);
        }
        if (shape.exists(value, known)) changes++;
        else adds++;
        if (!out.write(`${JSON.stringify(value)}\n`)) await once(out, 'drain');
      }
      if (bad) faulty++;
      if (sample.length < SAMPLE) sample.push(columns.map((_, i) => (cells[i] ?? '').slice(0, 60)));
    }
  } catch (error) {
    out.destroy();
    rmSync(file, { force: true });
    throw error;
  }
  out.end();
  await once(out, 'close');
  if (!columns || count === 0) {
    rmSync(file, { force: true });
    throw new ProblemError(400, 'The file was not read: it has no rows under its header.', [
      { path: 'file', message: 'expected at least one row' },
    ]);
  }
  // A file with faults cannot be confirmed, so it need not wait.
  if (faulty > 0) rmSync(file, { force: true });
  return { id, kind, rows: count, faulty, faults, adds, changes, columns, sample };
}

function header(cells: readonly string[], columns: readonly string[], required: readonly string[]): string[] {
  const names = cells.map((c) => c.trim().toLowerCase());
  while (names.at(-1) === '') names.pop();
  const unknown = names.filter((n) => !columns.includes(n));
  const lacking = required.filter((c) => !names.includes(c));
  const twice = names.filter((n, i) => names.indexOf(n) !== i);
  const errors = [
    ...lacking.map((c) => ({ path: `file.${c}`, message: `the column “${c}” is missing` })),
    ...unknown.slice(0, 10).map((c) => ({
      path: `file.${c.slice(0, 40)}`,
      message: `“${c.slice(0, 40)}” is no column here; expected ${columns.join(', ')}`,
    })),
    ...twice.slice(0, 5).map((c) => ({ path: `file.${c}`, message: `the column “${c}” stands there twice` })),
  ];
  if (errors.length > 0) throw new ProblemError(400, `The file was not read: ${errors[0]!.message}.`, errors);
  return names;
}

/** The rows that wait, in batches. */
async function* batches<T>(file: string): AsyncGenerator<T[]> {
  let batch: T[] = [];
  for await (const line of createInterface({ input: createReadStream(file), crlfDelay: Infinity })) {
    if (line === '') continue;
    batch.push(JSON.parse(line) as T);
    if (batch.length === BATCH) {
      yield batch;
      batch = [];
    }
  }
  if (batch.length > 0) yield batch;
}

/** Writes a file that was previewed without a fault: all of it, or nothing. */
export async function confirmFile(em: EntityManager, id: string, today: Day): Promise<FileDone> {
  const found = existsSync(waiting) ? readdirSync(waiting).find((n) => n.startsWith(`${id}.`)) : undefined;
  if (!found)
    throw new ProblemError(404, 'That file is not waiting any more; choose it again.', [
      { path: 'id', message: 'expected the id of a file read within the hour and without faults' },
    ]);
  const kind = found.slice(id.length + 1) as FileKind;
  const file = join(waiting, found);
  const done =
    kind === 'materials'
      ? await writeMaterials(em, batches<MaterialValue>(file))
      : kind === 'lots'
        ? await writeLots(em, batches<LotValue>(file))
        : await writeOffers(em, batches<OfferValue>(file), today);
  return { kind, ...done };
}
export const forgetFile = (id: string): void => {
  if (!existsSync(waiting)) return;
  for (const n of readdirSync(waiting)) if (n.startsWith(`${id}.`)) rmSync(join(waiting, n), { force: true });
};

/** A kind's rows as CSV, part by part. */
export async function* exportFile(em: EntityManager, kind: FileKind): AsyncGenerator<string> {
  const shape = kindOf(kind);
  yield csvRow(shape.columns);
  for await (const page of shape.pages(em)) yield page.map((cells) => csvRow(cells)).join('');
}
