import { appendFileSync, readFileSync } from 'node:fs';
import { FORMER_COLUMNS, type FileKind, type FilePreview } from '../../../contract/files.ts';
import { decodeText, eachRow } from '../../formats/csv.ts';
import { ProblemError } from '../../problemError.ts';
import { Cells } from './cells.ts';
import type { Known } from './kind.ts';
import { kindOf } from './kinds.ts';

const FAULTS_SHOWN = 100;
const SAMPLE = 6;
/** Characters of good rows that are written together. */
const BLOCK = 1_000_000;

export interface PreviewRequest {
  readonly id: string;
  readonly kind: FileKind;
  /** The file as it came. */
  readonly source: string;
  /** Where its good rows go, one JSON value a line. */
  readonly target: string;
}

/**
 * Reads a file to the end without writing anything to the place; its good rows go to `target`. Blocks its thread for as
 * long as the file is long, so the server calls it in a worker.
 */
export function readFile(request: PreviewRequest, known: Known): FilePreview {
  const { id, kind } = request;
  const shape = kindOf(kind);
  const faults: FilePreview['faults'] = [];
  const sample: string[][] = [];
  const seen = new Map<string, number>();
  const agreed = new Map<string, { row: number; value: string }>();
  let columns: string[] | null = null;
  let [count, faulty, adds, changes] = [0, 0, 0, 0];
  let block = '';
  const flush = (): void => {
    appendFileSync(request.target, block, { mode: 0o600 });
    block = '';
  };
  const { text, encoding } = decodeText(readFileSync(request.source));
  eachRow(text, ({ row, cells }) => {
    if (!columns) {
      columns = header(cells, shape.columns, shape.required);
      return;
    }
    const names = columns;
    count++;
    let bad = false;
    const fault = (column: string, message: string): void => {
      bad = true;
      if (faults.length < FAULTS_SHOWN)
        faults.push({
          row,
          column,
          value: (names.includes(column) ? (cells[names.indexOf(column)] ?? '') : '').slice(0, 60),
          message,
        });
    };
    if (cells.length > names.length && cells.slice(names.length).some((c) => c.trim() !== ''))
      fault(names.at(-1)!, `the row has ${cells.length} cells, the header ${names.length}`);
    const value = shape.read(
      new Cells(new Map(names.map((c, i) => [c, cells[i] ?? ''])), fault, known.currency),
      known,
    );
    if (value !== null && !bad) {
      const key = shape.key(value);
      if (key !== null) {
        const before = seen.get(key);
        if (before !== undefined) fault(names[0]!, `is in row ${before} already`);
        else seen.set(key, row);
      }
      for (const a of shape.agrees?.(value, known) ?? []) {
        const first = agreed.get(a.key);
        if (!first) agreed.set(a.key, { row, value: a.value });
        else if (first.value !== a.value)
          fault(a.column, `row ${first.row} says “${first.value}” for the same; expected one ${a.column}`);
      }
      if (shape.exists(value, known)) changes++;
      else adds++;
      // A file with faults is never confirmed: its rows need not be kept.
      if (faulty === 0 && !bad) block += `${JSON.stringify(value)}\n`;
      if (block.length > BLOCK) flush();
    }
    if (bad) faulty++;
    if (sample.length < SAMPLE) sample.push(names.map((_, i) => (cells[i] ?? '').slice(0, 60)));
  });
  flush();
  if (!columns || count === 0)
    throw new ProblemError(400, 'The file was not read: it has no rows under its header.', [
      { path: 'file', message: 'expected at least one row' },
    ]);
  return { id, kind, encoding, rows: count, faulty, faults, adds, changes, columns, sample };
}

function header(cells: readonly string[], columns: readonly string[], required: readonly string[]): string[] {
  const names = cells.map((c) => c.trim().toLowerCase()).map((c) => FORMER_COLUMNS.get(c) ?? c);
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
    ...twice.slice(0, 5).map((c) => ({ path: `file.${c}`, message: `the column “${c}” is there twice` })),
  ];
  if (errors.length > 0) throw new ProblemError(400, `The file was not read: ${errors[0]!.message}.`, errors);
  return names;
}
