import { cardSheet, design, kinds, material, rod } from '../../testing.ts';
import { loadPattern, type AnyAt, type OpenPattern } from '../index.ts';
import type { Dials } from './schema.ts';
import { mostRounds, rowAt, stemAt, stemsOf, wound } from './thread.ts';

const WOOL = material(2, {
  name: 'Wool',
  form: 'cord',
  sizes: { diameter: 3 },
  unit: 'mm',
  kept: 50_000,
  materialClass: 'fabric',
});

const STICK = rod(1, 'Stick', 6, 200);
const CARD = cardSheet(3);
const GRASS = rod(4, 'Grass stem', 2, 180);

const CHOSEN = kinds({ stick: STICK, card: CARD, thread: WOOL });
let weave: OpenPattern;
beforeAll(async () => {
  weave = await loadPattern('weave');
});
const start = { approach: 'prepared shelf', chosen: CHOSEN, ageFrom: 60 } as const;
const dialsOf = (part: Partial<Dials>): Dials => ({
  ...(weave.defaults(start) as unknown as Dials),
  sticks: 3,
  arm: 100,
  first: 10,
  spacing: 8,
  rounds: 5,
  wraps: 1,
  frame: 'star',
  ...part,
});
const of = (part: Partial<Dials>, chosen = CHOSEN): AnyAt => design(dialsOf(part), chosen, { ageFrom: 60 });
const headline = (at: AnyAt): string => weave.fit(at).headline;
const { PI, SQRT2, hypot } = Math;
const ROUND = { kind: 'round', diameter: 6 } as const;

describe('how much goes on', () => {
  it('a spiral ends its last span 10 before the tips, rings begin one further in', () => {
    // (100 − 10 − 10) / 8 = 10 rounds out from the first crossing.
    expect(mostRounds(dialsOf({ course: 'spiral' }))).toBe(10);
    expect(mostRounds(dialsOf({ course: 'rings' }))).toBe(11);
    expect(headline(of({ course: 'rings', rounds: 11 }))).toBe('Looks full');
    expect(weave.fit(of({ course: 'rings', rounds: 12 }))).toMatchObject({
      verdict: 'stop',
      remedy: 'At most 11 end before the tips.',
    });
  });
  it('fewer than three look bare, and threads have their own thickness', () => {
    expect(weave.fit(of({ rounds: 2 }))).toMatchObject({ verdict: 'care', headline: 'Looks bare' });
    expect(weave.fit(of({ rounds: 3 })).verdict).toBe('clear');
    expect(headline(of({ spacing: 2 }))).toBe('The rounds lie on each other');
    expect(headline(of({ wraps: 0 }))).toBe('Slips along the arms');
  });
  it('arms are at most half a stick, a loom at most its card', () => {
    expect(headline(of({ arm: 100.5 }))).toBe('Looks full');
    expect(headline(of({ arm: 110 }))).toBe('The arms are longer than the stick');
    expect(headline(of({ frame: 'loom', slots: 21, pitch: 10, height: 150, rounds: 9 }))).toBe(
      'Larger than the card',
    );
    expect(headline(of({ frame: 'loom', slots: 9, pitch: 10, height: 150, rounds: 9 }))).toBe('Looks full');
  });
  it('a loom takes an odd number of slots', () => {
    expect(headline(of({ frame: 'loom', slots: 8, height: 150, rounds: 9 }))).toBe('An even number of slots');
  });
  it('says what is missing to wind on', () => {
    expect(headline(of({}, kinds({ thread: WOOL })))).toBe('No stick to wind on');
    expect(headline(of({ frame: 'loom', height: 150 }, kinds({ thread: WOOL, stick: STICK })))).toBe(
      'No card for the loom',
    );
  });
});

describe('the thread', () => {
  const ends = 60 + 60 + 150;
  it('of a twig: rows by the angle, up along the arm, and round it at every crossing', () => {
    // At 90° a row so far from the fork is that times √2.
    const d = dialsOf({ frame: 'twig', angle: 90, first: 20, spacing: 10, rounds: 3, wraps: 2 });
    expect(rowAt(d, 20)).toBeCloseTo(20 * SQRT2, 9);
    const { thread, crossings } = wound(d, ROUND, 3);
    expect(crossings).toBe(4);
    expect(thread).toBeCloseTo((20 + 30 + 40) * SQRT2 + 2 * 10 + 4 * 2 * 6 * PI + ends, 9);
  });
  it('of a loom: strings and what passes behind, then rows over and under', () => {
    const d = dialsOf({ frame: 'loom', slots: 5, pitch: 10, height: 120, spacing: 5, rounds: 4 });
    const { thread, crossings } = wound(d, ROUND, 3);
    expect(crossings).toBe(20);
    expect(thread).toBeCloseTo(5 * 100 + 4 * 10 + 4 * 4 * hypot(10, 6) + 3 * 5 + ends, 9);
  });
  it('is measured off the roll for each kit, and grows with rounds, wraps and arms', () => {
    const need = (part: Partial<Dials>): number =>
      weave.needs(of(part)).find((n) => n.materialId === WOOL.id)!.quantity;
    expect(need({ rounds: 6 })).toBeGreaterThan(need({ rounds: 5 }));
    expect(need({ wraps: 2 }) - need({ wraps: 1 })).toBeCloseTo(6 * 5 * 6 * PI, -1);
    expect(need({ sticks: 4 })).toBeGreaterThan(need({ sticks: 3 }));
  });
});

