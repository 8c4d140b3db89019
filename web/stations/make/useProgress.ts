import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { BatchWork } from '../../../contract/batches.ts';
import { progressed, type Did, type Progress } from '../../../core/plan/progress.ts';
import { api, ApiError, words } from '../../data/api.ts';

/** How long to wait before what could not be sent is sent again, ms. */
const AGAIN = 3000;
const keyOf = (id: number): string => `fox-bench-${id}`;

/** What was done and not acknowledged yet; it outlives a reload and a closed lid. */
function unsent(id: number): Did[] {
  try {
    return JSON.parse(localStorage.getItem(keyOf(id)) ?? '[]') as Did[];
  } catch {
    return [];
  }
}
function keep(id: number, list: readonly Did[]): void {
  if (list.length === 0) localStorage.removeItem(keyOf(id));
  else localStorage.setItem(keyOf(id), JSON.stringify(list));
}

/**
 * Progress at the bench, on the screen at once and sent in order behind it: nobody with glue on the hands waits for a
 * network, and nothing that was pressed is lost.
 */
export function useProgress(batch: BatchWork): {
  readonly progress: Progress;
  readonly problem: string | null;
  /** Does it, and returns what is true then. */
  send(did: Did): Progress;
} {
  const queries = useQueryClient();
  const queue = useRef<Did[]>(unsent(batch.id));
  const isSending = useRef(false);
  const [progress, setProgress] = useState(() => unsent(batch.id).reduce(progressed, batch.progress));
  const latest = useRef(progress);
  /** How often it was tried again. */
  const [tries, setTries] = useState(0);
  const [problem, setProblem] = useState<string | null>(null);
  const show = useCallback((next: Progress): void => {
    latest.current = next;
    setProgress(next);
  }, []);
  const sendAll = useCallback(async (): Promise<void> => {
    if (isSending.current) return;
    isSending.current = true;
    try {
      while (queue.current.length > 0) {
        await api('POST', `/batches/${batch.id}/progress`, queue.current[0]);
        queue.current = queue.current.slice(1);
        keep(batch.id, queue.current);
        setProblem(null);
      }
      await queries.invalidateQueries({ queryKey: ['batches', batch.id], exact: true });
    } catch (e) {
      setProblem(words(e));
      const status = e instanceof ApiError ? e.problem.status : 0;
      if (status >= 400 && status < 500) {
        // Refused: the batch was changed meanwhile; what is there now counts.
        queue.current = [];
        keep(batch.id, []);
        await queries.invalidateQueries({ queryKey: ['batches', batch.id], exact: true });
      } else setTimeout(() => setTries((n) => n + 1), AGAIN);
    } finally {
      isSending.current = false;
    }
  }, [batch.id, queries]);
  useEffect(() => {
    if (queue.current.length > 0) void sendAll();
  }, [sendAll, tries]);
  useEffect(() => {
    // What another bench has done, once nothing of this one is on its way.
    if (queue.current.length === 0) show(batch.progress);
  }, [batch.progress, show]);
  const send = useCallback(
    (did: Did): Progress => {
      const next = progressed(latest.current, did);
      show(next);
      queue.current = [...queue.current, did];
      keep(batch.id, queue.current);
      void sendAll();
      return next;
    },
    [batch.id, sendAll, show],
  );
  return { progress, problem, send };
}
