import type { LengthUnit } from '../../core/measure/length.ts';
import { MARGINS } from '../../core/print/paper.ts';
import { barWords } from './sheetParts.ts';
import type { TemplatePage } from '../../core/print/pages.ts';
import { Page, paperOfPages } from './page.ts';
import { PENS } from './pens.ts';
import type { PaperSpec } from './sheetParts.ts';

/** What a template is headed by. */
export interface TemplateWords {
  readonly title: string;
  readonly line: string;
  readonly unit: LengthUnit;
}

/** The parts of a page at true scale, with its checking bar and the key to its lines. */
function drawnPage(of: TemplatePage, words: TemplateWords): Page {
  const page = new Page(of.width, of.height);
  const margin = MARGINS[words.unit];
  const room = of.width - 2 * margin;
  const below = page.name(margin, 16, words.title, 5.6, room - 30, { bold: true, most: 2 });
  if (of.of > 1) page.text(of.width - margin, 16, `page ${of.number} of ${of.of}`, 4, { right: true });
  page.paragraph(margin, Math.max(22, below), words.line, 3.6, room, { most: 2 });
  for (const part of of.parts) {
    page.text(part.at[0], part.at[1], part.title, 3.4, { quiet: true });
    const draw = (): void => page.marks(part.marks, 0, 0, 1, words.unit);
    if (part.clip) page.within(part.clip, draw);
    else draw();
  }
  const { from, to } = of.bar;
  page.path(
    `M${from[0]} ${from[1]}H${to[0]}M${from[0]} ${from[1] - 2}v4M${to[0]} ${to[1] - 2}v4`,
    0.35,
    'checking-bar',
  );
  page.text(from[0], from[1] - 3, barWords(words.unit), 3.3);
  of.key.forEach((k, i) => {
    const y = from[1] + 2 - (of.key.length - 1 - i) * 4;
    page.path(`M${to[0] + 26} ${y - 1}h16`, PENS[k.role]);
    page.text(to[0] + 44, y, k.words, 3.3);
  });
  return page;
}

/** A template as a paper, page by page. */
export const templatePaper = (pages: readonly TemplatePage[], words: TemplateWords): PaperSpec =>
  paperOfPages(
    words.title,
    pages.map((p) => drawnPage(p, words)),
  );

/** A page of a template as a drawing of its own. */
export const templateSvg = (page: TemplatePage, words: TemplateWords): string =>
  drawnPage(page, words).svg(words.title);
