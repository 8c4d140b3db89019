import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import opentype from 'opentype.js';
import { area, perimeter, selfCrossing } from '../geometry/polygon.ts';
import { distanceTo } from '../geometry/distance.ts';
import type { Vec2 } from '../geometry/vector.ts';
import { evenly, lengthOf } from './along.ts';
import { dotsIn } from './dots.ts';
import { boxOf, inset, middleOf, outlineDial, sizedOutline } from './outline.ts';
import { SHAPE_IDS } from './shapes.ts';
import { pathPoints, thinned } from './svg.ts';

const square: Vec2[] = [
  [0, 0],
  [100, 0],
  [100, 100],
  [0, 100],
];

describe('outlines', () => {
  it.each(SHAPE_IDS)('%s is simple, as long as asked, and has room inside', (shape) => {
    const o = sizedOutline({ kind: 'shape', shape }, 150);
    const [x0, y0, x1, y1] = boxOf(o);
    expect(Math.max(x1 - x0, y1 - y0)).toBeCloseTo(150, 6);
    expect(selfCrossing(o)).toBeNull();
    expect(middleOf(o).radius).toBeGreaterThan(5);
  });

  it('letters and numerals are those of the shipped font', () => {
    const bytes = readFileSync(
      'node_modules/@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff',
    );
    const font = opentype.parse(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength));
    for (const letter of 'ABGQRSWXYZabegkmqwy0123456789') {
      const box = font.getPath(letter, 0, 0, 1000).getBoundingBox();
      const o = sizedOutline({ kind: 'letter', letter }, Math.max(box.x2 - box.x1, box.y2 - box.y1));
      const [x0, y0, x1, y1] = boxOf(o);
      // Of a letter in two parts only the larger is cut; these have one edge.
      expect([letter, Math.abs(x1 - x0 - (box.x2 - box.x1)) < 3]).toEqual([letter, true]);
      expect([letter, Math.abs(y1 - y0 - (box.y2 - box.y1)) < 3]).toEqual([letter, true]);
      expect(selfCrossing(o)).toBeNull();
    }
  });

  it('moves in by Clipper: a square of 100 keeps its corners, an outline too small is refused', () => {
    const inner = inset(square, 10);
    expect(area(inner)).toBeCloseTo(6400, 3);
    expect(inner).toHaveLength(4);
    expect(area(inset(square, -5))).toBeCloseTo(110 * 110, 3);
    expect(() => inset(square, 60)).toThrow(/nothing is left/);
  });

  it('refuses an own outline that crosses itself or encloses nothing', () => {
    const own = (points: number[][]) => outlineDial.safeParse({ kind: 'own', name: '', points });
    const bow = own([
      [0, 0],
      [10, 10],
      [10, 0],
      [0, 10],
    ]);
    expect(bow.error!.issues[0]!.message).toMatch(/crosses itself/);
    expect(
      own([
        [0, 0],
        [5, 0],
        [10, 0],
      ]).success,
    ).toBe(false);
    expect(
      own([
        [0, 0],
        [5, 0],
        [5, 5],
      ]).success,
    ).toBe(true);
  });
});

describe('points along a line', () => {
  it('lie at equal steps, as a walk in small steps finds them', () => {
    const outline = sizedOutline({ kind: 'shape', shape: 'heart' }, 120);
    const found = evenly(outline, 23, true);
    // A walk that only adds up small steps and stops at every twenty-third part.
    const step = perimeter(outline) / 23;
    let walked = 0;
    let next = 0;
    const walk: Vec2[] = [];
    outline.forEach((p, i) => {
      const q = outline[(i + 1) % outline.length]!;
      const long = Math.hypot(q[0] - p[0], q[1] - p[1]);
      const parts = 4000;
      for (let k = 0; k < parts; k++) {
        if (walked >= next - 1e-9 && walk.length < 23) {
          walk.push([p[0] + ((q[0] - p[0]) * k) / parts, p[1] + ((q[1] - p[1]) * k) / parts]);
          next += step;
        }
        walked += long / parts;
      }
    });
    found.forEach((p, i) => expect(Math.hypot(p[0] - walk[i]![0], p[1] - walk[i]![1])).toBeLessThan(0.01));
  });
  it('an open line has a point at either end', () => {
    const line: Vec2[] = [
      [0, 0],
      [30, 0],
      [30, 10],
    ];
    expect(evenly(line, 5, false)).toEqual([
      [0, 0],
      [10, 0],
      [20, 0],
      [30, 0],
      [30, 10],
    ]);
    expect(lengthOf(line, false)).toBe(40);
    expect(() => evenly(line, 1, false)).toThrow(expect.objectContaining({ path: 'count' }));
    expect(() => evenly([[1, 1]], 3, true)).toThrow(expect.objectContaining({ path: 'outline' }));
  });
});

describe('dots', () => {
  it('never come closer than their gap nor over the edge, whatever the outline', () => {
    const ask = fc.record({
      shape: fc.constantFrom(...SHAPE_IDS),
      dot: fc.integer({ min: 8, max: 40 }),
      gap: fc.integer({ min: 0, max: 12 }),
      count: fc.option(fc.integer({ min: 1, max: 12 }), { nil: undefined }),
    });
    fc.assert(
      fc.property(ask, ({ shape, dot, gap, count }) => {
        const outline = sizedOutline({ kind: 'shape', shape }, 160);
        const dots = dotsIn(outline, { dot, gap, ...(count === undefined ? {} : { count }) });
        if (count !== undefined) expect(dots.length).toBeLessThanOrEqual(count);
        const inside = distanceTo(outline);
        dots.forEach(([x, y], i) => {
          // A circle is drawn with 120 sides, which lie 0.03 mm inside it.
          expect(inside(x, y)).toBeGreaterThanOrEqual(dot / 2 - 0.1);
          for (const [u, v] of dots.slice(i + 1))
            expect(Math.hypot(x - u, y - v)).toBeGreaterThanOrEqual(dot + gap - 1e-3);
        });
      }),
      { numRuns: 60, seed: 8 },
    );
  });
  it('sixteen of 20 go into a square of 100 with 5 between, four by four', () => {
    expect(dotsIn(square, { dot: 20, gap: 5 })).toHaveLength(16);
    expect(dotsIn(square, { dot: 20, gap: 0 })).toHaveLength(25);
  });
});

describe('SVG paths', () => {
  it('are flattened with curves, arcs and transforms', () => {
    const circle = pathPoints('M-10 0a10 10 0 1 0 20 0a10 10 0 1 0 -20 0Z');
    expect(area(circle)).toBeCloseTo(Math.PI * 100, 0);
    expect(area(pathPoints('M0 0h10v10h-10z', 'scale(2 3) rotate(30)'))).toBeCloseTo(600, 6);
    expect(area(pathPoints('M0 0 L10 0 L10 10 z M2 2h30v30h-30z'))).toBeCloseTo(900, 6);
    expect(thinned(circle, 10)).toHaveLength(10);
  });
  it('that cannot be read, run off or enclose nothing are refused with a word', () => {
    expect(() => pathPoints('M0 0 L10 banana')).toThrow(/could not be read/);
    expect(() => pathPoints('M0 0 L1e999 0 L5 5 z')).toThrow(/too large/);
    expect(() => pathPoints('M0 0 L10 0')).toThrow(/encloses nothing/);
  });
});
