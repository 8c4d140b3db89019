import { boxOf, perimeter } from '../../geometry/polygon.ts';
import { sizedOutline } from '../../outline/outline.ts';
import type { Vec2 } from '../../geometry/vector.ts';
import { placed as turned } from '../../drawing/material.ts';
import { outlineOf, type Opening } from '../../passage/opening.ts';
import type { At } from '../kernel.ts';
import { RIM, type Dials } from './dials.ts';
import { parts, type Kind, type Room } from './pieces.ts';

const { abs, ceil, cos, hypot, max, min, PI, sin } = Math;

/** An opening where it is on the lid, mm about its middle, and the kinds that are meant to go through. */
export interface Placed {
  readonly opening: Opening;
  readonly at: Vec2;
  readonly turn: number;
  readonly kinds: readonly number[];
}

/** The longest slot that a lid takes at a turn, its width left aside, mm. */
export function longestSlot(room: Room, turn: number): number {
  if (room.round) return room.along;
  const angle = (turn * PI) / 180;
  const [c, s] = [abs(cos(angle)), abs(sin(angle))];
  return min(c > 1e-9 ? room.along / c : Infinity, s > 1e-9 ? room.across / s : Infinity);
}

/** What the dials say: the one opening, or that of the first kind. */
export function firstOpening(at: Pick<At<Dials>, 'dials' | 'chosen'>): Opening {
  const { dials: d } = at;
  if (d.cover === 'sip hole')
    return { kind: 'slot', length: max(d.sipLength, d.sipWidth), width: min(d.sipLength, d.sipWidth) };
  if (d.cover === 'lid') {
    if (d.opening === 'round') return { kind: 'round', diameter: d.length };
    if (d.opening === 'slot') return { kind: 'slot', length: d.length, width: d.width };
    // On the mat y goes down, in an opening up.
    if (d.opening === 'outline')
      return {
        kind: 'polygon',
        outline: sizedOutline(d.outline, d.length).map(([x, y]) => [x, -y]),
      };
    return {
      kind: 'star',
      points: d.points,
      outerDiameter: d.length,
      innerDiameter: min(d.width, d.length - 0.5),
    };
  }
  const { mouth } = parts(at);
  const across = min(mouth.along, mouth.across);
  if (d.cover === 'tape')
    return d.opening === 'slot'
      ? // From rim to rim, at its middle.
        { kind: 'slot', length: max(mouth.along, d.width), width: min(d.width, mouth.along) }
      : { kind: 'slot', length: min(d.length, across), width: min(d.length, across) };
  return mouth.round
    ? { kind: 'round', diameter: mouth.along }
    : { kind: 'slot', length: max(mouth.along, mouth.across), width: across };
}

/** An opening for another kind, with as much room to spare as the first kind has in the first opening. */
function alike(first: Opening, one: Kind, other: Kind): Opening {
  const [along, across] =
    first.kind === 'slot'
      ? [first.length - one.longest, first.width - one.shortest]
      : [outerSize(first) - one.longest, outerSize(first) - one.longest];
  const long = max(3, other.longest + along);
  return other.isRound
    ? { kind: 'round', diameter: long }
    : { kind: 'slot', length: long, width: max(2, min(long, other.shortest + min(across, 6))) };
}

function outerSize(o: Opening): number {
  switch (o.kind) {
    case 'round':
      return o.diameter;
    case 'star':
      return o.outerDiameter;
    case 'slot':
      return o.length;
    case 'polygon': {
      const [x0, y0, x1, y1] = boxOf(o.outline);
      return max(x1 - x0, y1 - y0);
    }
  }
}

/** An opening's edge as it is drawn about its middle, y down; null for a round one. */
const drawnEdge = (o: Opening, turn: number, at: Vec2): Vec2[] | null => {
  const edge = outlineOf(o);
  return (
    edge &&
    turned(
      edge.map(([x, y]): Vec2 => [x, -y]),
      turn,
      at,
    )
  );
};

