import { spawn, type ChildProcess } from 'node:child_process';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test as base } from '@playwright/test';

export const TODAY = '2026-11-24';

export interface Desk {
  readonly url: string;
  readonly folder: string;
  kill(): Promise<void>;
  start(): Promise<void>;
  /** Stops as it should, and starts on another day. */
  goTo(day: string): Promise<void>;
}

const freePort = (): Promise<number> =>
  new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', reject);
    probe.listen(0, '127.0.0.1', () => {
      const address = probe.address();
      probe.close(() =>
        typeof address === 'object' && address ? resolve(address.port) : reject(new Error('no port')),
      );
    });
  });

const ended = (child: ChildProcess): Promise<number | null> =>
  new Promise((resolve) => child.once('exit', resolve));

/** A place of its own on a free port: empty, or with a copy of the Kelpwick cart. */
export async function openDesk(demo: boolean): Promise<Desk & { close(): Promise<void> }> {
  const folder = mkdtempSync(join(tmpdir(), 'fox-e2e-'));
  const port = await freePort();
  const env = {
    ...process.env,
    NODE_ENV: 'production',
    FOX_DATA: folder,
    FOX_TODAY: TODAY,
    PORT: String(port),
    HOST: '127.0.0.1',
  };
  if (demo) {
    if (!process.env.FOX_E2E_CART) throw new Error('the demo cart was not filled');
    cpSync(process.env.FOX_E2E_CART, folder, { recursive: true });
  }
  let child: ChildProcess | null = null;
  const url = `http://127.0.0.1:${port}`;
  const start = async (): Promise<void> => {
    child = spawn(process.execPath, ['dist/server/main.js'], { env, stdio: ['ignore', 'ignore', 'inherit'] });
    for (let i = 0; i < 6000; i++) {
      if (
        await fetch(`${url}/api/health`).then(
          (r) => r.ok,
          () => false,
        )
      )
        return;
      await new Promise((r) => setTimeout(r, 100));
    }
    throw new Error('the server does not answer');
  };
  const kill = async (): Promise<void> => {
    if (!child) return;
    const gone = ended(child);
    child.kill('SIGKILL');
    await gone;
    child = null;
  };
  const goTo = async (day: string): Promise<void> => {
    if (child) {
      const gone = ended(child);
      child.kill('SIGTERM');
      await gone;
    }
    env.FOX_TODAY = day;
    await start();
  };
  await start();
  return {
    url,
    folder,
    start,
    goTo,
    kill,
    close: async () => {
      await kill();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** Tests with the demo cart, a fresh one for each file's worker, and the page already pointed at it. */
export const test = base.extend<{ demo: Desk; empty: Desk }>({
  demo: async ({}, use) => {
    const desk = await openDesk(true);
    await use(desk);
    await desk.close();
  },
  empty: async ({}, use) => {
    const desk = await openDesk(false);
    await use(desk);
    await desk.close();
  },
});
export { expect } from '@playwright/test';
