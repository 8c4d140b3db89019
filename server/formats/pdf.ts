import fontkit from '@pdf-lib/fontkit';
import {
  clip as clipOperator,
  endPath,
  PDFDocument,
  popGraphicsState,
  pushGraphicsState,
  rectangle,
  rgb,
  type PDFFont,
  type PDFPage,
} from 'pdf-lib';
import { lengthNumber, type LengthUnit } from '../../core/measure/length.ts';
import { fontBytes, runsOf, WEIGHTS, type Weight } from './fonts.ts';
import type { Mark } from '../../core/drawing/mark.ts';
import { PENS } from './pens.ts';

export const MM = 72 / 25.4;

const INK = rgb(0.118, 0.165, 0.173);
const QUIET = rgb(0.33, 0.38, 0.37);

/** A document measured in mm from the upper left, in the house's type. */
export interface Paperwork {
  readonly doc: PDFDocument;
  /** Embedded faces by number and weight: only those that the paper's texts need. */
  readonly fonts: ReadonlyMap<string, PDFFont>;
}

const key = (face: number, weight: Weight): string => `${face} ${weight}`;

/**
 * A new document with the faces that its texts need.
 *
 * @param texts everything that will be written, as it is or as JSON
 */
export async function startPaperwork(title: string, texts: unknown): Promise<Paperwork> {
  const doc = await PDFDocument.create();
  doc.registerFontkit(fontkit);
  doc.setTitle(title);
  doc.setProducer('Fox Button');
  const faces = new Set([0, ...runsOf(`${title} ${JSON.stringify(texts)}`).map((r) => r.face)]);
  const fonts = new Map<string, PDFFont>();
  for (const face of faces)
    for (const weight of WEIGHTS)
      // .woff with subsetting is the combination that every reader draws.
      fonts.set(key(face, weight), await doc.embedFont(fontBytes(face, weight), { subset: true }));
  return { doc, fonts };
}

interface Style {
  bold?: boolean;
  quiet?: boolean;
}

/** Where words stand (mm), their size (mm), the width they break to (mm). */
type Words = [
  x: number,
  y: number,
  words: string,
  size: number,
  width: number,
  style?: Style & { most?: number },
];

