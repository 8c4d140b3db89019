import { phrases } from '../phrases.ts';

/** The words of dot mat in Spanish. */
export const dotMat = phrases(`
Colour round the outline
  Coloree alrededor del contorno
Count # page in, label and bag
  Cuente # hoja, etiquete y guarde
Count # page, # pieces in, label and bag
  Cuente # hoja y # piezas, etiquete y guarde
Count # pages in, label and bag
  Cuente # hojas, etiquete y guarde
Fill the dots
  Rellene los puntos
Print # pages
  Imprima # hojas
Print the page
  Imprima la hoja
Crayons outside the dots, before it is laminated.
  Ceras fuera de los puntos, antes de plastificar.
Dabbing or peeling each one is the exercise; let it dry flat.
  Pintar o despegar cada uno es el ejercicio; deje secar en plano.
Every dot has its piece; lean the tray as it will stand.
  Cada punto tiene su pieza; incline la bandeja como va a estar.
On card; check the # mm bar before the rest are printed.
  En cartulina; compruebe la barra de # mm antes de imprimir el resto.
On plain paper or card, so that paint soaks in and stickers hold; one for each child.
  En papel corriente o cartulina, para que la pintura se absorba y las pegatinas se peguen; una para cada niño.
Once through the laminator; let it cool flat.
  Una vez por la plastificadora; deje que se enfríe en plano.
One dot done, so that it can be shown.
  Un punto ya hecho, para poder mostrarlo.
“Every window of the ship wants a face. Which is next?”
  «Cada ventana del barco quiere una cara. ¿Cuál sigue?»
“Your page: which dot first?”
  «Tu hoja: ¿qué punto primero?»
Do finger and thumb set the piece down without sweeping the next one off?
  ¿Dejan el índice y el pulgar la pieza sin barrer la de al lado?
Fewer, larger dots, far apart; all of one colour.
  Menos puntos, más grandes y separados; todos de un color.
More dots, closer; then colours by key.
  Más puntos, más juntos; después colores según una clave.
The page taped at its corners, the pieces on the side of the hand that works.
  La hoja pegada por las esquinas, las piezas al lado de la mano que trabaja.
Close dots
  Puntos juntos
Few, large dots
  Pocos puntos grandes
More dots
  Más puntos
Touching dots
  Puntos que se tocan
brush or fingertip
  pincel o yema del dedo
Sets a piece, a sticker or a dab of paint on every dot of a picture
  Poner una pieza, una pegatina o una gota de pintura en cada punto de una imagen
Closer; then tongs, then the tray leaning.
  Más juntos; después pinzas de cocina, después la bandeja inclinada.
Laminate
  Funda de plastificar
`);
