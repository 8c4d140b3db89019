import type { Vec2 } from '../../geometry/vector.ts';

/** How far a cut lies beside the middle of its card at evenly spaced heights, from the upper edge down; mm. */
export type CutLine = readonly number[];

/** Heights at which a line is known, one more than the steps between. */
const STEPS = 48;

const { abs, floor, max, min, PI, sin, sign } = Math;

/** Half the depth of a cut's swing, mm: as deep as the card carries it. */
const depthOf = (width: number, height: number): number => max(4, min(15, width / 5, height / 5));

type Kind = 'straight' | 'wave' | 'zigzag' | 'step';

const along = (f: (t: number) => number): CutLine =>
  Array.from({ length: STEPS + 1 }, (_, i) => f(i / STEPS));
const saw = (t: number): number => {
  const u = t - floor(t);
  return u < 0.25 ? 4 * u : u < 0.75 ? 2 - 4 * u : 4 * u - 4;
};

/** Lines of one kind to choose from. */
function candidates(kind: Kind, depth: number): CutLine[] {
  switch (kind) {
    case 'straight':
      return [along(() => 0)];
    case 'step': {
      const levels = [-1, 0, 1];
      const all = levels.flatMap((a) =>
        levels.flatMap((b) => levels.flatMap((c) => levels.map((d) => [a, b, c, d]))),
      );
      return all
        .filter((l) => new Set(l).size > 1)
        .map((l) => along((t) => depth * l[min(3, floor(t * 4))]!));
    }
    default: {
      const form = kind === 'wave' ? (t: number): number => sin(2 * PI * t) : saw;
      return [1, 1.5, 2, 2.5, 3].flatMap((turns) =>
        [0, 0.25, 0.5, 0.75].map((shift) => along((t) => depth * form(turns * t + shift))),
      );
    }
  }
}

/** The line as its other half shows it when it is turned upside down and laid on the same side. */
const upsideDown = (l: CutLine): CutLine => [...l].reverse().map((x) => -x);

/**
 * The widest gap that is left when an edge is pushed up to another as well as it goes: moved along it and up to it, never
 * over it. What stands over at the end of the card counts as a gap too. mm.
 *
 * @param height of the card, mm
 */
export function gapLeft(a: CutLine, b: CutLine, height: number): number {
  const step = height / STEPS;
  let best = Infinity;
  for (let by = 0; by * step < best; by++)
    for (const shift of by === 0 ? [0] : [by, -by]) {
      let [low, high] = [Infinity, -Infinity];
      for (let i = max(0, -shift); i <= min(STEPS, STEPS - shift); i++) {
        const d = b[i + shift]! - a[i]!;
        low = min(low, d);
        high = max(high, d);
      }
      best = min(best, max(high - low, abs(shift) * step));
    }
  return best;
}

export interface Halves {
  readonly lines: readonly CutLine[];
  /** Of all wrong pairs the one that fits best, by the gap that it leaves, mm; null where there is no wrong pair. */
  readonly closest: { readonly a: number; readonly b: number; readonly gap: number } | null;
}

/** Gap of the better of two ways in which halves of two cards can be laid together wrongly. */
const wrongGap = (a: CutLine, b: CutLine, height: number): number =>
  min(
    // Left of one with the right of the other, and a left with a left that is turned round (rights alike).
    gapLeft(a, b, height),
    gapLeft(a, upsideDown(b), height),
  );

/** The size of card on which lines are chosen, mm: on others the same ones are cut. */
const CHOSEN_ON = 70;
/** Lines of a kind in the order in which they are chosen, with how far each line still is from those that were. */
const chosen = new Map<Kind, { readonly all: readonly CutLine[]; taken: number[]; gaps: number[] }>();

/** Which of a kind's lines so many cards are cut along: each next is the one that fits those before it worst. */
function chosenLines(kind: Kind, count: number): readonly number[] {
  let found = chosen.get(kind);
  if (!found) {
    const all = candidates(kind, depthOf(CHOSEN_ON, CHOSEN_ON));
    chosen.set(kind, (found = { all, taken: [], gaps: all.map((_, i) => (i === 0 ? Infinity : 0)) }));
  }
  const { all, taken, gaps } = found;
  while (taken.length < count) {
    const next = gaps.reduce((best, g, i) => (g > gaps[best]! ? i : best), 0);
    for (const [i, c] of all.entries()) {
      const gap = wrongGap(all[next]!, c, CHOSEN_ON);
      gaps[i] = taken.length === 0 ? gap : min(gaps[i]!, gap);
    }
    taken.push(next);
  }
  return taken.slice(0, count);
}

let last: { readonly kind: Kind; readonly depth: number; readonly all: readonly CutLine[] } | null = null;

/** A cut for each of so many cards, as unlike as they can be found. Two cards that are cut straight have the same line. */
export function linesOf(kind: Kind, width: number, height: number, count: number): readonly CutLine[] {
  const depth = depthOf(width, height);
  if (last?.kind !== kind || last.depth !== depth) last = { kind, depth, all: candidates(kind, depth) };
  const { all } = last;
  return chosenLines(kind, count).map((i) => all[i]!);
}

/** Their lines, and of all wrong pairs the one that fits best. */
export function halvesOf(kind: Kind, width: number, height: number, count: number): Halves {
  const lines = linesOf(kind, width, height, count);
  let closest: Halves['closest'] = null;
  for (let a = 0; a < count; a++)
    for (let b = a + 1; b < count; b++) {
      const gap = wrongGap(lines[a]!, lines[b]!, height);
      if (!closest || gap < closest.gap) closest = { a, b, gap };
    }
  return { lines, closest };
}

/** The line as points on its card, mm about the card's middle, from the upper edge down. */
export function linePoints(l: CutLine, height: number, kind: Kind): Vec2[] {
  const points = l.map((x, i): Vec2 => [x, -height / 2 + (i * height) / STEPS]);
  if (kind !== 'step') return points;
  // Steps have upright and level sides: where the line jumps, the corner is at the height of the jump.
  return points.flatMap((p, i): Vec2[] => {
    const before = points[i - 1];
    return before && abs(p[0] - before[0]) > 1e-6 ? [[before[0], p[1]], p] : [p];
  });
}

/** Outline of the left (−1) or right (1) half of a card, mm about the card's middle. */
export function halfOutline(l: CutLine, [width, height]: Vec2, side: -1 | 1, kind: Kind): Vec2[] {
  const edge = linePoints(l, height, kind);
  const far = (sign(side) * width) / 2;
  const around: Vec2[] = [...edge, [far, height / 2], [far, -height / 2]];
  return side < 0 ? around : around.reverse();
}
