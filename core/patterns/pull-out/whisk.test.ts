import { asMaterial, entryOf } from '../../catalogue/index.ts';
import { loadPattern, type OpenPattern } from '../index.ts';
import { gapBetween, mostWires } from './whisk.ts';

let pull: OpenPattern;
beforeAll(async () => {
  pull = await loadPattern('pull-out');
});
const of = (key: string, id: number, part: object = {}) => ({ ...asMaterial(entryOf(key)!), id, ...part });
const at = (dials: object = {}, ball = of('pom-pom', 2)) => {
  const chosen = { box: [of('whisk', 1)], piece: [ball] };
  const start = { approach: 'prepared shelf' as const, ageFrom: 48, chosen };
  return { ...start, dials: pull.check({ ...pull.defaults(start), ...dials }) };
};
const fact = (a: ReturnType<typeof at>, id: string) => pull.fit(a).facts.find((f) => f.id === id)!.value;

describe('soft balls in a whisk', () => {
  it('the gap between wires is the chord of the polygon that they make, less a wire', () => {
    // A hexagon's side is its radius; a square's the radius times the root of two.
    expect(gapBetween(50, 6)).toBeCloseTo(25 - 1.6, 9);
    expect(gapBetween(50, 4)).toBeCloseTo(25 * Math.SQRT2 - 1.6, 9);
    expect(gapBetween(50, mostWires(50, 12))).toBeGreaterThanOrEqual(12);
    expect(gapBetween(50, mostWires(50, 12) + 1)).toBeLessThan(12);
  });
  it('holds a ball that is wider than the gap and lets it out squeezed', () => {
    // A pom-pom of 25 gives by 40 %: it comes out of 15 and over, and falls out of 25 and over.
    expect(pull.fit(at({ wires: 9 }))).toMatchObject({ verdict: 'clear' });
    expect(fact(at({ wires: 9 }), 'shortestSlit')).toBe(15);
    expect(pull.fit(at({ wires: 14 }))).toMatchObject({ verdict: 'stop', headline: 'It does not come out' });
    expect(pull.fit(at({ wires: 5 }))).toMatchObject({ verdict: 'care', headline: 'It falls out' });
    const { remedy } = pull.fit(at({ wires: 14 }));
    const most = Number(/At most (\d+) wires/.exec(remedy!)![1]);
    expect(pull.fit(at({ wires: most })).verdict).toBe('clear');
  });
  it('takes no more than goes inside, and nothing hard', () => {
    const room = Number(fact(at(), 'places'));
    // Half of π/6 · 50 · 50 · 100 over π/6 · 20³: 25 that gives by 40 % is pressed to 20 among others.
    expect(room).toBe(Math.floor((0.5 * 50 * 50 * 100) / 20 ** 3));
    expect(pull.fit(at({ number: room + 1 }))).toMatchObject({ verdict: 'stop' });
    expect(pull.fit(at({}, of('pom-pom', 2, { give: 0 })))).toMatchObject({
      headline: 'It cannot be squeezed',
    });
  });
  it('needs no blade, has four levels or more and says that a finger can be caught', () => {
    const a = at({ wires: 9 });
    expect(pull.steps(a).some((s) => s.blade)).toBe(false);
    expect(pull.levels(a).length).toBeGreaterThanOrEqual(4);
    expect(pull.features(a)).toContainEqual(
      expect.objectContaining({ kind: 'opening', where: 'between two wires' }),
    );
    expect(pull.draw(a).scene.marks.filter((m) => m.kind === 'circle')).toHaveLength(
      a.dials['number'] as number,
    );
  });
  it('a hard stick is no box', () => {
    const chosen = { box: [of('craft-stick', 1)], piece: [of('pom-pom', 2)] };
    expect(() => pull.fit({ ...at(), chosen })).toThrow(/expected a container, or a whisk/);
  });
});
