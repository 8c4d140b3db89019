import { shortDay as dayIn, type Day } from '../../core/calendar/days.ts';
import { amountBefore, amountOf } from '../../core/measure/amount.ts';
import type { LengthUnit } from '../../core/measure/length.ts';
import { formatMoney, moneyNumber, parseMoney, type MoneyStyle } from '../../core/measure/money.ts';
import { text } from './text.ts';

/** How this place writes money and days; euros as in Britain until the place is known. */
let style: MoneyStyle = { currency: 'EUR', locale: 'en-GB' };

let lengthUnit: LengthUnit = 'mm';

/** Taken from the place whenever it is read, before anything that shows it is drawn. */
export const setPlaceStyle = (place: Partial<MoneyStyle> & { lengthUnit?: LengthUnit }): void => {
  style = { currency: place.currency ?? style.currency, locale: place.locale ?? style.locale };
  lengthUnit = place.lengthUnit ?? lengthUnit;
};
/** How this place writes lengths. */
export const placeUnit = (): LengthUnit => lengthUnit;
/** So much of a material, as this place says it: `7`, `432 mm`, `3.21 m`. */
export const amountWords = (quantity: number, unit: 'each' | 'mm'): string =>
  amountOf(quantity, unit, lengthUnit);
/** The same before its name: `7 ×`, `3.21 m of`. */
export const amountOfIt = (quantity: number, unit: 'each' | 'mm'): string =>
  amountBefore(quantity, unit, lengthUnit);
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
