import type { Mark } from '../../drawing/mark.ts';
import { atStep, circle, dimension, line, outline, sceneOf } from '../../drawing/marks.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import { boxOf, outlineName, sizedHoles, sizedOutline } from '../../outline/outline.ts';
import { PatternError, type At, type Drawing, type Fit } from '../kernel.ts';
import { parts, PUNCH, type Dials } from './dials.ts';
import { layOut, type Detail } from './fit.ts';
import { text } from './words.ts';

const { hypot, atan2, cos, sin, PI } = Math;

/** Where the lace is seen on the front: every second chord, or over the edge at every hole. */
function laced(d: Dials, holes: readonly Vec2[], middle: Vec2): Vec2[][] {
  const next = (i: number): Vec2 => holes[(i + 1) % holes.length]!;
  if (d.stitch === 'running')
    return holes.flatMap((p, i) => (i % 2 === 0 && i < holes.length - 1 ? [[p, next(i)]] : []));
  const out = (p: Vec2): Vec2 => {
    const [x, y] = [p[0] - middle[0], p[1] - middle[1]];
    const r = hypot(x, y) || 1;
    return [p[0] + (x / r) * d.edge, p[1] + (y / r) * d.edge];
  };
  const over = (p: Vec2, q: Vec2): Vec2[] => [p, [(out(p)[0] + out(q)[0]) / 2, (out(p)[1] + out(q)[1]) / 2]];
  const there = holes.map((p, i) => over(p, next(i)));
  if (d.stitch === 'whip') return there;
  return [...there, ...holes.map((p, i) => over(next(i), p))];
}

export function draw(at: At<Dials>, fit?: Fit<Detail>): Drawing {
  const { dials: d } = at;
  const { card, lace } = parts(at);
  const edge = sizedOutline(d.outline, d.longest);
  const [x0, y0, x1, y1] = boxOf(edge);
  const { holes } = fit?.detail ?? settled(at);
  const hole = PUNCH[d.punch];
  const width = Math.max(1.5, lace.sizes.diameter! * (1 - lace.give));
  const thread = (points: readonly Vec2[]): Mark => line('thread', points, { width, colour: lace.colour });
  const punched = (role: 'opening' | 'punch'): Mark[] =>
    holes.flatMap((p, i) => {
      if (d.punch === 'single') return [circle(role, p, 6)];
      // Two punches, side by side along the line of holes.
      const q = holes[(i + 1) % holes.length]!;
      const a = atan2(q[1] - p[1], q[0] - p[0]);
      return [-1.5, 1.5].map((by) => circle(role, [p[0] + by * cos(a), p[1] + by * sin(a)], 6));
    });
  // The lace hangs from the hole nearest to the side it is drawn on.
  const last = holes.reduce<Vec2>((a, b) => (b[0] > a[0] ? b : a), holes[0] ?? [x1, y1]);
  // The free end, with its tip, hangs beside the card.
  const tail = Array.from({ length: 19 }, (_, i): Vec2 => {
    const t = i / 18;
    return [last[0] + (x1 + 34 - last[0]) * t, last[1] + (y1 - 10 - last[1]) * t + 12 * sin(PI * 2 * t)];
  });
  const end = tail.at(-1)!;
  const board: Mark[] = [
    ...(d.backing === 'doubled' ? [outline('body', edge, [1.6, 1.6], { colour: card.colour })] : []),
    outline('body', edge, [0, 0], { colour: card.colour }),
    ...sizedHoles(d.outline, d.longest).map((h) => outline('opening', h)),
    ...(d.backing === 'laminated' ? [outline('guide', sizedOutline(d.outline, d.longest + 6))] : []),
  ];
  const stitches = laced(d, holes, [0, 0]).map(thread);
  const a: Vec2 = holes[0] ?? [0, 0];
  const b: Vec2 = holes[1] ?? [0, 0];
  const scene: Mark[] = [
    ...atStep('cut', board, 'draw'),
    ...atStep('punch', punched('opening'), 'draw'),
    ...atStep('lace', [
      ...stitches,
      thread(tail),
      line('piece-detail', [end, [end[0] + 12, end[1]]], { width: d.tip, colour: '#6b604b' }),
    ]),
    dimension([x0, y1], [x1, y1], [0, 12]),
    dimension([x1, y0], [x1, y1], [14, 0]),
    ...(holes.length > 1
      ? [dimension(a, b, a[1] + b[1] > 0 ? [0, -14] : [0, 14], 'apart', hypot(b[0] - a[0], b[1] - a[1]))]
      : []),
    dimension([end[0], end[1] + 4], [end[0] + 12, end[1] + 4], [0, 8], 'tip', d.tip),
  ];
  const cuts: Mark[] = [
    outline('cut', edge),
    ...sizedHoles(d.outline, d.longest).map((h) => outline('cut', h)),
    ...punched('punch'),
    dimension([x0, y1], [x1, y1], [0, 6]),
  ];
  return {
    scene: sceneOf(scene),
    about: `A lacing card, ${outlineName(d.outline)}, with ${d.holes} holes of ${hole} mm and its lace, to scale`,
    picture: sceneOf([...board, ...punched('opening'), ...stitches], 3),
    sheets: [
      { id: 'card', title: text(at, 'lacingCard'), marks: cuts, count: d.backing === 'doubled' ? 2 : 1 },
    ],
  };
}

/** Nothing is drawn where nothing goes; the fit says why. */
function settled(at: At<Dials>): Detail {
  try {
    return layOut(at);
  } catch (error) {
    if (error instanceof PatternError) return { holes: [], lace: 0 };
    throw error;
  }
}
