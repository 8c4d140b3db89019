/** Days as `YYYY-MM-DD`, counted without clock or time zone. */
export type Day = string;

const toTime = (day: Day): number =>
  Date.UTC(Number(day.slice(0, 4)), Number(day.slice(5, 7)) - 1, Number(day.slice(8, 10)));

/** The day `n` days later (earlier when negative). */
export const addDays = (day: Day, n: number): Day =>
  new Date(toTime(day) + n * 86_400_000).toISOString().slice(0, 10);

/** Whole days from `a` to `b`; negative when `b` is earlier. */
export const daysBetween = (a: Day, b: Day): number => Math.round((toTime(b) - toTime(a)) / 86_400_000);

const formats = new Map<string, Intl.DateTimeFormat>();

/** `1 Dec` or `Dec 1`, for a label or a tag: in the order of the locale (BCP 47). */
export function shortDay(day: Day, locale = 'en-GB'): string {
  let format = formats.get(locale);
  if (!format) {
    format = new Intl.DateTimeFormat(locale, { day: 'numeric', month: 'short', timeZone: 'UTC' });
    formats.set(locale, format);
  }
  return format.format(toTime(day));
}

const longFormats = new Map<string, Intl.DateTimeFormat>();

/** `1 Dec 2026` or `Dec 1, 2026`, for a paper that is kept: in the order of the locale (BCP 47). */
export function longDay(day: Day, locale = 'en-GB'): string {
  let format = longFormats.get(locale);
  if (!format) {
    format = new Intl.DateTimeFormat(locale, { dateStyle: 'medium', timeZone: 'UTC' });
    longFormats.set(locale, format);
  }
  return format.format(toTime(day));
}

/** Whether a language tag (BCP 47) is one that days can be written in. */
export function isLocale(tag: string): boolean {
  try {
    return tag.length <= 35 && Intl.DateTimeFormat.supportedLocalesOf([tag]).length === 1;
  } catch {
    return false;
  }
}

/** How a time comes back: on its day only, on every day, from Monday to Friday, or on the same day of each week. */
export type Repeats = 'once' | 'daily' | 'weekdays' | 'weekly';

/** 0 for Sunday up to 6. */
const weekday = (day: Day): number => new Date(toTime(day)).getUTCDay();

/** The days on which something is that begins on a day and comes back up to another, both included; the first one always. */
export function repeatedDays(first: Day, repeats: Repeats, until: Day): Day[] {
  if (repeats === 'once') return [first];
  const step = repeats === 'weekly' ? 7 : 1;
  const days = [first];
  for (let n = step; n <= Math.min(daysBetween(first, until), 366); n += step) {
    const day = addDays(first, n);
    if (repeats !== 'weekdays' || (weekday(day) > 0 && weekday(day) < 6)) days.push(day);
  }
  return days;
}
