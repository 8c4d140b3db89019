import { readFileSync } from 'node:fs';
import { z } from 'zod';
import { childCode, childInput } from '../contract/children.ts';
import { designInput } from '../contract/designs.ts';
import { borrowerInput } from '../contract/lending.ts';
import { HELP, LIKED } from '../core/watch/outcomes.ts';
import { placeInput } from '../contract/place.ts';
import { supplierInput } from '../contract/materials.ts';
import { look } from '../core/gather/lookOver.ts';
import { materialFields, sizes } from '../core/materials/materialInput.ts';

const key = z.string().min(1);
const dayOffset = z.number().int();
const dayTimes = z.object({ day: dayOffset, from: z.number().int(), to: z.number().int() });

/** The Kelpwick cart: invented, ours alone. Days count from today, materials and designs go by key. */
const cart = z.object({
  place: placeInput,
  materials: z.array(materialFields.extend({ key })),
  suppliers: z.array(supplierInput.extend({ key })),
  offers: z.array(
    z.object({
      name: z.string(),
      supplier: key,
      price: z.number().int(),
      contents: z.array(z.object({ material: key, quantity: z.number().int() })),
    }),
  ),
  designs: z.array(
    z.looseObject({
      key,
      made: z.number().int(),
      madeOn: dayOffset.max(0).default(-45),
      materials: z.record(z.string(), z.array(key)),
    }),
  ),
  /** What came in, looked over on its day; of a material of the cart or an entry of the catalogue. */
  finds: z.array(
    z.strictObject({
      material: key.optional(),
      catalogue: key.optional(),
      quantity: z.number().int().positive(),
      from: z.string(),
      day: dayOffset.max(0),
      look: look.optional(),
      sizes: sizes.optional(),
    }),
  ),
  /** Packs of the simulated shop that are followed, since when. */
  follows: z.array(z.strictObject({ key, day: dayOffset.max(0) })),
  families: z.array(borrowerInput),
  /** Children by code, with their hands as measured. */
  children: z.array(childInput.omit({ version: true }).extend({ code: childCode })),
  loans: z.array(
    z.object({
      kit: z.string(),
      family: z.string(),
      lent: dayOffset,
      due: dayOffset,
      returned: dayOffset.optional(),
      /** It came back and is not cleaned yet. */
      uncleaned: z.boolean().optional(),
      missing: z.number().int().optional(),
      then: z.enum(['shelve', 'repair']).optional(),
    }),
  ),
  /** Kits of several designs, how many of each are made, and to whom the first was lent. */
  bundles: z.array(
    z.object({
      name: z.string(),
      designs: z.array(key),
      container: key.nullable(),
      words: z.record(z.string(), z.string()).default({}),
      made: z.number().int(),
      loans: z.array(
        z.object({
          family: z.string(),
          lent: dayOffset,
          due: dayOffset,
          returned: dayOffset.optional(),
          uncleaned: z.boolean().optional(),
        }),
      ),
    }),
  ),
  /** Terms that are to be planned, for every family of the cart. */
  terms: z
    .array(
      z.object({
        name: z.string(),
        from: dayOffset,
        weeks: z.number().int(),
        every: z.number().int(),
        stays: z.number().int(),
        cleanDays: z.number().int(),
      }),
    )
    .default([]),
  /** Batches that are planned; days count from today. */
  batches: z
    .array(
      z.object({
        name: z.string(),
        items: z.array(z.object({ design: key, copies: z.number().int() })),
        makers: z.array(z.object({ name: z.string(), windows: z.array(dayTimes) })),
        childFree: z.array(dayTimes),
        singles: z.array(z.string()).default([]),
      }),
    )
    .default([]),
  notes: z.array(
    z.object({
      design: key,
      child: z.string(),
      level: key,
      /** Levels done in the sitting before it. */
      before: z
        .array(z.object({ level: key, seconds: z.number().nullable(), count: z.number().int().nullable() }))
        .default([]),
      day: dayOffset,
      seconds: z.number().nullable(),
      count: z.number().int().nullable(),
      help: z.enum(HELP),
      tries: z.number().int().default(1),
      managed: z.number().int().nullable().default(null),
      liked: z.enum(LIKED).nullable().default(null),
      words: z.string(),
    }),
  ),
});
export type Cart = z.infer<typeof cart>;

export const readCart = (file: string | URL): Cart => cart.parse(JSON.parse(readFileSync(file, 'utf8')));
export { designInput };
