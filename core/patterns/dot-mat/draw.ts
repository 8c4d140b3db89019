import type { Mark } from '../../drawing/mark.ts';
import { atStep, circle, dimension, outline, rectangle, sceneOf, words } from '../../drawing/marks.ts';
import { materialMarks, pictureSize } from '../../drawing/material.ts';
import { outlineName, sizedHoles, sizedOutline, boxOf } from '../../outline/outline.ts';
import { kindOf } from '../making.ts';
import type { At, Drawing } from '../kernel.ts';
import { dotsOf, kindsOf, parts, type Dials } from './dials.ts';
import { isPainted } from './fit.ts';

export function draw(at: At<Dials>): Drawing {
  const { dials: d } = at;
  const { page, all, tray } = parts(at);
  const own = kindsOf(at);
  // Where nothing goes on the dots as they are used, what is chosen is shown all the same: the fit says why it does not go.
  const kinds = own.length > 0 ? own : all;
  const edge = sizedOutline(d.outline, d.longest);
  const holes = sizedHoles(d.outline, d.longest);
  const [, , x1, y1] = boxOf(edge);
  const dots = dotsOf(d);
  const n = dots.length;
  const [w, h] = [page.sizes.width ?? d.longest, page.sizes.length ?? d.longest];
  // Upright or across, whichever way the outline lies better.
  const [pw, ph] = x1 * 2 > y1 * 2 === w > h ? [w, h] : [h, w];
  const colourOf = (i: number): string => kindOf(kinds, n, i).colour;
  const sheet: Mark[] = [
    ...(tray
      ? [
          rectangle(
            'container',
            [0, 0],
            [tray.sizes.diameter ?? tray.sizes.length ?? pw, tray.sizes.diameter ?? tray.sizes.width ?? ph],
            { corner: 6, colour: tray.colour },
          ),
        ]
      : []),
    ...atStep('print', [
      rectangle('body', [0, 0], [pw, ph], { corner: 2, colour: '#fffdf8' }),
      outline('guide', edge),
      ...holes.map((h) => outline('guide', h)),
    ]),
  ];
  const spots = dots.flatMap((p, i): Mark[] => [
    d.colours === 'by key' && kinds.length > 1
      ? circle('shade', p, d.dot, `${colourOf(i)}`)
      : circle('guide', p, d.dot),
    ...(d.colours === 'by numeral' && kinds.length > 1
      ? [words(p, String(1 + kinds.indexOf(kindOf(kinds, n, i))), d.dot * 0.5)]
      : []),
  ]);
  // Half of them are covered, so that it is seen how it is used.
  const covered = dots
    .slice(0, Math.ceil(n / 2))
    .flatMap((p, i): Mark[] =>
      isPainted(d) ? [circle('piece', p, d.dot * 0.92, colourOf(i))] : materialMarks(kindOf(kinds, n, i), p),
    );
  const [bw] = pictureSize(kinds[0]!);
  const beside = isPainted(d)
    ? []
    : Array.from({ length: Math.min(6, n) }, (_, i) =>
        materialMarks(kindOf(kinds, n, n - 1 - i), [pw / 2 + 26 + bw / 2, -ph / 2 + bw / 2 + i * (bw + 5)]),
      ).flat();
  const [first] = dots;
  const scene: Mark[] = [
    ...sheet,
    ...atStep('print', spots),
    ...atStep('try', [...covered, ...beside]),
    dimension([-pw / 2, ph / 2], [pw / 2, ph / 2], [0, 10]),
    dimension([-pw / 2, -ph / 2], [-pw / 2, ph / 2], [-10, 0]),
    ...(first
      ? [
          dimension(
            [first[0] - d.dot / 2, first[1]],
            [first[0] + d.dot / 2, first[1]],
            [0, -ph / 2 - first[1] - 8],
            'dot',
            d.dot,
          ),
        ]
      : []),
  ];
  return {
    scene: sceneOf(scene),
    about: `A page with ${n} dots in a ${outlineName(d.outline)}, half of them covered, to scale`,
    picture: sceneOf([...sheet, ...spots, ...covered], 3),
    sheets: [
      {
        id: 'page',
        title: 'Page',
        count: 1,
        marks: [
          outline('draw', edge),
          ...holes.map((h) => outline('draw', h)),
          ...dots.map((p) => circle('draw', p, d.dot)),
          ...(d.colours === 'by numeral' && kinds.length > 1
            ? dots.map((p, i) => words(p, String(1 + kinds.indexOf(kindOf(kinds, n, i))), d.dot * 0.5))
            : []),
          dimension([-d.longest / 2, y1], [d.longest / 2, y1], [0, 6], undefined, d.longest),
        ],
      },
    ],
  };
}
