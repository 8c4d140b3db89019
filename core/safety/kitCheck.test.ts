import type { Feature } from '../patterns/feature.ts';
import { checkKit, type CheckedDesign } from './kitCheck.ts';

const CAP: Feature = {
  kind: 'piece',
  name: 'Cap',
  shape: { kind: 'cylinder', diameter: 28, length: 12 },
  count: 8,
  ball: false,
};
const TAPED: Feature = { kind: 'cut edge', where: 'the slot', material: 'plastic', covered: false };
const design = (name: string, features: Feature[], youngest = 40, mouths = false): CheckedDesign => ({
  name,
  features,
  options: { youngest, mouths, market: 'strictest of both' },
});
const BAG: Feature = { kind: 'bag', name: 'Zip bag', mouth: 400, film: 0.03, airy: false, drawstring: 0 };
const told = (...args: Parameters<typeof checkKit>) =>
  checkKit(...args).findings.map((f) => `${f.rule} ${f.verdict}: ${f.designs.join(' + ')}`);

describe('a kit as one thing in one home', () => {
  it('goes by the youngest of all its designs', () => {
    expect(told([design('Tub', [CAP], 40)], null)).toEqual(['small-part care: Tub']);
    expect(told([design('Tub', [CAP], 40), design('Card', [TAPED], 30)], null)[0]).toBe(
      'small-part stop: Tub',
    );
  });
  it('counts younger brothers and sisters at home, and anybody who mouths', () => {
    expect(told([design('Tub', [CAP], 40)], 20)).toEqual(['small-part stop: Tub']);
    expect(checkKit([design('Tub', [CAP], 40)], 50).youngest).toBe(40);
    const mixed = [design('Tub', [CAP], 50), design('Card', [TAPED], 50, true)];
    expect(told(mixed, null)[0]).toBe('small-part stop: Tub');
    expect(checkKit(mixed, null).youngest).toBe(35);
  });
  it('says once what is true of several, and shows a shared piece once', () => {
    const both = [design('Tub', [CAP, TAPED]), design('Slide', [CAP, TAPED])];
    expect(told(both, null)).toEqual(['small-part care: Tub + Slide', 'cut-edge care: Tub + Slide']);
    expect(checkKit(both, null).gauged).toHaveLength(1);
  });
  it('looks at what it is packed into, too', () => {
    expect(told([design('Tub', [])], null, [BAG])).toEqual([
      'bag-film stop: What it is packed into',
      'bag-mouth care: What it is packed into',
    ]);
  });
});
