import { phrases } from '../phrases.ts';

/** The words of pull out in Spanish. */
export const pullOut = phrases(`
Colour the pieces
  Coloree las piezas
Cut # slits of # mm
  Corte # ranuras de # mm
Make # holes of # mm
  Haga # agujeros de # mm
Mark # holes on the top
  Marque # agujeros arriba
Mark # slits on the top
  Marque # ranuras arriba
Put each in and turn the box over
  Ponga cada una y dé la vuelta a la caja
Dip an end of each in thinned paint or squeezed juice; lay them out to dry.
  Moje una punta de cada una en pintura aguada o zumo; déjelas secar extendidas.
Every piece stands and comes out with one pull. ~ keeps its lid on.
  Cada pieza se tiene de pie y sale con un tirón. La tapa de ~ no se cae.
Every piece stays and comes out with one pull. ~ keeps its lid on.
  Cada pieza se queda y sale con un tirón. La tapa de ~ no se cae.
Lay the template on the top, prick through both ends of each line.
  Ponga la plantilla arriba y pinche los dos extremos de cada línea.
One stroke each, no wider than the blade: what is cut twice no longer grips.
  Un solo corte cada una, no más ancho que la hoja: lo que se corta dos veces ya no agarra.
Push the bradawl through into a piece of cork, then widen each with a round pencil.
  Empuje el punzón contra un trozo de corcho; después ensanche cada agujero con un lápiz redondo.
“The hedgehog wants his prickles out. Who pulls the last one?”
  «El erizo quiere quitarse las púas. ¿Quién saca la última?»
“You coloured these. Shall we pull them all?”
  «Estas las coloreaste tú. ¿Las sacamos todas?»
Does the other hand hold the box, and do thumb and finger close on one and leave the next?
  ¿Sujeta la otra mano la caja, y cogen pulgar e índice una sola y dejan la siguiente?
Let them stand out more, or lengthen the slits a little.
  Deje que sobresalgan más, o alargue un poco las ranuras.
Shorter ends, then a peg to pull with.
  Puntas más cortas, y después una pinza de ropa para tirar.
Two tools, one in each hand; or two children in turn.
  Dos herramientas, una en cada mano; o dos niños por turnos.
The box clamped or on a non-slip mat, pieces pulled towards the body.
  La caja sujeta o sobre una base antideslizante; se tira de las piezas hacia el cuerpo.
High
  Altas
Low
  Bajas
Out and in
  Sacar y meter
Tight slit
  Ranura justa
Tweezers
  Pinzas finas
With a peg
  Con pinza de ropa
finger and thumb on a peg
  pulgar e índice en una pinza de ropa
peg turned round
  pinza de ropa al revés
Pulls sticks, stems or scarves out of a box, and puts them back
  Sacar palitos, tallos o pañuelos de una caja y volver a meterlos
Tie the scarves end to end
  Ate los pañuelos uno tras otro
Reef knots, pulled tight; the last one stays fixed to the bottom of the box.
  Nudos llanos bien apretados; el último queda fijo al fondo de la caja.
Turn over the wire ends
  Doble las puntas de alambre
Bend # mm of each end back on itself with pliers and press it flat: no wire end is left to feel.
  Doble # mm de cada punta sobre sí misma con alicates y apriétela: no debe notarse ninguna punta.
One ball, softer, or a whisk with its wires farther apart.
  Una bola más blanda, o unas varillas más separadas.
Push # balls in between the wires
  Meta # bolas entre las varillas
None falls out when it is shaken; each comes out with one squeeze. Feel along every wire: none is loose or broken.
  Ninguna se cae al agitar; cada una sale apretando una vez. Pase el dedo por cada varilla: ninguna está suelta ni rota.
Wide apart
  Muy separadas
Close wires
  Varillas juntas
a hole on top
  un agujero arriba
between two wires
  entre dos varillas
`);
