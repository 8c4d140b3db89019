import { ProblemError } from '../problemError.ts';

/** How a job ended: with its answer, without a proof in the time given, or refused with a problem. */
export type JobAnswer =
  | { readonly done: unknown }
  | { readonly unproved: string }
  | {
      readonly refused: {
        readonly status: number;
        readonly detail: string;
        readonly errors: ProblemError['errors'];
      };
    };

/** The answer, or the problem that the job ended with. */
export function answerOf(answer: JobAnswer): unknown {
  if ('done' in answer) return answer.done;
  if ('refused' in answer)
    throw new ProblemError(answer.refused.status, answer.refused.detail, answer.refused.errors);
  throw new ProblemError(422, answer.unproved, [{ path: '', message: answer.unproved }]);
}
