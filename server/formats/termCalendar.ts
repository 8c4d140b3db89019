import ICAL from 'ical.js';
import type { TermPlanPage } from '../../contract/termPlan.ts';
import { addDays, type Day } from '../../core/calendar/days.ts';
import { newCalendar } from './calendar.ts';

/** A term as a calendar file (RFC 5545): a whole day for each change of hands, with who gets what and what comes back. */
export function termCalendar(page: TermPlanPage, place: string, today: Day): string {
  const calendar = newCalendar('Term plan');
  const loans = page.families.flatMap((f) => f.loans.map((l) => ({ ...l, family: f.name })));
  const days = [...new Set(loans.flatMap((l) => [l.day, l.due]))].sort();
  for (const d of days) {
    const out = loans.filter((l) => l.day === d);
    const back = loans.filter((l) => l.due === d);
    const event = new ICAL.Component('vevent');
    event.updatePropertyWithValue('uid', `term-${page.id}-${d}@fox-button`);
    event.updatePropertyWithValue('dtstamp', ICAL.Time.fromDateTimeString(`${today}T00:00:00Z`));
    event.updatePropertyWithValue('dtstart', ICAL.Time.fromDateString(d));
    event.updatePropertyWithValue('dtend', ICAL.Time.fromDateString(addDays(d, 1)));
    event.updatePropertyWithValue(
      'summary',
      `${place}: ${out.length} out, ${back.length} back (${page.name})`,
    );
    event.updatePropertyWithValue(
      'description',
      [
        ...out.map((l) => `Out: ${l.family}, ${l.kit} (${l.label}), until ${l.due}`),
        ...back.map((l) => `Back: ${l.family}, ${l.kit} (${l.label})`),
      ].join('\n'),
    );
    calendar.addSubcomponent(event);
  }
  return `${calendar.toString()}\r\n`;
}
