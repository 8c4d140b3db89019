import { useState } from 'react';
import type { Borrower } from '../../../contract/lending.ts';
import type { Place } from '../../../contract/place.ts';
import type { TermPlanInput, TermPlanPage, TermPlanUpdate } from '../../../contract/termPlan.ts';
import { addDays } from '../../../core/calendar/days.ts';
import { api, words } from '../../data/api.ts';
import { useChange } from '../../data/queries.ts';
import { shortDay } from '../../data/style.ts';
import { Choice, ChoiceOfMany } from '../../parts/Choice.tsx';
import { DayField } from '../../parts/DayField.tsx';
import { Dialog } from '../../parts/Dialog.tsx';
import { DialogEnd } from '../../parts/DialogEnd.tsx';
import { Stepper, TextField } from '../../parts/Field.tsx';
import { Fold } from '../../parts/Fold.tsx';
import { Form } from '../../parts/Form.tsx';
import { Quiet, Row, Spread, Stack } from '../../parts/Panel.tsx';
import { Select } from '../../parts/Select.tsx';
import { text } from './text.ts';

const NEW_ROOM = 'new';
const MOST_WEEKS = 26;
/** A shelf holds several things; this many weeks each is common practice. */
const ON_SHELF = 4;

const Weeks = ({
  label,
  value,
  most,
  unit,
  onChange,
}: {
  label: string;
  value: number;
  most: number;
  unit: readonly [one: string, many: string];
  onChange(n: number): void;
}) => (
  <Spread>
    <span>{label}</span>
    <Row>
      <Stepper label={label} value={value} min={unit[0] === 'day' ? 0 : 1} max={most} onChange={onChange} />
      <Quiet style={{ minWidth: 42 }}>{value === 1 ? unit[0] : unit[1]}</Quiet>
    </Row>
  </Spread>
);

/** The loans of a plan as they are sent to be kept. */
export const entriesOf = (page: TermPlanPage): TermPlanUpdate['entries'] =>
  page.families.flatMap((f) =>
    f.loans.map(({ borrowerId, week, kitId, kept, again }) => ({
      borrowerId,
      week,
      kitId,
      kept,
      ...(again ? { again } : {}),
    })),
  );
/** A plan's own figures as they are sent. */
export const shapeOf = (page: TermPlanPage): TermPlanInput => ({
  name: page.name,
  from: page.from,
  weeks: page.weeks,
  every: page.every,
  stays: page.stays,
  cleanDays: page.cleanDays,
  closed: page.closed,
  borrowers: page.families.map((f) => f.id),
});

