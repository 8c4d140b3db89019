import type { Container } from '../fit/container.ts';
import { allRotations, axisDirections, onlyThis } from '../fit/rotations.ts';
import { mostSlack } from '../fit/search.ts';
import { bodyOf } from '../geometry/body.ts';
import type { Shape } from '../geometry/shape.ts';
import { IDENTITY } from '../geometry/vector.ts';
import { extentsOf } from '../materials/material.ts';

/** The clear inside of a container, mm: a round one by its diameter, another by length and width. */
export type Inside =
  | { readonly diameter: number; readonly height: number }
  | { readonly length: number; readonly width: number; readonly height: number };

function containerOf(inside: Inside): Container {
  // Height is settled first: with slack c above and below, 2 c ≤ height − reach up − reach down.
  const height = {
    a: [0, 0] as const,
    b: inside.height / 2,
    reach: [
      { weight: 0.5, direction: [0, 0, 1] as const },
      { weight: 0.5, direction: [0, 0, -1] as const },
    ],
  };
  if ('diameter' in inside) return { wallRadius: inside.diameter / 2, flats: [height], mirrored: false };
  const wall = (x: number, y: number, room: number) => ({
    a: [x, y] as const,
    b: room / 2,
    reach: [{ weight: 1, direction: [x, y, 0] as const }],
  });
  return {
    wallRadius: null,
    flats: [
      height,
      wall(1, 0, inside.length),
      wall(-1, 0, inside.length),
      wall(0, 1, inside.width),
      wall(0, -1, inside.width),
    ],
    mirrored: false,
  };
}

/**
 * Does one piece lie wholly inside a container, however it is turned? Settled by the box round the piece where that
 * decides, else by the search over all rotations, proved either way; within a thousandth of a millimetre it counts as a no.
 *
 * @param piece sizes in mm
 */
export function goesInside(piece: Shape, inside: Inside): boolean {
  const [long, middle, short] = extentsOf(piece);
  const round = 'diameter' in inside;
  const [wide, narrow] = round
    ? [inside.diameter, inside.diameter]
    : [Math.max(inside.length, inside.width), Math.min(inside.length, inside.width)];
  if (Math.min(wide, narrow, inside.height) <= 0) return false;
  // The farthest two points inside, and the least room that its thinnest way needs.
  if (long > Math.hypot(inside.height, wide, round ? 0 : narrow)) return false;
  if (short > Math.min(narrow, inside.height)) return false;
  const lies = (a: number, b: number, up: number): boolean =>
    up <= inside.height && (round ? Math.hypot(a, b) <= wide : a <= wide && b <= narrow);
  if (lies(long, middle, short) || lies(long, short, middle) || lies(middle, short, long)) return true;
  const body = bodyOf(piece);
  const found = mostSlack({
    container: containerOf(inside),
    body,
    patches:
      body.symmetry === 'ball'
        ? onlyThis(IDENTITY)
        : body.symmetry === 'axial'
          ? axisDirections(body.flips, false)
          : allRotations(body.symmetry, false),
    tolerance: (low, high) => (low >= 0 || high < 0 ? Infinity : 0.001),
    budget: 1e7,
  });
  return found.low >= 0;
}
