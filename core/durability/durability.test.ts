import { lowerGamma, renewal } from './renewal.ts';
import { sparesFor } from './spares.ts';
import { incidences, medianOf, survivalSteps, type Confidence } from './survival.ts';
import { weibullFit } from './weibull.ts';

/** Weeks in remission under 6-mercaptopurine (Freireich and others 1963); a minus for those still in remission. */
const REMISSION = [6, 6, 6, -6, 7, -9, 10, -10, -11, 13, 16, -17, -19, -20, 22, 23, -25, -32, -32, -34, -35];
/** Millions of turns of 23 ball bearings until they failed (Lieblein and Zelen 1956). */
const BEARINGS = [
  17.88, 28.92, 33.0, 41.52, 42.12, 45.6, 48.48, 51.84, 51.96, 54.12, 55.56, 67.8, 68.64, 68.64, 68.88, 84.12,
  93.12, 98.64, 105.12, 105.84, 127.92, 128.04, 173.4,
];
const times = REMISSION.map(Math.abs);
const events = REMISSION.map((t) => t > 0);
const steps = (how: Confidence = 'plain') => survivalSteps(times, events, how);

describe('incidence of several ways to fail', () => {
  it('of one way alone is what the published table of remissions leaves', () => {
    const [one] = incidences(
      times,
      events.map((e) => (e ? 'relapse' : null)),
    );
    const left = one!.steps.filter((s) => s.events > 0).map((s) => (1 - s.incidence).toFixed(3));
    // Kaplan–Meier, as in the textbooks from Freireich and others 1963.
    expect(left).toEqual(['0.857', '0.807', '0.753', '0.690', '0.627', '0.538', '0.448']);
  });
  it('of two is worked out by hand', () => {
    const [a, b] = incidences([1, 2, 3, 4, 5], ['lost', 'worn', null, 'lost', 'worn']);
    const last = (x: typeof a) => x!.steps.map((s) => Number(s.incidence.toFixed(6)));
    expect(last(a)).toEqual([0.2, 0.2, 0.2, 0.5, 0.5]);
    expect(last(b)).toEqual([0, 0.2, 0.2, 0.2, 0.5]);
  });
  it('adds up to one with what survives', () => {
    const ways = events.map((e, i) => (e ? (['lost', 'worn', 'spoiled'][i % 3] ?? null) : null));
    const all = incidences(times, ways);
    for (const [i, s] of steps('log').entries())
      expect(all.reduce((n, way) => n + way.steps[i]!.incidence, s.survival)).toBeCloseTo(1, 12);
  });
});

describe('survival', () => {
  it('of the remission times is what the textbooks print', () => {
    const failed = steps().filter((s) => s.events > 0);
    expect(failed.map((s) => [s.time, s.atRisk, s.events])).toEqual([
      [6, 21, 3],
      [7, 17, 1],
      [10, 15, 1],
      [13, 12, 1],
      [16, 11, 1],
      [22, 7, 1],
      [23, 6, 1],
    ]);
    expect(failed.map((s) => s.survival.toFixed(4))).toEqual([
      '0.8571',
      '0.8067',
      '0.7529',
      '0.6902',
      '0.6275',
      '0.5378',
      '0.4482',
    ]);
    expect(failed.map((s) => s.se!.toFixed(4))).toEqual([
      '0.0764',
      '0.0869',
      '0.0963',
      '0.1068',
      '0.1141',
      '0.1282',
      '0.1346',
    ]);
    expect(medianOf(steps())).toBe(23);
    // Every distinct time is a step, censored ones too.
    expect(steps().map((s) => s.time)).toEqual([6, 7, 9, 10, 11, 13, 16, 17, 19, 20, 22, 23, 25, 32, 34, 35]);
  });
  it('has limits on each scale, within 0 and 1, the survival between them', () => {
    for (const how of ['plain', 'log', 'log-log'] as const)
      for (const s of steps(how)) {
        expect(s.low).toBeGreaterThanOrEqual(0);
        expect(s.low).toBeLessThanOrEqual(s.survival);
        expect(s.high).toBeGreaterThanOrEqual(s.survival);
        expect(s.high).toBeLessThanOrEqual(1);
      }
    const at = (how: Confidence) => steps(how)[0]!;
    expect(at('plain').low).toBeCloseTo(0.8571 - 1.96 * 0.0764, 3);
    expect(at('log').low).toBeCloseTo(0.8571 * Math.exp((-1.96 * 0.0764) / 0.8571), 3);
    const way = (1.96 * 0.0764) / 0.8571 / Math.log(0.8571);
    expect(at('log-log').low).toBeCloseTo(0.8571 ** Math.exp(-way), 3);
    expect(at('log-log').high).toBeCloseTo(0.8571 ** Math.exp(way), 3);
  });
  it('ends at nothing, without limits, where the last one fails', () => {
    const all = survivalSteps([1, 2, 2], [true, true, true], 'log');
    expect(all.map((s) => s.survival.toFixed(4))).toEqual(['0.6667', '0.0000']);
    expect(all[1]).toMatchObject({ se: null, low: null, high: null });
    expect(medianOf(all)).toBe(2);
    const none = survivalSteps([1, 2], [false, false], 'log-log');
    expect(none.map((s) => [s.survival, s.se, s.low, s.high])).toEqual([
      [1, 0, 1, 1],
      [1, 0, 1, 1],
    ]);
    expect(medianOf(none)).toBeNull();
  });
});

