import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import * as fontkit from 'fontkit';

export type Weight = 400 | 700;

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
export const fontPath = (face: number, weight: Weight): string =>
  require.resolve(`${FACES[face]![0]}/files/${FACES[face]![1]}-${weight}-normal.woff`);

const read = new Map<string, fontkit.Font>();
function fontOf(face: number, weight: Weight): fontkit.Font {
  const path = fontPath(face, weight);
  let font = read.get(path);
  if (!font) read.set(path, (font = fontkit.create(readFileSync(path)) as fontkit.Font));
  return font;
}

const sets = new Map<number, ReadonlySet<number>>();
const lettersOf = (face: number): ReadonlySet<number> => {
  let set = sets.get(face);
  if (!set) sets.set(face, (set = new Set(fontOf(face, 400).characterSet)));
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

const advances = new Map<string, number>();
function advanceOf(letter: string, face: number, weight: Weight): number {
  const key = `${face} ${weight} ${letter}`;
  let wide = advances.get(key);
  if (wide === undefined) {
    const font = fontOf(face, weight);
    wide = font.glyphForCodePoint(letter.codePointAt(0)!).advanceWidth / font.unitsPerEm;
    advances.set(key, wide);
  }
  return wide;
}

/** How wide words are at a size of 1, in the faces that have their letters; letters are not moved closer to one another. */
export const widthOf = (words: string, weight: Weight): number =>
  runsOf(words).reduce(
    (n, { face, text }) => [...text].reduce((w, letter) => w + advanceOf(letter, face, weight), n),
    0,
  );
