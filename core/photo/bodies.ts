import { hull } from '../geometry/polygon.ts';
import type { Vec2, Vec3 } from '../geometry/vector.ts';
import { leastSquares } from './leastSquares.ts';

/**
 * Bodies that stand or lie on the sheet, and the outlines that they have from the camera's place: what is seen on the sheet's
 * plane is the body's shadow from there. Plans are mm on the sheet; a prism has its plan from the sheet up to its height.
 */
export type Form = 'disc' | 'ball' | 'egg' | 'rectangle' | 'rod' | 'tube';

export interface Body {
  readonly form: Form;
  readonly x: number;
  readonly y: number;
  /** Of the plan: along `turn` (radians) and across it. */
  readonly long: number;
  readonly short: number;
  readonly turn: number;
  readonly height: number;
}

export interface BodyFit extends Body {
  /** How far the outline lies from the body's own, mm (root mean square, without what does not belong to it). */
  readonly rms: number;
  /** Share of the outline that lies on it. */
  readonly share: number;
  /** Standard deviations, mm: of the longer side, and of the height where it was found. */
  readonly spread: number;
  readonly heightSpread: number | null;
}

/** What stands `height` above the sheet is seen so many times as far from the camera's foot. */
export const reach = (eye: Vec3, height: number): number => eye[2] / Math.max(1, eye[2] - height);

const scaledFrom = (eye: Vec3, [x, y]: Vec2, k: number): Vec2 => [
  eye[0] + k * (x - eye[0]),
  eye[1] + k * (y - eye[1]),
];

/** From the hull of two circles, mm; positive outside. */
function fromTwoCircles([x, y]: Vec2, a: Vec2, ra: number, b: Vec2, rb: number): number {
  const [ux, uy] = [b[0] - a[0], b[1] - a[1]];
  const d = Math.hypot(ux, uy);
  const [px, py] = [x - a[0], y - a[1]];
  if (d <= Math.abs(rb - ra) + 1e-9)
    return rb >= ra ? Math.hypot(x - b[0], y - b[1]) - rb : Math.hypot(px, py) - ra;
  const along = (px * ux + py * uy) / d;
  const across = Math.abs(px * uy - py * ux) / d;
  const sin = (ra - rb) / d;
  const cos = Math.sqrt(1 - sin * sin);
  const on = -sin * across + cos * along;
  if (on < 0) return Math.hypot(px, py) - ra;
  if (on > cos * d) return Math.hypot(x - b[0], y - b[1]) - rb;
  return across * cos + along * sin - ra;
}

/** From a convex outline, mm; positive outside, by the side that is farthest. */
function fromConvex(points: readonly Vec2[], outline: readonly Vec2[]): number[] {
  const n = outline.length;
  const sides = outline.map((a, i) => {
    const b = outline[(i + 1) % n]!;
    const long = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
    const [nx, ny] = [(b[1] - a[1]) / long, -(b[0] - a[0]) / long];
    return [nx, ny, nx * a[0] + ny * a[1]] as const;
  });
  return points.map(([x, y]) => {
    let far = -Infinity;
    for (const [nx, ny, c] of sides) {
      const d = nx * x + ny * y - c;
      if (d > far) far = d;
    }
    return far;
  });
}

/** The corners of a prism that is bounded by straight sides: those of its outline, moved until the shadow fits. */
export function fitCorners(
  eye: Vec3,
  points: readonly Vec2[],
  start: readonly Vec2[],
  height: number,
): { readonly corners: Vec2[]; readonly rms: number } {
  const k = reach(eye, height);
  const cornersAt = (p: readonly number[]): Vec2[] => start.map((_, i) => [p[2 * i]!, p[2 * i + 1]!]);
  const fitted = leastSquares(
    (p) => {
      const base = cornersAt(p);
      return fromConvex(points, hull([...base, ...base.map((c) => scaledFrom(eye, c, k))]));
    },
    start.flat(),
    { steps: start.flatMap(() => [0.02, 0.02]), floor: 0.12 },
  );
  return { corners: cornersAt(fitted.at), rms: fitted.rms };
}

/** From an ellipsoid's shadow, mm, small distances only; `axes` are half the extents. */
function fromEllipsoid(eye: Vec3, [x, y]: Vec2, c: Vec3, axes: Vec3, turn: number): number {
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const own = (p: Vec3): Vec3 => {
    const [dx, dy] = [p[0] - c[0], p[1] - c[1]];
    return [(dx * cos + dy * sin) / axes[0], (-dx * sin + dy * cos) / axes[1], (p[2] - c[2]) / axes[2]];
  };
  const e = own(eye);
  const q = own([x, y, 0]);
  const d: Vec3 = [q[0] - e[0], q[1] - e[1], q[2] - e[2]];
  const cross = Math.hypot(e[1] * d[2] - e[2] * d[1], e[2] * d[0] - e[0] * d[2], e[0] * d[1] - e[1] * d[0]);
  const from = cross / Math.hypot(...d) - 1;
  return from * Math.sqrt(axes[0] * axes[1]);
}

