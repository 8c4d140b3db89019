import fc from 'fast-check';
import { Capacity } from './scheduleCapacity.ts';
import { keyOf, type Window } from './scheduleProblem.ts';

const FREE = (n: number): Float64Array => new Float64Array(n).fill(-Infinity);

describe('when so much work can be done at the earliest', () => {
  it('by one pair of hands is as long as the work, over the gaps between windows', () => {
    const one = new Capacity([
      [
        [0, 60],
        [100, 200],
      ],
    ]);
    expect(one.until(FREE(1), 60)).toBe(60);
    expect(one.until(FREE(1), 90)).toBe(130);
    expect(one.until(FREE(1), 160)).toBe(200);
    expect(one.until(FREE(1), 161)).toBe(Infinity);
  });
  it('by two pairs goes twice as fast while both are there', () => {
    const two = new Capacity([[[0, 100]], [[50, 100]]]);
    expect(two.until(FREE(2), 50)).toBe(50);
    expect(two.until(FREE(2), 100)).toBe(75);
    expect(two.until(FREE(2), 150)).toBe(100);
  });
  it('begins for each where it is free', () => {
    const two = new Capacity([[[0, 100]], [[0, 100]]]);
    expect(two.until(Float64Array.from([30, 60]), 30)).toBe(60);
    expect(two.until(Float64Array.from([30, 60]), 50)).toBe(70);
  });
  it('of no work is no time', () => {
    expect(new Capacity([[[0, 10]]]).until(FREE(1), 0)).toBe(-Infinity);
  });
  it('is never later with more hands, and never earlier with more work', () => {
    const window = fc
      .tuple(fc.integer({ min: 0, max: 200 }), fc.integer({ min: 1, max: 120 }))
      .map(([from, long]): Window => [from, from + long]);
    fc.assert(
      fc.property(
        fc.array(window, { minLength: 1, maxLength: 4 }),
        window,
        fc.integer({ min: 1, max: 200 }),
        (own, other, work) => {
          const hands = own.map((w) => [w]);
          const less = new Capacity(hands).until(FREE(hands.length), work);
          const more = new Capacity([...hands, [other]]).until(FREE(hands.length + 1), work);
          expect(more).toBeLessThanOrEqual(less + 1e-6);
          expect(new Capacity(hands).until(FREE(hands.length), work + 5)).toBeGreaterThanOrEqual(less - 1e-6);
        },
      ),
      { numRuns: 200 },
    );
  });
});

it('sets of tasks have keys of their own', () => {
  fc.assert(
    fc.property(fc.array(fc.boolean(), { minLength: 1, maxLength: 40 }), fc.nat(39), (bits, at) => {
      const done = Uint8Array.from(bits, Number);
      const other = Uint8Array.from(done);
      const i = at % done.length;
      other[i] = 1 - other[i]!;
      expect(keyOf(Uint8Array.from(done))).toBe(keyOf(done));
      expect(keyOf(other)).not.toBe(keyOf(done));
    }),
    { numRuns: 200 },
  );
});
