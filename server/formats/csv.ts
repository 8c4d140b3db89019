import { PassThrough, Transform, type Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import Papa from 'papaparse';
import { ProblemError } from '../problem.ts';

/** Largest file, and longest row: beyond them it is no shelf but an accident or an attack. */
export const MOST_BYTES = 40_000_000;
const MOST_ROW = 200_000;
const MOST_ROWS = 250_000;

const refuse = (status: number, message: string): ProblemError =>
  new ProblemError(status, `The file was not read: ${message}.`, [{ path: 'file', message }]);

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

/** Decodes UTF-8 with or without a mark at its head; refuses binary, other encodings, and rows without end. */
class Text extends Transform {
  private readonly decoder = new TextDecoder('utf-8', { fatal: true });
  private bytes = 0;
  private row = 0;
  constructor() {
    super({ decodeStrings: true, readableObjectMode: false });
    this.setEncoding('utf8');
  }
  override _transform(chunk: Buffer, _: string, done: (error?: Error | null, data?: string) => void): void {
    if (
      this.bytes === 0 &&
      ((chunk[0] === 0xff && chunk[1] === 0xfe) || (chunk[0] === 0xfe && chunk[1] === 0xff))
    ) {
      done(refuse(415, 'it is UTF-16; save it as CSV UTF-8'));
      return;
    }
    this.bytes += chunk.length;
    if (this.bytes > MOST_BYTES) {
      done(refuse(413, `it is over ${MOST_BYTES / 1e6} MB`));
      return;
    }
    if (chunk.includes(0)) {
      done(refuse(415, 'it holds binary data; expected CSV as plain text'));
      return;
    }
    const breaks = chunk.lastIndexOf(10) >= 0 ? chunk.lastIndexOf(10) : chunk.lastIndexOf(13);
    this.row = breaks < 0 ? this.row + chunk.length : chunk.length - breaks;
    if (this.row > MOST_ROW) {
      done(refuse(413, `a row is longer than ${MOST_ROW / 1000} kB`));
      return;
    }
    this.decode(chunk, true, done);
  }
  override _flush(done: (error?: Error | null, data?: string) => void): void {
    this.decode(undefined, false, done);
  }
  private decode(
    chunk: Buffer | undefined,
    stream: boolean,
    done: (error?: Error | null, data?: string) => void,
  ): void {
    try {
      done(null, this.decoder.decode(chunk, { stream }));
    } catch {
      done(refuse(415, 'it is not UTF-8; save it as CSV UTF-8'));
    }
  }
}

export interface CsvRow {
  /** As a spreadsheet counts it: the header is row 1. */
  readonly row: number;
  readonly cells: string[];
}

/**
 * The rows of a CSV file as they stream in, the header first. Commas, semicolons or tabs; quoted cells with line breaks
 * and doubled quotes; a byte order mark; blank rows are skipped but counted.
 *
 * @throws ProblemError 413 or 415 naming `file`
 */
export async function* readCsv(source: Readable): AsyncGenerator<CsvRow> {
  const text = new Text();
  const feed = new PassThrough({ encoding: 'utf8', decodeStrings: false });
  let failed: Error | null = null;
  const piped = pipeline(source, text, feed).catch((error: unknown) => {
    failed = error instanceof Error ? error : new Error(String(error));
  });
  const rethrow = (): void => {
    if (failed) throw failed;
  };
  // The head of the file, as far as the first line break outside quotes, tells how cells are parted.
  let head = '';
  const chunks = feed[Symbol.asyncIterator]();
  let ended = false;
  try {
    while (!/[\r\n]/.test(head.replace(/"(?:[^"]|"")*"/g, ''))) {
      const next = (await chunks.next()) as IteratorResult<string, undefined>;
      if (next.done) {
        ended = true;
        break;
      }
      head += next.value;
      if (head.length > MOST_ROW) throw refuse(413, `a row is longer than ${MOST_ROW / 1000} kB`);
    }
    rethrow();
    if (head.trim() === '') throw refuse(400, 'it is empty; expected a row of column names');
    const [first] = head.split(/[\r\n]/);
    const parser = Papa.parse(Papa.NODE_STREAM_INPUT, { delimiter: separatorOf(first!), quoteChar: '"' });
    const write = async (part: string): Promise<void> => {
      if (!parser.write(part)) await new Promise<void>((go) => parser.once('drain', () => go()));
    };
    const feeding = (async () => {
      await write(head);
      if (!ended)
        for (;;) {
          const next = (await chunks.next()) as IteratorResult<string, undefined>;
          if (next.done) break;
          await write(next.value);
        }
      if (failed) parser.destroy(failed);
      else parser.end();
    })().catch((error: unknown) => parser.destroy(error as Error));
    let row = 0;
    for await (const cells of parser as unknown as AsyncIterable<string[]>) {
      row++;
      if (row > MOST_ROWS) throw refuse(413, `it has more than ${MOST_ROWS} rows`);
      if (cells.every((c) => c.trim() === '')) continue;
      yield { row, cells };
    }
    await feeding;
    await piped;
    rethrow();
  } finally {
    source.unpipe?.();
    feed.destroy();
    text.destroy();
  }
}

/** One row of CSV, every cell made harmless. */
export const csvRow = (cells: readonly (string | number | null | undefined)[]): string =>
  `${Papa.unparse([cells.map((c) => (c == null ? '' : typeof c === 'number' ? String(c) : harmless(c)))], { newline: '\r\n' })}\r\n`;
