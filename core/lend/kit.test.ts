import { wholeNeed } from '../testing.ts';
import { carriedBy, partsOfBundle, pickedSets, takesOfBundle, type BundleDesign } from './bundle.ts';

const CAPS = 5;
const drop: BundleDesign = {
  id: 1,
  name: 'Drop tub',
  needs: [
    wholeNeed('Tub', 1, 1, { use: 'part' }),
    wholeNeed('Cap', CAPS, 8),
    wholeNeed('Bag', 9, 1, { use: 'package' }),
  ],
};
const count: BundleDesign = {
  id: 2,
  name: 'Count pouch',
  needs: [
    wholeNeed('Cap', CAPS, 24),
    wholeNeed('Bag', 9, 1, { use: 'package' }),
    wholeNeed('Tape', 7, 300, { use: 'consumable', counted: false, unit: 'mm' }),
    wholeNeed('Card', 3, 1, {
      use: 'part',
      cuts: [
        {
          kind: 'outline',
          id: 'card',
          label: 'Card',
          role: 'card',
          materialId: 3,
          count: 6,
          use: 'part',
          counted: true,
          outline: [
            [0, 0],
            [100, 0],
            [100, 100],
            [0, 100],
          ],
          turn: 'right',
          gap: 0,
        },
      ],
      stock: { kind: 'panels', panels: [[200, 300]] },
    }),
  ],
};

it('counts shared pieces and the bag once, and says whose they are', () => {
  const parts = partsOfBundle([drop, count]);
  expect(parts.find((p) => p.materialId === CAPS)).toMatchObject({
    due: 24,
    for: ['Drop tub', 'Count pouch'],
  });
  expect(parts.filter((p) => p.materialId === 9)).toEqual([expect.objectContaining({ due: 1 })]);
  expect(parts.find((p) => p.name === 'Tub (Drop tub)')).toMatchObject({ due: 1, for: ['Drop tub'] });
  expect(parts.find((p) => p.name === 'Card (Count pouch)')).toMatchObject({ due: 6, materialId: null });
});

it('takes shared pieces once a kit, everything else for each design, parts cut together', () => {
  const two = takesOfBundle([drop, count], 2);
  expect([two.get(CAPS), two.get(9), two.get(1), two.get(7)]).toEqual([48, 2, 2, 600]);
  // Twelve cards of 100 × 100, six to a sheet of 200 × 300.
  expect(two.get(3)).toBe(2);
});

it('a kit of one design is what the design is', () => {
  expect(partsOfBundle([drop]).map((p) => [p.name, p.due])).toEqual([
    ['Cap', 8],
    ['Bag', 1],
    ['Tub', 1],
  ]);
  expect([...takesOfBundle([drop], 3)].sort()).toEqual(
    [
      [1, 3],
      [9, 3],
      [CAPS, 24],
    ].sort(),
  );
});

it('says who can carry it', () => {
  expect([1500, 1501, 5000, 5001].map(carriedBy)).toEqual(['child', 'parent', 'parent', 'two hands']);
});

describe('cards that two counting activities share', () => {
  const withCards = (name: string, id: number, cards: number, shows: string): BundleDesign => {
    const [card] = count.needs.filter((n) => n.cuts);
    return {
      id,
      name,
      needs: [
        { ...card!, cuts: [{ ...card!.cuts![0]!, count: cards, shows }] },
        wholeNeed('Cap', CAPS, cards),
      ],
    };
  };
  const short = withCards('To six', 1, 6, 'numeral from 1');
  const long = withCards('To ten', 2, 10, 'numeral from 1');
  it('are the larger set, once, and both labels say so', () => {
    expect(partsOfBundle([short, long]).find((p) => p.name === 'Card')).toMatchObject({
      due: 10,
      for: ['To six', 'To ten'],
    });
    // Ten of 100 × 100 are two sheets; two sets would be three.
    expect(takesOfBundle([short, long], 1).get(3)).toBe(2);
    expect(takesOfBundle([short, { ...short, id: 3, name: 'Again' }], 1).get(3)).toBe(1);
  });
  it('are two sets where they show something else', () => {
    const spots = withCards('Spots', 2, 10, 'quantity from 1');
    expect(partsOfBundle([short, spots]).map((p) => [p.name, p.due])).toContainEqual(['Card (Spots)', 10]);
    expect(takesOfBundle([short, spots], 1).get(3)).toBe(3);
  });
});

describe('a picked set', () => {
  const of = (id: number, caps: number, beads: number, ages: [number, number] = [36, 72]) => ({
    id,
    name: `Design ${id}`,
    needs: [wholeNeed('Cap', CAPS, caps), ...(beads > 0 ? [wholeNeed('Bead', 6, beads)] : [])],
    ageFrom: ages[0],
    ageTo: ages[1],
  });
  it('is the three that share most pieces, each in the bag once', () => {
    const [best, ...rest] = pickedSets([of(1, 24, 0), of(2, 8, 0), of(3, 10, 4), of(4, 2, 4)]);
    // 24, 8 and 10 caps are 24 in the bag: 18 fewer than by themselves.
    expect(best).toEqual({ designs: [1, 2, 3], shared: [{ name: 'Cap', due: 24 }], saved: 18 });
    expect(rest.map((s) => s.saved)).toEqual([...rest.map((s) => s.saved)].sort((a, b) => b - a));
    // By trying every three: none shares more.
    const parts = partsOfBundle([of(1, 24, 0), of(2, 8, 0), of(3, 10, 4)]);
    expect(parts.find((p) => p.name === 'Cap')!.due).toBe(24);
  });
  it('is for one age, and none where nothing is shared', () => {
    expect(pickedSets([of(1, 8, 0, [12, 24]), of(2, 8, 0, [48, 72]), of(3, 8, 0, [48, 72])])).toEqual([]);
    expect(
      pickedSets([of(1, 8, 0, [12, 24]), of(2, 8, 0, [48, 72]), of(3, 8, 0, [48, 72])], 2),
    ).toMatchObject([{ designs: [2, 3], saved: 8 }]);
    // One that shares nothing is not taken along.
    const own = { ...of(3, 0, 0), needs: [wholeNeed('Peg', 40, 6)] };
    expect(pickedSets([of(1, 8, 0), of(2, 8, 0), own])).toEqual([]);
    const apart = [1, 2, 3].map((id) => ({ ...of(id, 0, 0), needs: [wholeNeed(`Piece ${id}`, 50 + id, 5)] }));
    expect(pickedSets(apart)).toEqual([]);
    expect(pickedSets([])).toEqual([]);
  });
});
