import { asMaterial, entryOf } from '../catalogue/index.ts';
import { CAP, design, kinds, material } from '../testing.ts';
import { loadPattern, type AnyAt, type Chosen, type Fit, type OpenPattern } from './index.ts';
import { factValue } from './factWords.ts';
import { tipping } from './stack/fit.ts';
import { usualMaterials } from './usual.ts';

/** A design of the pattern's usual materials, with other dials and materials where they are given. */
const of = (
  p: OpenPattern,
  dials: object = {},
  chosen: Chosen = {},
  more: Partial<Pick<AnyAt, 'approach' | 'ageFrom'>> = {},
): AnyAt => {
  const all = { ...usualMaterials(p.roles), ...chosen };
  const start = { approach: 'graded play' as const, ageFrom: 48, chosen: all, ...more };
  return design({ ...p.defaults(start), ...dials }, all, {
    ageFrom: start.ageFrom,
    ...(more.approach ? { approach: more.approach } : {}),
  });
};
const fact = (f: Fit, id: string): unknown => f.facts.find((x) => x.id === id)?.value;
const stepIds = (p: OpenPattern, at: AnyAt) => p.steps(at).map((s) => s.id);

describe('stack', () => {
  let stack: OpenPattern;
  beforeAll(async () => {
    stack = await loadPattern('stack');
  });
  it('tips where its centre of mass passes over the edge of its foot, from the push that the lever asks', () => {
    // 100 g at 50 up on a radius of 50: 45°; at the top of 200 the push is m·g·r / H = 0.1 · 9.80665 · 50 / 200.
    const t = tipping({ radius: 50, top: 200, bodies: [{ mass: 100, height: 50 }] });
    expect(t.angle).toBeCloseTo(45, 9);
    expect(t.push).toBeCloseTo(0.2452, 4);
    // Sand low in the base makes it stand better.
    const sand = tipping({
      radius: 50,
      top: 200,
      bodies: [
        { mass: 100, height: 50 },
        { mass: 300, height: 10 },
      ],
    });
    expect(sand.angle).toBeCloseTo((Math.atan(50 / 20) * 180) / Math.PI, 9);
  });
  it('keeps 30 mm of the post above the rings to hold', () => {
    const at = (post: number) => of(stack, { number: 4, height: 38, post });
    expect(stack.fit(at(182)).verdict).not.toBe('stop');
    expect(stack.fit(at(181))).toMatchObject({
      verdict: 'stop',
      headline: 'The stack is higher than the post',
    });
  });
  it('adds a cap or a massager as a step, and cautions go by them', () => {
    expect(stepIds(stack, of(stack, { capped: true, hums: true }))).toEqual(
      expect.arrayContaining(['cap', 'hum']),
    );
    const post = (capped: boolean) =>
      stack.features(of(stack, { capped })).find((f) => f.kind === 'post') as { capped: boolean };
    expect(post(true).capped).toBe(true);
    expect(stack.features(of(stack, { hums: true }))).toContainEqual(
      expect.objectContaining({ kind: 'hazard', hazard: 'battery' }),
    );
  });
  it('takes seven cuts off one tube of 279, an eighth off another', () => {
    const tube = material(9, { name: 'Tube', form: 'tube', sizes: { diameter: 44, length: 279, wall: 0.6 } });
    const post = material(8, {
      name: 'Dowel',
      form: 'piece',
      solid: 'rod',
      sizes: { diameter: 20, length: 900 },
    });
    const tubes = (number: number) =>
      stack
        .needs(of(stack, { number, height: 38, loss: 1, post: 400 }, kinds({ part: tube, post })))
        .find((n) => n.materialId === 9)!.quantity;
    expect([tubes(7), tubes(8)]).toEqual([1, 2]);
  });
});

