import { phrases } from '../phrases.ts';

/** Rules, what they find and what is done about it, in Spanish. */
export const cautions = phrases(`
Small parts
  Piezas pequeñas
Balls
  Bolas
Soft pieces
  Piezas blandas
Parts that are fixed on
  Piezas fijadas
What is inside
  Lo que hay dentro
Fingers in the opening
  Dedos en la abertura
Gap that opens and closes
  Hueco que se abre y se cierra
Gap that opens and closes: ~
  Hueco que se abre y se cierra: ~
Length of the cord
  Largo del cordón
Loop of the cord
  Lazo del cordón
Knots and tails
  Nudos y cabos
Film of the bag
  Plástico de la bolsa
Bag over a head
  Bolsa sobre la cabeza
Drawstring of the bag
  Cordón de la bolsa
Cup over mouth and nose
  Vaso sobre boca y nariz
Cut edge
  Borde cortado
Points
  Puntas
Ends of ~
  Puntas de ~
Ends of the sticks
  Puntas de los palitos
Ends of the twig
  Puntas de la rama
Staples
  Grapas
Spring
  Muelle
Tape on skin
  Cinta sobre la piel
~ round a finger
  ~ alrededor de un dedo
Tool
  Herramienta
Tool: peg
  Herramienta: pinza de ropa
Tool: spoon
  Herramienta: cuchara
Tool: tongs
  Herramienta: pinzas de cocina
Tool: tweezers
  Herramienta: pinzas finas
Tool: ~
  Herramienta: ~
Heavy part
  Pieza pesada
Fixed to something
  Fijado a algo
~, fixed to the wall
  ~, en la pared
~, fixed to the floor
  ~, en el suelo
~, fixed to the table
  ~, en la mesa
~, fixed to the body
  ~, en el cuerpo
Foil path
  Camino de papel de aluminio
Taped shape
  Forma de cinta
What is taped up
  Lo que se pega
What is cut off
  Recortes
Magnet
  Imán
~: magnet
  ~: imán
Swallowed easily
  Se traga con facilidad
Battery door
  Tapa de las pilas
Battery
  Pila
~: battery
  ~: pila
Massager in the base
  Vibrador en la base
Latex
  Látex
~: latex
  ~: látex
Loose liner
  Lámina suelta
~: loose liner
  ~: lámina suelta
~: sharp edge
  ~: borde afilado
~: splinters
  ~: astillas
Food that chokes
  Comida que atraganta
~: choking form
  ~: forma que atraganta
Poisonous
  Venenoso
~: toxic
  ~: venenoso
Allergen
  Alérgeno
~: allergen
  ~: alérgeno
~: coin
  ~: moneda
~: marble
  ~: canica
~: button cell
  ~: pila de botón
Seen when it was looked over
  Visto al revisarlo
Poisonous plant
  Planta venenosa
Plant that irritates
  Planta que irrita
Plant nobody has named
  Planta sin identificar
Cleaning between children
  Limpieza entre niños
In a mouth, and not to be washed
  Va a la boca y no se lava
~, taped
  ~, con cinta
~, glued
  ~, con pegamento
~, behind a band of tape
  ~, tras una banda de cinta
~, behind staples
  ~, tras grapas
~, behind caps held by bands
  ~, tras tapas con gomas
~, behind a glued screw cap
  ~, tras un tapón pegado
The # mm × # mm piece lies wholly inside the test cylinder with # mm to spare.
  La pieza de # mm × # mm cabe entera en el cilindro de prueba, con # mm de sobra.
The # × # × # mm piece lies wholly inside the test cylinder with # mm to spare.
  La pieza de # × # × # mm cabe entera en el cilindro de prueba, con # mm de sobra.
The # mm ball lies wholly inside the test cylinder with # mm to spare.
  La bola de # mm cabe entera en el cilindro de prueba, con # mm de sobra.
The ~ is too close to call in the test cylinder, so it counts as a small part.
  En el cilindro de prueba está en el límite (~), así que cuenta como pieza pequeña.
Over three years it is allowed, but younger brothers and sisters find it too.
  A partir de tres años se permite, pero también la encuentran los hermanos pequeños.
Over # months it is allowed, but younger brothers and sisters find it too.
  A partir de # meses se permite, pero también la encuentran los hermanos pequeños.
If one comes off: the # mm × # mm piece lies wholly inside the test cylinder with # mm to spare.
  Si una se suelta: la pieza de # mm × # mm cabe entera en el cilindro de prueba, con # mm de sobra.
If one comes off: the # × # × # mm piece lies wholly inside the test cylinder with # mm to spare.
  Si una se suelta: la pieza de # × # × # mm cabe entera en el cilindro de prueba, con # mm de sobra.
If one comes off: the # mm ball lies wholly inside the test cylinder with # mm to spare.
  Si una se suelta: la bola de # mm cabe entera en el cilindro de prueba, con # mm de sobra.
If it comes off: the # mm × # mm piece lies wholly inside the test cylinder with # mm to spare.
  Si se suelta: la pieza de # mm × # mm cabe entera en el cilindro de prueba, con # mm de sobra.
If it comes off: the # × # × # mm piece lies wholly inside the test cylinder with # mm to spare.
  Si se suelta: la pieza de # × # × # mm cabe entera en el cilindro de prueba, con # mm de sobra.
If it comes off: the # mm ball lies wholly inside the test cylinder with # mm to spare.
  Si se suelta: la bola de # mm cabe entera en el cilindro de prueba, con # mm de sobra.
If it opens: the # mm × # mm piece lies wholly inside the test cylinder with # mm to spare.
  Si se abre: la pieza de # mm × # mm cabe entera en el cilindro de prueba, con # mm de sobra.
If it opens: the # × # × # mm piece lies wholly inside the test cylinder with # mm to spare.
  Si se abre: la pieza de # × # × # mm cabe entera en el cilindro de prueba, con # mm de sobra.
If it opens: the # mm ball lies wholly inside the test cylinder with # mm to spare.
  Si se abre: la bola de # mm cabe entera en el cilindro de prueba, con # mm de sobra.
No pull test that it passed is on record.
  No consta ninguna prueba de tracción superada.
No drop and pull tests that it passed are on record.
  No constan pruebas de caída y de tracción superadas.
# mm across: it passes the # mm ball gauge.
  Mide # mm: pasa por el calibre de bolas de # mm.
Pressed by # % it would lie inside the test cylinder.
  Apretada un # % cabría en el cilindro de prueba.
A rod of # mm goes in, one of # mm does not: a finger can get stuck.
  Entra una varilla de # mm y no una de # mm: un dedo puede quedar atrapado.
It opens from # mm to # mm: between # mm and # mm it pinches a finger.
  Se abre de # mm a # mm: entre # mm y # mm pilla un dedo.
~: # mm free. Allowed from # months, never round a neck.
  ~: # mm libres. Permitido desde # meses, nunca alrededor de un cuello.
~: # mm free, over # mm.
  ~: # mm libres, más de # mm.
~: a loop of # mm goes over a head.
  ~: un lazo de # mm pasa por una cabeza.
~: # knot. What is untied is loose.
  ~: # nudo. Lo que se desata queda suelto.
~: # knots. What is untied is loose.
  ~: # nudos. Lo que se desata queda suelto.
~: # knot, tails of # mm. What is untied is loose.
  ~: # nudo, cabos de # mm. Lo que se desata queda suelto.
~: # knots, tails of # mm. What is untied is loose.
  ~: # nudos, cabos de # mm. Lo que se desata queda suelto.
~ over its peg
  ~ sobre su gancho
~ while it is worked
  ~ mientras se trabaja
~, taped down
  ~, pegado con cinta
Hanger
  Colgador
~: its mouth is # mm round and goes over a head.
  ~: su boca mide # mm de contorno y pasa por una cabeza.
~: film of # mm clings to a face.
  ~: el plástico de # mm se pega a la cara.
~: its drawstring is # mm long.
  ~: su cordón mide # mm.
~: # mm across and # mm deep, it can lie over mouth and nose and hold by suction.
  ~: # mm de ancho y # mm de fondo, puede cubrir boca y nariz y quedarse pegado por succión.
Cut metal round ~ stays sharp.
  El metal cortado alrededor de ~ sigue afilado.
Cut plastic round ~, taped over.
  Plástico cortado alrededor de ~, cubierto con cinta.
Cut plastic round ~, not covered.
  Plástico cortado alrededor de ~, sin cubrir.
Cut rubber round ~, not covered.
  Goma cortada alrededor de ~, sin cubrir.
Cut rubber round ~, taped over.
  Goma cortada alrededor de ~, cubierta con cinta.
Cut wood round ~, not covered.
  Madera cortada alrededor de ~, sin cubrir.
Cut foam round ~, not covered.
  Espuma cortada alrededor de ~, sin cubrir.
the hole in the lid
  el agujero de la tapa
the slot in the lid
  la ranura de la tapa
the slit in the lid
  la rendija de la tapa
the star in the lid
  la estrella de la tapa
the square in the lid
  el cuadrado de la tapa
the cross in the lid
  la cruz de la tapa
the openings in the lid
  las aberturas de la tapa
the mouth
  la boca
the card
  la tarjeta
the hole to post through
  el agujero para meter
It stands # mm high and # mm thick: somebody who falls on it can hurt an eye.
  Mide # mm de alto y # mm de grueso: quien caiga sobre él puede hacerse daño en un ojo.
It stands # mm high and # mm thick, its end capped: somebody who falls on it can hurt an eye.
  Mide # mm de alto y # mm de grueso, con tope en la punta: quien caiga sobre él puede hacerse daño en un ojo.
Its ends are thin: take care of eyes.
  Sus puntas son finas: cuidado con los ojos.
# staples ~, taped over.
  # grapas ~, cubiertas con cinta.
# staples ~, not covered: each is a small part with two points.
  # grapas ~, sin cubrir: cada una es una pieza pequeña con dos puntas.
round the rim
  alrededor del borde
It pinches, and its spring can come off.
  Pellizca, y el muelle puede soltarse.
It can hold back the blood, and glue irritates some skins.
  Puede cortar la circulación, y el pegamento irrita algunas pieles.
It pinches or pokes, and it is one more thing to count.
  Pellizca o pincha, y es una cosa más que contar.
~ weighs # g and hurts when it falls on a foot.
  ~ pesa # g y hace daño si cae en un pie.
When it comes down, what hangs on it falls too, and tape takes paint off.
  Si se suelta, cae también lo que cuelga, y la cinta arranca la pintura.
A loose corner of tape trips, and it is slippery when wet.
  Una esquina suelta hace tropezar, y mojado resbala.
It comes loose when somebody leans on it.
  Se suelta si alguien se apoya.
Never round a neck; it must come off with one pull.
  Nunca alrededor de un cuello; debe soltarse de un tirón.
A loose strong magnet is not for anyone under 14.
  Un imán fuerte suelto no es para nadie menor de 14 años.
Its flux index was not measured.
  No se ha medido su índice de flujo.
A button cell is swallowed easily and burns within hours.
  Una pila de botón se traga con facilidad y quema en pocas horas.
A coin is swallowed easily.
  Una moneda se traga con facilidad.
A marble is swallowed easily.
  Una canica se traga con facilidad.
The liner in the cap can peel out, and it is a small part.
  La lámina del tapón puede despegarse, y es una pieza pequeña.
Round, hard or slippery food blocks the airway of a small child.
  La comida redonda, dura o resbaladiza tapa las vías respiratorias de un niño pequeño.
Not for children’s hands or mouths.
  No es para manos ni bocas de niños.
Splinters.
  Astillas.
~ cannot be washed.
  No se puede lavar: ~.
Children of this age put things in the mouth, and ~ cannot be washed afterwards.
  A esta edad se llevan cosas a la boca, y después no se puede lavar: ~.
# × ~ is left on the table when a kit is made, and nobody counts it back.
  Al hacer un kit queda # × ~ en la mesa, y nadie lo cuenta.
# × ~ are left on the table when a kit is made, and nobody counts them back.
  Al hacer un kit quedan # × ~ en la mesa, y nadie los cuenta.
cut-out of the lid
  recorte de la tapa
punched-out discs
  círculos perforados
~. It is poisonous.
  ~. Es venenosa.
~. It irritates or pricks.
  ~. Irrita o pincha.
Use a larger piece, or keep it for children over three.
  Use una pieza más grande, o resérvela para mayores de tres años.
Say so on the label; count every piece back.
  Dígalo en la etiqueta; cuente todas las piezas al volver.
Use a ball over # mm, or something that is not round.
  Use una bola de más de # mm, o algo que no sea redondo.
Not for children who mouth.
  No para niños que se llevan cosas a la boca.
Pull at it as the tests by hand say and put that on record, or draw it on instead.
  Tire de ello como dicen las pruebas a mano y regístrelo, o dibújelo en su lugar.
Pull at each before it is lent, and again each time it comes back.
  Tire de cada una antes de prestarlo, y otra vez cada vez que vuelva.
Glue the lid and tape it all round, then drop and pull it as the tests by hand say.
  Pegue la tapa y ponga cinta por todo el borde; después déjelo caer y tire como dicen las pruebas a mano.
Look at every seal each time it comes back; throw it away when one opens.
  Mire cada cierre cuando vuelva; tírelo si alguno se abre.
Make it # mm wide or more, or under # mm.
  Hágala de # mm o más, o de menos de # mm.
Show how to hold it so that no finger lies in it; an adult is at the table.
  Muestre cómo sujetarlo sin meter un dedo; hay un adulto a la mesa.
Shorten it, or keep it for children over # months.
  Acórtelo, o resérvelo para mayores de # meses.
Use it at the table with an adult there, and put it away afterwards.
  Úselo a la mesa con un adulto, y guárdelo después.
Shorten it so that no loop goes over a head.
  Acórtelo para que ningún lazo pase por una cabeza.
Pull at each knot; cut the tails short and count the knots back.
  Tire de cada nudo; corte los cabos y cuente los nudos al volver.
Use a bag of cloth or mesh, or a thicker one with holes punched in it.
  Use una bolsa de tela o malla, o una más gruesa con agujeros.
An adult keeps the bag, or it is exchanged for cloth or mesh.
  Un adulto guarda la bolsa, o se cambia por una de tela o malla.
Close it with a press fastener, or cut the string short.
  Ciérrela con un broche a presión, o corte el cordón.
Punch two holes of # mm, # mm apart, at least # mm above its base, or use a cup of another width.
  Haga dos agujeros de # mm, separados # mm, al menos # mm por encima de la base, o use un vaso de otro ancho.
Use a plastic or card lid, or a tin with its own rolled rim.
  Use una tapa de plástico o cartón, o una lata con su borde enrollado.
Rub down and tape the edge; feel it with a fingertip before it is lent.
  Lije el borde y cúbralo con cinta; pase la yema del dedo antes de prestarlo.
Feel under the tape with a fingertip each time it comes back.
  Pase el dedo por debajo de la cinta cada vez que vuelva.
Round or cap its end; use it at a table, not on the floor.
  Redondee la punta o póngale un tope; úselo en una mesa, no en el suelo.
Use it at a table, not on the floor; pull at the cap when it comes back.
  Úselo en una mesa, no en el suelo; tire del tope cuando vuelva.
Turn in, round or cover the ends.
  Doble, redondee o cubra las puntas.
Feel it again each time it comes back.
  Vuelva a tocarlo cada vez que vuelva.
Tape over every staple on both sides, or sew or glue it instead.
  Cubra cada grapa con cinta por los dos lados, o cósalo o péguelo.
Feel along the staples each time it comes back.
  Pase el dedo por las grapas cada vez que vuelva.
Pull at the spring before it is lent; throw away any that is loose.
  Tire del muelle antes de prestarlo; tire a la basura el que esté suelto.
Never tight, never on broken or sensitive skin; off at once when the finger pales, reddens or hurts. Slide it off.
  Nunca apretada, nunca sobre piel herida o sensible; quítela enseguida si el dedo palidece, enrojece o duele. Sáquela deslizándola.
Show how to hold it; keep it at the table.
  Muestre cómo sujetarla; que no salga de la mesa.
Keep it low and on the table, or fill it with less.
  Déjelo bajo y en la mesa, o llénelo menos.
Pull at it with a hand’s weight before children come; take it down when it peels.
  Tire con el peso de una mano antes de que lleguen los niños; quítelo si se despega.
Sweep up and count the cut-out bits before children come back.
  Barra y cuente los recortes antes de que vuelvan los niños.
Leave magnets out, or have the piece tested by pull and flux.
  No use imanes, o haga probar la pieza por tracción y flujo.
Use a bottle cap over # mm instead.
  Use en su lugar un tapón de más de # mm.
Only a door with a screw, or one that takes two moves at once.
  Solo una tapa con tornillo, o una que necesite dos movimientos a la vez.
Only a door with a screw or a stop; try it each time it comes back.
  Solo una tapa con tornillo o tope; pruébela cada vez que vuelva.
Take every liner out before the caps are used.
  Saque todas las láminas antes de usar los tapones.
Cut it lengthways into thin strips, cook it soft, or leave it out; nobody eats unwatched.
  Córtelo a lo largo en tiras finas, cuézalo hasta que esté blando, o no lo use; nadie come sin vigilancia.
Leave it out.
  No lo use.
Ask each family, say so on the label.
  Pregunte a cada familia y dígalo en la etiqueta.
Put it right before it is lent, and feel it again when it comes back.
  Arréglelo antes de prestarlo, y vuelva a tocarlo cuando vuelva.
Never near children: leave it out, wash what it touched.
  Nunca cerca de los niños: no la use, lave lo que tocó.
An adult cuts and strips it with gloves; hands are washed afterwards, and none of it goes in a mouth.
  Un adulto la corta y la pela con guantes; después hay que lavarse las manos, y nada va a la boca.
Use only what somebody who knows plants has named; hands are washed afterwards, and none of it goes in a mouth.
  Use solo lo que haya identificado alguien que conoce las plantas; después hay que lavarse las manos, y nada va a la boca.
Wipe it, quarantine it some days between families, or throw it away when it has been in a mouth.
  Pásele un paño, déjelo unos días apartado entre familias, o tírelo si ha estado en una boca.
opening # in the lid
  la abertura # de la tapa
the opening between the tapes
  la abertura entre las cintas
the sip hole
  el agujero para beber
jaw of ~
  boca de ~
~, behind taped caps
  ~, tras tapas con cinta
Use what can be washed instead, or give each child its own and throw it away afterwards.
  Use en su lugar algo lavable, o dé uno a cada niño y tírelo después.
Milk in ~.
  Leche en ~.
Egg in ~.
  Huevo en ~.
Gluten in ~.
  Gluten en ~.
Nuts in ~.
  Frutos secos en ~.
Soya in ~.
  Soja en ~.
Wool in ~.
  Lana en ~.
A common allergen in ~.
  Un alérgeno común en ~.
Cord that can tangle to a noose
  Cordón que puede enredarse en un lazo
~: # mm free with something at its end: it can tangle to a noose.
  ~: # mm libres con algo en la punta: puede enredarse y formar un lazo.
Shorten it, hang one end only, or keep it for children over # months.
  Acórtelo, cuelgue solo una punta, o resérvelo para mayores de # meses.
It stands # mm high and # mm thick, blunt by its width: somebody who falls on it can hurt an eye.
  Mide # mm de alto y # mm de grueso, romo por su anchura: quien caiga sobre él puede hacerse daño en un ojo.
Pull at it as the tests by hand say and put that on record.
  Tire de ello como dicen las pruebas a mano y regístrelo.
Round every corner, and feel it with a fingertip before it is lent.
  Redondee cada esquina y pase la yema del dedo antes de prestarlo.
~ has film on it, whose corners are sharp.
  ~ lleva plástico, y sus esquinas son afiladas.
Each card
  Cada tarjeta
The card
  La tarjeta
Cut glass round ~.
  Vidrio cortado alrededor de ~.
Its wire ends are turned over when it is made.
  Las puntas de alambre se doblan al hacerlo.
Its ends are sanded when it is made.
  Las puntas se lijan al hacerlo.
Its ends are thick and blunt.
  Las puntas son gruesas y romas.
~: bead
  ~: cuenta
A bead is swallowed easily.
  Una cuenta se traga con facilidad.
~: balloon
  ~: globo
Balloons
  Globos
A balloon, or a bit of one, blocks the airway and cannot be got out.
  Un globo, o un trozo, tapa las vías respiratorias y no se puede sacar.
Use cloth. No bit of a balloon is left where children are.
  Use tela. No queda ningún trozo de globo donde hay niños.
Some children are allergic to latex.
  Algunos niños son alérgicos al látex.
Ask each family whether anybody is allergic; count it back.
  Pregunte a cada familia si alguien es alérgico; cuéntelo al volver.
What swells in water
  Lo que se hincha en agua
~: swells in water
  ~: se hincha en agua
It swells to many times its size in water, inside a child, too, and no X-ray shows it.
  En agua crece muchas veces su tamaño, también dentro de un niño, y no se ve en una radiografía.
Leave it out, at every age.
  No lo use, a ninguna edad.
Sharp edge
  Borde afilado
It has a sharp edge.
  Tiene un borde afilado.
Cover it, feel all round it with a fingertip, and put that on record.
  Cúbralo, pase la yema del dedo por todo el borde, y regístrelo.
Feel it before it is lent and each time it comes back.
  Tóquelo antes de prestarlo y cada vez que vuelva.
Glass
  Vidrio
It is glass: it breaks into points and edges.
  Es vidrio: se rompe en puntas y filos.
It is glass, and it would be cut.
  Es vidrio, y se cortaría.
Use plastic, card or wood instead.
  Use plástico, cartón o madera en su lugar.
Only whole, at a table with an adult there; look it over each time it comes back.
  Solo entero, en una mesa con un adulto; revíselo cada vez que vuelva.
Cut glass
  Vidrio cortado
Never cut glass: use plastic, card or wood.
  No corte nunca vidrio: use plástico, cartón o madera.
Salt that can be eaten
  Sal que se puede comer
~: salt
  ~: sal
Dough
  Masa
# g of salt are in it; over # g make a small child ill.
  Lleva # g de sal; más de # g enferman a un niño pequeño.
Leave the salt out, or keep it for children over three.
  No le ponga sal, o resérvela para mayores de tres años.
Say that it is not to be eaten; an adult is at the table.
  Diga que no se come; hay un adulto a la mesa.
Fibres and pile
  Fibras y pelusa
Fibres come off when it is chewed or pulled at, and stick in a throat.
  Suelta fibras si se muerde o se tira de ello, y se quedan en la garganta.
Use what does not shed, or keep it for children over three.
  Use algo que no suelte fibras, o resérvelo para mayores de tres años.
Pull at it before it is lent; throw it away when it sheds.
  Tire de ello antes de prestarlo; tírelo a la basura si suelta fibras.
Use a larger one, or keep it for children over three.
  Use uno más grande, o resérvelo para mayores de tres años.
A name to be sure of
  Un nombre que hay que aclarar
Its name is a letter away from “~”. Is it one?
  Su nombre se parece por una letra a «~». ¿Lo es?
Its name is a letter away from “~”. Is it that? Many plants irritate skin or are poisonous.
  Su nombre se parece por una letra a «~». ¿Es esa? Muchas plantas irritan la piel o son venenosas.
Look which it is, and name it so that nobody takes it for the other.
  Mire cuál es, y póngale un nombre que nadie confunda.
Not judged
  Sin valorar
Not judged: nobody has said how it is held, covered or closed in.
  Sin valorar: nadie ha dicho cómo está sujeto, cubierto o cerrado.
Look at it yourself: how it is held, covered or closed in, and whether it can come loose.
  Mírelo usted: cómo está sujeto, cubierto o cerrado, y si puede soltarse.
Button cell
  Pila de botón
Leave it out. Only a door with a screw holds one; try it, and say so with the material.
  No la use. Solo la retiene una tapa con tornillo; pruébela, y anótelo en el material.
Try the door each time it comes back.
  Pruebe la tapa cada vez que vuelva.
Only a door with a screw; try it, and say so with the material.
  Solo una tapa con tornillo; pruébela, y anótelo en el material.
How its battery door opens was not tried: it counts as open.
  No se ha probado cómo se abre su tapa: cuenta como abierta.
Its battery door is screwed.
  La tapa de las pilas va atornillada.
Its battery door takes two moves at once.
  La tapa de las pilas necesita dos movimientos a la vez.
Its battery door opens by hand, and what is inside burns when it is swallowed.
  La tapa de las pilas se abre a mano, y lo que hay dentro quema si se traga.
It held in the drop test of ~, by ~.
  Aguantó en la prueba de caída del ~, hecha por ~.
It held in the ~ test of ~, by ~.
  Aguantó en la prueba de ~ del ~, hecha por ~.
That counts to ~, or # loans of one kit.
  Eso vale hasta el ~, o # préstamos de un kit.
The ~ test of ~ has no force on record; # N are asked.
  En la prueba de ~ del ~ no consta la fuerza; se piden # N.
The ~ test of ~ held # N; # N are asked.
  La prueba de ~ del ~ aguantó # N; se piden # N.
pull
  tracción
feel
  tacto
The text speaks of round holes, this one is long.
  La norma habla de agujeros redondos, y este es alargado.
The text speaks of sheet under # mm, this one is thicker.
  La norma habla de láminas de menos de # mm, y esta es más gruesa.
It is not on the list of plants. Many irritate skin or are poisonous, and some look alike.
  No está en la lista de plantas. Muchas irritan la piel o son venenosas, y algunas se parecen.
~, stuck on
  ~, pegado
~, behind tape all round
  ~, tras cinta por todo el borde
~, behind caps that nothing holds
  ~, tras tapas que nada sujeta
Cap of the post
  Tope del poste
Sand in the base
  Arena en la base
Foil crushed to a ball
  Papel de aluminio hecho una bola
Tape rolled to a ball
  Cinta hecha una bola
Tape slid off a finger
  Cinta sacada de un dedo
Peeled outline
  Figura despegada
Die
  Dado
`);
