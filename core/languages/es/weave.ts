import { phrases } from '../phrases.ts';

/** The words of weave in Spanish. */
export const weave = phrases(`
Count # frame with its thread in, label and bag
  Cuente # bastidor con su hilo, etiquete y guarde
Cross # sticks
  Cruce # palitos
Cut the loom and its # slots at either end
  Corte el telar y sus # muescas en cada extremo
Saw # sticks to # mm
  Sierre # palitos a # mm
String the loom
  Ponga los hilos en el telar
Trim the twig
  Recorte la rama
Weave # rows
  Teja # filas
Weave in # stems
  Teja # tallos
Wind # rounds
  Dé # vueltas de hilo
Wind the bobbin and tie the first knot
  Llene la bobina y haga el primer nudo
# times round each arm, then on to the next.
  # vueltas en cada brazo, y después al siguiente.
Cut the tips blunt with shears or a saw and sand them; strip off loose bark.
  Corte las puntas romas con tijeras de podar o sierra y líjelas; quite la corteza suelta.
Lay them on the printed guide, glue the middles one over the other and let it set flat.
  Póngalos sobre la guía impresa, pegue los centros uno sobre otro y deje fraguar en plano.
Once round each arm, then on to the next.
  Una vuelta en cada brazo, y después al siguiente.
Over each arm and on to the next, the thread kept tight.
  Por encima de cada brazo y al siguiente, con el hilo tenso.
Over one row and under the next, the neighbour the other way round. Hands are washed afterwards.
  Por encima de una fila y por debajo de la siguiente; el vecino al revés. Después hay que lavarse las manos.
Over one string, under the next; the row after the other way round. Push each row down.
  Por encima de un hilo y por debajo del siguiente; la fila siguiente al revés. Empuje cada fila hacia abajo.
Print the template, draw it on the card, cut it out, then each slot along its line.
  Imprima la plantilla, dibújela en el cartón, recórtela y después corte cada muesca por su línea.
Saw them together in a clamp, then sand the ends round.
  Siérrelos juntos en una mordaza y después redondee las puntas con lija.
Tape the end behind, up and down from slot to slot, not so tight that the card bends.
  Sujete el extremo por detrás con cinta; arriba y abajo de muesca a muesca, sin tensar tanto que el cartón se doble.
Wind the thread on a card so that no more than # mm hangs free; tie it with help.
  Enrolle el hilo en una tarjeta de modo que no cuelguen más de # mm; átelo con ayuda.
“The spider goes round her house. Which beam is next?”
  «La araña da la vuelta a su casa. ¿Qué viga sigue?»
“You found these. Shall we wind a web on them?”
  «Los encontraste tú. ¿Hacemos una telaraña?»
Does one hand turn the frame while the other brings the thread, and is the thread kept tight?
  ¿Gira una mano el bastidor mientras la otra trae el hilo, y sigue tenso el hilo?
Does the hand go over and under in turn, and does the other hold the loom?
  ¿Va la mano por encima y por debajo, por turnos, y sujeta la otra el telar?
Fewer arms, rounds further apart, the frame held for the child; a thicker thread.
  Menos brazos, vueltas más separadas, el bastidor sujeto para el niño; un hilo más grueso.
More arms, closer rounds, twice round each arm.
  Más brazos, vueltas más juntas, dos vueltas en cada brazo.
More slots, closer rows; then over two and under one.
  Más muescas, filas más juntas; después por encima de dos y por debajo de uno.
The frame in a clamp, turned by an adult after each round; a bobbin that the whole hand holds. Left-handed: the other way round.
  El bastidor en una mordaza, un adulto lo gira después de cada vuelta; una bobina que cabe en toda la mano. Con la izquierda: al revés.
Closer rows
  Filas más juntas
Five, wide apart
  Cinco, muy separados
More arms
  Más brazos
Nine
  Nueve
Once round, far
  Una vuelta, separadas
Over and on
  Por encima y adelante
Seven
  Siete
Thirteen, close
  Trece, juntos
Twice round
  Dos vueltas
fingers on the bobbin
  dedos en la bobina
whole hand on the bobbin
  toda la mano en la bobina
Winds thread round sticks or weaves it over and under
  Enrollar hilo en palitos, o tejerlo por encima y por debajo
Loom
  Telar
Stick
  Palito
`);
