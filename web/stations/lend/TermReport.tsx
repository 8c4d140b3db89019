import { useState } from 'react';
import type { Place } from '../../../contract/place.ts';
import { addDays } from '../../../core/calendar/days.ts';
import { FileLink } from '../../parts/Button.tsx';
import { DayField } from '../../parts/DayField.tsx';
import { Panel, Quiet, Row, Stack } from '../../parts/Panel.tsx';

/** Twelve weeks, as terms often are. */
const TERM = 84;

/** A term on paper: loans, losses and their cost, what was learned. */
export function TermReport({ place }: { place: Place }) {
  const [from, setFrom] = useState(addDays(place.today, -TERM));
  const [to, setTo] = useState(place.today);
  return (
    <Panel as="section" aria-label="Report of a term">
      <Stack $gap={8}>
        <h2>Report of a term</h2>
        <Quiet>Loans of each kit, what went missing and what it costs, and what children learned.</Quiet>
        <Row style={{ alignItems: 'end' }}>
          <DayField label="From" value={from} onChange={setFrom} />
          <DayField label="To" value={to} onChange={setTo} />
          {from <= to ? (
            <FileLink href={`/api/term.pdf?from=${from}&to=${to}`}>Print the report</FileLink>
          ) : (
            <span role="alert" style={{ color: 'var(--stop)', fontWeight: 600 }}>
              To: expected a day that is not before the first.
            </span>
          )}
        </Row>
      </Stack>
    </Panel>
  );
}
