import { nearestLevel } from '../../design/nearestLevel.ts';
import { useMemo, useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { Trash2 } from 'lucide-react';
import { styled } from 'styled-components';
import type { Kit } from '../../../contract/lending.ts';
import type { Note, NoteSent, LevelDone } from '../../../contract/notes.ts';
import type { WatchedChild } from '../../../contract/watching.ts';
import type { Counts } from '../../../core/patterns/kernel.ts';
import { HELP, LIKED, type Help, type Liked } from '../../../core/watch/outcomes.ts';
import { api, words } from '../../data/api.ts';
import { useBorrowers, useChange, useDesigns, useMaterials, usePlace, useRules } from '../../data/queries.ts';
import { countsOf } from '../../design/derived.ts';
import { useHeavy } from '../../design/heavy.ts';
import { usePattern } from '../../design/usePattern.ts';
import { Button } from '../../parts/Button.tsx';
import { Choice } from '../../parts/Choice.tsx';
import { DayField } from '../../parts/DayField.tsx';
import { TextField } from '../../parts/Field.tsx';
import { CountField } from '../../parts/TypedField.tsx';
import { Form } from '../../parts/Form.tsx';
import { Notice, Quiet, Row, Spread, Stack } from '../../parts/Panel.tsx';
import { Select } from '../../parts/Select.tsx';
import { WhatIsLevel } from '../../parts/WhatIs.tsx';
import { Bin } from '../../parts/Bin.tsx';
import { RunningClock } from './RunningClock.tsx';
import { HELP_WORDS, LIKED_WORDS } from './words.ts';
import { Pills } from '../../parts/Pills.tsx';
import { text } from './text.ts';

const Two = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 0.8fr) minmax(0, 1.2fr);
  gap: 10px;
