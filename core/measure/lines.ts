import { z } from 'zod';

/** The name something goes by in a computation: a key of the caller's. */
export const name = z
  .string({ error: 'expected a name' })
  .min(1, 'expected a name')
  .max(120, 'may have at most 120 characters');

/** How much of a material, in pieces or mm as it is counted. */
export const quantity = z
  .number({ error: 'expected a quantity' })
  .min(0, 'must not be negative')
  .max(1e7, 'must be at most 10,000,000');

/** So much of one material. */
export const line = z.strictObject({ material: name, quantity });

/** Refuses a list in which two entries go by the same key; `what` is the field it stands in. */
export const unique =
  <T>(key: (t: T) => string, what: string) =>
  (list: readonly T[], ctx: z.RefinementCtx): void => {
    const seen = new Set<string>();
    list.forEach((t, i) => {
      if (seen.has(key(t)))
        ctx.addIssue({ code: 'custom', path: [i, what], message: `“${key(t)}” is here twice` });
      seen.add(key(t));
    });
  };
