import { toBuffer, type RenderOptions } from 'bwip-js/node';
import { PAPERS, type Paper } from '../../core/print/paper.ts';
import { MM, Sheet, startPaperwork } from './pdf.ts';

export interface LabelText {
  readonly label: string;
  readonly name: string;
  readonly count: string;
}

const code = async (options: RenderOptions): Promise<Uint8Array> => new Uint8Array(await toBuffer(options));

/** Labels three across and eight down, each with a QR and a Code 128 of the label itself. */
export async function labelsPdf(labels: readonly LabelText[], size: Paper): Promise<Uint8Array> {
  const paper = await startPaperwork('Labels', labels);
  const { width, height } = PAPERS[size];
  const [cw, ch] = [width / 3, Math.floor((height - 2 * 4) / 8)];
  let sheet: Sheet | null = null;
  for (const [i, l] of labels.entries()) {
    if (i % 24 === 0) sheet = new Sheet(paper, width, height);
    const [x, y] = [(i % 3) * cw + 5, Math.floor((i % 24) / 3) * ch + 8];
    const qr = await paper.doc.embedPng(await code({ bcid: 'qrcode', text: l.label, scale: 4 }));
    const bars = await paper.doc.embedPng(
      await code({ bcid: 'code128', text: l.label, scale: 3, height: 8, includetext: false }),
    );
    const page = sheet!.page;
    page.drawImage(qr, { x: (x + cw - 30) * MM, y: (height - y - 20) * MM, width: 20 * MM, height: 20 * MM });
    page.drawImage(bars, { x: x * MM, y: (height - y - 26) * MM, width: 36 * MM, height: 6.5 * MM });
    sheet!.text(x, y + 5, l.label, 5.5, { bold: true });
    const below = sheet!.name(x, y + 9.4, l.name, 3.4, cw - 34, { bold: true, most: 2 });
    sheet!.paragraph(x, Math.max(y + 13.8, below + 0.4), l.count, 2.5, cw - 34, { most: 2 });
  }
  return paper.doc.save();
}
