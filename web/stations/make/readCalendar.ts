import ICAL from 'ical.js';
import { dayWindow, DAY, type DayWindow } from '../../../core/plan/batch.ts';
import { text } from './text.ts';

/** More events than this are no week at a bench. */
const MOST = 60;

/**
 * Events of a calendar file (RFC 5545) as windows of days, in the hours that stand in it. What lasts over midnight ends
 * there; what lasts all day is no window.
 *
 * @throws Error that says what is wrong with the file
 */
export function readWindows(file: string): DayWindow[] {
  let events: ICAL.Component[];
  try {
    events = new ICAL.Component(ICAL.parse(file) as unknown[]).getAllSubcomponents('vevent');
  } catch {
    throw new Error(text('thisNoCalendarFile'));
  }
  const out = events.flatMap((e): DayWindow[] => {
    const event = new ICAL.Event(e);
    const { startDate: s, endDate: t } = event;
    if (!s || !t || s.isDate) return [];
    const day = `${s.year}-${String(s.month).padStart(2, '0')}-${String(s.day).padStart(2, '0')}`;
    const sameDay = s.year === t.year && s.month === t.month && s.day === t.day;
    const read = dayWindow.safeParse({
      day,
      from: 60 * s.hour + s.minute,
      to: sameDay ? 60 * t.hour + t.minute : DAY,
    });
    return read.success ? [read.data] : [];
  });
  if (out.length === 0) throw new Error(text('noEventTimeStands'));
  if (out.length > MOST) throw new Error(text('eventsStandThisCalendar', { out: out.length, MOST }));
  return out;
}
