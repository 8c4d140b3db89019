import { isLiteralElement } from '@formatjs/icu-messageformat-parser';
import { IntlMessageFormat } from 'intl-messageformat';
import { readdirSync } from 'node:fs';
import { inUnit } from '../measure/length.ts';
import { RULES } from '../safety/ruleList.ts';
import { withWords } from '../safety/ruleWords.ts';
import { languageOf, LANGUAGES, messages } from './messages.ts';

type Messages = Readonly<Record<string, string>>;
const root = new URL('../', import.meta.url);
const parts = await Promise.all(
  readdirSync(root, { recursive: true, encoding: 'utf8' })
    .filter((f) => /(^|[/.])en\.ts$/.test(f))
    .map(async (f): Promise<[string, Messages, Messages]> => {
      const load = async (language: string): Promise<Messages> => {
        const path = new URL(f.replace(/en\.ts$/, `${language}.ts`), root).href;
        return ((await import(path)) as Record<string, Messages>)[language]!;
      };
      return [f, await load('en'), await load('es')];
    }),
);

type Ast = ReturnType<IntlMessageFormat['getAst']>;
/** Values that a message is told, each once. */
const valuesOf = (elements: Ast): string[] =>
  elements.flatMap((e) => [
    ...(isLiteralElement(e) || !('value' in e) ? [] : [e.value]),
    ...('options' in e ? Object.values(e.options).flatMap((o) => valuesOf(o.value)) : []),
  ]);
const astOf = (message: string, language: string): Ast =>
  new IntlMessageFormat(message, language, undefined, { ignoreTag: true }).getAst();

it('finds the sentences of every pattern and of the check', () => {
  expect(parts.length).toBeGreaterThan(18);
  expect(parts.flatMap(([, en]) => Object.keys(en)).length).toBeGreaterThan(800);
});
it.each(parts)('%s has the same sentences in both languages', (_, en, es) => {
  expect(Object.keys(es).sort()).toEqual(Object.keys(en).sort());
});
it.each(parts)('%s says in Spanish no value that its English is not told', (_, en, es) => {
  for (const [key, message] of Object.entries(es)) {
    const told = new Set(valuesOf(astOf(en[key]!, 'en')));
    // A case may stand for a name: `name` beside `colour`, `id` beside `hazard`.
    const asked = valuesOf(astOf(message, 'es')).filter((v) => v !== 'id' && v !== 'name');
    expect([key, asked.filter((v) => !told.has(v))]).toEqual([key, []]);
    for (const v of told)
      if (!['measure', 'end', 'shows'].includes(v))
        expect([key, v, message]).toEqual([key, v, expect.stringContaining(v)]);
  }
});

it('a rule says its own limit, also where a place has changed it', () => {
  const ball = RULES.find((r) => r.id === 'small-ball' && r.market === 'EU-type')!;
  expect(ball.remedy).toBe('Use a ball over 44.5 mm, or something that is not round.');
  expect(withWords({ ...ball, limit: 50 }, { language: 'es' })).toMatchObject({
    title: 'Bolas',
    remedy: 'Use una bola de más de 50 mm, o algo que no sea redondo.',
  });
  for (const r of RULES)
    expect([r.id, r.title, r.remedy]).toEqual([
      r.id,
      expect.stringMatching(/./),
      expect.stringMatching(/\.$/),
    ]);
});

it('counts in the words of the language', () => {
  const text = messages({
    en: { rings: '{n, plural, one {{n} ring} other {{n} rings}}' },
    es: { rings: '{n, plural, one {{n} aro} other {{n} aros}}' },
  });
  expect([1, 2, 1200].map((n) => text({}, 'rings', { n }))).toEqual(['1 ring', '2 rings', '1200 rings']);
  expect([1, 2].map((n) => text({ language: 'es' }, 'rings', { n }))).toEqual(['1 aro', '2 aros']);
  expect(() => text({}, 'rings')).toThrow(/"n"/);
});

it('says lengths that are then written in the unit of the place', () => {
  const text = messages({ en: { cut: 'Cut to {mm} mm' }, es: { cut: 'Corte el poste a {mm} mm' } });
  expect(inUnit(text({ language: 'es' }, 'cut', { mm: 254 }), 'in')).toMatch(/^Corte el poste a 10/);
});

it('has no sentences in a language that nobody wrote', () => {
  expect(LANGUAGES.map(languageOf)).toEqual(['en', 'es']);
  expect(languageOf('pl')).toBeNull();
});
