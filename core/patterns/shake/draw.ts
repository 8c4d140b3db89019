import type { Mark } from '../../drawing/mark.ts';
import {
  atStep,
  circle,
  dimension,
  line,
  moved,
  outline,
  rectangle,
  sceneOf,
  words,
} from '../../drawing/marks.ts';
import { materialMarks, pictureSize } from '../../drawing/material.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import type { At, Drawing, Sheet } from '../kernel.ts';
import { parts, type Dials } from './dials.ts';
import { BANDS_AN_END, capSide, fillings } from './fit.ts';

const { cos, max, min, PI, sin, sqrt } = Math;

const ring = (n: number, at: (a: number) => Vec2): Vec2[] =>
  Array.from({ length: n }, (_, i) => at((2 * PI * i) / n));

/** Filler heaped at the foot of a window, in rows from below, as many as are seen. */
function heap(
  at: At<Dials>,
  inside: (p: Vec2) => boolean,
  [x0, y0, x1, y1]: readonly [number, number, number, number],
): Mark[] {
  const [first] = fillings(at);
  const [w, h] = pictureSize(first!.material);
  const small = max(3, min(w, h));
  const marks: Mark[] = [];
  for (let y = y1 - small / 2, row = 0; y > y0 && marks.length < 60; y -= small * 0.95, row++)
    for (let x = x0 + small / 2 + (row % 2 ? small / 2 : 0); x < x1 - small / 2; x += small)
      if (inside([x, y])) marks.push(circle('piece', [x, y], small * 0.9, first!.material.colour));
  return marks;
}

/** Two plates from the front: staples or tape round the rim, and a window that shows what is inside. */
function plates(at: At<Dials>): Mark[] {
  const { dials: d } = at;
  const { body, across, tape } = parts(at);
  const r = across / 2;
  const lie = r - d.rim;
  const floor = r * 0.7;
  const window: Vec2[] = [
    [0, 0],
    ...Array.from({ length: 25 }, (_, i): Vec2 => {
      const a = PI / 2 + ((i / 24) * PI) / 2;
      return [floor * cos(a), floor * sin(a)];
    }),
  ];
  const inWindow = ([x, y]: Vec2): boolean => x < -3 && y > 3 && x * x + y * y < (floor - 3) ** 2;
  const level = sqrt(max(0, 1 - (at.dials.full / 100) ** 0.5)) * floor;
  return [
    circle('body', [0, 0], across, body.colour),
    circle('guide', [0, 0], 2 * floor),
    ...atStep('fill', [
      outline('opening', window),
      ...heap(at, (p) => inWindow(p) && p[1] > level * 0.8, [-floor, 0, 0, floor]),
    ]),
    // All but those over the mouth come first; it is closed once it is filled.
    ...(d.seal === 'staples'
      ? Array.from({ length: min(d.staples, 200) }, (_, i) => {
          const a = (2 * PI * (i + 0.5)) / d.staples;
          const [c, s] = [cos(a), sin(a)];
          const along = d.stapleWidth / 2;
          const staple = line(
            'piece',
            [
              [lie * c - along * -s, lie * s - along * c],
              [lie * c + along * -s, lie * s + along * c],
            ],
            { width: 1.4, colour: '#5f6b70' },
          );
          const isOverMouth = Math.abs(a - PI / 2) * lie < d.mouth / 2;
          return { ...staple, step: isOverMouth ? 'close' : 'half' };
        })
      : atStep('close', [
          line('thread', [...ring(72, (a) => [(r - 5) * cos(a), (r - 5) * sin(a)]), [r - 5, 0]], {
            width: 10,
            colour: tape?.colour ?? '#2B5F8C',
          }),
        ])),
  ];
}

/** A tube with its two caps and their bands. */
function tube(at: At<Dials>): Mark[] {
  const { dials: d } = at;
  const { body, across, cap, band, tape } = parts(at);
  const long = body.sizes.length!;
  const skirt = min(d.overlap, long / 3);
  const end = (side: -1 | 1): Mark[] => [
    rectangle('body', [0, side * (long / 2 - skirt / 2)], [across + 2, skirt], {
      colour: cap?.colour ?? '#F6F3EA',
      corner: 2,
    }),
    ...Array.from({ length: band ? BANDS_AN_END : 1 }, (_, i) => {
      const y = side * (long / 2 - skirt * (0.4 + 0.3 * i));
      return line(
        'thread',
        [
          [-across / 2 - 1, y],
          [across / 2 + 1, y],
        ],
        {
          width: band ? max(1.5, band.sizes.diameter ?? 2) : 8,
          colour: (band ?? tape)?.colour ?? '#B98A55',
        },
      );
    }),
  ];
  return [
    rectangle('body', [0, 0], [across, long], { colour: body.colour }),
    ...atStep('close', end(-1)),
    ...atStep('half', end(1)),
  ];
}

