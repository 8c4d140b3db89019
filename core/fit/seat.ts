import { farthestShadowPoint, supportPoint, type Body } from '../geometry/body.ts';
import type { Mat3 } from '../geometry/vector.ts';
import type { Container } from './container.ts';

// Taken out once: a search looks these up millions of times.
const { PI, abs, cos, max, sin, sqrt } = Math;

/**
 * Three tight limits to start from, nine numbers: for each its `ax`, `ay` and the place of its flat in the container
 * (−1 for the round wall, −2 for a limit far out). Whether they can carry a proof depends on `a` alone, so those of a
 * neighbouring rotation serve again.
 */
export type Basis = readonly number[];

const FAR_OUT: Basis = [90, 210, 330].flatMap((degrees) => {
  const a = (degrees * PI) / 180;
  return [cos(a), sin(a), -2];
});
const FAR = 1e5;

/** The best shift for one rotation, with a proof that holds for neighbouring rotations too. */
export interface Seat {
  /** Slack at `shift`, mm: reached, so a lower bound of the best slack of all. */
  readonly low: number;
  /** Upper bound of the slack at this rotation over all shifts, mm. */
  readonly high: number;
  readonly shift: readonly [number, number];
  /** For every rotation Q the slack is at most `proofAt − ⟨Q, proof⟩` (row-major 3 × 3, mm). */
  readonly proofAt: number;
  readonly proof: number[];
  readonly basis: Basis;
}

/** A limit as a row `c + ax·tx + ay·ty ≤ b` at the rotation in hand; `flat` is its place in the container, or −1, −2. */
interface Row {
  ax: number;
  ay: number;
  b: number;
  flat: number;
}

/**
 * The shift that leaves the most slack at rotation `r`: a linear program in (tx, ty, slack) with a limit for every
 * direction of the round wall, solved by exchanging one of three tight limits for the most broken one (a dual simplex
 * with the wall's limits made as they are needed). Every stage of it gives a true upper bound by weak duality, so
 * stopping early at `precision` mm costs width, never truth.
 */
export function seat(
  container: Container,
  body: Body,
  r: Mat3,
  start: Basis = FAR_OUT,
  precision = 1e-10,
): Seat {
  const flats: Row[] = container.flats.map((f, flat) => {
    let b = f.b;
    for (const { weight, direction } of f.reach)
      b -= weight * reachAlong(body, r, direction[0], direction[1], direction[2]);
    return { ax: f.a[0], ay: f.a[1], b, flat };
  });
  const wall = container.wallRadius;
  const wallRow = (ux: number, uy: number): Row => ({
    ax: ux,
    ay: uy,
    b: wall! - reachAlong(body, r, ux, uy, 0),
    flat: -1,
  });
  const basis: Row[] = [0, 3, 6].map((i) => {
    const flat = start[i + 2]!;
    if (flat >= 0) return flats[flat]!;
    return flat === -1
      ? wallRow(start[i]!, start[i + 1]!)
      : { ax: start[i]!, ay: start[i + 1]!, b: FAR, flat };
  });
  let [w0, w1, w2] = [1 / 3, 1 / 3, 1 / 3];
  let high = FAR;
  let low = -Infinity;
  let shift: [number, number] = [0, 0];
  for (let turn = 0; turn < 80; turn++) {
    const [p, q, s] = basis as [Row, Row, Row];
    // Corner of the three rows, and their weights in 0·tx + 0·ty + 1·c.
    const det = p.ax * (q.ay - s.ay) - p.ay * (q.ax - s.ax) + (q.ax * s.ay - s.ax * q.ay);
    if (abs(det) < 1e-14) break;
    w0 = max(0, (q.ax * s.ay - s.ax * q.ay) / det);
    w1 = max(0, (s.ax * p.ay - p.ax * s.ay) / det);
    w2 = max(0, (p.ax * q.ay - q.ax * p.ay) / det);
    const tx = (p.b * (q.ay - s.ay) + q.b * (s.ay - p.ay) + s.b * (p.ay - q.ay)) / det;
    const ty = (p.b * (s.ax - q.ax) + q.b * (p.ax - s.ax) + s.b * (q.ax - p.ax)) / det;
    high = w0 * p.b + w1 * q.b + w2 * s.b;
    let here = Infinity;
    let entering: Row | null = null;
    for (const row of flats) {
      const slack = row.b - row.ax * tx - row.ay * ty;
      if (slack < here) {
        here = slack;
        entering = row;
      }
    }
    if (wall !== null) {
      const [x, y] = farthestShadowPoint(body, r, tx, ty);
      const far = sqrt(x * x + y * y);
      if (wall - far < here) {
        here = wall - far;
        entering = far > 0 ? wallRow(x / far, y / far) : wallRow(1, 0);
      }
    }
    if (here > low) {
      low = here;
      shift = [tx, ty];
    }
    if (high - low < precision || entering === null) break;
    // The entering row as a mix of the three; the one whose weight reaches zero first leaves.
    const e = entering;
    const m0 = (e.ax * (q.ay - s.ay) - e.ay * (q.ax - s.ax) + (q.ax * s.ay - s.ax * q.ay)) / det;
    const m1 = (p.ax * (e.ay - s.ay) - p.ay * (e.ax - s.ax) + (e.ax * s.ay - s.ax * e.ay)) / det;
    const m2 = 1 - m0 - m1;
    const r0 = m0 > 1e-12 ? w0 / m0 : Infinity;
    const r1 = m1 > 1e-12 ? w1 / m1 : Infinity;
    const r2 = m2 > 1e-12 ? w2 / m2 : Infinity;
    basis[r0 <= r1 && r0 <= r2 ? 0 : r1 <= r2 ? 1 : 2] = e;
  }
  return proven(container, body, r, { basis, weights: [w0, w1, w2], low, high: max(high, low), shift });
}

