import type { Content, TableCell } from 'pdfmake/interfaces';
import { shortDay, type Day } from '../../core/calendar/days.ts';
import { formatMoney, type MoneyStyle } from '../../core/measure/money.ts';
import { type Paper } from '../../core/print/paper.ts';
import type { Learned } from '../../core/watch/term.ts';
import { skillPlain } from '../../core/patterns/skillWords.ts';
import { heading, type PaperSpec, QUIET, type } from './sheetParts.ts';

/** What happened in a term. */
export interface TermReport {
  readonly place: string;
  readonly from: Day;
  readonly to: Day;
  readonly money: MoneyStyle;
  readonly families: number;
  /** Different kits that were lent, and kits that were made. */
  readonly copies: number;
  readonly made: number;
  readonly kits: readonly {
    readonly name: string;
    readonly loans: number;
    readonly families: number;
    readonly late: number;
    readonly out: number;
  }[];
  /** `cost` in minor units; null for what was saved or made. */
  readonly losses: readonly { readonly name: string; readonly lost: number; readonly cost: number | null }[];
  readonly learned: readonly (Omit<Learned, 'designId'> & {
    readonly name: string;
    readonly skill: string;
  })[];
  readonly children: number;
}

const cell = (words: string, bold = false): TableCell => type(words, { fontSize: 10.5, bold });
const right = (words: string, bold = false): TableCell =>
  type(words, { fontSize: 10.5, bold, alignment: 'right' });
const many = (n: number, one: string, more = `${one}s`): string => `${n} ${n === 1 ? one : more}`;

const table = (head: readonly string[], body: readonly (readonly string[])[]): Content => ({
  layout: 'lightHorizontalLines',
  table: {
    headerRows: 1,
    dontBreakRows: true,
    widths: ['*', ...head.slice(1).map(() => 'auto' as const)],
    body: [
      head.map((h, i) => (i === 0 ? cell(h, true) : right(h, true))),
      ...body.map((row) => row.map((x, i) => (i === 0 ? cell(x) : right(x)))),
    ],
  },
});

/** A term on paper, for those who carry it: loans, losses, costs and what was learned. */
export function termReportPaper(t: TermReport, size: Paper): PaperSpec {
  const loans = t.kits.reduce((n, k) => n + k.loans, 0);
  const late = t.kits.reduce((n, k) => n + k.late, 0);
  const lost = t.losses.reduce((n, l) => n + l.lost, 0);
  const cost = t.losses.reduce((n, l) => n + (l.cost ?? 0), 0);
  const newly = t.learned.reduce((n, l) => n + l.newlyAlone, 0);
  const days = `${shortDay(t.from, t.money.locale)} ${t.from.slice(0, 4)} to ${shortDay(t.to, t.money.locale)} ${t.to.slice(0, 4)}`;
  const none = (words: string): Content => type(words, { color: QUIET });
  return {
    title: `${t.place}: ${days}`,
    size,
    fontSize: 12,
    lineHeight: 1.25,
    foot: (at, pages) => `${t.place} · ${days} · page ${at} of ${pages}`,
    content: [
      type(t.place, { bold: true, fontSize: 24 }),
      type(days, { color: QUIET, margin: [0, 2, 0, 8] }),
      type(
        `${many(loans, 'loan')} of ${many(t.copies, 'kit')} to ${many(t.families, 'family', 'families')}; ${late === 0 ? 'none was late' : `${late} came back late or ${late === 1 ? 'is' : 'are'} overdue`}. ${many(t.made, 'kit was', 'kits were')} made. ${many(lost, 'piece')} went missing${cost > 0 ? `, worth ${formatMoney(cost, t.money)}` : ''}. ${many(t.children, 'child was', 'children were')} watched; ${many(newly, 'level was', 'levels were')} managed alone for the first time.`,
      ),
      heading('Loans'),
      t.kits.length === 0
        ? none('Nothing was lent.')
        : table(
            ['Kit', 'loans', 'families', 'late', 'still out'],
            t.kits.map((k) => [k.name, ...[k.loans, k.families, k.late, k.out].map(String)]),
          ),
      heading('What went missing, and what it costs'),
      t.losses.length === 0
        ? none('Nothing went missing.')
        : table(
            ['Piece', 'lost', 'cost'],
            [
              ...t.losses.map((l) => [
                l.name,
                String(l.lost),
                l.cost === null ? 'saved or made' : formatMoney(l.cost, t.money),
              ]),
              ['Together', String(lost), formatMoney(cost, t.money)],
            ],
          ),
      type('At the cheapest pack with delivery, as Price has it; what is saved costs nothing.', {
        color: QUIET,
        fontSize: 9.5,
        margin: [0, 4, 0, 0],
      }),
      heading('What was learned'),
      t.learned.length === 0
        ? none('No sitting was noted.')
        : table(
            ['Design', 'sittings', 'children', 'newly alone', 'liked'],
            t.learned.map((l) => [
              `${l.name} (${skillPlain(l.skill).toLowerCase()})`,
              String(l.sittings),
              String(l.children),
              String(l.newlyAlone),
              l.liked[1] === 0 ? '–' : `${l.liked[0]} of ${l.liked[1]}`,
            ]),
          ),
      type(
        'Newly alone: levels that a child managed without help for the first time. Notes by whoever sat with the child, no diagnosis.',
        { color: QUIET, fontSize: 9.5, margin: [0, 4, 0, 0] },
      ),
    ],
  };
}
