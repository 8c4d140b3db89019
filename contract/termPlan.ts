import { z } from 'zod';
import { SLIP_LANGUAGES } from '../core/lend/term/slipWords.ts';
import { SKILLS } from '../core/patterns/kernel.ts';
import { day, id, name, version } from './common.ts';

const whole = (what: string, least: number, most: number) =>
  z
    .number({ error: `expected ${what}` })
    .int('expected a whole number')
    .min(least, `must be at least ${least}`)
    .max(most, `must be at most ${most}`);

/** Families times changes of hands that are planned together: more would not come to an end in its time. */
export const MOST_PLACES = 520;
const shape = z.strictObject({
  name,
  /** The first day on which kits change hands. */
  from: day,
  weeks: whole('a number of weeks', 1, 26),
  /** A new kit every so many weeks. */
  every: whole('a number of weeks', 1, 8),
  /** Weeks that each kit stays. */
  stays: whole('a number of weeks', 1, 26),
  /** Days from coming back until it is clean. */
  cleanDays: whole('a number of days', 0, 30),
  /** Weeks in which nobody is there, 0 for the first: nothing is handed over and nothing is due. */
  closed: z
    .array(whole('a week', 0, 25), { error: 'expected a list of weeks' })
    .max(26, 'may have at most 26 weeks')
    .default([]),
  borrowers: z
    .array(id, { error: 'expected a list of families' })
    .min(1, 'expected at least one family')
    .max(60, 'may have at most 60 families')
    .refine((list) => new Set(list).size === list.length, 'expected each family once'),
});
type Shape = z.infer<typeof shape>;
const isPlannable = (p: Shape): boolean => p.borrowers.length * Math.ceil(p.weeks / p.every) <= MOST_PLACES;
const TOO_MANY = {
  path: ['borrowers'],
  message: `may have at most ${MOST_PLACES} loans in all: fewer families, fewer weeks, or kits that change hands less often`,
};
/** A term without its loans yet. */
export const termPlanInput = shape.refine(isPlannable, TOO_MANY);
export type TermPlanInput = z.infer<typeof termPlanInput>;

export const termEntry = z.strictObject({
  borrowerId: id,
  /** 0 for the first. */
  week: whole('a week', 0, 25),
  kitId: id,
  /** Set by hand: it stays when the rest is planned again. */
  kept: z.boolean({ error: 'expected true or false' }),
  /** Given on purpose though the family had it before. */
  again: z.boolean({ error: 'expected true or false' }).optional(),
});
/** A term as it was changed by hand. */
export const termPlanUpdate = shape
  .extend({
    version,
    entries: z
      .array(termEntry, { error: 'expected a list of loans' })
      .max(MOST_PLACES, `may have at most ${MOST_PLACES} loans`)
      .refine(
        (list) => new Set(list.map((e) => `${e.borrowerId} ${e.week}`)).size === list.length,
        'expected one kit a family and week',
      ),
  })
  .refine(isPlannable, TOO_MANY);
export type TermPlanUpdate = z.infer<typeof termPlanUpdate>;
export const planAgain = z.strictObject({ version });
export const choiceQuery = z.strictObject({
  borrower: z.coerce
    .number({ error: 'expected a family' })
    .int('expected a family')
    .positive('expected a family'),
  week: z.coerce
    .number({ error: 'expected a week' })
    .int('expected a whole number')
    .min(0, 'must not be negative')
    .max(25, 'must be at most 25'),
});
export const slipQuery = z.strictObject({
  paper: z.enum(['A4', 'Letter'], { error: 'expected A4 or Letter' }).optional(),
  language: z.enum(SLIP_LANGUAGES, { error: `expected one of ${SLIP_LANGUAGES.join(', ')}` }).optional(),
  /** Loans alone that are named, as family-week with commas between; all of them where it is left out. */
  places: z
    .string({ error: 'expected text' })
    .max(8000, 'may have at most 8,000 characters')
    .regex(/^\d+-\d+(,\d+-\d+)*$/, 'expected family-week with commas between, as 3-0,4-2')
    .optional(),
});

