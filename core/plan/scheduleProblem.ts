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

/** Soonest start from `t` on inside one of the places; Infinity where none is long enough. */
export function soonest(places: readonly Window[], minutes: number, t: number): number {
  for (const [from, to] of places) {
    const start = Math.max(from, t);
    if (start + minutes <= to + EPS) return start;
  }
  return Infinity;
}
