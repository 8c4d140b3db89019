import { useState } from 'react';
import { styled } from 'styled-components';
import type { HandTestInput, HandTestRow } from '../../../contract/checking.ts';
import type { Design } from '../../../contract/designs.ts';
import { inUnit, type LengthUnit } from '../../../core/measure/length.ts';
import type { SafetyReport } from '../../../core/safety/check.ts';
import {
  FORCE_UNITS,
  handTests,
  madeAs,
  newtons,
  PASS_COUNTS,
  type ForceUnit,
  type HandTest,
} from '../../../core/safety/handTests.ts';
import { heldForce } from '../../../core/safety/heldForce.ts';
import type { Market } from '../../../core/safety/rules.ts';
import { api, words } from '../../data/api.ts';
import { useChange, useRecalls, useRules } from '../../data/queries.ts';
import { shortDay } from '../../data/style.ts';
import { Button, FileLink } from '../../parts/Button.tsx';
import { Choice } from '../../parts/Choice.tsx';
import { Dialog } from '../../parts/Dialog.tsx';
import { DialogEnd } from '../../parts/DialogEnd.tsx';
import { TextField } from '../../parts/Field.tsx';
import { Fold } from '../../parts/Fold.tsx';
import { Form } from '../../parts/Form.tsx';
import { say } from '../../parts/messages.ts';
import { Notice, Quiet, Row, Stack } from '../../parts/Panel.tsx';
import { Select } from '../../parts/Select.tsx';
import { TestGuide } from './TestGuide.tsx';
import { useScale } from './useScale.ts';

const List = styled.ul`
  display: grid;
  gap: 10px;
  font-size: 14px;
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 2px 8px;
    align-items: center;
    border-left: 3px solid var(--care);
    padding-left: 10px;
  }
  li > :not(:first-child, button) {
    grid-column: 1 / 3;
  }
`;
const Read = styled.output`
  font: 800 34px/1.1 var(--display);
  font-variant-numeric: tabular-nums;
`;

const WHOLE = 'The whole kit';
/** Rules whose findings a test by hand answers. */
const TESTED = ['spring', 'sharp-edge', 'attached', 'filler'];

/** The scale: what it shows now, the force that was held so far, and for how long. */
function Scale({ test, onHeld }: { test: HandTest; onHeld(force: number): void }) {
  const asked = test.force!;
  const hold = test.hold ?? 0;
  const pull = useScale(asked);
  const { held, heldFor } = heldForce(pull.readings, hold, asked);
  const now = pull.readings.at(-1)?.force ?? 0;
  const says = {
    off: 'Hook the part on, then read the scale.',
    reading: `Held at ${asked} N or more for ${heldFor.toFixed(1)} s of ${hold} s.`,
    lost: 'The scale stopped answering, so this pull counts for nothing. Read it again.',
    done: `${held.toFixed(1)} N were held for ${hold} s; ${asked} N are asked.`,
  }[pull.state];
  return (
    <Stack $gap={6}>
      <Row>
        <Read aria-label="Scale">{now.toFixed(1)} N</Read>
        <Button
          small
          onPress={pull.state === 'reading' ? pull.stop : pull.start}
          plain={pull.state === 'reading'}
        >
          {pull.state === 'reading' ? 'Stop' : 'Read the scale'}
        </Button>
        {pull.state === 'done' && held > 0 && (
          <Button small plain onPress={() => onHeld(Math.round(held * 10) / 10)}>
            Take {held.toFixed(1)} N
          </Button>
        )}
      </Row>
      <Quiet role="status">{says}</Quiet>
      <Quiet>The scale is simulated here.</Quiet>
    </Stack>
  );
}

