import fc from 'fast-check';
import { ballBody, bodyOf, centred, farthestShadowPoint, shadowOf, supportPoint } from './body.ts';
import { area, perimeter } from './polygon.ts';
import { scaled, volume, type Shape } from './shape.ts';
import {
  apply,
  applyTransposed,
  IDENTITY,
  multiply,
  rotationOfQuaternion,
  rotationOfVector,
  symmetricEigenvalues,
  tiltTo,
  transpose,
  turn,
  unit3,
  type Vec3,
} from './vector.ts';

const shapes: Shape[] = [
  { kind: 'sphere', diameter: 20 },
  { kind: 'box', length: 30, width: 20, height: 10 },
  { kind: 'cylinder', diameter: 20, length: 30 },
  { kind: 'ring', outerDiameter: 30, innerDiameter: 10, height: 6 },
  { kind: 'cone', baseDiameter: 20, height: 30 },
  { kind: 'cone', baseDiameter: 40, height: 5 },
  { kind: 'ellipsoid', length: 30, width: 20, height: 10 },
  { kind: 'ellipsoid', length: 30, width: 12, height: 12 },
  {
    kind: 'sheet',
    outline: [
      [0, 0],
      [30, 0],
      [34, 12],
      [8, 18],
    ],
    thickness: 2,
  },
];
const direction = fc
  .tuple(
    fc.double({ min: -1, max: 1, noNaN: true }),
    fc.double({ min: -1, max: 1, noNaN: true }),
    fc.double({ min: -1, max: 1, noNaN: true }),
  )
  .filter((v) => Math.hypot(...v) > 0.1)
  .map((v) => unit3(v));

describe.each(shapes)('the hull of %j', (shape) => {
  const body = bodyOf(shape);

  it('lies in its ball, and its inner ball lies in it', () => {
    fc.assert(
      fc.property(direction, (d) => {
        const p = supportPoint(body, d);
        expect(Math.hypot(...p)).toBeLessThanOrEqual(body.radius + 1e-9);
        const wide = p[0] * d[0] + p[1] * d[1] + p[2] * d[2];
        const q = supportPoint(body, [-d[0], -d[1], -d[2]]);
        // Width in any direction is at least that of the inner ball.
        expect(wide - (q[0] * d[0] + q[1] * d[1] + q[2] * d[2])).toBeGreaterThanOrEqual(
          2 * body.inner - 1e-9,
        );
      }),
      { numRuns: 60, seed: 1 },
    );
  });

  it('has no corner or curve beyond the one it names', () => {
    const points = shadowOf(body, IDENTITY);
    fc.assert(
      fc.property(direction, (d) => {
        const p = supportPoint(body, [d[0], d[1], 0]);
        const reach = p[0] * d[0] + p[1] * d[1];
        for (const q of points) expect(q[0] * d[0] + q[1] * d[1]).toBeLessThanOrEqual(reach + 1e-9);
      }),
      { numRuns: 60, seed: 13 },
    );
  });

  it('has no shadow point farther than the one it names', () => {
    fc.assert(
      fc.property(
        direction,
        fc.double({ min: -9, max: 9, noNaN: true }),
        fc.double({ min: -9, max: 9, noNaN: true }),
        (d, tx, ty) => {
          const r = tiltTo(d);
          const [x, y] = farthestShadowPoint(body, r, tx, ty);
          const sampled = Math.max(...shadowOf(body, r).map((p) => Math.hypot(p[0] + tx, p[1] + ty)));
          expect(Math.hypot(x, y)).toBeGreaterThanOrEqual(sampled - 1e-9);
          expect(Math.hypot(x, y)).toBeLessThanOrEqual(sampled + 0.02);
        },
      ),
      { numRuns: 40, seed: 2 },
    );
  });
});

