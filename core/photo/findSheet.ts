import type { Vec2, Vec3 } from '../geometry/vector.ts';
import { cameraOf, movedCamera, placeOf, seenAt, tiltOf, USUAL_FOCAL, type Camera } from './camera.ts';
import { homographyOf } from './homography.ts';
import { leastSquares } from './leastSquares.ts';
import { channelAt, isInside, type Photo } from './photo.ts';
import { CODE_ACROSS, codeAt, groundOutline, readCode, type SheetCorner, type SheetPaper } from './sheet.ts';

/** A code as a reader found it: what it says, and its corners in pixels, clockwise from its own upper left. */
export interface SeenCode {
  readonly text: string;
  readonly corners: readonly [Vec2, Vec2, Vec2, Vec2];
}

/** Why nothing is measured, as one of these; what to do about it is said in words by who shows it. */
export type Refusal =
  'no-sheet' | 'half-sheet' | 'two-sheets' | 'too-blurred' | 'too-dark' | 'too-flat' | 'no-colour';

/** The sheet in a photo. */
export interface FoundSheet {
  readonly paper: SheetPaper;
  readonly camera: Camera;
  /** Corners whose codes were read. */
  readonly marks: readonly SheetCorner[];
  /** How far the sheet's straight sides lie from where the camera puts them, pixels (root mean square). */
  readonly rms: number;
  /** Sides were followed at so many places, of so many. */
  readonly followed: number;
  readonly places: number;
  /** Standard deviation of the camera's height, mm. */
  readonly aboveSpread: number;
}

/** Between places where a side is looked for, mm. */
const APART = 2;
/** How far to either side it is looked for, round by round, mm. */
const WINDOWS = [3.5, 1.4, 0.9, 0.9];
/** Beyond this tilt the far side of the sheet has too few pixels, degrees. */
const MOST_TILT = 48;
/** What is believed of a phone’s focal length before it is seen: the spread of its logarithm. */
const FOCAL_SPREAD = 0.4;
const BEND_SPREAD = 0.04;
/** Sides that blur over more than this are measured badly, mm. */
const MOST_BLUR = 1.1;
/** Less light than this on the white of the paper, of 255. */
const LEAST_LIGHT = 45;

interface Side {
  readonly at: Vec2;
  /** Out of the ground. */
  readonly out: Vec2;
}

/** Places along the sides of the ground, away from its corners. */
function sidesOf(paper: SheetPaper): Side[] {
  const outline = groundOutline(paper);
  return outline.flatMap((a, i) => {
    const b = outline[(i + 1) % outline.length]!;
    const long = Math.hypot(b[0] - a[0], b[1] - a[1]);
    const along: Vec2 = [(b[0] - a[0]) / long, (b[1] - a[1]) / long];
    const out: Vec2 = [along[1], -along[0]];
    const sides: Side[] = [];
    for (let s = 2; s <= long - 2; s += APART)
      sides.push({ at: [a[0] + along[0] * s, a[1] + along[1] * s], out });
    return sides;
  });
}

interface FoundEdge {
  readonly side: Side;
  /** On the picture, and the direction out of the ground there, pixels. */
  readonly seen: Vec2;
  readonly normal: Vec2;
  /** From a tenth to nine tenths of the step, mm. */
  readonly blur: number;
  readonly light: number;
}

const STEP = 0.1;
/** Where white begins by its red, to a fraction of a pixel. */
function edgeAt(photo: Photo, camera: Camera, side: Side, window: number): FoundEdge | null {
  const place = (s: number): Vec2 =>
    seenAt(camera, [side.at[0] + side.out[0] * s, side.at[1] + side.out[1] * s, 0]);
  const [first, last] = [place(-window), place(window)];
  if (!isInside(photo, ...first) || !isInside(photo, ...last)) return null;
  const n = Math.round(window / STEP);
  const red: number[] = [];
  for (let i = -n; i <= n; i++) red.push(channelAt(photo, ...place(i * STEP), 0));
  // The steepest rise over 0.4 mm.
  let [steepest, best] = [0, 0];
  for (let i = 2; i < red.length - 2; i++) {
    const rise = red[i + 2]! - red[i - 2]!;
    if (rise > best) [steepest, best] = [i, rise];
  }
  const mean = (from: number, to: number): number => {
    const part = red.slice(Math.max(0, from), Math.min(red.length, to + 1));
    return part.reduce((sum, v) => sum + v, 0) / part.length;
  };
  if (steepest < 6 || steepest > red.length - 7) return null;
  const [low, high] = [mean(steepest - 9, steepest - 5), mean(steepest + 5, steepest + 9)];
  if (high - low < 25 || high < 1.5 * low) return null;
  const inside = place((steepest - n - 6) * STEP);
  const [g, b] = [channelAt(photo, ...inside, 1), channelAt(photo, ...inside, 2)];
  if (g < 1.25 * low || b < 1.25 * low) return null;
  const crossing = (share: number): number | null => {
    const level = low + share * (high - low);
    for (let k = 0; k < 12; k++)
      for (const i of [steepest - k, steepest + k])
        if (i >= 0 && i + 1 < red.length && red[i]! <= level && red[i + 1]! > level)
          return i + (level - red[i]!) / (red[i + 1]! - red[i]!);
    return null;
  };
  const [half, tenth, nine] = [crossing(0.5), crossing(0.1), crossing(0.9)];
  if (half === null) return null;
  const s = (half - n) * STEP;
  const seen = place(s);
  const beyond = place(s + 0.5);
  const long = Math.hypot(beyond[0] - seen[0], beyond[1] - seen[1]);
  return {
    side,
    seen,
    normal: [(beyond[0] - seen[0]) / long, (beyond[1] - seen[1]) / long],
    blur: tenth !== null && nine !== null ? Math.max(0, nine - tenth) * STEP : Infinity,
    light: high,
  };
}

