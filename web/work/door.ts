import { wrap, type Remote } from 'comlink';
import type { Ask, Bench } from './worker.ts';

export type { Ask };

interface Door {
  remote: Remote<Bench> | null;
  broken: Promise<never> | null;
}
// Planning tries hundreds of sets of materials: it has a worker of its own, so that a dial never waits behind it.
const doors: Record<'dial' | 'plan', Door> = {
  dial: { remote: null, broken: null },
  plan: { remote: null, broken: null },
};

/** Starts the worker; when it cannot start or breaks, the next knock starts another. */
function start(door: Door): Remote<Bench> {
  const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
  door.broken = new Promise<never>((_, reject) => {
    worker.onerror = (event) => {
      door.remote = null;
      worker.terminate?.();
      reject(new Error(event.message || 'The computation did not start in this browser.'));
    };
  });
  door.broken.catch(() => {});
  return wrap<Bench>(worker);
}

function knock(door: Door): Remote<Bench> {
  door.remote ??= start(door);
  const fault = door.broken!;
  return new Proxy(door.remote, {
    get: (target, name) => {
      const call = Reflect.get(target, name) as (...args: unknown[]) => Promise<unknown>;
      return (...args: unknown[]) => Promise.race([call(...args), fault]);
    },
  });
}

/** The one typed door to heavy work; the worker starts with the first knock. A broken worker is an error, never a wait. */
export const workbench = (): Remote<Bench> => knock(doors.dial);
/** The same for planning. */
export const planner = (): Remote<Bench> => knock(doors.plan);