describe('pull-out', () => {
  let pull: OpenPattern;
  beforeAll(async () => {
    pull = await loadPattern('pull-out');
  });
  const bud = material(3, {
    name: 'Cotton bud',
    form: 'piece',
    solid: 'rod',
    sizes: { diameter: 2.5, length: 75 },
    materialClass: 'paper',
  });
  const foam = material(4, {
    name: 'Foam ball',
    form: 'piece',
    solid: 'ball',
    sizes: { diameter: 60 },
    give: 0.4,
    materialClass: 'foam',
  });
  it('a 6 punch lets a cotton bud fall, a slit of 4.5 holds it', () => {
    const at = (dials: object) =>
      of(pull, { proud: 40, number: 4, start: 'out', ...dials }, kinds({ piece: bud }));
    expect(pull.fit(at({ opening: 'hole', length: 6 })).headline).toBe('It falls through');
    expect(pull.fit(at({ opening: 'hole', length: 2.7 })).headline).toBe('Stands and holds');
    // π · 2.5 / 9 = 0.87: more than 0.85 stays when the box is turned; a slit of 7 takes up 0.56 and falls.
    expect(pull.fit(at({ opening: 'slit', length: 4.5 })).headline).toBe('Stands and holds');
    expect(pull.fit(at({ opening: 'slit', length: 7 })).headline).toBe('It falls out when the box is turned');
  });
  it('draws both sections, three times as large', () => {
    const { marks } = pull.draw(of(pull, {}, kinds({ piece: bud }))).scene;
    const said = marks.flatMap((m) => (m.kind === 'words' ? [m.text] : []));
    expect(said).toEqual(['slit, 3 × as large: grips', 'hole, 3 × as large: lets fall']);
    expect(marks.filter((m) => m.kind === 'circle' && Math.abs(m.radius - 3.75) < 1e-9)).toHaveLength(2);
  });
  it('a soft ball is held by a hole that it squeezes through', () => {
    const box = material(5, {
      name: 'Wide box',
      form: 'container',
      sizes: { length: 260, width: 180, height: 120, wall: 1 },
      materialClass: 'card',
    });
    const at = (length: number) =>
      of(pull, { opening: 'hole', length, number: 2 }, kinds({ box, piece: foam }));
    // Squeezed by 0.4 it is 36 across.
    expect(pull.fit(at(35)).headline).toBe('It does not go in');
    expect(pull.fit(at(48)).headline).toBe('Held, and comes out with a squeeze');
    expect(pull.fit(at(60)).headline).toBe('It falls through');
  });
  it('hidden ones ask for a hand inside and a choice', () => {
    const at = of(pull, { hidden: 2, number: 4 });
    const fit = pull.fit(at);
    expect(pull.moves(at, fit)[0]).toMatchObject({ choices: 4 });
    expect(pull.fit(of(pull, { hidden: 4, number: 4 })).verdict).toBe('stop');
  });
  it('wire is turned over by an adult, dye dries', () => {
    const stem = {
      ...bud,
      id: 6,
      name: 'Pipe cleaner',
      traits: ['stays bent' as const],
      sizes: { diameter: 6, length: 150 },
    };
    const at = of(pull, { dyed: true, proud: 60 }, kinds({ piece: stem }));
    const steps = pull.steps(at);
    expect(steps.find((s) => s.id === 'ends')).toMatchObject({ who: 'adult' });
    expect(steps.find((s) => s.id === 'colour')!.drying).toBeGreaterThan(0);
    expect(steps.find((s) => s.id === 'try')!.after).toEqual(expect.arrayContaining(['ends', 'colour']));
  });
});

describe('peg rim', () => {
  let peg: OpenPattern;
  beforeAll(async () => {
    peg = await loadPattern('peg-rim');
  });
  const colour = (id: number, name: string) =>
    material(id, {
      name,
      form: 'piece',
      solid: 'block',
      sizes: { length: 72, width: 12, height: 10 },
      materialClass: 'wood',
      traits: ['clips on a rim'],
    });
  const [red, blue] = [colour(11, 'Red peg'), colour(12, 'Blue peg')];
  const two = kinds({ peg: [red, blue] });
  it('knows a peg by its tag, whatever it is called', () => {
    const pinza = { ...red, name: 'Pinza de la ropa' };
    expect(peg.fit(of(peg, {}, kinds({ peg: [pinza] }))).headline).toBe(peg.fit(of(peg, {}, two)).headline);
    expect(() => of(peg, {}, kinds({ peg: [{ ...red, traits: [] }] }))).toThrow(
      /expected a clothes peg or a clip/,
    );
  });
  it('counts each colour of a pattern by itself', () => {
    // AAB of nine: six and three.
    const f = peg.fit(of(peg, { counting: 0, number: 9, pattern: 'AAB' }, two));
    expect([fact(f, 'kind-1'), fact(f, 'kind-2')]).toEqual([6, 3]);
    const needs = peg.needs(of(peg, { counting: 0, number: 9, pattern: 'AAB' }, two));
    expect(needs.filter((n) => n.role === 'peg').map((n) => n.quantity)).toEqual([6, 3]);
    expect(peg.fit(of(peg, { counting: 0, number: 8, pattern: 'AAB' }, two)).headline).toBe(
      'The pattern does not close',
    );
  });
  it('puts springs in order, weakest first', () => {
    expect(fact(peg.fit(of(peg, { springs: '6.5, 3' }, two)), 'springs')).toBe('Blue peg 3 N, Red peg 6.5 N');
    expect(fact(peg.fit(of(peg, { springs: '' }, two)), 'springs')).toBeUndefined();
    expect(() => peg.check({ ...(of(peg, {}, two).dials as object), springs: 'strong' })).toThrow(/newtons/);
  });
  it('taking off asks for fewer bits than clipping on', () => {
    const bits = (way: string) => {
      const at = of(peg, { way, counting: 0, number: 6 }, two);
      return peg.bits(at, peg.fit(at))!;
    };
    expect(bits('off')).toBeLessThan(bits('off by colour'));
    expect(bits('off by colour')).toBeLessThan(bits('on'));
  });
});

