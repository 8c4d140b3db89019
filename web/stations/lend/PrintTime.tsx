import { useState } from 'react';
import { addDays } from '../../../core/calendar/days.ts';
import { DayField } from '../../parts/DayField.tsx';
import { FileLink } from '../../parts/FileLink.tsx';
import { Row } from '../../parts/Panel.tsx';
import { text } from './text.ts';

/** Twelve weeks, as terms often are. */
const TERM = 84;

/** A paper about a time: from which day to which, and the paper. */
export function PrintTime({
  today,
  path,
  children,
}: {
  today: string;
  path: string;
  children: React.ReactNode;
}) {
  const [from, setFrom] = useState(addDays(today, -TERM));
  const [to, setTo] = useState(today);
  return (
    <Row style={{ alignItems: 'end' }}>
      <DayField label={text('from4')} value={from} onChange={setFrom} />
      <DayField label={text('to2')} value={to} onChange={setTo} />
      {from <= to ? (
        <FileLink href={`${path}?from=${from}&to=${to}`}>{children}</FileLink>
      ) : (
        <span role="alert" style={{ color: 'var(--stop)', fontWeight: 600 }}>
          {text('expectedDayNotBefore')}
        </span>
      )}
    </Row>
  );
}
