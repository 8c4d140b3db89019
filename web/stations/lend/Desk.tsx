import { useEffect, useMemo, useRef, useState } from 'react';
import type { Borrower, Copy, Loan } from '../../../contract/lending.ts';
import type { MaterialRow } from '../../../contract/materials.ts';
import type { Place } from '../../../contract/place.ts';
import { addDays } from '../../../core/calendar/days.ts';
import { shortDay } from '../../data/style.ts';
import { missing, standing } from '../../../core/lend/status.ts';
import { api, words } from '../../data/api.ts';
import { useChange, usePlannedNow, useReservations } from '../../data/queries.ts';
import { Button } from '../../parts/Button.tsx';
import { Select } from '../../parts/Select.tsx';
import { ALLERGY_OPTIONS } from '../../parts/WhoFields.tsx';
import { CountField, TextField } from '../../parts/Field.tsx';
import { ChoiceOfMany } from '../../parts/Choice.tsx';
import { DayField } from '../../parts/DayField.tsx';
import { Fold } from '../../parts/Fold.tsx';
import { Form } from '../../parts/Form.tsx';
import { say } from '../../parts/messages.ts';
import { OwnData } from '../../parts/OwnData.tsx';
import { Notice, Panel, Quiet, Seam, Spread, Stack } from '../../parts/Panel.tsx';
import {
  AgainstTheCheck,
  Asked,
  isStopped,
  NO_REASON,
  overrideOf,
  useAnswer,
  type Reason,
} from './Asked.tsx';
import { CountIn } from './CountIn.tsx';
import { NOT_COUNTED, Retire, Waits } from './Waits.tsx';
import { reservedStock, type BenchDesign } from '../../../core/needs/supply.ts';
import { HandOn, Renew, Reserve } from './LoanMore.tsx';
import { FamilyFacts, factWords } from './FamilyFacts.tsx';
import { FamilyPast, KitPast } from './History.tsx';
import { MoreKits } from './MoreKits.tsx';

/** Fetched only when it is opened. */
function Past({ title, children }: { title: string; children: React.ReactNode }) {
  const [open, setOpen] = useState(false);
  return (
    <Fold onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary>{title}</summary>
      {open && children}
    </Fold>
  );
}