describe('shadows', () => {
  it('of a standing cylinder is its disc, of a lying one its rectangle', () => {
    const body = bodyOf({ kind: 'cylinder', diameter: 20, length: 30 });
    expect(area(shadowOf(body, IDENTITY))).toBeCloseTo(Math.PI * 100, 0);
    expect(area(shadowOf(body, tiltTo([1, 0, 0])))).toBeCloseTo(600, 6);
  });
  it('of any convex body average to a quarter of its surface (Cauchy): a cube’s six faces', () => {
    const body = bodyOf({ kind: 'box', length: 10, width: 10, height: 10 });
    let sum = 0;
    const n = 4000;
    for (let i = 0; i < n; i++) {
      // Evenly over the sphere by the golden angle.
      const z = 1 - (2 * i + 1) / n;
      const a = i * Math.PI * (3 - Math.sqrt(5));
      const s = Math.sqrt(1 - z * z);
      sum += area(shadowOf(body, transpose(tiltTo([s * Math.cos(a), s * Math.sin(a), z]))));
    }
    expect(sum / n).toBeCloseTo(600 / 4, 0);
  });
  it('of a ball is its disc from everywhere', () => {
    for (const d of [
      [0, 0, 1],
      [1, 0, 0],
      [0, -1, 0],
    ] as Vec3[])
      expect(perimeter(shadowOf(ballBody(5), tiltTo(d)))).toBeCloseTo(10 * Math.PI, 1);
  });
});

describe('shapes', () => {
  it('have the volumes of the handbook', () => {
    expect(volume({ kind: 'sphere', diameter: 2 })).toBeCloseTo((4 / 3) * Math.PI, 9);
    expect(volume({ kind: 'cone', baseDiameter: 2, height: 3 })).toBeCloseTo(Math.PI, 9);
    expect(volume({ kind: 'ellipsoid', length: 2, width: 4, height: 6 })).toBeCloseTo(8 * Math.PI, 9);
    expect(
      volume({
        kind: 'sheet',
        outline: [
          [0, 0],
          [4, 0],
          [0, 3],
        ],
        thickness: 2,
      }),
    ).toBe(12);
  });
  it.each(shapes)('%j scales by the cube', (shape) => {
    expect(volume(scaled(shape, 2))).toBeCloseTo(8 * volume(shape), 6);
  });
  it('an outline is centred along its long side', () => {
    const points = centred(
      [
        [10, 10],
        [10, 40],
        [20, 40],
        [20, 10],
      ],
      Math.PI / 2,
    );
    expect(Math.max(...points.map((p) => p[0]))).toBeCloseTo(15, 9);
    expect(Math.max(...points.map((p) => p[1]))).toBeCloseTo(5, 9);
  });
});

describe('rotations', () => {
  it('take z where they are told', () => {
    fc.assert(
      fc.property(direction, (d) => {
        const moved = apply(tiltTo(d), [0, 0, 1]);
        moved.forEach((x, i) => expect(x).toBeCloseTo(d[i]!, 7));
      }),
    );
    expect(apply(tiltTo([0, 0, -1]), [0, 0, 1])).toEqual([0, 0, -1]);
  });
  it('keep lengths and undo themselves', () => {
    const r = rotationOfVector([0.3, -1.2, 0.7]);
    const product = multiply(r, transpose(r));
    product.forEach((x, i) => expect(x).toBeCloseTo(IDENTITY[i]!, 12));
    expect(applyTransposed(r, apply(r, [1, 2, 3]))[2]).toBeCloseTo(3, 12);
    expect(rotationOfVector([0, 0, 0])).toEqual(IDENTITY);
  });
  it('turn about z like the quaternion of half the angle', () => {
    const a = 0.8;
    turn(a).forEach((x, i) =>
      expect(x).toBeCloseTo(rotationOfQuaternion([Math.cos(a / 2), 0, 0, Math.sin(a / 2)])[i]!, 12),
    );
  });
  it('have the eigenvalues of a known matrix', () => {
    // The second-difference matrix of order three: 2 − √2, 2, 2 + √2.
    const found = symmetricEigenvalues([2, -1, 0, -1, 2, -1, 0, -1, 2]);
    [2 - Math.SQRT2, 2, 2 + Math.SQRT2].forEach((x, i) => expect(found[i]).toBeCloseTo(x, 9));
    expect(symmetricEigenvalues([3, 0, 0, 0, 3, 0, 0, 0, 3])).toEqual([3, 3, 3]);
  });
});
