import {
  symmetricEigenvalues,
  tiltTo,
  rotationOfQuaternion,
  turn,
  multiply,
  transpose,
  unit3,
  type Mat3,
  type Vec3,
} from '../geometry/vector.ts';

// Taken out once: a search looks these up millions of times.
const { PI, acos, cos, max, min, sin, sqrt } = Math;

/** A proof: for every rotation Q the slack is at most `at − ⟨Q, proof⟩` (row-major 3 × 3, mm). */
export interface Bound {
  readonly at: number;
  readonly proof: readonly number[];
}

/** A patch of rotations: every member lies within `radius` (rad) of `centre`, up to the symmetry of what is searched. */
export interface Patch {
  readonly centre: Mat3;
  readonly radius: number;
  split(): Patch[];
}

const FACES = [0, 1, 2, 3] as const;

/** Cubes of quaternions: the four faces of a hypercube, seen from its middle, cover all rotations once. */
function cube(face: number, at: Vec3, half: number): Patch {
  const [x, y, z] = at;
  const length = sqrt(1 + x * x + y * y + z * z);
  let least = 1;
  // The corners, which lie farthest; written out since a search makes cubes by the hundred thousand.
  for (let corner = 0; corner < 8; corner++) {
    const cx = x + (corner & 1 ? half : -half);
    const cy = y + (corner & 2 ? half : -half);
    const cz = z + (corner & 4 ? half : -half);
    const dot = (1 + cx * x + cy * y + cz * z) / (length * sqrt(1 + cx * cx + cy * cy + cz * cz));
    if (dot < least) least = dot;
  }
  const q: [number, number, number, number] =
    face === 0 ? [1, x, y, z] : face === 1 ? [x, 1, y, z] : face === 2 ? [x, y, 1, z] : [x, y, z, 1];
  return {
    centre: rotationOfQuaternion(q),
    // Turning by an angle moves the unit quaternion by half of it.
    radius: 2 * acos(least) + 1e-12,
    split: () => cubesOf(face, at, half / 2),
  };
}

const cubesOf = (face: number, at: Vec3, half: number): Patch[] => {
  const out: Patch[] = [];
  for (const dx of [-half, half])
    for (const dy of [-half, half])
      for (const dz of [-half, half]) out.push(cube(face, [at[0] + dx, at[1] + dy, at[2] + dz], half));
  return out;
};

/** All rotations, told apart only as far as a body's symmetry and the container's mirror need. */
export function allRotations(symmetry: 'box' | 'prism', mirrored: boolean): Patch[] {
  // Half turns about the box's axes carry the faces w, x, y, z into each other: one is enough.
  if (symmetry === 'box') return cubesOf(0, [0, 0, 0], 0.5).filter((_, i) => !mirrored || i >= 4);
  // The container's mirror joined with the prism's own carries face w to x and y to z.
  return (mirrored ? [0, 2] : FACES).flatMap((face) => cubesOf(face, [0, 0, 0], 0.5));
}

/** Squares on the faces of a cube seen from its middle: directions of an axis. `frame` makes the rotation of one. */
function square(face: number, u: number, v: number, half: number, frame: (d: Vec3) => Mat3): Patch {
  const place = (a: number, b: number): Vec3 => {
    const s = face % 2 === 0 ? 1 : -1;
    const axis = face >> 1;
    return unit3(axis === 0 ? [s, a, b] : axis === 1 ? [a, s, b] : [a, b, s]);
  };
  const d = place(u, v);
  let least = 1;
  for (const a of [u - half, u + half])
    for (const b of [v - half, v + half]) {
      const p = place(a, b);
      least = min(least, p[0] * d[0] + p[1] * d[1] + p[2] * d[2]);
    }
  const q = half / 2;
  return {
    centre: frame(d),
    radius: acos(min(1, least)) + 1e-12,
    split: () => [-q, q].flatMap((a) => [-q, q].map((b) => square(face, u + a, v + b, q, frame))),
  };
}

