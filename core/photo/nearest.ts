import type { FormName } from './forms.ts';

/** How a kind may lie on the sheet: the sides of its plan, longest first, and its height, mm. */
export interface Pose {
  readonly long: number;
  readonly short: number;
  readonly height: number;
  readonly forms: readonly FormName[];
}

/** Something that may lie there: a material, or a piece of a kit. */
export interface Kind {
  /** Its number on the shelf; null for one of the catalogue, or of a kit. */
  readonly material: number | null;
  readonly catalogue: string | null;
  readonly name: string;
  readonly poses: readonly Pose[];
  /** #rrggbb; null where it has no colour of its own. */
  readonly colour: string | null;
}

export interface Nearest {
  readonly material: number | null;
  readonly catalogue: string | null;
  readonly name: string;
  /** From 1 for the same size, form and colour down to 0. */
  readonly score: number;
  /** Height of the pose that it is like, mm. */
  readonly height: number;
}

/** What is like a thing less than this is not named. */
const LEAST_SCORE = 0.05;
const MOST_NEAREST = 4;
/** A kind that is as like as this gives its height. */
const AS_HIGH = 0.35;
export const isAsHigh = (n: Nearest): boolean => n.score >= AS_HIGH;

/** Household things of one kind differ by this share of their size, and by this, mm. */
const VARIES = 0.025;
const VARIES_MM = 0.6;
const HEIGHT_VARIES = 2.5;
/** Up to this height a thing is flat enough to be compared though its height is not known, mm. */
const FLAT = 12;
/** A form that is another counts this much of one that is the same. */
const OTHER_FORM = 0.35;
/** Colours this far apart halve a likeness: a thing of one kind comes in several, the light is never quite known. */
const COLOUR_HALVES = 0.35;

const channels = (hex: string): number[] => [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16) / 255);
/** From 0 for the same colour to about 1.7. */
export const apart = (a: string, b: string): number => {
  const [p, q] = [channels(a), channels(b)];
  return Math.hypot(...p.map((v, i) => v - q[i]!));
};

interface Seen {
  readonly long: number;
  readonly short: number;
  readonly height: number | null;
  readonly isHeightSure: boolean;
  readonly form: FormName;
  readonly colour: string;
}

const closeness = (difference: number, spread: number): number => Math.exp(-0.5 * (difference / spread) ** 2);

/** How like a thing is to a kind in one of its poses, 0 to 1. */
export function likeness(seen: Seen, kind: Kind): { readonly score: number; readonly height: number } {
  let best = { score: 0, height: 0 };
  for (const pose of kind.poses) {
    // What has no form of its own and stands high cannot be compared by a size that was measured as if it were flat.
    if (seen.height === null && pose.height > FLAT) continue;
    const unknown = seen.height === null ? pose.height * 0.1 : 0;
    const spread = (size: number): number => Math.hypot(VARIES_MM + VARIES * size, unknown);
    const size =
      closeness(seen.long - pose.long, spread(pose.long)) *
      closeness(seen.short - pose.short, spread(pose.short));
    const height =
      seen.height === null
        ? 0.8
        : closeness(
            seen.height - pose.height,
            HEIGHT_VARIES * (seen.isHeightSure ? 1 : 2) + 0.08 * pose.height,
          );
    const form = pose.forms.includes(seen.form) ? 1 : OTHER_FORM;
    const colour =
      kind.colour === null ? 0.8 : 1 / (1 + (apart(seen.colour, kind.colour) / COLOUR_HALVES) ** 2);
    const score = size * height * form * (0.4 + 0.6 * colour);
    if (score > best.score) best = { score, height: pose.height };
  }
  return best;
}

/** The kinds that a thing is most like, the likest first. */
export function nearestKinds(seen: Seen, kinds: readonly Kind[]): Nearest[] {
  return kinds
    .map((k) => ({ ...likeness(seen, k), k }))
    .filter((n) => n.score >= LEAST_SCORE)
    .sort((a, b) => b.score - a.score)
    .slice(0, MOST_NEAREST)
    .map(({ score, height, k }) => ({
      material: k.material,
      catalogue: k.catalogue,
      name: k.name,
      score: Math.round(score * 100) / 100,
      height,
    }));
}
