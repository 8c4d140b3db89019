import { z } from 'zod';
import { APPROACHES, SKILLS, type Need } from '../core/patterns/kernel.ts';
import { childCode } from './children.ts';
import { id, name, version } from './common.ts';

const months = z
  .number({ error: 'expected an age in months' })
  .int('expected whole months')
  .min(0, 'must not be negative')
  .max(216, 'must be at most 216 months');

export const designShape = z.strictObject({
  name,
  /** Whether somebody named it; false where its name follows what it is: the server says it then. Left out it is named. */
  ownName: z.boolean({ error: 'expected true or false' }).optional(),
  pattern: z.string({ error: 'expected a pattern' }).max(40, 'expected the name of a pattern'),
  /** Whom it is for, in the place's own word for a group. */
  forGroup: name,
  ageFrom: months,
  ageTo: months,
  skill: z.enum(SKILLS, { error: `expected one of ${SKILLS.join(', ')}` }),
  copies: z
    .number({ error: 'expected a number of kits' })
    .int('expected a whole number')
    .min(1, 'must be at least 1')
    .max(200, 'must be at most 200'),
  /** Kits made of this batch so far: only the rest is wanted, reserved and priced. A figure, no wish: a build moves it. */
  made: z
    .number({ error: 'expected a number of kits' })
    .int('expected a whole number')
    .min(0, 'must not be negative')
    .max(100_000, 'must be at most 100,000')
    .optional(),
  /** The pattern's dials; the pattern checks them. */
  dials: z.record(z.string(), z.unknown(), { error: 'expected the dials' }),
  /** School of practice it follows; a place has one to begin with. */
  approach: z.enum(APPROACHES, { error: `expected one of ${APPROACHES.join(', ')}` }),
  /** Materials by role, several kinds where the role takes several. */
  materials: z.record(
    z.string().max(40),
    z.array(id, { error: 'expected a list of materials' }).max(12, 'may have at most 12 kinds'),
    { error: 'expected materials by role' },
  ),
  /** Whether its next batch is being made, and so speaks for stock. */
  onBench: z.boolean({ error: 'expected true or false' }).optional(),
  /** Somebody who will use it still puts things in the mouth: it is checked as under three. */
  mouths: z.boolean({ error: 'expected true or false' }).optional(),
  /** Code of the child it is fitted to; left out or null for a design that is for a group. */
  child: childCode.nullable().optional(),
});
export const agesInOrder = (d: { ageFrom: number; ageTo: number }): boolean => d.ageFrom < d.ageTo;
export const agesError = { path: ['ageTo'], message: 'must be more than ageFrom' };

export const designInput = designShape.refine(agesInOrder, agesError);
export const designUpdate = designShape.extend({ version }).refine(agesInOrder, agesError);
export const design = designShape.extend({ id, version, made: z.number().int() });
export type DesignInput = z.infer<typeof designInput>;
export type Design = z.infer<typeof design>;

/** What one kit of a design needs; `problem` says why it cannot be read. */
export interface DesignNeeds {
  readonly id: number;
  readonly needs: Need[];
  readonly problem: string | null;
}

/** The next batch of a design: so many kits, none of them made yet. */
export const batchInput = z.strictObject({
  version,
  copies: z
    .number({ error: 'expected a number of kits' })
    .int('expected a whole number')
    .min(1, 'must be at least 1')
    .max(200, 'must be at most 200'),
});

/** Done: so many kits of this version of a design are made. */
export const buildInput = z.strictObject({
  designId: id,
  version,
  copies: z
    .number({ error: 'expected a number of kits' })
    .int('expected a whole number')
    .min(1, 'must be at least 1')
    .max(100, 'must be at most 100'),
});
export const build = z.object({
  id,
  designId: id,
  kits: z.array(z.object({ id, label: z.string() })),
  /** What was left of stock lengths and went back on the shelf. */
  offcuts: z.array(z.object({ name: z.string(), count: z.number().int() })),
});
export type Build = z.infer<typeof build>;
