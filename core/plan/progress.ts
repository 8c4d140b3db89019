/** A step that is being done. */
interface Running {
  readonly task: string;
  /** ms since 1970 */
  readonly since: number;
  /** Who is at that bench; null where nobody was named. Each has one step at a time. */
  readonly maker: string | null;
}

/** Steps that are done, and those that are being done, one at each bench. Times in ms since 1970. */
export interface Progress {
  readonly running: readonly Running[];
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
  /** Who did it, where several work. */
  readonly maker?: string | null | undefined;
}

/** Longer than this nobody was at it: the clock was left running, minutes. */
const LEFT_RUNNING = 6 * 60;

/** Progress after something was done. What was done twice, or taken back twice, changes nothing. */
export function progressed({ running, done }: Progress, did: Did): Progress {
  const { task, at, minutes = null, maker = null } = did;
  const isDone = done.some((d) => d.task === task);
  const own = running.find((r) => r.task === task);
  if (did.did === 'begun')
    return isDone
      ? { running, done }
      : {
          done,
          running: [
            ...running.filter((r) => r.task !== task && r.maker !== maker),
            { task, since: at, maker },
          ],
        };
  if (did.did === 'undone') return { running, done: done.filter((d) => d.task !== task) };
  if (isDone) return { running, done };
  const timed = own ? (at - own.since) / 60_000 : null;
  const took = minutes ?? (timed !== null && timed > 0 && timed <= LEFT_RUNNING ? timed : null);
  return {
    running: running.filter((r) => r.task !== task),
    done: [...done, { task, at, minutes: took }],
  };
}
