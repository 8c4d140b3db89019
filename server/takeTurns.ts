import { performance } from 'node:perf_hooks';
import { setTimeout as pause } from 'node:timers/promises';

/** A part that took long waited for something, a writer or a disk; the thread was free meanwhile, ms. */
const LONGEST_REST = 50;

/** The part of a long answer that was asked for last; the next one waits for it, whoever asks. */
let last: Promise<unknown> = Promise.resolve();

/**
 * Makes a part of a long answer when no other is being made, and rests after it as long as it took, 50 ms at most: however many long
 * answers are asked for at once, together they take half of the server's own thread at most, and between two steps of
 * a small answer stands one part at most.
 *
 * @returns what `make` gives; its failure is the caller's alone
 */
export function takeTurn<T>(make: () => Promise<T>): Promise<T> {
  const made = last.then(async () => {
    const from = performance.now();
    try {
      return { value: await make(), took: performance.now() - from };
    } catch (error) {
      return { error, took: performance.now() - from };
    }
  });
  last = made.then(({ took }) => pause(Math.min(took, LONGEST_REST)));
  return made.then((m) => {
    if ('error' in m) throw m.error;
    return m.value;
  });
}
