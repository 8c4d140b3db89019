import { wrap, type Remote } from 'comlink';
import type { Ask, Bench } from './worker.ts';

export type { Ask };

let remote: Remote<Bench> | null = null;

/** The one typed door to heavy work; the worker starts with the first knock. */
export const workbench = (): Remote<Bench> =>
  (remote ??= wrap<Bench>(new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' })));
