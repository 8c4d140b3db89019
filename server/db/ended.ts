import { ProblemError } from '../problemError.ts';

/** Set to 1 by whoever gave this thread its job, where nobody waits for it any more. */
let isEnded: Int32Array | null = null;

/** Whether the job that begins now is ended is read here. */
export const watchEnd = (flag: Int32Array | undefined): void => void (isEnded = flag ?? null);

/**
 * Asked before each query of a long reading: a thread that holds a database cannot be ended from outside without the
 * process, so it ends itself.
 *
 * @throws ProblemError 503 where the job was ended
 */
export function stopIfEnded(): void {
  if (isEnded !== null && Atomics.load(isEnded, 0) === 1)
    throw new ProblemError(503, 'The caller hung up; the computation was ended.');
}
