import { addDays, daysBetween, type Day } from '../../core/calendar/days.ts';

/** Daily copies that stay: of the last seven days each, then one of each week for five weeks, then one of each month for a year. */
const DAYS = 7;
const WEEKS = 5;
const MONTHS = 12;

/** Which daily copies go, by their days: all that the rule does not keep. The newest of a week or a month is kept. */
export function daysToDrop(days: readonly Day[], today: Day): Day[] {
  const kept = new Set<Day>();
  const spans = new Set<string>();
  for (const day of [...days].sort().reverse()) {
    const age = daysBetween(day, today);
    if (age < DAYS) {
      kept.add(day);
      continue;
    }
    const week = `week ${Math.floor(daysBetween('1970-01-05', day) / 7)}`;
    const month = `month ${day.slice(0, 7)}`;
    const span = age < DAYS + 7 * WEEKS ? week : day >= addDays(today, -31 * MONTHS) ? month : null;
    if (span === null || spans.has(span)) continue;
    spans.add(span);
    kept.add(day);
  }
  return days.filter((d) => !kept.has(d));
}

/** The last day on which the rule keeps a daily copy, where every day from now on has one too. */
export function keptUntil(day: Day, days: readonly Day[], today: Day): Day {
  const all = [...new Set([...days, today])];
  let last = today;
  for (let n = 1; n <= 31 * (MONTHS + 1); n++) {
    const next = addDays(today, n);
    all.push(next);
    if (daysToDrop(all, next).includes(day)) return last;
    last = next;
  }
  return last;
}
