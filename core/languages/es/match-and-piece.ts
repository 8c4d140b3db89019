import { phrases } from '../phrases.ts';

/** The words of match and piece in Spanish. */
export const matchAndPiece = phrases(`
Colour # sticks
  Coloree # palitos
Colour them in
  Coloréelas
Count # board and # insets in, label and bag
  Cuente # tablero y # piezas encajables, etiquete y guarde
Count # cards and # sticks in, label and bag
  Cuente # tarjetas y # palitos, etiquete y guarde
Count # cards in, label and bag
  Cuente # tarjetas, etiquete y guarde
Count # halves in, label and bag
  Cuente # mitades, etiquete y guarde
Count # things in, label and bag
  Cuente # cosas, etiquete y guarde
Cut # cards out
  Recorte # tarjetas
Cut # holes and their insets
  Corte # huecos y sus piezas encajables
Cut each card in half along its line
  Corte cada tarjeta por la mitad siguiendo la línea
Cut each card in half along its step
  Corte cada tarjeta por la mitad siguiendo el escalón
Cut each card in half along its wave
  Corte cada tarjeta por la mitad siguiendo la onda
Cut each card in half along its zigzag
  Corte cada tarjeta por la mitad siguiendo el zigzag
Glue # knobs on
  Pegue # botones de agarre
Laminate # cards
  Plastifique # tarjetas
Print # cards
  Imprima # tarjetas
Print the board and its insets
  Imprima el tablero y sus piezas encajables
Put # things in order once
  Ponga # cosas en orden una vez
# mm left all round each when they are cut apart; round the corners.
  Deje # mm alrededor de cada una al separarlas; redondee las esquinas.
Along the lines, corners a little round.
  Por las líneas, con las esquinas un poco redondas.
At true size: measure the # mm bar, then print on the card or glue the print on.
  A tamaño real: mida la barra de # mm y después imprima en el cartón o pegue lo impreso.
Glue the print on the board, cut along the lines with a knife on a cutting board, sand the edges.
  Pegue lo impreso en el tablero, corte por las líneas con un cúter sobre una tabla de corte y lije los bordes.
In the middle of each inset; pull at each when it is dry.
  En el centro de cada pieza; tire de cada uno cuando esté seco.
One colour for each pair, so that the two belong together.
  Un color para cada pareja, para que se vea que van juntas.
One cut, no second try: each line is its own.
  Un solo corte, sin segundo intento: cada línea es única.
One in the colour of each card; let them dry apart.
  Uno del color de cada tarjeta; déjelos secar separados.
Say the words with it: heavy, heavier, heaviest.
  Diga las palabras al hacerlo: pesado, más pesado, el más pesado.
Say the words with it: long, longer, longest.
  Diga las palabras al hacerlo: largo, más largo, el más largo.
Say the words with it: thick, thicker, thickest.
  Diga las palabras al hacerlo: grueso, más grueso, el más grueso.
Say the words with it: wide, wider, widest.
  Diga las palabras al hacerlo: ancho, más ancho, el más ancho.
“This boat has lost its other half. Where is it?”
  «Este barco ha perdido su otra mitad. ¿Dónde está?»
“Which is the heaviest? And which comes next to it?”
  «¿Cuál es el que más pesa? ¿Y cuál va después?»
“Which is the longest? And which comes next to it?”
  «¿Cuál es el más largo? ¿Y cuál va después?»
“Which is the thickest? And which comes next to it?”
  «¿Cuál es el más grueso? ¿Y cuál va después?»
“Which is the widest? And which comes next to it?”
  «¿Cuál es el más ancho? ¿Y cuál va después?»
“You made these. Which two belong together?”
  «Las hiciste tú. ¿Qué dos van juntas?»
Are two held side by side before one is put down?
  ¿Pone dos una al lado de otra antes de dejar una?
Is each one looked at before the hand takes it, and set down edge to edge?
  ¿Mira cada una antes de que la mano la coja, y la deja borde con borde?
Is the edge felt before it is set down, and is it turned in the fingers rather than pushed?
  ¿Toca el borde antes de dejarla, y la gira con los dedos en vez de empujar?
Fewer shown at once; the first one of each laid out already.
  Menos a la vez; la primera de cada una ya colocada.
Three, far apart in size.
  Tres, de tamaños muy distintos.
Five, nearer in size; then by feel alone.
  Cinco, de tamaños más parecidos; después solo con el tacto.
More holes, less room, eyes closed.
  Más huecos, menos holgura, con los ojos cerrados.
More shown at once, cuts more alike, the picture face down.
  Más a la vez, cortes más parecidos, la imagen boca abajo.
More shown at once; a word in place of the picture; face down, two at a time.
  Más a la vez; una palabra en lugar de la imagen; boca abajo, de dos en dos.
The board clamped, the cards on a non-slip mat; a knob that the whole hand closes on.
  El tablero sujeto, las tarjetas sobre una base antideslizante; un botón de agarre que cabe en toda la mano.
# things
  # cosas
Eight cards
  Ocho tarjetas
Eight shown
  Ocho a la vez
Four cards
  Cuatro tarjetas
Four shown
  Cuatro a la vez
Four, close
  Cuatro, ajustadas
Four, with room
  Cuatro, con holgura
In steps
  En escalones
Other half
  La otra mitad
Six cards
  Seis tarjetas
Six shown
  Seis a la vez
Six, close
  Seis, ajustadas
Six, snug
  Seis, muy ajustadas
Small cards
  Tarjetas pequeñas
Two cards
  Dos tarjetas
Two shown
  Dos a la vez
Two, with room
  Dos, con holgura
Finds what belongs together and puts it in its place
  Encontrar lo que va junto y ponerlo en su sitio
Board
  Tablero
Inset, ~
  Pieza encajable: ~
boat
  barco
circle
  círculo
drop
  gota
fish
  pez
heart
  corazón
house
  casa
leaf
  hoja
square
  cuadrado
star
  estrella
triangle
  triángulo
Half of a card
  Mitad de tarjeta
`);
