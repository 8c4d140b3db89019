import type { Material } from '../materials/material.ts';
import { loadPattern } from '../patterns/index.ts';
import { accountOf } from '../patterns/account.ts';
import { bagFeatures } from '../patterns/making.ts';
import { CAP, design, kinds, material, SLOT_DIALS, TAPE, TUB } from '../testing.ts';
import { checkFeatures } from './check.ts';
import { handTests } from './handTests.ts';
import { lookedOverOf } from './lookedOver.ts';
import { ruleOf, type Market } from './rules.ts';

const drop = await loadPattern('drop-through');
const tub = TUB;
const tin = material(9, {
  name: 'Tin',
  form: 'container',
  sizes: { diameter: 95, height: 110, wall: 0.3 },
  materialClass: 'metal',
});
const cap = CAP;
const bead = material(3, { name: 'Bead', form: 'piece', solid: 'ball', sizes: { diameter: 20 } });
const ball = material(4, { name: 'Ball', form: 'piece', solid: 'ball', sizes: { diameter: 40 } });
const tape = TAPE;

const report = (
  piece: Material,
  youngest: number,
  part: object = {},
  container = tub,
  edge?: Material,
  market: Market = 'strictest of both',
) =>
  checkFeatures(drop.features(design({ ...SLOT_DIALS, ...part }, kinds({ container, piece, edge }))), {
    youngest,
    market,
  });
const verdict = (r: ReturnType<typeof report>, title: string): string | undefined =>
  r.findings.find((f) => f.title === title)?.verdict;

describe('small parts', () => {
  it('says stop to a bead under three years, take care above', () => {
    expect(verdict(report(bead, 18), 'Small parts')).toBe('stop');
    expect(verdict(report(bead, 35), 'Small parts')).toBe('stop');
    expect(verdict(report(bead, 36), 'Small parts')).toBe('care');
  });
  it('clears a bottle cap that stands out', () => {
    expect(verdict(report(cap, 12), 'Small parts')).toBe('clear');
  });
  it('stops a 40 mm ball by the ball gauge though the cylinder lets it be', () => {
    const r = report(ball, 18, { opening: 'round', length: 50 });
    expect(verdict(r, 'Small parts')).toBe('clear');
    expect(verdict(r, 'Balls')).toBe('stop');
  });
});

describe('openings and edges', () => {
  it.each([
    [5.5, 'clear'],
    [6, 'stop'],
    [12.5, 'stop'],
    [13, 'clear'],
  ])(
    'a %f mm hole in a rigid lid is %s for fingers: a 6 mm rod in means a 13 mm rod in',
    (length, expected) => {
      expect(verdict(report(cap, 18, { opening: 'round', length }), 'Fingers in the opening')).toBe(expected);
      // The text speaks of children to 60 months, and of sheet under 1.58 mm.
      const older = report(cap, 60, { opening: 'round', length });
      expect(verdict(older, 'Fingers in the opening')).toBe(expected === 'stop' ? 'care' : expected);
      const thick = { ...tub, sizes: { ...tub.sizes, wall: 1.6 } };
      expect(verdict(report(cap, 18, { opening: 'round', length }, thick), 'Fingers in the opening')).toBe(
        expected === 'stop' ? 'care' : expected,
      );
    },
  );
  it('a slot that is long rings no finger: the text speaks of round holes', () => {
    expect(verdict(report(cap, 18, { width: 10 }), 'Fingers in the opening')).toBe('care');
    expect(verdict(report(cap, 18, { width: 14 }), 'Fingers in the opening')).toBe('clear');
  });
  it('measures a star by the rod that goes into it', () => {
    const star = { opening: 'star', length: 60, width: 20, points: 5 };
    expect(verdict(report(cap, 18, star), 'Fingers in the opening')).toBe('clear');
    expect(verdict(report(cap, 18, { ...star, width: 10 }), 'Fingers in the opening')).toBe('stop');
  });
  it('says take care of a cut plastic edge, stop to cut metal', () => {
    expect(report(cap, 18).findings.find((f) => f.title === 'Cut edge')?.remedy).toMatch(/tape the edge/);
    expect(report(cap, 18, {}, tub, tape).findings.find((f) => f.title === 'Cut edge')?.words).toMatch(
      /taped over/,
    );
    expect(verdict(report(cap, 18, {}, tin), 'Cut edge')).toBe('stop');
  });
});

