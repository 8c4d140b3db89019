import type { Material } from '../materials/material.ts';
import { suggest } from '../plan/suggest.ts';
import { asMaterial, catalogue, lackingSizes } from './index.ts';
import { starterShelf } from './starter.ts';

describe('the starter shelf', () => {
  const kinds = starterShelf();
  it('holds kinds of the catalogue, each once and whole, in counts that a household can have', () => {
    expect(kinds.length).toBeGreaterThan(24);
    expect(new Set(kinds.map((k) => k.entry.key)).size).toBe(kinds.length);
    for (const { entry, usual } of kinds) {
      expect(catalogue).toContain(entry);
      expect([entry.key, lackingSizes(entry)]).toEqual([entry.key, []]);
      expect(usual).toBeGreaterThan(0);
      if (entry.unit === 'each') expect(usual).toBeLessThanOrEqual(20);
    }
  });
  it('holds nothing that is never kept near children', () => {
    for (const { entry } of kinds)
      expect([entry.key, entry.hazards.filter((h) => h !== 'loose liner' && h !== 'splinters')]).toEqual([
        entry.key,
        [],
      ]);
  });
  it.each(['Pincer and release', 'Two hands together', 'Hand strength'] as const)(
    'is enough to begin something for %s at two years, with an empty shelf before',
    async (skill) => {
      const materials = kinds.map(({ entry, usual }, i): Material => ({
        ...asMaterial(entry),
        id: i + 1,
        kept: usual,
      }));
      const { suggestions } = await suggest(
        {
          skill,
          ageFrom: 24,
          approach: 'prepared shelf',
          market: 'strictest of both',
          without: [],
          quiet: false,
          minutes: null,
        },
        { materials, free: new Map(materials.map((m) => [m.id, m.kept])) },
      );
      expect(suggestions.length).toBeGreaterThanOrEqual(2);
      for (const s of suggestions) expect(s.kits).toBeGreaterThan(0);
    },
  );
});
