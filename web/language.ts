import { messages } from '../core/languages/messages.ts';

/** Languages that the interface is written in: for another one, a file of its name beside each `en.ts`. */
const INTERFACE_LANGUAGES = ['en'] as const;
type InterfaceLanguage = (typeof INTERFACE_LANGUAGES)[number];

/** What the screens are shown in: the first of the browser's languages that they are written in, else English. */
const language: InterfaceLanguage =
  INTERFACE_LANGUAGES.find((l) => navigator.languages.some((n) => n.split('-')[0] === l)) ?? 'en';

/**
 * What stands on the screens of a part of the interface, in every language that it is written in.
 *
 * @returns what says a sentence by its key, with what goes into it
 */
export function interfaceWords<K extends string>(
  all: Readonly<Record<InterfaceLanguage, Readonly<Record<K, string>>>>,
): (key: K, values?: Readonly<Record<string, string | number>>) => string {
  const say = messages<K, InterfaceLanguage>(all);
  return (key, values) => say({ language }, key, values);
}
