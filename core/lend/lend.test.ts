import { kitLabel, readLabel } from './labels.ts';
import { missing, standing } from './status.ts';

describe('labels', () => {
  it('number the copies a to z, then aa', () => {
    expect([0, 1, 25, 26, 27, 701, 702].map((n) => kitLabel(14, n))).toEqual([
      'FB-014a',
      'FB-014b',
      'FB-014z',
      'FB-014aa',
      'FB-014ab',
      'FB-014zz',
      'FB-014aaa',
    ]);
  });
  it('are read back from a scanner or a hurried hand', () => {
    expect(['FB-014a', 'fb14A', ' fb 014 a '].map(readLabel)).toEqual(['FB-014a', 'FB-014a', 'FB-014a']);
    expect(['', '014a', 'FB-', 'Teal Skiff'].map(readLabel)).toEqual([null, null, null, null]);
  });
});

describe('where a copy stands', () => {
  const loan = { dueOn: '2026-11-20' };
  it.each([
    [{}, 'in', 0],
    [{ repair: true }, 'repair', 0],
    [{ openLoan: loan }, 'late', 4],
    [{ openLoan: { dueOn: '2026-11-24' } }, 'out', 0],
    [{ toClean: true }, 'to clean', 0],
    [{ toClean: true, repair: true }, 'repair', 0],
    [{ repair: true, recalled: 'its pull test failed' }, 'recalled', 0],
    [{ openLoan: loan, recalled: 'its pull test failed' }, 'late', 4],
    [{ restsUntil: '2026-11-25' }, 'resting', 0],
    [{ restsUntil: '2026-11-24' }, 'in', 0],
    [{ toClean: true, retiredOn: '2026-11-20' }, 'retired', 0],
  ])('%j is %s', (part, expected, daysLate) => {
    const kit = {
      repair: false,
      toClean: false,
      restsUntil: null,
      retiredOn: null,
      recalled: null,
      openLoan: null,
    };
    expect(standing({ ...kit, ...part }, '2026-11-24')).toEqual({ standing: expected, daysLate });
  });
  it('counts what is missing', () => {
    const parts = [
      { materialId: 1, name: 'Tub', due: 1, present: 1 },
      { materialId: 2, name: 'Cap', due: 8, present: 6 },
    ];
    expect(missing(parts).map((m) => [m.part.name, m.short])).toEqual([['Cap', 2]]);
  });
});
