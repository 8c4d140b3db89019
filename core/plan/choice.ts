import { z } from 'zod';
import { line, name, unique } from '../measure/lines.ts';
import { deliveryOf } from '../price/delivery.ts';
import {
  deliveryCharge,
  MOST_PACKS,
  packOffer,
  price,
  UnprovedError,
  type SolveLp,
} from '../price/purchase.ts';

/** Designs that want the same stock. Quantities in pieces or mm, as the material is counted. */
export const choiceRequest = z.strictObject({
  stock: z
    .array(line)
    .max(2000, 'may have at most 2,000 lines')
    .superRefine(unique((l) => l.material, 'material')),
  designs: z
    .array(
      z.strictObject({
        id: name,
        skill: z.string().max(80).default(''),
        /** Most copies that are of use. */
        most: z
          .number({ error: 'expected a number of copies' })
          .int('expected a whole number')
          .min(0, 'must not be negative')
          .max(1000, 'must be at most 1,000'),
        /** What one copy counts for; 1 unless said otherwise. */
        worth: z
          .number({ error: 'expected a number' })
          .int('expected a whole number')
          .min(0, 'must not be negative')
          .max(1000, 'must be at most 1,000')
          .default(1),
        needs: z
          .array(line)
          .min(1, 'expected at least one material')
          .max(100, 'may have at most 100 materials')
          .superRefine(unique((l) => l.material, 'material')),
      }),
    )
    .min(1, 'expected at least one design')
    .max(200, 'may have at most 200 designs')
    .superRefine(unique((d) => d.id, 'id')),
  aim: z.enum(['copies', 'skills'], { error: 'expected copies or skills' }),
  /** What may be spent, whole minor units, delivery included; nothing is bought where it is left out. */
  budget: price.optional(),
  offers: z
    .array(packOffer)
    .max(500, 'may have at most 500 offers')
    .superRefine(unique((o) => o.id, 'id'))
    .default([]),
  delivery: z
    .array(deliveryCharge)
    .max(200, 'may have at most 200 suppliers')
    .superRefine(unique((d) => d.supplier, 'supplier'))
    .default([]),
});
export type ChoiceRequest = z.infer<typeof choiceRequest>;

export interface ChoiceAnswer {
  readonly status: 'optimal';
  readonly copies: readonly { readonly design: string; readonly count: number }[];
  /** Copies, each by its worth. */
  readonly total: number;
  /** Skills that at least one copy serves. */
  readonly skills: readonly string[];
  /** What the stock has left. */
  readonly leftover: readonly { readonly material: string; readonly quantity: number }[];
  /** What is bought for it, and what that costs with delivery. */
  readonly packs: readonly { readonly offer: string; readonly count: number }[];
  readonly spent: number;
}

/**
 * Which designs to make of the stock there is, and of what can be bought within a budget, as an integer program: most
 * copies (by worth), or most skills first and most copies after that. Counts are whole, so a solver's bound within less than
 * one is a proof.
 *
 * @throws UnprovedError when the solver gives up
 */
