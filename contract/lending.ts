import type { PlannedForFamily } from './termPlan.ts';
import type { ToldAt } from './telling.ts';
import { done } from './undo.ts';
import { COUNT_OUTCOMES } from '../core/lend/status.ts';
import { ALLERGIES } from '../core/lend/allergies.ts';
import { z } from 'zod';
import { daysBetween } from '../core/calendar/days.ts';
import { SKILLS, type Use, type Verdict } from '../core/patterns/kernel.ts';
import { childCode } from './children.ts';
import { day, id, language, mailAddress, monthOfBirth, months, name, version } from './common.ts';

export const borrowerInput = z.strictObject({
  name,
  group: name,
  /** What somebody of the family is allergic to, as far as it is known. */
  allergies: z
    .array(z.enum(ALLERGIES, { error: `expected one of ${ALLERGIES.join(', ')}` }), {
      error: 'expected a list of allergies',
    })
    .max(ALLERGIES.length, `may have at most ${ALLERGIES.length} allergies`)
    .refine((list) => new Set(list).size === list.length, 'expected each allergy once')
    .optional(),
  /** Where its messages are mailed to, only where the place needs it: the one thing here that may tell who somebody is. */
  mail: mailAddress.nullable().optional(),
  /** Age of the youngest at home today, months; it grows from then on. null where it is not known. */
  youngest: months.nullable().optional(),
  /** Or its month of birth, which counts before an age. */
  born: monthOfBirth.nullable().optional(),
  /** Somebody at home still puts things in the mouth. */
  mouths: z.boolean({ error: 'expected true or false' }).optional(),
  /** Language it is written to in; null for the place's first. */
  language: language.nullable().optional(),
  /** The skill that is worked on at home; null for none in particular. */
  aim: z
    .enum(SKILLS, { error: `expected one of ${SKILLS.join(', ')}` })
    .nullable()
    .optional(),
  /** Code names of its children, as notes use them; of a group, of those who use its room. */
  children: z
    .array(childCode, { error: 'expected a list of code names' })
    .max(40, 'may have at most 40 children')
    .refine((list) => new Set(list).size === list.length, 'expected each child once')
    .optional(),
});
export type BorrowerInput = z.infer<typeof borrowerInput>;
/** Changed whole: who overwrites has seen the latest. */
export const borrowerUpdate = borrowerInput.extend({ version });
export type BorrowerUpdate = z.infer<typeof borrowerUpdate>;
export const borrower = borrowerInput.required().extend({ id, version });
export type Borrower = z.infer<typeof borrower>;
/** A family of the list: how many kits it has now, and how many of them are overdue. */
export interface ListedFamily extends Borrower {
  readonly has: number;
  readonly late: number;
}

const count = z
  .number({ error: 'expected a count' })
  .int('expected a whole number')
  .min(0, 'must not be negative')
  .max(10_000, 'must be at most 10,000');
const USES = ['piece', 'part', 'filler', 'consumable', 'tool', 'package'] as const satisfies readonly Use[];
/** Something that is counted out and in; `takes` is how much of its material one is made of: 1, or mm of a roll. */
export const part = z.object({
  materialId: id.nullable(),
  name: z.string(),
  use: z.enum(USES),
  due: count,
  present: count,
  spoiled: count.optional(),
  writtenOff: count.optional(),
  /** Of a count: of those that were missing, how many turned up since. */
  found: count.optional(),
  takes: z.number().positive(),
});
export type Part = z.infer<typeof part>;

export const openLoan = z.object({
  id,
  borrowerId: id,
  borrower: z.string(),
  lentOn: z.string(),
  dueOn: z.string(),
});
/** One labelled kit in the world, as it stands now. */
export const kit = z.object({
  id,
  label: z.string(),
  designId: id,
  design: z.string(),
  skill: z.string(),
  repair: z.boolean(),
  toClean: z.boolean(),
  restsUntil: z.string().nullable(),
  retiredOn: z.string().nullable(),
  /** Why its design is called back. */
  recalled: z.string().nullable(),
  parts: z.array(part),
  openLoan: openLoan.nullable(),
  lastCounted: z.string().nullable(),
});
export type Kit = z.infer<typeof kit>;

