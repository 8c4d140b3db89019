import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import fontkit from '@pdf-lib/fontkit';
import { PDFDocument, rgb, type PDFFont, type PDFPage } from 'pdf-lib';
import { lengthNumber, type LengthUnit } from '../../core/measure/length.ts';
import type { Mark } from '../../core/drawing/mark.ts';

export const MM = 72 / 25.4;

/** Without control characters, which no font draws. */
const plain = (words: string): string => words.replace(/\p{Cc}/gu, ' ');
const INK = rgb(0.118, 0.165, 0.173);
const QUIET = rgb(0.33, 0.38, 0.37);

const require = createRequire(import.meta.url);
const fontFile = (weight: 400 | 700): Uint8Array =>
  readFileSync(
    require.resolve(
      `@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-${weight}-normal.woff`,
    ),
  );

/** A document measured in mm from the upper left, in the house's type. */
export interface Paperwork {
  readonly doc: PDFDocument;
  readonly regular: PDFFont;
  readonly bold: PDFFont;
}

export async function startPaperwork(title: string): Promise<Paperwork> {
  const doc = await PDFDocument.create();
  doc.registerFontkit(fontkit);
  doc.setTitle(title);
  doc.setProducer('Fox Button');
  // .woff with subsetting is the combination that every reader draws.
  const regular = await doc.embedFont(fontFile(400), { subset: true });
  const bold = await doc.embedFont(fontFile(700), { subset: true });
  return { doc, regular, bold };
}

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
  text(
    x: number,
    y: number,
    words: string,
    size: number,
    options: { bold?: boolean; quiet?: boolean; right?: boolean } = {},
  ): void {
    const font = options.bold ? this.paper.bold : this.paper.regular;
    const clean = plain(words);
    const back = options.right ? font.widthOfTextAtSize(clean, size * MM) : 0;
    this.page.drawText(clean, {
      x: x * MM - back,
      y: (this.height - y) * MM,
      size: size * MM,
      font,
      color: options.quiet ? QUIET : INK,
    });
  }
  /** Words broken to a width, at most `most` lines, the last cut with …; returns the y below the last line. */
  paragraph(
    x: number,
    y: number,
    words: string,
    size: number,
    width: number,
    options: { bold?: boolean; quiet?: boolean; most?: number } = {},
  ): number {
    const font = options.bold ? this.paper.bold : this.paper.regular;
    const fits = (line: string): boolean => font.widthOfTextAtSize(line, size * MM) <= width * MM;
    const lines: string[] = [];
    let line = '';
    for (const word of plain(words).split(' ')) {
      const longer = line ? `${line} ${word}` : word;
      if (line && !fits(longer)) {
        lines.push(line);
        line = word;
      } else line = longer;
    }
    if (line) lines.push(line);
    const most = options.most ?? Infinity;
    if (lines.length > most) {
      let last = lines[most - 1]!;
      while (last.length > 1 && !fits(`${last} …`)) last = last.slice(0, -1);
      lines.splice(most - 1, lines.length, `${last} …`);
    }
    lines.forEach((l, i) => this.text(x, y + i * size * 1.35, l, size, options));
    return y + lines.length * size * 1.35;
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
      } else if (m.kind === 'circle' || m.kind === 'outline') {
        const width = m.role === 'cut' || m.role === 'opening' ? 0.35 : 0.2;
        const dash = m.role === 'lid' ? [3, 2] : m.role === 'rim' ? [0.6, 1.2] : undefined;
        const d =
          m.kind === 'circle'
            ? `M ${m.at[0] - m.radius} ${m.at[1]} a ${m.radius} ${m.radius} 0 1 0 ${2 * m.radius} 0 a ${m.radius} ${m.radius} 0 1 0 ${-2 * m.radius} 0`
            : `M ${m.points.map((p) => `${p[0]} ${p[1]}`).join(' L ')} Z`;
        this.path(d, x, y, scale, width, dash);
      }
    }
  }
}
