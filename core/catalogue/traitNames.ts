import type { Material, Trait } from '../materials/material.ts';
import { nameWords, standsIn } from './nameWords.ts';

/** What a material usually is by its name, in English and in Spanish: a suggestion for who enters it, nothing else asks it. */
const NAMES: Readonly<Record<Trait, string>> = {
  'clips on a rim': 'peg, clothespin, clothes pin, clip, pinza de ropa, pinza para ropa, pinza, clip',
  'grips when squeezed': 'tongs, tong, tweezers, tweezer, pinzas de cocina, pinzas de depilar',
  'cage of wires': 'whisk, batidor, batidora de varillas, varillas',
  'stays bent': 'pipe cleaner, chenille, fuzzy stem, wire, limpiapipas, alambre',
  flour: 'flour, harina',
  salt: 'salt, sal',
};
const KNOWN = (Object.entries(NAMES) as [Trait, string][]).map(
  ([trait, names]) => [trait, names.split(',').map((n) => nameWords(n))] as const,
);

/**
 * What a material can do, guessed from its name alone.
 *
 * @example traitsNamed({ name: 'Pinza de la ropa' }) // => ['clips on a rim']
 * @example traitsNamed({ name: 'Wheat flour, bag' }) // => ['flour']
 * @example traitsNamed({ name: 'Milk cap' }) // => []
 */
export function traitsNamed(m: Pick<Material, 'name'>): Trait[] {
  const words = nameWords(m.name);
  return KNOWN.filter(([, names]) => names.some((n) => standsIn(words, n))).map(([trait]) => trait);
}
