import fc from 'fast-check';
import { loadSolver } from '../testingSolver.ts';
import { fewestBins } from './fewest.ts';
import { cutLengths } from './lengths.ts';

const descending = (list: readonly number[]): number[] => [...list].sort((a, b) => b - a);

describe('fewest bins', () => {
  it('finds what filling the fullest first misses', () => {
    const sizes = descending([4, 4, 5, 5, 5, 3, 3, 2, 2, 7]);
    // 7 + 3, 5 + 5, 5 + 3 + 2, 4 + 4 + 2 fill four of ten.
    expect(fewestBins(sizes, 10)).toMatchObject({ isLeast: true, bins: { length: 4 } });
    // 44 + 24 + 32, 51 + 27 + 22 and 41 + 37 + 22 are a hundred each.
    const tight = descending([44, 24, 32, 51, 27, 22, 41, 37, 22]);
    expect(fewestBins(tight, 100).bins).toHaveLength(3);
  });
  it('takes each once and fills none over', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 100 }), { maxLength: 60 }), (list) => {
        const sizes = descending(list);
        const { bins } = fewestBins(sizes, 100);
        expect(bins.flat().sort((a, b) => a - b)).toEqual(sizes.map((_, i) => i));
        for (const bin of bins) expect(bin.reduce((n, i) => n + sizes[i]!, 0)).toBeLessThanOrEqual(100);
      }),
      { numRuns: 80, seed: 3 },
    );
  });
  it('agrees with the integer program wherever it says that no way takes fewer', async () => {
    const solve = await loadSolver();
    let settled = 0;
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 15, max: 70 }), { minLength: 1, maxLength: 24 }), (list) => {
        const { bins, isLeast } = fewestBins(descending(list), 100);
        const { count } = cutLengths(
          { stock: [{ length: 100 }], parts: list.map((length) => ({ length, count: 1 })), loss: 0 },
          solve,
        );
        expect(bins.length).toBeGreaterThanOrEqual(count);
        if (!isLeast) return;
        settled++;
        expect(bins).toHaveLength(count);
      }),
      { numRuns: 40, seed: 5 },
    );
    expect(settled).toBeGreaterThan(35);
  });
});
