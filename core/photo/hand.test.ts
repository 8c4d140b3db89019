import { EndType, FillRule, inflatePathsD, isPositiveD, JoinType, unionD } from 'clipper2-ts';
import { area } from '../geometry/polygon.ts';
import type { Vec2, Vec3 } from '../geometry/vector.ts';
import { FINGERS } from '../child/hand.ts';
import { handOf, type SeenHand } from './hand.ts';
import type { Blob } from './outlines.ts';
import { resampled } from './ring.ts';

/** From where each finger leaves the hand, its direction in degrees from straight ahead, its length and half breadth, mm. */
const HAND = [
  [-20, 30, 50, 42, 6.2],
  [-19.5, 58, 14, 40, 5.6],
  [-6.7, 62, 3, 45, 5.6],
  [6.5, 59, -8, 41, 5.4],
  [19, 52, -22, 33, 4.8],
] as const;
const EYE: Vec3 = [150, 100, 420];

/** A hand of capsules flat on the sheet at the height of its edge, its arm over the lower side. */
function laid({ scale = 1, side = 1, turn = 0, spread = 1, fingers = 5 } = {}): {
  blob: Blob;
  tips: Vec2[];
} {
  const t = (turn * Math.PI) / 180;
  const place = ([x, y]: Vec2): Vec2 => {
    const [u, v] = [x * scale * side, y * scale];
    const flat: Vec2 = [150 + u * Math.cos(t) - v * Math.sin(t), 45 + u * Math.sin(t) + v * Math.cos(t)];
    // What lies as high as half a finger is seen farther from below the camera.
    const k = EYE[2] / (EYE[2] - 5);
    return [EYE[0] + k * (flat[0] - EYE[0]), EYE[1] + k * (flat[1] - EYE[1])];
  };
  const capsule = (a: Vec2, b: Vec2, r: number) =>
    inflatePathsD(
      [[a, b].map(place).map(([x, y]) => ({ x, y }))],
      r * scale,
      JoinType.Round,
      EndType.Round,
      2,
      4,
    );
  const tips: Vec2[] = [];
  const pieces = HAND.slice(0, fingers).flatMap(([x, y, angle, long, r]) => {
    const a = (angle * spread * Math.PI) / 180;
    const way: Vec2 = [-Math.sin(a), Math.cos(a)];
    tips.push(place([x + way[0] * long, y + way[1] * long]));
    return capsule([x, y], [x + way[0] * (long - r), y + way[1] * (long - r)], r);
  });
  const palm = [
    [-11, 0],
    [-22, 32],
    [-25, 57],
    [-7, 62],
    [7, 59],
    [24, 52],
    [14, 0],
  ].map((p) => place(p as unknown as Vec2));
  // All one way round, or what overlaps would be taken out.
  const oneWay = [...pieces, palm.map(([x, y]) => ({ x, y })), ...capsule([0, 6], [0, -120], 17)].map(
    (path) => (isPositiveD(path) ? path : [...path].reverse()),
  );
  const whole = unionD(oneWay, [], FillRule.NonZero, 4)
    .map((path) => path.map((p): Vec2 => [p.x, p.y]))
    .sort((p, q) => area(q) - area(p))[0]!;
  // The ground ends 8 mm over the side of the paper.
  const ring = resampled(whole, 0.6).map((at) => ({
    at: [at[0], Math.max(9, at[1])] as Vec2,
    own: at[1] > 9,
  }));
  return { blob: { ring, holes: [], area: area(whole) }, tips };
}
const apart = (a: Vec2, b: Vec2): number => Math.hypot(a[0] - b[0], a[1] - b[1]);

describe('a hand that lies flat', () => {
  it.each([
    ['as it is', {}],
    ['the other hand', { side: -1 }],
    ['turned', { turn: 25 }],
    ['turned the other way', { turn: -30, side: -1 }],
    ['small', { scale: 0.75 }],
    ['large', { scale: 1.25 }],
    ['little spread', { spread: 0.8 }],
  ] as const)('%s', (_, options) => {
    const { blob, tips } = laid(options);
    const hand = handOf(EYE, [blob]) as SeenHand;
    expect(typeof hand).toBe('object');
    const scale = 'scale' in options ? options.scale : 1;
    // Tip to tip, thumb first whichever hand it is.
    const k = (EYE[2] - 5) / EYE[2];
    expect(Math.abs(hand.span - k * apart(tips[0]!, tips[4]!))).toBeLessThan(4.5 * scale);
    expect(Math.abs(hand.breadth - 50 * scale)).toBeLessThan(4 * scale);
    // Longest in the middle, and all about as long as they are drawn; the thumb's root lies in the palm.
    const longs = FINGERS.map((f) => hand.lengths[f]);
    expect(Math.max(...longs)).toBe(hand.lengths.middle);
    HAND.slice(1).forEach(([, , , long], i) =>
      expect(Math.abs(longs[i + 1]! - long * scale)).toBeLessThan(6 * scale),
    );
    expect(longs[0]).toBeGreaterThan(20 * scale);
  });
  it('is refused where there is none, no arm, or a finger too few', () => {
    const { blob } = laid();
    expect(handOf(EYE, [])).toBe('no-hand');
    expect(handOf(EYE, [{ ...blob, area: 900 }])).toBe('no-hand');
    expect(handOf(EYE, [{ ...blob, ring: blob.ring.map((p) => ({ ...p, own: true })) }])).toBe('no-wrist');
    expect(handOf(EYE, [laid({ fingers: 4 }).blob])).toBe('not-spread');
  });
});
