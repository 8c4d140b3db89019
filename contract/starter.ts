import { z } from 'zod';

/** Kinds of the catalogue for a first shelf, each with how many there are (each, or mm for what is counted by length). */
export const starterInput = z.strictObject({
  kinds: z
    .array(
      z.strictObject({
        catalogue: z
          .string({ error: 'expected a key of the catalogue' })
          .max(40, 'expected a key of the catalogue'),
        quantity: z
          .number({ error: 'expected a count as a whole number' })
          .int('expected a whole number')
          .min(0, 'must not be negative')
          .max(10_000_000, 'must be at most 10,000,000'),
      }),
      { error: 'expected a list of kinds' },
    )
    .min(1, 'expected at least one kind')
    .max(200, 'may have at most 200 kinds'),
});
export type StarterInput = z.infer<typeof starterInput>;
/** Kinds put on the shelf, and those left as they were since their name was there already. */
export const starterDone = z.object({ added: z.number().int(), left: z.number().int() });
export type StarterDone = z.infer<typeof starterDone>;
