import { z } from 'zod';
import { LOCAL } from '../core/gather/lookOver.ts';
import { APPROACHES } from '../core/patterns/kernel.ts';
import { MARKETS } from '../core/safety/rules.ts';
import { name, version } from './common.ts';

/** What a place sets once: its name, how it writes lengths, whose rules it goes by. */
export const placeInput = z.strictObject({
  name,
  lengthUnit: z.enum(['mm', 'in'], { error: 'expected mm or in' }),
  market: z.enum(MARKETS, { error: `expected one of ${MARKETS.join(', ')}` }),
  approach: z.enum(APPROACHES, { error: `expected one of ${APPROACHES.join(', ')}` }),
  paper: z.enum(['A4', 'Letter'], { error: 'expected A4 or Letter' }),
  /** What local policy says of toilet-roll tubes and card egg cartons. */
  toiletRolls: z.enum(LOCAL, { error: `expected one of ${LOCAL.join(', ')}` }).optional(),
  eggCartons: z.enum(LOCAL, { error: `expected one of ${LOCAL.join(', ')}` }).optional(),
  restDays: z
    .number({ error: 'expected a number of days' })
    .int('expected whole days')
    .min(1, 'must be at least 1 day')
    .max(60, 'must be at most 60 days')
    .optional(),
  loanDays: z
    .number({ error: 'expected a number of days' })
    .int('expected whole days')
    .min(1, 'must be at least 1 day')
    .max(365, 'must be at most 365 days'),
});
export const placeUpdate = placeInput.extend({ version });
export const place = placeInput.extend({ version, today: z.string() });
export type PlaceInput = z.infer<typeof placeInput>;
export type Place = z.infer<typeof place>;

/** One live figure for each station of the tape. */
export const tape = z.object({
  gather: z.object({ kept: z.number() }),
  shape: z.object({ designs: z.number() }),
  check: z.object({ designs: z.number() }),
  price: z.object({ offers: z.number() }),
  make: z.object({ made: z.number() }),
  lend: z.object({ out: z.number(), late: z.number() }),
  watch: z.object({ notes: z.number() }),
});
export type Tape = z.infer<typeof tape>;
