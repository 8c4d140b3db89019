import { parentPort } from 'node:worker_threads';
import { runJob, type Job } from './jobs.ts';
import { makeSolver } from './solver.ts';

const solve = await makeSolver(18);
parentPort!.on('message', ({ id, job }: { id: number; job: Job }) => {
  try {
    parentPort!.postMessage({ id, answer: runJob(job, solve) });
  } catch (error) {
    parentPort!.postMessage({ id, failed: error instanceof Error ? error.message : String(error) });
  }
});
