import { Worker } from 'node:worker_threads';
import { ProblemError } from '../problem.ts';
import type { Job, JobAnswer } from './jobs.ts';

/** The one way to heavy work. */
export interface ComputeDoor {
  run(job: Job): Promise<unknown>;
  close(): Promise<void>;
}

const SECONDS = 25;
const MOST_WAITING = 64;

interface Waiting {
  job: Job;
  resolve(value: unknown): void;
  reject(error: Error): void;
}
interface Hand {
  worker: Worker;
  busy: Waiting | null;
  timer: NodeJS.Timeout | null;
}

/**
 * A few workers, one job each at a time; a job that outlives its time ends with its worker, and a new one takes its
 * place. More than 64 waiting are turned away at once rather than kept hanging.
 */
export function workerDoor(script: URL, hands = 2): ComputeDoor {
  const queue: Waiting[] = [];
  const all: Hand[] = [];
  let closed = false;
  const settle = (hand: Hand): Waiting | null => {
    const was = hand.busy;
    hand.busy = null;
    if (hand.timer) clearTimeout(hand.timer);
    return was;
  };
  const start = (): Hand => {
    const worker = new Worker(script);
    const hand: Hand = { worker, busy: null, timer: null };
    worker.on('message', (m: { answer?: JobAnswer; failed?: string }) => {
      const was = settle(hand);
      if (m.answer && 'done' in m.answer) was?.resolve(m.answer.done);
      else if (m.answer)
        was?.reject(
          new ProblemError(422, m.answer.unproved, [{ path: 'offers', message: m.answer.unproved }]),
        );
      else was?.reject(new Error(m.failed ?? 'worker failed'));
      next();
    });
    worker.on('error', (error) =>
      settle(hand)?.reject(error instanceof Error ? error : new Error(String(error))),
    );
    worker.on('exit', () => {
      settle(hand)?.reject(
        new ProblemError(
          422,
          `The computation took more than ${SECONDS} s and was stopped; expected something simpler.`,
        ),
      );
      if (!closed) all[all.indexOf(hand)] = start();
      next();
    });
    worker.unref();
    return hand;
  };
  const next = (): void => {
    if (closed) return;
    for (const hand of all) {
      if (hand.busy) continue;
      const waiting = queue.shift();
      if (!waiting) return;
      hand.busy = waiting;
      hand.timer = setTimeout(() => void hand.worker.terminate(), SECONDS * 1000);
      hand.worker.postMessage({ id: 0, job: waiting.job });
    }
  };
  for (let i = 0; i < hands; i++) all.push(start());
  return {
    run: (job) =>
      new Promise((resolve, reject) => {
        if (queue.length >= MOST_WAITING) {
          reject(new ProblemError(422, 'Too many computations are waiting; try again in a moment.'));
          return;
        }
        queue.push({ job, resolve, reject });
        next();
      }),
    close: async () => {
      closed = true;
      await Promise.all(all.map((h) => h.worker.terminate()));
    },
  };
}
