import fc from 'fast-check';
import { bodyOf, farthestShadowPoint } from '../geometry/body.ts';
import type { Shape } from '../geometry/shape.ts';
import {
  IDENTITY,
  multiply,
  rotationOfQuaternion,
  rotationOfVector,
  transpose,
  turn,
  type Mat3,
} from '../geometry/vector.ts';
import type { Container } from './container.ts';
import {
  allRotations,
  axisDirections,
  bestShare,
  mostWithin,
  turnsOf,
  viewDirections,
  type Patch,
} from './rotations.ts';
import { mostSlack } from './search.ts';
import { seat } from './seat.ts';

/** A square hole of the given side, and a round one. */
const square = (side: number): Container => ({
  wallRadius: null,
  mirrored: true,
  flats: (
    [
      [1, 0],
      [-1, 0],
      [0, 1],
      [0, -1],
    ] as const
  ).map((a) => ({
    a,
    b: side / 2,
    reach: [{ weight: 1, direction: [a[0], a[1], 0] as const }],
  })),
});
const round = (diameter: number): Container => ({ wallRadius: diameter / 2, flats: [], mirrored: true });

const rotation: fc.Arbitrary<Mat3> = fc
  .tuple(
    ...([0, 1, 2, 3].map(() => fc.double({ min: -1, max: 1, noNaN: true })) as [
      fc.Arbitrary<number>,
      fc.Arbitrary<number>,
      fc.Arbitrary<number>,
      fc.Arbitrary<number>,
    ]),
  )
  .filter((q) => Math.hypot(...q) > 0.1)
  .map((q) => rotationOfQuaternion(q));
const small = fc.double({ min: -1, max: 1, noNaN: true });

const pieces: Shape[] = [
  { kind: 'box', length: 30, width: 18, height: 7 },
  { kind: 'cylinder', diameter: 38, length: 14 },
  { kind: 'cone', baseDiameter: 24, height: 40 },
  { kind: 'ellipsoid', length: 44, width: 30, height: 20 },
  {
    kind: 'sheet',
    outline: [
      [0, 0],
      [30, 0],
      [36, 18],
      [10, 25],
    ],
    thickness: 3,
  },
];

/** Angle of the rotation that leads from one to the other (rad). */
const apart = (a: Mat3, b: Mat3): number => {
  const q = multiply(transpose(a), b);
  return Math.acos(Math.max(-1, Math.min(1, (q[0]! + q[4]! + q[8]! - 1) / 2)));
};

describe('the best shift for one rotation', () => {
  it('centres a square block in a square hole', () => {
    const found = seat(square(20), bodyOf({ kind: 'box', length: 12, width: 12, height: 5 }), IDENTITY);
    expect(found.low).toBeCloseTo(4, 9);
    expect(found.high).toBeCloseTo(4, 9);
    expect(found.shift[0]).toBeCloseTo(0, 6);
  });

  it('finds the smallest circle round a triangle', () => {
    const body = bodyOf({
      kind: 'sheet',
      outline: [
        [0, 0],
        [30, 0],
        [0, 40],
      ],
      thickness: 1,
    });
    // A right triangle's smallest circle has its long side, 50, for a diameter.
    expect(seat(round(60), body, IDENTITY).low).toBeCloseTo(5, 6);
  });

  it.each(pieces)(
    'meets its own bound for %j at any rotation, and no shift on a grid does better',
    (piece) => {
      const body = bodyOf(piece);
      fc.assert(
        fc.property(rotation, (r) => {
          const found = seat(round(45), body, r);
          expect(found.high - found.low).toBeLessThan(1e-6);
          for (let tx = -8; tx <= 8; tx += 2)
            for (let ty = -8; ty <= 8; ty += 2) {
              const [x, y] = farthestShadowPoint(body, r, tx, ty);
              expect(22.5 - Math.hypot(x, y)).toBeLessThanOrEqual(found.high + 1e-9);
            }
        }),
        { numRuns: 25, seed: 5 },
      );
    },
  );

  it('starts as well from a neighbour’s three limits', () => {
    const body = bodyOf(pieces[1]!);
    const near = rotationOfVector([0.03, -0.02, 0.01]);
    const warm = seat(round(45), body, near, seat(round(45), body, IDENTITY).basis);
    expect(warm.low).toBeCloseTo(seat(round(45), body, near).low, 8);
  });

  it('stops early without telling an untruth', () => {
    const body = bodyOf(pieces[3]!);
    const r = rotationOfVector([0.4, 0.8, -0.3]);
    const exact = seat(round(45), body, r).low;
    const rough = seat(round(45), body, r, undefined, 1);
    expect(rough.low).toBeLessThanOrEqual(exact + 1e-9);
    expect(rough.high).toBeGreaterThanOrEqual(exact - 1e-9);
  });
});

