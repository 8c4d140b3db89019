import { parseLength, type LengthUnit } from '../measure/length.ts';
import { extentsOf, shapeOf, type Form, type MaterialInput } from '../materials/material.ts';
import { SKILLS } from '../patterns/kernel.ts';
import { leastHole, skillsServed } from './serves.ts';
import { wordSearch } from './wordSearch.ts';

const FORM_WORDS: Record<string, Form> = {
  piece: 'piece',
  pieces: 'piece',
  cap: 'disc',
  caps: 'disc',
  disc: 'disc',
  discs: 'disc',
  sheet: 'sheet',
  sheets: 'sheet',
  panel: 'sheet',
  panels: 'sheet',
  tube: 'tube',
  tubes: 'tube',
  container: 'container',
  containers: 'container',
  cord: 'cord',
  cords: 'cord',
};
const LENGTH = String.raw`([\d.,/½¼¾⅛⅜⅝⅞⅓⅔\s-]*[\d½¼¾⅛⅜⅝⅞⅓⅔]\s*(?:mm|cm|m|in|inch|inches|"|″)?)`;
const PHRASES: readonly [RegExp, (mm: number) => Test][] = [
  [
    new RegExp(`(?:fits?|goes?)\\s+through\\s+${LENGTH}`, 'i'),
    (mm) => ({
      words: `fits through a round hole of ${mm} mm`,
      test: (m) => (leastHole(m) ?? Infinity) <= mm + 1e-9,
    }),
  ],
  [
    new RegExp(`(?:longer|more)\\s+than\\s+${LENGTH}`, 'i'),
    (mm) => ({ words: `longer than ${mm} mm`, test: (m) => longest(m) > mm }),
  ],
  [
    new RegExp(`(?:shorter|less)\\s+than\\s+${LENGTH}`, 'i'),
    (mm) => ({ words: `shorter than ${mm} mm`, test: (m) => longest(m) > 0 && longest(m) < mm }),
  ],
  [
    new RegExp(`wider\\s+than\\s+${LENGTH}`, 'i'),
    (mm) => ({ words: `wider than ${mm} mm`, test: (m) => middle(m) > mm }),
  ],
  [
    new RegExp(`(?:deeper|taller|higher)\\s+than\\s+${LENGTH}`, 'i'),
    (mm) => ({ words: `deeper than ${mm} mm`, test: (m) => (m.sizes.height ?? 0) > mm }),
  ],
];

interface Test {
  readonly words: string;
  test(m: MaterialInput): boolean;
}
const extents = (m: MaterialInput): readonly [number, number, number] => {
  const shape = shapeOf(m);
  return shape ? extentsOf(shape) : [m.sizes.length ?? 0, m.sizes.width ?? 0, 0];
};
const longest = (m: MaterialInput): number => extents(m)[0];
const middle = (m: MaterialInput): number => extents(m)[1];

export interface Find<M> {
  /** How the wish was understood, for the eye. */
  readonly understood: readonly string[];
  /** What meets it, the best match first. */
  readonly found: readonly M[];
}

/** Words that bind and say nothing. */
const BARE = ['and', 'a', 'an', 'the', 'of', 'with'];

/**
 * A search over a shelf, made once for a list. It reads a wish as people say it: part of a name (in British or American
 * words, one letter wrong at most), a form (`tubes`), a skill (`hand strength`), `fits through 20 mm`, `longer than 100 mm`,
 * `shorter than 4 in`, `wider than`, `deeper than`; several together must all hold.
 */
export function shelfSearch<M extends MaterialInput>(
  materials: readonly M[],
): (text: string, unit: LengthUnit) => Find<M> {
  const search = wordSearch(materials.map((m, id) => ({ id, name: m.name, more: m.catalogue ?? '' })));
  return (text, unit) => {
    let rest = ` ${text.trim()} `;
    const tests: Test[] = [];
    for (const [pattern, make] of PHRASES) {
      const m = pattern.exec(rest);
      if (!m) continue;
      try {
        tests.push(make(parseLength(m[1]!, unit)));
        rest = rest.replace(m[0], ' ');
      } catch {
        // No length after all: the words stay part of the name.
      }
    }
    for (const skill of SKILLS) {
      const at = rest.toLowerCase().indexOf(` ${skill.toLowerCase()} `);
      if (at < 0) continue;
      rest = `${rest.slice(0, at)} ${rest.slice(at + skill.length + 1)}`;
      tests.push({ words: `serves ${skill.toLowerCase()}`, test: (m) => skillsServed(m).includes(skill) });
    }
    const words = rest
      .toLowerCase()
      .split(/\s+/)
      .filter((w) => w && !BARE.includes(w));
    // A form may be meant by its word, or the word stands in the name.
    const forms = words.filter((w) => FORM_WORDS[w] !== undefined);
    const named = words.filter((w) => FORM_WORDS[w] === undefined);
    const ranked = search(named.join(' '));
    const byName = new Map(forms.map((w) => [w, new Set(search(w))]));
    const found = ranked.filter(
      (i) =>
        tests.every((t) => t.test(materials[i]!)) &&
        forms.every((w) => FORM_WORDS[w] === materials[i]!.form || byName.get(w)!.has(i)),
    );
    return { understood: tests.map((t) => t.words), found: found.map((i) => materials[i]!) };
  };
}
