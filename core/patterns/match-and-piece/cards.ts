import type { Mark } from '../../drawing/mark.ts';
import { circle, outline, rectangle, words } from '../../drawing/marks.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import { sizedOutline } from '../../outline/outline.ts';
import { shownOn, wordFor, type Dials, type Shown } from './dials.ts';

export const PAPER = '#fffdf8';
/** Colours of what is drawn on a card that shows no colour itself. */
const INKS = ['#B0451A', '#2C5F8A', '#2F7D4F', '#C79A2C', '#7A4E8E', '#A3455F'];
export const ink = (i: number): string => INKS[i % INKS.length]!;

/** Height of letters that so many of them go across a width, mm. */
const lettersFor = (text: string, [w, h]: Vec2): number =>
  Math.min(h * 0.6, (w * 0.85) / Math.max(1, text.length * 0.62));

/** What a card shows, about its middle; as lines to draw where it is a template. */
export function content(s: Shown, size: Vec2, i: number, printed: boolean): Mark[] {
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
export function partner(d: Dials, i: number, printed: boolean): Mark[] {
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

export const plainCard = (d: Dials, printed: boolean): Mark =>
  rectangle(printed ? 'cut' : 'body', [0, 0], [d.width, d.height], {
    corner: d.laminated ? 5 : 2,
    colour: printed ? undefined : PAPER,
  });

export const hasStick = (d: Dials): boolean =>
  d.kind === 'pairs' && d.shows === 'colour' && d.partner === 'stick';
