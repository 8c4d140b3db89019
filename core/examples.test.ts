import { readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { runInNewContext } from 'node:vm';

const HERE = import.meta.dirname;
/** Every example of a docstring: an expression, `// =>` and what comes out. */
const EXAMPLE = /@example (.+?) \/\/ => (.+?)(?: \*\/)?$/gm;

interface Example {
  readonly file: string;
  readonly asked: string;
  readonly given: string;
}
const files = readdirSync(HERE, { recursive: true, withFileTypes: true })
  .filter((f) => f.isFile() && f.name.endsWith('.ts') && !f.name.includes('.test.'))
  .map((f) => join(f.parentPath, f.name));
const text = new Map(files.map((file) => [file, readFileSync(file, 'utf8')]));
const examples = [...text].flatMap(([file, source]): Example[] =>
  [...source.matchAll(EXAMPLE)].map(([, asked, given]) => ({ file, asked: asked!, given: given! })),
);

/** Runs an expression with names in scope. */
const evaluate = (expression: string, scope: object): unknown =>
  runInNewContext(`(${expression})`, { ...scope });

/** Whole numbers exactly, others to a thousandth; of an object what the example names. */
function isGiven(found: unknown, given: unknown): boolean {
  if (typeof given === 'number' && typeof found === 'number')
    return Number.isInteger(given)
      ? Math.abs(found - given) < 1e-9
      : Math.abs(found - given) <= 1e-3 * Math.abs(given);
  if (Array.isArray(given))
    return (
      Array.isArray(found) && found.length === given.length && given.every((g, i) => isGiven(found[i], g))
    );
  if (typeof given === 'object' && given !== null)
    return (
      typeof found === 'object' &&
      found !== null &&
      Object.entries(given).every(([k, g]) => isGiven((found as Record<string, unknown>)[k], g))
    );
  return Object.is(found, given);
}

it('every example says what comes out', () => {
  const all = [...text.values()].reduce((n, source) => n + source.split('@example ').length - 1, 0);
  expect(examples).toHaveLength(all);
  expect(examples.length).toBeGreaterThan(20);
});

it.each(examples.map((e) => [`${relative(HERE, e.file)}: ${e.asked}`, e] as const))(
  '%s',
  async (_, { file, asked, given }) => {
    const found = evaluate(asked, (await import(file)) as object);
    const wanted = evaluate(given, {});
    expect([found, isGiven(found, wanted)]).toEqual([found, true]);
  },
);
