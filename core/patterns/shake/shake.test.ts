import { design, material } from '../../testing.ts';
import { loadPattern, type AnyAt, type Chosen, type OpenPattern } from '../index.ts';
import { usualMaterials } from '../usual.ts';
import type { Dials } from './dials.ts';
import { fillings } from './fit.ts';
import { insideOf } from './filling.ts';
import type { At } from '../kernel.ts';

let shake: OpenPattern;
beforeAll(async () => {
  shake = await loadPattern('shake');
});
const bean = material(3, {
  name: 'Bean',
  form: 'piece',
  solid: 'egg',
  sizes: { length: 12, width: 9, height: 8 },
  mass: 0.5,
  materialClass: 'food',
});
const plate = (diameter: number) =>
  material(4, {
    name: 'Plate',
    form: 'disc',
    sizes: { diameter, height: 18, wall: 0.6 },
    materialClass: 'card',
  });
const tube = material(5, {
  name: 'Tube',
  form: 'tube',
  sizes: { diameter: 44, length: 100, wall: 0.6 },
  materialClass: 'card',
});
const band = (length: number) =>
  material(6, { name: 'Band', form: 'cord', sizes: { diameter: 2, length }, materialClass: 'rubber' });
const of = (part: Partial<Dials>, chosen: Chosen = {}, ageFrom = 48): AnyAt => {
  const all = { ...usualMaterials(shake.roles), filler: [bean], ...chosen };
  return design({ ...shake.defaults({ approach: 'graded play', ageFrom, chosen: all }), ...part }, all, {
    ageFrom,
  });
};
const fact = (at: AnyAt, id: string): unknown => shake.fit(at).facts.find((f) => f.id === id)?.value;

describe('two plates', () => {
  it('a rim of staples 230 across takes 37 of 12 for a bean of 8; one fewer is a stop', () => {
    // The staples lie 14 inside a plate of 244.
    const at = (staples: number) =>
      of({ seal: 'staples', staples, rim: 7, stapleWidth: 12 }, { body: [plate(244)] });
    expect(fact(at(37), 'leastStaples')).toBe(37);
    expect(shake.fit(at(37)).verdict).toBe('clear');
    expect(shake.fit(at(36))).toMatchObject({
      verdict: 'stop',
      headline: 'The filler comes out between two staples',
    });
    // π · 230 / 37 − 12.
    expect(fact(at(37), 'gap')).toBeCloseTo(7.53, 2);
  });
  it('counts by the smallest that was measured', () => {
    const small = { ...bean, measured: { most: {}, least: { height: 5 } } };
    expect(fact(of({ rim: 7 }, { body: [plate(244)], filler: [small] }), 'leastStaples')).toBe(
      Math.ceil((Math.PI * 230) / 17),
    );
  });
  it('a band of tape needs no staples, and tape for each shaker', () => {
    const at = of({ seal: 'tape' }, { body: [plate(230)] });
    expect(fact(at, 'leastStaples')).toBeUndefined();
    expect(shake.needs(at).find((n) => n.role === 'tape')!.quantity).toBe(Math.round(Math.PI * 230 + 20));
    expect(shake.fit(of({ seal: 'tape' }, { body: [plate(230)], tape: [] })).verdict).toBe('stop');
  });
});

describe('a tube', () => {
  it('is capped by squares 30 wider than it is, two of them, a pair of bands an end', () => {
    const at = of({ overlap: 15 }, { body: [tube], band: [band(90)] });
    expect(fact(at, 'capSide')).toBe(74);
    expect(shake.plan(at).cuts[0]!.count).toBe(2);
    expect(shake.needs(at).find((n) => n.role === 'band')!.quantity).toBe(4);
    expect(shake.draw(at).sheets[0]!.count).toBe(2);
  });
  it('a band is between a third and four fifths of the girth of 138', () => {
    const headline = (length: number) =>
      shake.fit(of({ mouth: 30 }, { body: [tube], band: [band(length)] })).headline;
    expect(headline(45)).toBe('The band may break');
    expect(headline(47)).toBe('Closed, and it rattles');
    expect(headline(110)).toBe('Closed, and it rattles');
    expect(headline(112)).toBe('The band is too loose');
  });
});

describe('what is inside', () => {
  it('fills the dial’s share of a tube: 29.3 ml of 146.6 are a fifth, in g and about how many', () => {
    const inside = (Math.PI / 4) * 42.8 ** 2 * 100;
    expect(insideOf(tube)).toBeCloseTo(inside, 6);
    const at = of({ full: 20, mouth: 30 }, { body: [tube], band: [band(90)] });
    expect(fact(at, 'fillerVolume')).toBeCloseTo(inside / 5000, 0);
    const [f] = fillings(at as unknown as At<Dials>);
    // Six tenths of the heap is bean: an egg of 12 × 9 × 8.
    expect(f!.count).toBe(Math.round((inside * 0.2 * 0.6) / ((Math.PI / 6) * 12 * 9 * 8)));
    expect(f!.mass).toBeCloseTo(f!.count * 0.5, 9);
  });
  it('two fillers make a softer and a louder one, side by side', () => {
    const rice = material(7, {
      name: 'Rice',
      form: 'piece',
      solid: 'egg',
      sizes: { length: 7, width: 2.2, height: 2 },
      mass: 0.025,
    });
    const at = of({ seal: 'tape' }, { body: [plate(230)], filler: [rice, bean] });
    expect([fact(at, 'louder'), fact(at, 'softer')]).toEqual(['Bean', 'Rice']);
    expect(shake.needs(at).find((n) => n.role === 'body')!.quantity).toBe(4);
  });
  it('is checked as if it opened, and under three asks for a pull test', () => {
    expect(shake.features(of({}))).toContainEqual(
      expect.objectContaining({ kind: 'filler', name: 'Bean', seal: 'staples' }),
    );
    expect(shake.fit(of({}, {}, 24)).headline).toBe('Under three only after a pull test');
    expect(shake.steps(of({})).find((s) => s.id === 'pull')!.who).toBe('adult');
  });
});

it('filling one by one asks for more than pouring, and from the palm for more again', () => {
  const bits = (filled: Dials['filled']) => {
    const at = of({ filled, mouth: 60, full: 5 });
    return shake.bits(at, shake.fit(at))!;
  };
  expect(bits('one by one')).toBeGreaterThan(bits('poured'));
  expect(bits('from the hand')).toBeGreaterThan(bits('one by one'));
});
