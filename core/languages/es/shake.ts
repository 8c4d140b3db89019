import { phrases } from '../phrases.ts';

/** The words of shake in Spanish. */
export const shake = phrases(`
Close it
  Ciérrelo
Close the rim but for its mouth
  Cierre el borde menos la boca
Count # shaker in, label and bag
  Cuente # sonajero, etiquete y guarde
Pull at the seal and shake it hard
  Tire del cierre y agítelo fuerte
Put about # in
  Meta unas # piezas
Stickers and tissue on the outside
  Pegatinas y papel de seda por fuera
Before it is filled, while it lies flat.
  Antes de llenarlo, mientras está en plano.
From a small cup, over a tray.
  Desde un vaso pequeño, sobre una bandeja.
One at a time, finger and thumb.
  De una en una, con índice y pulgar.
Over a tray, with a strong pull for # s all round; write the day on it.
  Sobre una bandeja, tirando fuerte # s por todo el borde; escriba el día.
Rim to rim, staples # mm in, # mm left open.
  Borde con borde, grapas a # mm del borde, # mm sin cerrar.
Rim to rim, the tape half on each, # mm left open.
  Borde con borde, media cinta en cada uno, # mm sin cerrar.
The last staples, points folded in, then tape over all of them.
  Las últimas grapas, con las puntas dobladas, y después cinta sobre todas.
The tape over the mouth too, one end over the other.
  La cinta también sobre la boca, un extremo sobre el otro.
Three in the hand; one at a time comes to the fingertips, the others stay.
  Tres en la mano; de una en una llegan a las yemas, las otras se quedan.
“Listen: rain on the boat, then waves. Can you make small rain?”
  «Escucha: lluvia en el barco, después olas. ¿Puedes hacer lluvia fina?»
“You made it. What does it sound like?”
  «Lo hiciste tú. ¿Cómo suena?»
Does the wrist turn, or the whole arm? Can it stop when you stop?
  ¿Gira la muñeca, o todo el brazo? ¿Puede parar cuando usted para?
Both hands on it; fast and loud.
  Con las dos manos; fuerte y rápido.
One hand, then the other; four slow, four fast; so softly that nothing is heard.
  Una mano, después la otra; cuatro despacio, cuatro deprisa; tan suave que no se oiga nada.
A loop of tape to slip the hand into; it stands in a cup while it is filled.
  Un lazo de cinta para meter la mano; se apoya en un vaso mientras se llena.
As you like: loud and fast, both hands.
  Como quieras: fuerte y rápido, con las dos manos.
One hand, then the other, across to the other side.
  Una mano, después la otra, cruzando al otro lado.
Shake it out of sight, then show it. Whose turn?
  Agítelo sin que se vea y después muéstrelo. ¿A quién le toca?
So softly that nothing is heard; set it down.
  Tan suave que no se oiga nada; déjelo en la mesa.
Stop when I stop. Three times.
  Para cuando yo pare. Tres veces.
From the hand
  Desde la mano
Hand, narrow
  Desde la mano, estrecha
Narrow
  Estrecha
One by one
  De una en una
Poured
  Vertidas
from palm to fingertips
  de la palma a las yemas
whole hand round a cup
  toda la mano alrededor de un vaso
Fills it piece by piece, then shakes it fast, slowly and softly
  Llenarlo pieza a pieza y después agitarlo deprisa, despacio y suave
Fold the square over the end, press it smooth all round, two bands over it.
  Doble el cuadrado sobre el extremo, alíselo por todo el borde y ponga dos gomas.
Take the label off and dry the inside
  Quite la etiqueta y seque el interior
Warm water, then upside down over night: what is damp inside goes mouldy.
  Agua tibia, y después boca abajo toda la noche: lo que queda húmedo dentro cría moho.
Glue the lid on
  Pegue la tapa
The other cap, two bands.
  La otra tapa, dos gomas.
Glue in the thread of the lid, screw it tight; it is opened no more.
  Pegamento en la rosca de la tapa; enrósquela fuerte y no se abre más.
Cap one end
  Cierre un extremo
The other cap, two bands, then tape over both bands all round.
  La otra tapa, dos gomas, y cinta por encima de las dos todo alrededor.
`);
