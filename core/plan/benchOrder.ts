import type { BatchTask } from './batch.ts';

/** A step that was done, and when, ms since 1970. */
export interface StepDone {
  readonly task: string;
  readonly at: number;
}

/** Something that dries: until when, ms since 1970. */
export interface Drying {
  readonly task: string;
  readonly title: string;
  readonly design: string;
  readonly until: number;
}

const MINUTE = 60_000;
const NONE: ReadonlySet<string> = new Set();

/** Everything that dries or has dried since it was done, soonest first. */
export const dryings = (tasks: readonly BatchTask[], done: readonly StepDone[]): Drying[] =>
  done
    .flatMap(({ task, at }): Drying[] => {
      const t = tasks.find((x) => x.id === task);
      return t && t.drying > 0
        ? [{ task, title: t.title, design: t.design, until: at + t.drying * MINUTE }]
        : [];
    })
    .sort((a, b) => a.until - b.until);

/** What is to be done next at the bench. */
export interface NextStep {
  /** null where everything is done, or waits for what others are doing. */
  readonly task: BatchTask | null;
  /** Where it has to wait for something to dry: until when, ms since 1970. */
  readonly until: number | null;
}

/**
 * The next step: the first in the plan's order that is not done and whose work before it is done and dry; where all that is
 * left waits for something to dry, the one that waits least.
 *
 * @param order tasks in the order of the plan; what is not in it comes after, as listed
 * @param busy tasks that are being done at other benches
 */
export function nextStep(
  tasks: readonly BatchTask[],
  order: readonly string[],
  done: readonly StepDone[],
  now: number,
  busy: ReadonlySet<string> = NONE,
): NextStep {
  const dry = new Map(dryings(tasks, done).map((d) => [`${d.task}~dries`, d.until]));
  const isDone = new Set(done.map((d) => d.task));
  const place = (t: BatchTask): number => {
    const at = order.indexOf(t.id);
    return at < 0 ? order.length + tasks.indexOf(t) : at;
  };
  const open = tasks
    .filter((t) => !isDone.has(t.id) && !busy.has(t.id))
    .filter((t) => t.after.every((a) => isDone.has(a.replace(/~dries$/, ''))))
    .sort((a, b) => place(a) - place(b));
  const readyAt = (t: BatchTask): number => Math.max(0, ...t.after.map((a) => dry.get(a) ?? 0));
  const ready = open.find((t) => readyAt(t) <= now);
  if (ready) return { task: ready, until: null };
  const [soonest] = [...open].sort((a, b) => readyAt(a) - readyAt(b));
  return soonest ? { task: soonest, until: readyAt(soonest) } : { task: null, until: null };
}

/** The tasks of a plan in the order in which one maker turns to them: the own ones, then those of the others, to help out. */
export const orderFor = (
  plan: readonly { readonly task: string; readonly maker: string | null }[],
  maker: string | null,
): string[] =>
  [...plan.filter((p) => p.maker === maker), ...plan.filter((p) => p.maker !== maker)].map((p) => p.task);
