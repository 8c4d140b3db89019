import type { Content } from 'pdfmake/interfaces';
import { longDay, shortDay, type Day } from '../../core/calendar/days.ts';
import type { Language } from '../../core/languages/messages.ts';
import { borrowedWords } from '../../core/lend/borrowedWords.ts';
import { type Paper } from '../../core/print/paper.ts';
import { heading, type PaperSpec, QUIET, type } from './sheetParts.ts';

/** What a family had in a time, and what its children do alone by its end. */
export interface Borrowed {
  readonly family: string;
  readonly place: string;
  readonly from: Day;
  readonly to: Day;
  readonly language: Language;
  /** How days are written (BCP 47). */
  readonly locale: string;
  /** `returnedOn` is null while it is out. */
  readonly loans: readonly { readonly kit: string; readonly lentOn: Day; readonly returnedOn: Day | null }[];
  readonly children: readonly {
    readonly code: string;
    /** Sittings that were noted within the time. */
    readonly sittings: number;
    readonly alone: readonly { readonly design: string; readonly level: string; readonly since: Day }[];
  }[];
}

/** A page that a family keeps: what it borrowed, and what its children can do now. */
export function borrowedPaper(b: Borrowed, size: Paper): PaperSpec {
  const say = (
    ...[key, values]: [Parameters<typeof borrowedWords>[1], Parameters<typeof borrowedWords>[2]?]
  ) => borrowedWords(b, key, values);
  const day = (d: Day): string => shortDay(d, b.locale);
  const line = (words: string): Content => type(words, { margin: [0, 0, 0, 4] });
  const days = say('days', { from: longDay(b.from, b.locale), to: longDay(b.to, b.locale) });
  return {
    title: say('title', { family: b.family }),
    size,
    fontSize: 13,
    lineHeight: 1.25,
    foot: () => `${b.place} · ${days}`,
    content: [
      type(say('title', { family: b.family }), { bold: true, fontSize: 24 }),
      type(days, { color: QUIET, margin: [0, 2, 0, 6] }),
      heading(say('borrowed')),
      ...(b.loans.length === 0
        ? [line(say('nothing'))]
        : b.loans.map((l) =>
            line(
              l.returnedOn === null
                ? say('out', { kit: l.kit, from: day(l.lentOn) })
                : say('back', { kit: l.kit, from: day(l.lentOn), to: day(l.returnedOn) }),
            ),
          )),
      ...(b.children.length === 0 ? [type(say('noChild'), { color: QUIET, margin: [0, 8, 0, 0] })] : []),
      ...b.children.flatMap((c): Content[] => [
        heading(say('can', { child: c.code })),
        ...(c.alone.length > 0
          ? c.alone.map((a) =>
              line(
                `${say('alone', { design: a.design, level: a.level, day: day(a.since) })}${a.since >= b.from ? ` · ${say('isNew')}` : ''}`,
              ),
            )
          : [
              line(
                c.sittings > 0 ? say('notYet', { sittings: c.sittings }) : say('notNoted', { child: c.code }),
              ),
            ]),
      ]),
      type(say('notes'), { bold: true, margin: [0, 12, 0, 0] }),
    ],
  };
}
