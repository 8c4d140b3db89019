import {
  BAR,
  CARD,
  CODE_ACROSS,
  codeAt,
  codeText,
  CORNER,
  GROUND,
  GROUND_LINE,
  groundOutline,
  SHEET_CORNERS,
  SHEET_PAPERS,
  type SheetPaper,
} from '../../core/photo/sheet.ts';
import { Page, paperOfPages } from './page.ts';
import { outlineOf, qrOf } from './qr.ts';
import type { PaperSpec } from './sheetParts.ts';

/** The measuring sheet, true to size: things are laid on it and a photo of them is measured. */
export function photoSheetPaper(paper: SheetPaper): PaperSpec {
  const { width, height } = SHEET_PAPERS[paper];
  const page = new Page(width, height);
  const down = (y: number): number => height - y;
  page.fill(
    `M${groundOutline(paper)
      .map(([x, y]) => `${x} ${down(y)}`)
      .join('L')}Z`,
    0,
    0,
    GROUND,
  );
  const [left, low] = [(width - CARD.long) / 2, (height + CARD.short) / 2];
  page.line(`M${left} ${low}h${CARD.long}v${-CARD.short}h${-CARD.long}Z`, GROUND_LINE, 0.35);
  for (const corner of SHEET_CORNERS) {
    const qr = qrOf(codeText(paper, corner));
    const [x, y] = codeAt(paper, corner);
    const module = CODE_ACROSS / qr.across;
    page.fill(outlineOf(qr.runs, module, module), x, down(y + CODE_ACROSS));
  }
  const [from, at] = [CORNER + 1, height - 3.6];
  page.path(`M${from} ${at - 1}v2M${from} ${at}h${BAR}M${from + BAR} ${at - 1}v2`, 0.3);
  page.text(
    from + BAR + 3,
    at + 0.8,
    `${BAR} mm. Print at 100 %, in colour. The outline in the middle is a bank card’s.`,
    2.5,
  );
  return paperOfPages(`Measuring sheet, ${paper}`, [page]);
}
