import { z } from 'zod';
import { LANGUAGES } from '../core/lend/sheetWords.ts';
import {
  MESSAGE_MARKS,
  MESSAGE_PARTS,
  strayMark,
  type MessagePart,
  type MessageTemplate,
  type OwnMessages,
  type ToTell,
} from '../core/lend/telling.ts';
import { id, version } from './common.ts';

export const tellingLanguage = z.enum(LANGUAGES, { error: `expected one of ${LANGUAGES.join(', ')}` });

/** How a family was told. */
export const TOLD_BY = ['printed', 'copied', 'mailed', 'said'] as const;
export const tellingInput = z.strictObject({
  borrowerId: id,
  by: z.enum(TOLD_BY, { error: `expected one of ${TOLD_BY.join(', ')}` }),
  language: tellingLanguage.optional(),
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
  readonly language: string;
  readonly subject: string;
  readonly words: string;
  /** Where it is mailed to; null where no address is known. */
  readonly mail: string | null;
  /** When it was told just this; null where it was not yet. */
  readonly told: ToldAt | null;
}

const part = (of: MessagePart) =>
  z
    .string({ error: 'expected words' })
    .max(1000, 'may have at most 1,000 characters')
    .superRefine((words, context) => {
      const stray = strayMark(of, words);
      if (stray !== null)
        context.addIssue({
          code: 'custom',
          message: `does not know {${stray}}; expected ${MESSAGE_MARKS[of].map((m) => `{${m}}`).join(', ')}`,
        });
    })
    .optional();
const template = z.strictObject(
  Object.fromEntries(MESSAGE_PARTS.map((p) => [p, part(p)])) as Record<MessagePart, ReturnType<typeof part>>,
);
/** A place's own words to families, by language; an empty part is said as shipped. With the place's version. */
export const ownMessages = z.strictObject({
  version,
  own: z.partialRecord(tellingLanguage, template),
});

/** Words that messages to families are put together from. */
export interface MessageWords {
  readonly version: number;
  readonly shipped: Readonly<Record<string, MessageTemplate>>;
  readonly own: OwnMessages;
}

/** Messages to be mailed, to families whose address is known. */
export const outboxInput = z.strictObject({
  borrowerIds: z
    .array(id, { error: 'expected a list of families' })
    .min(1, 'expected at least one family')
    .max(200, 'may have at most 200 families')
    .refine((list) => new Set(list).size === list.length, 'expected each family once'),
  language: tellingLanguage.optional(),
});
/** A mail in the outbox: it waits until the mail server has taken it. */
export interface OutboxMail {
  readonly id: number;
  readonly borrowerId: number;
  readonly borrower: string;
  readonly to: string;
  readonly subject: string;
  readonly state: 'waiting' | 'sent';
  readonly madeOn: string;
  readonly sentOn: string | null;
  readonly tries: number;
  /** Why it was not taken at the last try. */
  readonly problem: string | null;
}
export interface Outbox {
  /** Nothing leaves this machine. */
  readonly isSimulated: boolean;
  readonly from: string;
  /** The latest first. */
  readonly mails: readonly OutboxMail[];
}
