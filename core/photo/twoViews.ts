import { linearSumAssignment } from 'linear-sum-assignment';
import { area } from '../geometry/polygon.ts';
import type { Vec2, Vec3 } from '../geometry/vector.ts';
import type { MeasuredPhoto, MeasuredThing } from './measure.ts';
import { apart, nearestKinds, type Kind } from './nearest.ts';
import { centre, resampled, simplified } from './ring.ts';
import { boxOfPlan, planUnder, thingOf } from './things.ts';

/** A photo as it was measured, from where. */
export type View = Pick<MeasuredPhoto, 'camera' | 'things'>;

/** Cameras nearer to each other than this share of their height tell no height. */
const LEAST_APART = 0.12;
/** Heights that are looked for, mm. */
const MOST_HEIGHT = 120;
const STEP = 5;
/** Two outlines of one thing agree to about this, mm. */
const AGREE = 0.12;
/** Outlines are thinned to this for the search, mm. */
const ROUGH = 0.25;
/** The middle of one thing’s outline moves no farther than this from one photo to the other, mm. */
const MOST_MOVED = 70;
/** Plans that lie farther apart than this at every height are not of one thing, mm. */
const ONE_THING = 4;

const eyeOf = ({ camera }: View): Vec3 => [camera.x, camera.y, camera.above];
/** How far the plans under a height lie apart, as two cameras see them, mm. */
function apartAt(a: Vec3, b: Vec3, p: readonly Vec2[], q: readonly Vec2[], height: number): number {
  const plans = [planUnder(a, p, height), planUnder(b, q, height)] as const;
  // So high no plan is left under one of them: what was seen comes back whole.
  if (height > STEP && (area(plans[0]) >= area(p) || area(plans[1]) >= area(q))) return Infinity;
  const [m, n] = [centre(plans[0]), centre(plans[1])];
  return Math.hypot(m[0] - n[0], m[1] - n[1]);
}

/** The height at which two outlines have one plan, and how far apart the plans still are there; mm. */
function agreed(a: Vec3, b: Vec3, p: readonly Vec2[], q: readonly Vec2[]): { height: number; apart: number } {
  const off = (h: number): number => apartAt(a, b, p, q, h);
  let [best, least] = [0, off(0)];
  for (let h = STEP; h <= MOST_HEIGHT; h += STEP) {
    const now = off(h);
    if (now < least) [best, least] = [h, now];
  }
  let [low, high] = [Math.max(0, best - STEP), best + STEP];
  while (high - low > 0.05) {
    const [u, v] = [low + 0.382 * (high - low), low + 0.618 * (high - low)];
    if (off(u) <= off(v)) high = v;
    else low = u;
  }
  const height = (low + high) / 2;
  return { height, apart: off(height) };
}

/** What two things cost that are not one. */
const FAR = 1000;
/** Why a second photo tells nothing. */
export type SecondRefusal = 'other-paper' | 'same-side' | 'nothing-alike';

/**
 * The things of a first photo with the heights that a second from another side tells: both see the shadow of one body, and
 * only under its true height the two have one plan. What the second photo does not see, and what is as high as it is broad,
 * stays as it was.
 *
 * @returns the things in their order, and which of them got a height
 */
export function withSecond(
  first: View & Pick<MeasuredPhoto, 'sheet'>,
  second: View & Pick<MeasuredPhoto, 'sheet'>,
  kinds: readonly Kind[],
): { readonly things: MeasuredThing[]; readonly told: readonly number[] } | SecondRefusal {
  if (first.sheet.paper !== second.sheet.paper) return 'other-paper';
  const [a, b] = [eyeOf(first), eyeOf(second)];
  const between = Math.hypot(a[0] - b[0], a[1] - b[1]) / Math.min(a[2], b[2]);
  if (between < LEAST_APART) return 'same-side';
  if (first.things.length === 0 || second.things.length === 0) return 'nothing-alike';
  // A few points tell where the middle is; what lies far off or is of another size is not asked.
  const rough = (view: View) => view.things.map((t) => simplified(t.shadow, ROUGH));
  const [near, far] = [rough(first), rough(second)];
  const pairs = first.things.map((p, i) =>
    second.things.map((q, j) => {
      const [m, n] = [centre(near[i]!), centre(far[j]!)];
      const size = area(near[i]!) / Math.max(1, area(far[j]!));
      const isFar = Math.hypot(m[0] - n[0], m[1] - n[1]) > MOST_MOVED || size < 0.4 || size > 2.5;
      return { p, q, ...(isFar ? { height: 0, apart: Infinity } : agreed(a, b, near[i]!, far[j]!)) };
    }),
  );
  // Of one thing are outlines that agree in place, size and colour.
  const costs = pairs.map((row) =>
    row.map(({ p, q, apart: off, height }) => {
      if (off === Infinity) return FAR;
      const ratio = area(planUnder(a, p.shadow, height)) / Math.max(1, area(planUnder(b, q.shadow, height)));
      return Math.min(50, off) + 8 * Math.abs(Math.log(ratio)) + 2 * apart(p.colour, q.colour);
    }),
  );
  const { rowAssignments } = linearSumAssignment(costs, { maximaze: false });
  const told: number[] = [];
  const things = first.things.map((p, i): MeasuredThing => {
    const pair = pairs[i]![rowAssignments[i] ?? -1];
    const isOwn = p.form === 'ball' || p.form === 'egg';
    if (!pair || pair.apart > ONE_THING || isOwn) return p;
    const { height } = pair;
    const part = {
      ring: resampled(p.shadow, 0.8).map((at) => ({ at, own: true })),
      isCut: false,
      body: null,
      holes: [],
    };
    const thing = thingOf(a, part, height);
    const { long, short } = thing.body ?? boxOfPlan(thing.outline);
    const [x, y] = thing.body ? [thing.body.x, thing.body.y] : centre(thing.outline);
    // What was a body and is none under this height was hidden in part: it stays as it was.
    if (!thing.body && p.form !== 'other' && p.form !== 'triangle') return p;
    told.push(i);
    const rounded = (v: number, to = 100): number => Math.round(v * to) / to;
    // What two outlines are unsure by, and the height with them.
    const spread = AGREE / between;
    const measured = {
      ...p,
      outline: thing.outline.map(([u, v]): Vec2 => [rounded(u), rounded(v)]),
      x: rounded(x),
      y: rounded(y),
      long: rounded(long),
      short: rounded(short),
      area: rounded(area(thing.outline), 10),
      height: rounded(height, 10),
      heightFrom: 'second' as const,
      uncertainty: rounded(Math.hypot(AGREE, (spread * long) / a[2])),
    };
    return { ...measured, nearest: nearestKinds({ ...measured, isHeightSure: true }, kinds) };
  });
  return told.length === 0 ? 'nothing-alike' : { things, told };
}
