import fc from 'fast-check';
import { distanceTo } from '../geometry/distance.ts';
import type { Vec2 } from '../geometry/vector.ts';
import { boxOf } from '../outline/outline.ts';
import type { Cut, Need } from '../patterns/kernel.ts';
import { cutPlans, offcutsFor } from './cutPlan.ts';
import { blanksOf, leastUnits, outlineIn, type Blank, type Panels } from './blank.ts';
import { CutMemory, layPanels as lay } from './lay.ts';
import { stockOf } from './stock.ts';
import { unitsFor } from './units.ts';

const layPanels = (blanks: readonly Blank[], stock: Panels) =>
  lay(blanks, stock, { memory: new CutMemory() });

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

describe('true shapes', () => {
  const shaped = (outline: readonly Vec2[], turn: 'any' | 'right' | 'none' = 'right', gap = 0): Cut => ({
    kind: 'outline',
    id: 's',
    label: '',
    role: '',
    materialId: 1,
    count: 1,
    use: 'part',
    counted: false,
    outline,
    turn,
    gap,
  });
  const half: Vec2[] = [
    [0, 0],
    [90, 0],
    [0, 90],
  ];
  const SHEET: Vec2[] = [[100, 100]];
  const laidOf = (parts: { cut: Cut; times: number }[], panels: readonly Vec2[]) =>
    layPanels(blanksOf(parts), { kind: 'panels', panels })!.flatMap((unit, u) =>
      unit.flatMap((p, at) =>
        p.parts.map((x) => ({ outline: outlineIn(x), sheet: `${u} ${at}`, size: p.size })),
      ),
    );

  it('two halves of a square share the sheet that their boxes would each need', () => {
    const units = (times: number) =>
      unitsFor([{ cut: shaped(half), times }], { kind: 'panels', panels: SHEET });
    expect([1, 2, 3, 4].map(units)).toEqual([1, 1, 2, 2]);
    // What may not be turned cannot.
    expect(unitsFor([{ cut: shaped(half, 'none'), times: 2 }], { kind: 'panels', panels: SHEET })).toBe(2);
  });

  it('discs lie in each other’s gaps', () => {
    // Boxes of 20 go 5 × 5 on 100 × 112; rows 10√3 apart, of 5 and 4 in turn, are six high: 27.
    const disc = shaped(
      Array.from({ length: 48 }, (_, i): Vec2 => [
        10 * Math.cos((i * Math.PI) / 24),
        10 * Math.sin((i * Math.PI) / 24),
      ]),
    );
    const times = 26;
    expect(unitsFor([{ cut: disc, times }], { kind: 'panels', panels: [[100, 112]] })).toBe(1);
  });

  it.each([
    ['one shape', [{ cut: shaped(half, 'right', 1), times: 5 }]],
    [
      'several',
      [
        { cut: shaped(half, 'any', 1), times: 2 },
        { cut: shaped(square(40, 30), 'right', 1), times: 3 },
      ],
    ],
  ])('of %s lie whole on their panel and off each other, as many as the count says', (_, parts) => {
    const laid = laidOf(parts, SHEET);
    expect(laid).toHaveLength(parts.reduce((n, p) => n + p.times, 0));
    expect(new Set(laid.map((l) => l.sheet)).size).toBe(unitsFor(parts, { kind: 'panels', panels: SHEET }));
    for (const [i, a] of laid.entries()) {
      const [x0, y0, x1, y1] = boxOf(a.outline);
      expect(Math.min(x0, y0)).toBeGreaterThanOrEqual(-1e-3);
      expect(x1).toBeLessThanOrEqual(a.size[0] + 1e-3);
      expect(y1).toBeLessThanOrEqual(a.size[1] + 1e-3);
      for (const b of laid.slice(i + 1).filter((o) => o.sheet === a.sheet)) {
        const [inA, inB] = [distanceTo(a.outline), distanceTo(b.outline)];
        for (const [x, y] of b.outline) expect(inA(x, y)).toBeLessThanOrEqual(1e-3);
        for (const [x, y] of a.outline) expect(inB(x, y)).toBeLessThanOrEqual(1e-3);
      }
    }
  });

  it('says by the area alone what is the least, and never takes less', () => {
    expect(leastUnits(blanksOf([{ cut: shaped(half), times: 5 }]), { kind: 'panels', panels: SHEET })).toBe(
      3,
    );
    const side = fc.integer({ min: 15, max: 90 });
    fc.assert(
      fc.property(side, side, fc.integer({ min: 1, max: 12 }), (w, h, times) => {
        const parts = [
          {
            cut: shaped([
              [0, 0],
              [w, 0],
              [w / 3, h],
            ]),
            times,
          },
        ];
        const units = unitsFor(parts, { kind: 'panels', panels: SHEET })!;
        expect(units).toBeGreaterThanOrEqual(leastUnits(blanksOf(parts), { kind: 'panels', panels: SHEET }));
        // Nor more than their boxes would.
        expect(units).toBeLessThanOrEqual(
          unitsFor([{ cut: shaped(square(w, h)), times }], { kind: 'panels', panels: SHEET })!,
        );
      }),
      { numRuns: 40, seed: 3 },
    );
  });
});

