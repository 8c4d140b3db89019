import {
  area,
  extents,
  hull,
  isConvex,
  perimeter,
  rectangleOutline,
  selfCrossing,
  smallestRectangle,
  starOutline,
  tidy,
} from './polygon.ts';
import { distanceTo } from './distance.ts';
import { shape } from './shapeInput.ts';

describe('outlines', () => {
  const square = rectangleOutline(10, 10);
  it('measures a square', () => {
    expect(area(square)).toBe(100);
    expect(perimeter(square)).toBe(40);
    const distance = distanceTo(square);
    expect(distance(0, 0)).toBe(5);
    expect(distance(8, 0)).toBe(-3);
    expect(distance(8, 9)).toBe(-5);
  });

  it('knows convex from dented', () => {
    expect(isConvex(tidy(square))).toBe(true);
    expect(isConvex(tidy(starOutline(5, 40, 20)))).toBe(false);
    expect(hull(starOutline(5, 40, 20))).toHaveLength(5);
  });

  it('finds the smallest rectangle of a turned one', () => {
    const turned = rectangleOutline(30, 8).map(([x, y]) => [x * 0.8 - y * 0.6, x * 0.6 + y * 0.8] as const);
    const r = smallestRectangle(turned);
    expect(r.length).toBeCloseTo(30, 9);
    expect(r.width).toBeCloseTo(8, 9);
    expect(extents(turned, r.angle)[0]).toBeCloseTo(30, 9);
  });

  it.each([
    [
      'a bow tie',
      [
        [0, 0],
        [10, 10],
        [10, 0],
        [0, 10],
      ],
    ],
    [
      'a spike that folds back on itself',
      [
        [0, 0],
        [10, 0],
        [10, 10],
        [10, 3],
      ],
    ],
    [
      'a side laid along another',
      [
        [0, 0],
        [10, 0],
        [10, 5],
        [8, 5],
        [8, 0],
        [2, 0],
        [2, 5],
        [0, 5],
      ],
    ],
    [
      'a corner on another side',
      [
        [0, 0],
        [10, 0],
        [10, 10],
        [5, 0],
        [0, 10],
      ],
    ],
  ])('calls %s self-crossing', (_, outline) => {
    expect(selfCrossing(outline as [number, number][])).not.toBeNull();
  });

  it('lets simple outlines be', () => {
    expect(selfCrossing(square)).toBeNull();
    expect(selfCrossing(starOutline(7, 40, 15))).toBeNull();
  });
});

describe('shapes at the door', () => {
  const errors = (value: unknown): string[] => {
    const r = shape.safeParse(value);
    return r.success ? [] : r.error.issues.map((i) => `${i.path.join('.')}: ${i.message}`);
  };
  it.each([
    [{ kind: 'sphere', diameter: -1 }, /^diameter: must be more than 0/],
    [{ kind: 'sphere' }, /^diameter: is missing/],
    [{ kind: 'sphere', diameter: Number.NaN }, /^diameter: expected a size/],
    [{ kind: 'sphere', diameter: 1e9 }, /^diameter: must be at most 5000/],
    [{ kind: 'blob' }, /expected one of sphere/],
    [{ kind: 'ring', outerDiameter: 10, innerDiameter: 12, height: 2 }, /^innerDiameter: must be less/],
    [
      {
        kind: 'sheet',
        outline: [
          [0, 0],
          [1, 1],
        ],
        thickness: 1,
      },
      /^outline: needs at least 3/,
    ],
    [
      {
        kind: 'sheet',
        outline: [
          [0, 0],
          [10, 10],
          [10, 0],
          [0, 10],
        ],
        thickness: 1,
      },
      /^outline: crosses itself/,
    ],
    [
      { kind: 'sheet', outline: Array.from({ length: 10_000 }, (_, i) => [i, i % 7]), thickness: 1 },
      /^outline: may have at most 400/,
    ],
    [{ kind: 'box', length: 1, width: 2, height: 3, colour: 'red' }, /colour/],
  ])('refuses %#', (value, message) => {
    expect(errors(value).join('; ')).toMatch(message);
  });
});
