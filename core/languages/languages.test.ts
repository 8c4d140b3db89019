import { inUnit } from '../measure/length.ts';
import { RULES } from '../safety/ruleList.ts';
import { ES } from './es/index.ts';
import { translatorTo } from './index.ts';
import { phrases, translation } from './phrases.ts';

const spanish = translatorTo('es')!;
const marks = (words: string, mark: string): number => words.split(mark).length - 1;

it('every phrase has as many numbers and names in both languages, and is there once', () => {
  for (const [english, other] of ES)
    expect([english, marks(other, '#'), marks(other, '~')]).toEqual([
      english,
      marks(english, '#'),
      marks(english, '~'),
    ]);
  expect(new Set(ES.map(([english]) => english)).size).toBe(ES.length);
});

it('every rule has its title and what is done about it in Spanish', () => {
  for (const r of RULES)
    for (const words of [r.title, r.remedy, r.remedyOlder])
      if (words !== undefined) expect([words, spanish(words)]).toEqual([words, expect.any(String)]);
});

it('puts numbers and names where they belong, and keeps names as the place calls them', () => {
  expect(spanish('Tape the mouth: 4 strips of 62.5 mm')).toBe('Cubra la boca con cinta: 4 tiras de 62.5 mm');
  expect(spanish('Wash 8 × Milk-bottle cap, 3 × Jam-jar lid, plastic')).toBe(
    'Lave 8 × Milk-bottle cap, 3 × Jam-jar lid, plastic',
  );
  expect(
    spanish('Only yellow, green: they stay bright when they run together. A little paint in a flat lid.'),
  ).toBe('Solo amarillo, verde: siguen vivos cuando se mezclan. Un poco de pintura en una tapa plana.');
  expect(spanish('Card, A4 and Bottle cork cannot be washed.')).toBe(
    'No se puede lavar: Card, A4 y Bottle cork.',
  );
});

it('goes sentence by sentence where the whole is not a phrase', () => {
  const into = translation(phrases('One.\n  Uno.\nTwo of ~.\n  Dos de ~.'), 'y');
  expect(into('One. Two of tea and milk. One.')).toBe('Uno. Dos de tea y milk. Uno.');
  // Half a translation would be worse than none.
  expect(into('One. Three.')).toBeNull();
  expect(into('Three.')).toBeNull();
});

it('says lengths that are then written in the unit of the place', () => {
  expect(inUnit(spanish('Cut the post to 254 mm')!, 'in')).toMatch(/^Corte el poste a 10/);
});

it('has no words of its own for a language that nobody wrote', () => {
  expect(translatorTo('pl')).toBeNull();
  expect(translatorTo('en')!('Cut it out')).toBe('Cut it out');
});
