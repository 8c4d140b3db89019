import { z } from 'zod';
import { PatternError } from '../patterns/kernel.ts';
import { inOrder, taskId } from './criticalPath.ts';
import { EPS, merged, type Problem, type Window } from './scheduleProblem.ts';
import { searchPlans } from './scheduleSearch.ts';

/** Tasks and makers beyond this are no bench day. */
const MOST_TASKS = 120;

const time = z
  .number({ error: 'expected minutes from zero' })
  .min(-1e6, 'must be at least −1,000,000')
  .max(1e6, 'must be at most 1,000,000');
const window = z
  .tuple([time, time], { error: 'expected a window as [from, to], minutes' })
  .refine(([from, to]) => from <= to, 'must end after it begins');
const windows = z
  .array(window, { error: 'expected a list of windows [from, to]' })
  .max(200, 'may have at most 200 windows');

const scheduleTask = z.strictObject({
  id: taskId,
  minutes: z
    .number({ error: 'expected minutes' })
    .min(0, 'must not be negative')
    .max(1e5, 'must be at most 100,000 minutes'),
  /** Active: a maker's hands; passive: it dries or rests by itself. */
  kind: z.enum(['active', 'passive'], { error: 'expected active or passive' }),
  after: z
    .array(taskId, { error: 'expected a list of tasks' })
    .max(MOST_TASKS, `may have at most ${MOST_TASKS} tasks`)
    .default([]),
  /** With a blade or heat: only while children are away. */
  blade: z.boolean({ error: 'expected true or false' }).optional(),
  /** A child's own step: only while children are there. */
  child: z.boolean({ error: 'expected true or false' }).optional(),
  /** Who can do it; everybody where it is left out. */
  makers: z
    .array(z.string().min(1).max(80), { error: 'expected a list of makers' })
    .min(1, 'expected at least one maker')
    .max(20, 'may have at most 20 makers')
    .optional(),
  /** Tools that there is only one of. */
  tools: z.array(z.string().min(1).max(40), { error: 'expected a list of tools' }).max(10).optional(),
  /** It does not begin before this, minutes from zero. */
  earliest: time.optional(),
  /** Work that is alike, kept together where it costs no time. */
  like: z.string().max(80).optional(),
});
export type ScheduleTask = z.infer<typeof scheduleTask>;

export const scheduleRequest = z.strictObject({
  tasks: z
    .array(scheduleTask, { error: 'expected a list of tasks' })
    .max(MOST_TASKS, `may have at most ${MOST_TASKS} tasks`),
  makers: z
    .record(z.string().min(1, 'expected a name').max(80, 'may have at most 80 characters'), windows, {
      error: 'expected windows by maker',
    })
    .refine((m) => Object.keys(m).length <= 20, 'may have at most 20 makers'),
  childFree: windows.default([]),
});
export type ScheduleRequest = z.infer<typeof scheduleRequest>;

interface PlannedTask {
  readonly task: string;
  /** null where it needs nobody. */
  readonly maker: string | null;
  readonly start: number;
  readonly end: number;
}
export interface ScheduleAnswer {
  readonly feasible: boolean;
  /** When everything is done, minutes from zero; null where there is no plan. */
  readonly makespan: number | null;
  /** No plan ends before this; the makespan is the least there is where both are the same. */
  readonly bound: number | null;
  readonly plan: PlannedTask[];
  /** Why there is no plan; null where there is one. */
  readonly reason: string | null;
}

/** Both, where they overlap. */
const both = (a: readonly Window[], b: readonly Window[]): Window[] =>
  a.flatMap(([f, t]) =>
    b.flatMap(([g, u]): Window[] =>
      Math.max(f, g) <= Math.min(t, u) ? [[Math.max(f, g), Math.min(t, u)]] : [],
    ),
  );

/** What is left of windows outside others. */
const outside = (a: readonly Window[], b: readonly Window[]): Window[] =>
  a.flatMap(([f, t]) => {
    const left: Window[] = [];
    let from = f;
    for (const [g, u] of merged(b)) {
      if (u <= from || g >= t) continue;
      if (g > from) left.push([from, g]);
      from = Math.max(from, u);
    }
    if (from < t || (from === t && f === t)) left.push([from, t]);
    return left;
  });

