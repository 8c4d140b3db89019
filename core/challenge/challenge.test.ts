import { bitsOf, challenge } from './bits.ts';
import { secondsLine } from './line.ts';

/**
 * Fitts 1954, table 1, reciprocal tapping with the 1 oz stylus: width and amplitude in inches, movement time in ms
 * (values from memory; the published regression over them is MT = 12.8 + 94.7 ID, r = 0.983).
 */
const FITTS: [width: number, amplitude: number, ms: number][] = [
  [2, 2, 180],
  [2, 4, 203],
  [2, 8, 279],
  [2, 16, 388],
  [1, 2, 212],
  [1, 4, 260],
  [1, 8, 357],
  [1, 16, 481],
  [0.5, 2, 281],
  [0.5, 4, 372],
  [0.5, 8, 469],
  [0.5, 16, 595],
  [0.25, 2, 392],
  [0.25, 4, 484],
  [0.25, 8, 580],
  [0.25, 16, 731],
];

describe('bits', () => {
  it('gives Fitts’s 16 conditions the indices 1 to 7', () => {
    const bits = FITTS.map(([w, a]) => bitsOf({ distance: a * 25.4, tolerance: w * 25.4 }));
    expect(bits.slice(0, 4)).toEqual([1, 2, 3, 4]);
    expect(bits.slice(12)).toEqual([4, 5, 6, 7]);
  });

  it('adds a choice (Hick, Hyman) and the ways round', () => {
    expect(bitsOf({ distance: 100, tolerance: 200 })).toBe(0);
    expect(bitsOf({ distance: 100, tolerance: 200, choices: 8 })).toBe(3);
    expect(bitsOf({ distance: 100, tolerance: 200, ways: 6, waysIn: 3 })).toBe(1);
  });

  it('never goes below nothing for the reach', () => {
    expect(bitsOf({ distance: 1, tolerance: 100 })).toBe(0);
  });

  it('sums the moves', () => {
    expect(
      challenge([
        { distance: 8, tolerance: 1 },
        { distance: 8, tolerance: 2 },
      ]),
    ).toEqual({ bits: [4, 3], total: 7 });
  });
});

describe('the line from bits to seconds', () => {
  const line = secondsLine(FITTS.map(([w, a, ms]) => [bitsOf({ distance: a, tolerance: w }), ms] as const))!;

  it('is Fitts’s own: 12.8 + 94.7 ID, r = 0.983', () => {
    expect(line.intercept).toBeCloseTo(12.8, 0);
    expect(line.slope).toBeCloseTo(94.7, 0);
    expect(line.r).toBeCloseTo(0.983, 2);
    expect(line.n).toBe(16);
  });

  it('is surest in the middle', () => {
    expect(line.halfWidth(4)).toBeLessThan(line.halfWidth(1));
    // t(14, 0.975) = 2.145 by the handbook table.
    const s = Math.sqrt(
      FITTS.reduce(
        (sum, [w, a, ms]) => sum + (ms - line.intercept - line.slope * Math.log2((2 * a) / w)) ** 2,
        0,
      ) / 14,
    );
    expect(line.halfWidth(4)).toBeCloseTo(2.145 * s * Math.sqrt(1 / 16), 6);
  });

  it('is not claimed from too little', () => {
    expect(
      secondsLine([
        [1, 2],
        [2, 3],
        [3, 4],
      ]),
    ).toBeNull();
    expect(
      secondsLine([
        [1, 2],
        [1, 3],
        [2, 4],
        [2, 5],
      ]),
    ).toBeNull();
  });
});
