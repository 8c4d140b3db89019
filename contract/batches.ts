import { z } from 'zod';
import type { CutPlan } from '../core/cut/cutPlan.ts';
import { benchDays, type BatchTask, type BenchDays } from '../core/plan/batch.ts';
import type { Progress } from '../core/plan/progress.ts';
import type { OwnTimes } from '../core/plan/ownMinutes.ts';
import { id, name, version } from './common.ts';

const copies = z
  .number({ error: 'expected a number of kits' })
  .int('expected a whole number')
  .min(1, 'must be at least 1')
  .max(100, 'must be at most 100');
export const batchItem = z
  .strictObject({ designId: id.nullable(), bundleId: id.nullable(), copies })
  .refine((i) => (i.designId === null) !== (i.bundleId === null), {
    path: ['designId'],
    message: 'expected either a design or a kit',
  });
export type BatchItem = z.infer<typeof batchItem>;

const batchShape = z.strictObject({
  name,
  items: z
    .array(batchItem, { error: 'expected a list of designs and kits' })
    .min(1, 'expected at least one design or kit')
    .max(20, 'may have at most 20 designs and kits')
    .refine(
      (list) => new Set(list.map((i) => `${i.designId} ${i.bundleId}`)).size === list.length,
      'expected each design and each kit once',
    ),
  days: benchDays,
});
/** Several designs and kits that are made together. */
export const makingInput = batchShape;
export const makingUpdate = batchShape.extend({ version });
export type MakingInput = z.infer<typeof makingInput>;

export const BATCH_STATES = ['planned', 'being made', 'done'] as const;

/** What was done at the bench: a step begun, done, or taken back. */
export const progressInput = z.strictObject({
  task: z.string({ error: 'expected a task' }).min(1, 'expected a task').max(120),
  did: z.enum(['begun', 'done', 'undone'], { error: 'expected begun, done or undone' }),
  /** When, milliseconds since 1970; a bench that was without a connection sends it late. */
  at: z.number({ error: 'expected milliseconds' }).int().min(0).max(1e14),
  /** How long it took where that was not timed, minutes; null where it was, or nobody knows. */
  minutes: z
    .number({ error: 'expected minutes' })
    .positive('must be more than 0')
    .max(1440, 'must be at most 1,440')
    .nullable()
    .optional(),
  /** Who is at the bench, where several work; one running step each. */
  maker: z
    .string({ error: 'expected a name' })
    .min(1, 'expected a name')
    .max(80, 'may have at most 80 characters')
    .nullable()
    .optional(),
});
export type ProgressInput = z.infer<typeof progressInput>;

/** What was really used beyond the plan, and what of it was spoiled. */
export const madeInput = z.strictObject({
  version,
  spoiled: z
    .array(
      z.strictObject({
        materialId: id,
        quantity: z
          .number({ error: 'expected how many were spoiled' })
          .int('expected a whole number')
          .min(1, 'must be at least 1')
          .max(1e6, 'must be at most 1,000,000'),
      }),
      { error: 'expected a list of what was spoiled' },
    )
    .max(100, 'may have at most 100 materials')
    .default([]),
});

export interface BatchRow {
  readonly id: number;
  readonly version: number;
  readonly name: string;
  readonly state: (typeof BATCH_STATES)[number];
  readonly items: readonly (BatchItem & { readonly name: string })[];
  readonly days: BenchDays;
  readonly progress: Progress;
  readonly madeOn: string | null;
  /** What was taken off the shelf, and what was left and put back; empty until it is done. */
  readonly used: readonly { readonly materialId: number; readonly name: string; readonly quantity: number }[];
  readonly left: readonly { readonly name: string; readonly count: number }[];
  readonly labels: readonly string[];
}

/** One material of a batch against the shelf; quantities in its unit. */
export interface BillLine {
  readonly materialId: number;
  readonly name: string;
  readonly unit: 'each' | 'mm';
  readonly wanted: number;
  readonly kept: number;
  /** What designs on the bench speak for besides this batch. */
  readonly held: number;
  readonly short: number;
  readonly for: readonly string[];
}

/** A batch with everything that follows from it. */
export interface BatchWork extends BatchRow {
  readonly bill: readonly BillLine[];
  readonly cutPlans: readonly CutPlan[];
  readonly tasks: readonly BatchTask[];
  /** Day that the plan's minutes count from; null where no window is given. */
  readonly zero: string | null;
  /** Minutes as this place takes them, where it has timed any: by family and step with a blank between, as in `lace punch`. */
  readonly own: OwnTimes;
  /** Tests by hand that Check wants of the first of each design, which are not on record. */
  readonly tests: readonly { readonly designId: number; readonly design: string; readonly test: string }[];
}
export interface BatchMade {
  readonly batch: BatchRow;
  readonly kits: readonly { readonly id: number; readonly label: string; readonly name: string }[];
}
