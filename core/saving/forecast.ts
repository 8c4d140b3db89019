import { addDays, daysBetween, type Day } from '../calendar/days.ts';

/** Weeks further off than this are “not in sight”. */
export const HORIZON = 156;

export interface Forecast {
  /** Mean per week, and its variance from week to week. */
  readonly mean: number;
  readonly variance: number;
  /** Weeks counted, and weeks left out as not counted. */
  readonly counted: number;
  /** Weeks from now until the stock has come in: as likely earlier as later, and the middle 80 %. null: not in sight. */
  readonly weeks: { readonly low: number; readonly middle: number | null; readonly high: number | null };
}

/**
 * Arrivals by week, the oldest first, up to the last whole week before `today`. A week in which nothing of it came is a
 * 0, not a gap: leaving it out would promise too much.
 */
export function weekly(
  arrivals: readonly { readonly day: Day; readonly quantity: number }[],
  today: Day,
  weeks = 26,
): { readonly from: Day; readonly counts: number[] } {
  const first = arrivals.reduce((d, a) => (a.day < d ? a.day : d), today);
  const whole = Math.min(weeks, Math.floor(daysBetween(first, today) / 7));
  const from = addDays(today, -7 * whole);
  const counts = Array.from({ length: whole }, () => 0);
  for (const a of arrivals) {
    const week = Math.floor(daysBetween(from, a.day) / 7);
    if (week >= 0 && week < whole) counts[week]! += a.quantity;
  }
  return { from, counts };
}

/** P(X ≤ k) of a negative binomial with mean m and variance v > m, or of a Poisson when v ≤ m, summed term by term. */
function atMost(k: number, m: number, v: number): number {
  if (k < 0) return 0;
  if (m <= 0) return 1;
  let log: number;
  let sum = 0;
  if (v <= m * (1 + 1e-9)) {
    log = -m;
    for (let i = 0; i <= k; i++) {
      sum += Math.exp(log);
      log += Math.log(m / (i + 1));
    }
  } else {
    const r = (m * m) / (v - m);
    const p = m / v;
    log = r * Math.log(p);
    for (let i = 0; i <= k; i++) {
      sum += Math.exp(log);
      log += Math.log((i + r) / (i + 1)) + Math.log(1 - p);
    }
  }
  return Math.min(1, sum);
}

/** Sample mean and variance of the weeks that were counted; `null` is a week in which nobody counted. */
function moments(counts: readonly (number | null)[]): { n: number; mean: number; variance: number } {
  const seen = counts.filter((c): c is number => c !== null);
  const n = seen.length;
  const mean = n === 0 ? 0 : seen.reduce((s, c) => s + c, 0) / n;
  const spread = n > 1 ? seen.reduce((s, c) => s + (c - mean) ** 2, 0) / (n - 1) : mean;
  return { n, mean, variance: Math.max(spread, mean) };
}

/**
 * When `wanted` more will have come in. Model: weeks are alike and independent; a week's count is negative binomial with
 * the mean and variance of the weeks seen (Poisson where they vary no more than chance). The sum over w weeks to come has
 * mean w·m and variance w·s² + w²·s²/n, the second part because the mean itself is only known from n weeks. The answer
 * are the weeks at which that sum reaches `wanted` with 10, 50 and 90 % chance. Seasons and a campaign of asking are not
 * in the model.
 *
 * @param counts by week, the oldest first; null for a week that was not counted
 * @returns null with fewer than three weeks counted, or when nothing ever came
 */
export function forecast(counts: readonly (number | null)[], wanted: number): Forecast | null {
  const { n, mean, variance } = moments(counts);
  if (n < 3 || mean <= 0) return null;
  const reaches = (w: number): number =>
    1 - atMost(wanted - 1, w * mean, Math.max(w * mean, w * variance + (w * w * variance) / n));
  const week = (share: number): number | null => {
    if (wanted <= 0) return 0;
    if (reaches(HORIZON) < share) return null;
    let [lo, hi] = [0, HORIZON];
    while (hi - lo > 1) {
      const mid = (lo + hi) >> 1;
      if (reaches(mid) >= share) hi = mid;
      else lo = mid;
    }
    return hi;
  };
  return {
    mean,
    variance,
    counted: n,
    weeks: { low: week(0.1) ?? HORIZON, middle: week(0.5), high: week(0.9) },
  };
}

/** The band of what will have come in after each of `weeks` weeks: 10, 50 and 90 %, for a chart. */
export function fan(
  counts: readonly (number | null)[],
  weeks: number,
): { readonly low: number; readonly middle: number; readonly high: number }[] {
  const { n, mean, variance } = moments(counts);
  const quantile = (w: number, share: number): number => {
    const [m, v] = [w * mean, Math.max(w * mean, w * variance + (w * w * variance) / n)];
    let [lo, hi] = [-1, Math.ceil(m + 8 * Math.sqrt(v) + 5)];
    while (hi - lo > 1) {
      const mid = (lo + hi) >> 1;
      if (atMost(mid, m, v) >= share) hi = mid;
      else lo = mid;
    }
    return hi;
  };
  return Array.from({ length: weeks + 1 }, (_, w) =>
    w === 0
      ? { low: 0, middle: 0, high: 0 }
      : { low: quantile(w, 0.1), middle: quantile(w, 0.5), high: quantile(w, 0.9) },
  );
}
