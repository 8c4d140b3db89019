import type { Mark } from '../../drawing/mark.ts';
import { atStep, circle, dimension, line, rectangle, sceneOf } from '../../drawing/marks.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import { crossings } from '../../geometry/web.ts';
import type { At, Drawing, Sheet } from '../kernel.ts';
import { armWidth, parts, thickOf } from './dials.ts';
import type { Dials } from './schema.ts';
import { SLOT, stemsOf, stemAt, strung } from './thread.ts';

const { cos, max, PI, sin, tan } = Math;

const from = (r: number, a: number): Vec2 => [r * sin(a), -r * cos(a)];

interface Look {
  readonly arm: number;
  readonly wood: string;
  readonly thread: string;
  readonly thick: number;
}

/** The web on crossed sticks. */
function star(d: Dials, { arm, wood, thread, thick }: Look): Mark[] {
  const n = 2 * d.sticks;
  const angle = (k: number): number => (2 * PI * k) / n;
  const spun = (points: readonly Vec2[]): Mark => line('thread', points, { width: thick, colour: thread });
  const web =
    d.course === 'spiral'
      ? [
          spun(
            crossings({ spokes: n, rounds: d.rounds, firstRadius: d.first, spacing: d.spacing }).map((r, k) =>
              from(r, angle(k)),
            ),
          ),
        ]
      : Array.from({ length: d.rounds }, (_, j) =>
          spun(Array.from({ length: n + 1 }, (__, k) => from(d.first + j * d.spacing, angle(k)))),
        );
  return [
    ...atStep(
      'cross',
      Array.from({ length: d.sticks }, (_, i) =>
        rectangle('body', [0, 0], [arm, 2 * d.arm], {
          turn: (180 * i) / d.sticks,
          corner: arm / 3,
          colour: wood,
        }),
      ),
    ),
    ...atStep('weave', web),
    ...atStep('knot', [circle('piece', [0, 0], max(6, d.first), thread)]),
  ];
}

/** Rows between the arms of a fork, and stems that go over one row and under the next, neighbours the other way round. */
function twig(d: Dials, { arm, wood, thread, thick }: Look, green: readonly string[]): Mark[] {
  const half = (d.angle * PI) / 360;
  const limb = (side: number): Mark =>
    line('body', [[0, 0], from(d.arm, side * half)], { width: arm, colour: wood });
  const rows = Array.from({ length: d.rounds }, (_, j) => d.first + j * d.spacing);
  const spun = (points: readonly Vec2[]): Mark => line('thread', points, { width: thick, colour: thread });
  const row = (t: number): Mark => spun([from(t, -half), from(t, half)]);
  const height = (t: number): number => t * cos(half);
  const stems = stemsOf(d).map((x, i): { over: Mark[]; whole: Mark } => {
    const top = height(rows.at(-1)!) + 20;
    const foot = top - stemAt(d, x);
    const colour = green[i % green.length] ?? '#5d7d3a';
    const piece = (a: number, b: number): Mark =>
      line(
        'thread',
        [
          [x, -a],
          [x, -b],
        ],
        { width: 4, colour },
      );
    return {
      whole: piece(foot, top),
      // Seen again where it lies over a row.
      over: rows.flatMap((t, j) =>
        (i + j) % 2 === 0 && height(t) >= foot - 1
          ? [piece(height(t) - d.spacing / 2, height(t) + d.spacing / 2)]
          : [],
      ),
    };
  });
  return [
    line(
      'body',
      [
        [0, 0],
        [0, d.arm * 0.25],
      ],
      { width: arm * 1.15, colour: wood },
    ),
    ...atStep(
      'stems',
      stems.map((s) => s.whole),
    ),
    ...atStep('weave', [
      ...rows.map(row),
      ...rows
        .slice(1)
        .map((t, j) =>
          spun([from(t, j % 2 === 0 ? half : -half), from(rows[j]!, j % 2 === 0 ? half : -half)]),
        ),
    ]),
    ...atStep(
      'stems',
      stems.flatMap((s) => s.over),
    ),
    limb(-1),
    limb(1),
    ...atStep(
      'weave',
      rows.flatMap((t) =>
        [-1, 1].map((side) => {
          const [x, y] = from(t, side * half);
          const [u, v] = [cos(side * half) * (arm / 2 + 1), sin(side * half) * (arm / 2 + 1)];
          return spun([
            [x - u, y - v],
            [x + u, y + v],
          ]);
        }),
      ),
    ),
  ];
}

const loomWidth = (d: Dials): number => (d.slots - 1) * d.pitch + 20;
const slotAt = (d: Dials, i: number): number => (i - (d.slots - 1) / 2) * d.pitch;

