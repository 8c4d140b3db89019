import type { WorkerPool } from './workerPool.ts';
import { answerOf } from './jobAnswer.ts';
import { runJob } from './jobs.ts';
import { makeSolver } from './solver.ts';

const solver = makeSolver();

/** The same door without workers, for tests of the routes. */
export function inlineWorkerPool(): WorkerPool {
  return {
    hasReaders: false,
    run: async (asked) => {
      await solver.ready();
      // What goes to a worker is plain data: what is not must fail here too.
      const job = structuredClone(asked);
      return answerOf(
        await runJob(job, {
          solve: solver.solve(10),
          solveWithin: solver.solve,
          milliseconds: 1800,
          readyCopy: async (...of) => (await import('../stations/place/readyCopy.ts')).readyCopy(...of),
        }),
      );
    },
    close: async () => {},
  };
}
