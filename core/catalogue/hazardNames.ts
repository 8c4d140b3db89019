import type { Material } from '../materials/material.ts';
import { nameWords, standsIn, standsNear } from './nameWords.ts';

/** What a name can tell of a material beyond what somebody ticked. */
type NamedHazard =
  | 'button cell'
  | 'magnet'
  | 'battery'
  | 'coin'
  | 'marble'
  | 'bead'
  | 'balloon'
  | 'swells in water'
  | 'choking form'
  | 'toxic'
  | 'sharp edge'
  | 'sheds'
  | 'glass';

interface Names {
  readonly hazard: NamedHazard;
  /** Spellings in use on both sides of the ocean, and in Spanish. */
  readonly names: string;
  /** Words beside it that make it something else. */
  readonly unless?: string;
  /** Of which materials only; of all where it is left out. */
  readonly of?: (m: Pick<Material, 'materialClass' | 'form'>) => boolean;
}

const FOODISH: readonly Material['materialClass'][] = ['food', 'plant', 'wood', 'stone'];
/** Something that grew and that somebody could eat: a plastic grape is a small part, no grape. */
const edible: NonNullable<Names['of']> = (m) =>
  FOODISH.includes(m.materialClass) && m.form !== 'container' && m.form !== 'sheet';
const solid: NonNullable<Names['of']> = (m) => m.form !== 'container' && m.form !== 'sheet';

/**
 * Things by which children were hurt, by name, from memory of what consumer-safety bodies, poison centres and feeding
 * guidance list (see docs/sources.md); not complete. Like the list of plants it is no substitute for somebody who looks.
 */
const LIST: readonly Names[] = [
  {
    hazard: 'button cell',
    names:
      'button cell, button battery, coin cell, coin battery, lithium cell, watch battery, hearing aid battery, CR2032, CR2025, CR2016, CR1632, CR1620, CR1220, LR44, LR41, LR43, LR54, AG3, AG10, AG13, SR44, SR626, pila boton, pila de boton',
  },
  {
    hazard: 'magnet',
    names: 'magnet, magnetic, neodymium, neodym, rare earth, iman, imanes, magnetico, magnetica, magneto',
    // A tray that magnets hold on is steel.
    unless: 'tray, non, anti, without, sin',
  },
  {
    hazard: 'battery',
    names: 'battery, batteries, AA cell, AAA cell, pila AA, pila AAA, bateria',
    unless: 'without',
  },
  { hazard: 'coin', names: 'coin, penny, pennies, pence, moneda', of: solid },
  { hazard: 'marble', names: 'marble, glass marble, canica', of: solid },
  { hazard: 'bead', names: 'bead, cuenta, abalorio', of: solid },
  { hazard: 'balloon', names: 'balloon, water bomb, globo', unless: 'whisk' },
  {
    hazard: 'swells in water',
    names:
      'water bead, water pearl, gel bead, gel ball, gel pearl, jelly bead, hydrogel, water crystal, polymer bead, expanding bead, growing bead, swelling bead, super absorbent, superabsorbent, perla de agua, bola de gel',
  },
  {
    hazard: 'choking form',
    names:
      'grape, cherry tomato, grape tomato, plum tomato, cherry, cherries, olive, blueberry, blueberries, peanut, nut, almond, cashew, hazelnut, walnut, pecan, pistachio, macadamia, brazil nut, pine nut, popcorn, pop corn, popping corn, raw carrot, carrot, raw apple, celery, hard sweet, boiled sweet, hard candy, candy, sweetie, lollipop, marshmallow, chewing gum, gum ball, gumball, jelly cube, jelly sweet, jelly bean, gummy, hot dog, hotdog, sausage, frankfurter, cheese cube, raisin, sultana, dried fruit, ice cube, sunflower seed, pumpkin seed, corn kernel, uva, cacahuete, cacahuate, mani, nuez, nueces, almendra, avellana, pistacho, palomitas, zanahoria, caramelo, aceituna, pasa, salchicha, tomate cherry',
    unless: 'cooked, puree, mash, sauce, butter, flour, oil, ground',
    of: edible,
  },
  {
    hazard: 'toxic',
    names:
      'bean, kidney bean, red bean, haricot, navy bean, white bean, black bean, cannellini, borlotti, pinto, runner bean, broad bean, fava, butter bean, lima bean, castor bean, jequirity, rosary pea, lupin seed, apricot kernel, peach stone, peach kernel, cherry kernel, bitter almond, apple pip, laburnum seed, yew berry, conker, judia, alubia, frijol, habichuela, haba, ricino',
    unless: 'jelly, tinned, canned, cooked, baked, coffee, cocoa, vanilla, green, plastic',
    of: edible,
  },
  {
    hazard: 'sharp edge',
    names:
      'opened tin, open tin, opened can, tin can, food tin, ring pull, ring-pull, tape cutter, tape dispenser, razor, razor blade, needle, drawing pin, thumb tack, thumbtack, push pin, straight pin, staple, loose wire, metal lid, lata abierta, tapa metalica, aguja, chincheta, alambre',
    of: (m) => !['card', 'paper', 'foam', 'glue', 'paint', 'food', 'plant'].includes(m.materialClass),
    unless: 'plastic, knitting, pine, screw cap, screw lid, screw top, screwed, whisk',
  },
  {
    hazard: 'sheds',
    names:
      'cotton ball, cotton wool, cotton bud, cotton swab, cotton pad, pom pom, pompom, pom, feather, fake fur, faux fur, fluff, roving, felting wool, tinsel, angel hair, chenille, pipe cleaner, loose pile, shredded paper, algodon, hisopo, bastoncillo, pompon, pluma',
    unless: 'cord, cloth, fabric, tape, thread, ribbon, bag, sheet, reel',
  },
  {
    hazard: 'glass',
    names: 'glass, vidrio, cristal',
    unless: 'magnifying, looking',
    of: (m) => m.materialClass === 'glass' || m.materialClass === 'stone',
  },
];

