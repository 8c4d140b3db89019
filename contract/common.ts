import { z } from 'zod';
import { ONE_LINE } from '../core/measure/text.ts';
import { LANGUAGES } from '../core/lend/sheetWords.ts';

export const id = z
  .number({ error: 'expected a number' })
  .int('expected a whole number')
  .positive('must be more than 0')
  .max(2 ** 31, 'is too large');
export const version = z
  .number({ error: 'is missing; expected the version you have' })
  .int('expected a whole number')
  .min(1, 'must be at least 1');
export { ONE_LINE };
export const name = z
  .string({ error: 'is missing; expected a name' })
  .trim()
  .min(1, 'expected a name')
  .max(80, 'may have at most 80 characters')
  .regex(ONE_LINE, 'may not break the line; expected a name in one line');
/** An age, months. */
export const months = z
  .number({ error: 'expected an age in months' })
  .int('expected whole months')
  .min(0, 'must not be negative')
  .max(216, 'must be at most 216 months');
/** A month of birth, as `YYYY-MM`. */
export const monthOfBirth = z
  .string({ error: 'expected a month like 2025-10' })
  .regex(/^(19|20)\d\d-(0[1-9]|1[0-2])$/, 'expected a month like 2025-10');
/** A language that families are written to in. */
export const language = z.enum(LANGUAGES, { error: `expected one of ${LANGUAGES.join(', ')}` });
/** A day that exists, as `YYYY-MM-DD`. */
export const day = z.iso.date({ error: 'expected a day like 2026-11-25' });

/** How many entries a page has unless asked otherwise, and at most. */
export const pageOf = (most: number, usual = most) => ({
  limit: z.coerce
    .number({ error: 'expected a number' })
    .int('expected a whole number')
    .min(1, 'must be at least 1')
    .max(most, `must be at most ${most}`)
    .default(usual),
  /** The cursor of the page before, as its Link header gave it. */
  after: z.string().max(200, 'expected the cursor of a page').optional(),
});

/** RFC 9457 problem details, with the fields at fault. */
export const problem = z.object({
  type: z.string(),
  title: z.string(),
  status: z.number().int(),
  detail: z.string(),
  errors: z.array(z.object({ path: z.string(), message: z.string() })),
  /** The state the server holds, where the caller's was stale or the thing is taken. */
  current: z.unknown().optional(),
});
export type Problem = z.infer<typeof problem>;

/** An address for mail. */
export const mailAddress = z
  .email({ error: 'expected an address like somebody@example.org' })
  .max(254, 'may have at most 254 characters');
