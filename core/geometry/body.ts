import { extents, hull, smallestRectangle, type Outline } from './polygon.ts';
import type { Shape } from './shape.ts';
import type { Mat3, Vec2, Vec3 } from './vector.ts';

// Taken out once: a search looks these up millions of times.
const { PI, abs, atan2, cos, hypot, max, min, sin, sqrt } = Math;

/**
 * How a body repeats itself under its own rotations; the search over rotations need look at each pose only once.
 * `ball`: every rotation; `axial`: any turn about z; `box`: half turns about x, y and z; `prism`: mirrored in z only.
 */
type Symmetry = 'ball' | 'axial' | 'box' | 'prism';

/**
 * The convex hull of a piece about its own centre, mm: corner points (x, y, z in turn), discs across the z axis, or
 * one ellipsoid given by its half axes. Being inside a convex gauge or opening is a matter of the hull alone.
 */
export interface Body {
  readonly points: Float64Array;
  /**
   * For prisms: directions of the outline's outward normals, ascending (rad). Side k starts at corner k, whose lower
   * point is number 2k, so that the farthest corner of many is found by halving.
   */
  readonly normals: Float64Array | null;
  readonly discs: readonly { readonly z: number; readonly radius: number }[];
  readonly ellipsoid: Vec3 | null;
  readonly symmetry: Symmetry;
  /** An axial body that looks the same upside down. */
  readonly flips: boolean;
  /** Radius of a ball about the centre that holds the body. */
  readonly radius: number;
  /** Radius of a ball that lies wholly inside, mm: no pose leaves more room than that ball alone would have. */
  readonly inner: number;
}

/** A ball of its own, to ask what no pose of a body around it can beat. */
export const ballBody = (radius: number): Body =>
  solid({ ellipsoid: [radius, radius, radius], symmetry: 'ball', radius, inner: radius });

const solid = (parts: Partial<Body> & Pick<Body, 'symmetry' | 'radius' | 'inner'>): Body => ({
  points: new Float64Array(),
  normals: null,
  discs: [],
  ellipsoid: null,
  flips: false,
  ...parts,
});

/** The hull of a shape, centred so that it turns in the least space. */
export function bodyOf(s: Shape): Body {
  switch (s.kind) {
    case 'sphere':
      return solid({
        ellipsoid: [s.diameter / 2, s.diameter / 2, s.diameter / 2],
        symmetry: 'ball',
        radius: s.diameter / 2,
        inner: s.diameter / 2,
      });
    case 'ellipsoid': {
      const [a, b, c] = [s.length / 2, s.width / 2, s.height / 2];
      const radius = max(a, b, c);
      const inner = min(a, b, c);
      if (a === b && b === c) return solid({ ellipsoid: [a, b, c], symmetry: 'ball', radius, inner });
      // An egg turns about its odd axis; that one is laid along z.
      if (a === b) return solid({ ellipsoid: [a, b, c], symmetry: 'axial', flips: true, radius, inner });
      if (b === c) return solid({ ellipsoid: [b, c, a], symmetry: 'axial', flips: true, radius, inner });
      if (a === c) return solid({ ellipsoid: [a, c, b], symmetry: 'axial', flips: true, radius, inner });
      return solid({ ellipsoid: [a, b, c], symmetry: 'box', radius, inner });
    }
    case 'box': {
      const [a, b, c] = [s.length / 2, s.width / 2, s.height / 2];
      const corners: number[] = [];
      for (const x of [-a, a]) for (const y of [-b, b]) for (const z of [-c, c]) corners.push(x, y, z);
      return solid({
        points: Float64Array.from(corners),
        symmetry: 'box',
        radius: hypot(a, b, c),
        inner: min(a, b, c),
      });
    }
    case 'cylinder':
      return drum(s.diameter, s.length);
    case 'ring':
      return drum(s.outerDiameter, s.height);
    case 'cone': {
      const r = s.baseDiameter / 2;
      // Centre of the smallest ball through apex and rim; a flat cone's is the middle of its base.
      const below = s.height > r ? (s.height * s.height - r * r) / (2 * s.height) : 0;
      return solid({
        points: Float64Array.of(0, 0, s.height - below),
        discs: [{ z: -below, radius: r }],
        symmetry: 'axial',
        radius: max(s.height - below, hypot(below, r)),
        inner: (r * s.height) / (r + hypot(r, s.height)),
      });
    }
    case 'sheet': {
      const h = hull(s.outline);
      const { angle } = smallestRectangle(h);
      const { outline: flat, normals } = byNormal(centred(h, angle));
      const corners: number[] = [];
      let radius = 0;
      for (const [x, y] of flat)
        for (const z of [-s.thickness / 2, s.thickness / 2]) {
          corners.push(x, y, z);
          radius = max(radius, hypot(x, y, z));
        }
      return solid({ points: Float64Array.from(corners), normals, symmetry: 'prism', radius, inner: 0 });
    }
  }
}

