import { startTest, type TestDesk } from '../testing.ts';

let desk: TestDesk;
beforeAll(async () => {
  desk = await startTest();
});
afterAll(() => desk.close());

const at = async (path: string, body: unknown, status = 200) =>
  (await desk.post(`/compute/${path}`, body).expect(status)).body;
const pattern = (body: object) => at('pattern', body);
const fact = (answer: { fit: { facts: { id: string; value: number }[] } }, id: string): number =>
  answer.fit.facts.find((f) => f.id === id)!.value;

describe('geometry by itself', () => {
  it('sixteen points on a square of 80 lie 20 apart, from its first corner', async () => {
    const outline = [
      [0, 0],
      [80, 0],
      [80, 80],
      [0, 80],
    ];
    const a = await at('points', { outline, count: 16, closed: true });
    expect(a.length).toBe(320);
    expect(a.points.slice(0, 5)).toEqual([
      [0, 0],
      [20, 0],
      [40, 0],
      [60, 0],
      [80, 0],
    ]);
    const open = await at('points', { outline, count: 3, closed: false });
    expect(open.points).toEqual([
      [0, 0],
      [80, 40],
      [0, 80],
    ]);
    expect((await at('points', { outline, count: 1, closed: false }, 400)).errors[0].path).toBe('count');
  });
  it('a slit of 3.93 takes a rod of 2.5', async () => {
    expect(await at('slit', { slit: 3.93, rodDiameter: 2.5 })).toMatchObject({ admits: true });
    expect(await at('slit', { slit: 3.92, rodDiameter: 2.5 })).toMatchObject({ admits: false });
    const a = await at('slit', { slit: 10, rodDiameter: 5 });
    expect(a.margin).toBeCloseTo(20 - 5 * Math.PI, 9);
    expect(a.largestDiameter).toBeCloseTo(20 / Math.PI, 9);
    expect(a.grip).toBeCloseTo((5 * Math.PI) / 20, 9);
  });
  it('a request of a few bytes holds nobody up: no more dots are laid than are ever drawn', async () => {
    // Rectangle or circle, what is asked may be a thousand times finer than anything that is drawn.
    for (const body of [
      { diameter: 5000, dot: 1, gap: 0 },
      { diameter: 5000, dot: 0.001, gap: 0 },
      {
        outline: [
          [0, 0],
          [5000, 4990],
          [5000, 5000],
          [0, 10],
        ],
        dot: 0.01,
        gap: 0,
      },
    ])
      expect((await at('dots', body)).count).toBeLessThanOrEqual(600);
    expect((await at('dots', { diameter: 400, dot: 0.1, gap: 0 })).count).toBe(600);
  });
  it('a card too small for anything says so, and what was expected', async () => {
    for (const longest of [0.000001, 0.5]) {
      const { errors } = await at('pattern', { pattern: 'lace', dials: { longest } }, 422);
      expect(errors[0]).toMatchObject({ path: 'dials.longest' });
    }
  });
  it('dots keep their gap and stay inside, within one of the best known in a circle', async () => {
    // R/r for n equal circles in a circle: the best known packings (Graham et al. 1998 and before, as tabled).
    const best = [1, 2, 2.1547, 2.4142, 2.7013, 3, 3, 3.3048, 3.6131, 3.813, 3.9238, 4.0296];
    for (const [i, ratio] of [...best.entries(), [18, 4.8637] as const]) {
      const { count, centres } = await at('dots', { diameter: 20 * ratio + 0.002, dot: 20, gap: 0 });
      expect(count).toBeGreaterThanOrEqual(i);
      for (const [k, [x, y]] of (centres as [number, number][]).entries()) {
        expect(Math.hypot(x, y) + 10).toBeLessThanOrEqual(10 * ratio + 0.01);
        for (const [u, v] of (centres as [number, number][]).slice(k + 1))
          expect(Math.hypot(x - u, y - v)).toBeGreaterThanOrEqual(20 - 1e-3);
      }
    }
    expect((await at('dots', { dot: 5, gap: 1 }, 400)).errors[0].path).toBe('outline');
  });
});

