import { FINGERS, type Finger } from '../child/hand.ts';
import { area, extents } from '../geometry/polygon.ts';
import type { Vec2, Vec3 } from '../geometry/vector.ts';
import { middleOf } from '../outline/outline.ts';
import type { Blob } from './outlines.ts';
import { smoothed } from './ring.ts';

/** A flat hand, mm. */
export interface SeenHand {
  /** Across the knuckles, without the thumb. */
  readonly breadth: number;
  /** From the tip of the thumb to the tip of the little finger, as they were spread. */
  readonly span: number;
  /** Each from its tip to the middle of where it leaves the hand. */
  readonly lengths: Readonly<Record<Finger, number>>;
  /** Tip and foot of each finger from the thumb on, as they lie on the sheet. */
  readonly fingers: readonly { readonly tip: Vec2; readonly foot: Vec2 }[];
  /** Ends of the line across the knuckles. */
  readonly across: readonly [Vec2, Vec2];
  readonly outline: readonly Vec2[];
}

export type HandRefusal = 'no-hand' | 'no-wrist' | 'not-spread';

/** What is smaller than this is no hand, mm². */
const LEAST_AREA = 2000;
/** The edge of a finger is seen about this high over the sheet: half its thickness, mm (from memory). */
export const HAND_HIGH = 5;
/** A finger stands out this much from the valleys beside it, mm. */
const STANDS_OUT = 9;

const gap = (a: Vec2, b: Vec2): number => Math.hypot(a[0] - b[0], a[1] - b[1]);
const between = (a: Vec2, b: Vec2): Vec2 => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];

/** Tips and the valleys between them along an open line, by how far each point is from the palm's middle. */
function tipsOf(far: readonly number[]): { tips: number[]; valleys: number[] } {
  const tips: number[] = [];
  const valleys: number[] = [];
  // From one end to the other: a tip counts when the line has gone down from it, a valley when it has gone up again.
  let [top, low, isUp] = [0, 0, true];
  far.forEach((d, i) => {
    if (isUp) {
      if (d > far[top]!) top = i;
      if (d < far[top]! - STANDS_OUT) {
        tips.push(top);
        [low, isUp] = [i, false];
      }
    } else {
      if (d < far[low]!) low = i;
      if (d > far[low]! + STANDS_OUT) {
        valleys.push(low);
        [top, isUp] = [i, true];
      }
    }
  });
  return { tips, valleys };
}

/** The place on one side of a tip that is as far from it as the valley on its other side. */
function mirrored(line: readonly Vec2[], tip: number, valley: number): Vec2 {
  const wanted = gap(line[tip]!, line[valley]!);
  const step = valley > tip ? -1 : 1;
  let i = tip;
  while (line[i + step] && gap(line[i]!, line[tip]!) < wanted) i += step;
  return line[i]!;
}

/**
 * A hand that lies flat on the sheet, palm down, its fingers spread, the arm over one of the sheet's sides.
 *
 * @param eye the camera's place over the sheet, mm
 * @source breadth as “hand breadth at metacarpals” of ISO 7250-1, from the outline alone
 */
