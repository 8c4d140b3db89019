import { z } from 'zod';
import { PatternError } from '../patterns/kernel.ts';

export const raschRequest = z.strictObject({
  /** One row a child, one column a level: managed alone 1, not 0, not tried null. */
  responses: z
    .array(
      z
        .array(z.union([z.literal(0), z.literal(1), z.null()], { error: 'expected 0, 1 or null' }), {
          error: 'expected a list of answers',
        })
        .min(1, 'expected at least one answer')
        .max(200, 'may have at most 200 answers'),
      { error: 'expected a list of lists of 0, 1 or null' },
    )
    .min(1, 'expected at least one row')
    .max(5000, 'may have at most 5,000 rows')
    .superRefine((all, ctx) =>
      all.forEach((row, i) => {
        if (row.length !== all[0]!.length)
          ctx.addIssue({
            code: 'custom',
            path: [i],
            message: `has ${row.length} answers; expected ${all[0]!.length} as in the first row`,
          });
      }),
    ),
});
export type Response = 0 | 1 | null;
export interface RaschAnswer {
  /** By column, logits: at this ability it is managed half the time. */
  readonly difficulties: number[];
  /** Standard deviation of abilities, logits; their mean is 0. */
  readonly sd: number;
  /** By row: mean and standard deviation of what the answers leave likely (expected a posteriori). */
  readonly abilities: { readonly mean: number; readonly sd: number }[];
  readonly logLikelihood: number;
}

/** Points of the standard normal that integrals are taken over; evenly spaced, which is exact far beyond what is asked. */
const POINTS = 101;
const REACH = 7;
const Z = Array.from({ length: POINTS }, (_, q) => -REACH + (2 * REACH * q) / (POINTS - 1));
export { Z as NORMAL_POINTS };
const total = Z.reduce((s, z) => s + Math.exp((-z * z) / 2), 0);
const LOG_WEIGHT = Z.map((z) => (-z * z) / 2 - Math.log(total));

const MOST_ROUNDS = 3000;
const CLOSE = 1e-10;

const { exp, log1p } = Math;
/** log(1 + e^x) without overflow. */
const softplus = (x: number): number => (x > 30 ? x : log1p(exp(x)));

/** Logarithms of the chance not to manage each level, on the points: asked once for all rows. */
const missLogs = ({ difficulties, sd }: Parameters): Float64Array[] =>
  difficulties.map((d) => Float64Array.from(Z, (z) => -softplus(sd * z - d)));

/** Rows that are alike, once each. */
interface Pattern {
  readonly row: readonly Response[];
  readonly count: number;
}
function patternsOf(responses: readonly (readonly Response[])[]): Pattern[] {
  const found = new Map<string, { row: readonly Response[]; count: number }>();
  for (const row of responses) {
    const key = row.map((x) => x ?? '-').join('');
    const there = found.get(key);
    if (there) there.count++;
    else found.set(key, { row, count: 1 });
  }
  return [...found.values()];
}

/** What is likely of an ability after a row of answers, on the points; and the row's likelihood. */
function posterior(
  row: readonly Response[],
  { difficulties, sd }: Parameters,
  misses: readonly Float64Array[],
): { weights: Float64Array; logLikelihood: number } {
  const logs = Float64Array.from(LOG_WEIGHT);
  for (let j = 0; j < row.length; j++) {
    const x = row[j];
    if (x === null) continue;
    const own = misses[j]!;
    const difficulty = difficulties[j]!;
    for (let q = 0; q < POINTS; q++) logs[q]! += own[q]! + (x === 1 ? sd * Z[q]! - difficulty : 0);
  }
  return normed(logs);
}

/** Logarithms of weights as weights that sum to 1, and the logarithm of their sum. */
function normed(logs: Float64Array): { weights: Float64Array; logLikelihood: number } {
  let [most, sum] = [-Infinity, 0];
  for (let q = 0; q < logs.length; q++) if (logs[q]! > most) most = logs[q]!;
  const weights = new Float64Array(logs.length);
  for (let q = 0; q < logs.length; q++) sum += weights[q] = exp(logs[q]! - most);
  for (let q = 0; q < logs.length; q++) weights[q]! /= sum;
  return { weights, logLikelihood: most + Math.log(sum) };
}

interface Parameters {
  readonly difficulties: readonly number[];
  readonly sd: number;
}

