import type { Mark } from '../drawing/mark.ts';
import type { Layout } from '../patterns/kernel.ts';
import { PatternError } from '../patterns/kernel.ts';
import type { Vec2 } from '../geometry/vector.ts';
import { CHECKING_BAR, MARGIN, PAPERS, type Paper } from './paper.ts';

/** A page at true scale: marks in mm from the upper left corner of the paper. */
export interface TemplatePage {
  readonly width: number;
  readonly height: number;
  readonly marks: readonly Mark[];
  /** The checking bar, 50 mm, from left to right. */
  readonly bar: { readonly from: Vec2; readonly to: Vec2 };
  /** The lid's edge is left out where it would not fit on the paper. */
  readonly lidLeftOut: boolean;
}

const HEAD = 30;
const FOOT = 30;

const moved = (m: Mark, by: Vec2): Mark => {
  const shift = (p: Vec2): Vec2 => [p[0] + by[0], p[1] + by[1]];
  switch (m.kind) {
    case 'circle':
      return { ...m, at: shift(m.at) };
    case 'outline':
      return { ...m, points: m.points.map(shift) };
    case 'dimension':
      return { ...m, from: shift(m.from), to: shift(m.to) };
    case 'words':
      return { ...m, at: shift(m.at) };
  }
};

const reach = (m: Mark): Vec2 =>
  m.kind === 'circle'
    ? [m.at[0] + m.radius, m.at[1] + m.radius]
    : m.kind === 'outline'
      ? [Math.max(...m.points.map((p) => Math.abs(p[0]))), Math.max(...m.points.map((p) => Math.abs(p[1])))]
      : [0, 0];

/**
 * Lays a template in the middle of the paper, true to size, with the checking bar below.
 * @throws PatternError when even the opening alone is larger than the paper
 */
export function templatePage(template: Layout['template'], paper: Paper): TemplatePage {
  const { width, height } = PAPERS[paper];
  const room: Vec2 = [width - 2 * MARGIN, height - HEAD - FOOT];
  const fits = (marks: readonly Mark[]): boolean =>
    marks.every((m) => 2 * reach(m)[0] <= room[0] && 2 * reach(m)[1] <= room[1]);
  let marks = template.marks;
  let lidLeftOut = false;
  if (!fits(marks)) {
    marks = marks.filter((m) => !('role' in m) || m.role === 'cut');
    lidLeftOut = true;
    if (!fits(marks))
      throw new PatternError(
        'dials.length',
        `the opening is larger than ${paper} paper; expected at most ${Math.floor(room[0])} mm across`,
      );
  }
  const middle: Vec2 = [width / 2, HEAD + room[1] / 2];
  const y = height - MARGIN - 6;
  return {
    width,
    height,
    marks: marks.map((m) => moved(m, middle)),
    bar: { from: [MARGIN, y], to: [MARGIN + CHECKING_BAR, y] },
    lidLeftOut,
  };
}
