import type { Mark } from '../../drawing/mark.ts';
import { atStep, dimension, line, moved, outline, rectangle, sceneOf, words } from '../../drawing/marks.ts';
import { materialMarks, pictureSize } from '../../drawing/material.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import type { At, Drawing, Sheet } from '../kernel.ts';
import { layOut, parts, type Dials } from './dials.ts';
import type { Course, Pieces } from './course.ts';

const { hypot, max, min } = Math;

/** The way between the barriers, as the water or road it is. */
function way(c: Course): Mark[] {
  if (c.closed)
    return [
      outline('shade', c.outer, [0, 0], { colour: '#a9d3d6' }),
      outline('body', c.inner, [0, 0], { colour: '#d8c39b' }),
    ];
  return [outline('shade', [...c.outer, ...[...c.inner].reverse()], [0, 0], { colour: '#a9d3d6' })];
}

const laid = (p: Pieces, thick: number, colour: string): Mark[] =>
  p.ends.map(([a, b]) => {
    // A hair is left between two, so that the joints are seen.
    const l = hypot(b[0] - a[0], b[1] - a[1]);
    const k = min(0.04, 0.8 / l);
    return line(
      'thread',
      [
        [a[0] + k * (b[0] - a[0]), a[1] + k * (b[1] - a[1])],
        [b[0] - k * (b[0] - a[0]), b[1] - k * (b[1] - a[1])],
      ],
      { width: thick, colour },
    );
  });

/** More pieces than this lie so close that tape on each would hide them. */
const TAPED = 30;
/** Two bits of tape on each piece. */
const taped = (p: Pieces, colour: string): Mark[] =>
  (p.ends.length > TAPED ? [] : p.ends).flatMap(([a, b]) =>
    [0.25, 0.75].map((t): Mark => {
      const at: Vec2 = [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])];
      const turn = (Math.atan2(b[1] - a[1], b[0] - a[0]) * 180) / Math.PI;
      return rectangle('shade', at, [5, 15], { turn, colour });
    }),
  );

const darker = '#B0451A';

function made(at: At<Dials>): Mark[] {
  const { board, barrier, thick, tape, runner } = parts(at);
  const { course, outer, inner } = layOut(at);
  const { length = 0, width = 0 } = board.sizes;
  const size: Vec2 = [max(length, width), min(length, width)];
  const ground = rectangle('body', [0, 0], size, { corner: 3, colour: board.colour });
  if (!course) return [ground];
  const cord = (points: readonly Vec2[]): Mark =>
    line('thread', course.closed ? [...points, points[0]!] : points, {
      width: thick,
      colour: barrier.colour,
    });
  const start = course.middle[0]!;
  const next = course.middle[1]!;
  const turn = (Math.atan2(next[1] - start[1], next[0] - start[0]) * 180) / Math.PI;
  const [w, h] = pictureSize(runner);
  // The line to start and end at, across the lane beside what runs.
  const at1 = course.middle[Math.floor(course.middle.length * (course.closed ? 0.25 : 0.06))]!;
  const at2 = course.middle[Math.floor(course.middle.length * (course.closed ? 0.25 : 0.06)) + 1] ?? next;
  const across = (Math.atan2(at2[1] - at1[1], at2[0] - at1[0]) * 180) / Math.PI;
  return [
    ground,
    ...atStep('draw', [
      ...way(course),
      line('guide', course.closed ? [...course.middle, start] : course.middle, { width: 0.8 }),
      rectangle('shade', at1, [3, at.dials.lane], { turn: across, colour: '#fffdf8' }),
    ]),
    ...atStep('tape', [
      ...(outer ? laid(outer, thick, barrier.colour) : [cord(course.outer)]),
      ...(inner ? laid(inner, thick, darker) : [cord(course.inner)]),
      ...(tape
        ? [...(outer ? taped(outer, tape.colour) : []), ...(inner ? taped(inner, tape.colour) : [])]
        : []),
    ]),
    ...atStep(
      'try',
      runner.form === 'disc' || runner.solid === 'ball'
        ? materialMarks(runner, start)
        : [rectangle('piece', start, [w, h], { turn, corner: min(w, h) * 0.3, colour: runner.colour })],
    ),
  ];
}

/** The course to draw on the board, both barriers' lines. */
function sheets(at: At<Dials>): Sheet[] {
  const { course } = layOut(at);
  if (!course) return [];
  const edge = (points: readonly Vec2[]): Mark =>
    line('draw', course.closed ? [...points, points[0]!] : points);
  return [
    {
      id: 'course',
      title: 'Course, to draw on the board',
      count: 1,
      marks: [edge(course.outer), edge(course.inner)],
    },
  ];
}

export function draw(at: At<Dials>): Drawing {
  const { dials: d } = at;
  const { board, thick, barrier, bends } = parts(at);
  const { course, outer, inner } = layOut(at);
  const marks = made(at);
  const { length = 0, width = 0 } = board.sizes;
  const [w, h] = [max(length, width), min(length, width)];
  const x = w / 2 + 26;
  const beside: Mark[] =
    bends || !outer || !inner
      ? []
      : [
          { piece: d.piece, colour: barrier.colour, label: `${outer.ends.length} outside`, y: -h / 2 },
          {
            piece: d.innerPiece,
            colour: darker,
            label: `${inner.ends.length} inside`,
            y: -h / 2 + d.piece + 44,
          },
        ].flatMap(({ piece, colour, label, y }) =>
          [
            line(
              'thread',
              [
                [0, 0],
                [0, piece],
              ],
              { width: thick, colour },
            ),
            dimension([thick / 2, 0], [thick / 2, piece], [8, 0], undefined, piece),
            words([34, piece + 20], label),
          ].map((m) => moved(m, [x, y])),
        );
  const bottom = course?.middle[course.closed ? Math.floor(course.middle.length / 2) : 0];
  const lane: Mark[] =
    course && bottom && course.closed
      ? [
          dimension(
            [bottom[0] - d.lane / 2, bottom[1]],
            [bottom[0] + d.lane / 2, bottom[1]],
            [0, 0.01],
            'lane',
            d.lane,
          ),
        ]
      : [];
  return {
    scene: sceneOf([
      ...marks,
      ...atStep('cut', beside),
      ...lane,
      dimension([-w / 2, h / 2], [w / 2, h / 2], [0, 10], 'board', w),
      dimension([-w / 2, -h / 2], [-w / 2, h / 2], [-10, 0]),
    ]),
    about: `A ${d.course === 'own' ? 'course' : d.course} with a lane of ${d.lane} mm between two barriers on a board, to scale`,
    picture: sceneOf(marks, 3),
    sheets: sheets(at),
  };
}
