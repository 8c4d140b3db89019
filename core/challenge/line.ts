import { linearRegression, sampleCorrelation } from 'simple-statistics';

/** Seconds as a line over bits, from somebody's own timed notes. */
export interface Line {
  /** Seconds at 0 bits, and seconds more for each bit. */
  readonly intercept: number;
  readonly slope: number;
  readonly r: number;
  readonly n: number;
  /** Half width of the 95 % interval for the mean at `bits`, s. */
  halfWidth(bits: number): number;
}

/** Two-sided 95 % points of Student's t for 1 to 30 degrees of freedom (handbook table), then the normal's. */
const T95 = [
  12.706, 4.303, 3.182, 2.776, 2.571, 2.447, 2.365, 2.306, 2.262, 2.228, 2.201, 2.179, 2.16, 2.145, 2.131,
  2.12, 2.11, 2.101, 2.093, 2.086, 2.08, 2.074, 2.069, 2.064, 2.06, 2.056, 2.052, 2.048, 2.045, 2.042,
];

/**
 * Least-squares line through (bits, seconds) pairs.
 * @returns null with fewer than four notes or three different loads: seconds are then not claimed
 */
export function secondsLine(points: readonly (readonly [bits: number, seconds: number])[]): Line | null {
  const n = points.length;
  if (n < 4 || new Set(points.map((p) => p[0].toFixed(2))).size < 3) return null;
  const pairs = points.map((p) => [p[0], p[1]]);
  const { m: slope, b: intercept } = linearRegression(pairs);
  const mean = points.reduce((a, p) => a + p[0], 0) / n;
  const spread = points.reduce((a, p) => a + (p[0] - mean) ** 2, 0);
  const rest = points.reduce((a, p) => a + (p[1] - intercept - slope * p[0]) ** 2, 0);
  const s = Math.sqrt(rest / (n - 2));
  return {
    slope,
    intercept,
    n,
    r: sampleCorrelation(
      points.map((p) => p[0]),
      points.map((p) => p[1]),
    ),
    halfWidth: (bits) => (T95[n - 3] ?? 1.96) * s * Math.sqrt(1 / n + (bits - mean) ** 2 / spread),
  };
}
