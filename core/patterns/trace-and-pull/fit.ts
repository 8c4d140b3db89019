import { massOfOne } from '../../catalogue/entry.ts';
import type { Move } from '../../challenge/bits.ts';
import { extentsOf, shapeOf, type Material } from '../../materials/material.ts';
import type { At, Fact, Fit } from '../kernel.ts';
import { answers, mm } from '../making.ts';
import { FREE, parts, type Dials } from './dials.ts';
import { LONGEST, strandsOf, type Strands } from './strands.ts';

const { ceil, max, min, PI, round } = Math;

/** A thinner line breaks when it is peeled, mm (common practice). */
export const PEELS_FROM = 4;
/** A knot that holds a thing takes so much cord, mm (common practice). */
const KNOT = 60;
/** Wet glue shrinks to about half its height (common practice). */
const SHRINKS = 0.5;
/** The heavier end over the lighter: from here on it runs away (common practice). */
const RUNS_AWAY = 1.5;

/** Glue for a line with a half ellipse for its section, ml: path × π w h / 4. */
export const glueFor = (path: number, width: number, high: number): number =>
  (path * PI * width * high) / 4 / 1000;

/** How high a thing hangs below its knot, mm. */
const tall = (m: Material): number => extentsOf(shapeOf(m)!)[0];

/**
 * The shortest cord over a peg that lets one end touch down while the other is up: down the one side, half round the peg,
 * down the other to what is lifted, and a knot at each end; mm.
 */
export function cordFor(at: Pick<At<Dials>, 'dials' | 'chosen'>): number {
  const { peg, lift } = at.dials;
  const { ends, pegAcross } = parts(at);
  const down = max(0, peg - tall(ends[0]));
  const up = max(0, peg - lift - tall(ends[1]));
  return down + up + (PI * pegAcross) / 2 + 2 * KNOT;
}

export interface Detail {
  readonly strands: Strands;
}

let last: { key: string; strands: Strands } | null = null;
export function layOut({ dials: d }: Pick<At<Dials>, 'dials'>): Strands {
  const key = JSON.stringify([d.outline, d.longest, d.ribs]);
  if (last?.key !== key) last = { key, strands: strandsOf(d.outline, d.longest, d.ribs) };
  return last.strands;
}

export function fit(at: At<Dials>): Fit<Detail> {
  const { dials: d } = at;
  const { ends, cord, room } = parts(at);
  const strands = layOut(at);
  const glue = glueFor(strands.path, d.line, d.high);
  const long = cordFor(at);
  const masses = ends.map((m) => massOfOne(m));
  const facts: Fact[] = [
    { id: 'glue', label: 'Glue', value: round(glue * 10) / 10, unit: 'ml', onMat: true },
    { id: 'dryFor', label: 'Dries for', value: round(d.high * d.dries), unit: 'h', onMat: true },
    { id: 'cord', label: 'Cord', value: round(long), unit: 'mm', onMat: true },
    { id: 'bottles', label: 'Bottles', value: ceil(glue / d.bottle - 1e-9), unit: 'each' },
    { id: 'path', label: 'Line to trace', value: round(strands.path), unit: 'mm' },
    { id: 'strand', label: 'Longest strand', value: strands.longest, unit: 'mm' },
    { id: 'dryHigh', label: 'Dry, it stands', value: d.high * SHRINKS, unit: 'mm' },
  ];
  const say = answers(facts, { strands });
  if (d.longest > room + 0.5)
    return say(
      'stop',
      'Larger than the clear sheet',
      `With ${FREE} mm free all round it may be ${mm(room)}.`,
    );
  if (d.lift >= d.peg - tall(ends[1]))
    return say(
      'stop',
      'It would be pulled into the peg',
      `The peg is at ${mm(d.peg)}: let it rise less than ${mm(max(0, d.peg - tall(ends[1])))}.`,
    );
  if (cord.unit === 'each' && (cord.sizes.length ?? 0) < long)
    return say(
      'stop',
      'The cord is too short',
      `It takes ${mm(long)}; ${cord.name} has ${mm(cord.sizes.length ?? 0)}.`,
    );
  if (d.line < PEELS_FROM)
    return say(
      'stop',
      'A line this thin breaks',
      `At least ${PEELS_FROM} mm wide, so that it peels in one piece.`,
    );
  if (strands.longest > LONGEST + 0.5)
    return say(
      'care',
      'A long strand without a crossing',
      `One is ${mm(strands.longest)}: ${d.ribs ? 'a smaller or rounder outline' : 'strands across'}, at most ${LONGEST} mm from one crossing to the next.`,
    );
  const [a, b] = masses;
  if (a && b && max(a, b) / min(a, b) > RUNS_AWAY)
    return say(
      'care',
      'The heavier end runs away',
      `${round(a)} g against ${round(b)} g: take ends of about one weight.`,
    );
  return say('clear', 'Peels in one piece, and lifts', null);
}

/** From the table to the cord, mm (common practice). */
const REACH = 200;

/** A strand traced with the bottle, and the cord pulled until the other end is up. */
export function moves(at: At<Dials>, { detail }: Fit<Detail>): Move[] {
  const { dials: d } = at;
  const strand = max(d.line, min(LONGEST, detail.strands.longest));
  return [
    ...(d.child === 'traces and pulls'
      ? [
          { distance: strand, tolerance: d.line },
          { distance: strand, tolerance: d.line },
        ]
      : []),
    ...(d.child === 'colours and pulls' ? [{ distance: strand, tolerance: 3 * d.line }] : []),
    { distance: REACH, tolerance: 25 },
    // Pulled hand under hand, and stopped where the other end is up.
    { distance: d.lift, tolerance: 30 },
  ];
}
