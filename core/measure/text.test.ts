import fc from 'fast-check';
import { strayCharacter, strayTexts } from './text.ts';

test.each([
  ['Milk-bottle cap, 38 × 14 mm', null],
  ['two\r\nlines\tand a tab', null],
  ['Ærøskøbing 貝殻 🐚', null],
  ['', null],
  ['a\u0000b', 'U+0000'],
  ['bell\u0007', 'U+0007'],
  ['\u001b[31m', 'U+001B'],
  ['del\u007f', 'U+007F'],
  ['c1\u0085', 'U+0085'],
  ['half \ud83d pair', 'U+D83D'],
  ['other half \udc1a', 'U+DC1A'],
  ['ends in half \ud83d', 'U+D83D'],
])('%j holds %p', (text, stray) => {
  expect(strayCharacter(text)).toBe(stray);
});

test('agrees with the well-formedness of the language itself, controls apart', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 0xa0, max: 0xffff }), { maxLength: 6 }), (codes) => {
      const text = String.fromCharCode(...codes);
      const wellFormed = (text as string & { isWellFormed(): boolean }).isWellFormed();
      expect(strayCharacter(text) === null).toBe(wellFormed);
    }),
  );
});

test('names every text at fault by its path', () => {
  expect(
    strayTexts({ name: 'Cap\u0000', parts: [{ word: 'well' }, { word: 'ill\u0001' }], n: 3, none: null }),
  ).toEqual([
    { path: 'name', message: 'holds U+0000, which cannot be printed; expected plain words' },
    { path: 'parts.1.word', message: 'holds U+0001, which cannot be printed; expected plain words' },
  ]);
});

test('a body a hundred thousand levels deep is walked to its end', () => {
  let deep: unknown = 'a\u0000';
  for (let i = 0; i < 100_000; i++) deep = [deep];
  expect(strayTexts(deep)).toHaveLength(1);
});
