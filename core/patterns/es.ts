import type { en } from './en.ts';

/** Its sentences in Spanish. */
export const es: Readonly<Record<keyof typeof en, string>> = {
  die: 'Dado',
  wash: 'Lave {what}',
  lookOver: 'Revise {what}',
  warmWaterWashingUp:
    'Agua tibia y lavavajillas; enjuague y extienda sobre una toalla con espacio entre las piezas.',
  brushOffWhatCannot:
    'Cepille lo que no se puede lavar; pase el dedo por cada pieza para notar astillas o migas, y tire las que estén rajadas.',
  countPieces: 'Cuente las {count} piezas, etiquete y guarde',
  countThings: 'Cuente {what}, etiquete y guarde',
  spoken: '«{words}»',
  labelOutsideCountWritten: 'La etiqueta por fuera, con el número de piezas donde una familia lo vea.',
  showOnceSlowlyWithout: 'Muéstrelo una vez, despacio y sin palabras. Después acerque la bandeja al niño.',
  letUsDoWhile: '«Hagámoslo mientras esperamos.»',
  stopWhileStillGoes:
    'Pare mientras todavía va bien: cuando deje de mirar, la mano se ponga brusca o lleve piezas a la boca.',
  tool: '{tool, select, peg {pinza de ropa} tongs {pinzas de cocina} tweezers {pinzas finas} spoon {cuchara} hand {mano} other {{tool}}}',
  colour:
    '{name, select, yellow {amarillo} green {verde} blue {azul} red {rojo} orange {naranja} purple {morado} pink {rosa} white {blanco} black {negro} brown {marrón} turquoise {turquesa} violet {violeta} grey {gris} other {{colour}}}',
};
