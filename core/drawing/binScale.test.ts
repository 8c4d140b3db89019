import fc from 'fast-check';
import { binScale } from './binScale.ts';

test('sizes that are near each other share one scale, the largest filling its frame', () => {
  expect(binScale([38, 30, 28, 44])).toEqual({ span: 44, ratios: [1, 1, 1, 1] });
});

test('one long stick is drawn smaller, and the small pieces keep their frames', () => {
  expect(binScale([25, 38, 44, 230])).toEqual({ span: 44, ratios: [1, 1, 1, 6] });
});

test('one picture alone fills its frame; none at all ask for nothing', () => {
  expect(binScale([230])).toEqual({ span: 230, ratios: [1] });
  expect(binScale([])).toEqual({ span: 1, ratios: [] });
});

test.each([[[-1]], [[0]], [[Number.NaN]], [[Infinity]]])('%p is refused', (sizes) => {
  expect(() => binScale(sizes)).toThrow('lengths in mm above 0');
});

test('every picture fits its frame, at least three quarters at the common scale, and order does not matter', () => {
  fc.assert(
    fc.property(fc.array(fc.double({ min: 0.1, max: 2000, noNaN: true }), { minLength: 1 }), (sizes) => {
      const { span, ratios } = binScale(sizes);
      sizes.forEach((s, i) => expect(s).toBeLessThanOrEqual(span * ratios[i]! * (1 + 1e-8)));
      expect(ratios.filter((r) => r === 1).length).toBeGreaterThanOrEqual(0.75 * sizes.length);
      expect(binScale([...sizes].reverse()).span).toBe(span);
      // Nothing is drawn smaller than it must be.
      sizes.forEach((s, i) => expect(ratios[i] === 1 || s > span * (ratios[i]! - 1) * (1 - 1e-8)).toBe(true));
    }),
  );
});
