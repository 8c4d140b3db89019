import { useMemo, useState } from 'react';
import { Trash2 } from 'lucide-react';
import { styled } from 'styled-components';
import type { Note, NoteSent, LevelDone } from '../../../contract/notes.ts';
import type { WatchedChild } from '../../../contract/watching.ts';
import type { Counts } from '../../../core/patterns/kernel.ts';
import { HELP, LIKED, type Help, type Liked } from '../../../core/watch/outcomes.ts';
import { api, words } from '../../data/api.ts';
import { useChange, useDesigns, useMaterials, usePlace, useRules } from '../../data/queries.ts';
import { countsOf } from '../../design/derived.ts';
import { useHeavy } from '../../design/heavy.ts';
import { usePattern } from '../../design/usePattern.ts';
import { Button } from '../../parts/Button.tsx';
import { Choice } from '../../parts/Choice.tsx';
import { DayField } from '../../parts/DayField.tsx';
import { TextField } from '../../parts/Field.tsx';
import { CountField } from '../../parts/TypedField.tsx';
import { Form } from '../../parts/Form.tsx';
import { Notice, Quiet, Spread, Stack } from '../../parts/Panel.tsx';
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

/** A note: whom, what, how it went. The child that was watched last comes with the design it was watched at. */
export function NoteForm({
  children,
  latest,
  first,
}: {
  children: readonly WatchedChild[];
  /** Of a child, the design of its latest note. */
  latest(child: string): number | null;
  /** What the form begins with. */
  first: { readonly child: string; readonly design: string | null; readonly level: string | null };
}) {
  const { data: designs } = useDesigns();
  const { data: materials } = useMaterials();
  const { data: place } = usePlace();
  const [designId, setDesignId] = useState<string | null>(first.design);
  const [child, setChild] = useState(first.child);
  const [levelId, setLevelId] = useState<string | null>(null);
  /** A level that was named before its ladder was there. */
  const [wished, setWished] = useState(first.level);
  const [seconds, setSeconds] = useState<number | null>(null);
  const [count, setCount] = useState<number | null>(null);
  const [tries, setTries] = useState<number | null>(1);
  const [managed, setManaged] = useState<number | null>(1);
  const [help, setHelp] = useState<Help>('none');
  const [liked, setLiked] = useState<Liked | null>(null);
  const [said, setSaid] = useState('');
  /** Levels done before the one that is open, in order. */
  const [before, setBefore] = useState<readonly LevelDone[]>([]);
  const [day, setDay] = useState<string | null>(null);
  const design = designs?.find((d) => String(d.id) === designId) ?? null;
  const { data: rules } = useRules();
  const heavy = useHeavy(design, materials, rules);
  const isThere = usePattern(design?.pattern);
  const counted = useMemo(
    () => (design && materials && isThere ? countsOf(design, materials) : NO_COUNTS),
    [design, materials, isThere],
  );
  const open = heavy.levels?.find((r) => (levelId === null ? r.name === wished : r.id === levelId));
  const choose = (id: string | null): void => {
    setDesignId(id);
    setLevelId(null);
    setWished(null);
    setBefore([]);
  };
  const add = useChange(async () => {
    const level = open;
    if (!design || !level) throw new Error(text('chooseDesignLevel'));
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
      tries: tries ?? 1,
      managed: managed ?? tries ?? 1,
      liked,
      words: said,
      satOn: day ?? place!.today,
      before: [...before],
    };
    return api<Note>('POST', '/notes', note);
  });
  if (!designs || !place) return null;
  return (
    <Form
      onSubmit={() => {
        add.mutate(undefined, {
          onSuccess: () => {
            setSeconds(null);
            setCount(null);
            setSaid('');
            setBefore([]);
            setTries(1);
            setManaged(1);
            setLiked(null);
          },
        });
      }}
    >
      <Stack $gap={10}>
        <Spread>
          <h2>{text('writeNote')}</h2>
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
        {heavy.problem && (
          <Notice tone="stop">
            {heavy.problem}{' '}
            <Button small plain onPress={heavy.again}>
              {text('tryAgain')}
            </Button>
          </Notice>
        )}
        <Two>
          <CountField label={text('seconds')} value={seconds} onChange={setSeconds} />
          <CountField label={upper(counted.of)} value={count} onChange={setCount} />
        </Two>
        <RunningClock seconds={seconds} onSeconds={setSeconds} />
        <Two>
          <CountField
            label={text('tries')}
            value={tries}
            onChange={(n) => {
              // Until it is said otherwise, every try was managed.
              if (managed === tries) setManaged(n);
              setTries(n);
            }}
          />
          <CountField label={text('managed')} value={managed} onChange={setManaged} />
        </Two>
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
          label={text('helpGiven')}
          value={help}
          onChange={(v) => setHelp(v as Help)}
          options={HELP.map((h) => ({ value: h, label: HELP_WORDS[h] }))}
        />
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
        {add.isSuccess && <Notice tone="clear">{text('saved', { child: add.data.child })}</Notice>}
        <Button type="submit" isDisabled={add.isPending}>
          {text('saveNote')}
        </Button>
      </Stack>
    </Form>
  );
}
