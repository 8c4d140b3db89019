import { FillRule, intersectD } from 'clipper2-ts';
import { centre, smoothed } from './ring.ts';
import { area, extents, hull, perimeter, smallestRectangle } from '../geometry/polygon.ts';
import type { Vec2, Vec3 } from '../geometry/vector.ts';
import { fitBody, fitCorners, reach, type Body, type BodyFit, type Form } from './bodies.ts';
import { leastSquares } from './leastSquares.ts';
import { polygonOf } from './straight.ts';
import { LEAST_AREA, type Blob, type OutlinePoint } from './outlines.ts';

/** One thing as it lies on the sheet. */
export interface SeenThing {
  /** Its plan, anticlockwise, mm. */
  readonly outline: readonly Vec2[];
  /** The body that its outline is of; null for a form that has no name here. */
  readonly body: BodyFit | null;
  readonly holes: readonly SeenHole[];
  readonly height: number | null;
  /** Whether the height was given, or found from how far the top is displaced. */
  readonly heightFrom: 'given' | 'outline' | null;
  readonly heightSpread: number;
  /** Whether a part of it is hidden by another thing or lies off the ground. */
  readonly isCut: boolean;
  /** How far outline and plan agree, mm. */
  readonly rms: number;
}
interface SeenHole {
  readonly x: number;
  readonly y: number;
  readonly long: number;
  readonly short: number;
  readonly outline: readonly Vec2[];
}

/** An outline that a body explains lies this near to it, mm, for this share of it. */
const GOOD = 0.24;
const GOOD_SHARE = 0.93;
/** A better fit by less than this decides nothing: the form with fewer numbers stands, mm. */
const PER_NUMBER = 0.012;
const NUMBERS: Readonly<Record<Form, number>> = { ball: 3, disc: 4, tube: 5, egg: 5, rectangle: 6, rod: 6 };
/** A dent in an outline deeper than this may be where two things meet, mm. */
const DENT = 0.7;
/** Points that a form is fitted to at most. */
const MOST_POINTS = 130;
/** A height that nobody gave may be up to this, mm, for what it makes unsure. */
const UNKNOWN_HEIGHT = 8;
const GIVEN_SPREAD = 0.4;

/**
 * The plan of a prism from its shadow: a point is of the plan where the whole way from it to its place at the top is in the
 * shadow. Exact for a convex plan; a dent narrower than that way is filled.
 */
export function planUnder(eye: Vec3, seen: readonly Vec2[], height: number): Vec2[] {
  const k = reach(eye, height);
  const farthest = Math.max(...seen.map((p) => Math.hypot(p[0] - eye[0], p[1] - eye[1])));
  const steps = k > 1 ? Math.min(12, Math.max(1, Math.ceil((farthest * (k - 1)) / 2.5))) : 0;
  let plan = [seen.map(([x, y]) => ({ x, y }))];
  for (let i = 1; i <= steps; i++) {
    const s = 1 + ((k - 1) * i) / steps;
    const moved = seen.map(([x, y]) => ({ x: eye[0] + (x - eye[0]) / s, y: eye[1] + (y - eye[1]) / s }));
    plan = intersectD(plan, [moved], FillRule.NonZero, 4);
  }
  const largest = plan.map((path) => path.map((p): Vec2 => [p.x, p.y])).sort((a, b) => area(b) - area(a))[0];
  return largest && largest.length >= 3 ? largest : [...seen];
}

const thin = (points: readonly Vec2[]): Vec2[] => {
  const every = Math.max(1, points.length / MOST_POINTS);
  return Array.from({ length: Math.floor(points.length / every) }, (_, i) => points[Math.floor(i * every)]!);
};

/** Bodies whose height follows from their plan. */
const HIGH_AS_BROAD: ReadonlySet<Form> = new Set<Form>(['ball', 'tube', 'egg']);

const isGood = (f: BodyFit): boolean => f.rms <= GOOD && f.share >= GOOD_SHARE;
const costOf = (f: BodyFit): number => f.rms + PER_NUMBER * NUMBERS[f.form] + 2 * (1 - f.share);

/** Where a fit with this height begins: the box round the plan that it would have. */
function startUnder(eye: Vec3, ring: readonly Vec2[], height: number): Body {
  const plan = planUnder(eye, ring, height);
  const box = smallestRectangle(plan);
  const [x, y] = centre(plan);
  return { form: 'rectangle', x, y, long: box.length, short: box.width, turn: box.angle, height };
}

