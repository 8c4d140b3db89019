import { asMaterial, entryOf } from '../catalogue/index.ts';
import type { Material } from '../materials/material.ts';
import { loadPattern, patternOf } from '../patterns/index.ts';
import { checkFeatures } from '../safety/check.ts';
import { substitutes } from './substitute.ts';

beforeAll(() => loadPattern('drop-through'));

const kind = (id: number, key: string, part: Partial<Material> = {}): Material => ({
  ...asMaterial(entryOf(key)!),
  id,
  kept: 20,
  ...part,
});
const tub = kind(1, 'yogurt-tub', { kept: 1 });
const lid = kind(2, 'jar-lid');
const by = { youngest: 18, market: 'strictest of both' } as const;
const SHELF = [
  tub,
  lid,
  kind(3, 'wipes-tub'),
  kind(4, 'cold-cup', { hazards: ['sharp edge'] }),
  kind(5, 'matchbox'),
  kind(6, 'haricot'),
  kind(7, 'coffee-lid'),
  kind(8, 'milk-cap', { kept: 200 }),
];
const free = new Map(SHELF.map((m) => [m.id, m.kept]));
const chosen = { container: [tub], piece: [lid] };
const at = () => ({
  dials: patternOf('drop-through').defaults({ approach: 'prepared shelf', chosen, ageFrom: 18 }),
  chosen,
  approach: 'prepared shelf' as const,
  ageFrom: 18,
});
const ask = (id: number, wanted: number, more: Partial<Parameters<typeof substitutes>[0]> = {}) =>
  substitutes({
    pattern: patternOf('drop-through'),
    at: at(),
    short: { id, wanted },
    materials: SHELF,
    free,
    by,
    ...more,
  }).map((m) => m.id);

describe('what could stand in for a material that is short', () => {
  it('is a kind of its form, about its size, with enough free', () => {
    expect(ask(1, 4)).toContain(3);
    expect(ask(1, 4)).not.toContain(5);
    expect(ask(1, 21)).toEqual([]);
  });
  it('is never what the check stops for the youngest, nor what the pieces do not fit', () => {
    // Beans and small caps are a throat’s danger at eighteen months, whatever fits through the slot.
    const found = ask(2, 5, { most: 8 });
    expect(found).not.toContain(6);
    expect(found).not.toContain(8);
    for (const id of found) {
      const now = { ...at(), chosen: { ...chosen, piece: [SHELF.find((m) => m.id === id)!] } };
      const pattern = patternOf('drop-through');
      expect(pattern.fit(now).verdict).toBe('clear');
      expect(checkFeatures(pattern.features(now), by).findings.map((f) => f.verdict)).not.toContain('stop');
    }
  });
  it('is nothing where the material is not in the design', () => {
    expect(ask(7, 1)).toEqual([]);
  });
});
