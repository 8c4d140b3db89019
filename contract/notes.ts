import { z } from 'zod';
import { HELP, LIKED } from '../core/watch/outcomes.ts';
import { day, id, version } from './common.ts';

export const notesSummary = z.object({ notes: z.number().int(), children: z.number().int() });
export type NotesSummary = z.infer<typeof notesSummary>;

/** A level as it was done: what a note says of each. */
const ofLevel = {
  /** The level's name and bits as they stood, so that a later change of the design does not rewrite the note. */
  level: z.string({ error: 'expected a level' }).trim().min(1, 'expected a level').max(60),
  bits: z.number({ error: 'expected bits' }).min(0).max(100),
  /** How long it took; null where nobody looked at a clock. */
  seconds: z
    .number({ error: 'expected seconds' })
    .positive('must be more than 0')
    .max(86_400, 'must be at most a day')
    .nullable(),
  /** How many, in the family's own word (`of`); null where nothing was counted. */
  count: z
    .number({ error: 'expected how many' })
    .int('expected a whole number')
    .min(0, 'must not be negative')
    .max(10_000, 'must be at most 10,000')
    .nullable(),
};
export const noteInput = z.strictObject({
  designId: id,
  child: z
    .string({ error: 'is missing; expected a code name' })
    .trim()
    .min(1, 'expected a code name')
    .max(40, 'may have at most 40 characters'),
  ...ofLevel,
  of: z
    .string({ error: 'expected what was counted' })
    .trim()
    .min(1, 'expected what was counted')
    .max(20, 'may have at most 20 characters'),
  help: z.enum(HELP, { error: `expected one of ${HELP.join(', ')}` }),
  /** Tries in the sitting; `seconds` and `count` are of all of them. */
  tries: z
    .number({ error: 'expected how often it was tried' })
    .int('expected a whole number')
    .min(1, 'must be at least 1')
    .max(50, 'must be at most 50')
    .default(1),
  /** How many of them were managed; null for all. */
  managed: z
    .number({ error: 'expected how often it was managed' })
    .int('expected a whole number')
    .min(0, 'must not be negative')
    .max(50, 'must be at most 50')
    .nullable()
    .default(null),
  liked: z
    .enum(LIKED, { error: `expected one of ${LIKED.join(', ')}, or null` })
    .nullable()
    .default(null),
  words: z.string().trim().max(400, 'may have at most 400 characters'),
  satOn: day,
  /** Levels done in the same sitting before this one, in order. */
  before: z
    .array(z.strictObject(ofLevel), { error: 'expected a list of levels' })
    .max(11, 'may have at most 11 levels')
    .default([]),
});
export const noteUpdate = noteInput.extend({ version });
export type NoteUpdate = z.infer<typeof noteUpdate>;
export const note = noteInput.extend({ id, version, design: z.string(), managed: z.number().int() });
export type LevelDone = z.infer<typeof noteInput>['before'][number];
export type NoteInput = z.infer<typeof noteInput>;
/** As it is sent: what has a usual value may be left out. */
export type NoteSent = z.input<typeof noteInput>;
export type Note = z.infer<typeof note>;