describe('the proof', () => {
  it.each(pieces)('found for %j at one rotation holds at every other', (piece) => {
    const body = bodyOf(piece);
    for (const container of [round(45), square(40)])
      fc.assert(
        fc.property(rotation, rotation, (here, there) => {
          const { proofAt, proof } = seat(container, body, here);
          const bound = proofAt - proof.reduce((sum, x, i) => sum + x * there[i]!, 0);
          expect(bound).toBeGreaterThanOrEqual(seat(container, body, there).low - 1e-6);
        }),
        { numRuns: 30, seed: 9 },
      );
  });

  it('within a patch is never under what a turn inside it reaches', () => {
    const body = bodyOf(pieces[0]!);
    fc.assert(
      fc.property(
        rotation,
        small,
        small,
        small,
        fc.double({ min: 0.01, max: 1.5, noNaN: true }),
        (centre, x, y, z, radius) => {
          const { proofAt, proof } = seat(round(45), body, centre);
          fc.pre(Math.hypot(x, y, z) > 0.01);
          const l = Math.hypot(x, y, z);
          const inside = multiply(
            rotationOfVector([(x / l) * radius, (y / l) * radius, (z / l) * radius]),
            centre,
          );
          const bound = mostWithin(proofAt, proof, centre, radius);
          expect(bound).toBeGreaterThanOrEqual(
            proofAt - proof.reduce((sum, v, i) => sum + v * inside[i]!, 0) - 1e-9,
          );
        },
      ),
      { numRuns: 200, seed: 4 },
    );
  });
});

describe('patches cover what they must', () => {
  const covered = (patches: readonly Patch[], distance: (centre: Mat3) => number): boolean =>
    patches.some((p) => distance(p.centre) <= p.radius + 1e-9);

  it('every rotation lies in a patch of a piece without symmetry', () => {
    const patches = allRotations('prism', false);
    fc.assert(
      fc.property(rotation, (r) => covered(patches, (c) => apart(c, r))),
      { numRuns: 300, seed: 2 },
    );
  });

  it('every rotation of a box lies in one after a half turn about its axes', () => {
    const patches = allRotations('box', false);
    const halves: Mat3[] = [
      IDENTITY,
      [1, 0, 0, 0, -1, 0, 0, 0, -1],
      [-1, 0, 0, 0, 1, 0, 0, 0, -1],
      [-1, 0, 0, 0, -1, 0, 0, 0, 1],
    ];
    fc.assert(
      fc.property(rotation, (r) =>
        covered(patches, (c) => Math.min(...halves.map((h) => apart(c, multiply(r, h))))),
      ),
      { numRuns: 300, seed: 3 },
    );
  });

  it('with the container’s mirror, half of them do', () => {
    const patches = allRotations('box', true);
    expect(patches).toHaveLength(allRotations('box', false).length / 2);
    const halves: Mat3[] = [
      IDENTITY,
      [1, 0, 0, 0, -1, 0, 0, 0, -1],
      [-1, 0, 0, 0, 1, 0, 0, 0, -1],
      [-1, 0, 0, 0, -1, 0, 0, 0, 1],
    ];
    const mirror: Mat3 = [1, 0, 0, 0, -1, 0, 0, 0, 1];
    fc.assert(
      fc.property(rotation, (r) =>
        covered(patches, (c) =>
          Math.min(
            ...halves.flatMap((h) => [
              apart(c, multiply(r, h)),
              apart(c, multiply(multiply(mirror, multiply(r, mirror)), h)),
            ]),
          ),
        ),
      ),
      { numRuns: 300, seed: 8 },
    );
  });

  /** Angle between where two rotations take the body's axis, and between whence they look at it. */
  const between = (a: readonly number[], b: readonly number[]): number =>
    Math.acos(Math.max(-1, Math.min(1, a[0]! * b[0]! + a[1]! * b[1]! + a[2]! * b[2]!)));
  const axes = (a: Mat3, b: Mat3): number => between([a[2]!, a[5]!, a[8]!], [b[2]!, b[5]!, b[8]!]);
  const views = (a: Mat3, b: Mat3): number => between([a[6]!, a[7]!, a[8]!], [b[6]!, b[7]!, b[8]!]);

  it.each([
    ['all rotations', allRotations('prism', true)[3]!, apart],
    ['axes', axisDirections(false, false)[4]!, axes],
    ['views', viewDirections()[1]!, views],
    ['turns', turnsOf(IDENTITY, Math.PI)[2]!, apart],
  ])('of %s: the parts of a patch lie within it and cover its middle', (_, patch, distance) => {
    const parts = patch.split();
    expect(parts.length).toBeGreaterThan(1);
    for (const part of parts) {
      expect(distance(part.centre, patch.centre)).toBeLessThanOrEqual(patch.radius + 1e-9);
      expect(part.radius).toBeLessThan(patch.radius);
    }
    expect(covered(parts, (c) => distance(c, patch.centre) - 1e-7)).toBe(true);
  });

  it('every direction of an axis lies in a patch, up to what flips and mirrors allow', () => {
    fc.assert(
      fc.property(rotation, (r) => {
        expect(covered(axisDirections(false, false), (c) => axes(c, r))).toBe(true);
        const upside = multiply(r, [1, 0, 0, 0, -1, 0, 0, 0, -1]);
        expect(covered(axisDirections(true, false), (c) => Math.min(axes(c, r), axes(c, upside)))).toBe(true);
        const behind = multiply([1, 0, 0, 0, -1, 0, 0, 0, -1], r);
        expect(covered(viewDirections(), (c) => Math.min(views(c, r), views(c, behind)))).toBe(true);
      }),
      { numRuns: 200, seed: 6 },
    );
  });

  it('turns cover their span', () => {
    const patches = turnsOf(IDENTITY, Math.PI);
    for (let a = 0; a <= Math.PI; a += 0.05) expect(covered(patches, (c) => apart(c, turn(a)))).toBe(true);
  });
});