function RecordTest({
  design,
  test,
  parts,
  unit,
  onClose,
}: {
  design: Design;
  test: HandTest;
  parts: readonly string[];
  unit: LengthUnit;
  onClose(): void;
}) {
  // The first piece, once the check has named it.
  const [chosen, setPart] = useState<string | null>(null);
  const part = chosen ?? parts[0] ?? WHOLE;
  const [force, setForce] = useState('');
  const [by, setBy] = useState('');
  const [note, setNote] = useState('');
  const [passed, setPassed] = useState<'yes' | 'no' | ''>('');
  const [problem, setProblem] = useState<string | null>(null);
  const add = useChange((input: HandTestInput) => api<HandTestRow>('POST', '/tests', input));
  const [read, setRead] = useState<ForceUnit>('N');
  const typed = force.trim() === '' ? null : Number(force.replace(',', '.'));
  const number = typed === null ? null : newtons(typed, read);
  const save = (): void => {
    if (number !== null && !Number.isFinite(number))
      return setProblem(`Force: expected a number in ${read}.`);
    if (passed === '') return setProblem('Say whether it held.');
    if (by.trim() === '') return setProblem('Done by: expected a name.');
    setProblem(null);
    add.mutate(
      { designId: design.id, part, test: test.id, passed: passed === 'yes', force: number, by, words: note },
      {
        onSuccess: () => {
          say(
            passed === 'yes'
              ? `${part}: the ${test.id} test is on record.`
              : `${part}: the ${test.id} test failed. Kits of it are not lent, and what is out is called back.`,
          );
          onClose();
        },
        onError: (e) => setProblem(words(e)),
      },
    );
  };
  const short = test.force !== null && number !== null && number < test.force;
  return (
    <Dialog title={`Record: ${test.id} test`} isOpen onClose={onClose}>
      <Form onSubmit={save}>
        <Stack>
          <p>{inUnit(test.words, unit)}.</p>
          <TestGuide key={test.id} test={test} />
          <Select
            label="Done on"
            value={part}
            onChange={setPart}
            options={[...new Set([...parts, WHOLE])].map((p) => ({ value: p, label: p }))}
          />
          {test.force !== null && (
            <>
              <Scale
                test={test}
                onHeld={(f) => {
                  setRead('N');
                  setForce(String(f));
                }}
              />
              {test.household && (
                <Fold>
                  <summary>No scale or gauge at hand?</summary>
                  <p>{test.household}</p>
                </Fold>
              )}
              <TextField
                label="Force that was held"
                suffix={read}
                inputMode="decimal"
                value={force}
                onChange={setForce}
                hint="Left empty where nothing was measured: then a test that held proves nothing"
              />
              <Choice
                label="Read in"
                value={read}
                onChange={(u) => setRead(u as ForceUnit)}
                options={FORCE_UNITS.map((u) => ({ value: u, label: u }))}
              />
              {read !== 'N' && number !== null && Number.isFinite(number) && (
                <Quiet>That is {number} N.</Quiet>
              )}
              {short && (
                <Notice tone="care">Less than the {test.force} N that are asked: it clears nothing.</Notice>
              )}
            </>
          )}
          <Choice
            label="Did it hold?"
            value={passed}
            onChange={(v) => setPassed(v as 'yes' | 'no')}
            options={[
              { value: 'yes', label: 'It held' },
              { value: 'no', label: 'It came off, cracked or opened' },
            ]}
          />
          <TextField label="Done by" value={by} onChange={setBy} />
          <TextField label="What was seen" value={note} onChange={setNote} />
          <DialogEnd problem={problem} yes="Put on record" isBusy={add.isPending} onClose={onClose} />
        </Stack>
      </Form>
    </Dialog>
  );
}

/** The tests of a finished kit, with what is on record of each, and the recall where one failed. */
export function HandTests({
  design,
  report,
  market,
  unit,
}: {
  design: Design;
  report: SafetyReport | null;
  market: Market;
  unit: LengthUnit;
}) {
  const { data: rules } = useRules();
  const { data: recalls } = useRecalls();
  const [open, setOpen] = useState<HandTest | null>(null);
  const tests = rules?.tests.filter((t) => t.designId === design.id) ?? [];
  const as = madeAs(design);
  const recall = recalls?.find((r) => r.design.id === design.id);
  const parts = [
    ...new Set([
      ...(report?.gauged.map((g) => g.name) ?? []),
      // Springs and sharp edges are tested, too, whatever the gauge says of what they are on.
      ...(report?.findings.filter((f) => TESTED.includes(f.rule)).map((f) => f.where) ?? []),
    ]),
  ];
  return (
    <Stack $gap={10}>
      <h2>Tests to do by hand</h2>
      <Quiet>On one finished kit, before the others are lent.</Quiet>
      {recall && (
        <Notice tone="stop">
          <strong>Called back.</strong>{' '}
          {recall.kits.length > 0
            ? `Out: ${recall.kits.map((k) => `${k.label} with ${k.borrower}, due ${shortDay(k.dueOn)}`).join('; ')}.`
            : 'No kit of it is out.'}{' '}
          {recall.here > 0 ? `${recall.here} here are not lent.` : ''}
          {recall.kits.length > 0 && (
            <div style={{ marginTop: 6 }}>
              <FileLink small href={`/api/designs/${design.id}/recall.pdf`}>
                Letters to families
              </FileLink>
            </div>
          )}
        </Notice>
      )}
      <List>
        {handTests(report?.youngest ?? design.ageFrom, market).map((t) => {
          const last = tests.filter((x) => x.test === t.id);
          return (
            <li key={t.id}>
              <span>{inUnit(t.words, unit)}</span>
              <Button small plain onPress={() => setOpen(t)} aria-label={`Record the ${t.id} test`}>
                Record
              </Button>
              {last.slice(0, 3).map((x) => (
                <Quiet key={x.id}>
                  {x.passed ? 'Held' : 'Failed'}: {x.part}
                  {x.force === null ? '' : `, ${x.force} N`}, {shortDay(x.on)}, {x.by}
                  {x.madeAs !== as
                    ? '. Made otherwise then: it does not count any more'
                    : !x.passed
                      ? ''
                      : x.isSpent
                        ? '. Its time or its loans are over: do it again'
                        : `. It counts to ${shortDay(x.until)}, or ${PASS_COUNTS.loans} loans of one kit (${x.loans} so far)`}
                </Quiet>
              ))}
            </li>
          );
        })}
      </List>
      <Quiet>16 CFR 1500.51–.53, EN 71-1, from memory.</Quiet>
      {open && (
        <RecordTest design={design} test={open} parts={parts} unit={unit} onClose={() => setOpen(null)} />
      )}
    </Stack>
  );
}
