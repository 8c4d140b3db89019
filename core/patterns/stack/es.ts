import type { en } from './en.ts';

/** Its sentences in Spanish. */
export const es: Readonly<Record<keyof typeof en, string>> = {
  ring: 'Aro',
  post: 'Poste',
  cutRingsMm: 'Corte {number} aros de {height} mm',
  cutRings: 'Corte {number} aros',
  wrapStripPaperRound:
    'Ponga una tira de papel alrededor del tubo como guía; gire el tubo contra la hoja, nunca hacia la mano.',
  foldEachRingHalf:
    'Doble cada aro por la mitad, recorte el centro, ábralo y corte por fuera. Redondee lo afilado.',
  cutPostMm: 'Corte el poste a {post} mm',
  sawThenSandEnd: 'Sierre, y después redondee la punta con lija.',
  capEndPost: 'Ponga un tope en la punta del poste',
  glueCap: 'Pegue esto: {cap}; debe ser más estrecho que el agujero de un aro.',
  padOfTape: 'Enrolle encima una almohadilla de cinta; debe ser más estrecha que el agujero de un aro.',
  putMassagerIntoBase: 'Ponga el vibrador en la base',
  screwBatteryDoorShut:
    'Atornille la tapa de las pilas; una tapa sin tornillo se cubre con cinta por todo el borde y se deja fuera del alcance.',
  fixPostGSand: 'Fije el poste, con {weight} g de arena en la base',
  fixPostBase: 'Fije el poste a la base',
  fillBaseTapeShut:
    'Llene la base y ciérrela con cinta por todo el borde. Pegue el poste de pie con cola y cinta; deje que fragüe antes de que nadie tire.',
  glueTapePostUpright: 'Pegue el poste de pie con cola y cinta; deje que fragüe antes de que nadie tire.',
  drawGluePicture: 'Dibuje la imagen y péguela',
  writeRings: 'Escriba en los aros',
  glueStripRoundBefore:
    'Pegue la tira alrededor antes de cortar el tubo, o escriba con todos los aros en el poste, para que coincida.',
  stackOnce: 'Móntelo una vez',
  everyRingGoesOver:
    'Cada aro pasa sin engancharse, y {post} sobresale por encima del último para poder sujetarlo.',
  capPost: 'Tope del poste',
  sandBase: 'Arena en la base',
  massagerBase: 'Vibrador en la base',
  doesHandHoldPost: '¿Sujeta una mano el poste mientras la otra trae el aro, y mira primero a la punta?',
  widerHoleFewerRings: 'Un agujero más ancho, menos aros; sujete el pie, o quitar antes de poner.',
  closerHoleThenOrder:
    'Un agujero más justo, después un orden que seguir; después el poste sujeto con la otra mano.',
  baseClampedOrWeighted: 'La base sujeta o con peso; los aros quedan al lado de la mano que trabaja.',
  twoTallRings: 'Dos aros altos',
  wholeHand: 'prensión palmar: toda la mano',
  anyOrder: 'En cualquier orden',
  threeOrder: 'Tres en orden',
  allOrder: 'Todos en orden',
  wholeHandTurnsWrist: 'prensión palmar y giro del antebrazo: toda la mano, gira la muñeca',
  picture: 'Una imagen',
  wholeHandTurnsRing: 'prensión palmar: toda la mano, gira el aro',
  wideRings: 'Aros anchos',
  looseRings: 'Aros holgados',
  thumbFingers: 'prensión digital: pulgar y dedos',
  closeRings: 'Aros justos',
  closeOrder: 'Justos, en orden',
  putsRingsOverPost: 'Poner aros en un poste, en cualquier orden o en el correcto',
  buildLighthouseBeforeShip: '¡Construye el faro antes de que llegue el barco!',
  youPaintedTheseHow: 'Estos los pintaste tú. ¿Hasta dónde llegan?',
  counted: '{number, plural, one {{number} aro} other {los {number} aros}}',
  eachRing: 'cada aro',
  tapeAllRound: 'cinta por todo el borde',
  holeOfARing: 'el agujero de un aro',
  more: '{shows, select, plain {En cualquier orden; después del mismo color, o primero el más grande.} numbers {Nombre el número al poner cada uno; quítelos hacia atrás.} letters {Diga el sonido de cada letra; lea la palabra desde arriba.} other {¿Qué falta? Gire los aros hasta que la imagen esté entera.}}',
};
