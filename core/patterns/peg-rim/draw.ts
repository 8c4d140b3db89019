import type { Mark } from '../../drawing/mark.ts';
import { atStep, circle, dimension, line, rectangle, sceneOf } from '../../drawing/marks.ts';
import { rectangleOutline } from '../../geometry/polygon.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import { evenly } from '../../outline/along.ts';
import type { At, Drawing, Sheet } from '../kernel.ts';
import { parts, pegLong, pegWidth, type Dials } from './dials.ts';
import { colours, pegsNeeded } from './fit.ts';

const { PI, cos, sin, hypot, atan2 } = Math;

/** Rims from above with their pegs on, side by side where they are counted. */
export function draw(at: At<Dials>): Drawing {
  const { dials: d } = at;
  const { rim, peg, kinds, round, along, across, length } = parts(at);
  const rims = d.counting > 0 ? d.counting : 1;
  const list = colours(d, pegsNeeded(d), kinds.length);
  const long = Math.max(...kinds.map(pegLong));
  const stepX = along + 2 * long + 16;
  const columns = Math.ceil(Math.sqrt(rims));
  let used = 0;
  const one = (k: number, middle: Vec2): Mark[] => {
    const n = d.counting > 0 ? k + 1 : d.number;
    const edge = round
      ? Array.from({ length: 180 }, (_, i): Vec2 => [
          (along / 2) * cos((i * PI) / 90 - PI / 2),
          (along / 2) * sin((i * PI) / 90 - PI / 2),
        ])
      : rectangleOutline(along, across);
    const places = evenly(edge, n, true);
    const pegs = places.flatMap(([x, y]): Mark[] => {
      const c = d.pattern === 'free' ? used % kinds.length : Math.min(list[used] ?? 0, kinds.length - 1);
      used++;
      const m = kinds[c] ?? peg;
      // Outwards from the rim, its jaw over the edge.
      const a = round
        ? atan2(y, x)
        : Math.abs(x) / along > Math.abs(y) / across
          ? x > 0
            ? 0
            : PI
          : y > 0
            ? PI / 2
            : -PI / 2;
      const out = pegLong(m) / 2 - 12;
      const at2: Vec2 = [middle[0] + x + out * cos(a), middle[1] + y + out * sin(a)];
      return [
        rectangle('piece', at2, [pegLong(m), pegWidth(m)], {
          turn: (a * 180) / PI,
          corner: 1,
          colour: m.colour,
        }),
        line('piece-detail', [
          [at2[0] - (pegLong(m) / 2) * cos(a), at2[1] - (pegLong(m) / 2) * sin(a)],
          [at2[0] + (pegLong(m) / 2) * cos(a), at2[1] + (pegLong(m) / 2) * sin(a)],
        ]),
      ];
    });
    const first = used - places.length;
    const spots =
      d.counting > 0 || d.pattern === 'matching'
        ? places.map(([x, y], i) => {
            const r = hypot(x, y) || 1;
            const by = Math.max(0, r - 16) / r;
            const dye = d.pattern === 'matching' ? kinds[list[first + i] ?? 0]?.colour : '#1e2a2c';
            return circle('shade', [middle[0] + x * by, middle[1] + y * by], 9, dye);
          })
        : [];
    return [
      round
        ? circle('body', middle, along, rim.colour)
        : rectangle('body', middle, [along, across], { corner: 2, colour: rim.colour }),
      round
        ? circle('guide', middle, along - 8)
        : rectangle('guide', middle, [Math.max(1, along - 8), Math.max(1, across - 8)]),
      ...atStep('spots', spots),
      ...atStep('try', pegs),
    ];
  };
  const all = Array.from({ length: rims }, (_, k) =>
    one(k, [(k % columns) * stepX, Math.floor(k / columns) * (across + 2 * long + 16)]),
  ).flat();
  const scene: Mark[] = [
    ...all,
    dimension(
      [-along / 2, across / 2 + long],
      [along / 2, across / 2 + long],
      [0, 8],
      round ? 'across' : undefined,
      along,
    ),
    // Beside several rims a peg is too small to be measured.
    ...(rims === 1
      ? [dimension([-along / 2 - long, -6], [-along / 2 - long, 6], [-10, 0], 'peg', pegWidth(peg))]
      : []),
  ];
  const first = d.counting > 0 ? one(0, [0, 0]) : all;
  return {
    scene: sceneOf(scene),
    about: `${rims === 1 ? 'A rim' : `${rims} rims`} of ${Math.round(length)} mm with ${pegsNeeded(d)} pegs, to scale`,
    picture: sceneOf(first, 3),
    sheets: sheets(at),
  };
}

/** A disc of spots to lay into each counted rim: where each peg goes. */
function sheets(at: At<Dials>): Sheet[] {
  const { dials: d } = at;
  const { round, along, across } = parts(at);
  if (d.counting === 0) return [];
  return Array.from({ length: d.counting }, (_, k): Sheet => {
    const edge: readonly Vec2[] = round
      ? Array.from({ length: 180 }, (_, i): Vec2 => [
          (along / 2) * cos((i * PI) / 90 - PI / 2),
          (along / 2) * sin((i * PI) / 90 - PI / 2),
        ])
      : rectangleOutline(along, across);
    return {
      id: `spots-${k + 1}`,
      title: `Spots for ${k + 1}`,
      count: 1,
      marks: [
        round ? circle('cut', [0, 0], along - 10) : rectangle('cut', [0, 0], [along - 10, across - 10]),
        ...evenly(edge, k + 1, true).map(([x, y]): Mark => {
          const by = (hypot(x, y) - 16) / hypot(x, y);
          return circle('draw', [x * by, y * by], 9);
        }),
      ],
    };
  });
}
