import { bodyOf, shadowOf } from '../geometry/body.ts';
import { hull } from '../geometry/polygon.ts';
import type { HandGauge } from '../gauge/handGauges.ts';
import { gaugeView } from '../gauge/gaugeView.ts';
import { SMALL_PARTS_CYLINDER, type SmallPartsAnswer } from '../gauge/smallParts.ts';
import type { Shape } from '../geometry/shape.ts';
import type { Mat3, Vec2 } from '../geometry/vector.ts';
import { middleOf } from '../outline/outline.ts';
import { outlineOf, type Opening } from '../passage/opening.ts';
import type { Mark, Scene } from './mark.ts';
import { circle, dimension, line, outline, sceneOf } from './marks.ts';

/** The small-parts cylinder with a piece in its best pose, as a drawing to print. mm. */
export function gaugeScene(shape: Shape, answer: SmallPartsAnswer): Scene {
  const { width, height, inside, piece, rim } = gaugeView(shape, answer);
  const round = Array.from({ length: 49 }, (_, i): Vec2 => {
    const a = (i * Math.PI) / 24;
    return [rim.at[0] + rim.radius * Math.cos(a), rim.at[1] + 3.4 * Math.sin(a)];
  });
  return {
    width,
    height,
    marks: [
      outline('shade', inside),
      outline('piece', piece),
      line('draw', [inside[0]!, inside[3]!, inside[2]!, inside[1]!], { width: 0.8 }),
      line('draw', round, { width: 0.5 }),
    ],
  };
}

/** The small-parts cylinder at true size, to lay a piece on: its opening, and its inside from the side. mm. */
export function cylinderScene(): Scene {
  const { diameter, shallow, deep } = SMALL_PARTS_CYLINDER;
  const left = diameter + 8;
  const side: Vec2[] = [
    [left, 0],
    [left, shallow],
    [left + diameter, deep],
    [left + diameter, 0],
  ];
  return sceneOf(
    [
      circle('shade', [diameter / 2, diameter / 2], diameter),
      circle('draw', [diameter / 2, diameter / 2], diameter),
      outline('shade', side),
      line('draw', side, { width: 0.6 }),
    ],
    1,
  );
}

/** The thinnest rod of the finger gauge, mm: a small child's finger end. */
const FINGER = 6;

/** Where in an opening the thickest rod goes, mm. */
function widestAt(opening: Opening): Vec2 {
  const edge = outlineOf(opening);
  return edge ? middleOf(edge).at : [0, 0];
}

/** An opening with the two rods of the finger gauge where it is widest; a rod that does not go in lies over its edge. */
function fingers(opening: Opening, limit: number): Mark[] {
  const edge = outlineOf(opening);
  const hole = edge
    ? outline('opening', edge)
    : circle('opening', [0, 0], (opening as { diameter: number }).diameter);
  const [x, y] = widestAt(opening);
  return [
    hole,
    circle('piece', [x, y], limit),
    circle('piece-in', [x, y], FINGER),
    dimension([x - limit / 2, y], [x + limit / 2, y], [0, limit / 2 + 6]),
    dimension([x - FINGER / 2, y], [x + FINGER / 2, y], [0, -limit / 2 - 6]),
  ];
}

/** Along the x, y and z axis. */
const AXES: readonly Mat3[] = [
  [0, 1, 0, 0, 0, 1, 1, 0, 0],
  [1, 0, 0, 0, 0, 1, 0, 1, 0],
  [1, 0, 0, 0, 1, 0, 0, 0, 1],
];
const spanOf = (points: readonly Vec2[], axis: 0 | 1): [number, number] => {
  const all = points.map((p) => p[axis]);
  return [Math.min(...all), Math.max(...all)];
};
const widthOf = (points: readonly Vec2[], axis: 0 | 1): number => {
  const [from, to] = spanOf(points, axis);
  return to - from;
};

/** A ball in the ring that it must not pass, seen along its longest way: so it passes, if at all. */
function ring(shape: Shape, limit: number): Mark[] {
  const views = AXES.map((a) => hull(shadowOf(bodyOf(shape), a)));
  const most = (v: readonly Vec2[]): number => Math.max(widthOf(v, 0), widthOf(v, 1));
  const seen = views.reduce((best, v) => (most(v) < most(best) ? v : best));
  const middle = ([0, 1] as const).map((k) => (spanOf(seen, k)[0] + spanOf(seen, k)[1]) / 2);
  const shown = seen.map(([x, y]): Vec2 => [x - middle[0]!, y - middle[1]!]);
  const below = Math.max(limit, most(seen)) / 2 + 7;
  const across = most(seen) / 2;
  return [
    outline('piece', shown),
    { kind: 'circle', role: 'draw', at: [0, 0], radius: limit / 2 },
    dimension([-limit / 2, 0], [limit / 2, 0], [0, below]),
    dimension([-across, 0], [across, 0], [0, -below]),
  ];
}

/** A loop laid round beside the loop that goes over a small head. */
function head(round: number, limit: number): Mark[] {
  const [own, least] = [round / Math.PI, limit / Math.PI];
  return [
    { kind: 'circle', role: 'draw', at: [0, 0], radius: least / 2 },
    { kind: 'circle', role: 'guide', at: [own / 2 + least / 2 + 20, 0], radius: own / 2 },
    dimension([-least / 2, 0], [least / 2, 0], [0, least / 2 + 12], undefined, limit),
    dimension(
      [least / 2 + 20, 0],
      [least / 2 + 20 + own, 0],
      [0, Math.max(own, least) / 2 + 12],
      undefined,
      round,
    ),
  ];
}

/** A cord laid straight over the longest that is allowed. */
const lengths = (own: number, limit: number): Mark[] => [
  line(
    'thread',
    [
      [0, 0],
      [own, 0],
    ],
    { width: Math.max(2, own / 120) },
  ),
  line(
    'draw',
    [
      [0, 14],
      [limit, 14],
    ],
    { width: 0.8 },
  ),
  dimension([0, 0], [own, 0], [0, -10]),
  dimension([0, 14], [limit, 14], [0, 12]),
];

/** What a design is held to by hand, as a drawing: the thing and the gauge at one scale, mm. */
export function handGaugeScene(of: HandGauge, limit: number): Scene {
  switch (of.gauge) {
    case 'fingers':
      return sceneOf(fingers(of.opening, limit));
    case 'ring':
      return sceneOf(ring(of.shape, limit));
    case 'head':
      return sceneOf(head(of.round, limit));
    case 'length':
      return sceneOf(lengths(of.length, limit));
  }
}
