/** A phrase as it is written in English, and in another language. `#` stands for a number, `~` for words. */
export type Phrase = readonly [english: string, other: string];

/** Phrases as they are read best: each in English, and under it, set in, in the other language. */
export const phrases = (text: string): Phrase[] => {
  const lines = text.split('\n').filter((line) => line.trim() !== '');
  return Array.from(
    { length: lines.length / 2 },
    (_, i) => [lines[2 * i]!, lines[2 * i + 1]!.trim()] as const,
  );
};

const NUMBER = '\\d+(?:\\.\\d+)?';
const SENTENCE_END = /(?<=[.?!][”)]?)\s+/;
const numbersIn = (words: string): string[] => words.match(new RegExp(NUMBER, 'g')) ?? [];

interface Pattern {
  readonly match: RegExp;
  readonly marks: readonly string[];
  readonly other: string;
}

const patternOf = ([english, other]: Phrase): Pattern => ({
  match: new RegExp(
    `^${english
      .replace(/[.*+?^${}()|[\]\\]/g, '\\$&')
      .replace(/#/g, `(${NUMBER})`)
      .replace(/~/g, '(.+?)')}$`,
  ),
  marks: english.match(/[#~]/g) ?? [],
  other,
});

/** What says in another language what was put together in English; null where it has no words for it. */
export type Translate = (english: string) => string | null;

/**
 * A translation by phrases. Whole phrases come first, the longest before shorter ones, then sentence by sentence.
 * Words in a hole are translated where they are phrases or lists of them; other ones are names, and stay as they are.
 *
 * @param and between the last two of a list
 */
export function translation(all: readonly Phrase[], and: string): Translate {
  const plain = new Map(all.filter(([e]) => !e.includes('~')));
  const patterns = all
    .filter(([e]) => e.includes('~'))
    .sort((a, b) => b[0].length - a[0].length)
    .map(patternOf);

  const filled = (other: string, values: readonly string[]): string => {
    let at = 0;
    return other.replace(/[#~]/g, () => values[at++]!);
  };
  function phrase(english: string): string | null {
    const same = plain.get(english.replace(new RegExp(NUMBER, 'g'), '#'));
    if (same !== undefined) return filled(same, numbersIn(english));
    for (const p of patterns) {
      const found = p.match.exec(english);
      if (found)
        return filled(
          p.other,
          found.slice(1).map((x, i) => (p.marks[i] === '~' ? inHole(x) : x)),
        );
    }
    return null;
  }
  /** Lists are taken apart only here: a sentence has its commas for other reasons. */
  function inHole(words: string): string {
    const whole = translate(words);
    if (whole !== null) return whole;
    const [before, last] = words.split(/ and (?=[^,]+$)/);
    if (last !== undefined) return `${inHole(before!)} ${and} ${inHole(last)}`;
    const list = words.split(', ');
    // What begins large is a name, and a name may have a comma: “Lid, plastic”.
    return list.length > 1 && !/^\p{Lu}/u.test(words) ? list.map(inHole).join(', ') : words;
  }
  function translate(english: string): string | null {
    const whole = phrase(english);
    if (whole !== null) return whole;
    const sentences = english.split(SENTENCE_END);
    if (sentences.length < 2) return null;
    const each = sentences.map(phrase);
    return each.every((s) => s !== null) ? each.join(' ') : null;
  }
  return translate;
}