/** `max h·direction` over the rotated body, mm. */
function reachAlong(body: Body, r: Mat3, x: number, y: number, z: number): number {
  const [a, b, c] = [
    r[0]! * x + r[3]! * y + r[6]! * z,
    r[1]! * x + r[4]! * y + r[7]! * z,
    r[2]! * x + r[5]! * y + r[8]! * z,
  ];
  const p = supportPoint(body, [a, b, c]);
  return a * p[0] + b * p[1] + c * p[2];
}

/** Adds the proof: the weighted sum of the three limits, with the points of the body that they touch held fixed. */
function proven(
  container: Container,
  body: Body,
  r: Mat3,
  at: { basis: Row[]; weights: number[]; low: number; high: number; shift: [number, number] },
): Seat {
  const proof = [0, 0, 0, 0, 0, 0, 0, 0, 0];
  let proofAt = 0;
  for (let j = 0; j < 3; j++) {
    const row = at.basis[j]!;
    const w = at.weights[j]!;
    // A limit without weight holds nothing.
    if (w === 0) continue;
    if (row.flat >= 0) {
      const f = container.flats[row.flat]!;
      proofAt += w * f.b;
      for (const { weight, direction } of f.reach)
        holdFixed(proof, body, r, w * weight, direction[0], direction[1], direction[2]);
    } else if (row.flat === -1) {
      proofAt += w * container.wallRadius!;
      holdFixed(proof, body, r, w, row.ax, row.ay, 0);
    } else proofAt += w * FAR;
  }
  const { low, high, shift } = at;
  return { low, high, shift, proofAt, proof, basis: at.basis.flatMap((row) => [row.ax, row.ay, row.flat]) };
}

/** Adds to a proof the point of the body that reaches farthest along a direction, weighted. */
function holdFixed(proof: number[], body: Body, r: Mat3, w: number, x: number, y: number, z: number): void {
  const p = supportPoint(body, [
    r[0]! * x + r[3]! * y + r[6]! * z,
    r[1]! * x + r[4]! * y + r[7]! * z,
    r[2]! * x + r[5]! * y + r[8]! * z,
  ]);
  const [wx, wy, wz] = [w * x, w * y, w * z];
  for (let k = 0; k < 3; k++) {
    proof[k]! += wx * p[k]!;
    proof[3 + k]! += wy * p[k]!;
    proof[6 + k]! += wz * p[k]!;
  }
}
