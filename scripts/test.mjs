// npm test: installs what is missing, then types, lint, import arrows, Jest and Playwright; one closing line counts them.
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuild, ensureDebian, ensurePackages, say } from './lib.mjs';

ensurePackages();
ensureDebian([
  { name: 'chromium', file: '/usr/bin/chromium' },
  { name: 'poppler-utils', file: '/usr/bin/pdftoppm' },
  { name: 'zbar-tools', file: '/usr/bin/zbarimg' },
]);

const folder = mkdtempSync(join(tmpdir(), 'fox-button-test-'));
let passed = 0;
let failed = 0;
/** A check that says nothing for so long hangs, ms: a slow machine is slow, it is not silent for ever. */
const SILENT = 20 * 60_000;
/**
 * One check to its end, however long that takes: it is ended only when it is silent for too long. What it says is shown at
 * once, or kept until its end where several run beside each other.
 *
 * @returns whether it passed
 */
const check = (name, [command, args], { env = {}, atEnd = false } = {}) =>
  new Promise((done) => {
    say(name);
    const began = Date.now();
    const said = [];
    // A group of its own, so that what it started ends with it.
    const child = spawn(command, args, {
      env: { ...process.env, ...env },
      detached: true,
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    const end = () => {
      said.push(Buffer.from(`${name} said nothing for ${SILENT / 60_000} minutes and was ended.\n`));
      if (!atEnd) process.stderr.write(said.at(-1));
      process.kill(-child.pid, 'SIGKILL');
    };
    let clock = setTimeout(end, SILENT);
    for (const [stream, to] of [
      [child.stdout, process.stdout],
      [child.stderr, process.stderr],
    ])
      stream.on('data', (part) => {
        clearTimeout(clock);
        clock = setTimeout(end, SILENT);
        if (atEnd) said.push(part);
        else to.write(part);
      });
    child.on('error', (error) => console.error(error.message));
    child.on('close', (code) => {
      clearTimeout(clock);
      if (atEnd) process.stdout.write(Buffer.concat(said));
      say(`${name}: ${code === 0 ? 'passed' : 'FAILED'} in ${Math.round((Date.now() - began) / 1000)} s`);
      done(code === 0);
    });
  });
const node = (script, ...args) => [process.execPath, [script, ...args]];
/** Checks that take one core each, beside each other; what each says is printed when it ends. */
const beside = (list) =>
  Promise.all(
    list.map(async ([name, command]) => {
      if (await check(name, command, { atEnd: true })) passed++;
      else failed++;
    }),
  );
/** A runner that counts its own tests in a report; no report counts as one failure. */
const counted = async (name, command, env, report, read) => {
  const ok = await check(name, command, { env });
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
  ['Unused code', node('node_modules/knip/bin/knip.js')],
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
await counted(
  'Jest',
  node('node_modules/jest/bin/jest.js', '--json', `--outputFile=${jestReport}`, '--silent', '--forceExit'),
  { NODE_OPTIONS: '--experimental-vm-modules --no-warnings' },
  jestReport,
  (r) => [r.numPassedTests, r.numFailedTests + r.numRuntimeErrorTestSuites],
);
try {
  ensureBuild();
  const e2eReport = join(folder, 'e2e.json');
  await counted(
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
