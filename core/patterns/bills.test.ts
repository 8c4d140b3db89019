import { quantityFor } from '../needs/supply.ts';
import type { Material } from '../materials/material.ts';
import { orderSteps } from '../plan/order.ts';
import {
  APPROACHES,
  loadPatterns,
  patternIds,
  type AnyAt,
  type AnyDials,
  type OpenPattern,
} from './index.ts';
import { fromCatalogue, usualMaterials } from './usual.ts';

const patterns = await loadPatterns(patternIds());

/** What a step may name of what is poured, torn off or melted on, and what the line of it is made of. */
const NAMED: readonly (readonly [RegExp, (m: Material) => boolean])[] = [
  [/\bglue[sd]?\b/i, (m) => m.materialClass === 'glue'],
  [/\btape[sd]?\b/i, (m) => m.materialClass === 'tape'],
  [/\bpaint(s|ed)?\b/i, (m) => m.materialClass === 'paint'],
  [/\blaminat/i, (m) => m.catalogue === 'laminate'],
  [/\bg of sand\b/i, (m) => m.catalogue === 'sand'],
  [/\bstaples\b/i, (m) => m.catalogue === 'staples'],
  [/\bstickers?\b/i, (m) => m.catalogue === 'sticker'],
  [/\bcork\b/i, (m) => m.catalogue === 'wine-cork'],
  [/\bbands?\b/i, (m) => m.catalogue === 'rubber-band'],
  [/\bthe foil\b/i, (m) => m.catalogue === 'kitchen-foil'],
];

/** Every choice of a dial in turn, the rest as they begin; what cannot be is left out. */
function choicesOf(p: OpenPattern, start: Omit<AnyAt, 'dials'>): AnyAt[] {
  const own = p.defaults(start);
  const at = (dials: AnyDials): AnyAt => ({ ...start, dials });
  const turned = p.specs(at(own)).flatMap((s): AnyDials[] => {
    if (s.kind === 'choice') return s.options.map((o) => ({ ...own, [s.id]: o.value }));
    if (s.kind === 'switch') return [true, false].map((v) => ({ ...own, [s.id]: v }));
    return s.kind === 'number' && s.min === 0 && s.max > 1 ? [{ ...own, [s.id]: s.min + 2 * s.step }] : [];
  });
  return [own, ...turned].flatMap((dials) => {
    try {
      p.check(dials);
      p.plan(at(dials));
      return [at(dials)];
    } catch {
      return [];
    }
  });
}

/** Bodies beside the usual one, so that plates, a tube and a bottle are all made. */
const BODIES: Readonly<Record<string, readonly Record<string, string>[]>> = {
  shake: [{ body: 'kitchen-tube' }, { body: 'water-bottle' }],
  stack: [{ post: 'dowel-cut' }],
};

const designs = patterns.flatMap((p) =>
  [{}, ...(BODIES[p.id] ?? [])].flatMap((body, b) => {
    const chosen = {
      ...usualMaterials(p.roles),
      ...Object.fromEntries(
        Object.entries(body).map(([role, key]) => [role, [fromCatalogue(key, 500 + b)!]]),
      ),
    };
    return APPROACHES.flatMap((approach) => {
      try {
        return choicesOf(p, { approach, ageFrom: 48, chosen }).map((at) => ({ p, at }));
      } catch {
        return [];
      }
    });
  }),
);

describe.each(patterns.map((p) => [p.id, p] as const))('%s', (id) => {
  const own = designs.filter(({ p }) => p.id === id);
  it('has a line for everything that a step takes up, or says that nothing is chosen for it', () => {
    const missing = own.flatMap(({ p, at }) => {
      const plan = p.plan(at);
      const inBill = new Set([...plan.needs, ...plan.cuts].map((x) => x.materialId));
      const lines = Object.values(at.chosen)
        .flat()
        .filter((m) => inBill.has(m.id));
      return plan.steps.flatMap((s) => {
        const said = `${s.title} ${s.words}`;
        return NAMED.flatMap(([word, is]) => {
          const found = word.exec(said)?.[0];
          if (!found || lines.some(is)) return [];
          const isSaid = (plan.unlisted ?? []).some((u) => word.test(u));
          return isSaid ? [] : [`${at.approach}: ${found} in “${said}”`];
        });
      });
    });
    expect([...new Set(missing)]).toEqual([]);
  });
  it('takes up everything that is in the bill', () => {
    const unused = own.flatMap(({ p, at }) => {
      const plan = p.plan(at);
      const said = plan.steps
        .map((s) => `${s.title} ${s.words}`)
        .join(' ')
        .toLowerCase();
      const materials = Object.values(at.chosen).flat();
      return plan.needs.flatMap((n) => {
        const m = materials.find((x) => x.id === n.materialId)!;
        const named = NAMED.find(([, is]) => n.use === 'consumable' && is(m));
        return named && !named[0].test(said) ? [`${at.approach}: ${m.name} is in no step`] : [];
      });
    });
    expect([...new Set(unused)]).toEqual([]);
  });
  it('takes no minutes for no kit', () => {
    for (const { p, at } of own.slice(0, 4))
      for (const placed of orderSteps(p.steps(at), 0))
        expect([placed.minutes, placed.dryUntil]).toEqual([0, 0]);
  });
});

it('adds parts of a bottle up over the kits before bottles are counted', async () => {
  const trace = patterns.find((p) => p.id === 'trace-and-pull')!;
  const start = { approach: 'graded play' as const, ageFrom: 48, chosen: usualMaterials(trace.roles) };
  const at = { ...start, dials: trace.defaults(start) };
  const glue = trace.needs(at).find((n) => n.role === 'glue')!;
  const ml = Number(trace.fit(at).facts.find((f) => f.id === 'glue')!.value);
  const bottle = Number(at.dials['bottle']);
  expect(glue.share).toBeCloseTo(ml / bottle, 2);
  // Twelve kits of so many ml each are poured from so many bottles, not from twelve.
  const twelve = quantityFor([{ need: glue, times: 12 }]);
  expect(twelve).toBe(Math.ceil(12 * glue.share! - 1e-9));
  expect(twelve).toBeLessThan(12);
});

it('a step that is done for all kits at once counts the pieces of all of them', () => {
  const drop = patterns.find((p) => p.id === 'drop-through')!;
  const chosen = usualMaterials(drop.roles);
  const dirty = { ...chosen, piece: chosen['piece']!.map((m) => ({ ...m, clean: false })) };
  const start = { approach: 'prepared shelf' as const, ageFrom: 48, chosen: dirty };
  const at = { ...start, dials: { ...drop.defaults(start), pieces: 6 } };
  const title = (kits: number) => drop.steps({ ...at, kits }).find((s) => s.id === 'wash')!.title;
  expect(title(1)).toContain('6 ×');
  expect(title(4)).toContain('24 ×');
});
