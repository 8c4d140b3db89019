import { fleschKincaid } from 'flesch-kincaid';
import { syllable } from 'syllable';
import { SHIPPED_MESSAGES } from '../lend/telling.ts';
import { sheetWords } from '../lend/sheetWords.ts';
import { loadPatterns } from '../patterns/index.ts';
import { usualMaterials } from '../patterns/usual.ts';

/** Years of school after which a sentence is read (Kincaid and others 1975), plus the five before school: an age. */
const readingAge = (sentence: string): number => {
  const words = sentence.match(/[\p{L}’'-]+/gu) ?? [];
  const counted = { sentence: 1, word: words.length, syllable: words.reduce((n, w) => n + syllable(w), 0) };
  return fleschKincaid(counted) + 5;
};
/** Of shorter ones one long word decides, and they are read at a glance. */
const LONG = 8;
const sentencesOf = (text: string): string[] =>
  text.split(/(?<=[.!?])\s+|; /).filter((s) => s.trim().split(/\s+/).length >= LONG);
const WORDS = { family: 'Teal Skiff', place: 'the cart', kit: 'Drop tub', label: 'one', day: '1 Dec' };
const filled = (text: string): string =>
  text.replace(/\{(\w+)\}/g, (_, k: string) => WORDS[k as keyof typeof WORDS] ?? 'two caps');

it('counts as the published formula does', () => {
  // 0.39 · words in a sentence + 11.8 · syllables in a word − 15.59: ten words of one syllable are 0.11.
  expect(readingAge('The cat sat on the mat and had a nap')).toBeCloseTo(0.39 * 10 + 11.8 - 15.59 + 5, 6);
});

describe('what families read', () => {
  it('of every pattern is for eleven-year-olds or younger, sentence by sentence', async () => {
    const hard: string[] = [];
    let read = 0;
    for (const p of await loadPatterns())
      for (const approach of ['prepared shelf', 'made together', 'grab bag'] as const) {
        const start = { approach, ageFrom: 30, chosen: usualMaterials(p.roles) };
        const at = { ...start, dials: p.defaults(start) };
        const show = p.show(at);
        const said = [p.does({}), show.say, show.lookFor, show.easier, show.harder, show.oneHand, show.stop];
        for (const s of [...said, ...(show.script ?? []).map((x) => x.words)].flatMap(sentencesOf)) {
          read++;
          // Up to the twelfth birthday one is eleven.
          if (readingAge(s) > 11.9) hard.push(`${p.id}: ${s}`);
        }
      }
    expect(read).toBeGreaterThan(200);
    expect(hard).toEqual([]);
  });
  it('of messages and papers is so, too', () => {
    // The deference to local rules is said in its own words, as it stands on every paper.
    const { caution: _, ...sheet } = sheetWords('en');
    const texts = [...Object.values(SHIPPED_MESSAGES.en!), ...Object.values(sheet)]
      .filter((x) => typeof x === 'string')
      .map(filled);
    const hard = texts.flatMap(sentencesOf).filter((s) => readingAge(s) > 11.9);
    expect(hard).toEqual([]);
  });
});
