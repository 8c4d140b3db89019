import fc from 'fast-check';
import { scaled, type Shape } from '../geometry/shape.ts';
import { applyTransposed, supportPoint, bodyOf, type Vec3 } from '../geometry/index.ts';
import { SMALL_PARTS_CYLINDER as G, smallParts } from './smallParts.ts';

const sphere = (diameter: number): Shape => ({ kind: 'sphere', diameter });
const cylinder = (diameter: number, length: number): Shape => ({ kind: 'cylinder', diameter, length });
const box = (length: number, width: number, height: number): Shape => ({
  kind: 'box',
  length,
  width,
  height,
});

/** Slack of the answered pose, measured afresh from the three limits of the gauge (16 CFR 1501.4, sizes from memory). */
function slackOfPose(shape: Shape): number {
  const { pose } = smallParts(shape);
  const body = bodyOf(shape);
  const [x, y, z] = pose.position;
  const reach = (d: Vec3): number => {
    const v = applyTransposed(pose.rotation, d);
    const p = supportPoint(body, v);
    return v[0] * p[0] + v[1] * p[1] + v[2] * p[2] + d[0] * x + d[1] * y + d[2] * z;
  };
  let wall = Infinity;
  for (let k = 0; k < 3600; k++) {
    const a = (k * Math.PI) / 1800;
    wall = Math.min(wall, G.diameter / 2 - reach([Math.cos(a), Math.sin(a), 0]));
  }
  const rim = -reach([0, 0, 1]);
  const bottom = (G.shallow + G.diameter / 2 - reach([-1, 0, -1])) / Math.SQRT2;
  return Math.min(wall, rim, bottom);
}

describe('hand values of the small-parts cylinder', () => {
  it.each([
    [31.7, true],
    [31.6, true],
    [31.71, false],
    [40, false],
  ])('a sphere of %f mm fits: %s', (d, fits) => {
    expect(smallParts(sphere(d)).fits).toBe(fits);
  });

  it('gives a sphere half of what is left across', () => {
    expect(smallParts(sphere(25)).clearance).toBeCloseTo((G.diameter - 25) / 2, 6);
    expect(smallParts(sphere(38)).clearance).toBeCloseTo((G.diameter - 38) / 2, 6);
  });

  it('takes the longest thin rod corner to corner, √(57.1² + 31.7²)', () => {
    const longest = Math.hypot(G.deep, G.diameter);
    expect(longest).toBeCloseTo(65.31, 2);
    expect(smallParts(cylinder(0.001, longest - 0.05)).fits).toBe(true);
    expect(smallParts(cylinder(0.001, longest + 0.05)).fits).toBe(false);
  });

  it('takes a thin disc up to 31.7 mm', () => {
    expect(smallParts(cylinder(31.7, 0.1)).fits).toBe(true);
    expect(smallParts(cylinder(31.75, 0.1)).fits).toBe(false);
  });

  it('lets an upright drum of the gauge’s width stand as high as its shallow side, and no higher', () => {
    expect(smallParts(cylinder(31.6, 25.3)).fits).toBe(true);
    expect(smallParts(cylinder(31.6, 25.7)).fits).toBe(false);
  });

  it('finds the bottle cap standing out by half of its excess, 3.15 mm', () => {
    expect(smallParts(cylinder(38, 14)).clearance).toBeCloseTo(-3.15, 3);
    expect(smallParts(cylinder(38, 14)).verdict).toBe('clear');
  });

  it('treats a ring as the disc it would be without its hole', () => {
    const ring = smallParts({ kind: 'ring', outerDiameter: 35, innerDiameter: 20, height: 5 });
    expect(ring.clearance).toBeCloseTo(smallParts(cylinder(35, 5)).clearance, 6);
  });

  it('gives a sheet the same answer as the box it is', () => {
    const outline: [number, number][] = [
      [0, 0],
      [40, 0],
      [40, 22],
      [0, 22],
    ];
    const [a, b] = [smallParts({ kind: 'sheet', outline, thickness: 9 }), smallParts(box(40, 22, 9))];
    expect(Math.abs(a.clearance - b.clearance)).toBeLessThan(0.06);
  });

  it('gives an ellipsoid with equal axes the answer of its sphere', () => {
    const a = smallParts({ kind: 'ellipsoid', length: 30, width: 30, height: 30 });
    expect(a.clearance).toBeCloseTo(0.85, 6);
  });
});

