import { useMemo, useState } from 'react';
import { Pencil, Trash2 } from 'lucide-react';
import { Link, useSearchParams } from 'react-router';
import { styled } from 'styled-components';
import type { Note } from '../../../contract/notes.ts';
import { HELP } from '../../../core/watch/outcomes.ts';
import { shortDay } from '../../data/style.ts';
import { api, words } from '../../data/api.ts';
import {
  useChange,
  useNotePages,
  useNotesSummary,
  usePlace,
  useWatchedChildren,
} from '../../data/queries.ts';
import { Button, ButtonLink } from '../../parts/Button.tsx';
import { Heading, Notice, Panel, Quiet, Row, Spread, Stack } from '../../parts/Panel.tsx';
import { SortTable, type SortColumn } from '../../parts/SortTable.tsx';
import { undoable } from '../../parts/messages.ts';
import { useNarrow } from '../../parts/useNarrow.ts';
import { Bin } from '../../parts/Bin.tsx';
import { NoteForm } from './NoteForm.tsx';
import { HELP_WORDS, LIKED_WORDS, secondsEach, triesWords } from './words.ts';
import { text } from './text.ts';

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
const Words = styled.span`
  display: block;
  line-height: 1.25;
  white-space: normal;
`;
const Cards = styled.ul`
  display: grid;
  gap: 8px;
  li {
    background: var(--paper);
    border: 1px solid var(--seam);
    border-radius: 10px;
    padding: 10px 12px;
    display: grid;
    gap: 3px;
    font-size: 15px;
  }
`;
/** Cards that are shown at first, and with each touch more. */
const A_HAND = 20;

/** Notes on a phone: a card each, the latest first, nothing to scroll sideways. */
function NoteCards({
  notes,
  total,
  onMore,
  onCorrect,
}: {
  notes: readonly Note[];
  total: number;
  onMore(): void;
  onCorrect(note: Note): void;
}) {
  const [shown, setShown] = useState(A_HAND);
  return (
    <Stack>
      <Cards aria-label={text('notes')}>
        {notes.slice(0, shown).map((n) => (
          <li key={n.id}>
            <Spread>
              <Link to={`/watch/${encodeURIComponent(n.child)}`}>{n.child}</Link>
              <Quiet>{shortDay(n.satOn)}</Quiet>
            </Spread>
            <b>
              {n.design}, {n.level.toLowerCase()}
            </b>
            <span>
              {[
                HELP_WORDS[n.help],
                n.count === null ? null : `${n.count} ${n.of}`,
                triesWords(n),
                n.liked && LIKED_WORDS[n.liked],
              ]
                .filter(Boolean)
                .join(' · ')}
            </span>
            {n.words && <span>{n.words}</span>}
            <div>
              <Button
                small
                plain
                aria-label={text('correctNoteOn', { child: n.child, satOn: shortDay(n.satOn) })}
                onPress={() => onCorrect(n)}
              >
                {text('correct')}
              </Button>
            </div>
          </li>
        ))}
      </Cards>
      {shown < total && (
        <Button
          plain
          onPress={() => {
            if (shown + A_HAND > notes.length) onMore();
            setShown(shown + A_HAND);
          }}
        >
          {text('showMoreNotes')}
        </Button>
      )}
    </Stack>
  );
}

