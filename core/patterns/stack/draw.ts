import type { Mark } from '../../drawing/mark.ts';
import { atStep, circle, dimension, line, outline, rectangle, sceneOf, words } from '../../drawing/marks.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import type { At, Drawing, Sheet } from '../kernel.ts';
import { isTube, parts, ringOf, type Dials } from './dials.ts';
import { foot } from './fit.ts';
import { text } from './words.ts';

/** What each ring carries, from the foot up. */
function labels({ dials: d }: At<Dials>): string[] {
  const letters = [...d.word.replaceAll(' ', '')];
  return Array.from({ length: d.number }, (_, i) =>
    d.shows === 'numbers' ? String(i + 1) : d.shows === 'letters' ? (letters[d.number - 1 - i] ?? '') : '',
  );
}

/** Tints of one colour, darkest below, so that an order can be seen. */
const tint = (colour: string, i: number, n: number): string => {
  const part = (at: number): string =>
    Math.round(
      parseInt(colour.slice(at, at + 2), 16) * (1 - (0.35 * i) / Math.max(1, n)) +
        (255 * 0.35 * i) / Math.max(1, n),
    )
      .toString(16)
      .padStart(2, '0');
  return `#${part(1)}${part(3)}${part(5)}`;
};

/** From the side: foot, post, and the rings on it; the top ring again from above, beside it. */
export function draw(at: At<Dials>): Drawing {
  const { dials: d } = at;
  const { post, part, base, thick } = parts(at);
  const ring = ringOf(at);
  const under = foot(at);
  const top = -under.height - d.post;
  const rings: Mark[] = labels(at).flatMap((label, i) => {
    const y = -under.height - (i + 0.5) * ring.height;
    return [
      rectangle('piece', [0, y], [ring.outer, Math.max(0.6, ring.height - 0.4)], {
        corner: 2,
        colour: tint(part.colour, i, d.number),
      }),
      ...(label === '' ? [] : [words([0, y], label, Math.min(ring.height * 0.6, 24))]),
    ];
  });
  // A picture runs over all the rings; each carries its share.
  const picture: Mark[] =
    d.shows === 'picture'
      ? [
          line(
            'shade',
            Array.from({ length: 25 }, (_, i): Vec2 => {
              const t = i / 24;
              return [
                (ring.outer / 2 - 6) * Math.sin(t * Math.PI * 2),
                -under.height - t * d.number * ring.height,
              ];
            }),
            { width: 4, colour: '#fffdf8' },
          ),
        ]
      : [];
  const body: Mark[] = [
    ...atStep('post', [
      rectangle('body', [0, (top - under.height) / 2], [thick, d.post], { corner: 2, colour: post.colour }),
    ]),
    ...(base
      ? atStep('base', [
          rectangle('container', [0, -under.height / 2], [2 * under.radius, Math.max(1, under.height)], {
            corner: 2,
            colour: base.colour,
          }),
        ])
      : []),
  ];
  const right = Math.max(ring.outer / 2, under.radius);
  const stack = d.number * ring.height;
  const beside: Vec2 = [right + 44 + ring.outer / 2, -ring.outer / 2];
  const scene: Mark[] = [
    ...body,
    ...atStep('try', [...rings, ...picture]),
    dimension([right, -under.height], [right, -under.height - stack], [14, 0], 'rings', stack),
    dimension([-right, 0], [-right, top], [-12, 0], undefined, d.post + under.height),
    dimension([-thick / 2, top], [thick / 2, top], [0, -8]),
    ...atStep('cut', [
      circle('piece', beside, ring.outer, part.colour),
      circle('opening', beside, ring.hole),
    ]),
    dimension(
      [beside[0] - ring.hole / 2, beside[1]],
      [beside[0] + ring.hole / 2, beside[1]],
      [0, ring.outer / 2 + 9],
      'hole',
    ),
    dimension(
      [beside[0] - ring.outer / 2, beside[1]],
      [beside[0] + ring.outer / 2, beside[1]],
      [0, -ring.outer / 2 - 9],
    ),
  ];
  return {
    scene: sceneOf(scene),
    about: `${d.number} rings on a post of ${Math.round(d.post)} mm, from the side, and one ring from above, to scale`,
    picture: sceneOf([...body, ...rings, ...picture], 3),
    sheets: sheets(at),
  };
}

/** Rings to cut from a sheet; for cuts of a tube the strip that goes round it, a line where each cut ends. */
function sheets(at: At<Dials>): Sheet[] {
  const { dials: d } = at;
  const { part } = parts(at);
  const ring = ringOf(at);
  if (!isTube(part))
    return [
      {
        id: 'ring',
        title: text(at, 'ring'),
        count: d.number,
        marks: [
          circle('cut', [0, 0], ring.outer),
          circle('cut', [0, 0], ring.hole),
          line('fold', [
            [-ring.outer / 2, 0],
            [ring.outer / 2, 0],
          ]),
          dimension([-ring.outer / 2, 0], [ring.outer / 2, 0], [0, ring.outer / 2 + 6]),
        ],
      },
    ];
  if (d.shows === 'plain') return [];
  const [w, h] = [Math.PI * ring.outer, d.number * ring.height];
  const marks: Mark[] = [
    rectangle('cut', [0, 0], [w, h]),
    ...Array.from({ length: d.number - 1 }, (_, i): Mark => {
      const y = h / 2 - (i + 1) * ring.height;
      return line('cut', [
        [-w / 2, y],
        [w / 2, y],
      ]);
    }),
    // The middle of the front, so that the parts of a picture come to lie above each other.
    line('draw', [
      [0, -h / 2],
      [0, h / 2],
    ]),
    ...labels(at).flatMap((label, i) =>
      label === ''
        ? []
        : [words([0, h / 2 - (i + 0.5) * ring.height], label, Math.min(ring.height * 0.6, 24))],
    ),
    ...(d.shows === 'picture'
      ? [
          outline('draw', [
            [-w / 4, -h / 2 + 4],
            [w / 4, -h / 2 + 4],
            [w / 4, h / 2 - 4],
            [-w / 4, h / 2 - 4],
          ]),
        ]
      : []),
    dimension([-w / 2, h / 2], [w / 2, h / 2], [0, 6]),
  ];
  return [
    {
      id: 'strip',
      title: 'Strip round the tube: draw the picture, then cut it at the lines',
      count: 1,
      marks,
    },
  ];
}
