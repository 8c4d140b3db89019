import type { Mark } from '../../drawing/mark.ts';
import { atStep, circle, dimension, line, moved, outline, rectangle, sceneOf } from '../../drawing/marks.ts';
import { materialMarks, pictureSize } from '../../drawing/material.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import { kindOf } from '../making.ts';
import type { At, Drawing, Sheet } from '../kernel.ts';
import { mouthOf, parts, type Dials } from './dials.ts';
import { lensOf, seenLength } from './mouth.ts';

const { cos, max, min, PI, sin } = Math;

/** The face of a ball or box; the mouth is its own. */
function face(at: At<Dials>, squeezed: boolean): Mark[] {
  const { dials: d } = at;
  const { ball, eyes } = parts(at);
  const round = ball.form === 'piece';
  const across = ball.sizes.diameter ?? ball.sizes.length!;
  const high = round ? across : ball.sizes.height!;
  const body = round
    ? squeezed
      ? [
          outline(
            'body',
            Array.from({ length: 72 }, (_, i): Vec2 => {
              const a = (2 * PI * i) / 72;
              return [(across / 2) * 0.9 * cos(a), (across / 2) * 1.06 * sin(a)];
            }),
            [0, 0],
            { colour: ball.colour },
          ),
        ]
      : [circle('body', [0, 0], across, ball.colour)]
    : materialMarks(ball, [0, 0]);
  const eye = eyes && d.eyes === 'glued' ? pictureSize(eyes)[0] : across * 0.13;
  const seen: Mark[] =
    d.eyes === 'none'
      ? []
      : [-1, 1].flatMap((side): Mark[] => {
          const p: Vec2 = [side * across * 0.17, -high * 0.24];
          return d.eyes === 'glued' && eyes
            ? materialMarks(eyes, p)
            : [circle('shade', p, eye, '#ffffff'), circle('piece', p, eye * 0.45, '#21302d')];
        });
  return [...body, ...atStep('face', seen)];
}

/** The open mouth as a lens about its middle. */
function lens(at: At<Dials>): Vec2[] {
  const { chord, opening } = lensOf(mouthOf(parts(at).ball, at.dials));
  const n = 24;
  const arc = (side: 1 | -1): Vec2[] =>
    Array.from({ length: n + 1 }, (_, i): Vec2 => {
      const t = -1 + (2 * i) / n;
      return [(side * t * chord) / 2, (side * opening * (1 - t * t)) / 2];
    });
  return [...arc(1).slice(0, -1), ...arc(-1).slice(0, -1)];
}

/** The ball closed with its slit, the ball squeezed with a piece half in, and what else it is fed. */
export function draw(at: At<Dials>): Drawing {
  const { dials: d } = at;
  const { ball, items } = parts(at);
  const across = ball.sizes.diameter ?? ball.sizes.length!;
  const high = ball.form === 'piece' ? across : ball.sizes.height!;
  const low = high * 0.12;
  const seen = ball.form === 'piece' ? seenLength(d.slit, across) : min(d.slit, across);
  const slit = (role: 'piece-detail' | 'slit', at: Vec2): Mark[] => {
    const half = role === 'slit' ? d.slit / 2 : seen / 2;
    return [
      line(
        role,
        [
          [at[0] - half, at[1]],
          [at[0] + half, at[1]],
        ],
        role === 'slit' ? {} : { width: 1.4, colour: '#21302d' },
      ),
      ...(d.crossed
        ? [
            line(
              role,
              [
                [at[0], at[1] - half * 0.6],
                [at[0], at[1] + half * 0.6],
              ],
              role === 'slit' ? {} : { width: 1.4, colour: '#21302d' },
            ),
          ]
        : []),
    ];
  };
  const closed: Mark[] = [...face(at, false), ...atStep('cut', slit('piece-detail', [0, low]))];
  const { opening } = lensOf(mouthOf(ball, d));
  const [first] = items;
  const [w, h] = pictureSize(first!);
  // It goes in edge on: what is seen of it is its length and its thickness.
  const thick = max(
    2,
    min(
      ...[first!.sizes.height, first!.sizes.wall, first!.sizes.diameter, opening * 0.8].filter(
        (x) => x !== undefined,
      ),
    ),
  );
  const open: Mark[] = [
    ...face(at, true),
    outline('opening', lens(at), [0, low]),
    rectangle('piece', [0, low], [min(w, lensOf(mouthOf(ball, d)).chord * 0.8), min(thick, opening * 0.8)], {
      corner: 1,
      colour: first!.colour,
    }),
  ];
  const step = across + 46;
  /** Which way a hand presses. */
  const arrow = (x: number, way: 1 | -1): Mark[] => [
    line(
      'thread',
      [
        [x - way * 13, 0],
        [x, 0],
      ],
      { width: 2, colour: '#E9EFE6' },
    ),
    line(
      'thread',
      [
        [x - way * 5, -4],
        [x, 0],
        [x - way * 5, 4],
      ],
      { width: 2, colour: '#E9EFE6' },
    ),
  ];
  const n = min(d.pieces, 12);
  const perRow = max(1, Math.floor((2 * across + 46) / (w + 6)));
  const beside = Array.from({ length: n }, (_, i) =>
    materialMarks(kindOf(items, d.pieces, i), [
      -across / 2 + w / 2 + (i % perRow) * (w + 6),
      high / 2 + 46 + h / 2 + Math.floor(i / perRow) * (h + 6),
    ]),
  ).flat();
  const made: Mark[] = [
    ...closed,
    ...atStep('count', [
      ...open.map((m) => moved(m, [step, 0])),
      ...arrow(step - across / 2 - 4, 1),
      ...arrow(step + across / 2 + 4, -1),
      ...beside,
    ]),
  ];
  const measures: Mark[] = [
    dimension([-across / 2, high / 2], [across / 2, high / 2], [0, 26], 'across', across),
    dimension([-seen / 2, low], [seen / 2, low], [0, high / 2 - low + 9], 'slit, round', d.slit),
    dimension(
      [step + across / 2, low - opening / 2],
      [step + across / 2, low + opening / 2],
      [20, 0],
      'open',
      opening,
    ),
  ];
  const sheets: Sheet[] = [
    {
      id: 'mouth',
      title: 'Mouth, to bend round the ball',
      count: 1,
      marks: [
        rectangle('draw', [0, 0], [d.slit + 20, d.crossed ? d.slit * 0.6 + 20 : 30]),
        ...slit('slit', [0, 0]),
        dimension([-d.slit / 2, 0], [d.slit / 2, 0], [0, 8], 'slit', d.slit),
      ],
    },
  ];
  return {
    scene: sceneOf([...made, ...measures]),
    about: `A mouth of ${d.slit} mm in ${ball.name.toLowerCase()}, closed and squeezed open, with ${d.pieces} pieces, to scale`,
    picture: sceneOf(closed, 3),
    sheets,
  };
}
