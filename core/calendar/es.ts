import type { en } from './en.ts';

/** Ages in Spanish. */
export const es: Readonly<Record<keyof typeof en, string>> = {
  months: 'de {from} a {to} meses',
  years: 'de {from} a {to} años',
};
