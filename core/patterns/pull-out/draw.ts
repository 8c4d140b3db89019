import type { Mark } from '../../drawing/mark.ts';
import { atStep, circle, dimension, line, rectangle, sceneOf, words } from '../../drawing/marks.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import { kindOf } from '../making.ts';
import type { At, Drawing, Fit } from '../kernel.ts';
import { girth, isCloth, parts, stemOf, type Dials } from './dials.ts';
import { FROM_FOLD, places, spread, type Detail } from './fit.ts';

const { max } = Math;

/** How much larger the sections are drawn: a cotton bud would hardly be seen. */
const LARGER = 3;

/** The piece cut through in a slit and in a hole, one above the other, larger than it is: why one holds and one lets fall. */
function sections(at: At<Dials>, [x, y]: Vec2): Mark[] {
  const { dials: d } = at;
  const { stem, kinds, soft } = parts(at);
  if (soft || kinds.some(isCloth) || stem.wide > 14) return [];
  const slit = d.opening === 'slit' ? d.length : girth(stem) / 2 / 0.9;
  const hole = d.opening === 'hole' ? d.length : max(6, stem.wide + 0.5);
  const section = (p: Vec2): Mark =>
    stem.round
      ? circle('piece', p, LARGER * stem.wide, kinds[0]!.colour)
      : rectangle('piece', p, [LARGER * stem.wide, LARGER * stem.thick], { colour: kinds[0]!.colour });
  const high = LARGER * max(hole, stem.thick, 4);
  const [first, second]: [Vec2, Vec2] = [
    [x, y + high / 2],
    [x, y + high * 1.5 + 34],
  ];
  const half = (LARGER * slit) / 2;
  return [
    section(first),
    line('slit', [
      [first[0] - half, first[1]],
      [first[0] + half, first[1]],
    ]),
    words([x, first[1] + high / 2 + 12], `slit, ${LARGER} × as large: grips`),
    circle('opening', second, LARGER * hole),
    // It lies against one side: the rest of the hole is free.
    section([second[0] - (LARGER * max(0, hole - stem.wide)) / 2, second[1]]),
    words(
      [x, second[1] + high / 2 + 12],
      `hole, ${LARGER} × as large: ${hole - stem.wide > 0.2 ? 'lets fall' : 'holds'}`,
    ),
  ];
}

/** The top of the box with its openings, and below it the box from the side with the pieces standing in it. */
export function draw(at: At<Dials>, fit?: Fit<Detail>): Drawing {
  const { dials: d } = at;
  const { box, kinds, stem, along, across, round, depth } = parts(at);
  const here = spread(fit?.detail.places ?? places(at), d.number);
  const opening = (p: Vec2, role: 'opening' | 'slit' | 'punch'): Mark =>
    d.opening === 'hole'
      ? circle(role === 'slit' ? 'punch' : role, p, d.length)
      : line(role === 'opening' ? 'slit' : role, [
          [p[0] - d.length / 2, p[1]],
          [p[0] + d.length / 2, p[1]],
        ]);
  const top: Mark[] = [
    round
      ? circle('container', [0, 0], along, box.colour)
      : rectangle('container', [0, 0], [along, across], { corner: 3, colour: box.colour }),
    round
      ? circle('guide', [0, 0], along - 2 * FROM_FOLD)
      : rectangle('guide', [0, 0], [Math.max(1, along - 2 * FROM_FOLD), Math.max(1, across - 2 * FROM_FOLD)]),
    ...atStep(
      'cut',
      here.map((p) => opening(p, 'opening')),
      'draw',
    ),
  ];
  const cloth = kinds.some(isCloth);
  const out = cloth ? Math.min(d.proud, 80) : d.proud;
  const ground = across / 2 + 30 + out + depth;
  const columns = [...new Set(here.map((p) => Math.round(p[0] * 10) / 10))].sort((a, b) => a - b);
  const standing: Mark[] = columns.map((x, i) => {
    const m = kindOf(kinds, columns.length, i);
    const s = stemOf(m);
    const low = i >= columns.length - Math.min(d.hidden, columns.length - 1);
    const up = ground - depth - (low ? 2 : out);
    if (isCloth(m))
      return line(
        'piece-detail',
        [
          [x, ground - depth + 6],
          [x - 5, ground - depth - out * 0.4],
          [x + 6, ground - depth - out * 0.7],
          [x, up],
        ],
        { width: Math.max(4, s.wide), colour: m.colour },
      );
    const down = Math.min(ground - 2, up + s.long);
    return rectangle('piece', [x, (up + down) / 2], [Math.max(1.5, s.wide), down - up], {
      corner: 1,
      colour: m.colour,
    });
  });
  const side: Mark[] = [
    ...atStep('try', standing),
    rectangle('container', [0, ground - depth / 2], [along, depth], { corner: 2, colour: box.colour }),
  ];
  const [first] = here;
  const scene: Mark[] = [
    ...top,
    ...side,
    ...atStep('cut', sections(at, [max(along / 2, 40) + 60, -across / 2])),
    ...(first
      ? [
          dimension(
            [first[0] - d.length / 2, first[1]],
            [first[0] + d.length / 2, first[1]],
            [0, -across / 2 - first[1] - 10],
            d.opening,
            d.length,
          ),
        ]
      : []),
    dimension([along / 2, ground - depth], [along / 2, ground - depth - out], [12, 0], 'out', d.proud),
    dimension([along / 2, ground], [along / 2, ground - depth], [12, 0]),
    dimension([-along / 2, ground], [along / 2, ground], [0, 10]),
    ...(stem.round || cloth
      ? []
      : [
          dimension(
            [(columns[0] ?? 0) - stem.wide / 2, ground - depth - out],
            [(columns[0] ?? 0) + stem.wide / 2, ground - depth - out],
            [0, -10],
            'wide',
            stem.wide,
          ),
        ]),
  ];
  const marks: Mark[] = [
    round ? circle('draw', [0, 0], along) : rectangle('draw', [0, 0], [along, across]),
    ...here.map((p) => opening(p, d.opening === 'hole' ? 'punch' : 'slit')),
    dimension([-along / 2, across / 2], [along / 2, across / 2], [0, 6]),
  ];
  return {
    scene: sceneOf(scene),
    about: `The top of ${box.name} with ${here.length} ${d.opening === 'slit' ? 'slits' : 'holes'}, and the box from the side with the pieces in it, to scale`,
    picture: sceneOf(side, 3),
    sheets: [{ id: 'top', title: `Top of ${box.name}`, marks, count: 1 }],
  };
}
