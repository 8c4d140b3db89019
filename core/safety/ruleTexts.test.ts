import { readFileSync } from 'node:fs';
import { RULES } from './ruleList.ts';
import { handTests } from './handTests.ts';
import { ruleLine, ruleOf, strictest } from './rules.ts';

const US = RULES.filter((r) => r.market === 'US-type');
const pairs = US.flatMap((us) => {
  const eu = RULES.find((r) => r.id === us.id && r.market === 'EU-type');
  return eu ? [[us.id, us, eu] as const] : [];
});

describe('strictest of both', () => {
  it('has pairs to choose between', () => {
    expect(pairs.map(([id]) => id)).toEqual(['small-ball', 'finger', 'cord', 'loop']);
  });
  it.each(pairs)('takes of %s the stricter limit, age and verdict, whichever comes first', (id, us, eu) => {
    const both = ruleOf(id, 'strictest of both')!;
    const limits = [us.limit!, eu.limit!];
    expect(us.stricter).toBe(eu.stricter);
    expect(both.limit).toBe(us.stricter === 'less' ? Math.min(...limits) : Math.max(...limits));
    expect(both.below).toBe(Math.max(us.below!, eu.below!));
    expect(both.verdict).toBe([us.verdict, eu.verdict].includes('stop') ? 'stop' : 'care');
    const { source: _, year: __, remedy: ___, remedyOlder: ____, market: _____, title: ______, ...is } = both;
    expect(strictest(eu, us)).toMatchObject(is);
    expect(strictest(us, eu)).toMatchObject(is);
  });
  it('asks of every test by hand at least what each market asks, at every age', () => {
    for (let age = 0; age <= 96; age++) {
      const both = handTests(age, 'strictest of both');
      for (const market of ['US-type', 'EU-type'] as const)
        for (const t of handTests(age, market)) {
          const same = both.find((b) => b.id === t.id)!;
          expect([age, t.id, same.force ?? 0]).toEqual([age, t.id, Math.max(same.force ?? 0, t.force ?? 0)]);
          expect(same.times).toBeGreaterThanOrEqual(t.times);
        }
    }
  });
  it('a rule that one market alone has is no rule of the other', () => {
    expect(ruleOf('cord-tangle', 'US-type')).toBeNull();
    expect(ruleOf('cord-tangle', 'strictest of both')).toMatchObject({ below: 36, limit: 220 });
  });
});

it('every rule with a limit says which way is stricter, with a unit', () => {
  for (const r of RULES)
    expect([r.id, r.limit !== null]).toEqual([r.id, r.stricter !== undefined && r.unit !== null]);
});

it('docs/sources.md has the rules line by line, and no others', () => {
  const docs = readFileSync(new URL('../../docs/sources.md', import.meta.url), 'utf8');
  const section = docs.split('## The rules of the check')[1]!.split('\n## ')[0]!;
  const lines = section.split('\n').filter((l) => l.startsWith('| ') && !/^\| (rule|---)/.test(l));
  expect(lines).toEqual(RULES.map(ruleLine));
});

it('no rule tells of the figures that these texts do not have', () => {
  // 16 CFR 1262 is for consumer magnets that are no toys; toy magnets come under 16 CFR 1250.
  const sources = RULES.map((r) => r.source).join('\n');
  expect(sources).not.toMatch(/1262/);
  expect(ruleOf('magnet', 'US-type')!.source).toMatch(/16 CFR 1250.*4\.38/);
  expect(ruleOf('button-cell', 'US-type')).toMatchObject({ below: null, verdict: 'stop', older: 'stop' });
  expect(ruleOf('finger', 'US-type')).toMatchObject({ limit: 13, below: 60, verdict: 'stop' });
});