/** The body that explains an outline best, good or not; `height` is null where it is to be found. */
export function bestBody(
  eye: Vec3,
  own: readonly Vec2[],
  ring: readonly Vec2[],
  height: number | null,
  hasHoles = false,
): BodyFit {
  const points = thin(own);
  const plan = height === null ? ring : planUnder(eye, ring, height);
  const box = smallestRectangle(plan);
  const [x, y] = centre(plan);
  const aspect = box.length / box.width;
  // A height to be found starts from nearly flat: farther off, the two circles of a disc change places.
  const start: Body = {
    form: 'disc',
    x,
    y,
    long: box.length,
    short: box.width,
    turn: box.angle,
    height: height ?? 3,
  };
  const forms: Form[] = ['rectangle'];
  if (aspect < 1.45) forms.push('disc');
  if (aspect > 1.3) forms.push('rod');
  // Nothing is seen through what is solid and round.
  if (!hasHoles) {
    if (aspect < 1.45) forms.push('ball');
    if (aspect > 1.08) forms.push('egg');
    if (aspect > 1.3) forms.push('tube');
  }
  // Seen from the side a block looks like a flat one that is longer: its height is looked for from two ends.
  const heights = height === null ? [3, box.width * 0.6] : [height];
  const fits = forms.flatMap((form) => {
    const isRound = form === 'disc' || form === 'ball';
    const starts = form === 'rectangle' || form === 'rod' ? heights : heights.slice(0, 1);
    return starts.map((high) => {
      // From high above, the plan is smaller than what is seen.
      const under = high === start.height || height !== null ? start : startUnder(eye, ring, high);
      const from = { ...under, form, height: high };
      return fitBody(
        form,
        eye,
        points,
        isRound ? { ...from, long: Math.sqrt(box.length * box.width) } : from,
        height,
      );
    });
  });
  const costs = fits.map((f) => {
    // A body that is as high as it is broad against what was said of its height.
    const against =
      HIGH_AS_BROAD.has(f.form) && height !== null && Math.abs(f.short - height) > 1 + 0.12 * height;
    return costOf(f) * (against ? 1.8 : 1) + (f.height > 3.2 * f.long ? 1 : 0);
  });
  const best = fits[costs.indexOf(Math.min(...costs))]!;
  // A few points may lie on a body that is nothing like what was seen: it explains none of them.
  const isLike = best.short >= LEAST_BREADTH && best.long <= MOST_LONGER * smallestRectangle(ring).length + 2;
  return isLike ? best : { ...best, share: 0 };
}
/** Narrower than this is no body, mm. */
const LEAST_BREADTH = 1.2;
/** A body that is partly hidden goes on so far beyond what is seen of it. */
const MOST_LONGER = 1.6;

interface Dent {
  readonly index: number;
  readonly depth: number;
}
/** Where an outline goes in behind its hull. */
function dentsOf(ring: readonly Vec2[]): Dent[] {
  const corners = new Set(hull(ring).map((p) => `${p[0]} ${p[1]}`));
  const on = ring.flatMap((p, i) => (corners.has(`${p[0]} ${p[1]}`) ? [i] : []));
  const n = ring.length;
  return on.flatMap((a, k) => {
    const b = on[(k + 1) % on.length]!;
    const [p, q] = [ring[a]!, ring[b]!];
    const long = Math.hypot(q[0] - p[0], q[1] - p[1]) || 1;
    let deepest: Dent = { index: a, depth: 0 };
    for (let i = (a + 1) % n; i !== b; i = (i + 1) % n) {
      const r = ring[i]!;
      const depth = ((q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0])) / long;
      if (depth > deepest.depth) deepest = { index: i, depth };
    }
    return deepest.depth > DENT ? [deepest] : [];
  });
}

/** One piece of an outline: its points in order, and those of them that a cut adds are not its own. */
interface Piece {
  readonly ring: readonly OutlinePoint[];
  readonly hasHoles: boolean;
  readonly isCut: boolean;
}

const positions = (ring: readonly OutlinePoint[]): Vec2[] => ring.map((p) => p.at);
const ownOf = (ring: readonly OutlinePoint[]): Vec2[] => ring.flatMap((p) => (p.own ? [p.at] : []));
/** Points this near to a cut belong to neither side for sure. */
const BESIDE_CUT = 2;

function cutApart(ring: readonly OutlinePoint[], i: number, j: number): [Piece, Piece] {
  const [a, b] = i < j ? [i, j] : [j, i];
  const first = ring.slice(a, b + 1);
  const second = [...ring.slice(b), ...ring.slice(0, a + 1)];
  const piece = (part: readonly OutlinePoint[]): Piece => ({
    ring: part.map((p, k) =>
      k < BESIDE_CUT || k >= part.length - BESIDE_CUT ? { at: p.at, own: false } : p,
    ),
    isCut: true,
    hasHoles: false,
  });
  return [piece(first), piece(second)];
}