/** When somebody could do a task at all, in words. */
const wordsOf = (t: ScheduleTask, names: readonly string[]): string =>
  `“${t.id}” (${t.minutes} min) fits in no ${t.blade ? 'child-free window' : t.child ? 'window with children' : 'window'} of ${(t.makers ?? names).join(', ')}.`;

/**
 * The steps of a batch into the windows of its makers, so that all is done soonest. Active tasks lie unsplit inside one
 * window of one maker; one with a blade inside one child-free window too; a child's own outside them. Windows are not merged.
 *
 * @param until when the search must come back with what it has, on the clock of `now`, ms
 * @returns the best plan found with a bound that no plan beats; equal where it is proved the soonest
 * @throws PatternError where names do not fit together
 */
export function schedule(
  { tasks, makers, childFree }: ScheduleRequest,
  means: { readonly now: () => number; readonly until: number },
): ScheduleAnswer {
  const names = Object.keys(makers);
  const order = inOrder(tasks);
  const at = new Map(tasks.map((t, i) => [t.id, i]));
  tasks.forEach((t, i) => {
    t.makers?.forEach((m, k) => {
      if (!(m in makers)) throw new PatternError(`tasks.${i}.makers.${k}`, `“${m}” is not a maker`);
    });
    if (t.blade && t.child)
      throw new PatternError(`tasks.${i}.child`, 'a child’s step has no blade; expected one of the two');
  });
  const tools = [...new Set(tasks.flatMap((t) => t.tools ?? []))];
  const before = tasks.map((t) => [...new Set(t.after)].map((a) => at.get(a)!));
  const next = tasks.map((): number[] => []);
  before.forEach((list, i) => list.forEach((b) => next[b]!.push(i)));
  const places = tasks.map((t) =>
    names.map((name) => {
      if (t.kind === 'passive' || (t.makers && !t.makers.includes(name))) return [];
      const own = makers[name]!;
      const open = t.blade ? both(own, childFree) : t.child ? outside(own, childFree) : own;
      return open.filter(([f, u]) => u - f >= t.minutes - EPS).sort((a, b) => a[0] - b[0] || a[1] - b[1]);
    }),
  );
  const nothing = (reason: string): ScheduleAnswer => ({
    feasible: false,
    makespan: null,
    bound: null,
    plan: [],
    reason,
  });
  if (tasks.length === 0) return { feasible: true, makespan: 0, bound: 0, plan: [], reason: null };
  for (const [i, t] of tasks.entries())
    if (t.kind === 'active' && places[i]!.every((p) => p.length === 0)) return nothing(wordsOf(t, names));
  const problem: Problem = {
    minutes: tasks.map((t) => t.minutes),
    active: tasks.map((t) => t.kind === 'active'),
    before,
    next,
    tools: tasks.map((t) =>
      t.kind === 'passive' ? [] : [...new Set(t.tools ?? [])].map((x) => tools.indexOf(x)),
    ),
    toolCount: tools.length,
    order,
    places,
    hands: names.map((n) => merged(makers[n]!)),
    blade: tasks.map((t) => t.blade === true),
    away: names.map((n) => merged(both(makers[n]!, childFree))),
    earliest: tasks.map((t) => t.earliest ?? 0),
    like: tasks.map((t) => t.like ?? null),
  };
  const found = searchPlans(problem, means);
  if (!found.plan)
    return nothing(
      found.isProved
        ? 'The windows are too short for everything in an order that keeps what waits for what.'
        : 'No plan was found in the time there is; more or longer windows may help.',
    );
  const { start, maker } = found.plan;
  return {
    feasible: true,
    makespan: found.plan.end,
    bound: found.bound,
    plan: tasks
      .map((t, i) => ({
        task: t.id,
        maker: t.kind === 'passive' ? null : names[maker[i]!]!,
        start: start[i]!,
        end: start[i]! + t.minutes,
      }))
      .sort((a, b) => a.start - b.start || a.end - b.end),
    reason: null,
  };
}
