import { EPS, type Window } from './scheduleProblem.ts';

/** When so much work can be done at the earliest: windows of several people, each from when they are free. */
export class Capacity {
  private readonly hands: readonly (readonly Window[])[];
  /** Every time at which somebody comes or goes. */
  private readonly edges: number[];

  constructor(hands: readonly (readonly Window[])[]) {
    this.hands = hands;
    this.edges = [...new Set(hands.flat(2))].sort((a, b) => a - b);
  }

  /** @returns minutes from zero; Infinity where all windows together are too short */
  until(free: Float64Array, work: number): number {
    if (work <= EPS) return -Infinity;
    const { hands, edges } = this;
    let done = 0;
    for (let e = 1; e < edges.length; e++) {
      const [from, to] = [edges[e - 1]!, edges[e]!];
      let more = 0;
      const starts: number[] = [];
      for (let m = 0; m < hands.length; m++) {
        const start = Math.max(from, free[m]!);
        if (start >= to || !hands[m]!.some((w) => w[0] <= from && w[1] >= to)) continue;
        more += to - start;
        starts.push(start);
      }
      if (done + more < work - EPS) {
        done += more;
        continue;
      }
      // In this span it is done: one more pair of hands from each start on.
      starts.sort((x, y) => x - y);
      for (let k = 0; k < starts.length; k++) {
        const next = starts[k + 1] ?? to;
        const span = (k + 1) * (next - starts[k]!);
        if (done + span >= work - EPS) return starts[k]! + (work - done) / (k + 1);
        done += span;
      }
    }
    return Infinity;
  }
}
