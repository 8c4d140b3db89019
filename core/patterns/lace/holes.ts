import type { Vec2 } from '../../geometry/vector.ts';
import { evenly, lengthOf } from '../../outline/along.ts';
import { inset, sizedOutline } from '../../outline/outline.ts';
import { PatternError } from '../kernel.ts';
import { PUNCH, type Dials } from './dials.ts';

const { hypot, acos, PI, floor, max } = Math;

/** A corner sharper than this gets a hole of its own (rad). */
const SHARP = PI / 3;

/** The line the holes lie on, mm about the middle of the card. */
export function chain(d: Pick<Dials, 'outline' | 'longest' | 'edge'>): readonly Vec2[] {
  const key = JSON.stringify([d.outline, d.longest, d.edge]);
  if (lastChain?.key !== key) lastChain = { key, line: inset(sizedOutline(d.outline, d.longest), d.edge) };
  return lastChain.line;
}
/** Dials, fit and drawing ask for the same line. */
let lastChain: { readonly key: string; readonly line: readonly Vec2[] } | null = null;

/** Corners of a closed line that turn more sharply than 60°, by their place in it. */
function sharpCorners(line: readonly Vec2[]): number[] {
  const n = line.length;
  return line.flatMap((p, i) => {
    const [a, b] = [line[(i + n - 1) % n]!, line[(i + 1) % n]!];
    const [u, v] = [
      [a[0] - p[0], a[1] - p[1]],
      [b[0] - p[0], b[1] - p[1]],
    ] as const;
    const c = (u[0] * v[0] + u[1] * v[1]) / (hypot(...u) * hypot(...v));
    return acos(Math.max(-1, Math.min(1, c))) < SHARP ? [i] : [];
  });
}

/** Numbers for parts of a line by their lengths, adding up to `n`; the largest remainders get what is over. */
function shares(lengths: readonly number[], n: number): number[] {
  const total = lengths.reduce((a, b) => a + b, 0);
  const exact = lengths.map((l) => (n * l) / total);
  const out = exact.map((x) => max(1, floor(x)));
  const order = exact.map((x, i) => [x - floor(x), i] as const).sort((a, b) => b[0] - a[0]);
  for (let k = 0; out.reduce((a, b) => a + b, 0) < n; k++) out[order[k % order.length]![1]]! += 1;
  return out;
}

/**
 * Middles of the holes, mm: at equal steps by arc length on the inset outline, and one at every corner sharper than 60°,
 * between which the rest are spread evenly.
 */
export function holesOn(line: readonly Vec2[], count: number): Vec2[] {
  const { parts, lengths } = partsOf(line);
  if (parts.length === 0 || count < parts.length) return evenly(line, count, true);
  const counts = shares(lengths, count);
  // Each part begins at its corner; the next corner belongs to the next part.
  return parts.flatMap((p, k) => evenly(p, counts[k]! + 1, false).slice(0, -1));
}

interface Parts {
  readonly parts: readonly (readonly Vec2[])[];
  readonly lengths: readonly number[];
}
const partsKnown = new WeakMap<readonly Vec2[], Parts>();

/** A line between its sharp corners, none where it has none; the search for the most holes asks again and again. */
function partsOf(line: readonly Vec2[]): Parts {
  const there = partsKnown.get(line);
  if (there) return there;
  const corners = sharpCorners(line);
  const parts = corners.map((from, k) => {
    const to = corners[(k + 1) % corners.length]!;
    const points: Vec2[] = [];
    for (let i = from; ; i = (i + 1) % line.length) {
      points.push(line[i]!);
      if (i === to && points.length > 1) break;
    }
    return points;
  });
  const found = { parts, lengths: parts.map((p) => lengthOf(p, false)) };
  partsKnown.set(line, found);
  return found;
}

/** Least distance between any two holes, mm. */
export function closest(holes: readonly Vec2[]): number {
  let least = Infinity;
  holes.forEach((a, i) => {
    for (let j = i + 1; j < holes.length; j++)
      least = Math.min(least, hypot(a[0] - holes[j]![0], a[1] - holes[j]![1]));
  });
  return least;
}

/** Whether no two holes are closer than this, mm. Neighbours are the first to be too close: most lines end there. */
function allApart(holes: readonly Vec2[], apart: number): boolean {
  for (let step = 1; step < holes.length; step++)
    for (let i = 0; i + step < holes.length; i++)
      if (hypot(holes[i]![0] - holes[i + step]![0], holes[i]![1] - holes[i + step]![1]) < apart) return false;
  return true;
}

const kept = new Map<string, number>();
/** Most holes that leave a hole's width of card between any two, and between them and the edge. */
export function most(d: Pick<Dials, 'outline' | 'longest' | 'edge' | 'punch'>): number {
  const key = JSON.stringify([d.outline, d.longest, d.edge, d.punch]);
  const known = kept.get(key);
  if (known !== undefined) return known;
  const found = ((): number => {
    const apart = 2 * PUNCH[d.punch] - 1e-6;
    try {
      const line = chain(d);
      let n = Math.min(120, floor(lengthOf(line, true) / apart));
      while (n >= 3 && !allApart(holesOn(line, n), apart)) n--;
      return max(0, n);
    } catch (error) {
      if (error instanceof PatternError) return 0;
      throw error;
    }
  })();
  if (kept.size > 200) kept.clear();
  kept.set(key, found);
  return found;
}
