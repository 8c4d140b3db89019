/** ISO 4217 code of a currency, as `EUR`. */
export type Currency = string;

/** How a place writes money. */
export interface MoneyStyle {
  readonly currency: Currency;
  /** BCP 47, as `en-GB`. */
  readonly locale: string;
}

const formats = new Map<string, Intl.NumberFormat>();
const formatOf = (style: MoneyStyle): Intl.NumberFormat => {
  const key = `${style.locale} ${style.currency}`;
  let format = formats.get(key);
  if (!format) {
    format = new Intl.NumberFormat(style.locale, {
      style: 'currency',
      currency: style.currency,
      currencyDisplay: 'narrowSymbol',
    });
    formats.set(key, format);
  }
  return format;
};

/** Decimal places of a currency: 2 for most, 0 for yen, 3 for dinars (ISO 4217, as `Intl` has them). */
export const placesOf = (currency: Currency): number =>
  formatOf({ currency, locale: 'en' }).resolvedOptions().maximumFractionDigits!;

/** Whether a code is one that money can be written in. */
export function isCurrency(code: string): boolean {
  return /^[A-Z]{3}$/.test(code) && Intl.supportedValuesOf('currency').includes(code);
}

/**
 * Whole minor units (cents, pence) as the place writes money: `£2.40`. Fractions are rounded for the eye only.
 *
 * @example formatMoney(240, { currency: 'GBP', locale: 'en-GB' }) // => '£2.40'
 */
export const formatMoney = (minor: number, style: MoneyStyle): string =>
  formatOf(style).format(Math.round(minor) / 10 ** placesOf(style.currency));

/** Whole minor units as a bare number, for fields and files: `2.40`, or `240` in yen. */
export const moneyNumber = (minor: number, currency: Currency): string => {
  const places = placesOf(currency);
  return (Math.round(minor) / 10 ** places).toFixed(places);
};

/**
 * Reads a price: `2.40`, `2,40`, `3`.
 *
 * @returns whole minor units of the currency
 * @throws RangeError saying what was expected
 * @example parseMoney('2,4', 'EUR') // => 240
 */
export function parseMoney(text: string, currency: Currency): number {
  const places = placesOf(currency);
  const match = /^(\d{1,7})(?:[.,](\d{1,3}))?$/.exec(text.trim());
  if (!match || (match[2] ?? '').length > places)
    throw new RangeError(
      `“${text.trim().slice(0, 40)}” is not a price; write it like ${moneyNumber(240, currency)}`,
    );
  return Number(match[1]) * 10 ** places + Number((match[2] ?? '').padEnd(places, '0') || 0);
}
