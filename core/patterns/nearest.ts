import type { z } from 'zod';
import type { AnyDials } from './index.ts';

/** A dial that could not be taken as it was, with what is taken in its place. */
export interface Nearest {
  readonly dial: string;
  readonly was: unknown;
  /** The nearest that can be; where no value is near, what the pattern begins with. */
  readonly is: unknown;
  readonly why: string;
}

/**
 * Dials that a pattern can read, out of some that it may not: what is out of its range becomes the nearest end, what is no
 * number or no choice of it what the pattern begins with, what it does not know is left out.
 *
 * @param usual what the pattern begins with, in its own dials
 * @returns null where even so they cannot be read
 */
export function nearestDials(
  schema: z.ZodType<AnyDials>,
  raw: Readonly<Record<string, unknown>>,
  usual: AnyDials,
): { dials: AnyDials; changed: Nearest[] } | null {
  const dials: Record<string, unknown> = { ...raw };
  const changed: Nearest[] = [];
  const put = (dial: string, is: unknown, why: string): void => {
    changed.push({ dial, was: raw[dial], is, why });
    if (is === undefined) delete dials[dial];
    else dials[dial] = is;
  };
  // Mending one fault may show another: a range that follows from a dial that could not be read.
  for (let round = 0; round < 4; round++) {
    const parsed = schema.safeParse(dials);
    if (parsed.success) return { dials: parsed.data, changed };
    const mended = new Set<string>();
    for (const issue of parsed.error.issues) {
      if (issue.code === 'unrecognized_keys') {
        for (const k of issue.keys) put(k, undefined, 'is no dial of this pattern');
        continue;
      }
      const dial = String(issue.path[0] ?? '');
      if (dial === '' || mended.has(dial)) continue;
      mended.add(dial);
      const isWhole = issue.path.length === 1 && typeof dials[dial] === 'number';
      const near =
        isWhole && issue.code === 'too_big'
          ? Number(issue.maximum)
          : isWhole && issue.code === 'too_small'
            ? Number(issue.minimum)
            : isWhole && issue.message.includes('whole')
              ? Math.round(dials[dial] as number)
              : usual[dial];
      put(dial, near, issue.message);
    }
    if (mended.size === 0 && changed.length === 0) return null;
  }
  return null;
}
