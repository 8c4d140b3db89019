import { DESIGN_READS } from '../stations/readJob.ts';
import type { Job } from './jobs.ts';

/** Seconds a solver may take, and a packing's milliseconds: proved, refuted or left open within two seconds in all. */
const LONG = { solver: 18, packing: 1800 };
/** What the lane of dials gives before it passes a question on. */
const QUICK = { solver: 0.4, packing: 150 };

/** Kinds of work that do not wait for one another: what a dial asks, a paper, rows of a file, a solver, a copy of the place, a file
 * from outside, what is worked out of designs, what is long to read, a photo. */
export const LANES = [
  'dial',
  'paper',
  'rows',
  'solver',
  'copy',
  'guest',
  'designs',
  'reading',
  'photo',
] as const;
export type Lane = (typeof LANES)[number];

export const secondsIn = (lane: Lane): number => (lane === 'dial' ? QUICK : LONG).solver;
export const millisecondsIn = (lane: Lane): number => (lane === 'dial' ? QUICK : LONG).packing;

/** Seconds a job of each lane may work, once it is begun. A copy takes as long as the disk does. */
export const MOST_SECONDS: Readonly<Record<Lane, number>> = {
  dial: 25,
  paper: 120,
  rows: 120,
  solver: 25,
  copy: 1800,
  guest: 300,
  designs: 60,
  reading: 120,
  photo: 60,
};

/** Offers × needs, or designs × stock, above which a program is not tried in the lane of dials: it rarely ends there. */
const LARGE = 600;

/**
 * Where a job is tried first. The gauge and a passage always end soon; of programs and packings nobody can tell before,
 * so small ones get a slice in the lane of dials, and what does not end in it goes on to the solvers.
 */
export function firstLane(job: Job): Lane {
  switch (job.kind) {
    case 'figure':
    case 'small-parts':
    case 'passage':
    case 'packing':
    case 'pattern':
      return 'dial';
    case 'purchase':
      return job.request.offers.length * job.request.needs.length > LARGE ? 'solver' : 'dial';
    case 'choice':
      return job.request.designs.length * job.request.stock.length > LARGE ? 'solver' : 'dial';
    case 'cut-lengths':
      return job.request.parts.length > 6 ? 'solver' : 'dial';
    case 'cut-sheets':
    case 'schedule':
    case 'bench-plan':
    case 'term':
    case 'mend-term':
    case 'rasch':
    case 'help-steps':
      return 'solver';
    case 'backup':
    case 'check-file':
    case 'carry-over':
      return 'copy';
    case 'look-at-backup':
    case 'ready-copy':
    case 'encrypt':
    case 'decrypt':
      return 'guest';
    case 'paper':
      return 'paper';
    case 'photo':
      return 'photo';
    case 'read':
      if (job.name === 'rowsOfFile') return 'rows';
      return (DESIGN_READS as readonly string[]).includes(job.name) ? 'designs' : 'reading';
  }
}

/** Whether an answer of the lane of dials only says that there was no time. */
export const wantsMore = (job: Job, answer: unknown): boolean =>
  typeof answer === 'object' &&
  answer !== null &&
  ('unproved' in answer ||
    (job.kind === 'packing' && 'done' in answer && (answer.done as { fits: unknown }).fits === null));
