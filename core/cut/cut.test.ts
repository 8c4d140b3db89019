import fc from 'fast-check';
import { area } from '../geometry/polygon.ts';
import { distanceTo } from '../geometry/distance.ts';
import type { Vec2 } from '../geometry/vector.ts';
import { boxOf, sizedOutline } from '../outline/outline.ts';
import type { Cut } from '../patterns/kernel.ts';
import type { SolveLp } from '../price/purchase.ts';
import { loadSolver } from '../testingSolver.ts';
import { cutLengths, cutLengthsRequest } from './lengths.ts';
import { lying } from './nesting.ts';
import { cutSheets, cutSheetsRequest, type CutSheetsRequest } from './sheets.ts';
import { unitsFor } from './units.ts';

let solve: SolveLp;
beforeAll(async () => {
  solve = await loadSolver();
});
const lengths = (r: unknown) => cutLengths(cutLengthsRequest.parse(r), solve);

describe('lengths', () => {
  // The paper-roll example of Gilmore and Gomory's kind, as it is handed down in cutting-stock courses.
  const ROLLS = [
    [22, 1380],
    [25, 1520],
    [12, 1560],
    [14, 1710],
    [18, 1820],
    [18, 1880],
    [20, 1930],
    [10, 2000],
    [12, 2050],
    [14, 2100],
    [16, 2140],
    [18, 2150],
    [20, 2200],
  ] as const;
  it('takes 73 rolls of 5600 for the published example', () => {
    const a = lengths({
      stock: [{ length: 5600 }],
      parts: ROLLS.map(([count, length]) => ({ length, count })),
      loss: 0,
    });
    expect(a).toMatchObject({ status: 'optimal', count: 73, total: 73 * 5600 });
    for (const [count, length] of ROLLS)
      expect(
        a.plans.reduce((n, p) => n + p.times * (p.cuts.find((c) => c.length === length)?.count ?? 0), 0),
      ).toBe(count);
  });

  it('counts the loss between two parts, or after every part', () => {
    const of = (n: number, lossAfterEvery?: boolean) =>
      lengths({ stock: [{ length: 279 }], parts: [{ length: 38, count: n }], loss: 1, lossAfterEvery });
    // 7 · 38 + 6 · 1 = 272; what is left of 279 loses the cut that parts it.
    expect(of(7)).toMatchObject({ count: 1, offcuts: [{ length: 6, count: 1 }] });
    expect(of(8).count).toBe(2);
    // Ten of 10 with 1 between them fill 109; with one after each they need 110.
    const ten = (lossAfterEvery: boolean) =>
      lengths({ stock: [{ length: 109 }], parts: [{ length: 10, count: 10 }], loss: 1, lossAfterEvery })
        .count;
    expect([ten(false), ten(true)]).toEqual([1, 2]);
  });

  it('takes fewest pieces first, or least length', () => {
    const ask = {
      stock: [{ length: 100 }, { length: 60 }],
      parts: [{ length: 55, count: 2 }],
      loss: 0,
    };
    expect(lengths(ask)).toMatchObject({ count: 2, total: 120 });
    const mixed = { ...ask, parts: [{ length: 50, count: 2 }] };
    expect(lengths(mixed)).toMatchObject({ count: 1, total: 100 });
    expect(lengths({ ...mixed, stock: [{ length: 110 }, { length: 50 }], aim: 'length' })).toMatchObject({
      count: 2,
      total: 100,
    });
  });

  it('says what stands in the way', () => {
    expect(() => lengths({ stock: [{ length: 50 }], parts: [{ length: 60, count: 1 }], loss: 0 })).toThrow(
      expect.objectContaining({ path: 'parts.0.length' }),
    );
    expect(() =>
      lengths({ stock: [{ length: 50, available: 1 }], parts: [{ length: 30, count: 2 }], loss: 0 }),
    ).toThrow(expect.objectContaining({ path: 'stock' }));
  });

  it('never takes more than cutting longest first, nor less than the length allows', () => {
    const part = fc.record({
      length: fc.integer({ min: 5, max: 60 }),
      count: fc.integer({ min: 1, max: 6 }),
    });
    fc.assert(
      fc.property(
        fc.array(part, { minLength: 1, maxLength: 4 }),
        fc.integer({ min: 0, max: 3 }),
        (parts, loss) => {
          const a = lengths({ stock: [{ length: 100 }], parts, loss });
          const cuts = parts.map((p, i): Cut => ({
            kind: 'length',
            id: String(i),
            label: '',
            role: '',
            materialId: 1,
            count: p.count,
            use: 'part',
            counted: false,
            length: p.length,
            loss,
          }));
          const greedy = unitsFor(
            cuts.map((cut) => ({ cut, times: 1 })),
            { kind: 'length', length: 100 },
          )!;
          expect(a.count).toBeLessThanOrEqual(greedy);
          const sum = parts.reduce((n, p) => n + p.length * p.count, 0);
          expect(a.count).toBeGreaterThanOrEqual(Math.ceil(sum / 100));
        },
      ),
      { numRuns: 40, seed: 6 },
    );
  });
});

