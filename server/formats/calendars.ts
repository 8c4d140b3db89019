import ICAL from 'ical.js';
import { addDays, type Day } from '../../core/calendar/days.ts';
import { newCalendar } from './calendar.ts';

/** When a family’s kits are due, as whole days (RFC 5545), reminded of the day before. */
export function dueCalendar(
  loans: readonly {
    readonly id: number;
    readonly label: string;
    readonly kit: string;
    readonly dueOn: Day;
  }[],
  place: string,
  today: Day,
): string {
  const calendar = newCalendar('Due days');
  for (const l of loans) {
    const event = new ICAL.Component('vevent');
    event.updatePropertyWithValue('uid', `loan-${l.id}@fox-button`);
    event.updatePropertyWithValue('dtstamp', ICAL.Time.fromDateTimeString(`${today}T00:00:00Z`));
    event.updatePropertyWithValue('dtstart', ICAL.Time.fromDateString(l.dueOn));
    event.updatePropertyWithValue('dtend', ICAL.Time.fromDateString(addDays(l.dueOn, 1)));
    event.updatePropertyWithValue('summary', `${place}: ${l.kit} (${l.label}) is due back`);
    const alarm = new ICAL.Component('valarm');
    alarm.updatePropertyWithValue('action', 'DISPLAY');
    alarm.updatePropertyWithValue('description', `${l.kit} is due back tomorrow`);
    alarm.updatePropertyWithValue('trigger', ICAL.Duration.fromString('-P1D'));
    event.addSubcomponent(alarm);
    calendar.addSubcomponent(event);
  }
  return `${calendar.toString()}\r\n`;
}
