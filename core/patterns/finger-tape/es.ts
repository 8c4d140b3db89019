import type { en } from './en.ts';

/** Its sentences in Spanish. */
export const es: Readonly<Record<keyof typeof en, string>> = {
  halvePaperTimes: 'Parta el papel por la mitad {halvings} veces',
  foldCutAlongFold: 'Doble, corte por el doblez, ponga uno sobre otro, y otra vez: cada vez todos juntos.',
  holeMmPostThrough: 'Un agujero de {hole} mm para meter',
  pierceBradawlTurnPencil:
    'Perfórelo con un punzón y gire un lápiz dentro; una tapa para beber ya tiene uno.',
  tearStrips: 'Rasgue {strips, plural, one {una tira} other {{strips} tiras}} de cinta de {strip} mm',
  tearHalfLengthwaysTwo:
    'Rásguela por la mitad a lo largo: dos dedos de un solo largo. Péguelas por una esquina al borde de la mesa.',
  stickThemTableS: 'Péguelas por una esquina al borde de la mesa.',
  paperRolledBall: 'Papel hecho una bola',
  tapeSlidOffFinger: 'Cinta sacada de un dedo',
  roundFinger: '{tape} alrededor de un dedo',
  holePostThrough: 'el agujero para meter',
  paperPiece: 'Trozo de papel',
  tapeFingerStickySide: 'Cinta en un dedo, con el pegamento hacia fuera. Coger, despegar, dejar.',
  fingerNextPickUp: 'El dedo de al lado. Coger con uno y con otro por turnos.',
  colourEachFinger: 'Un color para cada dedo.',
  fingerLeftHeapRight: 'Un dedo para el montón de la izquierda, otro para el de la derecha.',
  asFastAsCalled: 'Tan rápido como se dice: «¡primero!», «¡segundo!»',
  howManyOnceCount: '¿Cuántos a la vez? Contarlos, despegarlos y sacar la cinta deslizándola.',
  doFingerThumbOther:
    '¿Despegan el índice y el pulgar de la otra mano, o se sacude la mano? ¿Señala solo ese dedo?',
  largerPiecesFingerPeeled: 'Trozos más grandes, un dedo, lo despega usted.',
  twoFingersTwoColours: 'Dos dedos, dos colores, trozos más pequeños; hacer una bola antes de meterlo.',
  somebodyElsePutsTape: 'Otra persona pone la cinta; se despega contra el borde de la mesa.',
  takeOffOnceWhen:
    'Quítela enseguida si el dedo palidece, enrojece o duele. Nunca apretada, nunca sobre piel herida o sensible; sáquela deslizándola, sin desenrollar.',
  finger: 'Un dedo',
  fingerPoints: 'aislamiento del dedo: señala un dedo',
  twoFingers: 'Dos dedos',
  twoFingersTurn: 'aislamiento del dedo: dos dedos por turnos',
  colour: 'Por colores',
  asCalled: 'Según se dice',
  mostOnce: 'Los más posibles a la vez',
  padPad: 'pinza inferior: yema con yema',
  rolled: 'Rodado',
  thumbFingerRoll: 'rotación en la mano: pulgar e índice hacen una bola',
  picksPaperUpTaped: 'Coger papel con un dedo con cinta, despegarlo, hacer una bola y meterla',
  thisFingerCrabWhat: 'Este dedo es un cangrejo. ¿Qué atrapa?',
  youToreWhichFinger: 'La rasgaste tú. ¿Qué dedo se la pone?',
  counted: '{papers, plural, one {{papers} papel} other {{papers} papeles}} y el rollo',
  beforeCall:
    'Antes de la llamada la familia prepara: un rollo de cinta blanca, {papers, plural, =1 {papel de un color vivo} other {papeles de dos colores vivos}}, tijeras, {posted, select, yes {un vaso con una tapa con agujero, } other {}}una mesa oscura y lisa.',
  countHowMany: 'Cuente cuántos se pegan a la vez; agrupe por color; diga izquierda y derecha.',
};
