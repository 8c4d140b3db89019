import { apply, applyTransposed, multiply, type Mat3, type Vec2, type Vec3 } from '../geometry/vector.ts';
import type { Homography } from './homography.ts';

/**
 * A pinhole with one term of radial distortion, over a picture with square pixels and the axis through its middle. Lengths in
 * the picture are in half diagonals about the middle; sheet lengths are mm, z up from the sheet.
 */
export interface Camera {
  /** Size of the picture, pixels. */
  readonly width: number;
  readonly height: number;
  /** Sheet to camera (x right, y down, z ahead). */
  readonly rotation: Mat3;
  readonly shift: Vec3;
  /** Focal length, half diagonals. */
  readonly focal: number;
  /** A point at r is seen at r (1 + bend r²). */
  readonly bend: number;
}

/** Rotation by a vector along its axis, as long as the angle, radians (Rodrigues). */
export function rotationOf([x, y, z]: Vec3): Mat3 {
  const angle = Math.hypot(x, y, z);
  if (angle < 1e-12) return [1, 0, 0, 0, 1, 0, 0, 0, 1];
  const [a, b, c] = [x / angle, y / angle, z / angle];
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const k = 1 - cos;
  return [
    cos + a * a * k,
    a * b * k - c * sin,
    a * c * k + b * sin,
    b * a * k + c * sin,
    cos + b * b * k,
    b * c * k - a * sin,
    c * a * k - b * sin,
    c * b * k + a * sin,
    cos + c * c * k,
  ];
}

/** A camera turned and moved by six small numbers, its focal length by a factor's logarithm, its bend by a number. */
export function movedCamera(camera: Camera, by: readonly number[]): Camera {
  return {
    ...camera,
    rotation: multiply(rotationOf([by[0]!, by[1]!, by[2]!]), camera.rotation),
    shift: [camera.shift[0] + by[3]!, camera.shift[1] + by[4]!, camera.shift[2] + by[5]!],
    focal: camera.focal * Math.exp(by[6] ?? 0),
    bend: camera.bend + (by[7] ?? 0),
  };
}

/** Half the diagonal of the picture, pixels. */
export const halfDiagonal = (c: Pick<Camera, 'width' | 'height'>): number =>
  Math.hypot(c.width, c.height) / 2;

/** Where a point over the sheet (mm) is seen, pixels from the upper left corner of the picture. */
export function seenAt(c: Camera, point: Vec3): Vec2 {
  const v = apply(c.rotation, point);
  const z = v[2] + c.shift[2];
  const [x, y] = [(c.focal * (v[0] + c.shift[0])) / z, (c.focal * (v[1] + c.shift[1])) / z];
  const k = halfDiagonal(c) * (1 + c.bend * (x * x + y * y));
  return [c.width / 2 + x * k, c.height / 2 + y * k];
}

/** The camera’s own place, mm: its foot on the sheet and its height above it. */
export function placeOf(c: Camera): Vec3 {
  const v = applyTransposed(c.rotation, c.shift);
  return [-v[0], -v[1], -v[2]];
}

/** Degrees between the view and straight down. */
export const tiltOf = (c: Camera): number => (Math.acos(Math.min(1, -c.rotation[8]!)) * 180) / Math.PI;

/** A focal length that phones have, half diagonals of the picture: 28 mm on a picture of 24 × 36 mm. */
export const USUAL_FOCAL = 1.3;
/** Focal lengths that are believed: from a very wide phone to one that has zoomed. */
const FOCALS = [0.6, 6] as const;

/**
 * The camera that sees the sheet by a homography from sheet (mm) to picture (pixels): the closed form for square pixels and a
 * known middle. Where the view is straight down the focal length does not follow from it, and `usual` stands in. Null for a
 * mirrored picture.
 */
export function cameraOf(
  h: Homography,
  { width, height }: { readonly width: number; readonly height: number },
  usual = USUAL_FOCAL,
): Camera | null {
  const d = halfDiagonal({ width, height });
  const row = (i: number, w: number): number[] => [0, 1, 2].map((k) => (h[3 * i + k]! - w * h[6 + k]!) / d);
  let x = row(0, width / 2);
  let y = row(1, height / 2);
  let z = [h[6], h[7], h[8]] as number[];
  // The sheet lies before the camera.
  if (z[2]! < 0) [x, y, z] = [x, y, z].map((r) => r.map((v) => -v)) as [number[], number[], number[]];
  const across = -(x[0]! * x[1]! + y[0]! * y[1]!);
  const along = x[1]! ** 2 + y[1]! ** 2 - x[0]! ** 2 - y[0]! ** 2;
  // f² z0 z1 = across, f² (z0² − z1²) = along: both at once, each with the weight that its left side has.
  const [p, q] = [z[0]! * z[1]!, z[0]! ** 2 - z[1]! ** 2];
  const squared = (across * p + along * q) / (p * p + q * q);
  const found = Math.sqrt(squared);
  const focal = found >= FOCALS[0] && found <= FOCALS[1] ? found : usual;
  const column = (k: number): Vec3 => [x[k]! / focal, y[k]! / focal, z[k]!];
  const [a, b, t] = [column(0), column(1), column(2)];
  const scale = 2 / (Math.hypot(...a) + Math.hypot(...b));
  const unit = (v: Vec3): Vec3 => {
    const l = Math.hypot(...v);
    return [v[0] / l, v[1] / l, v[2] / l];
  };
  const cross = (u: Vec3, v: Vec3): Vec3 => [
    u[1] * v[2] - u[2] * v[1],
    u[2] * v[0] - u[0] * v[2],
    u[0] * v[1] - u[1] * v[0],
  ];
  // The two columns are made square to each other, each giving way by half.
  const [ua, ub] = [unit(a), unit(b)];
  const middle = unit([ua[0] + ub[0], ua[1] + ub[1], ua[2] + ub[2]]);
  const normal = unit(cross(ua, ub));
  const beside = cross(normal, middle);
  const s = Math.SQRT1_2;
  const r0: Vec3 = [0, 1, 2].map((i) => s * (middle[i]! - beside[i]!)) as unknown as Vec3;
  const r1: Vec3 = [0, 1, 2].map((i) => s * (middle[i]! + beside[i]!)) as unknown as Vec3;
  // Up from the sheet is towards the camera.
  if (normal[2] > 0) return null;
  return {
    width,
    height,
    rotation: [r0[0], r1[0], normal[0], r0[1], r1[1], normal[1], r0[2], r1[2], normal[2]],
    shift: [t[0] * scale, t[1] * scale, t[2] * scale],
    focal,
    bend: 0,
  };
}
