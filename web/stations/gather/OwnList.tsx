import { useMemo, useRef, useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { styled } from 'styled-components';
import { MOST_LISTED, type ListDone, type ListInput, type ListLook } from '../../../contract/list.ts';
import type { Place } from '../../../contract/place.ts';
import {
  guessColumns,
  headerRow,
  headingWords,
  LIST_FIELDS,
  unitOf,
  type ListField,
} from '../../../core/gather/list/columns.ts';
import { readList } from '../../../core/gather/list/readList.ts';
import { api, words } from '../../data/api.ts';
import { useChange } from '../../data/queries.ts';
import { shortDay } from '../../data/style.ts';
import { Picture } from '../../drawing/Picture.tsx';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { Notice, Panel, Quiet, Row, Spread, Stack } from '../../parts/Panel.tsx';
import { Select } from '../../parts/Select.tsx';
import { Table } from '../../parts/Table.tsx';
import { readTable, saveTable } from './readTable.ts';
import { sizeWords } from './words.ts';
import { text } from './text.ts';

/** Rows that are shown of what was understood. */
const SHOWN = 30;
const FIELD: Record<ListField, string> = {
  name: text('fieldName'),
  kind: text('fieldKind'),
  count: text('fieldCount'),
  size: text('fieldSize'),
  across: text('fieldAcross'),
  length: text('length'),
  width: text('width'),
  height: text('height'),
  thickness: text('fieldThickness'),
  colour: text('colour'),
  'made of': text('made'),
  'came in': text('fieldCame'),
  from: text('fieldFrom'),
  ignore: text('fieldIgnore'),
};
const Columns = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
  gap: 10px;
  small {
    display: block;
    color: var(--slate);
    font-size: 12.5px;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
    margin-top: 3px;
  }
`;

/** An invented list as somebody may keep it, to see how one is read. */
const EXAMPLE = [
  ['Item', 'How many', 'Size', 'Colour', 'Came in', 'From'],
  ['Bottle caps', '24', '38 x 14 mm', 'red', '05/11/2026', 'Teal Skiff'],
  ['Yogurt tub', '3', '', 'white', '', ''],
  ['Wide lid', '4', '4 x 3/8 in', 'green', '12 Nov 2026', ''],
  ['Kitchen-roll tube', '6', '44 x 230', '', '', ''],
  ['Total', '37', '', '', '', ''],
];

interface Opened {
  readonly name: string;
  readonly headings: readonly string[];
  readonly rows: readonly (readonly string[])[];
  /** The number of the first of the rows in the file, from 1. */
  readonly firstRow: number;
}

/** Somebody's own list, as it is: what its columns mean is looked over, good rows go in, the rest comes back. */
export function OwnList({ place }: { place: Place }) {
  const input = useRef<HTMLInputElement>(null);
  const [opened, setOpened] = useState<Opened | null>(null);
  const [fields, setFields] = useState<readonly ListField[]>([]);
  const [problem, setProblem] = useState<string | null>(null);
  const client = useQueryClient();
  const read = useMemo(
    () =>
      opened &&
      readList(opened.rows, fields, {
        unit: place.lengthUnit,
        locale: place.locale,
        today: place.today,
        firstRow: opened.firstRow,
        units: opened.headings.map(unitOf),
      }),
    [opened, fields, place],
  );
  const body = useMemo(
    (): ListInput | null =>
      opened && read && read.good.length > 0
        ? {
            name: opened.name.slice(0, 80),
            kinds: read.good
              .slice(0, MOST_LISTED)
              .map(({ material, quantity, cameOn, from }) => ({ material, quantity, cameOn, from })),
            columns: Object.fromEntries(
              opened.headings.flatMap((h, i) => {
                const said = headingWords(h).slice(0, 60);
                return said === '' ? [] : [[said, fields[i]!]];
              }),
            ),
          }
        : null,
    [opened, read, fields],
  );
  const { data: look, error: lookError } = useQuery({
    queryKey: ['materials', 'list', 'look', body],
    queryFn: () => api<ListLook>('POST', '/materials/list/look', body),
    enabled: body !== null,
    retry: false,
  });
  const take = useChange((list: ListInput) => api<ListDone>('POST', '/materials/list', list));
  const open = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    take.reset();
    setProblem(null);
    setOpened(null);
    try {
      // What columns meant before is waited for: without it the same list would be read in another way.
      const [table, known] = await Promise.all([
        readTable(file),
        client.fetchQuery({
          queryKey: ['materials', 'list'],
          queryFn: () => api<Record<string, string>>('GET', '/materials/list'),
        }),
      ]);
      const at = headerRow(table);
      const headings = table[at]!.map((h) => h.trim());
      const rows = table.slice(at + 1);
      setFields(guessColumns(headings, rows.slice(0, 50), known));
      setOpened({ name: file.name, headings, rows, firstRow: at + 2 });
    } catch (e) {
      setProblem(`${file.name}: ${words(e)}`);
    } finally {
      if (input.current) input.current.value = '';
    }
  };
  const rest = (): void => {
    if (!opened || !read) return;
    saveTable(text('restOf', { file: opened.name.replace(/\.\w+$/, '') }), [
      [...opened.headings, text('whyNot')],
      ...read.bad.map((b) => [...opened.headings.map((_, i) => b.cells[i] ?? ''), b.why.join('; ')]),
    ]);
  };
  const done = take.data;
  return (
    <Panel as="section" aria-label={text('ownList')}>
      <Stack>
        <Spread>
          <div>
            <h2>{text('ownList')}</h2>
            <Quiet>{text('ownListSays')}</Quiet>
          </div>
          <Row>
            <Button plain small onPress={() => saveTable('example-list.csv', EXAMPLE)}>
              {text('exampleList')}
            </Button>
            <Button onPress={() => input.current?.click()}>
              {opened ? text('anotherFile') : text('chooseList')}
            </Button>
          </Row>
        </Spread>
        <input
          ref={input}
          type="file"
          accept=".csv,.tsv,.txt,text/csv,text/plain"
          aria-label={text('listFile')}
          hidden
          onChange={(e) => void open(e.currentTarget.files?.[0])}
        />
        {problem && <Notice tone="stop">{problem}</Notice>}
        {opened && read && (
          <>
            <Notice tone={done ? 'clear' : read.bad.length > 0 || look?.taken ? 'care' : 'clear'}>
              <strong>{opened.name}:</strong>{' '}
              {done
                ? text('listTaken', { added: done.added, more: done.more })
                : text('listRead', {
                    good: read.good.length,
                    bad: read.bad.length,
                    totals: read.totals,
                  })}
              {!done && look && ` ${text('listWould', { added: look.added, more: look.more })}`}
              {!done && look?.taken && (
                <>
                  {' '}
                  <strong>{text('listKnown', { file: look.taken.name, on: shortDay(look.taken.on) })}</strong>
                </>
              )}
              {read.good.length > MOST_LISTED && ` ${text('firstRowsOnly', { MOST_LISTED })}`}
            </Notice>
            {(take.error ?? lookError) && <Notice tone="stop">{words(take.error ?? lookError)}</Notice>}
            <Row>
              {!done && (
                <Button
                  isDisabled={body === null || take.isPending}
                  onPress={() => body && take.mutate(body)}
                >
                  {look?.taken
                    ? text('takeListAgain', { good: read.good.length })
                    : text('takeList', { good: read.good.length })}
                </Button>
              )}
              {done && <ButtonLink to="/gather">{text('seeShelf')}</ButtonLink>}
              {read.bad.length > 0 && (
                <Button plain onPress={rest}>
                  {text('getRest', { bad: read.bad.length })}
                </Button>
              )}
            </Row>
            {!done && (
              <>
                <h3>{text('whatColumnsMean')}</h3>
                <Columns>
                  {opened.headings.map((h, i) => (
                    <div key={i}>
                      <Select
                        label={h || text('columnN', { n: i + 1 })}
                        value={fields[i]!}
                        onChange={(v) =>
                          setFields(
                            fields.map((f, k) =>
                              // A field is given once: whoever had it is left out.
                              k === i ? (v as ListField) : f === v && v !== 'ignore' ? 'ignore' : f,
                            ),
                          )
                        }
                        options={LIST_FIELDS.map((f) => ({ value: f, label: FIELD[f] }))}
                      />
                      <small>
                        {opened.rows
                          .slice(0, 3)
                          .map((r) => r[i] ?? '')
                          .filter(Boolean)
                          .join(' · ')}
                      </small>
                    </div>
                  ))}
                </Columns>
                {read.good.length > 0 && (
                  <Table
                    caption={text('howUnderstood')}
                    left={[1, 2, 4, 5]}
                    head={[
                      text('fieldName'),
                      text('form'),
                      text('fieldSize'),
                      text('fieldCount'),
                      text('made'),
                      text('fieldCame'),
                    ]}
                    rows={read.good.slice(0, SHOWN).map((g) => ({
                      key: String(g.row),
                      cells: [
                        <Row key="n">
                          <Picture material={g.material} size={26} />
                          {g.material.name}
                        </Row>,
                        g.material.solid ?? g.material.form,
                        <span key="s">
                          {sizeWords(g.material, place.lengthUnit)}
                          {g.usualOf && (
                            <>
                              <br />
                              <Quiet>{text('usualSizeOf', { entry: g.usualOf })}</Quiet>
                            </>
                          )}
                        </span>,
                        String(g.quantity),
                        g.material.materialClass,
                        `${shortDay(g.cameOn)}${g.from && `, ${g.from}`}`,
                      ],
                    }))}
                  />
                )}
                {read.good.length > SHOWN && (
                  <Quiet>{text('andMoreRows', { more: read.good.length - SHOWN })}</Quiet>
                )}
                {read.bad.length > 0 && (
                  <Table
                    caption={text('notUnderstood')}
                    left={[1, 2]}
                    head={[text('row'), text('says'), text('whatWrong')]}
                    rows={read.bad.slice(0, SHOWN).map((b) => ({
                      key: String(b.row),
                      cells: [
                        String(b.row),
                        b.cells.filter((c) => c.trim() !== '').join(' · '),
                        b.why.join('; '),
                      ],
                    }))}
                  />
                )}
              </>
            )}
          </>
        )}
      </Stack>
    </Panel>
  );
}
