import type { en } from './en.ts';

/** Its sentences in Spanish. */
export const es: Readonly<Record<keyof typeof en, string>> = {
  openEachOnceThrow:
    'Abra cada una una vez. Tire las que estén rajadas o con el muelle suelto; las más flojas van primero.',
  tapeRimsTogether: 'Una {layers} aros con cinta',
  layTapeFourPlaces: 'Ponga {rim} sobre {rim} y una con cinta en cuatro sitios por debajo del borde.',
  markSpots: 'Marque los puntos',
  paintPegs: 'Pinte las pinzas',
  gluePrintedSpotsOr: 'Pegue los puntos impresos, o dibújelos: un sitio para cada pinza.',
  colourEachClipThem: 'Un color de pintura cada una; déjelas secar en el borde de una caja.',
  clipAllThemOnce: 'Ponga todas las pinzas una vez',
  everyPegBitesStays:
    'Cada pinza muerde y se queda al levantar el borde, y hay colores suficientes para el patrón.',
  everyPegBitesStaysWhen: 'Cada pinza muerde y se queda al levantar el borde.',
  pegs: '{pegsNeeded} pinzas',
  jaw: 'boca de {m}',
  doThumbFirstTwo:
    '¿Aprietan el pulgar y los dos primeros dedos, con la muñeca hacia arriba, y sujeta la otra mano el borde?',
  shortRowColourEdge: 'Una fila corta, un solo color, en un borde que sujeta un adulto.',
  twoColoursTurnThen: 'Dos colores alternados; después contar.',
  countingRimsMixedThen: 'Contar, con los bordes mezclados; después con la otra mano.',
  rimClampedStandsOut:
    'El borde sujeto de modo que sobresalga de la mesa; las pinzas en un cuenco al lado de la mano que trabaja.',
  thumbTwoFingersPressed: 'pinza de tres dedos: pulgar y dos dedos, apretando',
  takeOff: 'Quitar',
  shortRow: 'Una fila corta',
  allRound: 'Todo alrededor',
  close: 'Juntas',
  threeColours: 'Tres colores',
  counting: 'Contando',
  mixedCount: 'Números mezclados',
  thumbTwoFingersOther: 'pinza de tres dedos: pulgar y dos dedos de la otra mano',
  clipsPegsRimFreely: 'Poner pinzas en un borde, libremente, siguiendo un patrón o por número',
  gullsComeHomeWho: 'Las gaviotas vuelven a casa: ¿quién se sienta dónde en el muelle?',
  youPaintedThesePegs: 'Estas pinzas las pintaste tú. ¿Cuál va primero?',
  takeOffByColour: 'Quítelas por color; diga la serie en voz alta.',
  twoColours: 'Dos colores',
  lookOverPegs: 'Revise {number, plural, one {{number} pinza} other {{number} pinzas}}',
};