export function handOf(eye: Vec3, blobs: readonly Blob[]): SeenHand | HandRefusal {
  const largest = blobs.reduce<Blob | null>((a, b) => (a && a.area >= b.area ? a : b), null);
  if (!largest || largest.area < LEAST_AREA) return 'no-hand';
  if (largest.ring.every((p) => p.own)) return 'no-wrist';
  // Over the sheet the edge of a finger is seen farther out than it is.
  const k = (eye[2] - HAND_HIGH) / eye[2];
  const placed = largest.ring.map((p) => ({
    ...p,
    at: [eye[0] + k * (p.at[0] - eye[0]), eye[1] + k * (p.at[1] - eye[1])] as Vec2,
  }));
  const ring = smoothed(placed.map((p) => p.at));
  const palm = middleOf(ring);
  // The wrist is the middle of where the arm leaves the ground; the line of the fingers begins and ends there.
  const off = placed.filter((p) => !p.own).map((p) => p.at);
  const wrist: Vec2 = [
    off.reduce((sum, p) => sum + p[0], 0) / off.length,
    off.reduce((sum, p) => sum + p[1], 0) / off.length,
  ];
  const start = ring.reduce((best, p, i) => (gap(p, wrist) < gap(ring[best]!, wrist) ? i : best), 0);
  const whole = [...ring.slice(start), ...ring.slice(0, start)];
  // What is nearer to the wrist than the palm's middle is arm.
  const forward: Vec2 = [palm.at[0] - wrist[0], palm.at[1] - wrist[1]];
  const long = Math.hypot(...forward) || 1;
  const level = (p: Vec2): number =>
    ((p[0] - palm.at[0]) * forward[0] + (p[1] - palm.at[1]) * forward[1]) / long;
  const from = whole.findIndex((p) => level(p) > -palm.radius);
  const to = whole.findLastIndex((p) => level(p) > -palm.radius);
  const hand = whole.slice(Math.max(0, from), to + 1);
  const { tips, valleys } = tipsOf(hand.map((p) => gap(p, palm.at)));
  if (tips.length !== 5 || valleys.length < 4) return 'not-spread';
  // The valley beside the thumb lies farthest back.
  const isThumbFirst = level(hand[valleys[0]!]!) < level(hand[valleys[3]!]!);
  const line = isThumbFirst ? hand : [...hand].reverse();
  const turned = (i: number): number => (isThumbFirst ? i : hand.length - 1 - i);
  const tip = (isThumbFirst ? tips : [...tips].reverse()).map(turned);
  const valley = (isThumbFirst ? valleys.slice(0, 4) : valleys.slice(0, 4).reverse()).map(turned);
  const foot = (i: number): Vec2 => {
    const [before, after] = [valley[i - 1], valley[i]];
    // Thumb, first and little finger have one valley that is theirs: the other side is as far from the tip.
    if (i === 0) return between(line[after!]!, mirrored(line, tip[0]!, after!));
    if (i === 1) return between(line[after!]!, mirrored(line, tip[1]!, after!));
    if (i === 4) return between(line[before!]!, mirrored(line, tip[4]!, before!));
    return between(line[before!]!, line[after!]!);
  };
  const fingers = tip.map((t, i) => ({ tip: line[t]!, foot: foot(i) }));
  const lengths = Object.fromEntries(
    FINGERS.map((name, i) => [name, gap(fingers[i]!.tip, fingers[i]!.foot)]),
  ) as Record<Finger, number>;
  const across = knuckles(line, valley, fingers);
  return {
    breadth: gap(...across),
    span: gap(fingers[0]!.tip, fingers[4]!.tip),
    lengths,
    fingers,
    across,
    outline: ring,
  };
}

/** The widest line across the hand between its thumb and the valleys of its fingers. */
function knuckles(
  line: readonly Vec2[],
  valley: readonly number[],
  fingers: readonly { readonly tip: Vec2; readonly foot: Vec2 }[],
): [Vec2, Vec2] {
  const [first, little] = [fingers[1]!.foot, fingers[4]!.foot];
  const long = gap(first, little) || 1;
  const along: Vec2 = [(little[0] - first[0]) / long, (little[1] - first[1]) / long];
  // Away from the fingers, over the back of the hand.
  const middle = fingers[2]!;
  let back: Vec2 = [-along[1], along[0]];
  if (back[0] * (middle.tip[0] - middle.foot[0]) + back[1] * (middle.tip[1] - middle.foot[1]) > 0)
    back = [-back[0], -back[1]];
  const deep = (p: Vec2): number => (p[0] - first[0]) * back[0] + (p[1] - first[1]) * back[1];
  const at = (p: Vec2): number => (p[0] - first[0]) * along[0] + (p[1] - first[1]) * along[1];
  const web = deep(line[valley[0]!]!);
  // The thumb's web widens into the thumb: the knuckles lie before it.
  const end = Math.max(4, 0.6 * web);
  let best: [Vec2, Vec2] = [first, little];
  for (let d = 2; d <= end; d += 1) {
    const hits = line.flatMap((p, i): Vec2[] => {
      const q = line[i + 1];
      if (!q) return [];
      const [a, b] = [deep(p) - d, deep(q) - d];
      if (a < 0 === b < 0) return [];
      const t = a / (a - b);
      return [[p[0] + t * (q[0] - p[0]), p[1] + t * (q[1] - p[1])]];
    });
    // Of the sides on either hand of the knuckles’ middle the nearest: farther out lies the thumb.
    const m = at(between(first, little));
    const left = hits
      .filter((p) => at(p) < m)
      .reduce<Vec2 | null>((a, p) => (a && at(a) >= at(p) ? a : p), null);
    const right = hits
      .filter((p) => at(p) > m)
      .reduce<Vec2 | null>((a, p) => (a && at(a) <= at(p) ? a : p), null);
    if (left && right && gap(left, right) > gap(...best)) best = [left, right];
  }
  return best;
}

/** What a hand is unsure by, mm: its outline, and how flat it lies. */
export const handSpread = (hand: SeenHand): number =>
  Math.max(1, 0.02 * Math.max(...extents(hand.outline, 0)), Math.sqrt(area(hand.outline)) * 0.01);
