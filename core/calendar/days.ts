/** Days as `YYYY-MM-DD`, counted without clock or time zone. */
export type Day = string;

const toTime = (day: Day): number =>
  Date.UTC(Number(day.slice(0, 4)), Number(day.slice(5, 7)) - 1, Number(day.slice(8, 10)));

/** The day `n` days later (earlier when negative). */
export const addDays = (day: Day, n: number): Day =>
  new Date(toTime(day) + n * 86_400_000).toISOString().slice(0, 10);

/** Whole days from `a` to `b`; negative when `b` is earlier. */
export const daysBetween = (a: Day, b: Day): number => Math.round((toTime(b) - toTime(a)) / 86_400_000);

/** `1 Dec`, for a label or a tag. */
export function shortDay(day: Day): string {
  const months = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
  return `${Number(day.slice(8, 10))} ${months[Number(day.slice(5, 7)) - 1]}`;
}
