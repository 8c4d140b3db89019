import { formatMinutes } from '../measure/minutes.ts';
import type { BatchTask } from './batch.ts';
import { baseOf, type Hindrance, type Idle } from './wayOut.ts';

/** A step as a sentence names it: “Wash 16 × Milk cap”, of a design where the session has several. */
export function stepNamed(tasks: readonly BatchTask[], step: string): string {
  const t = tasks.find((x) => baseOf(x.id) === step);
  if (!t) return step;
  const several = tasks.some((x) => x.designId !== t.designId);
  return `“${t.title}”${several ? ` of ${t.design}` : ''}`;
}

/** What keeps a making session from being done, in one plain sentence. */
export function hindranceWords(h: Hindrance, tasks: readonly BatchTask[]): string {
  const named = (step: string): string => stepNamed(tasks, step);
  switch (h.kind) {
    case 'no maker':
      return 'Nobody makes it yet: say who does.';
    case 'no times':
      return 'No time is given yet: say when children are away or asleep.';
    case 'never away':
      return `${named(h.task)} needs a blade or heat, and nobody is at hand while children are away: say when that is.`;
    case 'never there':
      return `${named(h.task)} is a child’s own step of ${formatMinutes(h.minutes)}, and no time is left in which children are there.`;
    case 'too long':
      return `${named(h.task)} takes ${formatMinutes(h.minutes)} at one go, and the longest time for it is ${h.longest > 0 ? formatMinutes(h.longest) : 'none'}.`;
    case 'dries':
      return `After ${named(h.task)} it has to dry for ${formatMinutes(h.minutes)}, and the rest does not fit in after that.`;
    case 'too short':
      return h.work > h.time
        ? `The work takes ${formatMinutes(h.work)}, and the times come to ${formatMinutes(h.time)}.`
        : `The work takes ${formatMinutes(h.work)} and the times come to ${formatMinutes(h.time)}, but not in an order in which each step comes after what it waits for.`;
  }
}

/** Why somebody has nothing to do. */
export function idleWords({ maker, why }: Idle): string {
  switch (why) {
    case 'no times':
      return `${maker} has nothing to do: no time is given in which ${maker} is at hand.`;
    case 'nothing fits':
      return `${maker} has nothing to do: no step fits into ${maker}’s times.`;
    case 'one after another':
      return `${maker} has nothing to do: each step waits for the one before, so it ends as soon with one pair of hands.`;
    case 'ends as soon':
      return `${maker} has nothing to do: it ends as soon without another pair of hands.`;
  }
}
