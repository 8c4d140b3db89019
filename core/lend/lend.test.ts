import { supply, shortWords } from '../needs/short.ts';
import { copyLabel, readLabel } from './labels.ts';
import { missing, standing } from './status.ts';

describe('labels', () => {
  it('number the copies a to z, then aa', () => {
    expect([0, 1, 25, 26, 27, 701, 702].map((n) => copyLabel(14, n))).toEqual([
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
    [{ repair: false, openLoan: null }, 'in', 0],
    [{ repair: true, openLoan: null }, 'repair', 0],
    [{ repair: false, openLoan: loan }, 'late', 4],
    [{ repair: false, openLoan: { dueOn: '2026-11-24' } }, 'out', 0],
  ])('%j is %s', (copy, expected, daysLate) => {
    expect(standing(copy, '2026-11-24')).toEqual({ standing: expected, daysLate });
  });
  it('counts what is missing', () => {
    const parts = [
      { materialId: 1, name: 'Tub', due: 1, present: 1 },
      { materialId: 2, name: 'Cap', due: 8, present: 6 },
    ];
    expect(missing(parts).map((m) => [m.part.name, m.short])).toEqual([['Cap', 2]]);
  });
});

describe('needs against the shelf', () => {
  const need = (role: string, materialId: number, quantity: number) => ({
    role,
    materialId,
    name: role,
    quantity,
    unit: 'each' as const,
    counted: true,
  });
  const shelf = (kept: Record<number, number>) =>
    new Map(Object.entries(kept).map(([id, n]) => [Number(id), { kept: n }]));
  it('says “5 caps short: make 3 kits now, or use 6 pieces a kit”', () => {
    const s = supply({
      needs: [need('container', 1, 1), need('piece', 2, 8)],
      copies: 4,
      shelf: shelf({ 1: 6, 2: 27 }),
    });
    expect(s).toMatchObject({ kitsNow: 3, fewerPieces: 6 });
    expect(shortWords(s)).toBe('5 × piece short: make 3 kits now, or use 6 pieces a kit.');
  });
  it('says nothing when there is enough', () => {
    expect(
      shortWords(supply({ needs: [need('piece', 2, 8)], copies: 3, shelf: shelf({ 2: 24 }) })),
    ).toBeNull();
  });
  it('shares one material between two roles', () => {
    const s = supply({
      needs: [need('container', 1, 1), need('bag', 1, 1)],
      copies: 2,
      shelf: shelf({ 1: 3 }),
    });
    expect(s.lines.map((l) => l.short)).toEqual([0, 1]);
    expect(s.kitsNow).toBe(1);
  });
  it('treats what is not on the shelf as none', () => {
    expect(supply({ needs: [need('piece', 7, 2)], copies: 1, shelf: shelf({}) })).toMatchObject({
      kitsNow: 0,
      fewerPieces: null,
    });
  });
});
