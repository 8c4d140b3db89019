import type { QueryClient } from '@tanstack/react-query';
import type { Done } from '../../contract/undo.ts';
import { say, sayProblem, sayUndoable } from '../parts/messages.ts';
import { api, doneIdOf, words } from './api.ts';
import { text } from './text.ts';

/** Takes back what was done today: the shelf, kits and figures are as before, and it stays on record. */
export const undoDone = (id: number, why: string, by = ''): Promise<Done> =>
  api<Done>('POST', `/done/${id}/undo`, { why, by });

/** Says what was done, with a way back where its answer names one. */
export function sayDone(said: string, answer: unknown, queries: QueryClient): void {
  const id = doneIdOf(answer);
  if (id === undefined) return say(said);
  sayUndoable(said, () => {
    undoDone(id, text('undoneAtOnce'))
      .then(() => say(text('undone', { said })))
      .catch((error: unknown) => sayProblem(words(error)))
      .finally(() => void queries.invalidateQueries());
  });
}
