import { EPS, type Box, type Triple } from './problem.ts';

const { min } = Math;
/** No way of lying. */
const NONE = Infinity;

/** A dual feasible function on the share of an edge, 0 to 1: shares that fit side by side still sum to at most 1. */
type Dual = (share: number) => number;

const identity: Dual = (x) => x;
/** Shares over 1 − e count as whole, under e as nothing (Fekete and Schepers 2001). */
const threshold =
  (e: number): Dual =>
  (x) =>
    x > 1 - e + 1e-9 ? 1 : x < e - 1e-9 ? 0 : x;
/** Rounds (k + 1)·x down to k-ths, but for whole multiples (Lueker 1983; Fekete and Schepers 2001). */
const steps =
  (k: number): Dual =>
  (x) => {
    const y = (k + 1) * x;
    const near = Math.round(y);
    return Math.abs(y - near) < 1e-9 ? x : Math.floor(y) / k;
  };

/**
 * Whether stretched volumes prove that the boxes do not go in: each axis measured by a dual feasible function, each box
 * by the way of lying that shows least, and still more than the whole room.
 */
export function tooMuch(boxes: readonly Box[], room: Triple): boolean {
  const shares = [
    ...new Set(
      boxes.flatMap((b) => b.ways.flatMap((w) => w.map((x, k) => Math.round((1e6 * x) / room[k]!) / 1e6))),
    ),
  ]
    .map((s) => Math.min(s, 1 - s))
    .filter((s) => s > 0.02 && s <= 0.5)
    .sort((a, b) => a - b);
  const some = shares.filter((_, i) => i % Math.ceil(shares.length / 12) === 0);
  const duals: Dual[] = [identity, ...[1, 2, 3, 4].map(steps), ...[...some, 0.5].map(threshold)];
  // Equal boxes count together; a way of lying that a kind has not is never its least.
  const kinds = [...new Set(boxes)];
  const many = kinds.map((b) => boxes.filter((x) => x === b).length);
  const ways = Math.max(...kinds.map((b) => b.ways.length));
  const table = room.map((end, k) =>
    duals.map((d) =>
      Float64Array.from({ length: kinds.length * ways }, (_, i) => {
        const way = kinds[Math.floor(i / ways)]!.ways[i % ways];
        return way ? d(min(1, way[k]! / end)) : NONE;
      }),
    ),
  );
  for (const fx of table[0]!)
    for (const fy of table[1]!)
      for (const fz of table[2]!) {
        let sum = 0;
        for (let b = 0, i = 0; b < kinds.length; b++) {
          let least = NONE;
          for (let w = 0; w < ways; w++, i++) {
            const x = fx[i]!;
            if (x !== NONE) least = min(least, x * fy[i]! * fz[i]!);
          }
          sum += many[b]! * least;
        }
        if (sum > 1 + EPS) return true;
      }
  return false;
}
