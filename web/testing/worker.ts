import { MessageChannel } from 'node:worker_threads';
import { expose, type Endpoint } from 'comlink';
import { bench } from '../work/worker.ts';

/** Stands in for the browser's worker: the same bench behind the same door, what passes through it cloned. */
export function standInWorker(): void {
  globalThis.Worker = class {
    constructor() {
      const { port1, port2 } = new MessageChannel();
      expose(bench, port2 as unknown as Endpoint);
      port1.start();
      return port1;
    }
  } as unknown as typeof Worker;
}
