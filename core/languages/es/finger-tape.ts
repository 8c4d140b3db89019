import { phrases } from '../phrases.ts';

/** The words of finger tape in Spanish. */
export const fingerTape = phrases(`
A hole of # mm to post through
  Un agujero de # mm para meter
Count # papers and the roll in, label and bag
  Cuente # papeles y el rollo, etiquete y guarde
Halve the paper # times
  Parta el papel por la mitad # veces
Tear a strip of # mm
  Rasgue una tira de # mm
Tear strips for # fingers of # mm
  Rasgue tiras para # dedos de # mm
Fold, cut along the fold, lay on each other, and again: each time all at once.
  Doble, corte por el doblez, ponga uno sobre otro, y otra vez: cada vez todos juntos.
Pierce it with a bradawl and turn a pencil in it; a sip lid has one.
  Perfórelo con un punzón y gire un lápiz dentro; una tapa para beber ya tiene uno.
Stick them to the table’s edge by a corner.
  Péguelas por una esquina al borde de la mesa.
Tear it in half lengthways: two fingers from one length. Stick them to the table’s edge by a corner.
  Rásguela por la mitad a lo largo: dos dedos de un solo largo. Péguelas por una esquina al borde de la mesa.
“This finger is a crab. What does it catch?”
  «Este dedo es un cangrejo. ¿Qué atrapa?»
“You tore it. Which finger wears it?”
  «La rasgaste tú. ¿Qué dedo se la pone?»
Do finger and thumb of the other hand peel, or does the hand shake it off? Does only the one finger point?
  ¿Despegan el índice y el pulgar de la otra mano, o se sacude la mano? ¿Señala solo ese dedo?
Larger pieces, one finger, peeled off by you.
  Trozos más grandes, un dedo, lo despega usted.
Two fingers, two colours, smaller pieces; rolled to a ball before it is posted.
  Dos dedos, dos colores, trozos más pequeños; hacer una bola antes de meterlo.
Somebody else puts the tape on; it is peeled off against the edge of the table.
  Otra persona pone la cinta; se despega contra el borde de la mesa.
As fast as it is called: “first!”, “second!”
  Tan rápido como se dice: «¡primero!», «¡segundo!»
How many at once? Count them, peel them, slide the tape off.
  ¿Cuántos a la vez? Contarlos, despegarlos y sacar la cinta deslizándola.
One finger for the left heap, one for the right.
  Un dedo para el montón de la izquierda, otro para el de la derecha.
Tape on one finger, sticky side out. Pick up, peel off, lay down.
  Cinta en un dedo, con el pegamento hacia fuera. Coger, despegar, dejar.
The finger next to it. Pick up with each in turn.
  El dedo de al lado. Coger con uno y con otro por turnos.
As called
  Según se dice
Most at once
  Los más posibles a la vez
One finger
  Un dedo
Two fingers
  Dos dedos
one finger points
  señala un dedo
pad to pad
  yema con yema
two fingers in turn
  dos dedos por turnos
Picks paper up with a taped finger, peels it off, rolls it and posts it
  Coger papel con un dedo con cinta, despegarlo, hacer una bola y meterla
Take it off at once when the finger pales, reddens or hurts. Never tight, never on broken or sensitive skin; slide it off, do not unwind it.
  Quítela enseguida si el dedo palidece, enrojece o duele. Nunca apretada, nunca sobre piel herida o sensible; sáquela deslizándola, sin desenrollar.
~ Before the call the family lays out: a roll of white tape, paper of a strong colour, scissors, a plain dark table.
  ~ Antes de la llamada la familia prepara: un rollo de cinta blanca, papel de un color vivo, tijeras, una mesa oscura y lisa.
~ Before the call the family lays out: a roll of white tape, paper of a strong colour, scissors, a cup with a lid that has a hole, a plain dark table.
  ~ Antes de la llamada la familia prepara: un rollo de cinta blanca, papel de un color vivo, tijeras, un vaso con una tapa con agujero, una mesa oscura y lisa.
~ Before the call the family lays out: a roll of white tape, papers of two strong colours, scissors, a plain dark table.
  ~ Antes de la llamada la familia prepara: un rollo de cinta blanca, papeles de dos colores vivos, tijeras, una mesa oscura y lisa.
~ Before the call the family lays out: a roll of white tape, papers of two strong colours, scissors, a cup with a lid that has a hole, a plain dark table.
  ~ Antes de la llamada la familia prepara: un rollo de cinta blanca, papeles de dos colores vivos, tijeras, un vaso con una tapa con agujero, una mesa oscura y lisa.
A colour for each finger.
  Un color para cada dedo.
Paper piece
  Trozo de papel
`);