/** A counter-clockwise convex outline from the side whose outward normal comes first in (−π, π]. */
function byNormal(outline: readonly [number, number][]): {
  outline: [number, number][];
  normals: Float64Array;
} {
  const angles = outline.map(([x, y], i) => {
    const [u, v] = outline[(i + 1) % outline.length]!;
    return atan2(x - u, v - y);
  });
  const first = angles.indexOf(min(...angles));
  const turned = <T>(list: readonly T[]): T[] => [...list.slice(first), ...list.slice(0, first)];
  return { outline: turned(outline), normals: Float64Array.from(turned(angles)) };
}

function drum(diameter: number, length: number): Body {
  const [radius, half] = [diameter / 2, length / 2];
  return solid({
    discs: [
      { z: -half, radius },
      { z: half, radius },
    ],
    symmetry: 'axial',
    flips: true,
    radius: hypot(radius, half),
    inner: min(radius, half),
  });
}

/** The outline turned by `−angle` so that its long side lies along x, its rectangle's middle at the origin. */
export function centred(outline: Outline, angle: number): [number, number][] {
  const c = cos(angle);
  const s = sin(angle);
  const turned = outline.map(([x, y]) => [x * c + y * s, -x * s + y * c] as [number, number]);
  const [w, h] = extents(turned, 0);
  const x0 = min(...turned.map((p) => p[0])) + w / 2;
  const y0 = min(...turned.map((p) => p[1])) + h / 2;
  return turned.map(([x, y]) => [x - x0, y - y0]);
}

/** The body's point that reaches farthest along `v` (in the body's frame; `v` need not be a unit vector). */
export function supportPoint(body: Body, v: Vec3): Vec3 {
  if (body.ellipsoid) {
    const [a, b, c] = body.ellipsoid;
    const l = sqrt((a * v[0]) ** 2 + (b * v[1]) ** 2 + (c * v[2]) ** 2);
    return l === 0 ? [0, 0, c] : [(a * a * v[0]) / l, (b * b * v[1]) / l, (c * c * v[2]) / l];
  }
  let best = -Infinity;
  let [x, y, z] = [0, 0, 0];
  const p = body.points;
  if (body.normals !== null) return prismSupport(p, body.normals, v);
  for (let i = 0; i < p.length; i += 3) {
    const d = p[i]! * v[0] + p[i + 1]! * v[1] + p[i + 2]! * v[2];
    if (d > best) {
      best = d;
      x = p[i]!;
      y = p[i + 1]!;
      z = p[i + 2]!;
    }
  }
  const side = sqrt(v[0] * v[0] + v[1] * v[1]);
  for (const disc of body.discs) {
    const d = disc.z * v[2] + disc.radius * side;
    if (d > best) {
      best = d;
      x = side === 0 ? disc.radius : (disc.radius * v[0]) / side;
      y = side === 0 ? 0 : (disc.radius * v[1]) / side;
      z = disc.z;
    }
  }
  return [x, y, z];
}

function prismSupport(p: Float64Array, normals: Float64Array, v: Vec3): Vec3 {
  const n = normals.length;
  const angle = atan2(v[1], v[0]);
  let [lo, hi] = [0, n];
  while (lo < hi) {
    const mid = (lo + hi) >> 1;
    if (normals[mid]! < angle) lo = mid + 1;
    else hi = mid;
  }
  // Corner k is farthest between the normals of the sides before and after it; its neighbours settle rounding.
  let best = -Infinity;
  let at = 0;
  for (let k = lo - 1; k <= lo + 1; k++) {
    const i = 6 * ((k + n) % n);
    const d = p[i]! * v[0] + p[i + 1]! * v[1];
    if (d > best) {
      best = d;
      at = i;
    }
  }
  return [p[at]!, p[at + 1]!, v[2] > 0 ? p[at + 5]! : p[at + 2]!];
}

/**
 * The point of the body's shadow on the xy plane, after rotation `r` and a shift of `(tx, ty)`, that lies farthest
 * from the origin. Exact for corners; for discs and ellipsoids the one root of a falling function, to 1e-12 mm.
 */
