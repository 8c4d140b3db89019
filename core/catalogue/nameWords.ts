/** Letters alone, without accents, apostrophes or plurals: `Christmas Roses` and `christmas rose` are one. */
export const nameWords = (text: string): string[] =>
  text
    .toLowerCase()
    .normalize('NFD')
    .replace(/[\p{M}’']/gu, '')
    .split(/[^a-z0-9]+/)
    .filter(Boolean)
    .map((w) =>
      w.length > 4 && /ies$/.test(w)
        ? `${w.slice(0, -3)}y`
        : w.length > 4 && /(ch|sh|x|ss)es$/.test(w)
          ? w.slice(0, -2)
          : w.length > 3 && /[^s]s$/.test(w)
            ? w.slice(0, -1)
            : w,
    );

/** Whether two words differ by at most one letter: one wrong, one left out, one too many, or two changed about. */
function near(a: string, b: string): boolean {
  if (a === b) return true;
  if (Math.abs(a.length - b.length) > 1 || Math.min(a.length, b.length) < 5) return false;
  let i = 0;
  while (i < a.length && i < b.length && a[i] === b[i]) i++;
  const rest = (s: string, from: number): string => s.slice(from);
  return (
    rest(a, i + 1) === rest(b, i + 1) ||
    rest(a, i) === rest(b, i + 1) ||
    rest(a, i + 1) === rest(b, i) ||
    (a[i] === b[i + 1] && a[i + 1] === b[i] && rest(a, i + 2) === rest(b, i + 2))
  );
}

const at = (
  words: readonly string[],
  part: readonly string[],
  is: (a: string, b: string) => boolean,
): boolean => words.some((_, i) => part.every((w, k) => words[i + k] !== undefined && is(words[i + k]!, w)));

/**
 * Whether some words stand in others, whole and in their order.
 *
 * @example standsIn(nameWords('Red kidney beans'), nameWords('kidney bean')) // => true
 */
export const standsIn = (words: readonly string[], part: readonly string[]): boolean =>
  at(words, part, (a, b) => a === b);

/** Whether they stand in it with a letter wrong, left out, too many or changed about in any of them. */
export const standsNear = (words: readonly string[], part: readonly string[]): boolean =>
  at(words, part, near);
