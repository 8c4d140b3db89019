import { wrap, type Remote } from 'comlink';
import type { Ask, Bench } from './worker.ts';

export type { Ask };

let remote: Remote<Bench> | null = null;
let broken: Promise<never> | null = null;

/** Starts the worker; when it cannot start or breaks, the next knock starts another. */
function start(): Remote<Bench> {
  const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
  broken = new Promise<never>((_, reject) => {
    worker.onerror = (event) => {
      remote = null;
      worker.terminate?.();
      reject(new Error(event.message || 'The computation did not start in this browser.'));
    };
  });
  broken.catch(() => {});
  return wrap<Bench>(worker);
}

/** The one typed door to heavy work; the worker starts with the first knock. A broken worker is an error, never a wait. */
export function workbench(): Remote<Bench> {
  remote ??= start();
  const [door, fault] = [remote, broken!];
  return new Proxy(door, {
    get: (target, name) => {
      const call = Reflect.get(target, name) as (...args: unknown[]) => Promise<unknown>;
      return (...args: unknown[]) => Promise.race([call(...args), fault]);
    },
  });
}
