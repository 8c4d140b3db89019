import { phrases } from '../phrases.ts';

/** The words of stack in Spanish. */
export const stack = phrases(`
Cap the end of the post
  Ponga un tope en la punta del poste
Count # rings in, label and bag
  Cuente los # aros, etiquete y guarde
Cut # rings of # mm
  Corte # aros de # mm
Cut the post to # mm
  Corte el poste a # mm
Draw and glue on the picture
  Dibuje la imagen y péguela
Fix the post to the base
  Fije el poste a la base
Fix the post, # g of sand in the base
  Fije el poste, con # g de arena en la base
Put the massager into the base
  Ponga el vibrador en la base
Stack it once
  Móntelo una vez
Write on the rings
  Escriba en los aros
Every ring goes over without catching, and ~ stands above the last one to hold.
  Cada aro pasa sin engancharse, y ~ sobresale por encima del último para poder sujetarlo.
Fill the base, tape it shut all round. Glue and tape the post upright; let it set before anybody pulls.
  Llene la base y ciérrela con cinta por todo el borde. Pegue el poste de pie con cola y cinta; deje que fragüe antes de que nadie tire.
Glue and tape the post upright; let it set before anybody pulls.
  Pegue el poste de pie con cola y cinta; deje que fragüe antes de que nadie tire.
Glue on a cork or a pad of tape; it must be narrower than the hole of a ring.
  Pegue un corcho o una almohadilla de cinta; debe ser más estrecho que el agujero de un aro.
Glue the strip round before the tube is cut, or write with all rings on the post, so that it lines up.
  Pegue la tira alrededor antes de cortar el tubo, o escriba con todos los aros en el poste, para que coincida.
Saw it, then sand the end round.
  Sierre, y después redondee la punta con lija.
Screw the battery door shut; a door without a screw is taped all round and kept out of reach.
  Atornille la tapa de las pilas; una tapa sin tornillo se cubre con cinta por todo el borde y se deja fuera del alcance.
Wrap a strip of paper round the tube as a guide; turn the tube against the blade, never towards the hand.
  Ponga una tira de papel alrededor del tubo como guía; gire el tubo contra la hoja, nunca hacia la mano.
“Build the lighthouse before the ship comes in!”
  «¡Construye el faro antes de que llegue el barco!»
“You painted these. How high do they go?”
  «Estos los pintaste tú. ¿Hasta dónde llegan?»
Does one hand hold the post while the other brings the ring, and does the eye go to the top first?
  ¿Sujeta una mano el poste mientras la otra trae el aro, y mira primero a la punta?
A wider hole, fewer rings; hold the foot, or take off before putting on.
  Un agujero más ancho, menos aros; sujete el pie, o quitar antes de poner.
A closer hole, then an order to keep; then the post held in the other hand.
  Un agujero más justo, después un orden que seguir; después el poste sujeto con la otra mano.
The base clamped or weighted; rings lie on the side of the hand that works.
  La base sujeta o con peso; los aros quedan al lado de la mano que trabaja.
A picture
  Una imagen
All in order
  Todos en orden
Any order
  En cualquier orden
Three in order
  Tres en orden
Two tall rings
  Dos aros altos
whole hand, turns the ring
  toda la mano, gira el aro
whole hand, turns the wrist
  toda la mano, gira la muñeca
Puts rings over a post, in any order or in the right one
  Poner aros en un poste, en cualquier orden o en el correcto
Cut # rings
  Corte # aros
Fold each ring in half, snip out the middle, open it and cut the outside. Round what is sharp.
  Doble cada aro por la mitad, recorte el centro, ábralo y corte por fuera. Redondee lo afilado.
Close, in order
  Justos, en orden
Ring
  Aro
Post
  Poste
Wide rings
  Aros anchos
Loose rings
  Aros holgados
Close rings
  Aros justos
`);
