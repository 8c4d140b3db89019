import ICAL from 'ical.js';

// The library counts 75 octets without the blank that a folded line begins with; RFC 5545 counts it.
ICAL.foldLength = 74;

/** A calendar file with no events yet (RFC 5545). */
export function newCalendar(of: string): ICAL.Component {
  const calendar = new ICAL.Component('vcalendar');
  calendar.updatePropertyWithValue('version', '2.0');
  calendar.updatePropertyWithValue('prodid', `-//Fox Button//${of}//EN`);
  return calendar;
}
