const { exp, log, max, min, sqrt } = Math;

/** How the limits of a survival curve are drawn: on its logarithm, on the logarithm of that, or as it is. */
export const CONFIDENCES = ['log', 'log-log', 'plain'] as const;
export type Confidence = (typeof CONFIDENCES)[number];

/** The 97.5th percentile of the standard normal distribution. */
const Z = 1.959963984540054;

export interface SurvivalStep {
  readonly time: number;
  readonly atRisk: number;
  readonly events: number;
  readonly survival: number;
  /** Greenwood's standard error and 95 % limits; null where nothing survives. */
  readonly se: number | null;
  readonly low: number | null;
  readonly high: number | null;
}

function limits(s: number, sum: number, how: Confidence): [number, number] {
  const by = Z * sqrt(sum);
  switch (how) {
    case 'plain':
      return [max(0, s - by * s), min(1, s + by * s)];
    case 'log':
      return [s * exp(-by), min(1, s * exp(by))];
    case 'log-log': {
      // Nothing was lost yet: there is no logarithm of a logarithm of one.
      if (s >= 1) return [1, 1];
      const way = by / log(s);
      return [s ** exp(-way), s ** exp(way)];
    }
  }
}

/**
 * Share that survives past each time, by the product-limit estimator (Kaplan and Meier 1958) with Greenwood's variance.
 * What is still in use when it was last seen is censored: it counts as there until then.
 *
 * @param times in any unit, each 0 or more
 * @param events whether it failed at its time, or was only seen until then
 */
export function survivalSteps(
  times: readonly number[],
  events: readonly boolean[],
  confidence: Confidence,
): SurvivalStep[] {
  const order = times.map((t, i) => [t, events[i]!] as const).sort((a, b) => a[0] - b[0]);
  const steps: SurvivalStep[] = [];
  let [s, sum, i] = [1, 0, 0];
  while (i < order.length) {
    const time = order[i]![0];
    const atRisk = order.length - i;
    let failed = 0;
    for (; i < order.length && order[i]![0] === time; i++) failed += order[i]![1] ? 1 : 0;
    s *= 1 - failed / atRisk;
    sum += failed === 0 ? 0 : failed / (atRisk * (atRisk - failed));
    // The last of them fails: the sum has no end, and nothing is left to have limits.
    const isLeft = failed < atRisk && s > 0;
    const [low, high] = isLeft ? limits(s, sum, confidence) : [null, null];
    steps.push({
      time,
      atRisk,
      events: failed,
      survival: isLeft ? s : 0,
      se: isLeft ? s * sqrt(sum) : null,
      low,
      high,
    });
  }
  return steps;
}

/** Share that has failed in each way by each time. */
export interface Incidence {
  readonly cause: string;
  readonly steps: readonly { readonly time: number; readonly events: number; readonly incidence: number }[];
}

/**
 * Cumulative incidence of each of several ways to fail, of which the first that comes keeps the others from being seen
 * (Aalen and Johansen 1978): what is left just before a time, by the product-limit estimator over all causes, times the
 * share of those at risk that fails so then. With what survives, the incidences add up to one.
 *
 * @param times in any unit, each 0 or more
 * @param causes how each failed at its time; null where it was only seen until then
 */
export function incidences(times: readonly number[], causes: readonly (string | null)[]): Incidence[] {
  const all = survivalSteps(
    times,
    causes.map((c) => c !== null),
    'log',
  );
  return [...new Set(causes.filter((c) => c !== null))].sort().map((cause) => {
    let [before, incidence] = [1, 0];
    const steps = all.map(({ time, atRisk, survival }) => {
      const events = times.filter((t, i) => t === time && causes[i] === cause).length;
      incidence += (before * events) / atRisk;
      before = survival;
      return { time, events, incidence };
    });
    return { cause, steps };
  });
}

/** The first time at which no more than half survive; null where more do to the end. */
export const medianOf = (steps: readonly SurvivalStep[]): number | null =>
  steps.find((s) => s.survival <= 0.5 + 1e-12)?.time ?? null;