describe('stems in a twig', () => {
  const twig = { frame: 'twig', angle: 60, first: 20, spacing: 10, rounds: 6, stems: 3 } as const;
  it('are as long as the rows are high at their place, and 20 to stand out', () => {
    const d = dialsOf(twig);
    // In the middle from the first row to the last, 50 along arms that stand 30° off the axis.
    expect(stemAt(d, 0)).toBeCloseTo(50 * Math.cos(PI / 6) + 20, 9);
    const [left, middle, right] = stemsOf(d) as [number, number, number];
    expect(middle).toBeCloseTo(0, 9);
    expect(stemAt(d, left)).toBeCloseTo(stemAt(d, right), 9);
    expect(stemAt(d, left)).toBeLessThan(stemAt(d, middle));
  });
  it('are needed, woven in by the child, and drawn', () => {
    const at = of(twig, kinds({ stick: STICK, thread: WOOL, woven: GRASS }));
    expect(weave.needs(at)).toContainEqual(expect.objectContaining({ materialId: GRASS.id, quantity: 3 }));
    // A ribbon off the roll gives the three lengths.
    const ribbon = { ...WOOL, id: 9, name: 'Ribbon' };
    const rolled = weave.needs(of(twig, kinds({ stick: STICK, thread: WOOL, woven: ribbon })));
    const d = dialsOf(twig);
    const long = stemsOf(d).reduce((n, x) => n + stemAt(d, x), 0);
    expect(rolled.find((n) => n.materialId === 9)!.quantity).toBe(Math.ceil(long));
    expect(weave.steps(at).find((s) => s.id === 'stems')).toMatchObject({ who: 'child' });
    const marks = (stems: number): number => weave.draw(of({ ...twig, stems })).scene.marks.length;
    expect(marks(3)).toBeGreaterThan(marks(0));
  });
});

describe('the ladder', () => {
  it.each([
    ['star', {}],
    ['twig', { frame: 'twig', first: 25 }],
    ['loom', { frame: 'loom', height: 150 }],
  ] as [string, Partial<Dials>][])('of a %s climbs on the same frame, and each level holds', (_, part) => {
    const at = of({ ...part, rounds: 4 });
    const levels = weave.levels(at);
    expect(levels.length).toBeGreaterThanOrEqual(4);
    for (const r of levels) {
      expect(r.fit.verdict).not.toBe('stop');
      expect(r.dials).toMatchObject({ frame: (at.dials as Dials).frame });
    }
    const bits = levels.map((r) => r.load.total);
    expect(bits).toEqual([...bits].sort((a, b) => a - b));
    expect(bits.at(-1)!).toBeGreaterThan(bits[0]!);
  });
  it('a turn more round each arm asks for more, a wider gap for less', () => {
    const bits = (part: Partial<Dials>): number => {
      const at = of(part);
      return weave.bits(at, weave.fit(at))!;
    };
    expect(bits({ wraps: 2 })).toBeGreaterThan(bits({ wraps: 1 }));
    expect(bits({ sticks: 4 })).toBeGreaterThan(bits({ sticks: 2 }));
  });
});

describe('what is made', () => {
  it('sticks that are long enough are used whole, shorter arms are sawn by an adult', () => {
    const stepIds = (at: AnyAt) => weave.steps(at).map((s) => s.id);
    const whole = of({ arm: 100 });
    expect(stepIds(whole)).not.toContain('saw');
    expect(weave.needs(whole)).toContainEqual(expect.objectContaining({ materialId: STICK.id, quantity: 3 }));
    const sawn = of({ arm: 50 });
    expect(weave.steps(sawn).find((s) => s.id === 'saw')).toMatchObject({ who: 'adult', blade: true });
    // Two lengths of 100 do not come out of 200 with a saw between them.
    expect(weave.needs(sawn)).toContainEqual(expect.objectContaining({ materialId: STICK.id, quantity: 3 }));
    expect(weave.needs(of({ arm: 49 }))).toContainEqual(
      expect.objectContaining({ materialId: STICK.id, quantity: 2 }),
    );
  });
  it('a loom is printed with a slit for each slot at either end; a twig has nothing to print', () => {
    const [sheet] = weave.draw(of({ frame: 'loom', slots: 9, height: 150 })).sheets;
    expect(sheet!.marks.filter((m) => m.kind === 'line' && m.role === 'slit')).toHaveLength(18);
    expect(weave.draw(of({ frame: 'twig' })).sheets).toEqual([]);
  });
  it('tells the check of the thread that hangs free, the hanger and the ends', () => {
    const features = weave.features(of({ free: 250 }));
    // All of the thread, on the bobbin too, not what hangs free of it.
    expect(features).toContainEqual(
      expect.objectContaining({ kind: 'cord', name: 'Wool while it is worked', free: 1737 }),
    );
    expect(features).toContainEqual(expect.objectContaining({ kind: 'cord', name: 'Hanger', free: 150 }));
    expect(features).toContainEqual({
      kind: 'point',
      name: 'Ends of the sticks',
      guarded: null,
      thin: true,
    });
  });
});
