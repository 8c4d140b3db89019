import { z } from 'zod';
import type { Cause } from '../core/durability/lifetimes.ts';
import { CONFIDENCES } from '../core/durability/survival.ts';

const positive = (what: string, most: number) =>
  z
    .number({ error: `expected ${what}` })
    .positive('must be more than 0')
    .max(most, `must be at most ${most.toLocaleString('en-GB')}`);
const count = (what: string, most: number) =>
  z
    .number({ error: `expected ${what}` })
    .int('expected a whole number')
    .min(0, 'must not be negative')
    .max(most, `must be at most ${most.toLocaleString('en-GB')}`);

/** Times of parts, each until it failed or until it was last seen. */
export const survivalRequest = z
  .strictObject({
    times: z
      .array(
        z
          .number({ error: 'expected a time' })
          .min(0, 'must not be negative')
          .max(1e9, 'must be at most 1,000,000,000'),
        { error: 'expected a list of times' },
      )
      .min(1, 'expected at least one time')
      .max(20_000, 'may have at most 20,000 times'),
    events: z
      .array(z.boolean({ error: 'expected true where it failed, false where it was only seen until then' }), {
        error: 'expected a list of true and false',
      })
      .max(20_000, 'may have at most 20,000')
      .optional(),
    /** In place of events, where it can fail in several ways: how, or null where it was only seen until then. */
    causes: z
      .array(
        z
          .string({ error: 'expected how it failed, or null' })
          .min(1, 'expected how it failed, or null')
          .max(40, 'may have at most 40 characters')
          .nullable(),
        { error: 'expected a list of causes' },
      )
      .max(20_000, 'may have at most 20,000')
      .optional(),
    confidence: z.enum(CONFIDENCES, { error: `expected one of ${CONFIDENCES.join(', ')}` }).default('log'),
  })
  .refine((r) => (r.events === undefined) !== (r.causes === undefined), {
    path: ['events'],
    message: 'expected either events or causes',
  })
  .refine((r) => r.events === undefined || r.events.length === r.times.length, {
    path: ['events'],
    message: 'expected as many as there are times',
  })
  .refine((r) => r.causes === undefined || r.causes.length === r.times.length, {
    path: ['causes'],
    message: 'expected as many as there are times',
  })
  .refine((r) => new Set(r.causes).size <= 11, {
    path: ['causes'],
    message: 'may have at most 10 ways to fail',
  });
export const renewalRequest = z.strictObject({
  shape: z
    .number({ error: 'expected a shape' })
    .min(0.05, 'must be at least 0.05')
    .max(100, 'must be at most 100'),
  scale: positive('a scale', 1e9),
  plannedCost: positive('a cost', 1e9),
  failureCost: positive('a cost', 1e9),
});
export const sparesRequest = z.strictObject({
  lossesSeen: count('losses', 100_000),
  loansSeen: count('loans', 1_000_000),
  prior: z.strictObject({ shape: positive('a shape', 1e5), rate: positive('a rate', 1e6) }),
  loansAhead: count('loans', 100_000),
  probability: z
    .number({ error: 'expected a probability' })
    .gt(0, 'must be more than 0')
    .lt(1, 'must be less than 1'),
});

/** How long one kind of piece lasts, as far as the counts of kits tell. */
export interface Lasting {
  readonly materialId: number;
  readonly name: string;
  readonly materialClass: string;
  /** Kits that have it, and pieces in them. */
  readonly kits: number;
  readonly inUse: number;
  /** Pieces that were lost, that wore out, and loans of one piece that were seen. */
  readonly lost: number;
  readonly worn: number;
  readonly loans: number;
  /** Loans that each piece was in use for, and how it went then; null where it is still there. */
  readonly times: readonly number[];
  readonly causes: readonly (Cause | null)[];
  /** Pieces that go a loan before anything was seen, by class: shape over rate. */
  readonly prior: {
    readonly shape: number;
    readonly rate: number;
    readonly kind: 'washed' | 'card' | 'grown';
  };
}
