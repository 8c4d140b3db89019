import { StartError } from '../startError.ts';
import { smallParts } from '../../core/gauge/smallParts.ts';
import type { Shape } from '../../core/geometry/shape.ts';
import { mendTerm } from '../../core/lend/term/mendTerm.ts';
import { planTerm } from '../../core/lend/term/planTerm.ts';
import type { TermEntry, TermProblem } from '../../core/lend/term/termProblem.ts';
import type { Opening } from '../../core/passage/opening.ts';
import { passage } from '../../core/passage/passage.ts';
import { cutLengths, type CutLengthsRequest } from '../../core/cut/lengths.ts';
import { cutSheets, type CutSheetsRequest } from '../../core/cut/sheets.ts';
import { patternAnswer, type PatternRequest } from '../../core/patterns/answer.ts';
import { PatternError } from '../../core/patterns/kernel.ts';
import { pack, type PackingRequest } from '../../core/packing/pack.ts';
import { chooseDesigns, type ChoiceRequest } from '../../core/plan/choice.ts';
import { benchPlan, type BenchRequest } from '../../core/plan/benchPlan.ts';
import { schedule, type ScheduleAnswer, type ScheduleRequest } from '../../core/plan/schedule.ts';
import { helpSteps, type LevelAnswer } from '../../core/watch/helpSteps.ts';
import { rasch, type Response } from '../../core/watch/rasch.ts';
import { purchase, UnprovedError, type PurchaseRequest, type SolveLp } from '../../core/price/purchase.ts';
import { makePaper, type PaperJob } from '../formats/makers.ts';
import { ProblemError } from '../problemError.ts';
import type { PhotoJob } from '../stations/photo/readPhoto.ts';
import type { ReadJob } from '../stations/readJob.ts';
import { FIGURES, type FigureName } from './figures.ts';
import type { JobAnswer } from './jobAnswer.ts';

/** Heavy work that must not hold up the desk. */
export type Job =
  | { readonly kind: 'figure'; readonly name: FigureName; readonly request: unknown }
  | { readonly kind: 'small-parts'; readonly shape: Shape }
  | { readonly kind: 'passage'; readonly piece: Shape; readonly opening: Opening }
  | { readonly kind: 'purchase'; readonly request: PurchaseRequest }
  | { readonly kind: 'choice'; readonly request: ChoiceRequest }
  | { readonly kind: 'packing'; readonly request: PackingRequest }
  | { readonly kind: 'cut-lengths'; readonly request: CutLengthsRequest }
  | { readonly kind: 'cut-sheets'; readonly request: CutSheetsRequest }
  | { readonly kind: 'schedule'; readonly request: ScheduleRequest }
  | { readonly kind: 'bench-plan'; readonly request: BenchRequest }
  | { readonly kind: 'term'; readonly problem: TermProblem; readonly kept: readonly TermEntry[] }
  | { readonly kind: 'mend-term'; readonly problem: TermProblem; readonly before: readonly TermEntry[] }
  | { readonly kind: 'rasch'; readonly responses: readonly (readonly Response[])[] }
  | {
      readonly kind: 'help-steps';
      readonly children: readonly (readonly LevelAnswer[])[];
      readonly spread: number;
    }
  | { readonly kind: 'pattern'; readonly request: PatternRequest }
  | { readonly kind: 'backup'; readonly folder: string; readonly now: string; readonly daily?: boolean }
  | { readonly kind: 'check-file'; readonly folder: string }
  | { readonly kind: 'look-at-backup'; readonly folder: string; readonly name: string }
  | { readonly kind: 'ready-copy'; readonly folder: string; readonly name: string; readonly beside: string }
  | { readonly kind: 'carry-over'; readonly folder: string; readonly beside: string }
  | {
      readonly kind: 'encrypt' | 'decrypt';
      readonly from: string;
      readonly to: string;
      readonly passphrase: string;
    }
  | PaperJob
  | PhotoJob
  | ReadJob;