describe('the report as a whole', () => {
  it('puts what stops first and says what was not checked', () => {
    const r = report(bead, 18);
    expect(r.findings[0]!.verdict).toBe('stop');
    expect(r.unchecked.length).toBeGreaterThan(2);
  });
  it('never claims safety', () => {
    const words = JSON.stringify(
      [bead, ball, cap].flatMap((p) => [12, 40].map((age) => report(p, age).findings)),
    );
    expect(words).not.toMatch(/\bsafe\b/i);
  });
  it('judges a hazard by age', () => {
    const cell = { ...cap, hazards: ['button cell' as const] };
    expect(verdict(report(cell, 18), 'Cap: button cell')).toBe('stop');
    expect(verdict(report({ ...cap, hazards: ['magnet' as const] }, 120), 'Cap: magnet')).toBe('stop');
  });
});

describe('tests by hand (16 CFR 1500.51 to .53, from memory)', () => {
  it('grow with age', () => {
    expect(
      handTests(12, 'US-type')
        .map((t) => t.words)
        .join(),
    ).toMatch(/10 × from 1.37 m.*44.5 N.*0.23 N·m.*89 N/);
    expect(
      handTests(24, 'US-type')
        .map((t) => t.words)
        .join(),
    ).toMatch(/4 × from 0.91 m.*66.7 N.*0.34 N·m.*111 N/);
    expect(
      handTests(48, 'US-type')
        .map((t) => t.words)
        .join(),
    ).toMatch(/0.45 N·m.*133 N/);
  });
  it('take both where the strictest counts', () => {
    expect(handTests(24, 'strictest of both')[0]!.words).toBe('Drop 4 × from 0.91 m, then 5 × from 0.85 m');
    expect(handTests(24, 'EU-type').map((t) => t.id)).toEqual([
      'drop',
      'pull',
      'twist',
      'press',
      'soak',
      'feel',
    ]);
  });
});

describe('whose rules', () => {
  const marble = material(12, { name: 'Ball', form: 'piece', solid: 'ball', sizes: { diameter: 44.45 } });
  const balls = (market: Market) => verdict(report(marble, 18, {}, tub, undefined, market), 'Balls');
  it('decide: a ball of 44.45 mm passes the gauge of one market and not of the other', () => {
    expect(balls('US-type')).toBe('clear');
    expect(balls('EU-type')).toBe('stop');
    expect(balls('strictest of both')).toBe('stop');
  });
  it('are those that the report names, and each finding cites its own', () => {
    for (const market of ['US-type', 'EU-type', 'strictest of both'] as const) {
      const r = report(marble, 18, {}, tub, undefined, market);
      expect(r.market).toBe(market);
      expect(r.findings.find((f) => f.title === 'Balls')!.source).toBe(ruleOf('small-ball', market)!.source);
    }
    expect(ruleOf('small-ball', 'US-type')!.source).toMatch(/CFR/);
    expect(ruleOf('finger', 'EU-type')!.source).not.toMatch(/ASTM/);
  });
});

describe('food and plants', () => {
  const of = (features: Parameters<typeof checkFeatures>[0], youngest = 40) =>
    checkFeatures(features, { youngest, market: 'strictest of both' }).findings.map(
      (f) => `${f.title}: ${f.verdict}`,
    );
  it('stop food of a form that chokes under five, and take care above', () => {
    const grape = [{ kind: 'hazard', name: 'Grape', hazard: 'choking form' }] as const;
    expect(of([...grape], 59)).toEqual(['Grape: choking form: stop']);
    expect(of([...grape], 60)).toEqual(['Grape: choking form: care']);
  });
  it('go by the list of plants: never, irritant, commonly used, or not known', () => {
    const found = (name: string, as: 'plant' | 'wood' = 'plant') => of([{ kind: 'plant', name, as }]);
    expect(found('Oleander twig')).toEqual(['Oleander twig: stop']);
    expect(found('Ivy runner')).toEqual(['Ivy runner: care']);
    expect(found('Lavender stem')).toEqual(['Lavender stem: clear']);
    expect(found('Grass from the lane')).toEqual(['Grass from the lane: care']);
    // Of wood only what the list warns of is told: a peg or a cheese box is none of it.
    expect(found('Yew twig', 'wood')).toEqual(['Yew twig: stop']);
    expect(found('Willow twig', 'wood')).toEqual([]);
    for (const name of ['Clothes peg, wooden', 'Round cheese box, wooden', 'Dowel cut', 'Log slice'])
      expect(found(name, 'wood')).toEqual([]);
  });
  it('are told of whatever is made of them', () => {
    const stem = material(30, {
      name: 'Ivy stem',
      form: 'piece',
      solid: 'rod',
      sizes: { diameter: 2, length: 250 },
      materialClass: 'plant',
    });
    expect(report(stem, 48).findings.find((f) => f.title === 'Ivy stem')).toMatchObject({ verdict: 'care' });
    expect(report(cap, 48).findings.some((f) => f.id === 'plant')).toBe(false);
  });
});

