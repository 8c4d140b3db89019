import type { Vec2 } from '../../geometry/vector.ts';
import { lengthOf } from '../../outline/along.ts';
import { sizedHoles, sizedOutline, type OutlineDial } from '../../outline/outline.ts';

const { ceil, hypot, max, SQRT1_2 } = Math;

/** A strand that is longer without a crossing tears when it is peeled, mm (common practice). */
export const LONGEST = 60;

export interface Strands {
  readonly edge: readonly Vec2[];
  /** Closed lines inside it, round what is open. */
  readonly holes: readonly (readonly Vec2[])[];
  /** Strands across, as a net of slanted lines from edge to edge. */
  readonly across: readonly (readonly [Vec2, Vec2])[];
  /** Length of all of it, mm. */
  readonly path: number;
  /** Longest piece without a crossing, mm. */
  readonly longest: number;
}

/** Parts of one slanted line inside an outline, and how far along the outline each of its ends lies. */
function inside(
  edges: readonly (readonly Vec2[])[],
  normal: Vec2,
  offset: number,
): { parts: [Vec2, Vec2][]; along: number[] } {
  const side = (p: Vec2): number => p[0] * normal[0] + p[1] * normal[1] - offset;
  const hits: { at: Vec2; t: number; along: number }[] = [];
  let walked = 0;
  for (const edge of edges)
    for (const [i, a] of edge.entries()) {
      const b = edge[(i + 1) % edge.length]!;
      const [u, v] = [side(a), side(b)];
      const long = hypot(b[0] - a[0], b[1] - a[1]);
      if (u < 0 !== v < 0) {
        const s = u / (u - v);
        const at: Vec2 = [a[0] + s * (b[0] - a[0]), a[1] + s * (b[1] - a[1])];
        hits.push({ at, t: -at[0] * normal[1] + at[1] * normal[0], along: walked + s * long });
      }
      walked += long;
    }
  hits.sort((a, b) => a.t - b.t);
  const parts: [Vec2, Vec2][] = [];
  for (let k = 0; k + 1 < hits.length; k += 2) parts.push([hits[k]!.at, hits[k + 1]!.at]);
  return { parts, along: hits.map((h) => h.along) };
}

/** A net of lines slanted both ways, so far apart. */
function net(
  edges: readonly (readonly Vec2[])[],
  apart: number,
  round: number,
): { across: [Vec2, Vec2][]; gap: number } {
  const far = max(...edges[0]!.map((p) => hypot(p[0], p[1])));
  const n = ceil(far / apart);
  const across: [Vec2, Vec2][] = [];
  const along: number[] = [];
  for (const normal of [
    [SQRT1_2, SQRT1_2],
    [SQRT1_2, -SQRT1_2],
  ] as Vec2[])
    for (let k = -n; k <= n; k++) {
      const found = inside(edges, normal, k * apart);
      across.push(...found.parts);
      along.push(...found.along);
    }
  along.sort((a, b) => a - b);
  const gap = max(
    ...along.map((a, i) => (along[i + 1] ?? along[0]! + round) - a),
    along.length === 0 ? round : 0,
  );
  return { across, gap };
}

/** The line to trace: the outline, and, where wanted, a net across it, so that no strand is longer than 60 without a crossing. */
export function strandsOf(outline: OutlineDial, longestSide: number, across: boolean): Strands {
  const edge = sizedOutline(outline, longestSide);
  const holes = sizedHoles(outline, longestSide);
  const edges = [edge, ...holes];
  const rounds = edges.map((e) => lengthOf(e, true));
  const round = rounds.reduce((sum, r) => sum + r, 0);
  if (!across) return { edge, holes, across: [], path: round, longest: max(...rounds) };
  for (let apart = 50; ; apart *= 0.9) {
    const found = net(edges, apart, round);
    // Lines of the other way cross each strand once in so much.
    if (max(found.gap, apart) <= LONGEST || apart < 8)
      return {
        edge,
        holes,
        across: found.across,
        path: round + found.across.reduce((sum, [a, b]) => sum + hypot(b[0] - a[0], b[1] - a[1]), 0),
        longest: max(found.gap, apart),
      };
  }
}
