import { runJob, type Job, type JobAnswer } from './jobs.ts';
import { millisecondsIn, secondsIn, type Lane } from './lanes.ts';
import { makeSolver } from './solver.ts';

const solver = makeSolver();

/** One job of a lane; what it throws comes back to the caller as it is. */
export default async function run({ job, lane }: { job: Job; lane: Lane }): Promise<JobAnswer> {
  if (job.kind === 'purchase' || job.kind === 'choice') await solver.ready();
  return runJob(job, { solve: solver.solve(secondsIn(lane)), milliseconds: millisecondsIn(lane) });
}
