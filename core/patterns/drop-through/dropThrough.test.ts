import fc from 'fast-check';
import { orderSteps } from '../../plan/order.ts';
import { CAP, design, kinds, material, SLOT_DIALS, TAPE, TUB } from '../../testing.ts';
import {
  APPROACHES,
  patternIds,
  loadPattern,
  patternOf,
  PatternError,
  type Chosen,
  type Fit,
} from '../index.ts';
import type { Detail } from './fit.ts';

const tub = TUB;
const cap = { ...CAP, hazards: ['loose liner' as const] };
const ball = material(3, {
  name: 'Ball',
  form: 'piece',
  solid: 'ball',
  sizes: { diameter: 50 },
  materialClass: 'wood',
});
const sponge = material(4, {
  name: 'Sponge',
  form: 'piece',
  solid: 'block',
  sizes: { length: 60, width: 45, height: 30 },
  give: 0.35,
  materialClass: 'foam',
});
const tape = TAPE;
const box = material(6, {
  name: 'Shoe box',
  form: 'container',
  sizes: { length: 310, width: 190, height: 110, wall: 1.5 },
  materialClass: 'card',
});

const drop = await loadPattern('drop-through');
const chosen = kinds({ container: tub, piece: cap, edge: tape });
const detail = (f: Fit): Detail => f.detail as Detail;
const dials = SLOT_DIALS;

describe('the pattern’s door', () => {
  it('names the dial that is wrong', () => {
    expect(() => drop.check({ ...dials, length: -3 })).toThrow(
      expect.objectContaining({ path: 'dials.length' }),
    );
    expect(() => drop.check({ ...dials, opening: 'heart' })).toThrow(/round, slot, star/);
    expect(() => drop.check({ ...dials, colour: 1 })).toThrow(PatternError);
  });
  it('names the role that is empty or wrong', () => {
    expect(() => drop.fit(design(dials, kinds({ container: tub })))).toThrow(
      expect.objectContaining({ path: 'materials.piece' }),
    );
    expect(() => drop.fit(design(dials, kinds({ container: cap, piece: cap })))).toThrow(
      /Cap is a disc; expected a container/,
    );
  });
  it('knows its patterns', () => {
    expect(() => patternOf('toString')).toThrow(/expected one of drop-through/);
    expect(patternIds()).toContain('drop-through');
  });
});

describe('where a design starts', () => {
  const length = fc.integer({ min: 8, max: 80 });
  const solids = fc.oneof(
    fc.record({ solid: fc.constant('ball'), sizes: fc.record({ diameter: length }) }),
    fc.record({ solid: fc.constant('rod'), sizes: fc.record({ diameter: length, length }) }),
    fc.record({ solid: fc.constant('cone'), sizes: fc.record({ diameter: length, height: length }) }),
    fc.record({
      solid: fc.constantFrom('block', 'egg'),
      sizes: fc.record({ length, width: length, height: length }),
    }),
  );
  it('lets the piece through, whatever it is, wherever the lid has room', () => {
    fc.assert(
      fc.property(
        solids,
        fc.constantFrom(...APPROACHES),
        fc.integer({ min: 6, max: 72 }),
        (solid, approach, ageFrom) => {
          const piece = material(7, { name: 'Find', form: 'piece', ...solid });
          const on = kinds({ container: box, piece });
          const start = drop.defaults({ approach, chosen: on, ageFrom });
          const { passage } = detail(drop.fit(design(start, on)));
          expect(passage.passes).toBe(true);
          expect(passage.gap).toBeGreaterThan(1);
        },
      ),
      { numRuns: 60 },
    );
  });
  it('gives a cube a square and a ball a hole', () => {
    const cube = material(7, {
      name: 'Cube',
      form: 'piece',
      solid: 'block',
      sizes: { length: 25, width: 25, height: 25 },
    });
    const start = (piece: typeof cube) =>
      drop.defaults({ approach: 'prepared shelf', chosen: kinds({ container: box, piece }), ageFrom: 36 });
    expect(start(cube)).toMatchObject({ opening: 'slot', length: 29, width: 28 });
    expect(start(ball)).toMatchObject({ opening: 'round', length: 53 });
  });
});

describe('fit', () => {
  it('lets the cap drop free through 42 × 17', () => {
    const f = drop.fit(design(dials, chosen));
    expect(f).toMatchObject({ verdict: 'clear', headline: 'Drops free', remedy: null });
    expect(detail(f).passage.gap).toBeCloseTo(3, 3);
  });
  it('counts what the container holds: half of its room, by the piece’s own', () => {
    expect(detail(drop.fit(design(dials, chosen))).holds).toBe(
      Math.floor((0.5 * 95 ** 2 * 110) / (38 ** 2 * 14)),
    );
  });
  it.each([
    [{ length: 37 }, 'stop', /Does not go through/, /needs 1 mm more room/],
    [{ width: 14.4 }, 'care', /Tight/, /0\.6 mm/],
    [{ length: 80 }, 'stop', /Lid too small/, /10 mm of lid/],
    [{ pieces: 30 }, 'care', /Full after 24/, /24 pieces/],
  ] as const)('%j comes out as %s', (part, verdict, headline, remedy) => {
    const f = drop.fit(design({ ...dials, ...part }, chosen));
    expect(f.verdict).toBe(verdict);
    expect(f.headline).toMatch(headline);
    expect(f.remedy).toMatch(remedy);
  });
  it('says when a tool does not open far enough', () => {
    expect(
      drop.fit(
        design(
          { ...dials, opening: 'round', length: 60, pieces: 4, tool: 'tongs' },
          kinds({ container: tub, piece: ball }),
        ),
      ).headline,
    ).toMatch(/tongs/);
    expect(drop.fit(design({ ...dials, tool: 'peg' }, chosen, { ageFrom: 36 })).verdict).toBe('clear');
  });
  it('lets a soft piece be squeezed in', () => {
    expect(
      drop.fit(
        design(
          { ...dials, opening: 'round', length: 42, pieces: 4 },
          kinds({ container: tub, piece: sponge }),
        ),
      ).headline,
    ).toBe('Goes in with a squeeze');
  });
});

