import bwip from 'bwip-js/node';
import { labelPlaces, type LabelSheet } from '../../core/print/labelSheet.ts';
import { PAPERS, type Paper } from '../../core/print/paper.ts';
import { Page, paperOfPages } from './page.ts';
import { outlineOf, qrOf, type Run } from './qr.ts';
import type { PaperSpec } from './sheetParts.ts';

export interface LabelText {
  readonly label: string;
  readonly name: string;
  readonly count: string;
}

/** A Code 128 as its bars, in one row, and how many modules it is across. */
function barsOf(text: string): { readonly runs: readonly Run[]; readonly across: number } {
  const [code] = bwip.raw({ bcid: 'code128', text }) as unknown as [{ sbs: readonly number[] }];
  const runs: Run[] = [];
  let across = 0;
  // Bars and spaces take turns; the first is a bar.
  for (const [i, wide] of code.sbs.entries()) {
    if (i % 2 === 0) runs.push([across, 0, wide]);
    across += wide;
  }
  return { runs, across };
}

/** A label as its fields were drawn for: mm. On a smaller one everything shrinks alike. */
const DRAWN = { width: 70, height: 36 };

/** Labels on a printer's sheet, each with a QR and a Code 128 of the label itself. */
export function labelsPaper(labels: readonly LabelText[], size: Paper, on: LabelSheet = {}): PaperSpec {
  const { width, height } = PAPERS[size];
  const places = labelPlaces(labels.length, size, on);
  const sheets = Array.from({ length: 1 + (places.at(-1)?.sheet ?? -1) }, () => new Page(width, height));
  for (const [i, l] of labels.entries()) {
    const p = places[i]!;
    const page = sheets[p.sheet]!;
    const k = Math.min(1, p.width / DRAWN.width, p.height / DRAWN.height);
    const [x, y, w] = [p.x + 5 * k, p.y + 4 * k, p.width];
    const drawn = (
      { runs, across }: ReturnType<typeof qrOf>,
      [dx, dy]: readonly [number, number],
      [wide, high]: readonly [number, number],
      rows: number,
    ): void => page.fill(outlineOf(runs, (wide * k) / across, (high * k) / rows), x + dx, y + dy);
    const qr = qrOf(l.label);
    drawn(qr, [w - 30 * k, 0], [20, 20], qr.across);
    drawn(barsOf(l.label), [0, 19.5 * k], [36, 6.5], 1);
    const room = w - 34 * k;
    page.text(x, y + 5 * k, l.label, 5.5 * k, { bold: true });
    const below = page.name(x, y + 9.4 * k, l.name, 3.4 * k, room, { bold: true, most: 2 });
    page.paragraph(x, Math.max(y + 13.8 * k, below + 0.4 * k), l.count, 2.5 * k, room, { most: 2 });
  }
  return paperOfPages('Labels', sheets);
}
