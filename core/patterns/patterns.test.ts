import { challenge } from '../challenge/bits.ts';
import { bounds } from '../drawing/marks.ts';
import { growing, stepPictures } from '../drawing/stepPictures.ts';
import { takes } from '../needs/supply.ts';
import { kitParts } from '../lend/parts.ts';
import { orderSteps } from '../plan/order.ts';
import { pagesOf } from '../print/pages.ts';
import { checkFeatures } from '../safety/check.ts';
import {
  APPROACHES,
  patternIds,
  loadPatterns,
  type AnyAt,
  type AnyDials,
  type DialSpec,
  type OpenPattern,
} from './index.ts';
import { TOOLS } from './kernel.ts';
import { usualMaterials } from './usual.ts';

const patterns = await loadPatterns();

const start = (p: OpenPattern, part: Partial<AnyAt> = {}): AnyAt => {
  const base = {
    approach: 'prepared shelf' as const,
    ageFrom: 36,
    chosen: usualMaterials(p.roles),
    ...part,
  };
  return { ...base, dials: p.defaults(base) };
};

/** Values a dial can be turned to: both ends, every choice, some words. */
function ends(spec: DialSpec): unknown[] {
  switch (spec.kind) {
    case 'number':
      return [spec.min, spec.max];
    case 'choice':
      return spec.options.map((o) => o.value);
    case 'switch':
      return [true, false];
    case 'text':
      return ['MOON', '12, 7'].filter(
        (t) => spec.allowed === undefined || new RegExp(`^(?:${spec.allowed})$`, 'u').test(t),
      );
    case 'outline':
      return [
        ...spec.options.map((o) => ({ kind: 'shape', shape: o.value })),
        { kind: 'letter', letter: 'B' },
        { kind: 'letter', letter: '8' },
      ];
  }
}

/** Everything the house derives from a design; throws where one of them does. */
function everything(p: OpenPattern, at: AnyAt) {
  const fit = p.fit(at);
  const drawing = p.draw(at, fit);
  const needs = p.needs(at);
  return {
    fit,
    drawing,
    needs,
    title: p.title(at),
    placed: orderSteps(p.steps(at), 2),
    bits: p.bits(at, fit),
    counts: p.counts(at),
    report: checkFeatures(p.features(at), { youngest: at.ageFrom, market: 'strictest of both' }),
    parts: kitParts(needs),
    pages: drawing.sheets.length > 0 ? pagesOf(drawing.sheets, { paper: 'A4' }) : [],
    show: p.show(at),
  };
}

it('every pattern has its folder, its own name and at least one skill', () => {
  expect(patterns.map((p) => p.id)).toEqual(patternIds());
  expect(new Set(patterns.map((p) => p.name)).size).toBe(patterns.length);
  for (const p of patterns) expect(p.skills.length).toBeGreaterThan(0);
});