/** Points of a plan about its middle, along its own turn. */
function planOf(form: 'rectangle' | 'rod', long: number, short: number): Vec2[] {
  if (form === 'rectangle')
    return [
      [-long / 2, -short / 2],
      [long / 2, -short / 2],
      [long / 2, short / 2],
      [-long / 2, short / 2],
    ];
  const r = short / 2;
  const half = Math.max(0, long / 2 - r);
  const n = 12;
  const arc = Array.from({ length: n + 1 }, (_, i) => -Math.PI / 2 + (Math.PI * i) / n);
  return [
    ...arc.map((a): Vec2 => [half + r * Math.cos(a), r * Math.sin(a)]),
    ...arc.map((a): Vec2 => [-half - r * Math.cos(a), -r * Math.sin(a)]),
  ];
}

const placed = (points: readonly Vec2[], x: number, y: number, turn: number): Vec2[] => {
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  return points.map(([u, v]) => [x + u * cos - v * sin, y + u * sin + v * cos]);
};

/** How far points lie outside of what is seen of a body, mm. */
function fromBody(eye: Vec3, b: Body, points: readonly Vec2[]): number[] {
  const { x, y, long, short, turn, height } = b;
  const k = reach(eye, height);
  switch (b.form) {
    case 'disc': {
      const top = scaledFrom(eye, [x, y], k);
      return points.map((p) => fromTwoCircles(p, [x, y], long / 2, top, (k * long) / 2));
    }
    case 'ball':
      return points.map((p) => fromEllipsoid(eye, p, [x, y, long / 2], [long / 2, long / 2, long / 2], 0));
    case 'egg':
      return points.map((p) =>
        fromEllipsoid(eye, p, [x, y, height / 2], [long / 2, short / 2, height / 2], turn),
      );
    case 'rectangle':
    case 'rod': {
      const base = placed(planOf(b.form, long, short), x, y, turn);
      return fromConvex(points, hull([...base, ...base.map((p) => scaledFrom(eye, p, k))]));
    }
    case 'tube': {
      // Two circles that stand on the sheet, across the tube.
      const r = short / 2;
      const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
      const seen: Vec2[] = [];
      for (const end of [-long / 2, long / 2])
        for (let i = 0; i < 36; i++) {
          const a = (2 * Math.PI * i) / 36;
          const [across, up] = [r * Math.cos(a), r + r * Math.sin(a)];
          seen.push(
            scaledFrom(eye, [x + end * cos - across * sin, y + end * sin + across * cos], reach(eye, up)),
          );
        }
      return fromConvex(points, hull(seen));
    }
  }
}

/** How a form's parameters are named in a row: x, y, long, then short and turn where it has them, then a height to be found. */
function bodyAt(form: Form, p: readonly number[], height: number | null): Body {
  const [x, y, long] = [p[0]!, p[1]!, Math.max(0.5, Math.abs(p[2]!))];
  if (form === 'ball') return { form, x, y, long, short: long, turn: 0, height: long };
  if (form === 'disc')
    return { form, x, y, long, short: long, turn: 0, height: Math.max(0, height ?? p[3]!) };
  const short = Math.max(0.5, Math.abs(p[3]!));
  const turn = p[4]!;
  if (form === 'tube') return { form, x, y, long, short, turn, height: short };
  // An egg that lies is as high as it is broad, where its height is not known.
  if (form === 'egg') return { form, x, y, long, short, turn, height: height ?? short };
  return { form, x, y, long, short, turn, height: Math.max(0, height ?? p[5]!) };
}

const FINDS_HEIGHT: ReadonlySet<Form> = new Set<Form>(['disc', 'rectangle', 'rod']);

/** Points farther than this from a body are none of its own, mm. */
const OWN = 0.8;

/**
 * The body of a form whose outline lies nearest to the points: from a start, with its height known or, for a prism, found from
 * how far its top is displaced. `edge` is what an outline's points are sure to, mm.
 */
export function fitBody(
  form: Form,
  eye: Vec3,
  points: readonly Vec2[],
  start: Body,
  height: number | null,
  edge = 0.12,
): BodyFit {
  const finds = height === null && FINDS_HEIGHT.has(form);
  const row = [start.x, start.y, start.long];
  if (form !== 'ball' && form !== 'disc') row.push(start.short, start.turn);
  if (finds) row.push(start.height);
  const steps = row.map((_, i) => (i === 4 ? 1e-3 : 0.02));
  const fitted = leastSquares((p) => fromBody(eye, bodyAt(form, p, height), points), row, {
    steps,
    floor: edge,
    rounds: 20,
  });
  const body = bodyAt(form, fitted.at, height);
  const off = fromBody(eye, body, points);
  const own = off.filter((d) => Math.abs(d) < OWN);
  const turned =
    body.long >= body.short
      ? body
      : { ...body, long: body.short, short: body.long, turn: body.turn + Math.PI / 2 };
  return {
    ...turned,
    rms: Math.sqrt(own.reduce((sum, d) => sum + d * d, 0) / Math.max(1, own.length)),
    share: own.length / points.length,
    spread: Math.sqrt(fitted.covariance.get(2, 2)),
    heightSpread: finds ? Math.sqrt(fitted.covariance.get(row.length - 1, row.length - 1)) : null,
  };
}
