import { z } from 'zod';
import { look, OUTCOMES } from '../core/gather/lookOver.ts';
import { sizes } from '../core/materials/materialInput.ts';
import { day, id, pageOf, version } from './common.ts';

export const LOT_STATES = ['ready', 'clean first', 'resting', 'never'] as const;
export const lotState = z.enum(LOT_STATES, { error: `expected one of ${LOT_STATES.join(', ')}` });
export type LotState = (typeof LOT_STATES)[number];

/** A family or group by its code name, never a real name; empty where nobody knows. */
export const fromCode = z
  .string({ error: 'expected a code' })
  .trim()
  .max(40, 'may have at most 40 characters');
const count = z
  .number({ error: 'expected a count as a whole number' })
  .int('expected a whole number')
  .max(10_000_000, 'must be at most 10,000,000');
const reason = z.string().trim().max(300, 'may have at most 300 characters');

/** A find as it is looked over: of a material on the shelf, or of a catalogue entry that is not there yet. */
export const findInput = z
  .strictObject({
    materialId: id.optional(),
    catalogue: z.string().max(40).optional(),
    quantity: count.min(1, 'must be at least 1'),
    from: fromCode.default(''),
    cameOn: day.optional(),
    sizes: sizes.default({}),
    look,
  })
  .refine((f) => (f.materialId === undefined) !== (f.catalogue === undefined), {
    path: ['materialId'],
    message: 'expected either a material of the shelf or a key of the catalogue',
  });
export type FindInput = z.infer<typeof findInput>;

export const lot = z.object({
  id,
  version,
  materialId: id,
  quantity: z.number().int(),
  came: z.number().int(),
  cameOn: day,
  from: z.string(),
  state: lotState,
  /** From when a resting lot may be used. */
  readyOn: day.nullable(),
  reason: z.string(),
  /** Measured sizes, mm; they override the nominal. */
  sizes,
  look: look.nullable(),
});
export type Lot = z.infer<typeof lot>;

/** What changed about a lot: counted anew, measured anew, cleaned, rested. */
export const lotUpdate = z
  .strictObject({
    version,
    quantity: count.min(0, 'must not be negative').optional(),
    from: fromCode.optional(),
    state: lotState.optional(),
    readyOn: day.nullable().optional(),
    reason: reason.optional(),
    sizes: sizes.optional(),
  })
  .refine((l) => l.state !== 'resting' || typeof l.readyOn === 'string', {
    path: ['readyOn'],
    message: 'a lot in quarantine needs the day it is ready, like 2026-11-25',
  });
export type LotUpdate = z.infer<typeof lotUpdate>;

/** The find as it was taken in, and what became of it. */
export const findAnswer = z.object({
  lot,
  material: z.string(),
  outcome: z.enum(OUTCOMES),
  until: day.nullable(),
  reasons: z.array(z.object({ question: z.string(), outcome: z.enum(OUTCOMES), words: z.string() })),
});
export type FindAnswer = z.infer<typeof findAnswer>;

export const lotQuery = z.strictObject({
  material: z.coerce
    .number({ error: 'expected a number' })
    .int('expected a whole number')
    .positive('must be more than 0')
    .optional(),
  /** Only lots that came on this day or later. */
  since: day.optional(),
  ...pageOf(20_000),
});
