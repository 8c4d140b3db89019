import { useSearchParams } from 'react-router';
import { useRef, useState } from 'react';
import { styled } from 'styled-components';
import type { Problem } from '../../../contract/common.ts';
import {
  COLUMNS,
  FILE_KINDS,
  type FileDone,
  type FileKind,
  type FilePreview,
} from '../../../contract/files.ts';
import { api, ApiError, words } from '../../data/api.ts';
import { sendFile } from '../../data/sendFile.ts';
import { useChange, usePlace } from '../../data/queries.ts';
import { mayKeep, useSession } from '../../data/whoIsHere.ts';
import { Button } from '../../parts/Button.tsx';
import { FileLink } from '../../parts/FileLink.tsx';
import { Choice } from '../../parts/Choice.tsx';
import { Heading, Notice, Panel, Quiet, Row, SideBySide, Spread, Stack } from '../../parts/Panel.tsx';
import { Table } from '../../parts/Table.tsx';
import { OwnList } from './OwnList.tsx';
import { text } from './text.ts';

const Drop = styled.div`
  border: 2px dashed var(--seam-strong);
  border-radius: 12px;
  padding: 18px;
  text-align: center;
  display: grid;
  gap: 8px;
  justify-items: center;
  &[data-over='true'] {
    background: var(--fox-tint);
    border-color: var(--fox);
  }
`;
const Cols = styled.ul`
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  li {
    padding: 5px 11px;
    border-radius: 16px;
    border: 1px solid var(--seam-strong);
    font-size: 14px;
  }
  li[data-must='true'] {
    background: var(--ink);
    color: var(--paper);
    border-color: var(--ink);
  }
`;
const NOTES: Record<FileKind, string> = {
  materials: text('materialKnownNameSame'),
  lots: text('lotNumberChangesLot'),
  offers: text('packSeveralMaterialsRow'),
  families: text('familyKnownCodeName'),
  notes: text('noteNumberChangesNote'),
  kits: text('kitKnownLabelSame'),
  loans: text('loanNumberChangesLoan'),
  counts: text('countNumberChangesCount'),
  events: text('whatWasDKit'),
};
const WORDS: Record<FileKind, { title: string; holds: string }> = {
  materials: { title: text('materials'), holds: text('everyKindSizesClass') },
  lots: { title: text('stockLots'), holds: text('whatCameWhenFrom') },
  offers: { title: text('offers'), holds: text('suppliersPacksPricesWhat') },
  families: { title: text('families'), holds: text('codeNamesGroupsAllergies') },
  notes: { title: text('notes'), holds: text('everySittingChildLevel') },
  kits: { title: text('kits'), holds: text('labelsWhatThemHow') },
  loans: { title: text('loans'), holds: text('whoHadWhichKit') },
  counts: { title: text('counts'), holds: text('everyCountEveryKit') },
  events: { title: text('events'), holds: text('cleanedRestedRetiredWhen') },
};

/** Everybody's at once: only who keeps the place takes it out. */
const KEEPERS: readonly FileKind[] = ['families', 'notes'];

