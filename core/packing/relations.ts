import { EPS, type Box, type Placement, type Triple } from './problem.ts';

const { max, min, abs } = Math;

/**
 * Exact search. In a packing every two boxes are apart along some axis, so for each pair one of six relations holds:
 * before or after along length, width or height. A node fixes some relations and ways of lying, and keeps for each box
 * and axis the earliest start and latest end; the longest chains tighten them, a relation with no room left is struck
 * out, and a pair with none left closes the node. Of equal boxes the first starts no later along the length, and the
 * largest box lies in the lower half along each axis, since a mirrored packing is a packing too.
 *
 * The formulation by relative positions is common in the field (Chen, Lee and Shen 1995; Fekete and Schepers 2004 prune
 * the same space by overlap graphs).
 */
export class RelationSearch {
  private readonly n: number;
  private readonly boxes: readonly Box[];
  private readonly room: Triple;
  /** Earliest start and latest end by box and axis; ways still open as a bit mask. */
  private lo: Float64Array;
  private hi: Float64Array;
  private open: Uint8Array;
  /** Relations that may still hold between i < j: bits 0..2 i before j, bits 3..5 j before i. */
  private may: Uint8Array;
  private readonly least: Float64Array;
  private readonly face: Float64Array;
  private steps = 0;
  private readonly late: () => boolean;
  found: Placement[] | null = null;

  constructor(boxes: readonly Box[], room: Triple, late: () => boolean) {
    this.n = boxes.length;
    this.boxes = boxes;
    this.room = room;
    this.late = late;
    this.lo = new Float64Array(3 * this.n);
    this.hi = new Float64Array(3 * this.n);
    for (let i = 0; i < this.n; i++) for (let k = 0; k < 3; k++) this.hi[3 * i + k] = room[k]!;
    this.least = new Float64Array(3 * this.n);
    this.face = new Float64Array(3 * this.n);
    this.open = Uint8Array.from(boxes, (b) => (1 << b.ways.length) - 1);
    this.may = new Uint8Array(this.n * this.n).fill(63);
  }

  /** true with a packing in `found`, false when there is none, null when time ran out. */
  run(): boolean | null {
    return this.node();
  }

  /** Least extents and least face across each axis of a box, over the ways still open. */
  private measure(i: number): void {
    const { ways } = this.boxes[i]!;
    const mask = this.open[i]!;
    for (let k = 0; k < 3; k++) {
      let least = Infinity;
      let face = Infinity;
      for (let w = 0; w < ways.length; w++) {
        if (!(mask & (1 << w))) continue;
        const way = ways[w]!;
        least = min(least, way[k]!);
        face = min(face, way[(k + 1) % 3]! * way[(k + 2) % 3]!);
      }
      this.least[3 * i + k] = least;
      this.face[3 * i + k] = face;
    }
  }

  /** Tightens until nothing moves; false when the node cannot hold a packing. */
  private tighten(): boolean {
    const { n, lo, hi, open, may, boxes, least } = this;
    for (let i = 0; i < n; i++) this.measure(i);
    let moved = true;
    let rounds = 0;
    while (moved && rounds++ < 60) {
      moved = false;
      for (let i = 0; i < n; i++) {
        const { ways } = boxes[i]!;
        const before = open[i]!;
        for (let w = 0; w < ways.length; w++) {
          if (!(open[i]! & (1 << w))) continue;
          const way = ways[w]!;
          for (let k = 0; k < 3; k++)
            if (hi[3 * i + k]! - lo[3 * i + k]! < way[k]! - EPS) {
              open[i]! &= ~(1 << w);
              moved = true;
              break;
            }
        }
        if (open[i] === 0) return false;
        if (open[i] !== before) this.measure(i);
      }
      // The largest box lies in the lower half along each axis.
      for (let k = 0; k < 3; k++) {
        const most = (this.room[k]! - least[k]!) / 2;
        let widest = 0;
        for (let w = 0; w < boxes[0]!.ways.length; w++)
          if (open[0]! & (1 << w)) widest = max(widest, boxes[0]!.ways[w]![k]!);
        if (hi[k]! > most + widest + EPS) {
          hi[k] = most + widest;
          moved = true;
        }
      }
      for (let i = 0; i < n; i++)
        for (let j = i + 1; j < n; j++) {
          const at = i * n + j;
          if (boxes[i]!.kind === boxes[j]!.kind) {
            // Equal boxes: the first starts no later along the length.
            may[at]! &= ~8;
            if (lo[3 * j]! < lo[3 * i]! - EPS) {
              lo[3 * j] = lo[3 * i]!;
              moved = true;
            }
          }
          if (may[at] === 0) return false;
          for (let k = 0; k < 3; k++) {
            if (
              may[at]! & (1 << k) &&
              lo[3 * i + k]! + least[3 * i + k]! + least[3 * j + k]! > hi[3 * j + k]! + EPS
            ) {
              may[at]! &= ~(1 << k);
              moved = true;
            }
            if (
              may[at]! & (8 << k) &&
              lo[3 * j + k]! + least[3 * j + k]! + least[3 * i + k]! > hi[3 * i + k]! + EPS
            ) {
              may[at]! &= ~(8 << k);
              moved = true;
            }
          }
          const m = may[at]!;
          if (m === 0) return false;
          if ((m & (m - 1)) === 0) {
            // One relation left: it holds.
            const bit = 31 - Math.clz32(m);
            const [a, b, k] = bit < 3 ? [i, j, bit] : [j, i, bit - 3];
            const start = lo[3 * a + k]! + least[3 * a + k]!;
            if (lo[3 * b + k]! < start - EPS) {
              lo[3 * b + k] = start;
              moved = true;
            }
            const end = hi[3 * b + k]! - least[3 * b + k]!;
            if (hi[3 * a + k]! > end + EPS) {
              hi[3 * a + k] = end;
              moved = true;
            }
          }
        }
    }
    return this.slices();
  }

