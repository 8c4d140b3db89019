import { readFileSync } from 'node:fs';
import { z } from 'zod';
import { designInput } from '../contract/designs.ts';
import { borrowerInput, HELP } from '../contract/lending.ts';
import { placeInput } from '../contract/place.ts';
import { supplierInput } from '../contract/materials.ts';
import { materialFields } from '../core/materials/material.ts';

const key = z.string().min(1);
const dayOffset = z.number().int();

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
  designs: z.array(z.looseObject({ key, made: z.number().int(), materials: z.record(z.string(), key) })),
  families: z.array(borrowerInput),
  loans: z.array(
    z.object({
      copy: z.string(),
      family: z.string(),
      lent: dayOffset,
      due: dayOffset,
      returned: dayOffset.optional(),
      missing: z.number().int().optional(),
      then: z.enum(['shelve', 'repair']).optional(),
    }),
  ),
  notes: z.array(
    z.object({
      design: key,
      child: z.string(),
      rung: key,
      day: dayOffset,
      seconds: z.number(),
      pieces: z.number().int(),
      help: z.enum(HELP),
      words: z.string(),
    }),
  ),
});
export type Cart = z.infer<typeof cart>;

export const readCart = (file: string | URL): Cart => cart.parse(JSON.parse(readFileSync(file, 'utf8')));
export { designInput };
