import fc from 'fast-check';
import { lifetimesOf, lossesALoan, priorOf } from './lifetimes.ts';
import { weibullFit } from './weibull.ts';

const back = (missing: number, filled = 0, spoiled = 0) => ({ missing, filled, spoiled });

describe('lives of pieces, from the counts of kits', () => {
  it('are as long as the loans they were in, lost or still there', () => {
    // Three pieces, three loans; one is lost on the second, nothing is filled.
    const { times, causes, lost, loans } = lifetimesOf([{ due: 3, returns: [back(0), back(1), back(1)] }]);
    expect(times.map((t, i) => `${t}${causes[i] ? ' lost' : ''}`)).toEqual(['2 lost', '3', '3']);
    expect([lost, loans]).toEqual([1, 3 + 3 + 2]);
  });
  it('begin anew with what is filled; what was spoiled is the oldest', () => {
    const { times, causes, worn } = lifetimesOf([
      { due: 2, returns: [back(1, 1, 1), back(0), back(1, 1, 1)] },
    ]);
    expect(times.map((t, i) => `${t} ${causes[i]}`)).toEqual(['1 worn', '3 worn', '2 null']);
    expect(worn).toBe(2);
  });
  it('lost at random, no age goes more often than another, and nothing is said to wear', () => {
    let seed = 7;
    const random = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
    const kits = Array.from({ length: 60 }, () => ({
      due: 8,
      returns: Array.from({ length: 20 }, () => {
        const n = random() < 0.4 ? 1 : 0;
        return back(n, n);
      }),
    }));
    const { times, causes, lost, worn } = lifetimesOf(kits);
    expect(worn).toBe(0);
    expect(lost).toBeGreaterThan(300);
    // A life that ends by chance alone has shape 1; when the oldest counted as lost it came out near 2.
    const { shape } = weibullFit(
      times,
      causes.map((c) => c !== null),
    )!;
    expect(shape).toBeGreaterThan(0.85);
    // Lives are told in whole loans, which takes a little over it.
    expect(shape).toBeLessThan(1.25);
  });
  it('count as many events as pieces that went missing, however it went on', () => {
    const pasts = fc.array(
      fc.record({
        due: fc.integer({ min: 1, max: 6 }),
        lost: fc.array(fc.integer({ min: 0, max: 3 }), { maxLength: 6 }),
      }),
      { minLength: 1, maxLength: 5 },
    );
    fc.assert(
      fc.property(pasts, (list) => {
        // Filled at once: what is missing is then what was lost on that loan.
        const kits = list.map(({ due, lost }) => ({
          due,
          returns: lost.map((n) => back(Math.min(n, due), Math.min(n, due))),
        }));
        const { lost, times, causes, loans } = lifetimesOf(kits);
        expect(lost).toBe(kits.flatMap((k) => k.returns).reduce((n, r) => n + r.missing, 0));
        expect(loans).toBe(kits.reduce((n, k) => n + k.due * k.returns.length, 0));
        expect(times.reduce((a, b) => a + b, 0)).toBe(loans);
        expect(causes).toHaveLength(times.length);
      }),
    );
  });
});

it('a class has its stated prior', () => {
  expect(priorOf('plastic')).toMatchObject({ kind: 'washed' });
  expect(priorOf('card').rate).toBeLessThan(priorOf('plastic').rate);
  expect(priorOf('plant')).toMatchObject({ kind: 'grown' });
});

it('counts what was seen beside the prior of its class, as if that had been seen first', () => {
  expect(lossesALoan('plastic')).toBeCloseTo(1 / 60, 12);
  expect(lossesALoan('card')).toBeCloseTo(1 / 15, 12);
  expect(lossesALoan('card', { lost: 4, loans: 85 })).toBeCloseTo(5 / 100, 12);
});
