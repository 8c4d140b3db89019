import type { Mark } from '../../core/drawing/mark.ts';
import type { LengthUnit } from '../../core/measure/length.ts';
import { runsOf, widthOf, type Weight } from './fonts.ts';
import { PENS, type Pen } from './pens.ts';
import type { PaperSpec } from './sheetParts.ts';
import { escape, markSvg, n, strokeOf } from './svg.ts';

const INK = '#1e2a2c';
const QUIET = '#54615e';

interface Style {
  readonly bold?: boolean;
  readonly quiet?: boolean;
}

/** Where words stand (mm), their size (mm), the width they break to (mm). */
type Words = [
  x: number,
  y: number,
  words: string,
  size: number,
  width: number,
  style?: Style & { readonly most?: number },
];

const weightOf = ({ bold }: Style): Weight => (bold ? 700 : 400);
/** How wide words are at a size, mm. */
const wide = (words: string, size: number, style: Style): number => size * widthOf(words, weightOf(style));

/** Words as lines no wider than `width`; a word that is wider by itself is broken where it must be. */
function wrapped(words: string, size: number, width: number, style: Style): string[] {
  const fits = (line: string): boolean => wide(line, size, style) <= width;
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

/** One page to draw on in mm from the upper left, true to size: it is SVG, for a file of its own and for a PDF alike. */
export class Page {
  readonly width: number;
  readonly height: number;
  private readonly parts: string[] = [];
  private clips = 0;
  constructor(width: number, height: number) {
    this.width = width;
    this.height = height;
  }
  text(x: number, y: number, words: string, size: number, style: Style & { right?: boolean } = {}): void {
    let at = x - (style.right ? wide(words, size, style) : 0);
    for (const { face, text } of runsOf(words)) {
      // The name of the face is for the PDF; whoever opens the drawing by itself has the other, or none of them.
      this.parts.push(
        `<text x="${n(at)}" y="${n(y)}" font-family="face${face}, Atkinson Hyperlegible Next, sans-serif" font-size="${n(size)}"${style.bold ? ' font-weight="bold"' : ''} fill="${style.quiet ? QUIET : INK}" xml:space="preserve">${escape(text)}</text>`,
      );
      at += wide(text, size, style);
    }
  }
  /** Words broken to a width, at most `most` lines, the last cut with …; returns the y below the last line. */
  paragraph(...[x, y, words, size, width, style = {}]: Words): number {
    const lines = wrapped(words, size, width, style);
    const most = style.most ?? Infinity;
    if (lines.length > most) {
      let last = lines[most - 1]!;
      while (last.length > 1 && wide(`${last} …`, size, style) > width) last = last.slice(0, -1);
      lines.splice(most - 1, lines.length, `${last} …`);
    }
    lines.forEach((l, i) => this.text(x, y + i * size * 1.35, l, size, style));
    return y + lines.length * size * 1.35;
  }
  /** A name in a room of its own: smaller down to two thirds where it is long, then in lines; returns the y below it. */
  name(...[x, y, words, size, width, style = {}]: Words): number {
    let fit = size;
    while (fit > size / 1.5 && wide(words, fit, style) > width) fit -= size / 24;
    return this.paragraph(x, y, words, fit, width, style);
  }
  /** A line by an SVG path in mm. */
  path(d: string, pen: Pen | number, id?: string): void {
    const stroke =
      typeof pen === 'number' ? `stroke="${INK}" stroke-width="${n(pen)}"` : strokeOf(pen, 0, false);
    this.parts.push(`<path${id === undefined ? '' : ` id="${id}"`} d="${d}" fill="none" ${stroke}/>`);
  }
  /** A line by an SVG path in mm, of a colour and a width (mm). */
  line(d: string, colour: string, width: number): void {
    this.parts.push(`<path d="${d}" fill="none" stroke="${colour}" stroke-width="${n(width)}"/>`);
  }
  /** A filled shape by an SVG path in mm about a point. */
  fill(d: string, x: number, y: number, colour = '#000'): void {
    this.parts.push(`<path transform="translate(${n(x)} ${n(y)})" d="${d}" fill="${colour}"/>`);
  }
  /** The marks of a drawing about a point; scale 1 is true size, and lines are never thinner than on the page itself. */
  marks(marks: readonly Mark[], x: number, y: number, scale: number, unit: LengthUnit): void {
    const drawn = marks.map((m) => markSvg(m, unit, false, scale < 1 ? (6 * PENS.body.width) / scale : 0));
    this.parts.push(`<g transform="translate(${n(x)} ${n(y)}) scale(${n(scale)})">${drawn.join('\n')}</g>`);
  }
  /** Draws within a rectangle (mm) alone. */
  within(clip: { x: number; y: number; width: number; height: number }, draw: () => void): void {
    const id = `clip${this.clips++}`;
    this.parts.push(
      `<clipPath id="${id}"><rect x="${n(clip.x)}" y="${n(clip.y)}" width="${n(clip.width)}" height="${n(clip.height)}"/></clipPath><g clip-path="url(#${id})">`,
    );
    draw();
    this.parts.push('</g>');
  }
  /** As a drawing of its own whose user unit is 1 mm and whose size on paper is said in mm. */
  svg(title: string): string {
    return `<?xml version="1.0" encoding="UTF-8"?>
<svg xmlns="http://www.w3.org/2000/svg" width="${this.width}mm" height="${this.height}mm" viewBox="0 0 ${this.width} ${this.height}">
<title>${escape(title)}</title>
${this.parts.join('\n')}
</svg>
`;
  }
  /** What is drawn, for a page of a PDF. */
  inner(): string {
    return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${this.width} ${this.height}">${this.parts.join('')}</svg>`;
  }
}

/** Pages as a paper, each as large as it is. */
export const paperOfPages = (title: string, pages: readonly Page[]): PaperSpec => ({
  title,
  pages: pages.map((p) => ({ svg: p.inner(), width: p.width, height: p.height })),
});