/** What can be done with one kit now: lend it, or count it back. */
export function Desk({
  copy,
  borrowers,
  materials,
  bench,
  place,
  onUnfinished,
}: {
  copy: Copy;
  borrowers: readonly Borrower[];
  materials: readonly MaterialRow[];
  /** Every design with its needs: what they hold is no spare. Undefined until it is known. */
  bench: readonly BenchDesign[] | undefined;
  place: Place;
  /** Told whether a count was begun and not saved. */
  onUnfinished(unfinished: boolean): void;
}) {
  const heading = useRef<HTMLHeadingElement>(null);
  // By keyboard alone: what was scanned, or just changed, is where the next Tab goes on from.
  useEffect(() => heading.current?.focus({ preventScroll: true }), []);
  const s = standing(copy, place.today);
  const isWhole = missing(copy.parts).length === 0;
  const spare = useMemo(() => {
    if (!bench) return null;
    const spoken = reservedStock(bench);
    return (id: number | null): number =>
      Math.max(0, (materials.find((m) => m.id === id)?.kept ?? 0) - (spoken.get(id ?? -1) ?? 0));
  }, [bench, materials]);
  return (
    <Panel as="div">
      <Stack $gap={8}>
        <Spread>
          <h2 ref={heading} tabIndex={-1} style={{ outline: 'none' }}>
            {copy.design}
          </h2>
          <Quiet>{copy.label}</Quiet>
        </Spread>
        {copy.openLoan && copy.recalled !== null && (
          <Notice tone="stop">
            <strong>It is called back</strong> while {copy.openLoan.borrower} has it: {copy.recalled}. Ask for
            it now.
          </Notice>
        )}
        {s.standing === 'in' && !isWhole && (
          <Notice tone="care">
            It is not whole. Count it, and fill it or write off what is gone: then it can be lent.
          </Notice>
        )}
        {s.standing === 'in' && isWhole ? (
          <LendOut copy={copy} borrowers={borrowers} place={place} />
        ) : NOT_COUNTED.includes(s.standing) ? (
          <Waits copy={copy} standing={s.standing} />
        ) : (
          <CountIn
            copy={copy}
            materials={materials}
            spare={spare}
            place={place}
            daysLate={s.daysLate}
            onUnfinished={onUnfinished}
          />
        )}
        {((s.standing === 'in' && isWhole) || s.standing === 'to clean' || s.standing === 'resting') && (
          <Fold>
            <summary>Count it without lending</summary>
            <CountIn
              copy={copy}
              materials={materials}
              spare={spare}
              place={place}
              daysLate={0}
              onUnfinished={onUnfinished}
            />
          </Fold>
        )}
        {copy.retiredOn === null && copy.recalled === null && (
          <Past title={copy.openLoan ? 'Renew, hand on or reserve it' : 'Reserve one like it'}>
            <Stack $gap={14}>
              {copy.openLoan && (
                <>
                  <Renew loan={copy.openLoan} place={place} />
                  <Seam />
                  <HandOn copy={copy} borrowers={borrowers} place={place} />
                  <Seam />
                </>
              )}
              <Reserve copy={copy} borrowers={borrowers} />
            </Stack>
          </Past>
        )}
        <Past title={`History of ${copy.label}${copy.openLoan ? ` and of ${copy.openLoan.borrower}` : ''}`}>
          <KitPast copyId={copy.id} />
          {copy.openLoan && (
            <>
              <h3 style={{ fontSize: 15, margin: '10px 0 4px' }}>{copy.openLoan.borrower}</h3>
              <FamilyPast borrowerId={copy.openLoan.borrowerId} />
            </>
          )}
        </Past>
        {!copy.openLoan && copy.retiredOn === null && (
          <Past title="Retire it">
            <Retire copy={copy} />
          </Past>
        )}
      </Stack>
    </Panel>
  );
}

