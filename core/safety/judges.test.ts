import type { Feature } from '../patterns/feature.ts';
import { checkFeatures, type CheckOptions, type TestDone } from './check.ts';
import { handTests } from './handTests.ts';
import { RULES } from './ruleList.ts';
import { appliedRule, decidingAge, NO_CHANGES, rulesOf, type OwnRule, type RuleChange } from './rules.ts';

const check = (features: readonly Feature[], youngest: number, part: Partial<CheckOptions> = {}) =>
  checkFeatures(features, { youngest, market: 'strictest of both', ...part });
const told = (...args: Parameters<typeof check>): string[] =>
  check(...args).findings.map((f) => `${f.rule}: ${f.verdict}`);
const of = (rule: string, ...args: Parameters<typeof check>) =>
  check(...args).findings.find((f) => f.rule === rule);

const EYE: Feature = {
  kind: 'attached',
  name: 'Button',
  shape: { kind: 'cylinder', diameter: 11, length: 2.5 },
  count: 2,
  held: 'glued',
};
const BEANS: Feature = {
  kind: 'filler',
  name: 'Bean',
  shape: { kind: 'ellipsoid', length: 12, width: 9, height: 8 },
  count: 40,
  ball: true,
  seal: 'staples',
};
const done = (part: string, test: string, passed = true, force: number | null = 95): TestDone => ({
  part,
  test,
  passed,
  force,
  on: '2026-11-20',
  by: 'Keeper',
});

describe('what can come loose', () => {
  it('is judged as if it came off, until its pull test is passed and on record', () => {
    expect(told([EYE], 24)).toEqual(['attached: stop']);
    expect(told([EYE], 40)).toEqual(['attached: care']);
    expect(told([EYE], 24, { tests: [done('Button', 'pull')] })).toEqual(['attached: care']);
    // Less than is asked proves less, and no force on record proves nothing.
    const by = (force: number | null) =>
      of('attached', [EYE], 24, { tests: [done('Button', 'pull', true, force)] })!;
    expect([by(5).verdict, by(89).verdict, by(null).verdict, by(90).verdict]).toEqual([
      'stop',
      'stop',
      'stop',
      'care',
    ]);
    expect(by(5).words).toMatch(/held 5 N; 90 N are asked/);
    expect(by(null).words).toMatch(/has no force on record; 90 N are asked/);
    // Another part's test, or another test of this part, says nothing of it.
    expect(told([EYE], 24, { tests: [done('Cap', 'pull'), done('Button', 'drop')] })).toEqual([
      'attached: stop',
    ]);
  });
  it('is stopped by a test that failed, whatever the age, until the same test is passed', () => {
    const failed = done('Button', 'pull', false);
    expect(told([EYE], 60, { tests: [failed] })).toEqual(['test: stop', 'attached: care']);
    expect(told([EYE], 60, { tests: [done('Button', 'pull'), failed] })).toEqual(['attached: care']);
  });
  it('does not matter where it is too large for the cylinder', () => {
    const knob: Feature = { ...EYE, shape: { kind: 'cylinder', diameter: 40, length: 20 } };
    expect(told([knob], 12)).toEqual(['attached: clear']);
  });
  it('behind a seal is loose as soon as that opens, and a ball by the ball gauge too', () => {
    expect(told([BEANS], 30)).toEqual(['small-ball: stop', 'filler: stop']);
    const tests = [done('Bean', 'drop'), done('Bean', 'pull')];
    expect(of('filler', [BEANS], 30, { tests })!.verdict).toBe('care');
    expect(of('filler', [BEANS], 30, { tests: tests.slice(1) })!.verdict).toBe('stop');
  });
});

