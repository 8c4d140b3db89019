import { Clipper, FillRule } from 'clipper2-ts';
import type { Mark } from '../../drawing/mark.ts';
import { atStep, line, moved, outline } from '../../drawing/marks.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import { content, PAPER } from './cards.ts';
import { shownOn, type Dials } from './dials.ts';
import { halfOutline, linePoints, linesOf, type CutLine } from './lines.ts';

/** What of a mark lies on a half of its card; words stay whole. */
function partOf(m: Mark, half: readonly Vec2[]): Mark[] {
  if (m.kind === 'words' || (m.kind !== 'outline' && m.kind !== 'circle')) return [];
  const points =
    m.kind === 'outline'
      ? m.points
      : Array.from({ length: 60 }, (_, i): Vec2 => [
          m.at[0] + m.radius * Math.cos((i * Math.PI) / 30),
          m.at[1] + m.radius * Math.sin((i * Math.PI) / 30),
        ]);
  const path = (list: readonly Vec2[]) => [list.map(([x, y]) => ({ x, y }))];
  return Clipper.intersectD(path(points), path(half), FillRule.NonZero, 3).map((p) =>
    outline(m.role, seen(p.map(({ x, y }): Vec2 => [x, y])), [0, 0], { colour: m.colour }),
  );
}

/** A line without the points that nobody sees on the mat, mm; what is printed keeps them. */
const UNSEEN = 0.25;
const seen = (points: readonly Vec2[]): Vec2[] =>
  Clipper.ramerDouglasPeuckerD(
    points.map(([x, y]) => ({ x, y })),
    UNSEEN,
  ).map(({ x, y }) => [x, y]);

const cutUp = new Map<string, readonly Mark[]>();
const MOST_CUT_UP = 120;

/** A half of a card with its part of what the card shows; remembered, since one card more leaves the others as they are. */
function halfMarks(d: Dials, side: -1 | 1, cut: CutLine, picture: readonly Mark[]): readonly Mark[] {
  const key = JSON.stringify([d.cut, d.width, d.height, side, cut, picture]);
  let marks = cutUp.get(key);
  if (!marks) {
    const edge = seen(halfOutline(cut, [d.width, d.height], side, d.cut));
    marks = [
      ...atStep('cut', [outline('body', edge, [0, 0], { colour: PAPER })], 'print'),
      ...atStep(
        'colour',
        picture.flatMap((m) => partOf(m, edge)),
        'print',
      ),
    ];
    if (cutUp.size >= MOST_CUT_UP) cutUp.delete(cutUp.keys().next().value!);
    cutUp.set(key, marks);
  }
  return marks;
}

/** Cards cut in half, each along its own line. */
export function halves(d: Dials): Mark[] {
  const lines = linesOf(d.cut, d.width, d.height, d.number);
  const columns = Math.max(1, Math.ceil(Math.sqrt(d.number * 1.2)));
  return Array.from({ length: d.number }, (_, i) => {
    const by: Vec2 = [(i % columns) * (d.width + 24), Math.floor(i / columns) * (d.height + 14)];
    const picture = content(shownOn(d, i), [d.width, d.height], i, false);
    // The first lies open, so that its cut is seen through its picture too.
    const open = i === 0 ? 5 : 0;
    const marks: Mark[] = ([-1, 1] as const).flatMap((side) =>
      halfMarks(d, side, lines[i]!, picture).map((m) => moved(m, [by[0] + side * open, by[1]])),
    );
    if (!open)
      marks.push(
        ...atStep('halve', [
          moved(line('guide', seen(linePoints(lines[i]!, d.height, d.cut)), { width: 0.8 }), by),
        ]),
      );
    const written = picture.filter((m) => m.kind === 'words').map((m) => moved(m, [by[0] - open, by[1]]));
    marks.push(...atStep('print', written));
    return marks;
  }).flat();
}
