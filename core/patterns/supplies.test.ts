import fc from 'fast-check';
import { asMaterial, entryOf } from '../catalogue/index.ts';
import type { Material } from '../materials/material.ts';
import { quantityFor, uses } from '../needs/supply.ts';
import { PatternError } from './index.ts';
import { DECOR, eachTime, GLUE, glueUnder, LAMINATE, PAINT, partNeed, supplied, TAPE } from './supplies.ts';

const m = (key: string, id: number, more: Partial<Material> = {}): Material => ({
  ...asMaterial(entryOf(key)!),
  id,
  ...more,
});
const glue = m('craft-glue', 7);
const tape = m('masking-tape', 5);

describe('a part of a bottle or a roll', () => {
  it('is grams of what one weighs, mm of what is measured off', () => {
    // A bottle of 120 g.
    expect(partNeed(GLUE, glue, 6)).toMatchObject({ quantity: 1, share: 0.05, unit: 'each', counted: false });
    expect(partNeed(GLUE, glue, 300)).toMatchObject({ quantity: 3, share: 2.5 });
    const own = partNeed(TAPE, tape, 240.2);
    expect(own).toMatchObject({ quantity: 241, unit: 'mm' });
    expect(own.share).toBeUndefined();
  });
  it('goes by what is usual where nobody weighed or measured one', () => {
    expect(partNeed(GLUE, { ...glue, mass: undefined }, 10).share).toBeCloseTo(0.1, 9);
    const roll = { ...tape, unit: 'each' as const, sizes: { width: 25 } };
    expect(partNeed(TAPE, roll, 3000).share).toBeCloseTo(0.1, 9);
    expect(partNeed(TAPE, { ...roll, sizes: { width: 25, length: 10_000 } }, 3000).share).toBeCloseTo(0.3, 9);
  });
  it('pouches and stickers are taken whole', () => {
    expect(partNeed(LAMINATE, m('laminate', 8), 1)).toMatchObject({ quantity: 1 });
    expect(partNeed(DECOR, m('sticker', 9), 3)).toMatchObject({ quantity: 3 });
    expect(partNeed(LAMINATE, m('laminate', 8), 2).share).toBeUndefined();
  });
  it('glue under a board is 100 g a square metre', () => {
    expect(glueUnder(1e6)).toBe(100);
    expect(glueUnder(0)).toBe(0);
  });
  it('of any number of kits no more bottles are taken than each kit alone would, and enough for all', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 500, noNaN: true }),
        fc.integer({ min: 1, max: 60 }),
        (grams, kits) => {
          const need = partNeed(GLUE, glue, grams);
          const bottles = quantityFor([{ need, times: kits }]);
          expect(bottles).toBeLessThanOrEqual(kits * need.quantity);
          expect(bottles * 120).toBeGreaterThanOrEqual(grams * kits - 1e-6);
          expect((bottles - 1) * 120).toBeLessThan(grams * kits);
          expect(uses([need], kits).get(7)! * 120).toBeCloseTo(grams * kits, 6);
        },
      ),
      { numRuns: 100 },
    );
  });
});

describe('what steps take up', () => {
  it('is a line for each that is chosen, and said of each that is not; what is not used is neither', () => {
    const { needs, unlisted } = supplied({ chosen: { glue: [glue] } }, [
      [GLUE, 12],
      [TAPE, 300],
      [PAINT, 0],
    ]);
    expect(needs.map((n) => [n.role, n.name])).toEqual([['glue', 'Craft glue, bottle']]);
    expect(unlisted).toEqual(['Tape']);
  });
  it('is shared by the kinds in a role: three colours of paint take a third each', () => {
    const paints = [1, 2, 3].map((id) => m('ready-paint', id));
    const { needs } = supplied({ chosen: { paint: paints } }, [[PAINT, 90]]);
    expect(needs.map((n) => n.share)).toEqual([0.1, 0.1, 0.1]);
  });
  it('refuses what cannot be it, naming the role', () => {
    const ask = (): unknown => supplied({ chosen: { glue: [tape] } }, [[GLUE, 1]]);
    expect(ask).toThrow(PatternError);
    expect(ask).toThrow('Masking tape: expected glue');
  });
  it('what is laid out anew for each loan says so', () => {
    expect(eachTime(partNeed(TAPE, tape, 100))).toMatchObject({ eachTime: true, quantity: 100 });
  });
});
