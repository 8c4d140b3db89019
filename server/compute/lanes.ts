import type { Job } from './jobs.ts';

/** Seconds a solver may take, and a packing's milliseconds: proved, refuted or left open within two seconds in all. */
const LONG = { solver: 18, packing: 1800 };
/** What the quick lane gives before it passes a question on. */
const QUICK = { solver: 0.4, packing: 150 };

export type Lane = 'quick' | 'long';

const limits = { quick: QUICK, long: LONG } as const;
export const secondsIn = (lane: Lane): number => limits[lane].solver;
export const millisecondsIn = (lane: Lane): number => limits[lane].packing;

/** Offers × needs, or designs × stock, above which a program is not tried in the quick lane: it rarely ends there. */
const LARGE = 600;

/**
 * Where a job is tried first. The gauge and a passage always end soon; of programs and packings nobody can tell before,
 * so small ones get a slice in the quick lane, and what does not end in it goes on to the long one.
 */
export function firstLane(job: Job): Lane {
  switch (job.kind) {
    case 'small-parts':
    case 'passage':
    case 'packing':
    case 'pattern':
      return 'quick';
    case 'purchase':
      return job.request.offers.length * job.request.needs.length > LARGE ? 'long' : 'quick';
    case 'choice':
      return job.request.designs.length * job.request.stock.length > LARGE ? 'long' : 'quick';
    case 'cut-lengths':
      return job.request.parts.length > 6 ? 'long' : 'quick';
    case 'cut-sheets':
    case 'schedule':
    case 'term':
    case 'rasch':
    case 'help-steps':
    case 'read-file':
    case 'backup':
    case 'look-at-backup':
    case 'check-file':
    case 'labels':
      return 'long';
  }
}

/** Whether an answer of the quick lane only says that there was no time. */
export const wantsMore = (job: Job, answer: unknown): boolean =>
  typeof answer === 'object' &&
  answer !== null &&
  ('unproved' in answer ||
    (job.kind === 'packing' && 'done' in answer && (answer.done as { fits: unknown }).fits === null));
