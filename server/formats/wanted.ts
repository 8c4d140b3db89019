import { barWords } from './sheetParts.ts';
import { amountOf } from '../../core/measure/amount.ts';
import { shortDay, type Day } from '../../core/calendar/days.ts';
import { materialMarks, pictureSize } from '../../core/drawing/material.ts';
import { formatLength, type LengthUnit } from '../../core/measure/length.ts';
import { cleaningOf, SIZES_OF, type Cleaning, type Material } from '../../core/materials/material.ts';
import { MARGIN, PAPERS, type Paper, CHECKING_BAR } from '../../core/print/paper.ts';
import { Page, paperOfPages } from './page.ts';
import type { PaperSpec } from './sheetParts.ts';

const CLEAN: Record<Cleaning, string> = {
  wash: 'Wash in hot soapy water, rinse, air dry.',
  wipe: 'Wipe clean and dry; it cannot be washed.',
  rest: 'Clean and dry only; it cannot be washed.',
  none: 'New and unused only.',
};

const cleanWords = (m: Material): string =>
  m.form === 'container' && cleaningOf(m) === 'wash'
    ? 'Wash in hot soapy water, rinse, air dry with the lid off.'
    : CLEAN[cleaningOf(m)];

export interface Wanted {
  readonly place: string;
  readonly design: string;
  readonly lines: readonly { readonly material: Material; readonly short: number }[];
  readonly until: Day | undefined;
  readonly unit: LengthUnit;
  /** How days are written, BCP 47. */
  readonly locale: string;
}

const sizesOf = (m: Material, unit: LengthUnit): string => {
  const named = SIZES_OF[m.form].filter((s) => s !== 'wall' && m.sizes[s] !== undefined);
  const words = named.map((s) =>
    s === 'diameter'
      ? `${formatLength(m.sizes[s]!, unit)} across`
      : `${formatLength(m.sizes[s]!, unit)} ${s === 'length' ? 'long' : s === 'width' ? 'wide' : 'high'}`,
  );
  return words.join(', ');
};

/** A page for families: pictures, sizes, how to clean, how many are still wanted, until when, and what not to bring. */
export function wantedPaper(w: Wanted, size: Paper): PaperSpec {
  const { width, height } = PAPERS[size];
  const right = width - MARGIN;
  // Wide enough for most caps at true size: families hold theirs against it.
  const box = 46;
  let page = new Page(width, height);
  const pages = [page];
  /** Pages on which something is drawn at true size: they have the bar. */
  const barred = new Set<Page>();
  let y = 22;
  page.text(MARGIN, y, 'Please save for us', 9, { bold: true });
  y += 8;
  y =
    page.paragraph(
      MARGIN,
      y,
      `${w.place}, for ${w.design}${w.until ? `. Until ${shortDay(w.until, w.locale)} ${w.until.slice(0, 4)}` : ''}`,
      4.6,
      right - MARGIN,
    ) - 2;
  page.path(`M${MARGIN} ${y}H${right}`, 0.3);
  y += 6;
  if (w.lines.length === 0) {
    page.text(MARGIN, y + 4, 'Nothing is wanted now: the shelf has it all. Thank you.', 5);
    y += 12;
  }
  for (const { material: m, short } of w.lines) {
    if (y + box + 4 > height - 40) {
      pages.push((page = new Page(width, height)));
      y = 22;
    }
    const [pw, ph] = pictureSize(m);
    const scale = Math.min(1, (box - 4) / Math.max(pw, ph));
    page.marks(
      materialMarks(m, [pw / 2, ph / 2]),
      MARGIN + (box - pw * scale) / 2,
      y + (box - ph * scale) / 2,
      scale,
      w.unit,
    );
    if (scale === 1) barred.add(page);
    const x = MARGIN + box + 6;
    // The number still wanted has its own column at the right.
    page.name(x, y + 8, m.name, 6.4, right - x - 30, { bold: true, most: 2 });
    page.text(right, y + 8, amountOf(short, m.unit, w.unit), 8, {
      bold: true,
      right: true,
    });
    page.text(right, y + 13.5, 'still wanted', 3.6, { quiet: true, right: true });
    const sizes = sizesOf(m, w.unit);
    if (sizes) page.text(x, y + 19, `About ${sizes}`, 4.4);
    page.paragraph(x, y + 25.5, cleanWords(m), 4.4, right - x - 4);
    page.text(x, y + box - 2, scale === 1 ? 'drawn at true size' : 'not to scale', 3.2, {
      quiet: true,
    });
    y += box + 4;
    page.path(`M${MARGIN} ${y}H${right}`, 0.12);
    y += 3;
  }
  y = Math.max(y + 4, height - 40);
  y = page.paragraph(
    MARGIN,
    y,
    'Please do not bring: trays that held raw meat or fish, medicine or chemical containers, broken glass or plastic, anything that smells or is mouldy. Say what was in it when you bring it: nuts, egg and milk matter to some children.',
    4,
    right - MARGIN,
    { bold: true },
  );
  page.paragraph(
    MARGIN,
    y + 1,
    'Bring them clean and dry, in a bag with your code name, not your own.',
    4,
    right - MARGIN,
  );
  const long = CHECKING_BAR[w.unit];
  for (const p of barred) {
    const foot = height - MARGIN - 1;
    p.path(
      `M${MARGIN} ${foot}h${long}M${MARGIN} ${foot - 2}v4M${MARGIN + long} ${foot - 2}v4`,
      0.35,
      'checking-bar',
    );
    p.text(MARGIN + long + 4, foot + 1, barWords(w.unit), 3.2, { quiet: true });
  }
  return paperOfPages(`${w.place}: wanted`, pages);
}