describe('the Weibull fit', () => {
  it('of the ball bearings is Lawless’s: 2.102, 81.88, log-likelihood −113.69', () => {
    const fit = weibullFit(
      BEARINGS,
      BEARINGS.map(() => true),
    )!;
    expect(fit.shape).toBeCloseTo(2.102, 3);
    expect(fit.scale).toBeCloseTo(81.88, 1);
    expect(fit.logLikelihood).toBeCloseTo(-113.69, 2);
  });
  it('of the remission times, two thirds of them censored, is 1.354 and 33.77', () => {
    const fit = weibullFit(times, events)!;
    expect(fit.shape).toBeCloseTo(1.354, 3);
    expect(fit.scale).toBeCloseTo(33.77, 1);
  });
  it('is the greatest likelihood near by, whatever unit the times are in', () => {
    const fit = weibullFit(times, events)!;
    const likelihood = (k: number, l: number) =>
      times.reduce(
        (sum, t, i) => sum + (events[i] ? Math.log(k / l) + (k - 1) * Math.log(t / l) : 0) - (t / l) ** k,
        0,
      );
    expect(likelihood(fit.shape, fit.scale)).toBeCloseTo(fit.logLikelihood, 9);
    for (const [a, b] of [
      [1.01, 1],
      [0.99, 1],
      [1, 1.01],
      [1, 0.99],
    ] as const)
      expect(likelihood(fit.shape * a, fit.scale * b)).toBeLessThan(fit.logLikelihood);
    const days = weibullFit(
      times.map((t) => t * 7e5),
      events,
    )!;
    expect(days.shape).toBeCloseTo(fit.shape, 9);
    expect(days.scale / 7e5).toBeCloseTo(fit.scale, 6);
  });
  it('is none where nothing failed, or all at once and nothing was seen longer', () => {
    expect(weibullFit([3, 4], [false, false])).toBeNull();
    expect(weibullFit([5, 5, 3], [true, true, false])).toBeNull();
    expect(weibullFit([0, 5], [true, true])).toBeNull();
    expect(weibullFit([5, 5, 9], [true, true, false])).not.toBeNull();
  });
});

