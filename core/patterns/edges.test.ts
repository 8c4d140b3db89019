import { asMaterial, entryOf } from '../catalogue/index.ts';
import { patternAnswer } from './answer.ts';
import { loadPatterns, patternIds } from './index.ts';
import { suggest } from '../plan/suggest.ts';
import { usualMaterials } from './usual.ts';

const asked = (pattern: string, dials: object, materials: object = {}, more: object = {}) =>
  patternAnswer({
    pattern,
    dials: dials as Record<string, unknown>,
    materials: materials as Parameters<typeof patternAnswer>[0]['materials'],
    approach: 'prepared shelf',
    ageFrom: 48,
    market: 'strictest of both',
    ...more,
  });
const from = (key: string, sizes: object = {}, more: object = {}) => {
  const m = asMaterial(entryOf(key)!);
  return { ...m, id: 900, kept: 100, ...more, sizes: { ...m.sizes, ...sizes } };
};

describe('lace', () => {
  const lace = (diameter: number, give: number) => ({ lace: [from('shoe-lace', { diameter }, { give })] });
  it('a double punch is longer and no wider: what is stiff has to be thinner than 6', async () => {
    const stiff = (await asked('lace', { punch: 'double', edge: 14 }, lace(8, 0))).fit;
    expect(stiff).toMatchObject({ verdict: 'stop', headline: 'The lace jams' });
    const tip = (await asked('lace', { punch: 'double', edge: 14, tip: 6 })).fit;
    expect(tip).toMatchObject({ verdict: 'stop', headline: 'The tip does not go through' });
    expect((await asked('lace', { punch: 'double', edge: 14, tip: 5.5 })).fit.verdict).not.toBe('stop');
  });
  it('a lace of 5 is tight in laminated card: the double punch is advised, and takes it', async () => {
    const tight = (await asked('lace', { punch: 'single', backing: 'laminated' }, lace(5, 0.3))).fit;
    expect(tight).toMatchObject({ verdict: 'care', headline: 'Tight in laminated card' });
    expect(tight.remedy).toContain('double');
    const double = (await asked('lace', { punch: 'double', edge: 14, backing: 'laminated' }, lace(5, 0.3)))
      .fit;
    expect(double.verdict).toBe('clear');
    expect((await asked('lace', { punch: 'single', backing: 'doubled' }, lace(5, 0.3))).fit.verdict).toBe(
      'clear',
    );
  });
  it('a ready lace is judged as long as it is lent, and says so', async () => {
    const { fit, features } = await asked('lace', {}, lace(5, 0.3));
    expect(fit.facts.find((f) => f.id === 'whole')).toMatchObject({ value: 1200, unit: 'mm' });
    expect(features).toContainEqual(expect.objectContaining({ kind: 'cord', free: 1200 }));
  });
});

describe('weave', () => {
  it('takes twelve sticks, ties off with a double knot, and its tail is the hanger', async () => {
    const { steps, fit } = await asked('weave', { frame: 'star', sticks: 12, first: 30, rounds: 4 });
    expect(steps.find((s) => s.id === 'tie off')!.words).toMatch(/double knot.*hanger/);
    expect(steps.at(-2)!.id).toBe('tie off');
    const fact = (id: string) => Number(fit.facts.find((f) => f.id === id)!.value);
    expect(fact('threadOfGroup') / fact('thread')).toBeCloseTo(6, 1);
    // Wool of 0.4 g a metre: a ball of 50 g is 125 m.
    expect(fact('balls')).toBe(Math.ceil((fact('threadOfGroup') * 0.4) / 1000 / 50));
  });
});

describe('stack', () => {
  const rings = { part: [from('parcel-panel')] };
  it('28 mm of room over the post is loose, and said so; 12 stacks', async () => {
    const begun = await asked('stack', {}, rings);
    const { hole } = begun.dials as { hole: number };
    const room = Number(begun.fit.facts.find((f) => f.id === 'room')!.value);
    const at = async (over: number) =>
      (await asked('stack', { hole: hole - room + over, outer: hole - room + over + 40, weight: 500 }, rings))
        .fit;
    expect((await at(28)).headline).toBe('Loose: the rings go on easily and lean');
    expect((await at(12)).headline).toBe('Stacks and stands');
  });
  it('what a touch tips over does not stand', async () => {
    const { fit } = await asked('stack', { weight: 0 }, { ...rings, base: [] });
    expect(Number(fit.facts.find((f) => f.id === 'push')!.value)).toBeLessThan(0.5);
    expect(fit.headline).not.toContain('stands');
  });
  it('a weak hand gets a hole by the thickness of the post, not by its height', async () => {
    const { stack } = { stack: (await loadPatterns(['stack']))[0]! };
    const chosen = { ...usualMaterials(stack.roles), ...rings };
    const at = { approach: 'prepared shelf' as const, ageFrom: 48, chosen };
    const dials = stack.defaults(at);
    const fitted = stack.forHand({ ...at, dials }, { force: 5, side: 'right', oneHanded: false }).dials as {
      hole: number;
      post: number;
    };
    const room = Number(stack.fit({ ...at, dials: fitted }).facts.find((f) => f.id === 'room')!.value);
    expect(room).toBeLessThanOrEqual(21);
    expect(fitted.hole).toBeLessThan(fitted.post);
  });
});

