import { PatternError, type Step } from '../patterns/kernel.ts';
import { minutesOf, type OwnFactor } from './minutes.ts';

/** A step with its place in the order and its minutes for the whole batch. */
export interface Placed {
  readonly step: Step;
  readonly minutes: number;
  /** Minutes from the start for one pair of hands, drying in the background. */
  readonly start: number;
  readonly end: number;
  readonly dryUntil: number;
}

/**
 * The steps of a batch in an order that keeps what must come before, for one pair of hands: among the steps that may
 * begin, one that dries longest goes first, so that drying happens behind the other work.
 *
 * @param own by how much the place's own minutes of a step differ from the usual
 * @throws PatternError when the steps wait for each other in a circle or for one that is not there
 */
export function orderSteps(steps: readonly Step[], copies: number, own: OwnFactor = () => 1): Placed[] {
  const ids = new Set(steps.map((s) => s.id));
  for (const s of steps)
    for (const a of s.after)
      if (!ids.has(a)) throw new PatternError('steps', `“${s.id}” waits for “${a}”, which is not a step`);
  const done = new Map<string, number>();
  const left = [...steps];
  const out: Placed[] = [];
  let now = 0;
  while (left.length > 0) {
    const open = left.filter((s) => s.after.every((a) => done.has(a)));
    if (open.length === 0)
      throw new PatternError(
        'steps',
        `the steps ${left.map((s) => `“${s.id}”`).join(', ')} wait for each other`,
      );
    const readyAt = (s: Step): number => Math.max(now, ...s.after.map((a) => done.get(a)!));
    const next = open.reduce((a, b) =>
      readyAt(b) < readyAt(a) || (readyAt(b) === readyAt(a) && b.drying > a.drying) ? b : a,
    );
    const start = readyAt(next);
    const minutes = minutesOf(next, copies, own(next.id));
    const drying = copies > 0 ? next.drying : 0;
    out.push({ step: next, minutes, start, end: start + minutes, dryUntil: start + minutes + drying });
    done.set(next.id, start + minutes + drying);
    now = start + minutes;
    left.splice(left.indexOf(next), 1);
  }
  return out;
}

/** Minutes of hands-on work, and of it with a blade or heat. */
export function handsOn(placed: readonly Placed[]): { total: number; blade: number; elapsed: number } {
  return {
    total: placed.reduce((n, p) => n + p.minutes, 0),
    blade: placed.reduce((n, p) => n + (p.step.blade || p.step.heat ? p.minutes : 0), 0),
    elapsed: Math.max(0, ...placed.map((p) => p.dryUntil)),
  };
}
