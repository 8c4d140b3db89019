import type { Day } from '../../calendar/days.ts';

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];

const made = (year: number, month: number, day: number): Day | null => {
  const y = year < 100 ? 2000 + year : year;
  const date = new Date(Date.UTC(y, month - 1, day));
  const isReal =
    y >= 1900 && y < 2200 && date.getUTCMonth() === month - 1 && date.getUTCDate() === day && month >= 1;
  return isReal ? date.toISOString().slice(0, 10) : null;
};

/**
 * A day as somebody wrote it: `2026-11-05`, `05/11/2026` (the month first where the locale writes it so and it can be one),
 * `5.11.26`, `5 Nov 2026`, `Nov 5, 2026`.
 *
 * @param locale BCP 47: in the United States the month stands first
 * @returns the day; null where none is meant
 * @example dayIn('05/11/2026', 'en-GB') // => '2026-11-05'
 */
export function dayIn(text: string, locale: string): Day | null {
  const t = text.trim().toLowerCase();
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})(?:[t ].*)?$/.exec(t);
  if (iso) return made(Number(iso[1]), Number(iso[2]), Number(iso[3]));
  const figures = /^(\d{1,2})[./-](\d{1,2})[./-](\d{4}|\d{2})$/.exec(t);
  if (figures) {
    const [a, b, y] = figures.slice(1).map(Number) as [number, number, number];
    const monthFirst = /-us$/i.test(locale) && t.includes('/');
    return (monthFirst ? made(y, a, b) : made(y, b, a)) ?? (monthFirst ? made(y, b, a) : made(y, a, b));
  }
  const month = (word: string): number => MONTHS.indexOf(word.slice(0, 3)) + 1;
  const words = /^(\d{1,2})(?:st|nd|rd|th)?[ .-]+([a-z]{3,9})\.?[ .,-]+(\d{4}|\d{2})$/.exec(t);
  if (words) return made(Number(words[3]), month(words[2]!), Number(words[1]));
  const american = /^([a-z]{3,9})\.? (\d{1,2})(?:st|nd|rd|th)?,? (\d{4}|\d{2})$/.exec(t);
  if (american) return made(Number(american[3]), month(american[1]!), Number(american[2]));
  return null;
}
