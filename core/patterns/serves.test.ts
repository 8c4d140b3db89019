import { asMaterial, entryOf } from '../catalogue/index.ts';
import type { Material } from '../materials/material.ts';
import * as serves from './serves.ts';

const m = (key: string, more: Partial<Material> = {}): Material => ({
  ...asMaterial(entryOf(key)!),
  id: 1,
  ...more,
});

/** What somebody at the bench would say of each, by form and size alone. */
const SAID: readonly (readonly [keyof typeof serves, number, readonly string[], readonly string[]])[] = [
  [
    'isToken',
    48,
    ['milk-cap', 'water-cap', 'pouch-cap', 'wine-cork', 'button-large', 'bead-large', 'shell', 'pom-pom'],
    ['paper-plate', 'glass-marble', 'kitchen-tube', 'scarf', 'yogurt-tub', 'whisk', 'rice', 'foil-tube'],
  ],
  [
    'isHandled',
    48,
    ['milk-cap', 'craft-stick', 'wine-cork', 'table-ball', 'jar-lid', 'hose-cut'],
    ['gift-tube', 'tongs', 'whisk', 'glass-marble', 'scoop', 'yogurt-tub', 'masking-tape', 'sponge'],
  ],
  [
    'isCard',
    48,
    ['a4-card', 'cereal-panel', 'index-card', 'cereal-box', 'tea-box', 'plastic-card'],
    ['scarf', 'felt-sheet', 'net-bag', 'tissue-paper', 'bottle-sheet', 'a4-paper'],
  ],
  [
    'isPage',
    48,
    ['a4-paper', 'a4-card', 'letter-paper', 'a3-paper'],
    ['tissue-paper', 'scarf', 'note-paper'],
  ],
  ['isBoard', 48, ['parcel-panel'], ['cereal-panel', 'a4-card', 'felt-sheet']],
  [
    'isTub',
    48,
    ['yogurt-tub', 'formula-tin', 'snack-pot', 'shoe-box'],
    ['matchbox', 'kitchen-tube', 'milk-cap', 'cheese-box'],
  ],
  ['isCup', 48, ['yogurt-pot', 'snack-pot', 'egg-cup', 'cold-cup'], ['shoe-box', 'milk-jug', 'button-large']],
  ['isRim', 48, ['yogurt-tub', 'paper-plate', 'formula-lid'], ['scarf', 'milk-cap']],
  ['isLace', 48, ['shoe-lace', 'wool', 'cotton-cord'], ['elastic', 'ribbon', 'thread', 'rubber-band']],
  ['isStick', 48, ['craft-stick', 'wide-stick', 'dowel-cut', 'twig'], ['wine-cork', 'whisk', 'milk-cap']],
  [
    'isSticker',
    48,
    ['sticker', 'ready-paint'],
    ['kitchen-foil', 'laminate', 'masking-tape', 'staples', 'sand'],
  ],
];

describe('what usually serves', () => {
  it.each(SAID)('%s at %d months', (name, age, yes, no) => {
    const does = serves[name];
    expect(yes.filter((key) => !does(m(key), age))).toEqual([]);
    expect(no.filter((key) => does(m(key), age))).toEqual([]);
  });
  it('goes by the hand of the age: what a hand of five holds, one of one and a half does not', () => {
    const block = m('foam-shape', {
      form: 'piece',
      solid: 'block',
      sizes: { length: 95, width: 58, height: 58 },
      mass: 20,
    });
    expect(serves.isHandled(block, 60)).toBe(true);
    expect(serves.isHandled(block, 18)).toBe(false);
  });
  it('what is heavy is carried by nobody small, whatever its size', () => {
    expect(serves.isToken(m('pebble'), 60)).toBe(true);
    expect(serves.isToken(m('pebble', { mass: 200 }), 60)).toBe(false);
  });
  it('what is longer or thicker never serves where the shorter and thinner does not', () => {
    for (const age of [18, 36, 60])
      for (let d = 10; d <= 90; d += 5) {
        const at = (diameter: number): boolean =>
          serves.isHandled(m('bead-large', { sizes: { diameter }, mass: 5 }), age);
        if (at(d + 5)) expect([age, d, at(d)]).toEqual([age, d, true]);
      }
  });
});