export function chooseDesigns(request: ChoiceRequest, solve: SolveLp): ChoiceAnswer {
  const { designs, stock, aim } = request;
  const budget = request.budget ?? 0;
  const offers = request.offers.filter(
    (o) => (o.limit ?? 1) > 0 && o.price <= budget && request.budget !== undefined,
  );
  const charges = new Map(request.delivery.map((d) => [d.supplier, d]));
  /** Most packs of an offer that the budget allows alone. */
  const mostPacks = offers.map((o) =>
    Math.min(o.limit ?? MOST_PACKS, o.price > 0 ? Math.floor(budget / o.price) : MOST_PACKS, MOST_PACKS),
  );
  const bought = (m: string): number =>
    offers.reduce(
      (n, o, k) => n + mostPacks[k]! * (o.contents.find((c) => c.material === m)?.quantity ?? 0),
      0,
    );
  const has = new Map(stock.map((l) => [l.material, l.quantity]));
  const skills = [...new Set(designs.map((d) => d.skill).filter(Boolean))];
  const most = designs.map((d) =>
    Math.max(
      0,
      Math.min(
        d.most,
        ...d.needs
          .filter((n) => n.quantity > 0)
          .map((n) => Math.floor(((has.get(n.material) ?? 0) + bought(n.material)) / n.quantity + 1e-9)),
      ),
    ),
  );
  const open = designs.map((_, i) => i).filter((i) => most[i]! > 0);
  const finish = (counts: number[], packs: number[] = offers.map(() => 0)): ChoiceAnswer => {
    const left = new Map(has);
    offers.forEach((o, k) =>
      o.contents.forEach((c) => left.set(c.material, (left.get(c.material) ?? 0) + c.quantity * packs[k]!)),
    );
    const paid = new Map<string, number>();
    offers.forEach((o, k) => {
      if (packs[k]! > 0) paid.set(o.supplier, (paid.get(o.supplier) ?? 0) + o.price * packs[k]!);
    });
    const spent = [...paid].reduce((n, [shop, sum]) => {
      const charge = charges.get(shop);
      return n + sum + (charge ? deliveryOf(charge, sum) : 0);
    }, 0);
    if (spent > budget) throw new UnprovedError("the solver's answer costs more than the budget");
    designs.forEach((d, i) =>
      d.needs.forEach((n) => left.set(n.material, (left.get(n.material) ?? 0) - n.quantity * counts[i]!)),
    );
    if ([...left.values()].some((q) => q < -1e-4))
      throw new UnprovedError("the solver's answer takes more than the stock holds");
    return {
      status: 'optimal',
      copies: designs.map((d, i) => ({ design: d.id, count: counts[i]! })),
      total: designs.reduce((s, d, i) => s + d.worth * counts[i]!, 0),
      skills: skills.filter((s) => designs.some((d, i) => d.skill === s && counts[i]! > 0)),
      leftover: [...left]
        .filter(([, q]) => q > 1e-6)
        .map(([material, quantity]) => ({ material, quantity: Math.round(quantity * 1e6) / 1e6 })),
      packs: offers.flatMap((o, k) => (packs[k]! > 0 ? [{ offer: o.id, count: packs[k]! }] : [])),
      spent,
    };
  };
  if (open.length === 0) return finish(designs.map(() => 0));
  // One skill more is worth more than all the copies there could be.
  const step = aim === 'skills' ? 1 + open.reduce((s, i) => s + designs[i]!.worth * most[i]!, 0) : 0;
  const goal = [
    ...open.filter((i) => designs[i]!.worth > 0).map((i) => `${designs[i]!.worth} x${i}`),
    ...(step > 0 ? skills.map((_, s) => `${step} y${s}`) : []),
  ];
  const materials = [...new Set(open.flatMap((i) => designs[i]!.needs.map((n) => n.material)))];
  const limits = materials.flatMap((m, k) => {
    const terms = open.flatMap((i) =>
      designs[i]!.needs.filter((n) => n.material === m && n.quantity > 0).map((n) => `${n.quantity} x${i}`),
    );
    const packs = offers.flatMap((o, q) =>
      o.contents.filter((c) => c.material === m).map((c) => ` - ${c.quantity} p${q}`),
    );
    return terms.length === 0 ? [] : [` m${k}: ${terms.join(' + ')}${packs.join('')} <= ${has.get(m) ?? 0}`];
  });
  const shops = [...new Set(offers.map((o) => o.supplier))].flatMap((s) => {
    const charge = charges.get(s);
    return charge && charge.price > 0 ? [charge] : [];
  });
  const freed = shops.flatMap((s, k) =>
    s.freeFrom === undefined ? [] : [{ ...s, freeFrom: s.freeFrom, k }],
  );
  const spending =
    offers.length === 0
      ? []
      : [
          ` cost: ${[
            ...offers.map((o, q) => `${o.price} p${q}`),
            ...shops.map((s, k) => `${s.price} d${k}`),
          ].join(' + ')}${freed.map((s) => ` - ${s.price} e${s.k}`).join('')} <= ${budget}`,
          ...offers.flatMap((o, q) => {
            const k = shops.findIndex((s) => s.supplier === o.supplier);
            return k < 0 ? [] : [` o${q}: p${q} - ${mostPacks[q]!} d${k} <= 0`];
          }),
          // Delivery is free where what is bought there comes to the sum that is asked for it.
          ...freed.flatMap((s) => [
            ` f${s.k}: ${offers
              .flatMap((o, q) => (o.supplier === s.supplier ? [`${o.price} p${q}`] : []))
              .join(' + ')} - ${s.freeFrom} e${s.k} >= 0`,
            ` g${s.k}: e${s.k} - d${s.k} <= 0`,
          ]),
        ];
  const covers =
    step > 0
      ? skills.map((s, k) => {
          const terms = open.filter((i) => designs[i]!.skill === s).map((i) => ` - x${i}`);
          return ` s${k}: y${k}${terms.join('')} <= 0`;
        })
      : [];
  const binaries = [
    ...(step > 0 ? skills.map((_, s) => `y${s}`) : []),
    ...shops.map((_, k) => `d${k}`),
    ...freed.map((s) => `e${s.k}`),
  ];
  const found = solve(
    [
      'Maximize',
      ` goal: ${goal.length > 0 ? goal.join(' + ') : `0 x${open[0]}`}`,
      'Subject To',
      ...limits,
      ...covers,
      ...spending,
      'Bounds',
      ...open.map((i) => ` 0 <= x${i} <= ${most[i]}`),
      ...offers.map((_, q) => ` 0 <= p${q} <= ${mostPacks[q]!}`),
      'General',
      ` ${[...open.map((i) => `x${i}`), ...offers.map((_, q) => `p${q}`)].join(' ')}`,
      ...(binaries.length > 0 ? ['Binary', ` ${binaries.join(' ')}`] : []),
      'End',
    ].join('\n'),
  );
  if (found.status !== 'optimal') throw new UnprovedError('the best choice could not be proved in time');
  return finish(
    designs.map((_, i) => Math.round(found.values[`x${i}`] ?? 0)),
    offers.map((_, q) => Math.round(found.values[`p${q}`] ?? 0)),
  );
}
