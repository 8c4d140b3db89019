import {
  batchTasks,
  firstDay,
  scheduleOf,
  type BatchDesign,
  type BatchTask,
  type BenchDays,
} from './batch.ts';
import { ownFactor } from './minutes.ts';
import type { OwnTimes } from './ownMinutes.ts';
import { hindranceWords } from './planWords.ts';
import type { ScheduleAnswer, ScheduleRequest } from './schedule.ts';
import { idleOf, waysOut, type Idle, type NoPlan } from './wayOut.ts';

/** What a making session is planned from. */
export interface BenchRequest {
  readonly designs: readonly Omit<BatchDesign, 'titleOf'>[];
  /** The place's own minutes, by pattern and step. */
  readonly own: OwnTimes;
  readonly days: BenchDays;
}
export interface BenchPlan extends ScheduleAnswer {
  /** Day whose midnight minutes count from; null where no time is given. */
  readonly zero: string | null;
  /** What keeps it from being done, and what would let it; null where there is a plan. */
  readonly noPlan: NoPlan | null;
  /** Makers to whom the plan gives nothing. */
  readonly idle: readonly Idle[];
}

const tasksIn = ({ designs, own, days }: BenchRequest): BatchTask[] =>
  batchTasks(designs, days, (pattern, step) => ownFactor(own, pattern)(step));

/**
 * When everything of a making session is done, or why it is not and what would help.
 *
 * @param solve finds the plan
 * @param glance finds whether there is one, in a short time
 */
export function benchPlan(
  request: BenchRequest,
  solve: (request: ScheduleRequest) => ScheduleAnswer,
  glance: (request: ScheduleRequest) => ScheduleAnswer,
): BenchPlan {
  const { days } = request;
  const zero = firstDay(days);
  const tasks = tasksIn(request);
  const answer: ScheduleAnswer =
    zero === null || days.makers.length === 0
      ? { feasible: false, makespan: null, bound: null, plan: [], reason: null }
      : solve(scheduleOf(tasks, days, zero));
  if (answer.feasible) return { ...answer, zero, noPlan: null, idle: idleOf(answer, tasks, days, zero!) };
  const noPlan = waysOut((d) => tasksIn({ ...request, days: d }), days, glance);
  return { ...answer, zero, noPlan, idle: [], reason: hindranceWords(noPlan.hindrance, tasks) };
}
