import { loadPatterns, patternIds, type AnyAt, type AnyDials, type Fact } from './index.ts';
import { settingsOf } from './testingSettings.ts';

const patterns = await loadPatterns(patternIds());

const near = (a: unknown, b: unknown): boolean =>
  typeof a === 'number' && typeof b === 'number' ? Math.abs(a - b) < 0.06 : a === b;
const word = (label: string): string => label.toLowerCase();

describe.each(patterns.map((p) => [p.id, p] as const))(
  '%s: no fact contradicts another on its page',
  (_, p) => {
    const all = settingsOf(p).map((at) => ({ at, fit: p.fit(at) }));
    /** What is wrong somewhere, with the dials that it is wrong at. */
    const wrong = (test: (at: AnyAt, facts: readonly Fact[]) => readonly string[]): string[] =>
      all.flatMap(({ at, fit }) => test(at, fit.facts).map((w) => `${w} at ${JSON.stringify(at.dials)}`));

    it('each has a name of its own', () => {
      const twice = (names: string[]): string[] => names.filter((n, i) => names.indexOf(n) !== i);
      expect(wrong((_at, facts) => twice(facts.map((f) => f.id)))).toEqual([]);
      expect(wrong((_at, facts) => twice(facts.map((f) => word(f.label))))).toEqual([]);
    });
    it('what is a dial stands as the dial is set', () => {
      expect(
        wrong((at, facts) => {
          const dials = at.dials as AnyDials;
          return p.specs(at).flatMap((spec) => {
            if (spec.kind !== 'number') return [];
            const fact = facts.find((f) => f.id === spec.id || word(f.label) === word(spec.label));
            // As the dial shows it: within what the others leave.
            const set = Math.min(spec.max, Math.max(spec.min, Number(dials[spec.id])));
            return fact && typeof fact.value === 'number' && !near(fact.value, set)
              ? [`${fact.label} ${fact.value}, the dial says ${set}`]
              : [];
          });
        }),
      ).toEqual([]);
    });
    it('what a note counts is as many as the facts say', () => {
      expect(
        wrong((at, facts) => {
          const { of, number } = p.counts(at);
          const fact = facts.find((f) => word(f.label) === of);
          return fact && !near(fact.value, number)
            ? [`${fact.label} ${String(fact.value)}, counted ${number}`]
            : [];
        }),
      ).toEqual([]);
    });
    it('what is wrong with a fact is wrong with the whole', () => {
      const rank = { clear: 0, care: 1, stop: 2 };
      const over = all.flatMap(({ at, fit }) =>
        fit.facts
          .filter((f) => f.verdict && rank[f.verdict] > rank[fit.verdict])
          .map((f) => `${f.label}: ${f.verdict}, in all ${fit.verdict} at ${JSON.stringify(at.dials)}`),
      );
      expect(over).toEqual([]);
    });
    it('a level with the same dials is as difficult as the design, and fits as it does', () => {
      for (const { at, fit } of all) {
        const own = p.levels(at).find((l) => l.differs.length === 0);
        if (!own) continue;
        expect(own.load).toEqual(p.load(at, fit));
        expect([own.fit.headline, own.fit.remedy]).toEqual([fit.headline, fit.remedy]);
        expect(own.bits).toBeCloseTo(p.bits(at, fit)!, 9);
      }
    });
  },
);
