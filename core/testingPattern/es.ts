import type { en } from './en.ts';

/** Its sentences in Spanish. */
export const es: Readonly<Record<keyof typeof en, string>> = {
  does: 'Poner tapas en aros',
  ringCard: 'Tarjeta de aros',
  drawTheRings: 'Dibuje los aros',
  roundACup: 'Alrededor de un vaso, con un rotulador grueso.',
  counted: '{lids, plural, one {{lids} tapa} other {{lids} tapas}}',
  over: '{loose} de más',
  grip: 'pulgar e índice',
  whichLid: '¿Qué tapa va aquí?',
  youDrew: 'Estos aros los dibujaste tú.',
  lookFor: '¿Cae la tapa en su sitio sin empujarla?',
  easier: 'Aros más anchos.',
  harder: 'Aros más estrechos.',
  more: 'Cuéntelas.',
  oneHand: 'La tarjeta pegada con cinta, los aros del lado de la mano que trabaja.',
};
