import { z } from 'zod';
import { hand } from '../core/child/hand.ts';
import { version } from './common.ts';

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
  /** The version its writer has seen; left out for a child that is new here. */
  version: version.optional(),
});
export type ChildInput = z.infer<typeof childInput>;
export interface Child {
  readonly code: string;
  readonly version: number;
  readonly hand: ChildInput['hand'];
  readonly likes: string;
}
