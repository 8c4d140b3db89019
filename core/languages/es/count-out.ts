import { phrases } from '../phrases.ts';

/** The words of count out in Spanish. */
export const countOut = phrases(`
Count # cards, # tokens in, label and bag
  Cuente # tarjetas y # fichas, etiquete y guarde
Count # cards, # tokens, # sticks in, label and bag
  Cuente # tarjetas, # fichas y # palitos, etiquete y guarde
Cut out # cards
  Recorte # tarjetas
Lay it out once
  Colóquelo todo una vez
Print or write # cards
  Imprima o escriba # tarjetas
Tape # sticks to write on
  Cubra con cinta # palitos para escribir en ellos
Clear tape all round each stick: a dry-wipe pen comes off with a finger.
  Cinta transparente alrededor de cada palito: el rotulador de pizarra se borra con un dedo.
Every spot has its token, and none is left over.
  Cada punto tiene su ficha, y no sobra ninguna.
Every spot has its token.
  Cada punto tiene su ficha.
Print the sheets on card, or write the numerals large with a thick pen.
  Imprima las hojas en cartulina, o escriba los números grandes con un rotulador grueso.
Scissors along the lines; round the corners a little.
  Tijeras por las líneas; redondee un poco las esquinas.
“Throw: how many fish does the boat bring?”
  «Tira el dado: ¿cuántos peces trae el barco?»
“You wrote these numbers. How many go on this one?”
  «Estos números los escribiste tú. ¿Cuántas van en este?»
Is one token touched for each word, and does the hand place it without moving the others?
  ¿Toca una ficha por cada palabra, y la coloca la mano sin mover las demás?
Spots to lay on, up to #, one card at a time.
  Puntos donde colocar, hasta #, una tarjeta cada vez.
All cards at once, in any order; then add two.
  Todas las tarjetas a la vez, en cualquier orden; después sumar dos.
Numerals alone; then all cards at once.
  Solo los números; después todas las tarjetas a la vez.
Cards taped down or in a rack, tokens in a shallow bowl on a non-slip mat. Left-handed: the bowl at the left.
  Las tarjetas pegadas con cinta o en un soporte, las fichas en un cuenco bajo sobre una base antideslizante. Con la izquierda: el cuenco a la izquierda.
All at once
  Todas a la vez
All, on spots
  Todas, sobre puntos
Numerals alone
  Solo los números
To #, on spots
  Hasta #, sobre puntos
Counts tokens out onto cards
  Contar fichas sobre tarjetas
Card
  Tarjeta
`);
