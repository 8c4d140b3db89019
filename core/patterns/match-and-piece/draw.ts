import { Clipper, FillRule } from 'clipper2-ts';
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
import { sizedOutline } from '../../outline/outline.ts';
import type { At, Drawing, Sheet } from '../kernel.ts';
import { parts, shownOn, wordFor, type Dials, type Shown } from './dials.ts';
import { layOut } from './fit.ts';
import { boardOf, holeOutline, insetOutline, INSETS } from './insets.ts';
import { halfOutline, linePoints, linesOf, type CutLine } from './lines.ts';
import { text } from './words.ts';

const PAPER = '#fffdf8';
/** Colours of what is drawn on a card that shows no colour itself. */
const INKS = ['#B0451A', '#2C5F8A', '#2F7D4F', '#C79A2C', '#7A4E8E', '#A3455F'];
const ink = (i: number): string => INKS[i % INKS.length]!;

/** Height of letters that so many of them go across a width, mm. */
const lettersFor = (text: string, [w, h]: Vec2): number =>
  Math.min(h * 0.6, (w * 0.85) / Math.max(1, text.length * 0.62));

/** What a card shows, about its middle; as lines to draw where it is a template. */
function content(s: Shown, size: Vec2, i: number, printed: boolean): Mark[] {
  const small = Math.min(...size);
  if (s.shape) {
    const shape = sizedOutline({ kind: 'shape', shape: s.shape }, small * 0.66);
    return [printed ? outline('draw', shape) : outline('shade', shape, [0, 0], { colour: ink(i) })];
  }
  if (s.colour)
    return printed
      ? [
          circle('draw', [0, 0], small * 0.62),
          words([0, 0], s.word, lettersFor(s.word, [small * 0.6, small * 0.3])),
        ]
      : [circle('shade', [0, 0], small * 0.62, s.colour)];
  return s.word === '' ? [] : [words([0, 0], s.word, lettersFor(s.word, size))];
}

/** So many spots in rows, to be counted. */
function spots(count: number, size: Vec2, printed: boolean, colour: string): Mark[] {
  const columns = Math.ceil(Math.sqrt(count));
  const rows = Math.ceil(count / columns);
  const step = Math.min(size[0] / (columns + 1), size[1] / (rows + 1));
  return Array.from({ length: count }, (_, i) => {
    const row = Math.floor(i / columns);
    const here = row === rows - 1 ? count - row * columns : columns;
    const at: Vec2 = [((i % columns) - (here - 1) / 2) * step, (row - (rows - 1) / 2) * step];
    return circle(printed ? 'draw' : 'shade', at, step * 0.62, printed ? undefined : colour);
  });
}

/** The other card of a pair. */
function partner(d: Dials, i: number, printed: boolean): Mark[] {
  const s = shownOn(d, i);
  const size: Vec2 = [d.width, d.height];
  switch (d.partner) {
    case 'word':
      return [words([0, 0], wordFor(s), lettersFor(wordFor(s), size))];
    case 'quantity':
      return spots(s.count ?? 1, size, printed, ink(i));
    default:
      return content(s, size, i, printed);
  }
}

const plainCard = (d: Dials, printed: boolean): Mark =>
  rectangle(printed ? 'cut' : 'body', [0, 0], [d.width, d.height], {
    corner: d.laminated ? 5 : 2,
    colour: printed ? undefined : PAPER,
  });

const hasStick = (d: Dials): boolean => d.kind === 'pairs' && d.shows === 'colour' && d.partner === 'stick';

/** Pairs in rows, one of each laid beside its partner. */
function pairs(at: At<Dials>): Mark[] {
  const { dials: d } = at;
  const { stick } = parts(at);
  const columns = Math.max(1, Math.ceil(Math.sqrt(d.number / 1.5)));
  const step: Vec2 = [2 * d.width + 26, d.height + 12];
  return Array.from({ length: d.number }, (_, i) => {
    const by: Vec2 = [(i % columns) * step[0], Math.floor(i / columns) * step[1]];
    const card = (shown: readonly Mark[]): Mark[] => [
      ...atStep('cut', [plainCard(d, false)], 'print'),
      ...atStep('colour', shown, 'print'),
    ];
    const first = card(content(shownOn(d, i), [d.width, d.height], i, false));
    const second =
      hasStick(d) && stick
        ? atStep('sticks', materialMarks({ ...stick, colour: shownOn(d, i).colour! }, [0, 0]))
        : card(partner(d, i, false));
    // Those that are not yet found lie apart and a little askew.
    const apart = i < Math.ceil(d.number / 2) ? 3 : 12;
    return [...first, ...second.map((m) => moved(m, [d.width + apart, 0]))].map((m) => moved(m, by));
  }).flat();
}

