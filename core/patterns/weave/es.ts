import type { en } from './en.ts';

/** Its sentences in Spanish. */
export const es: Readonly<Record<keyof typeof en, string>> = {
  fiveWideApart: 'Cinco, muy separados',
  fingersBobbin: 'prensión digital: dedos en la bobina',
  seven: 'Siete',
  nine: 'Nueve',
  thumbFinger: 'pinza: pulgar e índice',
  thirteenClose: 'Trece, juntos',
  over: 'Por encima y adelante',
  wholeHandBobbin: 'prensión palmar: toda la mano en la bobina',
  onceRoundFar: 'Una vuelta, separadas',
  moreArms: 'Más brazos',
  closerRows: 'Filas más juntas',
  close: 'Juntas',
  twiceRound: 'Dos vueltas',
  thumbFingerTurnsWrist: 'pinza y giro del antebrazo: pulgar e índice, gira la muñeca',
  windsThreadRoundSticks: 'Enrollar hilo en palitos, o tejerlo por encima y por debajo',
  loom: 'Telar',
  stick: 'Palito',
  sawSticksMm: 'Sierre {sticks} palitos a {number} mm',
  sawThemTogetherClamp: 'Siérrelos juntos en una mordaza y después redondee las puntas con lija.',
  crossSticks: 'Cruce {sticks} palitos',
  layThemPrintedGuide:
    'Póngalos sobre la guía impresa, pegue los centros uno sobre otro y deje fraguar en plano.',
  trimTwig: 'Recorte la rama',
  cutTipsBluntShears:
    'Corte las puntas romas con tijeras de podar o sierra y líjelas; quite la corteza suelta.',
  cutLoomSlotsEither: 'Corte el telar y sus {slots} muescas en cada extremo',
  printTemplateDrawCard:
    'Imprima la plantilla, dibújela en el cartón, recórtela y después corte cada muesca por su línea.',
  stringLoom: 'Ponga los hilos en el telar',
  tapeEndBehindUp:
    'Sujete el extremo por detrás con cinta; arriba y abajo de muesca a muesca, sin tensar tanto que el cartón se doble.',
  windBobbinTieFirst: 'Llene la bobina y haga el primer nudo',
  windThreadCardNo:
    'Enrolle el hilo en una tarjeta de modo que no cuelguen más de {free} mm; átelo con un nudo doble, con ayuda.',
  tieOffMakeHanger: 'Remate y haga el colgador',
  doubleKnotTail:
    'Remate el extremo con un nudo doble. Deje una cola de {tail} mm y anúdela en un lazo: es el colgador.',
  windRounds: 'Dé {rounds} vueltas de hilo',
  weaveRows: 'Teja {rounds} filas',
  overStringUnderNext:
    'Por encima de un hilo y por debajo del siguiente; la fila siguiente al revés. Empuje cada fila hacia abajo.',
  onceRoundEachArm: 'Una vuelta en cada brazo, y después al siguiente.',
  timesRoundEachArm: '{wraps} vueltas en cada brazo, y después al siguiente.',
  overEachArmNext: 'Por encima de cada brazo y al siguiente, con el hilo tenso.',
  weaveStems: 'Teja {stems} tallos',
  overRowUnderNext:
    'Por encima de una fila y por debajo de la siguiente; el vecino al revés. Después hay que lavarse las manos.',
  hanger: 'Colgador',
  endsTwig: 'Puntas de la rama',
  endsSticks: 'Puntas de los palitos',
  whileWorked: '{thread} mientras se trabaja',
  doesHandGoOver: '¿Va la mano por encima y por debajo, por turnos, y sujeta la otra el telar?',
  doesHandTurnFrame: '¿Gira una mano el bastidor mientras la otra trae el hilo, y sigue tenso el hilo?',
  fewerArmsRoundsFurther:
    'Menos brazos, vueltas más separadas, el bastidor sujeto para el niño; un hilo más grueso.',
  moreSlotsCloserRows: 'Más muescas, filas más juntas; después por encima de dos y por debajo de uno.',
  moreArmsCloserRounds: 'Más brazos, vueltas más juntas, dos vueltas en cada brazo.',
  frameClampTurnedAdult:
    'El bastidor en una mordaza, un adulto lo gira después de cada vuelta; una bobina que cabe en toda la mano. Con la izquierda: al revés.',
  spiderGoesRoundHer: 'La araña da la vuelta a su casa. ¿Qué viga sigue?',
  youFoundTheseShall: 'Los encontraste tú. ¿Hacemos una telaraña?',
  counted: '1 bastidor con su hilo',
  nameOverUnder: 'Nombre por encima, por debajo, alrededor; cambie de color en cada vuelta y cuéntelas.',
  theLoom: 'el telar',
};
