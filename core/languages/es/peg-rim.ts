import { phrases } from '../phrases.ts';

/** The words of peg rim in Spanish. */
export const pegRim = phrases(`
Clip all of them on once
  Ponga todas las pinzas una vez
Count # pegs in, label and bag
  Cuente las # pinzas, etiquete y guarde
Mark the spots
  Marque los puntos
Paint the pegs
  Pinte las pinzas
Tape # rims together
  Una # aros con cinta
Every peg bites and stays when the rim is lifted.
  Cada pinza muerde y se queda al levantar el borde.
Glue in the printed spots, or draw them: one place for each peg.
  Pegue los puntos impresos, o dibújelos: un sitio para cada pinza.
Lay ~ on ~, tape at four places under the edge.
  Ponga ~ sobre ~ y una con cinta en cuatro sitios por debajo del borde.
One colour each; clip them on the edge of a box to dry.
  Un color cada una; déjelas secar en el borde de una caja.
Open each once. Throw away any that is split or whose spring sits loose; the weakest come first.
  Abra cada una una vez. Tire las que estén rajadas o con el muelle suelto; las más flojas van primero.
“The gulls come home: who sits where on the harbour wall?”
  «Las gaviotas vuelven a casa: ¿quién se sienta dónde en el muelle?»
“You painted these pegs. Which is first?”
  «Estas pinzas las pintaste tú. ¿Cuál va primero?»
Do thumb and first two fingers press, with the wrist up, and does the other hand hold the rim?
  ¿Aprietan el pulgar y los dos primeros dedos, con la muñeca hacia arriba, y sujeta la otra mano el borde?
A short row, one colour, on an edge that an adult holds.
  Una fila corta, un solo color, en un borde que sujeta un adulto.
Two colours in turn; then counting.
  Dos colores alternados; después contar.
The rim clamped so that it stands out over the table; pegs lie in a bowl on the side of the hand that works.
  El borde sujeto de modo que sobresalga de la mesa; las pinzas en un cuenco al lado de la mano que trabaja.
A short row
  Una fila corta
All round
  Todo alrededor
Close
  Juntas
Counting
  Contando
Mixed count
  Números mezclados
Take off
  Quitar
thumb and two fingers of the other hand
  pulgar y dos dedos de la otra mano
thumb and two fingers, pressed
  pulgar y dos dedos, apretando
Clips pegs on a rim, freely, in a pattern or by number
  Poner pinzas en un borde, libremente, siguiendo un patrón o por número
Every peg bites and stays when the rim is lifted, and the colours are enough for the pattern.
  Cada pinza muerde y se queda al levantar el borde, y hay colores suficientes para el patrón.
Counting, rims mixed; then with the other hand.
  Contar, con los bordes mezclados; después con la otra mano.
Three colours
  Tres colores
`);
