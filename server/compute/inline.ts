import type { ComputeDoor } from './door.ts';
import { answerOf, runJob } from './jobs.ts';
import { makeSolver } from './solver.ts';

/** The same door without workers, for tests of the routes. */
export async function inlineDoor(): Promise<ComputeDoor> {
  const solver = makeSolver();
  await solver.ready();
  return {
    run: async (job) =>
      answerOf(await runJob(job, { solve: solver.solve(10), solveWithin: solver.solve, milliseconds: 1800 })),
    close: async () => {},
  };
}
