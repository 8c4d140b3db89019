import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { whoAsks } from '../people/who.ts';
import { ProblemError } from '../problemError.ts';
import { FairLane } from './fairLane.ts';
import { answerOf, type JobAnswer } from './jobAnswer.ts';
import type { Job } from './jobs.ts';
import { LaneWorkers } from './laneWorkers.ts';
import { firstLane, LANES, MOST_SECONDS, wantsMore, type Lane } from './lanes.ts';

/** The one way to heavy work. */
export interface WorkerPool {
  /** Whether what is long to read can be read behind it. */
  readonly hasReaders: boolean;
  /** The job's answer; ends the job when `signal` is aborted. */
  run(job: Job, signal?: AbortSignal): Promise<unknown>;
  close(): Promise<void>;
}

/** What a worker's end means to the caller. */
function asProblem(error: unknown, late: AbortSignal, seconds: number): unknown {
  if (error instanceof ProblemError) return error;
  const message = error instanceof Error ? error.message : String(error);
  if (late.aborted)
    return new ProblemError(
      422,
      `The computation took more than ${seconds} s and was stopped; expected something simpler.`,
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
 * Lanes of workers by kind of work: a dial never waits behind a solver, nor a copy of the place behind either. Places in a
 * lane are shared fairly between those who ask, and a job's time begins when its work does. A job that outlives its time,
 * or whose caller hung up, ends: at once where it only computes, at its next query where it reads the place.
 *
 * @param options.solvers how many solvers work at once
 * @throws Error when the worker's script is missing
 */
export function startWorkerPool(
  script: URL,
  options: {
    solvers?: number;
    idleSeconds?: number;
    seconds?: Partial<Record<Lane, number>>;
    mostOfOne?: number;
    patience?: number;
  } = {},
): WorkerPool {
  if (!existsSync(fileURLToPath(script)))
    throw new Error(`The worker ${fileURLToPath(script)} is missing; build Fox Button again.`);
  const lanes = Object.fromEntries(
    LANES.map((lane) => {
      const threads = lane === 'solver' ? (options.solvers ?? 2) : 1;
      // A reader keeps what it has opened for longer than others need their memory.
      const idleSeconds = options.idleSeconds ?? (lane === 'reading' || lane === 'designs' ? 600 : 60);
      const workers = new LaneWorkers({ filename: script.href, lane, threads, idleMs: idleSeconds * 1000 });
      const places = new FairLane({
        atOnce: threads,
        ...(options.mostOfOne === undefined ? {} : { mostOfOne: options.mostOfOne }),
        ...(options.patience === undefined ? {} : { patience: options.patience }),
      });
      return [lane, { workers, places }];
    }),
  ) as Record<Lane, { workers: LaneWorkers; places: FairLane }>;

  const take = (name: Lane, job: Job, signal: AbortSignal | undefined): Promise<JobAnswer> => {
    const { workers, places } = lanes[name];
    const seconds = options.seconds?.[name] ?? MOST_SECONDS[name];
    return places.run(whoAsks()?.from ?? 'the server', signal, async () => {
      const late = AbortSignal.timeout(seconds * 1000);
      try {
        return await workers.run(job, signal, late);
      } catch (error) {
        throw asProblem(error, late, seconds);
      }
    });
  };
  return {
    hasReaders: true,
    run: async (job, signal) => {
      const first = firstLane(job);
      let answer = await take(first, job, signal);
      if (first === 'dial' && wantsMore(job, answer)) answer = await take('solver', job, signal);
      return answerOf(answer);
    },
    close: async () => {
      await Promise.all(Object.values(lanes).map((l) => l.workers.close()));
    },
  };
}
