import { formatAges } from '../../core/calendar/ages.ts';
import { type LengthUnit } from '../../core/measure/length.ts';
import { formatMinutes } from '../../core/measure/minutes.ts';
import type { Layout, Need, Show } from '../../core/patterns/kernel.ts';
import type { Placed } from '../../core/plan/order.ts';
import { MARGIN, PAPERS, type Paper } from '../../core/print/paper.ts';
import type { TemplatePage } from '../../core/print/template.ts';
import type { Finding } from '../../core/safety/check.ts';
import { Sheet, startPaperwork } from './pdf.ts';

export const CAUTION =
  'These are the usual cautions, not a certificate. Local toy-safety and licensing rules come first; ask the therapist who knows the child.';

/** The opening at true scale with its checking bar. */
export async function templatePdf(
  page: TemplatePage,
  words: { title: string; line: string; unit: LengthUnit },
): Promise<Uint8Array> {
  const paper = await startPaperwork(words.title);
  const sheet = new Sheet(paper, page.width, page.height);
  sheet.text(MARGIN, 18, words.title, 6, { bold: true });
  sheet.text(MARGIN, 25, words.line, 4);
  sheet.marks(page.marks, 0, 0, 1, words.unit);
  const { from, to } = page.bar;
  sheet.line(from[0], from[1], to[0], to[1], 0.35);
  for (const x of [from[0], to[0]]) sheet.line(x, from[1] - 2, x, from[1] + 2, 0.35);
  sheet.text(from[0], from[1] - 3, '50 mm on paper. If not, print again at 100 %.', 3.5);
  return paper.doc.save();
}

export interface BuildSheet {
  readonly name: string;
  readonly label: string;
  readonly forGroup: string;
  readonly ageFrom: number;
  readonly ageTo: number;
  readonly approach: string;
  readonly copies: number;
  readonly layout: Layout;
  readonly needs: readonly Need[];
  readonly placed: readonly Placed[];
  readonly findings: readonly Finding[];
  readonly show: Show;
  readonly unit: LengthUnit;
}

/** All one needs at the bench: drawing, what to lay out, the steps in order, the cautions. */
export async function buildSheetPdf(b: BuildSheet, size: Paper): Promise<Uint8Array> {
  const paper = await startPaperwork(`${b.name}: build sheet`);
  const { width, height } = PAPERS[size];
  const right = width - MARGIN;
  let sheet = new Sheet(paper, width, height);
  let y = 20;
  const room = (needed: number): void => {
    if (y + needed <= height - MARGIN) return;
    sheet = new Sheet(paper, width, height);
    sheet.text(MARGIN, 16, `${b.name}, ${b.copies} kits, continued`, 3.6, { quiet: true });
    y = 26;
  };
  const heading = (words: string): void => {
    room(16);
    y += 4;
    sheet.text(MARGIN, y, words, 5, { bold: true });
    y += 3;
    sheet.line(MARGIN, y, right, y, 0.2);
    y += 5.5;
  };
  sheet.text(MARGIN, y, b.name, 8, { bold: true });
  sheet.text(right, y, b.label, 5, { right: true });
  y += 7;
  sheet.text(
    MARGIN,
    y,
    `${b.copies} ${b.copies === 1 ? 'kit' : 'kits'} for ${b.forGroup}, ${formatAges(b.ageFrom, b.ageTo)} · ${b.approach}`,
    4.2,
  );
  y += 5;
  const scale = Math.min(1, (width - 2 * MARGIN) / b.layout.width, 78 / b.layout.height);
  sheet.marks(b.layout.marks, MARGIN, y, scale, b.unit);
  y += b.layout.height * scale + 2;
  sheet.text(
    right,
    y,
    scale === 1
      ? 'drawn at true size; cut from the template'
      : `drawn at ${Math.round(scale * 100)} %; cut from the template`,
    3.4,
    { quiet: true, right: true },
  );
  heading('Lay out');
  for (const n of b.needs) {
    room(6);
    sheet.text(MARGIN, y, n.name, 4.2);
    sheet.text(right, y, `${n.quantity * b.copies}${n.unit === 'mm' ? ' mm' : ''}`, 4.2, {
      bold: true,
      right: true,
    });
    y += 5.8;
  }
  heading('Steps');
  b.placed.forEach((p, i) => {
    room(18);
    sheet.text(MARGIN, y, `${i + 1}`, 4.6, { bold: true });
    sheet.text(MARGIN + 8, y, p.step.title, 4.6, { bold: true });
    const who =
      p.step.who === 'child' ? 'child’s own step' : p.step.who === 'adult' ? 'adult' : 'adult or child';
    sheet.text(right, y, `${formatMinutes(p.minutes)} · ${who}${p.step.blade ? ' · BLADE' : ''}`, 4, {
      right: true,
      bold: p.step.blade,
    });
    y = sheet.paragraph(MARGIN + 8, y + 5.2, p.step.words, 4, right - MARGIN - 20);
    if (p.step.drying > 0) {
      sheet.text(
        MARGIN + 8,
        y,
        `Then leave it to dry ${formatMinutes(p.step.drying)}; nobody needs to wait.`,
        4,
        { quiet: true },
      );
      y += 5.4;
    }
    y += 2;
  });
  heading('Show it');
  for (const line of [
    b.show.say,
    `Look for: ${b.show.lookFor}`,
    `Easier: ${b.show.easier}`,
    `Harder: ${b.show.harder}`,
  ]) {
    room(12);
    y = sheet.paragraph(MARGIN, y, line, 4, right - MARGIN);
  }
  heading('Take care');
  for (const f of b.findings.filter((g) => g.verdict !== 'clear')) {
    room(16);
    y = sheet.paragraph(
      MARGIN,
      y,
      `${f.verdict === 'stop' ? 'STOP' : 'Take care'} · ${f.title}: ${f.words} ${f.remedy ?? ''}`,
      4,
      right - MARGIN,
    );
    y += 1;
  }
  room(14);
  sheet.paragraph(MARGIN, y + 3, `All knife work away from children. ${CAUTION}`, 4, right - MARGIN, {
    bold: true,
  });
  return paper.doc.save();
}
