import ICAL from 'ical.js';
import MailComposer from 'nodemailer/lib/mail-composer/index.js';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import type { Telling } from '../../contract/telling.ts';
import { addDays, shortDay, type Day } from '../../core/calendar/days.ts';
import { MARGIN, type Paper } from '../../core/print/paper.ts';
import { newCalendar } from './calendar.ts';
import { MM } from './pdf.ts';
import { INK, pdfOf, QUIET, type } from './sheetParts.ts';

/** A page for each family. */
export async function tellingPdf(
  list: readonly Telling[],
  o: { readonly place: string; readonly today: Day; readonly locale: string },
  size: Paper,
): Promise<Uint8Array> {
  const pages = list.map((t, i): Content => ({
    ...(i > 0 ? { pageBreak: 'before' as const } : {}),
    stack: [
      type(o.place, { color: QUIET }),
      type(shortDay(o.today, o.locale), { color: QUIET, margin: [0, 0, 0, 18] }),
      type(t.subject, { bold: true, fontSize: 20, margin: [0, 0, 0, 12] }),
      ...t.words.split('\n\n').map((line) => type(line, { fontSize: 13, margin: [0, 0, 0, 9] })),
    ],
  }));
  const definition: TDocumentDefinitions = {
    pageSize: size === 'A4' ? 'A4' : 'LETTER',
    pageMargins: [MARGIN * MM * 1.6, 60, MARGIN * MM * 1.6, 46],
    defaultStyle: { font: 'face0', fontSize: 11, color: INK, lineHeight: 1.25 },
    info: { title: `${o.place}: messages`, producer: 'Fox Button' },
    content: pages.length > 0 ? pages : [type('There is nobody to tell today.')],
  };
  return pdfOf(definition);
}

/** A message as a mail (RFC 5322) that a mail program opens as one to be sent: whom it goes to is filled in there. */
export const tellingMail = (t: Telling): Promise<Buffer> =>
  new MailComposer({
    subject: t.subject,
    text: t.words,
    headers: { 'X-Unsent': '1', 'Content-Language': t.language },
    messageId: `<family-${t.borrowerId}-${t.items.map((i) => i.label).join('-')}@fox-button>`,
  })
    .compile()
    .build();

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
