import { useEffect, useMemo, useRef, useState } from 'react';
import type { Borrower, Kit, Loan } from '../../../contract/lending.ts';
import type { MaterialRow } from '../../../contract/materials.ts';
import type { Place } from '../../../contract/place.ts';
import { addDays } from '../../../core/calendar/days.ts';
import { shortDay } from '../../data/style.ts';
import { missing, standing } from '../../../core/lend/status.ts';
import { api, doneIdOf, words } from '../../data/api.ts';
import { useChange, usePlannedNow, useReservations } from '../../data/queries.ts';
import { Button } from '../../parts/Button.tsx';
import { Select } from '../../parts/Select.tsx';
import { ALLERGY_OPTIONS } from '../../parts/WhoFields.tsx';
import { TextField } from '../../parts/Field.tsx';
import { CountField } from '../../parts/TypedField.tsx';
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
import type { OnDone } from './JustDone.tsx';
import { NOT_COUNTED, Retire, Waits } from './Waits.tsx';
import { reservedStock, type BenchDesign } from '../../../core/needs/supply.ts';
import { HandOn, Renew, Reserve } from './LoanMore.tsx';
import { FamilyFacts, factWords } from './FamilyFacts.tsx';
import { FamilyPast, KitPast } from './History.tsx';
import { MoreKits } from './MoreKits.tsx';
import { text } from './text.ts';

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
  kit,
  borrowers,
  materials,
  bench,
  place,
  onUnfinished,
  onDone,
}: {
  kit: Kit;
  borrowers: readonly Borrower[];
  materials: readonly MaterialRow[];
  /** Every design with its needs: what they hold is no spare. Undefined until it is known. */
  bench: readonly BenchDesign[] | undefined;
  place: Place;
  /** Told whether a count was begun and not saved. */
  onUnfinished(unfinished: boolean): void;
  /** Told what was lent or counted: it stands where the buttons were. */
  onDone: OnDone;
}) {
  const heading = useRef<HTMLHeadingElement>(null);
  // By keyboard alone: what was scanned, or just changed, is where the next Tab goes on from.
  useEffect(() => heading.current?.focus({ preventScroll: true }), []);
  const s = standing(kit, place.today);
  const isWhole = missing(kit.parts).length === 0;
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
            {kit.design}
          </h2>
          <Quiet>{kit.label}</Quiet>
        </Spread>
        {kit.openLoan && kit.recalled !== null && (
          <Notice tone="stop">
            <strong>{text('calledBack2')}</strong>{' '}
            {text('whileAskNow', { borrower: kit.openLoan.borrower, recalled: kit.recalled })}
          </Notice>
        )}
        {s.standing === 'in' && !isWhole && <Notice tone="care">{text('notWholeCountFill')}</Notice>}
        {s.standing === 'in' && isWhole ? (
          <LendOut kit={kit} borrowers={borrowers} place={place} onDone={onDone} />
        ) : NOT_COUNTED.includes(s.standing) ? (
          <Waits kit={kit} standing={s.standing} />
        ) : (
          <CountIn
            kit={kit}
            materials={materials}
            spare={spare}
            place={place}
            daysLate={s.daysLate}
            onUnfinished={onUnfinished}
            onDone={onDone}
          />
        )}
        {((s.standing === 'in' && isWhole) || s.standing === 'to clean' || s.standing === 'resting') && (
          <Fold>
            <summary>{text('countWithoutLending')}</summary>
            <CountIn
              kit={kit}
              materials={materials}
              spare={spare}
              place={place}
              daysLate={0}
              onUnfinished={onUnfinished}
              onDone={onDone}
            />
          </Fold>
        )}
        {kit.retiredOn === null && kit.recalled === null && (
          <Past title={kit.openLoan ? text('renewHandOnOr') : text('reserveLike')}>
            <Stack $gap={14}>
              {kit.openLoan && (
                <>
                  <Renew loan={kit.openLoan} place={place} />
                  <Seam />
                  <HandOn kit={kit} borrowers={borrowers} place={place} />
                  <Seam />
                </>
              )}
              <Reserve kit={kit} borrowers={borrowers} />
            </Stack>
          </Past>
        )}
        <Past
          title={
            kit.openLoan
              ? text('history', { kit: kit.label, borrower: kit.openLoan.borrower })
              : text('history2', { kit: kit.label })
          }
        >
          <KitPast kitId={kit.id} />
          {kit.openLoan && (
            <>
              <h3 style={{ fontSize: 15, margin: '10px 0 4px' }}>{kit.openLoan.borrower}</h3>
              <FamilyPast borrowerId={kit.openLoan.borrowerId} />
            </>
          )}
        </Past>
        {!kit.openLoan && kit.retiredOn === null && (
          <Past title={text('retire2')}>
            <Retire kit={kit} />
          </Past>
        )}
      </Stack>
    </Panel>
  );
}

