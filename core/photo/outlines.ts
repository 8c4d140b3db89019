import { contours } from 'd3-contour';
import { area } from '../geometry/polygon.ts';
import type { Vec2 } from '../geometry/vector.ts';
import { seenAt, type Camera } from './camera.ts';
import { isOnGround, type Plane, type Strangeness } from './ground.ts';
import { channelAt, type Photo } from './photo.ts';
import { resampled } from './ring.ts';
import type { SheetPaper } from './sheet.ts';

/** A point of an outline on the sheet's plane, mm. */
export interface OutlinePoint {
  readonly at: Vec2;
  /** Whether it is where a thing ends, and not the edge of the ground or another thing. */
  readonly own: boolean;
}

/** What stands out from the ground in one piece, as it is seen on the sheet's plane. */
export interface Blob {
  /** Anticlockwise. */
  readonly ring: readonly OutlinePoint[];
  readonly holes: readonly (readonly Vec2[])[];
  /** As seen, without its holes, mm². */
  readonly area: number;
}

/** As strange as this a cell is of a thing, levels; more where the photo is noisy. */
const STRANGE = 13;
const OVER_NOISE = 5;
/** Smaller than this is a crumb, mm². */
export const LEAST_AREA = 14;
const LEAST_HOLE = 2.5;
/** Between points of an outline, mm. */
const APART = 0.6;
/** An outline nearer than this to the ground's edge is cut by it, mm. */
const AT_EDGE = 1.4;

const signed = (ring: readonly Vec2[]): number =>
  ring.reduce((sum, p, i) => {
    const q = ring[(i + 1) % ring.length]!;
    return sum + p[0] * q[1] - q[0] * p[1];
  }, 0) / 2;

/** How far to either side the true edge is looked for, and where each side's own colour is taken, mm. */
const LOOK = 0.7;
const SIDE = [0.55, 0.95] as const;

/**
 * Points moved to where the photo is half way between the colours on either side: the threshold that told thing from ground
 * lies nearer to the ground. `out` of the ring is to the right of its way.
 */
function sharpened(photo: Photo, camera: Camera, ring: readonly Vec2[]): Vec2[] {
  const n = ring.length;
  const colour = (p: Vec2): [number, number, number] => {
    const [x, y] = seenAt(camera, [p[0], p[1], 0]);
    return [channelAt(photo, x, y, 0), channelAt(photo, x, y, 1), channelAt(photo, x, y, 2)];
  };
  const shifts = ring.map((p, i) => {
    const [a, b] = [ring[(i + n - 2) % n]!, ring[(i + 2) % n]!];
    const long = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
    const out: Vec2 = [(b[1] - a[1]) / long, -(b[0] - a[0]) / long];
    const at = (s: number): [number, number, number] => colour([p[0] + out[0] * s, p[1] + out[1] * s]);
    const side = (sign: 1 | -1): [number, number, number] => {
      const sum: [number, number, number] = [0, 0, 0];
      for (let k = 0; k < 3; k++) {
        const c = at(sign * (SIDE[0] + (k * (SIDE[1] - SIDE[0])) / 2));
        for (let j = 0; j < 3; j++) sum[j]! += c[j]! / 3;
      }
      return sum;
    };
    const [inner, outer] = [side(-1), side(1)];
    const axis = inner.map((v, k) => v - outer[k]!);
    const far = axis.reduce((sum, v) => sum + v * v, 0);
    if (far < 18 * 18) return { out, shift: null };
    const inside = (s: number): number =>
      at(s).reduce((sum, v, k) => sum + (v - outer[k]!) * axis[k]!, 0) / far;
    let best: number | null = null;
    let before = inside(-LOOK);
    for (let s = -LOOK + 0.1; s <= LOOK + 1e-9; s += 0.1) {
      const now = inside(s);
      if (before >= 0.5 && now < 0.5) {
        const crossing = s - 0.1 + (0.1 * (before - 0.5)) / (before - now);
        if (best === null || Math.abs(crossing) < Math.abs(best)) best = crossing;
      }
      before = now;
    }
    return { out, shift: best };
  });
  // One point alone may be misled by a highlight: each goes as the middle of its neighbours goes.
  return ring.map((p, i) => {
    const near = [-2, -1, 0, 1, 2].flatMap((k) => {
      const s = shifts[(i + k + n) % n]!.shift;
      return s === null ? [] : [s];
    });
    if (near.length === 0) return p;
    near.sort((a, b) => a - b);
    const middle = near[near.length >> 1]!;
    const own = shifts[i]!.shift;
    const s = own !== null && Math.abs(own - middle) < 0.15 ? own : middle;
    const { out } = shifts[i]!;
    return [p[0] + out[0] * s, p[1] + out[1] * s];
  });
}

/** What stands out from the ground, piece by piece. */
export function blobsOf(
  photo: Photo,
  camera: Camera,
  paper: SheetPaper,
  plane: Plane,
  { values, noise }: Strangeness,
): Blob[] {
  const threshold = Math.max(STRANGE, OVER_NOISE * noise);
  const { coordinates } = contours()
    .size([plane.width, plane.height])
    .contour(values as unknown as number[], threshold);
  const inMm = (ring: readonly (readonly number[])[]): Vec2[] =>
    ring.slice(0, -1).map(([x, y]): Vec2 => [x! * plane.step, y! * plane.step]);
  return coordinates.flatMap(([outer, ...inner]) => {
    const coarse = inMm(outer!);
    if (area(coarse) < LEAST_AREA) return [];
    const anticlockwise = signed(coarse) > 0 ? coarse : coarse.reverse();
    const ring = sharpened(photo, camera, resampled(anticlockwise, APART)).map((at): OutlinePoint => ({
      at,
      own: isOnGround(paper, at[0], at[1], AT_EDGE),
    }));
    if (!ring.some((p) => p.own)) return [];
    const holes = inner.flatMap((h) => {
      const hole = inMm(h);
      if (area(hole) < LEAST_HOLE) return [];
      // The thing lies to the left of a hole's way, as of the outline's: its out is into the hole.
      const clockwise = signed(hole) < 0 ? hole : hole.reverse();
      return [sharpened(photo, camera, resampled(clockwise, APART / 2)).reverse()];
    });
    const seen = ring.map((p) => p.at);
    return [{ ring, holes, area: area(seen) - holes.reduce((sum, h) => sum + area(h), 0) }];
  });
}
