import type { Cut } from '../patterns/kernel.ts';
import type { CutTimes } from './blank.ts';
import { fewestBins } from './fewest.ts';

/** A stock length with what is cut from it, in order; mm. */
export interface LaidLength {
  readonly length: number;
  readonly cuts: readonly { readonly cut: Cut; readonly from: number; readonly length: number }[];
  /** What is left at its end, after the last cut's loss. */
  readonly left: number;
}
/** Stock lengths with what is cut from them, and whether no plan takes fewer. */
interface LaidLengths {
  readonly laid: readonly LaidLength[];
  readonly isLeast: boolean;
}

/**
 * Lengths into the fewest stock lengths of one kind. The loss lies between two parts: n parts of h take n·h + (n − 1)·k.
 *
 * @returns null where a part is longer than the stock
 */
export function layLengths(parts: readonly CutTimes[], length: number): LaidLengths | null {
  const cuts = parts
    .flatMap(({ cut, times }) =>
      cut.kind === 'length' ? Array.from({ length: cut.count * times }, () => cut) : [],
    )
    .sort((a, b) => b.length - a.length);
  if (cuts.some((c) => c.length > length + 1e-6)) return null;
  // One loss more than there are cuts: each part has its own, and so has the stock.
  const loss = Math.max(0, ...cuts.map((c) => c.loss));
  const { bins, isLeast } = fewestBins(
    cuts.map((c) => c.length + loss),
    length + loss,
  );
  const laid = bins.map((bin): LaidLength => {
    let end = -loss;
    const placed = bin.map((i) => {
      const cut = cuts[i]!;
      const from = end + loss;
      end = from + cut.length;
      return { cut, from, length: cut.length };
    });
    return { length, cuts: placed, left: Math.max(0, length - end - loss) };
  });
  return { laid, isLeast };
}
