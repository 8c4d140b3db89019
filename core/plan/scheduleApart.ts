import { EPS, soonest, type Problem } from './scheduleProblem.ts';

/** Active tasks and makers up to which every way to share them out is looked at. */
const MOST_TASKS = 13;
const MOST_MAKERS = 4;

/** An order of the active tasks, and who does each. */
export interface SharedOut {
  readonly sequence: readonly number[];
  /** By task; −1 where it needs nobody. */
  readonly maker: readonly number[];
}

/** Soonest begin of each task by what it waits for, as if hands were always free. */
function headsOf(p: Problem): number[] {
  const head = p.minutes.map(() => 0);
  const end = p.minutes.map(() => 0);
  for (const i of p.order) {
    head[i] = Math.max(0, p.earliest[i]!, ...p.before[i]!.map((b) => end[b]!));
    const start = p.active[i]
      ? Math.min(...p.places[i]!.map((places) => soonest(places, p.minutes[i]!, head[i]!)))
      : head[i];
    end[i] = start + p.minutes[i]!;
  }
  return head;
}

/**
 * Whether the tasks can be shared out so that all is done by a time, when what waits for what is looked at only by its
 * length: a task begins no sooner than the chain before it allows, and ends so early that the chain after it still goes.
 * One maker's tasks need only the end of those done before, so a table over sets of tasks is exact for each (Held and Karp,
 * 1962; the source from memory); then all ways to share the sets are looked at. No real plan is left out.
 */
class Apart {
  private readonly p: Problem;
  private readonly tail: readonly number[];
  private readonly active: readonly number[];
  private readonly head: readonly number[];

  constructor(p: Problem, tail: readonly number[]) {
    this.p = p;
    this.tail = tail;
    this.active = p.order.filter((i) => p.active[i]);
    this.head = headsOf(p);
  }

  /** By set of tasks, when one maker has done them at the soonest; Infinity where one comes too late. */
  private endsOf(m: number, by: number): Float64Array {
    const { p, active, head, tail } = this;
    const ends = new Float64Array(1 << active.length).fill(Infinity);
    ends[0] = -Infinity;
    for (let set = 1; set < ends.length; set++)
      for (let k = 0; k < active.length; k++) {
        if (!(set & (1 << k))) continue;
        const before = ends[set ^ (1 << k)]!;
        if (before === Infinity) continue;
        const i = active[k]!;
        const end = soonest(p.places[i]![m]!, p.minutes[i]!, Math.max(head[i]!, before)) + p.minutes[i]!;
        if (end + tail[i]! <= by + EPS && end < ends[set]!) ends[set] = end;
      }
    return ends;
  }

  /** The tasks of a set in an order that one maker keeps. */
  private orderOf(m: number, set: number, ends: Float64Array, by: number): number[] {
    const { p, active, head, tail } = this;
    const back: number[] = [];
    for (let left = set; left > 0;) {
      const k = active.findIndex((i, at) => {
        if (!(left & (1 << at))) return false;
        const before = ends[left ^ (1 << at)]!;
        if (before === Infinity) return false;
        const end = soonest(p.places[i]![m]!, p.minutes[i]!, Math.max(head[i]!, before)) + p.minutes[i]!;
        return end + tail[i]! <= by + EPS && Math.abs(end - ends[left]!) < EPS;
      });
      back.push(active[k]!);
      left ^= 1 << k;
    }
    return back.reverse();
  }

  sharedBy(by: number): SharedOut | null {
    const { p, active } = this;
    const full = (1 << active.length) - 1;
    const ends = p.hands.map((_, m) => this.endsOf(m, by));
    /** By maker and set: the part of it that this maker does, the ones before doing the rest; −1 where it does not go. */
    const part: Int32Array[] = [];
    for (let m = 0; m < ends.length; m++) {
      const own = new Int32Array(full + 1).fill(-1);
      const before = part[m - 1];
      // Of the last maker only the whole is asked.
      for (let set = m === ends.length - 1 ? full : 0; set <= full; set++)
        for (let take = set; ; take = (take - 1) & set) {
          if (ends[m]![take]! < Infinity && (before ? before[set ^ take]! >= 0 : set === take)) {
            own[set] = take;
            break;
          }
          if (take === 0) break;
        }
      part.push(own);
    }
    const maker = p.minutes.map(() => -1);
    const orders: number[][] = [];
    for (let m = ends.length - 1, left = full; m >= 0; m--) {
      const take = part[m]![left]!;
      if (take < 0) return null;
      const order = this.orderOf(m, take, ends[m]!, by);
      for (const i of order) maker[i] = m;
      orders.push(order);
      left ^= take;
    }
    return { sequence: orders.flat(), maker };
  }
}

/**
 * A bound on when everything is done, from sharing tasks out without looking at what waits for what except by its length.
 *
 * @param range from a bound that holds to an end that is reached, minutes
 * @param step every end is a multiple of it; 0 where there is no such step
 * @returns a bound that no plan beats, and the sharing that reaches it; null where there are too many tasks or makers
 */
export function boundApart(
  p: Problem,
  tail: readonly number[],
  options: {
    range: readonly [number, number];
    step: number;
    late: () => boolean;
  },
): { bound: number; shared: SharedOut | null } | null {
  const { range, step, late } = options;
  const count = p.active.filter(Boolean).length;
  if (count === 0 || count > MOST_TASKS || p.hands.length > MOST_MAKERS) return null;
  const apart = new Apart(p, tail);
  const fine = step > 0 ? step : 0.01;
  let [low, high] = [Math.floor(range[0] / fine), Math.ceil(range[1] / fine)];
  let shared: SharedOut | null = null;
  // Below `low` nothing goes; at `high` something does.
  while (low < high && !late()) {
    const middle = Math.floor((low + high) / 2);
    const found = apart.sharedBy(middle * fine);
    if (found) [high, shared] = [middle, found];
    else low = middle + 1;
  }
  return {
    bound: Math.max(range[0], low * fine - (step > 0 ? 0 : fine)),
    shared: low === high ? shared : null,
  };
}
