import fc from 'fast-check';
import type { Vec2 } from '../geometry/vector.ts';
import { boxOf } from '../outline/outline.ts';
import type { Cut, Need } from '../patterns/kernel.ts';
import { cutPlans, offcutsFor } from './cutPlan.ts';
import { blanksOf, layPanels, outlineIn } from './layout.ts';
import { unitsFor } from './units.ts';

const square = (w: number, h: number): [number, number][] => [
  [0, 0],
  [w, 0],
  [w, h],
  [0, h],
];

describe('what a batch takes of sheets', () => {
  const plate = (width: number, height: number, turn: 'any' | 'right' | 'none', gap = 0): Cut => ({
    kind: 'outline',
    id: 'p',
    label: '',
    role: '',
    materialId: 1,
    count: 1,
    use: 'part',
    counted: false,
    outline: square(width, height),
    turn,
    gap,
  });
  const panels = (...list: Vec2[]) => ({ kind: 'panels', panels: list }) as const;

  it.each([
    ['rows that fill the sheet', 100, 50, 'right', 0, 8, [[200, 200]], 1],
    ['one more takes another sheet', 100, 50, 'right', 0, 9, [[200, 200]], 2],
    ['what may not turn', 120, 50, 'none', 0, 3, [[100, 200]], null],
    ['turned, two go', 120, 50, 'right', 0, 2, [[100, 200]], 1],
    ['tiny parts on a huge sheet are counted, not drawn', 5, 5, 'right', 1, 9, [[100_000, 100_000]], 1],
    ['scissors between', 100, 100, 'right', 2, 4, [[200, 200]], 4],
    // 290 × 190 takes two of 140 × 140 no other way than one beside the other; the sides are too narrow.
    [
      'a cereal box has two fronts',
      140,
      140,
      'right',
      2,
      5,
      [
        [290, 190],
        [290, 190],
        [290, 60],
        [290, 60],
      ],
      2,
    ],
  ] as [string, number, number, 'right' | 'none', number, number, Vec2[], number | null][])(
    '%s',
    (_, w, h, turn, gap, times, list, units) => {
      expect(unitsFor([{ cut: plate(w, h, turn, gap), times }], panels(...list))).toBe(units);
    },
  );

  it('five of 60 × 40 go on 100 × 120, more than in rows of one direction', () => {
    expect(unitsFor([{ cut: plate(60, 40, 'right'), times: 5 }], panels([100, 120]))).toBe(1);
    expect(unitsFor([{ cut: plate(60, 40, 'right'), times: 6 }], panels([100, 120]))).toBe(2);
  });

  it('never takes less than the area, nor fewer sheets for more parts', () => {
    const side = fc.integer({ min: 10, max: 90 });
    fc.assert(
      fc.property(side, side, fc.integer({ min: 1, max: 40 }), (w, h, n) => {
        const of = (times: number) => unitsFor([{ cut: plate(w, h, 'right'), times }], panels([100, 140]))!;
        expect(of(n) * 100 * 140).toBeGreaterThanOrEqual(n * w * h - 1e-6);
        expect(of(n + 1)).toBeGreaterThanOrEqual(of(n));
      }),
      { numRuns: 60, seed: 8 },
    );
  });
});

describe('a cut plan to look at', () => {
  const ring: Cut = {
    kind: 'length',
    id: 'ring',
    label: 'Ring',
    role: 'part',
    materialId: 1,
    count: 4,
    use: 'piece',
    counted: true,
    length: 38,
    loss: 1,
  };
  const card: Cut = {
    kind: 'outline',
    id: 'card',
    label: 'Card',
    role: 'card',
    materialId: 2,
    count: 1,
    use: 'part',
    counted: true,
    outline: square(100, 60),
    turn: 'right',
    gap: 2,
  };
  const needOf = (cut: Cut, stock: NonNullable<Need['stock']>): Need => ({
    role: cut.role,
    use: cut.use,
    materialId: cut.materialId,
    name: 'Stock',
    quantity: 1,
    unit: 'each',
    counted: true,
    cuts: [cut],
    stock,
  });
  const tube = needOf(ring, { kind: 'length', length: 279 });

  it('takes what the shelf counts, and says the least that could do', () => {
    for (const kits of [1, 2, 5, 9]) {
      const [plan] = cutPlans([tube], kits, () => '#BFA070');
      expect(plan!.units).toBe(unitsFor([{ cut: ring, times: kits }], tube.stock!));
      // Seven rings of 38 and a cut of 1 go on 279: 7 · 39 = 273, and an eighth would take 311.
      expect(plan).toMatchObject({ units: Math.ceil((4 * kits) / 7), bound: Math.ceil((4 * kits) / 7) });
      const cuts = plan!.scene.marks.filter((m) => m.kind === 'outline' && m.role === 'body');
      expect(cuts).toHaveLength(4 * plan!.kitsShown);
    }
  });
  it('lays parts whole on their panels, none over another', () => {
    const sheet = needOf(card, { kind: 'panels', panels: [[297, 210]] });
    const [plan] = cutPlans([sheet], 7, () => '#ffffff');
    // 299 / 102 by 212 / 62: two rows of two level, or three columns upright; six or seven go on one.
    expect(plan!.units).toBe(unitsFor([{ cut: card, times: 7 }], sheet.stock!));
    const laid = layPanels(blanksOf([{ cut: card, times: 7 }]), [[297, 210]])!;
    const parts = laid.flatMap((unit, u) => unit.flatMap((p) => p.parts.map((x) => ({ ...x, u }))));
    expect(parts).toHaveLength(7);
    for (const [i, a] of parts.entries()) {
      expect(a.at[0] + a.size[0]).toBeLessThanOrEqual(297 + 1e-3);
      expect(a.at[1] + a.size[1]).toBeLessThanOrEqual(210 + 1e-3);
      for (const b of parts.slice(i + 1).filter((x) => x.u === a.u)) {
        const apart =
          a.at[0] + a.size[0] <= b.at[0] + 1e-3 ||
          b.at[0] + b.size[0] <= a.at[0] + 1e-3 ||
          a.at[1] + a.size[1] <= b.at[1] + 1e-3 ||
          b.at[1] + b.size[1] <= a.at[1] + 1e-3;
        expect(apart).toBe(true);
      }
    }
  });
  it('keeps off-cuts of 60 and more, in whole millimetres', () => {
    // Three rings of 38 leave 279 − 3 · 38 − 2 − 1 = 162.
    expect(offcutsFor({ ...tube, cuts: [{ ...ring, count: 3 }] }, 1)).toEqual([{ length: 162, count: 1 }]);
    expect(offcutsFor({ ...tube, cuts: [{ ...ring, count: 7 }] }, 1)).toEqual([]);
    expect(cutPlans([tube], 0, () => '#fff')).toEqual([]);
  });
  it('turns a part where it lies so that it fills its rectangle', () => {
    const slanted: Cut = {
      ...card,
      turn: 'any',
      outline: square(100, 20).map(([x, y]): Vec2 => [(x - y) / Math.SQRT2, (x + y) / Math.SQRT2]),
    };
    const [unit] = layPanels(blanksOf([{ cut: slanted, times: 1 }]), [[120, 30]])!;
    const box = boxOf(outlineIn(unit![0]!.parts[0]!));
    expect(box.map((v) => Math.round(v * 1000) / 1000 + 0)).toEqual([0, 0, 100, 20]);
  });
});
