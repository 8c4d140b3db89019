import { attitudesOf, shadowOutline } from './attitudes.ts';
import { bestLie } from './dented.ts';
import { containerOf, opening, outlineOf, reachOf, widestRod } from './opening.ts';
import { area, rectangleOutline, starOutline } from '../geometry/polygon.ts';
import type { Shape } from '../geometry/shape.ts';

describe('openings', () => {
  it('know the thickest rod that goes in', () => {
    expect(widestRod({ kind: 'round', diameter: 12 })).toBe(12);
    expect(widestRod({ kind: 'slot', length: 40, width: 9 })).toBe(9);
    // The largest circle in a 3-4-5 triangle has radius (a + b − c) / 2 = 1.
    expect(
      widestRod({
        kind: 'polygon',
        outline: [
          [0, 0],
          [4, 0],
          [0, 3],
        ],
      }),
    ).toBeCloseTo(2, 4);
    expect(widestRod({ kind: 'star', points: 6, outerDiameter: 60, innerDiameter: 30 })).toBeCloseTo(30, 1);
  });
  it('know their own length and width', () => {
    expect(reachOf({ kind: 'slot', length: 42, width: 17 })).toMatchObject({ length: 42, width: 17 });
    expect(reachOf({ kind: 'round', diameter: 30 })).toMatchObject({ length: 30, width: 30 });
    const turned = reachOf({
      kind: 'polygon',
      outline: [
        [0, 0],
        [0, 50],
        [20, 50],
        [20, 0],
      ],
    });
    expect(turned.length).toBeCloseTo(50, 9);
    expect(turned.width).toBeCloseTo(20, 9);
  });
  it('are convex containers or not', () => {
    expect(containerOf({ kind: 'slot', length: 42, width: 17 })?.flats).toHaveLength(4);
    expect(containerOf({ kind: 'round', diameter: 30 })?.wallRadius).toBe(15);
    expect(containerOf({ kind: 'star', points: 5, outerDiameter: 60, innerDiameter: 30 })).toBeNull();
    // A star whose inner corners reach its sides is a pentagon with its corners cut in no way.
    expect(outlineOf({ kind: 'round', diameter: 3 })).toBeNull();
  });
  it.each([
    [{ kind: 'slot', length: 10 }, 'width'],
    [{ kind: 'star', points: 5.5, outerDiameter: 10, innerDiameter: 4 }, 'points'],
    [{ kind: 'star', points: 5, outerDiameter: 10, innerDiameter: 14 }, 'innerDiameter'],
    [{ kind: 'polygon', outline: 'round' }, 'outline'],
    [{ kind: 'hatch' }, 'kind'],
  ])('refuse %j at the door', (value, path) => {
    const r = opening.safeParse(value);
    expect(r.success).toBe(false);
    expect(r.error!.issues[0]!.path.join('.')).toBe(path);
  });
});

describe('ways to hold a piece', () => {
  const names = (s: Shape): string[] => attitudesOf(s).map((a) => a.name);
  it('are named as a hand would', () => {
    expect(names({ kind: 'cylinder', diameter: 38, length: 14 })).toEqual(['flat', 'on its edge']);
    expect(names({ kind: 'cylinder', diameter: 10, length: 60 })).toEqual(['on end', 'on its side']);
    expect(names({ kind: 'box', length: 50, width: 25, height: 10 })).toEqual([
      'flat',
      'on end',
      'on its edge',
    ]);
    expect(names({ kind: 'sphere', diameter: 9 })).toEqual(['any way']);
    expect(
      names({
        kind: 'sheet',
        outline: [
          [0, 0],
          [40, 0],
          [40, 20],
          [0, 20],
        ],
        thickness: 3,
      }),
    ).toEqual(['flat', 'on end', 'on its edge']);
  });
  it('have the shadows that go with them', () => {
    const areas = (s: Shape): number[] =>
      attitudesOf(s).map((a) => Math.round(area(shadowOutline(s, a).outline)));
    expect(areas({ kind: 'box', length: 50, width: 25, height: 10 })).toEqual([1250, 250, 500]);
    expect(areas({ kind: 'cylinder', diameter: 20, length: 30 })).toEqual([314, 600]);
    expect(areas({ kind: 'ellipsoid', length: 40, width: 20, height: 10 })).toEqual([628, 157, 314]);
  });
  it('keep a sheet’s dents when it lies flat', () => {
    const star: Shape = {
      kind: 'sheet',
      outline: starOutline(5, 40, 18).map(([x, y]) => [x, y]),
      thickness: 4,
    };
    const flat = shadowOutline(star, attitudesOf(star)[0]!);
    expect(flat.outline).toHaveLength(10);
    expect(flat.slack).toBe(0);
  });
});

describe('an outline inside another', () => {
  it('lies in the middle of a square', () => {
    const lie = bestLie(rectangleOutline(30, 30), rectangleOutline(20, 10), { span: 2 * Math.PI }, 0.01);
    expect(lie.low).toBeCloseTo(5, 1);
    expect(lie.high).toBeGreaterThanOrEqual(lie.low);
  });
  it('turns to find its place', () => {
    const turned = rectangleOutline(40, 12).map(([x, y]) => [x * 0.6 - y * 0.8, x * 0.8 + y * 0.6] as const);
    expect(bestLie(turned, rectangleOutline(38, 10), { span: 2 * Math.PI }, 0.01).low).toBeCloseTo(1, 1);
  });
  it('says how far it stands out', () => {
    expect(
      bestLie(rectangleOutline(30, 30), rectangleOutline(34, 10), { span: Math.PI }, 0.01).low,
    ).toBeGreaterThan(-2.05);
    expect(
      bestLie(rectangleOutline(30, 12), rectangleOutline(34, 11), { span: 0.001 }, 0.01).low,
    ).toBeCloseTo(-2, 1);
  });
  it('does not jump over a slot that parts the opening', () => {
    // Two rooms joined by a bridge below: a bar across both would cross the wall between them.
    const u: [number, number][] = [
      [0, 0],
      [30, 0],
      [30, 40],
      [17, 40],
      [17, 4],
      [13, 4],
      [13, 40],
      [0, 40],
    ];
    const bar = rectangleOutline(26, 6);
    const lie = bestLie(u, bar, { span: Math.PI }, 0.01);
    // Upright in one room it has 13 mm of width: 3.5 to each side.
    expect(lie.low).toBeCloseTo(3.5, 1);
    expect(Math.abs(Math.sin(lie.angle))).toBeGreaterThan(0.9);
  });
});
