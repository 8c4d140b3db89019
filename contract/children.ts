import { z } from 'zod';
import { hand } from '../core/child/hand.ts';
import { ALLERGIES, type Allergy } from '../core/lend/allergies.ts';
import { monthOfBirth, months, version } from './common.ts';

/** How the code of nobody begins: of a child whose own was erased. */
export const ERASED = 'erased-';

/** A made-up code, never a name. */
export const childCode = z
  .string({ error: 'is missing; expected a code name' })
  .trim()
  .min(1, 'expected a code name')
  .max(40, 'may have at most 40 characters')
  .refine((code) => !code.startsWith(ERASED), `must not begin with ${ERASED}`);

/** A child's hand as measured, and what the child likes. */
export const childInput = z.strictObject({
  hand,
  likes: z.string({ error: 'expected words' }).trim().max(200, 'may have at most 200 characters'),
  /** Age today, months; it grows from then on. null where it is not known. */
  age: months.nullable().optional(),
  /** Or the month of birth, which counts before an age. */
  born: monthOfBirth.nullable().optional(),
  /** Still puts things in the mouth. */
  mouths: z.boolean({ error: 'expected true or false' }).optional(),
  allergies: z
    .array(z.enum(ALLERGIES, { error: `expected one of ${ALLERGIES.join(', ')}` }), {
      error: 'expected a list of allergies',
    })
    .max(ALLERGIES.length, `may have at most ${ALLERGIES.length} allergies`)
    .optional(),
  /** The version its writer has seen; left out for a child that is new here. */
  version: version.optional(),
});
export type ChildInput = z.infer<typeof childInput>;
export interface Child {
  readonly code: string;
  readonly version: number;
  readonly hand: ChildInput['hand'];
  readonly likes: string;
  /** Months today; null where it is not known. */
  readonly age: number | null;
  readonly born: string | null;
  readonly mouths: boolean;
  readonly allergies: readonly Allergy[];
}
