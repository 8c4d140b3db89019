import fc from 'fast-check';
import { scaled, type Shape } from '../geometry/shape.ts';
import { starOutline } from '../geometry/polygon.ts';
import type { Opening } from './opening.ts';
import { passage } from './passage.ts';

const gap = (piece: Shape, opening: Opening): number => passage({ piece, opening }).gap;
const cap: Shape = { kind: 'cylinder', diameter: 38, length: 14 };
const slot = (length: number, width: number): Opening => ({ kind: 'slot', length, width });

/** Least b of an a × b rectangle that takes p × q turned (Carver, “Solution to a problem of Steinhaus”, 1957). */
const carver = (p: number, q: number, a: number): number =>
  (2 * p * q * a + (p * p - q * q) * Math.sqrt(p * p + q * q - a * a)) / (p * p + q * q);

describe('rectangles in rectangles, by Carver 1957', () => {
  // A board much longer than either opening can only go end on, so its shadow is the p × q rectangle.
  it.each([
    [110, 4, 100],
    [60, 10, 55],
    [42, 6, 40],
    [90, 20, 88],
  ])('%d × %d goes through %d × b from Carver’s b on, and not below', (p, q, a) => {
    const b = carver(p, q, a);
    const piece: Shape = { kind: 'box', length: 900, width: p, height: q };
    expect(b).toBeGreaterThan(q);
    expect(passage({ piece, opening: slot(a, b + 0.02) }).passes).toBe(true);
    expect(passage({ piece, opening: slot(a, b - 0.02) }).passes).toBe(false);
  });

  it('upright, p ≤ a and q ≤ b is all it takes', () => {
    const piece: Shape = { kind: 'box', length: 300, width: 40, height: 12 };
    expect(passage({ piece, opening: slot(40, 12) })).toMatchObject({ passes: true, gap: 0 });
    expect(passage({ piece, opening: slot(39.9, 12) }).passes).toBe(false);
  });
});

describe('caps, balls and other plain cases', () => {
  it('a 38 × 14 mm cap has 4 along and 3 across in a 42 × 17 mm slot, one way of two', () => {
    const a = passage({ piece: cap, opening: slot(42, 17) });
    expect(a).toMatchObject({ passes: true, waysIn: 1, ways: 2, waysInNamed: ['on its edge'] });
    expect(a.gap).toBeCloseTo(3, 3);
    expect(a.gapAlong).toBeCloseTo(4, 3);
    expect(a.gapAcross).toBeCloseTo(3, 3);
  });

  it('goes both ways through a 45 mm hole, 7 mm to spare flat', () => {
    const a = passage({ piece: cap, opening: { kind: 'round', diameter: 45 } });
    expect(a).toMatchObject({ passes: true, waysIn: 2, ways: 2 });
    expect(a.gap).toBeCloseTo(7, 3);
  });

  it('on its edge a cap needs a hole of its diagonal', () => {
    const tall: Shape = { kind: 'cylinder', diameter: 38, length: 400 };
    // End on it needs its own diameter, and nothing less.
    expect(gap(tall, { kind: 'round', diameter: 38 })).toBeCloseTo(0, 4);
    expect(gap(tall, { kind: 'round', diameter: 37.5 })).toBeCloseTo(-0.5, 2);
  });

  it('a tennis ball, 65.4 to 68.6 mm by the Rules of Tennis (sizes from memory), needs a hole over its size', () => {
    for (const diameter of [65.4, 68.6]) {
      expect(
        passage({ piece: { kind: 'sphere', diameter }, opening: { kind: 'round', diameter } }).passes,
      ).toBe(true);
      expect(
        passage({ piece: { kind: 'sphere', diameter }, opening: { kind: 'round', diameter: diameter - 0.1 } })
          .passes,
      ).toBe(false);
    }
  });

  it('a 6 mm rod passes the 6 mm holes of ISO 838 punched paper at the upper limit only (6 ± 0.5 mm, from memory)', () => {
    const rod: Shape = { kind: 'cylinder', diameter: 6, length: 80 };
    expect(passage({ piece: rod, opening: { kind: 'round', diameter: 6.5 } }).passes).toBe(true);
    expect(passage({ piece: rod, opening: { kind: 'round', diameter: 5.5 } }).passes).toBe(false);
  });

  it('an A4 sheet of ISO 216 (210 × 297 mm) goes through its own slot and not through one of A5’s long side', () => {
    const sheet: Shape = {
      kind: 'sheet',
      outline: [
        [0, 0],
        [210, 0],
        [210, 297],
        [0, 297],
      ],
      thickness: 0.1,
    };
    expect(passage({ piece: sheet, opening: slot(210, 1) }).passes).toBe(true);
    expect(passage({ piece: sheet, opening: slot(200, 1) }).passes).toBe(false);
  });

  it('an ellipsoid’s best shadow is that of its two smaller axes', () => {
    expect(gap({ kind: 'ellipsoid', length: 50, width: 40, height: 30 }, slot(45, 32))).toBeCloseTo(2, 2);
  });

  it('counts the ways of a ball, a cube, a block and a card', () => {
    const ways = (piece: Shape): number => passage({ piece, opening: slot(60, 50) }).ways;
    expect(ways({ kind: 'sphere', diameter: 10 })).toBe(1);
    expect(ways({ kind: 'box', length: 10, width: 10, height: 10 })).toBe(1);
    expect(ways({ kind: 'box', length: 30, width: 10, height: 10 })).toBe(2);
    expect(ways({ kind: 'box', length: 30, width: 20, height: 10 })).toBe(3);
    expect(ways(cap)).toBe(2);
  });
});

