import { addDays, type Day } from '../calendar/days.ts';
import {
  DAY,
  dayOf,
  firstDay,
  hoursOf,
  scheduleOf,
  sharesTimes,
  type BatchTask,
  type BenchDays,
  type DayWindow,
} from './batch.ts';
import type { ScheduleAnswer, ScheduleRequest } from './schedule.ts';

/** What keeps a making session from being done in its times. Minutes throughout; a task is named without its part. */
export type Hindrance =
  | { readonly kind: 'no maker' }
  | { readonly kind: 'no times' }
  /** A blade or heat, and no maker at hand while children are away. */
  | { readonly kind: 'never away'; readonly task: string }
  /** A child's own step, and no time with the children. */
  | { readonly kind: 'never there'; readonly task: string; readonly minutes: number }
  /** One step is longer than the longest time that it may lie in. */
  | { readonly kind: 'too long'; readonly task: string; readonly minutes: number; readonly longest: number }
  /** All would fit but for what dries after this step. */
  | { readonly kind: 'dries'; readonly task: string; readonly minutes: number }
  /** More work than time. */
  | { readonly kind: 'too short'; readonly work: number; readonly time: number };

/** A change of the times with which all of it is done. */
export interface WayOut {
  readonly kind: 'earlier' | 'later' | 'before and after' | 'another day';
  readonly days: BenchDays;
  /** What is begun in the time that came in. */
  readonly task: string | null;
  /** When that begins. */
  readonly begin: { readonly day: Day; readonly minute: number };
  /** When everything is done. */
  readonly end: { readonly day: Day; readonly minute: number };
}
export interface NoPlan {
  readonly hindrance: Hindrance;
  readonly ways: readonly WayOut[];
}

type Solve = (request: ScheduleRequest) => ScheduleAnswer;

/** Times are made longer by so much at a time, and not beyond these hours, minutes of the day. */
const QUARTER = 15;
const MORNING = 7 * 60;
const EVENING = 20 * 60;
/** Days that are tried one after another where one is not enough. */
const MOST_DAYS = 4;

