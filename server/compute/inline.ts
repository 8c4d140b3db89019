import { ProblemError } from '../problem.ts';
import type { ComputeDoor } from './door.ts';
import { runJob } from './jobs.ts';
import { makeSolver } from './solver.ts';

/** The same door without workers, for tests of the routes. */
export async function inlineDoor(): Promise<ComputeDoor> {
  const solve = await makeSolver(10);
  return {
    run: async (job) => {
      const answer = runJob(job, solve);
      if ('done' in answer) return answer.done;
      throw new ProblemError(422, answer.unproved, [{ path: 'offers', message: answer.unproved }]);
    },
    close: async () => {},
  };
}
