// Writes core/outline/letters.ts: capitals, small letters and numerals of the shipped font as outlines, flattened to
// a five-hundredth of the letter's height, so that a letter is cut as the font has it without a font reader in the core.
import { readFileSync, writeFileSync } from 'node:fs';
import opentype from 'opentype.js';

const FONT =
  'node_modules/@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff';
const bytes = readFileSync(FONT);
const font = opentype.parse(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength));
const STEPS = 6;
const SIZE = 1000;
const letters = {};
for (const letter of 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789') {
  const contours = [];
  let now = [];
  let [x, y] = [0, 0];
  const to = (u, v) => {
    [x, y] = [u, v];
    now.push(Math.round(u), Math.round(v));
  };
  for (const c of font.getPath(letter, 0, 0, SIZE).commands) {
    if (c.type === 'M') {
      now = [];
      contours.push(now);
      to(c.x, c.y);
    } else if (c.type === 'L') to(c.x, c.y);
    else if (c.type === 'Q' || c.type === 'C') {
      const [x0, y0] = [x, y];
      for (let i = 1; i <= STEPS; i++) {
        const t = i / STEPS;
        const s = 1 - t;
        if (c.type === 'Q')
          to(s * s * x0 + 2 * s * t * c.x1 + t * t * c.x, s * s * y0 + 2 * s * t * c.y1 + t * t * c.y);
        else
          to(
            s ** 3 * x0 + 3 * s * s * t * c.x1 + 3 * s * t * t * c.x2 + t ** 3 * c.x,
            s ** 3 * y0 + 3 * s * s * t * c.y1 + 3 * s * t * t * c.y2 + t ** 3 * c.y,
          );
      }
    }
  }
  letters[letter] = contours.filter((c) => c.length >= 6);
}
const lines = Object.entries(letters).map(
  ([letter, contours]) => `  ${letter}: '${contours.map((c) => c.join(' ')).join(';')}',`,
);
writeFileSync(
  'core/outline/letters.ts',
  `/** Outlines of the shipped font's letters, thousandths of its size, written by scripts/letters.mjs: contours apart by ;. */
export const LETTERS: Readonly<Record<string, string>> = {
${lines.join('\n')}
};
`,
);
