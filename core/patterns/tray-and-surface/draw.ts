import type { Mark } from '../../drawing/mark.ts';
import { atStep, circle, dimension, line, outline, rectangle, sceneOf } from '../../drawing/marks.ts';
import { materialMarks, pictureSize } from '../../drawing/material.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import { lengthOf } from '../../outline/along.ts';
import type { At, Drawing } from '../kernel.ts';
import { parts, type Dials } from './dials.ts';
import { floorShape, foilStrips, heightsOf } from './surface.ts';
import { sheets } from './sheets.ts';

const { max, min, PI, sin } = Math;
const WALL = '#efe6d0';
const CHILD = '#3d5f63';

interface Drawn {
  readonly made: Mark[];
  readonly measures: Mark[];
}

/** A tray from above with what is drawn in it, and from the side with how deep it is filled. */
function tray(at: At<Dials>): Drawn {
  const { dials: d } = at;
  const { tray: t, fills } = parts(at);
  const { diameter, length = 172, width = 120, height = 40 } = t?.sizes ?? {};
  const [w, h] = diameter === undefined ? [max(length, width), min(length, width)] : [diameter, diameter];
  const colour = d.kind === 'dough' ? '#E8CFA0' : (fills[0]?.colour ?? '#E9DDBB');
  const rim = 7;
  const [iw, ih] = [w - 2 * rim, h - 2 * rim];
  const inside =
    diameter === undefined
      ? rectangle('shade', [0, 0], [iw, ih], { corner: 6, colour })
      : circle('shade', [0, 0], iw, colour);
  const drawn = { hand: 26, finger: 9, spoon: 16, comb: 3, brush: 5 }[d.tool];
  const waves = Math.max(2, Math.floor(ih / 34));
  const wave = (y: number): Mark =>
    line(
      'thread',
      Array.from({ length: 41 }, (_, i): Vec2 => {
        const t = -1 + i / 20;
        const half = diameter === undefined ? iw * 0.4 : Math.sqrt(max(0, 0.64 * (iw / 2) ** 2 - y * y));
        return [t * half, y + 5 * sin(t * 3 * PI)];
      }),
      { width: drawn, colour: '#b79a68' },
    );
  const side = h / 2 + 34;
  const deep = min(d.depth, height);
  return {
    made: [
      diameter === undefined
        ? rectangle('body', [0, 0], [w, h], { corner: 10, colour: t?.colour ?? '#cfd8d8' })
        : circle('body', [0, 0], w, t?.colour ?? '#cfd8d8'),
      ...atStep('ready', [inside]),
      ...atStep(
        'ready',
        Array.from({ length: waves }, (_, i) => wave((i - (waves - 1) / 2) * (ih / (waves + 0.5)))),
      ),
      // From the side: filled to its depth.
      outline(
        'body',
        [
          [-w / 2, side],
          [w / 2, side],
          [w / 2 - 8, side + height],
          [-w / 2 + 8, side + height],
        ],
        [0, 0],
        { colour: t?.colour ?? '#cfd8d8' },
      ),
      ...atStep('ready', [rectangle('shade', [0, side + height - deep / 2 - 1], [w - 22, deep], { colour })]),
    ],
    measures: [
      dimension([-w / 2, h / 2], [w / 2, h / 2], [0, 10], 'tray', w),
      dimension(
        [w / 2 - 10, side + height - deep - 1],
        [w / 2 - 10, side + height - 1],
        [22, 0],
        'deep',
        d.depth,
      ),
    ],
  };
}