describe('shake', () => {
  it('so many that nobody puts them in one by one are poured, and the note counts cups', async () => {
    const rice = from('rice');
    const begun = await asked('shake', {}, { filler: [rice] });
    expect((begun.dials as { filled: string }).filled).toBe('poured');
    const { fit, counts, steps } = await asked('shake', { filled: 'one by one' }, { filler: [rice] });
    expect(Number(fit.facts.find((f) => f.id === 'fillerCount')!.value)).toBeGreaterThan(1000);
    expect(fit.verdict).not.toBe('clear');
    expect(counts.of).toBe('cups');
    expect(steps.find((s) => s.id === 'fill')!.words).not.toMatch(/one at a time/i);
  });
  it('what is so fine that it finds its way between staples begins with a band of tape', async () => {
    const { dials, fit } = await asked('shake', {}, { filler: [from('rice')] }, { approach: 'graded play' });
    expect(dials).toMatchObject({ seal: 'tape' });
    expect(fit.verdict).not.toBe('stop');
  });
  it('a child puts in forty at most by hand, and the step says that the rest is poured', async () => {
    const { counts, steps } = await asked('shake', { filled: 'one by one' });
    expect(counts).toMatchObject({ of: 'pieces', number: 40 });
    expect(steps.find((s) => s.id === 'fill')!.words).toContain(
      'The first 40 by hand; the rest is poured in.',
    );
  });
});

describe('track', () => {
  it('begins as something a child tapes down in a quarter of an hour: about twenty pieces', async () => {
    for (const approach of ['prepared shelf', 'made together', 'grab bag'] as const) {
      const { cuts, steps } = await asked('track', {}, {}, { approach });
      const pieces = cuts.reduce((n, c) => n + c.count, 0);
      expect(pieces).toBeLessThanOrEqual(24);
      expect(pieces).toBeGreaterThanOrEqual(10);
      expect(steps.find((s) => s.id === 'tape')!.perCopy).toBeLessThanOrEqual(18);
    }
  });
});

describe('ages', () => {
  it('every pattern says between which ages most children begin it, in order', async () => {
    for (const p of await loadPatterns(patternIds())) {
      const chosen = usualMaterials(p.roles);
      const start = { approach: 'prepared shelf' as const, ageFrom: 48, chosen };
      const [from, to] = p.usualFrom({ ...start, dials: p.defaults(start) });
      expect([p.id, from >= 6 && from < to && to <= 84]).toEqual([p.id, true]);
    }
  });
  it('weaving wool at nine months is too early for most, says so, and is not offered', async () => {
    const { fit } = await asked('weave', { frame: 'star', rounds: 4 }, {}, { ageFrom: 9 });
    expect(fit).toMatchObject({ verdict: 'care', headline: 'Too early for most' });
    expect(fit.remedy).toContain('Children differ');
    const { levels } = await asked('weave', { frame: 'star' }, {}, { ageFrom: 9 });
    expect(levels.length).toBeGreaterThan(0);
    for (const l of levels) expect(l.fit.verdict).toBe('care');
    const materials = [from('craft-stick'), from('wool', {}, { id: 901, kept: 100_000 })];
    const free = new Map(materials.map((m) => [m.id, m.kept]));
    const wish = {
      skill: 'Two hands together' as const,
      approach: 'prepared shelf' as const,
      market: 'strictest of both' as const,
      without: [],
      quiet: false,
      minutes: null,
    };
    const offered = async (ageFrom: number) =>
      suggest({ ...wish, ageFrom }, { materials, free, families: ['weave'] });
    const early = await offered(9);
    expect(early.suggestions).toEqual([]);
    expect(early.left).toEqual([{ name: 'Weave', why: 'most children begin it at 33–54 months' }]);
    expect((await offered(48)).suggestions.map((s) => s.pattern)).toEqual(['weave']);
  });
  it('a harder stitch comes later', async () => {
    const [lace] = await loadPatterns(['lace']);
    const chosen = usualMaterials(lace!.roles);
    const start = { approach: 'prepared shelf' as const, ageFrom: 48, chosen };
    const dials = lace!.defaults(start) as object;
    const from_ = (stitch: string) => lace!.usualFrom({ ...start, dials: { ...dials, stitch } })[0];
    expect(from_('running')).toBeLessThan(from_('whip'));
    expect(from_('whip')).toBeLessThan(from_('cross'));
  });
});