describe('renewal', () => {
  it('the incomplete gamma function is what a sum in small steps gives', () => {
    expect(lowerGamma(1, 2)).toBeCloseTo(1 - Math.exp(-2), 12);
    const sum = (a: number, x: number) => {
      const n = 200_000;
      let s = 0;
      for (let i = 0; i < n; i++) {
        const t = ((i + 0.5) * x) / n;
        s += t ** (a - 1) * Math.exp(-t);
      }
      return (s * x) / n;
    };
    for (const [a, x] of [
      [1.5, 0.7],
      [2.5, 9],
      [3, 40],
    ] as const)
      expect(lowerGamma(a, x)).toBeCloseTo(sum(a, x), 6);
  });
  it('is at the age that costs least, by trying every other', () => {
    const o = { shape: 2.5, scale: 40, plannedCost: 1, failureCost: 6 };
    const { age, costRate } = renewal(o);
    const cost = (t: number) => {
      const n = 20_000;
      const alive = (u: number) => Math.exp(-((u / o.scale) ** o.shape));
      let worked = 0;
      for (let i = 0; i < n; i++) worked += (alive(((i + 0.5) * t) / n) * t) / n;
      return (o.plannedCost * alive(t) + o.failureCost * (1 - alive(t))) / worked;
    };
    expect(cost(age!)).toBeCloseTo(costRate, 6);
    for (let t = 2; t < 120; t += 0.5) expect(cost(t)).toBeGreaterThanOrEqual(costRate - 1e-6);
  });
  it('waits until it fails where wear does not grow with age, or failing costs no more', () => {
    for (const shape of [0.7, 1])
      expect(renewal({ shape, scale: 10, plannedCost: 1, failureCost: 9 }).age).toBeNull();
    expect(renewal({ shape: 1, scale: 10, plannedCost: 1, failureCost: 9 }).costRate).toBeCloseTo(0.9, 9);
    expect(renewal({ shape: 3, scale: 10, plannedCost: 5, failureCost: 5 }).age).toBeNull();
    // The dearer the failure, the earlier.
    const ages = [1.5, 3, 10, 100].map(
      (failureCost) => renewal({ shape: 2, scale: 10, plannedCost: 1, failureCost }).age!,
    );
    expect([...ages].sort((a, b) => b - a)).toEqual(ages);
  });
});

describe('spares', () => {
  it('are the least that the negative binomial distribution asks for', () => {
    // A prior of one and one, nothing seen, one loan ahead: losses are geometric, half, a quarter, an eighth, …
    const of = (probability: number) =>
      sparesFor({ lossesSeen: 0, loansSeen: 0, prior: { shape: 1, rate: 1 }, loansAhead: 1, probability });
    expect([0.5, 0.75, 0.76, 0.9, 0.99].map((p) => of(p).spares)).toEqual([0, 1, 2, 3, 6]);
    expect(of(0.9).expected).toBe(1);
  });
  it('go by what was seen where much was, by the prior where little was', () => {
    const of = (lossesSeen: number, loansSeen: number) =>
      sparesFor({ lossesSeen, loansSeen, prior: { shape: 1, rate: 10 }, loansAhead: 20, probability: 0.9 });
    expect(of(0, 0).expected).toBeCloseTo(2, 9);
    expect(of(500, 1000).expected).toBeCloseTo((501 / 1010) * 20, 9);
    // Near a Poisson distribution of ten: its 90th percentile is 14.
    expect(of(50_000, 100_000).spares).toBe(14);
    expect(
      sparesFor({
        lossesSeen: 3,
        loansSeen: 5,
        prior: { shape: 1, rate: 1 },
        loansAhead: 0,
        probability: 0.99,
      }),
    ).toEqual({
      spares: 0,
      expected: 0,
    });
  });
  it('are refused, by field, where more are lost than anybody keeps', () => {
    expect(() =>
      sparesFor({
        lossesSeen: 100_000,
        loansSeen: 0,
        prior: { shape: 1, rate: 1 },
        loansAhead: 100_000,
        probability: 0.9,
      }),
    ).toThrow(/losses are to be expected; expected at most 500,000/);
  });
  it('come to an end where the chance of none is too small for a number', () => {
    const many = sparesFor({
      lossesSeen: 90_000,
      loansSeen: 1000,
      prior: { shape: 1, rate: 1 },
      loansAhead: 1000,
      probability: 0.95,
    });
    expect(many.spares).toBeGreaterThan(many.expected);
    expect(many.spares).toBeLessThan(many.expected * 1.02);
  });
});
