/** Money by country, where it is not the euro. */
const MONEY: Readonly<Record<string, string>> = {
  GB: 'GBP',
  US: 'USD',
  CA: 'CAD',
  AU: 'AUD',
  NZ: 'NZD',
  ZA: 'ZAR',
  PL: 'PLN',
  SE: 'SEK',
};

export interface PlaceGuess {
  readonly lengthUnit: 'mm' | 'in';
  readonly paper: 'A4' | 'Letter';
  /** ISO 4217. */
  readonly currency: string;
  /** BCP 47, one of those given. */
  readonly locale: string;
}

/**
 * How a place most likely writes and prints, from the language that a browser asks for: a first guess to correct.
 *
 * @param asked BCP 47, as `en-US`
 * @param locales those that can be chosen, the first for any other
 * @example guessPlace('en-US', ['en-GB', 'en-US']).paper // => 'Letter'
 */
export function guessPlace(asked: string, locales: readonly string[]): PlaceGuess {
  const [language = '', region = ''] = asked.split('-');
  const locale =
    locales.find((l) => l === asked) ?? locales.find((l) => l.split('-')[0] === language) ?? locales[0]!;
  const country = region.toUpperCase() || (locale.split('-')[1] ?? '');
  // Letter is printed on in Canada too, where lengths are metric.
  return {
    lengthUnit: country === 'US' ? 'in' : 'mm',
    paper: country === 'US' || country === 'CA' ? 'Letter' : 'A4',
    currency: MONEY[country] ?? 'EUR',
    locale,
  };
}
