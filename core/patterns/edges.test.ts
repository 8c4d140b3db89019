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

describe('shake, at every age', () => {
  it.each([12, 24, 36, 48])(
    'a tube at %d months begins closed in a way that the check allows',
    async (ageFrom) => {
      const tube = from('toilet-tube');
      for (const approach of ['prepared shelf', 'graded play', 'made together', 'grab bag'] as const) {
        const { safety } = await asked('shake', {}, { body: [tube] }, { ageFrom, approach });
        const bands = safety.findings.filter(
          (f) => f.verdict === 'stop' && /band/i.test(`${f.title} ${f.words}`),
        );
        expect([approach, bands.map((f) => f.title)]).toEqual([approach, []]);
      }
    },
  );
});

describe('track', () => {
  it('cuts straws in three for the outer side', async () => {
    // A wave is too tight for pieces so long: there they are shorter.
    for (const approach of ['graded play', 'grab bag'] as const) {
      const { dials } = await asked('track', {}, {}, { approach });
      // A paper straw of 197 gives three of 65.
      expect([approach, (dials as { piece: number }).piece]).toEqual([approach, 65]);
    }
  });
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

describe('dot mat', () => {
  const caps = from('pouch-cap');
  const paint = from('ready-paint', {}, { id: 901 });
  const bill = async (use: string, piece: object[]) => {
    const { needs, fit } = await asked('dot-mat', { use, asked: 8 }, { piece });
    return { of: needs.filter((n) => n.role === 'piece'), fit };
  };
  it('going to paint does not turn caps into paint: they stay out, and the paint that is wanted is said', async () => {
    const { of, fit } = await bill('paint', [caps]);
    expect(of).toEqual([]);
    expect(fit).toMatchObject({ verdict: 'stop', headline: 'No paint is chosen' });
    const both = await bill('paint', [caps, paint]);
    expect(both.of.map((n) => n.materialId)).toEqual([901]);
    expect(both.of[0]!.share).toBeLessThan(0.1);
    expect((await bill('loose', [caps, paint])).of.map((n) => [n.materialId, n.quantity])).toEqual([
      [900, 8],
    ]);
  });
  it('a magnet is asked for its strength in the fit, too', async () => {
    const magnet = from('magnet-disc');
    const { fit } = await bill('magnet', [magnet]);
    expect(fit.headline).toBe('How strong the magnet is has not been measured');
    expect(fit.facts.find((f) => f.id === 'flux-1')!.value).toBe('not measured');
    const known = await bill('magnet', [{ ...magnet, risks: { flux: 30 } }]);
    expect(known.fit.facts.find((f) => f.id === 'flux-1')).toMatchObject({ value: 30, said: '30 kG² mm²' });
    expect(known.fit.headline).not.toMatch(/not been measured/);
  });
  it('begins loose where neither paint nor stickers are chosen, whatever the approach', async () => {
    const use = async (approach: 'made together' | 'grab bag', piece: object[]) =>
      ((await asked('dot-mat', {}, { piece }, { approach })).dials as { use: string }).use;
    expect(await use('made together', [caps])).toBe('loose');
    expect(await use('made together', [paint])).toBe('paint');
    expect(await use('grab bag', [from('sticker')])).toBe('sticker');
  });
});

describe('count-out', () => {
  const fact = async (dials: object, id: string, materials: object = {}) =>
    (await asked('count-out', dials, materials)).fit.facts.find((f) => f.id === id)!.value;
  it('one die throws each number as often; two throw 7 most often', async () => {
    expect(await fact({ dice: 1 }, 'likely')).toBe('each as often: 1 in 6');
    expect(await fact({ dice: 2 }, 'likely')).toBe('7: 6 of 36');
  });
  it('says how deep the pouch is beside what goes in', async () => {
    expect(await fact({}, 'pouchDeep')).toBe(51);
    // Twenty caps of 38 × 14 heaped at 0.55 on a floor of 180 × 200, and cards on them.
    const heap = (tokens: number) => (tokens * Math.PI * 19 ** 2 * 14) / 0.55 / (180 * 200);
    const [few, many] = [await fact({ tokens: 20 }, 'goesInDeep'), await fact({ tokens: 60 }, 'goesInDeep')];
    expect(Number(many) - Number(few)).toBeCloseTo(heap(40), 0);
  });
});

describe('finger tape', () => {
  it('tears off 254 mm (10 in), enough for two fingers when it is torn in half lengthways', async () => {
    const { steps, needs } = await asked('finger-tape', { fingers: 2, torn: true });
    expect(steps.find((s) => s.id === 'strip')!.title).toBe('Tear a strip of tape 254 mm long');
    expect(needs.find((n) => n.role === 'tape')!.quantity).toBe(254);
  });
  it.each([18, 30, 42, 60])('cuts a hole that the check allows at %d months', async (ageFrom) => {
    const { safety, dials } = await asked('finger-tape', {}, {}, { ageFrom });
    expect((dials as { end: string }).end).toBe('rolled and posted');
    expect(safety.findings.filter((f) => f.rule === 'finger' && f.verdict === 'stop')).toEqual([]);
  });
});

describe('tray and brushes', () => {
  const ready = async (colours: string) => {
    const { fit, steps } = await asked('tray-and-surface', { kind: 'brushes', colours });
    return [fit.headline, steps.find((s) => s.id === 'ready')!.words];
  };
  it('the step says of the colours what the fit says', async () => {
    const [bright, brightStep] = await ready('yellow, green, blue');
    expect([bright, brightStep]).toEqual([
      'Stays bright when it is mixed',
      expect.stringContaining('stay bright'),
    ]);
    const [brown, brownStep] = await ready('red, green, blue, orange');
    expect(brown).toBe('Together they go brown');
    expect(brownStep).toContain('they go brown');
    expect(brownStep).not.toContain('stay bright');
    const [unknown, unknownStep] = await ready('teal');
    expect(unknown).toBe('No colour is known as teal');
    expect(unknownStep).toContain('is not known');
  });
  it('a dough keeps by its salt, food by the hours of what keeps least', async () => {
    const flour = from('wheat-flour');
    const salt = from('fine-salt', {}, { id: 901 });
    const words = async (d: object) =>
      (await asked('tray-and-surface', { kind: 'dough', ...d }, { fill: [flour, salt] })).steps
        .map((s) => s.words)
        .join(' ');
    expect(await words({ salt: 1 })).toContain('it keeps 7 days in the cold');
    expect(await words({ salt: 0 })).toContain('use it the same day');
    expect(await words({ salt: 0 })).not.toContain('keeps 7 days');
    const porridge = from('oat-porridge', {}, { keeping: { out: 1 } });
    const tray = await asked('tray-and-surface', { kind: 'food tray' }, { fill: [porridge] });
    expect(tray.steps.find((s) => s.id === 'ready')!.words).toContain('after 1 hour');
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
