import { atStep, circle, dimension, line, rectangle, words } from '../../drawing/marks.ts';
import { materialMarks, pictureSize } from '../../drawing/material.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import { colourName, need } from '../making.ts';
import { eachTime, supplied } from '../supplies.ts';
import type { Activity, Drawn, Surface } from './activity.ts';
import { parts, ROLES } from './dials.ts';
import { lineLevels, lineMoves } from './lines.ts';
import { coloursOf, mixes, mixOf } from './surface.ts';
import { text } from './words.ts';

const { sin, PI } = Math;

/** Paint of each colour for a child's sheet, g (common practice). */
const A_COLOUR = 8;
const painted = (at: Surface) =>
  supplied(at, [[ROLES.paint, A_COLOUR * coloursOf(at.dials).length * at.dials.children]]);

/** What is said of the colours when they are set out, as they are judged. */
const MIXED = { bright: 'onlyTheyStayBright', brown: 'theyGoBrown', unknown: 'notKnownHowMixed' } as const;

/** Painting with what was found. */
export const brushes: Activity = {
  title: () => 'Paint with found brushes',
  facts: (at) => [
    {
      id: 'arc',
      label: 'Of the colour wheel',
      value: mixOf(at.dials.colours).arc,
      unit: 'deg',
      of: 360,
      onMat: true,
    },
  ],
  judge: (at) => {
    const { colours } = at.dials;
    if (parts(at).brushes.length === 0)
      return ['stop', 'Nothing to paint with', 'Choose a sponge, a cork or a comb from the shelf.'];
    if (!parts(at).page) return ['stop', 'No paper', 'Choose paper from the shelf.'];
    switch (mixes(colours)) {
      case 'unknown':
        return [
          'care',
          `No colour is known as ${mixOf(colours).unknown[0]!}`,
          'Write colours such as red, orange, yellow, green, blue, purple, apart by commas.',
        ];
      case 'brown':
        return ['care', 'Together they go brown', 'At most three, from one side of the colour wheel.'];
      case 'bright':
        return ['clear', 'Stays bright when it is mixed', null];
    }
  },
  needs: (at) => {
    const { brushes: found, page } = parts(at);
    return [
      ...found.map((m) => need(ROLES.brush, m, 1, true)),
      ...(page ? [eachTime(need(ROLES.page, page, at.dials.children, false))] : []),
      ...painted(at).needs.map(eachTime),
    ];
  },
  unlisted: (at) => painted(at).unlisted,
  washed: (at) => parts(at).brushes.map((material) => ({ material, count: 1 })),
  ready: (at) => ({
    title: text(at, 'setOutPaperPaint'),
    words: text(at, MIXED[mixes(at.dials.colours)], {
      colours: coloursOf(at.dials)
        .map((c) => colourName(at, c))
        .join(', '),
    }),
    perCopy: 4,
    who: at.approach === 'made together' ? 'child' : 'either',
  }),
  clean: (at) => ({ words: text(at, 'rinseBrushesLidsHang'), who: 'either', minutes: 8 }),
  moves: (at) => lineMoves(at, 250),
  acts: () => ['other hand holds', 'reaches across'],
  usualFrom: [15, 30],
  levels: lineLevels,
  says: (at) => ({
    play: text(at, 'corkOrFeather'),
    look: text(at, 'doesGripChangeWhat'),
    easier: text(at, 'spongeWholeHandStanding'),
    harder: text(at, 'corkEdgeCombSweep'),
    more: text(at, 'twoColoursMeetWhich'),
  }),
  draw,
  sheets: (at) =>
    coloursOf(at.dials)
      .slice(0, 6)
      .map((c, i) => ({
        id: `colour-${i + 1}`,
        title: `Colour ${c}`,
        count: 1,
        marks: [rectangle('cut', [0, 0], [60, 60]), circle('draw', [0, -6], 36), words([0, 22], c, 7)],
      })),
};

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
function draw(at: Surface): Drawn {
  const { dials: d } = at;
  const { brushes: b, page } = parts(at);
  const [w, h] = [page?.sizes.length ?? 420, page?.sizes.width ?? 297];
  const colours = coloursOf(d)
    .map((c) => PAINTS[c.toLowerCase()])
    .filter((c) => c !== undefined);
  let x = -w / 2;
  return {
    about: 'Paper, paint and found brushes',
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