/** The opening's edge as it lies on the lid; null for a round one. */
export const edgeOf = (p: Placed): Vec2[] | null => drawnEdge(p.opening, p.turn, p.at);

const halfAcross = (o: Opening, turn: number, way: 0 | 1): number => {
  const edge = drawnEdge(o, turn, [0, 0]);
  return edge ? max(...edge.map((q) => abs(q[way]))) : outerSize(o) / 2;
};

/** Every opening with its place: one in the middle, several side by side with lid between them. */
export function openingsOn(at: Pick<At<Dials>, 'dials' | 'chosen'>): Placed[] {
  const { dials: d } = at;
  const { kinds, first } = parts(at);
  const main = firstOpening(at);
  const turn = d.cover === 'lid' && d.opening !== 'round' ? d.turn : 0;
  if (d.cover !== 'lid' || d.openings === 'one' || kinds.length === 1)
    return [{ opening: main, at: [0, 0], turn, kinds: kinds.map((_, i) => i) }];
  const own = kinds.map((k, i) => (i === 0 ? main : alike(main, first, k)));
  // Slots that lie along the lid come one below the other, those across it one beside the other.
  const way = turn < 45 ? 1 : 0;
  const halves = own.map((o) => halfAcross(o, turn, way));
  const whole = halves.reduce((n, h) => n + 2 * h, 0) + RIM * (own.length - 1);
  let from = -whole / 2;
  return own.map((opening, i): Placed => {
    const middle = from + halves[i]!;
    from += 2 * halves[i]! + RIM;
    return { opening, at: way === 1 ? [0, middle] : [middle, 0], turn, kinds: [i] };
  });
}

/** How far the openings reach beyond the lid's room, mm; 0 or less where they have room as they lie. */
export function overRim(at: Pick<At<Dials>, 'dials' | 'chosen'>): number {
  const { room } = parts(at);
  const { cover } = at.dials;
  // A ready hole has its place in its lid; what tape leaves lies within the mouth.
  if (cover === 'open' || cover === 'tape' || cover === 'sip hole') return -1;
  return max(
    ...openingsOn(at).map((p) => {
      const edge = edgeOf(p);
      const r = outerSize(p.opening) / 2;
      if (room.round)
        return 2 * (edge ? max(...edge.map((q) => hypot(...q))) : hypot(...p.at) + r) - room.along;
      const reach = (way: 0 | 1): number =>
        edge ? max(...edge.map((q) => abs(q[way]))) : abs(p.at[way]) + r;
      return max(2 * reach(0) - room.along, 2 * reach(1) - room.across);
    }),
  );
}

/** Length of all cuts into the lid, mm. */
export const cutLength = (at: Pick<At<Dials>, 'dials' | 'chosen'>): number =>
  openingsOn(at).reduce(
    (n, { opening: o }) => n + (o.kind === 'round' ? PI * o.diameter : perimeter(outlineOf(o)!)),
    0,
  );

/** Tape that hangs down the side at each end of a strip, mm (common practice). */
const DOWN = 25;

/** Strips that narrow a mouth to the opening: how many, how long, mm; each side takes as many as cover it. */
export function strips(at: Pick<At<Dials>, 'dials' | 'chosen'>): {
  count: number;
  length: number;
  wide: number;
} {
  const { dials: d } = at;
  const { mouth, tape } = parts(at);
  // A thread is no tape: so narrow a strip would take thousands.
  const wide = max(5, tape?.sizes.width ?? 25);
  const o = firstOpening(at);
  if (d.cover !== 'tape' || o.kind !== 'slot') return { count: 0, length: 0, wide };
  const side = (room: number, left: number): number => 2 * ceil(max(0, room - left) / 2 / wide - 1e-9);
  const count = side(mouth.across, o.width) + (d.opening === 'slot' ? 0 : side(mouth.along, o.length));
  return { count, length: ceil(max(mouth.along, mouth.across) + 2 * DOWN), wide };
}