/** A child as tall as said before a wall, with things at the heights of a squat, of standing and of a stretch. */
function wall(at: At<Dials>): Drawn {
  const { dials: d } = at;
  const { items, tape } = parts(at);
  const s = d.standing;
  const heights = heightsOf(d);
  const [first] = items;
  const thing = first ? pictureSize(first) : ([30, 30] as const);
  const x = s * 0.45;
  const head = s * 0.085;
  const limb = (points: readonly Vec2[], width: number): Mark =>
    line('thread', points, { width, colour: CHILD });
  const raised = heights.some((h) => h.level === 'stretch');
  const child: Mark[] = [
    circle('body', [0, -s + head], 2 * head, CHILD),
    outline(
      'body',
      [
        [-s * 0.11, -s * 0.81],
        [s * 0.11, -s * 0.81],
        [s * 0.1, -s * 0.45],
        [-s * 0.1, -s * 0.45],
      ],
      [0, 0],
      { corner: s * 0.04, colour: CHILD },
    ),
    limb(
      [
        [-s * 0.05, -s * 0.46],
        [-s * 0.06, -s * 0.02],
      ],
      s * 0.07,
    ),
    limb(
      [
        [s * 0.05, -s * 0.46],
        [s * 0.06, -s * 0.02],
      ],
      s * 0.07,
    ),
    limb(
      [
        [-s * 0.1, -s * 0.76],
        [-s * 0.16, -s * 0.5],
      ],
      s * 0.05,
    ),
    limb([[s * 0.1, -s * 0.76], raised ? [s * 0.3, -s * 1.12] : [s * 0.34, -s * 0.8]], s * 0.05),
  ];
  const perLevel = max(1, Math.ceil(d.items / heights.length));
  const step = max(thing[0] + 40, s * 0.12);
  const shown = min(perLevel, 4);
  const right = x + shown * step + 20;
  const things = heights.flatMap(({ height }, k) =>
    Array.from({ length: min(shown, max(0, d.items - k * perLevel)) }, (_, i): Mark[] => {
      const p: Vec2 = [x + (i + 0.5) * step, -height];
      return [
        ...(first ? materialMarks(items[(k + i) % items.length]!, p) : [circle('piece', p, 30)]),
        rectangle('shade', p, [thing[0] + 36, 16], { turn: -12, colour: tape?.colour ?? '#E3CE9B' }),
      ];
    }).flat(),
  );
  const top = max(...heights.map((h) => h.height), s) + 80;
  return {
    made: [
      rectangle('body', [(x + right) / 2 - 10, -top / 2], [right - x + 40, top], { colour: WALL }),
      ...atStep('ready', things),
      ...child,
      line(
        'guide',
        [
          [-s * 0.3, 0],
          [right + 30, 0],
        ],
        { width: 4 },
      ),
    ],
    measures: [
      dimension([-s * 0.2, -s], [-s * 0.2, 0], [-s * 0.08, 0], undefined, s),
      ...heights.map(({ level, height }, k) =>
        dimension([right + 10, -height], [right + 10, 0], [60 + k * s * 0.3, 0], level, height),
      ),
    ],
  };
}

/** A shape of tape on the floor, with the children that stand in it. */
function floor(at: At<Dials>): Drawn {
  const { dials: d } = at;
  const { tape } = parts(at);
  const points = floorShape(d);
  const side = lengthOf(points, true) / points.length;
  const reach = max(...points.map((p) => Math.hypot(p[0], p[1])));
  // Each stands on half a metre by half a metre.
  const n = d.children;
  const ring = n === 1 ? 0 : min(reach * 0.5, (n * 500) / (2 * PI));
  return {
    made: [
      rectangle('body', [0, 0], [2 * reach + 300, 2 * reach + 300], { colour: '#cdb894' }),
      ...atStep('ready', [
        line('thread', [...points, points[0]!], {
          width: max(24, tape?.sizes.width ?? 25),
          colour: tape?.colour ?? '#2B5F8C',
        }),
      ]),
      ...Array.from({ length: n }, (_, i): Mark[] => {
        const p: Vec2 = [ring * Math.cos((2 * PI * i) / n), ring * sin((2 * PI * i) / n)];
        return [-1, 1].map((s) =>
          outline(
            'piece',
            Array.from({ length: 24 }, (_, k): Vec2 => [
              28 * Math.cos((k * PI) / 12),
              68 * sin((k * PI) / 12),
            ]),
            [p[0] + s * 48, p[1]],
            { turn: s * 8, colour: CHILD },
          ),
        );
      }).flat(),
    ],
    measures: [
      dimension([-d.across / 2, reach + 150], [d.across / 2, reach + 150], [0, 60], 'across', d.across),
      dimension(points[0]!, points[1]!, [60, -60], 'side', side),
    ],
  };
}

