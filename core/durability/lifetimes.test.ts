import fc from 'fast-check';
import { lifetimesOf, lossesALoan, priorOf } from './lifetimes.ts';

const back = (missing: number, filled = 0) => ({ missing, filled });

describe('lives of pieces, from the counts of kits', () => {
  it('are as long as the loans they were in, lost or still there', () => {
    // Three pieces, three loans; one is lost on the second, nothing is filled.
    const { times, events, lost, loans } = lifetimesOf([{ due: 3, returns: [back(0), back(1), back(1)] }]);
    expect(times.map((t, i) => `${t}${events[i] ? ' lost' : ''}`)).toEqual(['2 lost', '3', '3']);
    expect([lost, loans]).toEqual([1, 3 + 3 + 2]);
  });
  it('begin anew with what is filled', () => {
    const { times, events } = lifetimesOf([{ due: 2, returns: [back(1, 1), back(0), back(1, 1)] }]);
    // The one that was longest in use counts as the lost one, each time.
    expect(times.map((t, i) => `${t}${events[i] ? ' lost' : ''}`)).toEqual(['1 lost', '3 lost', '2']);
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
        const { lost, times, events, loans } = lifetimesOf(kits);
        expect(lost).toBe(kits.flatMap((k) => k.returns).reduce((n, r) => n + r.missing, 0));
        expect(loans).toBe(kits.reduce((n, k) => n + k.due * k.returns.length, 0));
        expect(times.reduce((a, b) => a + b, 0)).toBe(loans);
        expect(events).toHaveLength(times.length);
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
