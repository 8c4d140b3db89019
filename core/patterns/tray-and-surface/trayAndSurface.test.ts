import { design, material } from '../../testing.ts';
import { loadPattern, type AnyAt, type Chosen, type OpenPattern } from '../index.ts';
import { usualMaterials } from '../usual.ts';
import { standingAt, type Dials } from './dials.ts';
import { doughOf, floorShape, foilStrips, mixOf } from './surface.ts';
import { lengthOf } from '../../outline/along.ts';

let surface: OpenPattern;
beforeAll(async () => {
  surface = await loadPattern('tray-and-surface');
});
const tray = material(2, {
  name: 'Tray',
  form: 'container',
  sizes: { length: 202, width: 152, height: 40, wall: 1 },
});
const of = (part: Partial<Dials>, chosen: Chosen = {}, ageFrom = 48): AnyAt => {
  const all = { ...usualMaterials(surface.roles), tray: [tray], ...chosen };
  return design({ ...surface.defaults({ approach: 'prepared shelf', ageFrom, chosen: all }), ...part }, all, {
    ageFrom,
  });
};
const fact = (at: AnyAt, id: string): unknown => surface.fit(at).facts.find((f) => f.id === id)?.value;

describe('a food tray', () => {
  const yogurt = material(3, {
    name: 'Yogurt',
    form: 'consumable',
    sizes: {},
    materialClass: 'food',
    mass: 500,
    allergens: ['milk'],
  });
  it('holds its floor times its depth, by the mass of 100 ml, in whole tubs', () => {
    // 200 × 150 inside, 15 deep: 450 ml; at 104 g a 100 ml 468 g out of a tub of 500.
    const at = of({ kind: 'food tray', depth: 15, dense: 104 }, { fill: [yogurt] });
    expect([fact(at, 'volume'), fact(at, 'mass'), fact(at, 'keeps')]).toEqual([450, 468, 2]);
    const tubs = (depth: number) =>
      surface
        .needs(of({ kind: 'food tray', depth, dense: 104 }, { fill: [yogurt] }))
        .find((n) => n.role === 'fill')!.quantity;
    expect([tubs(15), tubs(17)]).toEqual([1, 2]);
  });
  it('is food, of a form that does not choke, and asks about allergies', () => {
    const at = (m: ReturnType<typeof material>, age = 48) =>
      surface.fit(of({ kind: 'food tray' }, { fill: [m] }, age));
    expect(at(yogurt)).toMatchObject({ verdict: 'care', headline: 'Ask about allergies' });
    const sand = material(4, { name: 'Sand', form: 'consumable', sizes: {}, materialClass: 'stone' });
    expect(at(sand).headline).toBe('Not fit to eat');
    const rice = material(5, {
      name: 'Rice',
      form: 'piece',
      solid: 'egg',
      sizes: { length: 7, width: 2, height: 2 },
      materialClass: 'food',
    });
    expect(at(rice, 30).headline).toBe('It chokes at that age');
  });
  it('cleaning up is part of the plan, longer for more children', () => {
    const minutes = (children: number) =>
      surface.steps(of({ kind: 'food tray', children })).find((s) => s.id === 'clean')!.perCopy;
    expect(minutes(1)).toBeGreaterThan(0);
    expect(minutes(4)).toBeGreaterThan(minutes(1));
  });
});

it('a dough is shared out by parts: what goes in weighs what comes out', () => {
  const dough = doughOf({ flour: 2, salt: 1, water: 1 }, 400);
  expect(dough.mass).toBe(500);
  expect(dough.flour + dough.salt + dough.water).toBeCloseTo(500, 9);
  // Two cups of flour to one of water, at 0.53 g a ml.
  expect(dough.flour / 0.53).toBeCloseTo(2 * dough.water, 9);
  const bag = (id: number, mass: number) =>
    material(id, {
      name: id === 8 ? 'Flour, bag' : 'Salt, bag',
      form: 'consumable',
      sizes: {},
      materialClass: 'food',
      mass,
      traits: [id === 8 ? 'flour' : 'salt'],
    });
  // 450 ml are 562.5 g of dough: 183 g of flour and 207 g of salt.
  const needs = surface
    .needs(of({ kind: 'dough', depth: 15 }, { fill: [bag(8, 100), bag(9, 500)] }))
    .filter((n) => n.role === 'fill');
  expect(needs.map((n) => n.quantity)).toEqual([2, 1]);
  const fill = { fill: [bag(8, 100), bag(9, 500)] };
  expect(surface.fit(of({ kind: 'dough', salt: 1 }, fill)).headline).toBe('Salted dough is not for eating');
  // Porridge is no flour.
  expect(surface.fit(of({ kind: 'dough' })).headline).toBe('No flour for the dough');
  expect(surface.fit(of({ kind: 'dough', salt: 0 }, fill)).verdict).toBe('clear');
});

describe('a wall', () => {
  it('has things at half, four fifths and six fifths of the child’s height', () => {
    expect(fact(of({ kind: 'wall', standing: 900, level: 'all' }), 'heights')).toBe(
      'squat 450 mm, straight 720 mm, stretch 1080 mm',
    );
    expect(fact(of({ kind: 'wall', standing: 900, level: 'squat' }), 'heights')).toBe('squat 450 mm');
  });
  it('goes by the age where no height was measured', () => {
    expect([standingAt(6), standingAt(24), standingAt(30), standingAt(48), standingAt(200)]).toEqual([
      750, 870, 915, 1030, 1270,
    ]);
    expect(surface.fit(of({ kind: 'wall', level: 'stretch' }, {}, 18)).headline).toBe(
      'High for a new walker',
    );
  });
});

describe('a floor', () => {
  it('takes tape for its sides, and a quarter of a square metre a child', () => {
    const at = (children: number) => of({ kind: 'floor', shape: 'square', across: 1000, children });
    expect(fact(at(1), 'tape')).toBe(4000);
    expect(fact(at(1), 'room')).toBe(4);
    expect(surface.fit(at(4)).verdict).toBe('clear');
    expect(surface.fit(at(5)).headline).toBe('Not room for all of them');
  });
  it('a circle of sixteen sides is shorter than a round one by a little', () => {
    const long = lengthOf(floorShape({ shape: 'circle', across: 1200 }), true);
    expect(long).toBeCloseTo(16 * 1200 * Math.sin(Math.PI / 16), 6);
    expect(long / (Math.PI * 1200)).toBeGreaterThan(0.99);
  });
});

it('foil lies strip over strip and is taped along every edge', () => {
  // 300 wide, 30 over: 300, 570, 840.
  expect([300, 301, 570, 571].map((wide) => foilStrips({ wide, overlap: 30 }, 300))).toEqual([1, 2, 2, 3]);
  const at = of({ kind: 'foil', across: 1000, wide: 570, overlap: 30 });
  expect(fact(at, 'tape')).toBe(2 * (1000 + 570) + 1000);
  expect(surface.needs(at).find((n) => n.role === 'foil')!.quantity).toBe(2000);
});

it('colours of one side of the wheel stay bright, those across it go brown', () => {
  expect(mixOf('yellow, green, blue')).toEqual({ unknown: [], count: 3, arc: 120 });
  expect(mixOf('red, yellow, blue').arc).toBe(240);
  expect(mixOf('pink, red, orange').arc).toBe(75);
  const headline = (colours: string) => surface.fit(of({ kind: 'brushes', colours })).headline;
  expect(headline('yellow, green, blue')).toBe('Stays bright when it is mixed');
  expect(headline('red, yellow, blue')).toBe('Together they go brown');
  expect(headline('seaweed')).toBe('No colour is known as seaweed');
});
