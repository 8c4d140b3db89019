import { phrases } from '../phrases.ts';

/** The words of feed the mouth in Spanish. */
export const feedTheMouth = phrases(`
Count # ball and # pieces in, label and bag
  Cuente # pelota y # piezas, etiquete y guarde
Draw the face
  Dibuje la cara
Feed it once
  Déle de comer una vez
Glue the eyes on
  Pegue los ojos
Slit the ball over # mm
  Haga un corte de # mm en la pelota
Slit the ball over # mm, and once across
  Haga un corte de # mm en la pelota, y otro cruzado
Hold the ball in a clamp or an egg cup, never in the hand, and never cut towards the palm: pierce it with the point, then short strokes away from you. Bend the template round it for the line.
  Sujete la pelota en una mordaza o una huevera, nunca en la mano, y nunca corte hacia la palma: perfórela con la punta y después cortes cortos alejándose de usted. Doble la plantilla alrededor para marcar la línea.
Strong glue; pull at each when it is dry: they are small parts when they come off.
  Pegamento fuerte; tire de cada uno cuando esté seco: son piezas pequeñas si se sueltan.
The child finds out how hard it must be squeezed.
  El niño descubre cuánto hay que apretar.
With a pen that does not wipe off.
  Con un rotulador que no se borre.
“The puffin is hungry. It opens its beak when you squeeze.”
  «El frailecillo tiene hambre. Abre el pico cuando lo aprietas.»
“You gave it a face. What does it like to eat?”
  «Tú le pusiste cara. ¿Qué le gusta comer?»
Does one hand hold it open, thumb on one side and fingers on the other, while the other hand puts in?
  ¿Mantiene una mano la boca abierta, el pulgar a un lado y los dedos al otro, mientras la otra mano mete?
Does the whole hand close on the cloth, and does the other hand hold the ball?
  ¿Se cierra toda la mano sobre la tela, y sujeta la otra mano la pelota?
A larger end left hanging out.
  Un extremo más largo colgando fuera.
A second slit across; you squeeze, the child feeds; a scarf to pull out.
  Un segundo corte cruzado; usted aprieta, el niño da de comer; un pañuelo para sacar.
A shorter slit, a firmer ball, the other hand; then only what the die says.
  Un corte más corto, una pelota más dura, la otra mano; después solo lo que diga el dado.
The ball wedged in a bowl on a non-slip mat so that its mouth stays open; a second slit across.
  La pelota encajada en un cuenco sobre una base antideslizante para que la boca quede abierta; un segundo corte cruzado.
Crossed, long
  Cruzado, largo
One long slit
  Un corte largo
Pulled out
  Sacar
Shorter
  Más corto
Shortest
  El más corto
whole hand squeezes
  aprieta toda la mano
Squeezes a mouth open with one hand and feeds it with the other
  Abrir una boca apretando con una mano y darle de comer con la otra
Stop when the hand tires, or shakes: it is hard work. Stop at once when pieces go to the mouth.
  Pare cuando la mano se canse o tiemble: es un trabajo duro. Pare enseguida si lleva piezas a la boca.
`);