describe.each(patterns.map((p) => [p.id, p] as const))('%s', (_, p) => {
  it.each(APPROACHES)('is seen growing, step by step: %s', (approach) => {
    const at = start(p, { approach });
    const order = orderSteps(p.steps(at), 1).map((s) => s.step.id);
    const things = growing(p.draw(at).scene, order);
    const grown = order.map((id) => things.get(id)!.picture.marks.length);
    // Nothing that is there is gone again, and at the end all of it is there, as it will be.
    expect(grown).toEqual([...grown].sort((a, b) => a - b));
    const last = things.get(order.at(-1)!)!.picture.marks;
    const whole = p
      .draw(at)
      .scene.marks.filter((m) => m.kind !== 'dimension' && !(m.kind === 'words' && m.on !== 'body'));
    expect(last.map((m) => ('role' in m ? m.role : m.kind))).toEqual(
      whole.map((m) => ('role' in m ? m.role : m.kind)),
    );
    expect(stepPictures(p.draw(at).scene, order).size).toBeGreaterThan(0);
  });
  it.each(APPROACHES)('begins well with what it is usually made of: %s', (approach) => {
    for (const ageFrom of [18, 36]) {
      const at = start(p, { approach, ageFrom });
      const all = everything(p, at);
      if (ageFrom >= 36) expect([all.fit.verdict, all.fit.headline]).not.toContain('stop');
      expect(p.check(at.dials)).toEqual(at.dials);
      expect(all.title.length).toBeGreaterThan(4);
      expect(all.counts.number).toBeGreaterThan(0);
      expect(all.parts.length).toBeGreaterThan(0);
    }
  });

  it('keeps the dials it begins with inside their ranges', () => {
    const at = start(p);
    for (const s of p.specs(at))
      if (s.kind === 'number') {
        const value = Number((at.dials as AnyDials)[s.id]);
        expect([s.id, value >= s.min - 1e-9 && value <= s.max + 1e-9]).toEqual([s.id, true]);
      }
  });

  it('turns every dial to both ends without an error, and draws nothing outside its scene', () => {
    const at = start(p);
    for (const s of p.specs(at))
      for (const value of ends(s)) {
        const dials = { ...(at.dials as AnyDials), [s.id]: value };
        const { drawing, fit } = everything(p, { ...at, dials });
        const { width, height, marks } = drawing.scene;
        const [left, top, right, bottom] = bounds(marks);
        const inside = left >= -1e-6 && top >= -1e-6 && right <= width + 1e-6 && bottom <= height + 1e-6;
        expect([s.id, value, inside]).toEqual([s.id, value, true]);
        expect(drawing.picture.marks.length).toBeGreaterThan(0);
        // What cannot be says what to do.
        if (fit.verdict !== 'clear') expect(fit.remedy?.length ?? 0).toBeGreaterThan(8);
        for (const f of fit.facts)
          if (typeof f.value === 'number') expect([f.id, Number.isFinite(f.value)]).toEqual([f.id, true]);
      }
  });

  it('has at least four levels that work, easier to harder, each with a picture', () => {
    const levels = p.levels(start(p));
    expect(levels.length).toBeGreaterThanOrEqual(4);
    const bits = levels.map((r) => r.load.total);
    expect(bits).toEqual([...bits].sort((a, b) => a - b));
    expect(bits.at(-1)!).toBeGreaterThan(bits[0]!);
    expect(levels.every((r) => r.picture.marks.length > 0 && r.grip.length > 3)).toBe(true);
    expect(new Set(levels.map((r) => r.id)).size).toBe(levels.length);
  });

  it('asks for bits that its moves add up to', () => {
    const at = start(p);
    const fit = p.fit(at);
    const moves = p.moves(at, fit);
    expect(moves.length).toBeGreaterThan(0);
    expect(p.bits(at, fit)).toBeCloseTo(challenge(moves).total, 9);
  });

  it('needs the materials it was given, more for more kits, and no blade in a child’s hand', () => {
    const at = start(p);
    const needs = p.needs(at);
    const given = Object.values(at.chosen)
      .flat()
      .map((m) => m.id);
    for (const n of needs) expect(given).toContain(n.materialId);
    const [one, five] = [takes(needs, 1), takes(needs, 5)];
    for (const [id, q] of one) {
      expect(q).toBeGreaterThan(0);
      expect(five.get(id)!).toBeGreaterThanOrEqual(q);
      expect(five.get(id)!).toBeLessThanOrEqual(5 * q + 1e-6);
    }
    const steps = p.steps(at);
    for (const s of steps) if (s.blade || s.heat) expect([s.id, s.who]).toEqual([s.id, 'adult']);
    expect(steps.at(-1)!.id).toBe('count');
    // What is cut is cut with something, and each tool is one of the bench's, named once a step.
    const tools = steps.flatMap((s) => s.tools);
    for (const s of steps) {
      expect([s.id, s.tools.filter((t) => !TOOLS.includes(t))]).toEqual([s.id, []]);
      expect(new Set(s.tools).size).toBe(s.tools.length);
      if (s.blade) expect([s.id, s.tools.length > 0]).toEqual([s.id, true]);
    }
    if (p.plan(at).cuts.length > 0) expect(tools.length).toBeGreaterThan(0);
  });

  it('gives children steps of their own when it is made together', () => {
    const at = start(p, { approach: 'made together' });
    expect(p.steps(at).some((s) => s.who === 'child')).toBe(true);
  });
});
