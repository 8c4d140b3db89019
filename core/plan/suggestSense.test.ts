import { asMaterial, catalogue } from '../catalogue/index.ts';
import { extentsOf, shapeOf, type Material } from '../materials/material.ts';
import { APPROACHES, SKILLS } from '../patterns/index.ts';
import { suggest } from './suggest.ts';
import type { Suggestion } from './suggestion.ts';

/** A generator of its own, so that the same shelves are drawn each time. */
function generator(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 48271) % 2147483647) / 2147483647;
}

const all: readonly Material[] = catalogue.map((e, i) => ({
  ...asMaterial(e),
  id: 1 + i,
  kept: e.unit === 'mm' ? 20_000 : 30,
  clean: true,
}));
const keyOf = (id: number): string => catalogue[id - 1]!.key;
const longest = (m: Material): number => {
  const shape = shapeOf(m);
  return shape ? extentsOf(shape)[0] : Math.max(m.sizes.length ?? 0, m.sizes.width ?? 0);
};
const isCloth = (m: Material): boolean => m.form === 'sheet' && m.materialClass === 'fabric';

/** What no practitioner would lay out in a role, by the role's id; told here by itself, not by what the patterns say serves. */
const NONSENSE: readonly (readonly [string, RegExp, (m: Material) => boolean])[] = [
  ['a token that is no handful', /^(token)$/, (m) => longest(m) > 70],
  [
    'a card of cloth, foil or net',
    /^(card|page)$/,
    (m) => isCloth(m) || m.materialClass === 'metal' || m.give >= 0.3,
  ],
  [
    'a piece of a size that no small hand carries',
    /^(piece|item|end|runner)$/,
    (m) => m.form !== 'sheet' && m.form !== 'cord' && longest(m) > 260,
  ],
  ['a tub fed to something', /^(filler)$/, (m) => m.form === 'container'],
  ['a tube for a tub', /^(container|box|cup)$/, (m) => m.form === 'tube'],
  ['a plate for a token', /^(token|piece|end)$/, (m) => m.catalogue === 'paper-plate'],
  ['glass', /.*/, (m) => m.materialClass === 'glass'],
  ['a battery', /.*/, (m) => /battery|button-cell/.test(m.catalogue ?? '')],
  [
    'a tool for a piece',
    /^(piece|token|end|runner|knob)$/,
    (m) => ['tongs', 'whisk', 'spoon', 'scoop'].includes(m.catalogue ?? '') && longest(m) > 100,
  ],
  [
    'wire or wool for a lace of its own thickness',
    /^(lace|thread)$/,
    (m) => m.materialClass === 'metal' || m.materialClass === 'rubber',
  ],
];

const SHELVES = 200;
const ON_A_SHELF = 14;

it(`over ${SHELVES} random shelves suggests nothing that no practitioner would lay out`, async () => {
  const next = generator(20_261_201);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)]!;
  const nonsense = new Set<string>();
  const offered = new Map<string, number>();
  for (let i = 0; i < SHELVES; i++) {
    const shelf = [...new Set(Array.from({ length: ON_A_SHELF }, () => pick(all)))];
    const free = new Map(shelf.map((m) => [m.id, m.kept ?? 0]));
    const ageFrom = pick([18, 30, 42, 54]);
    const { suggestions } = await suggest(
      {
        skill: pick(SKILLS),
        ageFrom,
        approach: pick(APPROACHES),
        market: 'strictest of both',
        without: [],
        quiet: false,
        minutes: null,
      },
      { materials: shelf, free },
    );
    const judge = (s: Suggestion): void => {
      offered.set(s.pattern, (offered.get(s.pattern) ?? 0) + 1);
      for (const [role, ids] of Object.entries(s.materials))
        for (const id of ids) {
          const m = all[id - 1]!;
          for (const [what, roles, is] of NONSENSE)
            if (roles.test(role) && is(m)) nonsense.add(`${s.pattern} ${role}: ${keyOf(id)}, ${what}`);
        }
    };
    suggestions.forEach(judge);
  }
  expect([...nonsense]).toEqual([]);
  // Sense is not bought by offering nothing.
  expect([...offered.values()].reduce((a, b) => a + b, 0)).toBeGreaterThan(SHELVES / 2);
  expect(offered.size).toBeGreaterThanOrEqual(10);
});
