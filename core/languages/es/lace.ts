import { phrases } from '../phrases.ts';

/** The words of lace in Spanish. */
export const lace = phrases(`
Count # card, # lace in, label and bag
  Cuente # tarjeta y # cordón, etiquete y guarde
Cut it out
  Recórtela
Draw the card
  Dibuje la tarjeta
Glue two boards together
  Pegue dos cartones uno sobre otro
Laminate it
  Plastifíquela
Punch # double holes
  Haga # agujeros dobles
Punch # holes
  Haga # agujeros
Tie the lace on
  Ate el cordón
Knot one end through the first hole from behind, pull hard once. Wrap tape round a tip that frays.
  Pase un extremo por el primer agujero desde atrás, haga un nudo y tire fuerte una vez. Ponga cinta en la punta si se deshilacha.
Once through the laminator, then let it cool flat.
  Una vez por la plastificadora; después deje que se enfríe en plano.
One punch on each mark; turn the punch over to see the mark.
  Un golpe de perforadora en cada marca; ponga la perforadora boca arriba para ver la marca.
Print outwards on neither side; press flat under books.
  Lo impreso no queda por fuera en ningún lado; deje en plano debajo de unos libros.
Print the template, lay it on the board and draw round it; mark the middle of each hole.
  Imprima la plantilla, póngala sobre el cartón y dibuje el contorno; marque el centro de cada agujero.
Punch, move along by half a hole, punch again.
  Perfore, corra medio agujero, perfore otra vez.
Scissors along the line; turn the card, not the scissors. Round any sharp corner.
  Tijeras por la línea; gire la tarjeta, no las tijeras. Redondee las esquinas afiladas.
“The mouse goes down the hole. Where does she come up?”
  «El ratón baja por el agujero. ¿Por dónde sale?»
“You glued this one. Shall we sew round it?”
  «Esta la pegaste tú. ¿La cosemos alrededor?»
Do the hands take turns, one holding the card, one pulling over the edge?
  ¿Se turnan las manos, una sujeta la tarjeta y la otra tira por encima del borde?
Do the hands take turns, one holding the card, one pulling, and is the card turned over each time?
  ¿Se turnan las manos, una sujeta la tarjeta y la otra tira, y se gira la tarjeta cada vez?
Hold the card for the child; a thicker tip, fewer holes, double punched.
  Sujete la tarjeta para el niño; una punta más gruesa, menos agujeros, agujeros dobles.
Twice the holes on the same outline.
  El doble de agujeros en el mismo contorno.
Twice the holes, then whip over the edge.
  El doble de agujeros, y después coser por encima del borde.
The card upright in a clamp; the lace begins at the corner farthest from the hand that works. Left-handed: from right to left.
  La tarjeta de pie en una pinza; el cordón empieza en la esquina más lejana de la mano que trabaja. Con la izquierda: de derecha a izquierda.
Close holes, thick tip
  Agujeros juntos, punta gruesa
Cross stitch
  Punto de cruz
Double holes
  Agujeros dobles
Few, thick tip
  Pocos, punta gruesa
Single holes
  Agujeros sencillos
Whip stitch
  Por encima del borde
fist or fingers on a thick tip
  puño o dedos en una punta gruesa
one hand turns the card
  una mano gira la tarjeta
Threads a lace through the holes of a card
  Pasar un cordón por los agujeros de una tarjeta
Lacing card
  Tarjeta para coser
`);
