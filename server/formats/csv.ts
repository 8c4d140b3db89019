import { CsvError, parse } from 'csv-parse/sync';
import { stringify } from 'csv-stringify/sync';
import type { ENCODINGS } from '../../contract/files.ts';
import { ProblemError } from '../problemError.ts';

/** Largest file, and longest row: beyond them it is no shelf but an accident or an attack. */
export const MOST_BYTES = 40_000_000;
const MOST_ROW = 200_000;
const MOST_CELL = 20_000;
const MOST_COLUMNS = 200;
export const MOST_ROWS = 250_000;

const refuse = (status: number, message: string): ProblemError =>
  new ProblemError(status, `The file was not read: ${message}.`, [{ path: 'file', message }]);
export const tooLarge = (): ProblemError => refuse(413, `it is over ${MOST_BYTES / 1e6} MB`);

/** A cell that a spreadsheet would run as a formula, or one that was made harmless before. */
const DANGEROUS = /^'*[=+\-@\t\r]/;
/** An apostrophe before what a spreadsheet would take for a formula. */
export const harmless = (text: string): string => (DANGEROUS.test(text) ? `'${text}` : text);
/** The cell as it was before it was made harmless. */
export const unharmed = (text: string): string =>
  text.startsWith("'") && DANGEROUS.test(text) ? text.slice(1) : text;
/** Whether a cell comes in as a formula: not made harmless, and no plain number. */
export const isFormula = (text: string): boolean =>
  /^[=@\t\r]/.test(text) || (/^[+-]/.test(text) && !/^[+-]\s*[\d.,]+$/.test(text));

/** The separator of the header row, outside quotes: comma, semicolon or tab, whichever stands there most. */
export function separatorOf(header: string): string {
  const bare = header.replace(/"(?:[^"]|"")*"/g, '');
  const count = (c: string): number => bare.split(c).length - 1;
  return [';', '\t', ','].reduce((best, c) => (count(c) > count(best) ? c : best), ',');
}

export type Encoding = (typeof ENCODINGS)[number];

/** The place of the first byte that is not UTF-8, or -1. A shortest-first search over prefixes: 25 steps for 40 MB. */
function firstNotUtf8(bytes: Uint8Array): number {
  const reads = (end: number): boolean => {
    try {
      // A character cut off at the end is no fault of the prefix.
      new TextDecoder('utf-8', { fatal: true }).decode(bytes.subarray(0, end), { stream: true });
      return true;
    } catch {
      return false;
    }
  };
  if (reads(bytes.length)) return -1;
  let [good, bad] = [0, bytes.length];
  while (bad - good > 1) {
    const middle = (good + bad) >> 1;
    if (reads(middle)) good = middle;
    else bad = middle;
  }
  return good;
}

/**
 * The text of a file as spreadsheets save it: UTF-8 with or without a mark at its head, UTF-16 with its mark, or else
 * Windows-1252 (of which Latin-1 is a part), which is what older spreadsheets write.
 *
 * @throws ProblemError 415 with the place of the byte that no text file holds
 */
export function decodeText(bytes: Uint8Array): { text: string; encoding: Encoding } {
  const [a, b] = bytes;
  if ((a === 0xff && b === 0xfe) || (a === 0xfe && b === 0xff)) {
    try {
      const decoder = new TextDecoder(a === 0xff ? 'utf-16le' : 'utf-16be', { fatal: true });
      return { text: decoder.decode(bytes), encoding: 'UTF-16' };
    } catch {
      throw refuse(415, 'it begins as UTF-16 and does not go on so; save it as CSV UTF-8');
    }
  }
  const nul = bytes.indexOf(0);
  if (nul >= 0) throw refuse(415, `byte ${nul + 1} is binary data; expected CSV as plain text`);
  const at = firstNotUtf8(bytes);
  if (at < 0) return { text: new TextDecoder('utf-8').decode(bytes), encoding: 'UTF-8' };
  // Bytes that Windows-1252 leaves undefined, and control characters, stand in no text that a spreadsheet wrote.
  const odd = bytes.findIndex(
    (x) => (x < 32 && x !== 9 && x !== 10 && x !== 13) || [0x81, 0x8d, 0x8f, 0x90, 0x9d].includes(x),
  );
  if (odd >= 0)
    throw refuse(
      415,
      `byte ${at + 1} is not UTF-8 and byte ${odd + 1} not Windows-1252; save it as CSV UTF-8`,
    );
  return { text: new TextDecoder('windows-1252').decode(bytes), encoding: 'Windows-1252' };
}

export interface CsvRow {
  /** As a spreadsheet counts it: the header is row 1, blank rows count. */
  readonly row: number;
  readonly cells: string[];
}

/**
 * Walks the rows of a CSV text, the header first, in time linear in its length. Commas, semicolons or tabs; quoted cells
 * with line breaks and doubled quotes; blank rows are skipped but counted. `each` may throw to stop.
 *
 * @throws ProblemError 400 or 413 naming `file`, with the row
 */
export function eachRow(text: string, each: (row: CsvRow) => void): void {
  if (text.trim() === '') throw refuse(400, 'it is empty; expected a row of column names');
  // The first line with something in it tells how cells are parted; a quoted break in it matters not for counting.
  const [first] = text
    .slice(0, MOST_ROW)
    .trimStart()
    .split(/[\r\n]/);
  let rows = 0;
  let last = 1;
  // The reader makes an error of every row that is shorter than the first, though those are welcome: without a stack in half the time.
  const { stackTraceLimit } = Error;
  Error.stackTraceLimit = 0;
  try {
    parse(text, {
      delimiter: separatorOf(first!),
      bom: true,
      relax_column_count: true,
      relax_quotes: true,
      skip_empty_lines: true,
      max_record_size: MOST_ROW,
      on_record: (cells: string[], at) => {
        last = at.records + at.empty_lines;
        if (cells.length > MOST_COLUMNS)
          throw refuse(413, `row ${last} has ${cells.length} cells; expected at most ${MOST_COLUMNS}`);
        let blank = true;
        for (const cell of cells) {
          if (cell.length > MOST_CELL)
            throw refuse(413, `a cell of row ${last} is longer than ${MOST_CELL} characters`);
          if (blank && cell.trim() !== '') blank = false;
        }
        if (blank) return null;
        if (++rows > MOST_ROWS) throw refuse(413, `it has more than ${MOST_ROWS} rows`);
        each({ row: last, cells });
        return null;
      },
    });
  } catch (error) {
    if (!(error instanceof CsvError)) throw error;
    if (error.code === 'CSV_MAX_RECORD_SIZE')
      throw refuse(413, `row ${last + 1} is longer than ${MOST_ROW / 1000} kB, as when a quote is left open`);
    if (error.code === 'CSV_QUOTE_NOT_CLOSED')
      throw refuse(400, `a quote opened after row ${last} is never closed`);
    throw refuse(400, `row ${last + 1} cannot be read as CSV`);
  } finally {
    Error.stackTraceLimit = stackTraceLimit;
  }
}

/** Rows as CSV (RFC 4180), every cell made harmless. */
export const csvRows = (rows: readonly (readonly (string | number | null | undefined)[])[]): string =>
  stringify(
    rows.map((cells) => cells.map((c) => (c == null ? '' : typeof c === 'number' ? String(c) : harmless(c)))),
    { record_delimiter: 'windows' },
  );