describe('count-out', () => {
  let count: OpenPattern;
  beforeAll(async () => {
    count = await loadPattern('count-out');
  });
  it('names the smallest change that closes the gap', () => {
    const at = (dials: object) => of(count, { from: 1, shows: 'numeral', dice: 0, ...dials });
    expect(count.fit(at({ to: 10, laid: 'all at once', tokens: 24 })).remedy).toBe(
      'Smallest change: lay one card at a time; or end at 6, or put 31 more in.',
    );
    expect(count.fit(at({ to: 6, laid: 'all at once', tokens: 20 })).remedy).toMatch(/^Smallest change: /);
  });
  it('two dice ask for twelve, seven is thrown most often', () => {
    const f = count.fit(
      of(count, { from: 2, to: 12, laid: 'one at a time', dice: 2, tokens: 12, shows: 'numeral' }),
    );
    expect([fact(f, 'tokensNeeded'), fact(f, 'likely')]).toEqual([12, '7: 6 of 36']);
    expect(count.fit(of(count, { to: 8, dice: 1, tokens: 40, shows: 'numeral' })).headline).toBe(
      'One die ends at 6',
    );
  });
  it('says when a token gets out of the pouch', () => {
    // A cap of 38 goes through face on.
    const at = (holes: number) =>
      of(count, { holes, tokens: 3, to: 2, laid: 'all at once' }, kinds({ token: CAP }));
    expect(count.fit(at(37)).headline).not.toBe('A token gets out of the pouch');
    expect(count.fit(at(39)).headline).toBe('A token gets out of the pouch');
  });
  it('takes sticks to write on, one for each card', () => {
    const stick = material(14, {
      name: 'Lolly stick',
      form: 'piece',
      solid: 'block',
      sizes: { length: 114, width: 10, height: 2 },
    });
    const at = of(count, { from: 1, to: 5, sticks: true }, kinds({ stick }));
    expect(count.needs(at).find((n) => n.role === 'stick')!.quantity).toBe(5);
    expect(
      count.fit(of(count, { from: 1, to: 5, tokens: 5, laid: 'one at a time', sticks: true })).headline,
    ).toBe('No stick is chosen');
  });
});

