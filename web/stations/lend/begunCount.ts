/** Where this browser keeps a count that was begun: a count of a loan is not one between loans. */
const keyOf = (kitId: number, loanId: number | null): string => `fox-button.count.${kitId}.${loanId ?? 'in'}`;

/** A count that was begun here and not finished, in so many numbers; null where there is none. */
export function begunCount(kitId: number, loanId: number | null, numbers: number): number[] | null {
  try {
    const read: unknown = JSON.parse(localStorage.getItem(keyOf(kitId, loanId)) ?? 'null');
    return Array.isArray(read) &&
      read.length === numbers &&
      read.every((n) => Number.isInteger(n) && (n as number) >= 0)
      ? (read as number[])
      : null;
  } catch {
    return null;
  }
}

/** Keeps it through leaving and a reload; null forgets it. Where a browser keeps nothing it lasts as long as the page. */
export function keepCount(kitId: number, loanId: number | null, counted: readonly number[] | null): void {
  try {
    if (counted === null) localStorage.removeItem(keyOf(kitId, loanId));
    else localStorage.setItem(keyOf(kitId, loanId), JSON.stringify(counted));
  } catch {
    // Nothing to be done: the page still holds it.
  }
}