/** A new term, or the figures of one: for families, or for the shelf of a room. */
export function TermForm({
  page,
  place,
  borrowers,
  onDone,
  onClose,
}: {
  page: TermPlanPage | null;
  place: Place;
  borrowers: readonly Borrower[];
  onDone(id: number): void;
  onClose(): void;
}) {
  const stay = Math.max(1, Math.round(place.loanDays / 7));
  const [plan, setPlan] = useState<TermPlanInput>(
    page
      ? shapeOf(page)
      : {
          name: text('nextTerm'),
          from: addDays(place.today, 7),
          weeks: 12,
          every: stay,
          stays: stay,
          cleanDays: 1,
          closed: [],
          borrowers: borrowers.map((b) => b.id),
        },
  );
  const [isRoom, setRoom] = useState(false);
  const [room, setRoomOf] = useState<string | null>(null);
  const [newRoom, setNewRoom] = useState('');
  const [newGroup, setNewGroup] = useState('');
  const set = (part: Partial<TermPlanInput>): void => setPlan({ ...plan, ...part });
  const save = useChange(async (): Promise<number> => {
    let who = plan.borrowers;
    if (isRoom) {
      if (room === null) throw new Error(text('chooseRoom'));
      const made =
        room === NEW_ROOM
          ? (await api<Borrower>('POST', '/borrowers', { name: newRoom, group: newGroup })).id
          : Number(room);
      // The room is kept now, whatever becomes of the plan: a second try must not make it again.
      setRoomOf(String(made));
      who = [made];
    }
    const input = { ...plan, borrowers: who };
    if (!page) return (await api<{ id: number }>('POST', '/term-plans', input)).id;
    await api<TermPlanPage>('PUT', `/term-plans/${page.id}`, {
      ...input,
      version: page.version,
      entries: entriesOf(page),
    });
    return page.id;
  });
  return (
    <Dialog title={page ? text('changeTerm') : text('planTerm')} isOpen onClose={onClose} wide>
      <Form onSubmit={() => void save.mutateAsync(undefined).then(onDone, () => undefined)}>
        <Stack $gap={12}>
          {!page && (
            <Choice
              label={text('for2')}
              value={isRoom ? 'room' : 'families'}
              onChange={(v) => {
                setRoom(v === 'room');
                set(v === 'room' ? { every: 1, stays: ON_SHELF } : { every: stay, stays: stay });
              }}
              options={[
                {
                  value: 'families',
                  label: text('families2'),
                  why: text('eachKitTimeAlways'),
                },
                {
                  value: 'room',
                  label: text('shelfRoom'),
                  why: text('oneThingChangesTime'),
                },
              ]}
            />
          )}
          <Row style={{ alignItems: 'start' }} $gap={12}>
            <TextField label={text('name')} value={plan.name} onChange={(name) => set({ name })} />
            <DayField label={text('firstDay')} value={plan.from} onChange={(from) => set({ from })} />
          </Row>
          <Weeks
            label={text('term')}
            unit={['week', 'weeks']}
            most={MOST_WEEKS}
            value={plan.weeks}
            onChange={(weeks) => set({ weeks, closed: plan.closed.filter((w) => w < weeks) })}
          />
          <Weeks
            label={text('somethingNewEvery')}
            unit={['week', 'weeks']}
            most={8}
            value={plan.every}
            onChange={(every) => set({ every })}
          />
          <Weeks
            label={text('eachKitStays')}
            unit={['week', 'weeks']}
            most={MOST_WEEKS}
            value={plan.stays}
            onChange={(stays) => set({ stays })}
          />
          <Weeks
            label={text('cleaningTakes')}
            unit={['day', 'days']}
            most={30}
            value={plan.cleanDays}
            onChange={(cleanDays) => set({ cleanDays })}
          />
          <Fold>
            <summary>
              {plan.closed.length === 0
                ? text('noWeekClosed')
                : text('weeksClosed', { n: plan.closed.length })}
            </summary>
            <ChoiceOfMany
              label={text('weeksNobodyThere')}
              value={plan.closed.map(String)}
              onChange={(list) => set({ closed: list.map(Number).sort((a, b) => a - b) })}
              options={Array.from({ length: plan.weeks }, (_, w) => ({
                value: String(w),
                label: shortDay(addDays(plan.from, 7 * w)),
              }))}
            />
          </Fold>
          <Quiet>{text('whatCannotWashedRests', { restDays: place.restDays })}</Quiet>
          {isRoom ? (
            <>
              <Select
                label={text('room')}
                value={room}
                onChange={setRoomOf}
                options={[
                  ...borrowers.map((b) => ({ value: String(b.id), label: b.name, note: b.group })),
                  { value: NEW_ROOM, label: text('newRoom') },
                ]}
              />
              {room === NEW_ROOM && (
                <Row $gap={12}>
                  <TextField label={text('nameRoom')} value={newRoom} onChange={setNewRoom} />
                  <TextField label={text('group')} value={newGroup} onChange={setNewGroup} />
                </Row>
              )}
            </>
          ) : (
            <ChoiceOfMany
              label={text('families2')}
              value={plan.borrowers.map(String)}
              onChange={(list) => set({ borrowers: list.map(Number) })}
              options={borrowers.map((b) => ({ value: String(b.id), label: b.name }))}
            />
          )}
          <DialogEnd
            problem={save.error ? words(save.error) : null}
            yes={page ? text('saveTerm') : text('beginPlan')}
            isBusy={save.isPending}
            onClose={onClose}
          />
        </Stack>
      </Form>
    </Dialog>
  );
}
