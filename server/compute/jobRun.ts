import { watchEnd } from '../db/ended.ts';
import type { Db } from '../db/open.ts';
import type { ReadJob } from '../stations/readJob.ts';
import { answerOf, type JobAnswer } from './jobAnswer.ts';
import { runJob, type Job, type Means } from './jobs.ts';
import { millisecondsIn, secondsIn, type Lane } from './lanes.ts';
import { makeSolver } from './solver.ts';

const solver = makeSolver();
/** Jobs that an integer program is part of. */
const WITH_SOLVER: ReadonlySet<Job['kind']> = new Set([
  'purchase',
  'choice',
  'cut-lengths',
  'term',
  'mend-term',
]);

/** The place that this worker reads in, opened at the first question. */
let place: Promise<Db> | null = null;
let exchanges = -1;

async function reader(job: ReadJob, means: Means): Promise<unknown> {
  const [{ openReader }, { readNow }] = await Promise.all([
    import('../db/open.ts'),
    import('../stations/reads.ts'),
  ]);
  if (job.exchanges !== exchanges) {
    await (await place)?.close();
    place = null;
    exchanges = job.exchanges;
  }
  place ??= openReader(job.folder);
  const { em } = await place.catch((error: unknown) => {
    place = null;
    throw error;
  });
  const workerPool = {
    hasReaders: false,
    run: async (of: Job) => answerOf(await runJob(of, means)),
    close: async () => {},
  };
  return readNow({ em: em.fork(), workerPool, today: job.today }, job);
}

/** One job of a lane; what it throws comes back to the caller as it is. */
export async function run({
  job,
  lane,
  isEnded,
}: {
  job: Job;
  lane: Lane;
  isEnded?: Int32Array;
}): Promise<JobAnswer> {
  watchEnd(isEnded);
  if (WITH_SOLVER.has(job.kind)) await solver.ready();
  const means: Means = {
    solve: solver.solve(secondsIn(lane)),
    solveWithin: solver.solve,
    milliseconds: millisecondsIn(lane),
  };
  return runJob(job, {
    ...means,
    reader: (of) => reader(of, means),
    readyCopy: async (...of) => (await import('../stations/place/readyCopy.ts')).readyCopy(...of),
  });
}
