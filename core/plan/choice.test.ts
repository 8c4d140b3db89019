import fc from 'fast-check';
import { wholeNeed } from '../testing.ts';
import { loadSolver } from '../testingSolver.ts';
import type { SolveLp } from '../price/purchase.ts';
import { chooseDesigns, choiceRequest, type ChoiceRequest } from './choice.ts';
import { reservedStock } from '../needs/supply.ts';
import { freeOf, makeable, unlocked } from './makeable.ts';

let solve: SolveLp;
beforeAll(async () => {
  solve = await loadSolver();
});
const choose = (r: unknown) => chooseDesigns(choiceRequest.parse(r), solve);

describe('the choice between designs', () => {
  it('solves the 0–1 knapsack of Martello and Toth (1990), example of chapter 2: 280 with items 1, 2, 3, 4 and 6', () => {
    const worth = [15, 100, 90, 60, 40, 15, 10, 1];
    const weight = [2, 20, 20, 30, 40, 30, 60, 10];
    const a = choose({
      aim: 'copies',
      stock: [{ material: 'room', quantity: 102 }],
      designs: worth.map((w, i) => ({
        id: `item ${i + 1}`,
        most: 1,
        worth: w,
        needs: [{ material: 'room', quantity: weight[i]! }],
      })),
    });
    expect(a.total).toBe(280);
    expect(a.copies.filter((c) => c.count > 0).map((c) => c.design)).toEqual([
      'item 1',
      'item 2',
      'item 3',
      'item 4',
      'item 6',
    ]);
    expect(a.leftover).toEqual([]);
  });

  const caps = {
    stock: [
      { material: 'cap', quantity: 20 },
      { material: 'tub', quantity: 5 },
    ],
    designs: [
      {
        id: 'post',
        skill: 'pincer',
        most: 9,
        needs: [
          { material: 'cap', quantity: 4 },
          { material: 'tub', quantity: 1 },
        ],
      },
      { id: 'stack', skill: 'two hands', most: 9, needs: [{ material: 'cap', quantity: 17 }] },
    ],
  };
  it('makes most copies, or covers most skills first', () => {
    const copies = choose({ ...caps, aim: 'copies' });
    expect(copies.copies).toEqual([
      { design: 'post', count: 5 },
      { design: 'stack', count: 0 },
    ]);
    expect(copies.skills).toEqual(['pincer']);
    const small = {
      ...caps,
      stock: [
        { material: 'cap', quantity: 21 },
        { material: 'tub', quantity: 5 },
      ],
    };
    const skills = choose({ ...small, aim: 'skills' });
    expect(skills.copies).toEqual([
      { design: 'post', count: 1 },
      { design: 'stack', count: 1 },
    ]);
    expect(skills.skills).toEqual(['pincer', 'two hands']);
    expect(choose({ ...small, aim: 'copies' }).total).toBe(5);
  });
  it('makes nothing of nothing', () => {
    expect(choose({ ...caps, stock: [], aim: 'skills' })).toMatchObject({ total: 0, skills: [] });
  });
  it('names a design that is there twice', () => {
    const read = choiceRequest.safeParse({
      ...caps,
      aim: 'copies',
      designs: [caps.designs[0], caps.designs[0]],
    });
    expect(read.error!.issues[0]!.path.join('.')).toBe('designs.1.id');
  });

  it('is as good as trying every combination', () => {
    const quantity = fc.integer({ min: 0, max: 6 });
    const r = fc.record({
      aim: fc.constantFrom('copies' as const, 'skills' as const),
      stock: fc.tuple(quantity, quantity, quantity),
      designs: fc.array(
        fc.record({
          skill: fc.constantFrom('a', 'b', 'c'),
          most: fc.nat(3),
          needs: fc.tuple(quantity, quantity, quantity),
        }),
        { minLength: 1, maxLength: 4 },
      ),
    });
    const names = ['x', 'y', 'z'];
    fc.assert(
      fc.property(r, (drawn) => {
        const request: ChoiceRequest = choiceRequest.parse({
          aim: drawn.aim,
          stock: names.map((material, i) => ({ material, quantity: drawn.stock[i]! * 2 })),
          designs: drawn.designs.map((d, i) => ({
            id: `d${i}`,
            skill: d.skill,
            most: d.most,
            needs: names.map((material, k) => ({ material, quantity: d.needs[k]! })),
          })),
        });
        let best = -1;
        const value = (counts: number[]): number => {
          const total = counts.reduce((s, c) => s + c, 0);
          const skills = new Set(drawn.designs.filter((_, i) => counts[i]! > 0).map((d) => d.skill)).size;
          return drawn.aim === 'skills' ? 1000 * skills + total : total;
        };
        const all = (i: number, counts: number[], left: number[]): void => {
          if (i === drawn.designs.length) {
            best = Math.max(best, value(counts));
            return;
          }
          for (let n = 0; n <= drawn.designs[i]!.most; n++) {
            const rest = left.map((q, k) => q - n * drawn.designs[i]!.needs[k]!);
            if (rest.every((q) => q >= 0)) all(i + 1, [...counts, n], rest);
          }
        };
        all(
          0,
          [],
          drawn.stock.map((q) => q * 2),
        );
        const a = chooseDesigns(request, solve);
        expect(value(a.copies.map((c) => c.count))).toBe(best);
      }),
      { numRuns: 80, seed: 4 },
    );
  });
});

