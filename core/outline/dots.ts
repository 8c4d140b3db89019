import { area } from '../geometry/polygon.ts';
import { distanceTo } from '../geometry/distance.ts';
import type { Vec2 } from '../geometry/vector.ts';
import { boxOf } from './outline.ts';

const { abs, cos, sin, asin, PI, hypot, sqrt, floor, max, min } = Math;
const EPS = 1e-9;

/** More dots than this are neither drawn nor counted out. */
const MOST_DOTS = 600;

/**
 * Rows over a box of so many mm to either side, in which every point is `step` from its neighbours: level with each other, or each row half a step on.
 */
function lattice(
  step: number,
  half: Vec2,
  options: { staggered: boolean; turn: number; shift: Vec2 },
): Vec2[] {
  const rise = options.staggered ? (step * sqrt(3)) / 2 : step;
  const [c, s] = [cos(options.turn), sin(options.turn)];
  // As far as the box reaches along the lattice's own ways, and one more.
  const along = abs(half[0] * c) + abs(half[1] * s);
  const across = abs(half[0] * s) + abs(half[1] * c);
  const n = Math.ceil(across / rise) + 1;
  const m = Math.ceil(along / step) + 1;
  const out: Vec2[] = [];
  for (let j = -n; j <= n; j++)
    for (let i = -m; i <= m; i++) {
      const x = (i + options.shift[0] + (options.staggered && j % 2 !== 0 ? 0.5 : 0)) * step;
      const y = (j + options.shift[1]) * rise;
      out.push([c * x - s * y, s * x + c * y]);
    }
  return out;
}

/** Most points `step` apart on a circle of `radius`; one in its middle. */
const onRing = (radius: number, step: number): number =>
  radius < step / 2 - EPS ? 1 : max(1, floor(PI / asin(min(1, step / (2 * radius))) + 1e-6));

/**
 * Rings of points in a disc, outermost first. The next ring lies a whole step further in, which clears any turn, or nearer
 * where its points fall midway between every second, third … of the ring before.
 */
function rings(radius: number, step: number): Vec2[] {
  const out: Vec2[] = [];
  let [r, n, turn] = [radius, onRing(radius, step), 0];
  for (;;) {
    for (let i = 0; i < n; i++) {
      const a = turn + (2 * PI * i) / n;
      out.push(n === 1 ? [0, 0] : [r * cos(a), r * sin(a)]);
    }
    if (n === 1) return out;
    const far = r - step;
    const half = PI / n;
    const between = r * cos(half) - sqrt(max(0, step * step - (r * sin(half)) ** 2));
    let nested = between > 0 ? onRing(between, step) : 0;
    while (nested > 1 && n % nested !== 0) nested--;
    if (nested > 1 && nested >= (far >= -EPS ? onRing(max(0, far), step) : 0)) {
      [r, n, turn] = [between, nested, turn + half];
      continue;
    }
    if (far < -EPS) return out;
    [r, n] = [max(0, far), onRing(max(0, far), step)];
  }
}

/** Points of a raw arrangement that lie far enough inside. */
const inside = (
  points: readonly Vec2[],
  far: (x: number, y: number) => number,
  by: number,
  at: Vec2,
): Vec2[] =>
  points.map(([x, y]): Vec2 => [x + at[0], y + at[1]]).filter(([x, y]) => far(x, y) >= by - 1e-9 * (1 + by));

const isDisc = (outline: readonly Vec2[], at: Vec2): number | null => {
  const d = outline.map(([x, y]) => hypot(x - at[0], y - at[1]));
  const r = max(...d);
  return outline.length >= 48 && r - min(...d) < 1e-6 * r ? r : null;
};

interface Room {
  readonly outline: readonly Vec2[];
  readonly holes: readonly (readonly Vec2[])[];
}