/** Export and import as spreadsheets: read first, shown with every fault, then written whole or not at all. */
export function Component() {
  const { data: place } = usePlace();
  const { data: session } = useSession();
  const [params] = useSearchParams();
  const asked = params.get('kind') as FileKind | null;
  const [kind, setKind] = useState<FileKind>(asked !== null && asked in COLUMNS ? asked : 'materials');
  const [preview, setPreview] = useState<FilePreview | null>(null);
  const [name, setName] = useState('');
  const [reading, setReading] = useState(false);
  /** How much of the file was sent, 0 to 1. */
  const [sent, setSent] = useState(0);
  const [over, setOver] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const [faults, setFaults] = useState<Problem['errors']>([]);
  const [done, setDone] = useState<FileDone | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const confirm = useChange((id: string) => api<FileDone>('POST', '/files/confirm', { id }));
  const forget = (): void => {
    setPreview(null);
    setProblem(null);
    setFaults([]);
    setDone(null);
  };
  const tell = (e: unknown): void => {
    setProblem(words(e));
    setFaults(e instanceof ApiError ? e.problem.errors : []);
  };
  const read = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    forget();
    setName(file.name);
    setSent(0);
    setReading(true);
    try {
      setPreview(
        await sendFile<FilePreview>(`/files/${kind}/preview`, file, { type: 'text/csv', told: setSent }),
      );
    } catch (e) {
      tell(e);
    } finally {
      setReading(false);
      if (input.current) input.current.value = '';
    }
  };
  if (!place) return <p role="status">{text('loading')}</p>;
  return (
    <Stack>
      <Heading over={text('filesAnySpreadsheetCsv', { place: place.name })} title={text('exportImport')} />
      <OwnList place={place} />
      <SideBySide style={{ alignItems: 'stretch' }}>
        <Panel>
          <Stack>
            <h2>{text('export')}</h2>
            {FILE_KINDS.map((k) => (
              <Spread key={k}>
                <span>
                  <b>{WORDS[k].title}</b>
                  <br />
                  <Quiet>{WORDS[k].holds}</Quiet>
                </span>
                {!KEEPERS.includes(k) || (session && mayKeep(session)) ? (
                  <FileLink
                    small
                    href={`/api/files/${k}.csv`}
                    aria-label={text('asCsv', { title: WORDS[k].title })}
                  >
                    {text('csv', { k })}
                  </FileLink>
                ) : (
                  session && <Quiet>{text('manager')}</Quiet>
                )}
              </Spread>
            ))}
            <Quiet>{text('cellsSpreadsheetWouldRun')}</Quiet>
          </Stack>
        </Panel>
        <Panel>
          <Stack>
            <h2>{text('import')}</h2>
            <Choice
              label={text('whatFile')}
              columns={3}
              value={kind}
              onChange={(v) => {
                setKind(v as FileKind);
                forget();
              }}
              options={FILE_KINDS.map((k) => ({ value: k, label: WORDS[k].title }))}
            />
            <Drop
              data-over={over}
              onDragOver={(e) => {
                e.preventDefault();
                setOver(true);
              }}
              onDragLeave={() => setOver(false)}
              onDrop={(e) => {
                e.preventDefault();
                setOver(false);
                void read(e.dataTransfer.files[0]);
              }}
            >
              <input
                ref={input}
                type="file"
                accept=".csv,text/csv,text/plain"
                aria-label={text('csvFile')}
                hidden
                onChange={(e) => void read(e.currentTarget.files?.[0])}
              />
              <Button isDisabled={reading} onPress={() => input.current?.click()}>
                {!reading
                  ? text('chooseFile')
                  : sent < 1
                    ? text('sending', { what: Math.floor(100 * sent) })
                    : text('reading')}
              </Button>
              <Quiet>{text('orDropHereNothing')}</Quiet>
            </Drop>
          </Stack>
        </Panel>
      </SideBySide>
      {!preview && !done && (
        <Panel>
          <Stack $gap={8}>
            <h2>{text('columnsCsv', { kind })}</h2>
            <Cols>
              {COLUMNS[kind].all.map((c) => (
                <li key={c} data-must={COLUMNS[kind].required.includes(c)}>
                  {c}
                </li>
              ))}
            </Cols>
            <Quiet>{text('thoseDarkMustThere', { kind: NOTES[kind] })}</Quiet>
          </Stack>
        </Panel>
      )}
      {problem && (
        <Notice tone="stop">
          <strong>{name || text('file')}:</strong> {problem}
          {faults.length > 1 && (
            <ul>
              {faults.map((f) => (
                <li key={f.path + f.message}>{f.message}</li>
              ))}
            </ul>
          )}
        </Notice>
      )}
      {done && (
        <Notice tone="clear">
          <strong>{text('written')}</strong>{' '}
          {text('addedChanged', { added: done.added, kind: done.kind, changed: done.changed })}
        </Notice>
      )}
      {preview && !done && (
        <Panel>
          <Stack>
            <Spread>
              <div>
                <h2>
                  {name}: {preview.rows} {preview.rows === 1 ? 'row' : 'rows'}
                </h2>
                <Quiet>
                  {preview.faulty > 0
                    ? text('faultyCorrectFileChoose', { faulty: preview.faulty })
                    : text('newChangeWhatThere', { adds: preview.adds, changes: preview.changes })}
                </Quiet>
              </div>
              <Row>
                {preview.faulty === 0 && (
                  <Button
                    isDisabled={confirm.isPending}
                    onPress={() => {
                      setProblem(null);
                      confirm.mutate(preview.id, { onSuccess: setDone, onError: tell });
                    }}
                  >
                    {text('writeAll', { rows: preview.rows })}
                  </Button>
                )}
                <Button plain onPress={forget}>
                  {text('leave')}
                </Button>
              </Row>
            </Spread>
            {preview.faults.length > 0 && (
              <Table
                caption={text('faults')}
                left={[1, 2, 3]}
                head={[text('row'), text('column'), text('says'), text('whatWrong')]}
                rows={preview.faults.map((f, i) => ({
                  key: String(i),
                  cells: [String(f.row), f.column, f.value || '(empty)', f.message],
                }))}
              />
            )}
            {preview.faulty > preview.faults.length && (
              <Quiet>{text('firstFaultsShown', { faults: preview.faults.length })}</Quiet>
            )}
            <h2>{text('howWasRead')}</h2>
            <Table
              caption={text('firstRowsAsThey')}
              left={preview.columns.map((_, i) => i)}
              head={preview.columns}
              rows={preview.sample.map((cells, i) => ({ key: String(i), cells }))}
            />
          </Stack>
        </Panel>
      )}
    </Stack>
  );
}
