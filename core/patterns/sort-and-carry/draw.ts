import type { Mark } from '../../drawing/mark.ts';
import { atStep, circle, dimension, line, rectangle, sceneOf, words } from '../../drawing/marks.ts';
import { materialMarks } from '../../drawing/material.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import { kindOf } from '../making.ts';
import type { At, Drawing } from '../kernel.ts';
import { cardWords, parts, traySize, type Dials } from './dials.ts';
import { cardOf, standing } from './fit.ts';

/** The tray from above: the bowl near the child, the cups, a card behind each. */
export function draw(at: At<Dials>): Drawing {
  const { dials: d } = at;
  const { cup, kinds, tray, stands, mouth, high } = parts(at);
  const card = cardOf(high);
  const [w, h] = traySize(tray);
  const { bowls, cups } = standing(at);
  const n = d.cups * d.each;
  const says = cardWords(at);
  const square = cup.sizes.diameter === undefined;
  const around = (p: Vec2, size: number, role: 'container' | 'opening'): Mark =>
    square
      ? rectangle(role, p, [size, size], { corner: 4, colour: role === 'container' ? cup.colour : undefined })
      : circle(role, p, size, role === 'container' ? cup.colour : undefined);
  const cupMarks = cups.flatMap((p, i): Mark[] => {
    const kind = kinds[i % kinds.length]!;
    return [
      around(p, stands, 'container'),
      square ? rectangle('guide', p, [mouth, mouth], { corner: 3 }) : circle('guide', p, mouth),
      ...atStep('cards', [
        d.shows === 'colour' && kinds.length > 1
          ? rectangle('shade', [p[0], p[1] - stands / 2 + 6], [stands * 0.6, 10], {
              corner: 2,
              colour: kind.colour,
            })
          : rectangle('body', [p[0], p[1] - stands / 2 + 6], [stands * 0.7, 14], {
              corner: 2,
              colour: '#fffdf8',
            }),
        ...(says[i] ? [words([p[0], p[1] - stands / 2 + 6], says[i].slice(0, 9), 10)] : []),
      ]),
      ...atStep('try', materialMarks(kind, [p[0], p[1] + 4])),
    ];
  });
  const heap = bowls.flatMap((bowl) =>
    Array.from({ length: Math.min(4, n) }, (_, i): Mark[] => {
      const r = i === 0 ? 0 : stands * 0.2;
      const a = (i * 2 * Math.PI) / 3;
      return materialMarks(kindOf(kinds, n, i), [bowl[0] + r * Math.cos(a), bowl[1] + r * Math.sin(a)]);
    }).flat(),
  );
  const board: Mark[] = [rectangle('body', [0, 0], [w, h], { corner: 8, colour: tray?.colour ?? '#d8c7a3' })];
  const all: Mark[] = [
    ...board,
    ...cupMarks,
    ...bowls.map((b) => around(b, stands, 'container')),
    ...atStep('try', heap),
  ];
  const [a] = cups;
  const scene: Mark[] = [
    ...all,
    dimension([-w / 2, h / 2], [w / 2, h / 2], [0, 12]),
    dimension([-w / 2, -h / 2], [-w / 2, h / 2], [-12, 0]),
    ...(a
      ? [
          dimension(
            [a[0] - stands / 2, a[1]],
            [a[0] + stands / 2, a[1]],
            [0, -stands / 2 - 10],
            'cup',
            stands,
          ),
        ]
      : []),
  ];
  return {
    scene: sceneOf(scene),
    about: `${cups.length} cups and ${bowls.length === 1 ? 'a bowl' : `${bowls.length} bowls`} of ${n} pieces on a tray, from above, to scale`,
    picture: sceneOf(all, 3),
    sheets: says.map((text, i) => ({
      id: `card-${i + 1}`,
      title: `Card ${i + 1}: folded, it stands behind its cup`,
      count: 1,
      marks: [
        rectangle('cut', [0, 0], [card[0], 2 * card[1]]),
        line('fold', [
          [-card[0] / 2, 0],
          [card[0] / 2, 0],
        ]),
        ...(text
          ? [
              words(
                [0, card[1] / 2],
                text.slice(0, 14),
                Math.min(24, (1.5 * card[0]) / Math.max(2, text.length)),
              ),
            ]
          : []),
      ],
    })),
  };
}
