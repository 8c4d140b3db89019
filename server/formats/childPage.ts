import type { Content, TableCell } from 'pdfmake/interfaces';
import type { Note } from '../../contract/notes.ts';
import type { ChildPage } from '../../contract/watching.ts';
import { longDay, shortDay, type Day } from '../../core/calendar/days.ts';
import { type Paper } from '../../core/print/paper.ts';
import type { Suggestion } from '../../core/watch/whatNext.ts';
import { skillWords } from '../../core/patterns/skillWords.ts';
import { heading, INK, MM, type PaperSpec, QUIET, type } from './sheetParts.ts';

/** What was noted of a child, for its family or its therapist. */
export interface ChildPaper {
  readonly page: ChildPage;
  readonly notes: readonly Note[];
  readonly place: string;
  readonly today: Day;
  readonly locale: string;
}

/** The interval as a band and the chance as a line on it, mm. */
const BAR = [60, 4] as const;
const bar = (low: number, chance: number, high: number): Content => ({
  svg: `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${BAR[0]} ${BAR[1]}"><rect width="${BAR[0]}" height="${BAR[1]}" rx="1" fill="#eee6d6"/><rect x="${low * BAR[0]}" width="${(high - low) * BAR[0]}" height="${BAR[1]}" rx="1" fill="#bfa58d"/><rect x="${chance * BAR[0] - 0.5}" width="1" height="${BAR[1]}" fill="${INK}"/></svg>`,
  width: BAR[0] * MM,
  margin: [0, 4, 0, 0],
});

const inTen = (chance: number): string => `${Math.round(10 * chance)} in 10`;

const offer = (title: string, s: Suggestion | null): Content[] =>
  s === null
    ? []
    : [
        {
          unbreakable: true,
          margin: [0, 0, 0, 6],
          stack: [
            type(title, { color: QUIET, fontSize: 10 }),
            type(`${s.design}, “${s.level}”`, { bold: true, fontSize: 13 }),
            type(`${s.reason} ${s.label}`),
          ],
        },
      ];

const cell = (words: string, bold = false): TableCell => type(words, { fontSize: 10, bold });

export function childPagePaper(p: ChildPaper, size: Paper): PaperSpec {
  const { page, notes } = p;
  const designs = [...new Map(page.levels.map((r) => [r.designId, r.design]))];
  const { next, easier, other } = page.whatNext;
  return {
    title: `${page.child}: what was seen, what next`,
    size,
    fontSize: 11.5,
    lineHeight: 1.2,
    foot: (at, pages) =>
      `${p.place} · ${page.child} · ${longDay(p.today, p.locale)} · page ${at} of ${pages}`,
    content: [
      type(page.child, { bold: true, fontSize: 24 }),
      type(
        `${page.notes} ${page.notes === 1 ? 'note' : 'notes'}. To practise: ${skillWords(page.whatNext.skill).toLowerCase()}.`,
        { color: QUIET, margin: [0, 2, 0, 0] },
      ),
      heading('What next'),
      ...(next || other
        ? [...offer('Next', next), ...offer('On a tired day', easier), ...offer('For another skill', other)]
        : [type('No kit that is in, clean and whole fits now.')]),
      heading('Alone, out of ten tries'),
      ...designs.map(([id, design]): Content => ({
        unbreakable: true,
        margin: [0, 0, 0, 8],
        stack: [
          type(design, { bold: true, margin: [0, 0, 0, 2] }),
          {
            layout: 'noBorders',
            table: {
              widths: ['*', 60 * MM, 44],
              body: page.levels
                .filter((r) => r.designId === id)
                .map((r) => [
                  cell(`${r.level}${r.alone === null ? '' : r.alone === 1 ? ' · alone' : ' · with help'}`),
                  bar(r.low, r.chance, r.high),
                  cell(inTen(r.chance), true),
                ]),
            },
          },
        ],
      })),
      type(
        page.rests.isGuess
          ? `A guess by bits: ${page.rests.answers} answers of ${page.rests.children} children are few. The band is the 95 % interval.`
          : `Rasch model over ${page.rests.answers} answers of ${page.rests.children} children. The band is the 95 % interval.`,
        { color: QUIET, fontSize: 9.5 },
      ),
      heading('What was seen'),
      {
        layout: 'lightHorizontalLines',
        table: {
          headerRows: 1,
          dontBreakRows: true,
          widths: [44, '*', 74, 90, '*'],
          body: [
            ['Day', 'Design and level', 'Help', 'How it went', 'Words'].map((w) => cell(w, true)),
            ...notes.map((n) => [
              cell(shortDay(n.satOn, p.locale)),
              cell(`${n.design}: ${n.level}`),
              cell(n.help),
              cell(
                [
                  n.count === null ? null : `${n.count} ${n.of}`,
                  n.seconds === null ? null : `${n.seconds} s`,
                  n.tries === 1 && n.managed === 1 ? null : `${n.managed} of ${n.tries} tries`,
                  n.liked,
                ]
                  .filter(Boolean)
                  .join(', '),
              ),
              cell(n.words),
            ]),
          ],
        },
      },
      type(
        'These are notes and suggestions from them, not a diagnosis. Ask the therapist who knows the child.',
        { bold: true, margin: [0, 10, 0, 0] },
      ),
    ],
  };
}
