import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import type { Telling } from '../../contract/telling.ts';
import { shortDay, type Day } from '../../core/calendar/days.ts';
import { MARGIN, type Paper } from '../../core/print/paper.ts';
import { MM } from './pdf.ts';
import { INK, pdfOf, QUIET, type } from './sheetParts.ts';

/** A page for each family. */
export async function tellingPdf(
  list: readonly Telling[],
  o: { readonly place: string; readonly today: Day; readonly locale: string },
  size: Paper,
): Promise<Uint8Array> {
  const pages = list.map((t, i): Content => ({
    ...(i > 0 ? { pageBreak: 'before' as const } : {}),
    stack: [
      type(o.place, { color: QUIET }),
      type(shortDay(o.today, o.locale), { color: QUIET, margin: [0, 0, 0, 18] }),
      type(t.subject, { bold: true, fontSize: 20, margin: [0, 0, 0, 12] }),
      ...t.words.split('\n\n').map((line) => type(line, { fontSize: 13, margin: [0, 0, 0, 9] })),
    ],
  }));
  const definition: TDocumentDefinitions = {
    pageSize: size === 'A4' ? 'A4' : 'LETTER',
    pageMargins: [MARGIN * MM * 1.6, 60, MARGIN * MM * 1.6, 46],
    defaultStyle: { font: 'face0', fontSize: 11, color: INK, lineHeight: 1.25 },
    info: { title: `${o.place}: messages`, producer: 'Fox Button' },
    content: pages.length > 0 ? pages : [type('There is nobody to tell today.')],
  };
  return pdfOf(definition);
}