describe('gaps, cords and bags', () => {
  it.each([
    [4, 'clear'],
    [9, 'care'],
    [20, 'care'],
  ])('jaws that open to %i mm are %s', (to, verdict) => {
    expect(told([{ kind: 'moving gap', where: 'jaw', from: 0, to }], 30)).toEqual([`moving-gap: ${verdict}`]);
  });
  it('jaws that never close below the limit pinch nobody', () => {
    expect(told([{ kind: 'moving gap', where: 'jaw', from: 13, to: 20 }], 30)).toEqual(['moving-gap: clear']);
  });
  it('a bag is measured round its mouth and by its film', () => {
    const bag = (mouth: number, film: number | null, drawstring = 0): Feature => ({
      kind: 'bag',
      name: 'Bag',
      mouth,
      film,
      airy: false,
      drawstring,
    });
    expect(told([bag(400, 0.02)], 48)).toEqual(['bag-film: stop', 'bag-mouth: care']);
    expect(told([bag(400, 0.05)], 48)).toEqual(['bag-mouth: care', 'bag-film: clear']);
    expect(told([{ ...bag(600, null), airy: true } as Feature], 12)).toEqual(['bag-mouth: clear']);
    // Where nobody measured the film, only the mouth is told.
    expect(told([bag(400, null)], 48)).toEqual(['bag-mouth: care']);
    expect(told([bag(300, 0.02)], 48)).toEqual(['bag-mouth: clear']);
    expect(told([bag(300, null, 300)], 12)).toEqual(['drawstring: stop', 'bag-mouth: clear']);
  });
  it('a cup of 64 to 102 mm can lie over a face, under three', () => {
    const cup = (mouth: number, depth = 40): Feature => ({ kind: 'hollow', name: 'Cup', mouth, depth });
    expect(told([cup(70)], 30)).toEqual(['hollow: care']);
    expect(told([cup(70)], 40)).toEqual(['hollow: clear']);
    for (const other of [cup(63), cup(103), cup(70, 12)]) expect(told([other], 30)).toEqual([]);
  });
  it('knots are counted, and the free length says how far it is from the limit', () => {
    const cord: Feature = { kind: 'cord', name: 'Lace', free: 250, loop: 0, knots: 2, tails: 20 };
    const found = of('cord', [cord], 12)!;
    expect(found.measured).toEqual({ value: 250, limit: 220, unit: 'mm', margin: -30 });
    expect(of('knot', [cord], 12)!.words).toBe('Lace: 2 knots, tails of 20 mm. What is untied is loose.');
  });
});

describe('what it is made of', () => {
  it('staples stop under three unless they are taped over', () => {
    const staples = (covered: boolean): Feature => ({
      kind: 'staple',
      where: 'round the rim',
      count: 9,
      covered,
    });
    expect(told([staples(false)], 30)).toEqual(['staple: stop']);
    expect(told([staples(true)], 30)).toEqual(['staple: care']);
    expect(told([staples(false)], 40)).toEqual(['staple: care']);
  });
  it('what cannot be washed is told once more under two', () => {
    const card: Feature = { kind: 'surface', name: 'Card', washable: false };
    expect(told([card], 20)).toEqual(['cleaning: care', 'mouthed: care']);
    expect(told([card], 24)).toEqual(['cleaning: care']);
  });
  it('a heavy part is told only where it is heavy, and what is fixed always', () => {
    expect(told([{ kind: 'heavy', name: 'Log', mass: 1200 }], 30)).toEqual(['heavy: care']);
    expect(told([{ kind: 'heavy', name: 'Log', mass: 900 }], 30)).toEqual([]);
    expect(told([{ kind: 'fixing', name: 'Rope peg', to: 'wall' }], 30)).toEqual(['fixing: care']);
  });
});

describe('the age that decides', () => {
  it('is under three where somebody still mouths, whatever the age', () => {
    expect([decidingAge(50, true), decidingAge(14, true), decidingAge(50, false)]).toEqual([35, 14, 50]);
    const bead: Feature = {
      kind: 'piece',
      name: 'Bead',
      shape: { kind: 'sphere', diameter: 20 },
      count: 6,
      ball: true,
    };
    expect(of('small-part', [bead], 50)!.verdict).toBe('care');
    expect(check([bead], 50, { mouths: true })).toMatchObject({ youngest: 35 });
    expect(of('small-part', [bead], 50, { mouths: true })!.verdict).toBe('stop');
  });
});

