import { z } from 'zod';
import { isLocale } from '../core/calendar/days.ts';
import { LOCAL } from '../core/gather/lookOver.ts';
import { LANGUAGES } from '../core/lend/sheetWords.ts';
import { isCurrency } from '../core/measure/money.ts';
import { APPROACHES } from '../core/patterns/kernel.ts';
import { MARKETS } from '../core/safety/rules.ts';
import { name, version } from './common.ts';

/** What a place sets once: its name, how it writes lengths, whose rules it goes by. */
export const placeInput = z.strictObject({
  name,
  lengthUnit: z.enum(['mm', 'in'], { error: 'expected mm or in' }),
  market: z.enum(MARKETS, { error: `expected one of ${MARKETS.join(', ')}` }),
  approach: z.enum(APPROACHES, { error: `expected one of ${APPROACHES.join(', ')}` }),
  /** ISO 4217. */
  currency: z
    .string({ error: 'expected a currency like EUR' })
    .refine(isCurrency, 'expected a currency of ISO 4217, like EUR, GBP or USD')
    .optional(),
  /** Language and order of dates and money, BCP 47. */
  locale: z
    .string({ error: 'expected a language like en-GB' })
    .refine(isLocale, 'expected a language and country like en-GB or en-US')
    .optional(),
  /** Languages that families are written to in, the first by itself. */
  languages: z
    .array(z.enum(LANGUAGES, { error: `expected one of ${LANGUAGES.join(', ')}` }), {
      error: 'expected a list of languages',
    })
    .min(1, 'expected at least one language')
    .max(6, 'may have at most 6 languages')
    .refine((list) => new Set(list).size === list.length, 'expected each language once')
    .optional(),
  /** Whom a family rings when a part breaks; empty for none. */
  phone: z
    .string({ error: 'expected a telephone number' })
    .trim()
    .max(40, 'may have at most 40 characters')
    .regex(/^[0-9+()./ -]*$/, 'expected digits, spaces and + ( ) . / -')
    .optional(),
  /** What an hour of adult work counts for in a price, whole minor units; null where it is not counted. */
  hourly: z
    .number({ error: 'expected whole minor units' })
    .int('expected whole minor units')
    .min(0, 'must not be negative')
    .max(1e6, 'must be at most 1,000,000')
    .nullable()
    .optional(),
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
  /** Whether what is only simulated (a shop's list, a hand scanner, a scale, an outbox) is shown, to try things with. */
  simulated: z.boolean({ error: 'expected true or false' }).optional(),
  loanDays: z
    .number({ error: 'expected a number of days' })
    .int('expected whole days')
    .min(1, 'must be at least 1 day')
    .max(365, 'must be at most 365 days'),
});
export const placeUpdate = placeInput.extend({ version });
export const place = placeInput.required().extend({ version, today: z.string() });
/** Changes that were acknowledged before the last start and are not in the file. */
export interface Lost {
  readonly lost: number;
}
export type PlaceInput = z.infer<typeof placeInput>;
export type Place = z.infer<typeof place>;

/** A copy of the place's file, as it was at a time. */
export const backup = z.object({
  name: z.string(),
  bytes: z.number().int(),
  /** ISO 8601, UTC. */
  madeAt: z.string(),
  /** The day until which it is kept by itself; null for one that stays until somebody deletes it. */
  until: z.string().nullable(),
});
export type Backup = z.infer<typeof backup>;

/** A passphrase that a copy is encrypted with: at least so long that guessing it takes too long. */
export const passphrase = z
  .string({ error: 'expected a passphrase' })
  .min(12, 'must have at least 12 characters')
  .max(200, 'may have at most 200 characters');
export const encryptInput = z.strictObject({ passphrase });
/** The header that carries, as a component of an address, the passphrase of a file that comes in. */
export const PASSPHRASE_HEADER = 'x-passphrase';

/** What a check of the file in use has found; one that is damaged is told as a problem. */
export interface Integrity {
  readonly bytes: number;
  /** ISO 8601, UTC. */
  readonly checkedAt: string;
}

/** What a copy holds, to look at before it is put back. */
export interface BackupLook {
  readonly name: string;
  /** The place it is of. */
  readonly place: string;
  readonly counts: Readonly<
    Record<'materials' | 'designs' | 'kits' | 'families' | 'loans' | 'notes', number>
  >;
  /** Days; null where there is none. */
  readonly lastLoan: string | null;
  readonly lastNote: string | null;
}
/** What was put back, and the copy that was made of everything before. */
export interface Restored {
  readonly restored: string;
  readonly before: string;
}

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