/** The most dots found for a spacing; every pair at least `step` apart, every dot wholly inside. */
function mostDots(
  { outline, holes }: Room,
  { dot, step, slanted }: { readonly dot: number; readonly step: number; readonly slanted: boolean },
): Vec2[] {
  const [x0, y0, x1, y1] = boxOf(outline);
  const middle: Vec2 = [(x0 + x1) / 2, (y0 + y1) / 2];
  const half: Vec2 = [(x1 - x0) / 2, (y1 - y0) / 2];
  const edges = [
    distanceTo(outline),
    ...holes.map(distanceTo).map((d) => (x: number, y: number) => -d(x, y)),
  ];
  const whole = (x: number, y: number): number => min(...edges.map((d) => d(x, y)));
  // What lies outside the box is outside the outline: most points of a lattice need no more than that.
  const far = (x: number, y: number): number =>
    x < x0 || x > x1 || y < y0 || y > y1 ? -Infinity : whole(x, y);
  const radius = holes.length > 0 ? null : isDisc(outline, middle);
  let best: Vec2[] = [];
  const take = (points: Vec2[]): void => {
    if (points.length > best.length) best = points;
  };
  if (radius !== null) {
    // A disc has no corners: its own radius, not that of its polygon's sides, bounds the dots.
    const room = radius - dot / 2;
    const round = (x: number, y: number): number => radius - hypot(x - middle[0], y - middle[1]);
    if (room >= -EPS) take(inside(rings(max(0, room), step), round, dot / 2, middle));
    for (const shift of SHIFTS)
      take(inside(lattice(step, half, { staggered: true, turn: 0, shift }), round, dot / 2, middle));
    take(
      inside(lattice(step, half, { staggered: false, turn: 0, shift: [0.5, 0.5] }), round, dot / 2, middle),
    );
    take(
      inside(lattice(step, half, { staggered: false, turn: PI / 4, shift: [0, 0] }), round, dot / 2, middle),
    );
    return best;
  }
  for (const shift of SHIFTS) {
    for (const turn of [0, PI / 2])
      take(inside(lattice(step, half, { staggered: true, turn, shift }), far, dot / 2, middle));
    take(inside(lattice(step, half, { staggered: false, turn: 0, shift }), far, dot / 2, middle));
  }
  // Rows that begin at the corner of the room, as in a rectangle, where the middle is no help.
  const corner: Vec2 = [x0 + dot / 2, y0 + dot / 2];
  for (const turn of [0, PI / 2])
    for (const staggered of [true, false])
      take(
        inside(
          lattice(step, [2 * half[0], 2 * half[1]], { staggered, turn, shift: [0, 0] }),
          far,
          dot / 2,
          corner,
        ),
      );
  // A few large dots go best on a slant, from corner to corner of a plain shape.
  if (slanted && best.length <= FEW && outline.length <= CORNERS)
    for (const shift of SHIFTS) {
      for (const turn of SLANTS)
        take(inside(lattice(step, half, { staggered: true, turn, shift }), far, dot / 2, middle));
      take(inside(lattice(step, half, { staggered: false, turn: PI / 4, shift }), far, dot / 2, middle));
    }
  return best;
}

const FEW = 16;
const CORNERS = 12;
const SLANTS = [PI / 12, PI / 4, (5 * PI) / 12];

const SHIFTS: readonly Vec2[] = [
  [0, 0],
  [0.5, 0],
  [0, 0.5],
  [0.5, 0.5],
  [0, 1 / 3],
  [0.25, 0.25],
];

/** Points of one lattice that are looked at, at most. */
const MOST_POINTS = 40_000;

/**
 * A spacing at which more dots go than are ever drawn, mm: nothing is gained by a closer one, and the work would grow with
 * its square.
 */
function enough(outline: readonly Vec2[]): number {
  const [x0, y0, x1, y1] = boxOf(outline);
  return max(
    sqrt(area(outline) / ((sqrt(3) / 2) * 5 * MOST_DOTS)),
    sqrt(((x1 - x0) * (y1 - y0)) / MOST_POINTS),
  );
}

/**
 * Dots inside an outline and outside its holes, none over an edge, at least `gap` between any two: as many as are found to fit, or `count` of
 * them spread as far apart as that many go. Rows and rings, not a proof: within one of the best known for small numbers in
 * a circle (see the bench).
 *
 * @returns centres, mm, at most 600
 * @example dotsIn([[0, 0], [100, 0], [100, 100], [0, 100]], { dot: 20, gap: 5 }).length // => 16
 */
export function dotsIn(
  outline: readonly Vec2[],
  {
    dot,
    gap,
    count,
    holes = [],
  }: {
    readonly dot: number;
    readonly gap: number;
    readonly count?: number;
    readonly holes?: readonly (readonly Vec2[])[];
  },
): Vec2[] {
  const step = max(dot + gap, enough(outline));
  const room: Room = { outline, holes };
  const most = mostDots(room, { dot, step, slanted: true }).slice(0, MOST_DOTS);
  if (count === undefined || count >= most.length) return most;
  // Slanted rows are tried all the way only where level ones do not take so many.
  const slanted = count > mostDots(room, { dot, step, slanted: false }).length;
  // The widest spacing that still gives the number asked for; what is over is left off farthest from the middle.
  let [low, high] = [step, step * 8];
  let best = most;
  for (let i = 0; i < 14; i++) {
    const middle = (low + high) / 2;
    const found = mostDots(room, { dot, step: middle, slanted });
    if (found.length >= count) {
      low = middle;
      best = found;
    } else high = middle;
  }
  const [x0, y0, x1, y1] = boxOf(outline);
  const far = ([x, y]: Vec2): number => hypot(x - (x0 + x1) / 2, y - (y0 + y1) / 2);
  return [...best].sort((a, b) => far(a) - far(b)).slice(0, count);
}