/** Directions of the body's own axis in the container's frame, for axial bodies. */
export function axisDirections(flips: boolean, mirrored: boolean): Patch[] {
  const faces = [0, 1, 2, 3, 4, 5].filter((f) => (flips ? f % 2 === 0 : !(mirrored && f === 3)));
  return faces.map((f) => square(f, 0, 0, 1, tiltTo));
}

/** Directions, in the body's frame, from which it is looked at, for openings that are round about the z axis. */
export function viewDirections(): Patch[] {
  // A straight shadow is the same from behind, so half of the directions are enough.
  return [0, 2, 4].map((f) => square(f, 0, 0, 1, (d) => transpose(tiltTo(d))));
}

/** Turns about the z axis that keep one attitude, `span` radians from 0. */
export function turnsOf(attitude: Mat3, span: number): Patch[] {
  const arc = (mid: number, half: number): Patch => ({
    centre: multiply(turn(mid), attitude),
    radius: half + 1e-12,
    split: () => [arc(mid - half / 2, half / 2), arc(mid + half / 2, half / 2)],
  });
  return Array.from({ length: 8 }, (_, i) => arc(((i + 0.5) * span) / 8, span / 16));
}

/** The one rotation of something that looks the same from everywhere. */
export const onlyThis = (centre: Mat3): Patch[] => [{ centre, radius: 0, split: () => [] }];

/**
 * The most that `at − ⟨Q, proof⟩` can be for any rotation Q within `radius` of `centre`: with Q turned by α about w,
 * ⟨Q, proof⟩ = tr A + sin α (w·v) + (1 − cos α)(wᵀAw − tr A) for A = centreᵀ proof, bounded term by term.
 */
export function mostWithin(at: number, proof: readonly number[], centre: Mat3, radius: number): number {
  const a = multiply(transpose(centre), proof);
  const trace = a[0]! + a[4]! + a[8]!;
  if (radius === 0) return at - trace;
  const [px, py, pz] = [a[7]! - a[5]!, a[2]! - a[6]!, a[3]! - a[1]!];
  const pull = sqrt(px * px + py * py + pz * pz);
  const sine = radius < PI / 2 ? sin(radius) : 1;
  // The cubic's roots are good to about 1e-8 of the matrix; the bound must not be under by that.
  const bulge = max(0, trace - symmetricEigenvalues(a)[0]) + 1e-7 * sizeOf(a);
  return at - trace + sine * pull + (1 - cos(min(radius, PI))) * bulge;
}

/** Square root of the sum of the squares; `Math.hypot` takes ten times as long. */
function sizeOf(a: readonly number[]): number {
  let sum = 0;
  for (let i = 0; i < a.length; i++) sum += a[i]! * a[i]!;
  return sqrt(sum);
}

/** `at − ⟨centre, proof⟩`, and how it changes with a small turn about x, y and z of the body. */
function atCentre({ at, proof }: Bound, centre: Mat3): [number, Vec3] {
  const a = multiply(transpose(centre), proof);
  return [at - (a[0]! + a[4]! + a[8]!), [a[7]! - a[5]!, a[2]! - a[6]!, a[3]! - a[1]!]];
}

/**
 * The share of `b` in the mix of two proofs that is lowest over a patch, to first order in its radius: the value at the
 * centre is linear in the share, the pull the length of a vector that is, and the least of their sum is in closed form.
 */
export function bestShare(a: Bound, b: Bound, centre: Mat3, radius: number): number {
  const [ca, p] = atCentre(a, centre);
  const [cb, q] = atCentre(b, centre);
  const sine = radius < PI / 2 ? sin(radius) : 1;
  const d: Vec3 = [q[0] - p[0], q[1] - p[1], q[2] - p[2]];
  const dd = d[0] * d[0] + d[1] * d[1] + d[2] * d[2];
  const slope = -(cb - ca) / (sine * sqrt(dd));
  if (!(slope > -1 && slope < 1)) return ca <= cb ? 0 : 1;
  const middle = -(p[0] * d[0] + p[1] * d[1] + p[2] * d[2]) / dd;
  const away = sqrt(max(0, p[0] * p[0] + p[1] * p[1] + p[2] * p[2] - middle * middle * dd) / dd);
  return max(0, min(1, middle + (slope * away) / sqrt(1 - slope * slope)));
}