describe('rules as data', () => {
  const change = (part: Partial<RuleChange>): RuleChange => ({
    rule: 'finger',
    off: false,
    limit: null,
    below: null,
    verdict: null,
    remedy: null,
    by: 'Keeper',
    why: 'our habit',
    ...part,
  });
  const gap: Feature = {
    kind: 'opening',
    where: 'the slot',
    opening: { kind: 'round', diameter: 13 },
    sheet: 'rigid',
  };
  const withChange = (part: Partial<RuleChange>) => ({ rules: { changes: [change(part)], own: [] } });

  it('have a source each, a year or none, and one text a market', () => {
    for (const r of RULES) {
      expect(r.source.length).toBeGreaterThan(3);
      if (r.year !== null) expect(r.year).toBeGreaterThan(1970);
    }
    const keys = RULES.map((r) => `${r.id} ${r.market} ${r.looksAt}`);
    expect(new Set(keys).size).toBe(keys.length);
    expect(rulesOf('EU-type').every((r) => r.market !== 'US-type')).toBe(true);
  });
  it('are changed by a place in limit, age, verdict and remedy, and say so', () => {
    expect(of('finger', [gap], 30)!.verdict).toBe('clear');
    const found = of('finger', [gap], 30, withChange({ limit: 14, verdict: 'care', remedy: 'Drill it.' }))!;
    expect(found).toMatchObject({
      verdict: 'care',
      remedy: 'Drill it.',
      measured: { limit: 14, margin: -1 },
    });
    expect(found.changed).toMatch(/14 mm for 13 mm, care for stop, its own remedy/);
    expect(of('finger', [gap], 30, withChange({ limit: 14, below: 24 }))!.verdict).toBe('care');
  });
  it('that are off find nothing, and the report still names them', () => {
    const report = check([gap], 30, withChange({ off: true }));
    expect(report.findings).toEqual([]);
    expect(report.changed).toEqual(['Fingers in the opening: Changed here by Keeper (off): our habit']);
  });
  it('that were changed to what they are say nothing', () => {
    expect(appliedRule('finger', 'US-type', { changes: [change({ limit: 13 })], own: [] })!.changed).toBe(
      undefined,
    );
  });
  const own = (part: Partial<OwnRule>): OwnRule => ({
    id: 'own-low',
    title: 'Low posts',
    measure: 'post height',
    breaks: 'over',
    limit: 150,
    below: 48,
    verdict: 'stop',
    remedy: 'Cut it shorter.',
    by: 'Keeper',
    why: 'low tables',
    ...part,
  });
  it('of a place’s own look at one number, over or under a limit', () => {
    const post: Feature = { kind: 'post', name: 'Post', diameter: 20, height: 180, capped: true };
    const by = (rule: OwnRule) => ({ rules: { ...NO_CHANGES, own: [rule] } });
    expect(of('own-low', [post], 30, by(own({})))).toMatchObject({
      verdict: 'stop',
      words: 'Post: height of a post 180 mm, at most 150 mm here.',
      measured: { margin: -30 },
    });
    expect(of('own-low', [post], 60, by(own({})))!.verdict).toBe('care');
    expect(of('own-low', [post], 30, by(own({ breaks: 'under' })))!.verdict).toBe('clear');
    expect(of('own-low', [post], 30, by(own({ measure: 'cord free' })))).toBeUndefined();
  });
});

it('tests by hand hold the greater force of two markets, bite and soak among them (16 CFR 1500.51, EN 71-1 8.9; from memory)', () => {
  const both = handTests(12, 'strictest of both');
  expect(both.map((t) => t.id)).toEqual(['drop', 'pull', 'twist', 'press', 'bite', 'soak', 'feel']);
  expect(both.find((t) => t.id === 'pull')).toMatchObject({ force: 90, hold: 10 });
  expect(handTests(12, 'US-type').find((t) => t.id === 'pull')!.force).toBe(44.5);
  expect(handTests(48, 'EU-type').map((t) => t.id)).toEqual(['drop', 'pull', 'twist', 'press', 'feel']);
  // EN 71-1 8.3 and 8.8: 0.34 N·m and 110 N, which are more than 0.23 N·m and 89 N.
  expect(both.find((t) => t.id === 'twist')!.words).toMatch(/0.34 N·m/);
  expect(both.find((t) => t.id === 'press')).toMatchObject({ force: 110 });
  expect(handTests(48, 'strictest of both').find((t) => t.id === 'press')).toMatchObject({ force: 133 });
});
