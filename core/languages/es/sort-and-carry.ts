import { phrases } from '../phrases.ts';

/** The words of sort and carry in Spanish. */
export const sortAndCarry = phrases(`
Carry one to each cup
  Lleve una pieza a cada vaso
Count # cups, # pieces in, label and bag
  Cuente # vasos y # piezas, etiquete y guarde
Print and fold # cards
  Imprima y doble # tarjetas
Cut along the lines, fold, stand one behind each cup; no card hides another.
  Corte por las líneas, doble y ponga una de pie detrás de cada vaso; ninguna tarjeta tapa a otra.
~ goes in without a push; the bowl stands nearest to the child.
  ~ entra sin empujar; el cuenco queda lo más cerca del niño.
“The ferry calls: which landing stage does this one go to?”
  «Llega el barco: ¿a qué muelle va este?»
“You folded these cards. Where does this one belong?”
  «Estas tarjetas las doblaste tú. ¿Dónde va este?»
Does the eye go to the card before the hand leaves the bowl, and does the tool stay closed on the way?
  ¿Mira la tarjeta antes de que la mano deje el cuenco, y sigue cerrada la herramienta por el camino?
Two cups, large pieces, fingers; no call.
  Dos vasos, piezas grandes, con los dedos; sin decir cuál.
More cups, called out; then two bowls and turns.
  Más vasos, diciendo cuál; después dos cuencos y turnos.
More cups, then tongs.
  Más vasos, después pinzas de cocina.
The tray on a non-slip mat, the bowl on the side of the hand that works. Left-handed: the cups to its right.
  La bandeja sobre una base antideslizante, el cuenco al lado de la mano que trabaja. Con la izquierda: los vasos a su derecha.
# cups
  # vasos
Three cups
  Tres vasos
Two cups
  Dos vasos
With a spoon
  Con cuchara
With tongs
  Con pinzas de cocina
whole hand, level
  toda la mano, nivelada
Carries pieces to the cup they belong in
  Llevar piezas al vaso que les toca
With tweezers
  Con pinzas finas
`);
