import { fan, forecast, HORIZON, weekly } from './forecast.ts';

/** A fixed row of chance, so that every run sees the same arrivals. */
function chance(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 16_807) % 2_147_483_647) / 2_147_483_647;
}
/** A Poisson count by Knuth's product of uniforms. */
function poisson(mean: number, next: () => number): number {
  const end = Math.exp(-mean);
  let n = 0;
  for (let p = next(); p > end; p *= next()) n++;
  return n;
}
/** Arrivals as bags: some weeks bring a bag of several, most bring none. */
const bags = (share: number, size: number, next: () => number): number =>
  next() < share ? 1 + poisson(size - 1, next) : 0;

/** How often the true week of arrival lies within the forecast's 80 % range, and how often before its middle. */
function coverage(
  draw: (next: () => number) => number,
  weeks: number,
  wanted: number,
): [number, number, number] {
  let [within, before, known] = [0, 0, 0];
  for (let run = 1; run <= 400; run++) {
    const next = chance(run * 7919);
    for (let i = 0; i < 5; i++) next();
    const seen = Array.from({ length: weeks }, () => draw(next));
    const f = forecast(seen, wanted);
    if (!f) continue;
    known++;
    let sum = 0;
    let week = 0;
    while (sum < wanted && week < 2000) {
      sum += draw(next);
      week++;
    }
    if (week >= f.weeks.low && week <= (f.weeks.high ?? Infinity)) within++;
    if (week <= (f.weeks.middle ?? Infinity)) before++;
  }
  return [within / known, before / known, known];
}

describe('a forecast of arrivals whose truth is known', () => {
  it.each([
    ['two a week', (n: () => number) => poisson(2, n), 12, 20],
    ['one in three weeks', (n: () => number) => poisson(0.33, n), 20, 6],
    ['bags of six, every third week', (n: () => number) => bags(0.33, 6, n), 20, 30],
  ] as const)('holds the true week in its range about four times in five: %s', (_, draw, weeks, wanted) => {
    const [within, before, known] = coverage(draw, weeks, wanted);
    expect(known).toBeGreaterThan(350);
    // Whole weeks and what is not known of the mean make the range a little wide rather than narrow.
    expect(within).toBeGreaterThan(0.74);
    expect(within).toBeLessThan(0.95);
    expect(before).toBeGreaterThan(0.4);
    expect(before).toBeLessThan(0.72);
  });
});

describe('a forecast', () => {
  it('counts a week in which nothing came', () => {
    const with0 = forecast([4, 0, 4, 0, 4, 0], 20)!;
    expect(with0.mean).toBe(2);
    expect(with0.weeks.middle).toBeGreaterThan(forecast([4, 4, 4], 20)!.weeks.middle!);
  });
  it('leaves out a week in which nobody counted', () => {
    expect(forecast([4, null, 4, null, 4], 8)).toMatchObject({ mean: 4, counted: 3 });
  });
  it('is wider when weeks differ more, and later when more is wanted', () => {
    const even = forecast([3, 3, 3, 3, 3, 3], 30)!;
    const odd = forecast([18, 0, 0, 0, 0, 0], 30)!;
    expect(odd.weeks.high! - odd.weeks.low).toBeGreaterThan(even.weeks.high! - even.weeks.low);
    expect(forecast([3, 3, 3], 60)!.weeks.middle).toBeGreaterThan(even.weeks.middle!);
  });
  it('says nothing from too little', () => {
    expect(forecast([3, 2], 5)).toBeNull();
    expect(forecast([0, 0, 0, 0], 5)).toBeNull();
    expect(forecast([null, 1, null, 2], 5)).toBeNull();
  });
  it('is there at once when nothing is wanted, and out of sight when too much is', () => {
    expect(forecast([1, 2, 1], 0)!.weeks).toEqual({ low: 0, middle: 0, high: 0 });
    expect(forecast([1, 0, 0, 0], 100_000)!.weeks).toEqual({ low: HORIZON, middle: null, high: null });
  });
});

describe('the fan', () => {
  it('widens, and its middle grows with the mean', () => {
    const f = fan([2, 3, 1, 2, 2, 4], 10);
    expect(f[0]).toEqual({ low: 0, middle: 0, high: 0 });
    for (let w = 1; w <= 10; w++) {
      expect(f[w]!.low).toBeLessThanOrEqual(f[w]!.middle);
      expect(f[w]!.high - f[w]!.low).toBeGreaterThanOrEqual(f[w - 1]!.high - f[w - 1]!.low);
    }
    expect(f[10]!.middle).toBeGreaterThanOrEqual(22);
    expect(f[10]!.middle).toBeLessThanOrEqual(24);
  });
});

describe('weeks', () => {
  it('are whole, the oldest first, with zeros between', () => {
    const w = weekly(
      [
        { day: '2026-11-01', quantity: 5 },
        { day: '2026-11-20', quantity: 2 },
        { day: '2026-11-23', quantity: 1 },
      ],
      '2026-11-24',
    );
    expect(w).toEqual({ from: '2026-11-03', counts: [0, 0, 3] });
    expect(weekly([], '2026-11-24').counts).toEqual([]);
  });
});
