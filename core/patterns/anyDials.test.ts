import fc from 'fast-check';
import { checkFeatures } from '../safety/check.ts';
import { isUntold, namesIn, saidOf } from '../languages/testing.ts';
import type { Feature } from './feature.ts';
import { MARKETS } from '../safety/rules.ts';
import { orderSteps } from '../plan/order.ts';
import type { Mark } from '../drawing/mark.ts';
import { boxOf } from '../geometry/polygon.ts';
import type { Vec2 } from '../geometry/vector.ts';
import { SHAPES } from '../outline/shapes.ts';
import type { Hand } from '../child/hand.ts';
import {
  APPROACHES,
  patternIds,
  loadPatterns,
  PatternError,
  type AnyAt,
  type AnyDials,
  type DialSpec,
  type OpenPattern,
} from './index.ts';
import { usualMaterials } from './usual.ts';

const patterns = await loadPatterns(patternIds());

/** Something that a dial can be turned to, by a number from 0 to 1. */
function turnedTo(spec: DialSpec, share: number): unknown {
  switch (spec.kind) {
    case 'switch':
      return share < 0.5;
    case 'choice':
      return spec.options[Math.min(spec.options.length - 1, Math.floor(share * spec.options.length))]!.value;
    case 'number': {
      const steps = Math.max(0, Math.floor((spec.max - spec.min) / spec.step + 1e-9));
      return spec.min + Math.round(share * steps) * spec.step;
    }
    case 'outline': {
      const names = Object.keys(SHAPES);
      return { kind: 'shape', shape: names[Math.floor(share * (names.length - 1))]! };
    }
    case 'text':
      return undefined;
  }
}

interface Turn {
  readonly which: number;
  readonly share: number;
}
const turns = fc.array(
  fc.record({
    which: fc.integer({ min: 0, max: 30 }),
    share: fc.double({ min: 0, max: 1, noNaN: true }),
  }),
  { minLength: 1, maxLength: 7 },
);

/** A design whose dials were turned one after the other, each within the range that it had then. */
function turned(p: OpenPattern, start: Omit<AnyAt, 'dials'>, by: readonly Turn[]): AnyAt {
  let dials: AnyDials = p.defaults(start);
  for (const { which, share } of by) {
    const specs = p.specs({ ...start, dials });
    const spec = specs[which % specs.length]!;
    const value = turnedTo(spec, share);
    if (value === undefined) continue;
    const next = { ...dials, [spec.id]: value };
    try {
      // What two dials cannot be together is told by the pattern, and the turn is not taken.
      p.check(next);
      dials = next;
    } catch (error) {
      if (!(error instanceof PatternError)) throw error;
    }
  }
  return { ...start, dials };
}

/** Every number in a value, however deep. */
function numbersIn(value: unknown): number[] {
  if (typeof value === 'number') return [value];
  if (Array.isArray(value)) return value.flatMap(numbersIn);
  return typeof value === 'object' && value !== null ? Object.values(value).flatMap(numbersIn) : [];
}
const areFinite = (value: unknown): boolean => numbersIn(value).every(Number.isFinite);

/** Points that a figure reaches. */
const cornersOf = (m: Mark): readonly Vec2[] =>
  m.kind === 'circle'
    ? [
        [m.at[0] - m.radius, m.at[1] - m.radius],
        [m.at[0] + m.radius, m.at[1] + m.radius],
      ]
    : m.kind === 'outline' || m.kind === 'line'
      ? m.points
      : [];

/** The answer, or the word that it cannot be: anything else that is thrown is a fault. */
function told<T>(work: () => T): T | null {
  try {
    return work();
  } catch (error) {
    if (error instanceof PatternError) {
      expect(error.path).not.toBe('');
      expect(error.message).not.toBe('');
      return null;
    }
    throw error;
  }
}

/** Of these every feature is told of, whatever comes out; the others only where there is something to say. */
const TOLD: readonly Feature['kind'][] = [
  'piece',
  'attached',
  'filler',
  'moving gap',
  'cord',
  'cut edge',
  'post',
  'point',
  'staple',
  'spring',
  'skin',
  'tool',
  'fixing',
  'remnant',
  'hazard',
];

