// Taken out once: a search looks these up millions of times.
const { PI, acos, cos, max, min, sin, sqrt } = Math;
/** Plain vectors and 3 × 3 matrices. Rotations are row-major: `r[3 * row + column]`. */
export type Vec2 = readonly [number, number];
export type Vec3 = readonly [number, number, number];
export type Mat3 = readonly number[];

/** `m · v`. */
export const apply = (m: Mat3, v: Vec3): Vec3 => [
  m[0]! * v[0] + m[1]! * v[1] + m[2]! * v[2],
  m[3]! * v[0] + m[4]! * v[1] + m[5]! * v[2],
  m[6]! * v[0] + m[7]! * v[1] + m[8]! * v[2],
];

/** `mᵀ · v`: for a rotation, the same direction seen from the body's own frame. */
export const applyTransposed = (m: Mat3, v: Vec3): Vec3 => [
  m[0]! * v[0] + m[3]! * v[1] + m[6]! * v[2],
  m[1]! * v[0] + m[4]! * v[1] + m[7]! * v[2],
  m[2]! * v[0] + m[5]! * v[1] + m[8]! * v[2],
];

export const multiply = (a: Mat3, b: Mat3): Mat3 => {
  const out: number[] = [];
  for (let i = 0; i < 3; i++)
    for (let j = 0; j < 3; j++)
      out.push(a[3 * i]! * b[j]! + a[3 * i + 1]! * b[3 + j]! + a[3 * i + 2]! * b[6 + j]!);
  return out;
};

export const transpose = (m: Mat3): Mat3 => [m[0]!, m[3]!, m[6]!, m[1]!, m[4]!, m[7]!, m[2]!, m[5]!, m[8]!];

export const length2 = (x: number, y: number): number => sqrt(x * x + y * y);

export const unit3 = (v: Vec3): Vec3 => {
  const l = sqrt(v[0] * v[0] + v[1] * v[1] + v[2] * v[2]);
  return [v[0] / l, v[1] / l, v[2] / l];
};

export const IDENTITY: Mat3 = [1, 0, 0, 0, 1, 0, 0, 0, 1];

/** Rotation matrix of a quaternion `[w, x, y, z]` of any length but zero. */
export function rotationOfQuaternion(q: readonly [number, number, number, number]): Mat3 {
  const l = sqrt(q[0] * q[0] + q[1] * q[1] + q[2] * q[2] + q[3] * q[3]);
  const w = q[0] / l;
  const x = q[1] / l;
  const y = q[2] / l;
  const z = q[3] / l;
  return [
    1 - 2 * (y * y + z * z),
    2 * (x * y - w * z),
    2 * (x * z + w * y),
    2 * (x * y + w * z),
    1 - 2 * (x * x + z * z),
    2 * (y * z - w * x),
    2 * (x * z - w * y),
    2 * (y * z + w * x),
    1 - 2 * (x * x + y * y),
  ];
}

/** Rotation about the z axis, angle in radians, counter-clockwise. */
export const turn = (angle: number): Mat3 => {
  const c = cos(angle);
  const s = sin(angle);
  return [c, -s, 0, s, c, 0, 0, 0, 1];
};

/** The shortest rotation that takes the z axis onto the unit vector `d`. */
export function tiltTo(d: Vec3): Mat3 {
  // Half-way quaternion between z and d; straight down has no unique one, so half a turn about x is taken.
  if (d[2] < -1 + 1e-12) return [1, 0, 0, 0, -1, 0, 0, 0, -1];
  return rotationOfQuaternion([1 + d[2], -d[1], d[0], 0]);
}

/** Rotation by the vector `v` (axis times angle in radians), Rodrigues' formula through a quaternion. */
export function rotationOfVector(v: Vec3): Mat3 {
  const angle = sqrt(v[0] * v[0] + v[1] * v[1] + v[2] * v[2]);
  if (angle === 0) return IDENTITY;
  const s = sin(angle / 2) / angle;
  return rotationOfQuaternion([cos(angle / 2), v[0] * s, v[1] * s, v[2] * s]);
}

/** Eigenvalues of the symmetric part of `m`, ascending (trigonometric solution of the characteristic cubic). */
export function symmetricEigenvalues(m: Mat3): [number, number, number] {
  const a = m[0]!;
  const b = m[4]!;
  const c = m[8]!;
  const d = (m[1]! + m[3]!) / 2;
  const e = (m[5]! + m[7]!) / 2;
  const f = (m[2]! + m[6]!) / 2;
  const q = (a + b + c) / 3;
  const off = d * d + e * e + f * f;
  const p = sqrt(((a - q) ** 2 + (b - q) ** 2 + (c - q) ** 2 + 2 * off) / 6);
  if (p < 1e-300) return [q, q, q];
  const [x, y, z] = [(a - q) / p, (b - q) / p, (c - q) / p];
  const [u, v, w] = [d / p, e / p, f / p];
  const half = (x * (y * z - v * v) - u * (u * z - v * w) + w * (u * v - y * w)) / 2;
  const phi = acos(max(-1, min(1, half))) / 3;
  const high = q + 2 * p * cos(phi);
  const low = q + 2 * p * cos(phi + (2 * PI) / 3);
  return [low, 3 * q - high - low, high];
}
