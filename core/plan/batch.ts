import { z } from 'zod';
import { addDays, daysBetween, type Day } from '../calendar/days.ts';
import type { Step } from '../patterns/kernel.ts';
import { minutesOf } from './minutes.ts';
import type { ScheduleRequest, ScheduleTask } from './schedule.ts';
import { merged } from './scheduleProblem.ts';

/** Minutes of a day. */
export const DAY = 1440;

const minuteOfDay = z
  .number({ error: 'expected minutes of the day' })
  .int('expected whole minutes')
  .min(0, 'must not be negative')
  .max(DAY, 'must be at most 1,440');
/** A time of one day, in minutes from its midnight. */
export const dayWindow = z
  .strictObject({
    day: z.iso.date({ error: 'expected a day like 2026-11-25' }),
    from: minuteOfDay,
    to: minuteOfDay,
  })
  .refine((w) => w.from < w.to, { path: ['to'], message: 'must be later than it begins' });
export type DayWindow = z.infer<typeof dayWindow>;
/** Windows of one maker, or of the time without children. */
export const MOST_WINDOWS = 60;
const windows = z
  .array(dayWindow, { error: 'expected a list of windows' })
  .max(MOST_WINDOWS, `may have at most ${MOST_WINDOWS} windows`);

/** Who makes it and when, when children are away, which tools there is only one of, and what was moved by hand. */
export const benchDays = z.strictObject({
  makers: z
    .array(
      z.strictObject({
        name: z
          .string({ error: 'expected a name' })
          .trim()
          .min(1, 'expected a name')
          .max(40, 'may have at most 40 characters'),
        /** Times of their own. */
        windows,
        /** Whether they work while children are away, too; left out, those do who have no times of their own. */
        shares: z.boolean({ error: 'expected true or false' }).optional(),
      }),
      { error: 'expected a list of makers' },
    )
    .max(12, 'may have at most 12 makers')
    .refine((list) => new Set(list.map((m) => m.name)).size === list.length, 'expected each maker once'),
  childFree: windows,
  singles: z
    .array(z.string().max(40), { error: 'expected a list of tools' })
    .max(30, 'may have at most 30 tools'),
  /** By task: not before so many minutes from zero, or by this maker. */
  pins: z.record(
    z.string().max(120),
    z.strictObject({ from: z.number().min(0).max(1e6).optional(), maker: z.string().max(40).optional() }),
    { error: 'expected what was moved, by task' },
  ),
});
export type BenchDays = z.infer<typeof benchDays>;
export const NO_DAYS: BenchDays = { makers: [], childFree: [], singles: [], pins: {} };

/** A design of a batch, with its steps. */
export interface BatchDesign {
  readonly designId: number;
  readonly name: string;
  readonly pattern: string;
  readonly copies: number;
  readonly steps: readonly Step[];
  /** A step's title where it is done for so many kits at once; as it is for one where it is left out. */
  titleOf?(step: string, kits: number): string | undefined;
}

/** A step of the batch at the bench. */
export interface BatchTask extends ScheduleTask {
  readonly designId: number;
  readonly design: string;
  readonly pattern: string;
  readonly step: string;
  readonly title: string;
  readonly words: string;
  readonly who: Step['who'];
  readonly hot: boolean;
  readonly copies: number;
  readonly needs: readonly string[];
  /** Minutes as usual; `minutes` are this place's own where it has taken some. */
  readonly usual: number;
  /** Which part of a long step this is, and of how many; null for a step that is done at one go. */
  readonly part: readonly [number, number] | null;
  /** What dries after it, minutes. */
  readonly drying: number;
}

type Maker = BenchDays['makers'][number];
/** Whether a maker works in the times that everybody shares: while children are away. */
export const sharesTimes = (m: Maker): boolean => m.shares ?? m.windows.length === 0;
/** When a maker is at hand: the shared times and their own. */
export const hoursOf = (m: Maker, days: Pick<BenchDays, 'childFree'>): readonly DayWindow[] =>
  sharesTimes(m) ? [...days.childFree, ...m.windows] : m.windows;

/** First day of any window: zero of the plan; null where there is none. */
export function firstDay(days: BenchDays): Day | null {
  const all = [...days.makers.flatMap((m) => m.windows), ...days.childFree].map((w) => w.day).sort();
  return all[0] ?? null;
}

const fromZero = (zero: Day, list: readonly DayWindow[]): [number, number][] =>
  list.map((w) => {
    const at = DAY * daysBetween(zero, w.day);
    return [at + w.from, at + w.to];
  });

/** A maker's hours from zero; own times that touch the shared ones are one stretch with them. */
const minutesAtHand = (zero: Day, m: Maker, days: BenchDays): [number, number][] => {
  const hours = fromZero(zero, hoursOf(m, days));
  return sharesTimes(m) && m.windows.length > 0 ? merged(hours).map(([f, t]) => [f, t]) : hours;
};

