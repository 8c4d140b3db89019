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

/** Whether a language tag (BCP 47) is one that days can be written in. */
export function isLocale(tag: string): boolean {
  try {
    return tag.length <= 35 && Intl.DateTimeFormat.supportedLocalesOf([tag]).length === 1;
  } catch {
    return false;
  }
}
