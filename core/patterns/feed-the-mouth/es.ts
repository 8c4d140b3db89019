import type { en } from './en.ts';

/** Its sentences in Spanish. */
export const es: Readonly<Record<keyof typeof en, string>> = {
  slitBallOverMm: 'Haga un corte de {slit} mm en la pelota, y otro cruzado',
  slitBallOverMm2: 'Haga un corte de {slit} mm en la pelota',
  holdBallClampOr:
    'Sujete la pelota en una mordaza o una huevera, nunca en la mano, y nunca corte hacia la palma: perfórela con la punta y después cortes cortos alejándose de usted. Doble la plantilla alrededor para marcar la línea.',
  glueEyes: 'Pegue los ojos',
  drawFace: 'Dibuje la cara',
  strongGluePullEach:
    'Pegamento fuerte; tire de cada uno cuando esté seco: son piezas pequeñas si se sueltan.',
  penDoesNotWipe: 'Con un rotulador que no se borre.',
  feedOnce: 'Déle de comer una vez',
  childFindsOutHow: 'El niño descubre cuánto hay que apretar.',
  mouth: 'la boca',
  doesHandHoldOpen:
    '¿Mantiene una mano la boca abierta, el pulgar a un lado y los dedos al otro, mientras la otra mano mete?',
  doesWholeHandClose: '¿Se cierra toda la mano sobre la tela, y sujeta la otra mano la pelota?',
  secondSlitAcrossYou: 'Un segundo corte cruzado; usted aprieta, el niño da de comer; un pañuelo para sacar.',
  largerEndLeftHanging: 'Un extremo más largo colgando fuera.',
  shorterSlitFirmerBall:
    'Un corte más corto, una pelota más dura, la otra mano; después solo lo que diga el dado.',
  ballWedgedBowlNon:
    'La pelota encajada en un cuenco sobre una base antideslizante para que la boca quede abierta; un segundo corte cruzado.',
  stopWhenHandTires:
    'Pare cuando la mano se canse o tiemble: es un trabajo duro. Pare enseguida si lleva piezas a la boca.',
  pulledOut: 'Sacar',
  wholeHand: 'prensión palmar: toda la mano',
  crossedLong: 'Cruzado, largo',
  wholeHandSqueezes: 'prensión palmar: aprieta toda la mano',
  longSlit: 'Un corte largo',
  shorter: 'Más corto',
  thumbFingersSqueeze: 'prensión digital: aprietan pulgar y dedos',
  shortest: 'El más corto',
  squeezesMouthOpenHand: 'Abrir una boca apretando con una mano y darle de comer con la otra',
  puffinHungryOpensBeak: 'El frailecillo tiene hambre. Abre el pico cuando lo aprietas.',
  youGaveFaceWhat: 'Tú le pusiste cara. ¿Qué le gusta comer?',
  counted: '1 pelota y {pieces, plural, one {{pieces} pieza} other {{pieces} piezas}}',
  throwADie: 'Tire un dado y dele esa cantidad; ¿cuántas hay dentro? Adivine, agite y cuéntelas al sacarlas.',
};
