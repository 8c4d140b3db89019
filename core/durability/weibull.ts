const { abs, exp, log } = Math;

export interface Weibull {
  /** Over 1: it wears, and fails the more often the older it is. */
  readonly shape: number;
  /** By then 63 % have failed; in the times' unit. */
  readonly scale: number;
  readonly logLikelihood: number;
}

const LARGEST = 1e4;

/**
 * Weibull distribution fitted to times of failure and times of what still works, by greatest likelihood (the equations are
 * in Lawless, Statistical Models and Methods for Lifetime Data, 1982; from memory). null where nothing failed, or where all
 * failed at one time and nothing was seen longer, which any steep curve fits.
 *
 * @param times each over 0
 */
export function weibullFit(times: readonly number[], events: readonly boolean[]): Weibull | null {
  const failed = times.filter((_, i) => events[i]!);
  const n = failed.length;
  const most = times.reduce((a, b) => Math.max(a, b), 0);
  if (n === 0 || !(most > 0) || times.some((t) => !(t > 0))) return null;
  if (failed.every((t) => t === most)) return null;
  // In shares of the longest time, so that no power overflows.
  const logs = times.map((t) => log(t / most));
  const mean = failed.reduce((sum, t) => sum + log(t / most), 0) / n;
  const sums = (k: number): [number, number] => {
    let [power, weighted] = [0, 0];
    for (const l of logs) {
      const p = exp(k * l);
      power += p;
      weighted += p * l;
    }
    return [power, weighted];
  };
  /** Rises with the shape; 0 where the likelihood is greatest. */
  const slope = (k: number): number => {
    const [power, weighted] = sums(k);
    return weighted / power - 1 / k - mean;
  };
  let [low, high] = [1e-6, 1];
  while (slope(high) < 0) {
    low = high;
    high *= 2;
    if (high > LARGEST) return null;
  }
  for (let i = 0; i < 200 && abs(high - low) > 1e-14 * high; i++) {
    const middle = (low + high) / 2;
    if (slope(middle) < 0) low = middle;
    else high = middle;
  }
  const shape = (low + high) / 2;
  const [power] = sums(shape);
  const scale = most * (power / n) ** (1 / shape);
  const logLikelihood =
    failed.reduce((sum, t) => sum + log(shape / scale) + (shape - 1) * log(t / scale), 0) -
    times.reduce((sum, t) => sum + (t / scale) ** shape, 0);
  return { shape, scale, logLikelihood };
}
