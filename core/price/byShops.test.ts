import fc from 'fast-check';
import { loadSolver } from '../testingSolver.ts';
import { purchase, purchaseRequest, type SolveLp } from './purchase.ts';

const solve = await loadSolver();
const never: SolveLp = () => {
  throw new Error('the solver was asked');
};

const shops = ['a', 'b', 'c', 'd'];
const asked = fc
  .record({
    needs: fc.array(fc.integer({ min: 1, max: 40 }), { minLength: 1, maxLength: 4 }),
    offers: fc.array(
      fc.record({
        of: fc.integer({ min: 0, max: 3 }),
        shop: fc.integer({ min: 0, max: 3 }),
        price: fc.integer({ min: 0, max: 400 }),
        quantity: fc.oneof(fc.integer({ min: 1, max: 30 }), fc.constantFrom(0.5, 2.5)),
        limit: fc.option(fc.integer({ min: 0, max: 4 }), { nil: undefined }),
      }),
      { maxLength: 12 },
    ),
    delivery: fc.array(fc.integer({ min: 0, max: 300 }), { minLength: 4, maxLength: 4 }),
  })
  .map(({ needs, offers, delivery }) => ({
    needs: needs.map((quantity, m) => ({ material: `m${m}`, quantity })),
    offers: offers
      .filter((o) => o.of < needs.length)
      .map((o, i) => ({
        id: `o${i}`,
        supplier: shops[o.shop]!,
        price: o.price,
        contents: [{ material: `m${o.of}`, quantity: o.quantity }],
        ...(o.limit === undefined ? {} : { limit: o.limit }),
      })),
    delivery: delivery.map((price, s) => ({ supplier: shops[s]!, price })),
  }));

it('costs what the integer program costs', () => {
  fc.assert(
    fc.property(asked, (input) => {
      const request = purchaseRequest.parse(input);
      const ours = purchase(request, never);
      // A pack of two materials sends the same purchase to the solver: nobody needs the second one.
      const mixed = purchase(
        purchaseRequest.parse({
          ...input,
          needs: [...input.needs, { material: 'free', quantity: 1 }],
          offers: [
            ...input.offers,
            {
              id: 'gift',
              supplier: 'nobody',
              price: 0,
              limit: 1,
              contents: [
                { material: 'free', quantity: 1 },
                { material: 'm0', quantity: 1e-6 },
              ],
            },
          ],
        }),
        solve,
      );
      expect(ours.status).toBe(mixed.status);
      // The gift's millionth of a piece can spare nothing that is bought by whole pieces.
      expect(ours.total).toBe(mixed.total);
    }),
    { numRuns: 120, seed: 5 },
  );
});

it('proves forty materials by six offers at eight shops without the solver', () => {
  const needs = Array.from({ length: 40 }, (_, m) => ({ material: `m${m}`, quantity: 5 + ((m * 7) % 55) }));
  const request = purchaseRequest.parse({
    needs,
    offers: needs.flatMap((n, m) =>
      Array.from({ length: 6 }, (_, i) => ({
        id: `o${m}-${i}`,
        supplier: `s${(m + 3 * i) % 8}`,
        price: 40 + ((m * 31 + i * 57) % 300),
        contents: [{ material: n.material, quantity: 4 + ((m * 5 + i * 11) % 36) }],
      })),
    ),
    delivery: Array.from({ length: 8 }, (_, s) => ({ supplier: `s${s}`, price: 200 + 40 * s })),
  });
  const answer = purchase(request, never);
  expect(answer.status).toBe('optimal');
  // What is left over is what was bought less what is needed, for every material.
  for (const n of needs) {
    const bought = answer.packs.reduce((sum, p) => {
      const offer = request.offers.find((o) => o.id === p.offer)!;
      return offer.contents[0]!.material === n.material ? sum + p.count * offer.contents[0]!.quantity : sum;
    }, 0);
    expect(bought).toBeGreaterThanOrEqual(n.quantity);
  }
});
