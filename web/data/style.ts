import { shortDay as dayIn, type Day } from '../../core/calendar/days.ts';
import { formatMoney, moneyNumber, parseMoney, type MoneyStyle } from '../../core/measure/money.ts';
import { text } from './text.ts';

/** How this place writes money and days; euros as in Britain until the place is known. */
let style: MoneyStyle = { currency: 'EUR', locale: 'en-GB' };

/** Taken from the place whenever it is read, before anything that shows it is drawn. */
export const setPlaceStyle = ({ currency, locale }: Partial<MoneyStyle>): void => {
  style = { currency: currency ?? style.currency, locale: locale ?? style.locale };
};
export const placeStyle = (): MoneyStyle => style;

/** Whole minor units as the place writes money. */
export const money = (minor: number): string => formatMoney(minor, style);
/** A rate for one, or for a metre of what is measured by length. */
export const rateWords = (minor: number, unit: 'each' | 'mm' | undefined): string =>
  unit === 'mm' ? text('metre', { minor: money(minor * 1000) }) : money(minor);
/** For a field: a bare number, and back. */
export const printMoney = (minor: number): string => moneyNumber(minor, style.currency);
export const readMoney = (text: string): number => parseMoney(text, style.currency);

/** `1 Dec` or `Dec 1`, in the place's order. */
export const shortDay = (day: Day): string => dayIn(day, style.locale);

/** A language by its English name, by its code. */
export const languageName = (code: string): string =>
  new Intl.DisplayNames('en', { type: 'language' }).of(code) ?? code;
