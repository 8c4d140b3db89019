import { distanceTo } from '../geometry/distance.ts';
import { rectangleOutline, starOutline } from '../geometry/polygon.ts';
import type { Vec2 } from '../geometry/index.ts';
import { bestLie } from './dented.ts';
import { starDistance } from './starDistance.ts';
import { starTurns } from './starTurns.ts';

describe('a star’s mirrors', () => {
  it.each([3, 4, 5, 6, 7, 8, 11, 12])(
    'give the distance that asking all %d points’ sides gives',
    (points) => {
      const quick = starDistance(points, 80, 30);
      const every = distanceTo(starOutline(points, 80, 30));
      for (let x = -60; x <= 60; x += 3.7)
        for (let y = -60; y <= 60; y += 4.1) expect(quick(x, y)).toBeCloseTo(every(x, y), 9);
    },
  );

  const odd: Vec2[] = [
    [30, -4],
    [24, 11],
    [-8, 9],
    [-26, -2],
  ];
  const arrow: Vec2[] = [
    [28, 0],
    [-14, 9],
    [-14, -9],
  ];
  const upright: Vec2[] = arrow.map(([x, y]) => [-y, x]);
  it.each([
    ['a bar', rectangleOutline(44, 12)],
    ['an arrow along x', arrow],
    ['an arrow along y', upright],
    ['nothing of its own', odd],
  ])('leave out no turn at which %s would lie better', (_, shadow) => {
    for (const points of [4, 5, 6]) {
      const edge = starOutline(points, 80, 30);
      const all = bestLie(edge, shadow, { span: 2 * Math.PI }, 0.02);
      const few = bestLie(edge, shadow, starTurns(points, shadow), 0.02);
      expect(few.low).toBeGreaterThan(all.low - 0.02);
      expect(few.low).toBeLessThan(all.high + 0.02);
    }
  });

  it('halve the turns twice for a bar in five points, not at all for an odd shape', () => {
    expect(starTurns(5, rectangleOutline(44, 12)).span).toBeCloseTo(Math.PI / 10, 12);
    expect(starTurns(5, odd).span).toBeCloseTo((2 * Math.PI) / 5, 12);
    expect(starTurns(4, arrow).span).toBeCloseTo(Math.PI / 4, 12);
  });

  it('a search with something to beat stops early and says no more than it knows', () => {
    const edge = starOutline(5, 60, 24);
    const bar = rectangleOutline(70, 20);
    const whole = bestLie(edge, bar, { span: 2 * Math.PI }, 0.02);
    const cut = bestLie(edge, bar, { span: 2 * Math.PI, atLeast: whole.low + 1 }, 0.02);
    expect(cut.low).toBeLessThanOrEqual(whole.low + 0.02);
    expect(cut.high).toBeGreaterThanOrEqual(whole.low - 0.02);
    expect(cut.high).toBeLessThanOrEqual(whole.low + 1 + 1e-9);
  });
});
