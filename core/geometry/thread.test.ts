import fc from 'fast-check';
import { halved } from '../cut/halving.ts';
import { ellipsePerimeter } from './ellipse.ts';
import { staplesRound } from './rim.ts';
import { crossings, girthOf, webThread, type Web } from './web.ts';

const { PI, cos, hypot, sin, sqrt } = Math;

/** The integral by Simpson's rule, in 20,000 steps of a quarter. */
function byIntegral(axis1: number, axis2: number): number {
  const [a, b] = [axis1 / 2, axis2 / 2];
  const speed = (t: number): number => hypot(a * sin(t), b * cos(t));
  const n = 20_000;
  const h = PI / 2 / n;
  let sum = speed(0) + speed(PI / 2);
  for (let i = 1; i < n; i++) sum += (i % 2 === 1 ? 4 : 2) * speed(i * h);
  return (4 * sum * h) / 3;
}

describe('round an ellipse', () => {
  it.each([
    [100, 100],
    [200, 120],
    [120, 200],
    [300, 20],
    [1000, 3],
  ])('%d by %d, within a millionth of the integral', (a, b) => {
    expect(Math.abs(ellipsePerimeter(a, b) / byIntegral(a, b) - 1)).toBeLessThan(1e-6);
  });
  it('a circle is πd, and a very thin one is twice its length', () => {
    expect(ellipsePerimeter(80, 80)).toBeCloseTo(80 * PI, 10);
    expect(ellipsePerimeter(80, 1e-9)).toBeCloseTo(160, 5);
  });
  it('lies between Ramanujan’s second approximation and a hair more', () => {
    // Ramanujan 1914: π(a + b)(1 + 3h / (10 + √(4 − 3h))), h = ((a − b)/(a + b))², a little short.
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 500, noNaN: true }),
        fc.double({ min: 1, max: 500, noNaN: true }),
        (x, y) => {
          const [a, b] = [x / 2, y / 2];
          const h = ((a - b) / (a + b)) ** 2;
          const near = PI * (a + b) * (1 + (3 * h) / (10 + sqrt(4 - 3 * h)));
          const ratio = ellipsePerimeter(x, y) / near;
          expect(ratio).toBeGreaterThan(1 - 1e-9);
          expect(ratio).toBeLessThan(1.0005);
        },
      ),
      { seed: 4 },
    );
  });
});

describe('thread of a web', () => {
  const web: Web = {
    spokes: 6,
    rounds: 5,
    firstRadius: 10,
    spacing: 8,
    wraps: 2,
    section: { kind: 'round', diameter: 5 },
    course: 'rings',
  };
  /** Walked from crossing to crossing in the plane. */
  const walked = (radii: readonly number[], n: number, closed: boolean): number => {
    const at = radii.map((r, k) => [r * cos((2 * PI * k) / n), r * sin((2 * PI * k) / n)] as const);
    if (closed) at.push(at[0]!);
    return at.slice(1).reduce((sum, p, k) => sum + hypot(p[0] - at[k]![0], p[1] - at[k]![1]), 0);
  };

  it('on six spokes a ring is as long as six radii', () => {
    const a = webThread(web);
    expect(a.spans).toBeCloseTo(6 * (10 + 18 + 26 + 34 + 42), 9);
    expect(a.wraps).toBeCloseTo(6 * 5 * 2 * PI * 5, 9);
    expect(a.total).toBeCloseTo(a.spans + a.wraps, 9);
  });
  it('is what a walk from crossing to crossing finds', () => {
    for (const spokes of [3, 4, 5, 8, 12]) {
      const of = { ...web, spokes };
      const rings = Array.from({ length: of.rounds }, (_, j) =>
        walked(
          Array.from({ length: spokes }, () => of.firstRadius + j * of.spacing),
          spokes,
          true,
        ),
      ).reduce((a, b) => a + b, 0);
      expect(webThread(of).spans).toBeCloseTo(rings, 8);
      const spiral = webThread({ ...of, course: 'spiral' });
      expect(spiral.spans).toBeCloseTo(walked(crossings(of), spokes, false), 8);
      expect(crossings(of).at(-1)).toBeCloseTo(of.firstRadius + of.spacing * of.rounds, 9);
    }
  });
  it('goes once round a flat stick over its four sides, round an oval one by its ellipse', () => {
    expect(girthOf({ kind: 'flat', width: 10, thickness: 2 })).toBe(24);
    expect(girthOf({ kind: 'oval', width: 10, thickness: 10 })).toBeCloseTo(10 * PI, 9);
  });
});

describe('staples round a rim', () => {
  it('230 across, bean 8, staple 12: at least 37', () => {
    const { count, gap } = staplesRound(230, 8, 12);
    expect(count).toBe(37);
    expect(gap).toBeLessThan(8);
    expect((PI * 230) / 36 - 12).toBeGreaterThanOrEqual(8);
  });
  it('is the least number, and a gap as wide as the filler is too wide', () => {
    const mm = fc.double({ min: 0.5, max: 400, noNaN: true });
    fc.assert(
      fc.property(mm, mm, mm, (rim, filler, width) => {
        const { count, gap } = staplesRound(rim, filler, width);
        expect(gap).toBeLessThan(filler);
        if (count > 1) expect((PI * rim) / (count - 1) - width).toBeGreaterThanOrEqual(filler);
      }),
      { seed: 2 },
    );
    expect(staplesRound(40 / PI, 8, 12).count).toBe(3);
  });
});

describe('halving', () => {
  it('four times, 76 × 76 gives 16 of 19 × 19', () => {
    expect(halved(76, 76, 0.1, 4)).toEqual({ pieces: 16, width: 19, height: 19, stack: 1.6 });
  });
  it('halves the longer side, and the paper stays as much', () => {
    expect(halved(297, 210, 0.1, 1)).toMatchObject({ width: 148.5, height: 210 });
    for (const times of [0, 1, 2, 5, 9]) {
      const a = halved(297, 210, 0.1, times);
      expect(a.pieces * a.width * a.height * 0.1).toBeCloseTo(297 * 210 * 0.1, 6);
      expect(a.stack * a.width * a.height).toBeCloseTo(297 * 210 * 0.1, 6);
    }
  });
});