export function farthestShadowPoint(body: Body, r: Mat3, tx: number, ty: number): [number, number] {
  let best = -1;
  let [x, y] = [0, 0];
  const take = (px: number, py: number): void => {
    const d = px * px + py * py;
    if (d > best) {
      best = d;
      x = px;
      y = py;
    }
  };
  const p = body.points;
  const [r0, r1, r2, r3, r4, r5] = [r[0]!, r[1]!, r[2]!, r[3]!, r[4]!, r[5]!];
  for (let i = 0; i < p.length; i += 3) {
    const px = r0 * p[i]! + r1 * p[i + 1]! + r2 * p[i + 2]! + tx;
    const py = r3 * p[i]! + r4 * p[i + 1]! + r5 * p[i + 2]! + ty;
    const d = px * px + py * py;
    if (d > best) {
      best = d;
      x = px;
      y = py;
    }
  }
  for (const disc of body.discs) {
    // A disc's shadow is an ellipse, thin along the shadow of its axis.
    const [ax, ay] = [r[2]!, r[5]!];
    const tilt = sqrt(ax * ax + ay * ay);
    const [ux, uy] = tilt < 1e-15 ? [1, 0] : [-ay / tilt, ax / tilt];
    const [cx, cy] = [ax * disc.z + tx, ay * disc.z + ty];
    const e = farthestOnEllipse(cx * ux + cy * uy, -cx * uy + cy * ux, disc.radius, disc.radius * abs(r[8]!));
    take(e[0] * ux - e[1] * uy, e[0] * uy + e[1] * ux);
  }
  if (body.ellipsoid) {
    const [a, b, c] = body.ellipsoid;
    const [p0, p1, p2] = [r[0]! * a, r[1]! * b, r[2]! * c];
    const [q0, q1, q2] = [r[3]! * a, r[4]! * b, r[5]! * c];
    const [xx, yy, xy] = [
      p0 * p0 + p1 * p1 + p2 * p2,
      q0 * q0 + q1 * q1 + q2 * q2,
      p0 * q0 + p1 * q1 + p2 * q2,
    ];
    const angle = atan2(2 * xy, xx - yy) / 2;
    const [ux, uy] = [cos(angle), sin(angle)];
    const mid = (xx + yy) / 2;
    const far = sqrt(((xx - yy) / 2) ** 2 + xy * xy);
    const e = farthestOnEllipse(
      tx * ux + ty * uy,
      -tx * uy + ty * ux,
      sqrt(mid + far),
      sqrt(max(0, mid - far)),
    );
    take(e[0] * ux - e[1] * uy, e[0] * uy + e[1] * ux);
  }
  return [x, y];
}

/** Farthest point from the origin on an ellipse with half axes a ≥ b about (cx, cy). */
function farthestOnEllipse(cx: number, cy: number, a: number, b: number): [number, number] {
  const [sx, sy] = [cx < 0 ? -1 : 1, cy < 0 ? -1 : 1];
  const [qx, qy] = [abs(cx), abs(cy)];
  // In the quadrant away from the origin the slope −(a²−b²)·sin·cos − a·qx·sin + b·qy·cos has just one root.
  const k = a * a - b * b;
  const slope = (s: number, c: number): number => -k * s * c - a * qx * s + b * qy * c;
  let lo = 0;
  let hi = PI / 2;
  if (b * qy === 0) hi = 0;
  let t = hi / 2;
  for (let i = 0; i < 60 && hi - lo > 1e-13; i++) {
    const s = sin(t);
    const c = cos(t);
    const f = slope(s, c);
    if (abs(f) < 1e-15 * (k + a * qx + b * qy)) break;
    if (f > 0) lo = t;
    else hi = t;
    const df = -k * (c * c - s * s) - a * qx * c - b * qy * s;
    const newton = t - f / df;
    t = df !== 0 && newton > lo && newton < hi ? newton : (lo + hi) / 2;
  }
  return [cx + sx * a * cos(t), cy + sy * b * sin(t)];
}

/** Edge of the rotated body's shadow on the xy plane, counter-clockwise, mm; curves through 180 points of the edge. */
export function shadowOf(body: Body, r: Mat3): Vec2[] {
  const points: Vec2[] = [];
  const put = (x: number, y: number, z: number): void => {
    points.push([r[0]! * x + r[1]! * y + r[2]! * z, r[3]! * x + r[4]! * y + r[5]! * z]);
  };
  const p = body.points;
  for (let i = 0; i < p.length; i += 3) put(p[i]!, p[i + 1]!, p[i + 2]!);
  if (body.discs.length > 0 || body.ellipsoid)
    for (let k = 0; k < 180; k++) {
      const [u, v] = [cos((PI * k) / 90), sin((PI * k) / 90)];
      const q = supportPoint({ ...body, points: new Float64Array() }, [
        r[0]! * u + r[3]! * v,
        r[1]! * u + r[4]! * v,
        r[2]! * u + r[5]! * v,
      ]);
      put(...q);
      // Where two discs reach equally far the edge is straight between them: both ends belong to it.
      for (const disc of body.discs) {
        const side = hypot(q[0], q[1]);
        if (side > 0) put((q[0] * disc.radius) / side, (q[1] * disc.radius) / side, disc.z);
      }
    }
  return hull(points);
}
