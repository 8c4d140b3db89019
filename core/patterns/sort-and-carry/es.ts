import type { en } from './en.ts';

/** Its sentences in Spanish. */
export const es: Readonly<Record<keyof typeof en, string>> = {
  printFoldCards: 'Imprima y doble {cups} tarjetas',
  cutAlongLinesFold:
    'Corte por las líneas, doble y ponga una de pie detrás de cada vaso; ninguna tarjeta tapa a otra.',
  carryEachCup: 'Lleve una pieza a cada vaso',
  goesWithoutPushBowl: '{what} entra sin empujar; el cuenco queda lo más cerca del niño.',
  doesEyeGoCard:
    '¿Mira la tarjeta antes de que la mano deje el cuenco, y sigue cerrada la herramienta por el camino?',
  twoCupsLargePieces: 'Dos vasos, piezas grandes, con los dedos; sin decir cuál.',
  moreCupsThenTongs: 'Más vasos, después pinzas de cocina.',
  moreCupsCalledOut: 'Más vasos, diciendo cuál; después dos cuencos y turnos.',
  trayNonSlipMat:
    'La bandeja sobre una base antideslizante, el cuenco al lado de la mano que trabaja. Con la izquierda: los vasos a su derecha.',
  twoCups: 'Dos vasos',
  thumbFinger: 'pinza: pulgar e índice',
  threeCups: 'Tres vasos',
  cups: '{cups} vasos',
  spoon: 'Con cuchara',
  wholeHandLevel: 'prensión palmar: toda la mano, nivelada',
  tongs: 'Con pinzas de cocina',
  wholeHandTongs: 'prensión palmar: toda la mano en las pinzas de cocina',
  tweezers: 'Con pinzas finas',
  carriesPiecesCupThey: 'Llevar piezas al vaso que les toca',
  ferryCallsWhichLanding: 'Llega el barco: ¿a qué muelle va este?',
  youFoldedTheseCards: 'Estas tarjetas las doblaste tú. ¿Dónde va este?',
  counted:
    '{cups, plural, one {{cups} vaso} other {{cups} vasos}} y {pieces, plural, one {{pieces} pieza} other {{pieces} piezas}}',
  whichHasMore: '¿Qué vaso tiene más? Clasifique otra vez por tamaño.',
  thumbAndTwoFingers: 'pinza de tres dedos: pulgar y dos dedos',
};
