import type { en } from './en.ts';

/** Its sentences in Spanish. */
export const es: Readonly<Record<keyof typeof en, string>> = {
  printPages: 'Imprima {pages} hojas',
  printPage: 'Imprima la hoja',
  plainPaperOrCard:
    'En papel corriente o cartulina, para que la pintura se absorba y las pegatinas se peguen; una para cada niño.',
  cardCheckMmBar: 'En cartulina; compruebe la barra de 50 mm antes de imprimir el resto.',
  laminate: 'Plastifíquela',
  onceThroughLaminatorLet: 'Una vez por la plastificadora; deje que se enfríe en plano.',
  fillDots: 'Rellene los puntos',
  colourRoundOutline: 'Coloree alrededor del contorno',
  dabbingOrPeelingEach: 'Pintar o despegar cada uno es el ejercicio; deje secar en plano.',
  crayonsOutsideDotsBefore: 'Ceras fuera de los puntos, antes de plastificar.',
  layOutOnce: 'Colóquelo todo una vez',
  dotDoneCanBe: 'Un punto ya hecho, para poder mostrarlo.',
  everyDotHasPiece: 'Cada punto tiene su pieza; incline la bandeja como va a estar.',
  doFingerThumbSet: '¿Dejan el índice y el pulgar la pieza sin barrer la de al lado?',
  fewerLargerDotsFar: 'Menos puntos, más grandes y separados; todos de un color.',
  moreDotsCloserThen: 'Más puntos, más juntos; después colores según una clave.',
  closerThenTongsThen: 'Más juntos; después pinzas de cocina, después la bandeja inclinada.',
  pageTapedCornersPieces: 'La hoja pegada por las esquinas, las piezas al lado de la mano que trabaja.',
  brushOrFingertip: 'pincel o yema del dedo',
  thumbFinger: 'pulgar e índice',
  fewLargeDots: 'Pocos puntos grandes',
  moreDots: 'Más puntos',
  closeDots: 'Puntos juntos',
  touchingDots: 'Puntos que se tocan',
  colour: 'Por colores',
  setsPieceStickerOr: 'Poner una pieza, una pegatina o una gota de pintura en cada punto de una imagen',
  everyWindowShipWants: 'Cada ventana del barco quiere una cara. ¿Cuál sigue?',
  yourPageWhichDot: 'Tu hoja: ¿qué punto primero?',
  counted:
    '{pages, plural, one {{pages} hoja} other {{pages} hojas}}{pieces, plural, =0 {} one { y {pieces} pieza} other { y {pieces} piezas}}',
  countARow: 'Cuente una fila; cubra un solo color; deje libre uno de cada dos puntos.',
};