describe('a find with places that cannot be cut', () => {
  const plate = (w: number, h: number, part: Partial<Extract<Cut, { kind: 'outline' }>> = {}): Cut => ({
    kind: 'outline',
    id: 'plate',
    label: 'Plate',
    role: 'card',
    materialId: 1,
    count: 1,
    use: 'part',
    counted: true,
    outline: square(w, h),
    turn: 'right',
    gap: 0,
    ...part,
  });
  const box = {
    form: 'container',
    unit: 'each',
    sizes: { length: 190, width: 60, height: 290, wall: 0.5 },
  } as const;
  const printed = {
    ...box,
    keepOut: [{ panel: 'front', why: 'print', left: 0, top: 0, width: 190, height: 140 }],
  } as const;
  /** Corners of every part of a unit, with the panel that it lies on. */
  const lies = (stock: ReturnType<typeof stockOf>, cut: Cut, times: number) => {
    if (stock.kind !== 'panels') throw new Error('expected panels');
    return layPanels(blanksOf([{ cut, times }], stock), stock)!.flatMap((unit) =>
      unit.flatMap(({ size, parts }) => parts.map((p) => ({ size, box: boxOf(outlineIn(p)) }))),
    );
  };

  it('gives as much less as is kept out', () => {
    // A panel of 290 × 190 takes six of 90 × 90; with its upper 140 printed, two are left below.
    const units = (m: typeof box | typeof printed, times: number) =>
      unitsFor(
        [{ cut: plate(90, 90), times }],
        stockOf({ ...m, keepOut: 'keepOut' in m ? [...m.keepOut] : undefined }),
      );
    expect([units(box, 12), units(box, 13)]).toEqual([1, 2]);
    expect([units(printed, 8), units(printed, 9)]).toEqual([1, 2]);
  });
  it('lays nothing over it, rectangles nor other shapes', () => {
    const only = stockOf({
      form: 'sheet',
      unit: 'each',
      sizes: { length: 100, width: 100, wall: 0.5 },
      keepOut: [{ panel: 'sheet', why: 'hole', left: 40, top: 40, width: 20, height: 20 }],
    });
    for (const cut of [plate(38, 38), plate(0, 0, { outline: square(38, 38).slice(0, 3) })]) {
      const all = lies(only, cut, 4);
      expect(all).toHaveLength(4);
      for (const {
        box: [x0, y0, x1, y1],
      } of all)
        expect(x1 <= 40 + 1e-6 || x0 >= 60 - 1e-6 || y1 <= 40 + 1e-6 || y0 >= 60 - 1e-6).toBe(true);
    }
    expect(unitsFor([{ cut: plate(38, 38), times: 4 }], only)).toBe(1);
    const need: Need = {
      role: 'card',
      use: 'part',
      materialId: 1,
      name: 'Panel',
      quantity: 1,
      unit: 'each',
      counted: true,
      cuts: [plate(38, 38)],
      stock: only,
    };
    const [drawn] = cutPlans([need], 4, () => '#ffffff');
    expect(drawn!.scene.marks.filter((m) => m.kind === 'outline' && m.role === 'shade')).toHaveLength(1);
    // Four of 38 × 38 on 100 × 100 less the hole.
    expect(drawn).toMatchObject({ units: 1, bound: 1 });
    expect(unitsFor([{ cut: plate(61, 61), times: 1 }], only)).toBeNull();
  });
  it('bounds what it takes from below, also where places that are kept out lie over each other', () => {
    const at = (...keepOut: { left: number; top: number }[]) =>
      stockOf({
        form: 'sheet',
        unit: 'each',
        sizes: { length: 100, width: 100, wall: 1 },
        keepOut: keepOut.map((k) => ({ panel: 'sheet', why: 'stain', ...k, width: 50, height: 50 })),
      });
    const least = (stock: ReturnType<typeof stockOf>) =>
      stock.kind === 'panels' ? leastUnits(blanksOf([{ cut: plate(50, 50), times: 6 }]), stock) : 0;
    expect([
      least(at()),
      least(at({ left: 0, top: 0 })),
      least(at({ left: 0, top: 0 }, { left: 50, top: 0 })),
    ]).toEqual([2, 2, 3]);
    // One stain seen twice still leaves three quarters.
    expect(least(at({ left: 0, top: 0 }, { left: 0, top: 0 }))).toBe(2);
  });
  it('lays any rectangles round any places, none over another, never fewer sheets than the bound', () => {
    const side = fc.integer({ min: 12, max: 60 });
    const place = fc.record({
      left: fc.integer({ min: 0, max: 70 }),
      top: fc.integer({ min: 0, max: 70 }),
      width: fc.integer({ min: 5, max: 30 }),
      height: fc.integer({ min: 5, max: 30 }),
    });
    fc.assert(
      fc.property(
        fc.array(fc.record({ w: side, h: side, times: fc.integer({ min: 1, max: 4 }) }), {
          minLength: 1,
          maxLength: 3,
        }),
        fc.array(place, { minLength: 1, maxLength: 3 }),
        (parts, places) => {
          const stock = stockOf({
            form: 'sheet',
            unit: 'each',
            sizes: { length: 100, width: 100, wall: 1 },
            keepOut: places.map((k) => ({ panel: 'sheet', why: 'stain', ...k })),
          });
          if (stock.kind !== 'panels') throw new Error('expected panels');
          const cuts = parts.map(({ w, h, times }, i) => ({ cut: plate(w, h, { id: `p${i}` }), times }));
          const units = unitsFor(cuts, stock);
          // A part may be too large for what is left of a sheet: that is said, never cut through a stain.
          if (units === null) return;
          const blanks = blanksOf(cuts, stock);
          expect(units).toBeGreaterThanOrEqual(leastUnits(blanks, stock));
          const laid = layPanels(blanks, stock)!;
          expect(laid).toHaveLength(units);
          const boxes = laid.flatMap((unit, u) =>
            unit.flatMap((p) => p.parts.map((x) => ({ u, box: boxOf(outlineIn(x)) }))),
          );
          expect(boxes).toHaveLength(parts.reduce((n, p) => n + p.times, 0));
          const apart = (a: readonly number[], b: readonly number[]): boolean =>
            a[2]! <= b[0]! + 1e-3 || b[2]! <= a[0]! + 1e-3 || a[3]! <= b[1]! + 1e-3 || b[3]! <= a[1]! + 1e-3;
          for (const [n, { u, box: b }] of boxes.entries()) {
            expect(Math.min(b[0], b[1])).toBeGreaterThanOrEqual(-1e-3);
            expect(Math.max(b[2], b[3])).toBeLessThanOrEqual(100 + 1e-3);
            for (const k of places)
              expect(apart(b, [k.left, k.top, k.left + k.width, k.top + k.height])).toBe(true);
            for (const other of boxes.slice(n + 1).filter((x) => x.u === u))
              expect(apart(b, other.box)).toBe(true);
          }
        },
      ),
      { numRuns: 60, seed: 5 },
    );
  });
  it('is cut with its grain, where that is known and the part goes so', () => {
    const sheet = (grain?: 'along' | 'across') =>
      stockOf({ form: 'sheet', unit: 'each', sizes: { length: 200, width: 100, wall: 3 }, grain });
    const strips = { cut: plate(100, 40, { grain: 'x' }), times: 5 };
    // Along 200: two rows of two, so five take two sheets; across it five stand side by side.
    expect(unitsFor([strips], sheet('across'))).toBe(1);
    expect(unitsFor([strips], sheet('along'))).toBe(2);
    expect(unitsFor([strips], sheet())).toBe(1);
    const widths = lies(sheet('along'), strips.cut, 4).map(({ box: b }) => b[2] - b[0]);
    expect(widths).toEqual([100, 100, 100, 100]);
    // Too long to lie with the grain: better against it than not at all.
    expect(unitsFor([{ cut: plate(150, 40, { grain: 'x' }), times: 1 }], sheet('across'))).toBe(1);
  });
  it('turns over what has no front', () => {
    // An L and its mirror image lie closer than two that may only be turned.
    const hook: Vec2[] = [
      [0, 0],
      [60, 0],
      [60, 20],
      [20, 20],
      [20, 30],
      [0, 30],
    ];
    const count = (mirror: boolean) =>
      unitsFor([{ cut: plate(0, 0, { outline: hook, turn: 'none', mirror }), times: 12 }], {
        kind: 'panels',
        panels: [[125, 105]],
      })!;
    expect(count(true)).toBeLessThanOrEqual(count(false));
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
    const laid = layPanels(blanksOf([{ cut: card, times: 7 }]), { kind: 'panels', panels: [[297, 210]] })!;
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
    const [unit] = layPanels(blanksOf([{ cut: slanted, times: 1 }]), {
      kind: 'panels',
      panels: [[120, 30]],
    })!;
    const box = boxOf(outlineIn(unit![0]!.parts[0]!));
    expect(box.map((v) => Math.round(v * 1000) / 1000 + 0)).toEqual([0, 0, 100, 20]);
  });
});
