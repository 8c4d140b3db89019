import { text } from './text.ts';

/** Largest list that is read here: more is no cupboard but an accident. */
const MOST_BYTES = 5_000_000;
const MOST_COLUMNS = 60;

/** The letters of a file as spreadsheets save it: UTF-8 or UTF-16 with its mark, else what older ones write. */
function decoded(bytes: Uint8Array): string {
  const [a, b] = bytes;
  if (a === 0xff && b === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  if (a === 0xfe && b === 0xff) return new TextDecoder('utf-16be').decode(bytes);
  if (bytes.includes(0)) throw new Error(text('notPlainText'));
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}

/**
 * The cells of a list, row by row.
 *
 * @throws Error saying what was expected, in words for the screen
 */
export async function readTable(file: File): Promise<string[][]> {
  if (/\.(xlsx?|ods|numbers)$/i.test(file.name)) throw new Error(text('saveAsCsvFirst', { file: file.name }));
  if (file.size > MOST_BYTES) throw new Error(text('listTooLarge'));
  const words = decoded(new Uint8Array(await file.arrayBuffer()));
  const { parse } = await import('csv-parse/browser/esm/sync');
  // The separator that parts the first rows most evenly often: what stands there most.
  const head = words.slice(0, 2000).replace(/"(?:[^"]|"")*"/g, '');
  const [delimiter] = [';', '\t', ','].sort((x, y) => head.split(y).length - head.split(x).length);
  const rows: string[][] = parse(words, {
    bom: true,
    delimiter: delimiter!,
    relax_column_count: true,
    relax_quotes: true,
    skip_empty_lines: false,
  });
  if (rows.some((r) => r.length > MOST_COLUMNS)) throw new Error(text('tooManyColumns', { MOST_COLUMNS }));
  if (rows.filter((r) => r.some((c) => c.trim() !== '')).length < 2) throw new Error(text('noRowsInList'));
  return rows;
}

const cell = (words: string): string => {
  // A spreadsheet would run what begins so as a formula.
  const safe = /^[=+\-@\t\r]/.test(words) && !/^[+-]?[\d.,]+$/.test(words) ? `'${words}` : words;
  return /[",;\n\r]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe;
};
/** Offers rows as a CSV file to keep. */
export function saveTable(name: string, rows: readonly (readonly string[])[]): void {
  const words = `\ufeff${rows.map((r) => r.map(cell).join(',')).join('\r\n')}\r\n`;
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([words], { type: 'text/csv;charset=utf-8' }));
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}
