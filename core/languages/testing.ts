import { readdirSync } from 'node:fs';
import { isLiteralElement } from '@formatjs/icu-messageformat-parser';
import { IntlMessageFormat } from 'intl-messageformat';
import type { AnyAt, OpenPattern } from '../patterns/index.ts';
import { checkIn } from '../safety/check.ts';
import type { Language } from './messages.ts';

/** All that a paper for a family says of a design, in its language. */
export function saidOf(p: OpenPattern, at: AnyAt & { readonly language: Language }): string[] {
  const show = p.show(at);
  const { findings } = checkIn((to) => p.features({ ...at, ...to, language: to.language }), {
    youngest: at.ageFrom,
    market: 'strictest of both',
    language: at.language,
  });
  return [
    p.does(at),
    ...p.steps(at).flatMap((s) => [s.title, s.words]),
    ...p.plan(at).cuts.map((c) => c.label),
    ...[show.say, show.lookFor, show.easier, show.harder, show.more, show.oneHand, show.stop],
    ...(show.script ?? []).map((s) => s.words),
    ...p.levels(at).flatMap((r) => [r.name, r.grip]),
    ...findings
      .filter((f) => f.verdict !== 'clear')
      .flatMap((f) => [f.title, f.words, f.remedy ?? '', f.where]),
  ];
}

const tokens = (words: string): string[] => words.toLowerCase().match(/\p{L}+/gu) ?? [];

/** The words of a message; names of values and of cases are none. */
const wordsOf = (elements: ReturnType<IntlMessageFormat['getAst']>): string[] =>
  elements.flatMap((e) => {
    if ('options' in e) return Object.values(e.options).flatMap((o) => wordsOf(o.value));
    return isLiteralElement(e) ? tokens(e.value) : [];
  });

/** Every word that stands in a Spanish message. */
async function spanishWords(): Promise<ReadonlySet<string>> {
  const root = new URL('../', import.meta.url);
  const files = readdirSync(root, { recursive: true, encoding: 'utf8' }).filter((f) =>
    /(^|[/.])es\.ts$/.test(f),
  );
  const all = await Promise.all(
    files.map(
      async (f) => Object.values(((await import(new URL(f, root).href)) as { es: object }).es) as string[],
    ),
  );
  return new Set(
    all
      .flat()
      .flatMap((m) => wordsOf(new IntlMessageFormat(m, 'es', undefined, { ignoreTag: true }).getAst())),
  );
}
const SPANISH = await spanishWords();
const UNITS = new Set(['mm', 'g', 'n', 's', 'h', 'kg', 'ml', 'kgmm']);

/** The words that are names, and stay as they are in every language: those of materials. */
export const namesIn = (at: AnyAt): ReadonlySet<string> =>
  new Set(Object.values(at.chosen).flatMap((list) => list.flatMap((m) => tokens(m.name))));

/** Whether something that is not a name has stayed in English. */
export function isUntold(words: string, english: string, names: ReadonlySet<string>): boolean {
  const said = tokens(words).filter((w) => !names.has(w) && !UNITS.has(w));
  return said.some((w) => !SPANISH.has(w)) || (said.length > 1 && words === english);
}
