import { shortDay, type Day } from '../../calendar/days.ts';

/** What a slip in a bag says, by language. */
const SLIP_WORDS = {
  en: 'From {from}. Please bring it back on {due}, with all its parts.',
  es: 'Desde el {from}. Por favor, tráiganlo de vuelta el {due}, con todas sus piezas.',
} as const;
export type SlipLanguage = keyof typeof SLIP_WORDS;
export const SLIP_LANGUAGES = Object.keys(SLIP_WORDS) as SlipLanguage[];

/** Those languages of a place that slips have words in; English where there is none. */
export const slipLanguages = (languages: readonly string[]): SlipLanguage[] => {
  const own = SLIP_LANGUAGES.filter((l) => languages.includes(l));
  own.sort((a, b) => languages.indexOf(a) - languages.indexOf(b));
  return own.length > 0 ? own : ['en'];
};

/**
 * The line of a slip.
 *
 * @param locale how the place writes days (BCP 47), where it writes that language
 */
export function slipLine(
  loan: { readonly day: Day; readonly due: Day },
  language: SlipLanguage,
  locale: string,
): string {
  const day = (d: Day): string => shortDay(d, locale.startsWith(language) ? locale : language);
  return SLIP_WORDS[language].replace('{from}', day(loan.day)).replace('{due}', day(loan.due));
}

/** What a slip says of a loan against a stop of the check, by language; who decided it and why are their own words. */
const AGAINST = {
  en: 'The check says stop for somebody at home. Lent all the same by {by}: {why}',
  es: 'La revisión dice «no» para alguien de la casa. Prestado de todos modos por {by}: {why}',
} as const satisfies Record<SlipLanguage, string>;

/** The line of a slip about a loan that the check had stopped. */
export const againstLine = (
  o: { readonly by: string; readonly why: string },
  language: SlipLanguage,
): string => AGAINST[language].replace('{by}', () => o.by).replace('{why}', () => o.why);
