import { phrases } from '../phrases.ts';

/** The words of drop through in Spanish. */
export const dropThrough = phrases(`
Cut along the drawn circle, a little at a time
  Corte por el círculo dibujado, poco a poco
Cut along the drawn line, from the middle out
  Corte por la línea dibujada, del centro hacia fuera
Draw the hole on the lid
  Dibuje el agujero en la tapa
Draw the slot on the lid
  Dibuje la ranura en la tapa
Draw the star on the lid
  Dibuje la estrella en la tapa
Post every piece once
  Meta cada pieza una vez
Rub down and tape the edge
  Lije el borde y cúbralo con cinta
Stickers round the tub
  Pegatinas alrededor del bote
Take out the liners
  Saque las láminas del interior de los tapones
Tape the mouth: # strips of # mm
  Cubra la boca con cinta: # tiras de # mm
Cut the printed template out, centre it on the lid, draw round the opening with a marker.
  Recorte la plantilla impresa, céntrela en la tapa y dibuje el contorno con un rotulador.
Each piece goes in and drops. Shake: none comes out again, none jams.
  Cada pieza entra y cae. Agite: ninguna sale, ninguna se atasca.
Fine sandpaper round the cut, then feel it with a fingertip. Tape over it where it still catches.
  Lija fina alrededor del corte; después pase la yema del dedo. Ponga cinta donde todavía raspe.
From the rim inwards, a slit stays open in the middle; press each end down the side. A second strip, sticky side to sticky side, keeps pieces from sticking.
  Del borde hacia dentro, queda abierta una ranura en el centro; apriete cada extremo contra el lado. Una segunda tira, pegamento contra pegamento, evita que las piezas se queden pegadas.
From the rim inwards, a square stays open in the middle; press each end down the side. A second strip, sticky side to sticky side, keeps pieces from sticking.
  Del borde hacia dentro, queda abierto un cuadrado en el centro; apriete cada extremo contra el lado. Una segunda tira, pegamento contra pegamento, evita que las piezas se queden pegadas.
Lid of ~ face down on the board. Short strokes; turn the lid, not the hand. The piece should drop through without a push.
  La tapa de ~ boca abajo sobre la tabla. Cortes cortos; gire la tapa, no la mano. La pieza debe caer sin empujarla.
Lift each liner with the back of a spoon and throw it away: it is a small part of its own.
  Levante cada lámina con el mango de una cuchara y tírela: es una pieza pequeña por sí sola.
Peeling and pressing are the exercise: let the children choose where.
  Despegar y apretar es el ejercicio: deje que los niños elijan dónde.
“The tub is hungry: how many can it eat before the bell?”
  «El bote tiene hambre: ¿cuántas puede comer antes de la campana?»
“We made this one. Shall we see what it swallows?”
  «Este lo hicimos nosotros. ¿Vemos qué se traga?»
Does the hand turn the ~ before it reaches the opening, and do the fingers open to let go?
  ¿Gira la mano la pieza (~) antes de llegar a la abertura, y se abren los dedos para soltar?
Open it wider, or hold the tub steady for the child.
  Haga la abertura más ancha, o sujete el bote para el niño.
Take the tape off: the whole mouth is open.
  Quite la cinta: toda la boca queda abierta.
Move the tray to the other side, so that the arm crosses the middle.
  Ponga la bandeja al otro lado, para que el brazo cruce el centro del cuerpo.
Narrow it, turn it, then offer tongs.
  Hágala más estrecha, gírela, y después ofrezca pinzas de cocina.
The container on a non-slip mat or clamped to the table, its opening turned to the hand that works; pieces lie on that side.
  El recipiente sobre una base antideslizante o sujeto a la mesa, con la abertura hacia la mano que trabaja; las piezas quedan a ese lado.
Close slit
  Rendija justa
Close slot
  Ranura justa
Close, peg
  Justa, con pinza de ropa
Close, tongs
  Justa, con pinzas de cocina
Close, turned
  Justa y girada
Loose slot
  Ranura holgada
No tape
  Sin cinta
Slit, peg
  Rendija, con pinza de ropa
Slit, tongs
  Rendija, con pinzas de cocina
Square
  Cuadrado
Wide mouth
  Boca ancha
Wide slit
  Rendija ancha
whole hand on tongs
  toda la mano en las pinzas de cocina
Posts pieces through an opening
  Meter piezas por una abertura
Draw # openings on the lid
  Dibuje # aberturas en la tapa
Draw the square on the lid
  Dibuje el cuadrado en la tapa
Draw the cross on the lid
  Dibuje la cruz en la tapa
Draw the slit on the lid
  Dibuje la rendija en la tapa
Cut # openings, one after the other
  Corte # aberturas, una tras otra
Rub the cut edge down
  Lije el borde cortado
Tear # squares of # mm and roll them
  Rasgue # cuadrados de # mm y haga bolas
Cut # strips of # × # mm
  Corte # tiras de # × # mm
Roll each between the fingertips to a tight ball: this is half of the work of the hand.
  Haga rodar cada uno entre las yemas hasta una bola apretada: es la mitad del trabajo de la mano.
Scissors along the printed line; round the corners.
  Tijeras por la línea impresa; redondee las esquinas.
A smaller ball
  Una bola más pequeña
A shorter strip
  Una tira más corta
Snug, turned
  Ajustada y girada
Paper square
  Cuadrado de papel
Paper ball
  Bola de papel
Paper strip
  Tira de papel
As it is
  Como está
Open, tongs
  Abierta, con pinzas de cocina
Open, peg
  Abierta, con pinza de ropa
Loose hole
  Agujero holgado
Close hole
  Agujero justo
Snug hole
  Agujero muy justo
Strip of ~
  Tira de ~
`);
