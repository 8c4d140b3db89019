import type { Mark } from '../../drawing/mark.ts';
import { line, outline, rectangle } from '../../drawing/marks.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import type { At, Sheet } from '../kernel.ts';
import { content, hasStick, partner, plainCard } from './cards.ts';
import { shownOn, type Dials } from './dials.ts';
import { boardOf, holeOutline, insetOutline, INSETS, placesOf } from './insets.ts';
import { linePoints, linesOf } from './lines.ts';
import { text } from './words.ts';

/** Cards to print: each with its line to cut along. */
export function sheets(at: At<Dials>): Sheet[] {
  const { dials: d } = at;
  if (d.kind === 'order') return [];
  const numbers = Array.from({ length: d.number }, (_, i) => i);
  if (d.kind === 'insets') {
    const { size } = boardOf(d.number, d.width, d.loose);
    const shape = (i: number) => INSETS[i % INSETS.length]!;
    return [
      {
        id: 'board',
        title: text(at, 'board'),
        count: 1,
        marks: [
          rectangle('cut', [0, 0], size),
          ...placesOf(d).map((p, i) => outline('cut', holeOutline(shape(i), d.width, d.loose), p)),
        ],
      },
      ...numbers.map((i): Sheet => ({
        id: `inset-${i + 1}`,
        title: `Inset ${i + 1}`,
        count: 1,
        marks: [outline('cut', insetOutline(shape(i), d.width))],
      })),
    ];
  }
  const size: Vec2 = [d.width, d.height];
  const card = (id: string, title: string, marks: Mark[], count = 1): Sheet => ({
    id,
    title,
    count,
    marks: [plainCard(d, true), ...marks],
  });
  if (d.kind === 'halves') {
    const lines = linesOf(d.cut, d.width, d.height, d.number);
    return numbers.map((i) =>
      card(`card-${i + 1}`, `Card ${i + 1}`, [
        ...content(shownOn(d, i), size, i, true),
        line('cut', linePoints(lines[i]!, d.height, d.cut)),
      ]),
    );
  }
  return numbers.flatMap((i) => [
    card(
      `card-${i + 1}`,
      `Card ${i + 1}`,
      content(shownOn(d, i), size, i, true),
      d.partner === 'same' ? 2 : 1,
    ),
    ...(d.partner === 'same' || hasStick(d)
      ? []
      : [card(`partner-${i + 1}`, `Partner ${i + 1}`, partner(d, i, true))]),
  ]);
}