describe('what could be made', () => {
  const need = (materialId: number, quantity: number) =>
    wholeNeed(`r${materialId}`, materialId, quantity, { name: `m${materialId}` });
  const stock = (id: number): number => ({ 1: 5, 2: 26 })[id] ?? 0;

  it('is what the scarcest material allows, and names it', () => {
    expect(makeable([need(1, 1), need(2, 8)], stock)).toEqual({
      copies: 3,
      first: { materialId: 2, name: 'm2', left: 26 },
    });
    expect(makeable([need(3, 1)], stock)).toMatchObject({ copies: 0, first: { name: 'm3' } });
    expect(makeable([need(2, 8), { ...need(2, 5), role: 'spare' }], stock).copies).toBe(2);
    expect(makeable([], stock)).toEqual({ copies: 0, first: null });
  });
  it('leaves out what designs on the bench speak for', () => {
    const designs = [
      { id: 1, name: 'a', copies: 2, made: 0, onBench: true, needs: [need(2, 8)] },
      { id: 2, name: 'b', copies: 9, made: 0, onBench: false, needs: [need(2, 8)] },
      { id: 3, name: 'c', copies: 1, made: 0, needs: [need(2, 3), need(1, 1)] },
    ];
    expect(Object.fromEntries(reservedStock(designs))).toEqual({ 1: 1, 2: 19 });
    expect(Object.fromEntries(reservedStock(designs, 1))).toEqual({ 1: 1, 2: 3 });
    const free = freeOf(
      [
        { id: 1, kept: 5 },
        { id: 2, kept: 10 },
      ],
      reservedStock(designs),
    );
    expect(Object.fromEntries(free)).toEqual({ 1: 4, 2: 0 });
  });
  it('grows by whole packs, as far as what else is needed allows', () => {
    const needs = [need(1, 1), need(2, 8)];
    const caps = { count: 1, contents: [{ materialId: 2, quantity: 18 }] };
    expect(unlocked({ needs, stock, packs: [] })).toEqual({ copies: 3, gain: 0 });
    // 26 + 18 caps make five of eight, and there are five tubs.
    expect(unlocked({ needs, stock, packs: [caps] })).toEqual({ copies: 5, gain: 2 });
    expect(unlocked({ needs, stock, packs: [{ ...caps, count: 9 }] })).toEqual({ copies: 5, gain: 2 });
    const tubs = {
      count: 2,
      contents: [
        { materialId: 1, quantity: 3 },
        { materialId: 2, quantity: 4 },
      ],
    };
    expect(unlocked({ needs, stock, packs: [caps, tubs] })).toEqual({ copies: 6, gain: 3 });
  });
});

