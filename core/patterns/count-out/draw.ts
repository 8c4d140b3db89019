import type { Mark } from '../../drawing/mark.ts';
import { atStep, circle, dimension, moved, rectangle, sceneOf, words } from '../../drawing/marks.ts';
import { materialMarks } from '../../drawing/material.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import { kindOf } from '../making.ts';
import type { At, Drawing } from '../kernel.ts';
import { HEAD, parts, tokenSize, type Dials } from './dials.ts';
import { spots } from './fit.ts';

/** One card with its numeral and spots, about its middle. */
function card(at: At<Dials>, n: number, role: 'body' | 'cut'): Mark[] {
  const { dials: d } = at;
  const m = parts(at);
  const wide = Math.max(...m.kinds.map((k) => tokenSize(k).wide));
  const numeral = d.shows !== 'quantity';
  const middle: Vec2 = [0, d.shows === 'numeral' ? 0 : -d.height / 2 + HEAD / 2 + 2];
  const high = d.shows === 'numeral' ? Math.min(d.width, d.height) * 0.6 : 20;
  const shown: Mark[] = [
    ...(numeral ? [words(middle, String(n), high)] : []),
    ...(d.shows === 'numeral'
      ? []
      : spots(at, n).map((p) => circle(role === 'body' ? 'guide' : 'draw', p, wide))),
  ];
  const edge = rectangle(role, [0, 0], [d.width, d.height], {
    corner: 4,
    colour: role === 'body' ? '#fffdf8' : undefined,
  });
  return role === 'body' ? [...atStep('cut', [edge], 'print'), ...atStep('print', shown)] : [edge, ...shown];
}

/** The cards in a row, tokens on the last, the rest of the tokens in a heap below. */
export function draw(at: At<Dials>): Drawing {
  const { dials: d } = at;
  const { kinds } = parts(at);
  const numbers = Array.from({ length: d.to - d.from + 1 }, (_, i) => d.from + i);
  const columns = Math.ceil(Math.sqrt(numbers.length * 2));
  const [stepX, stepY] = [d.width + 10, d.height + 10];
  const laid = numbers.flatMap((n, i) => {
    const by: Vec2 = [(i % columns) * stepX, Math.floor(i / columns) * stepY];
    const marks = card(at, n, 'body');
    // Tokens lie on the first cards, so that it is seen how it is used.
    const on =
      d.shows !== 'numeral' && i < 2
        ? spots(at, n).flatMap((p, k) => materialMarks(kinds[k % kinds.length]!, p))
        : [];
    return [...marks, ...atStep('try', on)].map((m) => moved(m, by));
  });
  const rows = Math.ceil(numbers.length / columns);
  const wide = Math.max(...kinds.map((k) => tokenSize(k).wide));
  const perRow = Math.max(1, Math.floor((Math.min(columns, numbers.length) * stepX) / (wide + 3)));
  const heap = Array.from({ length: Math.min(d.tokens, 3 * perRow) }, (_, i) =>
    materialMarks(kindOf(kinds, d.tokens, i), [
      -d.width / 2 + wide / 2 + (i % perRow) * (wide + 3),
      (rows - 1) * stepY + d.height / 2 + 20 + wide / 2 + Math.floor(i / perRow) * (wide + 3),
    ]),
  ).flat();
  const scene: Mark[] = [
    ...laid,
    ...atStep('try', heap),
    dimension([-d.width / 2, -d.height / 2], [d.width / 2, -d.height / 2], [0, -8]),
    dimension([-d.width / 2, -d.height / 2], [-d.width / 2, d.height / 2], [-10, 0]),
  ];
  const small = card(at, Math.min(d.to, Math.max(d.from, 3)), 'body');
  return {
    scene: sceneOf(scene),
    about: `Cards from ${d.from} to ${d.to} with ${d.tokens} tokens, to scale`,
    picture: sceneOf(small, 3),
    sheets: numbers.map((n) => ({
      id: `card-${n}`,
      title: `Card ${n}`,
      marks: card(at, n, 'cut'),
      count: 1,
    })),
  };
}
