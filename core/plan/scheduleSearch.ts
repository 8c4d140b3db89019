import { boundApart, type SharedOut } from './scheduleApart.ts';
import { Capacity } from './scheduleCapacity.ts';
import { improved, together } from './scheduleImprove.ts';
import { EPS, keyOf, soonest, stepOf, tailsOf, type Found, type Problem } from './scheduleProblem.ts';

/** So many partial plans are kept side by side: few for a first answer, many for a proof. */
const FEW = 60;
const MANY = 60_000;

/**
 * A partial plan: some tasks are set, each as soon as it can be after what was set before it. Every best plan is one of
 * these: take its tasks by when they begin and set them in that order, and none begins later than it did, since the soonest
 * place for a task never comes earlier when it is asked for later.
 */
interface Partial {
  readonly done: Uint8Array;
  readonly left: number;
  /** Soonest that each maker and each tool is free. */
  readonly hands: Float64Array;
  readonly tools: Float64Array;
  /** By task: when it ends where it is set, else the latest end of what it waits for so far. */
  readonly ready: Float64Array;
  /** End of all that is set, what dries after it included. */
  readonly end: number;
  /** No way of going on from here ends before this. */
  readonly bound: number;
  readonly task: number;
  readonly maker: number;
  readonly from: number;
  readonly parent: Partial | null;
}

class Search {
  readonly p: Problem;
  readonly tail: readonly number[];
  /** Makers that are the same for every task. */
  private readonly twins: number[];
  private readonly all: Capacity;
  private readonly away: Capacity;
  readonly step: number;

  constructor(p: Problem) {
    this.p = p;
    this.tail = tailsOf(p);
    this.all = new Capacity(p.hands);
    this.away = new Capacity(p.away);
    this.step = stepOf(p);
    const key = (m: number): string => JSON.stringify([p.hands[m], p.places.map((x) => x[m])]);
    const keys = p.hands.map((_, m) => key(m));
    this.twins = keys.map((k) => keys.indexOf(k));
  }

  start(): Partial {
    const { p } = this;
    const empty: Partial = {
      done: new Uint8Array(p.minutes.length),
      left: p.active.filter(Boolean).length,
      hands: new Float64Array(p.hands.length).fill(-Infinity),
      tools: new Float64Array(p.toolCount).fill(-Infinity),
      ready: Float64Array.from(p.earliest, (t) => Math.max(0, t)),
      end: 0,
      bound: 0,
      task: -1,
      maker: -1,
      from: 0,
      parent: null,
    };
    const rest = p.order.filter((i) => !p.active[i] && p.before[i]!.length === 0);
    let end = 0;
    for (const i of rest) end = Math.max(end, this.finish(empty.done, empty.ready, i, empty.ready[i]!));
    return { ...empty, end, bound: this.boundOf(empty.done, empty.ready, empty.hands, end) };
  }

  /** A maker who has no room left for the shortest of what remains before the next window is not free before that. */
  private settled(done: Uint8Array, hands: Float64Array): void {
    const { p } = this;
    for (let m = 0; m < hands.length; m++) {
      let next = Infinity;
      for (let i = 0; i < done.length && next > hands[m]!; i++)
        if (!done[i] && p.active[i])
          next = Math.min(next, soonest(p.places[i]![m]!, p.minutes[i]!, hands[m]!));
      hands[m] = Math.max(hands[m]!, next);
    }
  }

  /** Marks a task as set from a time on, and what needs nobody and may begin then; returns the latest end. */
  private finish(done: Uint8Array, ready: Float64Array, task: number, from: number): number {
    const { p } = this;
    done[task] = 1;
    const end = from + p.minutes[task]!;
    ready[task] = end;
    let latest = end;
    for (const k of p.next[task]!) {
      ready[k] = Math.max(ready[k]!, end);
      if (!p.active[k] && p.before[k]!.every((b) => done[b]))
        latest = Math.max(latest, this.finish(done, ready, k, ready[k]));
    }
    return latest;
  }

  /** No plan that goes on from here ends before this: by chains through the soonest places, and by the hands there are. */
  private boundOf(done: Uint8Array, ready: Float64Array, hands: Float64Array, end: number): number {
    const { p, tail } = this;
    let bound = end;
    const from = Float64Array.from(ready);
    let [sum, least, bladeSum, bladeLeast] = [0, Infinity, 0, Infinity];
    for (const i of p.order) {
      if (done[i]) continue;
      for (const b of p.before[i]!) if (!done[b]) from[i] = Math.max(from[i]!, from[b]!);
      let start = from[i]!;
      if (p.active[i]) {
        start = Infinity;
        for (let m = 0; m < hands.length; m++)
          start = Math.min(start, soonest(p.places[i]![m]!, p.minutes[i]!, Math.max(from[i]!, hands[m]!)));
        if (start === Infinity) return Infinity;
        sum += p.minutes[i]!;
        least = Math.min(least, tail[i]!);
        if (p.blade[i]) {
          bladeSum += p.minutes[i]!;
          bladeLeast = Math.min(bladeLeast, tail[i]!);
        }
      }
      // From here on its end, for those that wait for it.
      from[i] = start + p.minutes[i]!;
      bound = Math.max(bound, from[i] + tail[i]!);
    }
    const work = sum > 0 ? this.all.until(hands, sum) + least : 0;
    const blades = bladeSum > 0 ? this.away.until(hands, bladeSum) + bladeLeast : 0;
    return this.rounded(Math.max(bound, work, blades));
  }

