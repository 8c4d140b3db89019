import { z } from 'zod';
import { LIST_FIELDS } from '../core/gather/list/columns.ts';
import { materialInput } from '../core/materials/materialInput.ts';
import { day, name } from './common.ts';
import { fromCode } from './lots.ts';

/** Rows that may come in at once. */
export const MOST_LISTED = 2000;

/** Somebody's own list of what they have, as it was understood. */
export const listInput = z.strictObject({
  /** The file's name. */
  name,
  kinds: z
    .array(
      z.strictObject({
        material: materialInput,
        quantity: z
          .number({ error: 'expected a count as a whole number' })
          .int('expected a whole number')
          .min(0, 'must not be negative')
          .max(10_000_000, 'must be at most 10,000,000'),
        cameOn: day,
        from: fromCode,
      }),
      { error: 'expected a list of kinds' },
    )
    .min(1, 'expected at least one row')
    .max(MOST_LISTED, `may have at most ${MOST_LISTED.toLocaleString('en')} rows`),
  /** What each heading meant, to be remembered for the next list; headings as `headingWords` writes them. */
  columns: z
    .record(z.string().max(60), z.enum(LIST_FIELDS, { error: `expected one of ${LIST_FIELDS.join(', ')}` }))
    .refine((c) => Object.keys(c).length <= 200, 'may have at most 200 columns')
    .default({}),
});
export type ListInput = z.input<typeof listInput>;
/** What taking a list in would do: new kinds, rows that add to kinds that are there, and when the same list came in before. */
export interface ListLook {
  readonly added: number;
  readonly more: number;
  readonly taken: { readonly name: string; readonly on: string } | null;
}
/** Kinds that are new, and rows that added to kinds that were there. */
export const listDone = z.object({ added: z.number().int(), more: z.number().int() });
export type ListDone = z.infer<typeof listDone>;
/** What headings meant in lists before. */
export const listColumns = z.record(z.string(), z.string());
