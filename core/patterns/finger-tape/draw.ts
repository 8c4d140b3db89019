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
import type { Vec2 } from '../../geometry/vector.ts';
import type { At, Drawing, Sheet } from '../kernel.ts';
import { parts, scraps, stripWidth, type Dials } from './dials.ts';

const { cos, max, min, PI, sin } = Math;
const SKIN = '#E3B08F';

/** A finger upright, its tip up, as wide as its girth says, with tape round its pad. */
function finger(at: At<Dials>, wears: string | null, on: string | null): Mark[] {
  const { dials: d } = at;
  const { tape } = parts(at);
  const w = d.girth / PI;
  const long = w * 4.6;
  const tip: Vec2[] = Array.from({ length: 25 }, (_, i): Vec2 => {
    const a = PI + (i / 24) * PI;
    return [(w / 2) * cos(a), -long + w / 2 + (w / 2) * sin(a)];
  });
  const wide = stripWidth(d, tape);
  return [
    outline('body', [...tip, [w * 0.62, 0], [-w * 0.62, 0]], [0, 0], { colour: SKIN }),
    outline(
      'shade',
      [
        [-w * 0.22, -long + w * 0.16],
        [w * 0.22, -long + w * 0.16],
        [w * 0.26, -long + w * 0.62],
        [-w * 0.26, -long + w * 0.62],
      ],
      [0, 0],
      { colour: '#F3D3BC', corner: 2 },
    ),
    ...[0.42, 0.72].map((t) =>
      line('guide', [
        [-w * 0.3, -long * (1 - t)],
        [w * 0.3, -long * (1 - t)],
      ]),
    ),
    ...(wears
      ? [rectangle('shade', [0, -long + w * 0.9 + wide / 2], [w * 1.08, wide], { colour: wears, corner: 1 })]
      : []),
    ...(on ? [rectangle('piece', [w * 0.3, -long + w * 0.9], [w, w], { turn: 16, colour: on })] : []),
  ];
}

/** Fingers with their tape, the sheet with its cuts, the strip, and the balls with their hole. */
export function draw(at: At<Dials>): Drawing {
  const { dials: d } = at;
  const { tape, papers, paper, box } = parts(at);
  const colours = min(d.colours, papers.length);
  const { length = 76, width = 76 } = paper.sizes;
  const cut = scraps(d, paper);
  const w = d.girth / PI;
  const fingers = Array.from({ length: d.fingers }, (_, i) =>
    finger(at, tape.colour, papers[i % colours]?.colour ?? null).map((m) =>
      moved(m, [i * w * 1.35, i % 3 === 1 ? -w * 0.5 : 0]),
    ),
  ).flat();
  const x = d.fingers * w * 1.35 + 24;
  const [cols, rows] = [Math.round(length / cut.width), Math.round(width / cut.height)];
  const [across, down] = cols * cut.width > length + 0.5 ? [rows, cols] : [cols, rows];
  const [cw, ch] = [length / across, width / down];
  const sheet = (k: number): Mark[] => [
    rectangle('body', [0, 0], [length, width], { colour: papers[k]!.colour }),
    ...atStep('halve', [
      ...Array.from({ length: across - 1 }, (_, i): Mark => {
        const u = -length / 2 + (i + 1) * cw;
        return line('guide', [
          [u, -width / 2],
          [u, width / 2],
        ]);
      }),
      ...Array.from({ length: down - 1 }, (_, i): Mark => {
        const v = -width / 2 + (i + 1) * ch;
        return line('guide', [
          [-length / 2, v],
          [length / 2, v],
        ]);
      }),
    ]),
    // One is on the finger already.
    ...atStep('strip', [
      rectangle('opening', [length / 2 - cw / 2, -width / 2 + ch / 2], [cw * 0.94, ch * 0.94]),
    ]),
  ];
  const top = -w * 4.6;
  const papersAt = (k: number): Vec2 => [x + length / 2 + k * (length + 12), top + width / 2];
  const sheets = Array.from({ length: colours }, (_, k) => sheet(k).map((m) => moved(m, papersAt(k)))).flat();
  const { strip } = d;
  const wide = stripWidth(d, tape);
  const under = top + width + 42;
  const middle = x + strip / 2;
  const band: Mark[] = [
    rectangle('body', [middle - strip / 4, under + wide / 2], [strip / 2, wide], { colour: tape.colour }),
    rectangle('shade', [middle + strip / 4, under + wide / 2], [strip / 2, wide], { colour: '#F3E7C4' }),
    words([middle - strip / 4, under + wide + 9], 'in'),
    words([middle + strip / 4, under + wide + 9], 'out'),
  ];
  const right = x + max(colours * (length + 12) + 62, strip + 30);
  const post = d.end === 'rolled and posted' && box ? max(48, d.hole * 3) : 0;
  const balls: Mark[] =
    d.end === 'peeled off'
      ? []
      : [
          ...(post > 0
            ? [
                circle('body', [right + post / 2, top + post / 2], post, box!.colour),
                ...atStep('hole', [circle('opening', [right + post / 2, top + post / 2], d.hole)]),
              ]
            : []),
          ...atStep(
            'count',
            Array.from({ length: min(4, cut.pieces) }, (_, i) =>
              circle(
                'piece',
                [right + cut.ball / 2 + i * (cut.ball + 4), top + post + 18],
                cut.ball,
                papers[i % colours]!.colour,
              ),
            ),
          ),
        ];
  const measures: Mark[] = [
    dimension(
      [papersAt(0)[0] - length / 2, papersAt(0)[1] + width / 2],
      [papersAt(0)[0] + length / 2, papersAt(0)[1] + width / 2],
      [0, 8],
      'sheet',
      length,
    ),
    dimension(
      [papersAt(colours - 1)[0] + length / 2, top + width - ch],
      [papersAt(colours - 1)[0] + length / 2, top + width],
      [9, 0],
      'piece',
      ch,
    ),
    dimension(
      [middle - strip / 2, under + wide],
      [middle + strip / 2, under + wide],
      [0, 36],
      'sticky strip',
      strip,
    ),
    dimension([middle + strip / 2, under], [middle + strip / 2, under + wide], [9, 0], 'wide', wide),
    ...(post > 0
      ? [
          dimension(
            [right + post / 2 - d.hole / 2, top + post / 2],
            [right + post / 2 + d.hole / 2, top + post / 2],
            [0, -post / 2 - 8],
            'hole',
            d.hole,
          ),
        ]
      : []),
  ];
  const cutSheet: Sheet = {
    id: 'halves',
    title: 'Paper, where it is cut',
    count: 1,
    marks: [
      rectangle('cut', [0, 0], [length, width]),
      ...Array.from({ length: across - 1 }, (_, i) => {
        const u = -length / 2 + (i + 1) * cw;
        return line('cut', [
          [u, -width / 2],
          [u, width / 2],
        ]);
      }),
      ...Array.from({ length: down - 1 }, (_, i) => {
        const v = -width / 2 + (i + 1) * ch;
        return line('cut', [
          [-length / 2, v],
          [length / 2, v],
        ]);
      }),
    ],
  };
  return {
    scene: sceneOf([...atStep('strip', fingers), ...sheets, ...atStep('strip', band), ...balls, ...measures]),
    about: `${d.fingers === 1 ? 'A finger' : `${d.fingers} fingers`} with tape, sticky side out, and ${cut.pieces * colours} paper pieces, to scale`,
    picture: sceneOf([...fingers, ...sheet(0).map((m) => moved(m, papersAt(0)))], 3),
    sheets: [cutSheet],
  };
}
