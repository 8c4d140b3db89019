import { linearSumAssignment } from 'linear-sum-assignment';
import { likeness, type Kind } from './nearest.ts';
import type { MeasuredThing } from './measure.ts';

/** A part of a kit that may lie on the sheet. */
export interface CountedKind extends Kind {
  /** How many of it the kit has. */
  readonly of: number;
}

interface CountedPart {
  readonly name: string;
  readonly of: number;
  readonly seen: number;
  /** Whether each that was seen is like this part, and like no other. */
  readonly sure: boolean;
  /** Which of the things they are, by place in the list of things. */
  readonly things: readonly number[];
}

export interface PhotoCount {
  readonly parts: readonly CountedPart[];
  /** Things that are none of the kit's parts, by place in the list of things. */
  readonly strangers: readonly number[];
}

/** A thing that is less like a part than this is none of it. */
const LEAST = 0.04;
/** A match is sure from this likeness on, and where no other kind comes within this share of it. */
const SURE = 0.25;
const RIVAL = 0.6;

/**
 * The kit's pieces matched to what lies there so that the likenesses together are the most there can be: each thing is one
 * piece at most, of each part there are as many as the kit has.
 */
export function countThings(things: readonly MeasuredThing[], kinds: readonly CountedKind[]): PhotoCount {
  const like = things.map((t) =>
    kinds.map((k) => likeness({ ...t, isHeightSure: t.heightFrom !== null }, k).score),
  );
  const places = kinds.flatMap((k, i) => Array.from({ length: Math.min(k.of, things.length) }, () => i));
  const matched = new Map<number, number>();
  if (things.length > 0 && places.length > 0) {
    // Worth more than nothing only where it is like; the logarithm lets one good match not pay for a bad one.
    const worth = things.map((_, t) => places.map((k) => Math.max(0, Math.log(like[t]![k]! / LEAST) || 0)));
    const { rowAssignments } = linearSumAssignment(worth, { maximaze: true });
    rowAssignments.forEach((place, t) => {
      if (place >= 0 && place < places.length && worth[t]![place]! > 0) matched.set(t, places[place]!);
    });
  }
  const parts = kinds.map((k, i): CountedPart => {
    const own = [...matched].flatMap(([t, kind]) => (kind === i ? [t] : []));
    return {
      name: k.name,
      of: k.of,
      seen: own.length,
      sure: own.every((t) => {
        const score = like[t]![i]!;
        return score >= SURE && like[t]!.every((other, j) => j === i || other < RIVAL * score);
      }),
      things: own,
    };
  });
  return { parts, strangers: things.flatMap((_, t) => (matched.has(t) ? [] : [t])) };
}
