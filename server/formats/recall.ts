import type { Content } from 'pdfmake/interfaces';
import type { Recall } from '../../contract/checking.ts';
import { shortDay, type Day } from '../../core/calendar/days.ts';
import { type Paper } from '../../core/print/paper.ts';
import { CAUTION, type PaperSpec, QUIET, type } from './sheetParts.ts';

/** What a letter says besides the recall itself. */
export interface RecallLetters {
  readonly recall: Recall;
  readonly place: string;
  readonly phone: string;
  readonly today: Day;
  readonly locale: string;
}

/** One page for each family that has a kit of a design that failed a test: what to bring back, why, and whom to ring. */
export function recallPaper(o: RecallLetters, size: Paper): PaperSpec {
  const { recall } = o;
  const byFamily = new Map<string, string[]>();
  for (const k of recall.kits) byFamily.set(k.borrower, [...(byFamily.get(k.borrower) ?? []), k.label]);
  const line = (words: string): Content => type(words, { fontSize: 13, margin: [0, 0, 0, 9] });
  const letters = [...byFamily].map(([family, labels], i): Content => ({
    ...(i > 0 ? { pageBreak: 'before' as const } : {}),
    stack: [
      type(o.place, { color: QUIET }),
      type(shortDay(o.today, o.locale), { color: QUIET, margin: [0, 0, 0, 18] }),
      type(`Please bring back ${labels.join(' and ')}`, { bold: true, fontSize: 20, margin: [0, 0, 0, 12] }),
      line(`To: ${family}`),
      line(
        `You have ${recall.design.name} (${labels.join(', ')}) at home. In a test here one of these kits did not hold: ${recall.test.part.toLowerCase()}, ${recall.test.test} test.`,
      ),
      line('Please put it away now, out of reach of children. Nobody should use it any more.'),
      line('Put every part in its bag, also what is loose or broken, and bring it back as soon as you can.'),
      line(
        'If a part is missing, look for it at once, also in hands and mouths. If you think a child has swallowed one or cannot breathe, ring the emergency number.',
      ),
      line('You do not have to mend or pay anything, and you can take another kit with you.'),
      line(o.phone === '' ? `Questions: ${o.place}.` : `Questions: ring ${o.place}, ${o.phone}.`),
      type(CAUTION, { color: QUIET, fontSize: 10, margin: [0, 14, 0, 0] }),
    ],
  }));
  const paper: PaperSpec = {
    title: `${recall.design.name}: called back`,
    size,
    fontSize: 11,
    lineHeight: 1.25,
    as: 'letter',
    content: letters.length > 0 ? letters : [line('No kit of it is out: there is nobody to write to.')],
  };
  return paper;
}
