import type { Material } from '../materials/material.ts';
import { checkFeatures } from '../safety/check.ts';
import { material } from '../testing.ts';
import { isBall } from './account.ts';
import { APPROACHES, loadPattern, loadPatterns, PatternError, type AnyAt, type DialSpec } from './index.ts';
import { fromCatalogue, usualMaterials } from './usual.ts';

const patterns = await loadPatterns();
let number = 500;
const shipped = (key: string, part: Partial<Material> = {}): Material => ({
  ...fromCatalogue(key, ++number)!,
  kept: 99,
  ...part,
});

async function begun(
  id: string,
  ageFrom: number,
  o: {
    chosen?: Record<string, Material[]>;
    dials?: object;
    approach?: (typeof APPROACHES)[number];
  } = {},
) {
  const p = await loadPattern(id);
  const start = {
    approach: o.approach ?? ('prepared shelf' as const),
    ageFrom,
    chosen: { ...usualMaterials(p.roles), ...o.chosen },
  };
  const at: AnyAt = { ...start, dials: p.check({ ...(p.defaults(start) as object), ...o.dials }) };
  return { p, at };
}
async function checked(
  id: string,
  ageFrom: number,
  o: Parameters<typeof begun>[2] = {},
  market = 'strictest of both',
) {
  const { p, at } = await begun(id, ageFrom, o);
  return checkFeatures(p.features(at), { youngest: ageFrom, market: market as 'US-type' });
}
const stops = async (...args: Parameters<typeof checked>): Promise<string[]> =>
  (await checked(...args)).findings.filter((f) => f.verdict === 'stop').map((f) => `${f.rule}: ${f.where}`);

/** What a dial can be turned to: both ends, and every choice. */
const ends = (s: DialSpec): unknown[] =>
  s.kind === 'number'
    ? [s.min, s.max]
    : s.kind === 'choice'
      ? s.options.map((o) => o.value)
      : s.kind === 'switch'
        ? [true, false]
        : [];

describe.each(patterns.map((p) => [p.id, p] as const))('%s, every dial turned,', (_, p) => {
  it('has an account of every line of its bill, each part and the package', () => {
    for (const approach of APPROACHES)
      for (const ageFrom of [12, 30, 60]) {
        const start = { approach, ageFrom, chosen: usualMaterials(p.roles) };
        const own = p.defaults(start);
        for (const spec of [null, ...p.specs({ ...start, dials: own })])
          for (const value of spec ? ends(spec) : [null]) {
            const at = { ...start, dials: spec ? { ...own, [spec.id]: value } : own };
            try {
              const { needs, cuts } = p.plan(at);
              const lines = p.features(at).filter((f) => f.kind === 'line');
              for (const name of [...needs.map((n) => n.name), ...cuts.map((c) => c.label)]) {
                const line = lines.find((l) => l.name === name);
                // Of usual materials a pattern says of each how it is held, and why it reaches nobody.
                expect([spec?.id, value, name, typeof line?.how]).toEqual([spec?.id, value, name, 'string']);
              }
            } catch (error) {
              if (!(error instanceof PatternError)) throw error;
            }
          }
      }
  });
});

