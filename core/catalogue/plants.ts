import { nameWords, standsIn, standsNear } from './nameWords.ts';

/** How a plant is held by those who work with children: never, irritant (gloves, hands washed), commonly used. */
export const PLANT_STANDINGS = ['never', 'irritant', 'commonly used'] as const;
type PlantStanding = (typeof PLANT_STANDINGS)[number];

export interface Plant {
  /** Common names on both sides of the ocean, the first as the list shows it. */
  readonly names: readonly string[];
  /** Botanical name of the genus or species that is meant. */
  readonly botanical: string;
  readonly standing: PlantStanding;
  /** Which part of it. */
  readonly part: string;
}

/**
 * Garden, hedge and house plants, as `names | botanical | part`. From memory of what poisons centres and garden societies
 * publish; not complete, and no substitute for somebody who knows the plant: a name is often given to several.
 */
const NEVER = `
yew, English yew, Japanese yew | Taxus | every part but the red flesh, the seed most
oleander, rosebay | Nerium oleander | every part, the wood too
foxglove, digitalis | Digitalis | every part
lily of the valley, may bells | Convallaria majalis | every part
laburnum, golden chain, golden rain | Laburnum | every part, the seed most
daffodil, narcissus, jonquil | Narcissus | the bulb most, the sap irritates
monkshood, wolfsbane, aconite | Aconitum | every part, through the skin too
deadly nightshade, belladonna | Atropa belladonna | every part, the berry most
hemlock, poison hemlock | Conium maculatum | every part
water hemlock, cowbane | Cicuta | every part, the root most
hemlock water dropwort, dead tongue | Oenanthe crocata | every part, the root most
giant hogweed | Heracleum mantegazzianum | the sap burns in the sun
castor oil plant, castor bean, palma christi | Ricinus communis | the seed
rosary pea, jequirity bean, crab’s eye | Abrus precatorius | the seed
angel’s trumpet, brugmansia | Brugmansia | every part
thorn apple, jimsonweed, datura | Datura | every part, the seed most
henbane | Hyoscyamus niger | every part
autumn crocus, meadow saffron | Colchicum autumnale | every part
white snakeroot | Ageratina altissima | every part
lords and ladies, cuckoo pint, wild arum | Arum maculatum | every part, the berry most
dumb cane, dieffenbachia, leopard lily | Dieffenbachia | every part
spindle, spindle tree, burning bush | Euonymus | the berry most
mezereon, daphne, spurge laurel | Daphne | every part, the berry most
cherry laurel, laurel hedge, English laurel | Prunus laurocerasus | leaf and seed
privet | Ligustrum | the berry most
mistletoe | Viscum album | the berry most
rhododendron, azalea | Rhododendron | every part
larkspur, delphinium | Delphinium | every part, the seed most
hellebore, Christmas rose, Lenten rose | Helleborus | every part
lupin, lupine, bluebonnet | Lupinus | the seed
sweet pea | Lathyrus odoratus | the seed
Scotch broom, broom shrub | Cytisus scoparius | every part
false acacia, black locust, robinia | Robinia pseudoacacia | bark, leaf and seed
box hedge, boxwood | Buxus | every part
angel wings, caladium | Caladium | every part
poison ivy, poison oak, poison sumac | Toxicodendron | every part, by touch
sago palm, cycad | Cycas revoluta | every part, the seed most
lantana, shrub verbena | Lantana camara | the berry
black nightshade, woody nightshade, bittersweet | Solanum | the berry most
ragwort | Jacobaea vulgaris | every part
white bryony | Bryonia | every part, the berry and root most
pokeweed, pokeberry | Phytolacca americana | every part
wisteria | Wisteria | seed and pod
horse chestnut, conker, buckeye | Aesculus | the nut, when eaten
`;
const IRRITANT = `
ivy, English ivy, common ivy | Hedera | the sap, and the berry when eaten
spurge, euphorbia, wood spurge | Euphorbia | the milky sap, eyes most
poinsettia, Christmas star | Euphorbia pulcherrima | the milky sap
rubber plant, weeping fig, ficus | Ficus | the milky sap
fig, common fig | Ficus carica | the milky sap, in the sun
rue, herb of grace | Ruta graveolens | the leaf, in the sun
chrysanthemum, mum | Chrysanthemum | leaf and flower
tulip | Tulipa | the bulb
hyacinth | Hyacinthus | the bulb
primula, poison primrose | Primula obconica | the leaf
philodendron, sweetheart plant | Philodendron | the sap
Swiss cheese plant, monstera | Monstera deliciosa | the sap
peace lily, spathiphyllum | Spathiphyllum | the sap
devil’s ivy, pothos | Epipremnum aureum | the sap
Leyland cypress, leylandii, arborvitae, thuja | Cupressaceae | leaf and resin
juniper | Juniperus | leaf and resin
clematis, traveller’s joy, old man’s beard | Clematis | the sap
buttercup | Ranunculus | the sap
nettle, stinging nettle | Urtica | the stinging hair
holly | Ilex | the prickle, and the berry when eaten
hawthorn, may tree | Crataegus | the thorn
blackthorn, sloe | Prunus spinosa | the thorn, whose wounds fester
rose, dog rose, briar | Rosa | the thorn, and the hair in the hip
bramble, blackberry | Rubus | the thorn
pampas grass | Cortaderia | the edge of the leaf
yucca | Yucca | the point of the leaf
agave, century plant | Agave | point and sap
cactus, prickly pear | Opuntia | spine and bristle
borage, starflower | Borago officinalis | the bristle
tomato leaf, potato leaf | Solanum | the leaf
parsnip, wild parsnip | Pastinaca sativa | the sap, in the sun
`;
const COMMON = `
lavender | Lavandula | stem and flower
rosemary | Salvia rosmarinus | stem and leaf
mint, spearmint, peppermint | Mentha | stem and leaf
thyme | Thymus | stem and leaf
sage, common sage | Salvia officinalis | stem and leaf
willow, osier, withy | Salix | rod and twig
hazel, hazelnut, cobnut | Corylus | rod; ask about nut allergy
birch | Betula | twig
dogwood, red osier | Cornus | rod
bamboo | Bambusoideae | cane, sanded
lemon balm, melissa | Melissa officinalis | stem and leaf
chives | Allium schoenoprasum | leaf
wheat, wheat straw, barley, oats | Triticum | dried stem; ask about gluten
raffia | Raphia | dried leaf
bulrush, cattail, reedmace | Typha | dried leaf
fir, pine, spruce | Pinaceae | cone and twig, brushed free of resin
oak, acorn | Quercus | leaf and twig; an acorn is no food
beech | Fagus | leaf and twig
maple, sycamore | Acer | leaf and winged seed
lime tree, linden, basswood | Tilia | leaf and bast
apple tree, apple twig | Malus | twig
dandelion | Taraxacum | flower and leaf; its milk stains
daisy | Bellis perennis | flower
sunflower | Helianthus | head and stem; ask about seed allergy
pot marigold, calendula | Calendula | flower
nasturtium | Tropaeolum | leaf and flower
cornflower | Centaurea cyanus | flower
clover | Trifolium | leaf and flower
plantain, ribwort | Plantago | leaf and stalk
heather | Calluna | twig
spider plant | Chlorophytum comosum | leaf
eucalyptus, gum leaf | Eucalyptus | dried twig; strong smell, not for babies
`;

