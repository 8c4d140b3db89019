import type { Material } from '../../materials/material.ts';
import { dialTable } from '../dialTable.ts';
import type { Chosen, Start } from '../kernel.ts';
import { parts, PUNCH, type Dials } from './dials.ts';
import { most } from './holes.ts';

/** The longest a card can be for the sheet it is cut from, mm: its shorter side, so that any shape goes on. */
function roomOn(card: Material): number {
  const { length = 0, width = 0, height = 0 } = card.sizes;
  const room = card.form === 'container' ? Math.min(length, height) : Math.min(length, width);
  return Math.floor(room - 4);
}

const isThick = (chosen: Chosen): boolean => {
  const { lace } = parts({ chosen });
  return lace.sizes.diameter! > PUNCH.single - 0.5;
};
const isYoung = ({ ageFrom }: Start): boolean => ageFrom < 36;
const HOLES = { 'prepared shelf': 10, 'graded play': 12, 'made together': 8, 'grab bag': 8 };
const LONGEST = { 'prepared shelf': 140, 'graded play': 150, 'made together': 160, 'grab bag': 100 };

export const dials = dialTable<Dials>(
  {
    outline: { label: 'Outline', outline: true, size: 'longest', begins: { kind: 'shape', shape: 'circle' } },
    longest: {
      label: 'Longest side',
      unit: 'mm',
      ends: [40, 2000],
      range: ({ chosen }) => [40, Math.max(50, roomOn(parts({ chosen }).card))],
      step: 5,
      begins: ({ approach, chosen }) => Math.min(LONGEST[approach], roomOn(parts({ chosen }).card)),
    },
    holes: {
      label: 'Holes',
      unit: 'each',
      of: 'a number of holes',
      ends: [3, 120],
      range: ({ dials: d }) => [3, most(d)],
      begins: (start) => (isYoung(start) ? Math.max(5, HOLES[start.approach] - 4) : HOLES[start.approach]),
    },
    edge: {
      label: 'Holes from the edge',
      unit: 'mm',
      ends: [Math.ceil(1.5 * PUNCH.single), 300],
      range: ({ dials: d }) => [Math.ceil(1.5 * PUNCH[d.punch]), Math.floor(d.longest / 5)],
      // A double hole stands farther in: for the youngest it is the one that a design begins with.
      begins: (start) => (isYoung(start) || isThick(start.chosen) ? 14 : 12),
    },
    punch: {
      label: 'Hole',
      options: [
        { value: 'single', label: 'Single, 6', why: 'A firm tip finds it; less card is lost.' },
        {
          value: 'double',
          label: 'Double, 6 × 9',
          why: 'Two punches overlap: a thick or frayed end goes in.',
        },
      ],
      begins: (start) => (isYoung(start) || isThick(start.chosen) ? 'double' : 'single'),
    },
    stitch: {
      label: 'Stitch',
      options: [
        { value: 'running', label: 'Running', why: 'In and out: the card is turned over each time.' },
        { value: 'whip', label: 'Whip', why: 'Over the edge: always from the same side.' },
        { value: 'cross', label: 'Cross', why: 'Whip there and back: twice as long.' },
      ],
      begins: 'running',
    },
    backing: {
      label: 'Card',
      options: [
        { value: 'single', label: 'Single', why: 'Quick to punch; folds when it is large.' },
        { value: 'doubled', label: 'Doubled', why: 'Two glued together: stiff enough to hold.' },
        {
          value: 'laminated',
          label: 'Laminated',
          why: 'Wipes clean and lasts; cannot be painted on and is harder to punch.',
        },
      ],
      begins: ({ approach, chosen }) =>
        (parts({ chosen }).card.sizes.wall ?? 1) < 0.7 && LONGEST[approach] > 120 ? 'doubled' : 'single',
    },
    tip: { label: 'Tip of the lace', unit: 'mm', ends: [1, 10], step: 0.5, begins: 3 },
  },
  { settle: (d) => ({ ...d, holes: Math.min(d.holes, most(d)) }) },
);
