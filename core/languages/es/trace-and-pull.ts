import { phrases } from '../phrases.ts';

/** The words of trace and pull in Spanish. */
export const traceAndPull = phrases(`
Close gaps and thin places
  Cierre huecos y partes finas
Colour it
  Coloréelo
Count # cord with its # ends in, label and bag
  Cuente # cordón con sus # extremos, etiquete y guarde
Cut # mm of cord and hang it
  Corte # mm de cordón y cuélguelo
Peel it when it is clear all over
  Despéguelo cuando esté transparente del todo
Squeeze a line of # mm along the drawing
  Haga una línea de pegamento de # mm siguiendo el dibujo
Tape the clear sheet over the drawing
  Pegue la lámina transparente sobre el dibujo
Both hands on the bottle, tip just over the sheet; every crossing runs into the next.
  Las dos manos en el bote, la punta justo encima de la lámina; cada cruce se une con el siguiente.
Felt pens on the dry glue, both sides.
  Rotuladores sobre el pegamento seco, por los dos lados.
From one tip, slowly, bending the sheet away from it; milky places wait another night.
  Desde una punta, despacio, doblando la lámina; lo que sigue blanco espera otra noche.
More glue where the line is thin or does not meet; then it is carried away flat.
  Más pegamento donde la línea es fina o no se une; después se lleva en plano.
Over the peg at the child’s reach, a thing knotted to each end; one down, the other up. It is taken down after use.
  Sobre el gancho al alcance del niño, con una cosa atada en cada extremo; una baja y la otra sube. Se quita después de usarlo.
Print the line, lay it on a board that can be carried away, the sheet over it, all four corners taped.
  Imprima la línea, póngala sobre una tabla que se pueda llevar, la lámina encima y las cuatro esquinas con cinta.
“Pull the anchor down, and up goes the gull. Who is at the top?”
  «Tira del ancla hacia abajo y sube la gaviota. ¿Quién está arriba?»
“You drew it in glue. Now it hangs.”
  «Lo dibujaste con pegamento. Ahora cuelga.»
Do both hands squeeze evenly, and does the tip stay on the line?
  ¿Aprietan las dos manos por igual, y sigue la punta la línea?
Does one hand pull under the other, and can it stop half way?
  ¿Tira una mano por debajo de la otra, y puede parar a medio camino?
A thicker line, an outline without tips; a shorter lift with a handle to hold.
  Una línea más gruesa, un contorno sin puntas; una subida más corta con un asa.
A thinner line, more crossings; pull so slowly that the bell stays silent.
  Una línea más fina, más cruces; tirar tan despacio que no suene la campana.
The sheet taped to a board, the bottle on the side of the hand that works; a ring at the end of the cord to pull by.
  La lámina pegada a una tabla, el bote al lado de la mano que trabaja; un aro al final del cordón para tirar.
Coloured
  Coloreado
Line of #
  Línea de #
Pulled
  Subido
Thick line
  Línea gruesa
Thinnest
  La más fina
both hands squeeze
  aprietan las dos manos
fingers squeeze
  aprietan los dedos
pen in the fingers
  rotulador entre los dedos
Squeezes glue along a line, peels it when dry, and pulls it up on a cord
  Hacer una línea de pegamento, despegarla cuando está seca y subirla con un cordón
The cord is never round a neck or a wrist, and comes down when the sitting ends.
  El cordón nunca va alrededor de un cuello o una muñeca, y se quita al terminar.
`);