/** Strips of foil, each over the one before, taped all round. */
function foil(at: At<Dials>): Drawn {
  const { dials: d } = at;
  const { foil: f, tape } = parts(at);
  const roll = f?.sizes.width ?? 300;
  const n = foilStrips(d, roll);
  const colour = tape?.colour ?? '#E3CE9B';
  const [w, h] = [d.across, d.wide];
  const edge = (a: Vec2, b: Vec2): Mark =>
    line('thread', [a, b], { width: max(20, tape?.sizes.width ?? 25), colour });
  const ys = Array.from({ length: n - 1 }, (_, i) => -h / 2 + (i + 1) * (roll - d.overlap) + d.overlap / 2);
  const crease = (k: number): Mark => {
    const x = -w / 2 + ((k * 0.618) % 1) * w;
    const y = -h / 2 + ((k * 0.271 + 0.05) % 0.85) * h;
    return line(
      'guide',
      [
        [x, y],
        [x + w * 0.05, y + h * 0.04],
        [x + w * 0.03, y + h * 0.1],
      ],
      { width: 3 },
    );
  };
  return {
    made: atStep('ready', [
      rectangle('body', [0, 0], [w, h], { colour: f?.colour ?? '#c9d0d2' }),
      ...Array.from({ length: 12 }, (_, k) => crease(k + 1)),
      ...ys.filter((y) => y < h / 2).map((y) => edge([-w / 2, y], [w / 2, y])),
      edge([-w / 2, -h / 2], [w / 2, -h / 2]),
      edge([-w / 2, h / 2], [w / 2, h / 2]),
      edge([-w / 2, -h / 2], [-w / 2, h / 2]),
      edge([w / 2, -h / 2], [w / 2, h / 2]),
    ]),
    measures: [
      dimension([-w / 2, h / 2], [w / 2, h / 2], [0, 60], 'along', w),
      dimension([-w / 2, -h / 2], [-w / 2, h / 2], [-60, 0]),
    ],
  };
}

const PAINTS: Readonly<Record<string, string>> = {
  red: '#B7352B',
  orange: '#D9752C',
  yellow: '#E5B94E',
  green: '#2F7D4F',
  turquoise: '#2F8F86',
  blue: '#2C5F8A',
  purple: '#7A4E8E',
  violet: '#7A4E8E',
  pink: '#D98E9A',
  white: '#FFFFFF',
  black: '#2B2B2B',
};

/** The page with a stroke of each colour, paint beside it, and what it is painted with. */
function brushes(at: At<Dials>): Drawn {
  const { dials: d } = at;
  const { brushes: b, page } = parts(at);
  const [w, h] = [page?.sizes.length ?? 420, page?.sizes.width ?? 297];
  const colours = d.colours
    .split(',')
    .map((c) => PAINTS[c.trim().toLowerCase()])
    .filter((c) => c !== undefined);
  let x = -w / 2;
  return {
    made: [
      rectangle('body', [0, 0], [w, h], { colour: '#fffdf8' }),
      ...atStep(
        'ready',
        colours.map((colour, k) => circle('piece', [w / 2 + 34, -h / 2 + 26 + k * 54], 44, colour)),
      ),
      ...atStep(
        'ready',
        colours.map((colour, k) =>
          line(
            'thread',
            Array.from({ length: 31 }, (_, i): Vec2 => [
              -w * 0.38 + (w * 0.76 * i) / 30,
              (k - (colours.length - 1) / 2) * (h / (colours.length + 1)) + 14 * sin((i / 30) * 3 * PI),
            ]),
            { width: 22, colour },
          ),
        ),
      ),
      ...b.flatMap((m) => {
        const [bw, bh] = pictureSize(m);
        const at: Vec2 = [x + bw / 2, h / 2 + 24 + bh / 2];
        x += bw + 24;
        return materialMarks(m, at);
      }),
    ],
    measures: [dimension([-w / 2, -h / 2], [w / 2, -h / 2], [0, -12], 'page', w)],
  };
}

export function draw(at: At<Dials>): Drawing {
  const { dials: d } = at;
  const { made, measures } = { 'food tray': tray, dough: tray, wall, floor, foil, brushes }[d.kind](at);
  const about = {
    'food tray': `A tray filled ${d.depth} mm deep, with lines drawn in it`,
    dough: `A tray with dough ${d.depth} mm deep`,
    wall: `A child ${d.standing} mm tall before a wall with ${d.items} things taped to it`,
    floor: `A ${d.shape} of tape on the floor, ${d.across} mm across`,
    foil: `A path of foil, ${d.across} by ${d.wide} mm, taped all round`,
    brushes: 'Paper, paint and found brushes',
  }[d.kind];
  return {
    scene: sceneOf([...made, ...measures]),
    about: `${about}, to scale`,
    picture: sceneOf(made, 3),
    sheets: sheets(at),
  };
}
