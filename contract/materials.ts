import { z } from 'zod';
import { materialFields, materialInput, sizes } from '../core/materials/materialInput.ts';
import { id, name, version } from './common.ts';

export { materialInput };
/** What an overwrite says besides: the version its caller has seen. */
export const materialVersion = z.object({ version });
/** Adds to or takes from what is kept, so that two desks never overwrite each other's count. */
export const stockChange = z.strictObject({
  by: z
    .number({ error: 'expected how many come (or go, as a negative number)' })
    .int('expected a whole number')
    .min(-1e6, 'must be at least −1,000,000')
    .max(1e6, 'must be at most 1,000,000')
    .refine((n) => n !== 0, 'must not be 0'),
});
export const material = materialFields.extend({
  id,
  version,
  /** Not ready yet: to be cleaned, or resting. */
  waiting: z.number().int(),
  /** Everything that is kept was clean when it was looked over, or was cleaned since. */
  clean: z.boolean().optional(),
  /** Largest and smallest sizes measured on ready lots, mm. */
  measured: z.object({ most: sizes, least: sizes }).optional(),
});
export type MaterialRow = z.infer<typeof material>;

const price = z
  .number({ error: 'expected a price in whole minor units' })
  .int('expected whole minor units')
  .min(0, 'must not be negative')
  .max(1e8, 'must be at most 100,000,000');
export const supplierInput = z.strictObject({
  name,
  delivery: price,
  /** Delivery is free from this sum on; null or left out where it never is. */
  freeFrom: price.nullable().optional(),
});
/** Changed whole: who overwrites has seen the latest. */
export const supplierUpdate = supplierInput.extend({ version });
export const supplier = supplierInput.extend({ id, version });
export type Supplier = z.infer<typeof supplier>;
export type SupplierInput = z.infer<typeof supplierInput>;

/** A supplier's pack: what is in it, for how much. */
export const offerInput = z.strictObject({
  name,
  supplierId: id,
  price,
  contents: z
    .array(
      z.strictObject({
        materialId: id,
        quantity: z
          .number({ error: 'expected how many are in the pack' })
          .int('expected a whole number')
          .min(1, 'must be at least 1')
          .max(1e6, 'must be at most 1,000,000'),
      }),
    )
    .min(1, 'expected at least one material')
    .max(20, 'may have at most 20 materials')
    .refine((c) => new Set(c.map((l) => l.materialId)).size === c.length, 'a material may stand here once'),
});
/** Changed whole: who overwrites has seen the latest. */
export const offerUpdate = offerInput.extend({ version });
export const offer = offerInput.extend({
  id,
  version,
  /** Whether the shop had it when last seen; packs entered by hand are. */
  inStock: z.boolean(),
  /** The pack's key in the shop's list, where it comes from there. */
  shopKey: z.string().nullable(),
});
export type Offer = z.infer<typeof offer>;
export type OfferInput = z.infer<typeof offerInput>;