/** One page to draw on in mm, y downwards. */
export class Sheet {
  readonly page: PDFPage;
  private readonly paper: Paperwork;
  readonly width: number;
  readonly height: number;
  constructor(paper: Paperwork, width: number, height: number) {
    this.paper = paper;
    this.width = width;
    this.height = height;
    this.page = paper.doc.addPage([width * MM, height * MM]);
  }
  private runs(words: string, style: Style): { font: PDFFont; text: string }[] {
    const weight = style.bold ? 700 : 400;
    // A face that was not foreseen falls back to the first, which draws its code.
    return runsOf(words).flatMap((r) => {
      const font = this.paper.fonts.get(key(r.face, weight));
      return font ? [{ font, text: r.text }] : [];
    });
  }
  /** How wide words are at a size, mm. */
  widthOf(words: string, size: number, style: Style = {}): number {
    return this.runs(words, style).reduce((n, r) => n + r.font.widthOfTextAtSize(r.text, size * MM) / MM, 0);
  }
  text(x: number, y: number, words: string, size: number, style: Style & { right?: boolean } = {}): void {
    let at = x - (style.right ? this.widthOf(words, size, style) : 0);
    for (const { font, text } of this.runs(words, style)) {
      this.page.drawText(text, {
        x: at * MM,
        y: (this.height - y) * MM,
        size: size * MM,
        font,
        color: style.quiet ? QUIET : INK,
      });
      at += font.widthOfTextAtSize(text, size * MM) / MM;
    }
  }
  /** Words as lines no wider than `width`; a word that is wider by itself is broken where it must be. */
  private wrapped(words: string, size: number, width: number, style: Style): string[] {
    const fits = (line: string): boolean => this.widthOf(line, size, style) <= width;
    const lines: string[] = [];
    let line = '';
    for (const word of words.replace(/\s+/g, ' ').trim().split(' ')) {
      const longer = line ? `${line} ${word}` : word;
      if (fits(longer)) {
        line = longer;
        continue;
      }
      if (line) lines.push(line);
      line = '';
      for (const letter of word) {
        if (line && !fits(line + letter)) {
          lines.push(line);
          line = '';
        }
        line += letter;
      }
    }
    if (line) lines.push(line);
    return lines;
  }
  /** Words broken to a width, at most `most` lines, the last cut with …; returns the y below the last line. */
  paragraph(...[x, y, words, size, width, style = {}]: Words): number {
    const lines = this.wrapped(words, size, width, style);
    const most = style.most ?? Infinity;
    if (lines.length > most) {
      let last = lines[most - 1]!;
      while (last.length > 1 && this.widthOf(`${last} …`, size, style) > width) last = last.slice(0, -1);
      lines.splice(most - 1, lines.length, `${last} …`);
    }
    lines.forEach((l, i) => this.text(x, y + i * size * 1.35, l, size, style));
    return y + lines.length * size * 1.35;
  }
  /** A name in a room of its own: smaller down to two thirds where it is long, then in lines; returns the y below it. */
  name(...[x, y, words, size, width, style = {}]: Words): number {
    let fit = size;
    while (fit > size / 1.5 && this.widthOf(words, fit, style) > width) fit -= size / 24;
    return this.paragraph(x, y, words, fit, width, style);
  }
  line(x1: number, y1: number, x2: number, y2: number, width = 0.2, dash?: number[]): void {
    this.page.drawLine({
      start: { x: x1 * MM, y: (this.height - y1) * MM },
      end: { x: x2 * MM, y: (this.height - y2) * MM },
      thickness: width * MM,
      color: INK,
      ...(dash ? { dashArray: dash.map((d) => d * MM) } : {}),
    });
  }
  /** An SVG path in mm about an origin. */
  path(d: string, x: number, y: number, scale: number, width: number, dash?: number[]): void {
    this.page.drawSvgPath(d, {
      x: x * MM,
      y: (this.height - y) * MM,
      scale: scale * MM,
      borderColor: INK,
      borderWidth: (width * MM) / (scale * MM),
      ...(dash ? { borderDashArray: dash.map((k) => k / scale) } : {}),
    });
  }
  /** The marks of a drawing; scale 1 is true size. */
  marks(marks: readonly Mark[], x: number, y: number, scale: number, unit: LengthUnit): void {
    for (const m of marks) {
      if (m.kind === 'dimension') {
        const [ax, ay] = [x + scale * (m.from[0] + m.side[0]), y + scale * (m.from[1] + m.side[1])];
        const [bx, by] = [x + scale * (m.to[0] + m.side[0]), y + scale * (m.to[1] + m.side[1])];
        this.line(ax, ay, bx, by, 0.2);
        // Beside an upright line, above a level one.
        const upright = Math.abs(by - ay) > Math.abs(bx - ax);
        const [tx, ty] = upright
          ? [(ax + bx) / 2 + 1.2, (ay + by) / 2 + 1.3]
          : [(ax + bx) / 2 - 3, (ay + by) / 2 - 1];
        this.text(tx, ty, lengthNumber(m.value, unit), 3.6);
      } else if (m.kind === 'words') {
        if (m.on === 'body')
          this.text(
            x + scale * m.at[0] - this.widthOf(m.text, scale * m.size!) / 2,
            y + scale * (m.at[1] + m.size! * 0.35),
            m.text,
            scale * m.size!,
          );
      } else {
        const pen = PENS[m.role];
        const d =
          m.kind === 'circle'
            ? `M ${m.at[0] - m.radius} ${m.at[1]} a ${m.radius} ${m.radius} 0 1 0 ${2 * m.radius} 0 a ${m.radius} ${m.radius} 0 1 0 ${-2 * m.radius} 0`
            : `M ${m.points.map((p) => `${p[0]} ${p[1]}`).join(' L ')}${m.kind === 'outline' ? ' Z' : ''}`;
        this.path(d, x, y, scale, pen.width, pen.dash ? [...pen.dash] : undefined);
        // A cross in a hole to be punched: where the punch is set.
        if (m.kind === 'circle' && m.role === 'punch')
          for (const [dx, dy] of [
            [1.2, 0],
            [0, 1.2],
          ] as const)
            this.line(
              x + scale * m.at[0] - dx,
              y + scale * m.at[1] - dy,
              x + scale * m.at[0] + dx,
              y + scale * m.at[1] + dy,
              0.2,
            );
      }
    }
  }
  /** Draws within a rectangle (mm) alone. */
  within(clip: { x: number; y: number; width: number; height: number }, draw: () => void): void {
    this.page.pushOperators(
      pushGraphicsState(),
      rectangle(clip.x * MM, (this.height - clip.y - clip.height) * MM, clip.width * MM, clip.height * MM),
      clipOperator(),
      endPath(),
    );
    draw();
    this.page.pushOperators(popGraphicsState());
  }
}
