import type { en } from './en.ts';

/** Ages in Spanish. */
export const es: Readonly<Record<keyof typeof en, string>> = {
  months: 'de {from} a {to} meses',
  monthsAge: '{age} meses',
  yearsAge: '{age, plural, one {{age} año} other {{age} años}}',
  years: 'de {from} a {to} años',
};
