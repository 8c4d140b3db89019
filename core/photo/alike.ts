import { apart } from './nearest.ts';
import type { MeasuredThing } from './measure.ts';

/** Things in a photo that are alike, by their places in the list. */
export interface Alike {
  readonly things: readonly number[];
  /** Middle of their sizes, mm. */
  readonly long: number;
  readonly short: number;
  readonly height: number | null;
}

/** Sizes of things of one kind differ by up to this share, or this, mm. */
const SHARE = 0.04;
const MM = 1.2;
/** Of things without a kind the colours, too, must be near. */
const COLOUR = 0.5;
/** What is like a kind at least so much is of it. */
const OF_KIND = 0.35;

const middle = (values: readonly number[]): number => values.reduce((sum, v) => sum + v, 0) / values.length;

/** Gathers what is alike: of the same kind, or of the same form, size and about the colour; the most first. */
export function alike(things: readonly MeasuredThing[]): Alike[] {
  const groups: number[][] = [];
  const close = (a: number, b: number): boolean => Math.abs(a - b) <= Math.max(MM, SHARE * Math.max(a, b));
  const kindOf = (t: MeasuredThing): string | null => {
    const [n] = t.nearest;
    return n && n.score >= OF_KIND ? n.name : null;
  };
  things.forEach((t, i) => {
    const home = groups.find(([first]) => {
      const other = things[first!]!;
      const [a, b] = [kindOf(t), kindOf(other)];
      if (a !== b || t.form !== other.form || !close(t.long, other.long) || !close(t.short, other.short))
        return false;
      return a !== null || apart(t.colour, other.colour) < COLOUR;
    });
    if (home) home.push(i);
    else groups.push([i]);
  });
  return groups
    .map((group): Alike => {
      const own = group.map((i) => things[i]!);
      const heights = own.flatMap((t) => (t.height === null ? [] : [t.height]));
      return {
        things: group,
        long: middle(own.map((t) => t.long)),
        short: middle(own.map((t) => t.short)),
        height: heights.length === 0 ? null : middle(heights),
      };
    })
    .sort((a, b) => b.things.length - a.things.length);
}
