import pdfmake from 'pdfmake';
import type { Content, ContentText, TDocumentDefinitions } from 'pdfmake/interfaces';
import type { Scene } from '../../core/drawing/mark.ts';
import type { LengthUnit } from '../../core/measure/length.ts';
import { FACE_COUNT, fontPath, runsOf } from './fonts.ts';
import { MM } from './pdf.ts';
import { drawingSvg } from './svg.ts';

export const CAUTION =
  'These are the usual cautions, not a certificate. Local toy-safety and licensing rules come first; ask the therapist who knows the child.';

export const INK = '#1e2a2c';
export const QUIET = '#4a5855';

pdfmake.setFonts(
  Object.fromEntries(
    Array.from({ length: FACE_COUNT }, (_, face) => [
      `face${face}`,
      { normal: fontPath(face, 400), bold: fontPath(face, 700) },
    ]),
  ),
);
// Nothing is fetched, and no file is read but the fonts.
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((path) => path.includes('fontsource'));

/** Longest stretch without a place to break, letters: a longer word is broken so that it never runs over the margin. */
const UNBROKEN = 28;
const breakable = (words: string): string =>
  words.replace(new RegExp(`\\S{${UNBROKEN}}(?=\\S)`, 'gu'), (w) => `${w} `);

/** Words in the faces that have their letters. */
export const type = (words: string, style: Partial<ContentText> = {}): Content => ({
  ...style,
  text: runsOf(breakable(words)).map((r) => ({ text: r.text, font: `face${r.face}` })),
});

export const heading = (words: string): Content => ({
  stack: [
    type(words, { bold: true, fontSize: 14 }),
    {
      canvas: [{ type: 'line', x1: 0, y1: 2, x2: 515, y2: 2, lineWidth: 0.6, lineColor: INK }],
    },
  ],
  margin: [0, 12, 0, 6],
  headlineLevel: 1,
});

/** A drawing in its colours in a box of so many mm, as large as it goes. */
export function drawn(scene: Scene, [width, height]: readonly [number, number], unit: LengthUnit): Content {
  const scale = Math.min(width / Math.max(scene.width, 1), height / Math.max(scene.height, 1));
  return {
    svg: drawingSvg(scene, unit, true),
    width: scene.width * scale * MM,
    height: scene.height * scale * MM,
  };
}

export const pdfOf = async (definition: TDocumentDefinitions): Promise<Uint8Array> =>
  new Uint8Array(await pdfmake.createPdf(definition).getBuffer());