/** The lending room in figures. */
export const lendingSummary = z.object({
  kits: z.number().int(),
  /** Lent now, late ones among them. */
  out: z.number().int(),
  late: z.number().int(),
  repair: z.number().int(),
  toClean: z.number().int(),
  resting: z.number().int(),
  recalled: z.number().int(),
  retired: z.number().int(),
  skills: z.array(z.object({ skill: z.string(), kits: z.number().int() })),
});
export type LendingSummary = z.infer<typeof lendingSummary>;
/** The notes in figures. */
export const historyQuery = z.strictObject({
  limit: z.coerce
    .number({ error: 'expected a number' })
    .int('expected a whole number')
    .min(1, 'must be at least 1')
    .max(500, 'must be at most 500')
    .default(100),
});
/** A loan against a stop of the check, by somebody who may design; the reason stays on the loan and is printed on its slip. */
export const override = z.strictObject({
  why: z
    .string({ error: 'expected the reason' })
    .trim()
    .min(10, 'expected the reason, at least 10 characters')
    .max(300, 'may have at most 300 characters'),
  by: z
    .string({ error: 'expected who decided it' })
    .trim()
    .min(1, 'expected who decided it')
    .max(80, 'may have at most 80 characters'),
});
export type Override = z.infer<typeof override>;
export const loanInput = z.strictObject({
  kitId: id,
  borrowerId: id,
  dueOn: day,
  override: override.optional(),
});
export type LoanInput = z.infer<typeof loanInput>;
/** Several kits to one family, all or none. */
export const loansInput = z.strictObject({
  kitIds: z
    .array(id, { error: 'expected a list of kits' })
    .min(1, 'expected at least one kit')
    .max(20, 'may have at most 20 kits')
    .refine((list) => new Set(list).size === list.length, 'expected each kit once'),
  borrowerId: id,
  dueOn: day,
  override: override.optional(),
});
export const loan = z.object({
  id,
  kitId: id,
  borrowerId: id,
  lentOn: z.string(),
  dueOn: z.string(),
  returnedOn: z.string().nullable(),
  /** Who lent it against a stop of the check, why, and what the check had said. */
  override: z.object({ by: z.string(), why: z.string(), of: z.string() }).nullable(),
});
export type Loan = z.infer<typeof loan>;

/** What the check says of a kit for who will have it: asked wherever a kit meets a child. */
export interface KitAnswer {
  readonly verdict: Verdict;
  /** Age that decided, months, and whether the family or the child told it. */
  readonly youngest: number;
  readonly isTold: boolean;
  /** What stops it or asks for care, worst first. */
  readonly reasons: readonly {
    readonly verdict: Verdict;
    readonly rule: string;
    readonly title: string;
    /** Where on it, in the design's own word. */
    readonly where: string;
    readonly words: string;
  }[];
  /** Tests by hand that no thing made so has passed; told before a first loan. */
  readonly untested: readonly { readonly design: string; readonly tests: readonly string[] }[];
  readonly isFirstLoan: boolean;
  /** What hangs over the loan besides the check: overdue elsewhere, planned or kept for another, made before a change. */
  readonly hangs: readonly string[];
}
/** The same in short, of several kits for the ages they are made for. */
export interface ShortAnswer {
  readonly id: number;
  readonly verdict: Verdict;
  /** What decided it; null where nothing was found. */
  readonly title: string | null;
}
export const answersQuery = z.strictObject({
  ids: z
    .string({ error: 'expected numbers of kits, apart by commas' })
    .regex(/^\d{1,9}(,\d{1,9}){0,199}$/, 'expected at most 200 numbers of kits, apart by commas'),
});
export const answerQuery = z.strictObject({
  borrowerId: z.coerce
    .number({ error: 'expected a family' })
    .int('expected a whole number')
    .positive('must be more than 0')
    .optional(),
});

/** A part that a kit is short of. */
export interface MissingPiece {
  readonly kitId: number;
  readonly label: string;
  readonly kit: string;
  /** Which of its parts. */
  readonly part: number;
  readonly name: string;
  readonly materialId: number | null;
  readonly missing: number;
  /** In the house; else with a family. */
  readonly isHere: boolean;
}
/** Pieces that turned up, put into the kit that misses them. */
export const foundInput = z.strictObject({
  part: z
    .number({ error: 'expected which part' })
    .int('expected a whole number')
    .min(0, 'must not be negative')
    .max(500, 'must be at most 500'),
  count: z
    .number({ error: 'expected how many' })
    .int('expected a whole number')
    .min(1, 'must be at least 1')
    .max(10_000, 'must be at most 10,000'),
});
export type FoundInput = z.infer<typeof foundInput>;

/** A longer loan. */
export const renewInput = z.strictObject({ dueOn: day });

/** What came back: a count for every part, in the copy's order, and what to do about what is missing. */
export const returnInput = z.strictObject({
  present: z.array(count, { error: 'expected a count for every part' }).max(40),
  /** Of those that are not counted, how many are there but spoiled, in the copy's order; none where it is left out. */
  spoiled: z.array(count, { error: 'expected a count for every part' }).max(40).optional(),
  /**
   * shelve: hang it up as it is, which is lent once it is whole; fill: take what is missing from the shelf's stock; repair: put
   * it aside; write off: go on with fewer; ask back: put it aside and ask the family it came from.
   */
  then: z.enum(COUNT_OUTCOMES, { error: `expected one of ${COUNT_OUTCOMES.join(', ')}` }),
});
export type ReturnInput = z.infer<typeof returnInput>;
/** Counted back, cleaned on the spot and lent to the next family, all or nothing. */
export const handOnInput = z.strictObject({
  present: returnInput.shape.present,
  then: z.enum(['shelve', 'fill'], { error: 'expected shelve or fill' }),
  borrowerId: id,
  dueOn: day,
  override: override.optional(),
  cleaned: z.literal(true, { error: 'expected true: nothing is handed on before it is clean' }),
});
export type HandOnInput = z.infer<typeof handOnInput>;

