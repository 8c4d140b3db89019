import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import fontkit from '@pdf-lib/fontkit';

export const WEIGHTS = [400, 700] as const;
export type Weight = (typeof WEIGHTS)[number];

/**
 * The type of every paper, best first: the house's own for Latin letters, another for Greek and Cyrillic, which the house's
 * has not. A letter is drawn with the first that has it.
 */
const FACES = [
  ['@fontsource/atkinson-hyperlegible-next', 'atkinson-hyperlegible-next-latin'],
  ['@fontsource/atkinson-hyperlegible-next', 'atkinson-hyperlegible-next-latin-ext'],
  ['@fontsource/noto-sans', 'noto-sans-latin'],
  ['@fontsource/noto-sans', 'noto-sans-latin-ext'],
  ['@fontsource/noto-sans', 'noto-sans-greek'],
  ['@fontsource/noto-sans', 'noto-sans-greek-ext'],
  ['@fontsource/noto-sans', 'noto-sans-cyrillic'],
  ['@fontsource/noto-sans', 'noto-sans-cyrillic-ext'],
] as const;
export const FACE_COUNT = FACES.length;

const require = createRequire(import.meta.url);
const read = new Map<string, Uint8Array>();
export const fontPath = (face: number, weight: Weight): string =>
  require.resolve(`${FACES[face]![0]}/files/${FACES[face]![1]}-${weight}-normal.woff`);
/** The bytes of a face; .woff, which with subsetting is what every reader draws. */
export function fontBytes(face: number, weight: Weight): Uint8Array {
  const key = `${face} ${weight}`;
  let bytes = read.get(key);
  if (!bytes) read.set(key, (bytes = readFileSync(fontPath(face, weight))));
  return bytes;
}

const sets = new Map<number, ReadonlySet<number>>();
const lettersOf = (face: number): ReadonlySet<number> => {
  let set = sets.get(face);
  if (!set) sets.set(face, (set = new Set(fontkit.create(fontBytes(face, 400)).characterSet)));
  return set;
};

/** A stretch of text and the face that draws all of it. */
export interface Run {
  readonly face: number;
  readonly text: string;
}

/**
 * Splits a text by the faces that have its letters. Control characters become blanks; a sign that no face has is shown as
 * its code, `U+1F600`, never left out.
 */
export function runsOf(text: string): Run[] {
  const runs: { face: number; text: string }[] = [];
  const add = (face: number, part: string): void => {
    const last = runs.at(-1);
    if (last?.face === face) last.text += part;
    else runs.push({ face, text: part });
  };
  // Composed first: an accent of its own has no place in most faces.
  for (const letter of text.normalize('NFC').replace(/\p{Cc}/gu, ' ')) {
    const code = letter.codePointAt(0)!;
    // Joiners and marks of direction draw nothing.
    if (code === 0x200d || (code >= 0xfe00 && code <= 0xfe0f) || (code >= 0x200b && code <= 0x200f)) continue;
    const last = runs.at(-1)?.face;
    if (last !== undefined && lettersOf(last).has(code)) {
      add(last, letter);
      continue;
    }
    let face = 0;
    while (face < FACE_COUNT && !lettersOf(face).has(code)) face++;
    if (face < FACE_COUNT) add(face, letter);
    else add(0, `U+${code.toString(16).toUpperCase().padStart(4, '0')}`);
  }
  return runs;
}
