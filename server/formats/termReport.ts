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
  readonly byFamily: readonly {
    readonly name: string;
    readonly group: string;
    readonly loans: number;
    readonly late: number;
    readonly out: number;
    /** Pieces that were not there when its kits were counted back, and did not turn up since. */
    readonly missing: number;
  }[];
  /** Loans against a stop of the check: what it had said, and who lent it and why. */
  readonly overridden: readonly {
    readonly on: Day;
    readonly family: string;
    readonly label: string;
    readonly stop: string;
    readonly why: string;
    readonly by: string;
  }[];
  /** Tests by hand that failed; `force` in N. */
  readonly failed: readonly {
    readonly on: Day;
    readonly design: string;
    readonly part: string;
    readonly test: string;
    readonly force: number | null;
    readonly by: string;
    readonly words: string;
  }[];
  /** Kits that are called back on the day of the report, and who still has them. */
  readonly calledBack: readonly {
    readonly label: string;
    readonly kit: string;
    readonly has: string | null;
    readonly why: string;
  }[];
  readonly today: Day;
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

const ended = (words: string): string => (/[.!?]$/.test(words) ? words : `${words}.`);

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
  const day = (on: Day): string => shortDay(on, t.money.locale);
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
      heading('Families'),
      t.byFamily.length === 0
        ? none('Nothing was lent.')
        : table(
            ['Family', 'loans', 'late', 'still out', 'pieces missing'],
            t.byFamily.map((f) => [
              f.group === '' ? f.name : `${f.name} (${f.group})`,
              ...[f.loans, f.late, f.out, f.missing].map(String),
            ]),
          ),
      type('Pieces missing: not there when a kit was counted back, and not found since.', {
        color: QUIET,
        fontSize: 9.5,
        margin: [0, 4, 0, 0],
      }),
      heading('Lent against the check'),
      ...(t.overridden.length === 0
        ? [none('Nothing was lent against a stop of the check.')]
        : t.overridden.map((o) =>
            type(
              `${day(o.on)}, ${o.label} to ${o.family}. The check said: ${ended(o.stop)} Lent by ${o.by === '' ? 'somebody who gave no name' : o.by}: ${ended(o.why)}`,
              { margin: [0, 0, 0, 3] },
            ),
          )),
      heading('Tests that failed, and kits called back'),
      ...(t.failed.length === 0
        ? [none('No test by hand that was noted failed.')]
        : t.failed.map((f) =>
            type(
              `${day(f.on)}, ${f.design}: ${f.test} test of ${f.part} failed${f.force === null ? '' : ` at ${f.force} N`}${f.by === '' ? '' : `, by ${f.by}`}${f.words === '' ? '.' : `: ${ended(f.words)}`}`,
              { margin: [0, 0, 0, 3] },
            ),
          )),
      type(
        t.calledBack.length === 0
          ? `No kit is called back on ${day(t.today)}.`
          : `Called back on ${day(t.today)}: ${t.calledBack.map((k) => `${k.label} ${k.kit} (${k.why}; ${k.has === null ? 'it is here' : `with ${k.has}`})`).join(', ')}.`,
        { margin: [0, 4, 0, 0] },
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
