import { useMemo, useState } from 'react';
import { Trash2 } from 'lucide-react';
import { styled } from 'styled-components';
import { HELP, type Note, type NoteInput, type RungDone } from '../../../contract/lending.ts';
import { shortDay } from '../../data/style.ts';
import { api, words } from '../../data/api.ts';
import {
  useChange,
  useDesigns,
  useMaterials,
  useNotePages,
  useNotesSummary,
  usePlace,
  useRules,
} from '../../data/queries.ts';
import type { Counts } from '../../../core/patterns/kernel.ts';
import { countsOf } from '../../design/derived.ts';
import { useHeavy } from '../../design/heavy.ts';
import { useFamilies } from '../../design/useFamilies.ts';
import { Button } from '../../parts/Button.tsx';
import { Choice } from '../../parts/Choice.tsx';
import { Select } from '../../parts/Select.tsx';
import { CountField, TextField } from '../../parts/Field.tsx';
import { Form } from '../../parts/Form.tsx';
import { Heading, Notice, Panel, Quiet, Spread, Stack } from '../../parts/Panel.tsx';
import { DayField } from '../../parts/DayField.tsx';
import { SortTable, type SortColumn } from '../../parts/SortTable.tsx';
import { undoable } from '../../parts/messages.ts';
import { WhatIsRung } from '../../parts/WhatIs.tsx';

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
    }
    > aside {
      overflow: auto;
    }
  }
  @media (max-width: 900px) {
    grid-template-columns: minmax(0, 1fr);
    > header {
      grid-column: 1;
      order: -2;
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
const Words = styled.span`
  display: block;
  line-height: 1.25;
  white-space: normal;
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

/** Rungs a sitting can have before its last one. */
const MOST_BEFORE = 11;
const Done = styled.ol`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 2px;
  > li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto 44px;
    align-items: center;
    gap: 8px;
    border-bottom: 1px dashed var(--seam);
  }
`;

/** What each level of prompting means, beside its name. */
const HELP_WORDS: Record<(typeof HELP)[number], string> = {
  none: 'No help',
  'shown once': 'Shown once',
  'verbal prompt': 'Verbal prompt',
  'hand on wrist': 'Hand on wrist',
  'hand over hand': 'Hand over hand',
};

const NO_COUNTS: Counts = { of: 'pieces', one: 'piece', number: 0 };
const upper = (word: string): string => word[0]!.toUpperCase() + word.slice(1);
/** Seconds for one of what was counted; null where either was not noted. */
const secondsEach = (n: Note): number | null =>
  n.count !== null && n.count > 0 && n.seconds !== null ? n.seconds / n.count : null;

/** One watched sitting after another. */
export function Component() {
  const pages = useNotePages({ limit: 300 });
  const { data: summary, error } = useNotesSummary();
  const [hidden, setHidden] = useState<ReadonlySet<number>>(new Set());
  const { data: designs } = useDesigns();
  const { data: materials } = useMaterials();
  const { data: place } = usePlace();
  const [designId, setDesignId] = useState<string | null>(null);
  const [child, setChild] = useState('');
  const [rungId, setRungId] = useState<string | null>(null);
  const [seconds, setSeconds] = useState<number | null>(null);
  const [count, setCount] = useState<number | null>(null);
  const [help, setHelp] = useState<(typeof HELP)[number]>('none');
  const [said, setSaid] = useState('');
  /** Rungs done before the one that is open, in order. */
  const [before, setBefore] = useState<readonly RungDone[]>([]);
  const [day, setDay] = useState<string | null>(null);
  const design = designs?.find((d) => String(d.id) === designId) ?? null;
  const { data: rules } = useRules();
  const heavy = useHeavy(design, materials, rules);
  const isThere = useFamilies(design?.pattern);
  const counted = useMemo(
    () => (design && materials && isThere ? countsOf(design, materials) : NO_COUNTS),
    [design, materials, isThere],
  );
  const open = heavy.rungs?.find((r) => r.id === rungId);
  const add = useChange(async () => {
    const rung = open;
    if (!design || !rung) throw new Error('Choose a design and a rung.');
    if (seconds === null && count === null)
      throw new Error(`How many seconds did it take, or how many ${counted.of}?`);
    const note: NoteInput = {
      designId: design.id,
      child,
      rung: rung.name,
      bits: rung.bits,
      seconds,
      count,
      of: counted.of,
      help,
      words: said,
      satOn: day ?? place!.today,
      before: [...before],
    };
    return api<Note>('POST', '/notes', note);
  });
  const { mutateAsync: remove } = useChange((id: number) => api<void>('DELETE', `/notes/${id}`));
  const hide = (id: number, away: boolean): void =>
    setHidden((all) => {
      const next = new Set(all);
      if (away) next.add(id);
      else next.delete(id);
      return next;
    });
  const notes = useMemo(
    () => pages.data?.pages.flatMap((p) => p.items).filter((n) => !hidden.has(n.id)),
    [pages.data, hidden],
  );
  const columns = useMemo((): SortColumn<Note>[] => {
    const put = (n: Note): void => {
      hide(n.id, true);
      undoable({
        words: `The note on ${n.child} of ${shortDay(n.satOn)} is deleted.`,
        later: () => remove(n.id),
        undo: () => hide(n.id, false),
      });
    };
    return [
      {
        id: 'satOn',
        name: 'Day',
        wide: 0.7,
        least: 76,
        value: (n) => n.satOn,
        show: (n) => shortDay(n.satOn),
      },
      {
        id: 'child',
        name: 'Child',
        names: true,
        wide: 0.7,
        value: (n) => n.child,
        show: (n) => <b>{n.child}</b>,
      },
      {
        id: 'design',
        name: 'Design and rung',
        wide: 1.9,
        value: (n) => n.design,
        show: (n) => (
          <>
            {n.design}
            <br />
            <Quiet>
              {n.rung}, {n.bits.toFixed(1)} bits
              {n.before.length > 0 && `, after ${n.before.map((b) => b.rung.toLowerCase()).join(', ')}`}
            </Quiet>
          </>
        ),
      },
      {
        id: 'help',
        name: 'Help',
        wide: 1.1,
        value: (n) => HELP.indexOf(n.help),
        show: (n) => <Words>{HELP_WORDS[n.help]}</Words>,
      },
      {
        id: 'count',
        name: 'Count',
        wide: 0.8,
        value: (n) => n.count ?? -1,
        show: (n) => <Words>{n.count === null ? '–' : `${n.count} ${n.of}`}</Words>,
      },
      {
        id: 'each',
        name: 'Seconds each',
        wide: 0.6,
        value: (n) => secondsEach(n) ?? Infinity,
        show: (n) => secondsEach(n)?.toFixed(1) ?? '–',
      },
      { id: 'words', name: 'Words', wide: 1.6, value: (n) => n.words, show: (n) => <Words>{n.words}</Words> },
      {
        id: 'delete',
        name: '',
        wide: 0.5,
        value: () => '',
        show: (n) => (
          <Bin
            type="button"
            aria-label={`Delete the note on ${n.child}, ${shortDay(n.satOn)}`}
            onClick={() => put(n)}
          >
            <Trash2 size={17} aria-hidden />
          </Bin>
        ),
      },
    ];
  }, [remove]);
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (pages.error) return <Notice tone="stop">{words(pages.error)}</Notice>;
  if (!notes || !summary || !designs || !place) return <p role="status">Loading the notes …</p>;
  return (
    <Grid>
      <Heading
        over={`${place.name} · ${summary.notes} ${summary.notes === 1 ? 'note' : 'notes'} on ${summary.children} ${summary.children === 1 ? 'child' : 'children'}`}
        title="Who managed what, and for how long?"
      />
      <div>
        {summary.notes === 0 ? (
          <Panel as="div">No notes yet. Write the first at the side, while it is fresh.</Panel>
        ) : (
          <SortTable
            label="Notes"
            columns={columns}
            rows={notes}
            rowHeight={58}
            first="descending"
            height="max(320px, calc(100dvh - 210px))"
            more={{
              total: summary.notes,
              fetch: () => void pages.fetchNextPage(),
              busy: pages.isFetchingNextPage,
            }}
          />
        )}
      </div>
      <aside>
        <Panel as="div">
          <Form
            onSubmit={() => {
              add.mutate(undefined, {
                onSuccess: () => {
                  setSeconds(null);
                  setCount(null);
                  setSaid('');
                  setBefore([]);
                },
              });
            }}
          >
            <Stack $gap={10}>
              <Spread>
                <h2>Write a note</h2>
                <WhatIsRung />
              </Spread>
              <Select
                label="Design"
                value={designId}
                onChange={(v) => {
                  setDesignId(v);
                  setRungId(null);
                  setBefore([]);
                }}
                options={designs.map((d) => ({ value: String(d.id), label: d.name, note: d.forGroup }))}
              />
              {before.length > 0 && (
                <Done aria-label="Rungs done before">
                  {before.map((b, i) => (
                    <li key={`${i}${b.rung}`}>
                      <b>{b.rung}</b>
                      <Quiet>
                        {[
                          b.seconds === null ? '' : `${b.seconds} s`,
                          b.count === null ? '' : `${b.count} ${counted.of}`,
                        ]
                          .filter(Boolean)
                          .join(', ')}
                      </Quiet>
                      <Bin
                        type="button"
                        aria-label={`Take ${b.rung} off`}
                        onClick={() => setBefore((all) => all.filter((_, k) => k !== i))}
                      >
                        <Trash2 size={17} aria-hidden />
                      </Bin>
                    </li>
                  ))}
                </Done>
              )}
              <Select
                label={before.length > 0 ? 'Then the rung' : 'Rung'}
                value={rungId}
                onChange={setRungId}
                isDisabled={!heavy.rungs}
                placeholder={
                  !design ? 'Choose the design first' : heavy.rungs ? 'Choose' : 'Working out the ladder …'
                }
                options={(heavy.rungs ?? []).map((r) => ({
                  value: r.id,
                  label: r.name,
                  note: `${r.bits.toFixed(1)} bits`,
                }))}
              />
              {heavy.problem && (
                <Notice tone="stop">
                  {heavy.problem}{' '}
                  <Button small plain onPress={heavy.again}>
                    Try again
                  </Button>
                </Notice>
              )}
              <Two>
                <TextField label="Child" value={child} onChange={setChild} hint="a code, like G-04" />
                <DayField label="Day" value={day ?? place.today} onChange={setDay} />
                <CountField label="Seconds" value={seconds} onChange={setSeconds} />
                <CountField label={upper(counted.of)} value={count} onChange={setCount} />
              </Two>
              <div>
                <Button
                  small
                  plain
                  isDisabled={!open || (seconds === null && count === null) || before.length >= MOST_BEFORE}
                  onPress={() => {
                    setBefore((all) => [...all, { rung: open!.name, bits: open!.bits, seconds, count }]);
                    setRungId(null);
                    setSeconds(null);
                    setCount(null);
                  }}
                >
                  And another rung
                </Button>
              </div>
              <Choice
                label="Help given"
                value={help}
                onChange={(v) => setHelp(v as (typeof HELP)[number])}
                options={HELP.map((h) => ({ value: h, label: HELP_WORDS[h] }))}
              />
              <TextField label="What you saw" value={said} onChange={setSaid} />
              {add.error && <Notice tone="stop">{words(add.error)}</Notice>}
              {add.isSuccess && <Notice tone="clear">Saved for {add.data.child}.</Notice>}
              <Button type="submit" isDisabled={add.isPending}>
                Save the note
              </Button>
            </Stack>
          </Form>
        </Panel>
      </aside>
    </Grid>
  );
}
