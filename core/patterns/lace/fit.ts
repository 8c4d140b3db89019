import type { Move } from '../../challenge/bits.ts';
import { distanceTo } from '../../geometry/distance.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import { sizedHoles } from '../../outline/outline.ts';
import { PatternError, type At, type Fit } from '../kernel.ts';
import { answers, mm } from '../making.ts';
import { KNOT, parts, PUNCH, TAIL, WIDE, type Dials } from './dials.ts';
import { chain, closest, holesOn, most } from './holes.ts';

const { hypot, sqrt } = Math;

/** What a laminating pouch adds, mm, both sides (125 micron film, common practice). */
const LAMINATE = 0.25;
/** The card's thickness as it is laced, mm. */
const thickness = (d: Dials, wall: number): number =>
  wall * (d.backing === 'doubled' ? 2 : 1) + (d.backing === 'laminated' ? LAMINATE : 0);

/**
 * Length of the lace, mm. Running: the closed chain of chords and the card's thickness at each hole. Whip: at each hole
 * once over the edge. Cross: whip there and back. With a knot and a tail to hold.
 */
function laceLength(d: Dials, holes: readonly Vec2[], thick: number): number {
  const chords = holes.map(([x, y], i) => {
    const [u, v] = holes[(i + 1) % holes.length]!;
    return hypot(u - x, v - y);
  });
  const over = (c: number): number => sqrt(c * c + (2 * d.edge + thick) ** 2);
  const sum = chords.reduce((n, c) => n + (d.stitch === 'running' ? c + thick : over(c)), 0);
  return (d.stitch === 'cross' ? 2 * sum : sum) + KNOT + TAIL;
}

export interface Detail {
  readonly holes: readonly Vec2[];
  readonly lace: number;
}

/** Card that folds in the hand: single board under this, mm, longer than that (common practice). */
const THIN = 0.7;
const LONG = 120;

/** A hole that the lace fills more than this is tight: the film's edge does not give, bare board does (common practice). */
const FILLED = { laminated: 0.6, bare: 0.95 };
/** Area of a hole, mm²: a circle, and as much more as the second punch is moved along. */
const areaOf = (punch: Dials['punch']): number => (Math.PI * WIDE ** 2) / 4 + WIDE * (PUNCH[punch] - WIDE);

/** The holes and the lace, at once: nothing of it is searched. */
export function layOut(at: At<Dials>): Detail {
  const { dials: d } = at;
  const { card } = parts(at);
  const holes = holesOn(chain(d), d.holes);
  return { holes, lace: laceLength(d, holes, thickness(d, card.sizes.wall ?? 0.5)) };
}

export function fit(at: At<Dials>): Fit<Detail> {
  const { dials: d } = at;
  const { card, lace } = parts(at);
  const hole = PUNCH[d.punch];
  const can = most(d);
  const detail = ((): Detail => {
    try {
      return layOut(at);
    } catch (error) {
      if (error instanceof PatternError) return { holes: [], lace: 0 };
      throw error;
    }
  })();
  const cord = lace.sizes.diameter! * (1 - lace.give);
  const knot = 3 * lace.sizes.diameter!;
  const spacing = detail.holes.length > 1 ? closest(detail.holes) : 0;
  const facts: Fit['facts'] = [
    { id: 'holes', label: 'Holes', value: d.holes, of: can, unit: 'each', onMat: true },
    { id: 'spacing', label: 'Closest two holes', value: spacing, unit: 'mm', onMat: true },
    { id: 'laceLength', label: 'Lace', value: Math.round(detail.lace), unit: 'mm', onMat: true },
    { id: 'mostHoles', label: 'Most holes that go', value: can, unit: 'each' },
    { id: 'tipGap', label: 'Room round the tip', value: WIDE - d.tip, unit: 'mm' },
    ...(lace.unit === 'each' && (lace.sizes.length ?? 0) > detail.lace
      ? [
          {
            id: 'whole',
            label: 'The lace as it is lent, uncut',
            value: lace.sizes.length!,
            unit: 'mm',
          } as const,
        ]
      : []),
    { id: 'knot', label: 'Knot, about', value: knot, unit: 'mm' },
  ];
  const say = answers(facts, detail);
  if (detail.holes.length === 0 || can < 3)
    return say('stop', 'No room for holes', 'Make the card larger, or move the holes nearer to the edge.');
  if (d.edge < 1.5 * hole - 1e-9)
    return say(
      'stop',
      'The holes tear out',
      `Keep a hole's width of card to the edge: at least ${mm(1.5 * hole)} from the middle of each hole.`,
    );
  const inside = sizedHoles(d.outline, d.longest).map(distanceTo);
  const nearest = Math.min(...inside.flatMap((far) => detail.holes.map(([x, y]) => -far(x, y))));
  if (nearest < 1.5 * hole - 1e-9)
    return say(
      'stop',
      'Too near the cut-out',
      `Keep a hole’s width of card to what is cut out inside, ${mm(1.5 * hole)} from the middle of each hole: nearer to the edge, on a larger card, or without what is cut out.`,
    );
  if (d.holes > can)
    return say('stop', 'Too many holes', `At most ${can} go, with a hole's width of card between them.`);
  if (d.tip > WIDE - 0.5)
    return say(
      'stop',
      'The tip does not go through',
      `Make the tip at most ${mm(WIDE - 0.5)}${d.punch === 'double' ? ': a double hole is longer, and no wider' : ''}.`,
    );
  if (cord > WIDE - 0.5)
    return say('stop', 'The lace jams', `Use a lace of at most ${mm((WIDE - 0.5) / (1 - lace.give))}.`);
  if (lace.unit === 'each' && (lace.sizes.length ?? 0) < detail.lace)
    return say(
      'stop',
      'The lace is too short',
      `It needs ${mm(detail.lace)}; ${lace.name} is ${mm(lace.sizes.length ?? 0)}. Fewer holes, running stitch, or a longer lace.`,
    );
  const filled = (Math.PI * lace.sizes.diameter! ** 2) / 4 / areaOf(d.punch);
  const tight = d.backing === 'laminated' ? FILLED.laminated : FILLED.bare;
  if (filled > tight) {
    const most = mm(2 * sqrt((tight * areaOf(d.punch)) / Math.PI));
    return say(
      'care',
      d.backing === 'laminated' ? 'Tight in laminated card' : 'Tight in the holes',
      d.punch === 'single'
        ? `Punch each hole double, or use a lace of at most ${most}.`
        : `Use a lace of at most ${most}.`,
    );
  }
  if (knot <= hole)
    return say('care', 'The knot slips through', 'Tie it round a bead or a button, or punch single holes.');
  if (d.backing === 'single' && (card.sizes.wall ?? 1) < THIN && d.longest > LONG)
    return say('care', 'Folds in the hand', 'Glue two cards together, or laminate it.');
  return say('clear', 'Laces well', null);
}

/** From the hand at rest to the next hole, mm: a card held before the chest (common practice). */
const REACH = 150;

/** One hole: find it with the tip, from the right side of the card where the stitch asks for one. */
export function moves({ dials: d }: At<Dials>): Move[] {
  const room = Math.max(0.5, WIDE - d.tip);
  return [
    { distance: REACH, tolerance: room, ...(d.stitch === 'running' ? {} : { ways: 2, waysIn: 1 }) },
    // Crossing goes back over holes that hold a lace already: which of two is next has to be chosen.
    ...(d.stitch === 'cross' ? [{ distance: REACH, tolerance: room, choices: 2 }] : []),
  ];
}