/** One watched sitting after another. */
export function Component() {
  const pages = useNotePages({ limit: 300 });
  const { data: summary, error } = useNotesSummary();
  const [hidden, setHidden] = useState<ReadonlySet<number>>(new Set());
  const [correcting, setCorrecting] = useState<Note | null>(null);
  const { data: place } = usePlace();
  const isNarrow = useNarrow();
  const { data: watched } = useWatchedChildren();
  const [params] = useSearchParams();
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
        words: text('noteOnDeleted', { child: n.child, satOn: shortDay(n.satOn) }),
        later: () => remove(n.id),
        undo: () => hide(n.id, false),
      });
    };
    return [
      {
        id: 'satOn',
        name: text('day'),
        wide: 0.7,
        least: 76,
        value: (n) => n.satOn,
        show: (n) => shortDay(n.satOn),
      },
      {
        id: 'child',
        name: text('child'),
        names: true,
        wide: 0.7,
        value: (n) => n.child,
        show: (n) => <Link to={`/watch/${encodeURIComponent(n.child)}`}>{n.child}</Link>,
      },
      {
        id: 'design',
        name: text('designLevel'),
        wide: 1.9,
        least: 150,
        value: (n) => n.design,
        show: (n) => (
          <>
            {n.design}
            <br />
            <Quiet>
              {n.level}
              {n.before.length > 0 &&
                text('after', { before: n.before.map((b) => b.level.toLowerCase()).join(', ') })}
            </Quiet>
          </>
        ),
      },
      {
        id: 'help',
        name: text('help3'),
        wide: 1.1,
        least: 96,
        value: (n) => HELP.indexOf(n.help),
        show: (n) => <Words>{HELP_WORDS[n.help]}</Words>,
      },
      {
        id: 'count',
        name: text('count'),
        wide: 0.8,
        least: 112,
        value: (n) => n.count ?? -1,
        show: (n) => (
          <Words>
            {n.count === null ? '–' : `${n.count} ${n.of}`}
            {triesWords(n) && <Quiet>, {triesWords(n)}</Quiet>}
          </Words>
        ),
      },
      {
        id: 'each',
        name: text('secondsEach'),
        wide: 0.6,
        value: (n) => secondsEach(n) ?? Infinity,
        show: (n) => secondsEach(n)?.toFixed(1) ?? '–',
      },
      {
        id: 'words',
        name: text('words'),
        wide: 1.6,
        least: 150,
        value: (n) => n.words,
        show: (n) => <Words>{n.words}</Words>,
      },
      {
        id: 'delete',
        name: '',
        wide: 0.5,
        value: () => '',
        least: 112,
        show: (n) => (
          <Row $gap={0} style={{ flexWrap: 'nowrap' }}>
            <Bin
              type="button"
              aria-label={text('correctNoteOn', { child: n.child, satOn: shortDay(n.satOn) })}
              onClick={() => setCorrecting(n)}
            >
              <Pencil size={17} aria-hidden />
            </Bin>
            <Bin
              type="button"
              aria-label={text('deleteNoteOn', { child: n.child, satOn: shortDay(n.satOn) })}
              onClick={() => put(n)}
            >
              <Trash2 size={17} aria-hidden />
            </Bin>
          </Row>
        ),
      },
    ];
  }, [remove]);
  if (error) return <Notice tone="stop">{words(error)}</Notice>;
  if (pages.error) return <Notice tone="stop">{words(pages.error)}</Notice>;
  if (!notes || !summary || !place) return <p role="status">{text('loadingNotes')}</p>;
  return (
    <Grid>
      <Heading
        over={text('on', { place: place.name, notes: summary.notes, children: summary.children })}
        title={text('whoManagedWhatHow')}
      >
        <ButtonLink plain to="/watch/groups">
          {text('group')}
        </ButtonLink>
      </Heading>
      <div>
        {summary.notes === 0 ? (
          <Panel as="div">{text('noNotesYetWrite')}</Panel>
        ) : isNarrow ? (
          <NoteCards
            notes={notes}
            total={summary.notes}
            onMore={() => void pages.fetchNextPage()}
            onCorrect={setCorrecting}
          />
        ) : (
          <SortTable
            label={text('notes')}
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
          <NoteForm
            key={correcting ? `note ${correcting.id} ${correcting.version}` : params.toString()}
            of={correcting ?? undefined}
            onDone={() => setCorrecting(null)}
            children={watched ?? []}
            latest={(code) => notes.find((n) => n.child === code)?.designId ?? null}
            first={{
              child: params.get('child') ?? '',
              design: params.get('design'),
              level: params.get('level'),
            }}
          />
        </Panel>
      </aside>
    </Grid>
  );
}
