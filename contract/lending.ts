import { z } from 'zod';
import { day, id, name } from './common.ts';

export const borrowerInput = z.strictObject({ name, group: name });
export const borrower = borrowerInput.extend({ id });
export type Borrower = z.infer<typeof borrower>;

const count = z
  .number({ error: 'expected a count' })
  .int('expected a whole number')
  .min(0, 'must not be negative')
  .max(10_000, 'must be at most 10,000');
export const part = z.object({ materialId: id.nullable(), name: z.string(), due: count, present: count });

export const openLoan = z.object({
  id,
  borrowerId: id,
  borrower: z.string(),
  lentOn: z.string(),
  dueOn: z.string(),
});
/** One labelled kit in the world, as it stands now. */
export const copy = z.object({
  id,
  label: z.string(),
  designId: id,
  design: z.string(),
  skill: z.string(),
  repair: z.boolean(),
  parts: z.array(part),
  openLoan: openLoan.nullable(),
  lastCounted: z.string().nullable(),
});
export type Copy = z.infer<typeof copy>;

export const loanInput = z.strictObject({ copyId: id, borrowerId: id, dueOn: day });
export const loan = z.object({
  id,
  copyId: id,
  borrowerId: id,
  lentOn: z.string(),
  dueOn: z.string(),
  returnedOn: z.string().nullable(),
});
export type Loan = z.infer<typeof loan>;

/** What came back: a count for every part, in the copy's order, and what to do about what is missing. */
export const returnInput = z.strictObject({
  present: z.array(count, { error: 'expected a count for every part' }).max(40),
  /** shelve: lend on as it is; fill: take what is missing from the shelf's stock; repair: put it aside. */
  then: z.enum(['shelve', 'fill', 'repair'], { error: 'expected shelve, fill or repair' }),
});
export type ReturnInput = z.infer<typeof returnInput>;
/** Ends a repair, or counts a kit that is in, filling what is missing from stock. */
export const mendInput = z.strictObject({
  present: z.array(count).max(40),
  then: z.enum(['shelve', 'fill', 'repair']),
});

export const HELP = ['none', 'shown once', 'told', 'hand on hand'] as const;
export const noteInput = z.strictObject({
  designId: id,
  child: z
    .string({ error: 'is missing; expected a code name' })
    .trim()
    .min(1, 'expected a code name')
    .max(40, 'may have at most 40 characters'),
  /** The rung's name and bits as they stood, so that a later change of the design does not rewrite the note. */
  rung: z.string({ error: 'expected a rung' }).trim().min(1, 'expected a rung').max(60),
  bits: z.number({ error: 'expected bits' }).min(0).max(100),
  seconds: z
    .number({ error: 'expected seconds' })
    .positive('must be more than 0')
    .max(86_400, 'must be at most a day'),
  pieces: z
    .number({ error: 'expected how many pieces' })
    .int('expected a whole number')
    .min(0, 'must not be negative')
    .max(10_000),
  help: z.enum(HELP, { error: `expected one of ${HELP.join(', ')}` }),
  words: z.string().trim().max(400, 'may have at most 400 characters'),
  satOn: day,
});
export const note = noteInput.extend({ id, design: z.string() });
export type NoteInput = z.infer<typeof noteInput>;
export type Note = z.infer<typeof note>;
