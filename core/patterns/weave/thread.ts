import { girthOf, webThread, type Section } from '../../geometry/web.ts';
import type { Dials } from './schema.ts';

const { floor, hypot, PI, sin } = Math;

/** Left free at the tip of an arm, mm: nearer to it the thread slips off (common practice). */
const TIP = 10;
/** Depth of a slot of the loom, mm. */
export const SLOT = 10;

/** Knots and what is left at the ends, mm (common practice). */
const CENTRE_KNOT = 60;
const DOUBLE_KNOT = 60;
/** The tail that becomes the hanger, mm. */
export const TAIL = 150;

const EPS = 1e-9;

/** Between the two ends of a slot-to-slot string, mm. */
export const strung = (d: Pick<Dials, 'height'>): number => d.height - 2 * SLOT;

/** Most rounds or rows that go, ending before the tips or at the top of the loom. */
export function mostRounds(
  d: Pick<Dials, 'frame' | 'arm' | 'first' | 'spacing' | 'course' | 'height'>,
): number {
  if (d.frame === 'loom') return Math.max(0, floor(strung(d) / d.spacing + EPS));
  const room = (d.arm - TIP - d.first) / d.spacing;
  // A spiral's last span ends one round further out; rings and rows begin at the first crossing.
  const spiral = d.frame === 'star' && d.course === 'spiral';
  return Math.max(0, floor(room + EPS) + (spiral ? 0 : 1));
}

/** Length of a row between the arms of a twig, so far from the fork, mm. */
export const rowAt = (d: Pick<Dials, 'angle'>, from: number): number => 2 * from * sin((d.angle * PI) / 360);

export interface Wound {
  /** All of it with knots and tail, mm. */
  readonly thread: number;
  readonly crossings: number;
  /** From one crossing to the next, in the middle, mm. */
  readonly span: number;
}

/**
 * The thread of one kit, mm. Star: the web's spans and wraps. Twig: a row across at each height, up along the arm to the
 * next, and the wraps at each crossing. Loom: the strings with what passes behind from slot to slot, and rows that go over
 * and under each string. Knots, and a tail to hang it by.
 */
export function wound(d: Dials, section: Section, thick: number): Wound {
  const ends = CENTRE_KNOT + DOUBLE_KNOT + TAIL;
  switch (d.frame) {
    case 'star': {
      const n = 2 * d.sticks;
      const { total, spans } = webThread({
        spokes: n,
        rounds: d.rounds,
        firstRadius: d.first,
        spacing: d.spacing,
        wraps: d.wraps,
        section,
        course: d.course,
      });
      return { thread: total + ends, crossings: n * d.rounds, span: spans / (n * d.rounds) };
    }
    case 'twig': {
      let spans = 0;
      for (let j = 0; j < d.rounds; j++) spans += rowAt(d, d.first + j * d.spacing);
      const climbs = (d.rounds - 1) * d.spacing;
      const crossings = d.rounds + 1;
      const wraps = crossings * d.wraps * girthOf(section);
      return { thread: spans + climbs + wraps + ends, crossings, span: spans / d.rounds };
    }
    case 'loom': {
      const strings = d.slots * strung(d) + (d.slots - 1) * d.pitch;
      // Over one string and under the next it rises and falls by its own thickness and the string's.
      const row = (d.slots - 1) * hypot(d.pitch, 2 * thick);
      const rows = d.rounds * row + (d.rounds - 1) * d.spacing;
      return { thread: strings + rows + ends, crossings: d.slots * d.rounds, span: d.pitch };
    }
  }
}

/** Length of a stem woven in upright so far beside the axis of a twig, with 20 mm standing out at the top, mm. */
export function stemAt(d: Dials, aside: number): number {
  const half = (d.angle * PI) / 360;
  const top = (d.first + (d.rounds - 1) * d.spacing) * Math.cos(half);
  const foot = Math.max(d.first * Math.cos(half), Math.abs(aside) / Math.tan(half));
  return Math.max(0, top - foot) + 20;
}

/** Where stems stand beside the axis, evenly over the middle of the top row, mm. */
export function stemsOf(d: Dials): number[] {
  const width = rowAt(d, d.first + (d.rounds - 1) * d.spacing) * 0.7;
  return Array.from({ length: d.stems }, (_, i) => (d.stems === 1 ? 0 : (i / (d.stems - 1) - 0.5) * width));
}
