import { ellipsePerimeter } from '../../geometry/ellipse.ts';
import { lengthOf } from '../../outline/along.ts';
import { design, material } from '../../testing.ts';
import { loadPattern, type AnyAt, type Chosen, type OpenPattern } from '../index.ts';
import { usualMaterials } from '../usual.ts';
import { besideLine, courseOf, layPieces } from './course.ts';
import type { Dials } from './dials.ts';

let track: OpenPattern;
beforeAll(async () => {
  track = await loadPattern('track');
});
const straw = material(2, {
  name: 'Straw',
  form: 'tube',
  sizes: { diameter: 6, length: 195, wall: 0.4 },
  materialClass: 'paper',
});
const of = (part: Partial<Dials>, chosen: Chosen = {}): AnyAt => {
  const all = { ...usualMaterials(track.roles), barrier: [straw], ...chosen };
  return design(
    { ...track.defaults({ approach: 'prepared shelf', ageFrom: 48, chosen: all }), ...part },
    all,
  );
};
const fact = (at: AnyAt, id: string): unknown => track.fit(at).facts.find((f) => f.id === id)?.value;
const { cos, PI, sin } = Math;
const circle = (r: number) =>
  Array.from({ length: 720 }, (_, i) => [r * cos((i * PI) / 360), r * sin((i * PI) / 360)] as const);

describe('straight pieces along a curve', () => {
  it('round a circle: as many chords as its angle holds, the sagitta beside it, the rest left open', () => {
    // A chord of 65 on a radius of 100 takes 2 asin(0.325) = 37.93°: nine go round, 18.6° are left.
    const laid = layPieces(circle(100), 65, true);
    const angle = 2 * Math.asin(0.325);
    expect(laid.ends).toHaveLength(Math.floor((2 * PI) / angle));
    expect(laid.error).toBeCloseTo(100 * (1 - cos(angle / 2)), 1);
    expect(laid.gap).toBeCloseTo(200 * sin((2 * PI - 9 * angle) / 2), 0);
    for (const [[ax, ay], [bx, by]] of laid.ends) expect(Math.hypot(bx - ax, by - ay)).toBeCloseTo(65, 3);
  });
  it('along a straight line they are its length over theirs', () => {
    expect(
      layPieces(
        [
          [0, 0],
          [200, 0],
        ],
        40,
        false,
      ),
    ).toMatchObject({ gap: expect.closeTo(0, 3), error: expect.closeTo(0, 6) });
    expect(
      layPieces(
        [
          [0, 0],
          [200, 0],
        ],
        60,
        false,
      ).ends,
    ).toHaveLength(3);
  });
});

describe('an oval', () => {
  it('has the ellipses’ lengths, one lane and a barrier apart at its ends and sides', () => {
    const at = of({ course: 'oval', length: 350, width: 260, lane: 36 });
    expect(fact(at, 'outer')).toBeCloseTo(ellipsePerimeter(350, 260), 1);
    // The straws' middles are the lane and a straw's thickness apart.
    expect(fact(at, 'inner')).toBeCloseTo(ellipsePerimeter(350 - 84, 260 - 84), 1);
    expect(fact(at, 'lane')).toBe(36);
  });
  it('takes whole straws in three and five parts for both barriers', () => {
    const at = of({ course: 'oval', length: 350, width: 260, lane: 36, piece: 65, innerPiece: 39 });
    const cuts = track.plan(at).cuts;
    expect(fact(at, 'barriers')).toBe(cuts.reduce((n, c) => n + c.count, 0));
    // 195 gives three of 65 or five of 39: no plan takes fewer than the length of all, and this one is that.
    const [outer, inner] = cuts.map((c) => c.count) as [number, number];
    expect(fact(at, 'straws')).toBe(track.needs(at).find((n) => n.materialId === 2)!.quantity);
    expect(fact(at, 'straws')).toBeGreaterThanOrEqual(Math.ceil((outer * 65 + inner * 39) / 195));
    expect(fact(at, 'straws')).toBeLessThanOrEqual(Math.ceil(outer / 3) + Math.ceil(inner / 5));
  });
  it('lies on the board with 10 to spare', () => {
    const board = material(3, {
      name: 'Board',
      form: 'sheet',
      sizes: { length: 400, width: 300, wall: 3 },
      materialClass: 'card',
    });
    const verdict = (length: number) =>
      track.fit(of({ course: 'oval', length, width: 270 }, { board: [board] })).headline;
    expect(verdict(374)).not.toBe('Larger than the board');
    expect(verdict(376)).toBe('Larger than the board');
  });
});

