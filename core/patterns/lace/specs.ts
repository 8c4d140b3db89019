import type { Material } from '../../materials/material.ts';
import { SHAPE_OPTIONS } from '../../outline/outline.ts';
import type { Approach, At, DialSpec, Start } from '../kernel.ts';
import { parts, PUNCH, type Dials } from './dials.ts';
import { most } from './holes.ts';
import { number } from '../dialKinds.ts';

/** How an approach begins: holes, and the longest side, mm. */
const STARTS: Record<Approach, { holes: number; longest: number }> = {
  'prepared shelf': { holes: 10, longest: 140 },
  'graded play': { holes: 12, longest: 150 },
  'made together': { holes: 8, longest: 160 },
  'grab bag': { holes: 8, longest: 100 },
};

/** The longest a card can be for the sheet it is cut from, mm: its shorter side, so that any shape goes on. */
function roomOn(card: Material): number {
  const { length = 0, width = 0, height = 0 } = card.sizes;
  return card.form === 'container' ? Math.min(length, height) : Math.min(length, width);
}

export function defaults({ approach, chosen, ageFrom }: Start): Dials {
  const { card, lace } = parts({ chosen });
  const start = STARTS[approach];
  const young = ageFrom < 36;
  const thick = lace.sizes.diameter! * (1 - lace.give) > PUNCH.single - 0.5;
  const d: Dials = {
    outline: { kind: 'shape', shape: 'circle' },
    longest: Math.min(start.longest, Math.floor(roomOn(card) - 4)),
    holes: young ? Math.max(5, start.holes - 4) : start.holes,
    edge: thick ? 14 : 12,
    punch: young || thick ? 'double' : 'single',
    stitch: 'running',
    backing: (card.sizes.wall ?? 1) < 0.7 && start.longest > 120 ? 'doubled' : 'single',
    tip: 3,
  };
  return { ...d, holes: Math.max(3, Math.min(d.holes, most(d))) };
}

export function specs({ dials: d, chosen }: At<Dials>): DialSpec[] {
  const { card } = parts({ chosen });
  const hole = PUNCH[d.punch];
  const longest = Math.max(50, Math.floor(roomOn(card) - 4));
  return [
    { kind: 'outline', id: 'outline', label: 'Outline', options: SHAPE_OPTIONS },
    number('longest', 'Longest side', 'mm', [40, longest, 5]),
    number('holes', 'Holes', 'each', [3, Math.max(3, most(d)), 1]),
    number('edge', 'Holes from the edge', 'mm', [
      Math.ceil(1.5 * hole),
      Math.max(Math.ceil(1.5 * hole) + 1, Math.floor(d.longest / 5)),
      1,
    ]),
    {
      kind: 'choice',
      id: 'punch',
      label: 'Hole',
      options: [
        { value: 'single', label: 'Single, 6', why: 'A firm tip finds it; less card is lost.' },
        {
          value: 'double',
          label: 'Double, 6 × 9',
          why: 'Two punches overlap: a thick or frayed end goes in.',
        },
      ],
    },
    {
      kind: 'choice',
      id: 'stitch',
      label: 'Stitch',
      options: [
        { value: 'running', label: 'Running', why: 'In and out: the card is turned over each time.' },
        { value: 'whip', label: 'Whip', why: 'Over the edge: always from the same side.' },
        { value: 'cross', label: 'Cross', why: 'Whip there and back: twice as long.' },
      ],
    },
    {
      kind: 'choice',
      id: 'backing',
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
    },
    number('tip', 'Tip of the lace', 'mm', [1, 10, 0.5]),
  ];
}
