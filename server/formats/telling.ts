import type { Content } from 'pdfmake/interfaces';
import type { Telling } from '../../contract/telling.ts';
import { shortDay, type Day } from '../../core/calendar/days.ts';
import { type Paper } from '../../core/print/paper.ts';
import { type PaperSpec, QUIET, type } from './sheetParts.ts';

/** A page for each family. */
export function tellingPaper(
  list: readonly Telling[],
  o: { readonly place: string; readonly today: Day; readonly locale: string },
  size: Paper,
): PaperSpec {
  const pages = list.map((t, i): Content => ({
    ...(i > 0 ? { pageBreak: 'before' as const } : {}),
    stack: [
      type(o.place, { color: QUIET }),
      type(shortDay(o.today, o.locale), { color: QUIET, margin: [0, 0, 0, 18] }),
      type(t.subject, { bold: true, fontSize: 20, margin: [0, 0, 0, 12] }),
      ...t.words.split('\n\n').map((line) => type(line, { fontSize: 13, margin: [0, 0, 0, 9] })),
    ],
  }));
  const paper: PaperSpec = {
    title: `${o.place}: messages`,
    size,
    fontSize: 11,
    lineHeight: 1.25,
    as: 'letter',
    content: pages.length > 0 ? pages : [type('There is nobody to tell today.')],
  };
  return paper;
}