  /** No plan ends between two steps. */
  private rounded(bound: number): number {
    const { step } = this;
    return step > 0 && bound < Infinity ? Math.ceil(bound / step - EPS) * step : bound;
  }

  /** Sets one more task. */
  private set(s: Partial, task: number, maker: number, from: number): Partial | null {
    const { p } = this;
    const done = Uint8Array.from(s.done);
    const ready = Float64Array.from(s.ready);
    const hands = Float64Array.from(s.hands);
    const tools = Float64Array.from(s.tools);
    const latest = this.finish(done, ready, task, from);
    hands[maker] = from + p.minutes[task]!;
    this.settled(done, hands);
    for (const t of p.tools[task]!) tools[t] = from + p.minutes[task]!;
    const end = Math.max(s.end, latest);
    const bound = Math.max(s.bound, this.boundOf(done, ready, hands, end));
    if (bound === Infinity) return null;
    return { done, left: s.left - 1, hands, tools, ready, end, bound, task, maker, from, parent: s };
  }

  private *from(s: Partial): Generator<Partial> {
    const { p } = this;
    for (let i = 0; i < p.minutes.length; i++) {
      if (s.done[i] || !p.active[i] || !p.before[i]!.every((b) => s.done[b])) continue;
      const ready = Math.max(s.ready[i]!, ...p.tools[i]!.map((t) => s.tools[t]!));
      const tried = new Set<string>();
      for (let m = 0; m < p.hands.length; m++) {
        const from = soonest(p.places[i]![m]!, p.minutes[i]!, Math.max(ready, s.hands[m]!));
        const like = `${this.twins[m]!} ${s.hands[m]!}`;
        if (from === Infinity || tried.has(like)) continue;
        tried.add(like);
        const next = this.set(s, i, m, from);
        if (next) yield next;
      }
    }
  }

  /** What decides how a partial plan can go on: less of everything is never worse. */
  private stateOf(s: Partial): number[] {
    const { p, twins } = this;
    const hands = [...s.hands];
    // Makers that are alike may be exchanged: only when the next of them is free counts.
    for (const t of new Set(twins)) {
      const of = twins.flatMap((x, m) => (x === t ? [m] : []));
      if (of.length < 2) continue;
      const sorted = of.map((m) => hands[m]!).sort((a, b) => a - b);
      of.forEach((m, k) => (hands[m] = sorted[k]!));
    }
    const waiting: number[] = [];
    for (let i = 0; i < p.minutes.length; i++) if (!s.done[i]) waiting.push(s.ready[i]!);
    return [...hands, ...s.tools, s.end, ...waiting];
  }

  /**
   * Layer by layer, one more task set in each; of partial plans with the same tasks set, one that is nowhere better is
   * dropped. Where no layer was cut short, what is found is the best there is.
   */
  run(most: number, best: Found | null, late: () => boolean): { best: Found | null; isWhole: boolean } {
    let layer = [this.start()];
    let isWhole = true;
    let found = best;
    const limit = (): number => (found ? found.end - Math.max(EPS, this.step / 2) : Infinity);
    while (layer.length > 0 && layer[0]!.left > 0) {
      const sets = new Map<string, { state: number[]; s: Partial }[]>();
      for (const s of layer) {
        if (s.bound >= limit()) continue;
        for (const next of this.from(s)) {
          if (next.bound >= limit()) continue;
          const key = keyOf(next.done);
          const state = this.stateOf(next);
          const there = sets.get(key);
          if (!there) {
            sets.set(key, [{ state, s: next }]);
            continue;
          }
          if (there.some((o) => o.state.every((x, k) => x <= state[k]! + EPS))) continue;
          const kept = there.filter((o) => !state.every((x, k) => x <= o.state[k]! + EPS));
          kept.push({ state, s: next });
          sets.set(key, kept);
        }
        if (late()) {
          isWhole = false;
          break;
        }
      }
      layer = [...sets.values()].flatMap((list) => list.map((o) => o.s));
      if (layer.length > most || (late() && layer.length > FEW)) {
        isWhole = false;
        const spare = (s: Partial): number => s.hands.reduce((sum, x) => sum + Math.max(0, x), 0);
        layer.sort((a, b) => a.bound - b.bound || spare(a) - spare(b));
        layer.length = late() ? FEW : most;
      }
    }
    for (const s of layer) if (s.end < limit()) found = this.planOf(s);
    return { best: found, isWhole };
  }