describe('dot mat', () => {
  let dots: OpenPattern;
  beforeAll(async () => {
    dots = await loadPattern('dot-mat');
  });
  it('painted, it takes a page for each child and no laminate', () => {
    const paint = [{ ...asMaterial(entryOf('ready-paint')!), id: 91 }];
    const at = of(dots, { use: 'paint', children: 6, asked: 8 }, kinds({ piece: paint }));
    expect(dots.needs(at).find((n) => n.role === 'page')!.quantity).toBe(6);
    expect(dots.needs(at).some((n) => n.role === 'laminate')).toBe(false);
    expect(dots.fit(at).headline).toBe('Paint does not soak in');
    expect(
      dots.fit(of(dots, { use: 'paint', asked: 8 }, kinds({ laminate: undefined, piece: paint }))).headline,
    ).toBe('Every dot has its place');
  });
  it('takes whole bottles of paint, by the area of all dots', () => {
    const paint = { ...asMaterial(entryOf('ready-paint')!), id: 91 };
    const bottles = (mass: number | undefined, children: number) => {
      const at = of(
        dots,
        { use: 'paint', children, asked: 12, dot: 20 },
        { ...kinds({ laminate: undefined }), piece: [{ ...paint, mass }] },
      );
      return {
        needs: dots.needs(at).find((n) => n.role === 'piece')!.quantity,
        grams: fact(dots.fit(at), 'paint'),
      };
    };
    // 144 dots of π/4 · 20², 0.3 thick, 1.3 g a ml: 17.6 g.
    expect(bottles(300, 12)).toEqual({ needs: 1, grams: 17.6 });
    expect(bottles(10, 12).needs).toBe(2);
    expect(bottles(undefined, 12).needs).toBe(1);
  });
  it('pieces slide off laminate from 16.7° on, where the tangent is the friction of 0.3', () => {
    const at = (tilt: number) => of(dots, { use: 'loose', tilt, asked: 6 });
    expect(fact(dots.fit(at(0)), 'slides')).toBeCloseTo((Math.atan(0.3) * 180) / Math.PI, 1);
    expect(dots.fit(at(15)).verdict).toBe('clear');
    expect(dots.fit(at(20)).headline).toBe('Pieces slide off');
  });
});

describe('sort and carry', () => {
  let sort: OpenPattern;
  beforeAll(async () => {
    sort = await loadPattern('sort-and-carry');
  });
  it('has a level of words for each part of the year', () => {
    const said = (level: number) =>
      sort
        .draw(of(sort, { cups: 2, shows: 'own text', text: 'sun, sea; boat, buoy', level }))
        .sheets.flatMap((s) => s.marks.flatMap((m) => (m.kind === 'words' ? [m.text] : [])));
    expect([said(1), said(2)]).toEqual([
      ['sun', 'sea'],
      ['boat', 'buoy'],
    ]);
  });
  it('takes a second bowl for a second child, and the way gets no shorter than from the nearest', () => {
    const cups = (bowls: number) =>
      sort.needs(of(sort, { cups: 2, bowls })).find((n) => n.role === 'cup')!.quantity;
    expect([cups(1), cups(2)]).toEqual([3, 4]);
  });
  it('cuts cards that show above the rim, and puts cups so far apart that none hides another', () => {
    const tall = material(15, {
      name: 'Tall cup',
      form: 'container',
      sizes: { diameter: 50, height: 70, wall: 0.5 },
    });
    const at = (hand: number) => of(sort, { cups: 2, hand }, kinds({ cup: tall }));
    expect(fact(sort.fit(at(20)), 'cardAbove')).toBe(45);
    expect(sort.fit(at(5))).toMatchObject({ verdict: 'care', headline: 'The cards hide each other' });
    expect(sort.fit(at(10)).headline).not.toBe('The cards hide each other');
  });
});

describe('a level', () => {
  it('says which dials differ from the design’s own, and nothing else', async () => {
    const drop = await loadPattern('drop-through');
    const at = of(drop);
    for (const r of drop.levels(at)) {
      const own = at.dials as Record<string, unknown>;
      for (const f of r.differs) expect(r.dials[f.id]).not.toEqual(own[f.id]);
      const shown = new Set(drop.specs({ ...at, dials: r.dials }).map((s) => s.id));
      for (const id of shown)
        if (JSON.stringify(r.dials[id]) !== JSON.stringify(own[id]))
          expect(r.differs.map((f) => f.id)).toContain(id);
    }
  });
});

it('a fact is said in the place’s unit', () => {
  const one = (value: number | string, unit?: 'mm' | 'deg' | 'N' | '%', total?: number) =>
    factValue(
      { id: 'x', label: 'X', value, ...(unit ? { unit } : {}), ...(total ? { of: total } : {}) },
      'mm',
    );
  expect([one(4.04, 'mm'), one(12.34, 'deg'), one(0.245, 'N'), one(2, undefined, 3), one(0.873)]).toEqual([
    '4 mm',
    '12.3°',
    '0.2 N',
    '2 of 3',
    '0.87',
  ]);
  expect(factValue({ id: 'x', label: 'X', value: 25.4, unit: 'mm' }, 'in')).toMatch(/^1/);
});
