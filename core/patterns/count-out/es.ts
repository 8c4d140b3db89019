import type { en } from './en.ts';

/** Its sentences in Spanish. */
export const es: Readonly<Record<keyof typeof en, string>> = {
  card: 'Tarjeta',
  printOrWriteCards: 'Imprima o escriba {n} tarjetas',
  printSheetsCardOr: 'Imprima las hojas en cartulina, o escriba los números grandes con un rotulador grueso.',
  cutOutCards: 'Recorte {n} tarjetas',
  scissorsAlongLinesRound: 'Tijeras por las líneas; redondee un poco las esquinas.',
  tapeSticksWrite: 'Cubra con cinta {n} palitos para escribir en ellos',
  clearTapeAllRound:
    'Cinta transparente alrededor de cada palito: el rotulador de pizarra se borra con un dedo.',
  layOutOnce: 'Colóquelo todo una vez',
  everySpotHasToken: 'Cada punto tiene su ficha, y no sobra ninguna.',
  everySpotHasToken2: 'Cada punto tiene su ficha.',
  tokenTouchedEachWord: '¿Toca una ficha por cada palabra, y la coloca la mano sin mover las demás?',
  spotsLayUpCard: 'Puntos donde colocar, hasta 3, una tarjeta cada vez.',
  allCardsOnceAny: 'Todas las tarjetas a la vez, en cualquier orden; después sumar dos.',
  numeralsAloneThenAll: 'Solo los números; después todas las tarjetas a la vez.',
  cardsTapedDownOr:
    'Las tarjetas pegadas con cinta o en un soporte, las fichas en un cuenco bajo sobre una base antideslizante. Con la izquierda: el cuenco a la izquierda.',
  thumbFingerTime: 'pinza: pulgar e índice, de una en una',
  spots: 'Hasta 3, sobre puntos',
  spots2: 'Hasta {to}, sobre puntos',
  numeralsAlone: 'Solo los números',
  allOnce: 'Todas a la vez',
  allSpots: 'Todas, sobre puntos',
  countsTokensOutOnto: 'Contar fichas sobre tarjetas',
  throwHowManyFish: 'Tira el dado: ¿cuántos peces trae el barco?',
  youWroteTheseNumbers: 'Estos números los escribiste tú. ¿Cuántas van en este?',
  counted:
    '{cards, plural, one {{cards} tarjeta} other {{cards} tarjetas}}, {tokens, plural, one {{tokens} ficha} other {{tokens} fichas}}{sticks, plural, =0 {} one { y {sticks} palito} other { y {sticks} palitos}}',
  eachCard: 'cada tarjeta',
  countBack: 'Cuéntelas al guardarlas en el bolsillo; ¿qué tarjeta tiene más?',
};