function LendOut({ copy, borrowers, place }: { copy: Copy; borrowers: readonly Borrower[]; place: Place }) {
  const [family, setFamily] = useState<string | null>(null);
  const [newName, setNewName] = useState('');
  const [newGroup, setNewGroup] = useState('');
  const [allergies, setAllergies] = useState<readonly string[]>([]);
  const [youngest, setYoungest] = useState<number | null>(null);
  const { data: reservations } = useReservations();
  const kept = reservations?.find((r) => r.ready === copy.label);
  const { data: plans } = usePlannedNow();
  const planned = plans?.find((p) => p.copyId === copy.id);
  const known = borrowers.find((b) => String(b.id) === family);
  const [due, setDue] = useState(addDays(place.today, place.loanDays));
  const [more, setMore] = useState<readonly Copy[]>([]);
  const [reason, setReason] = useState<Reason>(NO_REASON);
  const { data: answer } = useAnswer(copy.id, known?.id ?? null);
  const lend = useChange(async () => {
    if (family === null) throw new Error('Choose a family.');
    let borrowerId = Number(family);
    if (family === 'new') {
      borrowerId = (
        await api<Borrower>('POST', '/borrowers', {
          name: newName,
          group: newGroup,
          allergies,
          ...(youngest === null ? {} : { youngest }),
        })
      ).id;
      // The family is kept now, whatever becomes of the loan: a second try must not make it again.
      setFamily(String(borrowerId));
    }
    if (more.length > 0) {
      const copyIds = [copy, ...more].map((c) => c.id);
      await api<Loan[]>('POST', '/loans/together', {
        copyIds,
        borrowerId,
        dueOn: due,
        ...overrideOf(answer, reason),
      });
      const name = borrowers.find((b) => b.id === borrowerId)?.name ?? newName;
      say(`${name} has ${[copy, ...more].map((c) => c.label).join(', ')}.`);
      return;
    }
    const loan = await api<Loan>('POST', '/loans', {
      copyId: copy.id,
      borrowerId,
      dueOn: due,
      ...overrideOf(answer, reason),
    });
    if (loan.override) say(`Lent against the check: print its slip from the history of ${copy.label}.`);
  });
  return (
    <Form onSubmit={() => lend.mutate()}>
      <Stack $gap={10}>
        <Quiet>
          {copy.parts
            .map((p) => `${p.present}${p.present === p.due ? '' : ` of ${p.due}`} × ${p.name}`)
            .join(', ')}
          {copy.lastCounted ? ` · counted ${shortDay(copy.lastCounted)}` : ''}
        </Quiet>
        {kept && (
          <Spread>
            <span>
              Kept for <b>{kept.borrower}</b> since {shortDay(kept.madeOn)}
            </span>
            <Button small plain onPress={() => setFamily(String(kept.borrowerId))}>
              Lend it to them
            </Button>
          </Spread>
        )}
        {planned && (
          <Spread>
            <span>
              Planned for <b>{planned.borrower}</b> from {shortDay(planned.day)}
            </span>
            <Button
              small
              plain
              onPress={() => {
                setFamily(String(planned.borrowerId));
                setDue(planned.due);
              }}
            >
              Lend it as planned
            </Button>
          </Spread>
        )}
        <Select
          label="Lend to"
          value={family}
          onChange={setFamily}
          options={[
            ...borrowers.map((b) => ({ value: String(b.id), label: b.name, note: b.group })),
            { value: 'new', label: 'A new family …' },
          ]}
        />
        {family === 'new' && (
          <>
            <TextField
              label="Code name"
              value={newName}
              onChange={setNewName}
              hint="made up, never a real name"
            />
            <TextField label="Group" value={newGroup} onChange={setNewGroup} />
            <CountField label="Youngest at home, months" value={youngest} onChange={setYoungest} />
            <Quiet>Left empty, the check goes by the ages that a kit is made for.</Quiet>
            <ChoiceOfMany
              label="Allergic to"
              value={allergies}
              onChange={setAllergies}
              options={ALLERGY_OPTIONS}
            />
          </>
        )}
        {known && <Known key={known.id} family={known} />}
        {known && (
          <Past title={`What is known of ${known.name}`}>
            <Stack $gap={10}>
              <FamilyPast borrowerId={known.id} />
              <OwnData
                of={known.name}
                href={`/api/borrowers/${known.id}/data`}
                erase={() => api<void>('POST', `/borrowers/${known.id}/erase`, {})}
                onErased={() => {
                  setFamily(null);
                  say(`${known.name} is erased.`);
                }}
              />
            </Stack>
          </Past>
        )}
        <Asked copyId={copy.id} borrowerId={known?.id ?? null} family={known?.name ?? null} />
        {known && <AgainstTheCheck answer={answer} value={reason} onChange={setReason} />}
        <MoreKits copy={copy} value={more} today={place.today} onChange={setMore} />
        <DayField label="Back on" value={due} onChange={setDue} />
        {lend.error && <Notice tone="stop">{words(lend.error)}</Notice>}
        <Button
          type="submit"
          isDisabled={lend.isPending || (known !== undefined && isStopped(answer, reason))}
        >
          {more.length > 0 ? `Lend ${more.length + 1} kits` : 'Lend it'}
        </Button>
      </Stack>
    </Form>
  );
}

/** What is known of a family, and a way to change it. */
function Known({ family }: { family: Borrower }) {
  const [isOpen, setOpen] = useState(false);
  return (
    <Spread>
      <Quiet>{factWords(family)}</Quiet>
      <Button small plain onPress={() => setOpen(true)}>
        Change what is known
      </Button>
      {isOpen && <FamilyFacts family={family} onDone={() => setOpen(false)} />}
    </Spread>
  );
}
