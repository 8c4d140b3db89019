import { useState } from 'react';
import type { Place } from '../../../contract/place.ts';
import { addDays } from '../../../core/calendar/days.ts';
import { FileLink } from '../../parts/FileLink.tsx';
import { DayField } from '../../parts/DayField.tsx';
import { Panel, Quiet, Row, Stack } from '../../parts/Panel.tsx';
import { text } from './text.ts';

/** Twelve weeks, as terms often are. */
const TERM = 84;

/** A term on paper: loans, losses and their cost, what was learned. */
export function TermReport({ place }: { place: Place }) {
  const [from, setFrom] = useState(addDays(place.today, -TERM));
  const [to, setTo] = useState(place.today);
  return (
    <Panel as="section" aria-label={text('reportTerm')}>
      <Stack $gap={8}>
        <h2>{text('reportTerm')}</h2>
        <Quiet>{text('loansEachKitWhat')}</Quiet>
        <Row style={{ alignItems: 'end' }}>
          <DayField label={text('from4')} value={from} onChange={setFrom} />
          <DayField label={text('to2')} value={to} onChange={setTo} />
          {from <= to ? (
            <FileLink href={`/api/term.pdf?from=${from}&to=${to}`}>{text('printReport')}</FileLink>
          ) : (
            <span role="alert" style={{ color: 'var(--stop)', fontWeight: 600 }}>
              {text('expectedDayNotBefore')}
            </span>
          )}
        </Row>
      </Stack>
    </Panel>
  );
}
