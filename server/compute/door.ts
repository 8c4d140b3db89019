import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { Piscina } from 'piscina';
import { ProblemError } from '../problemError.ts';
import { answerOf, type Job, type JobAnswer } from './jobs.ts';
import { firstLane, wantsMore, type Lane } from './lanes.ts';

/** The one way to heavy work. */
export interface ComputeDoor {
  /** The job's answer; ends the job when `signal` is aborted. */
  run(job: Job, signal?: AbortSignal): Promise<unknown>;
  close(): Promise<void>;
}

const SECONDS = 25;
const MOST_WAITING = 64;

/** What a worker's end means to the caller. */
function asProblem(error: unknown, late: AbortSignal): unknown {
  if (error instanceof ProblemError) return error;
  const message = error instanceof Error ? error.message : String(error);
  if (late.aborted)
    return new ProblemError(
      422,
      `The computation took more than ${SECONDS} s and was stopped; expected something simpler.`,
    );
  if (error instanceof Error && error.name === 'AbortError')
    return new ProblemError(503, 'The caller hung up; the computation was ended.');
  if (
    /worker (has )?exited|exited with code|out of memory|ERR_WORKER/i.test(
      `${message} ${(error as { code?: string }).code ?? ''}`,
    )
  )
    return new ProblemError(
      503,
      'The computation broke off: its worker ended. Try again, or with something smaller.',
    );
  return error;
}

/**
 * Two lanes of workers: short questions never wait behind long ones. A job that outlives its time, or whose caller hung
 * up, ends with its worker. More than 64 waiting in a lane are turned away at once rather than kept hanging.
 *
 * @throws Error when the worker's script is missing
 */
export function workerDoor(script: URL, options: { long?: number; idleSeconds?: number } = {}): ComputeDoor {
  if (!existsSync(fileURLToPath(script)))
    throw new Error(`The worker ${fileURLToPath(script)} is missing; build Fox Button again.`);
  const lane = (threads: number): Piscina =>
    new Piscina({
      filename: script.href,
      // One stays: what waits is taken on by the next worker when one has died.
      minThreads: 1,
      maxThreads: threads,
      idleTimeout: (options.idleSeconds ?? 60) * 1000,
      resourceLimits: { maxOldGenerationSizeMb: 1024 },
    });
  const lanes: Record<Lane, Piscina> = { quick: lane(1), long: lane(options.long ?? 2) };
  // A worker that fails before it takes a job up tells only its pool; those who wait for it must hear of it too.
  const waiting: Record<Lane, Set<(error: Error) => void>> = { quick: new Set(), long: new Set() };
  for (const name of ['quick', 'long'] as const)
    lanes[name].on('error', () => {
      for (const reject of waiting[name]) reject(new Error('worker exited at its start'));
    });
  return {
    run: async (job, signal) => {
      const late = AbortSignal.timeout(SECONDS * 1000);
      const ends = signal ? AbortSignal.any([signal, late]) : late;
      const take = (name: Lane): Promise<JobAnswer> =>
        new Promise<JobAnswer>((resolve, reject) => {
          // Counted here: those that a worker has taken up are among them.
          if (waiting[name].size > MOST_WAITING) {
            reject(new ProblemError(503, 'Too many computations are waiting; try again in a moment.'));
            return;
          }
          waiting[name].add(reject);
          (lanes[name].run({ job, lane: name }, { signal: ends }) as Promise<JobAnswer>)
            .then(resolve, reject)
            .finally(() => waiting[name].delete(reject));
        });
      try {
        const first = firstLane(job);
        let answer = await take(first);
        if (first === 'quick' && wantsMore(job, answer)) answer = await take('long');
        return answerOf(answer);
      } catch (error) {
        throw asProblem(error, late);
      }
    },
    close: async () => {
      await Promise.all(Object.values(lanes).map((p) => p.destroy()));
    },
  };
}