describe('the best use of a budget', () => {
  const offer = (id: string, price: number, material: string, quantity: number, supplier = 's') => ({
    id,
    supplier,
    price,
    contents: [{ material, quantity }],
  });
  const base = {
    aim: 'copies',
    stock: [{ material: 'tub', quantity: 5 }],
    designs: [
      {
        id: 'post',
        most: 9,
        needs: [
          { material: 'cap', quantity: 4 },
          { material: 'tub', quantity: 1 },
        ],
      },
      { id: 'ring', most: 9, needs: [{ material: 'ring', quantity: 10 }] },
    ],
    offers: [offer('caps', 210, 'cap', 18), offer('rings', 500, 'ring', 10)],
    delivery: [{ supplier: 's', price: 350 }],
  };
  it('buys what makes most kits, delivery within it, and nothing without a budget', () => {
    expect(choose(base)).toMatchObject({ total: 0, packs: [], spent: 0 });
    // Delivery and one pack of caps make four; 560 is just enough.
    expect(choose({ ...base, budget: 559 })).toMatchObject({ total: 0, spent: 0 });
    expect(choose({ ...base, budget: 560 })).toMatchObject({
      total: 4,
      packs: [{ offer: 'caps', count: 1 }],
      spent: 560,
    });
    // A second pack makes the fifth tub; then tubs are out, and rings are next.
    expect(choose({ ...base, budget: 1269 })).toMatchObject({ total: 5, spent: 770 });
    expect(choose({ ...base, budget: 1270 })).toMatchObject({ total: 6, spent: 1270 });
  });
  it('spends what free delivery spares, and pays for it again below that sum', () => {
    const free = { ...base, delivery: [{ supplier: 's', price: 350, freeFrom: 400 }] };
    // Two packs come to 420, delivered for nothing: one pack by itself would cost 560.
    expect(choose({ ...free, budget: 419 })).toMatchObject({ total: 0, spent: 0 });
    expect(choose({ ...free, budget: 420 })).toMatchObject({
      total: 5,
      packs: [{ offer: 'caps', count: 2 }],
      spent: 420,
    });
  });
  it('is what trying every number of packs finds', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 50, max: 400 }), fc.integer({ min: 2, max: 12 })), {
          minLength: 2,
          maxLength: 2,
        }),
        fc.integer({ min: 0, max: 1500 }),
        fc.integer({ min: 0, max: 300 }),
        fc.option(fc.integer({ min: 0, max: 1200 }), { nil: undefined }),
        ([a, b], budget, delivery, freeFrom) => {
          const r = {
            ...base,
            budget,
            offers: [offer('a', a![0], 'cap', a![1]), offer('b', b![0], 'ring', b![1])],
            delivery: [{ supplier: 's', price: delivery, ...(freeFrom === undefined ? {} : { freeFrom }) }],
          };
          const charge = (sum: number): number => (sum >= (freeFrom ?? Infinity) ? 0 : delivery);
          let best = 0;
          for (let i = 0; i * a![0] <= budget; i++)
            for (let k = 0; i * a![0] + k * b![0] <= budget; k++) {
              const sum = i * a![0] + k * b![0];
              if (sum + (i + k > 0 ? charge(sum) : 0) > budget) continue;
              best = Math.max(
                best,
                Math.min(5, 9, Math.floor((i * a![1]) / 4)) + Math.min(9, Math.floor((k * b![1]) / 10)),
              );
            }
          const found = choose(r);
          expect(found.total).toBe(best);
          expect(found.spent).toBeLessThanOrEqual(budget);
        },
      ),
      { numRuns: 40 },
    );
  });
});
