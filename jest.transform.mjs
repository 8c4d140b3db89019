import { createRequire } from 'node:module';

const { createTransformer } = createRequire(import.meta.url)('@swc/jest');
const swc = createTransformer({
  jsc: {
    parser: { syntax: 'typescript', tsx: true },
    target: 'es2023',
    transform: { react: { runtime: 'automatic' } },
  },
  module: { type: 'es6' },
});

/** Names of the language that a test's own world looks up anew each time they are used, through a door that is slow. */
const GLOBALS = ['Math', 'Number', 'Infinity', 'Array', 'Object', 'Float64Array', 'Map', 'Set', 'JSON'];

/** The same source with those names bound once a module; on its first line, so that lines keep their numbers. */
function bound(source, file) {
  if (!/\/core\/.*(?<!\.test)\.ts$|\/clipper2-ts\//.test(file)) return source;
  const names = GLOBALS.filter(
    (name) =>
      new RegExp(`\\b${name}\\b`).test(source) &&
      !new RegExp(`(?:import|const|let|class|function)[^;=(]*\\b${name}\\b\\s*[,}=({]`).test(source),
  );
  return names.length === 0 ? source : `const { ${names.join(', ')} } = globalThis; ${source}`;
}

export default {
  ...swc,
  getCacheKey: (...about) => `${swc.getCacheKey(...about)}-${GLOBALS.join('')}`,
  process: (source, file, options) => swc.process(bound(source, file), file, options),
  processAsync: (source, file, options) => swc.processAsync(bound(source, file), file, options),
};
