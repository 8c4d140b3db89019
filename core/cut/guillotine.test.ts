import fc from 'fast-check';
import { boxOf } from '../geometry/polygon.ts';
import { clearOf, isGuillotine, layGuillotine } from './guillotine.ts';
import { lying } from './nesting.ts';
import { cutSheets } from './sheets.ts';

type Box = [number, number, number, number];
const overlap = (a: Box, b: Box, gap = 0): boolean =>
  a[0] < b[2] + gap - 1e-6 &&
  b[0] < a[2] + gap - 1e-6 &&
  a[1] < b[3] + gap - 1e-6 &&
  b[1] < a[3] + gap - 1e-6;
const anyOverlap = (boxes: readonly Box[], gap = 0): boolean =>
  boxes.some((a, i) => boxes.slice(i + 1).some((b) => overlap(a, b, gap)));

describe('cuts from edge to edge', () => {
  // Five rectangles round a middle one: the textbook layout that no trimmer takes apart.
  const PINWHEEL: Box[] = [
    [0, 0, 2, 1],
    [2, 0, 3, 2],
    [1, 2, 3, 3],
    [0, 1, 1, 3],
    [1, 1, 2, 2],
  ];
  it('tells a pinwheel from rows', () => {
    expect(isGuillotine(PINWHEEL)).toBe(false);
    // Without its middle it still turns round; without one of its arms it comes apart.
    expect(isGuillotine(PINWHEEL.slice(0, 4))).toBe(false);
    expect(isGuillotine(PINWHEEL.slice(1))).toBe(true);
    expect(isGuillotine([])).toBe(true);
  });

  const sides = fc.array(
    fc.record({
      width: fc.integer({ min: 5, max: 60 }),
      height: fc.integer({ min: 5, max: 60 }),
      turns: fc.boolean(),
    }),
    { minLength: 1, maxLength: 25 },
  );

  it('every layout comes apart on a trimmer, with the gap kept and nothing over the edge', () => {
    fc.assert(
      fc.property(sides, fc.constantFrom(0, 2), (parts, gap) => {
        const laid = layGuillotine([100, 140], parts, gap);
        const boxes = [...laid.values()].map(({ at: [x, y], size: [w, h] }): Box => [x, y, x + w, y + h]);
        expect(anyOverlap(boxes, gap)).toBe(false);
        for (const [x0, y0, x1, y1] of boxes) {
          expect(Math.min(x0, y0)).toBeGreaterThanOrEqual(0);
          expect([x1 <= 100 + 1e-6, y1 <= 140 + 1e-6]).toEqual([true, true]);
        }
        expect(isGuillotine(boxes)).toBe(true);
        for (const [i, p] of laid) if (p.turned) expect(parts[i]!.turns).toBe(true);
      }),
      { numRuns: 80, seed: 7 },
    );
  });

  it('fills a sheet that was cut into rows and columns', () => {
    const parts = Array.from({ length: 12 }, () => ({ width: 25, height: 40, turns: false }));
    expect(layGuillotine([100, 120], parts, 0).size).toBe(12);
  });

  it('cuts off what is kept out, and loses nothing else', () => {
    const places = fc.array(
      fc.tuple(
        fc.integer({ min: 0, max: 90 }),
        fc.integer({ min: 0, max: 90 }),
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: 1, max: 40 }),
      ),
      { maxLength: 4 },
    );
    fc.assert(
      fc.property(places, (list) => {
        const keepOut = list.map(([x, y, w, h]): Box => [x, y, x + w, y + h]);
        const clear = clearOf([0, 0, 100, 100], keepOut);
        expect(anyOverlap(clear as Box[])).toBe(false);
        for (const c of clear) for (const k of keepOut) expect(overlap(c as Box, k)).toBe(false);
        // Every whole cell is either kept out or in one of the pieces.
        const inside = ([x0, y0, x1, y1]: readonly number[], x: number, y: number): boolean =>
          x >= x0! && x <= x1! && y >= y0! && y <= y1!;
        for (let x = 0.5; x < 100; x += 7)
          for (let y = 0.5; y < 100; y += 7)
            expect([...keepOut, ...clear].some((b) => inside(b, x, y))).toBe(true);
      }),
      { numRuns: 60, seed: 9 },
    );
  });
});

describe('sheets cut on a trimmer', () => {
  const rectangle = (w: number, h: number): [number, number][] => [
    [0, 0],
    [w, 0],
    [w, h],
    [0, h],
  ];
  const request = {
    sheets: [{ width: 300, height: 200, keepOut: [rectangle(40, 30)] }],
    parts: [
      { id: 'card', outline: rectangle(90, 60), count: 4, turn: 'right' as const },
      {
        id: 'sail',
        outline: [
          [0, 0],
          [80, 0],
          [0, 80],
        ] as [number, number][],
        count: 3,
        turn: 'any' as const,
      },
    ],
    gap: 2,
    layout: 'guillotine' as const,
  };

  it('takes parts by their boxes, round what is kept out', () => {
    const { sheets, used, bound } = cutSheets(request);
    expect(sheets.flatMap((s) => s.placements)).toHaveLength(7);
    expect(used).toBeGreaterThanOrEqual(bound);
    for (const s of sheets) {
      const boxes = s.placements.map(({ id, x, y, turn, mirrored }): Box => {
        const part = request.parts.find((p) => p.id === id)!;
        const [x0, y0, x1, y1] = boxOf(lying(part.outline, turn, mirrored));
        return [x0 + x, y0 + y, x1 + x, y1 + y];
      });
      expect(isGuillotine(boxes)).toBe(true);
      expect(anyOverlap([...boxes, [0, 0, 40, 30]])).toBe(false);
    }
  });

  it('needs a sheet more where only a pinwheel would do', () => {
    // Four arms of 3 × 2 round a middle of 1 fill 5 × 5, and no cut through leaves strips that they fill.
    const parts = [
      { id: 'a', outline: rectangle(30, 20), count: 4, turn: 'right' as const },
      { id: 'b', outline: rectangle(10, 10), count: 1, turn: 'right' as const },
    ];
    const sheets = [{ width: 50, height: 50 }];
    expect(cutSheets({ sheets, parts, gap: 0, layout: 'guillotine' }).used).toBe(2);
    expect(cutSheets({ sheets, parts, gap: 0 }).bound).toBe(1);
  });
});