  private planOf(last: Partial): Found {
    const { p } = this;
    const start = p.minutes.map((m, i) => last.ready[i]! - m);
    const maker = p.minutes.map(() => -1);
    for (let s: Partial | null = last; s?.parent; s = s.parent) maker[s.task] = s.maker;
    return { start, maker, end: last.end };
  }

  /** Sets the tasks in a given order, each by its maker; null where one has no place then. */
  decode(sequence: readonly number[], maker: readonly number[]): Found | null {
    let s = this.start();
    for (const i of sequence) {
      if (!this.p.before[i]!.every((b) => s.done[b])) return null;
      const m = maker[i]!;
      const ready = Math.max(s.ready[i]!, s.hands[m]!, ...this.p.tools[i]!.map((t) => s.tools[t]!));
      const from = soonest(this.p.places[i]![m]!, this.p.minutes[i]!, ready);
      const next = from === Infinity ? null : this.set(s, i, m, from);
      if (!next) return null;
      s = next;
    }
    return this.planOf(s);
  }

  /** The plan of a sharing: each maker's tasks in their order, those first that can begin first; null where they wait for each other. */
  inTurn({ sequence, maker }: SharedOut): Found | null {
    const { p } = this;
    const queues = p.hands.map((_, m) => sequence.filter((i) => maker[i] === m));
    const order: number[] = [];
    const done = new Set(p.order.filter((i) => !p.active[i]));
    const waitsFor = (i: number): boolean => p.before[i]!.some((b) => !done.has(b));
    while (order.length < sequence.length) {
      const next = queues.find((q) => q.length > 0 && !waitsFor(q[0]!));
      if (!next) return null;
      const i = next.shift()!;
      order.push(i);
      done.add(i);
    }
    return this.decode(order, maker);
  }

  /** End and evenness of a plan given by its order and makers; null where it does not keep the rules. */
  quick(sequence: readonly number[], maker: readonly number[]): { end: number; uneven: number } | null {
    const { p } = this;
    const root = this.start();
    const { done, ready, hands, tools } = root;
    let end = root.end;
    for (const i of sequence) {
      const m = maker[i]!;
      let from = Math.max(ready[i]!, hands[m]!);
      for (const b of p.before[i]!) if (!done[b]) return null;
      for (const t of p.tools[i]!) from = Math.max(from, tools[t]!);
      from = soonest(p.places[i]![m]!, p.minutes[i]!, from);
      if (from === Infinity) return null;
      end = Math.max(end, this.finish(done, ready, i, from));
      hands[m] = from + p.minutes[i]!;
      for (const t of p.tools[i]!) tools[t] = hands[m];
    }
    return { end, uneven: hands.reduce((sum, x) => sum + Math.max(0, x) ** 2, 0) };
  }
}

/**
 * Searches for the plan that ends soonest.
 *
 * @returns the best plan found, a bound that none beats, and whether the search went through everything
 */
export function searchPlans(
  p: Problem,
  means: { readonly now: () => number; readonly until: number },
): { readonly plan: Found | null; readonly bound: number; readonly isProved: boolean } {
  const search = new Search(p);
  const root = search.start();
  if (root.bound === Infinity) return { plan: null, bound: Infinity, isProved: true };
  const begun = means.now();
  const share = (part: number) => (): boolean => means.now() > begun + part * (means.until - begun);
  const first = search.run(FEW, null, share(0.15));
  let bound = root.bound;
  const isDone = (f: Found | null): boolean => f !== null && f.end <= bound + EPS;
  let better = first.best;
  if (!first.isWhole && better && !isDone(better)) {
    const apart = boundApart(p, search.tail, {
      range: [bound, better.end],
      step: search.step,
      late: share(0.45),
    });
    bound = apart?.bound ?? bound;
    // Where nothing waits for anything, or by luck, the sharing is a plan, and then none ends sooner.
    const shared = apart?.shared && search.inTurn(apart.shared);
    if (shared && shared.end < better.end - EPS) better = shared;
    if (!isDone(better)) better = improved(search, better, bound, share(apart ? 0.6 : 0.35));
  }
  const second =
    first.isWhole || isDone(better)
      ? { best: better, isWhole: first.isWhole }
      : search.run(MANY, better, share(0.85));
  const { best } = second;
  const isProved = second.isWhole || isDone(best);
  if (!best) return { plan: null, bound, isProved };
  return {
    plan: together(search, best, share(1)),
    bound: isProved ? best.end : bound,
    isProved,
  };
}
