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
import { Button, FileLink } from '../../parts/Button.tsx';
import { Choice } from '../../parts/Choice.tsx';
import { Heading, Notice, Panel, Quiet, Row, SideBySide, Spread, Stack } from '../../parts/Panel.tsx';
import { Table } from '../../parts/Table.tsx';

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
  materials: 'A material is known by its name: the same name changes what is there.',
  lots: 'A lot with a number changes that lot; without one it is new. Bring the materials in first.',
  offers: 'A pack of several materials has a row for each.',
  families: 'A family is known by its code name: the same name changes what is there.',
  notes: 'A note with a number changes that note; without one it is new. A design is known by its name.',
  kits: 'A kit is known by its label: the same label changes what is there. A new one takes nothing off the shelf.',
  loans: 'A loan with a number changes that loan; without one it is new. Kits and families come in first.',
  counts: 'A count with a number changes that count. It is put on record; what a kit holds now is in kits.',
  events: 'What was done with a kit, put on record; how it stands now is in kits.',
};
const WORDS: Record<FileKind, { title: string; holds: string }> = {
  materials: { title: 'Materials', holds: 'every kind with its sizes, class, cleaning, hazards' },
  lots: { title: 'Stock lots', holds: 'what came in, when, from whom, how it was, measured sizes' },
  offers: { title: 'Offers', holds: 'suppliers, packs, prices, what is in them' },
  families: { title: 'Families', holds: 'code names, groups, allergies, youngest, aims, children' },
  notes: { title: 'Notes', holds: 'every sitting: child, rung, tries, help, how it was liked' },
  kits: { title: 'Kits', holds: 'labels, what is in them, how they stand, who has them' },
  loans: { title: 'Loans', holds: 'who had which kit, from when until when, what came back' },
  counts: { title: 'Counts', holds: 'every count of every kit, ever' },
  events: { title: 'Events', holds: 'cleaned, rested, retired: when and by whom' },
};

/** Everybody's at once: only who keeps the place takes it out. */
const KEEPERS: readonly FileKind[] = ['families', 'notes'];

/** Export and import as spreadsheets: read first, shown with every fault, then written whole or not at all. */
export function Component() {
  const { data: place } = usePlace();
  const { data: session } = useSession();
  const [kind, setKind] = useState<FileKind>('materials');
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
  if (!place) return <p role="status">Loading …</p>;
  return (
    <Stack>
      <Heading over={`${place.name} · files for any spreadsheet (CSV)`} title="Export and import" />
      <SideBySide style={{ alignItems: 'stretch' }}>
        <Panel>
          <Stack>
            <h2>Export</h2>
            {FILE_KINDS.map((k) => (
              <Spread key={k}>
                <span>
                  <b>{WORDS[k].title}</b>
                  <br />
                  <Quiet>{WORDS[k].holds}</Quiet>
                </span>
                {!KEEPERS.includes(k) || (session && mayKeep(session)) ? (
                  <FileLink small href={`/api/files/${k}.csv`} aria-label={`${WORDS[k].title} as CSV`}>
                    {k}.csv
                  </FileLink>
                ) : (
                  session && <Quiet>for a manager</Quiet>
                )}
              </Spread>
            ))}
            <Quiet>
              Cells that a spreadsheet would run as a formula get an apostrophe in front; it goes again on the
              way in.
            </Quiet>
          </Stack>
        </Panel>
        <Panel>
          <Stack>
            <h2>Import</h2>
            <Choice
              label="What is in the file?"
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
                aria-label="CSV file"
                hidden
                onChange={(e) => void read(e.currentTarget.files?.[0])}
              />
              <Button isDisabled={reading} onPress={() => input.current?.click()}>
                {!reading
                  ? 'Choose a file'
                  : sent < 1
                    ? `Sending: ${Math.floor(100 * sent)} % …`
                    : 'Reading …'}
              </Button>
              <Quiet>or drop it here. Nothing is written before you say so.</Quiet>
            </Drop>
          </Stack>
        </Panel>
      </SideBySide>
      {!preview && !done && (
        <Panel>
          <Stack $gap={8}>
            <h2>Columns of {kind}.csv</h2>
            <Cols>
              {COLUMNS[kind].all.map((c) => (
                <li key={c} data-must={COLUMNS[kind].required.includes(c)}>
                  {c}
                </li>
              ))}
            </Cols>
            <Quiet>
              Those in dark must be there, in any order; the rest may be left out. Commas, semicolons or tabs;
              lengths like 38, 3,8 cm or 1 1/2"; days like 2026-11-25; prices like 2.40. {NOTES[kind]}
            </Quiet>
          </Stack>
        </Panel>
      )}
      {problem && (
        <Notice tone="stop">
          <strong>{name || 'The file'}:</strong> {problem}
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
          <strong>Written.</strong> {done.added} {done.kind} added, {done.changed} changed.
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
                    ? `${preview.faulty} faulty: correct the file and choose it again. Nothing was written.`
                    : `${preview.adds} new, ${preview.changes} change what is there. Nothing is written yet.`}
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
                    Write all {preview.rows}
                  </Button>
                )}
                <Button plain onPress={forget}>
                  Leave it
                </Button>
              </Row>
            </Spread>
            {preview.faults.length > 0 && (
              <Table
                caption="Faults"
                left={[1, 2, 3]}
                head={['Row', 'Column', 'It says', 'What is wrong']}
                rows={preview.faults.map((f, i) => ({
                  key: String(i),
                  cells: [String(f.row), f.column, f.value || '(empty)', f.message],
                }))}
              />
            )}
            {preview.faulty > preview.faults.length && (
              <Quiet>The first {preview.faults.length} faults are shown.</Quiet>
            )}
            <h2>How it was read</h2>
            <Table
              caption="First rows as they were read"
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