/** Strings from slot to slot, and rows that go over and under them. */
function loom(d: Dials, { wood, thread, thick }: Look): Mark[] {
  const [w, h] = [loomWidth(d), d.height];
  const foot = h / 2 - SLOT;
  const string = (i: number, top: number, bottom: number): Mark =>
    line(
      'thread',
      [
        [slotAt(d, i), top],
        [slotAt(d, i), bottom],
      ],
      { width: thick, colour: '#efe6d0' },
    );
  const rows = Array.from({ length: d.rounds }, (_, j) => foot - (j + 0.5) * d.spacing);
  return [
    ...atStep('cut', [
      rectangle('body', [0, 0], [w, h], { colour: wood }),
      ...Array.from({ length: d.slots }, (_, i) => slotAt(d, i)).flatMap((x) =>
        [-1, 1].map((end) =>
          line('guide', [
            [x, (end * h) / 2],
            [x, end * foot],
          ]),
        ),
      ),
    ]),
    ...atStep(
      'cross',
      Array.from({ length: d.slots }, (_, i) => string(i, -foot, foot)),
    ),
    ...atStep('weave', [
      ...rows.map((y) =>
        line(
          'thread',
          [
            [slotAt(d, 0), y],
            [slotAt(d, d.slots - 1), y],
          ],
          { width: thick, colour: thread },
        ),
      ),
      // Where a string lies over the row it is seen again.
      ...rows.flatMap((y, j) =>
        Array.from({ length: d.slots }, (_, i) => i)
          .filter((i) => (i + j) % 2 === 0)
          .map((i) => string(i, y - d.spacing / 2, y + d.spacing / 2)),
      ),
    ]),
  ];
}

/** The guide to lay sticks on at equal angles, or the card of a loom with its slots. */
function sheets(d: Dials): Sheet[] {
  if (d.frame === 'twig') return [];
  if (d.frame === 'loom') {
    const [w, h] = [loomWidth(d), d.height];
    return [
      {
        id: 'loom',
        title: 'Card loom',
        count: 1,
        marks: [
          rectangle('cut', [0, 0], [w, h]),
          ...Array.from({ length: d.slots }, (_, i) => slotAt(d, i)).flatMap((x) => [
            line('slit', [
              [x, -h / 2],
              [x, -h / 2 + SLOT],
            ]),
            line('slit', [
              [x, h / 2],
              [x, h / 2 - SLOT],
            ]),
          ]),
          dimension([-w / 2, h / 2], [w / 2, h / 2], [0, 6]),
        ],
      },
    ];
  }
  // Far out it is only a direction: the guide stays on a page.
  const reach = Math.min(d.arm, 85);
  return [
    {
      id: 'guide',
      title: 'Guide for the sticks',
      count: 1,
      marks: [
        ...Array.from({ length: d.sticks }, (_, i) => {
          const a = (PI * i) / d.sticks;
          return line('draw', [from(reach, a), from(-reach, a)]);
        }),
        circle('draw', [0, 0], 2 * d.first),
        dimension([-reach, reach], [reach, reach], [0, 6]),
      ],
    },
  ];
}

export function draw(at: At<Dials>): Drawing {
  const { dials: d } = at;
  const { stick, card, thread, woven, section } = parts(at);
  const look: Look = {
    arm: armWidth(section),
    wood: (d.frame === 'loom' ? card : stick)?.colour ?? '#cdb88f',
    thread: thread.colour,
    thick: max(0.6, thickOf(thread)),
  };
  const half = (d.angle * PI) / 360;
  const made =
    d.frame === 'star'
      ? star(d, look)
      : d.frame === 'twig'
        ? twig(
            d,
            look,
            woven.map((m) => m.colour),
          )
        : loom(d, look);
  const far = d.arm * cos(half);
  const measures: Mark[] =
    d.frame === 'star'
      ? [
          dimension([0, 0], [0, -d.arm], [-d.arm * sin(PI / d.sticks) - 14, 0], 'arm', d.arm),
          dimension([-d.arm, d.arm], [d.arm, d.arm], [0, 12], 'across', 2 * d.arm),
        ]
      : d.frame === 'twig'
        ? [
            dimension([-far * tan(half), 0], [-far * tan(half), -far], [-12, 0], 'height', far),
            dimension(
              [-far * tan(half), -far],
              [far * tan(half), -far],
              [0, -14],
              'tips',
              2 * d.arm * sin(half),
            ),
          ]
        : [
            dimension([-loomWidth(d) / 2, d.height / 2], [loomWidth(d) / 2, d.height / 2], [0, 10]),
            dimension([loomWidth(d) / 2, -d.height / 2], [loomWidth(d) / 2, d.height / 2], [12, 0]),
            dimension(
              [slotAt(d, 0), -strung(d) / 2 - SLOT],
              [slotAt(d, 1), -strung(d) / 2 - SLOT],
              [0, -12],
              'slots',
              d.pitch,
            ),
          ];
  const what = {
    star: `${2 * d.sticks} arms`,
    twig: 'a forked twig',
    loom: `a card loom of ${d.slots} slots`,
  }[d.frame];
  return {
    scene: sceneOf([...made, ...measures]),
    about: `${d.rounds} ${d.frame === 'star' ? 'rounds' : 'rows'} of thread on ${what}, to scale`,
    picture: sceneOf(made, 3),
    sheets: sheets(d),
  };
}
