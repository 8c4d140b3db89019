import { watchedNote as note } from '../testing.ts';
import { learnedIn, lossesIn, type CountOnRecord } from './term.ts';

const count = (on: string, caps: number, part: Partial<CountOnRecord> = {}): CountOnRecord => ({
  kitId: 1,
  on,
  afterLoan: true,
  parts: [
    { name: 'Cap', materialId: 2, due: 8, present: caps },
    { name: 'Tub', materialId: 1, due: 1, present: 1 },
  ],
  filled: [],
  ...part,
});

describe('what was lost in a term', () => {
  it('is what was there before and not after, never the same piece twice', () => {
    const counts = [count('2026-09-10', 7), count('2026-10-10', 7), count('2026-11-10', 5)];
    expect(lossesIn(counts, '2026-09-01', '2026-12-31')).toEqual([{ name: 'Cap', materialId: 2, lost: 3 }]);
    // The one that was gone before the term is none of it.
    expect(lossesIn(counts, '2026-10-01', '2026-12-31')).toEqual([{ name: 'Cap', materialId: 2, lost: 2 }]);
  });
  it('begins anew where it was filled, and a count in the house is no loan', () => {
    const counts = [
      count('2026-09-10', 6, { filled: [{ materialId: 2, quantity: 2 }] }),
      count('2026-10-10', 7),
      count('2026-10-12', 6, { afterLoan: false }),
      count('2026-11-10', 6),
    ];
    expect(lossesIn(counts, '2026-09-01', '2026-12-31')).toEqual([{ name: 'Cap', materialId: 2, lost: 3 }]);
    expect(lossesIn(counts, '2026-12-01', '2026-12-31')).toEqual([]);
  });
  it('adds up over kits, by what it is', () => {
    const counts = [count('2026-09-10', 7), count('2026-09-11', 6, { kitId: 2 })];
    expect(lossesIn(counts, '2026-09-01', '2026-12-31')[0]!.lost).toBe(3);
  });
});

describe('what was learned in a term', () => {
  it('is what a child managed alone for the first time, levels on the way too', () => {
    const notes = [
      note({ id: 1, satOn: '2026-08-01', child: 'G-1', level: 'a' }),
      note({ id: 2, satOn: '2026-09-01', child: 'G-1', level: 'a', liked: 'fine' }),
      note({ id: 3, satOn: '2026-09-02', child: 'G-1', level: 'b', help: 'hand on wrist', liked: 'bored' }),
      note({ id: 4, satOn: '2026-09-09', child: 'G-1', level: 'c', before: [{ level: 'b', bits: 7 }] }),
      note({ id: 5, satOn: '2026-09-10', child: 'G-2', level: 'a' }),
      note({ id: 6, satOn: '2026-12-20', child: 'G-3', level: 'a' }),
    ];
    expect(learnedIn(notes, '2026-09-01', '2026-11-30')).toEqual([
      // Of the first child b and c, of the second a.
      { designId: 1, sittings: 4, children: 2, newlyAlone: 3, liked: [1, 2] },
    ]);
    expect(learnedIn(notes, '2027-01-01', '2027-02-01')).toEqual([]);
  });
});