/** A term in the list of terms. */
export interface TermPlanName {
  readonly id: number;
  readonly name: string;
  readonly from: string;
  readonly weeks: number;
  readonly families: number;
  readonly loans: number;
}
/** A planned loan, as it is looked at today. */
export interface PlannedLoan {
  readonly borrowerId: number;
  readonly week: number;
  readonly day: string;
  readonly due: string;
  readonly kitId: number;
  readonly label: string;
  readonly kit: string;
  readonly kept: boolean;
  readonly again: boolean;
  readonly reason: string;
  readonly isAim: boolean;
  /** Whether the family waits for it. */
  readonly isReserved: boolean;
  /** Lent as planned; not lent, and its day is over; or to come. */
  readonly state: 'planned' | 'lent' | 'missed';
  /** What stands against it; empty where nothing does. */
  readonly faults: readonly string[];
  /** Another kit that nothing stands against then; null where there is none, or nothing to mend. */
  readonly mend: { readonly kitId: number; readonly label: string; readonly kit: string } | null;
  /** What to know before it, without being against it: what the family still has by then. */
  readonly notes: readonly string[];
}
/** What a family really had from a week that is past on. */
export interface ReallyHad {
  readonly week: number;
  readonly label: string;
  readonly kit: string;
  readonly lentOn: string;
  /** Null while it is out. */
  readonly returnedOn: string | null;
}
/** A loan that is another than before a plan was changed; null for none. */
export interface TermChanged {
  readonly borrowerId: number;
  readonly family: string;
  readonly week: number;
  readonly day: string;
  readonly before: { readonly label: string; readonly kit: string } | null;
  readonly after: { readonly label: string; readonly kit: string } | null;
}
/** A plan that was worked out anew, with what changed. */
export interface TermReplanned {
  readonly page: TermPlanPage;
  readonly changed: readonly TermChanged[];
}
export interface TermMended extends TermReplanned {
  /** Whether it is proved that no plan without a fault differs in fewer loans. */
  readonly isLeast: boolean;
}
/** Something that a family, or a room, has now. */
export interface HasNow {
  readonly label: string;
  readonly kit: string;
  readonly dueOn: string;
  /** Why it bores those who use it; null where nothing says so. */
  readonly dull: string | null;
}
export interface PlannedFamily {
  readonly id: number;
  readonly name: string;
  readonly group: string;
  readonly aim: (typeof SKILLS)[number] | null;
  /** What the youngest at home is taken for, months: as it was told, else the youngest of its group; null where neither is known. */
  readonly youngest: number | null;
  readonly isYoungestTold: boolean;
  readonly children: readonly string[];
  readonly loans: readonly PlannedLoan[];
  readonly now: readonly HasNow[];
  readonly had: readonly ReallyHad[];
}
/** A loan that a plan has for one family, as its data tell it. */
export interface PlannedForFamily {
  readonly plan: string;
  readonly day: string;
  readonly due: string;
  readonly label: string;
  readonly kit: string;
}
/** A term with its loans, looked over. */
export interface TermPlanPage extends Omit<Shape, 'borrowers'> {
  readonly id: number;
  readonly version: number;
  readonly starts: readonly { readonly week: number; readonly day: string }[];
  readonly families: readonly PlannedFamily[];
  readonly points: number;
}
/** How good a plan could be. */
export interface TermBest {
  readonly points: number;
  /** No plan has more. */
  readonly bound: number;
  readonly isProved: boolean;
  readonly loans: number;
}
/** A kit that may stand at a place of the plan. */
export interface TermChoice {
  readonly kitId: number;
  readonly label: string;
  readonly kit: string;
  readonly reason: string;
  readonly points: number;
  readonly faults: readonly string[];
  /** Whether nothing stands against it but that the family had it before: it can be given again on purpose. */
  readonly isAgain: boolean;
}
/** A loan that a plan has for these days and that was not made yet. */
export interface PlannedNow {
  readonly plan: string;
  readonly borrowerId: number;
  readonly borrower: string;
  readonly kitId: number;
  readonly label: string;
  readonly kit: string;
  readonly day: string;
  readonly due: string;
}
