import { z } from 'zod';
import { HAND_TESTS } from '../core/safety/handTests.ts';
import { placeRules, type Market, type PlaceRules, type Rule } from '../core/safety/rules.ts';
import { id, version } from './common.ts';

/** What a place makes of the rules; the version is that of the place. */
export const rulesUpdate = placeRules.extend({ version });
export type RulesUpdate = z.infer<typeof rulesUpdate>;

/** Who changed which rule, when and why; kept for good. */
export interface RuleLogEntry {
  readonly id: number;
  readonly on: string;
  readonly by: string;
  readonly why: string;
  /** The rule, and what was done to it. */
  readonly what: string;
}

/** A test done by hand on a finished kit of a design. */
export const handTestInput = z.strictObject({
  designId: id,
  /** The part it was done on, as the check names it. */
  part: z
    .string({ error: 'expected the part it was done on' })
    .trim()
    .min(1, 'expected the part it was done on')
    .max(120, 'may have at most 120 characters'),
  test: z.enum(HAND_TESTS, { error: `expected one of ${HAND_TESTS.join(', ')}` }),
  passed: z.boolean({ error: 'expected true or false' }),
  /** The greatest force that was held, N; null where none was measured. */
  force: z
    .number({ error: 'expected N' })
    .min(0, 'must not be negative')
    .max(2000, 'must be at most 2,000 N')
    .nullable(),
  by: z
    .string({ error: 'expected who did it' })
    .trim()
    .min(1, 'expected who did it')
    .max(80, 'may have at most 80 characters'),
  words: z.string({ error: 'expected words' }).trim().max(300, 'may have at most 300 characters'),
});
export type HandTestInput = z.infer<typeof handTestInput>;
export interface HandTestRow extends HandTestInput {
  readonly id: number;
  /** ISO date. */
  readonly on: string;
  /** How the tested thing was made; empty where that was not kept. */
  readonly madeAs: string;
  /** Loans since of the kit of its kind that was lent most. */
  readonly loans: number;
  /** The last day on which it counts, where it was passed; and whether that day, or the loans it holds for, are over. */
  readonly until: string;
  readonly isSpent: boolean;
}
export const testsQuery = z.object({
  designId: z.coerce
    .number({ error: 'expected a design' })
    .int('expected a whole number')
    .positive('must be over 0')
    .optional(),
});

/** Everything that a check at this place goes by. */
export interface RulesHere {
  readonly version: number;
  readonly market: Market;
  readonly rules: PlaceRules;
  /** Every rule as it is applied here. */
  readonly list: readonly Rule[];
  readonly log: readonly RuleLogEntry[];
  /** Tests done by hand, the last first. */
  readonly tests: readonly HandTestRow[];
}

/** Kits of a design that failed a test and that are not at the place. */
export interface Recall {
  readonly design: { readonly id: number; readonly name: string };
  readonly test: HandTestRow;
  readonly kits: readonly {
    readonly label: string;
    readonly borrower: string;
    readonly dueOn: string;
  }[];
  /** Kits at the place: they are not lent until the test is passed. */
  readonly here: number;
}
