/** From and to, minutes. */
export type Window = readonly [number, number];

/** The tasks as the search sees them. */
export interface Problem {
  /** By task: minutes, whether hands are needed, what it waits for, tools by number. */
  readonly minutes: readonly number[];
  readonly active: readonly boolean[];
  readonly before: readonly (readonly number[])[];
  readonly next: readonly (readonly number[])[];
  readonly tools: readonly (readonly number[])[];
  readonly toolCount: number;
  /** Each after what it waits for. */
  readonly order: readonly number[];
  /** Where each task may lie for each maker, by task and maker, soonest first; none where that maker cannot do it. */
  readonly places: readonly (readonly (readonly Window[])[])[];
  /** When each maker is at hand, merged, soonest first. */
  readonly hands: readonly (readonly Window[])[];
  /** Only while children are away, and when each maker is at hand then. */
  readonly blade: readonly boolean[];
  readonly away: readonly (readonly Window[])[];
  readonly earliest: readonly number[];
  readonly like: readonly (string | null)[];
}

/** Times nearer than this are the same, minutes. */
export const EPS = 1e-7;

/** Windows that touch or overlap as one, soonest first. */
export function merged(list: readonly Window[]): Window[] {
  const out: [number, number][] = [];
  for (const [f, t] of [...list].sort((a, b) => a[0] - b[0])) {
    const last = out.at(-1);
    if (last && f <= last[1] + EPS) last[1] = Math.max(last[1], t);
    else out.push([f, t]);
  }
  return out;
}

/** Soonest start from `t` on inside one of the places; Infinity where none is long enough. */
export function soonest(places: readonly Window[], minutes: number, t: number): number {
  for (const [from, to] of places) {
    const start = Math.max(from, t);
    if (start + minutes <= to + EPS) return start;
  }
  return Infinity;
}

/** Every time of a plan is a multiple of this: the bounds may be rounded up to it. 0 where there is no such step. */
export function stepOf(p: Problem): number {
  const times = [...p.minutes, ...p.places.flat(3)];
  for (const step of [5, 1, 0.5, 0.25])
    if (times.every((t) => Math.abs(t / step - Math.round(t / step)) < EPS)) return step;
  return 0;
}

/** Longest chain of minutes after each task, its own not counted. */
export function tailsOf(p: Problem): number[] {
  const tail = p.minutes.map(() => 0);
  for (const i of [...p.order].reverse())
    for (const k of p.next[i]!) tail[i] = Math.max(tail[i]!, p.minutes[k]! + tail[k]!);
  return tail;
}

/** Which tasks are set, as a short text. */
export function keyOf(done: Uint8Array): string {
  let [key, bits] = ['', 0];
  for (let i = 0; i < done.length; i++) {
    bits = (bits << 1) | done[i]!;
    if (i % 15 === 14) {
      key += String.fromCharCode(bits + 1);
      bits = 0;
    }
  }
  return key + String.fromCharCode(bits + 1);
}

/** When each task begins, by whom, and when all is done. */
export interface Found {
  readonly start: readonly number[];
  /** Number of the maker; −1 where it needs nobody. */
  readonly maker: readonly number[];
  readonly end: number;
}
