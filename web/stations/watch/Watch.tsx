import { useState } from 'react';
import { Trash2 } from 'lucide-react';
import { styled } from 'styled-components';
import { HELP, type Note, type NoteInput } from '../../../contract/lending.ts';
import { shortDay } from '../../../core/calendar/days.ts';
import { api, words } from '../../data/api.ts';
import { useChange, useDesigns, useMaterials, useNotes, usePlace } from '../../data/queries.ts';
import { useHeavy } from '../../design/derived.ts';
import { Button } from '../../parts/Button.tsx';
import { Choice, Select } from '../../parts/Choice.tsx';
import { CountField, TextField } from '../../parts/Field.tsx';
import { Form } from '../../parts/Form.tsx';
import { Heading, Notice, Panel, Quiet, Stack } from '../../parts/Panel.tsx';
import { Table } from '../../parts/Table.tsx';

const Grid = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 340px;
  gap: 12px 16px;
  > header {
    grid-column: 1 / 3;
  }
  @media (min-width: 1101px) {
    height: 100%;
    grid-template-rows: auto minmax(0, 1fr);
    > * {
      min-height: 0;
      overflow: auto;
    }
  }
  @media (max-width: 900px) {
    grid-template-columns: minmax(0, 1fr);
    > header {
      grid-column: 1;
    }
    > aside {
      order: -1;
    }
  }
`;
const Two = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 0.8fr) minmax(0, 1.2fr);
  gap: 10px;
`;
const Bin = styled.button`
  width: 44px;
  height: 44px;
  border: 0;
  background: none;
  color: var(--slate);
  cursor: pointer;
  border-radius: 8px;
  &:hover {
    color: var(--stop);
    background: var(--stop-tint);
  }
`;

/** One watched sitting after another. */
export function Component() {
  const { data: notes, error } = useNotes();
  const { data: designs } = useDesigns();
  const { data: materials } = useMaterials();
  const { data: place } = usePlace();
  const [designId, setDesignId] = useState<string | null>(null);
  const [child, setChild] = useState('');
  const [rungId, setRungId] = useState<string | null>(null);
  const [seconds, setSeconds] = useState<number | null>(null);
  const [pieces, setPieces] = useState<number | null>(null);
  const [help, setHelp] = useState<(typeof HELP)[number]>('none');
  const [said, setSaid] = useState('');
  const [day, setDay] = useState<string | null>(null);
  const design = designs?.find((d) => String(d.id) === designId) ?? null;
  const heavy = useHeavy(design, materials);
  const add = useChange(async () => {
    const rung = heavy.rungs?.find((r) => r.id === rungId);
    if (!design || !rung) throw new Error('Choose a design and a rung.');
    if (seconds === null) throw new Error('How many seconds did it take?');
    if (pieces === null) throw new Error('How many pieces?');
    const note: NoteInput = {
      designId: design.id,
      child,
      rung: rung.name,
      bits: rung.bits,
      seconds,
      pieces,
      help,
      words: said,
      satOn: day ?? place!.today,
    };
    return api<Note>('POST', '/notes', note);
  });
  const remove = useChange((id: number) => api<void>('DELETE', `/notes/${id}`));
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (!notes || !designs || !place) return <p role="status">Opening the notebook …</p>;
  const children = new Set(notes.map((n) => n.child)).size;
  return (
    <Grid>
      <Heading
        over={`${place.name} · ${notes.length} notes on ${children} children`}
        title="Who managed what, and for how long?"
      />
      <Panel as="div">
        {notes.length === 0 ? (
          <p>No notes yet. Write the first at the side, while it is fresh.</p>
        ) : (
          <Table
            caption="Notes, newest first"
            left={[1, 2, 3, 6]}
            head={['Day', 'Child', 'Design and rung', 'Help', 'Pieces', 's a piece', 'Words', ' ']}
            rows={notes.map((n) => ({
              key: String(n.id),
              cells: [
                shortDay(n.satOn),
                <b key="c">{n.child}</b>,
                <span key="d">
                  {n.design}
                  <br />
                  <Quiet>
                    {n.rung}, {n.bits.toFixed(1)} bits
                  </Quiet>
                </span>,
                n.help,
                n.pieces,
                n.pieces > 0 ? (n.seconds / n.pieces).toFixed(1) : '–',
                n.words,
                <Bin
                  key="x"
                  type="button"
                  aria-label={`Remove the note on ${n.child}, ${shortDay(n.satOn)}`}
                  onClick={() => remove.mutate(n.id)}
                >
                  <Trash2 size={17} aria-hidden />
                </Bin>,
              ],
            }))}
          />
        )}
      </Panel>
      <aside>
        <Panel as="div">
          <Form
            onSubmit={() => {
              add.mutate(undefined, {
                onSuccess: () => {
                  setSeconds(null);
                  setPieces(null);
                  setSaid('');
                },
              });
            }}
          >
            <Stack $gap={10}>
              <h2>Write a note</h2>
              <Select
                label="Design"
                value={designId}
                onChange={(v) => {
                  setDesignId(v);
                  setRungId(null);
                }}
                options={designs.map((d) => ({ value: String(d.id), label: d.name, note: d.forGroup }))}
              />
              <Select
                label="Rung"
                value={rungId}
                onChange={setRungId}
                isDisabled={!heavy.rungs}
                placeholder={
                  !design ? 'Choose the design first' : heavy.rungs ? 'Choose' : 'Climbing the ladder …'
                }
                options={(heavy.rungs ?? []).map((r) => ({
                  value: r.id,
                  label: r.name,
                  note: `${r.bits.toFixed(1)} bits`,
                }))}
              />
              <Two>
                <TextField label="Child" value={child} onChange={setChild} hint="a code, like G-04" />
                <TextField label="Day" type="date" value={day ?? place.today} onChange={setDay} />
                <CountField label="Seconds" value={seconds} onChange={setSeconds} />
                <CountField label="Pieces" value={pieces} onChange={setPieces} />
              </Two>
              <Choice
                label="Help given"
                value={help}
                onChange={(v) => setHelp(v as (typeof HELP)[number])}
                options={HELP.map((h) => ({ value: h, label: h }))}
              />
              <TextField label="What you saw" value={said} onChange={setSaid} />
              {add.error && <Notice tone="stop">{words(add.error)}</Notice>}
              {add.isSuccess && <Notice tone="clear">Noted for {add.data.child}.</Notice>}
              <Button type="submit" isDisabled={add.isPending}>
                Keep the note
              </Button>
            </Stack>
          </Form>
        </Panel>
      </aside>
    </Grid>
  );
}