interface Known {
  readonly hazard: NamedHazard;
  readonly name: string;
  readonly words: readonly string[];
  readonly of: Names;
}
const split = (text: string | undefined): string[][] => (text ?? '').split(',').map((n) => nameWords(n));
const KNOWN: readonly Known[] = LIST.flatMap((of) =>
  of.names.split(',').map((name) => ({ hazard: of.hazard, name: name.trim(), words: nameWords(name), of })),
);
const UNLESS = new Map(LIST.map((of) => [of, split(of.unless).filter((w) => w.length > 0)]));

/** A hazard that a name speaks of; `isNear` where it is a letter off, so that somebody has to say which it is. */
export interface NamedAs {
  readonly hazard: NamedHazard;
  /** The name of the list. */
  readonly name: string;
  readonly isNear: boolean;
}

const remembered = new Map<string, readonly NamedAs[]>();
const MOST = 2000;

/**
 * What a material is by its name: each hazard once, by whole words. A letter off is told as near, unless the name says the
 * thing itself too.
 *
 * @example hazardsNamed({ name: 'CR2032 cell', materialClass: 'metal', form: 'disc' })[0]?.hazard // => 'button cell'
 * @example hazardsNamed({ name: 'Lolly stick', materialClass: 'wood', form: 'piece' }).length // => 0
 */
export function hazardsNamed(m: Pick<Material, 'name' | 'materialClass' | 'form'>): readonly NamedAs[] {
  const key = `${m.materialClass} ${m.form} ${m.name}`;
  const known = remembered.get(key);
  if (known) return known;
  const words = nameWords(m.name);
  const meant = KNOWN.filter(
    (k) => (k.of.of?.(m) ?? true) && !UNLESS.get(k.of)!.some((w) => standsIn(words, w)),
  );
  const found = new Map<NamedHazard, NamedAs>();
  for (const k of meant)
    if (!found.has(k.hazard) && standsIn(words, k.words))
      found.set(k.hazard, { hazard: k.hazard, name: k.name, isNear: false });
  // What is told of the thing itself needs no guess beside it.
  if (found.size === 0)
    for (const k of meant)
      if (!found.has(k.hazard) && standsNear(words, k.words))
        found.set(k.hazard, { hazard: k.hazard, name: k.name, isNear: true });
  const all = [...found.values()];
  if (remembered.size >= MOST) remembered.delete(remembered.keys().next().value!);
  remembered.set(key, all);
  return all;
}