/** What a job may use: a solver, and milliseconds until it should come back with what it has. */
export interface Means {
  readonly solve: SolveLp;
  /** The same with so many seconds for each program. */
  readonly solveWithin: (seconds: number) => SolveLp;
  readonly milliseconds: number;
  /** Reads in the place’s file with a connection of its own; only workers have one. */
  readonly reader?: (job: ReadJob) => Promise<unknown>;
  /** Makes a copy ready to be put back, as stations know it. */
  readonly readyCopy?: (folder: string, name: string, beside: string) => Promise<void>;
}

/** Up to so many tasks a plan is proved within the shorter time, ms. */
const SHORT_DAY = 12;
const SHORT_SEARCH = 900;
const LONG_SEARCH = 2500;
/** Whether there is a plan at all is seen within this, or is not offered. */
const GLANCE = 200;
const searched = (
  request: ScheduleRequest,
  long = request.tasks.length > SHORT_DAY ? LONG_SEARCH : SHORT_SEARCH,
): ScheduleAnswer => {
  const now = (): number => performance.now();
  return schedule(request, { now, until: now() + long });
};
/** Seconds for each of the three programs of a term at most. */
const TERM_STEP = 7;

async function work(job: Job, means: Means): Promise<unknown> {
  switch (job.kind) {
    case 'figure':
      return FIGURES[job.name].work(job.request);
    case 'small-parts':
      return smallParts(job.shape);
    case 'passage':
      return passage({ piece: job.piece, opening: job.opening });
    case 'purchase':
      return purchase(job.request, means.solve);
    case 'choice':
      return chooseDesigns(job.request, means.solve);
    case 'packing': {
      const now = (): number => performance.now();
      return pack(job.request, { now, until: now() + means.milliseconds });
    }
    case 'cut-lengths':
      return cutLengths(job.request, means.solve);
    case 'cut-sheets':
      return cutSheets(job.request);
    case 'schedule':
      return searched(job.request);
    case 'bench-plan':
      return benchPlan(job.request, searched, (request) => searched(request, GLANCE));
    case 'term':
      return planTerm(job.problem, job.kept, means.solveWithin(TERM_STEP));
    case 'mend-term':
      return mendTerm(job.problem, job.before, means.solveWithin(TERM_STEP));
    case 'rasch':
      return rasch(job.responses);
    case 'help-steps':
      return helpSteps(job.children, job.spread);
    case 'pattern':
      return patternAnswer(job.request);
    // Loaded when first asked for: most workers only compute.
    case 'backup':
      return job.daily
        ? (await import('../db/backup.ts')).dailyBackup(job.folder, job.now)
        : (await import('../db/backup.ts')).makeBackup(job.folder, job.now);
    case 'check-file':
      return (await import('../db/restore.ts')).checkInUse(job.folder, new Date().toISOString());
    case 'look-at-backup':
      return (await import('../db/restore.ts')).lookAtBackup(job.folder, job.name);
    case 'ready-copy':
      if (!means.readyCopy) throw new Error('No copy is made ready here.');
      return means.readyCopy(job.folder, job.name, job.beside);
    case 'carry-over':
      return (await import('../db/restore.ts')).carryOver(job.folder, job.beside);
    case 'encrypt':
      return (await import('../db/encrypted.ts')).encryptFile(job.from, job.to, job.passphrase);
    case 'decrypt':
      return (await import('../db/encrypted.ts')).decryptFile(job.from, job.to, job.passphrase);
    case 'paper':
      return makePaper(job);
    case 'photo':
      return (await import('../stations/photo/readPhoto.ts')).readPhoto(job);
    case 'read':
      if (!means.reader) throw new Error('Nothing is read from a file here.');
      return means.reader(job);
  }
}

export async function runJob(job: Job, means: Means): Promise<JobAnswer> {
  try {
    return { done: await work(job, means) };
  } catch (error) {
    if (error instanceof UnprovedError) return { unproved: error.message };
    if (error instanceof StartError)
      return {
        refused: {
          status: 422,
          detail: error.message,
          errors: [{ path: 'name', message: 'expected a file that can be read' }],
        },
      };
    if (error instanceof PatternError)
      return {
        refused: {
          status: 422,
          detail: `${error.path}: ${error.message}`,
          errors: [{ path: error.path, message: error.message }],
        },
      };
    if (error instanceof ProblemError)
      return { refused: { status: error.status, detail: error.message, errors: error.errors } };
    throw error;
  }
}
