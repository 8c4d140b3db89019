import { IntlMessageFormat } from 'intl-messageformat';

/** Languages that sentences are written in. */
export const LANGUAGES = ['en', 'es'] as const;
export type Language = (typeof LANGUAGES)[number];

/** The language, where its sentences are written; null for another one. */
export const languageOf = (code: string): Language | null => LANGUAGES.find((l) => l === code) ?? null;

/** What a sentence is said for: in English where no language is told. */
export interface Told<L extends string = Language> {
  readonly language?: L | undefined;
}
type Values = Readonly<Record<string, string | number>>;

/**
 * Sentences of a part of the application in every language: one message (ICU MessageFormat, as `intl-messageformat`
 * reads it) for each key. A language that lacks a key does not compile.
 *
 * @returns what says a sentence, by its key with what goes into it; it throws an Error that names the value where one is
 * missing
 */
export function messages<K extends string, L extends string = Language>(
  all: Readonly<Record<L | 'en', Readonly<Record<K, string>>>>,
): (to: Told<L | 'en'>, key: K, values?: Values) => string {
  const read = new Map<string, IntlMessageFormat>();
  return ({ language = 'en' }, key, values) => {
    const message = all[language][key];
    // Most have nothing to fill in, and are asked for at each turn of a dial.
    if (!message.includes('{')) return message;
    const id = `${language} ${key}`;
    let format = read.get(id);
    if (!format)
      read.set(id, (format = new IntlMessageFormat(message, language, undefined, { ignoreTag: true })));
    return format.format(values) as string;
  };
}
