import { toBuffer, type RenderOptions } from 'bwip-js/node';
import { labelPlaces, type LabelSheet } from '../../core/print/labelSheet.ts';
import { PAPERS, type Paper } from '../../core/print/paper.ts';
import { MM, Sheet, startPaperwork } from './pdf.ts';

export interface LabelText {
  readonly label: string;
  readonly name: string;
  readonly count: string;
}

const code = async (options: RenderOptions): Promise<Uint8Array> => new Uint8Array(await toBuffer(options));

/** A label as its fields were drawn for: mm. On a smaller one everything shrinks alike. */
const DRAWN = { width: 70, height: 36 };

/** Labels on a printer's sheet, each with a QR and a Code 128 of the label itself. */
export async function labelsPdf(
  labels: readonly LabelText[],
  size: Paper,
  on: LabelSheet = {},
): Promise<Uint8Array> {
  const paper = await startPaperwork('Labels', labels);
  const { width, height } = PAPERS[size];
  const places = labelPlaces(labels.length, size, on);
  const sheets = Array.from(
    { length: 1 + (places.at(-1)?.sheet ?? -1) },
    () => new Sheet(paper, width, height),
  );
  for (const [i, l] of labels.entries()) {
    const p = places[i]!;
    const sheet = sheets[p.sheet]!;
    const k = Math.min(1, p.width / DRAWN.width, p.height / DRAWN.height);
    const [x, y, w] = [p.x + 5 * k, p.y + 4 * k, p.width];
    const qr = await paper.doc.embedPng(await code({ bcid: 'qrcode', text: l.label, scale: 4 }));
    const bars = await paper.doc.embedPng(
      await code({ bcid: 'code128', text: l.label, scale: 3, height: 8, includetext: false }),
    );
    const box = (dx: number, dy: number, bw: number, bh: number) => ({
      x: (x + dx) * MM,
      y: (height - y - dy) * MM,
      width: bw * k * MM,
      height: bh * k * MM,
    });
    sheet.page.drawImage(qr, box(w - 30 * k, 20 * k, 20, 20));
    sheet.page.drawImage(bars, box(0, 26 * k, 36, 6.5));
    const room = w - 34 * k;
    sheet.text(x, y + 5 * k, l.label, 5.5 * k, { bold: true });
    const below = sheet.name(x, y + 9.4 * k, l.name, 3.4 * k, room, { bold: true, most: 2 });
    sheet.paragraph(x, Math.max(y + 13.8 * k, below + 0.4 * k), l.count, 2.5 * k, room, { most: 2 });
  }
  return paper.doc.save();
}