`;

/** Levels a sitting can have before its last one. */
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

const NO_COUNTS: Counts = { of: 'pieces', one: 'piece', number: 0 };
const upper = (word: string): string => word[0]!.toUpperCase() + word.slice(1);
/** Children that are offered to touch. */
const MOST_CODES = 6;

/** How it went: managed in one try, not yet, or some of several tries. */
type Went = 'yes' | 'no' | 'several';
const wentOf = (n: Pick<Note, 'tries' | 'managed'>): Went =>
  n.tries > 1 ? 'several' : n.managed === 1 ? 'yes' : 'no';

/**
 * A note: whom, what, with what help, how it went; nothing is answered before somebody does. The child that was watched last
 * comes with the design it was watched at, a child whose family has a kit with the design of that kit.
 */
export function NoteForm({
  children,
  latest,
  first,
  of,
  onDone,
}: {
  children: readonly WatchedChild[];
  /** Of a child, the design of its latest note. */
  latest(child: string): number | null;
  /** What the form begins with. */
  first: { readonly child: string; readonly design: string | null; readonly level: string | null };
  /** The note that is corrected; left out for a new one. */
  of?: Note | undefined;
  /** Told when a correction is saved or left. */
  onDone?: (() => void) | undefined;
}) {
  const { data: designs } = useDesigns();
  const { data: materials } = useMaterials();
  const { data: place } = usePlace();
  const [designId, setDesignId] = useState<string | null>(of ? String(of.designId) : first.design);
  const [child, setChild] = useState(of?.child ?? first.child);
  const [levelId, setLevelId] = useState<string | null>(null);
  /** A level that was named before its ladder was there. */
  const [wished, setWished] = useState(of?.level ?? first.level);
  const [isFromHome, setFromHome] = useState(false);
  const [seconds, setSeconds] = useState<number | null>(of?.seconds ?? null);
  const [count, setCount] = useState<number | null>(of?.count ?? null);
  const [went, setWent] = useState<Went | null>(of ? wentOf(of) : null);
  const [tries, setTries] = useState<number | null>(of && of.tries > 1 ? of.tries : null);
  const [managed, setManaged] = useState<number | null>(of && of.tries > 1 ? of.managed : null);
  const [help, setHelp] = useState<Help | null>(of?.help ?? null);
  const [liked, setLiked] = useState<Liked | null>(of?.liked ?? null);
  const [said, setSaid] = useState(of?.words ?? '');
  /** Levels done before the one that is open, in order. */
  const [before, setBefore] = useState<readonly LevelDone[]>(of?.before ?? []);
  const [day, setDay] = useState<string | null>(of?.satOn ?? null);
  const design = designs?.find((d) => String(d.id) === designId) ?? null;
  const { data: rules } = useRules();
  const heavy = useHeavy(design, materials, rules);
  const isThere = usePattern(design?.pattern);
  const counted = useMemo(
    () => (design && materials && isThere ? countsOf(design, materials) : NO_COUNTS),
    [design, materials, isThere],
  );
  // The kit that is at home is made as its design stands: the level of that, until another is chosen.
  const made =
    isFromHome && levelId === null && wished === null
      ? nearestLevel(heavy.levels, heavy.load?.total ?? null)
      : undefined;
  const open = made ?? heavy.levels?.find((r) => (levelId === null ? r.name === wished : r.id === levelId));
  const choose = (id: string | null, atHome = false): void => {
    setDesignId(id);
    setFromHome(atHome);
    setLevelId(null);
    setWished(null);
    setBefore([]);
  };
  // A level that its ladder has lost since is kept as the note has it.
  const kept = of && wished === of.level && levelId === null ? { name: of.level, bits: of.bits } : undefined;
  const add = useChange(async () => {
    const level = open ?? (heavy.levels ? kept : undefined);
    if (!design || !level) throw new Error(text('chooseDesignLevel'));
    if (help === null) throw new Error(text('sayHelp'));
    if (went === null) throw new Error(text('sayWent'));
    if (went === 'several' && (tries === null || managed === null)) throw new Error(text('sayTries'));
    if (seconds === null && count === null) throw new Error(text('howManySecondsDid', { of: counted.of }));
    const note: NoteSent = {
      designId: design.id,
      child,
      level: level.name,
      bits: level.bits,
      seconds,
      count,
      of: counted.of,
      help,
      tries: went === 'several' ? tries! : 1,
      managed: went === 'several' ? managed! : went === 'yes' ? 1 : 0,
      liked,
      words: said,
      satOn: day ?? place!.today,
      before: [...before],
    };
    return of
      ? api<Note>('PUT', `/notes/${of.id}`, { ...note, version: of.version })
      : api<Note>('POST', '/notes', note);
  });
  const { data: borrowers } = useBorrowers();
  const family = child === '' ? undefined : borrowers?.find((b) => b.children?.includes(child));
  const { data: kits } = useQuery({
    queryKey: ['kits', 'with', family?.id],
    queryFn: () => api<Kit[]>('GET', `/kits?limit=50&q=${encodeURIComponent(family!.name)}`),
    enabled: family !== undefined && !of,
  });
  /** The design of the kit that the child has at home. */
  const atHome = kits?.find((k) => k.openLoan?.borrowerId === family?.id)?.designId ?? null;
  if (designId === null && atHome !== null && designs?.some((d) => d.id === atHome))
    choose(String(atHome), true);
  if (!designs || !place) return null;
  return (
    <Form
      onSubmit={() => {
        add.mutate(undefined, {
          onSuccess: () => {
            if (of) return onDone?.();
            setSeconds(null);
            setCount(null);
            setSaid('');
            setBefore([]);
            setWent(null);
            setTries(null);
            setManaged(null);
            setHelp(null);
            setLiked(null);
          },
        });
      }}
    >
      <Stack $gap={10}>
        <Spread>
          <h2>{of ? text('correctNote') : text('writeNote')}</h2>
          <WhatIsLevel />
        </Spread>
        <Two>
          <TextField label={text('child')} value={child} onChange={setChild} hint={text('codeLikeG04')} />
          <DayField label={text('day')} value={day ?? place.today} onChange={setDay} />
        </Two>
        {children.length > 0 && (
          <Pills role="group" aria-label={text('watchedLast')}>
            {children.slice(0, MOST_CODES).map((c) => (
              <button
                key={c.child}
                type="button"
                aria-pressed={c.child === child}
                onClick={() => {
                  setChild(c.child);
                  const last = latest(c.child);
                  if (last !== null && designId === null) choose(String(last));
                }}
              >
                {c.child}
              </button>
            ))}
          </Pills>
        )}
        <Select
          label={text('design')}
          value={designId}
          onChange={choose}
          options={designs.map((d) => ({ value: String(d.id), label: d.name, note: d.forGroup }))}
        />
        {before.length > 0 && (
          <Done aria-label={text('levelsDBefore')}>
            {before.map((b, i) => (
              <li key={`${i}${b.level}`}>
                <b>{b.level}</b>
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
                  aria-label={text('takeOff', { level: b.level })}
                  onClick={() => setBefore((all) => all.filter((_, k) => k !== i))}
                >
                  <Trash2 size={17} aria-hidden />
                </Bin>
              </li>
            ))}
          </Done>
        )}
        <Select
          label={before.length > 0 ? text('thenLevel') : text('level')}
          value={open?.id ?? null}
          onChange={setLevelId}
          isDisabled={!heavy.levels}
          placeholder={
            !design ? text('chooseDesignFirst') : heavy.levels ? text('choose') : text('workingOutLadder')
          }
          options={(heavy.levels ?? []).map((r) => ({
            value: r.id,
            label: r.name,
            note: text('difficulty', { load: r.load.total.toFixed(1) }),
          }))}
        />
        {made && <Quiet>{text('asKitMade')}</Quiet>}
        {heavy.problem && (
          <Notice tone="stop">
            {heavy.problem}{' '}
            <Button small plain onPress={heavy.again}>
              {text('tryAgain')}
            </Button>
          </Notice>
        )}
        <Choice
          label={text('helpGiven')}
          value={help ?? ''}
          onChange={(v) => setHelp(v as Help)}
          options={HELP.map((h) => ({ value: h, label: HELP_WORDS[h] }))}
        />
        <Choice
          label={text('wasManaged')}
          value={went ?? ''}
          onChange={(v) => setWent(v as Went)}
          options={[
            { value: 'yes', label: text('managedYes') },
            { value: 'no', label: text('managedNo') },
            { value: 'several', label: text('severalTries') },
          ]}
        />
        {went === 'several' && (
          <Two>
            <CountField label={text('tries')} value={tries} onChange={setTries} />
            <CountField label={text('managed')} value={managed} onChange={setManaged} />
          </Two>
        )}
        <Two>
          <CountField label={text('seconds')} value={seconds} onChange={setSeconds} />
          <CountField label={upper(counted.of)} value={count} onChange={setCount} />
        </Two>
        {seconds !== null && count !== null && count > 1 && (
          <Quiet>
            {text('secondsForAll', { seconds, count, of: counted.of, each: (seconds / count).toFixed(1) })}
          </Quiet>
        )}
        <RunningClock seconds={seconds} onSeconds={setSeconds} />
        <div>
          <Button
            small
            plain
            isDisabled={!open || (seconds === null && count === null) || before.length >= MOST_BEFORE}
            onPress={() => {
              setBefore((all) => [...all, { level: open!.name, bits: open!.bits, seconds, count }]);
              setLevelId(null);
              setSeconds(null);
              setCount(null);
            }}
          >
            {text('level2')}
          </Button>
        </div>
        <Choice
          label={text('howWasLiked')}
          value={liked ?? ''}
          onChange={(v) => setLiked(v === '' ? null : (v as Liked))}
          options={[
            ...LIKED.map((l) => ({ value: l, label: LIKED_WORDS[l] })),
            { value: '', label: text('notNoted') },
          ]}
        />
        <TextField label={text('whatYouSaw')} value={said} onChange={setSaid} />
        {add.error && <Notice tone="stop">{words(add.error)}</Notice>}
        {add.isSuccess && (
          <Notice tone="clear">
            {text('saved', { child: add.data.child })}{' '}
            <Link to={`/watch/${encodeURIComponent(add.data.child)}`}>
              {text('whatNext', { child: add.data.child })}
            </Link>
          </Notice>
        )}
        <Row>
          <Button type="submit" isDisabled={add.isPending}>
            {of ? text('saveCorrection') : text('saveNote')}
          </Button>
          {of && (
            <Button plain onPress={() => onDone?.()}>
              {text('leaveAsIs')}
            </Button>
          )}
        </Row>
      </Stack>
    </Form>
  );
}