const square = (w: number, h: number): [number, number][] => [
  [0, 0],
  [w, 0],
  [w, h],
  [0, h],
];
/** Whether a plan can be cut: all parts there, whole on their sheet, no two over each other. */
function isSound(r: CutSheetsRequest, a: ReturnType<typeof cutSheets>): void {
  for (const p of r.parts)
    expect(a.sheets.flatMap((s) => s.placements).filter((x) => x.id === p.id)).toHaveLength(p.count);
  for (const s of a.sheets) {
    const sheet = r.sheets[s.sheet]!;
    const there = s.placements.map((x) => {
      const part = r.parts.find((p) => p.id === x.id)!;
      return lying(part.outline, x.turn, x.mirrored).map(([u, v]): Vec2 => [u + x.x, v + x.y]);
    });
    for (const o of there) {
      const [x0, y0, x1, y1] = boxOf(o);
      expect(Math.min(x0, y0)).toBeGreaterThanOrEqual(-1e-3);
      expect(x1).toBeLessThanOrEqual(sheet.width + 1e-2);
      expect(y1).toBeLessThanOrEqual(sheet.height + 1e-2);
    }
    there.forEach((a1, i) => {
      const inA = distanceTo(a1);
      for (const b of [...there.slice(i + 1), ...(sheet.keepOut ?? [])]) {
        const inB = distanceTo(b);
        // Corners and middles of sides of one lie at most on the edge of the other.
        const points = (o: readonly Vec2[]): Vec2[] =>
          o.flatMap(([x, y], k): Vec2[] => {
            const [u, v] = o[(k + 1) % o.length]!;
            return [
              [x, y],
              [(x + u) / 2, (y + v) / 2],
            ];
          });
        for (const [x, y] of points(b)) expect(inA(x, y)).toBeLessThanOrEqual(1e-2 - 0);
        for (const [x, y] of points(a1)) expect(inB(x, y)).toBeLessThanOrEqual(1e-2 - 0);
      }
    });
  }
  expect(a.used).toBeGreaterThanOrEqual(a.bound);
}
const sheets = (r: unknown) => {
  const read = cutSheetsRequest.parse(r);
  const a = cutSheets(read);
  isSound(read, a);
  return a;
};

describe('sheets', () => {
  it('four cards of half a side go on one panel, five take two; the area says no fewer', () => {
    const ask = (count: number) => ({
      sheets: [{ width: 200, height: 100 }],
      parts: [{ id: 'card', outline: square(100, 50), count, turn: 'right' }],
      gap: 0,
    });
    expect(sheets(ask(4))).toMatchObject({ used: 1, bound: 1 });
    expect(sheets(ask(5))).toMatchObject({ used: 2, bound: 2 });
  });
  it('turns a part only where it may be turned', () => {
    const ask = (turn: string) => ({
      sheets: [{ width: 100, height: 40 }],
      parts: [{ id: 'strip', outline: square(30, 90), count: 1, turn }],
      gap: 0,
    });
    expect(sheets(ask('right')).sheets[0]!.placements[0]!.turn).toBe(90);
    expect(() => sheets(ask('none'))).toThrow(expect.objectContaining({ path: 'parts.0.outline' }));
  });
  it('lays true shapes closer than their boxes, and keeps clear of a fold', () => {
    // Two right triangles fill the square that their boxes would need twice.
    const half: [number, number][] = [
      [0, 0],
      [90, 0],
      [0, 90],
    ];
    const a = sheets({
      sheets: [{ width: 100, height: 100 }],
      parts: [{ id: 'half', outline: half, count: 2, turn: 'right' }],
      gap: 1,
    });
    expect(a.used).toBe(1);
    const folded = sheets({
      sheets: [
        {
          width: 200,
          height: 100,
          keepOut: [
            [
              [95, 0],
              [105, 0],
              [105, 100],
              [95, 100],
            ],
          ],
        },
      ],
      parts: [{ id: 'card', outline: square(90, 90), count: 2, turn: 'none' }],
      gap: 0,
    });
    expect(folded.used).toBe(1);
  });
  it('says where sheets are too few', () => {
    expect(() =>
      sheets({
        sheets: [{ width: 100, height: 100, available: 1 }],
        parts: [{ id: 'card', outline: square(90, 90), count: 2, turn: 'right' }],
        gap: 0,
      }),
    ).toThrow(expect.objectContaining({ path: 'sheets' }));
  });
  it('any hearts and stars lie whole and apart', () => {
    const outline = (shape: 'heart' | 'star', long: number): [number, number][] =>
      sizedOutline({ kind: 'shape', shape }, long).map(([x, y]) => [x, y]);
    const a = sheets({
      sheets: [{ width: 290, height: 190 }],
      parts: [
        { id: 'heart', outline: outline('heart', 60), count: 4, turn: 'right' },
        { id: 'star', outline: outline('star', 55), count: 4, turn: 'any' },
      ],
      gap: 2,
    });
    expect(a.used).toBe(1);
    expect(area(outline('heart', 60))).toBeLessThan(3600);
  });
});
