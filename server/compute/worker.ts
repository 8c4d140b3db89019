import { runJob, type Job, type JobAnswer } from './jobs.ts';
import { millisecondsIn, secondsIn, type Lane } from './lanes.ts';
import { makeSolver } from './solver.ts';

const solver = makeSolver();
/** Jobs that an integer program is part of. */
const WITH_SOLVER: ReadonlySet<Job['kind']> = new Set(['purchase', 'choice', 'cut-lengths', 'term']);

/** One job of a lane; what it throws comes back to the caller as it is. */
export default async function run({ job, lane }: { job: Job; lane: Lane }): Promise<JobAnswer> {
  if (WITH_SOLVER.has(job.kind)) await solver.ready();
  return runJob(job, {
    solve: solver.solve(secondsIn(lane)),
    solveWithin: solver.solve,
    milliseconds: millisecondsIn(lane),
  });
}
