import { extentsOf, shapeOf } from '../../materials/material.ts';
import { when } from '../acts.ts';
import type { At, Pattern } from '../kernel.ts';
import { ROLES, type Dials } from './dials.ts';
import { dials } from './table.ts';
import { fit, moves, type Detail } from './fit.ts';
import { draw } from './layout.ts';
import { features, reaches, plan, show } from './making.ts';
import { kindsOf, parts } from './pieces.ts';
import { levels } from './levels.ts';
import { text } from './words.ts';

/** What there is to do, in a line. */
function title(at: At<Dials>): string {
  const { dials: d } = at;
  const { first, kinds } = parts(at);
  const piece =
    kinds.length > 1 ? `${kinds.length} kinds of piece` : `the ${first.name.toLowerCase().split(',')[0]}`;
  switch (d.cover) {
    case 'tape':
      return `Tape the mouth to fit ${piece}`;
    case 'open':
      return `Drop ${piece} into the open mouth`;
    case 'sip hole':
      return `Fit ${piece} to the sip hole`;
    default:
      return d.openings !== 'one' && kinds.length > 1
        ? `Cut ${kinds.length} openings, one for each kind`
        : d.opening === 'outline'
          ? `Cut the outline to let ${piece} through`
          : `Cut the ${d.opening === 'round' ? 'hole' : d.opening} to fit ${piece}`;
  }
}

/** A gap is called wide from so many times the least thickness of the piece on. */
const WIDE = 1.6;
const OPENING = { slot: 'a slot', round: 'a hole', star: 'a star', outline: 'an outline' } as const;

/** What goes through what: “Milk-bottle cap through a slot”. */
function called(at: At<Dials>): string {
  const { dials: d } = at;
  const { first, kinds } = parts(at);
  const piece = kinds.length > 1 ? `${kinds.length} kinds of piece` : first.name.split(',')[0]!;
  const through = {
    tape: `through tape, ${d.width > WIDE * extentsOf(first.solid)[2] ? 'wide' : 'narrow'} gap`,
    open: 'into an open mouth',
    'sip hole': 'through a sip hole',
    lid:
      d.openings !== 'one' && kinds.length > 1
        ? `through ${kinds.length} openings`
        : `through ${OPENING[d.opening]}`,
  }[d.cover];
  return `${piece} ${through}${d.tool === 'fingers' ? '' : `, with ${d.tool}`}`;
}

/** Whether a piece has to be squeezed small to go in, as it is when nobody squeezes it. */
const isSqueezed = (at: At<Dials>): boolean =>
  kindsOf(at).some(({ material }) => {
    const shape = shapeOf(material);
    if (material.give === 0 || !shape) return false;
    const [, middle, short] = extentsOf(shape);
    return at.dials.opening === 'slot' ? short > at.dials.width : middle > at.dials.length;
  });

/** A container with an opening, and pieces to post through it. */
export const dropThrough: Pattern<Dials, Detail> = {
  id: 'drop-through',
  name: 'Drop-through',
  does: (to) => text(to, 'postsPiecesThroughOpening'),
  skills: [
    'Pincer and release',
    'In-hand manipulation',
    'Crossing the midline',
    'Hand strength',
    'Two hands together',
  ],
  acts: (at) =>
    when({
      'picks up': at.dials.tool !== 'tongs',
      'lets go': true,
      // A sponge that is wider than its hole is squeezed small.
      squeezes: at.dials.tool !== 'fingers' || isSqueezed(at),
      // Through strips of tape it is pushed, while the other hand holds the tub.
      'other hand holds': at.dials.cover === 'tape',
      'turns in the fingers':
        at.dials.tool === 'fingers' && at.dials.cover !== 'open' && at.dials.opening !== 'round',
      'reaches across': true,
    }),
  quiet: false,
  // Tongs and pegs come when the hand squeezes and opens at will.
  usualFrom: ({ dials: d }) => (d.tool === 'fingers' ? [9, 18] : [30, 48]),
  roles: Object.values(ROLES),
  dials,
  title,
  called,
  fit,
  plan,
  drawsFit: true,
  draw,
  moves,
  // A tool is squeezed and held shut all the way: about so much for a peg or tongs (common practice).
  beside: ({ dials: d }) => (d.tool === 'fingers' ? {} : { force: 10 }),
  counts: ({ dials: d }) => ({ of: 'pieces', one: 'piece', number: d.pieces }),
  features,
  reaches,
  levels,
  show,
};
