import type { Content } from 'pdfmake/interfaces';
import type { TodayKind, TodayLine } from '../../contract/today.ts';
import { longDay, shortDay, type Day } from '../../core/calendar/days.ts';
import type { Paper } from '../../core/print/paper.ts';
import { heading, INK, MM, type PaperSpec, QUIET, type } from './sheetParts.ts';

/** What is on the page for the wall. */
export interface TodaySheet {
  readonly place: string;
  readonly day: Day;
  /** BCP 47: how its days are written. */
  readonly locale: string;
  readonly paper: Paper;
  readonly lines: readonly TodayLine[];
  /** Of kinds with more lines than are listed, how many there are. */
  readonly counts: Readonly<Partial<Record<TodayKind, number>>>;
}

/** In the order of the day. */
const HEADS: readonly (readonly [TodayKind, string])[] = [
  ['called back', 'Called back: get these back first'],
  ['lend', 'Lend, as planned'],
  ['due', 'Due back today'],
  ['late', 'Overdue'],
  ['kept', 'Kept for a family that waits'],
  ['clean', 'Clean'],
  ['quarantine', 'Rested long enough: put on the shelf'],
  ['test', 'Test before the first is lent'],
  ['session', 'Making sessions'],
  ['short', 'Runs short for a session'],
  ['tell', 'Tell'],
  ['note', 'Write a note on'],
];

function wordsOf(l: TodayLine, locale: string): string {
  const kits = l.kits
    .map((k) => `${k.name} (${k.label})${k.why === null ? '' : `, which is ${k.why}`}`)
    .join(', ');
  const day = l.day === null ? '' : shortDay(l.day, locale);
  switch (l.kind) {
    case 'lend':
      return `${l.family!.name}: ${kits}, until ${day}`;
    case 'called back':
      return `${l.family!.name}: ${kits}. ${l.words}`;
    case 'late':
      return `${l.family!.name}: ${kits}, due ${day}`;
    case 'due':
      return `${l.family!.name}: ${kits}`;
    case 'kept':
      return `${l.family!.name}: ${l.design!.name}, ${l.words} is in`;
    case 'clean':
      return kits;
    case 'quarantine':
      return l.words;
    case 'test':
      return `${l.design!.name}: ${l.words}`;
    case 'session':
      return day === '' ? l.words : `${l.words}, ${day}`;
    case 'short':
      return `${l.words}, for ${l.design!.name}`;
    case 'tell':
      return `${l.family!.name}: ${l.words}`;
    case 'note':
      return `${l.words}: ${kits}, back ${day}`;
  }
}

const BOX = {
  svg: `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><rect x="1" y="1" width="8" height="8" rx="1" fill="none" stroke="${INK}" stroke-width="0.8"/></svg>`,
  width: 3.6 * MM,
};

/** One page for the wall, in the order of the day, a box before each thing to do. */
export function todayPaper(s: TodaySheet): PaperSpec {
  const parts = HEADS.flatMap(([kind, words]): Content[] => {
    const own = s.lines.filter((l) => l.kind === kind);
    if (own.length === 0) return [];
    const more = (s.counts[kind] ?? own.length) - own.length;
    return [
      heading(words),
      ...own.map((l): Content => ({
        unbreakable: true,
        margin: [0, 0, 0, 4],
        columns: [
          { width: 16, stack: [BOX] },
          { width: '*', stack: [type(wordsOf(l, s.locale))] },
        ],
      })),
      ...(more > 0 ? [type(`and ${more} more, on the screen`, { color: QUIET })] : []),
    ];
  });
  return {
    title: `${s.place}: ${s.day}`,
    size: s.paper,
    fontSize: 11.5,
    lineHeight: 1.18,
    foot: (at, of) => `${s.place} · ${longDay(s.day, s.locale)} · page ${at} of ${of}`,
    content: [
      type(longDay(s.day, s.locale), { bold: true, fontSize: 22 }),
      type(s.place, { color: QUIET }),
      ...(parts.length > 0 ? parts : [type('Nothing needs doing today.', { margin: [0, 12, 0, 0] })]),
    ],
  };
}
