import { nameWords } from '../../catalogue/nameWords.ts';
import { FORMS, MATERIAL_CLASSES, SOLIDS, type Form } from '../../materials/kinds.ts';

export type MaterialClass = (typeof MATERIAL_CLASSES)[number];
/** What a word says of a thing: its form, for a piece its solid, and what such a thing is usually made of. */
export interface FormMeant {
  readonly form: Form;
  readonly solid?: (typeof SOLIDS)[number];
  readonly materialClass: MaterialClass;
}

/** Common practice, without a source. */
const WORDS: readonly (readonly [string, FormMeant])[] = [
  ['cap lid top disc button counter bung', { form: 'disc', materialClass: 'plastic' }],
  ['plate', { form: 'disc', materialClass: 'card' }],
  [
    'tub pot bucket bottle jar jug tray bowl container basket',
    { form: 'container', materialClass: 'plastic' },
  ],
  ['tin can', { form: 'container', materialClass: 'metal' }],
  ['box carton cup crate', { form: 'container', materialClass: 'card' }],
  ['tube roll', { form: 'tube', materialClass: 'card' }],
  ['straw', { form: 'tube', materialClass: 'paper' }],
  ['pipe hose', { form: 'tube', materialClass: 'plastic' }],
  ['card cardboard panel sheet board', { form: 'sheet', materialClass: 'card' }],
  ['paper note envelope page', { form: 'sheet', materialClass: 'paper' }],
  ['felt cloth fabric scarf towel net', { form: 'sheet', materialClass: 'fabric' }],
  ['lace string cord wool yarn ribbon rope thread twine', { form: 'cord', materialClass: 'fabric' }],
  ['tape', { form: 'consumable', materialClass: 'tape' }],
  ['glue', { form: 'consumable', materialClass: 'glue' }],
  ['sticker label', { form: 'consumable', materialClass: 'paper' }],
  ['bag pouch', { form: 'consumable', materialClass: 'plastic' }],
  ['peg clothespin block brick cube tile', { form: 'piece', solid: 'block', materialClass: 'wood' }],
  ['stick', { form: 'piece', solid: 'block', materialClass: 'wood' }],
  ['sponge', { form: 'piece', solid: 'block', materialClass: 'foam' }],
  ['bead ball', { form: 'piece', solid: 'ball', materialClass: 'wood' }],
  ['pompom pom', { form: 'piece', solid: 'ball', materialClass: 'fabric' }],
  ['marble', { form: 'piece', solid: 'ball', materialClass: 'glass' }],
  ['cork', { form: 'piece', solid: 'rod', materialClass: 'cork' }],
  ['dowel rod pencil spoon twig', { form: 'piece', solid: 'rod', materialClass: 'wood' }],
  ['egg', { form: 'piece', solid: 'egg', materialClass: 'wood' }],
  ['shell pebble stone', { form: 'piece', solid: 'egg', materialClass: 'stone' }],
];
const MEANT = new Map(WORDS.flatMap(([words, meant]) => words.split(' ').map((w) => [w, meant] as const)));

/**
 * What form a name means: its last word that names one decides, so that a bottle cap is a cap and a cap box a box. The
 * names of the forms and solids themselves count too.
 *
 * @example formMeant('Milk bottle caps, red')?.form // => 'disc'
 */
export function formMeant(text: string): FormMeant | null {
  const words = nameWords(text.split(/[,(]/)[0] ?? '').reverse();
  for (const word of words) {
    const meant = MEANT.get(word);
    if (meant) return meant;
    const solid = SOLIDS.find((s) => s === word);
    if (solid) return { form: 'piece', solid, materialClass: 'wood' };
    const form = FORMS.find((f) => f === word && f !== 'piece');
    if (form) return { form, materialClass: 'plastic' };
  }
  return null;
}

const CLASSES: readonly (readonly [string, MaterialClass])[] = [
  ['plastic', 'plastic'],
  ['card cardboard board', 'card'],
  ['paper', 'paper'],
  ['wood wooden bamboo', 'wood'],
  ['cork', 'cork'],
  ['metal tin steel aluminium aluminum iron', 'metal'],
  ['glass', 'glass'],
  ['stone', 'stone'],
  ['fabric cloth cotton felt wool textile', 'fabric'],
  ['foam sponge', 'foam'],
  ['rubber silicone', 'rubber'],
];
const CLASS = new Map(CLASSES.flatMap(([words, c]) => words.split(' ').map((w) => [w, c] as const)));

/** What something is made of, as somebody wrote it; null where no class is named. */
export function classMeant(text: string): MaterialClass | null {
  const t = text.trim().toLowerCase();
  const named = MATERIAL_CLASSES.find((c) => c === t);
  if (named) return named;
  for (const word of nameWords(text)) {
    const found = CLASS.get(word);
    if (found) return found;
  }
  return null;
}