interface Explained extends Piece {
  readonly body: BodyFit | null;
}

/** A cut longer than this share of what it bounds hides too much of it to be told. */
const MOST_CUT = 0.36;
const solidity = (ring: readonly Vec2[]): number => area(ring) / (area(hull(ring)) || 1);
/** A convex thing fills this much of its hull, with what an outline is unsure by. */
const SOLID = 0.94;

/** The two pieces of the best cut between dents: both explained by bodies, or with `one` at least one of them. */
function bestCut(
  eye: Vec3,
  piece: Piece,
  one: boolean,
): { readonly pieces: readonly [Piece, Piece]; readonly bodies: readonly [BodyFit, BodyFit] } | null {
  const ring = positions(piece.ring);
  const dents = dentsOf(ring)
    .sort((a, b) => b.depth - a.depth)
    .slice(0, 6);
  let best: { cost: number; pieces: [Piece, Piece]; bodies: [BodyFit, BodyFit] } | null = null;
  for (let i = 0; i < dents.length; i++)
    for (let j = i + 1; j < dents.length; j++) {
      const pieces = cutApart(piece.ring, dents[i]!.index, dents[j]!.index);
      const rings = pieces.map((p) => positions(p.ring));
      const [p, q] = [ring[dents[i]!.index]!, ring[dents[j]!.index]!];
      const cut = Math.hypot(p[0] - q[0], p[1] - q[1]);
      if (pieces.some((x, k) => ownOf(x.ring).length < 12 || area(rings[k]!) < LEAST_AREA)) continue;
      const solid = rings.map((r) => solidity(r) > SOLID && cut < MOST_CUT * perimeter(r));
      if (!(one ? solid.some(Boolean) : solid.every(Boolean))) continue;
      const bodies = pieces.map((x, k) => bestBody(eye, ownOf(x.ring), rings[k]!, null)) as [
        BodyFit,
        BodyFit,
      ];
      const good = bodies.filter((b, k) => solid[k] && isGood(b)).length;
      if (good < (one ? 1 : 2)) continue;
      const cost = bodies.reduce((sum, b) => sum + Math.min(1, costOf(b)), 0) - good;
      if (!best || cost < best.cost) best = { cost, pieces, bodies };
    }
  return best;
}

/** A blob as the fewest things that explain it. */
function explained(eye: Vec3, piece: Piece, depth = 0): Explained[] {
  const ring = positions(piece.ring);
  const own = ownOf(piece.ring);
  if (own.length < 8) return [{ ...piece, body: null }];
  const body = bestBody(eye, own, ring, null, piece.hasHoles);
  const whole: Explained = { ...piece, body: isGood(body) ? body : null };
  if (whole.body || depth >= 4) return [whole];
  const both = bestCut(eye, piece, false);
  if (both) return both.pieces.map((p, k) => ({ ...p, body: both.bodies[k]! }));
  // A star has dents, too: what is bounded by straight sides is one thing.
  if (polygonOf(ring)) return [whole];
  const one = bestCut(eye, piece, true);
  if (!one) return [whole];
  return one.pieces.flatMap((p, k) => {
    const fit = one.bodies[k]!;
    return isGood(fit) ? [{ ...p, body: fit }] : explained(eye, p, depth + 1);
  });
}

/** Sides of a round plan: a disc of 70 mm is within 0.02 mm of them. */
const ROUND = 96;
/** The plan of a body as a closed line. */
function planOfBody(b: Body): Vec2[] {
  const [cos, sin] = [Math.cos(b.turn), Math.sin(b.turn)];
  const at = ([u, v]: Vec2): Vec2 => [b.x + u * cos - v * sin, b.y + u * sin + v * cos];
  const [l, s] = [b.long / 2, b.short / 2];
  if (b.form === 'rectangle' || b.form === 'tube')
    return (
      [
        [-l, -s],
        [l, -s],
        [l, s],
        [-l, s],
      ] as Vec2[]
    ).map(at);
  const n = ROUND;
  if (b.form === 'rod')
    return Array.from({ length: n }, (_, i): Vec2 => {
      const a = (2 * Math.PI * (i + 0.5)) / n;
      const end = Math.cos(a) >= 0 ? l - s : s - l;
      return at([end + s * Math.cos(a), s * Math.sin(a)]);
    });
  return Array.from({ length: n }, (_, i): Vec2 => {
    const a = (2 * Math.PI * i) / n;
    return at([l * Math.cos(a), s * Math.sin(a)]);
  });
}

