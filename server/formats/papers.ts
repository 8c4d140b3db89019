import { type LengthUnit } from '../../core/measure/length.ts';
import { MARGIN } from '../../core/print/paper.ts';
import type { TemplatePage } from '../../core/print/template.ts';
import { Sheet, startPaperwork } from './pdf.ts';

/** The opening at true scale with its checking bar. */
export async function templatePdf(
  page: TemplatePage,
  words: { title: string; line: string; unit: LengthUnit },
): Promise<Uint8Array> {
  const paper = await startPaperwork(words.title, [page, words]);
  const sheet = new Sheet(paper, page.width, page.height);
  const below = sheet.name(MARGIN, 18, words.title, 6, page.width - 2 * MARGIN, { bold: true, most: 2 });
  sheet.paragraph(MARGIN, Math.max(25, below), words.line, 4, page.width - 2 * MARGIN, { most: 2 });
  sheet.marks(page.marks, 0, 0, 1, words.unit);
  const { from, to } = page.bar;
  sheet.line(from[0], from[1], to[0], to[1], 0.35);
  for (const x of [from[0], to[0]]) sheet.line(x, from[1] - 2, x, from[1] + 2, 0.35);
  sheet.text(from[0], from[1] - 3, '50 mm on paper. If not, print again at 100 %.', 3.5);
  return paper.doc.save();
}