describe('bounds and pose', () => {
  const pieces: Shape[] = [
    box(20, 20, 20),
    box(50, 20, 10),
    box(60, 12, 3),
    cylinder(20, 45),
    cylinder(24, 44),
    { kind: 'cone', baseDiameter: 30, height: 30 },
    { kind: 'ellipsoid', length: 40, width: 25, height: 20 },
    {
      kind: 'sheet',
      outline: [
        [0, 0],
        [38, 0],
        [42, 20],
        [20, 30],
        [0, 22],
      ],
      thickness: 4,
    },
  ];

  it.each(pieces)('the pose of %j has the slack that is claimed', (piece) => {
    expect(slackOfPose(piece)).toBeCloseTo(smallParts(piece).clearance, 2);
  });

  it.each(pieces)('the bounds of %j enclose the clearance, at most 0.2 mm apart near 0', (piece) => {
    const { bounds, clearance } = smallParts(piece);
    expect(bounds[0]).toBeLessThanOrEqual(clearance);
    expect(bounds[1]).toBeGreaterThanOrEqual(clearance);
    if (Math.abs(clearance) < 1) expect(bounds[1] - bounds[0]).toBeLessThanOrEqual(0.2);
  });

  it('finds no better pose of a box in a thousand random ones than its upper bound', () => {
    const piece = box(46, 24, 12);
    const { bounds } = smallParts(piece);
    // Independent of the search: random rotations, the shift by a fine grid over the two directions that matter.
    let state = 12345;
    const random = (): number => (state = (state * 16807) % 2147483647) / 2147483647;
    let best = -Infinity;
    for (let i = 0; i < 1000; i++) {
      const q = [0, 0, 0, 0].map(
        () => Math.sqrt(-2 * Math.log(random() + 1e-12)) * Math.cos(2 * Math.PI * random()),
      );
      const l = Math.hypot(...q);
      const [w, x, y, z] = q.map((v) => v / l) as [number, number, number, number];
      const corners = [-23, 23].flatMap((a) =>
        [-12, 12].flatMap((b) =>
          [-6, 6].map((c) => [
            (1 - 2 * (y * y + z * z)) * a + 2 * (x * y - w * z) * b + 2 * (x * z + w * y) * c,
            2 * (x * y + w * z) * a + (1 - 2 * (x * x + z * z)) * b + 2 * (y * z - w * x) * c,
            2 * (x * z - w * y) * a + 2 * (y * z + w * x) * b + (1 - 2 * (x * x + y * y)) * c,
          ]),
        ),
      );
      const top = Math.max(...corners.map((p) => p[2]!));
      const low = Math.max(...corners.map((p) => -p[0]! - p[2]!));
      for (let tx = -4; tx <= 4; tx += 0.5)
        for (let ty = -1; ty <= 1; ty += 0.5) {
          const wall = G.diameter / 2 - Math.max(...corners.map((p) => Math.hypot(p[0]! + tx, p[1]! + ty)));
          best = Math.max(
            best,
            Math.min(wall, (G.shallow + G.diameter / 2 + tx - top - low) / (1 + Math.SQRT2)),
          );
        }
    }
    expect(best).toBeLessThanOrEqual(bounds[1]);
  });
});

describe('properties', () => {
  const size = fc.double({ min: 4, max: 60, noNaN: true });
  const piece: fc.Arbitrary<Shape> = fc.oneof(
    fc.record({ kind: fc.constant('box' as const), length: size, width: size, height: size }),
    fc.record({ kind: fc.constant('cylinder' as const), diameter: size, length: size }),
    fc.record({ kind: fc.constant('cone' as const), baseDiameter: size, height: size }),
  );

  it('a piece that grows never starts to fit', () => {
    fc.assert(
      fc.property(piece, fc.double({ min: 1.001, max: 1.6, noNaN: true }), (p, k) => {
        const [small, large] = [smallParts(p), smallParts(scaled(p, k))];
        expect(large.bounds[0]).toBeLessThanOrEqual(small.bounds[1] + 1e-6);
        if (small.fits === false) expect(large.fits).toBe(false);
      }),
      { numRuns: 25, seed: 7 },
    );
  });

  it('naming a box’s sides in another order changes nothing', () => {
    fc.assert(
      fc.property(size, size, size, (a, b, c) => {
        const [x, y] = [smallParts(box(a, b, c)), smallParts(box(c, a, b))];
        expect(x.bounds[0]).toBeLessThanOrEqual(y.bounds[1] + 1e-6);
        expect(y.bounds[0]).toBeLessThanOrEqual(x.bounds[1] + 1e-6);
      }),
      { numRuns: 15, seed: 11 },
    );
  });

  it('turning a sheet’s outline in its plane changes nothing', () => {
    const outline: [number, number][] = [
      [0, 0],
      [30, 2],
      [36, 20],
      [12, 28],
    ];
    const turned = (a: number): Shape => ({
      kind: 'sheet',
      thickness: 3,
      outline: outline.map(([x, y]) => [
        x * Math.cos(a) - y * Math.sin(a) + 5,
        x * Math.sin(a) + y * Math.cos(a) - 9,
      ]),
    });
    const reference = smallParts(turned(0));
    for (const a of [0.4, 1.3, 2.9, 4.4]) {
      const { bounds } = smallParts(turned(a));
      expect(bounds[0]).toBeLessThanOrEqual(reference.bounds[1] + 1e-6);
      expect(bounds[1]).toBeGreaterThanOrEqual(reference.bounds[0] - 1e-6);
    }
  });
});
