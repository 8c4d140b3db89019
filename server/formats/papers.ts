import { type LengthUnit } from '../../core/measure/length.ts';
import { MARGIN } from '../../core/print/paper.ts';
import type { TemplatePage } from '../../core/print/pages.ts';
import { Sheet, startPaperwork } from './pdf.ts';
import { PENS } from './pens.ts';

/** What a template is headed by. */
export interface TemplateWords {
  readonly title: string;
  readonly line: string;
  readonly unit: LengthUnit;
}

/** The parts at true scale, page by page, each with its checking bar and the key to its lines. */
export async function templatePdf(pages: readonly TemplatePage[], words: TemplateWords): Promise<Uint8Array> {
  const paper = await startPaperwork(words.title, [pages, words]);
  for (const page of pages) {
    const sheet = new Sheet(paper, page.width, page.height);
    const room = page.width - 2 * MARGIN;
    const below = sheet.name(MARGIN, 16, words.title, 5.6, room - 30, { bold: true, most: 2 });
    if (page.of > 1)
      sheet.text(page.width - MARGIN, 16, `page ${page.number} of ${page.of}`, 4, { right: true });
    sheet.paragraph(MARGIN, Math.max(22, below), words.line, 3.6, room, { most: 2 });
    for (const part of page.parts) {
      sheet.text(part.at[0], part.at[1], part.title, 3.4, { quiet: true });
      const draw = (): void => sheet.marks(part.marks, 0, 0, 1, words.unit);
      if (part.clip) sheet.within(part.clip, draw);
      else draw();
    }
    const { from, to } = page.bar;
    sheet.line(from[0], from[1], to[0], to[1], 0.35);
    for (const x of [from[0], to[0]]) sheet.line(x, from[1] - 2, x, from[1] + 2, 0.35);
    sheet.text(from[0], from[1] - 3, '50 mm on paper. If not, print again at 100 %.', 3.3);
    page.key.forEach((k, i) => {
      const y = from[1] + 2 - (page.key.length - 1 - i) * 4;
      const pen = PENS[k.role];
      sheet.line(to[0] + 26, y - 1, to[0] + 42, y - 1, pen.width, pen.dash ? [...pen.dash] : undefined);
      sheet.text(to[0] + 44, y, k.words, 3.3);
    });
  }
  return paper.doc.save();
}
