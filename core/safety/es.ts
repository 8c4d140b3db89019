import type { en } from './en.ts';

/** Its sentences in Spanish. */
export const es: Readonly<Record<keyof typeof en, string>> = {
  testHasNoForce:
    'En la prueba de {id, select, drop {caída} pull {tracción} twist {torsión} press {presión} bite {mordida} soak {remojo} other {tacto}} del {on} no consta la fuerza; se piden {asked} N.',
  testHeldLess:
    'La prueba de {id, select, drop {caída} pull {tracción} twist {torsión} press {presión} bite {mordida} soak {remojo} other {tacto}} del {on} aguantó {force} N; se piden {asked} N.',
  cutMetalRoundStays: 'El metal cortado alrededor de {where} sigue afilado.',
  cutGlassRound: 'Vidrio cortado alrededor de {where}.',
  hasFilmWhoseCorners: '{where} lleva plástico, y sus esquinas son afiladas.',
  roundEveryCornerFeel: 'Redondee cada esquina y pase la yema del dedo antes de prestarlo.',
  feelUnderTapeFingertip: 'Pase el dedo por debajo de la cinta cada vez que vuelva.',
  useTableNotFloor: 'Úselo en una mesa, no en el suelo; tire del tope cuando vuelva.',
  wireEndsTurnedOver: 'Las puntas de alambre se doblan al hacerlo.',
  endsSandedWhenMade: 'Las puntas se lijan al hacerlo.',
  endsThickBlunt: 'Las puntas son gruesas y romas.',
  endsThinTakeCare: 'Sus puntas son finas: cuidado con los ojos.',
  feelAgainEachTime: 'Vuelva a tocarlo cada vez que vuelva.',
  pinchesSpringCanCome: 'Pellizca, y el muelle puede soltarse.',
  noPullTestPassed: 'No consta ninguna prueba de tracción superada.',
  glassWouldBeCut: 'Es vidrio, y se cortaría.',
  glassBreaksIntoPoints: 'Es vidrio: se rompe en puntas y filos.',
  saltOverLimit: 'Lleva {grams} g de sal; más de {limit} g enferman a un niño pequeño.',
  fibresComeOffWhen: 'Suelta fibras si se muerde o se tira de ello, y se quedan en la garganta.',
  nameLetterAwayFrom: 'Su nombre se parece por una letra a «{like}». ¿Lo es?',
  notJudgedNobodyHas: 'Sin valorar: nadie ha dicho cómo está sujeto, cubierto o cerrado.',
  canHoldBackBlood: 'Puede cortar la circulación, y el pegamento irrita algunas pieles.',
  tool: 'Herramienta: {name}',
  pinchesOrPokesMore: 'Pellizca o pincha, y es una cosa más que contar.',
  whenComesDownWhat: 'Si se suelta, cae también lo que cuelga, y la cinta arranca la pintura.',
  looseCornerTapeTrips: 'Una esquina suelta hace tropezar, y mojado resbala.',
  comesLooseWhenSomebody: 'Se suelta si alguien se apoya.',
  neverRoundNeckMust: 'Nunca alrededor de un cuello; debe soltarse de un tirón.',
  looseStrongMagnetNot: 'Un imán fuerte suelto no es para nadie menor de 14 años.',
  coinSwallowedEasily: 'Una moneda se traga con facilidad.',
  marbleSwallowedEasily: 'Una canica se traga con facilidad.',
  beadSwallowedEasily: 'Una cuenta se traga con facilidad.',
  balloonOrBitBlocks: 'Un globo, o un trozo, tapa las vías respiratorias y no se puede sacar.',
  someChildrenAllergicLatex: 'Algunos niños son alérgicos al látex.',
  swellsManyTimesSize:
    'En agua crece muchas veces su tamaño, también dentro de un niño, y no se ve en una radiografía.',
  hasSharpEdge: 'Tiene un borde afilado.',
  linerCapCanPeel: 'La lámina del tapón puede despegarse, y es una pieza pequeña.',
  roundHardOrSlippery:
    'La comida redonda, dura o resbaladiza tapa las vías respiratorias de un niño pequeño.',
  notForHandsOrMouths: 'No es para manos ni bocas de niños.',
  batteryDoorScrewed: 'La tapa de las pilas va atornillada.',
  batteryDoorTakesTwo: 'La tapa de las pilas necesita dos movimientos a la vez.',
  batteryDoorOpensHand: 'La tapa de las pilas se abre a mano, y lo que hay dentro quema si se traga.',
  howBatteryDoorOpens: 'No se ha probado cómo se abre su tapa: cuenta como abierta.',
  buttonCellSwallowedEasily: 'Una pila de botón se traga con facilidad y quema en pocas horas.',
  tryDoorEachTime: 'Pruebe la tapa cada vez que vuelva.',
  nameLetterAwayFromMany:
    'Su nombre se parece por una letra a «{what}». ¿Es esa? Muchas plantas irritan la piel o son venenosas.',
  notListPlantsMany:
    'No está en la lista de plantas. Muchas irritan la piel o son venenosas, y algunas se parecen.',
  poisonous: '{what}. Es venenosa.',
  irritatesOrPricks: '{what}. Irrita o pincha.',
  cannotBeWashed: 'No se puede lavar: {names}.',
  childrenThisAgePut: 'A esta edad se llevan cosas a la boca, y después no se puede lavar: {names}.',
  gapOpensCloses: 'Hueco que se abre y se cierra: {where}',
  noDropPullTests: 'No constan pruebas de caída y de tracción superadas.',
  pressedWouldLieInside: 'Apretada un {number} % cabría en el cilindro de prueba.',
  rodGoesIn: 'Entra una varilla de {rod}: un dedo que entra vuelve a salir.',
  noRodOver: 'No entra ninguna varilla de más de {rod}: un dedo pequeño tampoco.',
  fingerCanGetStuck: 'Entra una varilla de {rod} y no una de {limit}: un dedo puede quedar atrapado.',
  textOfRoundHoles: 'La norma habla de agujeros redondos, y este es alargado.',
  textOfThinSheet: 'La norma habla de láminas de menos de {thin} mm, y esta es más gruesa.',
  noFingerIsPinched: 'Se abre de {from} a {to}: no pilla ningún dedo.',
  pinchesAFinger: 'Se abre de {from} a {to}: entre {least} y {limit} pilla un dedo.',
  cordWithin: '{name}: {free} libres, se permiten {limit} como mucho.',
  cordOverAllowedFrom: '{name}: {free} libres. Permitido desde {below} meses, nunca alrededor de un cuello.',
  cordOver: '{name}: {free} libres, más de {limit}.',
  loopOverHead: '{name}: un lazo de {loop} pasa por una cabeza.',
  cordCanTangle: '{name}: {free} libres con algo en la punta: puede enredarse y formar un lazo.',
  knots:
    '{name}: {knots, plural, one {{knots} nudo} other {{knots} nudos}}{tails, select, none {} other {, cabos de {tails}}}. Lo que se desata queda suelto.',
  bagOverHead: '{name}: su boca mide {mouth} de contorno y pasa por una cabeza.',
  bagOfCloth: '{name}: de tela, que deja pasar el aire.',
  bagTooNarrow: '{name}: su boca mide {mouth} de contorno, demasiado estrecha para una cabeza.',
  filmClings: '{name}: el plástico de {film} se pega a la cara.',
  filmThickEnough: '{name}: plástico de {film}; se pide {limit} como mínimo.',
  drawstringLong: '{name}: su cordón mide {drawstring}.',
  hollowUnderAge: '{name}: un vaso por el que la norma solo pregunta por debajo de {below} meses.',
  hollowOverFace:
    '{name}: {mouth} de ancho y {depth} de fondo, puede cubrir boca y nariz y quedarse pegado por succión.',
  sizeOfBall: 'bola de {diameter}',
  sizeOfPiece: 'pieza de {size}',
  inCylinder:
    '{when, select, loose {Si se suelta: la} one {Si una se suelta: la} opened {Si se abre: la} other {La}} {what} cabe entera en el cilindro de prueba, con {spare} de sobra.',
  tooCloseToCall:
    '{when, select, loose {Si se suelta: la} one {Si una se suelta: la} opened {Si se abre: la} other {La}} {what} está en el límite en el cilindro de prueba, así que cuenta como pieza pequeña.',
  tooLargeForCylinder:
    '{when, select, loose {Si se suelta: la} one {Si una se suelta: la} opened {Si se abre: la} other {La}} {what} es demasiado grande para el cilindro de prueba: sobresale al menos {out}.',
  allowedOver:
    'A partir de {below, plural, =36 {tres años} other {{below} meses}} se permite, pero también la encuentran los hermanos pequeños.',
  passesBallGauge: 'Mide {across}: pasa por el calibre de bolas de {limit} mm.',
  notPastBallGauge: 'Mide {across}: no pasa por el calibre de bolas de {limit} mm.',
  held: '{name}, {held, select, glued {con pegamento} taped {con cinta} tied {atado} stapled {con grapas} laced {cosido} screwed {atornillado} pressed_on {a presión} other {pegado}}',
  behind: '{name}, tras {seal}',
  leftOnTable:
    'Al hacer un kit {count, plural, one {queda} other {quedan}} {count} × {name} en la mesa, y nadie {count, plural, one {lo cuenta} other {los cuenta}}.',
  cutEdgeSoft:
    '{where}: {material, select, card {cartón} paper {papel} other {tela}}, que se deshilacha pero no corta.',
  cutTapedOver:
    '{material, select, rubber {Goma cortada} wood {Madera cortada} foam {Espuma cortada} silicone {Silicona cortada} plastic {Plástico cortado} other {Material cortado}} alrededor de {where}, {material, select, rubber {cubierta} wood {cubierta} foam {cubierta} silicone {cubierta} other {cubierto}} con cinta.',
  cutNotCovered:
    '{material, select, rubber {Goma cortada} wood {Madera cortada} foam {Espuma cortada} silicone {Silicona cortada} plastic {Plástico cortado} other {Material cortado}} alrededor de {where}, sin cubrir.',
  postStands:
    'Mide {height} de alto y {diameter} de grueso{end, select, capped {, con tope en la punta} blunt {, romo por su anchura} other {}}: quien caiga sobre él puede hacerse daño en un ojo.',
  staplesTapedOver: '{count} grapas {where}, cubiertas con cinta.',
  staplesNotCovered: '{count} grapas {where}, sin cubrir: cada una es una pieza pequeña con dos puntas.',
  saltInIt: 'Lleva {grams} g de sal.',
  allergenIn:
    '{id, select, milk {Leche} egg {Huevo} gluten {Gluten} nuts {Frutos secos} soya {Soja} wool {Lana} latex {Látex} a_common_allergen {Un alérgeno común} other {{allergen}}} en {names}.',
  and: '{first} y {last}',
  weighs: '{name} pesa {mass} g y hace daño si cae en un pie.',
  fixedTo:
    '{name}, {to, select, wall {en la pared} floor {en el suelo} table {en la mesa} other {en el cuerpo}}',
  hazard:
    '{name}: {id, select, magnet {imán} coin {moneda} marble {canica} bead {cuenta} balloon {globo} latex {látex} swells_in_water {se hincha en agua} sharp_edge {borde afilado} loose_liner {lámina suelta} choking_form {forma que atraganta} toxic {venenoso} battery {pila} button_cell {pila de botón} splinters {astillas} allergen {alérgeno} salt {sal} other {{hazard}}}',
  seen: '{id, select, splinters {Astillas} other {{hazard}}}.',
  fluxNotMeasured: 'No se ha medido su índice de flujo.',
  fluxWeak: 'Su índice de flujo es de {flux} kG² mm²: un imán débil.',
  fluxIs: 'Su índice de flujo es de {flux} kG² mm².',
  plantUsed: '{what}. Se usa con frecuencia; después hay que lavarse las manos.',
  allWashed: 'Todo lo que se presta se puede lavar y secar al aire.',
  testHeld:
    'Aguantó en la prueba de {id, select, drop {caída} pull {tracción} twist {torsión} press {presión} bite {mordida} soak {remojo} other {tacto}} del {on}, hecha por {by}.',
  testCountsTo: 'Eso vale hasta el {until}, o {loans} préstamos de un kit.',
  testByHand: 'Prueba a mano',
  testAgain: 'Arréglelo, o hágalo de otra forma, y repita la prueba; reclame lo que está prestado.',
  testOf:
    'Prueba de {id, select, drop {caída} pull {tracción} twist {torsión} press {presión} bite {mordida} soak {remojo} other {tacto}}: {part}',
  testFailed: 'No la superó el {on}, hecha por {by}.',
};
