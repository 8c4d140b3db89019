import { area, boxOf, perimeter } from '../geometry/polygon.ts';
import { distanceTo } from '../geometry/distance.ts';
import type { Vec2 } from '../geometry/vector.ts';
import { evenly, lengthOf } from '../outline/along.ts';
import { dotsIn } from '../outline/dots.ts';
import { sizedHoles, sizedOutline, type OutlineDial } from '../outline/outline.ts';
import { loadPattern, type AnyAt } from '../patterns/index.ts';
import { usualMaterials } from '../patterns/usual.ts';
import { simplified, smoothed } from './ring.ts';
import { traced } from './trace.ts';

/** A leaf of 80 × about 40 with a hole of 14 in it, y up, as a photo has it: rough by up to a tenth of a millimetre. */
const rough = (ring: readonly Vec2[]): Vec2[] =>
  evenly(ring, Math.round(lengthOf(ring, true) / 0.4), true).map(([x, y], i): Vec2 => {
    const by = 0.1 * Math.sin(i * 2.1) * Math.cos(i * 0.7);
    return [x + by, -y + by];
  });
const leaf = sizedOutline({ kind: 'shape', shape: 'leaf' }, 80);
const hole = Array.from({ length: 60 }, (_, i): Vec2 => [
  7 * Math.cos((i * Math.PI) / 30),
  7 * Math.sin((i * Math.PI) / 30),
]);
const at = (
  ring: readonly Vec2[],
): { long: number; short: number; x: number; y: number; outline: Vec2[] } => ({
  long: 14,
  short: 14,
  x: 0,
  y: 0,
  outline: rough(ring),
});
const thing = { outline: smoothed(rough(leaf)), holes: [at(hole)] };
type Own = Extract<OutlineDial, { kind: 'own' }>;

describe('a ring that was seen', () => {
  it('is smoothed without losing size, and drawn with few points', () => {
    const seen = rough(leaf);
    const smooth = smoothed(seen);
    expect(Math.abs(area(smooth) / area(leaf) - 1)).toBeLessThan(0.004);
    // What made it rough is gone from its length.
    expect(perimeter(smooth)).toBeLessThan(perimeter(seen));
    expect(Math.abs(perimeter(smooth) / perimeter(leaf) - 1)).toBeLessThan(0.01);
    const few = simplified(smooth, 0.1, 200);
    expect(few.length).toBeLessThan(smooth.length / 2);
    const off = distanceTo(few);
    expect(Math.max(...smooth.map(([x, y]) => Math.abs(off(x, y))))).toBeLessThan(0.11);
    expect(simplified(smooth, 0.0001, 30).length).toBeLessThanOrEqual(30);
  });
});

describe('a thing becomes an outline of one’s own', () => {
  it('as it lay, at its size, with its hole', () => {
    const { outline, longest, left } = traced(thing, 'A leaf');
    expect(outline).toMatchObject({ kind: 'own', name: 'A leaf' });
    expect(longest).toBeCloseTo(80, 0);
    expect(left).toBe(0);
    // Right way up: where the photo goes up, a drawing goes down.
    const inside = distanceTo(leaf);
    const drawn = sizedOutline(outline, longest);
    expect(Math.max(...drawn.map(([x, y]) => Math.abs(inside(x, y))))).toBeLessThan(0.6);
    const [ring] = sizedHoles(outline, longest);
    const [x0, , x1] = boxOf(ring!);
    expect(x1 - x0).toBeCloseTo(14, 0);
  });
  it('for an opening larger all round, and without what would fall through', () => {
    const { outline, longest } = traced(thing, 'A leaf', 1.5);
    expect(longest).toBeGreaterThan(82);
    expect((outline as Own).holes).toBeUndefined();
    const wide = distanceTo(sizedOutline(outline, longest));
    const k = (longest - 80) / 2;
    expect(k).toBeGreaterThan(1);
    expect(Math.min(...leaf.map(([x, y]) => wide(x, y)))).toBeGreaterThan(0.9);
  });
  it('leaves holes that no blade goes round, and says how many', () => {
    const tiny = hole.map(([x, y]): Vec2 => [x * 0.2, y * 0.2]);
    const { outline, left } = traced({ ...thing, holes: [{ ...at(tiny), long: 2.8, short: 2.8 }] }, 'A leaf');
    expect((outline as Own).holes).toBeUndefined();
    expect(left).toBe(1);
  });
});

