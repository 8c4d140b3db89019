import type { Vec2, Vec3 } from '../geometry/vector.ts';
import { hull } from '../geometry/polygon.ts';
import type { MeasuredThing } from './measure.ts';
import { withSecond, type View } from './twoViews.ts';

const EYES: readonly Vec3[] = [
  [200, -50, 420],
  [95, 260, 425],
];
interface Body {
  readonly form: MeasuredThing['form'];
  readonly plan: readonly Vec2[];
  readonly height: number;
}
const disc = (x: number, y: number, across: number): Vec2[] =>
  Array.from({ length: 120 }, (_, i): Vec2 => [
    x + (across / 2) * Math.cos((i * Math.PI) / 60),
    y + (across / 2) * Math.sin((i * Math.PI) / 60),
  ]);
const box = (x: number, y: number, a: number, b: number): Vec2[] => [
  [x, y],
  [x + a, y],
  [x + a, y + b],
  [x, y + b],
];

/** What a camera sees of prisms: the hull of foot and top, the top as far out as its height has it. */
function seen(eye: Vec3, bodies: readonly Body[], paper = 'A4'): View & { sheet: never } {
  const things = bodies.map(({ plan, form }, i): MeasuredThing => {
    const k = eye[2] / (eye[2] - bodies[i]!.height);
    const top = plan.map(([x, y]): Vec2 => [eye[0] + k * (x - eye[0]), eye[1] + k * (y - eye[1])]);
    const shadow = hull([...plan, ...top]);
    return {
      outline: shadow,
      shadow,
      seen: [],
      x: 0,
      y: 0,
      long: 0,
      short: 0,
      area: 0,
      uncertainty: 0.1,
      form,
      roundness: 1,
      colour: '#aa2211',
      holes: [],
      height: null,
      heightFrom: null,
      nearest: [],
    };
  });
  return {
    camera: { x: eye[0], y: eye[1], above: eye[2], tilt: 20 },
    things,
    sheet: { paper, marks: [1, 2, 3, 4], scale: 1 } as never,
  };
}

const BODIES: readonly Body[] = [
  { form: 'disc', plan: disc(80, 120, 38), height: 14 },
  { form: 'rectangle', plan: box(150, 60, 60, 22), height: 31 },
  { form: 'disc', plan: disc(220, 150, 15), height: 3 },
  { form: 'other', plan: [...box(60, 40, 30, 8), [45, 66]], height: 2 },
];

describe('a second photo from another side', () => {
  it('tells how high each thing is, and its plan under that height, in whatever order they come', () => {
    const [first, second] = [seen(EYES[0]!, BODIES), seen(EYES[1]!, [...BODIES].reverse())];
    const found = withSecond(first, second, []);
    if (typeof found === 'string') throw new Error(found);
    expect(found.told).toEqual([0, 1, 2, 3]);
    found.things.forEach((t, i) => {
      expect(Math.abs(t.height! - BODIES[i]!.height)).toBeLessThan(0.5);
      expect(t.heightFrom).toBe('second');
    });
    expect(found.things[0]).toMatchObject({ form: 'disc' });
    expect(found.things[0]!.long).toBeCloseTo(38, 0);
    expect(found.things[1]!.long).toBeCloseTo(60, 0);
    expect(found.things[1]!.short).toBeCloseTo(22, 0);
    expect(Math.hypot(found.things[2]!.x - 220, found.things[2]!.y - 150)).toBeLessThan(0.5);
  });
  it('leaves as it was what it does not show', () => {
    const found = withSecond(seen(EYES[0]!, BODIES), seen(EYES[1]!, BODIES.slice(0, 2)), []);
    if (typeof found === 'string') throw new Error(found);
    expect(found.told).toEqual([0, 1]);
    expect(found.things[2]!.height).toBeNull();
  });
  it('is refused from the same side, of another sheet, or of other things', () => {
    const first = seen(EYES[0]!, BODIES);
    expect(withSecond(first, seen([210, -40, 420], BODIES), [])).toBe('same-side');
    expect(withSecond(first, seen(EYES[1]!, BODIES, 'A3'), [])).toBe('other-paper');
    expect(withSecond(first, seen(EYES[1]!, []), [])).toBe('nothing-alike');
    const elsewhere = BODIES.map((b) => ({ ...b, plan: b.plan.map(([x, y]): Vec2 => [290 - x, 200 - y]) }));
    expect(withSecond(first, seen(EYES[1]!, elsewhere.slice(2, 3)), [])).toBe('nothing-alike');
  });
});
