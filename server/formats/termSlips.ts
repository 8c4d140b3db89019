import type { Content } from 'pdfmake/interfaces';
import type { TermPlanPage } from '../../contract/termPlan.ts';
import type { Day } from '../../core/calendar/days.ts';
import { againstLine, slipLine, type SlipLanguage } from '../../core/lend/term/slipWords.ts';
import { type Paper } from '../../core/print/paper.ts';
import { type PaperSpec, QUIET, type } from './sheetParts.ts';

/** A loan as its slip tells it. */
interface SlipLoan {
  readonly family: string;
  readonly kit: string;
  readonly label: string;
  readonly day: Day;
  readonly due: Day;
  /** Where it was lent against a stop of the check. */
  readonly override: { readonly by: string; readonly why: string; readonly of: string } | null;
}

/** What stands on a slip. */
const slip = (
  l: SlipLoan,
  place: { readonly name: string; readonly locale: string },
  language: SlipLanguage,
): Content => ({
  stack: [
    type(l.family, { bold: true, fontSize: 15 }),
    type(`${l.kit}, ${l.label}`, { fontSize: 12, margin: [0, 2, 0, 4] }),
    type(slipLine(l, language, place.locale)),
    ...(l.override
      ? [
          type(againstLine(l.override, language), { bold: true, margin: [0, 5, 0, 0] }),
          type(l.override.of, { fontSize: 9.5, margin: [0, 2, 0, 0] }),
        ]
      : []),
    type(place.name, { color: QUIET, fontSize: 9, margin: [0, 4, 0, 0] }),
  ],
  margin: [8, 7, 8, 9],
  unbreakable: true,
});

/** The slip of one loan, to lie in its bag. */
export const loanSlipPaper = (
  loan: SlipLoan,
  place: { readonly name: string; readonly locale: string; readonly paper: Paper },
  language: SlipLanguage,
): PaperSpec => ({
  title: `${place.name}: ${loan.label}`,
  size: place.paper,
  fontSize: 11,
  lineHeight: 1.2,
  as: 'slips',
  content: [slip(loan, place, language)],
});

/**
 * Slips to lie in the bags: one a loan that is to come and that nothing stands against, two beside each other, those of a day
 * together.
 */
export function termSlipsPaper(
  page: TermPlanPage,
  place: { readonly name: string; readonly locale: string },
  size: Paper,
  language: SlipLanguage,
): PaperSpec {
  const planned = page.families.flatMap((f) => f.loans.filter((l) => l.state === 'planned'));
  const left = planned.filter((l) => l.faults.length > 0).length;
  const slips = page.starts.flatMap(({ week }) =>
    page.families.flatMap((f) =>
      f.loans
        .filter((l) => l.week === week && l.state === 'planned' && l.faults.length === 0)
        .map((l): Content => slip({ ...l, family: f.name, override: null }, place, language)),
    ),
  );
  const rows: Content[][] = [];
  for (let i = 0; i < slips.length; i += 2) rows.push([slips[i]!, slips[i + 1] ?? { text: '' }]);
  const paper: PaperSpec = {
    title: `${place.name}: ${page.name}`,
    size,
    fontSize: 11,
    lineHeight: 1.2,
    as: 'slips',
    content:
      rows.length === 0
        ? [type(planned.length === 0 ? 'Nothing is planned yet.' : 'Something stands against every loan.')]
        : [
            {
              table: { widths: ['*', '*'], body: rows, dontBreakRows: true },
              layout: {
                hLineColor: () => QUIET,
                vLineColor: () => QUIET,
                hLineWidth: () => 0.6,
                vLineWidth: () => 0.6,
                hLineStyle: () => ({ dash: { length: 3, space: 3 } }),
                vLineStyle: () => ({ dash: { length: 3, space: 3 } }),
              },
            },
            ...(left > 0
              ? [
                  type(
                    `${left} ${left === 1 ? 'loan has' : 'loans have'} no slip: something stands against ${left === 1 ? 'it' : 'them'}.`,
                    { color: QUIET, fontSize: 9, margin: [0, 8, 0, 0] },
                  ),
                ]
              : []),
          ],
  };
  return paper;
}
