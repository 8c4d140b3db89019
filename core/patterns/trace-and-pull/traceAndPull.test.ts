import { design, material, rod } from '../../testing.ts';
import { SHAPE_IDS } from '../../outline/shapes.ts';
import { loadPattern, type AnyAt, type Chosen, type OpenPattern } from '../index.ts';
import { usualMaterials } from '../usual.ts';
import type { Dials } from './dials.ts';
import { glueFor } from './fit.ts';
import { strandsOf } from './strands.ts';

let trace: OpenPattern;
beforeAll(async () => {
  trace = await loadPattern('trace-and-pull');
});
const of = (part: Partial<Dials>, chosen: Chosen = {}): AnyAt => {
  const all = { ...usualMaterials(trace.roles), ...chosen };
  const dials = { ...trace.defaults({ approach: 'graded play', ageFrom: 48, chosen: all }), ...part };
  return design(dials, all, { ageFrom: 48 });
};
const fact = (at: AnyAt, id: string): unknown => trace.fit(at).facts.find((f) => f.id === id)?.value;
const SQUARE = { kind: 'shape', shape: 'square' } as const;

it('glue is the path times half an ellipse: 400 of 5 × 2.5 take 3.9 ml', () => {
  expect(glueFor(400, 5, 2.5)).toBeCloseTo((400 * Math.PI * 5 * 2.5) / 4000, 9);
  const at = of({ outline: SQUARE, longest: 100, ribs: false, line: 5, high: 2.5 });
  expect(fact(at, 'path')).toBe(400);
  expect(fact(at, 'glue')).toBe(3.9);
  expect(fact(of({ bottle: 50 }), 'bottles')).toBe(Math.ceil((fact(of({}), 'glue') as number) / 50));
});

it('dries by its height at the hours that are assumed, and stands half as high', () => {
  expect(fact(of({ high: 2.5, dries: 12 }), 'dryFor')).toBe(30);
  expect(fact(of({ high: 2.5 }), 'dryHigh')).toBe(1.25);
  expect(trace.steps(of({ high: 2.5, dries: 12 })).find((s) => s.id === 'mend')!.drying).toBe(30 * 60);
});

it.each(SHAPE_IDS)('no strand of a %s is longer than 60 without a crossing', (shape) => {
  for (const long of [80, 140, 180]) {
    const s = strandsOf({ kind: 'shape', shape }, long, true);
    expect(s.longest).toBeLessThanOrEqual(60.5);
    expect(s.path).toBeGreaterThan(strandsOf({ kind: 'shape', shape }, long, false).path);
  }
});

it('a thinner line than 4 breaks; without strands across a large one tears', () => {
  expect(trace.fit(of({ line: 3.5 })).headline).toBe('A line this thin breaks');
  expect(trace.fit(of({ line: 4 })).verdict).toBe('clear');
  expect(trace.fit(of({ ribs: false })).headline).toBe('A long strand without a crossing');
});

describe('the cord', () => {
  const float = (id: number, mass: number) =>
    material(id, {
      name: `Float ${id}`,
      form: 'piece',
      solid: 'block',
      sizes: { length: 50, width: 20, height: 20 },
      mass,
    });
  const peg = [rod(9, 'Peg', 20, 100)];
  it('lets one end touch down while the other is up, with half the peg and two knots', () => {
    const at = of({ peg: 400, lift: 124 }, { peg, end: [float(7, 20)] });
    // Down one side 400 − 50, up the other 400 − 124 − 50, π · 20 / 2 over the peg, two knots of 60.
    expect(fact(at, 'cord')).toBe(Math.round(350 + 226 + 10 * Math.PI + 120));
    expect(trace.needs(at).find((n) => n.role === 'cord')!.quantity).toBe(
      Math.ceil(350 + 226 + 10 * Math.PI + 120),
    );
    // Any less and it would not: the ends’ heights over the ground add up to the lift and no more.
    expect(trace.fit(of({ peg: 200, lift: 160 }, { peg, end: [float(7, 20)] })).headline).toBe(
      'It would be pulled into the peg',
    );
  });
  it('ends of unlike weight run away', () => {
    const ends = (a: number, b: number) =>
      trace.fit(of({ peg: 400, lift: 124 }, { peg, end: [float(7, a), float(8, b)] })).headline;
    expect(ends(20, 28)).toBe('Peels in one piece, and lifts');
    expect(ends(20, 32)).toBe('The heavier end runs away');
  });
  it('is told to the check, and taken down after use', () => {
    const at = of({});
    expect(trace.features(at)).toContainEqual(
      expect.objectContaining({ kind: 'cord', free: fact(at, 'cord') }),
    );
    expect(trace.steps(at).find((s) => s.id === 'hang')!.words).toContain('taken down after use');
  });
});