const flat = ([x, y]: Vec2): Vec3 => [x, y, 0];

/** The camera that sees the sides where they are, from one that is near; with what its height is sure to. */
function refined(
  photo: Photo,
  paper: SheetPaper,
  near: Camera,
): { camera: Camera; edges: FoundEdge[]; places: number; rms: number; aboveSpread: number } | null {
  const sides = sidesOf(paper);
  let camera = near;
  let edges: FoundEdge[] = [];
  let rms = Infinity;
  let aboveSpread = Infinity;
  for (const [round, window] of WINDOWS.entries()) {
    edges = sides.flatMap((s) => edgeAt(photo, camera, s, window) ?? []);
    if (edges.length < 40) return null;
    const base = camera;
    const residuals = (by: readonly number[]): number[] => {
      const c = movedCamera(base, by);
      return edges.map(({ side, seen, normal }) => {
        const p = seenAt(c, flat(side.at));
        return (p[0] - seen[0]) * normal[0] + (p[1] - seen[1]) * normal[1];
      });
    };
    const fitted = leastSquares(residuals, [0, 0, 0, 0, 0, 0, 0, 0], {
      steps: [1e-4, 1e-4, 1e-4, 0.05, 0.05, 0.05, 1e-3, 1e-4],
      floor: round === 0 ? 0.5 : 0.05,
      rounds: 12,
      sure: [
        ...new Array<null>(6).fill(null),
        [Math.log(USUAL_FOCAL / base.focal), FOCAL_SPREAD],
        [-base.bend, BEND_SPREAD],
      ],
    });
    camera = movedCamera(base, fitted.at);
    rms = fitted.rms;
    // Height follows the shift and the turn; nearly all that it is unsure by comes with the focal length.
    const steps = [1e-4, 1e-4, 1e-4, 0.05, 0.05, 0.05, 1e-3, 1e-4];
    const zero = placeOf(camera)[2];
    const slope = steps.map(
      (s, i) =>
        (placeOf(
          movedCamera(
            camera,
            steps.map((_, k) => (k === i ? s : 0)),
          ),
        )[2] -
          zero) /
        s,
    );
    aboveSpread = Math.sqrt(
      slope.reduce(
        (sum, a, i) => sum + slope.reduce((part, b, k) => part + a * b * fitted.covariance.get(i, k), 0),
        0,
      ),
    );
  }
  return { camera, edges, places: sides.length, rms, aboveSpread };
}

const medianOf = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[values.length >> 1] ?? 0;

/** The sheet by the codes that a reader found in the photo, or why nothing can be measured. */
export function findSheet(photo: Photo, codes: readonly SeenCode[]): FoundSheet | Refusal {
  const read = codes.flatMap((c) => {
    const says = readCode(c.text);
    return says ? [{ ...says, corners: c.corners }] : [];
  });
  if (read.length === 0) return 'no-sheet';
  const { paper } = read[0]!;
  const marks = [...new Set(read.map((r) => r.corner))].sort();
  if (marks.length < read.length || read.some((r) => r.paper !== paper)) return 'two-sheets';
  if (marks.length < 3) return 'half-sheet';
  const from: Vec2[] = [];
  const to: Vec2[] = [];
  for (const { corner, corners } of read) {
    const [x, y] = codeAt(paper, corner);
    const far = CODE_ACROSS;
    from.push([x, y + far], [x + far, y + far], [x + far, y], [x, y]);
    to.push(...corners);
  }
  const h = homographyOf(from, to);
  const near = h && cameraOf(h, photo);
  if (!near) return 'no-sheet';
  if (tiltOf(near) > MOST_TILT + 6) return 'too-flat';
  const found = refined(photo, paper, near);
  if (!found) return 'half-sheet';
  const { camera, edges, places, rms, aboveSpread } = found;
  if (tiltOf(camera) > MOST_TILT) return 'too-flat';
  if (medianOf(edges.map((e) => e.light)) < LEAST_LIGHT) return 'too-dark';
  if (medianOf(edges.map((e) => e.blur)) > MOST_BLUR) return 'too-blurred';
  return { paper, camera, marks, rms, followed: edges.length, places, aboveSpread };
}