const read = (standing: PlantStanding, table: string): Plant[] =>
  table
    .trim()
    .split('\n')
    .map((line) => {
      const [names, botanical, part] = line.split('|').map((c) => c.trim()) as [string, string, string];
      return { names: names.split(',').map((n) => n.trim()), botanical, standing, part };
    });

/** The list, worst first. */
export const PLANTS: readonly Plant[] = [
  ...read('never', NEVER),
  ...read('irritant', IRRITANT),
  ...read('commonly used', COMMON),
];

interface Named {
  readonly plant: Plant;
  readonly words: readonly string[];
}
const NAMED: readonly Named[] = PLANTS.flatMap((plant) =>
  [...plant.names, plant.botanical].map((name) => ({ plant, words: nameWords(name) })),
).sort((a, b) => b.words.length - a.words.length);

/** A plant that a name speaks of; `isNear` where one letter is another, so that somebody has to say which it is. */
export interface PlantMeant {
  readonly plant: Plant;
  readonly isNear: boolean;
}

/**
 * The plant that a name speaks of, by the longest of its names whose words stand in it: `Ivy runner`, `Poison ivy leaf`. Of
 * two that are as long the worse counts. Where none stands in it, one that is a letter off (`daffodill`) is meant perhaps.
 *
 * @returns null where the list has none
 * @example plantMeant('Lolly stick')?.isNear // => true
 * @example plantMeant('Holly twig')?.isNear // => false
 */
export function plantMeant(name: string): PlantMeant | null {
  const words = nameWords(name);
  const said = NAMED.find((n) => standsIn(words, n.words));
  if (said) return { plant: said.plant, isNear: false };
  const near = NAMED.find((n) => standsNear(words, n.words));
  return near ? { plant: near.plant, isNear: true } : null;
}

/** The plant that a name speaks of, a letter off or not; null where the list has none. */
export const plantOf = (name: string): Plant | null => plantMeant(name)?.plant ?? null;
