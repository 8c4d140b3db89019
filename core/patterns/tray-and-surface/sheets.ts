import type { Mark } from '../../drawing/mark.ts';
import { circle, line, moved, rectangle, words } from '../../drawing/marks.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import type { At, Sheet } from '../kernel.ts';
import { parts, type Dials } from './dials.ts';
import { floorShape, heightsOf } from './surface.ts';

const { PI, sin } = Math;

/** What is printed: lines to follow, marks for the wall, a corner for tape, cards of the colours. */
export function sheets(at: At<Dials>): Sheet[] {
  const { dials: d } = at;
  const { tray: t } = parts(at);
  switch (d.kind) {
    case 'food tray':
    case 'dough': {
      const wide = Math.max(60, Math.min(180, (t?.sizes.diameter ?? t?.sizes.length ?? 170) - 20));
      const wave = (turns: number): Mark[] => [
        rectangle('cut', [0, 0], [wide + 10, 50]),
        line(
          'draw',
          Array.from({ length: 61 }, (_, i): Vec2 => [
            -wide / 2 + (wide * i) / 60,
            turns === 0 ? 0 : 14 * sin((i / 60) * turns * 2 * PI),
          ]),
        ),
      ];
      return [0, 1, 2, 4].map((turns) => ({
        id: `line-${turns}`,
        title: turns === 0 ? 'Line to copy' : `Wave to copy, ${turns}`,
        count: 1,
        marks: wave(turns),
      }));
    }
    case 'wall':
      return heightsOf(d).map(({ level, height }) => ({
        id: level,
        title: `Mark at ${height} mm`,
        count: 1,
        marks: [
          rectangle('cut', [0, 0], [110, 36]),
          line('draw', [
            [-50, 10],
            [50, 10],
          ]),
          words([0, -6], level, 10),
        ],
      }));
    case 'floor':
      return [{ id: 'corner', title: 'Corner of the floor shape', count: 1, marks: corner(floorShape(d)) }];
    case 'foil':
      return [
        {
          id: 'overlap',
          title: 'How far a strip lies over the next',
          count: 1,
          marks: [rectangle('cut', [0, 0], [120, d.overlap]), words([0, 0], 'over the next', 8)],
        },
      ];
    case 'brushes':
      return d.colours
        .split(',')
        .map((c) => c.trim())
        .filter(Boolean)
        .slice(0, 6)
        .map((c, i) => ({
          id: `colour-${i + 1}`,
          title: `Colour ${c}`,
          count: 1,
          marks: [rectangle('cut', [0, 0], [60, 60]), circle('draw', [0, -6], 36), words([0, 22], c, 7)],
        }));
  }
}

/** A corner to lay tape along: both directions for a hand’s length. */
function corner(points: readonly Vec2[]): Mark[] {
  const [a, b, c] = [points.at(-1)!, points[0]!, points[1]!];
  const toward = (p: Vec2): Vec2 => {
    const l = Math.hypot(p[0] - b[0], p[1] - b[1]);
    return [((p[0] - b[0]) / l) * 90, ((p[1] - b[1]) / l) * 90];
  };
  return [line('draw', [toward(a), [0, 0], toward(c)]), words([0, -10], 'tape along both lines')].map((m) =>
    moved(m, [0, 0]),
  );
}
