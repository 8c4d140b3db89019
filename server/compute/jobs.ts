import { smallParts } from '../../core/gauge/smallParts.ts';
import type { Shape } from '../../core/geometry/shape.ts';
import type { Opening } from '../../core/passage/opening.ts';
import { passage } from '../../core/passage/passage.ts';
import { pack, type PackingRequest } from '../../core/packing/pack.ts';
import { chooseDesigns, type ChoiceRequest } from '../../core/plan/choice.ts';
import { purchase, UnprovedError, type PurchaseRequest, type SolveLp } from '../../core/price/purchase.ts';

/** A packing is proved, refuted or left open within two seconds, with a little over for the way back. */
const PACKING_MS = 1800;

/** Heavy work that must not hold up the desk. */
export type Job =
  | { readonly kind: 'small-parts'; readonly shape: Shape }
  | { readonly kind: 'passage'; readonly piece: Shape; readonly opening: Opening }
  | { readonly kind: 'purchase'; readonly request: PurchaseRequest }
  | { readonly kind: 'choice'; readonly request: ChoiceRequest }
  | { readonly kind: 'packing'; readonly request: PackingRequest };

export type JobAnswer = { readonly done: unknown } | { readonly unproved: string };

export function runJob(job: Job, solve: SolveLp): JobAnswer {
  try {
    switch (job.kind) {
      case 'small-parts':
        return { done: smallParts(job.shape) };
      case 'passage':
        return { done: passage({ piece: job.piece, opening: job.opening }) };
      case 'purchase':
        return { done: purchase(job.request, solve) };
      case 'choice':
        return { done: chooseDesigns(job.request, solve) };
      case 'packing': {
        const now = (): number => performance.now();
        return { done: pack(job.request, { now, until: now() + PACKING_MS }) };
      }
    }
  } catch (error) {
    if (error instanceof UnprovedError) return { unproved: error.message };
    throw error;
  }
}