export const reservationInput = z.strictObject({ kitId: id, borrowerId: id });
/** A kind of kit that is kept for a family. */
export interface Reservation {
  readonly id: number;
  readonly borrowerId: number;
  readonly borrower: string;
  readonly designId: number;
  readonly bundleId: number | null;
  /** The kit's own name, or its design's. */
  readonly kit: string;
  readonly madeOn: string;
  /** The label of one that is in for it; null while none is. */
  readonly ready: string | null;
}
/** What was filled, from which lots. */
export const filled = z.object({
  materialId: id,
  name: z.string(),
  quantity: count,
  lots: z.array(z.object({ lotId: id, quantity: count, from: z.string(), cameOn: z.string() })),
});
/** One count of a kit: at a return, at the end of a repair, or between loans. */
export const kitCount = z.object({
  id,
  countedOn: z.string(),
  loanId: id.nullable(),
  /** As counted, before anything was filled. */
  parts: z.array(part),
  outcome: z.string(),
  filled: z.array(filled),
});
export type KitCount = z.infer<typeof kitCount>;
/** A loan as history tells it, with its count at the return. */
export const pastLoan = loan.extend({
  label: z.string(),
  design: z.string(),
  borrower: z.string(),
  count: kitCount.nullable(),
});
export type PastLoan = z.infer<typeof pastLoan>;
/** What was done with a kit, and when. */
export const kitEvent = z.object({ id, on: z.string(), what: z.string(), by: z.string(), why: z.string() });
export type KitEvent = z.infer<typeof kitEvent>;
/** A kit's history, latest first: its loans, and its counts between them. */
export const kitHistory = z.object({
  loans: z.array(pastLoan),
  counts: z.array(kitCount),
  /** Cleaned, rested, retired, put back in use. */
  events: z.array(kitEvent),
  /** What was done with it and undone the same day. */
  undone: z.array(done),
});
export type KitHistory = z.infer<typeof kitHistory>;
/** A family's history, latest first. */
export const familyHistory = z.object({ loans: z.array(pastLoan), undone: z.array(done) });
export type FamilyHistory = z.infer<typeof familyHistory>;

/** What is done with a kit that is in the house. */
export const stateInput = z.strictObject({
  to: z.enum(['cleaned', 'retired', 'in use'], { error: 'expected cleaned, retired or in use' }),
  by: z.string({ error: 'expected a name' }).trim().max(80, 'may have at most 80 characters').default(''),
  why: z.string({ error: 'expected words' }).trim().max(200, 'may have at most 200 characters').default(''),
});
export type StateInput = z.input<typeof stateInput>;

/** Ends a repair, or counts a kit that is in, filling what is missing from stock. */
export const countInHouseInput = returnInput.extend({
  then: z
    .enum(COUNT_OUTCOMES, { error: `expected one of ${COUNT_OUTCOMES.join(', ')}` })
    .exclude(['ask back'], {
      error: 'expected shelve, fill, repair or write off',
    }),
});

/** A kit that a family has now. */
export interface HasOut {
  readonly loanId: number;
  readonly label: string;
  readonly kit: string;
  readonly lentOn: string;
  readonly dueOn: string;
  /** Days after it was due; 0 where it is not overdue. */
  readonly daysLate: number;
  /** Why it is called back; null where it is not. */
  readonly recalled: string | null;
}
/** A child of a family, as far as anything is known of it. */
export interface FamilyChild {
  readonly code: string;
  /** Months today; null where nobody told it of the child itself. */
  readonly age: number | null;
  readonly mouths: boolean;
  readonly allergies: readonly string[];
  /** Whether its hand was measured. */
  readonly isMeasured: boolean;
  readonly notes: number;
  /** When it was last watched; null where it never was. */
  readonly lastSat: string | null;
}
/** All that stands of one family today. */
export interface FamilyPage {
  readonly family: Borrower;
  readonly has: readonly HasOut[];
  readonly planned: readonly PlannedForFamily[];
  readonly kept: readonly Pick<Reservation, 'id' | 'kit' | 'madeOn' | 'ready'>[];
  readonly told: readonly (ToldAt & { readonly words: string })[];
  readonly children: readonly FamilyChild[];
}

/** A time that a paper tells of, both days included. */
export const termQuery = z
  .strictObject({
    from: day,
    to: day,
    paper: z.enum(['A4', 'Letter'], { error: 'expected A4 or Letter' }).optional(),
  })
  .refine((q) => q.from <= q.to, { path: ['to'], message: 'must not be before the term begins' })
  .refine((q) => daysBetween(q.from, q.to) <= 400, { path: ['to'], message: 'must be within 400 days' });