/** A bottle or jar, seen into. */
function bottle(at: At<Dials>): Mark[] {
  const { dials: d } = at;
  const { body, across } = parts(at);
  const high = body.sizes.height!;
  const inner = across - 2 * (body.sizes.wall ?? 1) - 6;
  const level = (high - 20) * (d.full / 100);
  return [
    ...materialMarks(body, [0, 0]),
    ...atStep('fill', [
      rectangle('opening', [0, high / 2 - 6 - (high - 30) / 2], [inner, high - 30], { corner: 4 }),
      ...heap(at, (p) => p[1] > high / 2 - 8 - level, [
        -inner / 2 + 2,
        -high / 2,
        inner / 2 - 2,
        high / 2 - 8,
      ]),
    ]),
  ];
}

/** A guide to lay the plates on: where the staples go, and what stays open to fill it through. */
function rimGuide(at: At<Dials>): Sheet {
  const { dials: d } = at;
  const { across } = parts(at);
  const lie = across / 2 - (d.seal === 'staples' ? d.rim : 0);
  const open = min(PI, d.mouth / max(1, lie));
  const on = (a: number, r: number): Vec2 => [r * cos(a), r * sin(a)];
  const middle = PI / 2;
  return {
    id: 'rim',
    title: 'Guide for the rim',
    count: 1,
    marks: [
      circle('draw', [0, 0], across),
      ...[-1, 1].map((side) =>
        line('draw', [on(middle + (side * open) / 2, lie - 18), on(middle + (side * open) / 2, across / 2)]),
      ),
      ...(d.seal === 'staples'
        ? Array.from({ length: min(d.staples, 200) }, (_, i) => {
            const a = (2 * PI * (i + 0.5)) / d.staples;
            return line('draw', [on(a, lie - 3), on(a, lie + 3)]);
          })
        : []),
    ],
  };
}

function sheets(at: At<Dials>): Sheet[] {
  const { dials: d } = at;
  const { kind, across, body } = parts(at);
  if (kind === 'plates') return [rimGuide(at)];
  if (kind === 'bottle')
    return [
      {
        id: 'wrap',
        title: 'Wrap to decorate, once round',
        count: 1,
        marks: [rectangle('cut', [0, 0], [PI * across + 10, max(20, (body.sizes.height ?? 100) * 0.5)])],
      },
    ];
  const side = capSide(d, across);
  const slits = 16;
  return [
    {
      id: 'cap',
      title: 'Cap',
      count: 2,
      marks: [
        rectangle('cut', [0, 0], [side, side]),
        circle('fold', [0, 0], across),
        // Cut in from the edge, the paper lies smooth against the tube.
        ...Array.from({ length: slits }, (_, i) => {
          const a = (2 * PI * (i + 0.5)) / slits;
          const [c, s] = [cos(a), sin(a)];
          return line('slit', [
            [(across / 2 + 2) * c, (across / 2 + 2) * s],
            [(side / 2) * c, (side / 2) * s],
          ]);
        }),
      ],
    },
  ];
}

export function draw(at: At<Dials>): Drawing {
  const { dials: d } = at;
  const { kind, across, body, cap } = parts(at);
  const made = { plates, tube, bottle }[kind](at);
  const high = kind === 'plates' ? across : (body.sizes.height ?? body.sizes.length ?? across);
  const tall = kind === 'tube' ? body.sizes.length! : high;
  const edge = across / 2 + 24;
  const beside = fillings(at).flatMap(({ material, count }, k): Mark[] => {
    const [w, h] = pictureSize(material);
    const y = -tall / 2 + 14 + k * max(60, h + 30);
    return [
      ...Array.from({ length: min(3, count) }, (_, i) =>
        materialMarks(material, [edge + w / 2 + i * (w + 4), y + h / 2]),
      ).flat(),
      words([edge + 1.5 * w + 4, y + h + 12], `about ${count}`),
    ];
  });
  const side = capSide(d, across);
  const square =
    kind === 'tube'
      ? [
          rectangle('body', [0, 0], [side, side], { colour: cap?.colour ?? '#F6F3EA' }),
          circle('guide', [0, 0], across),
          dimension([-side / 2, side / 2], [side / 2, side / 2], [0, 8], 'cap', side),
        ].map((m) => moved(m, [-across / 2 - 24 - side / 2, tall / 2 - side / 2]))
      : [];
  const r = max(5, across / 2 - d.rim);
  const measures: Mark[] = [
    dimension([-across / 2, tall / 2], [across / 2, tall / 2], [0, 12], 'across', across),
    ...(kind === 'plates'
      ? d.seal === 'staples'
        ? [dimension([-r, -across / 2], [r, -across / 2], [0, -12], 'staples on', 2 * r)]
        : []
      : [dimension([across / 2, -tall / 2], [across / 2, tall / 2], [10, 0], 'high', tall)]),
  ];
  const about = {
    plates: `Two plates closed by ${d.seal === 'staples' ? `${d.staples} staples` : 'a band of tape'}, with a window on what is inside`,
    tube: 'A tube with two paper caps',
    bottle: 'A bottle, seen into',
  }[kind];
  return {
    scene: sceneOf([...made, ...atStep('fill', beside), ...atStep('half', square), ...measures]),
    about: `${about}, to scale`,
    picture: sceneOf(made, 3),
    sheets: sheets(at),
  };
}
