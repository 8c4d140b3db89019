import fc from 'fast-check';
import { dilute, DilutionError, ppmOf } from './dilution.ts';

const percent = (value: number) => ({ value, unit: '%' as const });
const ppm = (value: number) => ({ value, unit: 'ppm' as const });

describe('a dilution, C1 V1 = C2 V2', () => {
  it.each([
    // Worked by hand: 500 of 50,000 ppm is a hundredth of the litre; 0.1 of 5.25 % is a fiftieth and a bit.
    [percent(5), ppm(500), 1000, 10],
    [percent(5.25), percent(0.1), 1000, 1000 / 52.5],
    [ppm(10_000), percent(0.25), 2000, 500],
    [percent(3), percent(3), 400, 400],
  ])('of %o to %o in %i ml takes %f ml', (from, to, volume, product) => {
    const d = dilute({ from, to, volume });
    expect(d.product).toBeCloseTo(product, 9);
    expect(d.water).toBeCloseTo(volume - product, 9);
  });
  it('says how many parts of water come to one of the product', () => {
    expect(dilute({ from: percent(5), to: ppm(500), volume: 1000 }).parts).toBeCloseTo(99, 9);
  });
  it('keeps the amount of what works, whatever the units', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 100, noNaN: true }),
        fc.double({ min: 0.001, max: 1, noNaN: true }),
        fc.double({ min: 1, max: 5000, noNaN: true }),
        (c1, share, volume) => {
          const to = ppm(ppmOf(percent(c1)) * share);
          const { product, water } = dilute({ from: percent(c1), to, volume });
          expect(product * ppmOf(percent(c1))).toBeCloseTo(volume * to.value, 3);
          expect(product + water).toBeCloseTo(volume, 6);
        },
      ),
    );
  });
  it('refuses to make anything stronger, or of more than there can be', () => {
    expect(() => dilute({ from: ppm(400), to: ppm(500), volume: 1 })).toThrow(DilutionError);
    expect(() => dilute({ from: percent(120), to: ppm(500), volume: 1 })).toThrow(/at most 100 %/);
  });
});
