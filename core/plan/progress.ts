/** Steps that are done, and the one that is being done. Times in ms since 1970. */
export interface Progress {
  readonly running: { readonly task: string; readonly since: number } | null;
  readonly done: readonly {
    readonly task: string;
    readonly at: number;
    /** null where it was not timed. */
    readonly minutes: number | null;
  }[];
}

/** What was done at the bench: a step begun, done, or taken back. */
export interface Did {
  readonly task: string;
  readonly did: 'begun' | 'done' | 'undone';
  readonly at: number;
  /** How long it took where that was not timed. */
  readonly minutes?: number | null | undefined;
}

/** Longer than this nobody was at it: the clock was left running, minutes. */
const LEFT_RUNNING = 6 * 60;

/** Progress after something was done. What was done twice, or taken back twice, changes nothing. */
export function progressed({ running, done }: Progress, { task, did, at, minutes = null }: Did): Progress {
  const isDone = done.some((d) => d.task === task);
  if (did === 'begun') return isDone ? { running, done } : { done, running: { task, since: at } };
  if (did === 'undone') return { running, done: done.filter((d) => d.task !== task) };
  if (isDone) return { running, done };
  const timed = running?.task === task ? (at - running.since) / 60_000 : null;
  const took = minutes ?? (timed !== null && timed > 0 && timed <= LEFT_RUNNING ? timed : null);
  return {
    running: running?.task === task ? null : running,
    done: [...done, { task, at, minutes: took }],
  };
}