  /**
   * Whatever lies across a plane must fit in its area: along each axis a box surely covers [latest start, earliest end),
   * with at least the smallest face it can still show there.
   */
  private slices(): boolean {
    const { n, lo, hi, room, least, face } = this;
    for (let k = 0; k < 3; k++) {
      const area = room[(k + 1) % 3]! * room[(k + 2) % 3]! * (1 + 1e-9) + EPS;
      for (let p = 0; p < n; p++) {
        const at = hi[3 * p + k]! - least[3 * p + k]!;
        if (at >= lo[3 * p + k]! + least[3 * p + k]! - EPS) continue;
        let sum = 0;
        for (let i = 0; i < n; i++) {
          const m = 3 * i + k;
          const from = hi[m]! - least[m]!;
          const to = lo[m]! + least[m]!;
          if (from < to - EPS && from <= at + EPS && at < to - EPS) sum += face[m]!;
        }
        if (sum > area) return false;
      }
    }
    return true;
  }

  /** A pair is settled when some relation holds whatever happens. */
  private settled(i: number, j: number): boolean {
    const m = this.may[i * this.n + j]!;
    if ((m & (m - 1)) === 0) return true;
    for (let k = 0; k < 3; k++) {
      if (m & (1 << k) && this.hi[3 * i + k]! <= this.lo[3 * j + k]! + EPS) return true;
      if (m & (8 << k) && this.hi[3 * j + k]! <= this.lo[3 * i + k]! + EPS) return true;
    }
    return false;
  }

  private node(): boolean | null {
    if ((++this.steps & 63) === 0 && this.late()) return null;
    if (!this.tighten()) return false;
    const { n, open, may, boxes } = this;
    // The choice with the fewest ways out first; among equals the one with the largest boxes.
    let best = Infinity;
    let pair = -1;
    let box = -1;
    for (let i = 0; i < n; i++) {
      const count = bits(open[i]!);
      if (count > 1 && count - 1e-3 * (n - i) < best) {
        best = count - 1e-3 * (n - i);
        [box, pair] = [i, -1];
      }
      for (let j = i + 1; j < n; j++) {
        if (this.settled(i, j)) continue;
        const score = bits(may[i * n + j]!) - 1e-3 * (2 * n - i - j);
        if (score < best) {
          best = score;
          [box, pair] = [-1, i * n + j];
        }
      }
    }
    if (best === Infinity) {
      this.found = boxes.map((b, i) => {
        const way = b.ways[31 - Math.clz32(open[i]!)]!;
        return {
          id: b.id,
          x: this.lo[3 * i]!,
          y: this.lo[3 * i + 1]!,
          z: this.lo[3 * i + 2]!,
          length: way[0],
          width: way[1],
          height: way[2],
        };
      });
      return true;
    }
    const options: number[] = [];
    const mask = pair >= 0 ? may[pair]! : open[box]!;
    for (let b = 0; b < 8; b++) if (mask & (1 << b)) options.push(1 << b);
    const kept = [this.lo, this.hi, this.open, this.may] as const;
    let undecided = false;
    for (const option of options) {
      this.lo = kept[0].slice();
      this.hi = kept[1].slice();
      this.open = kept[2].slice();
      this.may = kept[3].slice();
      if (pair >= 0) this.may[pair] = option;
      else this.open[box] = option;
      const answer = this.node();
      if (answer === true) return true;
      if (answer === null) {
        undecided = true;
        break;
      }
    }
    [this.lo, this.hi, this.open, this.may] = kept;
    return undecided ? null : false;
  }
}

function bits(m: number): number {
  let n = 0;
  for (let x = m; x; x &= x - 1) n++;
  return n;
}

/** Whether placements hold: inside the room, no two overlapping. For checking answers before they go out. */
export function holds(placements: readonly Placement[], room: Triple): boolean {
  const slack = 1e-5;
  return placements.every(
    (p, i) =>
      min(p.x, p.y, p.z) >= -slack &&
      p.x + p.length <= room[0] + slack &&
      p.y + p.width <= room[1] + slack &&
      p.z + p.height <= room[2] + slack &&
      placements.every(
        (q, j) =>
          j <= i ||
          p.x + p.length <= q.x + slack ||
          q.x + q.length <= p.x + slack ||
          p.y + p.width <= q.y + slack ||
          q.y + q.width <= p.y + slack ||
          p.z + p.height <= q.z + slack ||
          q.z + q.height <= p.z + slack,
      ) &&
      abs(p.length) > 0,
  );
}