/** A step of a design, whichever part of it. */
export const baseOf = (id: string): string => id.replace(/#\d+$/, '');
const bySpan = (a: DayWindow, b: DayWindow): number =>
  a.day < b.day ? -1 : a.day > b.day ? 1 : a.from - b.from;
const allHours = (days: BenchDays): DayWindow[] => days.makers.flatMap((m) => hoursOf(m, days)).sort(bySpan);
const spanOf = (list: readonly (readonly [number, number])[]): number =>
  Math.max(0, ...list.map(([f, t]) => t - f));

/** A time more for the first maker, besides those that there are. */
const withTime = (days: BenchDays, more: DayWindow): BenchDays => ({
  ...days,
  makers: days.makers.map((m, i) =>
    i === 0
      ? {
          ...m,
          shares: sharesTimes(m),
          windows: [...m.windows, more].sort(bySpan),
        }
      : m,
  ),
});

/** The last day's times again on a later one. */
function withDay(days: BenchDays, later: number): BenchDays {
  const last = allHours(days).at(-1)!.day;
  const again = (list: readonly DayWindow[]): DayWindow[] => [
    ...list,
    ...Array.from({ length: later }, (_, i) =>
      list.filter((w) => w.day === last).map((w) => ({ ...w, day: addDays(last, i + 1) })),
    ).flat(),
  ];
  return {
    ...days,
    childFree: again(days.childFree),
    makers: days.makers.map((m) => ({ ...m, windows: again(m.windows) })),
  };
}

/** What keeps it from being done, first what is wrong by itself, then what only all of it together is. */
function hindranceOf(tasks: readonly BatchTask[], days: BenchDays, zero: Day, solve: Solve): Hindrance {
  const { tasks: steps, makers, childFree = [] } = scheduleOf(tasks, days, zero);
  const hours = Object.values(makers).flat();
  const away = hours.flatMap(([f, t]) =>
    childFree.flatMap(([g, u]): [number, number][] =>
      Math.min(t, u) > Math.max(f, g) ? [[Math.max(f, g), Math.min(t, u)]] : [],
    ),
  );
  for (const t of tasks) {
    if (t.blade && away.length === 0) return { kind: 'never away', task: baseOf(t.id) };
    const longest = spanOf(t.blade ? away : hours);
    if (t.minutes > longest) return { kind: 'too long', task: baseOf(t.id), minutes: t.minutes, longest };
  }
  const alone = solve({ tasks: steps.map((t) => ({ ...t, after: [] })), makers, childFree });
  const child = tasks.find((t) => t.child);
  if (!alone.feasible && child) {
    const without = steps.filter((t) => !t.child).map((t) => ({ ...t, after: [] }));
    if (solve({ tasks: without, makers, childFree }).feasible)
      return { kind: 'never there', task: baseOf(child.id), minutes: child.minutes };
  }
  const dry = tasks.filter((t) => t.drying > 0).sort((a, b) => b.drying - a.drying);
  const without = (ids: readonly string[]): boolean =>
    solve({
      tasks: steps.map((t) => (ids.some((id) => t.id === `${id}~dries`) ? { ...t, minutes: 0 } : t)),
      makers,
      childFree,
    }).feasible;
  const [most] = dry;
  if (most && without(dry.map((t) => t.id))) {
    const one = dry.find((t) => without([t.id])) ?? most;
    return { kind: 'dries', task: baseOf(one.id), minutes: one.drying };
  }
  return {
    kind: 'too short',
    work: tasks.reduce((n, t) => n + t.minutes, 0),
    time: hours.reduce((n, [f, t]) => n + t - f, 0),
  };
}

/** A change as it comes out: what is begun in the new time, when all is done; null where it does not help. */
function tried(
  kind: WayOut['kind'],
  tasks: readonly BatchTask[],
  days: BenchDays,
  more: DayWindow,
  solve: Solve,
): WayOut | null {
  const zero = firstDay(days)!;
  const answer = solve(scheduleOf(tasks, days, zero));
  if (!answer.feasible) return null;
  const own = (p: ScheduleAnswer['plan'][number]): boolean => {
    const { day, minute } = dayOf(zero, p.start);
    return p.maker !== null && day === more.day && minute >= more.from && minute < more.to;
  };
  const first = answer.plan.find(own);
  return {
    kind,
    days,
    task: first ? baseOf(first.task) : null,
    begin: first ? dayOf(zero, first.start) : { day: more.day, minute: more.from },
    end: dayOf(zero, answer.makespan!),
  };
}

/** Times made longer by as little as helps, in quarters of an hour; null where the longest does not help either. */
function least(longest: number, of: (by: number) => WayOut | null): WayOut | null {
  let high = Math.floor(longest / QUARTER);
  let best = high > 0 ? of(high * QUARTER) : null;
  if (!best) return null;
  // More time never hinders, so the least is found by halving.
  for (let low = 0; high - low > 1;) {
    const middle = (low + high) >> 1;
    const found = of(middle * QUARTER);
    if (found) [best, high] = [found, middle];
    else low = middle;
  }
  return best;
}

/** The times that end a day ending later. */
function goOn(days: BenchDays, last: DayWindow, by: number): BenchDays {
  const longer = (list: readonly DayWindow[]): DayWindow[] =>
    list.map((w) => (w.day === last.day && w.to === last.to ? { ...w, to: w.to + by } : w));
  return {
    ...days,
    childFree: longer(days.childFree),
    makers: days.makers.map((m) => ({ ...m, windows: longer(m.windows) })),
  };
}

/**
 * Why a making session is not done in its times, and what would let it be done: beginning earlier, going on longer, another
 * day; each the least change of its kind, tried out before it is offered.
 *
 * @param tasksOf the tasks as they are in such times: long ones come in parts
 * @param solve finds a plan in a short time; a change for which it finds none is not offered
 */
export function waysOut(
  tasksOf: (days: BenchDays) => readonly BatchTask[],
  days: BenchDays,
  solve: Solve,
): NoPlan {
  if (days.makers.length === 0) return { hindrance: { kind: 'no maker' }, ways: [] };
  const hours = allHours(days);
  const zero = firstDay(days);
  if (zero === null || hours.length === 0) return { hindrance: { kind: 'no times' }, ways: [] };
  const tasks = tasksOf(days);
  const hindrance = hindranceOf(tasks, days, zero, solve);
  // Nobody but those who look after the children can say when they are away.
  if (hindrance.kind === 'never away') return { hindrance, ways: [] };
  const isBlade =
    hindrance.kind === 'too long' && tasks.find((t) => baseOf(t.id) === hindrance.task)?.blade === true;
  const attempt = (kind: WayOut['kind'], changed: BenchDays, more: DayWindow): WayOut | null =>
    tried(kind, tasksOf(changed), changed, more, solve);
  const first = hours[0]!;
  const last = hours.reduce((a, b) => (b.day > a.day || (b.day === a.day && b.to > a.to) ? b : a));
  const ways: (WayOut | null)[] = [];
  // Children sleep no earlier because somebody has to cut.
  if (!isBlade)
    ways.push(
      least(first.from - MORNING, (by) => {
        const more = { day: first.day, from: first.from - by, to: first.from };
        return attempt('earlier', withTime(days, more), more);
      }),
    );
  ways.push(
    least(EVENING - last.to, (by) => {
      const more = { day: last.day, from: last.to, to: last.to + by };
      return attempt('later', isBlade ? goOn(days, last, by) : withTime(days, more), more);
    }),
  );
  // A child's step, a blade after it, a child's step again: the one before the nap and the other after it.
  if (!ways.some((w) => w))
    ways.push(
      least(Math.min(first.from - MORNING, EVENING - last.to), (by) => {
        const before = { day: first.day, from: first.from - by, to: first.from };
        const after = { day: last.day, from: last.to, to: last.to + by };
        return attempt('before and after', withTime(withTime(days, before), after), before);
      }),
    );
  for (let more = 1; more <= MOST_DAYS; more++) {
    const day = addDays(last.day, more);
    const found = attempt('another day', withDay(days, more), { day, from: 0, to: DAY });
    ways.push(found);
    if (found) break;
  }
  return { hindrance, ways: ways.filter((w) => w !== null) };
}

/** Why somebody has nothing to do in a plan. */
export interface Idle {
  readonly maker: string;
  /** No times; times that no step fits into; or everything ends as soon without, since steps wait for each other or are few. */
  readonly why: 'no times' | 'nothing fits' | 'one after another' | 'ends as soon';
}

/** Makers to whom a plan gives nothing, and why. */
export function idleOf(
  plan: Pick<ScheduleAnswer, 'plan'>,
  tasks: readonly BatchTask[],
  days: BenchDays,
  zero: Day,
): Idle[] {
  const { makers, childFree = [] } = scheduleOf(tasks, days, zero);
  const waits = new Map(tasks.map((t) => [t.id, t.after.map((a) => a.replace(/~dries$/, ''))]));
  const before = (id: string, seen = new Set<string>()): Set<string> => {
    for (const a of waits.get(id) ?? [])
      if (!seen.has(a)) {
        seen.add(a);
        before(a, seen);
      }
    return seen;
  };
  // In a chain each step has all that are done before it, before it.
  const isChain = tasks.every((t) =>
    tasks.every((u) => u === t || before(t.id).has(u.id) || before(u.id).has(t.id)),
  );
  return days.makers.flatMap(({ name }): Idle[] => {
    if (plan.plan.some((p) => p.maker === name)) return [];
    const hours = makers[name]!;
    if (hours.length === 0) return [{ maker: name, why: 'no times' }];
    const away = hours.flatMap(([f, t]) =>
      childFree.flatMap(([g, u]): [number, number][] => [[Math.max(f, g), Math.min(t, u)]]),
    );
    if (tasks.every((t) => t.minutes > spanOf(t.blade ? away : hours)))
      return [{ maker: name, why: 'nothing fits' }];
    return [{ maker: name, why: isChain ? 'one after another' : 'ends as soon' }];
  });
}
