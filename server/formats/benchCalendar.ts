import ICAL from 'ical.js';
import type { BatchWork } from '../../contract/batches.ts';
import type { BenchPlan } from '../../core/plan/benchPlan.ts';
import type { Day } from '../../core/calendar/days.ts';
import { dayOf } from '../../core/plan/batch.ts';
import { newCalendar } from './calendar.ts';

/** A time of day where the place is, whatever the zone of who reads it: a floating time (RFC 5545, 3.3.5). */
function floating(zero: Day, minutes: number): ICAL.Time {
  const { day, minute } = dayOf(zero, minutes);
  const [year, month, date] = day.split('-').map(Number) as [number, number, number];
  const seconds = Math.round(minute * 60);
  return new ICAL.Time(
    {
      year,
      month,
      day: date,
      hour: Math.floor(seconds / 3600),
      minute: Math.floor(seconds / 60) % 60,
      second: seconds % 60,
      isDate: false,
    },
    ICAL.Timezone.localTimezone,
  );
}

/** A bench plan as a calendar file: an event for each step of somebody’s hands. */
export function benchCalendar(batch: BatchWork, plan: BenchPlan, today: Day): string {
  const calendar = newCalendar('Bench plan');
  for (const p of plan.plan) {
    const task = batch.tasks.find((t) => t.id === p.task);
    if (!task || p.maker === null) continue;
    const event = new ICAL.Component('vevent');
    event.updatePropertyWithValue('uid', `batch-${batch.id}-${encodeURIComponent(p.task)}@fox-button`);
    event.updatePropertyWithValue('dtstamp', ICAL.Time.fromDateTimeString(`${today}T00:00:00Z`));
    event.updatePropertyWithValue('dtstart', floating(plan.zero!, p.start));
    event.updatePropertyWithValue('dtend', floating(plan.zero!, p.end));
    event.updatePropertyWithValue(
      'summary',
      `${p.maker}: ${task.title}${task.part ? ` (${task.part[0]} of ${task.part[1]})` : ''}, ${task.design}`,
    );
    event.updatePropertyWithValue(
      'description',
      [task.blade ? 'Children away: blade or heat.' : '', task.words].filter(Boolean).join(' '),
    );
    calendar.addSubcomponent(event);
  }
  return `${calendar.toString()}\r\n`;
}
