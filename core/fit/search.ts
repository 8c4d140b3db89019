import FlatQueue from 'flatqueue';
import { ballBody, type Body } from '../geometry/body.ts';
import { IDENTITY, multiply, rotationOfVector, type Mat3, type Vec3 } from '../geometry/vector.ts';
import type { Container } from './container.ts';
import { bestShare, mostWithin, type Bound, type Patch } from './rotations.ts';
import { seat, type Basis } from './seat.ts';

// Taken out once: a search looks these up millions of times.
const { max, min } = Math;

export interface Found {
  /** Slack of the pose below, mm. */
  readonly low: number;
  /** No pose has more slack than this, mm (proved up to rounding, for which 1e-7 mm are added). */
  readonly high: number;
  readonly rotation: Mat3;
  readonly shift: readonly [number, number];
  /** Rotations looked at. */
  readonly looks: number;
}

/** Rounding in a few hundred additions of numbers below 5,000 stays far under this, mm. */
const ROUNDING = 1e-7;

/**
 * The most slack a body can have in a container over all rotations of the patches and all shifts, by branch and
 * bound: each patch gets the slack at its centre (reached) and an upper bound from the proof found there, the
 * highest bound is split first, and patches that cannot beat the best by `tolerance` are let go.
 *
 * @param tolerance mm the bounds may lie apart, as a function of where they are and of the share of the budget spent
 * @param budget work before it stops with bounds as wide as they are then (a patch costs its corners times limits)
 */
export function mostSlack(options: {
  container: Container;
  body: Body;
  patches: readonly Patch[];
  tolerance: (low: number, high: number, spent: number) => number;
  budget?: number;
  /** A slack known to be reached already, mm: poses below it are of no interest. */
  atLeast?: number;
  /** About which axes the best pose may be turned further, where the patches do not leave all of them free. */
  free?: readonly Vec3[];
}): Found {
  const { container, body, tolerance } = options;
  const corners = body.points.length / 3;
  const reach = (body.normals ? 8 : corners) + 8 * body.discs.length + (body.ellipsoid ? 12 : 0);
  const cost = 30 + reach * (container.flats.length + 2) + 3 * corners;
  const most = max(150, (options.budget ?? 6e7) / cost);
  const queue = new FlatQueue<{ patch: Patch; basis: Basis; bound: Bound }>();
  // Whatever lies inside the body is no harder to place: its inner ball caps every bound.
  const cap = body.inner > 0 ? seat(container, ballBody(body.inner), IDENTITY).high : Infinity;
  let looks = 0;
  const floor = options.atLeast ?? -Infinity;
  const reached = (): number => max(best.low, floor);
  let best: Omit<Found, 'high' | 'looks'> = { low: -Infinity, rotation: [], shift: [0, 0] };
  const look = (rotation: Mat3, basis?: Basis, precision?: number) => {
    looks++;
    const found = seat(container, body, rotation, basis, precision);
    if (found.low > best.low && found.low >= floor) best = { low: found.low, rotation, shift: found.shift };
    return found;
  };
  let settled = -Infinity;
  const add = (patch: Patch, above: number, basis?: Basis, inherited?: Bound) => {
    const least = inherited ? min(above, within(inherited, patch)) : above;
    if (patch.radius > 0 && least <= reached()) return;
    // A wide patch needs no sharp answer at its centre.
    const found = look(patch.centre, basis, min(0.02, 1e-3 * patch.radius * body.radius));
    const own = { at: found.proofAt, proof: found.proof };
    const [bound, proved] = inherited ? sharpest(inherited, own, patch) : [own, within(own, patch)];
    const high = min(least, cap, proved);
    if (patch.radius === 0) settled = max(settled, found.high);
    else if (high > reached()) queue.push({ patch, basis: found.basis, bound }, -high);
  };
  for (const patch of options.patches) add(patch, Infinity);
  let polishedAt = -Infinity;
  while (queue.length > 0) {
    const high = -queue.peekValue()!;
    if (high - reached() <= tolerance(reached(), high, looks / most) || looks > most) break;
    // A climb from a new best pose lifts the floor sooner than splitting down to it.
    if (looks > 40 && best.low > polishedAt + 0.02) {
      climb(look, () => best, body.radius, options.free ?? AXES);
      polishedAt = best.low;
      continue;
    }
    const { patch, basis, bound } = queue.pop()!;
    for (const part of patch.split()) add(part, high, basis, bound);
  }
  if (best.low > -Infinity) climb(look, () => best, body.radius, options.free ?? AXES);
  const top = max(best.low, queue.length > 0 ? -queue.peekValue()! : -Infinity, settled);
  return { ...best, high: top + ROUNDING, looks };
}

const within = (b: Bound, patch: Patch): number => mostWithin(b.at, b.proof, patch.centre, patch.radius);

/**
 * Two proofs hold together, so each mix of them holds: where one rises and the other falls, a mix is lower over the
 * whole patch than both. The share is the best one to first order in the patch's radius.
 */
function sharpest(a: Bound, b: Bound, patch: Patch): [Bound, number] {
  const share = bestShare(a, b, patch.centre, patch.radius);
  const mix =
    share <= 0
      ? a
      : share >= 1
        ? b
        : { at: a.at + share * (b.at - a.at), proof: a.proof.map((x, i) => x + share * (b.proof[i]! - x)) };
  return [mix, within(mix, patch)];
}

const AXES: readonly Vec3[] = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
];

/** Small turns from the best pose as long as they help, with a shrinking step. */
function climb(
  look: (r: Mat3) => unknown,
  best: () => { low: number; rotation: Mat3 },
  radius: number,
  axes: readonly Vec3[],
): void {
  let step = min(0.05, 1 / radius);
  for (let tries = 0; tries < 40 && step * radius > 1e-7; tries++) {
    const before = best().low;
    for (const [x, y, z] of axes)
      for (const s of [step, -step]) look(multiply(rotationOfVector([x * s, y * s, z * s]), best().rotation));
    step = best().low > before ? step * 1.6 : step / 4;
  }
}