describe('the geometry of thread, rims and paper', () => {
  it('answers each door in mm, or names the field', async () => {
    expect((await at('ellipse', { fullAxis1: 60, fullAxis2: 60 })).perimeter).toBeCloseTo(60 * Math.PI, 9);
    expect((await at('ellipse', { fullAxis1: 60, fullAxis2: 0 }, 400)).errors[0].path).toBe('fullAxis2');
    const web = {
      spokes: 4,
      rounds: 2,
      firstRadius: 10,
      spacing: 5,
      wraps: 1,
      section: { kind: 'flat', width: 6, thickness: 2 },
      course: 'rings',
    };
    const a = await at('web', web);
    expect(a).toMatchObject({ girth: 16, wraps: 4 * 2 * 16 });
    // A square with corners 10 and then 15 from its middle.
    expect(a.total).toBeCloseTo(4 * Math.SQRT2 * (10 + 15) + 128, 9);
    expect((await at('web', { ...web, section: { kind: 'star' } }, 400)).errors[0].path).toBe('section.kind');
    expect(await at('staples', { rimDiameter: 230, smallestFiller: 8, stapleWidth: 12 })).toMatchObject({
      count: 37,
    });
    expect(await at('halving', { width: 76, height: 76, thickness: 0.1, times: 4 })).toMatchObject({
      pieces: 16,
      width: 19,
      height: 19,
    });
    expect(
      (await at('halving', { width: 76, height: 76, thickness: 0.1, times: 4.5 }, 400)).errors[0].path,
    ).toBe('times');
  });
});

const rod = (name: string, diameter: number, length: number) => ({
  name,
  form: 'piece',
  solid: 'rod',
  sizes: { diameter, length },
  unit: 'each',
  kept: 0,
  materialClass: 'paper',
  give: 0,
  hazards: [],
  colour: '#F6F3EA',
});

describe('cut plans', () => {
  it('come proved, or with the part that stands in the way', async () => {
    const tube = { stock: [{ length: 279 }], parts: [{ length: 38, count: 7 }], loss: 1 };
    expect(await at('cut-lengths', tube)).toMatchObject({ status: 'optimal', count: 1, total: 279 });
    const long = { ...tube, parts: [{ length: 300, count: 1 }] };
    expect((await at('cut-lengths', long, 422)).errors[0].path).toBe('parts.0.length');
    const card = {
      sheets: [{ width: 200, height: 100 }],
      parts: [
        {
          id: 'card',
          outline: [
            [0, 0],
            [100, 0],
            [100, 50],
            [0, 50],
          ],
          count: 5,
          turn: 'right',
        },
      ],
      gap: 0,
    };
    expect(await at('cut-sheets', card)).toMatchObject({ used: 2, bound: 2 });
    expect((await at('cut-sheets', { ...card, gap: -1 }, 400)).errors[0].path).toBe('gap');
  });
});

