import { z } from 'zod';
import { line, name, quantity, unique } from '../measure/lines.ts';
import { buyByShops } from './byShops.ts';
import { deliveryOf } from './delivery.ts';

const content = quantity
  .positive({ error: 'must be more than 0', abort: true })
  .min(1e-6, 'must be at least 0.000001');
/** More packs of one kind than this are no purchase but a mistake. */
export const MOST_PACKS = 1e6;
export const price = z
  .number({ error: 'expected a price in whole minor units' })
  .int('expected whole minor units (cents)')
  .min(0, 'must not be negative')
  .max(1e8, 'must be at most 100,000,000');
/** What a supplier charges once for bringing anything; nothing where what is bought there comes to `freeFrom` or more. */
export const deliveryCharge = z.strictObject({ supplier: name, price, freeFrom: price.optional() });
/** A supplier’s pack. */
export const packOffer = z.strictObject({
  id: name,
  supplier: name,
  price,
  /** Most packs that can be had. */
  limit: z
    .number()
    .int('expected a whole number of packs')
    .min(0, 'must not be negative')
    .max(1e6, 'must be at most 1,000,000')
    .optional(),
  contents: z
    .array(z.strictObject({ material: name, quantity: content }))
    .min(1, 'expected at least one material')
    .max(100, 'may have at most 100 materials')
    .superRefine(unique((l) => l.material, 'material')),
});
/** What must be had, what is there, and what can be bought: prices in whole minor units. */
export const purchaseRequest = z.strictObject({
  needs: z
    .array(line)
    .max(500, 'may have at most 500 lines')
    .superRefine(unique((l) => l.material, 'material')),
  stock: z
    .array(line)
    .max(2000, 'may have at most 2,000 lines')
    .superRefine(unique((l) => l.material, 'material'))
    .default([]),
  offers: z
    .array(packOffer)
    .max(500, 'may have at most 500 offers')
    .superRefine(unique((o) => o.id, 'id')),
  /** Charged once by a supplier if anything is bought there. */
  delivery: z
    .array(deliveryCharge)
    .max(200, 'may have at most 200 suppliers')
    .superRefine(unique((d) => d.supplier, 'supplier'))
    .default([]),
});
export type PurchaseRequest = z.infer<typeof purchaseRequest>;

export const purchaseAnswer = z.object({
  status: z.enum(['optimal', 'infeasible']),
  /** Whole minor units, delivery included; null when it cannot be had. */
  total: z.number().nullable(),
  packs: z.array(z.object({ offer: z.string(), count: z.number().int() })),
  /** What is over after the needs are met, stock included. */
  leftover: z.array(z.object({ material: z.string(), quantity: z.number() })),
  /** Materials that no offer holds enough of, when infeasible. */
  lacking: z.array(z.string()),
});
export type PurchaseAnswer = z.infer<typeof purchaseAnswer>;

/** Solves a model in CPLEX LP text; values by column name, or the word why there are none. */
export type SolveLp = (lp: string) =>
  | { status: 'optimal'; values: Record<string, number> }
  | { status: 'infeasible' }
  /** `values`: what was best when the time was over, where there was anything. */
  | { status: 'unproved'; values?: Record<string, number> };

/** The solver stopped before it could prove the cheapest; nothing is guessed. */
export class UnprovedError extends Error {}

const EPS = 1e-6;

/** What is bought at one supplier, minor units; null where nothing is. */
function boughtAt(request: PurchaseRequest, counts: readonly number[], supplier: string): number | null {
  const own = request.offers.flatMap((o, i) =>
    o.supplier === supplier && counts[i]! > 0 ? [o.price * counts[i]!] : [],
  );
  return own.length === 0 ? null : own.reduce((a, b) => a + b, 0);
}

/**
 * The cheapest set of whole packs that covers the needs after the stock, delivery charges included, as an integer
 * program: Σ price·packs + Σ delivery·(open − free), packs ≤ most·open, contents ≥ lack, packs' price ≥ freeFrom·free.
 * Prices are whole, so a bound within less than one minor unit is a proof.
 *
 * @throws UnprovedError when the solver gives up
 */
