import {
  bodyOf,
  centred,
  IDENTITY,
  shadowOf,
  smallestRectangle,
  tidy,
  type Mat3,
  type Shape,
  type Vec2,
} from '../geometry/index.ts';

/** A way to hold a piece: which of its own directions points through the opening. Turning it in the hand is free. */
export interface Attitude {
  readonly name: 'any way' | 'flat' | 'on its edge' | 'on end' | 'on its side';
  /** Takes the piece's frame to the opening's, z straight through. */
  readonly rotation: Mat3;
}

/** z stays up; x is looked along; y is looked along. */
const ALONG_Z: Mat3 = IDENTITY;
const ALONG_X: Mat3 = [0, 1, 0, 0, 0, 1, 1, 0, 0];
const ALONG_Y: Mat3 = [0, 0, 1, 1, 0, 0, 0, 1, 0];

/**
 * The ways a hand can hold a piece that look different through an opening: one for a ball, two for anything turned on
 * a lathe, up to three for blocks and cards. A child chooses among these; `ways` in the challenge counts them.
 */
export function attitudesOf(s: Shape): Attitude[] {
  switch (s.kind) {
    case 'sphere':
      return [{ name: 'any way', rotation: ALONG_Z }];
    case 'cylinder':
    case 'ring': {
      const tall = s.kind === 'cylinder' ? s.length > s.diameter : s.height > s.outerDiameter;
      return [
        { name: tall ? 'on end' : 'flat', rotation: ALONG_Z },
        { name: tall ? 'on its side' : 'on its edge', rotation: ALONG_X },
      ];
    }
    case 'cone':
      return [
        { name: 'on end', rotation: ALONG_Z },
        { name: 'on its side', rotation: ALONG_X },
      ];
    case 'box':
      return blocks([s.length, s.width, s.height]);
    case 'ellipsoid': {
      // The body decides how its axes lie; the ways follow it.
      const [a, b, c] = bodyOf(s).ellipsoid!;
      return blocks([2 * a, 2 * b, 2 * c]);
    }
    case 'sheet': {
      const { length, width } = smallestRectangle(s.outline);
      return blocks([length, width, s.thickness]);
    }
  }
}

function blocks([x, y, z]: [number, number, number]): Attitude[] {
  const same = (a: number, b: number): boolean => Math.abs(a - b) < 1e-9;
  if (same(x, y) && same(y, z)) return [{ name: 'any way', rotation: ALONG_Z }];
  // Seen along its shortest side a block lies flat, along its longest it stands on end.
  const sorted = [x, y, z].sort((a, b) => a - b);
  const named = (through: number): Attitude['name'] =>
    same(through, sorted[0]!) ? 'flat' : same(through, sorted[2]!) ? 'on end' : 'on its edge';
  const all: Attitude[] = [
    { name: named(z), rotation: ALONG_Z },
    { name: named(x), rotation: ALONG_X },
    { name: named(y), rotation: ALONG_Y },
  ];
  const throughs = [z, x, y];
  return all.filter((_, i) => throughs.findIndex((t) => same(t, throughs[i]!)) === i);
}

/**
 * Edge of the shadow in one attitude, mm, as an outline that lies inside the true shadow and within `slack` of it.
 * A flat sheet keeps its dents; every other shadow is convex.
 */
export function shadowOutline(s: Shape, attitude: Attitude): { outline: Vec2[]; slack: number } {
  if (s.kind === 'sheet' && attitude.rotation === ALONG_Z)
    return { outline: centred(tidy(s.outline), smallestRectangle(s.outline).angle), slack: 0 };
  const body = bodyOf(s);
  const size = Math.max(0, ...body.discs.map((d) => d.radius), ...(body.ellipsoid ?? []));
  return { outline: shadowOf(body, attitude.rotation), slack: size * (1 - Math.cos(Math.PI / 180)) };
}
