import type { en } from './en.ts';

/** Its sentences in Spanish. */
export const es: Readonly<Record<keyof typeof en, string>> = {
  tapeClearSheetOver: 'Pegue la lámina transparente sobre el dibujo',
  printLineLayBoard:
    'Imprima la línea, póngala sobre una tabla que se pueda llevar, la lámina encima y las cuatro esquinas con cinta.',
  squeezeLineMmAlong: 'Haga una línea de pegamento de {line} mm siguiendo el dibujo',
  bothHandsBottleTip:
    'Las dos manos en el bote, la punta justo encima de la lámina; cada cruce se une con el siguiente.',
  closeGapsThinPlaces: 'Cierre huecos y partes finas',
  moreGlueWhereLine: 'Más pegamento donde la línea es fina o no se une; después se lleva en plano.',
  peelWhenClearAll: 'Despéguelo cuando esté transparente del todo',
  fromTipSlowlyBending:
    'Desde una punta, despacio, doblando la lámina; lo que sigue blanco espera otra noche.',
  colour: 'Coloréelo',
  feltPensDryGlue: 'Rotuladores sobre el pegamento seco, por los dos lados.',
  cutMmCordHang: 'Corte {cordFor} mm de cordón y cuélguelo',
  overPegChildS:
    'Sobre el gancho al alcance del niño, con una cosa atada en cada extremo; una baja y la otra sube. Se quita después de usarlo.',
  peeledOutline: 'Figura despegada',
  overPeg: '{cord} sobre su gancho',
  doBothHandsSqueeze: '¿Aprietan las dos manos por igual, y sigue la punta la línea?',
  doesHandPullUnder: '¿Tira una mano por debajo de la otra, y puede parar a medio camino?',
  thickerLineOutlineWithout: 'Una línea más gruesa, un contorno sin puntas; una subida más corta con un asa.',
  thinnerLineMoreCrossings: 'Una línea más fina, más cruces; tirar tan despacio que no suene la campana.',
  sheetTapedBoardBottle:
    'La lámina pegada a una tabla, el bote al lado de la mano que trabaja; un aro al final del cordón para tirar.',
  pulled: 'Subido',
  wholeHand: 'prensión palmar: toda la mano',
  coloured: 'Coloreado',
  penFingers: 'agarre de trípode: rotulador entre los dedos',
  thickLine: 'Línea gruesa',
  bothHandsSqueeze: 'coordinación bilateral: aprietan las dos manos',
  line: 'Línea de 6',
  thinnest: 'La más fina',
  fingersSqueeze: 'prensión digital: aprietan los dedos',
  squeezesGlueAlongLine: 'Hacer una línea de pegamento, despegarla cuando está seca y subirla con un cordón',
  pullAnchorDownUp: 'Tira del ancla hacia abajo y sube la gaviota. ¿Quién está arriba?',
  youDrewGlueNow: 'Lo dibujaste con pegamento. Ahora cuelga.',
  counted: '1 cordón con sus 2 extremos',
  upDownHalfWay: 'Arriba, abajo, a la mitad: dígalo antes de tirar.',
  cordNeverRoundNeck: 'El cordón nunca va alrededor de un cuello o una muñeca, y se quita al terminar.',
};