export function purchase(request: PurchaseRequest, solve: SolveLp): PurchaseAnswer {
  const stock = new Map(request.stock.map((l) => [l.material, l.quantity]));
  const lack = new Map(request.needs.map((l) => [l.material, l.quantity - (stock.get(l.material) ?? 0)]));
  const wanted = [...lack].filter(([, q]) => q > EPS);
  const finish = (counts: number[], total: number): PurchaseAnswer => {
    const over = new Map(stock);
    request.offers.forEach((o, i) =>
      o.contents.forEach((c) => over.set(c.material, (over.get(c.material) ?? 0) + c.quantity * counts[i]!)),
    );
    for (const l of request.needs) over.set(l.material, (over.get(l.material) ?? 0) - l.quantity);
    return {
      status: 'optimal',
      total,
      packs: request.offers.flatMap((o, i) => (counts[i]! > 0 ? [{ offer: o.id, count: counts[i]! }] : [])),
      leftover: [...over]
        .filter(([, q]) => q > EPS)
        .map(([material, q]) => ({ material, quantity: Math.round(q * 1e6) / 1e6 })),
      lacking: [],
    };
  };
  if (wanted.length === 0)
    return finish(
      request.offers.map(() => 0),
      0,
    );
  // More packs than would cover every need alone are never bought.
  const most = request.offers.map((o) => {
    const useful = Math.max(
      0,
      ...o.contents.map((c) =>
        Math.ceil((Math.max(0, lack.get(c.material) ?? 0) / c.quantity) * (1 - 1e-12)),
      ),
    );
    // But for those that a sum for free delivery is reached with.
    const { price: charge = 0, freeFrom } = request.delivery.find((d) => d.supplier === o.supplier) ?? {};
    const reach =
      useful > 0 && charge > 0 && freeFrom !== undefined && o.price > 0 ? Math.ceil(freeFrom / o.price) : 0;
    return Math.min(Math.max(useful, reach), o.limit ?? MOST_PACKS);
  });
  const lacking = wanted
    .filter(
      ([m, q]) =>
        request.offers.reduce(
          (sum, o, i) => sum + (o.contents.find((c) => c.material === m)?.quantity ?? 0) * most[i]!,
          0,
        ) <
        q - EPS,
    )
    .map(([m]) => m);
  if (lacking.length > 0) return { status: 'infeasible', total: null, packs: [], leftover: [], lacking };
  const totalOf = (counts: readonly number[]): number =>
    request.offers.reduce((s, o, i) => s + o.price * counts[i]!, 0) +
    request.delivery.reduce((s, d) => s + deliveryOf(d, boughtAt(request, counts, d.supplier)), 0);
  const looked = buyByShops(request, wanted, most);
  if (looked) return finish(looked, totalOf(looked));
  const useful = request.offers.map((_, i) => i).filter((i) => most[i]! > 0);
  const packsOf = (supplier: string): number[] =>
    useful.filter((i) => request.offers[i]!.supplier === supplier);
  const charged = request.delivery
    .map((d, s) => ({ ...d, s }))
    .filter((d) => d.price > 0 && useful.some((i) => request.offers[i]!.supplier === d.supplier));
  const sum = (terms: string[]): string => terms.join(' + ').replaceAll('+ -', '- ');
  // A solver's tolerance is absolute: what is needed by less than one is scaled to one, or it would count as nothing.
  const covers = wanted.map(([m, q], k) => {
    const unit = Math.min(1, q);
    const terms = useful.flatMap((i) =>
      request.offers[i]!.contents.filter((c) => c.material === m).map((c) => `${c.quantity / unit} x${i}`),
    );
    return ` c${k}: ${sum(terms)} >= ${q / unit}`;
  });
  const opens = charged.flatMap((d) =>
    useful
      .filter((i) => request.offers[i]!.supplier === d.supplier)
      .map((i) => ` d${d.s}_${i}: x${i} - ${most[i]!} y${d.s} <= 0`),
  );
  // Delivery is free where what is bought there comes to the sum that is asked for it.
  const spared = charged.filter((d) => d.freeFrom !== undefined);
  const frees = spared.flatMap((d) => [
    ` f${d.s}: ${sum(packsOf(d.supplier).map((i) => `${request.offers[i]!.price} x${i}`))} - ${d.freeFrom!} z${d.s} >= 0`,
    ` g${d.s}: z${d.s} - y${d.s} <= 0`,
  ]);
  // Something of each material comes from somewhere: it follows from the rest, and makes the proof short.
  const somewhere = wanted.flatMap(([m], k) => {
    const shops = new Set(
      useful
        .filter((i) => request.offers[i]!.contents.some((c) => c.material === m))
        .map((i) => request.offers[i]!.supplier),
    );
    const own = charged.filter((d) => shops.has(d.supplier));
    return own.length > 0 && own.length === shops.size
      ? [` w${k}: ${sum(own.map((d) => `y${d.s}`))} >= 1`]
      : [];
  });
  const lp = [
    'Minimize',
    ` cost: ${sum([...useful.map((i) => `${request.offers[i]!.price} x${i}`), ...charged.map((d) => `${d.price} y${d.s}`), ...spared.map((d) => `-${d.price} z${d.s}`)])}`,
    'Subject To',
    ...covers,
    ...opens,
    ...frees,
    ...somewhere,
    'Bounds',
    ...useful.map((i) => ` 0 <= x${i} <= ${most[i]!}`),
    'General',
    ` ${useful.map((i) => `x${i}`).join(' ')}`,
    ...(charged.length > 0
      ? ['Binary', ` ${[...charged.map((d) => `y${d.s}`), ...spared.map((d) => `z${d.s}`)].join(' ')}`]
      : []),
    'End',
  ].join('\n');
  const found = solve(lp);
  if (found.status === 'infeasible')
    return { status: 'infeasible', total: null, packs: [], leftover: [], lacking: wanted.map(([m]) => m) };
  if (found.status === 'unproved')
    throw new UnprovedError('the cheapest purchase could not be proved in time');
  const counts = request.offers.map((_, i) => Math.round(found.values[`x${i}`] ?? 0));
  // The answer is made of whole numbers: check it as such, and price it as such.
  for (const [m, q] of wanted) {
    const had = request.offers.reduce(
      (s, o, i) => s + (o.contents.find((c) => c.material === m)?.quantity ?? 0) * counts[i]!,
      0,
    );
    if (had < q - 1e-4 * Math.min(1, q)) throw new UnprovedError(`the solver's answer does not cover ${m}`);
  }
  const total = totalOf(counts);
  // Switches that stood a hair over 0 would have let packs in without their delivery: then the bound is none.
  const bound =
    useful.reduce((s, i) => s + request.offers[i]!.price * (found.values[`x${i}`] ?? 0), 0) +
    charged.reduce(
      (s, d) => s + d.price * ((found.values[`y${d.s}`] ?? 0) - (found.values[`z${d.s}`] ?? 0)),
      0,
    );
  if (total > bound + 0.5)
    throw new UnprovedError('the cheapest purchase could not be proved: the quantities are too far apart');
  return finish(counts, total);
}
