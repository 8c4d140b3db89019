import type { Material } from '../materials/material.ts';
import { catalogue } from '../catalogue/index.ts';
import { APPROACHES, loadPatterns, PatternError, refusal, type AnyAt } from '../patterns/index.ts';
import type { Feature } from '../patterns/feature.ts';
import { fromCatalogue, usualMaterials } from '../patterns/usual.ts';
import { material } from '../testing.ts';
import { checkFeatures } from './check.ts';

/** Every role of every pattern with every material, at every age; a seeded tenth of it where nobody asks for the whole. */
const WHOLE = process.env.FOX_WHOLE === '1';
const patterns = await loadPatterns();

/** A stop that a text, or the usual caution where there is none, asks for: below this age, months; null at any. */
interface Dangerous {
  readonly material: Material;
  readonly below: number | null;
}
const named = (name: string, part: Partial<Material>): Material =>
  material(900, { name, form: 'piece', solid: 'egg', sizes: { length: 16, width: 9, height: 8 }, ...part });
const shipped = (key: string): Material => ({ ...fromCatalogue(key, 901)!, kept: 99 });

const DANGEROUS: readonly Dangerous[] = [
  // 16 CFR 1263 and IEC 62115: at any age while no door keeps it in.
  { material: shipped('button-cell-20'), below: null },
  { material: shipped('button-cell-44'), below: null },
  {
    material: named('CR2032', { form: 'disc', solid: undefined, sizes: { diameter: 20, height: 3.2 } }),
    below: null,
  },
  // 16 CFR 1250 and EN 71-1 4.23: under 14 years, and what nobody measured counts as strong.
  { material: shipped('magnet-disc'), below: 168 },
  {
    material: named('Neodymium cube', { solid: 'block', sizes: { length: 10, width: 10, height: 10 } }),
    below: 168,
  },
  // 16 CFR 1500.18(a)(17), 1501.4: under three years.
  { material: shipped('glass-marble'), below: 36 },
  { material: shipped('bead-large'), below: 36 },
  { material: shipped('straw-bead'), below: 36 },
  // Raw beans are poisonous at any age; whole nuts choke to five years (usual caution of feeding guidance).
  { material: shipped('haricot'), below: null },
  { material: named('Red kidney beans', { materialClass: 'food' }), below: null },
  { material: named('Peanuts in the shell', { materialClass: 'food' }), below: 60 },
  { material: named('Popcorn', { materialClass: 'food' }), below: 60 },
  { material: named('Water beads', { solid: 'ball', sizes: { diameter: 4 } }), below: null },
  { material: named('Balloon pieces', { materialClass: 'rubber' }), below: 96 },
];

/** A number from 0 to 1 that is the same each time (mulberry32), so that a tenth is the same tenth. */
function seeded(seed: number): () => number {
  let a = seed;
  return () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** A design of a pattern begun with a material in one of its roles; null where they do not go together. */
function begun(p: (typeof patterns)[number], start: Omit<AnyAt, 'dials'>): AnyAt | null {
  try {
    return { ...start, dials: p.check(p.defaults(start)) };
  } catch (error) {
    if (error instanceof PatternError) return null;
    throw error;
  }
}

describe.each(patterns.map((p) => [p.id, p] as const))('%s, whatever is taken for it,', (id, p) => {
  const usual = usualMaterials(p.roles);
  const chance = seeded(id.length * 7919);
  const each = (
    materials: readonly Material[],
    ages: readonly number[],
    look: (at: AnyAt, m: Material) => void,
  ) => {
    for (const role of p.roles)
      for (const m of materials)
        if (refusal(role, m) === null)
          for (const approach of APPROACHES)
            for (const ageFrom of ages) {
              if (!WHOLE && chance() > 0.1) continue;
              const at = begun(p, { approach, ageFrom, chosen: { ...usual, [role.id]: [m] } });
              if (at) look(at, m);
            }
  };
  const market = 'strictest of both' as const;
  /** Most ages leave the design as it is; who rolls up foil and tape changes at three years. */
  let last: { key: string; features: readonly Feature[] } | null = null;
  const featuresOf = (at: AnyAt): readonly Feature[] => {
    const key = JSON.stringify([at.dials, at.chosen, at.approach, at.ageFrom >= 36]);
    if (last?.key !== key) last = { key, features: p.features(at) };
    return last.features;
  };

  it('is stopped where a text stops what is in it', () => {
    const ages = Array.from({ length: 67 }, (_, i) => 6 + i);
    for (const { material: m, below } of DANGEROUS)
      each([m], ages, (at) => {
        const { findings } = checkFeatures(featuresOf(at), { youngest: at.ageFrom, market });
        const stops = findings.filter((f) => f.verdict === 'stop');
        if (below === null || at.ageFrom < below)
          expect([m.name, at.approach, at.ageFrom, stops.length > 0]).toEqual([
            m.name,
            at.approach,
            at.ageFrom,
            true,
          ]);
      });
  });

  it('has an account of everything in its bill', () => {
    const materials = catalogue.map((e) => ({ ...fromCatalogue(e.key, 902)!, kept: 99 }));
    each(materials, [12, 30, 48], (at) => {
      const features = p.features(at);
      const lines = features.filter((f) => f.kind === 'line');
      const { needs, cuts } = p.plan(at);
      for (const name of [...needs.map((n) => n.name), ...cuts.map((c) => c.label)])
        expect([name, lines.some((l) => l.name === name)]).toEqual([name, true]);
      // What nobody has said how it reaches a child is told, and never clear.
      const open = lines.filter((l) => l.how === null);
      if (open.length === 0) return;
      const report = checkFeatures(features, { youngest: at.ageFrom, market });
      expect(report.isAccounted).toBe(false);
      for (const l of open)
        expect(report.findings.find((f) => f.rule === 'not-judged' && f.where === l.name)?.verdict).toBe(
          'care',
        );
    });
  });
});