/** What of a mark lies on a half of its card; words stay whole. */
function partOf(m: Mark, half: readonly Vec2[]): Mark[] {
  if (m.kind === 'words' || (m.kind !== 'outline' && m.kind !== 'circle')) return [];
  const points =
    m.kind === 'outline'
      ? m.points
      : Array.from({ length: 60 }, (_, i): Vec2 => [
          m.at[0] + m.radius * Math.cos((i * Math.PI) / 30),
          m.at[1] + m.radius * Math.sin((i * Math.PI) / 30),
        ]);
  const path = (list: readonly Vec2[]) => [list.map(([x, y]) => ({ x, y }))];
  return Clipper.intersectD(path(points), path(half), FillRule.NonZero, 3).map((p) =>
    outline(m.role, seen(p.map(({ x, y }): Vec2 => [x, y])), [0, 0], { colour: m.colour }),
  );
}

/** A line without the points that nobody sees on the mat, mm; what is printed keeps them. */
const UNSEEN = 0.25;
const seen = (points: readonly Vec2[]): Vec2[] =>
  Clipper.ramerDouglasPeuckerD(
    points.map(([x, y]) => ({ x, y })),
    UNSEEN,
  ).map(({ x, y }) => [x, y]);

const cutUp = new Map<string, readonly Mark[]>();
const MOST_CUT_UP = 120;

/** A half of a card with its part of what the card shows; remembered, since one card more leaves the others as they are. */
function halfMarks(d: Dials, side: -1 | 1, cut: CutLine, picture: readonly Mark[]): readonly Mark[] {
  const key = JSON.stringify([d.cut, d.width, d.height, side, cut, picture]);
  let marks = cutUp.get(key);
  if (!marks) {
    const edge = seen(halfOutline(cut, [d.width, d.height], side, d.cut));
    marks = [
      ...atStep('cut', [outline('body', edge, [0, 0], { colour: PAPER })], 'print'),
      ...atStep(
        'colour',
        picture.flatMap((m) => partOf(m, edge)),
        'print',
      ),
    ];
    if (cutUp.size >= MOST_CUT_UP) cutUp.delete(cutUp.keys().next().value!);
    cutUp.set(key, marks);
  }
  return marks;
}

function halves(d: Dials): Mark[] {
  const lines = linesOf(d.cut, d.width, d.height, d.number);
  const columns = Math.max(1, Math.ceil(Math.sqrt(d.number * 1.2)));
  return Array.from({ length: d.number }, (_, i) => {
    const by: Vec2 = [(i % columns) * (d.width + 24), Math.floor(i / columns) * (d.height + 14)];
    const picture = content(shownOn(d, i), [d.width, d.height], i, false);
    // The first lies open, so that its cut is seen through its picture too.
    const open = i === 0 ? 5 : 0;
    const marks: Mark[] = ([-1, 1] as const).flatMap((side) =>
      halfMarks(d, side, lines[i]!, picture).map((m) => moved(m, [by[0] + side * open, by[1]])),
    );
    if (!open)
      marks.push(
        ...atStep('halve', [
          moved(line('guide', seen(linePoints(lines[i]!, d.height, d.cut)), { width: 0.8 }), by),
        ]),
      );
    const written = picture.filter((m) => m.kind === 'words').map((m) => moved(m, [by[0] - open, by[1]]));
    marks.push(...atStep('print', written));
    return marks;
  }).flat();
}

const placesOf = (d: Dials): Vec2[] => {
  const { columns, pitch } = boardOf(d.number, d.width, d.loose);
  const rows = Math.ceil(d.number / columns);
  return Array.from({ length: d.number }, (_, i) => [
    ((i % columns) - (columns - 1) / 2) * pitch,
    (Math.floor(i / columns) - (rows - 1) / 2) * pitch,
  ]);
};

/** A board with its holes, half of the insets in them, the rest beside it. */
function insets(at: At<Dials>): Mark[] {
  const { dials: d } = at;
  const { board, knob } = parts(at);
  const { size, pitch } = boardOf(d.number, d.width, d.loose);
  const places = placesOf(d);
  const shape = (i: number) => INSETS[i % INSETS.length]!;
  const piece = (i: number, p: Vec2): Mark[] => [
    ...atStep('cut', [outline('piece', insetOutline(shape(i), d.width), p, { colour: ink(i) })], 'print'),
    ...(knob
      ? atStep('knob', [circle('piece', p, Math.min(...pictureSize(knob), d.width * 0.5), knob.colour)])
      : []),
  ];
  const out = Math.ceil(d.number / 2);
  const perColumn = Math.max(1, Math.floor(size[1] / pitch));
  return [
    rectangle('body', [0, 0], size, { corner: 3, colour: board?.colour ?? '#B98F5C' }),
    ...atStep(
      'cut',
      places.map((p, i) => outline('opening', holeOutline(shape(i), d.width, d.loose), p)),
      'print',
    ),
    ...places.flatMap((p, i) => (i >= out ? piece(i, p) : [])),
    ...Array.from({ length: out }, (_, i) =>
      piece(i, [
        size[0] / 2 + 14 + d.width / 2 + Math.floor(i / perColumn) * (d.width + 8),
        -size[1] / 2 + d.width / 2 + (i % perColumn) * (d.width + 8),
      ]),
    ).flat(),
  ];
}

