/** How many changes are missing, as the beginning of a sentence. */
export const changesWords = (n: number): string =>
  n === 1 ? '1 change is' : `${n.toLocaleString('en')} changes are`;