describe.each(patterns.map((p) => [p.id, p] as const))('%s, however its dials are turned,', (_, p) => {
  const start = (n: number, ageFrom: number): Omit<AnyAt, 'dials'> => ({
    approach: APPROACHES[n % APPROACHES.length]!,
    ageFrom,
    chosen: usualMaterials(p.roles),
  });
  const design = fc
    .tuple(fc.integer({ min: 0, max: 3 }), fc.integer({ min: 12, max: 90 }), turns)
    .map(([n, age, by]) => turned(p, start(n, age), by));
  const runs = { numRuns: 25, seed: 11 };

  it('is told in Spanish, its cautions and labels too', () => {
    const untold = new Set<string>();
    fc.assert(
      fc.property(design, (at) => {
        const [english, spanish] = (['en', 'es'] as const).map((language) =>
          told(() => saidOf(p, { ...at, language })),
        );
        const names = namesIn(at);
        spanish?.forEach((words, i) => {
          if (isUntold(words, english![i]!, names)) untold.add(words);
        });
      }),
      runs,
    );
    expect([...untold]).toEqual([]);
  });

  it('has an answer in numbers and words, or says why not', () => {
    fc.assert(
      fc.property(design, (at) => {
        const fit = told(() => p.fit(at));
        if (!fit) return;
        expect(fit.headline).not.toBe('');
        expect(areFinite(fit.facts)).toBe(true);
        if (fit.verdict === 'stop') expect(fit.remedy ?? '').not.toBe('');
        const bits = p.bits(at, fit);
        if (bits !== null) expect(bits).toBeGreaterThanOrEqual(0);
        expect(areFinite(p.moves(at, fit))).toBe(true);
        expect(p.title(at)).not.toMatch(/undefined|NaN/);
        expect(JSON.stringify(p.show(at))).not.toMatch(/undefined|NaN|\bsafe\b/i);
        const { of, number } = p.counts(at);
        expect(of).not.toBe('');
        expect(Number.isFinite(number)).toBe(true);
      }),
      runs,
    );
  });
  it('is drawn within its scene, its small picture and its templates too', () => {
    fc.assert(
      fc.property(design, (at) => {
        const drawing = told(() => p.draw(at, p.fit(at)));
        if (!drawing) return;
        for (const scene of [drawing.scene, drawing.picture]) {
          expect(areFinite(scene)).toBe(true);
          expect(scene.width).toBeGreaterThan(0);
          const [left, top, right, bottom] = boxOf(scene.marks.flatMap(cornersOf));
          expect(Math.min(left, top)).toBeGreaterThanOrEqual(-1e-6);
          expect(right).toBeLessThanOrEqual(scene.width + 1e-6);
          expect(bottom).toBeLessThanOrEqual(scene.height + 1e-6);
        }
        for (const sheet of drawing.sheets) {
          expect(areFinite(sheet.marks)).toBe(true);
          expect(sheet.count).toBeGreaterThan(0);
        }
      }),
      runs,
    );
  });
  it('takes whole, positive quantities and has steps that can be put in order', () => {
    fc.assert(
      fc.property(design, (at) => {
        const plan = told(() => p.plan(at));
        if (!plan) return;
        const ids = plan.steps.map((s) => s.id);
        expect(new Set(ids).size).toBe(ids.length);
        for (const s of plan.steps) {
          expect(s.perCopy).toBeGreaterThanOrEqual(0);
          expect(Number.isFinite(s.setUp + s.perCopy + s.drying)).toBe(true);
          expect(`${s.title} ${s.words}`).not.toMatch(/undefined|NaN/);
          // What cuts says so with its tool.
          if (s.blade) expect(s.who).toBe('adult');
        }
        expect(orderSteps(plan.steps, 3)).toHaveLength(ids.length);
        for (const n of told(() => p.needs(at)) ?? []) {
          expect(n.quantity).toBeGreaterThanOrEqual(0);
          expect(Number.isInteger(n.quantity)).toBe(true);
        }
      }),
      runs,
    );
  });
  it('is checked in every market at every age, no feature of it unjudged', () => {
    fc.assert(
      fc.property(design, fc.integer({ min: 0, max: 96 }), (at, youngest) => {
        const features = told(() => p.features(at));
        if (!features) return;
        expect(areFinite(features)).toBe(true);
        for (const market of MARKETS) {
          const report = checkFeatures(features, { youngest, market });
          const gauged = features.filter((f) => ['piece', 'attached', 'filler'].includes(f.kind));
          expect(report.gauged).toHaveLength(gauged.length);
          for (const f of features)
            if (TOLD.includes(f.kind)) {
              const name = 'where' in f ? f.where : f.name;
              expect(report.findings.filter((x) => x.where === name).length).toBeGreaterThan(0);
            }
          for (const f of report.findings) expect(f.words).not.toMatch(/undefined|NaN|\bsafe\b/i);
        }
      }),
      { ...runs, numRuns: 8 },
    );
  });
  it('keeps what it was in a hand that fits, and works in any that it fitted before', () => {
    const hands = fc.record({
      span: fc.option(fc.integer({ min: 60, max: 200 }), { nil: undefined }),
      opening: fc.option(fc.integer({ min: 20, max: 120 }), { nil: undefined }),
      force: fc.option(fc.integer({ min: 2, max: 60 }), { nil: undefined }),
      reach: fc.option(fc.integer({ min: 150, max: 600 }), { nil: undefined }),
      standing: fc.option(fc.integer({ min: 700, max: 1500 }), { nil: undefined }),
      finger: fc.option(fc.integer({ min: 30, max: 60 }), { nil: undefined }),
      side: fc.constantFrom('right' as const, 'left' as const, 'not settled' as const),
      oneHanded: fc.boolean(),
    });
    fc.assert(
      fc.property(design, hands, (at, hand) => {
        const before = told(() => p.fit(at));
        const fitted = before && told(() => p.forHand(at, hand as Hand));
        if (!before || !fitted) return;
        const after = p.fit({ ...at, dials: fitted.dials });
        if (before.verdict !== 'stop') expect(after.verdict).not.toBe('stop');
        // Fitted once more it stays as it is: the dials start from the hand, they do not run after it.
        const again = p.forHand({ ...at, dials: fitted.dials }, hand);
        expect(p.fit({ ...at, dials: again.dials }).verdict).toBe(after.verdict);
      }),
      { ...runs, numRuns: 10 },
    );
  });
});
