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
import { useChange, usePlace, useRecalls, useRules } from '../../data/queries.ts';
import { shortDay } from '../../data/style.ts';
import { Button } from '../../parts/Button.tsx';
import { FileLink } from '../../parts/FileLink.tsx';
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
import { text } from './text.ts';

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

const WHOLE = text('wholeKit');
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
    off: text('hookPartOnThen'),
    reading: text('heldNOrMore', { asked, heldFor: heldFor.toFixed(1), hold }),
    lost: text('scaleStoppedAnsweringThis'),
    done: text('nWereHeldS', { held: held.toFixed(1), hold, asked }),
  }[pull.state];
  return (
    <Stack $gap={6}>
      <Row>
        <Read aria-label={text('scale')}>{now.toFixed(1)} N</Read>
        <Button
          small
          onPress={pull.state === 'reading' ? pull.stop : pull.start}
          plain={pull.state === 'reading'}
        >
          {pull.state === 'reading' ? text('stop') : text('readScale')}
        </Button>
        {pull.state === 'done' && held > 0 && (
          <Button small plain onPress={() => onHeld(Math.round(held * 10) / 10)}>
            {text('takeN', { held: held.toFixed(1) })}
          </Button>
        )}
      </Row>
      <Quiet role="status">{says}</Quiet>
      <Quiet>{text('scaleSimulatedHere')}</Quiet>
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
  const { data: place } = usePlace();
  const [read, setRead] = useState<ForceUnit>('N');
  const typed = force.trim() === '' ? null : Number(force.replace(',', '.'));
  const number = typed === null ? null : newtons(typed, read);
  const save = (): void => {
    if (number !== null && !Number.isFinite(number)) return setProblem(text('forceExpectedNumber', { read }));
    if (passed === '') return setProblem(text('sayWhetherHeld'));
    if (by.trim() === '') return setProblem(text('dExpectedName'));
    setProblem(null);
    add.mutate(
      { designId: design.id, part, test: test.id, passed: passed === 'yes', force: number, by, words: note },
      {
        onSuccess: () => {
          say(
            passed === 'yes'
              ? text('testOnRecord', { part, test: test.id })
              : text('testFailedKitsNot', { part, test: test.id }),
          );
          onClose();
        },
        onError: (e) => setProblem(words(e)),
      },
    );
  };
  const short = test.force !== null && number !== null && number < test.force;
  return (
    <Dialog title={text('recordTest', { test: test.id })} isOpen onClose={onClose}>
      <Form onSubmit={save}>
        <Stack>
          <p>{inUnit(test.words, unit)}.</p>
          <TestGuide key={test.id} test={test} />
          <Select
            label={text('dOn')}
            value={part}
            onChange={setPart}
            options={[...new Set([...parts, WHOLE])].map((p) => ({ value: p, label: p }))}
          />
          {test.force !== null && (
            <>
              {test.household && <p>{test.household}</p>}
              {place?.simulated && (
                <Scale
                  test={test}
                  onHeld={(f) => {
                    setRead('N');
                    setForce(String(f));
                  }}
                />
              )}
              <TextField
                label={text('forceWasHeld')}
                suffix={read}
                inputMode="decimal"
                value={force}
                onChange={setForce}
                hint={text('leftEmptyWhereNothing')}
              />
              <Choice
                label={text('read')}
                value={read}
                onChange={(u) => setRead(u as ForceUnit)}
                options={FORCE_UNITS.map((u) => ({ value: u, label: u }))}
              />
              {read !== 'N' && number !== null && Number.isFinite(number) && (
                <Quiet>{text('n', { number })}</Quiet>
              )}
              {short && <Notice tone="care">{text('lessThanNAsked', { force: test.force })}</Notice>}
            </>
          )}
          <Choice
            label={text('didHold')}
            value={passed}
            onChange={(v) => setPassed(v as 'yes' | 'no')}
            options={[
              { value: 'yes', label: text('held') },
              { value: 'no', label: text('cameOffCrackedOr') },
            ]}
          />
          <TextField label={text('d2')} value={by} onChange={setBy} />
          <TextField label={text('whatWasSeen')} value={note} onChange={setNote} />
          <DialogEnd problem={problem} yes={text('putOnRecord')} isBusy={add.isPending} onClose={onClose} />
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
      <h2>{text('testsDoHand')}</h2>
      <Quiet>{text('onFinishedKitBefore')}</Quiet>
      {recall && (
        <Notice tone="stop">
          <strong>{text('calledBack')}</strong>{' '}
          {recall.kits.length > 0
            ? text('out', {
                kits: recall.kits
                  .map((k) => text('due', { k: k.label, borrower: k.borrower, dueOn: shortDay(k.dueOn) }))
                  .join('; '),
              })
            : text('noKitOut')}{' '}
          {recall.here > 0 ? text('hereNotLent', { here: recall.here }) : ''}
          {recall.kits.length > 0 && (
            <div style={{ marginTop: 6 }}>
              <FileLink small href={`/api/designs/${design.id}/recall.pdf`}>
                {text('lettersFamilies')}
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
              {t.household ? (
                <span>
                  {t.household}
                  <Fold>
                    <summary>{text('inFigures')}</summary>
                    <Quiet>{inUnit(t.words, unit)}</Quiet>
                  </Fold>
                </span>
              ) : (
                <span>{inUnit(t.words, unit)}</span>
              )}
              <Button small plain onPress={() => setOpen(t)} aria-label={text('recordTest2', { t: t.id })}>
                {text('record')}
              </Button>
              {last.slice(0, 3).map((x) => (
                <Quiet key={x.id}>
                  {x.passed ? text('held2') : text('failed')}: {x.part}
                  {x.force === null ? '' : `, ${x.force} N`}, {shortDay(x.on)}, {x.by}
                  {x.madeAs !== as
                    ? text('madeWiseThenDoes')
                    : !x.passed
                      ? ''
                      : x.isSpent
                        ? text('timeOrLoansOver')
                        : text('countsOrLoansKit', {
                            until: shortDay(x.until),
                            loans: PASS_COUNTS.loans,
                            loans2: x.loans,
                          })}
                </Quiet>
              ))}
            </li>
          );
        })}
      </List>
      <Fold>
        <summary>{text('whichRule')}</summary>
        <Quiet>{text('n16Cfr1500')}</Quiet>
      </Fold>
      {open && (
        <RecordTest design={design} test={open} parts={parts} unit={unit} onClose={() => setOpen(null)} />
      )}
    </Stack>
  );
}
