import { asMaterial, catalogue, entryOf } from '../catalogue/index.ts';
import { shapeOf } from '../materials/material.ts';
import { passage } from '../passage/passage.ts';
import { shelfSearch } from './findOnShelf.ts';
import { leastHole, skillsServed } from './serves.ts';

const of = (key: string) => asMaterial(entryOf(key)!);
const search = shelfSearch(catalogue.map((e) => asMaterial(e)));
const found = (text: string, unit: 'mm' | 'in' = 'mm'): string[] =>
  search(text, unit).found.map((m) => m.catalogue!);

describe('finding on the shelf', () => {
  it('by name and form', () => {
    expect(found('milk cap')).toContain('milk-cap');
    expect(found('milk-bottle')[0]).toBe('milk-cap');
    expect(found('tubes')).toContain('kitchen-tube');
    expect(found('tubes')).not.toContain('yogurt-tub');
    expect(found('')).toHaveLength(catalogue.length);
    expect(found('nothing like it')).toEqual([]);
  });
  it('in the words of both countries, with a letter wrong, in plural or with an accent, the best match first', () => {
    expect(found('yoghurt')).toContain('yogurt-tub');
    expect(found('yogurt')).toContain('yogurt-tub');
    expect(found('yogart')).toContain('yogurt-tub');
    expect(found('yoghurts')).toEqual(found('yoghurt'));
    expect(found('clothespin')).toContain('wooden-peg');
    expect(found('cotton swab')).toEqual(found('cotton bud'));
    expect(found('wooden peg')[0]).toBe('wooden-peg');
  });
  it('by size, in mm, cm or inches', () => {
    const longer = found('tubes longer than 100 mm');
    expect(longer).toContain('kitchen-tube');
    expect(longer).not.toContain('toilet-tube');
    expect(found('tubes longer than 10 cm')).toEqual(longer);
    expect(found('longer than 4', 'in')).toEqual(found('longer than 101.6 mm'));
    expect(found('deeper than 20 cm')).toContain('cereal-box');
    expect(search('fits through 20 mm', 'mm').understood).toEqual(['fits through a round hole of 20 mm']);
  });
  it('by the hole it goes through', () => {
    const through = found('fits through 20 mm');
    expect(through).toEqual(expect.arrayContaining(['craft-stick', 'button-small', 'shoe-lace']));
    for (const key of ['milk-cap', 'tennis-ball', 'yogurt-tub']) expect(through).not.toContain(key);
  });
  it('by the skill it serves', () => {
    expect(found('hand strength')).toEqual(expect.arrayContaining(['wooden-peg', 'tongs']));
    expect(found('hand strength pegs').every((k) => found('pegs').includes(k))).toBe(true);
    expect(found('crossing the midline')).toContain('shoe-lace');
  });
  it('keeps words it does not know as part of the name', () => {
    expect(search('longer than words', 'mm').understood).toEqual([]);
    expect(found('longer than words')).toEqual([]);
  });
});

describe('the least hole', () => {
  it.each(['milk-cap', 'craft-stick', 'tennis-ball', 'wine-cork', 'fir-cone', 'bung', 'wooden-peg'])(
    '%s: the passage computation agrees on both sides of it',
    (key) => {
      const m = { ...of(key), give: 0 };
      const hole = leastHole(m)!;
      const piece = shapeOf(m)!;
      const through = (diameter: number): boolean =>
        passage({ piece, opening: { kind: 'round', diameter } }).passes;
      expect(through(hole + 0.3)).toBe(true);
      expect(through(hole - 0.3)).toBe(false);
    },
  );
});

it('a material serves what its size allows', () => {
  expect(skillsServed(of('milk-cap'))).toEqual(['Pincer and release', 'In-hand manipulation']);
  // Soft, and long: neither is anything that a hand does.
  expect(skillsServed(of('sponge-cube'))).not.toContain('Hand strength');
  expect(skillsServed(of('kitchen-tube'))).toEqual([]);
  expect(skillsServed(of('shoe-lace'))).toEqual(['Two hands together', 'Crossing the midline']);
  expect(skillsServed(of('yogurt-tub'))).toEqual(['Two hands together']);
  expect(skillsServed(of('wooden-peg'))).toContain('Hand strength');
});