it('a lane is what runs and some room; the steering index is the way over what is left', () => {
  const at = (lane: number) =>
    of({ course: 'ring', length: 260, width: 260, lane, piece: 47, innerPiece: 39 });
  // The cork is 24 across.
  expect(track.fit(at(24)).verdict).toBe('stop');
  expect(track.fit(at(27)).headline).toBe('Hardly any room to steer');
  expect(track.fit(at(36))).toMatchObject({ verdict: 'clear', remedy: null });
  const middle = fact(at(36), 'middle') as number;
  expect(middle).toBe(Math.round(PI * (260 - 42)));
  expect(fact(at(36), 'steeringIndex')).toBeCloseTo(middle / 12, 0);
  expect(fact(of({ course: 'ring', length: 260, width: 260, lane: 36, speed: 200 }), 'laps')).toBeCloseTo(
    (200 * 30) / middle,
    0,
  );
});

it('a zigzag’s edges lie half a lane to either side of its legs', () => {
  const line = [
    [0, 0],
    [100, 0],
    [100, 100],
  ] as const;
  const edge = besideLine(line, 10);
  expect(edge.map((p) => p.map((v) => Math.round(v * 1e6) / 1e6))).toEqual([
    [0, 10],
    [90, 10],
    [90, 100],
  ]);
  const c = courseOf({
    course: 'zigzag',
    length: 300,
    width: 200,
    apart: 40,
    bends: 2,
    outline: { kind: 'shape', shape: 'circle' },
  })!;
  expect(c.closed).toBe(false);
  expect(c.turns).toBe(3);
  // Nothing stands over the size that was asked for, sharp corners included.
  const all = [...c.outer, ...c.inner];
  expect(Math.max(...all.map((p) => p[1])) - Math.min(...all.map((p) => p[1]))).toBeLessThanOrEqual(200.5);
  const [a, b] = c.middle as [[number, number], [number, number]];
  expect(lengthOf(c.middle, false)).toBeCloseTo(3 * Math.hypot(b[0] - a[0], b[1] - a[1]), 6);
});

it('nothing left inside is a verdict, whatever the path', () => {
  for (const course of ['oval', 'ring', 'own', 'wave', 'zigzag'] as const)
    expect(track.fit(of({ course, length: 80, width: 40, lane: 60 })).verdict).toBe('stop');
});

it('a cord is measured along both lines, and taped by the child', () => {
  const cord = material(4, {
    name: 'Cord',
    form: 'cord',
    sizes: { diameter: 4 },
    unit: 'mm',
    kept: 9000,
    materialClass: 'fabric',
  });
  const at = of({ course: 'ring', length: 260, width: 260, lane: 36 }, { barrier: [cord] });
  const long = PI * 260 + PI * (260 - 2 * 40);
  expect(track.needs(at).find((n) => n.materialId === 4)!.quantity).toBe(Math.ceil(long));
  expect(track.steps(at).find((s) => s.id === 'tape')).toMatchObject({ who: 'child' });
  // Straws take two bits of tape each, of 40 mm.
  const pieces = fact(of({}), 'barriers') as number;
  expect(track.needs(of({})).find((n) => n.role === 'tape')!.quantity).toBe(pieces * 2 * 40);
});
