import { gammaln } from 'simple-statistics';

const { exp, log } = Math;

/** Lower incomplete gamma function γ(a, x), by its series (NIST Digital Library of Mathematical Functions, 8.7.1). */
export function lowerGamma(a: number, x: number): number {
  if (x <= 0) return 0;
  // Beyond this nothing is left of the upper part.
  if (x > a + 700) return exp(gammaln(a));
  let term = 1 / a;
  let sum = term;
  for (let n = 1; n < 10_000 && term > 1e-17 * sum; n++) {
    term *= x / (a + n);
    sum += term;
  }
  return sum * exp(a * log(x) - x);
}

export interface Renewal {
  /** Renew at this age; null where waiting until it fails costs no more. */
  readonly age: number | null;
  /** Cost a unit of time in the long run. */
  readonly costRate: number;
}

/**
 * The age at which a part that wears is best renewed before it fails: age replacement (Barlow and Proschan, Mathematical
 * Theory of Reliability, 1965; from memory). Where its wear does not grow with age, or a failure costs no more than
 * renewing, it is kept until it fails.
 *
 * @param shape of the Weibull distribution of its life
 * @param scale in a unit of time
 */
export function renewal(options: {
  readonly shape: number;
  readonly scale: number;
  readonly plannedCost: number;
  readonly failureCost: number;
}): Renewal {
  const { shape: k, scale, plannedCost, failureCost } = options;
  const never = { age: null, costRate: failureCost / (scale * exp(gammaln(1 + 1 / k))) };
  if (k <= 1 || failureCost <= plannedCost) return never;
  // In shares of the scale. Up to u it works for so long on average, and has so often failed a unit of time.
  const worked = (u: number): number => lowerGamma(1 / k, u ** k) / k;
  const rate = (u: number): number => k * u ** (k - 1);
  const wanted = plannedCost / (failureCost - plannedCost);
  const gain = (u: number): number => rate(u) * worked(u) + Math.expm1(-(u ** k)) - wanted;
  let high = 1;
  while (gain(high) < 0 && high < 1e6) high *= 2;
  // So little is saved that the best age is beyond any life.
  if (high ** k > 700) return never;
  let low = 0;
  for (let i = 0; i < 200 && high - low > 1e-14 * high; i++) {
    const middle = (low + high) / 2;
    if (gain(middle) < 0) low = middle;
    else high = middle;
  }
  const age = (low + high) / 2;
  return { age: age * scale, costRate: ((failureCost - plannedCost) * rate(age)) / scale };
}
