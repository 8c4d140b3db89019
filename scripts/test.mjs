// npm test: installs what is missing, then types, lint, import arrows, Jest and Playwright; one closing line counts them.
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuild, ensureDebian, ensurePackages, say, spawnSync } from './lib.mjs';

ensurePackages();
ensureDebian([
  { name: 'chromium', file: '/usr/bin/chromium' },
  { name: 'poppler-utils', file: '/usr/bin/pdftoppm' },
  { name: 'zbar-tools', file: '/usr/bin/zbarimg' },
]);

const folder = mkdtempSync(join(tmpdir(), 'fox-button-test-'));
let passed = 0;
let failed = 0;
const MINUTES = 60_000;
/** One check that passes or fails as a whole, ended when it takes too long. */
const check = (name, command, args, { env = {}, minutes = 8 } = {}) => {
  say(name);
  const began = Date.now();
  const done = spawnSync(command, args, {
    stdio: 'inherit',
    env: { ...process.env, ...env },
    timeout: minutes * MINUTES,
    killSignal: 'SIGKILL',
  });
  if (done.error) console.error(done.error.message);
  say(`${name}: ${done.status === 0 ? 'passed' : 'FAILED'} in ${Math.round((Date.now() - began) / 1000)} s`);
  return done.status === 0;
};
const node = (script, ...args) => [process.execPath, [script, ...args]];
/** Checks that take one core each, beside each other; what each says is printed when it ends. */
const beside = (list) =>
  Promise.all(
    list.map(
      ([name, [command, args]]) =>
        new Promise((done) => {
          say(name);
          const began = Date.now();
          const said = [];
          const child = spawn(command, args, { timeout: 8 * MINUTES, killSignal: 'SIGKILL' });
          for (const stream of [child.stdout, child.stderr]) stream.on('data', (part) => said.push(part));
          child.on('error', (error) => said.push(Buffer.from(`${error.message}\n`)));
          child.on('close', (code) => {
            process.stdout.write(Buffer.concat(said));
            say(
              `${name}: ${code === 0 ? 'passed' : 'FAILED'} in ${Math.round((Date.now() - began) / 1000)} s`,
            );
            if (code === 0) passed++;
            else failed++;
            done();
          });
        }),
    ),
  );
/** A runner that counts its own tests in a report; no report counts as one failure. */
const counted = (name, [command, args], env, report, read) => {
  const ok = check(name, command, args, { env, minutes: 20 });
  try {
    const [p, f] = read(JSON.parse(readFileSync(report, 'utf8')));
    passed += p;
    failed += f + (!ok && f === 0 ? 1 : 0);
  } catch {
    failed++;
  }
};

await beside([
  ['Types', node('node_modules/typescript/bin/tsc')],
  ['Lint', node('node_modules/eslint/bin/eslint.js', '.')],
  [
    'Import arrows',
    node(
      'node_modules/dependency-cruiser/bin/dependency-cruise.mjs',
      'core',
      'contract',
      'server',
      'web',
      'demo',
      '--config',
      '.dependency-cruiser.cjs',
    ),
  ],
]);
const jestReport = join(folder, 'jest.json');
counted(
  'Jest',
  node('node_modules/jest/bin/jest.js', '--json', `--outputFile=${jestReport}`, '--silent', '--forceExit'),
  { NODE_OPTIONS: '--experimental-vm-modules --no-warnings' },
  jestReport,
  (r) => [r.numPassedTests, r.numFailedTests + r.numRuntimeErrorTestSuites],
);
try {
  ensureBuild();
  const e2eReport = join(folder, 'e2e.json');
  counted(
    'Playwright',
    node('node_modules/@playwright/test/cli.js', 'test'),
    { FOX_E2E_REPORT: e2eReport },
    e2eReport,
    (r) => [r.stats.expected, r.stats.unexpected + r.stats.flaky],
  );
} catch (error) {
  console.error(error.message);
  failed++;
}
rmSync(folder, { recursive: true, force: true });
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);