/** One round of expectation and maximisation (Bock and Aitkin 1981), in which the spread of abilities is a slope. */
function round(patterns: readonly Pattern[], from: Parameters): Parameters {
  const { difficulties, sd } = from;
  const items = difficulties.length;
  const misses = missLogs(from);
  const tried = Array.from({ length: items }, () => new Float64Array(POINTS));
  const managed = new Float64Array(items);
  // Σ x z over everything that was managed, which the slope must meet.
  let slopeSeen = 0;
  for (const { row, count } of patterns) {
    const { weights } = posterior(row, from, misses);
    let mean = 0;
    for (let q = 0; q < POINTS; q++) mean += weights[q]! * Z[q]!;
    row.forEach((x, j) => {
      if (x === null) return;
      if (x === 1) {
        managed[j]! += count;
        slopeSeen += count * mean;
      }
      const own = tried[j]!;
      for (let q = 0; q < POINTS; q++) own[q]! += count * weights[q]!;
    });
  }
  const next = [...difficulties];
  let slope = sd;
  // Newton on all difficulties and the common slope; few steps are enough for one round.
  for (let step = 0; step < 3; step++) {
    let [slopeGradient, slopeCurve] = [slopeSeen, 0];
    for (let j = 0; j < items; j++) {
      let [expected, curve] = [0, 0];
      for (let q = 0; q < POINTS; q++) {
        const p = 1 / (1 + exp(next[j]! - slope * Z[q]!));
        const n = tried[j]![q]!;
        expected += n * p;
        curve += n * p * (1 - p);
        slopeGradient -= n * p * Z[q]!;
        slopeCurve += n * p * (1 - p) * Z[q]! * Z[q]!;
      }
      if (curve > 1e-12) next[j]! += Math.max(-1, Math.min(1, (expected - managed[j]!) / curve));
    }
    if (slopeCurve > 1e-12)
      slope = Math.max(0, slope + Math.max(-0.5, Math.min(0.5, slopeGradient / slopeCurve)));
  }
  return { difficulties: next, sd: slope };
}

const vectorOf = (p: Parameters): number[] => [...p.difficulties, p.sd];
const parametersOf = (v: readonly number[]): Parameters => ({
  difficulties: v.slice(0, -1),
  sd: Math.max(0, v.at(-1)!),
});
function logLikelihoodOf(patterns: readonly Pattern[], p: Parameters): number {
  const misses = missLogs(p);
  return patterns.reduce((sum, { row, count }) => sum + count * posterior(row, p, misses).logLikelihood, 0);
}

/** A longer stride along the way that two rounds went (Varadhan and Roland 2008), taken only where it is no worse. */
function strided(patterns: readonly Pattern[], from: Parameters): Parameters {
  const one = round(patterns, from);
  const two = round(patterns, one);
  const [a, b, c] = [vectorOf(from), vectorOf(one), vectorOf(two)];
  const r = b.map((x, i) => x - a[i]!);
  const v = c.map((x, i) => x - b[i]! - r[i]!);
  const length = (w: readonly number[]): number => Math.hypot(...w);
  if (length(v) < 1e-14) return two;
  const stride = Math.min(-1, -length(r) / length(v));
  const far = parametersOf(a.map((x, i) => x - 2 * stride * r[i]! + stride * stride * v[i]!));
  return logLikelihoodOf(patterns, far) >= logLikelihoodOf(patterns, two) ? far : two;
}

/**
 * The Rasch model by marginal maximum likelihood: P(managed) = 1 / (1 + e^(difficulty − ability)), abilities normal about 0
 * with a spread that is estimated too; answers that are not there are left out.
 *
 * @throws PatternError where a column cannot be placed: nobody tried it, everybody managed it, or nobody did
 */
export function rasch(responses: readonly (readonly Response[])[]): RaschAnswer {
  const columns = responses[0]!.length;
  const start = Array.from({ length: columns }, (_, j) => {
    const answers = responses.map((r) => r[j]).filter((x) => x !== null);
    const managed = answers.filter((x) => x === 1).length;
    if (managed === 0 || managed === answers.length)
      throw new PatternError(
        `responses.0.${j}`,
        `column ${j + 1} ${answers.length === 0 ? 'was never tried' : managed === 0 ? 'was never managed' : 'was always managed'}, so its difficulty cannot be found; expected both 0 and 1 in it`,
      );
    return -Math.log(managed / (answers.length - managed));
  });
  const patterns = patternsOf(responses);
  let now: Parameters = { difficulties: start, sd: 1 };
  for (let k = 0; k < MOST_ROUNDS; k++) {
    const next = strided(patterns, now);
    const moved = Math.max(...vectorOf(next).map((x, i) => Math.abs(x - vectorOf(now)[i]!)));
    now = next;
    if (moved < CLOSE) break;
  }
  const misses = missLogs(now);
  return {
    difficulties: [...now.difficulties],
    sd: now.sd,
    abilities: responses.map((row) => momentsOf(posterior(row, now, misses).weights, now.sd)),
    logLikelihood: logLikelihoodOf(patterns, now),
  };
}

export interface Ability {
  /** Logits; 0 is the middle of the children watched here. */
  readonly mean: number;
  readonly sd: number;
}

/** Ability by what is likely of it on the points: mean and standard deviation, logits. */
const momentsOf = (weights: Float64Array, sd: number): Ability => {
  let [mean, square] = [0, 0];
  for (let q = 0; q < POINTS; q++) {
    mean += weights[q]! * sd * Z[q]!;
    square += weights[q]! * (sd * Z[q]!) ** 2;
  }
  return { mean, sd: Math.sqrt(Math.max(0, square - mean * mean)) };
};

/** Ability after whatever was seen, by its log-likelihood at an ability; abilities normal about 0 with this spread, logits. */
export const expectedAbility = (logLikelihood: (ability: number) => number, spread: number): Ability =>
  momentsOf(
    normed(Float64Array.from(Z, (z, q) => LOG_WEIGHT[q]! + logLikelihood(spread * z))).weights,
    spread,
  );

/** Chance of managing alone. */
export const chanceOf = (ability: number, difficulty: number): number =>
  1 / (1 + Math.exp(difficulty - ability));
