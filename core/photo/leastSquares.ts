import { inverse, Matrix, solve } from 'ml-matrix';

/** Parameters that fit, and what they are sure to. */
export interface Fitted {
  readonly at: readonly number[];
  /** Root of the mean square of the residuals that count, in their own unit. */
  readonly rms: number;
  /** Covariance of the parameters, scaled by the residuals; row by row. */
  readonly covariance: Matrix;
}

/** A residual larger than so many robust spreads counts less and less (Huber’s weights). */
const HUBER = 1.5;
/** From the median of absolute deviations to a standard deviation of a normal spread. */
const MAD = 1.4826;

function median(values: readonly number[]): number {
  if (values.length === 0) return 0;
  const sorted = [...values].sort((a, b) => a - b);
  const half = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
}

/**
 * Gauss and Newton with damping (Marquardt) and Huber's weights: the parameters near `start` with the least residuals.
 * `residuals` has the same length at each place; `steps` is what each parameter is moved by to see its slope; `floor` the
 * least spread that is believed, in the residuals' unit. `sure` adds what is known of parameters before: mean and spread.
 */
export function leastSquares(
  residuals: (at: readonly number[]) => readonly number[],
  start: readonly number[],
  {
    steps,
    floor,
    rounds = 15,
    sure = [],
  }: {
    readonly steps: readonly number[];
    readonly floor: number;
    readonly rounds?: number;
    readonly sure?: readonly (readonly [mean: number, spread: number] | null)[];
  },
): Fitted {
  const m = start.length;
  let at = [...start];
  let now = residuals(at);
  let damping = 1e-3;
  const spreadOf = (r: readonly number[]): number => Math.max(floor, MAD * median(r.map((x) => Math.abs(x))));
  const costOf = (r: readonly number[], p: readonly number[], spread: number): number =>
    r.reduce((sum, x) => {
      const z = Math.abs(x) / spread;
      return sum + (z <= HUBER ? z * z : 2 * HUBER * z - HUBER * HUBER);
    }, 0) + sure.reduce<number>((sum, s, i) => sum + (s ? ((p[i]! - s[0]) / s[1]) ** 2 : 0), 0);
  let normal = Matrix.zeros(m, m);
  let spread = spreadOf(now);
  for (let round = 0; round < rounds; round++) {
    spread = spreadOf(now);
    const slopes = steps.map((step, i) => {
      const moved = residuals(at.map((v, k) => (k === i ? v + step : v)));
      return moved.map((r, k) => (r - now[k]!) / step);
    });
    normal = Matrix.zeros(m, m);
    const right = new Array<number>(m).fill(0);
    for (let k = 0; k < now.length; k++) {
      const z = Math.abs(now[k]!) / spread;
      const weight = (z <= HUBER ? 1 : HUBER / z) / (spread * spread);
      for (let i = 0; i < m; i++) {
        const slope = slopes[i]![k]! * weight;
        right[i]! -= slope * now[k]!;
        for (let j = 0; j <= i; j++) normal.set(i, j, normal.get(i, j) + slope * slopes[j]![k]!);
      }
    }
    for (let i = 0; i < m; i++) {
      const s = sure[i];
      if (s) {
        normal.set(i, i, normal.get(i, i) + 1 / s[1] ** 2);
        right[i]! += (s[0] - at[i]!) / s[1] ** 2;
      }
      for (let j = 0; j < i; j++) normal.set(j, i, normal.get(i, j));
    }
    const before = costOf(now, at, spread);
    let better = false;
    for (let tries = 0; tries < 6 && !better; tries++) {
      const damped = normal.clone();
      for (let i = 0; i < m; i++) damped.set(i, i, damped.get(i, i) * (1 + damping) + 1e-12);
      const step = solve(damped, Matrix.columnVector(right)).to1DArray();
      const next = at.map((v, i) => v + step[i]!);
      const then = residuals(next);
      if (then.every(Number.isFinite) && costOf(then, next, spread) < before) {
        better = true;
        damping = Math.max(1e-9, damping / 8);
        const small = step.every((s, i) => Math.abs(s) < Math.abs(steps[i]!) * 0.02);
        at = next;
        now = then;
        if (small) round = rounds;
      } else damping *= 8;
    }
    if (!better) break;
  }
  const counts = now.filter((r) => Math.abs(r) <= 3 * spread);
  const rms = Math.sqrt(counts.reduce((sum, r) => sum + r * r, 0) / Math.max(1, counts.length - m));
  // Scaled before it is inverted: angles and millimetres are far apart in size.
  const scale = Array.from({ length: m }, (_, i) => 1 / Math.sqrt(normal.get(i, i) || 1));
  const scaled = Matrix.zeros(m, m);
  for (let i = 0; i < m; i++)
    for (let j = 0; j < m; j++) scaled.set(i, j, normal.get(i, j) * scale[i]! * scale[j]!);
  const inverted = inverse(scaled, true);
  for (let i = 0; i < m; i++)
    for (let j = 0; j < m; j++) inverted.set(i, j, inverted.get(i, j) * scale[i]! * scale[j]!);
  return { at, rms, covariance: inverted };
}
