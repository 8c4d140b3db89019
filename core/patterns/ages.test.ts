import { usualMaterials } from './usual.ts';
import { loadPatterns, patternIds, type AnyAt, type OpenPattern } from './index.ts';
import { settingsOf } from './testingSettings.ts';

const patterns = await loadPatterns(patternIds());
const of = (id: string): OpenPattern => patterns.find((p) => p.id === id)!;
const begin = (p: OpenPattern, dials: object = {}, ageFrom = 60): AnyAt => {
  const start = { approach: 'prepared shelf' as const, ageFrom, chosen: usualMaterials(p.roles) };
  return { ...start, dials: { ...p.defaults(start), ...dials } };
};

describe.each(patterns.map((p) => [p.id, p] as const))('%s', (_, p) => {
  it('is begun within a band of ages at every setting, for children differ', () => {
    for (const at of settingsOf(p)) {
      const [from, to] = p.usualFrom(at);
      expect(from).toBeGreaterThanOrEqual(6);
      expect(to - from).toBeGreaterThanOrEqual(6);
      expect(to).toBeLessThanOrEqual(84);
    }
  });
  it('is too early for most below the band, whatever else it is, and says so with the caution that children differ', () => {
    const at = begin(p);
    const [from] = p.usualFrom(at);
    const young = p.fit({ ...at, ageFrom: from - 1 });
    const old = p.fit({ ...at, ageFrom: from });
    expect(old.headline).not.toBe('Too early for most');
    if (old.verdict === 'clear') {
      expect(young).toMatchObject({ verdict: 'care', headline: 'Too early for most' });
      expect(young.remedy).toMatch(/Children differ: who knows the child decides/);
    } else expect(young.verdict).not.toBe('clear');
    const fact = young.facts.find((f) => f.id === 'usualFrom')!;
    expect(fact).toMatchObject({ verdict: 'care' });
    expect(fact.label).toContain('children differ');
  });
});

/** What is begun later than something else of its pattern (common practice): pattern, earlier, later. */
it.each([
  ['drop-through', { tool: 'fingers' }, { tool: 'tongs' }],
  ['feed-the-mouth', { goal: 'pull out' }, { goal: 'feed', crossed: true, dice: 0 }],
  ['feed-the-mouth', { goal: 'feed', crossed: true, dice: 0 }, { goal: 'feed', crossed: false, dice: 0 }],
  ['feed-the-mouth', { goal: 'feed', crossed: false, dice: 0 }, { goal: 'feed', crossed: false, dice: 1 }],
  ['count-out', { to: 3, shows: 'both', dice: 0 }, { to: 5, shows: 'both', dice: 0 }],
  ['count-out', { to: 5, shows: 'both', dice: 0 }, { to: 8, shows: 'both', dice: 0 }],
  ['count-out', { to: 5, shows: 'quantity', dice: 0 }, { to: 5, shows: 'numeral', dice: 0 }],
  ['count-out', { to: 6, shows: 'both', dice: 1 }, { to: 6, shows: 'both', dice: 2 }],
  ['track', { runs: 'driven' }, { runs: 'pushed' }],
  ['trace-and-pull', { child: 'pulls' }, { child: 'colours and pulls' }],
  ['trace-and-pull', { child: 'colours and pulls' }, { child: 'traces and pulls' }],
  ['tray-and-surface', { kind: 'food tray' }, { kind: 'dough' }],
  ['tray-and-surface', { kind: 'wall' }, { kind: 'brushes' }],
  ['tray-and-surface', { kind: 'brushes' }, { kind: 'floor' }],
  ['lace', { stitch: 'running' }, { stitch: 'whip' }],
  ['lace', { stitch: 'whip' }, { stitch: 'cross' }],
  ['pull-out', { tool: 'fingers' }, { tool: 'tweezers' }],
  ['sort-and-carry', { tool: 'fingers' }, { tool: 'tongs' }],
  ['stack', { shows: 'plain' }, { shows: 'numbers' }],
  ['shake', { filled: 'poured' }, { filled: 'one by one' }],
  ['match-and-piece', { kind: 'insets' }, { kind: 'pairs' }],
  ['match-and-piece', { kind: 'pairs' }, { kind: 'order' }],
  ['peg-rim', { way: 'off' }, { way: 'on', pattern: 'free' }],
  ['dot-mat', { colours: 'free' }, { colours: 'by key' }],
  ['weave', { frame: 'star' }, { frame: 'loom' }],
] as const)('%s: %j before %j', (id, earlier, later) => {
  const p = of(id);
  const [first, firstTo] = p.usualFrom(begin(p, earlier));
  const [then, thenTo] = p.usualFrom(begin(p, later));
  expect(first).toBeLessThan(then);
  expect(firstTo).toBeLessThanOrEqual(thenTo);
});
