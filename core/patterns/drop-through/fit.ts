import type { Move } from '../../challenge/bits.ts';
import { scaled, volume } from '../../geometry/shape.ts';
import { extentsOf, shapeOf, type Material } from '../../materials/material.ts';
import type { Opening } from '../../passage/opening.ts';
import { passage, type PassageAnswer } from '../../passage/passage.ts';
import { goesInside, type Inside } from '../../packing/goesInside.ts';
import type { At, Fact, Fit } from '../kernel.ts';
import { mm } from '../making.ts';
import { JAW, parts, RIM, type Dials, type Room, type Tool } from './dials.ts';

/** Share of a container that heaped pieces fill as they fall (loose random packing runs from 0.5 to 0.6; from memory). */
export const HEAPED = 0.5;
/** Below this a piece must be steered all the way and card soon frays, mm (common practice). */
const TIGHT = 1;
/** From the tray beside the container to its lid, mm: a child's easy reach at a table (common practice). */
export const REACH = 200;

/** The opening cut into the lid, mm; its turn is a matter of the hand, not of passing. */
export function openingOf(d: Dials): Opening {
  if (d.opening === 'round') return { kind: 'round', diameter: d.length };
  if (d.opening === 'slot') return { kind: 'slot', length: d.length, width: d.width };
  return {
    kind: 'star',
    points: d.points,
    outerDiameter: d.length,
    innerDiameter: Math.min(d.width, d.length - 0.5),
  };
}

/** How far the opening reaches beyond the lid's room, mm; 0 or less where it has room as it is turned. */
export function overRim(d: Dials, room: Room): number {
  if (room.round) return (d.opening === 'slot' ? Math.hypot(d.length, d.width) : d.length) - room.along;
  if (d.opening !== 'slot') return d.length - Math.min(room.along, room.across);
  const angle = (d.turn * Math.PI) / 180;
  const [c, s] = [Math.abs(Math.cos(angle)), Math.abs(Math.sin(angle))];
  return Math.max(d.length * c + d.width * s - room.along, d.length * s + d.width * c - room.across);
}

/** The clear inside of the container, mm. */
function insideOf(container: Material): Inside {
  const { sizes } = container;
  const wall = sizes.wall ?? 0;
  const height = Math.max(0, sizes.height! - wall);
  return sizes.diameter === undefined
    ? { length: Math.max(0, sizes.length! - 2 * wall), width: Math.max(0, sizes.width! - 2 * wall), height }
    : { diameter: Math.max(0, sizes.diameter - 2 * wall), height };
}

/**
 * What a tool has hold of, mm: tongs close over the middle of a piece that lies flat where they open that far; a peg
 * or two fingers take the rim of a hollow cap, else its least thickness.
 */
export function gripped(piece: Material, tool: Tool): number {
  const [, middle, least] = extentsOf(shapeOf(piece)!);
  if (tool === 'tongs') return middle < JAW.tongs ? middle : least;
  return piece.form === 'disc' && piece.sizes.wall !== undefined ? Math.min(piece.sizes.wall, least) : least;
}

export interface Detail {
  readonly passage: PassageAnswer;
  /** How many pieces the container holds, heaped as they fall. */
  readonly holds: number;
}

function factsOf({ passage: p, holds }: Detail): Fact[] {
  return [
    { id: 'gap', label: 'Gap at the tightest', value: p.gap, unit: 'mm', onMat: true },
    { id: 'gapAlong', label: 'Gap along', value: p.gapAlong, unit: 'mm', onMat: true },
    { id: 'gapAcross', label: 'Gap across', value: p.gapAcross, unit: 'mm', onMat: true },
    {
      id: 'waysIn',
      label: 'Ways in',
      value: p.waysIn,
      of: p.ways,
      onMat: true,
    },
    ...(p.waysInNamed.length > 0
      ? [{ id: 'waysInNamed', label: 'It goes in', value: p.waysInNamed.join(', '), onMat: true }]
      : []),
    { id: 'holds', label: 'Container holds about', value: holds, unit: 'each' },
  ];
}

/** Does the piece pass, drop free, and go in as often as it should? */
export function fit({ dials: d, chosen }: At<Dials>): Fit<Detail> {
  const { container, piece, longest, room } = parts(chosen);
  const solid = shapeOf(piece)!;
  const answer = passage({ piece: scaled(solid, 1 - piece.give), opening: openingOf(d) });
  const s = container.sizes;
  const floor = s.diameter === undefined ? s.length! * s.width! : (Math.PI / 4) * s.diameter ** 2;
  const holds = Math.floor((HEAPED * floor * s.height!) / volume(solid));
  const detail = { passage: answer, holds };
  const say = (verdict: Fit['verdict'], headline: string, remedy: string | null): Fit<Detail> => ({
    verdict,
    headline,
    remedy,
    facts: factsOf(detail),
    detail,
  });
  const over = overRim(d, room);
  if (!answer.passes)
    return say('stop', 'Does not go through', `It needs ${mm(-answer.gap)} more room, or a smaller piece.`);
  if (over > 1e-6)
    return say(
      'stop',
      'Lid too small',
      `The opening reaches ${mm(over)} too far: keep ${RIM} mm of lid all round.`,
    );
  if (!goesInside(scaled(solid, 1 - piece.give), insideOf(container)))
    return say(
      'stop',
      'Stands out of the container',
      `Choose a container deeper than ${mm(longest)} inside, or a shorter piece.`,
    );
  if (holds < 1)
    return say(
      'stop',
      'No room for one piece',
      'Choose a larger container or a smaller piece: heaped pieces fill only half of it.',
    );
  if (gripped(piece, d.tool) >= JAW[d.tool])
    return say(
      'stop',
      `A ${d.tool === 'fingers' ? 'young hand' : d.tool} does not open that far`,
      `It opens ${JAW[d.tool]} mm; the piece is ${mm(gripped(piece, d.tool))} thick there.`,
    );
  if (holds < d.pieces)
    return say(
      'care',
      `Full after ${holds}`,
      `Use ${holds === 1 ? '1 piece' : `${holds} pieces or fewer`}, or a deeper container.`,
    );
  // A soft piece that must be squeezed in is strength work, and meant so.
  if (piece.give > 0 && !passage({ piece: solid, opening: openingOf(d) }).passes)
    return say('clear', 'Goes in with a squeeze', null);
  if (answer.gap < TIGHT)
    return say('care', 'Tight: may jam', `Give it ${mm(TIGHT - answer.gap)} more for a free drop.`);
  return say('clear', 'Drops free', null);
}

/**
 * What the hand does for one piece: pick it up, turn it to the slot, put it through. Tolerances: the part of the piece
 * the tool may land on, the arc the gap leaves a turned piece, the gap itself (at least 0.5 mm, where a push helps).
 */
export function moves({ dials: d, chosen }: At<Dials>, { detail: f }: Fit<Detail>): Move[] {
  const { piece, longest } = parts(chosen);
  const gap = Math.max(0.5, f.passage.gap);
  const pickUp: Move = {
    distance: REACH,
    tolerance: Math.max(1, Math.min(longest, JAW[d.tool] - gripped(piece, d.tool))),
  };
  const post: Move = {
    distance: REACH,
    tolerance: gap,
    ways: f.passage.ways,
    waysIn: Math.max(1, f.passage.waysIn),
  };
  if (d.turn === 0 || d.opening === 'round') return [pickUp, post];
  // A turn moves the end of the piece along an arc; the end may stray by the gap to either side.
  const arc = (d.turn * Math.PI * longest) / 360;
  return [pickUp, { distance: arc, tolerance: 2 * gap }, post];
}
