import { addDays, type Day } from '../calendar/days.ts';

/** What was said of an age: a month of birth, `YYYY-MM`, or so many months on a day. */
export interface AgeSaid {
  readonly born?: string | null | undefined;
  readonly age?: number | null | undefined;
  /** ISO date; where it is not known the age stays as it was said, which errs on the careful side. */
  readonly ageOn?: string | null | undefined;
}

const parts = (day: Day): [year: number, month: number, day: number] =>
  day.split('-').map(Number) as [number, number, number];

/**
 * Whole months somebody has lived at least, so that an age grows with the days: by a month of birth as if it was its last
 * day.
 *
 * @param today ISO date
 * @returns months, never under 0; null where nothing was said
 * @example monthsOld({ born: '2025-10' }, '2026-11-30') // => 13
 * @example monthsOld({ born: '2025-10' }, '2026-11-29') // => 12
 * @example monthsOld({ age: 13, ageOn: '2026-09-30' }, '2026-11-30') // => 15
 */
export function monthsOld({ born, age, ageOn }: AgeSaid, today: Day): number | null {
  const [y, m, d] = parts(today);
  if (born) {
    const [by, bm] = parts(`${born}-01`);
    // The last day of this month counts as the whole of it.
    const isLast = addDays(today, 1).slice(8) === '01';
    return Math.max(0, (y - by) * 12 + m - bm - (isLast ? 0 : 1));
  }
  if (age === null || age === undefined) return null;
  if (!ageOn || ageOn > today) return age;
  const [oy, om, od] = parts(ageOn);
  const isLast = addDays(today, 1).slice(8) === '01';
  return age + Math.max(0, (y - oy) * 12 + m - om - (d < od && !isLast ? 1 : 0));
}
