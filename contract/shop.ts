import { z } from 'zod';
import { day, id, pageOf } from './common.ts';

/** A pack as the shop lists it this week. */
export const shopPack = z.object({
  key: z.string(),
  supplier: z.string(),
  delivery: z.number().int(),
  name: z.string(),
  price: z.number().int(),
  inStock: z.boolean(),
  contents: z.array(z.object({ catalogue: z.string(), name: z.string(), quantity: z.number().int() })),
  /** The offer that follows it, once it was taken up. */
  offerId: id.nullable(),
});
export const shopList = z.object({ day, packs: z.array(shopPack) });
export type ShopList = z.infer<typeof shopList>;

export const shopTake = z.strictObject({
  key: z.string({ error: 'expected the key of a pack' }).max(40, 'expected the key of a pack'),
});
export const shopRefreshed = z.object({
  /** Packs followed, and lists read since the last time. */
  followed: z.number().int(),
  lists: z.number().int(),
  changed: z.array(
    z.object({
      offerId: id,
      name: z.string(),
      before: z.number().int(),
      after: z.number().int(),
      inStock: z.boolean(),
      wasInStock: z.boolean(),
    }),
  ),
});
export type ShopRefreshed = z.infer<typeof shopRefreshed>;

export const priceSeen = z.object({
  offerId: id,
  seenOn: day,
  price: z.number().int(),
  inStock: z.boolean(),
});
export type PriceSeen = z.infer<typeof priceSeen>;

/** Packs that were bought: what is in them goes on the shelf. */
export const boughtInput = z.strictObject({
  packs: z
    .array(
      z.strictObject({
        offerId: id,
        count: z
          .number({ error: 'expected a number of packs' })
          .int('expected a whole number')
          .min(1, 'must be at least 1')
          .max(1000, 'must be at most 1,000'),
      }),
      { error: 'expected a list of packs' },
    )
    .min(1, 'expected at least one pack')
    .max(200, 'may have at most 200 packs')
    .refine((list) => new Set(list.map((p) => p.offerId)).size === list.length, 'expected each pack once'),
  /** The design that it is bought for; left out where for none alone. */
  designId: id.optional(),
});
export type BoughtInput = z.infer<typeof boughtInput>;
/** A lot that came of it. */
export interface BoughtLot {
  readonly materialId: number;
  readonly name: string;
  readonly quantity: number;
}

/** A purchase that was made: packs with their price each, and the total with delivery, minor units. */
export const purchaseMade = z.object({
  id,
  on: day,
  total: z.number().int(),
  packs: z.array(
    z.object({ name: z.string(), supplier: z.string(), count: z.number().int(), price: z.number().int() }),
  ),
});
export type PurchaseMade = z.infer<typeof purchaseMade>;
export const purchaseQuery = z.strictObject({
  ...pageOf(200),
  design: z.coerce.number().int().positive().optional(),
});