/** Things from the least to the most, on one line. */
function order(at: At<Dials>): Mark[] {
  const { order: found } = layOut(at);
  const things = found?.things ?? parts(at).items.slice(0, at.dials.number);
  let x = 0;
  const marks = things.flatMap((m) => {
    const [w, h] = pictureSize(m);
    const at: Vec2 = [x + w / 2, -h / 2];
    x += w + 18;
    return materialMarks(m, at);
  });
  return marks.length === 0
    ? [
        line('guide', [
          [0, 0],
          [120, 0],
        ]),
      ]
    : [
        ...marks,
        line('guide', [
          [-8, 2],
          [x - 10, 2],
        ]),
      ];
}

/** Cards to print: each with its line to cut along. */
function sheets(at: At<Dials>): Sheet[] {
  const { dials: d } = at;
  if (d.kind === 'order') return [];
  const numbers = Array.from({ length: d.number }, (_, i) => i);
  if (d.kind === 'insets') {
    const { size } = boardOf(d.number, d.width, d.loose);
    const shape = (i: number) => INSETS[i % INSETS.length]!;
    return [
      {
        id: 'board',
        title: text(at, 'board'),
        count: 1,
        marks: [
          rectangle('cut', [0, 0], size),
          ...placesOf(d).map((p, i) => outline('cut', holeOutline(shape(i), d.width, d.loose), p)),
        ],
      },
      ...numbers.map((i): Sheet => ({
        id: `inset-${i + 1}`,
        title: `Inset ${i + 1}`,
        count: 1,
        marks: [outline('cut', insetOutline(shape(i), d.width))],
      })),
    ];
  }
  const size: Vec2 = [d.width, d.height];
  const card = (id: string, title: string, marks: Mark[], count = 1): Sheet => ({
    id,
    title,
    count,
    marks: [plainCard(d, true), ...marks],
  });
  if (d.kind === 'halves') {
    const lines = linesOf(d.cut, d.width, d.height, d.number);
    return numbers.map((i) =>
      card(`card-${i + 1}`, `Card ${i + 1}`, [
        ...content(shownOn(d, i), size, i, true),
        line('cut', linePoints(lines[i]!, d.height, d.cut)),
      ]),
    );
  }
  return numbers.flatMap((i) => [
    card(
      `card-${i + 1}`,
      `Card ${i + 1}`,
      content(shownOn(d, i), size, i, true),
      d.partner === 'same' ? 2 : 1,
    ),
    ...(d.partner === 'same' || hasStick(d)
      ? []
      : [card(`partner-${i + 1}`, `Partner ${i + 1}`, partner(d, i, true))]),
  ]);
}

export function draw(at: At<Dials>): Drawing {
  const { dials: d } = at;
  const made = {
    pairs: () => pairs(at),
    halves: () => halves(d),
    insets: () => insets(at),
    order: () => order(at),
  }[d.kind]();
  const [w, h] = [d.width, d.height];
  const measures: Mark[] = [];
  if (d.kind === 'pairs' || d.kind === 'halves')
    measures.push(
      dimension([-w / 2, -h / 2], [w / 2, -h / 2], [0, -12], 'card', w),
      dimension([-w / 2, -h / 2], [-w / 2, h / 2], [-12, 0]),
    );
  if (d.kind === 'insets') {
    const [bw, bh] = boardOf(d.number, d.width, d.loose).size;
    measures.push(
      dimension([-bw / 2, bh / 2], [bw / 2, bh / 2], [0, 10]),
      dimension([-bw / 2, -bh / 2], [-bw / 2, bh / 2], [-10, 0]),
    );
  }
  if (d.kind === 'order') {
    const found = layOut(at).order;
    let x = 0;
    for (const m of found?.things ?? []) {
      const [pw, ph] = pictureSize(m);
      measures.push(dimension([x, 4], [x + pw, 4], [0, 8]));
      if (d.measure !== 'width') measures.push(dimension([x + pw, -ph], [x + pw, 0], [6, 0]));
      x += pw + 18;
    }
  }
  const about = {
    pairs: `${d.number} pairs of cards`,
    halves: `${d.number} cards, each cut along its own line`,
    insets: `A board with ${d.number} insets`,
    order: `${d.number} things in order`,
  }[d.kind];
  const picture =
    d.kind === 'pairs' ? pairs({ ...at, dials: { ...d, number: Math.min(2, d.number) } }) : made;
  return {
    scene: sceneOf([...made, ...measures]),
    about: `${about}, to scale`,
    // Many cards to draw, and nobody prints or looks at the tag while a dial is turned.
    get picture() {
      return sceneOf(picture, 3);
    },
    get sheets() {
      return sheets(at);
    },
  };
}