describe('what was in a container before', () => {
  const report = (clean: boolean | undefined) =>
    checkFeatures([], {
      youngest: 24,
      market: 'strictest of both',
      lookedOver: lookedOverOf({ container: [{ ...TUB, clean }] }),
    });
  it('is answered where all that is kept was looked over and clean, and not checked otherwise', () => {
    expect(report(true).answered).toEqual(['What was in the container before: it was looked over and clean']);
    expect(report(true).unchecked.join()).not.toMatch(/container/);
    for (const unknown of [report(false), report(undefined)]) {
      expect(unknown.answered).toEqual([]);
      expect(unknown.unchecked).toContain('What was in the container before');
    }
  });
  it('is not asked where there is no container', () => {
    expect(lookedOverOf({ piece: [{ ...TUB, form: 'disc' }] })).toBeNull();
  });
});

describe('what was measured or tried of a find', () => {
  const of = (part: Partial<Material>, youngest = 48) =>
    checkFeatures(
      accountOf({
        plan: {
          needs: [
            {
              role: 'piece',
              use: 'piece',
              materialId: CAP.id,
              name: CAP.name,
              quantity: 1,
              unit: 'each',
              counted: true,
            },
          ],
          cuts: [],
        },
        chosen: { piece: [{ ...CAP, ...part }] },
        reaches: {},
      }),
      { youngest, market: 'strictest of both' },
    );
  const magnet = (risks?: Material['risks']) =>
    of({ hazards: ['magnet'], risks }).findings.find((f) => f.rule === 'magnet');
  it('a magnet is strong until its flux index is known to be under 50 kG² mm²', () => {
    expect(magnet()).toMatchObject({ verdict: 'stop', measured: null });
    expect(magnet({ flux: 50 })).toMatchObject({ verdict: 'stop', measured: { value: 50, limit: 50 } });
    expect(magnet({ flux: 49.9 })).toMatchObject({ verdict: 'clear' });
  });
  const held = (
    hazard: 'battery' | 'button cell',
    how: 'screwed' | 'two moves' | 'by hand' | undefined,
    age: number,
  ) =>
    of({ name: 'Box', hazards: [hazard], risks: { door: how } }, age).findings.find((f) =>
      f.rule.startsWith('b'),
    )!.verdict;
  it('a battery door takes a tool under three, and one that opens by hand is stopped to eight years', () => {
    const ways = ['screwed', 'two moves', 'by hand', undefined] as const;
    expect(ways.map((w) => held('battery', w, 30))).toEqual(['clear', 'stop', 'stop', 'stop']);
    expect(ways.map((w) => held('battery', w, 48))).toEqual(['clear', 'clear', 'stop', 'care']);
  });
  it('a button cell is stopped at every age until its door is known to keep it in (16 CFR 1263)', () => {
    const ways = ['screwed', 'two moves', 'by hand', undefined] as const;
    for (const age of [6, 48, 200])
      expect(ways.map((w) => held('button cell', w, age))).toEqual(['care', 'care', 'stop', 'stop']);
  });
  it('a bag says how long its drawstring is', () => {
    const bag = material(9, {
      name: 'Bag',
      form: 'sheet',
      materialClass: 'fabric',
      sizes: { length: 300, width: 200, wall: 0.5 },
      risks: { drawstring: 400 },
    });
    const found = checkFeatures(bagFeatures([bag]), { youngest: 12, market: 'strictest of both' }).findings;
    expect(found.find((f) => f.rule === 'drawstring')).toMatchObject({
      verdict: 'stop',
      measured: { value: 400 },
    });
  });
});
