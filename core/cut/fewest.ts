const EPS = 1e-6;

/** How many steps are tried before what is found so far stands: some milliseconds, since a dial waits for it. */
const MOST_TRIES = 200_000;

/** Items put into bins, and whether no way takes fewer bins. */
export interface Bins {
  /** Places in the list of sizes, bin by bin, largest first. */
  readonly bins: readonly (readonly number[])[];
  readonly isLeast: boolean;
}

/** Each into the fullest that still takes it; the sizes come largest first. */
function fullestFirst(sizes: readonly number[], capacity: number): number[][] {
  const bins: { at: number[]; left: number }[] = [];
  sizes.forEach((size, i) => {
    const into = bins
      .filter((b) => b.left + EPS >= size)
      .reduce<(typeof bins)[number] | null>((a, b) => (a && a.left <= b.left ? a : b), null);
    if (into) {
      into.at.push(i);
      into.left -= size;
    } else bins.push({ at: [i], left: capacity - size });
  });
  return bins.map((b) => b.at);
}

/**
 * Puts sizes into the fewest bins of one capacity: each bin takes the largest that is left and is completed in every way
 * that wastes no more than so many bins allow (bin completion: Korf, A new algorithm for optimal bin packing, 2002; the
 * source from memory). Begins with each into the fullest, and says whether fewer are ruled out.
 *
 * @param sizes largest first, none over the capacity, in the capacity's unit
 */
export function fewestBins(sizes: readonly number[], capacity: number): Bins {
  const sum = sizes.reduce((a, b) => a + b, 0);
  const bound = Math.ceil(sum / capacity - EPS);
  let best = fullestFirst(sizes, capacity);
  let tries = 0;

  /** Fills bin after bin with what is not taken; null when it cannot be done, or the tries are up. */
  const fill = (taken: readonly boolean[], bins: number[][], waste: number): number[][] | null => {
    const first = taken.indexOf(false);
    if (first < 0) return bins;
    const complete = (at: number[], left: number, from: number): number[][] | null => {
      let last = -1;
      let goesOn = false;
      for (let i = from; i < sizes.length; i++) {
        if (++tries > MOST_TRIES) return null;
        // Of several as large the first stands for all.
        if (taken[i] || sizes[i]! > left + EPS || (last >= 0 && sizes[i] === sizes[last])) continue;
        last = i;
        goesOn = true;
        const found = complete([...at, i], left - sizes[i]!, i + 1);
        if (found || tries > MOST_TRIES) return found;
      }
      // Filled up: a bin that could take one more is no better than that.
      if (goesOn || left > waste + EPS) return null;
      return fill(
        taken.map((t, i) => t || at.includes(i)),
        [...bins, at],
        waste - left,
      );
    };
    return complete([first], capacity - sizes[first]!, first + 1);
  };

  while (best.length > bound) {
    const fewer = fill(
      sizes.map(() => false),
      [],
      (best.length - 1) * capacity - sum,
    );
    if (!fewer) return { bins: best, isLeast: tries <= MOST_TRIES };
    best = fewer;
  }
  return { bins: best, isLeast: true };
}
