import { z } from 'zod';
import {
  allRotations,
  axisDirections,
  onlyThis,
  turnsOf,
  viewDirections,
  type Patch,
} from '../fit/rotations.ts';
import { mostSlack } from '../fit/search.ts';
import {
  bodyOf,
  extents,
  shadowOf,
  shape,
  turn,
  type Body,
  type Mat3,
  type Shape,
  type Vec2,
} from '../geometry/index.ts';
import { attitudesOf, shadowOutline, type Attitude } from './attitudes.ts';
import { bestLie } from './dented.ts';
import { starDistance } from './starDistance.ts';
import { starTurns } from './starTurns.ts';
import { containerOf, opening, outlineOf, reachOf, type Opening } from './opening.ts';

/** How a piece meets an opening. Lengths in mm. */
export const passageAnswer = z.object({
  passes: z.boolean(),
  /** Twice the largest inset of the opening that still lets the piece through; negative when it does not pass. */
  gap: z.number(),
  /** The opening's length less the shadow's extent along it, in the best pose. */
  gapAlong: z.number(),
  /** The same across. */
  gapAcross: z.number(),
  /** How many of the `ways` to hold the piece go through. */
  waysIn: z.number().int(),
  /** Ways to hold the piece that look different through an opening: flat, on its edge, on end. */
  ways: z.number().int(),
  /** The ways that go through, by name. */
  waysInNamed: z.array(z.string()),
  /** Shadow of the piece in the best pose, in the opening's frame. */
  shadow: z.array(z.tuple([z.number(), z.number()])),
});
export type PassageAnswer = z.infer<typeof passageAnswer>;

/** A touch passes: rounding and the gauge maker's blade are both wider than this, mm. */
const TOUCH = 1e-6;
/** How far the bounds may lie apart: 0.004 mm, or a ten-thousandth of a large piece. */
const toleranceFor = (body: Body): number => Math.max(0.004, 1e-4 * body.radius);

const patchesFor = (body: Body, o: Opening, mirrored: boolean): Patch[] => {
  if (body.symmetry === 'ball') return onlyThis([1, 0, 0, 0, 1, 0, 0, 0, 1]);
  if (body.symmetry === 'axial') return axisDirections(body.flips, mirrored);
  if (o.kind === 'round') return viewDirections();
  return allRotations(body.symmetry, mirrored && body.symmetry === 'box');
};

interface Pose {
  /** Largest inset that lets it through, mm. */
  readonly inset: number;
  readonly shadow: Vec2[];
}

/**
 * Does a rigid piece go straight through an opening, and with how much to spare? For convex openings every rotation
 * of the piece is searched with certain bounds; for a star or another dented outline, every way of `ways` at any turn
 * and shift (a "no" then means: not flat, not on its edge, not on end).
 *
 * @param piece sizes in mm, rigid; scale it down first by what it gives
 * @throws ZodError naming the field
 * @source rectangles in rectangles agree with Carver 1957 (see the test)
 */
export function passage(options: { piece: Shape; opening: Opening }): PassageAnswer {
  const piece = shape.parse(options.piece);
  const o = opening.parse(options.opening);
  const container = containerOf(o);
  const attitudes = attitudesOf(piece);
  const body = bodyOf(piece);
  let best: Pose = { inset: -Infinity, shadow: [] };
  const poses = new Map<Attitude, Pose>();
  // The smallest shadow first: it most likely sits best, and a search of the others stops once they cannot beat it.
  for (const attitude of attitudes.toSorted((a, b) => shadowSize(body, a) - shadowSize(body, b))) {
    const pose = container ? turned(container, body, attitude, o) : dented(o, piece, attitude, best.inset);
    poses.set(attitude, pose);
    if (pose.inset > best.inset) best = pose;
  }
  const held = attitudes.map((attitude) => ({ attitude, pose: poses.get(attitude)! }));
  if (container) {
    const found = mostSlack({
      container,
      body,
      patches: patchesFor(body, o, container.mirrored),
      tolerance: (low, high) => toleranceFor(body) / (low < 0 && high >= 0 ? 4 : 1),
      budget: 6e6,
      atLeast: best.inset + TOUCH,
    });
    // Tilted poses count only where they truly gain; an upright one is what a hand does.
    if (found.rotation.length > 0)
      best = { inset: found.low, shadow: hullShadow(body, found.rotation, found.shift) };
  }
  const reach = reachOf(o);
  const [along, across] = extents(best.shadow, reach.angle);
  const inNamed = held.filter((h) => h.pose.inset >= -TOUCH).map((h) => h.attitude.name);
  const passes = best.inset >= -TOUCH;
  return {
    passes,
    gap: tidyZero(2 * best.inset),
    gapAlong: tidyZero(reach.length - along),
    gapAcross: tidyZero(reach.width - across),
    // A piece that goes in only tilted has one way in that is none of the plain ones.
    waysIn: passes ? Math.max(1, inNamed.length) : 0,
    ways: attitudes.length,
    waysInNamed: passes && inNamed.length === 0 ? ['tilted'] : inNamed,
    shadow: best.shadow.map(([x, y]) => [x, y]),
  };
}

/** To a nanometre; nothing that was measured is finer, and a touch is 0. */
const tidyZero = (x: number): number => (Math.abs(x) <= 2 * TOUCH ? 0 : Math.round(x * 1e6) / 1e6);

/** Extents of the shadow in one attitude, added up, mm. */
function shadowSize(body: Body, { rotation }: Attitude): number {
  const [along, across] = extents(shadowOf(body, rotation), 0);
  return along + across;
}

function turned(
  container: NonNullable<ReturnType<typeof containerOf>>,
  body: Body,
  a: Attitude,
  o: Opening,
): Pose {
  const still = o.kind === 'round' || body.symmetry === 'ball';
  // Half a turn brings a slot back to itself, and so it does most pieces; odd outlines get the whole round.
  const patches = still
    ? onlyThis(a.rotation)
    : turnsOf(a.rotation, o.kind === 'slot' ? Math.PI : 2 * Math.PI);
  const found = mostSlack({
    container,
    body,
    patches,
    tolerance: () => toleranceFor(body) / 4,
    budget: 2e6,
    // Held so, it is turned about the way through and no other: tilted, something thin would go in another way.
    free: still ? [] : [[0, 0, 1]],
  });
  return { inset: found.low, shadow: hullShadow(body, found.rotation, found.shift) };
}

function dented(o: Opening, piece: Shape, a: Attitude, atLeast: number): Pose {
  const edge = outlineOf(o)!;
  const { outline, slack } = shadowOutline(piece, a);
  const wanted =
    o.kind === 'star'
      ? {
          ...starTurns(o.points, outline),
          toEdge: starDistance(o.points, o.outerDiameter, o.innerDiameter),
        }
      : { span: 2 * Math.PI };
  const lie = bestLie(edge, outline, { ...wanted, atLeast: atLeast + slack }, 0.02);
  const r = turn(lie.angle);
  return {
    inset: lie.low - slack,
    shadow: outline.map(([x, y]) => [
      r[0]! * x + r[1]! * y + lie.shift[0],
      r[3]! * x + r[4]! * y + lie.shift[1],
    ]),
  };
}

/** Edge of the shadow of a rotated and shifted convex body. */
const hullShadow = (body: Body, rotation: Mat3, shift: readonly [number, number]): Vec2[] =>
  shadowOf(body, rotation).map(([x, y]) => [x + shift[0], y + shift[1]]);