describe('patterns', () => {
  it('are told with their dials as JSON Schema and where they begin', async () => {
    const all = (await desk.get('/patterns').expect(200)).body as {
      id: string;
      dials: { type: string; properties: object };
      defaults: object;
    }[];
    expect(all.map((p) => p.id)).toEqual([
      'drop-through',
      'lace',
      'stack',
      'pull-out',
      'peg-rim',
      'count-out',
      'dot-mat',
      'sort-and-carry',
      'match-and-piece',
      'weave',
      'shake',
      'feed-the-mouth',
      'track',
      'finger-tape',
      'trace-and-pull',
      'tray-and-surface',
    ]);
    for (const p of all)
      expect(Object.keys(p.dials.properties).sort()).toEqual(Object.keys(p.defaults).sort());
  });
  it('answer with everything that follows, out of the usual materials', async () => {
    for (const { id } of (await desk.get('/patterns')).body as { id: string }[]) {
      const a = await pattern({ pattern: id });
      expect(Object.keys(a)).toEqual(
        expect.arrayContaining([
          'dials',
          'fit',
          'needs',
          'cuts',
          'steps',
          'moves',
          'bits',
          'counts',
          'features',
          'levels',
          'drawing',
          'safety',
        ]),
      );
      expect(a.fit.verdict).not.toBe('stop');
    }
  });
  it('lace: a square of 100, 10 from the edge, 16 holes is a chain of 320', async () => {
    const a = await pattern({
      pattern: 'lace',
      dials: {
        outline: { kind: 'shape', shape: 'square' },
        longest: 100,
        holes: 16,
        edge: 10,
        punch: 'single',
        stitch: 'running',
      },
      materials: { card: ['a4-card'] },
    });
    // The chain, the card's thickness at each hole (0.25 mm, once or twice), a knot of 60 and a tail of 150.
    const thick = a.dials.backing === 'doubled' ? 0.5 : 0.25;
    expect(fact(a, 'laceLength')).toBe(Math.round(320 + 16 * thick + 210));
    expect(fact(a, 'holes')).toBe(16);
    // 26 steps of 12 mm go on the line, but across a corner two of them come closer: 24 keep a hole's width of card.
    expect(fact(a, 'mostHoles')).toBe(24);
  });
  it('stack: seven cuts of 38 and five of 51 from a tube of 279, and when it tips', async () => {
    const tube = {
      name: 'Tube',
      form: 'tube',
      sizes: { diameter: 44, length: 279, wall: 0.6 },
      unit: 'each',
      kept: 0,
      materialClass: 'card',
      give: 0,
      hazards: [],
      colour: '#BFA070',
    };
    const of = async (height: number) =>
      fact(
        await pattern({
          pattern: 'stack',
          dials: { height, loss: 1, number: 3 },
          materials: { part: [tube] },
        }),
        'perTube',
      );
    expect([await of(38), await of(51)]).toEqual([7, 5]);
    const a = await pattern({ pattern: 'stack' });
    expect(fact(a, 'tipsAt')).toBeGreaterThan(10);
    expect(fact(a, 'tipsAt')).toBeLessThan(90);
  });
  it('pull-out: the shortest slit for a rod of 2.5 is 3.93', async () => {
    const bud = rod('Cotton bud', 2.5, 75);
    const a = await pattern({ pattern: 'pull-out', dials: { length: 4.5 }, materials: { piece: [bud] } });
    expect(fact(a, 'shortestSlit')).toBeCloseTo(3.93, 2);
    expect(fact(a, 'grip')).toBeCloseTo((Math.PI * 2.5) / 9, 3);
  });
  it('weave: the thread of a star is its web, its wraps, two knots and the tail', async () => {
    const dials = {
      frame: 'star',
      sticks: 3,
      arm: 60,
      first: 10,
      spacing: 8,
      rounds: 5,
      wraps: 2,
      course: 'rings',
    };
    const twig = { ...rod('Twig', 5, 200), materialClass: 'wood' };
    const a = await pattern({ pattern: 'weave', dials, materials: { stick: [twig] } });
    // Six spans a ring are six radii; twice round 5 mm at thirty crossings; knots 60 and 60, tail 150.
    expect(fact(a, 'thread')).toBe(Math.round(6 * (10 + 18 + 26 + 34 + 42) + 30 * 2 * 5 * Math.PI + 270));
    expect(fact(a, 'rounds')).toBe(5);
    expect(a.counts).toMatchObject({ of: 'crossings', number: 30 });
  });
  it('peg rim: three counting plates take six pegs', async () => {
    const a = await pattern({ pattern: 'peg-rim', dials: { counting: 3 } });
    expect(fact(a, 'pegsNeeded')).toBe(6);
    // A tub of 95 across, pegs 12 wide with 10 between: 298 / 22.
    const round = await pattern({ pattern: 'peg-rim', dials: { counting: 0, gap: 10 } });
    expect(fact(round, 'pegsRound')).toBe(Math.floor((Math.PI * 95) / 22));
  });
  it('count-out: 1 to 10 needs 55; 24 tokens reach 6 with 3 left and are 31 short of 10', async () => {
    const of = (dials: object) =>
      pattern({ pattern: 'count-out', dials: { from: 1, shows: 'numeral', ...dials } });
    const ten = await of({ to: 10, laid: 'all at once', tokens: 24 });
    expect([fact(ten, 'tokensNeeded'), fact(ten, 'tokensShort'), fact(ten, 'reaches')]).toEqual([55, 31, 6]);
    expect(fact(await of({ to: 6, laid: 'all at once', tokens: 24 }), 'tokensNeeded')).toBe(21);
    expect(fact(await of({ to: 10, laid: 'one at a time', tokens: 24 }), 'tokensNeeded')).toBe(10);
  });
  it('dot mat and sort and carry tell dots, cups and choices', async () => {
    expect(fact(await pattern({ pattern: 'dot-mat', dials: { asked: 8, dot: 30 } }), 'dots')).toBe(8);
    const sorted = await pattern({ pattern: 'sort-and-carry', dials: { cups: 3 } });
    expect([fact(sorted, 'cups'), fact(sorted, 'choices')]).toEqual([3, 3]);
  });
  it('name the dial, the material or the role that is wrong', async () => {
    const path = async (body: object) => (await at('pattern', body, 422)).errors[0].path as string;
    expect(await path({ pattern: 'magic' })).toBe('pattern');
    expect(await path({ pattern: 'lace', dials: { holes: 2 } })).toBe('dials.holes');
    expect(await path({ pattern: 'lace', materials: { lace: ['milk-cap'] } })).toBe('materials.lace');
    expect(await path({ pattern: 'lace', materials: { lace: ['no-such-thing'] } })).toBe('materials.lace');
    expect(await path({ pattern: 'lace', materials: { hat: [] } })).toBe('materials.hat');
    expect((await at('pattern', { pattern: 'lace', ageFrom: -1 }, 400)).errors[0].path).toBe('ageFrom');
  });
});