/** The day and the minute of it, of minutes from a zero day. */
export function dayOf(zero: Day, minutes: number): { day: Day; minute: number } {
  const days = Math.floor(minutes / DAY + 1e-9);
  return { day: addDays(zero, days), minute: minutes - days * DAY };
}

/** `13:05`, to the nearest minute. */
export function clockOf(minute: number): string {
  const whole = Math.round(minute);
  const two = (n: number): string => String(n).padStart(2, '0');
  return `${two(Math.floor(whole / 60))}:${two(whole % 60)}`;
}

/** Longest time at one go that a step of some kind may take, minutes. */
function longestFor(step: Step, days: BenchDays): number {
  const own = days.makers.flatMap((m) => minutesAtHand('2000-01-01', m, days));
  const free = fromZero('2000-01-01', days.childFree);
  const spans =
    step.blade || step.heat
      ? own.flatMap(([f, t]) => free.map(([g, u]) => Math.min(t, u) - Math.max(f, g)))
      : own.map(([f, t]) => t - f);
  return Math.max(0, ...spans);
}

/**
 * The tasks of a batch: each step of each design once for all its kits, set up once; one that is longer than any window
 * that is there in parts of whole kits, each set up again; what dries as a task that needs nobody.
 *
 * @param factor by how much the place's own minutes of a step differ from the usual
 */
export function batchTasks(
  designs: readonly BatchDesign[],
  days: BenchDays,
  factor: (pattern: string, step: string) => number = () => 1,
): BatchTask[] {
  const longest = (s: Step): number => longestFor(s, days);
  return designs.flatMap((d) => {
    // Of no kit nothing is made.
    if (d.copies <= 0) return [];
    const idOf = (step: string): string => `${d.designId}:${step}`;
    const parts = new Map<string, string[]>();
    const tasks: BatchTask[] = [];
    for (const s of d.steps) {
      const own = factor(d.pattern, s.id);
      const room = longest(s);
      const perKit = s.perCopy * own;
      // As few parts as there is room for; one kit is never taken apart.
      let n = 1;
      while (n < d.copies && perKit > 0 && room > 0 && minutesOf(s, Math.ceil(d.copies / n), own) > room) n++;
      const ids = Array.from({ length: n }, (_, i) => (n === 1 ? idOf(s.id) : `${idOf(s.id)}#${i + 1}`));
      parts.set(s.id, s.drying > 0 ? ids.map((i) => `${i}~dries`) : ids);
      let left = d.copies;
      for (const [i, id] of ids.entries()) {
        const copies = Math.ceil(left / (n - i));
        left -= copies;
        const pin = days.pins[id];
        const usual = minutesOf(s, copies);
        tasks.push({
          id,
          minutes: minutesOf(s, copies, own),
          usual,
          kind: 'active',
          after: [],
          ...(s.blade || s.heat ? { blade: true } : {}),
          ...(s.who === 'child' && !s.blade && !s.heat ? { child: true } : {}),
          ...(pin?.maker && days.makers.some((m) => m.name === pin.maker) ? { makers: [pin.maker] } : {}),
          ...(pin?.from === undefined ? {} : { earliest: pin.from }),
          tools: s.tools.filter((t) => days.singles.includes(t)),
          like: [...s.tools].sort().join(', ') || s.who,
          designId: d.designId,
          design: d.name,
          pattern: d.pattern,
          step: s.id,
          title: d.titleOf?.(s.id, copies) ?? s.title,
          words: s.words,
          who: s.who,
          hot: s.heat,
          needs: s.tools,
          copies,
          part: n === 1 ? null : [i + 1, n],
          drying: s.drying,
        });
      }
    }
    return tasks.map((t) => ({
      ...t,
      after: d.steps.find((s) => s.id === t.step)!.after.flatMap((a) => parts.get(a) ?? []),
    }));
  });
}

/** What the search for a plan is asked: minutes from midnight of the first day. */
export function scheduleOf(tasks: readonly BatchTask[], days: BenchDays, zero: Day): ScheduleRequest {
  return {
    tasks: tasks.flatMap((t): ScheduleTask[] => {
      const { id, minutes, kind, after, blade, child, makers, tools, like, earliest } = t;
      const own: ScheduleTask = {
        id,
        minutes,
        kind,
        after,
        ...(blade ? { blade } : {}),
        ...(child ? { child } : {}),
        ...(makers ? { makers } : {}),
        ...(earliest === undefined ? {} : { earliest }),
        tools,
        like,
      };
      return t.drying > 0
        ? [own, { id: `${id}~dries`, minutes: t.drying, kind: 'passive', after: [id] }]
        : [own];
    }),
    makers: Object.fromEntries(days.makers.map((m) => [m.name, minutesAtHand(zero, m, days)])),
    childFree: fromZero(zero, days.childFree),
  };
}
