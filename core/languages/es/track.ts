import { phrases } from '../phrases.ts';

/** The words of track in Spanish. */
export const track = phrases(`
Count # board and what runs in, label and bag
  Cuente # tablero y lo que rueda, etiquete y guarde
Cut # pieces
  Corte # trozos
Draw the course on the board
  Dibuje el recorrido en el tablero
Run it once
  Recórralo una vez
Tape the barriers down, # bits of tape
  Pegue las barreras con # trozos de cinta
Each piece with two bits, torn by the child, end to end along the line. When it tires, tape two pieces together first.
  Cada pieza con dos trozos que rasga el niño, una tras otra por la línea. Cuando se canse, una antes dos piezas con cinta.
It must not catch on any joint: press down, trim what stands up.
  No debe engancharse en ninguna junta: apriete y recorte lo que sobresalga.
Lay the printed pages on it, prick through or trace both lines.
  Ponga encima las hojas impresas y pinche o calque las dos líneas.
Several at once against a ruler; two lengths, kept apart.
  Varias a la vez contra una regla; dos largos, por separado.
“The boat goes round the island and touches no bank.”
  «El barco da la vuelta a la isla y no toca la orilla.»
“Your harbour: where does the boat go first?”
  «Tu puerto: ¿adónde va primero el barco?»
Does the wrist turn in the bend, or does the whole body? Does the other hand hold the board?
  ¿Gira la muñeca en la curva, o todo el cuerpo? ¿Sujeta la otra mano el tablero?
A wider lane, fewer bends; drive it with the whole hand.
  Un carril más ancho, menos curvas; conducir con toda la mano.
A narrower lane, the other hand, the other way round; then one finger on a ball of dough.
  Un carril más estrecho, la otra mano, en sentido contrario; después un dedo sobre una bola de masa.
The board clamped, the start on the side of the hand that works. Left-handed: the other way round.
  El tablero sujeto, la salida al lado de la mano que trabaja. Con la izquierda: en sentido contrario.
Drive it round once, slowly, and say where it is.
  Dé una vuelta despacio y diga dónde está.
From start to finish, touching nothing.
  De la salida a la meta, sin tocar nada.
How many laps in half a minute? Count aloud.
  ¿Cuántas vueltas en medio minuto? Cuente en voz alta.
One finger only, and park it.
  Con un solo dedo, y aparcar.
Roll it home with one finger.
  Hágalo rodar a casa con un dedo.
The other hand.
  La otra mano.
There and back against the sand-glass.
  Ida y vuelta contra el reloj de arena.
Three laps, touching nothing.
  Tres vueltas sin tocar nada.
Narrow lane
  Carril estrecho
Pushed
  Empujado
Rolled
  Rodado
Usual lane
  Carril normal
Wide lane
  Carril ancho
one finger behind it
  un dedo por detrás
one fingertip on a ball of dough
  la yema de un dedo sobre una bola de masa
whole hand from above
  toda la mano desde arriba
Steers something through a lane between two barriers
  Conducir algo por un carril entre dos barreras
Cut # strips and roll them
  Corte # tiras y enróllelas
Roll each round a pencil, tape it, pull the pencil out.
  Enrolle cada una en un lápiz, péguela con cinta y saque el lápiz.
Press the cord along the line, a bit of tape across it at every hand’s width.
  Apriete el cordón sobre la línea, con un trozo de cinta cruzado cada palmo.
Inner barrier piece
  Pieza de la barrera interior
Outer barrier piece
  Pieza de la barrera exterior
`);
