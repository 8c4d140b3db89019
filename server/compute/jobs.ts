import { smallParts } from '../../core/gauge/smallParts.ts';
import type { Shape } from '../../core/geometry/shape.ts';
import type { Opening } from '../../core/passage/opening.ts';
import { passage } from '../../core/passage/passage.ts';
import { purchase, UnprovedError, type PurchaseRequest, type SolveLp } from '../../core/price/purchase.ts';

/** Heavy work that must not hold up the desk. */
export type Job =
  | { readonly kind: 'small-parts'; readonly shape: Shape }
  | { readonly kind: 'passage'; readonly piece: Shape; readonly opening: Opening }
  | { readonly kind: 'purchase'; readonly request: PurchaseRequest };

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
    }
  } catch (error) {
    if (error instanceof UnprovedError) return { unproved: error.message };
    throw error;
  }
}