describe('the search', () => {
  it('turns a 30 × 30 plate by 45° where only its corners fit', () => {
    const diamond: Container = {
      wallRadius: null,
      mirrored: true,
      flats: (
        [
          [1, 1],
          [-1, 1],
          [1, -1],
          [-1, -1],
        ] as const
      ).map(([x, y]) => {
        const a = [x / Math.SQRT2, y / Math.SQRT2] as const;
        return { a, b: 16, reach: [{ weight: 1, direction: [a[0], a[1], 0] as const }] };
      }),
    };
    const body = bodyOf({ kind: 'box', length: 30, width: 30, height: 200 });
    const found = mostSlack({
      container: diamond,
      body,
      patches: turnsOf(IDENTITY, Math.PI),
      tolerance: () => 0.001,
    });
    expect(found.low).toBeCloseTo(1, 3);
    expect(found.high).toBeGreaterThanOrEqual(found.low);
  });

  it('says how far it came when its budget ends', () => {
    const body = bodyOf(pieces[0]!);
    const found = mostSlack({
      container: square(25),
      body,
      patches: allRotations('box', true),
      tolerance: () => 0,
      budget: 1,
    });
    const better = mostSlack({
      container: square(25),
      body,
      patches: allRotations('box', true),
      tolerance: () => 0.01,
    });
    expect(found.looks).toBeLessThan(1500);
    expect(found.low).toBeLessThanOrEqual(better.high);
    expect(found.high).toBeGreaterThanOrEqual(better.low);
  });

  it('looks for nothing below what is reached already', () => {
    const body = bodyOf(pieces[0]!);
    const found = mostSlack({
      container: square(25),
      body,
      patches: allRotations('box', true),
      tolerance: () => 0.01,
      atLeast: 50,
    });
    expect(found.rotation).toEqual([]);
  });
});

it('the mix of two proofs is the lowest that its first-order bound can be', () => {
  const entry = fc.double({ min: -20, max: 20, noNaN: true });
  const bound = fc.record({
    at: fc.double({ min: 0, max: 40, noNaN: true }),
    proof: fc.array(entry, { minLength: 9, maxLength: 9 }),
  });
  fc.assert(
    fc.property(
      bound,
      bound,
      fc.array(entry, { minLength: 3, maxLength: 3 }),
      fc.double({ min: 0.01, max: 1.4, noNaN: true }),
      (a, b, v, radius) => {
        const centre = rotationOfVector([v[0]! / 10, v[1]! / 10, v[2]! / 10]);
        // The bound less its bulge, which is what is left where the mix of proofs has nothing to turn about.
        const firstOrder = (share: number): number => {
          const proof = a.proof.map((x, i) => x + share * (b.proof[i]! - x));
          const m = multiply(transpose(centre), proof);
          const [trace, x, y, z] = [m[0]! + m[4]! + m[8]!, m[7]! - m[5]!, m[2]! - m[6]!, m[3]! - m[1]!];
          return a.at + share * (b.at - a.at) - trace + Math.sin(radius) * Math.hypot(x, y, z);
        };
        const share = bestShare(a, b, centre, radius);
        expect(share).toBeGreaterThanOrEqual(0);
        expect(share).toBeLessThanOrEqual(1);
        const least = Math.min(...Array.from({ length: 201 }, (_, i) => firstOrder(i / 200)));
        expect(firstOrder(share)).toBeLessThanOrEqual(least + 1e-6);
      },
    ),
    { numRuns: 300, seed: 5 },
  );
});
