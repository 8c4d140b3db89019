import type { Mark } from '../../drawing/mark.ts';
import { atStep, circle, dimension, line, moved, rectangle, sceneOf } from '../../drawing/marks.ts';
import { materialMarks, pictureSize } from '../../drawing/material.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import { boxOf, outlineName } from '../../outline/outline.ts';
import type { At, Drawing } from '../kernel.ts';
import { parts, type Dials } from './dials.ts';
import { layOut } from './fit.ts';

const { max, min } = Math;
const GLUE = '#F7FAF8';

const closed = (points: readonly Vec2[]): Vec2[] => [...points, points[0]!];

/** The sheet taped at its corners, with the line of glue on it. */
function traced(at: At<Dials>): { marks: Mark[]; size: Vec2 } {
  const { dials: d } = at;
  const { clear, tape } = parts(at);
  const { edge, holes, across } = layOut(at);
  const { length = 0, width = 0 } = clear.sizes;
  const [x0, y0, x1, y1] = boxOf(edge);
  const [long, short] = [max(length, width), min(length, width)];
  const size: Vec2 = x1 - x0 >= y1 - y0 ? [long, short] : [short, long];
  const strand = (points: readonly Vec2[], width = d.line): Mark =>
    line('thread', points, { width, colour: GLUE });
  const corners: Mark[] = tape
    ? [-1, 1].flatMap((x) =>
        [-1, 1].map((y) =>
          rectangle('shade', [x * (size[0] / 2 - 5), y * (size[1] / 2 - 5)], [34, 13], {
            turn: x * y * -45,
            colour: tape.colour,
          }),
        ),
      )
    : [];
  return {
    size,
    marks: [
      rectangle('body', [0, 0], size, { corner: 2, colour: '#bcd3d4' }),
      ...atStep('trace', [
        ...[edge, ...holes].map((e) => strand(closed(e))),
        ...across.map(([a, b]) => strand([a, b], d.line * 0.8)),
      ]),
      // The line itself runs in the middle of the glue.
      ...atStep('tape', [...[edge, ...holes].map((e) => line('guide', closed(e))), ...corners]),
    ],
  };
}

export function draw(at: At<Dials>): Drawing {
  const { dials: d } = at;
  const { cord, peg, ends, pegAcross } = parts(at);
  const sheet = traced(at);
  const [w, h] = sheet.size;
  const [edge] = [layOut(at).edge];
  const [x0, , x1, y1] = boxOf(edge);
  // A high peg is drawn lower, its cord broken; the figures say how high it is.
  const shown = min(d.peg, max(h, 240));
  const k = shown / d.peg;
  const x = w / 2 + 60;
  const [ground, top] = [h / 2, h / 2 - shown];
  const [low, high] = ends.map((m) => pictureSize(m));
  const half = max(pegAcross / 2, 6);
  const reach = max(half, (low![0] + high![0]) / 4 + 4);
  const lifted = ground - d.lift * k - high![1];
  const broken = k < 0.999;
  const thick = max(1, cord.sizes.diameter ?? 3);
  const string = (a: Vec2, b: Vec2): Mark[] => {
    if (!broken) return [line('thread', [a, b], { width: thick, colour: cord.colour })];
    const m = (a[1] + b[1]) / 2;
    return [
      line('thread', [a, [a[0], m - 4]], { width: thick, colour: cord.colour }),
      line('thread', [[b[0], m + 4], b], { width: thick, colour: cord.colour }),
      line('guide', [
        [a[0] - 6, m - 1],
        [a[0] + 6, m - 6],
      ]),
      line('guide', [
        [a[0] - 6, m + 6],
        [a[0] + 6, m + 1],
      ]),
    ];
  };
  const pulley: Mark[] = [
    rectangle('body', [0, top - half - 12], [2 * reach + 30, 16], { colour: '#c89f63', corner: 2 }),
    ...string([-reach, top], [-reach, ground - low![1]]),
    ...string([reach, top], [reach, lifted]),
    line(
      'thread',
      [
        [-reach, top],
        [-reach * 0.7, top - half * 0.7],
        [0, top - half],
        [reach * 0.7, top - half * 0.7],
        [reach, top],
      ],
      { width: thick, colour: cord.colour },
    ),
    circle('piece', [0, top], 2 * half, peg.colour),
    ...materialMarks(ends[0], [-reach, ground - low![1] / 2]),
    ...materialMarks(ends[1], [reach, lifted + high![1] / 2]),
    line(
      'guide',
      [
        [-reach - 20, ground],
        [reach + 20, ground],
      ],
      { width: 1.2 },
    ),
  ].map((m) => ({ ...moved(m, [x + reach, 0]), step: 'hang' }));
  const measures: Mark[] = [
    dimension([x0, y1], [x1, y1], [0, h / 2 - y1 + 10], 'across', x1 - x0),
    dimension(
      [edge[0]![0] - d.line / 2, edge[0]![1]],
      [edge[0]![0] + d.line / 2, edge[0]![1]],
      [0, -h / 2 - edge[0]![1] - 8],
      'line',
      d.line,
    ),
    dimension(
      [x + 2 * reach, ground - d.lift * k],
      [x + 2 * reach, ground],
      [14 + high![0] / 2, 0],
      'rises',
      d.lift,
    ),
    dimension([x + 2 * reach, top], [x + 2 * reach, ground], [44 + high![0] / 2, 0], 'peg at', d.peg),
  ];
  const { across, holes } = layOut(at);
  return {
    scene: sceneOf([...sheet.marks, ...pulley, ...measures]),
    about: `A ${outlineName(d.outline)} in glue under way on a clear sheet, and a cord over a peg with a thing at each end, to scale`,
    picture: sceneOf(sheet.marks, 3),
    sheets: [
      {
        id: 'line',
        title: 'Line to trace',
        count: 1,
        marks: [
          ...[edge, ...holes].map((e) => line('draw', closed(e))),
          ...across.map(([a, b]) => line('draw', [a, b])),
        ],
      },
    ],
  };
}