/** A round hole through a prism is seen where both of its rims let the view through. */
function holeOf(eye: Vec3, seen: readonly Vec2[], height: number): SeenHole {
  const box = smallestRectangle(seen);
  const [x, y] = centre(seen);
  const k = reach(eye, height);
  const off = (p: readonly number[]): number[] =>
    seen.map(([u, v]) => {
      const low = Math.hypot(u - p[0]!, v - p[1]!) - p[2]!;
      const high =
        Math.hypot(u - eye[0] - k * (p[0]! - eye[0]), v - eye[1] - k * (p[1]! - eye[1])) - k * p[2]!;
      return Math.max(low, high);
    });
  const start = [
    eye[0] + (x - eye[0]) / ((1 + k) / 2),
    eye[1] + (y - eye[1]) / ((1 + k) / 2),
    box.length / 2,
  ];
  const fitted = leastSquares(off, start, { steps: [0.02, 0.02, 0.02], floor: 0.1 });
  const [cx, cy, r] = fitted.at as [number, number, number];
  if (fitted.rms < 0.3 && r > 0.4)
    return {
      x: cx,
      y: cy,
      long: 2 * r,
      short: 2 * r,
      outline: planOfBody({ form: 'disc', x: cx, y: cy, long: 2 * r, short: 2 * r, turn: 0, height: 0 }),
    };
  return { x, y, long: box.length, short: box.width, outline: smoothed(seen) };
}

/** One thing of a blob, as it was told from the others. */
export interface Part {
  readonly ring: readonly OutlinePoint[];
  readonly isCut: boolean;
  /** The body that explains it with a height of its own. */
  readonly body: BodyFit | null;
  readonly holes: readonly (readonly Vec2[])[];
}

/** What lies on the sheet, told apart; no height is needed for that. */
export function partsOf(eye: Vec3, blobs: readonly Blob[]): Part[] {
  return blobs.flatMap((blob) => {
    const isCut = blob.ring.some((p) => !p.own);
    const pieces = explained(eye, { ring: blob.ring, isCut, hasHoles: blob.holes.length > 0 });
    return pieces.map((p) => ({ ...p, holes: pieces.length === 1 ? blob.holes : [] }));
  });
}

/** The plan of a part: with a height in mm, or with the height that its outline tells where it is null. */
export function thingOf(eye: Vec3, part: Part, height: number | null): SeenThing {
  const ring = positions(part.ring);
  const own = ownOf(part.ring);
  const refitted =
    height === null || own.length < 8 ? part.body : bestBody(eye, own, ring, height, part.holes.length > 0);
  const body = refitted && isGood(refitted) ? refitted : null;
  const isOwnHeight = body !== null && (height === null || HIGH_AS_BROAD.has(body.form));
  const standing = height ?? body?.height ?? null;
  const plan = body ? planOfBody(body) : planUnder(eye, ring, standing ?? 0);
  const straight = body ? null : polygonOf(plan);
  return {
    outline: straight ? cornersOf(eye, own, straight, standing ?? 0) : body ? plan : smoothed(plan),
    body,
    holes: part.holes.map((h) => holeOf(eye, h, standing ?? 0)),
    height: standing,
    heightFrom: height !== null ? 'given' : isOwnHeight ? 'outline' : null,
    heightSpread: height !== null ? GIVEN_SPREAD : (body?.heightSpread ?? (body ? 0.5 : UNKNOWN_HEIGHT)),
    isCut: part.isCut,
    rms: body?.rms ?? 0.2,
  };
}

/** Corners as the whole outline has them: those of a convex plan are fitted to it. */
function cornersOf(
  eye: Vec3,
  own: readonly Vec2[],
  straight: readonly Vec2[],
  height: number,
): readonly Vec2[] {
  if (straight.length > MOST_FITTED || solidity(straight) < SOLID) return straight;
  const { corners, rms } = fitCorners(eye, thin(own), hull(straight), height);
  return rms <= GOOD ? corners : straight;
}
const MOST_FITTED = 7;

/**
 * The sides of the smallest box round a plan, mm. Every side of a triangle with no wide angle has a box of the same area: of
 * boxes that are as good the longest counts.
 */
export function boxOfPlan(plan: readonly Vec2[]): { readonly long: number; readonly short: number } {
  const round = hull(plan);
  const boxes = round.map((p, i) => {
    const q = round[(i + 1) % round.length]!;
    const [u, v] = extents(round, Math.atan2(q[1] - p[1], q[0] - p[0]));
    return { long: Math.max(u, v), short: Math.min(u, v) };
  });
  const least = Math.min(...boxes.map((b) => b.long * b.short));
  return boxes
    .filter((b) => b.long * b.short <= least * (round.length === 3 ? AS_SMALL : 1))
    .reduce((a, b) => (b.long > a.long ? b : a));
}
const AS_SMALL = 1.04;
