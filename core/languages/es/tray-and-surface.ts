import { phrases } from '../phrases.ts';

/** The words of tray and surface in Spanish. */
export const trayAndSurface = phrases(`
Clean up
  Recoger
Count what is kept in, label and bag
  Cuente lo que se guarda, etiquete y guarde
Fill the tray # mm deep
  Llene la bandeja hasta # mm
Lay the foil and tape it all round
  Extienda el papel de aluminio y péguelo por todo el borde
Mix # parts of flour, # of salt and # of water
  Mezcle # partes de harina, # de sal y # de agua
Set out paper, paint and brushes
  Prepare papel, pintura y pinceles
Tape # things to the wall
  Pegue # cosas en la pared
Tape a circle on the floor
  Pegue un círculo de cinta en el suelo
Tape a hexagon on the floor
  Pegue un hexágono de cinta en el suelo
Tape a square on the floor
  Pegue un cuadrado de cinta en el suelo
Tape a triangle on the floor
  Pegue un triángulo de cinta en el suelo
A string from the middle gives each corner; straight strips from one to the next, pressed down.
  Una cuerda desde el centro da cada esquina; tiras rectas de una a otra, bien apretadas.
Back into its tub; scrape the table, wash hands.
  De vuelta a su bote; raspe la mesa y lávense las manos.
Corners first, then strips between them, pressed down so that no edge stands up.
  Primero las esquinas, después tiras entre ellas, bien apretadas para que ningún borde se levante.
Crush it to balls as it comes off: the children’s part; count no bit left on the floor.
  Hacer bolas según se despega es la parte de los niños; compruebe que no queda ningún trozo en el suelo.
Each strip # mm over the one before; tape along every joint and edge, nothing loose to trip over.
  Cada tira monta # mm sobre la anterior; cinta en cada junta y cada borde, nada suelto con que tropezar.
Hands washed; smooth it with a spoon. Write the hour on it: after ~ it is thrown away.
  Manos lavadas; alise con una cuchara. Escriba la hora: después de ~ se tira.
Only ~: they stay bright when they run together. A little paint in a flat lid.
  Solo ~: siguen vivos cuando se mezclan. Un poco de pintura en una tapa plana.
Peel the tape off, roll it to a ball: the children’s part.
  Despegar la cinta y hacer una bola es la parte de los niños.
Rinse brushes and lids, hang the paper up to dry, wipe the table.
  Enjuague pinceles y tapas, cuelgue el papel para que se seque y limpie la mesa.
Salt into the water first, then the flour; knead until it leaves the hands. In a closed tub it keeps a week in the cold.
  Primero la sal en el agua, después la harina; amase hasta que no se pegue a las manos. En un bote cerrado dura una semana en frío.
Take all of it down: peeling is part of it. Count the things back.
  Quítelo todo: despegar es parte del juego. Cuente las cosas al guardarlas.
Throw away what is left, wash the tray and the table, hands too.
  Tire lo que queda, lave la bandeja y la mesa, y también las manos.
“A sea snake, as long as your arm?”
  «¿Una serpiente de mar, tan larga como tu brazo?»
“Ice on the pier: hear it crackle?”
  «Hielo en el muelle: ¿oyes cómo cruje?»
“The shells climb up the harbour wall. Which can you pick?”
  «Las conchas suben por la pared del puerto. ¿Cuál alcanzas?»
“This is the boat. Who is aboard?”
  «Esto es el barco. ¿Quién va a bordo?»
“Waves on the beach: can your finger make one?”
  «Olas en la playa: ¿puede hacer una tu dedo?»
“What does a cork paint? What does a feather?”
  «¿Qué pinta un corcho? ¿Y una pluma?»
“You mixed it and laid it out. What comes first?”
  «Tú lo mezclaste y lo preparaste. ¿Qué va primero?»
Do both palms roll, and does it become even?
  ¿Ruedan las dos palmas, y queda igual de grueso?
Do the feet stay on the line? Does it turn at each corner?
  ¿Siguen los pies la línea? ¿Gira en cada esquina?
Does it bend its knees and come up without a hand on the floor? Does the heel stay down when it stretches?
  ¿Dobla las rodillas y se levanta sin apoyar una mano en el suelo? ¿Sigue el talón en el suelo al estirarse?
Does one finger point, and does the other hand hold the tray?
  ¿Señala un solo dedo, y sujeta la otra mano la bandeja?
Does the foot feel before it steps? Do hands smooth and then crush?
  ¿Tantea el pie antes de pisar? ¿Alisan las manos y después aplastan?
Does the grip change with what is held? Does the other hand hold the paper?
  ¿Cambia el agarre según lo que se coge? ¿Sujeta la otra mano el papel?
A larger shape, stepping in and out.
  Una forma más grande, entrando y saliendo.
A sponge, the whole hand, standing.
  Una esponja, toda la mano, de pie.
Lower, with a tab to pull at; one in each hand.
  Más bajo, con una pestaña para tirar; una en cada mano.
Sitting, with the hands.
  Sentado, con las manos.
Softer, with more water; press and pat.
  Más blanda, con más agua; apretar y dar palmadas.
The whole hand, round and round; a spoon to stir.
  Toda la mano, en círculos; una cuchara para remover.
A cork by its edge, a comb in one sweep, a feather’s tip.
  Un corcho por el canto, un peine de una pasada, la punta de una pluma.
A line drawn with one finger that does not tear it.
  Una línea con un dedo que no lo rompa.
Firmer; roll with one finger, pinch along the edge, cut with a stick.
  Más firme; rodar con un dedo, pellizcar por el borde, cortar con un palito.
Heel to toe, backwards, carrying a spoon with a ball.
  Talón con punta, hacia atrás, llevando una cuchara con una pelota.
On tiptoe; across to the other side; tape pressed on all round.
  De puntillas; cruzando al otro lado; cinta apretada por todo el borde.
One finger, from one edge to the other without a stop; then a comb, then a letter.
  Un dedo, de un borde al otro sin parar; después un peine, después una letra.
The tray on a non-slip mat, turned so that its long way runs to the hand that works.
  La bandeja sobre una base antideslizante, girada para que su largo vaya hacia la mano que trabaja.
Clean up together: it is part of it.
  Recoger juntos: es parte del juego.
Count the sides; jump to the next corner; which shape has none?
  Contar los lados; saltar a la esquina siguiente; ¿qué forma no tiene ninguno?
High, middle, low: say it before it is picked.
  Alto, en medio, bajo: decirlo antes de cogerlo.
Left to right, top to bottom; rub it out and draw it again.
  De izquierda a derecha, de arriba abajo; borrar y dibujar otra vez.
Longer, shorter, just as long as; three balls, each smaller.
  Más larga, más corta, igual de larga; tres bolas, cada una más pequeña.
Loud and soft; at the end everybody crushes a ball of it.
  Fuerte y suave; al final todos aplastan una bola.
Two colours meet: which one comes of it?
  Dos colores se juntan: ¿cuál sale?
A brush
  Un pincel
A comb
  Un peine
A spoon
  Una cuchara
At a squat
  En cuclillas
Four sides
  Cuatro lados
On tiptoe
  De puntillas
Six sides
  Seis lados
Six sides, large
  Seis lados, grande
Straight
  De pie
Three sides
  Tres lados
Whole hand
  Toda la mano
feet
  pies
fingers
  dedos
fingers pull
  tiran los dedos
fingers pull, arm up
  tiran los dedos, brazo arriba
fingers pull, knees bend
  tiran los dedos, rodillas dobladas
fist, then fingers
  puño, después dedos
three fingers
  tres dedos
Draws, presses, reaches and paints on a tray, a wall or the floor
  Dibujar, apretar, alcanzar y pintar en una bandeja, una pared o el suelo
Heights over the floor: ~. Two strips across each, one end folded over to pull at.
  Alturas sobre el suelo: ~. Dos tiras cruzadas en cada una, con un extremo doblado para tirar.
squat # mm
  en cuclillas # mm
straight # mm
  de pie # mm
stretch # mm
  estirado # mm
Look and touch. ~
  Mirar y tocar. ~
An adult peels the tape off and throws it away: rolled up it goes in a mouth.
  Un adulto quita la cinta y la tira: hecha una bola va a la boca.
An adult takes it off and throws it away: crushed up it goes in a mouth; no bit is left on the floor.
  Un adulto lo quita y lo tira: arrugado va a la boca; no queda ningún trozo en el suelo.
`);
