import { phrases } from '../phrases.ts';

/** What every family says, in Spanish. */
export const making = phrases(`
Wash ~
  Lave ~
Look over ~
  Revise ~
# pegs
  # pinzas
Count # in, label and bag
  Cuente las # piezas, etiquete y guarde
Stop while it still goes well: when the eyes leave it, the hand gets rough or pieces go to the mouth.
  Pare mientras todavía va bien: cuando deje de mirar, la mano se ponga brusca o lleve piezas a la boca.
# minutes
  # minutos
# hours
  # horas
# hour
  # hora
#–# months
  de # a # meses
#–# years
  de # a # años
yellow
  amarillo
green
  verde
blue
  azul
red
  rojo
orange
  naranja
purple
  morado
pink
  rosa
white
  blanco
black
  negro
brown
  marrón
Label on the outside, the count written where a family can see it.
  La etiqueta por fuera, con el número de piezas donde una familia lo vea.
Warm water and washing-up liquid, rinse, lay out on a towel with space between them.
  Agua tibia y lavavajillas; enjuague y extienda sobre una toalla con espacio entre las piezas.
Show it once, slowly, without words. Then push the tray to the child.
  Muéstrelo una vez, despacio y sin palabras. Después acerque la bandeja al niño.
“Let us do it while we wait.”
  «Hagámoslo mientras esperamos.»
thumb and finger
  pulgar e índice
thumb and finger, pressed hard
  pulgar e índice, apretando fuerte
thumb and finger on the tip
  pulgar e índice en la punta
Brush off what cannot be washed; feel each for splinters or crumbs, throw away any that are split.
  Cepille lo que no se puede lavar; pase el dedo por cada pieza para notar astillas o migas, y tire las que estén rajadas.
whole hand
  toda la mano
thumb and finger, pressed
  pulgar e índice, apretando
thumb and finger, one at a time
  pulgar e índice, de una en una
thumb and finger, turns the wrist
  pulgar e índice, gira la muñeca
thumb and fingers
  pulgar y dedos
thumb and fingers squeeze
  aprietan pulgar y dedos
thumb and finger roll
  pulgar e índice hacen una bola
By colour
  Por colores
Paper rolled to a ball
  Papel hecho una bola
~, tied
  ~, atado
~, stapled
  ~, con grapas
~, laced
  ~, cosido
~, screwed
  ~, atornillado
~, pressed on
  ~, a presión
`);
