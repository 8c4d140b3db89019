/** Minutes of the day out of what somebody types: `13:00`, `13.00`, `1300`, `9`, `1:30 pm`; null where it is no time. */
export function readClock(text: string): number | null {
  const m = /^(\d{1,2})(?:[:.]?(\d{2}))?\s*(am|pm|a\.m\.|p\.m\.)?$/i.exec(text.trim());
  if (!m) return null;
  let hour = Number(m[1]);
  const minute = Number(m[2] ?? 0);
  const half = m[3]?.[0]?.toLowerCase();
  if (half && (hour < 1 || hour > 12)) return null;
  if (half === 'p' && hour < 12) hour += 12;
  if (half === 'a' && hour === 12) hour = 0;
  const all = 60 * hour + minute;
  return minute < 60 && all <= 1440 ? all : null;
}
