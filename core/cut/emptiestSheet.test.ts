import fc from 'fast-check';
import { MaxRectsPacker } from 'maxrects-packer/dist/maxrects-packer.mjs';
import type { Vec2 } from '../geometry/vector.ts';
import { emptiestLast, type LaidRectangle } from './emptiestSheet.ts';

const SHEET: Vec2 = [300, 200];
const GAP = 2;
const sizes = fc.array(
  fc.tuple(fc.integer({ min: 30, max: 150 }), fc.integer({ min: 20, max: 110 })).map((s): Vec2 => s),
  { minLength: 1, maxLength: 24 },
);
const boxOf = (all: readonly Vec2[], { index, at, turned }: LaidRectangle) => {
  const [a, b] = all[index]!;
  const [w, h] = turned ? [b, a] : [a, b];
  return [at[0], at[1], at[0] + w, at[1] + h] as const;
};
const areas = (all: readonly Vec2[], sheets: readonly (readonly { index: number }[])[]) =>
  sheets.map((on) => on.reduce((n, { index }) => n + all[index]![0] * all[index]![1], 0));

it('lays each once, on the sheet, apart, and leaves no less than the library by itself', () => {
  fc.assert(
    fc.property(sizes, fc.boolean(), (all, turns) => {
      const laid = emptiestLast(SHEET, all, { gap: GAP, turns, fewest: 1 })!;
      expect(laid.flatMap((on) => on.map((r) => r.index)).sort((a, b) => a - b)).toEqual(
        all.map((_, i) => i),
      );
      for (const on of laid) {
        const boxes = on.map((r) => boxOf(all, r));
        for (const [x0, y0, x1, y1] of boxes) {
          expect(Math.min(x0, y0)).toBeGreaterThanOrEqual(0);
          expect(x1).toBeLessThanOrEqual(SHEET[0] + 1e-3);
          expect(y1).toBeLessThanOrEqual(SHEET[1] + 1e-3);
        }
        boxes.forEach((a, i) =>
          boxes.slice(i + 1).forEach((b) => {
            const apart = Math.max(a[0] - b[2], b[0] - a[2], a[1] - b[3], b[1] - a[3]);
            expect(apart).toBeGreaterThanOrEqual(GAP - 1e-6);
          }),
        );
        if (!turns) for (const r of on) expect(r.turned).toBe(false);
      }
      const packer = new MaxRectsPacker(SHEET[0] + GAP, SHEET[1] + GAP, 0, {
        smart: false,
        pot: false,
        square: false,
        allowRotation: turns,
      });
      packer.addArray(
        all.map(([w, h], index) => ({ x: 0, y: 0, width: w + GAP, height: h + GAP, data: index })) as never,
      );
      const theirs = areas(
        all,
        packer.bins.map((b) => (b.rects as unknown as { data: number }[]).map((r) => ({ index: r.data }))),
      );
      const ours = areas(all, laid);
      expect(ours.length).toBeLessThanOrEqual(theirs.length);
      if (ours.length === theirs.length)
        expect(Math.min(...ours)).toBeLessThanOrEqual(Math.min(...theirs) + 1e-6);
    }),
    { numRuns: 12, seed: 3 },
  );
});

it('says so where one goes on no sheet, by its turn too', () => {
  expect(emptiestLast(SHEET, [[150, 250]], { gap: 0, turns: false, fewest: 1 })).toBeNull();
  expect(emptiestLast(SHEET, [[150, 250]], { gap: 0, turns: true, fewest: 1 })).toEqual([
    [{ index: 0, at: [0, 0], turned: true }],
  ]);
  expect(emptiestLast(SHEET, [[301, 10]], { gap: 0, turns: true, fewest: 1 })).toBeNull();
});
