import type { en } from './en.ts';

/** Its sentences in Spanish. */
export const es: Readonly<Record<keyof typeof en, string>> = {
  lacingCard: 'Tarjeta para coser',
  fewThickTip: 'Pocos, punta gruesa',
  fistOrFingersThick: 'prensión palmar o digital: puño o dedos en una punta gruesa',
  doubleHoles: 'Agujeros dobles',
  thumbFingerTip: 'pinza inferior: yema contra yema, en la punta',
  fingersWalk: 'pinza superior y desplazamiento: los dedos avanzan por el cordón hasta su punta',
  tipOnTip: 'pinza superior: la yema del índice contra la del pulgar, en la punta del cordón',
  singleHoles: 'Agujeros sencillos',
  closeHolesThickTip: 'Agujeros juntos, punta gruesa',
  whipStitch: 'Por encima del borde',
  handTurnsCard: 'coordinación bilateral: una mano gira la tarjeta',
  crossStitch: 'Punto de cruz',
  threadsLaceThroughHoles: 'Pasar un cordón por los agujeros de una tarjeta',
  drawCard: 'Dibuje la tarjeta',
  printTemplateLayBoard:
    'Imprima la plantilla, póngala sobre el cartón y dibuje el contorno; marque el centro de cada agujero.',
  glueTwoBoardsTogether: 'Pegue dos cartones uno sobre otro',
  printOutwardsNeitherSide:
    'Lo impreso no queda por fuera en ningún lado; deje en plano debajo de unos libros.',
  laminate: 'Plastifíquela',
  onceThroughLaminatorThen: 'Una vez por la plastificadora; después deje que se enfríe en plano.',
  cutOut: 'Recórtela',
  scissorsAlongLineTurn:
    'Tijeras por la línea; gire la tarjeta, no las tijeras. Redondee las esquinas afiladas.',
  cutInside: 'Recorte {many, plural, one {el hueco} other {los # huecos}} de dentro',
  bladeInside: 'Con una cuchilla sobre una tabla, del centro de cada hueco hacia su línea; apriete poco.',
  punchDoubleHoles: 'Haga {holes} agujeros dobles',
  punchHoles: 'Haga {holes} agujeros',
  punchMoveAlongHalf: 'Perfore, corra medio agujero, perfore otra vez.',
  punchEachMarkTurn:
    'Un golpe de perforadora en cada marca; ponga la perforadora boca arriba para ver la marca.',
  tieLace: 'Ate el cordón',
  knotEndThroughFirst:
    'Pase un extremo por el primer agujero desde atrás, haga un nudo y tire fuerte una vez. Ponga cinta en la punta si se deshilacha.',
  card: 'la tarjeta',
  doHandsTakeTurns:
    '¿Se turnan las manos, una sujeta la tarjeta y la otra tira, y se gira la tarjeta cada vez?',
  doHandsTakeTurnsHolding: '¿Se turnan las manos, una sujeta la tarjeta y la otra tira por encima del borde?',
  holdCardChildThicker:
    'Sujete la tarjeta para el niño; una punta más gruesa, menos agujeros, agujeros dobles.',
  twiceHolesSameOutline: 'El doble de agujeros en el mismo contorno.',
  twiceHolesThenWhip: 'El doble de agujeros, y después coser por encima del borde.',
  cardUprightClampLace:
    'La tarjeta de pie en una pinza; el cordón empieza en la esquina más lejana de la mano que trabaja. Con la izquierda: de derecha a izquierda.',
  mouseGoesDownHole: 'El ratón baja por el agujero. ¿Por dónde sale?',
  youGluedThisShall: 'Esta la pegaste tú. ¿La cosemos alrededor?',
  counted: '1 tarjeta y 1 cordón',
  countTheHoles: 'Cuente los agujeros; nombre dentro, fuera, por encima, a través.',
  punchedOutDiscs: 'Círculos perforados',
};
