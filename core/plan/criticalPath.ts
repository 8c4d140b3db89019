import { z } from 'zod';
import { PatternError } from '../patterns/kernel.ts';

const minutes = z
  .number({ error: 'expected minutes' })
  .min(0, 'must not be negative')
  .max(1e6, 'must be at most 1,000,000 minutes');
export const taskId = z
  .string({ error: 'expected the name of a task' })
  .min(1, 'expected the name of a task')
  .max(80, 'may have at most 80 characters');
const after = z.array(taskId, { error: 'expected a list of tasks' }).max(200, 'may have at most 200 tasks');

export const criticalPathRequest = z.strictObject({
  tasks: z
    .array(z.strictObject({ id: taskId, minutes, after: after.default([]) }), {
      error: 'expected a list of tasks',
    })
    .max(1000, 'may have at most 1,000 tasks'),
});
export type CriticalPathRequest = z.infer<typeof criticalPathRequest>;

interface TaskTimes {
  readonly earliestStart: number;
  readonly earliestFinish: number;
  readonly latestStart: number;
  readonly latestFinish: number;
  /** How far it may slip without the whole ending later. */
  readonly totalFloat: number;
  /** How far it may slip without any task after it beginning later. */
  readonly freeFloat: number;
  readonly critical: boolean;
}
export interface CriticalPathAnswer {
  readonly duration: number;
  readonly tasks: Readonly<Record<string, TaskTimes>>;
}

/**
 * Tasks by number, each after those it waits for.
 *
 * @throws PatternError where a name stands twice, is waited for and is not there, or tasks wait for each other
 */
export function inOrder(
  tasks: readonly { readonly id: string; readonly after: readonly string[] }[],
): number[] {
  const at = new Map<string, number>();
  tasks.forEach((t, i) => {
    if (at.has(t.id))
      throw new PatternError(`tasks.${i}.id`, `“${t.id}” stands twice; expected each task once`);
    at.set(t.id, i);
  });
  tasks.forEach((t, i) =>
    t.after.forEach((a, k) => {
      if (!at.has(a)) throw new PatternError(`tasks.${i}.after.${k}`, `“${a}” is not a task`);
    }),
  );
  const waits = tasks.map((t) => new Set(t.after).size);
  const next = tasks.map((): number[] => []);
  tasks.forEach((t, i) => new Set(t.after).forEach((a) => next[at.get(a)!]!.push(i)));
  const out = waits.flatMap((n, i) => (n === 0 ? [i] : []));
  for (let k = 0; k < out.length; k++) for (const i of next[out[k]!]!) if (--waits[i]! === 0) out.push(i);
  if (out.length < tasks.length) {
    const stuck = waits.findIndex((n) => n > 0);
    throw new PatternError(`tasks.${stuck}.after`, `“${tasks[stuck]!.id}” waits for itself in a circle`);
  }
  return out;
}

/** Differences smaller than this are rounding. */
const EPS = 1e-9;

/**
 * The critical path method (Kelley and Walker 1959): earliest and latest times of tasks that need nobody, and how far each
 * may slip. Minutes.
 *
 * @throws PatternError see {@link inOrder}
 */
export function criticalPath({ tasks }: CriticalPathRequest): CriticalPathAnswer {
  const order = inOrder(tasks);
  const at = new Map(tasks.map((t, i) => [t.id, i]));
  const finish = tasks.map(() => 0);
  const start = tasks.map(() => 0);
  for (const i of order) {
    start[i] = Math.max(0, ...tasks[i]!.after.map((a) => finish[at.get(a)!]!));
    finish[i] = start[i] + tasks[i]!.minutes;
  }
  const duration = Math.max(0, ...finish);
  const latest = tasks.map(() => duration);
  const soonest = tasks.map(() => duration);
  for (const i of [...order].reverse())
    for (const a of tasks[i]!.after) {
      const k = at.get(a)!;
      latest[k] = Math.min(latest[k]!, latest[i]! - tasks[i]!.minutes);
      soonest[k] = Math.min(soonest[k]!, start[i]!);
    }
  const tidy = (x: number): number => (Math.abs(x) < EPS ? 0 : x);
  return {
    duration,
    tasks: Object.fromEntries(
      tasks.map((t, i): [string, TaskTimes] => {
        const totalFloat = tidy(latest[i]! - finish[i]!);
        return [
          t.id,
          {
            earliestStart: start[i]!,
            earliestFinish: finish[i]!,
            latestStart: latest[i]! - t.minutes,
            latestFinish: latest[i]!,
            totalFloat,
            freeFloat: tidy(soonest[i]! - finish[i]!),
            critical: totalFloat === 0,
          },
        ];
      }),
    ),
  };
}
