import { text } from './text.ts';
/** How many changes are missing, as the beginning of a sentence. */
export const changesWords = (n: number): string =>
  n === 1 ? text('n1Change') : text('changes', { n: n.toLocaleString('en') });
