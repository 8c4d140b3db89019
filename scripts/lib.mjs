// Small helpers for the scripts; nothing here needs node_modules.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, readFileSync, statSync, writeFileSync, mkdirSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { createServer } from 'node:net';

export const say = (words) => console.log(`\u2022 ${words}`);

/** Runs a command to its end, its output shown; throws when it fails. */
export function run(command, args, options = {}) {
  const done = spawnSync(command, args, { stdio: 'inherit', ...options });
  if (done.error) throw done.error;
  if (done.status !== 0)
    throw new Error(`${command} ${args.slice(0, 3).join(' ')} ended with ${done.status}`);
}

/** Installs the packages when they are not there, or when the lock file has changed since. */
export function ensurePackages() {
  const lock = createHash('sha256').update(readFileSync('package-lock.json')).digest('hex');
  const mark = 'node_modules/.fox-lock';
  if (existsSync(mark) && readFileSync(mark, 'utf8') === lock) return;
  say('Installing packages (about a minute the first time)');
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']);
  writeFileSync(mark, lock);
}

/** Debian's Chromium, and poppler to look into the PDFs; installed when missing. */
export function ensureDebian(packages) {
  const missing = packages.filter(({ file }) => !existsSync(file));
  if (missing.length === 0) return;
  const names = missing.map((p) => p.name);
  say(`Installing ${names.join(', ')} from Debian`);
  const sudo = process.getuid?.() === 0 ? [] : ['sudo'];
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const apt = (args) => {
    const [command, ...rest] = [...sudo, 'apt-get', ...args];
    run(command, rest, { env, stdio: ['ignore', 'ignore', 'inherit'] });
  };
  apt(['update', '-qq']);
  apt(['install', '-y', '-qq', '--no-install-recommends', ...names]);
}

const newest = (paths) =>
  spawnSync(
    'find',
    [...paths.filter(existsSync), '-type', 'f', '-newer', 'dist/web/index.html', '-print', '-quit'],
    { encoding: 'utf8' },
  ).stdout.trim() !== '';

/** Builds when there is no build, or a source is newer than it. */
export function ensureBuild() {
  if (
    existsSync('dist/web/index.html') &&
    existsSync('dist/server/main.js') &&
    !newest([
      'core',
      'contract',
      'server',
      'web',
      'demo',
      'package.json',
      'vite.config.ts',
      'scripts/build.mjs',
    ])
  )
    return;
  say('Building (about ten seconds)');
  run(process.execPath, ['scripts/build.mjs'], { env: { ...process.env, QUIET: '1' } });
}

/** A port that is free now. */
export const freePort = () =>
  new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', reject);
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address();
      probe.close(() => resolve(port));
    });
  });

/** Says what went wrong in one line, without a stack, and ends. */
export const fail = (error) => {
  console.error(error.message);
  process.exit(1);
};

const portIsFree = (port, host) =>
  new Promise((resolve) => {
    const probe = createServer();
    // Whatever else is wrong with port or host the server says better.
    probe.once('error', (error) => resolve(error.code !== 'EADDRINUSE'));
    try {
      probe.listen(Number(port), host, () => probe.close(() => resolve(true)));
    } catch {
      resolve(true);
    }
  });

/** Starts the server and waits until it answers. */
export async function startServer(env, options = {}) {
  // Asked first: another Fox Button on this port would answer in its place.
  if (!(await portIsFree(env.PORT, env.HOST ?? '127.0.0.1')))
    throw new Error(`Port ${env.PORT} is taken; set PORT to another.`);
  const child = spawn(process.execPath, ['dist/server/main.js'], {
    env: { ...process.env, NODE_ENV: 'production', ...env },
    ...options,
    // The channel closes when this process ends, however it ends, and the server ends then too.
    stdio: [...(options.stdio ?? ['ignore', 'inherit', 'inherit']), 'ipc'],
  });
  const ends = () => child.kill('SIGTERM');
  for (const signal of ['SIGINT', 'SIGTERM']) process.once(signal, ends);
  // npm passes on no SIGTERM: when it is gone, so is whoever wanted the server.
  const parent = process.ppid;
  if (process.env.npm_lifecycle_event)
    setInterval(() => {
      if (process.ppid !== parent) ends();
    }, 500).unref();
  let [ended, listens] = [null, false];
  child.on('message', (m) => (listens ||= m === 'listening'));
  child.on('exit', (code) => (ended = code ?? 1));
  // Listening on every address is asked at one's own.
  const host = { '0.0.0.0': '127.0.0.1', '::': '::1' }[env.HOST] ?? env.HOST ?? '127.0.0.1';
  const tls = Boolean((env.FOX_TLS_CERT ?? process.env.FOX_TLS_CERT)?.trim());
  const url = `${tls ? 'https' : 'http'}://${host.includes(':') && !host.startsWith('[') ? `[${host}]` : host}:${env.PORT}`;
  for (let i = 0; i < 600; i++) {
    if (ended !== null) throw new Error('Fox Button did not start.');
    if (listens)
      return {
        child,
        url,
        stop: () =>
          new Promise((r) => {
            child.once('exit', r);
            child.kill('SIGTERM');
          }),
      };
    await new Promise((r) => setTimeout(r, 100));
  }
  child.kill('SIGKILL');
  throw new Error('the server did not answer within a minute');
}

/** Debian's Chromium without a window, for pictures and benches. */
export async function launchChromium() {
  const { chromium } = await import('@playwright/test');
  return chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    ...JSON.parse(readFileSync('scripts/chromium.json', 'utf8')),
  });
}

export { existsSync, mkdirSync, statSync, spawnSync };
