import type { LeftOut, Suggested, Suggestion, Wish } from './suggestion.ts';

interface Offered {
  /** Where the skill stands among those that the pattern is for: 0 for the one it practises most. */
  readonly rank: number;
  readonly kits: number;
}

/** What practises the skill most comes first; of equals what the stock makes most kits of. */
const bestFirst = (a: Offered, b: Offered): number => a.rank - b.rank || b.kits - a.kits;

/** What of it is quiet enough and soon enough made, best first; the rest with why. Worked out at once: nothing is tried anew. */
export function within(
  { suggestions, left }: Suggested,
  { quiet, minutes }: Pick<Wish, 'quiet' | 'minutes'>,
): { suggestions: Suggestion[]; left: LeftOut[] } {
  const why = (s: Suggestion): string | null =>
    quiet && !s.quiet
      ? 'it makes a noise'
      : minutes !== null && s.minutes > minutes
        ? `one kit takes ${Math.ceil(s.minutes)} minutes`
        : null;
  const kept = suggestions.filter((s) => why(s) === null);
  const out = suggestions.filter((s) => why(s) !== null && !kept.some((k) => k.pattern === s.pattern));
  const reasons = new Map(out.map((s) => [s.name, why(s)!]));
  return {
    suggestions: [...kept].sort(bestFirst),
    left: [...left, ...[...reasons].map(([name, reason]) => ({ name, why: reason }))],
  };
}
