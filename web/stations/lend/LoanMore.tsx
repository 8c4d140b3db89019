import { useState } from 'react';
import { styled } from 'styled-components';
import type { Borrower, Kit, Loan, Reservation } from '../../../contract/lending.ts';
import type { Place } from '../../../contract/place.ts';
import { addDays } from '../../../core/calendar/days.ts';
import { api, words } from '../../data/api.ts';
import { useChange, useReservations } from '../../data/queries.ts';
import { shortDay } from '../../data/style.ts';
import { Button } from '../../parts/Button.tsx';
import { ChoiceOfMany } from '../../parts/Choice.tsx';
import { DayField } from '../../parts/DayField.tsx';
import { Form } from '../../parts/Form.tsx';
import { Notice, Panel, Quiet, Row, Spread, Stack } from '../../parts/Panel.tsx';
import { Select } from '../../parts/Select.tsx';
import {
  AgainstTheCheck,
  Asked,
  isStopped,
  NO_REASON,
  overrideOf,
  useAnswer,
  type Reason,
} from './Asked.tsx';
import { text } from './text.ts';

const FormHead = styled.h3`
  font-size: 15px;
`;

const families = (borrowers: readonly Borrower[], but?: number) =>
  borrowers.filter((b) => b.id !== but).map((b) => ({ value: String(b.id), label: b.name, note: b.group }));

/** A longer loan, from the day it is due. */
export function Renew({ loan, place }: { loan: NonNullable<Kit['openLoan']>; place: Place }) {
  const later = loan.dueOn > place.today ? loan.dueOn : place.today;
  const [due, setDue] = useState(addDays(later, place.loanDays));
  const renew = useChange(
    () => api<Loan>('POST', `/loans/${loan.id}/renew`, { dueOn: due }),
    (l) => text('until', { borrower: loan.borrower, dueOn: shortDay(l.dueOn) }),
  );
  return (
    <Form onSubmit={() => renew.mutate(undefined)}>
      <Stack $gap={8}>
        <FormHead>{text('renew')}</FormHead>
        <DayField label={text('backOn')} value={due} onChange={setDue} />
        {renew.error && <Notice tone="stop">{words(renew.error)}</Notice>}
        <div>
          <Button small type="submit" isDisabled={renew.isPending}>
            {text('renew')}
          </Button>
        </div>
      </Stack>
    </Form>
  );
}

const ASKED = [
  { value: 'counted', label: text('countedAllThere') },
  { value: 'cleaned', label: text('cleanedHereNow') },
];

/** From one family straight to the next; where something is missing or cannot be cleaned now, it is taken back instead. */
export function HandOn({
  kit,
  borrowers,
  place,
}: {
  kit: Kit;
  borrowers: readonly Borrower[];
  place: Place;
}) {
  const loan = kit.openLoan!;
  const [family, setFamily] = useState<string | null>(null);
  const [due, setDue] = useState(addDays(place.today, place.loanDays));
  const [done, setDone] = useState<readonly string[]>([]);
  const [reason, setReason] = useState<Reason>(NO_REASON);
  const to = family === null ? null : Number(family);
  const { data: answer, isPending: isAsking } = useAnswer(kit.id, to);
  const hand = useChange(() =>
    api<Loan>('POST', `/loans/${loan.id}/hand-on`, {
      present: kit.parts.map((p) => p.due),
      then: 'shelve',
      borrowerId: Number(family),
      dueOn: due,
      ...overrideOf(answer, reason),
      cleaned: true,
    }),
  );
  return (
    <Form onSubmit={() => hand.mutate()}>
      <Stack $gap={8}>
        <FormHead>{text('handOn')}</FormHead>
        <Select
          label={text('family')}
          value={family}
          onChange={setFamily}
          options={families(borrowers, loan.borrowerId)}
        />
        {to !== null && (
          <>
            <Asked kitId={kit.id} borrowerId={to} family={borrowers.find((b) => b.id === to)?.name ?? null} />
            <AgainstTheCheck answer={answer} value={reason} onChange={setReason} />
          </>
        )}
        <DayField label={text('backOn')} value={due} onChange={setDue} />
        <ChoiceOfMany label={text('beforeGoesOn')} value={done} onChange={setDone} options={ASKED} />
        <Quiet>{text('somethingMissingCountAbove')}</Quiet>
        {hand.error && <Notice tone="stop">{words(hand.error)}</Notice>}
        <div>
          <Button
            small
            type="submit"
            isDisabled={
              hand.isPending ||
              family === null ||
              done.length < ASKED.length ||
              isAsking ||
              isStopped(answer, reason)
            }
          >
            {text('handOn')}
          </Button>
        </div>
      </Stack>
    </Form>
  );
}

/** The next kit of its kind that is in is kept for a family. */
export function Reserve({ kit, borrowers }: { kit: Kit; borrowers: readonly Borrower[] }) {
  const [family, setFamily] = useState<string | null>(null);
  const keep = useChange(
    () => api<Reservation>('POST', '/reservations', { kitId: kit.id, borrowerId: Number(family) }),
    (r) =>
      r.ready
        ? text('kept', { kit: r.kit, borrower: r.borrower, ready: r.ready })
        : text('nextComesKept', { kit: r.kit, borrower: r.borrower }),
  );
  return (
    <Form onSubmit={() => keep.mutate(undefined, { onSuccess: () => setFamily(null) })}>
      <Stack $gap={8}>
        <FormHead>{text('reserveLike')}</FormHead>
        <Select
          label={text('family2')}
          value={family}
          onChange={setFamily}
          options={families(borrowers, kit.openLoan?.borrowerId)}
        />
        {family !== null && (
          <Asked
            kitId={kit.id}
            borrowerId={Number(family)}
            family={borrowers.find((b) => String(b.id) === family)?.name ?? null}
          />
        )}
        {keep.error && <Notice tone="stop">{words(keep.error)}</Notice>}
        <div>
          <Button small type="submit" isDisabled={keep.isPending || family === null}>
            {text('reserve')}
          </Button>
        </div>
      </Stack>
    </Form>
  );
}

/** What is kept for whom; one that is in opens at a touch. */
export function Reserved({ onChoose }: { onChoose(label: string): void }) {
  const { data: list } = useReservations();
  const drop = useChange((id: number) => api<void>('DELETE', `/reservations/${id}`));
  if (!list || list.length === 0) return null;
  return (
    <Panel as="div">
      <Stack $gap={8}>
        <Spread>
          <h2>{text('reserved')}</h2>
          <Quiet>{text('ready', { list: list.filter((r) => r.ready).length })}</Quiet>
        </Spread>
        <ul aria-label={text('reserved')}>
          {list.map((r) => (
            <li key={r.id} style={{ padding: '4px 0' }}>
              <Spread>
                <span>
                  <b>{r.borrower}</b>: {r.kit}
                  <br />
                  <Quiet>
                    {r.ready
                      ? text('isIn', { ready: r.ready })
                      : text('sinceN', { madeOn: shortDay(r.madeOn) })}
                  </Quiet>
                </span>
                <Row>
                  {r.ready && (
                    <Button small onPress={() => onChoose(r.ready!)}>
                      {text('lend')}
                    </Button>
                  )}
                  <Button small plain isDisabled={drop.isPending} onPress={() => drop.mutate(r.id)}>
                    {text('drop')}
                  </Button>
                </Row>
              </Spread>
            </li>
          ))}
        </ul>
        {drop.error && <Notice tone="stop">{words(drop.error)}</Notice>}
      </Stack>
    </Panel>
  );
}
