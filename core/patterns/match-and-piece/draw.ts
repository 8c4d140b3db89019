import type { Mark } from '../../drawing/mark.ts';
import { atStep, circle, dimension, line, moved, outline, rectangle, sceneOf } from '../../drawing/marks.ts';
import { materialMarks, pictureSize } from '../../drawing/material.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import type { At, Drawing } from '../kernel.ts';
import { content, hasStick, ink, partner, plainCard } from './cards.ts';
import { parts, shownOn, type Dials } from './dials.ts';
import { layOut } from './fit.ts';
import { halves } from './halves.ts';
import { boardOf, holeOutline, insetOutline, INSETS, placesOf } from './insets.ts';
import { sheets } from './sheets.ts';

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
