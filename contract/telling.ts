import { z } from 'zod';
import { TELLING_LANGUAGES, type TellingLanguage, type ToTell } from '../core/lend/telling.ts';
import { id } from './common.ts';

/** How a family was told. */
export const TOLD_BY = ['printed', 'copied', 'mailed', 'said'] as const;
export const tellingInput = z.strictObject({
  borrowerId: id,
  by: z.enum(TOLD_BY, { error: `expected one of ${TOLD_BY.join(', ')}` }),
  language: z
    .enum(TELLING_LANGUAGES, { error: `expected one of ${TELLING_LANGUAGES.join(', ')}` })
    .optional(),
});

export interface ToldAt {
  readonly on: string;
  readonly by: (typeof TOLD_BY)[number];
}
/** What stands to be told to one family today. */
export interface Telling {
  readonly borrowerId: number;
  readonly borrower: string;
  readonly items: readonly ToTell[];
  readonly language: TellingLanguage;
  readonly subject: string;
  readonly words: string;
  /** When it was told just this; null where it was not yet. */
  readonly told: ToldAt | null;
}
