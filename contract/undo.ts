import { z } from 'zod';

/** Something that was done today and can be taken back, or was. */
export const done = z.object({
  id: z.number().int(),
  /** When, ISO 8601. */
  at: z.string(),
  /** Who did it; empty where nobody was signed in. */
  who: z.string(),
  /** What was done, as “lent a kit”. */
  did: z.string(),
  /** With what and for whom: labels, code names, names. */
  about: z.string(),
  /** Who took it back, when and why; null where it stands. */
  undone: z.object({ at: z.string(), by: z.string(), why: z.string() }).nullable(),
});
export type Done = z.infer<typeof done>;

export const undoInput = z.strictObject({
  why: z
    .string({ error: 'expected why it is undone' })
    .trim()
    .min(3, 'expected why it is undone, at least 3 characters')
    .max(200, 'may have at most 200 characters'),
  /** Who does it, where nobody has to sign in. */
  by: z.string({ error: 'expected a name' }).trim().max(80, 'may have at most 80 characters').default(''),
});
export type UndoInput = z.input<typeof undoInput>;

/** The header that names what an answer can be taken back by. */
export const UNDO_HEADER = 'x-undo';