describe('what is open inside an outline', () => {
  const { outline, longest } = traced(thing, 'A leaf');
  const setting = async (
    id: string,
    dials: object,
  ): Promise<{ at: AnyAt; p: Awaited<ReturnType<typeof loadPattern>> }> => {
    const p = await loadPattern(id);
    const start = { approach: 'prepared shelf' as const, ageFrom: 48, chosen: usualMaterials(p.roles) };
    return { p, at: { ...start, dials: { ...p.defaults(start), ...dials } } };
  };
  it('takes no dots', () => {
    const edge = sizedOutline(outline, longest);
    const holes = sizedHoles(outline, longest);
    const dots = dotsIn(edge, { dot: 5, gap: 1, holes });
    const apart = distanceTo(holes[0]!);
    expect(dots.length).toBeGreaterThan(20);
    expect(dots.length).toBeLessThan(dotsIn(edge, { dot: 5, gap: 1 }).length);
    expect(Math.max(...dots.map(([x, y]) => apart(x, y)))).toBeLessThanOrEqual(-2.5 + 1e-6);
  });
  it('is cut out of a lacing card in a step of its own, and keeps its distance from the punched holes', async () => {
    const { p, at: wide } = await setting('lace', { outline, longest: 200, holes: 8, edge: 12 });
    expect(p.steps({ ...wide, kits: 1 }).map((s) => s.id)).toContain('open');
    expect(p.fit(wide).verdict).not.toBe('stop');
    const { at: narrow } = await setting('lace', { outline, longest: 80, holes: 4, edge: 12 });
    expect(p.fit(narrow)).toMatchObject({ verdict: 'stop', headline: 'Too near the cut-out' });
    const cuts = p.draw(wide).sheets[0]!.marks.filter((m) => m.kind === 'outline' && m.role === 'cut');
    expect(cuts).toHaveLength(2);
  });
  it('is traced in glue as the outline is', async () => {
    const { p, at: closed } = await setting('trace-and-pull', {
      outline: { ...outline, holes: [] },
      ribs: false,
      longest,
    });
    const { at: open } = await setting('trace-and-pull', { outline, ribs: false, longest });
    const glue = (a: AnyAt): number => Number(p.fit(a).facts.find((f) => f.id === 'glue')!.value);
    expect(glue(open)).toBeGreaterThan(glue(closed));
  });
});

it('an opening of a thing’s own outline lets the thing through, and a larger one not', async () => {
  const p = await loadPattern('drop-through');
  const start = { approach: 'prepared shelf' as const, ageFrom: 48, chosen: usualMaterials(p.roles) };
  const own = p.defaults(start);
  // The outline of the usual piece itself, a cap of 38, and of one of 30.
  const opening = (across: number, around: number) => {
    const ring = hole.map(([x, y]): Vec2 => [(x * across) / 14, (y * across) / 14]);
    const { outline, longest } = traced({ outline: ring, holes: [] }, 'A cap', around);
    return p.fit({ ...start, dials: { ...own, cover: 'lid', opening: 'outline', outline, length: longest } });
  };
  const cap = opening(38, 1.5);
  expect(cap).toMatchObject({ verdict: 'clear' });
  expect(Number(cap.facts.find((f) => f.id === 'gapAcross')!.value)).toBeGreaterThan(2.5);
  expect(opening(12, 0)).toMatchObject({ verdict: 'stop', headline: 'Does not go through' });
});