describe('what reaches a child', () => {
  it('is not hidden by a mode: what lies in the kit for stickers or paint is judged like a piece', async () => {
    for (const use of ['sticker', 'paint'])
      for (const age of [12, 20])
        for (const key of ['pom-pom', 'bead-large', 'bell', 'button-small', 'pouch-cap']) {
          const found = await stops('dot-mat', age, {
            chosen: { piece: [shipped(key)] },
            dials: { use },
          });
          expect([use, age, key, found.length > 0]).toEqual([use, age, key, true]);
        }
  });
  it('is not judged where nobody can say how it is held, and then nothing is said to be all there is', async () => {
    const tape = material(77, { name: 'Odd stuff', form: 'consumable', materialClass: 'paper', sizes: {} });
    const report = await checked('dot-mat', 40, { chosen: { piece: [tape] }, dials: { use: 'loose' } });
    expect(report.isAccounted).toBe(false);
    expect(report.findings.find((f) => f.rule === 'not-judged')).toMatchObject({
      verdict: 'care',
      where: 'Odd stuff',
    });
    expect(report.findings.some((f) => /Everything lent/.test(f.words))).toBe(false);
  });
  it('is all of a lace and all of the wool, not what the design needs of it', async () => {
    const lace = shipped('shoe-lace', { sizes: { diameter: 5, length: 1200 } });
    const cord = (await checked('lace', 12, { chosen: { lace: [lace] } }, 'US-type')).findings.find(
      (f) => f.rule === 'cord',
    )!;
    expect(cord).toMatchObject({ verdict: 'stop', measured: { value: 1200, limit: 305 } });
    // The bill's wool, on the bobbin too.
    const { p, at } = await begun('weave', 8);
    const wool = p.needs(at).find((n) => n.role === 'thread')!.quantity;
    const found = (await checked('weave', 8)).findings.find(
      (f) => f.rule === 'cord' && f.measured!.value === wool,
    );
    expect(found!.verdict).toBe('stop');
    // The fit names no limit of its own beside the check's.
    const twelve = await begun('lace', 12);
    expect(twelve.p.fit(twelve.at).headline).not.toMatch(/cord/);
  });
  it('is cut where a step cuts it, and the bill has the cut', async () => {
    const cord = shipped('cotton-cord', { unit: 'each', sizes: { diameter: 4, length: 3000 } });
    const { p, at } = await begun('trace-and-pull', 48, { chosen: { cord: [cord] } });
    const cut = p.plan(at).cuts.find((c) => c.role === 'cord')!;
    const free = p.features(at).find((f) => f.kind === 'cord')!;
    expect(cut.kind === 'length' && Math.abs(cut.length - free.free) <= 1).toBe(true);
  });
  it('is stopped where it is small when it is pressed, or sheds, for who mouths', async () => {
    for (const key of ['sponge-cube', 'pom-large', 'cotton-ball']) {
      const found = await stops('sort-and-carry', 20, { chosen: { piece: [shipped(key)] } });
      expect([key, found.some((f) => /^(soft|sheds|small)/.test(f))]).toEqual([key, true]);
      const older = await stops('sort-and-carry', 40, { chosen: { piece: [shipped(key)] } });
      expect([key, older.filter((f) => /^(soft|sheds)/.test(f))]).toEqual([key, []]);
    }
  });
  it('is a spring that was not pulled at, a sharp edge that nobody felt, glass at all, under three', async () => {
    expect(await stops('peg-rim', 30)).toContain('spring: Clothes peg, wooden');
    expect((await checked('peg-rim', 40)).findings.find((f) => f.rule === 'spring')!.verdict).toBe('care');
    const tin = { container: [shipped('formula-tin')] };
    expect(await stops('drop-through', 30, { chosen: tin, dials: { cover: 'open' } })).toContain(
      'sharp-edge: Milk-powder tin with lid',
    );
    const jar = { container: [shipped('yogurt-tub', { name: 'Jar', materialClass: 'glass' })] };
    expect(await stops('drop-through', 30, { chosen: jar, dials: { cover: 'open' } })).toContain(
      'glass: Jar',
    );
    expect(await stops('drop-through', 60, { chosen: jar })).toContain('glass-cut: the slot in the lid');
  });
  it('is salt in a dough by its amount', async () => {
    const fill = [shipped('wheat-flour'), shipped('fine-salt')];
    const dough = (age: number, salt: number) =>
      checked('tray-and-surface', age, { chosen: { fill }, dials: { kind: 'dough', salt } }).then(
        (r) => r.findings.find((f) => f.rule === 'salt')?.verdict,
      );
    expect([await dough(20, 1), await dough(40, 1), await dough(20, 0)]).toEqual(['stop', 'care', undefined]);
  });
  it('is what a step makes: foil and tape are rolled to balls by nobody who mouths', async () => {
    for (const kind of ['foil', 'floor']) {
      const young = await begun('tray-and-surface', 15, { dials: { kind } });
      expect(young.p.steps(young.at).find((s) => s.id === 'clean')).toMatchObject({ who: 'adult' });
      const older = await begun('tray-and-surface', 40, { dials: { kind } });
      const ball = older.p.features(older.at).find((f) => f.kind === 'piece')!;
      // A child of that age who still mouths is stopped by it.
      const report = checkFeatures(older.p.features(older.at), {
        youngest: 40,
        mouths: true,
        market: 'strictest of both',
      });
      expect(report.findings.find((f) => f.where === ball.name && f.rule === 'small-part')!.verdict).toBe(
        'stop',
      );
    }
  });
  it('carries its allergens whatever the pattern', async () => {
    const tub = shipped('yogurt-tub');
    for (const [id, role] of [
      ['drop-through', 'container'],
      ['peg-rim', 'rim'],
      ['pull-out', 'box'],
    ] as const) {
      const report = await checked(id, 40, { chosen: { [role]: [tub] } });
      expect(report.findings.find((f) => f.rule === 'allergen')!.words).toBe('Milk in Yogurt tub, 500 g.');
    }
  });
  it('is said of a cap, an end or a cup only where it is so', async () => {
    const post = async (dials: object) =>
      (await checked('stack', 40, { dials })).findings.find((f) => f.rule === 'post')!.words;
    expect(await post({ capped: false })).not.toMatch(/capped/);
    expect(await post({ capped: true })).toMatch(/its end capped/);
    expect(
      await stops('stack', 30, {
        chosen: { post: [shipped('dowel-cut')], cap: [] },
        dials: { capped: true },
      }),
    ).toContain('attached: Cap of the post');
    const ends = (await checked('weave', 40)).findings.find((f) => f.where === 'Ends of the sticks')!;
    expect(ends.words).not.toMatch(/turned|sanded/);
    // Nothing that is clear speaks of suction.
    const cups = await checked('sort-and-carry', 48);
    for (const f of cups.findings.filter((x) => x.verdict === 'clear'))
      expect(f.words).not.toMatch(/suction/);
  });
  it('is no ball, and has no thin ends, where it only is round or small', async () => {
    expect(isBall({ kind: 'ellipsoid', length: 38, width: 34, height: 15 })).toBe(false);
    expect(isBall({ kind: 'ellipsoid', length: 7, width: 2.2, height: 2 })).toBe(false);
    expect(isBall({ kind: 'ellipsoid', length: 60, width: 45, height: 45 })).toBe(true);
    const sponge = await checked('pull-out', 48, { chosen: { piece: [shipped('sponge-cube')] } });
    expect(sponge.findings.some((f) => f.rule === 'point')).toBe(false);
    const sticks = await checked('pull-out', 48);
    expect(sticks.findings.some((f) => f.rule === 'point')).toBe(false);
    const buds = await checked('pull-out', 48, { chosen: { piece: [shipped('paper-straw')] } });
    expect(buds.findings.some((f) => f.rule === 'point')).toBe(true);
  });
  it('does not stop a pattern at its own hole from three years on', async () => {
    for (const { id } of patterns)
      for (const approach of APPROACHES)
        for (const age of [36, 48]) {
          const found = (await stops(id, age, { approach })).filter((f) =>
            /^(finger|latex|balloon|cord)/.test(f),
          );
          expect([id, approach, age, found]).toEqual([id, approach, age, []]);
        }
    const bands = await stops('shake', 30, { chosen: { body: [shipped('kitchen-tube')] } });
    expect(bands.filter((f) => /Rubber band/.test(f))).toEqual([]);
  });
  it('has no name read into a part of a word', async () => {
    const lolly = shipped('craft-stick', { name: 'Lolly stick' });
    const report = await checked('weave', 48, { chosen: { stick: [lolly] } });
    expect(report.findings.filter((f) => f.rule.startsWith('plant'))).toEqual([]);
    const hedge = shipped('twig', { name: 'Holy twig', materialClass: 'plant' });
    const asked = await checked('weave', 48, { chosen: { stick: [hedge] }, dials: {} });
    expect(asked.findings.find((f) => f.where === 'Holy twig' && f.rule.startsWith('plant'))).toMatchObject({
      rule: 'plant-unknown',
    });
  });
});