describe('levels', () => {
  it.each([
    ['a cap', chosen],
    ['a ball', kinds({ container: tub, piece: ball })],
    ['a sponge', kinds({ container: tub, piece: sponge })],
    ['a cap in a shoe box', kinds({ container: box, piece: cap })],
  ] as [string, Chosen][])('%s gets at least four, sorted by load, all of which pass', (_, c) => {
    const levels = drop.levels(design(dials, c));
    expect(levels.length).toBeGreaterThanOrEqual(4);
    expect(levels.map((r) => r.load.total)).toEqual(
      [...levels.map((r) => r.load.total)].sort((a, b) => a - b),
    );
    expect(levels.every((r) => detail(r.fit).passage.passes)).toBe(true);
    expect(new Set(levels.map((r) => r.id)).size).toBe(levels.length);
  });
  it('has dials that make a design of their own', () => {
    for (const r of drop.levels(design(dials, chosen)))
      expect(drop.fit(design(r.dials, chosen)).verdict).not.toBe('stop');
  });
  it('asks for more bits where the gap is less', () => {
    const bits = (width: number): number => {
      const at = design({ ...dials, width }, chosen);
      return drop.moves(at, drop.fit(at)).reduce((n, m) => n + Math.log2((2 * m.distance) / m.tolerance), 0);
    };
    expect(bits(15)).toBeGreaterThan(bits(16));
    expect(bits(16)).toBeGreaterThan(bits(18));
  });
});

describe('needs, steps and layout', () => {
  it('needs a tub, the pieces and tape once round the edge with a tenth over', () => {
    expect(drop.needs(design(dials, chosen)).map((n) => [n.role, n.quantity])).toEqual([
      ['container', 1],
      ['piece', 8],
      ['edge', Math.ceil(1.1 * 118)],
    ]);
    expect(
      drop
        .needs(design(dials, chosen))
        .filter((n) => n.counted)
        .map((n) => n.role),
    ).toEqual(['container', 'piece']);
  });
  it('keeps the blade to one adult step, after drawing and before trying', () => {
    const placed = orderSteps(drop.steps(design(dials, chosen)), 3);
    const at = (id: string): number => placed.findIndex((p) => p.step.id === id);
    expect(placed.filter((p) => p.step.blade).map((p) => [p.step.id, p.step.who])).toEqual([
      ['cut', 'adult'],
    ]);
    expect(at('draw')).toBeLessThan(at('cut'));
    expect(at('cut')).toBeLessThan(at('try'));
  });
  it('gives children their own steps when it is made together', () => {
    expect(
      drop
        .steps(design(dials, chosen, { approach: 'made together' }))
        .filter((s) => s.who === 'child')
        .map((s) => s.id),
    ).toEqual(['wash', 'draw', 'stickers']);
  });
  it('changes real defaults with the approach and the age', () => {
    const start = (approach: 'prepared shelf' | 'grab bag', ageFrom: number) =>
      drop.defaults({ approach, chosen, ageFrom });
    expect(start('prepared shelf', 24)).toMatchObject({ opening: 'slot', length: 42, width: 17, pieces: 6 });
    expect(start('grab bag', 24)).toMatchObject({ pieces: 4 });
    expect(Number(start('prepared shelf', 12).width)).toBeGreaterThan(17);
    expect(
      drop.defaults({
        approach: 'prepared shelf',
        chosen: kinds({ container: tub, piece: ball }),
        ageFrom: 24,
      }).opening,
    ).toBe('round');
  });
  it('draws lid, opening and piece in their own sizes', () => {
    const at = design(dials, chosen);
    const { scene, sheets } = drop.draw(at, drop.fit(at));
    const { marks } = scene;
    const circles = marks.flatMap((m) =>
      m.kind === 'circle' && (m.role === 'body' || m.role === 'piece') ? [[m.role, 2 * m.radius]] : [],
    );
    expect(circles).toEqual([
      ['body', 95],
      ['piece', 38],
    ]);
    expect(marks.flatMap((m) => (m.kind === 'dimension' ? [m.value] : []))).toEqual([42, 17, 95, 38, 14]);
    const cut = sheets[0]!.marks.find((m) => m.kind === 'outline' && m.role === 'cut');
    expect(cut?.kind === 'outline' && Math.max(...cut.points.map((p) => p[0])) * 2).toBe(42);
  });
  it('turns the drawing with the dial', () => {
    const { sheets } = drop.draw(design({ ...dials, turn: 90 }, chosen));
    const cut = sheets[0]!.marks.find((m) => m.kind === 'outline' && m.role === 'cut');
    expect(cut?.kind === 'outline' && Math.max(...cut.points.map((p) => p[1])) * 2).toBeCloseTo(42, 9);
  });
});
