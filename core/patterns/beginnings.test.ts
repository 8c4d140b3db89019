import { checkFeatures } from '../safety/check.ts';
import { APPROACHES, loadPatterns, patternIds, type AnyAt, type OpenPattern } from './index.ts';
import { usualMaterials } from './usual.ts';

const patterns = await loadPatterns(patternIds());
const AGES = [18, 30, 48, 66] as const;
const begin = (
  p: OpenPattern,
  approach: (typeof APPROACHES)[number],
  ageFrom: number,
  more: object = {},
): AnyAt => {
  const start = { approach, ageFrom, chosen: usualMaterials(p.roles) };
  return { ...start, dials: p.defaults(start), ...more };
};

/** Every pattern as it begins from its usual materials, in every approach and at four ages. */
describe.each(patterns.map((p) => [p.id, p] as const))('%s, from its usual materials', (_, p) => {
  const all = APPROACHES.flatMap((approach) => AGES.map((age) => begin(p, approach, age)));
  it('does what it is meant to', () => {
    const stopped = all
      .filter((at) => p.fit(at).verdict === 'stop')
      .map((at) => `${at.approach}, ${at.ageFrom} months: ${p.fit(at).headline}`);
    expect(stopped).toEqual([]);
  });
  it('keeps its dials within what the bench shows', () => {
    for (const at of all)
      for (const spec of p.specs(at)) {
        if (spec.kind !== 'number') continue;
        const value = Number((at.dials as Record<string, unknown>)[spec.id]);
        const said = `${at.approach}, ${at.ageFrom}: ${spec.id} ${value} of ${spec.min} to ${spec.max}`;
        expect([said, value >= spec.min - 1e-6 && value <= spec.max + 1e-6]).toEqual([said, true]);
      }
  });
  it('takes into its bill only what was chosen, whole numbers of it, and shares that fit them', () => {
    for (const at of all) {
      const chosen = new Set(
        Object.values(at.chosen)
          .flat()
          .map((m) => m.id),
      );
      for (const n of p.needs(at)) {
        expect(chosen.has(n.materialId)).toBe(true);
        expect(Number.isInteger(n.quantity) || n.unit === 'mm').toBe(true);
        expect(n.quantity).toBeGreaterThan(0);
        if (n.share === undefined) continue;
        expect(n.share).toBeGreaterThan(0);
        expect(n.quantity).toBe(Math.max(1, Math.ceil(n.share - 1e-9)));
      }
    }
  });
  it('says its steps in both languages, step by step, with the same minutes and hands', () => {
    for (const at of all.filter((a) => a.ageFrom === 48)) {
      const [en, es] = (['en', 'es'] as const).map((language) => p.steps({ ...at, language }));
      expect(es!.map((s) => [s.id, s.perCopy, s.who])).toEqual(en!.map((s) => [s.id, s.perCopy, s.who]));
      for (const [i, s] of es!.entries()) expect(s.words).not.toBe(en![i]!.words);
    }
  });
  it('speaks of more kits only in what is done for all of them at one go', () => {
    for (const at of all.filter((a) => a.ageFrom === 48)) {
      const [one, six] = [1, 6].map((kits) => p.steps({ ...at, kits }));
      for (const [i, s] of six!.entries())
        if (s.title !== one![i]!.title) expect([s.id, s.setUp]).toEqual(['wash', 3]);
    }
  });
  it('is said to be for whom: a band of ages, and a grip for each level in the field’s words', () => {
    for (const at of all.filter((a) => a.ageFrom === 48)) {
      const [from, to] = p.usualFrom(at);
      expect(to).toBeGreaterThan(from);
      const fact = p.fit(at).facts.find((f) => f.id === 'usualFrom')!;
      expect(fact.label).toContain('children differ');
      for (const level of p.levels(at))
        expect([
          level.name,
          /grasp|pinch|pincer|isolation|translation|rotation|coordination|feet/.test(level.grip),
        ]).toEqual([level.name, true]);
    }
  });
  it('is checked without a line that nobody has an account of', () => {
    for (const at of all) {
      const report = checkFeatures(p.features(at), { youngest: at.ageFrom, market: 'strictest of both' });
      expect([at.approach, at.ageFrom, report.isAccounted]).toEqual([at.approach, at.ageFrom, true]);
    }
  });
});
