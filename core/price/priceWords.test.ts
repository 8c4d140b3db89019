import { missingWords, priceWords } from './priceWords.ts';

const caps = { name: 'Caps, 18', count: 1 };
const base = { kits: 4, packs: [caps], total: '£2.10', each: '£0.53', lacking: [], unit: 'mm' as const };

describe('a price in one sentence', () => {
  it('says what to buy, for how much, for how many kits and what each comes to', () => {
    expect(priceWords(base)).toBe('Buy 1 × Caps, 18 for £2.10: 4 kits, £0.53 each.');
    expect(priceWords({ ...base, kits: 1, packs: [caps, { name: 'Bags', count: 2 }] })).toBe(
      'Buy 1 × Caps, 18 and 2 × Bags for £2.10: 1 kit, £0.53 each.',
    );
  });
  it('says so where there is nothing to buy', () => {
    expect(priceWords({ ...base, packs: [], total: '' })).toBe(
      'Nothing to buy: the shelf has all for 4 kits.',
    );
  });
  it('names what no pack has, and promises no price each while something is missing', () => {
    const tub = { name: 'Yogurt tub', short: 1, unit: 'each' } as const;
    expect(priceWords({ ...base, lacking: [tub] })).toBe(
      'Buy 1 × Caps, 18 for £2.10. Still missing for 4 kits: 1 × Yogurt tub; no pack has it.',
    );
    expect(priceWords({ ...base, packs: [], lacking: [{ ...tub, short: 3 }] })).toBe(
      'Still missing for 4 kits: 3 × Yogurt tub; no pack has them.',
    );
    expect(
      priceWords({ ...base, packs: [], lacking: [tub, { name: 'Cord', short: 1130, unit: 'mm' }] }),
    ).toBe('Still missing for 4 kits: 1 × Yogurt tub and 1.2 m of Cord; no pack has them.');
  });
  it('never says less of a length than is missing', () => {
    const perUnit = { mm: 1, m: 1000, '″': 25.4, ft: 304.8 };
    for (const place of ['mm', 'in'] as const)
      for (const short of [1, 99, 100, 101, 999, 12_345]) {
        const [, n, of] = /^([\d.]+) ?(mm|m|″|ft) of Cord$/.exec(
          missingWords({ name: 'Cord', short, unit: 'mm' }, place),
        )!;
        expect(Number(n) * perUnit[of as keyof typeof perUnit]).toBeGreaterThanOrEqual(short);
      }
  });
});