describe('openings with dents', () => {
  const star = (outer: number, inner: number): Opening => ({
    kind: 'star',
    points: 5,
    outerDiameter: outer,
    innerDiameter: inner,
  });
  const starPiece: Shape = {
    kind: 'sheet',
    outline: starOutline(5, 50, 25).map(([x, y]) => [x, y]),
    thickness: 40,
  };

  it('a star goes through its own shape with nothing to spare, and not through a smaller one', () => {
    expect(Math.abs(gap(starPiece, star(50, 25)))).toBeLessThan(0.05);
    expect(passage({ piece: starPiece, opening: star(50.5, 25.3) }).passes).toBe(true);
    expect(passage({ piece: starPiece, opening: star(48, 24) }).passes).toBe(false);
  });

  it('a ball in a star is held by the inner corners', () => {
    expect(gap({ kind: 'sphere', diameter: 24 }, star(80, 26))).toBeCloseTo(2, 1);
  });

  it('a bar goes through an arm of an L, not across its dent', () => {
    const l: Opening = {
      kind: 'polygon',
      outline: [
        [0, 0],
        [40, 0],
        [40, 12],
        [12, 12],
        [12, 40],
        [0, 40],
      ],
    };
    expect(gap({ kind: 'box', length: 200, width: 30, height: 10 }, l)).toBeCloseTo(2, 1);
    expect(passage({ piece: { kind: 'box', length: 200, width: 36, height: 13 }, opening: l }).passes).toBe(
      false,
    );
  });

  it('agrees with the search for convex openings where a dent is too slight to matter', () => {
    const dented: Opening = {
      kind: 'polygon',
      outline: [
        [0, 0],
        [30, 0.001],
        [60, 0],
        [60, 40],
        [0, 40],
      ],
    };
    expect(gap(cap, dented)).toBeCloseTo(gap(cap, slot(60, 40)), 1);
  });
});

describe('properties', () => {
  const size = fc.double({ min: 5, max: 70, noNaN: true });
  const piece: fc.Arbitrary<Shape> = fc.oneof(
    fc.record({ kind: fc.constant('box' as const), length: size, width: size, height: size }),
    fc.record({ kind: fc.constant('cylinder' as const), diameter: size, length: size }),
  );

  it('a piece that grows never starts to pass', () => {
    fc.assert(
      fc.property(piece, size, size, fc.double({ min: 1.01, max: 1.5, noNaN: true }), (p, l, w, k) => {
        const [small, large] = [
          passage({ piece: p, opening: slot(l, w) }),
          passage({ piece: scaled(p, k), opening: slot(l, w) }),
        ];
        expect(large.gap).toBeLessThanOrEqual(small.gap + 0.02);
      }),
      { numRuns: 20, seed: 3 },
    );
  });

  it('turning and moving the opening’s frame changes nothing', () => {
    const triangle: [number, number][] = [
      [0, 0],
      [60, 0],
      [22, 48],
    ];
    const reference = gap(cap, { kind: 'polygon', outline: triangle });
    for (const a of [0.3, 1.1, 2.5]) {
      const outline = triangle.map(
        ([x, y]) =>
          [x * Math.cos(a) - y * Math.sin(a) + 11, x * Math.sin(a) + y * Math.cos(a) - 4] as [number, number],
      );
      expect(gap(cap, { kind: 'polygon', outline })).toBeCloseTo(reference, 1);
    }
  });

  it('an opening drawn the other way round is the same opening', () => {
    const outline: [number, number][] = [
      [0, 0],
      [50, 0],
      [50, 20],
      [0, 20],
    ];
    expect(gap(cap, { kind: 'polygon', outline: [...outline].reverse() })).toBeCloseTo(
      gap(cap, { kind: 'polygon', outline }),
      3,
    );
  });
});

it('a strip of paper goes into a slot on end, and on its edge where the slot is as long; never flat', () => {
  for (const thickness of [0.1, 0.5, 2])
    for (const length of [22, 40, 47, 49, 53, 59.8, 60.1, 62, 70]) {
      const { waysInNamed } = passage({
        piece: { kind: 'box', length: 60, width: 20, height: thickness },
        opening: { kind: 'slot', length, width: 4 },
      });
      expect([thickness, length, waysInNamed]).toEqual([
        thickness,
        length,
        length >= 60 ? ['on end', 'on its edge'] : ['on end'],
      ]);
    }
});