function LendOut({
  kit,
  borrowers,
  place,
  onDone,
}: {
  kit: Kit;
  borrowers: readonly Borrower[];
  place: Place;
  onDone: OnDone;
}) {
  const [family, setFamily] = useState<string | null>(null);
  const [newName, setNewName] = useState('');
  const [newGroup, setNewGroup] = useState('');
  const [allergies, setAllergies] = useState<readonly string[]>([]);
  const [youngest, setYoungest] = useState<number | null>(null);
  const { data: reservations } = useReservations();
  const kept = reservations?.find((r) => r.ready === kit.label);
  const { data: plans } = usePlannedNow();
  const planned = plans?.find((p) => p.kitId === kit.id);
  const known = borrowers.find((b) => String(b.id) === family);
  const [due, setDue] = useState(addDays(place.today, place.loanDays));
  const [more, setMore] = useState<readonly Kit[]>([]);
  const [reason, setReason] = useState<Reason>(NO_REASON);
  const { data: answer, isPending: isAsking } = useAnswer(kit.id, known?.id ?? null);
  const lend = useChange(async () => {
    if (family === null) throw new Error(text('chooseFamily'));
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
    const kits = [kit, ...more];
    const body = { borrowerId, dueOn: due, ...overrideOf(answer, reason) };
    const answered =
      more.length > 0
        ? await api<Loan[]>('POST', '/loans/together', { kitIds: kits.map((c) => c.id), ...body })
        : await api<Loan>('POST', '/loans', { kitId: kit.id, ...body });
    const loans = Array.isArray(answered) ? answered : [answered];
    const name = borrowers.find((b) => b.id === borrowerId)?.name ?? newName;
    const said = text('has', { name, kit: kits.map((c) => c.label).join(', '), day: shortDay(due) });
    onDone({
      words: loans.some((l) => l.override) ? `${said} ${text('lentAgainstCheckPrint')}` : said,
      id: doneIdOf(answered),
      loans: loans.map((l) => ({ id: l.id, label: kits.find((k) => k.id === l.kitId)?.label ?? '' })),
    });
  });
  const asPlanned = useChange(async () => {
    try {
      const body = { kitId: kit.id, borrowerId: planned!.borrowerId, dueOn: planned!.due };
      const loan = await api<Loan>('POST', '/loans', body);
      onDone({
        words: text('has', { name: planned!.borrower, kit: kit.label, day: shortDay(planned!.due) }),
        id: doneIdOf(loan),
        loans: [{ id: loan.id, label: kit.label }],
      });
    } catch (error) {
      // What stands against it is shown where it can be answered, with the family and the day as planned.
      setFamily(String(planned!.borrowerId));
      setDue(planned!.due);
      throw error;
    }
  });
  return (
    <Form onSubmit={() => lend.mutate()}>
      <Stack $gap={10}>
        <Quiet>
          {kit.parts
            .map((p) => `${p.present}${p.present === p.due ? '' : text('of3', { due: p.due })} × ${p.name}`)
            .join(', ')}
          {kit.lastCounted ? text('counted', { lastCounted: shortDay(kit.lastCounted) }) : ''}
        </Quiet>
        {kept && (
          <Spread>
            <span>
              {text('kept2')} <b>{kept.borrower}</b> {text('since', { madeOn: shortDay(kept.madeOn) })}
            </span>
            <Button small plain onPress={() => setFamily(String(kept.borrowerId))}>
              {text('lendThem')}
            </Button>
          </Spread>
        )}
        {planned && (
          <Spread>
            <span>
              {text('planned')} <b>{planned.borrower}</b> {text('from', { day: shortDay(planned.day) })}
            </span>
            <Button
              small
              isDisabled={lend.isPending || asPlanned.isPending}
              onPress={() => asPlanned.mutate(undefined)}
            >
              {text('lendAsPlanned')}
            </Button>
          </Spread>
        )}
        <Select
          label={text('lend2')}
          value={family}
          onChange={setFamily}
          options={[
            ...borrowers.map((b) => ({ value: String(b.id), label: b.name, note: b.group })),
            { value: 'new', label: text('newFamily') },
          ]}
        />
        {family === 'new' && (
          <>
            <TextField
              label={text('codeName')}
              value={newName}
              onChange={setNewName}
              hint={text('madeUpNeverReal')}
            />
            <TextField label={text('group')} value={newGroup} onChange={setNewGroup} />
            <CountField label={text('youngestHomeMonths2')} value={youngest} onChange={setYoungest} />
            <Quiet>{text('leftEmptyCheckGoes')}</Quiet>
            <ChoiceOfMany
              label={text('allergic2')}
              value={allergies}
              onChange={setAllergies}
              options={ALLERGY_OPTIONS}
            />
          </>
        )}
        {known && <Known key={known.id} family={known} />}
        {known && (
          <Past title={text('whatKnown', { known: known.name })}>
            <Stack $gap={10}>
              <FamilyPast borrowerId={known.id} />
              <OwnData
                of={known.name}
                href={`/api/borrowers/${known.id}/data`}
                erase={() => api<void>('POST', `/borrowers/${known.id}/erase`, {})}
                onErased={() => {
                  setFamily(null);
                  say(text('erased', { known: known.name }));
                }}
              />
            </Stack>
          </Past>
        )}
        <Asked kitId={kit.id} borrowerId={known?.id ?? null} family={known?.name ?? null} />
        {known && <AgainstTheCheck answer={answer} value={reason} onChange={setReason} />}
        <MoreKits kit={kit} value={more} today={place.today} onChange={setMore} />
        <DayField label={text('backOn')} value={due} onChange={setDue} />
        {(lend.error ?? asPlanned.error) && (
          <Notice tone="stop">{words(lend.error ?? asPlanned.error)}</Notice>
        )}
        {/* Not before the check has answered: its answer comes in above, and would move the button from under the finger. */}
        <Button
          type="submit"
          isDisabled={lend.isPending || (known !== undefined && (isAsking || isStopped(answer, reason)))}
        >
          {more.length > 0 ? text('lendKits', { more: more.length + 1 }) : text('lend3')}
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
        {text('changeWhatKnown')}
      </Button>
      {isOpen && <FamilyFacts family={family} onDone={() => setOpen(false)} />}
    </Spread>
  );
}
